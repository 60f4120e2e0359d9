<?php

declare(strict_types=1);

use Brookstone\Core\Build\Build;
use Brookstone\Core\Build\Editor;
use Brookstone\Core\Drive\DcMotor;
use Brookstone\Core\Dynamics\Ledger;
use Brookstone\Core\Dynamics\Plant;
use Brookstone\Core\Parts\Motion;
use Brookstone\Core\Routine\Routine;
use Brookstone\Core\Routine\Scenario;
use Brookstone\Core\Simulation\Axis;
use Brookstone\Core\Simulation\RoutineRun;
use Tests\Core\Reach\RandomRoutines;
use Tests\Support\Builds;
use Tests\Support\Faulty;

/**
 * A run in which every motor is looked at in every scan, as its energy is written down, and one in which motors that are not about to meet anything are
 * left alone.
 *
 * @return array{array<string, mixed>, array<string, mixed>}
 */
function bothWays(Build $build, Routine $routine, ?Scenario $scenario = null): array
{
    $ledgers = array_map(fn (Motion $motion): Ledger => new Ledger(Plant::of($motion), $motion->drive?->motor instanceof DcMotor
        ? $motion->drive->motor->resistance_ohm() : 1.0), $build->motions);

    return [RoutineRun::of($build, $routine, $scenario, $ledgers, lean: true), RoutineRun::of($build, $routine, $scenario, lean: true)];
}

/** What happened, and when: all but figures in words. @param  array<string, mixed>  $trace  @return array<string, mixed> */
function happened(array $trace): array
{
    $plain = fn ($says): string => (string) preg_replace('/[\d.]+/', '#', is_string($says) ? $says : $says->text());

    return [
        'outcome' => $trace['outcome'], 'took' => $trace['took_s'],
        'steps' => array_map(fn (array $step): array => [$step['routine'], $step['path'], $step['start_s'], $step['end_s'], $step['outcome']], $trace['steps']),
        'events' => array_map(fn (array $event): array => [$event['at_s'], $event['kind'], $plain($event['says'])], $trace['events']),
        'mishaps' => array_map(fn (array $mishap): array => [$mishap['kind'], $mishap['of'], $plain($mishap['says'])], $trace['mishaps']),
        'known' => array_column($trace['ends'], 'known', 'motion'),
    ];
}

/** The same things happen at the same scans, and as much is drawn. */
function expectTheSame(Build $build, Routine $routine, ?Scenario $scenario, string $which): void
{
    [$each, $alone] = bothWays($build, $routine, $scenario);
    expect(happened($alone))->toEqual(happened($each), $which);
    foreach ($each['ends'] as $i => $end) {
        [$low, $high] = $build->motions[$end['motion']]->range();
        expect($alone['ends'][$i]['at'])->toEqualWithDelta($end['at'], 1e-4 * ($high - $low), $which);
    }
    foreach ($each['supplies'] as $i => $supply) {
        expect($alone['supplies'][$i]['charge_C'])->toEqualWithDelta($supply['charge_C'], 0.04 * $supply['charge_C'] + 0.003, $which)
            ->and($alone['supplies'][$i]['peak_A'])->toEqualWithDelta($supply['peak_A'], 0.05 * $supply['peak_A'], $which);
    }
}

it('sees the same things happen at the same scans, whatever is left alone in between', function () {
    foreach (range(1, (int) (getenv('BROOKSTONE_RUNS') ?: 40)) as $seed) {
        $build = (new RandomRoutines(60_000 + $seed))->build();
        $build = $seed % 3 === 0 ? Editor::apply($build,
            [['path' => 'rules', 'value' => [['id' => 'r', 'name' => 'Clear', 'never' => ['test' => 'between', 'motion' => 'lift', 'from' => 0.03,
                'to' => 0.035]]]]]) : $build;
        expectTheSame($build, $build->routines['button'], $build->scenarios['pressed'], "seed {$seed}");
    }
});

it('does so with machines that are wrong somewhere', function () {
    foreach (range(1, (int) (getenv('BROOKSTONE_RUNS') ?: 15)) as $seed) {
        $build = Faulty::build(700 + $seed);
        foreach ($build->routines as $routine) {
            expectTheSame($build, $routine, null, "seed {$seed}, {$routine->id}");
        }
    }
});

