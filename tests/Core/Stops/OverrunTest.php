<?php

declare(strict_types=1);

use Brookstone\Core\Error\ImpossibleValue;
use Brookstone\Core\Stops\Overrun;

it('goes on at speed until it is told, then brakes: v·t + m·v²/2F', function () {
    $overrun = new Overrun(0.2, 1.0, 0.05, 1000.0, 0.5, 3.0, 0.02, 0.005, 0.01, decel_force_N: 4.0);

    expect($overrun->delay_travel_m)->toBeAbout(0.007, 1e-12)->and($overrun->braking_m)->toBeAbout(0.0075, 1e-12)->and($overrun->overrun_m)->toBeAbout(0.0145, 1e-12)
        ->and($overrun->clearance_m)->toBeAbout(0.0355, 1e-12)->and($overrun->hits)->toBeFalse()->and($overrun->impact_speed_m_s)->toBe(0.0)->and($overrun->impact_force_N)->toBe(0.0);
});

it('delays nothing and carries no rotor unless told', function () {
    $overrun = new Overrun(0.2, 1.0, 0.004, 1000.0, decel_force_N: 4.0);

    expect($overrun->delay_travel_m)->toBe(0.0)->and($overrun->overrun_m)->toBeAbout(0.005, 1e-12)->and($overrun->hits)->toBeTrue()
        ->and($overrun->impact_speed_m_s)->toBeAbout(sqrt(0.04 - 2 * 4.0 * 0.004), 1e-12)->and($overrun->impact_energy_J)->toBeAbout(0.004, 1e-9)
        ->and($overrun->impact_force_N)->toBeAbout(sqrt(2 * 1000 * 0.004), 1e-9); // the drive is off by then
});

it('just fits where it comes to rest at the stop itself', function (float $room, bool $hits) {
    expect((new Overrun(0.5, 1.0, $room, 1000.0, decel_force_N: 1.0))->hits)->toBe($hits); // it needs 0.125 m
})->with([[0.125, false], [0.1249, true]]);

it('is still driven where it hits before it is told, and pushes with that too', function () {
    $driven = new Overrun(0.25, 1.0, 0.01, 1000.0, drive_force_N: 3.0, debounce_s: 0.125, decel_force_N: 4.0);
    $told = new Overrun(0.25, 1.0, 0.03125, 1000.0, drive_force_N: 3.0, debounce_s: 0.125, decel_force_N: 4.0);

    expect($driven->impact_speed_m_s)->toBeAbout(0.25, 1e-12)->and($driven->impact_force_N)->toBeAbout(3.0 + sqrt(9 + 2 * 1000 * 0.03125), 1e-9)
        ->and($told->impact_force_N)->toBeAbout(sqrt(2 * 1000 * 0.03125), 1e-9); // told just there
});

it('loses speed evenly over its way where its brake is a time: v − s/τ', function () {
    $overrun = new Overrun(0.3, 2.0, 0.02, 1000.0, debounce_s: 0.02, brake_time_constant_s: 0.1);

    expect($overrun->braking_m)->toBeAbout(0.03, 1e-12)->and($overrun->hits)->toBeTrue()->and($overrun->impact_speed_m_s)->toBeAbout(0.3 - 0.014 / 0.1, 1e-12)
        ->and($overrun->impact_energy_J)->toBeAbout((0.3 - 0.14) ** 2, 1e-12);
});

it('is braked by a force or for a time, and by one of them', function (?float $force, ?float $time) {
    new Overrun(0.2, 1.0, 0.05, 1000.0, decel_force_N: $force, brake_time_constant_s: $time);
})->with([[null, null], [1.0, 0.1]])->throws(ImpossibleValue::class);
