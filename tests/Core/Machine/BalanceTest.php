<?php

declare(strict_types=1);

use Brookstone\Core\Build\Build;
use Brookstone\Core\Machine\Balance;
use Brookstone\Core\Numeric\Hull;
use Random\Engine\Mt19937;
use Random\Randomizer;
use Tests\Support\Trees;

/** A plate of 0.4 × 0.3 m and 2 kg on the ground, and a carriage of 1 kg that slides along x 0.5 m over it. */
function onPlate(array $slide = [], array $plate = []): Build
{
    $cart = ['mechanism' => ['kind' => 'slide', 'mass_kg' => 1.0, 'pulley_radius_m' => 0.01]] + Trees::motion('slide', 'cart')
        + ['mount' => ['z_m' => 0.5]];

    return Build::read(['format' => 'brookstone-build', 'version' => 1, 'name' => 'Plate', 'motions' => [$slide + $cart],
        'things' => [$plate + ['id' => 'plate', 'name' => 'Plate', 'is' => 'frame', 'z_m' => 0.01, 'length_m' => 0.4, 'width_m' => 0.3, 'height_m' => 0.02,
            'mass_kg' => 2.0]]]);
}

describe('balance', function () {
    it('adds up all that stands, and is inside of its feet by the nearest edge', function () {
        $balance = new Balance(onPlate()->stage);
        $all = $balance->all(['cart' => 0.15]);
        expect($all->mass_kg)->toEqualWithDelta(3.0, 1e-12)
            ->and($all->centre->x)->toEqualWithDelta(0.05, 1e-12)
            ->and($all->centre->z)->toEqualWithDelta((2 * 0.01 + 0.5) / 3, 1e-12)
            ->and($balance->margin_m(['cart' => 0.15]))->toEqualWithDelta(0.15, 1e-12)
            ->and($balance->margin_m(['cart' => 0.9]))->toEqualWithDelta(-0.1, 1e-12)
            ->and($balance->tilt_deg(['cart' => 0.0]))->toEqualWithDelta(rad2deg(atan2(0.15, 0.52 / 3)), 1e-9);
    });

    it('is pushed over by what it moves: mass times acceleration times height', function () {
        $build = onPlate();
        $balance = new Balance($build->stage);
        // 0.2 m in 1 s, trapezoid: 4.5 · 0.2 = 0.9 m/s²; 1 kg of 3 at 0.5 m: 0.9 · 0.5 / (3 · g) off either way.
        $off = 0.9 * 0.5 / (3 * 9.80665);
        expect($balance->braking_m('cart', ['cart' => 0.15]))->toEqualWithDelta(min(0.15, 0.15 - $off), 1e-6)
            ->and($balance->braking_m('cart', ['cart' => 0.0]))->toEqualWithDelta(0.15, 1e-6); // the sides are nearer
    });

    it('is pushed up and down by what turns', function () {
        $arm = ['mechanism' => ['kind' => 'arm', 'mass_kg' => 1.0, 'cg_m' => 0.2]] + Trees::motion('arm', 'arm') + ['mount' => ['z_m' => 0.3]];
        $arm['places'] = [['id' => 'low', 'name' => 'Low', 'at' => 0.0], ['id' => 'high', 'name' => 'High', 'at' => 90.0]];
        $arm['task'] = ['from' => 'low', 'to' => 'high', 'move_s' => 1.0];
        $balance = new Balance(onPlate($arm)->stage);
        // Level, it speeds up or down at 4.5 · π/2 rad/s² at 0.2 m: 1.41 m/s² up or down, 0.2 m to the right.
        $a = 4.5 * M_PI_2 * 0.2;
        $at = fn (float $a): float => (1.0 * 9.80665 * 0.2 + 1.0 * $a * 0.2) / (3 * 9.80665 + $a);
        expect($balance->braking_m('arm', ['arm' => 0.0]))->toEqualWithDelta(min(0.15, 0.2 - max($at($a), $at(-$a))), 1e-6);
    });

    it('stands on what is lowest of its frame, and on nothing without one', function () {
        expect(count((new Balance(onPlate()->stage))->feet))->toBe(4)
            ->and((new Balance(onPlate([], ['is' => 'way'])->stage))->canTip())->toBeFalse()
            ->and((new Balance(onPlate([], ['lean_deg' => 30.0])->stage))->canTip())->toBeFalse(); // it stands on an edge
    });

    it('finds the pose in which it tips soonest', function () {
        $build = onPlate();
        $balance = new Balance($build->stage);
        $worst = $balance->worst();
        for ($at = 0.0; $at <= 0.2; $at += 0.01) {
            expect($balance->tilt_deg($worst))->toBeLessThanOrEqual($balance->tilt_deg(['cart' => $at]) + 1e-6);
        }
    });
});

it('puts a hull around points: each inside of every side, each corner one of them', function () {
    for ($seed = 1; $seed <= 40; $seed++) {
        $random = new Randomizer(new Mt19937($seed));
        $points = array_map(fn (): array => [$random->getInt(-9, 9) / 3, $random->getInt(-9, 9) / 3], range(0, 3 + $seed % 12));
        $hull = Hull::around($points);
        foreach ($hull as $i => $corner) {
            $next = $hull[($i + 1) % count($hull)];
            expect(in_array($corner, $points))->toBeTrue();
            foreach (count($hull) > 2 ? $points : [] as [$x, $y]) {
                expect(($next[0] - $corner[0]) * ($y - $corner[1]) - ($next[1] - $corner[1]) * ($x - $corner[0]))->toBeGreaterThanOrEqual(-1e-9);
            }
        }
    }
});
