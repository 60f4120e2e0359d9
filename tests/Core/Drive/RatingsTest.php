<?php

declare(strict_types=1);

use Brookstone\Core\Drive\BenchRatings;
use Brookstone\Core\Drive\Drawer;
use Brookstone\Core\Drive\Drives;
use Brookstone\Core\Drive\Servo;
use Brookstone\Core\Drive\ServoRating;
use Brookstone\Core\Drive\Stepper;
use Brookstone\Core\Drive\SupplyFit;
use Brookstone\Core\Drive\ThermalClass;
use Brookstone\Core\Drive\TorqueLine;
use Brookstone\Core\Error\ImpossibleValue;
use Brookstone\Core\Shape\ErrorList;

it('knows both sides of each voltage that does not fit', function (string $code, float $volts, SupplyFit $fit) {
    expect(Drawer::get($code)->supplyFit($volts))->toBe($fit);
})->with([
    'a motor of 12 V' => ['G25-227', 12.0, SupplyFit::Fits], ['G25-227', 6.0, SupplyFit::Fits], ['G25-227', 5.99, SupplyFit::Low], ['G25-227', 15.0, SupplyFit::Fits], ['G25-227', 15.01, SupplyFit::High],
    ['G25-227', 18.0, SupplyFit::High], ['G25-227', 18.01, SupplyFit::FarTooHigh],
    'a servo of 4.8 to 6 V' => ['S20 nylon', 4.8, SupplyFit::Fits], ['S20 nylon', 4.79, SupplyFit::Low], ['S20 nylon', 6.0, SupplyFit::Fits], ['S20 nylon', 6.01, SupplyFit::FarTooHigh],
    'a stepper on a chopper' => ['P42-40', 60.0, SupplyFit::Fits], ['P42-40', 60.1, SupplyFit::FarTooHigh], ['P42-40', 2.6, SupplyFit::Low], ['P42-40', 2.8, SupplyFit::Fits],
]);

it('takes what is on its limit, and refuses what is past it', function (string $code, string $field, float|int|string $last, float|int|string $past) {
    $written = Drives::write(Drawer::get($code));
    $refused = function (mixed $value) use ($written, $field): array {
        $errors = new ErrorList;
        Drives::shape()->read([$field => $value] + $written, '', $errors);

        return array_column($errors->all(), 'field');
    };

    expect($refused($last))->toBe([])->and($refused($past))->toBe([$field]);
})->with([
    ['G25-227', 'rated_V', 0.5, 0.49], ['G25-227', 'rated_V', 1000.0, 1001.0], ['G25-227', 'mass_kg', 100.0, 100.1], ['G25-227', 'length_mm', 1000.0, 1000.1], ['G25-227', 'width_mm', 1000.0, 1001.0],
    ['G25-227', 'height_mm', 1000.0, 1001.0], ['G25-227', 'back_drive_Nm', 0.0, -0.1], ['G25-227', 'gearbox_limit_Nm', 0.001, 0.0], ['G25-227', 'code', str_repeat('x', 40), str_repeat('x', 41)],
    ['G25-227', 'series', '', str_repeat('x', 41)], ['G25-227', 'shaft', str_repeat('x', 60), str_repeat('x', 61)],
    ['S20 nylon', 'travel_deg', 720.0, 720.1], ['S20 nylon', 'deadband_deg', 20.0, 20.1], ['S20 nylon', 'slop_deg', 20.0, 20.1], ['P42-40', 'steps_per_rev', 100_000, 100_001], ['P42-40', 'steps_per_rev', 1, 0],
    ['P42-40', 'microsteps', 1024, 1025], ['L50-12', 'stroke_m', 10.0, 10.1], ['L50-12', 'lever_m', 10.0, 10.1],
]);

it('takes what a motor says when it is loaded only if it is slower and draws more', function (float $rpm, float $amps, bool $is) {
    $make = fn (): BenchRatings => BenchRatings::loaded(100.0, 0.1, 0.05, $rpm, $amps);
    if ($is) {
        expect($make())->toBeInstanceOf(BenchRatings::class);
    } else {
        expect($make)->toThrow(ImpossibleValue::class);
    }
})->with([[99.0, 0.2, true], [100.0, 0.2, false], [50.0, 0.11, true], [50.0, 0.1, false]]);

