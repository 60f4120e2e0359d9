<?php

declare(strict_types=1);

use Brookstone\Core\Build\Build;
use Brookstone\Core\Drive\AirCylinder;
use Brookstone\Core\Quantity\Constants;
use Brookstone\Core\Routine\Scenario;
use Brookstone\Core\Routine\WorldEvent;
use Brookstone\Core\Simulation\RoutineRun;
use Tests\Support\Builds;

/** @param  array<string, mixed>  $changes */
function crate(array $changes = []): Build
{
    $document = Builds::example('crate-imp')->document;
    foreach ($changes as $path => $value) {
        data_set($document, $path, $value);
    }

    return Build::read($document);
}

/**
 * @param  array<string, mixed>  $changes
 * @param  list<WorldEvent>  $events
 * @return array<string, mixed>
 */
function burst(array $changes = [], array $events = [], float $until_s = 20.0): array
{
    $build = crate($changes);

    return RoutineRun::of($build, $build->routines['burst'], new Scenario('s', 'S', $until_s, [], [new WorldEvent(1.0, 'sensor', 'mat', true), ...$events]));
}

it('takes so much air of the tank as the strokes hold, and the tank falls as p·V says', function () {
    $run = burst(['tanks.0.compressor_l_min' => 0.0]);
    $lid = crate()->motions['lid']->drive->motor;
    $imp = crate()->motions['imp']->drive->motor;
    assert($lid instanceof AirCylinder && $imp instanceof AirCylinder);
    // there and back, from end to end
    $air = 2 * deg2rad(75.0) * $lid->lever_m * $lid->air_l_m() + 2 * 0.13 * $imp->air_l_m();

    expect($run['outcome'])->toBe('finished')->and($run['mishaps'])->toBe([])
        ->and($run['tanks'][0]['used_l'])->toBeAbout($air, 1e-3)
        ->and($run['tanks'][0]['lowest_bar'])->toBeAbout(7.0 - $air * Constants::ROOM_BAR / 10.0, 1e-4)
        ->and($run['tanks'][0]['share_on'])->toBe(0.0)
        ->and(min($run['tanks'][0]['pressure_bar']))->toBeAbout($run['tanks'][0]['lowest_bar'], 1e-3);
});

it('starts its compressor at the low pressure, stops it at the high one, and that takes its current', function () {
    $run = burst(['tanks.0.tank_l' => 0.5, 'tanks.0.compressor_A' => 1.5, 'tanks.0.supply' => 'main', 'motions.0.drive.motor.pressure_bar' => 4.0,
        'motions.1.drive.motor.pressure_bar' => 4.0, 'tanks.0.compressor_l_min' => 25.0], until_s: 30.0);
    $tank = $run['tanks'][0];
    $bars = $tank['pressure_bar'];
    $amps = $run['supplies'][0]['current_A'];

    // what went in is what the pressure says that is missing of what was taken: 25 l/min for as long as it ran
    expect($run['outcome'])->toBe('finished')->and($tank['share_on'])->toBeGreaterThan(0.0)
        ->and(25.0 / 60 * $tank['share_on'] * $run['ran_s'])->toBeAbout($tank['used_l'] - (7.0 - end($bars)) * 0.5 / Constants::ROOM_BAR, 0.04) // as exactly as the pressure is written down
        ->and(max($amps))->toBeGreaterThan(1.5)->and(max($bars))->toBe(7.0)->and(min($amps))->toBe(0.0);
});

it('tells once that a tank without a compressor has run out, when it has', function () {
    $out = array_values(array_filter(burst(['tanks.0.tank_l' => 0.6, 'tanks.0.compressor_l_min' => 0.0])['mishaps'], fn (array $mishap): bool => $mishap['kind'] === 'air'));

    expect($out)->toHaveCount(1)->and($out[0]['says']->text())->toStartWith('Tank falls to 5.3')->toContain('under the 5.5 bar that is reckoned with')
        ->and(array_column(burst(['tanks.0.tank_l' => 2.0, 'tanks.0.compressor_l_min' => 0.0])['mishaps'], 'kind'))->not->toContain('air');
});

it('moves slower and at last not at all as its air goes', function () {
    $times = [];
    foreach ([5.0, 3.0, 2.0] as $bar) {
        $run = burst(['tanks.0.high_bar' => $bar, 'tanks.0.low_bar' => $bar - 0.1, 'tanks.0.tank_l' => 100.0]);
        $step = array_values(array_filter($run['steps'], fn (array $step): bool => $step['routine'] === 'burst' && $step['motion'] === 'lid'))[0];
        $times[] = $step['outcome'] === 'done' ? $step['end_s'] - $step['start_s'] : INF;
    }

    expect($times[0])->toBeLessThan($times[1])->and($times[2])->toBe(INF);
});

it('lets go when its hose comes off, valve shut or not; shut in it stands without power', function () {
    $falls = function (array $changes, array $events): float {
        $run = burst($changes + ['routines.1.steps' => [['do' => 'go', 'motion' => 'lid', 'place' => 'open', 'give_up_s' => 2.0], ['do' => 'wait', 'for_s' => 3.0]],
            'motions.0.drive.motor.friction_N' => 2.0], $events);

        return array_column($run['ends'], 'at', 'motion')['lid'];
    };
    $at = 2.5;

    expect($falls([], []))->toBe(75.0)
        ->and($falls([], [new WorldEvent($at, 'hose', 'lid', true)]))->toBeLessThan(1.0)
        ->and($falls([], [new WorldEvent($at, 'power', null, false)]))->toBe(75.0)
        ->and($falls(['motions.0.drive.motor.valve' => 'vents'], []))->toBeLessThan(60.0); // sinking, as its throttle lets its air out
});

it('hits its own end only with more than that takes up', function () {
    $kinds = fn (float $cushion): array => array_column(burst(['motions.0.drive.motor.cushion_J' => $cushion])['mishaps'], 'kind');

    expect($kinds(0.3))->toBe([])->and($kinds(0.01))->toContain('hit');
});

it('does not move on volts at which its valve stays shut', function () {
    expect(burst([], [new WorldEvent(0.5, 'supply', 'main', value: 0.8)])['outcome'])->toBe('faulted')
        ->and(burst([], [new WorldEvent(0.5, 'supply', 'main', value: 0.9)])['outcome'])->toBe('finished');
});

it('has a compressor that fails in a scenario', function () {
    expect(burst(['tanks.0.tank_l' => 0.5])['tanks'][0]['share_on'])->toBeGreaterThan(0.0)
        ->and(burst(['tanks.0.tank_l' => 0.5], [new WorldEvent(0.2, 'compressor', 'tank', value: 0.0)])['tanks'][0]['lowest_bar'])
        ->toBeLessThan(burst(['tanks.0.tank_l' => 0.5])['tanks'][0]['lowest_bar']);
});
