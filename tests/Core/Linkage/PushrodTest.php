<?php

declare(strict_types=1);

use Brookstone\Core\Linkage\FourBar;
use Brookstone\Core\Linkage\Pushrod;
use Random\Engine\Mt19937;
use Random\Randomizer;

/** @return list<Pushrod> */
function someRods(): array
{
    $random = new Randomizer(new Mt19937(9));
    $number = fn (float $from, float $to): float => $from + ($to - $from) * $random->getInt(0, 1_000_000) / 1_000_000;

    return array_map(fn (int $i): Pushrod => new Pushrod($number(0.008, 0.03), $number(0.008, 0.04), $number(0.04, 0.2), $number(10, 70), $i % 2 === 1),
        range(0, 99));
}

it('keeps the rod its length over the whole travel', function () {
    foreach (someRods() as $rod) {
        if ($rod->binds) {
            continue;
        }
        expect($rod->horn(0.0))->toBeAbout(0.0);
        for ($i = -10; $i <= 10; $i++) {
            $servo = $rod->servo_half_travel_deg * M_PI / 180 * $i / 10;
            $horn = $rod->horn($servo) + ($rod->opposite_sides ? M_PI : 0.0);
            $x = $rod->pivot_distance_m + $rod->horn_m * sin($horn) - $rod->arm_m * sin($servo);
            $y = $rod->horn_m * cos($horn) - $rod->arm_m * cos($servo);
            expect(hypot($x, $y))->toBeAbout($rod->rod_m, 1e-9);
        }
    }
});

it('has the gain that its angles show', function () {
    $seen = 0;
    foreach (someRods() as $rod) {
        if ($rod->binds) {
            continue;
        }
        $seen++;
        $servo = 0.6 * $rod->servo_half_travel_deg * M_PI / 180;
        expect(($rod->horn($servo + 1e-6) - $rod->horn($servo - 1e-6)) / 2e-6)->toBeAbout($rod->gain($servo), 1e-5)
            ->and(abs($rod->gain(0.0)))->toBeAbout($rod->gainAtNeutral(), 1e-9)
            ->and($rod->maxGain())->toBeGreaterThanOrEqual($rod->gainAtNeutral() * (1 - 1e-9))
            ->and($rod->gain(0.0) < 0.0)->toBe($rod->opposite_sides);
    }
    expect($seen)->toBeGreaterThan(50);
});

it('binds where the circles do not meet', function () {
    foreach (someRods() as $rod) {
        $apart = false;
        for ($i = -400; $i <= 400; $i++) {
            $servo = $rod->servo_half_travel_deg * M_PI / 180 * $i / 400;
            $reach = hypot($rod->arm_m * sin($servo) - $rod->pivot_distance_m, $rod->arm_m * cos($servo));
            $apart = $apart || $reach > $rod->rod_m + $rod->horn_m || $reach < abs($rod->rod_m - $rod->horn_m);
        }
        expect($rod->binds)->toBe($apart);
    }
});

it('swings a four-bar as far as its positions show', function () {
    $bars = new FourBar(0.02, 0.06, 0.04, 0.065);
    $angles = array_map(fn (int $i): float => $bars->rocker($i * M_PI / 1800)[0], range(0, 3600));
    $swing = $bars->swing();

    expect($bars->kind())->toBe('crank-rocker')->and($swing['swing_deg'] * M_PI / 180)->toBeAbout(max($angles) - min($angles), 1e-4)
        ->and($swing['time_ratio'])->toBeGreaterThanOrEqual(1.0)
        ->and((new FourBar(0.05, 0.06, 0.04, 0.03))->swing())->toBeNull();
});
