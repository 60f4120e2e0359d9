<?php

declare(strict_types=1);

use Brookstone\Core\Error\ImpossibleValue;
use Brookstone\Core\Mechanism\Arm;
use Brookstone\Core\Mechanism\Ball;
use Brookstone\Core\Mechanism\Crank;
use Brookstone\Core\Mechanism\CrankRocker;
use Brookstone\Core\Mechanism\Feeder;
use Brookstone\Core\Mechanism\Hoist;
use Brookstone\Core\Mechanism\Measured;
use Brookstone\Core\Mechanism\Mechanisms;
use Brookstone\Core\Mechanism\PositionUnit;
use Brookstone\Core\Mechanism\PushrodLever;
use Brookstone\Core\Mechanism\Segment;
use Brookstone\Core\Mechanism\Segmented;
use Brookstone\Core\Mechanism\Slide;
use Brookstone\Core\Mechanism\Turntable;
use Brookstone\Core\Mechanism\Wheels;
use Tests\Support\Things;

dataset('things', function () {
    foreach (Things::KINDS as $kind) {
        foreach (range(1, 3) as $seed) {
            yield "{$kind} {$seed}" => [$kind, $seed];
        }
    }
});

it('knows how its inertia changes', function (string $kind, int $seed) {
    [$thing, $from, $to] = (new Things($seed))->make($kind);
    foreach (range(1, 9) as $i) {
        $at = $from + ($to - $from) * $i / 10;
        $h = 1e-6;
        $slope = ($thing->inertiaKgm2($at + $h * $thing->travelPerRad()) - $thing->inertiaKgm2($at - $h * $thing->travelPerRad())) / (2 * $h);
        expect(abs($thing->inertiaSlopeKgm2($at) - $slope))->toBeLessThan(1e-6 * max(1e-3, $thing->inertiaKgm2($at)) + 1e-5 * abs($slope) + 1e-9);
    }
})->with('things');

it('has friction that only ever takes, and inertia', function (string $kind, int $seed) {
    [$thing, $from, $to] = (new Things($seed))->make($kind);
    foreach (range(0, 20) as $i) {
        $at = $from + ($to - $from) * $i / 20;
        expect($thing->frictionNm($at))->toBeGreaterThanOrEqual(0.0)->and($thing->inertiaKgm2($at))->toBeGreaterThan(0.0);
    }
    expect($thing->travelPerRad())->toBeGreaterThan(0.0)
        ->and(PositionUnit::tryFrom($thing->positionUnit()->value))->not->toBeNull();
})->with('things');

it('asks a rod for the work that its part gains in height', function (float $balance, bool $opposite) {
    $part = new PushrodLever(0.01, 0.016, 0.07, 0.2, 0.05, 55.0, $opposite, null, $balance);
    $height = fn (float $at): float => 0.2 * 9.80665 * 0.05 * sin(deg2rad($balance - $part->follower($at)));
    $work = 0.0;
    foreach (range(0, 1999) as $i) {
        $work += $part->staticTorqueNm(-0.8 + 1.6 * ($i + 0.5) / 2000) * 1.6 / 2000;
    }

    expect($work)->toBeAbout($height(0.8) - $height(-0.8), 1e-5)
        ->and($part->follower(0.8) > 0.0)->toBe(! $opposite)
        ->and($part->inertiaKgm2(0.0))->toBeAbout(0.2 * 0.05 ** 2 * (0.01 / 0.016) ** 2);
})->with([[0.0, false], [40.0, true], [-70.0, false]]);

it('asks a rod for the work that the spring at its part takes up, from where that is at rest', function (float $rest, bool $opposite) {
    $bare = new PushrodLever(0.01, 0.016, 0.07, 0.2, 0.05, 55.0, $opposite);
    $part = $bare->withSpring(0.002, $rest);
    $stored = fn (float $at): float => 0.5 * 0.002 * 180 / M_PI * deg2rad($part->follower($at) - $rest) ** 2; // ½ k φ², k in N·m/rad
    $work = 0.0;
    foreach (range(0, 1999) as $i) {
        $at = -0.8 + 1.6 * ($i + 0.5) / 2000;
        $work += ($part->staticTorqueNm($at) - $bare->staticTorqueNm($at)) * 1.6 / 2000;
    }

    expect($work)->toBeAbout($stored(0.8) - $stored(-0.8), 1e-5)->and($part->inertiaKgm2(0.3))->toBe($bare->inertiaKgm2(0.3))
        ->and($part->atPivot(0.3)[0] * $part->atPivot(0.3)[1])->toBe($bare->staticTorqueNm(0.3)) // what a spring is laid out for does without it
        ->and($part->withSpring(0.0, 0.0))->toEqual($bare);
})->with([[40.0, false], [-120.0, false], [90.0, true]]);

