<?php

declare(strict_types=1);

use Brookstone\Core\Assessment\Routine\RoutineRehearsal;
use Brookstone\Core\Assessment\Wiring\PinRules;
use Brookstone\Core\Finding\Severity;
use Brookstone\Core\Finding\Verdict;
use Tests\Support\Builds;
use Tests\Support\Said;

/** Codes that no judge gives, only a calculator: planted in the tests of calculators. */
const CALCULATORS_ALONE = ['claims.disagree', 'drive.stepper_slips', 'linkage.binds', 'linkage.no_pair', 'winding.cord_weak', 'winding.fleet',
    'winding.order_unsure', 'rolling.head_slides', 'rolling.wheel_slips', 'sense.chatters', 'sense.drifts', 'sense.few_readings', 'sense.ghosts', 'sense.missed',
    'sense.stick_jitters', 'sense.press_confused', 'sense.double_confused', 'sense.knock_window', 'sense.knock_threshold', 'sense.light_overlaps',
    'sense.light_blinks', 'sense.light_misread', 'sense.light_passing', 'stop.close', 'stop.hits', 'timer.first_edge', 'train.contact_ratio',
    'train.no_backlash', 'sense.filter_weak', 'sense.filter_strong', 'power.wire_drops', 'power.regulator_hot', 'power.fuse_none',
    'power.fuse_over_wire', 'power.resistor_hot', 'power.coil_hot', 'power.coil_pulse', 'power.charge_short', 'power.charge_fast', 'air.cylinder_weak', 'air.tank_small', 'air.compressor_small', 'air.starts_late', 'rolling.bump_fells',
    'rolling.too_slow', 'rolling.ground_hard', 'motion.no_drag', 'motion.throws_hard', 'proof.endures', 'proof.too_few_runs', 'train.tooth_breaks', 'train.tooth_tight', 'train.worm_locks'];

/** Spur gears on a lid, laid out on plain ground. */
function laidOut(array $shafts, array $stages = [['type' => 'spur', 'driver' => 20, 'driven' => 30, 'backlash_mm' => 0.05, 'material' => 'brass']],
    array $more = []): array
{
    return [
        'motions.0.train' => $stages,
        'motions.0.layout' => ['grid_mm' => null, 'shafts' => array_map(fn (array $at): array => ['x_mm' => $at[0], 'y_mm' => $at[1]], $shafts),
            'planes' => array_fill(0, count($stages), 0), ...$more],
    ];
}

/**
 * The lift driven up for a time, whatever its switches say.
 *
 * @return array<string, mixed>
 */
function runUpFor(float $seconds): array
{
    return ['routines.1.steps.1' => ['do' => 'run', 'motion' => 'lift', 'direction' => 'up', 'for_s' => $seconds]];
}

/**
 * The lift as a feeder of small items that a slow sensor counts.
 *
 * @return array<string, mixed>
 */
function fed(): array
{
    return [
        'motions.2.mechanism' => ['kind' => 'feeder', 'drum_radius_m' => 0.02, 'item_pitch_m' => 0.004, 'item_kg' => 0.01], 'motions.2.task.keeps_turning' => true, 'motions.2.stops.hard_low' => null, 'motions.2.stops.hard_high' => null,
        'sensors.2' => ['id' => 'slot', 'name' => 'Slot', 'kind' => 'reflective', 'late_s' => 0.05],
        'routines.1.steps.1' => ['do' => 'run', 'motion' => 'lift', 'direction' => 'up', 'until' => ['sensor' => 'slot'], 'give_up_s' => 6],
    ];
}

/**
 * A lamp that comes on at dusk and goes out by day; its own light falls on the sensor.
 *
 * @return array<string, mixed>
 */
function lit(float $adds, float $day = 60.0, float $hysteresis = 5.0): array
{
    return [
        'sensors.2' => ['id' => 'dusk', 'name' => 'Dusk', 'kind' => 'light', 'rest' => 80, 'lamp' => 'lamp', 'lamp_adds' => $adds],
        'routines.2' => ['id' => 'evening', 'name' => 'Evening',
            'starts' => [['when' => 'level', 'sensor' => 'dusk', 'is' => 'below', 'value' => 40, 'hysteresis' => $hysteresis]],
            'steps' => [['do' => 'signal', 'output' => 'lamp', 'state' => 'on']]],
        'routines.3' => ['id' => 'morning', 'name' => 'Morning',
            'starts' => [['when' => 'level', 'sensor' => 'dusk', 'is' => 'above', 'value' => $day, 'hysteresis' => $hysteresis]],
            'steps' => [['do' => 'signal', 'output' => 'lamp', 'state' => 'off']]],
    ];
}

/**
 * Twelve routines that wait for one another's turns: more states than are looked at.
 *
 * @return array<string, mixed>
 */
function crowd(): array
{
    $planted = [];
    for ($i = 2; $i < 14; $i++) {
        $planted["routines.{$i}"] = ['id' => "r{$i}", 'name' => "Routine {$i}", 'starts' => [['when' => 'press', 'sensor' => 'button']],
            'steps' => [['do' => 'wait', 'for_s' => 1], ['do' => 'wait', 'for_s' => 1]]];
    }

    return $planted;
}

/**
 * The lid pushed by a rod over a plate on which a nut stands in the rod's way.
 *
 * @param  array<string, mixed>  $pivot
 * @return array<string, mixed>
 */
function pushedBy(array $pivot): array
{
    return [
        'motions.0.mechanism' => ['kind' => 'pushed', 'arm_m' => 0.012, 'horn_m' => 0.02, 'pivot_distance_m' => 0.05, 'mass_kg' => 0.05, 'cg_m' => 0.03,
            'half_travel_deg' => 75.0],
        ...laidOut([[20, 20], [45, 20]], more: ['linkage' => ['plane' => 1, 'bar_mm' => 6, ...$pivot],
            'obstacles' => [['name' => 'the nut of the bearing', 'x_mm' => 70, 'y_mm' => 36, 'radius_mm' => 4, 'plane' => 1]]]),
    ];
}

