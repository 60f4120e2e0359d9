<?php

declare(strict_types=1);

use Brookstone\Core\Build\Build;
use Brookstone\Core\Error\InvalidInput;
use Brookstone\Core\Load\MoveLoad;
use Brookstone\Core\Machine\WorstPose;
use Brookstone\Core\Simulation\RoutineRun;
use Tests\Support\Builds;

/**
 * A trolley with a hoist on it, a crate of 0.4 kg under it, and whatever else stands there; the hoist takes the crate, lifts it, and the trolley takes it along.
 *
 * @param  list<array<string, mixed>>  $steps
 * @param  list<array<string, mixed>>  $things
 */
function fetching(array $steps, array $things = [], array $crate = []): Build
{
    $motion = fn (string $id, array $mechanism, float $to, string $motor, array $more): array => ['id' => $id, 'name' => ucfirst($id), 'mechanism' => $mechanism,
        'places' => [['id' => 'low', 'name' => 'Low', 'at' => 0], ['id' => 'high', 'name' => 'High', 'at' => $to]],
        'task' => ['from' => 'low', 'to' => 'high', 'move_s' => 3.0], 'drive' => ['motor' => Builds::motor($motor), 'supply' => 'main'],
        'stops' => ['switches' => [['id' => "{$id}-low", 'name' => "{$id} low", 'place' => 'low', 'at' => 0, 'end' => 'low'],
            ['id' => "{$id}-high", 'name' => "{$id} high", 'place' => 'high', 'at' => $to, 'end' => 'high']]]] + $more;

    return Build::read(['format' => 'brookstone-build', 'version' => 1, 'name' => 'Crate',
        'supplies' => [['id' => 'main', 'name' => 'Main', 'volts_V' => 12, 'max_A' => 9]],
        'motions' => [
            $motion('trolley', ['kind' => 'slide', 'mass_kg' => 0.3, 'pulley_radius_m' => 0.008, 'friction_coefficient' => 0.1], 0.3, 'G25-60',
                ['mount' => ['z_m' => 0.6]]),
            $motion('hoist', ['kind' => 'hoist', 'mass_kg' => 0.1, 'drum_radius_m' => 0.008, 'friction_N' => 0.3], 0.2, 'G25-60',
                ['mount' => ['on' => 'trolley', 'z_m' => -0.5], 'bodies' => [['id' => 'hook', 'name' => 'Hook', 'length_m' => 0.02]]]),
        ],
        'things' => [$crate + ['id' => 'crate', 'name' => 'Crate', 'is' => 'carried', 'z_m' => 0.04, 'length_m' => 0.1, 'mass_kg' => 0.4], ...$things],
        'routines' => [['id' => 'go', 'name' => 'Go', 'steps' => $steps]]]);
}

const TAKES = ['do' => 'take', 'with' => 'hoist', 'thing' => 'crate'];

const LIFTS = ['do' => 'home', 'motion' => 'hoist', 'switch' => 'hoist-high', 'give_up_s' => 9];

const GOES = ['do' => 'home', 'motion' => 'trolley', 'switch' => 'trolley-high', 'give_up_s' => 9];

