<?php

declare(strict_types=1);

use Brookstone\Core\Assessment\BuildJudge;
use Brookstone\Core\Finding\Finding;
use Brookstone\Core\Rehearsal\Rehearsal;
use Tests\Support\Builds;

/**
 * What the judge says of a build, rehearsed, more than of the sound one, of codes that begin so.
 *
 * @param  array<string, mixed>  $planted
 * @return list<string>
 */
function saidRehearsed(string $codes, array $planted): array
{
    static $sound = null;
    $says = function (array $planted): array {
        $build = Builds::planted($planted);

        return array_values(array_unique(array_map(fn (Finding $finding): string => "{$finding->severity->value} {$finding->code}: {$finding->says->text()}",
            BuildJudge::atOnce($build, null, Rehearsal::of($build))->findings())));
    };
    $sound ??= $says([]);

    return array_values(array_filter(array_diff($says($planted), $sound), fn (string $line): bool => preg_match("/^\\w+ ({$codes})/", $line) === 1));
}

// The show takes 8.6 s: the lid 0.99 s at most, the lift 2.94 s down. The servo holds at 84 mA all day; two motors that start draw 2.1 A and 1.9 A.
it('says of a routine what is so, with its numbers, and nothing on the other side of the threshold', function (string $codes, array $planted, array $says) {
    expect(saidRehearsed($codes, $planted))->toBe($says);
})->with([
    'a step that gives up once it is there, wherever it began' => ['routine.give_up', ['routines.1.steps.0.give_up_s' => 1.0], []],
    'and before' => ['routine.give_up', ['routines.1.steps.0.give_up_s' => 0.9, 'log' => []], [
        'fails routine.give_up_short: It gives up after 0.9 s, but Lid can take 0.927 s.',
    ]],
    'and before it was measured to be there' => ['routine.give_up', ['routines.1.steps.0.give_up_s' => 0.9], [
        'fails routine.give_up_short: It gives up after 0.9 s, but Lid can take 0.98 s.',
    ]],
    'three times as long, where that is long' => ['routine.give_up_long', ['routines.1.steps.6.give_up_s' => 8.8], []],
    'longer' => ['routine.give_up_long', ['routines.1.steps.6.give_up_s' => 8.9], [
        'note routine.give_up_long: It gives up only after 8.9 s, more than three times the 2.94 s that Lift can take.',
    ]],
    'five seconds are never long' => ['routine.give_up_long', ['routines.1.steps.0.give_up_s' => 5.0], []],
    'but more are' => ['routine.give_up_long', ['routines.1.steps.0.give_up_s' => 5.1], [
        'note routine.give_up_long: It gives up only after 5.1 s, more than three times the 0.995 s that Lid can take.',
    ]],
    'no end to a move' => ['routine.no_give_up', ['routines.1.steps.0.give_up_s' => null], [
        'fails routine.no_give_up: If Lid jams here, its motor pushes forever: the step has no give-up time.',
    ]],
    'no end to a wait' => ['routine.no_give_up', ['routines.1.steps.4' => ['do' => 'wait', 'until' => ['sensor' => 'beam']]], [
        'note routine.no_give_up: It waits here forever if nothing comes.',
    ]],
    'a servo that need not give up' => ['routine.no_give_up', ['routines.1.steps.3.give_up_s' => null], []],
    'a winding that bears its stall till then' => ['routine.give_up_hot', ['routines.1.steps.0.give_up_s' => 56.0], []],
    'and that does not' => ['routine.give_up_hot', ['routines.1.steps.0.give_up_s' => 57.0], [
        'tight routine.give_up_hot: If Lid jams, its winding overheats after 56.6 s, before the step gives up after 57 s.',
    ]],
    'bounce just under what is waited' => ['routine.chatters', ['sensors.0.bounce_s' => 0.0099], []],
    'and as long' => ['routine.chatters', ['sensors.0.bounce_s' => 0.01], [
        'fails routine.chatters: Button bounces for 0.01 s and is believed after 0.01 s: one press counts as several.',
    ]],
    'an interval within two in a hundred' => ['routine.timer', ['settings.timer_Hz' => 32768, 'settings.timer_stages' => 24, 'routines.1.starts' => [['when' => 'every', 'every_s' => 65.216]], 'routines.1.if_fails' => [['do' => 'signal', 'output' => 'lamp']]], []],
    'and not' => ['routine.timer', ['settings.timer_Hz' => 32768, 'settings.timer_stages' => 24, 'routines.1.starts' => [['when' => 'every', 'every_s' => 65.92]], 'routines.1.if_fails' => [['do' => 'signal', 'output' => 'lamp']]], [
        'fails routine.timer_cannot: A clock of 32.8 kHz behind 24 stages cannot give 65.9 s: the nearest it gives is 64 s.',
    ]],
    'longer than its last stage' => ['routine.timer', ['settings.timer_Hz' => 32768, 'settings.timer_stages' => 20, 'routines.1.starts' => [['when' => 'every', 'every_s' => 64.0]], 'routines.1.if_fails' => [['do' => 'signal', 'output' => 'lamp']]], [
        'fails routine.timer_cannot: A clock of 32.8 kHz behind 20 stages cannot give 64 s: the nearest it gives is 32 s.',
    ]],
    'starts by itself and tells nobody' => ['routine.unnoticed', ['routines.1.starts' => [['when' => 'every', 'every_s' => 600]]], [
        'tight routine.unnoticed: Show starts by itself, and when it fails nobody is told: it may have stood still for days.',
    ]],
    'what cannot fail tells nobody' => ['routine.unnoticed', ['routines.1.starts' => [['when' => 'every', 'every_s' => 600]], 'routines.1.steps' => [['do' => 'signal', 'output' => 'lamp', 'state' => 'on', 'for_s' => 1]]], []],
    'a guessed threshold' => ['routine.thres|routine.few|routine.sees', ['sensors.2' => ['id' => 'cup', 'name' => 'Cup', 'kind' => 'distance', 'upper' => 70], 'routines.1.steps.9' => ['do' => 'wait', 'until' => ['sensor' => 'cup'], 'give_up_s' => 3]], [
        'note routine.threshold_guessed: The threshold of Cup is a guess: ten readings with the thing and ten without it, in the light it will live in, tell where it belongs.',
    ]],
    'few readings' => ['routine.thres|routine.few|routine.sees', ['sensors.2' => ['id' => 'cup', 'name' => 'Cup', 'kind' => 'distance', 'upper' => 70, 'absent' => [40, 44, 47], 'present' => [88, 91, 90]], 'routines.1.steps.9' => ['do' => 'wait', 'until' => ['sensor' => 'cup'], 'give_up_s' => 3]], [
        'note routine.few_readings: Cup was read 3 times without the thing and 3 times with it: that few cannot rule out that it misreads 4.74%. More of each tell the spread better.',
    ]],
    'two on one side are no readings' => ['routine.thres|routine.few|routine.sees', ['sensors.2' => ['id' => 'cup', 'name' => 'Cup', 'kind' => 'distance', 'upper' => 70, 'absent' => [40, 44], 'present' => [88, 91, 90]], 'routines.1.steps.9' => ['do' => 'wait', 'until' => ['sensor' => 'cup'], 'give_up_s' => 3]], [
        'note routine.threshold_guessed: The threshold of Cup is a guess: ten readings with the thing and ten without it, in the light it will live in, tell where it belongs.',
    ]],
    'ghosts that another threshold lays' => ['routine.thres|routine.few|routine.sees', ['sensors.2' => ['id' => 'cup', 'name' => 'Cup', 'kind' => 'distance', 'upper' => 50, 'absent' => [40, 44, 51, 53, 47], 'present' => [88, 91, 90, 85, 92]], 'routines.1.steps.9' => ['do' => 'wait', 'until' => ['sensor' => 'cup'], 'give_up_s' => 3]], [
        'fails routine.sees_ghosts: With its threshold Cup misreads 20% of its own readings.',
    ]],
    'ghosts that none lays' => ['routine.thres|routine.few|routine.sees', ['sensors.2' => ['id' => 'cup', 'name' => 'Cup', 'kind' => 'distance', 'upper' => 70, 'absent' => [40, 44, 85, 53, 47], 'present' => [88, 61, 90, 85, 52]], 'routines.1.steps.9' => ['do' => 'wait', 'until' => ['sensor' => 'cup'], 'give_up_s' => 3]], [
        'fails routine.sees_ghosts: With its threshold Cup misreads 30% of its own readings, and no threshold separates the two.',
    ]],
    'a mark wide enough' => ['routine.runs_past', ['sensors.2' => ['id' => 'mark', 'name' => 'Mark', 'kind' => 'magnet', 'motion' => 'lift', 'at' => 0.05, 'reach' => 0.001, 'late_s' => 0.02], 'routines.1.steps.1.until' => ['sensor' => 'mark'], 'routines.1.steps.1.speed' => 1.0], []],
    'one too narrow' => ['routine.runs_past', ['sensors.2' => ['id' => 'mark', 'name' => 'Mark', 'kind' => 'magnet', 'motion' => 'lift', 'at' => 0.05, 'reach' => 0.0001, 'late_s' => 0.02], 'routines.1.steps.1.until' => ['sensor' => 'mark'], 'routines.1.steps.1.speed' => 1.0], [
        'fails routine.runs_past: Lift is at Mark for 0.0057 s and that is seen only after 0.03 s: it runs past.',
    ]],
    'slowly enough for it' => ['routine.runs_past', ['sensors.2' => ['id' => 'mark', 'name' => 'Mark', 'kind' => 'magnet', 'motion' => 'lift', 'at' => 0.05, 'reach' => 0.0005, 'late_s' => 0.02], 'routines.1.steps.1.until' => ['sensor' => 'mark'], 'routines.1.steps.1.speed' => 0.3], []],
    'items that are told in time' => ['routine.two', ['motions.2.mechanism' => ['kind' => 'feeder', 'drum_radius_m' => 0.02, 'item_pitch_m' => 0.004, 'item_kg' => 0.01], 'motions.2.task.keeps_turning' => true, 'motions.2.stops.hard_low' => null, 'motions.2.stops.hard_high' => null, 'sensors.2' => ['id' => 'slot', 'name' => 'Slot', 'kind' => 'reflective', 'late_s' => 0.01], 'routines.1.steps.1' => ['do' => 'run', 'motion' => 'lift', 'direction' => 'up', 'until' => ['sensor' => 'slot'], 'give_up_s' => 6]], []],
    'and too late' => ['routine.two', ['motions.2.mechanism' => ['kind' => 'feeder', 'drum_radius_m' => 0.02, 'item_pitch_m' => 0.004, 'item_kg' => 0.01], 'motions.2.task.keeps_turning' => true, 'motions.2.stops.hard_low' => null, 'motions.2.stops.hard_high' => null, 'sensors.2' => ['id' => 'slot', 'name' => 'Slot', 'kind' => 'reflective', 'late_s' => 0.06], 'routines.1.steps.1' => ['do' => 'run', 'motion' => 'lift', 'direction' => 'up', 'until' => ['sensor' => 'slot'], 'give_up_s' => 6]], [
        'fails routine.two_at_once: Until Slot tells and the motor is off, Lift goes on 4.63 mm, and the next item follows after 4 mm: two are taken for one.',
    ]],
    'left pushing' => ['routine.left_powered', ['routines.1.steps.2' => ['do' => 'wait', 'for_s' => 1.0], 'routines.1.steps.6' => ['do' => 'wait', 'for_s' => 1.0]], [
        'fails routine.left_powered: Nothing stops Lift after this run: its motor goes on pushing against the stop and burns out its driver.',
    ]],
    'run and turned back at once' => ['routine.reversed', ['routines.1.steps.2' => ['do' => 'run', 'motion' => 'lift', 'direction' => 'down', 'for_s' => 0.5], 'routines.1.steps.3' => ['do' => 'stop', 'motion' => 'lift']], [
        'fails routine.reversed: Lift is turned round here while it still runs the other way: the current of twice the voltage goes through its driver, and its teeth take the knock.',
    ]],
    'run, rested, and turned back' => ['routine.reversed', ['routines.1.steps' => [['do' => 'run', 'motion' => 'lift', 'direction' => 'up', 'for_s' => 1.0], ['do' => 'stop', 'motion' => 'lift'], ['do' => 'wait', 'for_s' => 0.2], ['do' => 'run', 'motion' => 'lift', 'direction' => 'down', 'for_s' => 0.5], ['do' => 'stop', 'motion' => 'lift']]], []],
    'two starts on one supply' => ['routine.starts_together|routine.sags', ['supplies.0.max_A' => 4.1, 'routines.1.steps.0' => ['do' => 'together', 'branches' => [[['do' => 'go', 'motion' => 'lid', 'place' => 'open', 'give_up_s' => 6]], [['do' => 'go', 'motion' => 'lift', 'place' => 'high', 'give_up_s' => 6]]]], 'routines.1.steps.1' => ['do' => 'wait', 'for_s' => 1]], []],
    'on a weaker one' => ['routine.starts_together|routine.sags', ['supplies.0.max_A' => 3.2, 'routines.1.steps.0' => ['do' => 'together', 'branches' => [[['do' => 'go', 'motion' => 'lid', 'place' => 'open', 'give_up_s' => 6]], [['do' => 'go', 'motion' => 'lift', 'place' => 'high', 'give_up_s' => 6]]]], 'routines.1.steps.1' => ['do' => 'wait', 'for_s' => 1]], [
        'fails routine.starts_together: Lid and Lift start at once and draw 4 A, but Main gives 3.2 A: it sags, and the controller may reset.',
    ]],
    'over its own time' => ['routine.over', ['routines.1.target_s' => 7.0], [
        'fails routine.over_target: Show takes up to 8.62 s, longer than the 7 s asked for.',
    ]],
    'within it' => ['routine.over', ['routines.1.target_s' => 12.0], []],
    'too often' => ['routine.too_often', ['routines.1.starts' => [['when' => 'every', 'every_s' => 5.0]], 'routines.1.if_fails' => [['do' => 'signal', 'output' => 'lamp']]], [
        'fails routine.too_often: Show takes 8.62 s and is to start every 5 s: it is still running when it should start again.',
    ]],
    'a day that its battery lasts' => ['routine.drains|drive.drains', ['supplies.1.capacity_Ah' => 2.2], []],
    'a day that it does not' => ['routine.drains|drive.drains', ['supplies.1.capacity_Ah' => 2.0], [
        'tight routine.drains_battery: Servo rail with 2 Ah lasts 23.4 hours, where 1 day is asked for: at rest it gives 2.03 Ah of the 2.05 Ah that it gives a day.',
    ]],
    'ten days' => ['routine.drains|drive.drains', ['supplies.1.capacity_Ah' => 2.2, 'settings.battery_days' => 10], [
        'tight routine.drains_battery: Servo rail with 2.2 Ah lasts 25.7 hours, where 10 days are asked for: at rest it gives 2.03 Ah of the 2.05 Ah that it gives a day.',
    ]],
    'a counter that only grows' => ['routine.counter', ['counters' => [['id' => 'n', 'name' => 'Visitors']], 'routines.1.starts' => [['when' => 'count', 'counter' => 'n', 'value' => 5]], 'routines.2' => ['id' => 'tally', 'name' => 'Tally', 'starts' => [['when' => 'beam', 'sensor' => 'beam']], 'steps' => [['do' => 'set', 'counter' => 'n', 'add' => 1]]]], [
        'tight routine.counter_grows: Nothing ever sets Visitors back: once Show has started by it, it never does again.',
    ]],
]);