/**
 * The lift as a turntable that a stepper turns on and on.
 *
 * @param  array<string, mixed>  $drive
 * @return array<string, mixed>
 */
function turning(float $turn_s, array $drive = [], float $inertia_kgm2 = 0.0004): array
{
    return [
        'routines' => [], 'motions.2' => [
            'id' => 'lift', 'name' => 'Dial', 'mechanism' => ['kind' => 'turntable', 'inertia_kgm2' => $inertia_kgm2, 'friction_Nm' => 0.01],
            'places' => [['id' => 'low', 'name' => 'Low', 'at' => 0], ['id' => 'high', 'name' => 'High', 'at' => 360]],
            'task' => ['from' => 'low', 'to' => 'high', 'move_s' => $turn_s, 'keeps_turning' => true, 'profile' => 'steady'],
            'drive' => ['motor' => ['microsteps' => 1] + Builds::motor('P42-40'), 'supply' => 'main', ...$drive],
        ],
    ];
}

const BELT = ['type' => 'belt', 'driver' => 20, 'driven' => 40, 'joint_mm' => 12.0];

/** Findings that can be planted in the sound build: code => [what is changed, severity, whether a fix must mend it]. */
dataset('planted', fn () => withCodes([
    'task.mass_guessed' => [['motions.0.task.mass_guessed' => true], Severity::Note, true],
    'task.over_people' => [['motions.0.task.over_people' => true], Severity::Note, false],
    'load.worst_angle' => [['motions.0.places.0.at' => -40.0, 'motions.0.stops.hard_low' => -45.0, 'motions.0.stops.switches.0.at' => -40.0],
        Severity::Note, false],
    'load.overbalanced' => [['motions.0.mechanism.counterbalance_Nm' => 0.5], Severity::Tight, true],
    'load.mostly_inertia' => [['motions.1.task.move_s' => 0.02], Severity::Note, false],
    'load.will_not_lower' => [['motions.2.mechanism.friction_N' => 7.0], Severity::Fails, false],
    'load.stays_both_ends' => [['motions.0.task.holds_unpowered' => false, 'motions.0.places.0.at' => 60.0, 'motions.0.places.1.at' => 120.0,
        'motions.0.stops' => ['hard_low' => 50, 'hard_high' => 130,
            'switches' => [['id' => 'lid-shut', 'name' => 'Shut', 'place' => 'shut', 'at' => 60, 'end' => 'low'],
                ['id' => 'lid-open', 'name' => 'Open', 'place' => 'open', 'at' => 120, 'end' => 'high']]]], Severity::Tight, false],
    'load.frictionless' => [['motions.0.mechanism.friction_Nm' => 0], Severity::Note, false],
    'load.unit_slip' => [['motions.0.mechanism.mass_kg' => 0.0001], Severity::Tight, false],
    'load.cord_climbs' => [['motions.2.mechanism.cord_m' => 0.002, 'motions.2.mechanism.drum_width_m' => 0.004, 'motions.2.mechanism.lift_m' => 0.4],
        Severity::Tight, true],
    'load.wheels_slip' => [['motions.2.mechanism' => ['kind' => 'wheels', 'mass_kg' => 1.2, 'wheel_radius_m' => 0.02, 'rolling_coefficient' => 0.03,
        'friction_coefficient' => 0.3], 'motions.2.drive.motor' => Builds::motor('G16-30'), 'motions.2.drive.supply' => 'servos'], Severity::Tight, true],
    'load.ball_stays' => [['motions.2.mechanism' => ['kind' => 'ball', 'ball_radius_m' => 0.1, 'shell_mass_kg' => 0.3, 'pendulum_mass_kg' => 0.5,
        'pendulum_arm_m' => 0.02, 'grade_deg' => 8]], Severity::Fails, false],
    'load.ball_leans' => [['motions.2.mechanism' => ['kind' => 'ball', 'ball_radius_m' => 0.1, 'shell_mass_kg' => 0.3, 'pendulum_mass_kg' => 0.5,
        'pendulum_arm_m' => 0.02], 'motions.2.task.move_s' => 0.75, 'motions.2.drive' => null, 'routines' => [], 'motions.2.stops.switches' => []],
        Severity::Tight, true],
    'load.stores_energy' => [['motions.2.mechanism' => ['kind' => 'spring_lever', 'spring_N_per_m' => 50, 'stretch_m' => 0.1, 'lever_m' => 0.06,
        'moving_mass_kg' => 0.02]], Severity::Note, false],
    'drive.knock' => [['motions.2.task.knocked' => true], Severity::Fails, true],
    'drive.clutch_slips' => [['motions.2.drive.clutch_Nm' => 0.05], Severity::Fails, true],
    'drive.buzzes' => [['motions.1.drive.motor' => ['slop_deg' => 2.0] + Builds::motor('S20 nylon')], Severity::Tight, true],
    'drive.steps_show' => [turning(30.0), Severity::Note, true],
    'drive.hot_cycle' => [['motions.0.drive.motor' => ['thermal' => 'micro'] + Builds::motor('W40-100'), 'motions.0.task.per_day' => 20000,
        'settings.ambient_C' => 50], Severity::Fails, true],
    'drive.gate_lets_go' => [['motions.1.drive.gated' => true, 'motions.1.mechanism.mass_kg' => 0.12], Severity::Fails, true],
    'drive.gate_saves' => [['motions.1.mechanism.mass_kg' => 0.05], Severity::Note, true],
    'drive.drains_battery' => [['supplies.1.capacity_Ah' => 0.05, 'routines' => []], Severity::Tight, true],
    'drive.drains_together' => [['supplies.0.capacity_Ah' => 0.01, 'routines' => []], Severity::Tight, true],
    'routine.drains_battery' => [['supplies.1.capacity_Ah' => 0.05], Severity::Tight, true],
    'routine.together_sags' => [Builds::beside(3.0), Severity::Tight, true],
    'drive.creeps' => [['motions.2.drive.motor' => Builds::motor('C20 turning'), 'motions.2.drive.supply' => 'servos'], Severity::Note, false],
    'drive.one_way_ends' => [['motions.0.drive.one_way' => true], Severity::Fails, true],
    'drive.together_weak' => [['motions.2.drive.shares' => 'lid', 'motions.2.drive.shares_by' => 'rectifier', 'motions.0.mechanism.mass_kg' => 4.0],
        Severity::Fails, true],
    'drive.shared' => [['motions.2.drive.shares' => 'lid'], Severity::Note, false],
    'drive.motors_fight' => [['motions.0.drive.motors' => 2], Severity::Note, false],
    'drive.one_fails' => [['motions.0.drive.motors' => 2, 'motions.0.mechanism.mass_kg' => 4.0], Severity::Note, false],
    'drive.claims_disagree' => [['motions.2.drive.motor' => ['page' => 'Stall torque 28 kg·cm (200 oz·in)'] + Builds::motor('G25-227')], Severity::Tight, true],
    'routine.shared_drive' => [['motions.2.drive.shares' => 'lid', 'routines.1.alone' => false], Severity::Fails, true],
    'drive.peak_margin' => [['motions.0.drive.motor' => Builds::motor('W24-90'), 'motions.0.drive.supply' => 'servos'], Severity::Fails, true],
    'drive.gearbox_limit' => [['motions.0.drive.motor' => ['gearbox_limit_Nm' => 0.2] + Builds::motor('W40-400')], Severity::Fails, true],
    'drive.jam_breaks_gears' => [['motions.0.drive.motor' => ['gearbox_limit_Nm' => 3.0] + Builds::motor('W40-400')], Severity::Note, false],
    'drive.pinches' => [['motions.0.mechanism.cg_m' => 0.05], Severity::Note, false],
    'drive.servo_travel' => [['motions.1.places.1.at' => -130.0], Severity::Fails, true],
    'drive.step_start' => [turning(0.5), Severity::Fails, true],
    'drive.resonates' => [turning(5.6), Severity::Tight, true],
    'drive.continuous' => [['motions.0.drive.motor' => Builds::motor('W40-60')], Severity::Fails, true],
    'drive.holding' => [['motions.1.mechanism.mass_kg' => 0.3], Severity::Fails, true],
    'drive.hot_holding' => [['motions.1.mechanism.mass_kg' => 0.7], Severity::Fails, true],
    'drive.lets_go' => [['motions.0.drive.motor' => Builds::motor('G25-99')], Severity::Fails, true],
    'drive.over_target' => [['motions.2.task.move_s' => 2.0], Severity::Fails, true],
    'drive.much_faster' => [['motions.2.task.move_s' => 30.0], Severity::Note, false],
    'drive.supply_low' => [['motions.1.drive.supply' => 'servos', 'supplies.1.volts_V' => 4.0], Severity::Fails, false],
    'drive.supply_high' => [['motions.1.drive.supply' => 'main'], Severity::Fails, true],
    'drive.supply_current' => [['supplies.0.max_A' => 1.5], Severity::Fails, false],
    'train.ratio_would_do' => [['motions.0.drive.motor' => Builds::motor('W40-60'), 'motions.0.mechanism.mass_kg' => 0.9], Severity::Note, false],
    'train.slop' => [['motions.0.mechanism.counterbalance_Nm' => 0.353, 'motions.0.task.tolerance' => 0.2,
        'motions.0.train' => [['type' => 'spur', 'driver' => 20, 'driven' => 30, 'backlash_mm' => 0.2]]], Severity::Fails, true],
    'train.holds_barely' => [['motions.0.train' => [['type' => 'worm', 'driver' => 1, 'driven' => 2, 'friction' => 0.12]]], Severity::Tight, true],
    'train.belt_slips' => [['motions.0.train' => [['type' => 'round', 'driver' => 20, 'driven' => 20, 'tension_N' => 1]]], Severity::Fails, true],
    'train.belt_creeps' => [['motions.0.task.tolerance' => 3.0,
        'motions.0.train' => [['type' => 'round', 'driver' => 20, 'driven' => 20, 'tension_N' => 100]]], Severity::Note, false],
    'train.pawl_one_way' => [['motions.0.mechanism.friction_Nm' => 5.0, 'motions.0.train' => [['type' => 'pawl', 'driver' => 24, 'driven' => 24]]],
        Severity::Fails, true],
    'train.pawl_wrong' => [['motions.0.task.keeps_turning' => true,
        'motions.0.train' => [['type' => 'pawl', 'driver' => 24, 'driven' => 24, 'passes' => 'back']]], Severity::Fails, true],
    'train.slide_radius' => [['motions.2.mechanism' => ['kind' => 'slide', 'mass_kg' => 0.4, 'pulley_radius_m' => 0.01],
        'motions.2.train' => [['type' => 'rack', 'driver' => 16, 'driven' => 16]]], Severity::Fails, true],
    'train.shares_no_pawl' => [['motions.2.drive.shares' => 'lid', 'motions.2.drive.shares_by' => 'direction'], Severity::Tight, true],
    'train.in_turn' => [['motions.2.drive.shares' => 'lid', 'motions.2.drive.shares_by' => 'in_turn'], Severity::Note, false],
    'train.order_unsure' => [['motions.2.mechanism.mass_kg' => 3.0, 'motions.2.drive.shares' => 'lid', 'motions.2.drive.shares_by' => 'in_turn'],
        Severity::Tight, true],
    'train.overhung' => [laidOut([[20, 20], [45, 20], [70, 20]], [['type' => 'spur', 'driver' => 20, 'driven' => 30],
        ['type' => 'spur', 'driver' => 20, 'driven' => 30]], ['planes' => [0, 4]]), Severity::Note, true],
    'linkage.flat' => [['motions.0.mechanism' => ['kind' => 'pushed', 'arm_m' => 0.018, 'horn_m' => 0.02, 'pivot_distance_m' => 0.05, 'mass_kg' => 0.05,
        'cg_m' => 0.03, 'half_travel_deg' => 75.0]], Severity::Tight, false],
    'linkage.dead_point' => [['motions.0.mechanism' => ['kind' => 'crank_rocker', 'crank_m' => 0.012, 'coupler_m' => 0.055, 'rocker_m' => 0.03,
        'ground_m' => 0.06, 'mass_kg' => 0.06, 'cg_m' => 0.04], 'motions.0.places.1.at' => 300.0, 'motions.0.stops.hard_high' => 310.0,
        'motions.0.stops.switches.1.at' => 300.0], Severity::Note, false],
    'linkage.pivot_off' => [pushedBy(['x_mm' => 97, 'y_mm' => 20]), Severity::Fails, true],
    'linkage.clash' => [pushedBy(['x_mm' => 95, 'y_mm' => 20]), Severity::Fails, true],
    'load.cord_weak' => [['motions.2.mechanism.breaking_N' => 50.0], Severity::Tight, true],
    'load.cord_snaps' => [['motions.2.mechanism.breaking_N' => 200.0], Severity::Tight, true],
    'load.fleet' => [['motions.2.mechanism.drum_width_m' => 0.02, 'motions.2.mechanism.lead_m' => 0.2], Severity::Tight, true],
    'train.undercut' => [['motions.0.train' => [['type' => 'spur', 'driver' => 10, 'driven' => 20]]], Severity::Note, false],
    'train.locks_itself' => [['motions.2.train' => [['type' => 'worm', 'driver' => 1, 'driven' => 2]]], Severity::Note, false],
    'train.wasteful' => [['motions.2.train' => [['type' => 'worm', 'driver' => 1, 'driven' => 2]]], Severity::Note, false],
    'train.binds' => [laidOut([[20, 20], [44.6, 20]]), Severity::Fails, true],
    'train.loose' => [laidOut([[20, 20], [45.4, 20]]), Severity::Tight, true],
    'train.clash' => [laidOut([[20, 20], [45, 20]], more: ['obstacles' => [['name' => 'the nut of the lid', 'x_mm' => 45, 'y_mm' => 38, 'radius_mm' => 3]]]),
        Severity::Fails, true],
    'train.outside' => [laidOut([[20, 20], [45, 20]], more: ['width_mm' => 55, 'height_mm' => 60]), Severity::Fails, true],
    'train.layout_stale' => [['motions.0.layout' => ['shafts' => [['x_mm' => 0, 'y_mm' => 0], ['x_mm' => 25, 'y_mm' => 0]], 'planes' => [0]],
        'motions.0.train' => [['type' => 'spur', 'driver' => 20, 'driven' => 20], ['type' => 'spur', 'driver' => 20, 'driven' => 30]]], Severity::Note, false],
    'train.wrong_way' => [['motions.0.task.turn' => 'same', ...laidOut([[20, 20], [45, 20]])], Severity::Fails, true],
    'train.tooth_running' => [['motions.0.train' => [['type' => 'spur', 'driver' => 20, 'driven' => 30, 'module_mm' => 0.5, 'material' => 'printed_pla']]],
        Severity::Fails, true],
    'train.tooth_knock' => [['motions.2.task.knocked' => true, 'motions.2.train' => [['type' => 'spur', 'driver' => 20, 'driven' => 30, 'face_mm' => 20]]],
        Severity::Fails, true],
    'train.tooth_stall' => [['motions.2.train' => [['type' => 'spur', 'driver' => 20, 'driven' => 30, 'face_mm' => 20]]], Severity::Note, true],
    'train.joint_unknown' => [['motions.0.train' => [BELT]], Severity::Note, false],
    'train.joint_on_pulley' => [laidOut([[20, 20], [120, 20]], [BELT]), Severity::Fails, true],
    'train.belt_jumps' => [laidOut([[20, 20], [65, 20]], [['type' => 'belt', 'driver' => 10, 'driven' => 20, 'module_mm' => 1.5]]), Severity::Tight, false],
    'train.wears_unevenly' => [['motions.0.train' => [['type' => 'spur', 'driver' => 20, 'driven' => 30]], 'motions.0.task.per_day' => 5000],
        Severity::Note, false],
    'stops.none' => [['routines' => [], 'motions.2.stops.switches' => []], Severity::Fails, true],
    'stops.place_outside' => [['motions.0.stops.hard_high' => 60.0], Severity::Fails, false],
    'stops.by_time' => [['motions.2.stops.switches' => [['id' => 'lift-high', 'name' => 'High', 'place' => 'high', 'at' => 0.1, 'end' => 'high']],
        'routines' => []], Severity::Note, false],
    'stops.switch_off_place' => [['motions.0.stops.switches.1.at' => 62.0], Severity::Tight, true],
    'stops.wrong_end' => [['motions.0.stops.switches.0.end' => 'high'], Severity::Fails, true],
    'stops.switch_bounces' => [['motions.0.stops.switches.0.bounce_s' => 0.02], Severity::Fails, true],
    'stops.switch_past_stop' => [['motions.0.stops.switches.1.at' => 76.0], Severity::Fails, true],
    'stops.encoder_coarse' => [['motions.2.stops.encoder_pulses' => 6, 'motions.2.task.tolerance' => 0.004], Severity::Fails, true],
    'stops.run_on' => [['motions.0.stops.hard_low' => -0.5], Severity::Fails, true],
    'stops.creeps_on' => [['motions.2.drive.motor' => ['back_drive_Nm' => 0.0] + Builds::motor('G25-20')], Severity::Fails, false],
    'routine.never_starts' => [['routines.1.starts' => []], Severity::Tight, true],
    'routine.moves_before_home' => [['routines.0.steps' => []], Severity::Fails, true],
    'routine.home_needless' => [['motions.0.drive' => ['motor' => Builds::motor('S25 digital'), 'supply' => 'servos', 'duty' => 1.0]], Severity::Note, false],
    'routine.no_give_up' => [['routines.1.steps.0.give_up_s' => null], Severity::Fails, true],
    'routine.give_up_short' => [['routines.1.steps.0.give_up_s' => 0.5], Severity::Fails, true],
    'routine.give_up_long' => [['routines.1.steps.0.give_up_s' => 60.0], Severity::Note, true],
    'routine.give_up_hot' => [['routines.1.steps.0.give_up_s' => 300.0], Severity::Tight, true],
    'routine.left_powered' => [['routines.1.steps.2' => ['do' => 'wait', 'for_s' => 1.0], 'routines.1.steps.6' => ['do' => 'wait', 'for_s' => 1.0]],
        Severity::Fails, true],
    'routine.until_unreachable' => [['routines.1.steps.1.direction' => 'down'], Severity::Fails, true],
    'routine.place_lost' => [['motions.2.stops.switches.1' => ['id' => 'lift-high', 'name' => 'Lift high switch', 'place' => 'low', 'at' => 0.1,
        'end' => 'high'], 'routines.1.steps' => [['do' => 'run', 'motion' => 'lift', 'direction' => 'up', 'for_s' => 0.3],
            ['do' => 'stop', 'motion' => 'lift'], ['do' => 'go', 'motion' => 'lift', 'place' => 'high', 'give_up_s' => 6]]], Severity::Tight, true],
    'routine.same_motion' => [['routines.1.alone' => false], Severity::Fails, true],
    'routine.no_power' => [['routines.1.steps.2' => ['do' => 'power', 'motion' => 'jaw', 'state' => 'off']], Severity::Fails, true],
    'routine.not_changed_over' => [['motions.2.drive.shares' => 'lid', 'routines.0.steps' => [['do' => 'change_over', 'motion' => 'lid'],
        ['do' => 'home', 'motion' => 'lid', 'switch' => 'lid-shut', 'give_up_s' => 5], ['do' => 'home', 'motion' => 'lift', 'switch' => 'lift-low',
            'give_up_s' => 9]], 'routines.1.steps' => [['do' => 'wait', 'for_s' => 1]]], Severity::Fails, true],
    'routine.nothing_to_change' => [['routines.1.steps.4' => ['do' => 'change_over', 'motion' => 'lid']], Severity::Tight, true],
    'routine.by_past_stop' => [['routines.1.steps.1' => ['do' => 'go', 'motion' => 'lift', 'place' => 'high', 'give_up_s' => 6],
        'routines.1.steps.2' => ['do' => 'go_by', 'motion' => 'lift', 'by' => 0.05, 'give_up_s' => 4]], Severity::Fails, true],
    'routine.rule_broken' => [['rules' => [['id' => 'lift-shut', 'name' => 'No lift under a shut lid', 'never' => ['test' => 'moving', 'motion' => 'lift'],
        'while' => ['test' => 'not', 'that' => ['test' => 'place', 'motion' => 'lid', 'place' => 'open']]]],
        'routines.0.steps' => [['do' => 'home', 'motion' => 'lid', 'switch' => 'lid-shut', 'give_up_s' => 5],
            ['do' => 'home', 'motion' => 'lift', 'switch' => 'lift-low', 'give_up_s' => 9]]], Severity::Fails, true],
    'routine.unreached' => [['routines.1.steps.8' => ['do' => 'repeat', 'times' => null, 'steps' => [['do' => 'wait', 'for_s' => 1]]],
        'routines.1.steps.9' => ['do' => 'signal', 'output' => 'lamp']], Severity::Tight, true],
    'routine.calls_itself' => [['routines.1.steps.9' => ['do' => 'call', 'routine' => 'show']], Severity::Fails, true],
    'routine.search_bound' => [crowd(), Severity::Note, false],
    'routine.past_stop' => [['sensors.2' => ['id' => 'mark', 'name' => 'Mark', 'kind' => 'magnet', 'motion' => 'lift', 'at' => 0.15, 'reach' => 0.002],
        'routines.1.steps.1.until' => ['sensor' => 'mark']], Severity::Fails, true],
    'routine.reversed' => [['routines.1.steps.2' => ['do' => 'run', 'motion' => 'lift', 'direction' => 'down', 'until' => ['sensor' => 'lift-low'],
        'give_up_s' => 6]], Severity::Fails, true],
    'routine.starts_together' => [['supplies.0.max_A' => 2.0, 'routines.1.steps.0' => ['do' => 'together',
        'branches' => [[['do' => 'go', 'motion' => 'lid', 'place' => 'open', 'give_up_s' => 4]],
            [['do' => 'go', 'motion' => 'lift', 'place' => 'high', 'give_up_s' => 6]]]]], Severity::Fails, true],
    'routine.into_stop' => [['motions.2.stops.hard_high' => 0.1003], Severity::Fails, true],
    'routine.falls' => [['motions.2.drive.motor' => ['back_drive_Nm' => 0.001] + Builds::motor('G25-227'),
        'routines.1.steps.9' => ['do' => 'stop', 'motion' => 'lift', 'how' => 'coast']], Severity::Fails, true],
    'routine.holds_hot' => [['motions.1.mechanism.mass_kg' => 0.2, 'routines.1.steps.9' => ['do' => 'stop', 'motion' => 'jaw', 'how' => 'hold']],
        Severity::Tight, false],
    'routine.trigger_dead' => [['counters' => [['id' => 'visitors', 'name' => 'Visitors']],
        'routines.1.starts' => [['when' => 'count', 'counter' => 'visitors', 'value' => 5]]], Severity::Fails, false],
    'routine.turned_back' => [[...turning(2.0, ['one_way' => true]),
        'routines' => [['id' => 'back', 'name' => 'Back', 'starts' => [['when' => 'power_on']],
            'steps' => [['do' => 'run', 'motion' => 'lift', 'direction' => 'down', 'for_s' => 1], ['do' => 'stop', 'motion' => 'lift']]]]], Severity::Fails, true],
    'routine.counter_grows' => [['counters' => [['id' => 'visitors', 'name' => 'Visitors']],
        'routines.1.starts' => [['when' => 'count', 'counter' => 'visitors', 'value' => 5]], 'routines.2' => ['id' => 'tally', 'name' => 'Tally',
            'starts' => [['when' => 'press', 'sensor' => 'button']], 'steps' => [['do' => 'set', 'counter' => 'visitors', 'add' => 1]]]], Severity::Tight, true],
    'routine.too_often' => [['routines.1.starts' => [['when' => 'every', 'every_s' => 5]],
        'routines.1.if_fails' => [['do' => 'signal', 'output' => 'lamp']]], Severity::Fails, true],
    'routine.starts_collide' => [['routines.1.starts' => [['when' => 'time_of_day', 'at' => '10:00']], 'routines.2' => ['id' => 'peep', 'name' => 'Peep',
        'alone' => true, 'starts' => [['when' => 'time_of_day', 'at' => '10:00']],
        'steps' => [['do' => 'go', 'motion' => 'lid', 'place' => 'open', 'give_up_s' => 4]]]], Severity::Fails, true],
    'routine.level_misses' => [['sensors.2' => ['id' => 'cup', 'name' => 'Cup', 'kind' => 'distance', 'upper' => 70, 'absent' => [40, 44, 47, 42],
        'present' => [88, 91, 93, 90]], 'routines.1.starts' => [['when' => 'level', 'sensor' => 'cup', 'is' => 'above', 'value' => 43, 'hysteresis' => 4]]],
        Severity::Fails, true],
    'routine.no_hysteresis' => [['sensors.2' => ['id' => 'dusk', 'name' => 'Dusk', 'kind' => 'light', 'rest' => 80],
        'routines.1.starts' => [['when' => 'level', 'sensor' => 'dusk', 'is' => 'below', 'value' => 40]]], Severity::Tight, true],
    'routine.press_unclear' => [['routines.2' => ['id' => 'twice', 'name' => 'Twice',
        'starts' => [['when' => 'press', 'sensor' => 'button', 'how' => 'double']], 'steps' => [['do' => 'signal', 'output' => 'lamp']]]],
        Severity::Fails, true],
    'routine.drifts' => [['motions.2.stops.switches' => [['id' => 'lift-low', 'name' => 'Lift low switch', 'place' => 'low', 'at' => 0.0, 'end' => 'low']],
        'motions.2.task.tolerance' => 0.001, 'routines.1.steps.1' => ['do' => 'go', 'motion' => 'lift', 'place' => 'high', 'give_up_s' => 6],
        'routines.1.steps.2' => ['do' => 'wait', 'for_s' => 1]], Severity::Fails, true],
    'routine.chatters' => [['sensors.0.bounce_s' => 0.02], Severity::Fails, true],
    'routine.runs_past' => [['sensors.2' => ['id' => 'mark', 'name' => 'Mark', 'kind' => 'magnet', 'motion' => 'lift', 'at' => 0.05, 'reach' => 0.0001,
        'late_s' => 0.02], 'routines.1.steps.1.until' => ['sensor' => 'mark']], Severity::Fails, true],
    'routine.two_at_once' => [fed(), Severity::Fails, true],
    'routine.sees_own_lamp' => [lit(30.0), Severity::Fails, true],
    'routine.lamp_unasked' => [[...lit(30.0), 'sensors.2.lamp' => null], Severity::Note, false],
    'routine.shuts_unlooked' => [['motions.0.task.shuts_at' => 'shut', 'sensors.2' => ['id' => 'doorway', 'name' => 'Doorway', 'kind' => 'beam']],
        Severity::Tight, true],
    'routine.threshold_guessed' => [['sensors.2' => ['id' => 'cup', 'name' => 'Cup', 'kind' => 'distance', 'upper' => 50],
        'routines.1.steps.9' => ['do' => 'wait', 'until' => ['sensor' => 'cup'], 'give_up_s' => 3]], Severity::Note, false],
    'routine.sees_ghosts' => [['sensors.2' => ['id' => 'cup', 'name' => 'Cup', 'kind' => 'distance', 'upper' => 50, 'absent' => [40, 44, 51, 53, 47],
        'present' => [88, 91, 90, 85, 92]], 'routines.1.steps.9' => ['do' => 'wait', 'until' => ['sensor' => 'cup'], 'give_up_s' => 3]], Severity::Fails, true],
    'routine.few_readings' => [['sensors.2' => ['id' => 'cup', 'name' => 'Cup', 'kind' => 'distance', 'upper' => 70, 'absent' => [40, 44, 47],
        'present' => [88, 91, 93]], 'routines.1.steps.9' => ['do' => 'wait', 'until' => ['sensor' => 'cup'], 'give_up_s' => 3]], Severity::Note, false],
    'routine.unnoticed' => [['routines.1.starts' => [['when' => 'every', 'every_s' => 600]]], Severity::Tight, true],
    'routine.timer_cannot' => [['settings.timer_Hz' => 32768, 'settings.timer_stages' => 15, 'routines.1.starts' => [['when' => 'every', 'every_s' => 600]]],
        Severity::Fails, true],
    'routine.never_there' => [['motions.0.mechanism.mass_kg' => 6.0], Severity::Fails, false],
    'routine.hits' => [runUpFor(8.0), Severity::Fails, false],
    'routine.stalls' => [runUpFor(8.0), Severity::Fails, false],
    'routine.snaps' => [['motions.2.mechanism.breaking_N' => 120.0] + runUpFor(8.0), Severity::Fails, false],
    'routine.sags' => [['supplies.0.max_A' => 3.0, 'routines.0.steps' => [['do' => 'home', 'motion' => 'lid', 'switch' => 'lid-open', 'speed' => 1,
        'give_up_s' => 5]], 'routines.2' => ['id' => 'besides', 'name' => 'Besides', 'starts' => [['when' => 'power_on']],
            'steps' => [['do' => 'home', 'motion' => 'lift', 'switch' => 'lift-high', 'speed' => 1, 'give_up_s' => 9]]]], Severity::Fails, false],
    'routine.gives_up' => [['routines.1.steps.9' => ['do' => 'wait', 'until' => ['sensor' => 'lid-open'], 'give_up_s' => 3]], Severity::Fails, false],
    'routine.ends_elsewhere' => [['motions.2.stops.hard_low' => null, 'motions.2.stops.hard_high' => null, 'motions.2.drive.supply' => 'servos',
        'motions.2.drive.motor' => Builds::motor('G16-30'), 'motions.2.mechanism' => ['kind' => 'wheels', 'mass_kg' => 1.2, 'wheel_radius_m' => 0.02,
            'rolling_coefficient' => 0.03, 'friction_coefficient' => 0.9]], Severity::Fails, false],
    'routine.left_on' => [['routines.1.steps.2' => ['do' => 'choose', 'if' => ['sensor' => 'beam'], 'then' => [['do' => 'stop', 'motion' => 'lift']]],
        'routines.1.steps.6' => ['do' => 'wait', 'for_s' => 0.1]], Severity::Tight, false],
    'routine.rehearsed_in_part' => [['routines.1.steps.9' => ['do' => 'wait', 'for_s' => 200], 'routines.1.target_s' => null], Severity::Note, false],
    'stops.turns_into_stop' => [['motions.2.task.keeps_turning' => true], Severity::Fails, true],
    'routine.over_target' => [['routines.1.target_s' => 5.0], Severity::Fails, false],
    'proof.differs' => [['log.0.measured_s' => 1.3], Severity::Tight, false],
    'proof.draws' => [['log.0.stalled_A' => 0.2], Severity::Tight, false],
    'proof.failed' => [['log.3' => ['id' => 'd', 'motion' => 'lid', 'from' => 'shut', 'to' => 'open', 'failed' => 'The cord slipped', 'on' => '2026-06-01']], Severity::Tight, false],
    'proof.far_off' => [['log' => array_map(fn (int $i): array => ['id' => "r{$i}", 'motion' => 'lid', 'from' => 'shut', 'to' => 'open', 'measured_s' => [0.98, 0.99, 0.97, 0.98, 1.4][$i], 'on' => '2026-06-01'], range(0, 4))],
        Severity::Note, false],
    'proof.goes_by' => [['motions.0.measured' => ['mechanism' => ['mass_kg' => 0.31], 'on' => '2026-06-01']], Severity::Note, false],
    'proof.test' => [['making.tests' => [['id' => 'hand.lid', 'on' => '2026-06-01', 'good' => false]]], Severity::Tight, false],
    'proof.endurance' => [['endurance' => [['id' => 'a', 'motion' => 'lid', 'target' => 100, 'marks' => [['id' => 'm', 'on' => '2026-06-01', 'at' => 40, 'failed' => true]]]]],
        Severity::Tight, false],
    'proof.warmer' => [['log.0.temperature_C' => 60.0, 'log.0.after_s' => 600.0], Severity::Tight, false],
    'proof.hot' => [['log.0.temperature_C' => 95.0], Severity::Tight, false],
    'proof.over_target' => [['log.0.measured_s' => 4.0], Severity::Fails, false],
]));

