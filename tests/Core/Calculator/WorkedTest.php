<?php

declare(strict_types=1);

use Brookstone\Core\Calculator\Calculators;

/**
 * Worked by hand, each with round figures that a reader can follow with a pocket calculator.
 *
 * @param  array<string, mixed>  $inputs
 * @return array<string, mixed>
 */
function worked(string $name, array $inputs): array
{
    return Calculators::run(Calculators::all()[$name], $inputs)['results'];
}

const GRAVITY = 9.80665;

it('lifts a kilogram on half a metre', function () {
    // 1 kg at 0.5 m: 4.903325 N·m level, half of it at 60°; in 3 s over 60°: α = 4.5·(π/3)/9, J = 0.25.
    $arm = worked('load.arm', ['mass_kg' => 1, 'cg_m' => 0.5, 'from_deg' => 0, 'to_deg' => 60, 'move_s' => 3]);
    $accel = 4.5 * (M_PI / 3) / 9;

    expect($arm['static_peak_Nm'])->toBeAbout(0.5 * GRAVITY)
        ->and($arm['hold_to_Nm'])->toBeAbout(0.25 * GRAVITY)
        ->and($arm['peak_Nm'])->toBeAbout(0.5 * GRAVITY + 0.25 * $accel)
        ->and($arm['peak_speed_rpm'])->toBeAbout(1.5 * 60 / 3 / 6)
        ->and($arm['overhauls'])->toBeFalse();
});

it('balances an arm to nothing', function () {
    $arm = worked('load.arm', ['mass_kg' => 1, 'cg_m' => 0.5, 'counterbalance_Nm' => 0.5 * GRAVITY, 'inertia_kgm2' => 0.5, 'from_deg' => -45, 'to_deg' => 45,
        'move_s' => 3]);

    expect($arm['static_peak_Nm'])->toBeAbout(0.0)
        ->and($arm['peak_Nm'])->toBeAbout(0.5 * 4.5 * (M_PI / 2) / 9)
        ->and($arm['rms_Nm'])->toBeAbout($arm['peak_Nm'] * sqrt(2 / 3), 1e-6) // two thirds of the time at ± the same torque
        ->and($arm['overhauls'])->toBeFalse();
});

it('says that a falling arm drives its motor, unless it rubs enough', function () {
    $down = ['mass_kg' => 1, 'cg_m' => 0.1, 'from_deg' => 60, 'to_deg' => 0, 'move_s' => 2];

    expect(worked('load.arm', $down)['overhauls'])->toBeTrue()
        ->and(worked('load.arm', ['friction_Nm' => 0.98] + $down)['overhauls'])->toBeTrue()
        ->and(worked('load.arm', ['friction_Nm' => 0.99] + $down)['overhauls'])->toBeFalse()
        ->and(worked('load.arm', ['friction_Nm' => 0.1 * GRAVITY] + $down)['overhauls'])->toBeFalse() // exactly as much: it does not
        ->and(worked('load.arm', $down)['peak_power_W'])->toBe(0.0);
});

it('spends the most power of a cosine move where torque times speed is largest', function () {
    // A weightless spinning mass: T·ω = J·(π²/2)(π/2)(Δ²/T³)·cos·sin, largest at an eighth of the wave: half of the product of the peaks.
    $arm = worked('load.arm', ['mass_kg' => 1e-9, 'cg_m' => 1e-3, 'inertia_kgm2' => 0.02, 'from_deg' => 0, 'to_deg' => 180, 'move_s' => 1,
        'profile' => 'cosine']);

    expect($arm['peak_power_W'])->toBeAbout(0.5 * 0.02 * (M_PI ** 2 / 2) * M_PI * (M_PI / 2) * M_PI, 1e-4);
});

it('hoists two kilograms on two lines', function () {
    $hoist = worked('load.hoist', ['mass_kg' => 2, 'speed_m_s' => 0.1, 'accel_s' => 0.5, 'drum_radius_m' => 0.02, 'friction_N' => 1, 'lines' => 2]);

    expect($hoist['line_hold_N'])->toBeAbout(GRAVITY)
        ->and($hoist['line_raise_N'])->toBeAbout(GRAVITY + 0.5)
        ->and($hoist['line_peak_N'])->toBeAbout(GRAVITY + 0.5 + 0.2)
        ->and($hoist['line_lower_N'])->toBeAbout(GRAVITY - 0.5)
        ->and($hoist['drum_rpm'])->toBeAbout(0.1 * 2 / 0.02 * 30 / M_PI)
        ->and($hoist['power_raise_W'])->toBeAbout((2 * GRAVITY + 1) * 0.1);
});

it('does not let a load down whose guides hold it', function () {
    $hoist = ['mass_kg' => 1, 'speed_m_s' => 0.1, 'accel_s' => 0.5, 'drum_radius_m' => 0.02];

    expect(worked('load.hoist', ['friction_N' => 9.8] + $hoist)['overhauls'])->toBeTrue()
        ->and(worked('load.hoist', ['friction_N' => GRAVITY] + $hoist)['overhauls'])->toBeFalse()
        ->and(worked('load.hoist', ['counterweight_kg' => 0.5, 'friction_N' => 5] + $hoist)['overhauls'])->toBeFalse();
});

