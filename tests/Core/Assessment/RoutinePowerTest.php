<?php

declare(strict_types=1);

use Tests\Support\Builds;
use Tests\Support\Said;

/**
 * To plant: what the button starts.
 *
 * @param  list<array<string, mixed>>  $steps
 * @param  array<string, mixed>  $more
 * @return array<string, mixed>
 */
function doing(array $steps, array $more = []): array
{
    return ['routines.1.steps' => $steps, 'scenarios' => [], 'log' => []] + $more;
}

/** @return array<string, mixed> to plant: gears of the lift that hold so much */
function gearsThatHold(float $holds_Nm): array
{
    return ['motions.2.drive.motor' => ['back_drive_Nm' => $holds_Nm] + Builds::motor('G25-227')];
}

const RUN_UP = ['do' => 'run', 'motion' => 'lift', 'direction' => 'up', 'until' => ['sensor' => 'lift-high'], 'give_up_s' => 6];
const RUN_DOWN = ['do' => 'run', 'motion' => 'lift', 'direction' => 'down', 'until' => ['sensor' => 'lift-low'], 'give_up_s' => 6];
const STOP_IT = ['do' => 'stop', 'motion' => 'lift'];
const LET_GO = ['do' => 'stop', 'motion' => 'lift', 'how' => 'coast'];
const LIFT_SENT_UP = ['do' => 'go', 'motion' => 'lift', 'place' => 'high', 'give_up_s' => 6];
const LIFT_SENT_DOWN = ['do' => 'go', 'motion' => 'lift', 'place' => 'low', 'give_up_s' => 6];
const LID_OPEN = ['do' => 'go', 'motion' => 'lid', 'place' => 'open', 'give_up_s' => 6];

function pausing(float $seconds): array
{
    return ['do' => 'wait', 'for_s' => $seconds];
}

function againAndAgain(?int $times, array ...$steps): array
{
    return ['do' => 'repeat', 'times' => $times, 'steps' => $steps];
}

function leftOn(string $at): string
{
    return "fails routine.left_powered at {$at}: Nothing stops Lift after this run: its motor goes on pushing against the stop and burns out its driver.";
}

function reversedAt(string $at): string
{
    return "fails routine.reversed at {$at}: Lift is turned round here while it still runs the other way: the current of twice the voltage goes through its driver, and its teeth take the knock.";
}

it('sees what is left running, and what is turned round before it rests', function (array $steps, array $says) {
    expect(Said::atOnce('routine.left_powered|routine.reversed', doing($steps)))->toBe($says);
})->with([
    'a run and nothing more' => [[RUN_UP], [leftOn('routines.1.steps.0')]],
    'a run and a stop' => [[RUN_UP, STOP_IT], []],
    'stopped later, within something' => [[RUN_UP, pausing(1), againAndAgain(2, STOP_IT)], []],
    'stopped after what it stands in' => [[againAndAgain(2, pausing(1), RUN_UP), STOP_IT], []],
    'for ever round: the next round stops it' => [[againAndAgain(null, STOP_IT, pausing(1), RUN_UP)], []],
    'round twice: nobody stops the last' => [[againAndAgain(2, STOP_IT, pausing(1), RUN_UP)], [leftOn('routines.1.steps.0.steps.2')]],
    'for ever round, and never stopped' => [[againAndAgain(null, pausing(1), RUN_UP)], [leftOn('routines.1.steps.0.steps.1')]],
    'two at once, stopped after both' => [[['do' => 'together', 'branches' => [[RUN_UP], [LID_OPEN]]], STOP_IT], []],
    'another is stopped' => [[RUN_UP, ['do' => 'stop', 'motion' => 'lid']], [leftOn('routines.1.steps.0')]],
    'moved on, as it then is' => [[RUN_UP, STOP_IT, LIFT_SENT_DOWN], []],
    'a wait of 0.19 s' => [[RUN_UP, pausing(0.19), RUN_DOWN, STOP_IT], [reversedAt('routines.1.steps.2')]],
    'one of 0.2 s' => [[RUN_UP, pausing(0.2), RUN_DOWN, STOP_IT], []],
    'one of 0.2 s within something' => [[RUN_UP, againAndAgain(3, pausing(0.2)), RUN_DOWN, STOP_IT], []],
    'a wait for somebody says nothing' => [[RUN_UP, ['do' => 'wait', 'until' => ['sensor' => 'beam'], 'give_up_s' => 5], RUN_DOWN, STOP_IT], [reversedAt('routines.1.steps.2')]],
    'other things between' => [[RUN_UP, ['do' => 'signal', 'output' => 'lamp', 'state' => 'on'], RUN_DOWN, STOP_IT], [reversedAt('routines.1.steps.2')]],
    'the same way once more' => [[RUN_UP, RUN_UP, STOP_IT], []],
    'stopped between' => [[RUN_UP, STOP_IT, RUN_DOWN, STOP_IT], []],
    'sent to a place that lies the other way' => [[RUN_UP, LIFT_SENT_DOWN], [reversedAt('routines.1.steps.1')]],
    'turned round by the next round' => [[againAndAgain(2, RUN_UP, STOP_IT, RUN_DOWN), STOP_IT], [reversedAt('routines.1.steps.0.steps.0')]],
    'there is no next round' => [[againAndAgain(1, RUN_UP, STOP_IT, RUN_DOWN), STOP_IT], []],
]);