/**
 * @param  array<string, array<mixed>>  $planted
 * @return array<string, array<mixed>> the code first
 */
function withCodes(array $planted): array
{
    return array_combine(array_keys($planted), array_map(fn (string $code, array $rest): array => [$code, ...$rest], array_keys($planted), $planted));
}

it('raises nothing worse than a note over a sound build', function () {
    $assessment = Builds::assessed(Builds::planted(Builds::wired()));

    expect($assessment->verdict)->toBe(Verdict::Holds)
        ->and($assessment->says->text())->toStartWith('Every link holds. The least margin is Lid')
        ->and($assessment->mend)->toBeNull();
});

it('names of all that holds the motion with the least margin', function (array $lighter, string $least) {
    $build = Builds::planted(Builds::wired() + $lighter);
    $margins = array_map(fn (string $id): float => (float) Builds::assessed($build)->chain($id)->margin, ['Lid' => 'lid', 'Jaw' => 'jaw', 'Lift' => 'lift']);

    expect(array_search(min($margins), $margins, true))->toBe($least)
        ->and(Builds::assessed($build)->says->text())->toStartWith("Every link holds. The least margin is {$least}, with ")
        ->and(Builds::assessed($build)->says->values['margin']->si)->toBe(min($margins));
})->with([[[], 'Lid'], [['motions.0.mechanism.mass_kg' => 0.01, 'log.0.measured_s' => 0.872], 'Jaw']]);

