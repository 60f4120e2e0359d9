<?php

declare(strict_types=1);

use Brookstone\Core\Mechanism\Arm;
use Brookstone\Core\Mechanism\Balancer;
use Brookstone\Core\Mechanism\Ball;
use Brookstone\Core\Mechanism\Crank;
use Brookstone\Core\Mechanism\CrankRocker;
use Brookstone\Core\Mechanism\Feeder;
use Brookstone\Core\Mechanism\Hoist;
use Brookstone\Core\Mechanism\Mechanism;
use Brookstone\Core\Mechanism\PushrodLever;
use Brookstone\Core\Mechanism\Slide;
use Brookstone\Core\Mechanism\SpringLever;
use Brookstone\Core\Mechanism\Turntable;
use Brookstone\Core\Mechanism\Wheels;
use Brookstone\Core\Solid\Vector;

/** How high what it moves stands, times its weight, at a position, J: where its masses are on the stage, turned about its axis or slid along its way. */
function weighsAt(Mechanism $mechanism, float $position): float
{
    $goes = $mechanism->onStage();
    $by = $goes->at($mechanism, $position);
    $sum = 0.0;
    foreach ($goes->masses as [$kg, $at]) {
        $sum += $kg * 9.80665 * ($goes->turns ? turnedAbout($at, $goes->along, $by)->z : $at->z + $by * $goes->along->z);
    }

    return $sum;
}

/** Turned by the right hand: v·cos φ + (k × v)·sin φ + k·(k·v)·(1 − cos φ). */
function turnedAbout(Vector $v, Vector $axis, float $by): Vector
{
    $cross = $axis->cross($v);
    $along = $axis->x * $v->x + $axis->y * $v->y + $axis->z * $v->z;

    return new Vector(...array_map(fn (string $c): float => $v->{$c} * cos($by) + $cross->{$c} * sin($by) + $axis->{$c} * $along * (1 - cos($by)), ['x', 'y', 'z']));
}

it('asks of the drive what its weight gains in height on the stage: virtual work', function (Mechanism $mechanism, array $positions) {
    foreach ($positions as $at) {
        $h = 1e-4 * max(0.01, abs($at));
        $work = weighsAt($mechanism, $at + $h) - weighsAt($mechanism, $at - $h);
        $turned = $mechanism->turnAt($at + $h) - $mechanism->turnAt($at - $h);
        expect($mechanism->staticTorqueNm($at) * $turned)->toEqualWithDelta($work, 2e-5 * abs($work) + 1e-9, "at {$at}");
    }
})->with([
    'an arm' => [fn () => new Arm(0.3, 0.12), [-0.5, 0.1, 0.8, 1.4]],
    'an arm with a load at its tip' => [fn () => new Arm(0.3, 0.12, 0.1, 0.2), [0.1, 0.8]],
    'a hoist' => [fn () => new Hoist(0.6, 0.01, payload_kg: 0.2), [0.01, 0.08]],
    'a slide up a ramp' => [fn () => new Slide(0.6, 0.01, incline_deg: 30.0, payload_kg: 0.2), [0.01, 0.08]],
    'a steep one' => [fn () => new Slide(0.6, 0.01, incline_deg: 75.0), [0.01, 0.08]],
    'a crank' => [fn () => new Crank(0.03, 0.12, 0.8, axis_deg: 90.0), [0.4, 1.5, 2.5, 4.0]],
    'a crank aslant, off its axis' => [fn () => new Crank(0.03, 0.12, 0.8, offset_m: 0.02, axis_deg: 40.0), [0.4, 1.5, 2.5, 4.0]],
    'a rocked figure' => [fn () => new CrankRocker(0.02, 0.09, 0.05, 0.1, 0.1, 0.05), [0.4, 1.5, 2.5, 4.0]],
    'a rocked figure bent up' => [fn () => new CrankRocker(0.02, 0.09, 0.05, 0.1, 0.1, 0.05, figure_deg: 50.0, ground_deg: 20.0), [0.4, 1.5, 4.0]],
    'a lever pushed by a rod' => [fn () => new PushrodLever(0.012, 0.02, 0.05, 0.05, 0.03), [-0.5, 0.0, 0.5]],
    'a lever that hangs' => [fn () => new PushrodLever(0.012, 0.02, 0.05, 0.05, 0.03, balance_deg: 30.0), [-0.5, 0.0, 0.5]],
]);