it('is heavier with its payload than without', function () {
    foreach ([new Arm(0.2, 0.1, 0.1, 0.15), new Hoist(0.5, 0.01, payload_kg: 0.3), new Slide(0.5, 0.01, 0.1, 20.0, 0.0, 0.4),
        new Wheels(0.5, 0.02, 0.03, 0.4, 5.0, 1.0, 0.3), new Feeder(0.02, 0.04, 0.05, 3, 0.1, 1.0, 20.0)] as $loaded) {
        $empty = $loaded->unloaded();
        expect($empty->staticTorqueNm(0.0))->toBeLessThan($loaded->staticTorqueNm(0.0))
            ->and($empty->inertiaKgm2(0.0))->toBeLessThan($loaded->inertiaKgm2(0.0))
            ->and($empty->kind())->toBe($loaded->kind());
    }
});

it('lifts a crank’s slider by its stroke in half a turn', function () {
    $crank = new Crank(0.02, 0.1, 0.5, axis_deg: 90.0);
    $work = 0.0;
    foreach (range(0, 999) as $i) {
        $work += $crank->staticTorqueNm(-M_PI + M_PI * ($i + 0.5) / 1000) * M_PI / 1000;
    }

    expect($crank->stroke_m())->toBeAbout(0.04)
        ->and($crank->follower(0.0) - $crank->follower(M_PI))->toBeAbout(0.04)
        ->and($work)->toBeAbout(0.5 * 9.80665 * 0.04, 1e-5); // what the weight gains in height
});

it('rocks a figure as its bars close, and gives back over a turn what it took', function () {
    $figure = new CrankRocker(0.012, 0.055, 0.03, 0.06, 0.2, 0.05, figure_deg: 40.0);
    $work = 0.0;
    foreach (range(0, 1999) as $i) {
        $theta = 2 * M_PI * ($i + 0.5) / 2000;
        $work += $figure->staticTorqueNm($theta) * 2 * M_PI / 2000;
        if ($i % 100 === 0) {
            $phi = deg2rad($figure->follower($theta));
            $coupler = hypot(0.06 + 0.03 * cos($phi) - 0.012 * cos($theta), 0.03 * sin($phi) - 0.012 * sin($theta));
            expect($coupler)->toBeAbout(0.055, 1e-9);
        }
    }

    expect(abs($work))->toBeLessThan(1e-9);
});

it('winds a layered cord with exactly the work of weight times height', function () {
    $hoist = new Hoist(0.5, 0.01, cord_m: 0.0015, drum_width_m: 0.008, lift_m: 0.7);
    $work = 0.0;
    $turn = $hoist->turnAt(0.7);
    foreach (range(0, 9999) as $i) {
        $work += $hoist->staticTorqueNm($hoist->positionAt($turn * ($i + 0.5) / 10000)) * $turn / 10000;
    }

    expect($hoist->drum?->layers)->toBeGreaterThan(1)
        ->and($work)->toBeAbout(0.5 * 9.80665 * 0.7, 1e-3)
        ->and($hoist->staticTorqueNm(0.69))->toBeGreaterThan($hoist->staticTorqueNm(0.01));
});

it('reads a measured table: between its points, beyond them, weight and rub apart', function () {
    $thing = new Measured(0.1, 0.01, [['at' => 60.0, 'raise_N' => 2.0, 'lower_N' => 2.0], ['at' => 0.0, 'raise_N' => 4.0, 'lower_N' => 3.0]]);

    expect($thing->staticTorqueNm(0.0))->toBeAbout(0.35)
        ->and($thing->frictionNm(0.0))->toBeAbout(0.05)
        ->and($thing->staticTorqueNm(deg2rad(30)))->toBeAbout(0.275)
        ->and($thing->frictionNm(deg2rad(30)))->toBeAbout(0.025)
        ->and($thing->staticTorqueNm(-1.0))->toBeAbout(0.35)
        ->and($thing->staticTorqueNm(2.0))->toBeAbout(0.2);
});