it('finds what is planted', function (string $code, array $values, Severity $severity, bool $mends) {
    $build = Builds::planted($values);
    $findings = Builds::found($build, $code);

    expect($findings)->not->toBeEmpty("{$code} was not found; found: ".($findings === [] ? implode(', ', Builds::assessed($build)->codes()) : ''))
        ->and(count($findings))->toBeGreaterThan(count(Builds::found(Builds::sound(), $code)), "{$code} was there before it was planted")
        ->and($findings[0]->severity)->toBe($severity)
        ->and(Said::by($findings[0]))->toBe(Said::of($code));
    if (! $mends) {
        return;
    }
    expect($findings[0]->fixes)->not->toBeEmpty("{$code} offers no fix");
    foreach ($findings[0]->fixes as $fix) {
        $left = array_filter(Builds::stillSaid($build, $fix, $code), fn ($finding) => $finding->place === $findings[0]->place && $finding->severity->rank() >= $severity->rank());
        expect($left)->toBeEmpty("{$fix->does->text()} does not mend {$code}");
    }
})->with('planted');

it('has every code of the source in its planted builds and in the docs', function () {
    $source = '';
    foreach ([...glob(__DIR__.'/../../../core/src/Assessment/*/*.php') ?: [], ...glob(__DIR__.'/../../../core/src/Calculator/{,*/}*.php', GLOB_BRACE) ?: []] as $file) {
        $source .= file_get_contents($file);
    }
    preg_match_all("/(?:new (?:Finding|LimitViolation)\\((?:[^']*\\? )?|->find\\(.*?)'([a-z]+\\.[a-z_.]+)'(?: : '([a-z_.]+)')?/", $source, $found);
    $said = array_unique([...array_filter([...$found[1], ...$found[2]]), ...array_column(RoutineRehearsal::CODES, 0), ...array_values(PinRules::SHORT),
        ...array_values(PinRules::LACKS)]);
    sort($said);
    $codes = array_values(array_diff($said, CALCULATORS_ALONE));
    preg_match_all('/^\| `([a-z_.]+)`/m', (string) file_get_contents(__DIR__.'/../../../docs/findings.md'), $listed);
    preg_match_all("/^    '([a-z]+\\.[a-z_]+)' => \\[/m", (string) file_get_contents(__FILE__), $planted);
    preg_match_all("/^        '([a-z]+\\.[a-z_]+)' => \\[/m", file_get_contents(__DIR__.'/WiringFindingsTest.php').file_get_contents(__DIR__.'/StageFindingsTest.php').file_get_contents(__DIR__.'/ExampleFindingsTest.php'),
        $inRooms);

    expect(count($codes))->toBeGreaterThanOrEqual(20)
        ->and($listed[1])->toEqualCanonicalizing($said)
        ->and([...$planted[1], ...$inRooms[1]])->toEqualCanonicalizing($codes);
});