describe('taking up and putting down', function () {
    it('makes what carries it heavier, and what that stands on', function () {
        $drawn = fn (array $steps): array => array_map(fn (array $lane): float => array_sum($lane['current_A']) / count(array_filter($lane['current_A'])),
            array_column(RoutineRun::of($build = fetching($steps), $build->routines['go'])['motions'], null, 'motion'));
        [$empty, $loaded] = [$drawn([LIFTS, GOES]), $drawn([TAKES, LIFTS, GOES])];
        expect($loaded['hoist'])->toBeGreaterThan($empty['hoist'] * 1.02)->and($loaded['trolley'])->toBeGreaterThan($empty['trolley'] * 1.02);
    });

    it('lets go of the load again', function () {
        $trace = RoutineRun::of($build = fetching([TAKES, LIFTS, ['do' => 'put', 'with' => 'hoist'], GOES]), $build->routines['go']);
        expect($trace['outcome'])->toBe('finished')
            ->and(array_map(fn (array $change): array => [$change['thing'], $change['motion']], $trace['things']))->toBe([['crate', 'hoist'], ['crate', null]])
            // It stands as much higher as the hook went, over where it stood.
            ->and($trace['things'][1]['place'][11])->toBeGreaterThan(0.04 + 0.199)->toBeLessThan(0.04 + 0.215)
            ->and($trace['things'][1]['place'][9])->toEqualWithDelta(0.0, 1e-6)
            ->and(array_column($trace['events'], 'kind'))->toContain('take', 'put');
    });

    it('is sized with what it takes up, and empty without', function () {
        $build = fetching([TAKES, LIFTS]);
        $peak = fn (string $id, bool $there): float => MoveLoad::of($there ? $build->motions[$id]->mechanism : $build->motions[$id]->mechanism->unloaded(),
            $build->motions[$id]->move())->static_peak_Nm;
        // The hook is a mere shape: 0.1 kg as typed, and the crate's 0.4 kg, on a drum of 8 mm.
        expect($peak('hoist', true))->toEqualWithDelta(0.5 * 9.80665 * 0.008, 1e-6)
            ->and($peak('hoist', false))->toEqualWithDelta(0.1 * 9.80665 * 0.008, 1e-6)
            ->and($build->motions['trolley']->ride())->toBeInstanceOf(WorstPose::class)
            ->and($build->motions['trolley']->ride()?->kg() - $build->motions['trolley']->ride()?->empty()->kg())->toEqualWithDelta(0.4, 1e-9);
    });

    it('fails where it is not there, where its hands are full, and where they are empty', function (array $steps, array $crate, string $because) {
        $trace = RoutineRun::of($build = fetching($steps, [], $crate), $build->routines['go']);
        expect($trace['outcome'])->toBe('faulted')->and($trace['fault'])->toContain($because);
    })->with([
        'out of reach' => [[TAKES], ['x_m' => 0.08], 'Hoist does not reach Crate: that is 20 mm away'],
        'twice' => [[TAKES, TAKES], [], 'Hoist carries Crate already'],
        'nothing' => [[['do' => 'put', 'with' => 'hoist']], [], 'Hoist carries nothing'],
    ]);

    it('reaches what is a centimetre away, and no farther', function () {
        $outcome = fn (float $x): string => RoutineRun::of($build = fetching([TAKES], [], ['x_m' => $x]), $build->routines['go'])['outcome'];
        expect($outcome(0.0699))->toBe('finished')->and($outcome(0.0702))->toBe('faulted');
    });

    it('finds the next one where the last one stood', function () {
        $build = fetching([TAKES, LIFTS, ['do' => 'put', 'with' => 'hoist'], ['do' => 'home', 'motion' => 'hoist', 'switch' => 'hoist-low', 'give_up_s' => 9], TAKES]);
        expect(RoutineRun::of($build, $build->routines['go'])['outcome'])->toBe('finished');
    });
});

describe('what is carried', function () {
    $wall = fn (float $top): array => [['id' => 'wall', 'name' => 'Wall', 'x_m' => 0.2, 'z_m' => $top / 2, 'length_m' => 0.02, 'width_m' => 0.2, 'height_m' => $top]];
    /** @return list<string> */
    $wrong = fn (Build $build): array => array_map(fn (array $mishap): string => $mishap['says']->text(),
        RoutineRun::of($build, $build->routines['go'])['mishaps']);

    it('meets what it does not clear, although the hook does', function () use ($wall, $wrong) {
        // Lifted by 0.2 m its lower side is at 0.19 m, and the hook's at 0.29.
        expect($wrong(fetching([TAKES, LIFTS, GOES], $wall(0.21)))[0] ?? '')->toMatch('/^Crate of Hoist touches Wall with Hoist at 20\\d mm and Trolley at 1\\d\\d mm\\.$/u')
            ->and($wrong(fetching([LIFTS, GOES], $wall(0.21), ['x_m' => 1.0])))->toBe([])
            ->and($wrong(fetching([TAKES, LIFTS, GOES], $wall(0.15))))->toBe([]);
    });

    it('may be let down onto something, and lifted off it', function () use ($wrong) {
        $shelf = [['id' => 'shelf', 'name' => 'Shelf', 'x_m' => 0.3, 'z_m' => -0.021, 'length_m' => 0.14, 'width_m' => 0.2, 'height_m' => 0.02]];
        $lower = ['do' => 'run', 'motion' => 'hoist', 'direction' => 'down', 'until' => ['sensor' => 'hoist-low'], 'give_up_s' => 9];
        expect($wrong(fetching([TAKES, LIFTS, GOES, $lower, ['do' => 'stop', 'motion' => 'hoist'], LIFTS], $shelf)))->toBe([]);
    });
});

it('refuses a step that takes what is not carried', function () {
    expect(fn () => fetching([['do' => 'take', 'with' => 'hoist', 'thing' => 'moon']]))
        ->toThrow(fn (InvalidInput $wrong) => expect($wrong->errors)->toBe([['field' => 'routines.0.steps.0.thing', 'message' => 'There is no thing moon that is carried in this build.']]))
        ->and(fn () => fetching([TAKES], [], ['is' => 'way']))->toThrow(InvalidInput::class, 'There is no thing crate that is carried')
        ->and(fn () => fetching([['do' => 'put', 'with' => 'crane']]))->toThrow(InvalidInput::class, 'There is no motion crane');
});
