<?php

declare(strict_types=1);

use Brookstone\Core\Build\Build;
use Brookstone\Core\Drift\DriftPath;
use Brookstone\Core\Rehearsal\Rehearsal;
use Brookstone\Core\Stops\TimedMove;
use Brookstone\Core\Study\DriftFan;
use Tests\Support\Builds;
use Tests\Support\Things;

/** The lift without a switch at its upper places, sent to and fro by time. @param  list<array<string, mixed>>  $steps */
function toAndFro(array $steps, array $planted = []): Build
{
    return Builds::planted([
        'motions.2.stops.switches' => [['id' => 'lift-low', 'name' => 'Lift low switch', 'place' => 'low', 'at' => 0.0, 'end' => 'low']],
        'motions.2.places.2' => ['id' => 'middle', 'name' => 'Middle', 'at' => 0.05], 'motions.2.places.3' => ['id' => 'upper', 'name' => 'Upper',
            'at' => 0.08],
        'routines.1.steps' => $steps, 'log' => [], ...$planted,
    ]);
}

function goes(string $place): array
{
    return ['do' => 'go', 'motion' => 'lift', 'place' => $place, 'give_up_s' => 9];
}

it('walks every stop of a cycle, loops and called routines too', function () {
    $build = toAndFro([goes('middle'), ['do' => 'repeat', 'times' => 3, 'steps' => [goes('upper'), goes('middle')]], ['do' => 'call', 'routine' => 'more'],
        goes('low')], [
            'routines.2' => ['id' => 'more', 'name' => 'More', 'steps' => [goes('high'), ['do' => 'go_by', 'motion' => 'lift', 'by' => -0.02, 'give_up_s' => 5]]],
        ]);
    $path = new DriftPath($build, $build->motions['lift'], Rehearsal::of($build)->usual('show'));

    expect(array_map(fn ($stop): float => round($stop->at, 6), $path->stops))->toBe([0.05, 0.08, 0.05, 0.08, 0.05, 0.08, 0.05, 0.1, 0.08, 0.0])
        ->and($path->isHomed())->toBeTrue()->and($path->timedMoves())->toBe(9)
        ->and($path->stops[9]->move)->toBeNull()->and($path->stops[1]->move)->toBe($path->stops[3]->move);
});

it('agrees with the study at every stop: the rule’s means and spreads are those of many walks', function (int $seed) {
    $things = new Things(500 + $seed);
    $places = ['middle', 'upper', 'high', 'low'];
    $steps = [goes('middle')];
    for ($i = 0; $i < 4; $i++) {
        $steps[] = $things->number(0, 1) < 0.3
            ? ['do' => 'repeat', 'times' => 2, 'steps' => [goes($places[(int) $things->number(0, 2.99)]), goes($places[(int) $things->number(0, 2.99)])]]
            : goes($places[(int) $things->number(0, 3.99)]);
    }
    $build = toAndFro($steps, $seed % 2 === 0 ? ['supplies.0.capacity_Ah' => 2.0] : []);
    $fan = new DriftFan($build, $build->motions['lift'], Rehearsal::of($build)->usual('show'), $seed);
    $cycles = 6;
    $walks = array_map(fn (): array => $fan->walk($cycles), range(1, 200));
    $told = iterator_to_array($fan->path->errors($cycles), false);
    $checked = 0;
    foreach (array_values($fan->shown()) as $column => $stop) {
        foreach ([0, $cycles - 1] as $cycle) {
            [$mean, $sd] = $told[$cycle][$stop];
            $walked = array_map(fn (array $walk): float => $walk[$column][$cycle], $walks);
            $average = array_sum($walked) / count($walked);
            $scatter = sqrt(array_sum(array_map(fn (float $each): float => ($each - $average) ** 2, $walked)) / (count($walked) - 1));
            if ($sd === 0.0) {
                expect($average)->toBe(0.0);

                continue;
            }
            $checked++;
            expect(abs($average - $mean))->toBeLessThan(4 * $sd / sqrt(200) + 0.2 * $sd, "seed {$seed}, stop {$stop}, cycle {$cycle}")
                ->and($scatter / $sd)->toBeGreaterThan(0.75)->toBeLessThan(1.3, "seed {$seed}, stop {$stop}, cycle {$cycle}");
        }
    }
    expect($checked)->toBeGreaterThan(2);
})->with(range(1, 6));

it('scatters by the kind of supply: one per cent where it is regulated, its discharge where it is a battery', function () {
    $spread = function (?float $capacity): float {
        $build = toAndFro([goes('middle')], ['supplies.0.capacity_Ah' => $capacity]);

        return (new TimedMove($build->motions['lift'], $build->settings, 0.0, 0.05))->linear()[2];
    };

    expect(abs($spread(2.0) / $spread(null)))->toBeAbout(0.1 / sqrt(3) / 0.01, 0.05);
});