it('says that the drawbridge fails with its painted deck, and closes the chain with the fix', function () {
    $build = Builds::demo('heron-wharf');
    $before = Builds::assessed($build);
    assert($before->mend !== null);
    $after = Builds::assessed(Builds::mended($build, $before->mend));

    expect($before->verdict)->toBe(Verdict::Fails)
        ->and($before->first)->toBe('drawbridge')
        ->and($before->chain('drawbridge')->weakest->link)->toBe('drive')
        ->and($before->says->text())->toStartWith('Drawbridge: it needs')->toContain('stalls at')
        ->and($after->chain('drawbridge')->verdict)->toBe(Verdict::NotSaid) // only the measurement is missing
        ->and(array_map(fn ($link) => $link->verdict, array_slice($after->chain('drawbridge')->links, 0, 6)))->each->toBe(Verdict::Holds)
        ->and($after->first)->toBe('tide');
});

it('passes the bare drawbridge that fails when the deck is painted', function () {
    $build = Builds::demo('heron-wharf');
    $margin = fn (float $payload): float => (float) Builds::assessed(Brookstone\Core\Build\Editor::apply($build,
        [['path' => 'motions.1.mechanism.payload_kg', 'value' => $payload]]))->chain('drawbridge')->margin;

    expect($margin(0.0))->toBeGreaterThan(1.3)->and($margin(0.45))->toBeLessThan(1.0);
});

