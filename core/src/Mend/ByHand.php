<?php

declare(strict_types=1);

namespace Brookstone\Core\Mend;

use Brookstone\Core\Finding\Finding;
use Brookstone\Core\Finding\Fix;
use Brookstone\Core\Finding\Sentence;

/** What a person would do about a finding where nothing that was tried mends it: what nobody but the builder can decide, or make. */
final class ByHand
{
    /** By code: all that can fail. */
    public const SAYS = [
        'load.cord_weak' => 'Take a stronger cord, or a knot that keeps more of its strength; or lift less.',
        'load.fleet' => 'Lead the cord from further away, or take a narrower drum.',
        'load.wheels_slip' => 'Start more gently, put weight over the driven wheels, or take softer tyres.',
        'load.ball_stays' => 'Hang more weight, or hang it lower; or ask for a gentler slope.',
        'load.will_not_lower' => 'Hang a little more on the cord, or take friction or counterweight away.',
        'drive.peak_margin' => 'Make the part lighter, balance it with a weight or a spring, or take a stronger drive into the drawer.',
        'drive.gearbox_limit' => 'Let another stage of gears after the motor carry the torque, or take a drive with stronger gears into the drawer.',
        'drive.knock' => 'Soften the end: a rubber stop, a slower last stretch, or a coupling that gives.',
        'drive.clutch_slips' => 'Set the clutch tighter, or make the load lighter.',
        'drive.hot_cycle' => 'Let it rest longer between two moves, or take a larger motor.',
        'drive.gate_lets_go' => 'Leave it powered, or give it a latch or a train that holds.',
        'drive.one_way_ends' => 'Drive it by a bridge, or by a crank that comes round.',
        'drive.together_weak' => 'Let what shares the motor move one after the other, or take a stronger motor.',
        'drive.servo_travel' => 'Move the part through a lever or a pair of gears that turns it further than the servo turns.',
        'drive.step_start' => 'Begin more slowly, over a longer ramp.',
        'drive.continuous' => 'Make the load lighter, gear it down, or let it rest longer.',
        'drive.holding' => 'Balance the load, or let a latch or a worm hold it.',
        'drive.hot_holding' => 'Balance the load, or let a latch or a worm hold it.',
        'drive.lets_go' => 'Give it a worm, a latch or a brake, or balance the load.',
        'drive.over_target' => 'Allow it more time, or make it lighter.',
        'drive.supply_low' => 'Feed it from a supply of its rated voltage.',
        'drive.supply_high' => 'Feed it from a supply of its rated voltage, or put a converter between.',
        'drive.supply_current' => 'Take a larger supply, or give this drive one of its own.',
        'drive.stepper_slips' => 'Move it more slowly, at a higher voltage, or with a larger stepper.',
        'train.slop' => 'Take gears with less play, a spring that takes it up to one side, or a belt.',
        'train.belt_slips' => 'Stretch the belt more, lead it further round, or take a toothed one.',
        'train.pawl_one_way' => 'Take the pawl out, or let the motion go on round.',
        'train.pawl_wrong' => 'Turn the pawl round.',
        'train.slide_radius' => 'Make pulley and pinion or screw agree, or reckon with what it goes.',
        'train.order_unsure' => 'Make what shall move second harder to move: a stronger spring, or more friction.',
        'train.binds' => 'Set the shafts further apart.',
        'train.loose' => 'Set the shafts nearer to each other.',
        'train.clash' => 'Move one of the two to another plane, or its shaft elsewhere.',
        'train.outside' => 'Make the room larger, or lay the train out in more planes.',
        'train.wrong_way' => 'Swap the wires of the motor, or put an idler in.',
        'train.tooth_running' => 'Take wider teeth, a larger module or a stronger material.',
        'train.tooth_knock' => 'Take wider teeth or a stronger material, or soften the bump.',
        'train.joint_on_pulley' => 'Put the joint elsewhere, or take an endless belt.',
        'linkage.pivot_off' => 'Set the second pivot where the bars want it.',
        'linkage.clash' => 'Lead the bar on another plane, or bend it round what is in its way.',
        'linkage.flat' => 'Shorten the crank, lengthen the rod, or set the horns so that both stand square half way.',
        'stops.none' => 'Put a switch where it shall stop: at one end at least.',
        'stops.place_outside' => 'Set the hard stop past the place, or the place before the stop.',
        'stops.encoder_coarse' => 'Take an encoder with more pulses, or put it on a faster shaft.',
        'stops.switch_off_place' => 'Set the switch so that the motion comes to rest at its place.',
        'stops.wrong_end' => 'Say of the switch which end it guards.',
        'stops.switch_bounces' => 'Believe the switch only after its bounce, or take one that bounces less.',
        'stops.switch_past_stop' => 'Set the switch before the hard stop.',
        'stops.run_on' => 'Let it arrive more slowly, or give it more room behind the switch.',
        'stops.turns_into_stop' => 'Take the hard stop away, or let it turn there and back.',
        'stops.creeps_on' => 'Brake it, or balance the load: after the switch nothing holds it.',
        'routine.moves_before_home' => 'Home it first, or let somebody look where it stands.',
        'routine.no_give_up' => 'Say after what time it gives up.',
        'routine.give_up_short' => 'Let it wait longer than the longest way takes.',
        'routine.left_powered' => 'Stop it before the routine ends.',
        'routine.until_unreachable' => 'Run it the other way, or put the switch where it comes by.',
        'routine.same_motion' => 'Let one of the two wait until the other is done.',
        'routine.no_power' => 'Switch its power on before it is moved, and leave it on as long.',
        'routine.not_changed_over' => 'Change the selector over first, and let that be done.',
        'routine.by_past_stop' => 'Go to a place instead, or home it more often.',
        'routine.rule_broken' => 'Decide which of the two gives way: the step waits for the other, or the rule is meant otherwise.',
        'routine.calls_itself' => 'Repeat the steps instead of calling the routine from itself.',
        'routine.past_stop' => 'Put the sensor before the hard stop, or wait for another.',
        'routine.reversed' => 'Stop it, and let it rest a moment before it turns round.',
        'routine.starts_together' => 'Let them start one after the other, or take a larger supply.',
        'routine.into_stop' => 'Let it arrive more slowly, or give it more room behind the switch.',
        'routine.falls' => 'Hold it powered, or give it something that holds: a worm, a latch, a counterweight.',
        'routine.turned_back' => 'Go on round to the same place.',
        'routine.too_often' => 'Leave more time between two starts, or make the routine shorter.',
        'routine.starts_collide' => 'Start one of the two at another time.',
        'routine.level_misses' => 'Set the value between what it reads and what it shall not take for it, or move the sensor to where that differs more.',
        'routine.trigger_dead' => 'Start it by something that can happen.',
        'routine.press_unclear' => 'Give one of the two another button, or another kind of press.',
        'routine.drifts' => 'Home it in between, or put a switch where it goes.',
        'routine.chatters' => 'Believe the switch only after its bounce.',
        'routine.runs_past' => 'Make the mark wider, or move past it more slowly.',
        'routine.two_at_once' => 'Feed more slowly, or put the sensor nearer to where it drops.',
        'routine.sees_ghosts' => 'Set the threshold where noise does not reach it, or take the middle of several readings.',
        'routine.sees_own_lamp' => 'Shade the sensor from the lamp, or let more lie between on and off.',
        'routine.timer_cannot' => 'Start it at an interval that the timer has.',
        'routine.never_there' => 'Look at the chain of what it moves: its drive does not carry it there.',
        'routine.shared_drive' => 'Let one of the two wait until the other is done.',
        'routine.over_target' => 'Let things move beside each other that do not need each other, or ask for less.',
        'routine.hits' => 'Play that start and look where it stands when the step begins: home it first, go more slowly, or move the switch.',
        'routine.snaps' => 'Play that start and look what the cord pulls against: a clutch or a switch before it would spare it.',
        'routine.stalls' => 'Play that start and look what it pushes against: the switch may be passed already, or the way barred.',
        'routine.sags' => 'Play that start and look what moves together: let it start one after the other, or take a larger supply.',
        'routine.gives_up' => 'Play that start and look what it waits for: it may have come before, or never come.',
        'routine.ends_elsewhere' => 'Play that start and look from where it sets off: home it first.',
        'rolling.head_slides' => 'Take a stronger magnet, a smaller gap, or move it more gently.',
        'proof.over_target' => 'Find out what rubs on the bench, or reckon with what was measured.',
    ];

    /** @param  array{Fix, Sentence}|null  $closest  what came closest, and what it brought */
    public static function of(Finding $finding, ?array $closest): ?Sentence
    {
        $says = self::SAYS[$finding->code] ?? null;
        if ($says === null || $closest === null) {
            return $says === null ? null : new Sentence($says);
        }

        return (new Sentence("{$says} Tried"))->goingOn(': ', $closest[0]->does)->goingOn('. But then: ', $closest[1]);
    }
}
