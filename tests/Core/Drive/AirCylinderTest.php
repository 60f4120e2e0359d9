<?php

declare(strict_types=1);

use Brookstone\Core\Air\Cylinder;
use Brookstone\Core\Drive\AirCylinder;
use Brookstone\Core\Drive\Drawer;
use Brookstone\Core\Drive\Drives;
use Brookstone\Core\Drive\SupplyFit;
use Brookstone\Core\Error\ImpossibleValue;
use Brookstone\Core\Parts\AirTank;
use Brookstone\Core\Parts\DriveChoice;
use Brookstone\Core\Parts\Supply;

/** @param  array<string, mixed>  $changes */
function cylinder(array $changes = []): AirCylinder
{
    $shipped = Drawer::all()['A20-100'];
    assert($shipped instanceof AirCylinder);

    return AirCylinder::make(array_replace($shipped->write(), $changes), $shipped->body());
}

it('pushes with the weaker side, less friction', function () {
    // 20 mm bore, 8 mm rod, 5 bar: A = π/4·(0.02² − 0.008²) = 263.89 mm²; 5e5·A = 131.95 N; less 10 % and 10 N: 108.75 N
    expect(cylinder()->force_N())->toBeAbout(108.752, 1e-4)
        ->and(cylinder(['rod_m' => 0.0])->force_N())->toBeAbout(5e5 * M_PI / 4 * 0.02 ** 2 * 0.9 - 10, 1e-9)
        ->and(cylinder()->force_N(3.0))->toBeAbout(3e5 * 2.638938e-4 * 0.9 - 10, 1e-5)
        ->and(cylinder()->force_N(9.0))->toBe(cylinder()->force_N())
        ->and(cylinder(['pressure_bar' => 0.1])->force_N())->toBe(0.0);
});

it('says the pressure that a force needs: force and back again', function (float $force) {
    expect(cylinder(['pressure_bar' => 20.0])->force_N(cylinder()->needs_bar($force)))->toBeAbout($force, 1e-9);
})->with([0.5, 20.0, 108.0, 300.0]);

it('takes the air of both ways, the mean of a stroke out and one in', function () {
    $out = (new Cylinder(0.02, 0.008, 0.1, true))->air_l(5.0);
    $in = (new Cylinder(0.02, 0.008, 0.1, false))->air_l(5.0);

    expect(cylinder()->air_l_m() * 0.1)->toBeAbout(($out + $in) / 2, 1e-12)->and($in)->toBeLessThan($out)
        ->and(cylinder()->air_l_m(2.0))->toBeAbout(cylinder()->air_l_m() * 3.013 / 6.013, 1e-9);
});

it('has all its force up to half of the speed that its valve allows, and none at all of it', function () {
    $line = cylinder()->line(12.0, 1.0);
    $lever = cylinder()->lever_m;
    $free = 24.0 / 60 / cylinder()->air_l_m() / $lever; // rad/s

    expect($line->most_Nm())->toBeAbout(108.752 * $lever, 1e-4)
        ->and($line->noLoad_rad_s())->toBeAbout($free, 1e-9)
        ->and($line->speedAgainst(0.999999 * $line->most_Nm()))->toBeAbout($free / 2, 1e-5)
        ->and($line->speedAgainst($line->most_Nm() / 2))->toBeAbout(0.75 * $free, 1e-9)
        ->and($line->speedAgainst(1.000001 * $line->most_Nm()))->toBe(0.0)
        ->and(cylinder()->line(12.0, 0.3))->toEqual($line); // its valve is open or shut
});

it('draws what its valve takes, whatever it pushes', function () {
    $line = cylinder()->line(12.0, 1.0);

    expect($line->currentAt(0.0))->toBe(0.3)->and($line->currentAt(2.0))->toBe(0.3)->and($line->stall_A)->toBe(0.3)
        ->and($line->flowsAtShare_A(1.0, 3.0))->toBe(0.3)->and($line->flowsAtShare_A(0.9, 3.0))->toBeAbout(0.27, 1e-12)
        ->and(cylinder()->line(11.0, 1.0)->stall_A)->toBeAbout(0.3 * 11 / 12, 1e-12);
});

