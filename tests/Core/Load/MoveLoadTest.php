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

it('holds at rest the larger of what its two ends ask', function (float $from, float $to) {
    $load = MoveLoad::of(new Arm(0.5, 0.1), new Move(deg2rad($from), deg2rad($to), 2.0, Profile::Cosine));
    $whole = 0.5 * 9.80665 * 0.1;

    expect($load->hold_from_Nm)->toBeAbout($whole * cos(deg2rad($from)), 1e-9)->and($load->hold_to_Nm)->toBeAbout($whole * cos(deg2rad($to)), 1e-9)
        ->and($load->hold_Nm())->toBeAbout($whole * max(cos(deg2rad($from)), cos(deg2rad($to))), 1e-9)->and($load->static_peak_Nm)->toBeAbout($whole * max(cos(deg2rad($from)), cos(deg2rad($to))), 1e-6);
})->with([[10.0, 60.0], [60.0, 10.0]]);

it('is worst where it sets out if it is nowhere worse, and in between otherwise', function () {
    $at = fn (float $from, float $to): float => rad2deg(MoveLoad::of(new Arm(0.5, 0.1), new Move(deg2rad($from), deg2rad($to), 2.0, Profile::Trapezoid))->worst_at);

    expect($at(20.0, 60.0))->toBeAbout(20.0, 1e-9)->and($at(-20.0, 60.0))->toEqualWithDelta(0.0, 0.05)->and($at(20.0, -20.0))->toEqualWithDelta(0.0, 0.05)->and($at(60.0, 20.0))->toBeAbout(20.0, 1e-6)
        ->and($at(20.0, -19.999))->toEqualWithDelta(0.0, 0.05)->and(MoveLoad::of(new Hoist(0.6, 0.01), new Move(0.1, 0.0, 2.0, Profile::Cosine))->worst_at)->toBe(0.1);
});

it('is driven by its load where that outweighs what it rubs with', function (float $friction_N, bool $overhauls) {
    $down = MoveLoad::of(new Hoist(0.6, 0.01, friction_N: $friction_N), new Move(0.1, 0.0, 4.0, Profile::Cosine)); // it weighs 5.884 N

    expect($down->overhauls)->toBe($overhauls)->and($down->steady_peak_Nm)->toBeAbout((0.6 * 9.80665 + $friction_N) * 0.01, 1e-9)
        ->and(MoveLoad::of(new Hoist(0.6, 0.01, friction_N: $friction_N), new Move(0.0, 0.1, 4.0, Profile::Cosine))->overhauls)->toBeFalse();
})->with([[5.8, true], [5.9, false]]);

it('has the root of the mean square of what it asks over time', function () {
    // A hoist sped up evenly for a third, steady for a third, slowed down evenly: T = m·r·(g ± a), a = 4.5·Δ/T².
    $accel = 4.5 * 0.1 / 0.5 ** 2;
    $torques = [0.6 * 0.01 * (9.80665 + $accel), 0.6 * 0.01 * 9.80665, 0.6 * 0.01 * (9.80665 - $accel)];
    $load = MoveLoad::of(new Hoist(0.6, 0.01), new Move(0.0, 0.1, 0.5, Profile::Trapezoid));

    expect($load->rms_Nm)->toBeAbout(sqrt(array_sum(array_map(fn (float $torque): float => $torque ** 2, $torques)) / 3), 1e-9)
        ->and($load->peak_Nm)->toBeAbout($torques[0], 1e-9)->and($load->peak_speed_rad_s)->toBeAbout(1.5 * 0.1 / 0.5 / 0.01, 1e-9)->and($load->peak_power_W)->toBeAbout($torques[0] * 30.0, 1e-6);
});

it('is at each share of its way at the time that its profile says', function (Profile $profile) {
    foreach ([0.0, 0.01, 0.2, 0.249, 0.2501, 0.26, 0.5, 0.74, 0.7499, 0.751, 0.76, 0.99, 1.0] as $way) {
        $time = $profile->timeAt($way);
        $piece = array_values(array_filter($profile->pieces(), fn (array $each): bool => $time >= $each[0] - 1e-12 && $time <= $each[1] + 1e-12))[0];
        expect(abs($profile->at($time, $piece)[0] - $way))->toBeLessThan(1e-12);
    }
})->with(Profile::cases());