it('finds the stall by the straight lines of speed and current', function () {
    $bench = BenchRatings::loaded(100.0, 0.1, 0.05, 75.0, 0.35); // a quarter of its stall torque

    expect($bench->stall_Nm)->toBeAbout(0.2, 1e-12)->and($bench->stall_A)->toBeAbout(1.1, 1e-12);
});

it('stands in no way when nothing turns it', function () {
    $none = TorqueLine::none();
    $line = Drawer::get('G25-227')->line(12.0, 1.0);

    expect([$none->stall_Nm, $none->fall_Nms, $none->idle_A, $none->stall_A, $none->A_per_Nm])->toBe([0.0, 0.0, 0.0, 0.0, 0.0])->and($line->open())->toEqual($none)
        ->and($line->shorted()->stall_Nm)->toBe(0.0)->and($line->shorted()->stall_A)->toBe(0.0)->and($line->shorted()->fall_Nms)->toBe($line->fall_Nms)->and($line->shorted()->gears)->toBe($line->gears);
});

it('passes what its gears pass: of a motor without any, all', function () {
    // Both constants of a bare motor are one: R·k²·fall with k = A per N·m is 1.
    expect(TorqueLine::gearsOf(2.0, 0.5, 2.0))->toBe(1.0)->and(TorqueLine::gearsOf(2.0, 0.5, 4.0))->toBeAbout(0.5, 1e-12)->and(TorqueLine::gearsOf(2.0, 0.5, 1.0))->toBe(1.0)
        ->and((new TorqueLine(1.0, 2.0, 0.1, 1.0, 1.0, gears: 0.5))->drivenFall_Nms)->toBe(8.0)->and((new TorqueLine(1.0, 2.0, 0.1, 1.0, 1.0))->drivenFall_Nms)->toBe(2.0);
});

it('warms by its size: 45, 25, 14 and 8 K for a watt, in 40, 90, 220 and 480 s', function (ThermalClass $class, float $resistance, float $constant) {
    expect($class->resistance_K_W())->toBe($resistance)->and($class->time_constant_s())->toBe($constant)->and($class->limit_C())->toBe(105.0)
        ->and($class->settles_C(2.0, 20.0))->toBe(20.0 + 2 * $resistance)
        ->and($class->reached_C(2.0, 20.0, 0.0))->toBe(20.0)->and($class->reached_C(2.0, 20.0, $constant))->toBeAbout(20.0 + 2 * $resistance * 0.632121, 1e-5)
        ->and($class->reached_C(2.0, 20.0, 50 * $constant))->toBeAbout($class->settles_C(2.0, 20.0))
        ->and($class->secondsToLimit(85.0 / $resistance, 20.0))->toBeNull()->and($class->secondsToLimit(170.0 / $resistance, 20.0))->toBeAbout($constant * log(2), 1e-9);
})->with([[ThermalClass::Micro, 45.0, 40.0], [ThermalClass::Small, 25.0, 90.0], [ThermalClass::Medium, 14.0, 220.0], [ThermalClass::Large, 8.0, 480.0]]);

it('rubs unpowered by its gears, or by what its current without load overcomes', function (string $code) {
    $drive = Drawer::get($code);
    $line = $drive->line($drive->voltageRange()[1], 1.0);
    $idles = $line->idle_A / $line->A_per_Nm;

    expect($drive->drag_Nm(true))->toBeAbout($idles, 1e-9)->and($drive->drag_Nm(false))->toBeAbout(max($idles, $drive->body()->back_drive_Nm), 1e-9);
})->with(['G25-20', 'W40-400', 'S20 nylon', 'C9 turning']);

it('winds up by its gears before they break: 0.25 rad plastic, 0.15 brass, 0.12 else', function (string $code, float $windUp) {
    $body = Drawer::get($code)->body();

    expect($body->windUp_rad())->toBe($windUp)->and($body->stiffness_Nm_rad())->toBeAbout($body->gearbox_limit_Nm / $windUp, 1e-12);
})->with([['S20 nylon', 0.25], ['W24-90', 0.25], ['G25-20', 0.15], ['W40-400', 0.12], ['G37-19', 0.12]]);

