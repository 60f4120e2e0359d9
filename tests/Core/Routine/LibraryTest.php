<?php

declare(strict_types=1);

use Brookstone\Core\Build\Build;
use Brookstone\Core\Build\Editor;
use Brookstone\Core\Build\RoutineLibrary;
use Brookstone\Core\Finding\Change;
use Brookstone\Core\Finding\Severity;
use Brookstone\Core\Simulation\RoutineRun;
use Tests\Support\Builds;

/** The sound build with everything that a ready routine may want. */
function furnished(bool $homes = true): Build
{
    return Builds::planted([
        'routines' => $homes ? [Builds::sound()->document['routines'][0]] : [],
        'sensors.2' => ['id' => 'daylight', 'name' => 'Daylight', 'kind' => 'light', 'rest' => 80, 'upper' => 60, 'lower' => 45],
    ]);
}

/** The same, with something that turns on and on in place of the lift. */
function feeding(): Build
{
    return Editor::apply(furnished(), array_map(fn (string $path, mixed $value): array => ['path' => "motions.2.{$path}", 'value' => $value],
        ['task.keeps_turning', 'stops.hard_low', 'stops.hard_high'], [true, null, null]));
}

/** @return array<string, array{0: Build, 1: string}> all of them, each begun in a build that waits for it */
function allBegun(): array
{
    return ['home' => begun(furnished(false))['home']] + begun(furnished()) + array_intersect_key(begun(feeding()), ['feed' => true])
        + array_intersect_key(begun(Builds::example('star-dial')), ['dial' => true]) + array_intersect_key(begun(Builds::example('casket-lid')),
            ['crank' => true]) + array_intersect_key(begun(Builds::example('bell-hammer')), ['release' => true]);
}

/** @return array<string, array{0: Build, 1: string}> ready routines begun: the build with it, and its id */
function begun(Build $build): array
{
    $begun = [];
    foreach (RoutineLibrary::of($build) as $entry) {
        if ($entry['begin'] === null) {
            continue;
        }
        $with = Editor::apply($build, array_map(fn (Change $change): array => ['path' => $change->path, 'value' => $change->value], $entry['begin']->changes));
        $new = array_values(array_diff(array_keys($with->routines), array_keys($build->routines)));
        $begun[$entry['key']] = [$with, $new[0]];
    }

    return $begun;
}

it('begins every ready routine where a build has what it takes', function () {
    expect(array_keys(allBegun()))->toBe(['home', 'there-and-back', 'toggle', 'gate', 'visitor', 'count', 'knob', 'stick', 'asleep', 'threshold',
        'day-and-night', 'feed', 'dial', 'crank', 'release']);
});

it('says what a build lacks, in words, and begins nothing there', function () {
    $bare = Build::read(['sensors' => [], 'outputs' => [], 'motions' => [], 'routines' => [], 'scenarios' => [], 'log' => []] + Builds::sound()->document);
    foreach (RoutineLibrary::of($bare) as $entry) {
        expect($entry['begin'])->toBeNull()->and((string) $entry['lacks'])->toMatch('/^[A-Z].*\.$/');
    }
});

it('begins nothing that the judge faults', function () {
    foreach (allBegun() as $key => [$build, $id]) {
        foreach (Builds::assessed($build)->routines as $said) {
            foreach ($said['id'] === $id ? $said['findings'] : [] as $finding) {
                expect($finding->severity)->not->toBe(Severity::Fails, "{$key}: {$finding->code} {$finding->says->text()}");
            }
        }
    }
});

it('begins routines that run to their end', function () {
    $ran = [];
    foreach (allBegun() as $key => [$build, $id]) {
        $sensor = $build->routines[$id]->starts[0]->sensor ?? null;
        $events = match (true) {
            $sensor === 'daylight' => [['what' => 'level', 'at_s' => 6, 'sensor' => 'daylight', 'value' => 5],
                ['what' => 'level', 'at_s' => 60, 'sensor' => 'daylight', 'value' => 90]],
            $key === 'threshold' => [['what' => 'sensor', 'at_s' => 2, 'sensor' => 'button', 'is' => 'on'], ['what' => 'sensor', 'at_s' => 3, 'sensor' => 'button', 'is' => 'off'],
                ['what' => 'level', 'at_s' => 4, 'sensor' => 'daylight', 'value' => 20], ['what' => 'sensor', 'at_s' => 5, 'sensor' => 'button', 'is' => 'on']],
            $sensor === null => [],
            default => array_merge(...array_map(fn (int $i): array => [['at_s' => 6 + 12 * $i, 'sensor' => $sensor, 'is' => 'on'],
                ['at_s' => 6.2 + 12 * $i, 'sensor' => $sensor, 'is' => 'off']], range(0, 3))),
        };
        if ($key === 'feed') { // an item comes by a while after the feeder has begun
            array_push($events, ['at_s' => 7.5, 'sensor' => 'beam', 'is' => 'on'], ['at_s' => 7.8, 'sensor' => 'beam', 'is' => 'off']);
        }
        $with = Editor::apply($build, [['path' => 'scenarios.0', 'value' => ['id' => 'try', 'name' => 'Try', 'until_s' => 120, 'events' => $events]]]);
        $ran[$key] = RoutineRun::of($with, $with->routines[$id], $with->scenarios['try'])['outcome'];
    }

    expect($ran)->toBe(array_fill_keys(array_keys($ran), 'finished'));
});

it('fits the demos and every example as they stand', function (string $name, bool $isDemo) {
    $build = $isDemo ? Builds::demo($name) : Builds::example($name);
    foreach (begun($build) as $key => [$with, $id]) {
        expect($with->routines)->toHaveKey($id)->and($with->routines[$id]->steps)->not->toBe([], $key)
            ->and(Build::fromJson($with->toJson())->toJson())->toBe($with->toJson());
    }
    expect(count(RoutineLibrary::of($build)))->toBe(15);
})->with(fn (): array => [...array_map(fn (string $name): array => [$name, true], ['heron-wharf', 'moth-lantern', 'quarry-tram']),
    ...array_map(fn (string $name): array => [$name, false], Builds::examples())]);

it('turns a dial on by one of its places, and a crank on and never back', function () {
    [$dial, $next] = begun(Builds::example('star-dial'))['dial'];
    [$crank, $opens] = begun(Builds::example('casket-lid'))['crank'];
    $steps = $crank->routines[$opens]->steps;

    expect($dial->routines[$next]->steps[0]->by)->toBe(15.0) // twenty-four places
        ->and(array_map(fn ($step) => $step->direction ?? null, $steps))->toBe([1, null, null, 1, null])
        ->and($steps[0]->effect($crank)->move?->endsAt)->toBe('open')->and($steps[3]->effect($crank)->move?->endsAt)->toBe('shut');
});

it('does not home twice what is homed at power-on already', function () {
    $home = array_column(RoutineLibrary::of(Builds::sound()), null, 'key')['home'];

    expect($home['begin'])->toBeNull()->and($home['lacks'])->toContain('Wake moves some of them at power-on already');
});

it('gives a second one of the same kind a name of its own', function () {
    [$once, $first] = begun(furnished())['there-and-back'];
    [$twice, $second] = begun($once)['there-and-back'];

    expect($second)->not->toBe($first)->and(array_keys($twice->routines))->toContain($first, $second);
});
