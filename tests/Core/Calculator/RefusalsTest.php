<?php

declare(strict_types=1);

use Brookstone\Core\Calculator\Calculators;

const ARM = ['mass_kg' => 1, 'cg_m' => 0.1, 'from_deg' => 0, 'to_deg' => 90, 'move_s' => 1];
const HOIST = ['mass_kg' => 1, 'speed_m_s' => 0.1, 'accel_s' => 0.2, 'drum_radius_m' => 0.01];
const MOTOR = ['rated_V' => 12, 'no_load_rpm' => 100, 'no_load_A' => 0.1, 'stall_Nm' => 1, 'stall_A' => 2];
const RUN = ['motor' => MOTOR, 'supply_V' => 12, 'ratio' => 1, 'mechanism' => ['kind' => 'arm', 'mass_kg' => 0.1, 'cg_m' => 0.1], 'from' => 0, 'to' => 90];

it('refuses what cannot be, at the field', function (string $name, mixed $inputs, array $fields) {
    expect(refusedFields($name, $inputs))->toEqualCanonicalizing($fields);
})->with([
    'no object' => ['load.arm', 'novel', ['']],
    'a list' => ['load.arm', [1, 2], ['']],
    'nothing' => ['load.arm', [], ['mass_kg', 'cg_m', 'from_deg', 'to_deg', 'move_s']],
    'every wrong field at once' => ['load.arm', ['mass_kg' => -1, 'cg_m' => '0.1', 'move_s' => 0, 'colour' => 'red'] + ARM,
        ['colour', 'mass_kg', 'cg_m', 'move_s']],
    'a wrong field and two that do not fit' => ['load.arm', ['mass_kg' => -1, 'to_deg' => 0] + ARM, ['mass_kg', 'to_deg']],
    'negative friction' => ['load.arm', ['friction_Nm' => -0.1] + ARM, ['friction_Nm']],
    'angle out of range' => ['load.arm', ['to_deg' => 721] + ARM, ['to_deg']],
    'the same place' => ['load.arm', ['to_deg' => 0.0] + ARM, ['to_deg']],
    'a number that is none' => ['load.arm', ['mass_kg' => NAN] + ARM, ['mass_kg']],
    'endless' => ['load.arm', ['mass_kg' => INF] + ARM, ['mass_kg']],
    'no such profile' => ['load.arm', ['profile' => 'sine'] + ARM, ['profile']],
    'true for a number' => ['load.arm', ['mass_kg' => true] + ARM, ['mass_kg']],
    'null for a number' => ['load.arm', ['mass_kg' => null] + ARM, ['mass_kg']],
    'counterweight as heavy' => ['load.hoist', ['counterweight_kg' => 1] + HOIST, ['counterweight_kg']],
    'half a line' => ['load.hoist', ['lines' => 1.5] + HOIST, ['lines']],
    'stall current not over no-load' => ['drive.dc_point', ['stall_A' => 0.1, 'supply_V' => 12, 'load_Nm' => 0] + MOTOR, ['stall_A']],
    'duty over 1' => ['drive.dc_point', ['duty' => 1.01, 'supply_V' => 12, 'load_Nm' => 0] + MOTOR, ['duty']],
    'duty 0' => ['drive.dc_point', ['duty' => 0, 'supply_V' => 12, 'load_Nm' => 0] + MOTOR, ['duty']],
    'no ratings' => ['drive.servo_point', ['ratings' => [], 'supply_V' => 5, 'load_Nm' => 0, 'angle_deg' => 1], ['ratings']],
    'a voltage twice' => ['drive.servo_point', ['ratings' => array_fill(0, 2, ['volts_V' => 5, 'stall_Nm' => 1, 'speed_deg_s' => 300]), 'supply_V' => 5,
        'load_Nm' => 0, 'angle_deg' => 1], ['ratings.1.volts_V']],
    'no stages' => ['train.ratio', ['stages' => []], ['stages']],
    '500 stages' => ['train.ratio', ['stages' => array_fill(0, 500, ['type' => 'spur', 'driver' => 10, 'driven' => 20])], ['stages']],
    'no teeth' => ['train.ratio', ['stages' => [['type' => 'spur', 'driver' => 0, 'driven' => 20]]], ['stages.0.driver']],
    'efficiency 0' => ['train.ratio', ['stages' => [['type' => 'worm', 'driver' => 1, 'driven' => 20, 'efficiency' => 0]]], ['stages.0.efficiency']],
    'no such mesh' => ['train.ratio', ['stages' => [['type' => 'magic', 'driver' => 1, 'driven' => 2]]], ['stages.0.type']],
    'no such mechanism' => ['motion.run', ['mechanism' => ['kind' => 'rocket']] + RUN, ['mechanism.kind']],
    'no move in a run' => ['motion.run', ['to' => 0] + RUN, ['to']],
    'inside the motor' => ['motion.run', ['motor' => ['stall_A' => 0.05] + MOTOR] + RUN, ['motor.stall_A']],
    'arm too far round' => ['motion.run', ['to' => 800] + RUN, ['to']],
]);

it('fills in the defaults and keeps every result key', function () {
    $answer = Calculators::run(Calculators::all()['load.arm'], ARM + ['payload_kg' => 2, 'payload_m' => 0.5]);

    expect($answer['calculator'])->toBe('load.arm')
        ->and($answer['inputs'])->toMatchArray(['profile' => 'trapezoid', 'friction_Nm' => 0.0, 'spring_rest_deg' => 0.0])
        ->and($answer['inputs']['inertia_kgm2'])->toBeAbout(1 * 0.01 + 2 * 0.25)
        ->and($answer['findings'])->toBe([]);
});

it('gives null and never an endless number', function () {
    $noLoad = Calculators::run(Calculators::all()['drive.dc_point'], MOTOR + ['supply_V' => 12, 'load_Nm' => 0])['results'];
    $tooWeak = Calculators::run(Calculators::all()['drive.dc_point'], MOTOR + ['supply_V' => 0.5, 'load_Nm' => 0.1])['results'];
    $huge = Calculators::run(Calculators::all()['load.hoist'], ['mass_kg' => 1e12, 'speed_m_s' => 1e12] + HOIST)['results'];

    expect($noLoad['margin'])->toBeNull()
        ->and($noLoad['speed_rpm'])->toBeAbout(100.0)
        ->and($tooWeak)->toMatchArray(['stalled' => true, 'stall_Nm' => 0.0, 'margin' => 0.0, 'best_efficiency_Nm' => null, 'speed_rpm' => 0.0])
        ->and($huge['line_hold_N'])->toBeAbout(9.80665e12)
        ->and(json_encode($huge))->toBeString()
        ->and(refusedFields('load.hoist', ['mass_kg' => 1e308, 'speed_m_s' => 1e13] + HOIST))->toBe(['mass_kg', 'speed_m_s']);
});

it('reports a hoist that will not come down and a servo outside its rating', function () {
    $hoist = Calculators::run(Calculators::all()['load.hoist'], ['friction_N' => 20] + HOIST);
    $servo = Calculators::run(Calculators::all()['drive.servo_point'], ['ratings' => [['volts_V' => 6, 'stall_Nm' => 1, 'speed_deg_s' => 300]],
        'supply_V' => 7, 'load_Nm' => 0.5, 'angle_deg' => -60]);

    expect($hoist['findings'][0]->code)->toBe('load.will_not_lower')
        ->and($servo['findings'][0]->code)->toBe('drive.supply_high')
        ->and($servo['results']['move_s'])->toBeAbout(0.4);
});