it('draws as a servo from idle at rest to its stall current when held, less of it on less voltage', function () {
    $servo = Drawer::get('S20 metal'); // 0.012 A idle, 2 A held, 0.92 N·m at 4.8 V, 1.08 at 6 V
    [$high, $low] = [$servo->line(6.0, 1.0), $servo->line(4.8, 1.0)];

    expect($high->stall_A)->toBe(2.0)->and($high->idle_A)->toBe(0.012)->and($high->A_per_Nm)->toBeAbout((2.0 - 0.012) / 1.08, 1e-12)->and($high->currentAt(0.54))->toBeAbout(0.012 + 0.54 * $high->A_per_Nm, 1e-9)
        ->and($low->stall_A)->toBeAbout(1.6, 1e-12)->and($low->A_per_Nm)->toBeAbout((1.6 - 0.012) / 0.92, 1e-12)->and($high->noLoad_rad_s())->toBeAbout(350 * M_PI / 180, 1e-9);
});

it('takes a servo that says only what it must for a small one', function () {
    $servo = new Servo([new ServoRating(6.0, 0.5, 300.0)]);

    expect([$servo->stall_A, $servo->idle_A, $servo->travel_deg, $servo->deadband_deg, $servo->digital, $servo->rotor_kgm2, $servo->slop_deg])->toBe([1.0, 0.01, 120.0, 0.5, false, 0.0, 0.0]);
});

it('takes no servo that stalls with no more than it idles with, or without end', function (float $stall, float $idle) {
    new Servo([new ServoRating(6.0, 0.5, 300.0)], $stall, $idle);
})->with([[0.1, 0.1], [0.05, 0.1], [INF, 0.1]])->throws(ImpossibleValue::class);

it('pulls as a stepper up to the speed that it says, and none where it never does', function () {
    $stepper = Drawer::get('P42-40');
    assert($stepper instanceof Stepper);
    $speed = $stepper->speedAgainst(24.0, 0.2);
    $rest = $stepper->available_Nm(24.0, 0.0);

    expect($stepper->available_Nm(24.0, $speed * 0.999))->toBeGreaterThan(0.2)->and($stepper->available_Nm(24.0, $speed * 1.001))->toBeLessThan(0.2)->and($speed)->toBeGreaterThan(1.0)
        ->and($stepper->speedAgainst(24.0, $rest))->toBe(0.0)->and($stepper->speedAgainst(24.0, 2 * $rest))->toBe(0.0)
        ->and($stepper->line(24.0, 1.0)->stall_Nm)->toBe($rest)->and($stepper->line(24.0, 1.0)->fall_Nms)->toBeAbout($rest / 2 / $stepper->speedAgainst(24.0, $rest / 2), 1e-9)
        ->and($stepper->line(24.0, 1.0)->idle_A)->toBe($stepper->line(24.0, 1.0)->stall_A)->and($stepper->line(24.0, 1.0)->A_per_Nm)->toBe(0.0);
});

it('starts a stepper, and swings with it, as its field says', function () {
    $stepper = Drawer::get('P42-40'); // 0.4 N·m, 200 steps: 50 poles
    assert($stepper instanceof Stepper);
    $torque = $stepper->available_Nm(24.0, 0.0);
    $lags = asin(0.1 / $torque);

    expect($stepper->startsUpTo_rad_s(24.0, 0.1, 2e-5))->toBeAbout(sqrt(2 * (2 * $torque * cos($lags) - 0.1 * (M_PI - 2 * $lags)) / 50 / 2e-5), 1e-9)->and($stepper->startsUpTo_rad_s(24.0, $torque, 2e-5))->toBe(0.0)
        ->and($stepper->startsUpTo_rad_s(24.0, 0.0, 2e-5))->toBeAbout(sqrt(4 * $torque / 50 / 2e-5), 1e-9)
        ->and($stepper->swings_hz(2e-5))->toBeAbout(sqrt(50 * 0.4 / 2e-5) / 2 / M_PI, 1e-9)->and($stepper->stepRate_hz(-2 * M_PI))->toBeAbout(200.0, 1e-12);
});

it('ends an actuator by itself, and locks it', function () {
    $actuator = Drawer::get('L50-12');

    expect($actuator->endsItself())->toBeTrue()->and($actuator->locks())->toBeTrue()->and(Drawer::get('G25-20')->endsItself())->toBeFalse()->and(Drawer::get('S20 nylon')->endsItself())->toBeFalse()
        ->and(Drawer::get('G25-20')->voltageRange())->toBe([6.0, 15.0])->and(Drawer::get('S20 nylon')->voltageRange())->toBe([4.8, 6.0]);
});
