<?php

declare(strict_types=1);

use Tests\Support\Said;

/**
 * To plant: a sensor or more, and what the button starts.
 *
 * @param  list<array<string, mixed>>  $steps
 * @param  array<string, mixed>  $more
 * @return array<string, mixed>
 */
function couldReach(array $steps, array $more = []): array
{
    return $more + ['routines.1.steps' => $steps, 'scenarios' => [], 'log' => []];
}

/** @return list<array<string, mixed>> the lift run one way until something */
function ranUntil(string $way, string $sensor): array
{
    return [['do' => 'run', 'motion' => 'lift', 'direction' => $way, 'until' => ['sensor' => $sensor], 'give_up_s' => 6], ['do' => 'stop', 'motion' => 'lift']];
}

/** @return array<string, mixed> a magnet on the lift */
function markOnLift(float $at, float $reach): array
{
    return ['sensors.2' => ['id' => 'mark', 'name' => 'Mark', 'kind' => 'magnet', 'motion' => 'lift', 'at' => $at, 'reach' => $reach]];
}

/** @return list<array<string, mixed>> the lift homed, and moved by so much */
function movedBy(float $by): array
{
    return [['do' => 'home', 'motion' => 'lift', 'switch' => 'lift-low', 'give_up_s' => 9], ['do' => 'go_by', 'motion' => 'lift', 'by' => $by, 'give_up_s' => 9]];
}

const POWER_OFF = ['do' => 'power', 'motion' => 'jaw', 'state' => 'off'];
const POWER_ON = ['do' => 'power', 'motion' => 'jaw', 'state' => 'on', 'settle_s' => 0.2];
const JAW_WIDE = ['do' => 'go', 'motion' => 'jaw', 'place' => 'wide', 'give_up_s' => 2];
const LID_UP = ['do' => 'go', 'motion' => 'lid', 'place' => 'open', 'give_up_s' => 6];
const LIFT_HIGH = ['do' => 'go', 'motion' => 'lift', 'place' => 'high', 'give_up_s' => 6];
const LIFT_HOMED = ['do' => 'home', 'motion' => 'lift', 'switch' => 'lift-low', 'give_up_s' => 9];
const LID_LOST = 'fails routine.moves_before_home at routines.1.steps.0: Lid moves here before it has been homed: after a power cut it may stand anywhere.';
const JAW_CUT = 'fails routine.no_power at routines.1.steps.1: The power of Jaw may be switched off here: then the step refuses.';

it('says of what can happen what is so on one side, and nothing on the other', function (string $codes, array $planted, array $says) {
    expect(Said::atOnce($codes, $planted))->toBe($says);
})->with([
    // stops at −10 and 110 mm
    'a mark past the stop, seen 4 mm before it' => ['routine.past_stop', couldReach(ranUntil('up', 'mark'), markOnLift(0.115, 0.004)), [
        'fails routine.past_stop at routines.1.steps.0.until: Mark sits at 115 mm, past the hard stop at 110 mm: the run never gets there.',
    ]],
    'seen 6 mm before it' => ['routine.past_stop', couldReach(ranUntil('up', 'mark'), markOnLift(0.115, 0.006)), []],
    'a mark past the other stop' => ['routine.past_stop', couldReach(ranUntil('down', 'mark'), markOnLift(-0.015, 0.004)), [
        'fails routine.past_stop at routines.1.steps.0.until: Mark sits at −15 mm, past the hard stop at −10 mm: the run never gets there.',
    ]],
    'seen before that' => ['routine.past_stop', couldReach(ranUntil('down', 'mark'), markOnLift(-0.015, 0.006)), []],
    'a switch that lies above' => ['routine.until_unreachable', couldReach(ranUntil('down', 'lift-high')), [
        'fails routine.until_unreachable at routines.1.steps.0.direction: Lift runs down here and cannot reach Lift high switch, which lies the other way.',
    ]],
    'a switch that lies below' => ['routine.until_unreachable', couldReach(ranUntil('up', 'lift-low')), [
        'fails routine.until_unreachable at routines.1.steps.0.direction: Lift runs up here and cannot reach Lift low switch, which lies the other way.',
    ]],
    'a switch on its way' => ['routine.until_unreachable', couldReach(ranUntil('up', 'lift-high')), []],
    'as far as its stop' => ['routine.by_past_stop', couldReach(movedBy(0.11)), []],
    'further' => ['routine.by_past_stop', couldReach(movedBy(0.1101)), ['fails routine.by_past_stop at routines.1.steps.1.by: This can take Lift to 110.1 mm, past its hard stop at 110 mm.']],
    'down as far as its stop' => ['routine.by_past_stop', couldReach(movedBy(-0.01)), []],
    'down further' => ['routine.by_past_stop', couldReach(movedBy(-0.011)), ['fails routine.by_past_stop at routines.1.steps.1.by: This can take Lift to −11 mm, past its hard stop at −10 mm.']],
    'its power off' => ['routine.no_power', couldReach([POWER_OFF, JAW_WIDE]), [JAW_CUT]],
    'its power off and on again' => ['routine.no_power', couldReach([POWER_OFF, POWER_ON, JAW_WIDE]), []],
    'its power off after that' => ['routine.no_power', couldReach([JAW_WIDE, POWER_OFF, ['do' => 'wait', 'for_s' => 1], POWER_ON]), []],
    'told once of each motion in a routine' => ['routine.no_power', couldReach([POWER_OFF, JAW_WIDE, ['place' => 'closed'] + JAW_WIDE]), [JAW_CUT]],
    'nothing is homed' => ['routine.moves_before', couldReach([LID_UP, LIFT_HIGH], ['routines.0.steps' => []]), [
        LID_LOST, 'fails routine.moves_before_home at routines.1.steps.1: Lift moves here before it has been homed: after a power cut it may stand anywhere.',
    ]],
    'one of them is' => ['routine.moves_before', couldReach([LID_UP, LIFT_HIGH], ['routines.0.steps' => [LIFT_HOMED]]), [LID_LOST]],
    'told of its first move alone' => ['routine.moves_before', couldReach([LID_UP, ['place' => 'shut'] + LID_UP], ['routines.0.steps' => [LIFT_HOMED]]), [LID_LOST]],
]);

it('offers what keeps it from happening', function (string $code, array $planted, array $offers) {
    expect(Said::offers($code, $planted))->toBe($offers);
})->with([
    ['routine.until_unreachable', couldReach(ranUntil('down', 'lift-high')), ['Run it up']],
    ['routine.until_unreachable', couldReach(ranUntil('up', 'lift-low')), ['Run it down']],
    ['routine.past_stop', couldReach(ranUntil('up', 'mark'), markOnLift(0.115, 0.004)), ['Move the sensor to 110 mm']],
    ['routine.by_past_stop', couldReach(movedBy(0.15)), ['Move it only 100 mm up', 'Take this step out']], // to its outermost place
    ['routine.by_past_stop', couldReach(movedBy(-0.011)), ['Take this step out']],
    ['routine.no_power', couldReach([POWER_OFF, JAW_WIDE, POWER_ON]), ['Switch the power of Jaw on first']],
    ['routine.moves_before_home', couldReach([LID_UP], ['routines.0.steps' => [LIFT_HOMED]]), ['Home Lid onto Lid shut switch first', 'When the power comes on, home Lid onto Lid shut switch']],
]);