// The lid draws 2.1 A at its start, the lift 1.9 A.
it('adds up what starts at once', function (array $branches, array $more, array $says) {
    expect(Said::atOnce('routine.starts_together', doing([['do' => 'together', 'branches' => $branches]], $more)))->toBe($says);
})->with([
    'just enough' => [[[LID_OPEN], [LIFT_SENT_UP]], ['supplies.0.max_A' => 4.0], []],
    'not enough' => [[[LID_OPEN], [LIFT_SENT_UP]], ['supplies.0.max_A' => 3.9], ['fails routine.starts_together at routines.1.steps.0: Lid and Lift start at once and draw 4 A, but Main gives 3.9 A: it sags, and the controller may reset.']],
    'half of the lid where it starts softly' => [[[LID_OPEN], [LIFT_SENT_UP]], ['supplies.0.max_A' => 2.94, 'motions.0.drive.ramp_s' => 0.5], ['fails routine.starts_together at routines.1.steps.0: Lid and Lift start at once and draw 2.95 A, but Main gives 2.94 A: it sags, and the controller may reset.']],
    'and no more than that' => [[[LID_OPEN], [LIFT_SENT_UP]], ['supplies.0.max_A' => 2.96, 'motions.0.drive.ramp_s' => 0.5], []],
    // half the volts, half the current, and half of that from the supply
    'at half speed' => [[[['speed' => 0.5] + LID_OPEN], [LIFT_SENT_UP]], ['supplies.0.max_A' => 2.4], ['fails routine.starts_together at routines.1.steps.0: Lid and Lift start at once and draw 2.43 A, but Main gives 2.4 A: it sags, and the controller may reset.']],
    'one after the other' => [[[pausing(0.3), LID_OPEN], [LIFT_SENT_UP]], ['supplies.0.max_A' => 3.0], []],
    'a lamp first makes no difference' => [[[['do' => 'signal', 'output' => 'lamp', 'state' => 'on'], LID_OPEN], [LIFT_SENT_UP]], ['supplies.0.max_A' => 3.9], ['fails routine.starts_together at routines.1.steps.0: Lid and Lift start at once and draw 4 A, but Main gives 3.9 A: it sags, and the controller may reset.']],
    'one alone is told by its drive' => [[[LID_OPEN], [['do' => 'go', 'motion' => 'jaw', 'place' => 'wide', 'give_up_s' => 1]]], ['supplies.0.max_A' => 1.5], []],
]);

// The lift runs on 0.789 mm at full speed, 0.355 mm at half.
it('sees what runs on into its stop at the speed of a step', function (float $speed, float $stop, array $says) {
    expect(Said::atOnce('routine.into', doing([['speed' => $speed] + LIFT_SENT_UP], ['motions.2.stops.hard_high' => $stop])))->toBe($says);
})->with([
    [0.5, 0.1004, []],
    [0.5, 0.1003, ['fails routine.into_stop at routines.1.steps.0.speed: At this speed it coasts 0.355 mm past Lift high switch, and the hard stop is 0.3 mm away: it hits with 0.036 J.']],
    [0.5, 0.1, []], // a switch at the stop is told elsewhere
]);

