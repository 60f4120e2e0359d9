<?php

declare(strict_types=1);

use Brookstone\Core\Mechanism\Ball;
use Brookstone\Core\Mechanism\Bars;
use Brookstone\Core\Mechanism\Burdened;
use Brookstone\Core\Mechanism\Crank;
use Brookstone\Core\Mechanism\CrankRocker;
use Brookstone\Core\Mechanism\Feeder;
use Brookstone\Core\Mechanism\Hoist;
use Brookstone\Core\Mechanism\Mechanism;
use Brookstone\Core\Mechanism\Mechanisms;
use Brookstone\Core\Mechanism\PositionUnit;
use Brookstone\Core\Mechanism\PushrodLever;
use Brookstone\Core\Mechanism\Turntable;
use Brookstone\Core\Shape\ErrorList;
use Tests\Support\Things;

/** What each kind cannot do without. */
const NEEDED = [
    'arm' => ['mass_kg' => 0.3, 'cg_m' => 0.1], 'turntable' => ['inertia_kgm2' => 0.001], 'hoist' => ['mass_kg' => 0.5, 'drum_radius_m' => 0.01],
    'slide' => ['mass_kg' => 0.5, 'pulley_radius_m' => 0.01], 'wheels' => ['mass_kg' => 1.0, 'wheel_radius_m' => 0.03, 'rolling_coefficient' => 0.03, 'friction_coefficient' => 0.6],
    'crank' => ['crank_m' => 0.02, 'rod_m' => 0.08, 'slider_mass_kg' => 0.1], 'crank_rocker' => ['crank_m' => 0.01, 'coupler_m' => 0.055, 'rocker_m' => 0.03, 'ground_m' => 0.06, 'mass_kg' => 0.1, 'cg_m' => 0.04],
    'pushed' => ['arm_m' => 0.01, 'horn_m' => 0.02, 'pivot_distance_m' => 0.08, 'mass_kg' => 0.1, 'cg_m' => 0.04],
    'balancer' => ['mass_kg' => 1.6, 'height_m' => 0.25, 'wheel_radius_m' => 0.04],
    'ball' => ['ball_radius_m' => 0.1, 'shell_mass_kg' => 0.3, 'pendulum_mass_kg' => 0.7, 'pendulum_arm_m' => 0.05],
    'spring_lever' => ['spring_N_per_m' => 250.0, 'stretch_m' => 0.03, 'lever_m' => 0.06, 'moving_mass_kg' => 0.02],
    'feeder' => ['drum_radius_m' => 0.02, 'item_pitch_m' => 0.01],
    'measured' => ['lever_m' => 0.1, 'inertia_kgm2' => 0.002, 'points' => [['at' => 0.0, 'raise_N' => 3.0, 'lower_N' => 2.4], ['at' => 60.0, 'raise_N' => 1.8, 'lower_N' => 1.3]]],
];

/** @param  array<string, mixed>  $fields  besides those that it needs  @return array{array<string, mixed>|null, list<string>} as it is read, and the fields that are refused */
function readThing(string $kind, array $fields = []): array
{
    $errors = new ErrorList;
    $read = Mechanisms::shapes(1000.0)[$kind]->read($fields + array_intersect_key(NEEDED[$kind], Mechanisms::shapes(1000.0)[$kind]->fields), '', $errors);

    return [$read, array_column($errors->all(), 'field')];
}

it('takes for what is left out of a document what its class takes', function (string $kind) {
    [$read, $refused] = readThing($kind);
    $class = Mechanisms::make(['kind' => $kind] + $read)::class;

    expect($refused)->toBe([])->and(Mechanisms::make(['kind' => $kind] + $read))->toEqual(new $class(...array_intersect_key(NEEDED[$kind], $read)));
})->with(Mechanisms::kinds());

it('takes what is on its limit, and refuses what is past it', function (string $kind, string $field, float|int $last, float|int $past) {
    expect(readThing($kind, [$field => $last])[1])->toBe([])->and(readThing($kind, [$field => $past])[1])->toBe([$field]);
})->with([
    ['arm', 'spring_rest_deg', 720.0, 720.1], ['arm', 'spring_rest_deg', -720.0, -720.1], ['arm', 'mass_kg', 1000.0, 1000.1], ['turntable', 'tilt_deg', 720.0, 721.0], ['turntable', 'tilt_deg', -720.0, -721.0],
    ['hoist', 'lines', 12, 13], ['hoist', 'lines', 1, 0], ['hoist', 'cord_m', 0.1, 0.101], ['hoist', 'drum_width_m', 2.0, 2.1], ['hoist', 'lift_m', 100.0, 101.0], ['hoist', 'lead_m', 100.0, 101.0],
    ['hoist', 'breaking_N', 100_000.0, 100_001.0], ['hoist', 'knot_share', 0.05, 0.04], ['hoist', 'knot_share', 1.0, 1.01], ['slide', 'incline_deg', 89.9, 90.0], ['crank', 'axis_deg', 720.0, 721.0],
    ['crank_rocker', 'figure_deg', 720.0, 721.0], ['crank_rocker', 'ground_deg', -720.0, -721.0], ['crank_rocker', 'spring_rest_deg', 720.0, 721.0],
    ['pushed', 'half_travel_deg', 120.0, 120.5], ['pushed', 'half_travel_deg', 1.0, 0.5], ['pushed', 'balance_deg', 360.0, 361.0], ['pushed', 'balance_deg', -360.0, -361.0], ['pushed', 'spring_rest_deg', -720.0, -721.0],
    ['ball', 'grade_deg', 89.9, 90.0], ['ball', 'steer_deg', 720.0, 721.0], ['spring_lever', 'efficiency', 1.0, 1.01], ['feeder', 'items_carried', 10_000, 10_001], ['wheels', 'driven_weight_fraction', 1.0, 1.01],
]);

