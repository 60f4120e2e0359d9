<?php

declare(strict_types=1);

use Brookstone\Core\Error\ImpossibleValue;
use Brookstone\Core\Load\Move;
use Brookstone\Core\Load\MoveLoad;
use Brookstone\Core\Load\Profile;
use Brookstone\Core\Mechanism\Arm;
use Brookstone\Core\Mechanism\Hoist;
use Brookstone\Core\Numeric\Extremum;

const G = 9.80665;

it('finds the worst angle inside the travel, not at its start', function () {
    $load = MoveLoad::of(new Arm(0.4, 0.1), new Move(deg2rad(-60), deg2rad(50), 2.0));

    expect($load->static_peak_Nm)->toBeAbout(0.4 * 0.1 * G, 1e-7)
        ->and($load->worst_at)->toBeLessThan(1e-3)->toBeGreaterThan(-1e-3)
        ->and($load->hold_from_Nm)->toBeAbout(0.4 * 0.1 * G * cos(deg2rad(60)), 1e-9);
});

it('doubles gravity torque and quadruples inertia with the length', function () {
    $move = new Move(0.0, 1.0, 0.3);
    $short = new Arm(0.2, 0.1);
    $long = new Arm(0.2, 0.2);

    expect(MoveLoad::of($long, $move)->static_peak_Nm)->toBeAbout(2 * MoveLoad::of($short, $move)->static_peak_Nm, 1e-9)
        ->and($long->inertiaKgm2(0.0))->toBeAbout(4 * $short->inertiaKgm2(0.0), 1e-12);
});

it('quadruples the acceleration torque when the time halves', function (Profile $profile) {
    $weightless = fn (float $time): MoveLoad => MoveLoad::of(new Arm(1e-9, 1e-3, inertia_kgm2: 0.02), new Move(0.0, 1.5, $time, $profile));

    expect($weightless(0.5)->peak_Nm)->toBeAbout(4 * $weightless(1.0)->peak_Nm, 1e-5)
        ->and($weightless(1.0)->peak_Nm)->toBeAbout(0.02 * 1.5 * ($profile === Profile::Trapezoid ? 4.5 : M_PI ** 2 / 2), 1e-5);
})->with([Profile::Trapezoid, Profile::Cosine]);

it('agrees with the closed form of a hoist', function () {
    $hoist = new Hoist(2.0, 0.015, 0.5, 1.0, 2);
    $load = MoveLoad::of($hoist, new Move(0.0, 0.3, 1.5));
    $accel = 4.5 * 0.3 / 1.5 ** 2;

    expect($load->peak_Nm)->toBeAbout($hoist->linePeakN($accel) * 0.015, 1e-9)
        ->and($load->hold_from_Nm)->toBeAbout($hoist->lineHoldN() * 0.015, 1e-12)
        ->and($load->peak_speed_rad_s)->toBeAbout(1.5 * 0.3 / 1.5 * 2 / 0.015, 1e-12);
});

it('does as much work as the load gains', function () {
    // Without friction and from rest to rest, mean power times time is the gain in height: found here from rms of nothing but the profile.
    $arm = new Arm(0.5, 0.2);
    $move = new Move(deg2rad(-30), deg2rad(60), 1.0, Profile::Cosine);
    $work = 0.0;
    $steps = 2000;
    for ($i = 0; $i < $steps; $i++) {
        $t = ($i + 0.5) / $steps;
        [$way, $speed, $accel] = Profile::Cosine->at($t, [0.0, 1.0]);
        $work += ($arm->staticTorqueNm($move->from + $way * $move->distance())
            + $arm->inertiaKgm2(0.0) * $accel * $move->distance()) * $speed * $move->distance() / $steps;
    }

    expect($work)->toBeAbout(0.5 * 0.2 * G * (sin(deg2rad(60)) - sin(deg2rad(-30))), 1e-6);
});

it('is monotone in friction and mass', function () {
    $peaks = array_map(fn (float $friction): float => MoveLoad::of(new Arm(0.3, 0.1, friction_Nm: $friction), new Move(0.0, 1.0, 1.0))->peak_Nm,
        [0.0, 0.01, 0.05, 0.2]);
    $masses = array_map(fn (float $mass): float => MoveLoad::of(new Arm($mass, 0.1), new Move(0.0, 1.0, 1.0))->rms_Nm, [0.1, 0.2, 0.4]);

    expect($peaks)->toBe(array_values(collectSorted($peaks)))->and($masses)->toBe(array_values(collectSorted($masses)));
});

/**
 * @param  list<float>  $values
 * @return list<float>
 */
function collectSorted(array $values): array
{
    sort($values);

    return $values;
}

it('refines peaks that lie between samples', function () {
    $found = Extremum::largest(fn (float $x): float => -($x - 0.123456) ** 2 + 7.0, 0.0, 1.0);

    expect($found['at'])->toBeAbout(0.123456, 1e-4)->and($found['value'])->toBeAbout(7.0, 1e-9);
});

it('keeps a rotor in mind', function () {
    $move = new Move(0.0, 1.0, 0.5);

    expect(MoveLoad::of(new Arm(0.1, 0.05), $move, 0.01)->peak_Nm)->toBeGreaterThan(MoveLoad::of(new Arm(0.1, 0.05), $move)->peak_Nm);
});

it('cannot be built from what cannot be', function (callable $make, string $field) {
    expect($make)->toThrow(fn (ImpossibleValue $error) => expect($error->field)->toBe($field));
})->with([
    [fn () => new Arm(-1.0, 0.1), 'mass_kg'],
    [fn () => new Arm(1.0, NAN), 'cg_m'],
    [fn () => new Hoist(1.0, 0.01, 1.0), 'counterweight_kg'],
    [fn () => new Move(1.0, 1.0, 1.0), 'to'],
    [fn () => new Move(0.0, 1.0, 0.0), 'move_s'],
]);