// Hanging with 0.6 kg on 10 mm it pulls with 0.05884 N·m.
it('sees what falls once it is let go', function (array $steps, float $holds_Nm, array $more, array $says) {
    expect(Said::atOnce('routine.falls', doing($steps, $more + gearsThatHold($holds_Nm))))->toBe($says);
})->with(function () {
    $falls = fn (string $at, string $of): string => "fails routine.falls at {$at}: After {$of} nothing holds Lift: its load of 0.05884 N·m turns the unpowered drive, whose gears hold 0.0588 N·m.";

    return [
        'let go' => [[LIFT_SENT_UP, LET_GO], 0.0588, [], [$falls('routines.1.steps.1', 'Show')]],
        'let go, and held by its gears' => [[LIFT_SENT_UP, LET_GO], 0.0589, [], []],
        'let go, and moved again' => [[LIFT_SENT_UP, LET_GO, LIFT_SENT_DOWN], 0.0588, [], []],
        'braked' => [[LIFT_SENT_UP, STOP_IT], 0.0588, [], []],
        'never braked' => [[LIFT_SENT_UP], 0.0588, ['motions.2.stops.brakes' => false], [$falls('routines.0.steps.1', 'Wake'), $falls('routines.1.steps.0', 'Show')]],
        'its power cut' => [[LIFT_SENT_UP, ['do' => 'power', 'supply' => 'main', 'state' => 'off']], 0.0588, [], [$falls('routines.1.steps.1', 'Show')]],
        'its power on again' => [[LIFT_SENT_UP, ['do' => 'power', 'supply' => 'main', 'state' => 'on']], 0.0588, [], []],
    ];
});

// A servo of 0.39 N·m keeps up a quarter of that.
it('sees what is held hotter than it can be', function (float $mass_kg, string $how, array $says) {
    expect(Said::atOnce('routine.holds_hot', doing([['do' => 'stop', 'motion' => 'jaw', 'how' => $how]], ['motions.1.mechanism.mass_kg' => $mass_kg])))->toBe($says);
})->with([
    [0.198, 'hold', []], [0.199, 'hold', ['tight routine.holds_hot at routines.1.steps.0.how: Jaw is held here with 0.0976 N·m, and its drive can hold 0.0975 N·m all day: it gets hot.']],
    [0.199, 'coast', []],
]);

it('offers the highest speed with which the room is enough, and else another stop', function (float $room_mm, string $offer) {
    $build = Builds::planted(doing([LIFT_SENT_UP], ['motions.2.stops.hard_high' => 0.1 + $room_mm / 1000]));
    $found = Builds::found($build, 'routine.into_stop')[0];

    expect($found->fixes[0]->does->text())->toMatch($offer)->and(Builds::found(Builds::mended($build, $found->fixes[0]), 'routine.into_stop'))->toBe([]);
})->with([
    [0.78, '/^Move it at 50% speed: it then takes up to 6.31 s$/'], [0.6, '/^Move it at 50% speed: it then takes up to 6.31 s$/'], [0.3, '/^Move it at 25% speed/'],
    [0.01, '/^Set the hard stop back to 101 mm, 1.2 mm past the switch$/'],
]);

it('goes on to the same place where it is asked to be turned back by less or more than a turn', function (float $by, float $instead) {
    $found = Builds::found(Builds::planted(['motions.0.mechanism' => ['kind' => 'turntable', 'disc_mass_kg' => 0.3, 'disc_radius_m' => 0.1], 'motions.0.drive.one_way' => true,
        'motions.0.task.keeps_turning' => true, 'motions.0.stops' => ['switches' => [], 'encoder_pulses' => 12.0], 'scenarios' => [], 'log' => [],
        'routines' => [['id' => 'a', 'name' => 'A', 'starts' => [['when' => 'press', 'sensor' => 'button']], 'steps' => [['do' => 'go_by', 'motion' => 'lid', 'by' => $by, 'give_up_s' => 9]]]]]),
        'routine.turned_back');

    expect($found[0]->says->text())->toBe('Lid only ever turns forwards: it cannot be turned back here.')
        ->and($found[0]->fixes[0]->does->text())->toBe('Go on to the same place the other way round')->and($found[0]->fixes[0]->changes[0]->value)->toBe($instead);
})->with([[-90.0, 270.0], [-10.0, 350.0], [-450.0, 270.0]]);