it('tells what it moves: how much, whether it turns, and about or along what', function (Mechanism $mechanism, float $kg, bool $turns, array $along) {
    $goes = $mechanism->onStage();

    expect($goes->told()->mass_kg)->toBeAbout($kg, 1e-9)->and($goes->turns)->toBe($turns)->and([$goes->along->x, $goes->along->y, $goes->along->z])->toEqualWithDelta($along, 1e-9);
})->with([
    'an arm' => [fn () => new Arm(0.3, 0.12, 0.1, 0.2), 0.4, true, [0.0, -1.0, 0.0]],
    'a turntable' => [fn () => new Turntable(disc_mass_kg: 0.5, disc_radius_m: 0.1), 0.5, true, [0.0, 0.0, -1.0]],
    'a turntable that leans' => [fn () => new Turntable(disc_mass_kg: 0.5, disc_radius_m: 0.1, tilt_deg: 30.0), 0.5, true, [0.5, 0.0, -sqrt(3) / 2]],
    'a hoist' => [fn () => new Hoist(0.6, 0.01, payload_kg: 0.2), 0.8, false, [0.0, 0.0, 1.0]],
    'a slide' => [fn () => new Slide(0.6, 0.01, incline_deg: 30.0, payload_kg: 0.2), 0.8, false, [sqrt(3) / 2, 0.0, 0.5]],
    'wheels' => [fn () => new Wheels(1.2, 0.02, 0.03, 0.6, grade_deg: 30.0, payload_kg: 0.3), 1.5, false, [sqrt(3) / 2, 0.0, 0.5]],
    'a ball' => [fn () => new Ball(0.1, 0.3, 0.5, 0.04), 0.8, false, [1.0, 0.0, 0.0]],
    'one that balances' => [fn () => new Balancer(1.9, 0.28, 0.04), 1.9, false, [1.0, 0.0, 0.0]],
    'a feeder' => [fn () => new Feeder(0.02, 0.004, 0.01, 5, 0.1), 0.15, false, [1.0, 0.0, 0.0]],
    'a lever that springs' => [fn () => new SpringLever(100.0, 0.05, 0.1, 0.02), 0.02, true, [0.0, -1.0, 0.0]],
]);

it('rubs as it rolls or slides, less where it climbs', function () {
    expect((new Wheels(1.2, 0.02, 0.03, 0.6, grade_deg: 60.0))->onStage()->rubs)->toBeAbout(0.015, 1e-9)->and((new Ball(0.1, 0.3, 0.5, 0.04, 0.02))->onStage()->rubs)->toBeAbout(0.02, 1e-9)
        ->and((new Balancer(1.9, 0.28, 0.04, rolling_coefficient: 0.05))->onStage()->rubs)->toBeAbout(0.05, 1e-9)->and((new Arm(0.3, 0.12))->onStage()->rubs)->toBe(0.0);
});

it('has the inertia that was said, beyond that of its masses', function () {
    expect((new Arm(0.3, 0.12, inertia_kgm2: 0.006))->onStage()->more_kgm2)->toBeAbout(0.006 - 0.3 * 0.12 ** 2, 1e-9)
        ->and((new Turntable(disc_mass_kg: 0.5, disc_radius_m: 0.1))->onStage()->more_kgm2)->toBeAbout(0.5 * 0.5 * 0.1 ** 2, 1e-9);
});
