<?php

declare(strict_types=1);

use Brookstone\Core\Drive\AirCylinder;
use Brookstone\Core\Drive\Brushless;
use Brookstone\Core\Drive\Drawer;
use Brookstone\Core\Drive\Drive;
use Brookstone\Core\Drive\LinearActuator;
use Brookstone\Core\Drive\Servo;
use Brookstone\Core\Drive\Stepper;

/** What ships, of one kind. @param  class-string  $kind  @return list<Drive> */
function shippedOf(string $kind): array
{
    return array_values(array_filter(Drawer::all(), fn (Drive $drive): bool => $drive instanceof $kind));
}

it('calls what ships by its sizes', function () {
    $sizes = fn (Drive $drive): array => array_map(floatval(...), explode('-', substr($drive->body()->code, 1)));
    foreach (shippedOf(Stepper::class) as $stepper) {
        expect($sizes($stepper))->toBe([$stepper->body()->width_mm, $stepper->body()->length_mm]);
    }
    foreach (shippedOf(Brushless::class) as $motor) {
        expect($sizes($motor))->toBe([$motor->body()->width_mm, $motor->rated_V]);
    }
    foreach (shippedOf(LinearActuator::class) as $actuator) {
        expect($sizes($actuator))->toBe([round($actuator->stroke_m * 1000, 6), $actuator->rated_V]);
    }
    foreach (shippedOf(AirCylinder::class) as $cylinder) {
        expect($sizes($cylinder))->toBe([round($cylinder->bore_m * 1000, 6), round($cylinder->stroke_m * 1000, 6)])
            ->and($cylinder->body()->length_mm)->toBeGreaterThan(1000 * $cylinder->stroke_m);
    }
});

it('ships steppers whose current and resistance heat them as much as their size bears, and whose inductance lets the current rise in a few steps', function () {
    foreach (shippedOf(Stepper::class) as $stepper) {
        $heat_W = 2 * $stepper->phase_A ** 2 * $stepper->phase_ohm;
        expect($heat_W)->toBeGreaterThan(4.0)->toBeLessThan(20.0)
            ->and($stepper->phase_mH / $stepper->phase_ohm)->toBeGreaterThan(0.5)->toBeLessThan(4.0); // ms
    }
});

it('ships servos that are faster and stronger on more volts, though not more than in proportion', function () {
    foreach (shippedOf(Servo::class) as $servo) {
        foreach (array_slice($servo->ratings, 1) as $i => $more) {
            $less = $servo->ratings[$i];
            $by = $more->volts_V / $less->volts_V;
            expect($more->stall_Nm / $less->stall_Nm)->toBeGreaterThan(1.0)->toBeLessThan(1.02 * $by)
                ->and($more->speed_deg_s / $less->speed_deg_s)->toBeGreaterThan(1.0)->toBeLessThan(1.02 * $by);
        }
    }
});
