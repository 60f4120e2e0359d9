<?php

declare(strict_types=1);

use Brookstone\Core\Drive\DcMotor;
use Brookstone\Core\Drive\DcPoint;
use Brookstone\Core\Drive\Drawer;
use Brookstone\Core\Drive\Drive;
use Brookstone\Core\Drive\Drives;
use Brookstone\Core\Drive\Servo;
use Brookstone\Core\Drive\ServoPoint;
use Brookstone\Core\Drive\ServoRating;
use Brookstone\Core\Drive\SupplyFit;
use Brookstone\Core\Drive\ThermalClass;
use Brookstone\Core\Error\ImpossibleValue;
use Brookstone\Core\Shape\ErrorList;

function someMotor(): DcMotor
{
    return new DcMotor(12.0, 100.0, 0.1, 1.0, 2.0);
}

it('gives most power at half stall and most efficiency where it says', function () {
    $at = fn (float $load): DcPoint => DcPoint::of(someMotor(), 12.0, 1.0, $load);
    $best = (float) $at(0.1)->best_efficiency_Nm;

    expect($at(0.5)->output_W)->toBeGreaterThan($at(0.45)->output_W)->toBeGreaterThan($at(0.55)->output_W)
        ->and($at($best)->efficiency)->toBeGreaterThan($at($best * 0.9)->efficiency)->toBeGreaterThan($at($best * 1.1)->efficiency);
});

it('never gives out more than it takes in', function (string $code) {
    $motor = Drawer::get($code);
    assert($motor instanceof DcMotor);
    foreach ([0.3, 0.6, 1.0, 1.2] as $share) {
        foreach ([0.0, 0.2, 0.5, 0.9, 1.5] as $load) {
            $point = DcPoint::of($motor, $motor->rated_V * $share, 1.0, $motor->stall_Nm * $load);
            expect($point->output_W)->toBeLessThanOrEqual($point->input_W)->and($point->efficiency)->toBeLessThan(1.0);
        }
    }
})->with(fn () => array_keys(array_filter(Drawer::all(), fn (Drive $drive): bool => $drive instanceof DcMotor)));

it('stalls at its stall torque, to the last ninth figure', function () {
    expect(DcPoint::of(someMotor(), 12.0, 1.0, 1.0)->stalled)->toBeTrue()
        ->and(DcPoint::of(someMotor(), 12.0, 1.0, 1.0 - 1e-12)->stalled)->toBeTrue()
        ->and(DcPoint::of(someMotor(), 12.0, 1.0, 0.999)->stalled)->toBeFalse()
        ->and(DcPoint::of(someMotor(), 12.0, 0.5, 1.0)->current_A)->toBeAbout(1.0);
});

it('treats duty as voltage', function () {
    expect(DcPoint::of(someMotor(), 12.0, 0.5, 0.2)->speed_rpm)->toBeAbout(DcPoint::of(someMotor(), 6.0, 1.0, 0.2)->speed_rpm, 1e-12);
});

it('reads servo ratings in any order, between them, under and over them', function () {
    $servo = new Servo([new ServoRating(7.4, 2.0, 500.0), new ServoRating(4.8, 1.0, 300.0)]);

    expect($servo->at(6.1)->stall_Nm)->toBeAbout(1.5)
        ->and($servo->at(2.4)->stall_Nm)->toBeAbout(0.5)
        ->and($servo->at(2.4)->speed_deg_s)->toBeAbout(150.0)
        ->and($servo->at(9.0)->stall_Nm)->toBeAbout(2.0)
        ->and($servo->supplyFit(4.8))->toBe(SupplyFit::Fits)
        ->and($servo->supplyFit(4.7))->toBe(SupplyFit::Low)
        ->and($servo->supplyFit(7.5))->toBe(SupplyFit::FarTooHigh)
        ->and(ServoPoint::of($servo, 4.8, 1.0, 60.0)->stalled)->toBeTrue()
        ->and(ServoPoint::of($servo, 4.8, 0.0, -60.0)->move_s)->toBeAbout(0.2)
        ->and(ServoPoint::of($servo, 4.8, 0.0, 60.0)->margin)->toBeNull();
});

it('warms up as a body of one time constant', function () {
    $small = ThermalClass::Small;
    $heat = ($small->limit_C() - 25.0) / $small->resistance_K_W();

    expect($small->secondsToLimit($heat * 0.99, 25.0))->toBeNull()
        ->and($small->secondsToLimit($heat * 2, 25.0))->toBeAbout($small->time_constant_s() * log(2.0))
        ->and($small->settles_C($heat, 25.0))->toBeAbout($small->limit_C());
});

it('has a drawer of plausible drives', function () {
    $families = [];
    foreach (Drawer::all() as $drive) {
        $families[$drive->kind()][$drive->body()->series][] = $drive;
    }
    $gearFamilies = array_filter($families['dc_motor'], fn (array $family): bool => ! $family[0]->worm && count($family) >= 5);

    expect(count(Drawer::all()))->toBeGreaterThanOrEqual(24)
        ->and(count($gearFamilies))->toBeGreaterThanOrEqual(3)
        ->and(array_filter($families['dc_motor'], fn (array $family): bool => $family[0]->worm))->not->toBeEmpty();
    foreach ($families['servo'] as $family) {
        foreach ($family as $servo) {
            expect(count($servo->ratings))->toBeGreaterThanOrEqual(2)->toBeLessThanOrEqual(3);
        }
    }
});

it('trades speed for torque inside a family', function (string $series) {
    $family = array_values(array_filter(Drawer::all(), fn (Drive $drive): bool => $drive->body()->series === $series));
    foreach (array_slice($family, 1) as $i => $next) {
        expect($next->stall_Nm)->toBeGreaterThan($family[$i]->stall_Nm)
            ->and($next->no_load_rpm)->toBeLessThan($family[$i]->no_load_rpm)
            ->and($next->stall_A)->toBe($family[$i]->stall_A)
            ->and($next->stall_Nm * $next->no_load_rpm)->toBeLessThanOrEqual($family[$i]->stall_Nm * $family[$i]->no_load_rpm * 1.001);
    }
})->with(['G16', 'G25', 'G37', 'W24', 'W40', 'W58']);

it('writes each drive so that it can be read back', function (string $code) {
    $written = Drives::write(Drawer::get($code));
    $errors = new ErrorList;
    $read = Drives::shape()->read($written, '', $errors);
    $errors->throwIfAny();

    expect(Drives::write(Drives::make((array) $read)))->toEqual($written);
})->with(fn () => array_keys(Drawer::all()));

it('refuses impossible ratings', function () {
    expect(fn () => new DcMotor(12.0, 100.0, 0.5, 1.0, 0.5))->toThrow(ImpossibleValue::class, 'stall_A')
        ->and(fn () => new Servo([new ServoRating(5.0, 1.0, 300.0), new ServoRating(5.0, 2.0, 300.0)]))->toThrow(ImpossibleValue::class, 'twice')
        ->and(fn () => new Servo([]))->toThrow(ImpossibleValue::class);
});