it('takes the spread of what was measured where there are repeats, three or more', function () {
    $log = fn (float ...$times): array => ['log' => array_map(fn (int $i): array => ['id' => "m{$i}", 'motion' => 'lift', 'from' => 'low', 'to' => 'middle',
        'measured_s' => $times[$i], 'on' => '2026-05-30'], array_keys($times))];
    $of = function (array $planted): array {
        $build = toAndFro([goes('middle'), goes('low')], $planted);
        $path = new DriftPath($build, $build->motions['lift'], Rehearsal::of($build)->usual('show'));

        return [$path->stops[0]->move?->measured_sd_s, iterator_to_array($path->errors(1))[0][0][1]];
    };
    [$none, $usual] = $of($log(1.5, 1.5));
    [$sd, $measured] = $of($log(1.4, 1.5, 1.6));

    expect($none)->toBeNull()->and($sd)->toBeAbout(0.1, 1e-9)
        ->and($measured)->toBeAbout(0.1 * 0.0344, 0.05) // a tenth of a second at the speed that it has there
        ->and($measured)->not->toBeAbout($usual, 0.1);
});

it('says where a motion first strays, on both sides of what is allowed', function () {
    $build = toAndFro([goes('middle'), goes('upper'), goes('low')]);
    $path = new DriftPath($build, $build->motions['lift'], Rehearsal::of($build)->usual('show'));
    $errors = iterator_to_array($path->errors(1))[0];
    $off = fn (int $stop): float => abs($errors[$stop][0]) + 3 * $errors[$stop][1];
    expect($off(1))->toBeGreaterThan($off(0));
    $found = fn (float $tolerance): array => Builds::found(toAndFro([goes('middle'), goes('upper'), goes('low')], ['motions.2.task.tolerance' => $tolerance]),
        'routine.drifts');

    expect($found($off(1) * 1.001))->toBe([])
        ->and($found($off(1) * 0.999)[0]->place)->toBe('routines.1.steps.1')
        ->and($found($off(0) * 0.999)[0]->place)->toBe('routines.1.steps.0')
        ->and($found($off(1) * 0.999)[0]->says->text())->toContain('ends up to '.$build->motions['lift']->unit()->quantity($off(1))->text(figures: 4).' off its place'); // told apart from what is allowed
});

it('times a soft start as the run does', function () {
    $build = toAndFro([goes('middle')], ['motions.2.drive.ramp_s' => 0.8]);
    $run = Brookstone\Core\Simulation\RoutineRun::of($build, $build->routines['show'], $build->scenarios['pressed']);
    $end = end($run['motions'][2]['position']);

    expect($end - 0.05)->toEqualWithDelta((new TimedMove($build->motions['lift'], $build->settings, 0.0, 0.05))->error(), 4e-4);
});

/** The lift as a dial that goes by time, and a magnet at its first place. @param  list<array<string, mixed>>  $steps */
function dialByTime(array $steps): Build
{
    return Builds::planted([
        'motions.2.mechanism' => ['kind' => 'turntable', 'inertia_kgm2' => 0.0004, 'friction_Nm' => 0.01],
        'motions.2.places' => [['id' => 'low', 'name' => 'Low', 'at' => 0], ['id' => 'high', 'name' => 'High', 'at' => 90],
            ['id' => 'far', 'name' => 'Far', 'at' => 180]],
        'motions.2.task' => ['keeps_turning' => true, 'move_s' => 1] + Builds::sound()->document['motions'][2]['task'],
        'motions.2.stops' => ['switches' => []], 'log' => [],
        'sensors.2' => ['id' => 'index', 'name' => 'Index', 'kind' => 'magnet', 'motion' => 'lift', 'at' => 0, 'reach' => 3],
        'routines' => [
            ['id' => 'wake', 'name' => 'Wake', 'starts' => [['when' => 'power_on']],
                'steps' => [['do' => 'home', 'motion' => 'lift', 'switch' => 'index', 'give_up_s' => 9]]],
            ['id' => 'next', 'name' => 'Next', 'starts' => [['when' => 'press', 'sensor' => 'button']], 'steps' => $steps],
        ],
    ]);
}

it('drifts per turn, forwards each time, and an index takes it out', function () {
    $build = dialByTime([goes('high'), goes('far'), goes('low')]);
    $path = new DriftPath($build, $build->motions['lift'], Rehearsal::of($build)->usual('next'));
    $errors = iterator_to_array($path->errors(4), false);
    $drifting = dialByTime([goes('high'), goes('far')]);
    $without = new DriftPath($drifting, $drifting->motions['lift'], Rehearsal::of($drifting)->usual('next'));
    $grows = iterator_to_array($without->errors(4), false);

    expect(array_column($path->stops, 'at'))->toBe([90.0, 180.0, 0.0])
        ->and($path->stops[2]->move)->toBeNull() // onto the magnet
        ->and($errors[3])->toEqual($errors[0])->and($errors[0][2])->toBe([0.0, 0.0])
        ->and($without->stops[0]->move?->time_s)->toBeGreaterThan(2.5 * $without->stops[1]->move?->time_s) // the long way round: it is never turned back
        ->and($grows[3][1][0])->toBeAbout(4 * $grows[0][1][0], 1e-3);
});

it('tells it at the step, by what lies between two places where nothing is said of a tolerance', function () {
    $said = array_map(fn ($finding): string => $finding->says->text(),
        Builds::found(dialByTime([goes('high'), goes('far'), goes('low')]), 'routine.drifts'));

    expect($said[0] ?? '')->toContain('where 4.5° is allowed'); // a twentieth of 90°
});
