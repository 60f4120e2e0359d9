<?php

declare(strict_types=1);

use Brookstone\Core\Dynamics\Flight;
use Brookstone\Core\Mechanism\Arm;
use Brookstone\Core\Mechanism\Burdened;
use Brookstone\Core\Mechanism\SpringLever;
use Brookstone\Core\Quantity\Constants;

it('comes to its end as fast as the energy of its spring says, and as late as it swings', function (float $preload, float $efficiency) {
    $lever = new SpringLever(250.0, 0.03, 0.06, 0.02, $preload, $efficiency);
    $flight = new Flight($lever, 0.03 / 0.06);
    while (! $flight->goes(0.001, 0.0)) {
        expect($flight->angle)->toBeGreaterThan(0.0);
    }
    // x″ = −η(F₀ + kx)/m: about x₀ = −F₀/k it swings with ω = √(ηk/m)
    $omega = sqrt($efficiency * 250.0 / 0.02);
    $middle = -$preload / 250.0;

    expect(abs($flight->speed) * 0.06)->toBeAbout($lever->launchSpeed_m_s(), 1e-3)
        ->and($flight->kinetic_J())->toBeAbout($efficiency * $lever->energy_J(), 2e-3)
        ->and($flight->took_s)->toBeAbout(acos(-$middle / (0.03 - $middle)) / $omega, 5e-3);
})->with([[0.0, 1.0], [1.0, 0.7], [4.0, 0.9]]);

it('falls as a pendulum does, less what rubs', function (float $friction) {
    $arm = new Arm(0.5, 0.2, friction_Nm: $friction);
    $flight = new Flight($arm, deg2rad(60.0));
    $flight->goes(10.0, 0.0);
    $fallen_J = 0.5 * Constants::GRAVITY_M_S2 * 0.2 * sin(deg2rad(60.0)) - $friction * deg2rad(60.0);

    expect($flight->kinetic_J())->toBeAbout($fallen_J, 2e-3);
})->with([0.0, 0.2]);

it('stays where it rubs more than it is pulled', function () {
    expect((new Flight(new Arm(0.5, 0.2, friction_Nm: 1.0), 0.5))->isPulled())->toBeFalse()
        ->and((new Flight(new Arm(0.5, 0.2, friction_Nm: 0.8), 0.5))->isPulled())->toBeTrue()
        ->and((new Flight(new Burdened(new Arm(0.5, 0.2), held: [-10.0, 10.0]), 0.5))->isPulled())->toBeFalse();
});

it('stops half way where something holds it there', function () {
    $flight = new Flight(new Burdened(new Arm(0.5, 0.2, friction_Nm: 0.01), held: [0.2, 0.3]), 0.8);
    $flight->goes(5.0, 0.0);

    expect($flight->speed)->toBe(0.0)->and($flight->angle)->toBeGreaterThan(0.15)->toBeLessThan(0.31);
});