/** A motion that is let go of at the end, whose gears hold so much. @return array<string, mixed> */
function letGo(float $holds_Nm, string $how = 'coast'): array
{
    return ['motions.2.drive.motor' => ['back_drive_Nm' => $holds_Nm] + Builds::motor('G25-227'), 'routines.1.steps.9' => ['do' => 'stop', 'motion' => 'lift', 'how' => $how]];
}

/** A routine that begins at a count, and one that does this with counters. @param  list<array<string, mixed>>  $steps  @return array<string, mixed> */
function counted(array $steps): array
{
    return ['counters' => [['id' => 'n', 'name' => 'Visitors'], ['id' => 'm', 'name' => 'Cups']], 'routines.1.starts' => [['when' => 'count', 'counter' => 'n', 'value' => 5]],
        'routines.2' => ['id' => 'tally', 'name' => 'Tally', 'starts' => [['when' => 'beam', 'sensor' => 'beam']], 'steps' => $steps]];
}

/** A routine that begins above this reading of a sensor that was tried out. @return array<string, mixed> */
function above(float $value): array
{
    return ['sensors.2' => ['id' => 'cup', 'name' => 'Cup', 'kind' => 'distance', 'upper' => 70, 'absent' => [40, 44, 47, 42], 'present' => [88, 91, 93, 90]],
        'routines.1.starts' => [['when' => 'level', 'sensor' => 'cup', 'is' => 'above', 'value' => $value, 'hysteresis' => 4]]];
}