it('takes any number of lines where nobody builds it', fn () => expect(Hoist::fields()['lines']->shape->read(40, '', $errors = new ErrorList))->toBe(40)->and($errors->all())->toBe([]));

it('moves for each radian what its turn says, where that is asked for a place', function (string $kind, int $seed) {
    [$thing, $from, $to] = (new Things($seed))->make($kind);
    foreach ([0.25, 0.5, 0.75] as $share) {
        $at = $from + ($to - $from) * $share;
        $step = 1e-6 * ($to - $from);
        $perRad = 2 * $step / ($thing->turnAt($at + $step) - $thing->turnAt($at - $step));
        expect($thing->travelPerRad($at))->toBeAbout($perRad, 2e-3)->and($thing->positionAt($thing->turnAt($at)))->toBeAbout($at, 1e-6);
    }
})->with(['arm', 'turntable', 'slide', 'wheels', 'ball', 'feeder', 'crank', 'crank_rocker', 'pushed', 'hoist', 'layered'])->with([3, 4]);

it('winds on a drum of several lines so much faster', function () {
    $hoist = new Hoist(0.5, 0.01, lines: 3, cord_m: 0.001, drum_width_m: 0.004, lift_m: 0.5);

    expect($hoist->travelPerRad(0.02))->toBeLessThan($hoist->travelPerRad(0.3))->toBeAbout(0.01 / 3, 1e-9)->and($hoist->turnAt(0.5) - $hoist->turnAt(0.0))->toBeGreaterThan(80.0)->toBeLessThan(150.0);
});

it('carries its items up their way', function () {
    $feeder = new Feeder(0.02, 0.01, 0.05, 4, 0.1, 1.5, 30.0);

    expect($feeder->staticTorqueNm(0.0))->toBeAbout(0.2 * 9.80665 * 0.5 * 0.02, 1e-12)->and($feeder->frictionNm(0.0))->toBeAbout(0.03, 1e-12)->and($feeder->itemsPerTurn())->toBeAbout(4 * M_PI, 1e-12);
});

it('climbs a grade up to that at which its weight hangs level, and is endless', function () {
    $ball = new Ball(0.1, 0.3, 0.7, 0.05);

    expect($ball->steepest())->toBeAbout(asin(0.7 * 0.05 / (1.0 * 0.1)), 1e-12)->and($ball->isEndless())->toBeTrue()->and($ball->gripNm())->toBeAbout(0.7 * 9.80665 * 0.05, 1e-12)
        ->and((new Turntable(0.001))->isEndless())->toBeTrue();
});

it('is held between two places, ends and all, and nowhere else', function (float $at, bool $held) {
    $burdened = new Burdened(new Hoist(0.5, 0.01), held: [0.02, 0.05]);

    expect($burdened->frictionNm($at) > 1.0)->toBe($held);
})->with([[0.0199, false], [0.02, true], [0.03, true], [0.05, true], [0.0501, false]]);

it('draws the bars of a linkage as long as they are, end to end', function (Mechanism $thing) {
    $bars = Bars::of($thing) ?? throw new LogicException;
    foreach ([0.0, 0.3, -0.4] as $at) {
        $drawn = $bars->at($at);
        $last = null;
        foreach ($drawn as $name => [$from, $to]) {
            expect(hypot($to[0] - $from[0], $to[1] - $from[1]))->toBeAbout($bars->lengths_mm()[$name], 1e-6);
            expect($last === null || hypot($from[0] - $last[0], $from[1] - $last[1]) < 1e-6 || hypot($to[0] - $last[0], $to[1] - $last[1]) < 1e-6)->toBeTrue("{$name} joins the one before");
            $last = $to;
        }
        [$first, $second] = $bars->angles_deg($at);
        expect($first)->toBeGreaterThanOrEqual(0.0)->toBeLessThanOrEqual(90.0)->and($second)->toBeGreaterThanOrEqual(0.0)->toBeLessThanOrEqual(90.0);
    }
})->with([
    'a crank' => [new Crank(0.02, 0.08, 0.1)], 'a rocker' => [new CrankRocker(0.01, 0.055, 0.03, 0.06, 0.1, 0.04)], 'a pushed part' => [new PushrodLever(0.01, 0.02, 0.08, 0.1, 0.04, 60.0, false)],
]);

it('keeps places to the hundredth of a hundredth of a degree, and to the thousandth of a millimetre', function () {
    expect(PositionUnit::Degrees->fromSi(M_PI / 6))->toBeAbout(30.0, 1e-12)->and(PositionUnit::Metres->toSi(0.123))->toBe(0.123);
});