it('does so with what ships', function (string $name) {
    $build = in_array($name, Builds::examples(), true) ? Builds::example($name) : Builds::demo($name);
    foreach ($build->routines as $routine) {
        foreach ([null, ...array_values($build->scenarios)] as $scenario) {
            expectTheSame($build, $routine, $scenario, "{$routine->id} {$scenario?->id}");
        }
    }
})->with(fn (): array => ['heron-wharf', 'moth-lantern', 'quarry-tram', ...array_filter(Builds::examples(),
    fn (string $name): bool => Builds::example($name)->routines !== [])]);

it('looks at what is about to meet something, and leaves alone what is not', function () {
    $lift = Builds::sound()->motions['lift'];
    $alone = function (float $at, float $for_s, ?array $says, array $planted = []): float { // says: how far behind and before it
        $axis = new Axis(Builds::planted($planted)->motions['lift'], $at, 0.0);
        $axis->push(1, 1.0);
        for ($t = 0.0; $t < $for_s; $t += 0.005) {
            $axis->advance(0.005);
        }

        return $says === null ? $axis->leftAlone_s(INF, -INF) : $axis->leftAlone_s($axis->position() - $says[0], $axis->position() + $says[1]);
    };

    expect($alone(0.0, 0.005, [INF, INF]))->toBe(0.0) // it has only just started
        ->and($alone(0.0, 0.5, [INF, INF]))->toBe(0.1)
        ->and($alone(0.0, 0.5, [INF, 0.0002]))->toBeLessThan(0.005) // a switch is just before it
        ->and($alone(0.0, 0.5, [0.0002, INF]))->toBe(0.1) // and just behind it
        ->and($alone(0.0, 0.5, null))->toBe(0.0) // nobody knows what there is
        ->and($alone(0.105, 0.1, [INF, INF]))->toBeLessThan(0.06) // its hard stop at 110 mm
        ->and($alone(0.109, 2.0, [INF, INF]))->toBe(0.5) // it pushes against that, and goes on doing so
        ->and($alone(0.0, 0.2, [INF, INF], ['motions.2.drive.ramp_s' => 1.0]))->toBe(0.0) // its command still grows
        ->and($lift->unit()->value)->toBe('m');
});

it('jams where it comes to be held, and not a stride later', function (float $at) {
    $build = Builds::planted(['scenarios.0.events' => [['what' => 'hold', 'at_s' => 0, 'motion' => 'lift', 'is' => 'on', 'at' => $at],
        ...Builds::sound()->document['scenarios'][0]['events']]]);
    [, $alone] = bothWays($build, $build->routines['show'], $build->scenarios['pressed']);

    expectTheSame($build, $build->routines['show'], $build->scenarios['pressed'], "at {$at}");
    expect($alone['outcome'])->toBe('faulted')->and(array_column($alone['ends'], 'at', 'motion')['lift'])->toEqualWithDelta($at, 0.0011);
})->with([0.02, 0.051, 0.083]);

it('starts at its time what hangs on time alone', function (array $starts, array $at) {
    $build = Builds::planted(['routines.0.steps' => [], 'routines.1.starts' => $starts,
        'routines.1.steps' => [['do' => 'signal', 'output' => 'lamp', 'state' => 'on', 'for_s' => 0.5]], 'scenarios.0.clock' => '11:59',
        'scenarios.0.until_s' => 64, 'scenarios.0.events' => [
            ['at_s' => 8, 'sensor' => 'button', 'is' => 'on'], ['at_s' => 12, 'sensor' => 'button', 'is' => 'off'],
            ['at_s' => 62, 'sensor' => 'beam', 'is' => 'on'],
        ]]);
    $trace = RoutineRun::of($build, $build->routines['show'], $build->scenarios['pressed'], lean: true);
    $shown = array_values(array_filter($trace['events'], fn (array $event): bool => $event['kind'] === 'start' && $event['says']->text() === 'Show starts.'));

    expect(array_map(fn (array $event): float => round($event['at_s'], 6), $shown))->toEqual($at)
        ->and(array_map(fn (array $change): float => round($change['at_s'], 6),
            $trace['outputs'][0]['changes']))->toEqual(array_merge(...array_map(fn (float $start): array => [$start, round($start + 0.5, 6)], $at)));
})->with([
    'a long press' => [[['when' => 'press', 'sensor' => 'button', 'how' => 'long']], [8.6]],
    'every seven seconds' => [[['when' => 'every', 'every_s' => 7]], [7.0, 14.0, 21.0, 28.0, 35.0, 42.0, 49.0, 56.0]],
    'a time of day' => [[['when' => 'time_of_day', 'at' => '12:00']], [60.0]],
]);