/** The lift runs up to a mark there. @return array<string, mixed> */
function upToMark(float $at): array
{
    return ['sensors.2' => ['id' => 'mark', 'name' => 'Mark', 'kind' => 'magnet', 'motion' => 'lift', 'at' => $at, 'reach' => 0.002], 'routines.1.steps.1.until' => ['sensor' => 'mark']];
}

/** The show at ten, and the lid once more at this time. @return array<string, mixed> */
function daily(string $other): array
{
    $go = fn (string $place): array => ['do' => 'go', 'motion' => 'lid', 'place' => $place, 'give_up_s' => 4];

    return ['routines.1.starts' => [['when' => 'time_of_day', 'at' => '10:00']], 'routines.2' => ['id' => 'peep', 'name' => 'Peep', 'alone' => true,
        'starts' => [['when' => 'time_of_day', 'at' => $other]], 'steps' => [$go('open'), $go('shut')]]];
}

it('says what cannot be, and nothing where it can', function (string $codes, array $planted, array $says) {
    expect(saidRehearsed($codes, $planted))->toBe($says);
})->with([
    'gears that hold 0.6 kg on a drum of 10 mm' => ['routine.falls', letGo(0.0589), []],
    'that just do not' => ['routine.falls', letGo(0.0588), [
        'fails routine.falls: After Show nothing holds Lift: its load of 0.05884 N·m turns the unpowered drive, whose gears hold 0.0588 N·m.',
    ]],
    'that do not by far' => ['routine.falls', letGo(0.001), [
        'fails routine.falls: After Show nothing holds Lift: its load of 0.0588 N·m turns the unpowered drive, whose gears hold 0.001 N·m.',
    ]],
    'but a brake does' => ['routine.falls', letGo(0.001, 'brake'), []],
    'a start with hysteresis' => ['routine.no_hysteresis', above(60), []],
    'a start at one value' => ['routine.no_hysteresis', ['sensors.2' => ['id' => 'dusk', 'name' => 'Dusk', 'kind' => 'light', 'rest' => 80],
        'routines.1.starts' => [['when' => 'level', 'sensor' => 'dusk', 'is' => 'below', 'value' => 40]]], [
            'tight routine.no_hysteresis: Dusk starts Show at one value without hysteresis: near that value it starts it over and over.',
        ]],
    'a value between all readings' => ['routine.level', above(47.5), []],
    'on one of eight' => ['routine.level', above(47), [
        'fails routine.level_misses: Show compares Cup with 47, and that misreads 12.5% of its own readings: 71.1 separates them best.',
    ]],
    'under two' => ['routine.level', above(43), [
        'fails routine.level_misses: Show compares Cup with 43, and that misreads 25% of its own readings: 71.1 separates them best.',
    ]],
    'over three' => ['routine.level', above(92), [
        'fails routine.level_misses: Show compares Cup with 92, and that misreads 37.5% of its own readings: 71.1 separates them best.',
    ]],
    'a count that is only added to' => ['routine.(counter|trigger)', counted([['do' => 'set', 'counter' => 'n', 'add' => 1]]), [
        'tight routine.counter_grows: Nothing ever sets Visitors back: once Show has started by it, it never does again.',
    ]],
    'while another is set back' => ['routine.(counter|trigger)', counted([['do' => 'set', 'counter' => 'n', 'add' => 1], ['do' => 'set', 'counter' => 'm', 'to' => 0]]), [
        'tight routine.counter_grows: Nothing ever sets Visitors back: once Show has started by it, it never does again.',
    ]],
    'that is set back' => ['routine.(counter|trigger)', counted([['do' => 'set', 'counter' => 'n', 'add' => 1], ['do' => 'set', 'counter' => 'n', 'to' => 0]]), []],
    'that is taken from' => ['routine.(counter|trigger)', counted([['do' => 'set', 'counter' => 'n', 'add' => 1], ['do' => 'set', 'counter' => 'n', 'add' => -1]]), []],
    'that nothing changes' => ['routine.(counter|trigger)', counted([['do' => 'set', 'counter' => 'm', 'add' => 1]]), [
        'fails routine.trigger_dead: Nothing ever changes Visitors: Show never starts by it.',
    ]],
    'a mark before the stop' => ['routine.(past_stop|until)', upToMark(0.109), []],
    'past it' => ['routine.(past_stop|until)', upToMark(0.113), [
        'fails routine.past_stop: Mark sits at 113 mm, past the hard stop at 110 mm: the run never gets there.',
    ]],
    'a switch the other way' => ['routine.until', ['routines.1.steps.1.direction' => 'down'], [
        'fails routine.until_unreachable: Lift runs down here and cannot reach Lift high switch, which lies the other way.',
    ]],
    'at the same time' => ['routine.starts_collide', daily('10:00'), [
        'fails routine.starts_collide: Peep starts while Show still moves the same things: one of them does not run that day.',
    ]],
    'a minute later it has ended' => ['routine.starts_collide', daily('10:01'), []],
    'a minute before too' => ['routine.starts_collide', daily('09:59'), []],
    'a motor that lifts 3 kg at 120 mm' => ['routine.(never|stalls|gives)', ['motions.0.mechanism.mass_kg' => 3.0], []],
    'and not 3.2 kg' => ['routine.(never|stalls|gives)', ['motions.0.mechanism.mass_kg' => 3.2], [
        'fails routine.never_there: Show gives up at “Take Lid to Open; give up after 4 s.” The drive of Lid does not make that move.',
    ]],
    'what nothing starts' => ['routine.never', ['routines.1.starts' => []], ['tight routine.never_starts: Nothing starts Show: give it a trigger.']],
    'but another does' => ['routine.never', ['routines.1.starts' => [], 'routines.2' => ['id' => 'x', 'name' => 'X', 'starts' => [['when' => 'beam', 'sensor' => 'beam']],
        'steps' => [['do' => 'call', 'routine' => 'show']]]], []],
    'a motor of its own' => ['routine.nothing_to', ['routines.1.steps.4' => ['do' => 'change_over', 'motion' => 'lid']], [
        'tight routine.nothing_to_change: Lid has its motor to itself: there is nothing to change over.',
    ]],
]);