it('does not open its valve under 85 % of its volts, and pushes no less at them', function () {
    $line = cylinder()->line(12.0, 1.0);

    expect($line->atShare(0.851)->most_Nm())->toBe($line->most_Nm())->and($line->atShare(0.849)->most_Nm())->toBe(0.0)
        ->and($line->behind(0.851)->most_Nm())->toBe($line->most_Nm())->and($line->behind(0.849)->most_Nm())->toBe(0.0)
        ->and(cylinder()->line(10.1, 1.0)->most_Nm())->toBe(0.0)->and(cylinder()->line(10.3, 1.0)->most_Nm())->toBe($line->most_Nm())
        ->and(cylinder()->supplyFit(10.1))->toBe(SupplyFit::Low)->and(cylinder()->supplyFit(10.2))->toBe(SupplyFit::Fits)
        ->and(cylinder()->supplyFit(13.2))->toBe(SupplyFit::Fits)->and(cylinder()->supplyFit(13.3))->toBe(SupplyFit::FarTooHigh);
});

it('has less force with less air, at the same speeds', function () {
    $line = cylinder()->line(12.0, 1.0);

    expect($line->atPressure(0.5)->most_Nm())->toBeAbout($line->most_Nm() / 2, 1e-12)
        ->and($line->atPressure(0.5)->noLoad_rad_s())->toBeAbout($line->noLoad_rad_s(), 1e-12)
        ->and($line->atPressure(0.0)->most_Nm())->toBe(0.0);
});

it('is reckoned with the least that its tank gives', function () {
    $on = fn (float $low): DriveChoice => new DriveChoice(cylinder(), new Supply('s', 'S', 12.0, 5.0), 0.4, air: new AirTank('t', 'T', 5.0, 8.0, $low));

    expect($on(4.0)->line()->most_Nm())->toBeAbout(cylinder()->force_N(4.0) * cylinder()->lever_m, 1e-12)
        ->and($on(5.5)->line()->most_Nm())->toBe(cylinder()->line(12.0, 1.0)->most_Nm())
        ->and($on(4.0)->with(cylinder())->air?->low_bar)->toBe(4.0)
        ->and($on(4.0)->share())->toBe(1.0); // its coil is on all the time, whatever its duty
});

it('holds with its valve shut and lets go with one that vents', function () {
    expect(cylinder()->locks())->toBeTrue()->and(cylinder(['valve' => 'vents'])->locks())->toBeFalse()->and(cylinder()->venting()->locks())->toBeFalse()
        ->and(cylinder()->travel_deg())->toBeAbout(0.1 / cylinder()->lever_m * 180 / M_PI, 1e-9)->and(cylinder()->endsItself())->toBeTrue()
        ->and(cylinder()->drag_Nm(true))->toBe(10.0 * cylinder()->lever_m);
});

it('is written and read back', function () {
    $read = Drives::make(Drives::write(cylinder(['cushion_J' => 0.2])));

    expect($read)->toEqual(cylinder(['cushion_J' => 0.2]))->and(Drives::word($read->kind()))->toBe('air cylinder')->and(Drives::isAlone($read))->toBeTrue();
});

it('refuses what cannot be', function (array $changes, string $field) {
    expect(fn () => cylinder($changes))->toThrow(ImpossibleValue::class, $field);
})->with([
    [['rod_m' => 0.02], 'rod_m'], [['rod_m' => -0.001], 'rod_m'], [['bore_m' => 0.0], 'bore_m'], [['flow_l_min' => 0.0], 'flow_l_min'],
    [['valve_A' => INF], 'valve_A'], [['pressure_bar' => -1.0], 'pressure_bar'],
]);