it('meets a segment there and nowhere else', function () {
    $window = new Segmented(new Slide(0.5, 0.02), [new Segment(0.03, 0.04, 0.1, 0.05)]);

    expect($window->staticTorqueNm(0.02))->toBe(0.0)->and($window->staticTorqueNm(0.035))->toBe(0.1)->and($window->staticTorqueNm(0.041))->toBe(0.0)
        ->and($window->frictionNm(0.035))->toBe(0.05)
        ->and($window->breaks())->toBe([0.03, 0.04])
        ->and($window->isEven())->toBeFalse()
        ->and($window->kind())->toBe('slide');
});

it('says how far a hung weight leans, and when it goes over the top', function () {
    $ball = new Ball(0.1, 0.4, 0.6, 0.05);

    expect($ball->lean($ball->capacityNm()))->toBeAbout(M_PI / 2)
        ->and($ball->lean($ball->capacityNm() / 2))->toBeAbout(M_PI / 6)
        ->and($ball->lean($ball->capacityNm() * 1.001))->toBeNull()
        ->and($ball->turnRadius_m())->toBeNull()
        ->and((new Ball(0.1, 0.4, 0.6, 0.05, steer_deg: 45.0))->turnRadius_m())->toBeAbout(0.1);
});

it('refuses what cannot be, and names the field', function (Closure $make, string $field) {
    try {
        $make();
        $this->fail('It was not refused.');
    } catch (ImpossibleValue $impossible) {
        expect($impossible->field)->toBe($field)->and($impossible->getMessage())->toStartWith($field);
    }
})->with([
    'a turntable told twice' => [fn () => new Turntable(0.1, 0.2, 0.1), 'inertia_kgm2'],
    'a turntable not told' => [fn () => new Turntable, 'inertia_kgm2'],
    'half a disc' => [fn () => new Turntable(disc_mass_kg: 0.2), 'disc_radius_m'],
    'a rod that cannot reach' => [fn () => new Crank(0.02, 0.02, 0.1), 'rod_m'],
    'a rod short by its offset' => [fn () => new Crank(0.02, 0.025, 0.1, -0.005), 'rod_m'],
    'a rocker that cannot turn' => [fn () => new CrankRocker(0.05, 0.05, 0.03, 0.06, 0.1, 0.05), 'crank_m'],
    'a rod that cannot follow' => [fn () => new PushrodLever(0.02, 0.01, 0.05, 0.1, 0.03), 'horn_m'],
    'bars that do not close' => [fn () => new CrankRocker(0.01, 0.02, 0.03, 0.1, 0.1, 0.05), 'ground_m'],
    'a weight outside its ball' => [fn () => new Ball(0.1, 0.4, 0.6, 0.1), 'pendulum_arm_m'],
    'friction that helps' => [fn () => new Measured(0.1, 0.01, [['at' => 0.0, 'raise_N' => 1.0, 'lower_N' => 2.0],
        ['at' => 9.0, 'raise_N' => 1.0, 'lower_N' => 1.0]]), 'points.0.lower_N'],
    'a place measured twice' => [fn () => new Measured(0.1, 0.01, [['at' => 0.0, 'raise_N' => 1.0, 'lower_N' => 1.0],
        ['at' => 0.0, 'raise_N' => 1.0, 'lower_N' => 1.0]]), 'points.1.at'],
    'a cord thicker than its drum' => [fn () => new Hoist(0.5, 0.01, cord_m: 0.02), 'cord_m'],
    'a wall' => [fn () => new Slide(0.5, 0.01, 0.0, 90.0), 'incline_deg'],
]);

it('knows of every kind whether it slides or turns', function () {
    foreach (Things::KINDS as $kind) {
        [$thing] = (new Things(1))->make($kind);
        expect(Mechanisms::unit($thing->kind()))->toBe($thing->positionUnit());
    }
    expect(array_unique(array_map(fn (string $kind): string => (new Things(1))->make($kind)[0]->kind(),
        Things::KINDS)))->toEqualCanonicalizing(Mechanisms::kinds());
});