it('runs a motor at half its stall torque', function () {
    $point = worked('drive.dc_point', ['rated_V' => 10, 'no_load_rpm' => 100, 'no_load_A' => 0.2, 'stall_Nm' => 2, 'stall_A' => 2.2, 'supply_V' => 10,
        'load_Nm' => 1]);

    expect($point)->toMatchCase([
        'speed_rpm' => 50.0, 'current_A' => 1.2, 'output_W' => 50 * M_PI / 30, 'input_W' => 12.0, 'efficiency' => 50 * M_PI / 30 / 12,
        'stall_Nm' => 2.0, 'margin' => 2.0, 'best_efficiency_Nm' => 2 * (sqrt(0.1 * 1.1) - 0.1), 'stalled' => false,
    ], 1e-9);
});

it('loses its no-load current first when the voltage falls', function () {
    // u = 0.5: s = (1.1 − 0.2)/2 = 0.45.
    $point = worked('drive.dc_point', ['rated_V' => 10, 'no_load_rpm' => 100, 'no_load_A' => 0.2, 'stall_Nm' => 2, 'stall_A' => 2.2, 'supply_V' => 5,
        'load_Nm' => 0]);

    expect($point['stall_Nm'])->toBeAbout(0.9)->and($point['speed_rpm'])->toBeAbout(45.0)->and($point['current_A'])->toBeAbout(0.2)
        ->and($point['margin'])->toBeNull();
});

it('gears a worm and a pair of spurs', function () {
    $train = worked('train.ratio', ['stages' => [['type' => 'spur', 'driver' => 10, 'driven' => 30, 'module_mm' => 2, 'backlash_mm' => 0.3],
        ['type' => 'worm', 'driver' => 2, 'driven' => 40]], 'input_rpm' => 600, 'input_Nm' => 0.1]);

    expect($train['ratio'])->toBeAbout(60.0)->and($train['efficiency'])->toBeAbout(0.38)->and($train['direction'])->toBe(-1)
        ->and($train['centre_distances_mm'])->toBe([40.0, null])
        ->and($train['backlash_deg'])->toBeAbout(rad2deg(0.3 / 30) / 20)
        ->and($train['shafts'][2]['rpm'])->toBeAbout(10.0)->and($train['shafts'][2]['torque_Nm'])->toBeAbout(0.1 * 60 * 0.38);
});

it('does not move a worm that is only pushed', function () {
    $run = ['motor' => ['rated_V' => 12, 'no_load_rpm' => 60, 'no_load_A' => 0.1, 'stall_Nm' => 0.05, 'stall_A' => 1], 'supply_V' => 12, 'ratio' => 1,
        'efficiency' => 0.4, 'mechanism' => ['kind' => 'arm', 'mass_kg' => 1, 'cg_m' => 0.2], 'from' => 10, 'to' => 60];

    expect(worked('motion.run', $run))->toMatchArray(['reached' => false, 'why' => 'stuck', 'time_s' => null])
        ->and(worked('motion.run', ['efficiency' => 0.9] + $run)['why'])->toBe('ran_back')
        ->and(worked('motion.run', ['efficiency' => 0.9, 'back_efficiency' => 0] + $run)['why'])->toBe('stuck');
});

it('lets a worm down at the speed of its motor and no faster', function () {
    // Self-locking: the load that would push along counts as nothing, so the motor turns freely.
    $run = worked('motion.run', ['motor' => ['rated_V' => 12, 'no_load_rpm' => 60, 'no_load_A' => 0.1, 'stall_Nm' => 1, 'stall_A' => 2], 'supply_V' => 12,
        'ratio' => 1, 'efficiency' => 0.4, 'mechanism' => ['kind' => 'hoist', 'mass_kg' => 1, 'drum_radius_m' => 0.01], 'from' => 1, 'to' => 0]);

    expect($run['reached'])->toBeTrue()->and($run['end_speed'])->toBeAbout(-0.01 * 2 * M_PI)->and($run['time_s'])->toBeAbout(1 / (0.01 * 2 * M_PI), 2e-3);
});

it('gives up a motion with too little voltage to turn', function () {
    $run = worked('motion.run', ['motor' => ['rated_V' => 12, 'no_load_rpm' => 60, 'no_load_A' => 0.5, 'stall_Nm' => 1, 'stall_A' => 2], 'supply_V' => 1,
        'ratio' => 1, 'mechanism' => ['kind' => 'arm', 'mass_kg' => 0.1, 'cg_m' => 0.1, 'friction_Nm' => 0.2], 'from' => 0, 'to' => 90]);

    expect($run)->toMatchArray(['reached' => false, 'why' => 'stuck'])->and($run['peak_current_A'])->toBeAbout(2 / 12);
});
