<?php

declare(strict_types=1);

use Brookstone\Core\Drive\Drawer;
use Brookstone\Core\Drive\Stepper;
use Brookstone\Core\Dynamics\CommandRamp;
use Brookstone\Core\Dynamics\HardStops;
use Brookstone\Core\Dynamics\Plant;
use Brookstone\Core\Dynamics\PlantState;
use Brookstone\Core\Dynamics\SteppedShaft;
use Brookstone\Core\Mechanism\Arm;
use Brookstone\Core\Mechanism\Mechanism;
use Brookstone\Core\Mechanism\Turntable;

it('ramps a command no faster and no more suddenly than it may, and ends where it was sent', function (float $to, float $rate) {
    $ramp = new CommandRamp(0.5, 2.0, $rate);
    $ramp->sendTo($to, 0.5);
    $last = 0.5;
    $speed = 0.0;
    for ($time = 0.0; ! $ramp->isThere() && $time < 20.0; $time += 0.002) {
        $ramp->advance(0.002);
        $now = ($ramp->at() - $last) / 0.002;
        expect(abs($now))->toBeLessThanOrEqual(2.0 + 1e-9)->and(abs($now) - abs($speed))->toBeLessThanOrEqual($rate * 0.002 + 1e-9);
        [$last, $speed] = [$ramp->at(), $now];
    }

    expect($ramp->at())->toBe($to)->and($ramp->isThere())->toBeTrue();
})->with([[4.0, 10.0], [-3.0, 1.5], [0.51, 5.0]]);

it('says how long it keeps its speed: only between speeding up and slowing down', function () {
    $ramp = new CommandRamp(0.0, 2.0, 10.0);
    $ramp->sendTo(4.0, 0.0);
    expect($ramp->steadyFor_s(0.0))->toBe(0.0);
    $ramp->advance(0.1);
    expect($ramp->steadyFor_s(1.0))->toBe(0.0); // half way up
    $ramp->advance(0.15);
    expect($ramp->steadyFor_s(2.0))->toBeAbout((4.0 - 0.2 - 0.1 - 0.2) / 2.0, 1e-9)->and($ramp->steadyFor_s(1.9))->toBe(0.0);
    $ramp->advance($ramp->steadyFor_s(2.0) + 0.05);
    expect($ramp->steadyFor_s(1.5))->toBe(0.0)->and($ramp->steadyFor_s(2.0))->toBe(0.0);

    $back = new CommandRamp(0.0, 2.0, 10.0);
    $back->sendTo(-4.0, 0.0);
    $back->advance(0.25);
    expect($back->steadyFor_s(-2.0))->toBeAbout(1.75, 1e-9);
});

it('is there at once without a ramp, and stays without a target', function () {
    $ramp = new CommandRamp(1.0, INF);
    $ramp->sendTo(9.0, 1.0);
    expect($ramp->at())->toBe(9.0);
    $ramp->sendTo(null, 2.0);
    $ramp->advance(1.0);
    expect($ramp->at())->toBe(2.0)->and($ramp->target())->toBeNull()->and($ramp->isThere())->toBeTrue();
});

it('carries the target along when the load did not come', function () {
    $ramp = new CommandRamp(0.0, 1.0);
    $ramp->sendTo(5.0, 0.0);
    $ramp->advance(1.0);
    $ramp->lose(0.25);

    expect($ramp->at())->toBe(0.75)->and($ramp->target())->toBe(4.75);
});

it('stops at the stops, tells it once, and lets go the other way', function () {
    $stops = new HardStops(-1.0, 2.0);
    $state = new PlantState(2.1, 3.0);
    expect($stops->meet($state))->toBeTrue()->and($state->angle)->toBe(2.0)->and($state->speed)->toBe(0.0)->and($stops->at())->toBe(1);
    [$state->angle, $state->speed] = [2.05, 0.5];
    expect($stops->meet($state))->toBeFalse()->and($state->angle)->toBe(2.0);
    [$state->angle, $state->speed] = [1.9, -1.0];
    expect($stops->meet($state))->toBeFalse()->and($stops->at())->toBe(0);
    [$state->angle, $state->speed] = [-1.2, -1.0];
    expect($stops->meet($state))->toBeTrue()->and($stops->at())->toBe(-1)
        ->and((new HardStops(-INF, INF))->meet(new PlantState(1e9, 1.0)))->toBeFalse();
});

it('follows as a stepper while it pulls enough, and stands where it does not', function (float $inertia, bool $follows) {
    $stepper = array_values(array_filter(Drawer::all(), fn ($drive): bool => $drive instanceof Stepper))[0];
    $plant = new Plant(new Turntable($inertia, null, null), 1.0, 1.0, 1.0, $stepper->rotorKgm2());
    $shaft = new SteppedShaft($plant, $stepper, 24.0);
    $ramp = new CommandRamp(0.0, 5.0, 50.0);
    $ramp->sendTo(1.0, 0.0);
    $state = $plant->stateAt(0.0);
    for ($i = 0; $i < 2000 && ! $ramp->isThere(); $i++) {
        $shaft->step($state, $ramp, 0.002, null);
    }

    expect(abs($state->angle - 1.0) < 1e-9)->toBe($follows)->and($shaft->atRest_A())->toBeGreaterThan(0.0);
})->with([[1e-6, true], [10.0, false]]);

it('takes the time at its full speed in one step where its load is the same everywhere, and only there', function (Mechanism $thing, bool $inOne) {
    $stepper = array_values(array_filter(Drawer::all(), fn ($drive): bool => $drive instanceof Stepper))[0];
    $plant = new Plant($thing, 1.0, 1.0, 1.0, $stepper->rotorKgm2());
    $shaft = new SteppedShaft($plant, $stepper, 24.0);
    $ramp = new CommandRamp(0.0, 2.0, 20.0);
    $ramp->sendTo(3.0, 0.0);
    $state = $plant->stateAt(0.0);
    $longest = $time = 0.0;
    while (! $ramp->isThere()) {
        $used = $shaft->step($state, $ramp, 0.5, null);
        $time += $used;
        $longest = max($longest, $used);
    }

    expect($longest > 0.1)->toBe($inOne)->and($time)->toBeAbout(3.0 / 2 + 2.0 / 20, 2e-3)->and($state->angle)->toBeAbout(3.0, 1e-9);
})->with([[new Turntable(1e-6, null, null), true], [new Arm(0.001, 0.01), false]]);