it('puts the worst chain first and says the same every time', function () {
    $build = Builds::demo('heron-wharf');
    $assessment = Builds::assessed($build);

    expect(array_map(fn ($chain) => $chain->verdict, $assessment->chains))->toBe([Verdict::Fails, Verdict::Tight, Verdict::NotSaid, Verdict::NotSaid,
        Verdict::NotSaid, Verdict::NotSaid])
        ->and(json_encode(Builds::assessed($build)))->toBe(json_encode($assessment));
});

it('says so when a gear is so tall that the move never ends', function () {
    $build = Builds::planted(['motions.2.train' => [['type' => 'spur', 'driver' => 10, 'driven' => 300]]]);

    expect(Builds::found($build, 'drive.over_target')[0]->says->text())->toContain('is not there after 20 s');
});

it('counts what holding takes where a quick move would brake', function () {
    // Against a spring the end of the move is the hardest place, and braking hides it from the peak of the wanted move.
    $build = Builds::planted(['motions.0.mechanism.spring_Nm_per_deg' => 0.02, 'motions.0.mechanism.cg_m' => 0.001, 'motions.0.mechanism.mass_kg' => 0.01,
        'motions.0.task.move_s' => 0.45]);
    $facts = new Brookstone\Core\Assessment\Subject\MotionFigures($build->motions['lid']);

    expect($facts->peak_Nm())->toBeGreaterThanOrEqual($facts->there()->static_peak_Nm + 0.02);
});

it('teaches where nothing is there yet', function () {
    $empty = Builds::assessed(Brookstone\Core\Build\Build::read(['format' => 'brookstone-build', 'version' => 1, 'name' => 'New']));
    $undriven = Builds::assessed(Builds::planted(['motions.0.drive' => null]));

    expect($empty->verdict)->toBe(Verdict::NotSaid)->and($empty->says->text())->toContain('Nothing moves yet')
        ->and($undriven->chain('lid')->weakest->about->text())->toBe('no drive chosen yet');
});
