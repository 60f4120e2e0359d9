<?php

declare(strict_types=1);

use Brookstone\Core\Drive\BenchRatings;
use Brookstone\Core\Drive\Knock;
use Brookstone\Core\Drive\StepperPoint;
use Brookstone\Core\Drive\ThermalClass;

it('turns all energy of motion and the push of the drive into twist', function (float $drive, float $stiffness, float $inertia, float $speed) {
    $torque = Knock::torque_Nm($drive, $stiffness, $inertia, $speed);
    $twist = $torque / $stiffness;

    // ½ k φ² = ½ J ω² + T φ
    expect(0.5 * $stiffness * $twist ** 2)->toBeAbout(0.5 * $inertia * $speed ** 2 + $drive * $twist, 1e-9);
})->with([[0.5, 30.0, 2e-3, 4.0], [0.0, 200.0, 1e-2, 1.5], [3.0, 5.0, 1e-4, 20.0], [1.0, 50.0, 0.0, 0.0]]);

it('is softer with a softer train, harder when faster, and never more than the clutch lets through', function () {
    expect(Knock::torque_Nm(1.0, 10.0, 0.01, 3.0))->toBeLessThan(Knock::torque_Nm(1.0, 40.0, 0.01, 3.0))
        ->and(Knock::torque_Nm(1.0, 40.0, 0.01, 3.0))->toBeLessThan(Knock::torque_Nm(1.0, 40.0, 0.01, 4.0))
        ->and(Knock::torque_Nm(1.0, 40.0, 0.01, 4.0, 1.6))->toBe(1.6)
        ->and(Knock::torque_Nm(1.0, 1e9, 0.0, 4.0))->toBe(2.0); // a push applied at once counts twice
});

it('makes the same ratings from a held weight and from a loaded speed', function () {
    // A motor of 60 rpm free and 1.2 N·m held turns at 45 rpm under 0.3 N·m.
    $held = BenchRatings::held(60.0, 0.1, 1.2 / 9.80665 / 0.1, 0.1, 1.7);
    $loaded = BenchRatings::loaded(60.0, 0.1, 0.3, 45.0, 0.5);

    expect($held->stall_Nm)->toBeAbout(1.2, 1e-6)->and($loaded->stall_Nm)->toBeAbout(1.2, 1e-6)
        ->and($loaded->stall_A)->toBeAbout($held->stall_A, 1e-6)
        ->and($held->working)->not->toBeEmpty()->and(count($loaded->working))->toBeGreaterThan(0);
});

it('pulls less the faster a stepper is stepped, and more from a higher supply', function () {
    $pulls = fn (float $rpm, float $volts): float => StepperPoint::of(0.45, 200, 1.5, 2.0, 3.5, $volts, 16, $rpm)->available_Nm;
    $before = INF;
    foreach ([1, 60, 180, 400, 900, 2000] as $rpm) {
        expect($pulls($rpm, 12.0))->toBeLessThanOrEqual($before)->and($pulls($rpm, 24.0))->toBeGreaterThanOrEqual($pulls($rpm, 12.0));
        $before = $pulls($rpm, 12.0);
    }
    expect($pulls(1, 12.0))->toBeAbout(0.45 * $pulls(1, 24.0) / 0.45, 1e-6);
});

it('warms the smaller class more and sooner', function () {
    $classes = [ThermalClass::Micro, ThermalClass::Small, ThermalClass::Medium, ThermalClass::Large];
    foreach (array_slice($classes, 1) as $i => $larger) {
        $smaller = $classes[$i];
        expect($larger->resistance_K_W())->toBeLessThan($smaller->resistance_K_W())
            ->and($larger->time_constant_s())->toBeGreaterThan($smaller->time_constant_s())
            ->and($larger->secondsToLimit(60.0, 20.0) ?? INF)->toBeGreaterThan($smaller->secondsToLimit(60.0, 20.0) ?? INF);
    }
    expect(ThermalClass::Small->secondsToLimit(0.01, 20.0))->toBeNull()
        ->and(ThermalClass::Small->settles_C(0.0, 35.0))->toBe(35.0);
});
