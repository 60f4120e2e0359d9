<?php

declare(strict_types=1);

use Tests\Support\Builds;
use Tests\Support\Said;

/**
 * To plant: sensors, what the button starts, and more.
 *
 * @param  list<array<string, mixed>>  $steps
 * @param  array<string, mixed>  $more
 * @return array<string, mixed>
 */
function sensing(array $steps, array $more = []): array
{
    return $more + ['routines.1.steps' => $steps, 'scenarios' => [], 'log' => []];
}

/**
 * A cup whose distance is read, and the thresholds between with and without it.
 *
 * @param  list<float|int>  $absent
 * @param  list<float|int>  $present
 * @return array<string, mixed>
 */
function readCup(array $absent, array $present, float $upper = 50.0, float $lower = 45.0): array
{
    return ['sensors.2' => ['id' => 'cup', 'name' => 'Cup', 'kind' => 'distance', 'upper' => $upper, 'lower' => $lower, 'absent' => $absent, 'present' => $present]];
}

/** @return array<string, mixed> a magnet on the lift, seen by a sensor so far to either side of 50 mm */
function markOfLift(float $reach, float $late_s = 0.0): array
{
    return ['sensors.2' => ['id' => 'mark', 'name' => 'Mark', 'kind' => 'magnet', 'motion' => 'lift', 'at' => 0.05, 'reach' => $reach, 'late_s' => $late_s]];
}

/** @return array<string, mixed> */
function bouncingMark(float $reach, float $bounce_s): array
{
    return ['sensors.2' => ['bounce_s' => $bounce_s] + markOfLift($reach)['sensors.2']];
}

/** @return array<string, mixed> the lift as a feeder of items 4 mm apart that a sensor tells so late */
function fedPastSlot(float $late_s): array
{
    return ['motions.2.mechanism' => ['kind' => 'feeder', 'drum_radius_m' => 0.02, 'item_pitch_m' => 0.004, 'item_kg' => 0.01], 'motions.2.task.keeps_turning' => true, 'motions.2.stops.hard_low' => null,
        'motions.2.stops.hard_high' => null, 'sensors.2' => ['id' => 'slot', 'name' => 'Slot', 'kind' => 'reflective', 'late_s' => $late_s]];
}

const PAUSE = [['do' => 'wait', 'for_s' => 0.5]];
const FOR_CUP = [['do' => 'wait', 'until' => ['sensor' => 'cup'], 'give_up_s' => 3]];
const TO_MARK = [['do' => 'run', 'motion' => 'lift', 'direction' => 'up', 'until' => ['sensor' => 'mark'], 'give_up_s' => 6], ['do' => 'stop', 'motion' => 'lift']];
const TO_SLOT = [['do' => 'run', 'motion' => 'lift', 'direction' => 'up', 'until' => ['sensor' => 'slot'], 'give_up_s' => 6], ['do' => 'stop', 'motion' => 'lift']];
const AWAY = [20, 21, 22, 23, 24, 25, 26, 27, 28, 29];
const THERE = [70, 71, 72, 73, 74, 75, 76, 77, 78, 79];

it('says of what a routine senses what is so on one side of a threshold, and not on the other', function (string $codes, array $planted, array $says) {
    expect(Said::atOnce($codes, $planted))->toBe($says);
})->with(function () {
    $many = fn (int $count, int $from): array => array_map(fn (int $i): int => $from + $i % 10, range(0, $count - 1));
    $every = fn (float $every_s): array => sensing(PAUSE, ['settings.timer_Hz' => 32768, 'settings.timer_stages' => 20, 'routines.1.starts' => [['when' => 'every', 'every_s' => $every_s]]]);
    $compared = fn (float $value): array => sensing(PAUSE, readCup(AWAY, THERE) + ['routines.1.starts' => [['when' => 'level', 'sensor' => 'cup', 'is' => 'above', 'value' => $value, 'hysteresis' => 2]]]);
    $cannot = fn (string $wanted, string $nearest): array => ["fails routine.timer_cannot at routines.1.starts.0.every_s: A clock of 32.8 kHz behind 20 stages cannot give {$wanted} s: the nearest it gives is {$nearest} s."];
    $misses = fn (string $value): array => ["fails routine.level_misses at routines.1.starts.0.value: Show compares Cup with {$value}, and that misreads 5% of its own readings: 49.5 separates them best."];
    $lid = [['do' => 'go', 'motion' => 'lid', 'place' => 'open', 'give_up_s' => 4]];
    $alone = ['routines.1.starts' => [['when' => 'every', 'every_s' => 600]]];

    return [
        // believed after 10 ms
        'a button that bounces shorter' => ['routine.chatters', sensing(PAUSE, ['sensors.0.bounce_s' => 0.0099]), []],
        'as long' => ['routine.chatters', sensing(PAUSE, ['sensors.0.bounce_s' => 0.01]), ['fails routine.chatters at routines.1.starts.0: Button bounces for 0.01 s and is believed after 0.01 s: one press counts as several.']],
        'a beam that a step waits for' => ['routine.chatters', sensing([['do' => 'wait', 'until' => ['sensor' => 'beam'], 'give_up_s' => 3]], ['sensors.1.bounce_s' => 0.02]),
            ['fails routine.chatters at routines.1.steps.0: Beam bounces for 0.02 s and is believed after 0.01 s: one press counts as several.']],
        'what nothing hangs on' => ['routine.chatters', sensing(PAUSE, ['sensors.1.bounce_s' => 0.02]), []],
        'a switch that bounces shorter' => ['stops.switch_bounces', sensing(PAUSE, ['motions.0.stops.switches.0.bounce_s' => 0.0099]), []],
        'a switch that bounces as long' => ['stops.switch_bounces', sensing(PAUSE, ['motions.0.stops.switches.0.bounce_s' => 0.01]),
            ['fails stops.switch_bounces at motions.0.stops.switches.0.bounce_s: Lid shut switch bounces for 0.01 s and is believed after 0.01 s: while it still chatters it is on and off again.']],
        // 20 to 29 without it, 70 to 79 with it
        'a value that lies among those without it' => ['routine.level_misses', $compared(29.0), $misses('29')],
        'just above them' => ['routine.level_misses', $compared(29.5), []],
        'at the lowest of the others' => ['routine.level_misses', $compared(70.0), []],
        'above that' => ['routine.level_misses', $compared(70.5), $misses('70.5')],
        'two readings of each' => ['routine.threshold|routine.few|routine.sees', sensing(FOR_CUP, readCup([20, 21], [70, 71])), [
            'note routine.threshold_guessed at sensors.2.upper: The threshold of Cup is a guess: ten readings with the thing and ten without it, in the light it will live in, tell where it belongs.',
        ]],
        'three without it alone' => ['routine.threshold|routine.few|routine.sees', sensing(FOR_CUP, readCup([20, 21, 22], [70, 71])), [
            'note routine.threshold_guessed at sensors.2.upper: The threshold of Cup is a guess: ten readings with the thing and ten without it, in the light it will live in, tell where it belongs.',
        ]],
        'three of each, far apart' => ['routine.threshold|routine.few|routine.sees', sensing(FOR_CUP, readCup([20, 21, 22], [70, 71, 72])), []],
        'ten of each, of which one lies near' => ['routine.threshold|routine.few|routine.sees', sensing(FOR_CUP, readCup(AWAY, [72, 73, 74, 75, 76, 77, 78, 79, 80, 49])), [
            'note routine.few_readings at sensors.2.absent: Cup was read 10 times without the thing and 10 times with it: that few cannot rule out that it misreads 1.29%. More of each tell the spread better.',
        ]],
        'a threshold among those without it' => ['routine.threshold|routine.few|routine.sees', sensing(FOR_CUP, readCup(AWAY, THERE, 29.0, 28.0)), [
            'fails routine.sees_ghosts at sensors.2.upper: With its threshold Cup misreads 5% of its own readings.',
        ]],
        'what no threshold separates' => ['routine.threshold|routine.few|routine.sees', sensing(FOR_CUP, readCup([20, 50, 30, 45, 22, 70, 30, 20, 10, 44], [70, 71, 40, 60, 44, 72, 30, 44, 60, 75])), [
            'fails routine.sees_ghosts at sensors.2.upper: With its threshold Cup misreads 30% of its own readings, and no threshold separates the two.',
        ]],
        'one of 95 on the wrong side' => ['routine.threshold|routine.few|routine.sees', sensing(FOR_CUP, readCup($many(47, 20), [40, ...$many(47, 70)])), [
            'fails routine.sees_ghosts at sensors.2.upper: With its threshold Cup misreads 1.05% of its own readings.',
        ]],
        'one of 101' => ['routine.threshold|routine.few|routine.sees', sensing(FOR_CUP, readCup($many(50, 20), [40, ...$many(50, 70)])), []],
        // 33.5 rpm on 10 mm are 35.07 mm/s; what is seen takes effect within 10 ms
        'a mark of 0.35 mm' => ['routine.runs_past', sensing(TO_MARK, markOfLift(0.000175)), ['fails routine.runs_past at routines.1.steps.0.speed: Lift is at Mark for 0.00998 s and that is seen only after 0.01 s: it runs past.']],
        'one of 0.36 mm' => ['routine.runs_past', sensing(TO_MARK, markOfLift(0.00018)), []],
        'one of 0.7 mm seen 10 ms later' => ['routine.runs_past', sensing(TO_MARK, markOfLift(0.000349, 0.01)), [
            'fails routine.runs_past at routines.1.steps.0.speed: Lift is at Mark for 0.0199 s and that is seen only after 0.02 s: it runs past.',
        ]],
        // its driver takes 1 ms; bouncing for 4 ms, it is believed 10 ms after that: within 15 ms, three scans; for 5 ms, within four
        'one of 0.7 mm that bounces' => ['routine.runs_past', sensing(TO_MARK, bouncingMark(0.00035, 0.004)), [
            'fails routine.runs_past at routines.1.steps.0.speed: Lift is at Mark for 0.01995 s and that is seen only after 0.02 s: it runs past.',
        ]],
        'one of 0.704 mm that bounces' => ['routine.runs_past', sensing(TO_MARK, bouncingMark(0.000352, 0.004)), []],
        'one of 0.704 mm that bounces longer' => ['routine.runs_past', sensing(TO_MARK, bouncingMark(0.000352, 0.005)), [
            'fails routine.runs_past at routines.1.steps.0.speed: Lift is at Mark for 0.0201 s and that is seen only after 0.025 s: it runs past.',
        ]],
        'one of 0.71 mm' => ['routine.runs_past', sensing(TO_MARK, markOfLift(0.000353, 0.01)), []],
        // 70.1 mm/s on 20 mm: 2 mm, half of what lies between two items, in 28.5 ms, of which the controller takes 6
        'told after 22 ms' => ['routine.two_at_once', sensing(TO_SLOT, fedPastSlot(0.0224)), []],
        'told after 23 ms' => ['routine.two_at_once', sensing(TO_SLOT, fedPastSlot(0.0227)), [
            'fails routine.two_at_once at routines.1.steps.0.speed: Until Slot tells and the motor is off, Lift goes on 2.01 mm, and the next item follows after 4 mm: two are taken for one.',
        ]],
        // 2^15 / 32768 Hz is a second; within a fiftieth of what is wanted
        'a second, nearly' => ['routine.timer', $every(1.021), $cannot('1.02', '1')],
        'as near as that' => ['routine.timer', $every(1.0204), []],
        'a little less' => ['routine.timer', $every(0.98), $cannot('0.98', '1')],
        'nearer' => ['routine.timer', $every(0.981), []],
        'the longest that it counts' => ['routine.timer', $every(32.6), []],
        'longer' => ['routine.timer', $every(33.0), $cannot('33', '32')],
        'ten minutes' => ['routine.timer', $every(300.0), $cannot('300', '32')],
        'no clock is said' => ['routine.timer', sensing(PAUSE, ['routines.1.starts' => [['when' => 'every', 'every_s' => 300]]]), []],
        'it starts by itself, and may fail' => ['routine.unnoticed', sensing($lid, $alone), ['tight routine.unnoticed at routines.1.if_fails: Show starts by itself, and when it fails nobody is told: it may have stood still for days.']],
        'it cannot fail' => ['routine.unnoticed', sensing([['do' => 'signal', 'output' => 'lamp', 'state' => 'on']], $alone), []],
        'somebody is told' => ['routine.unnoticed', sensing($lid, $alone + ['routines.1.if_fails' => [['do' => 'signal', 'output' => 'lamp', 'state' => 'on']]]), []],
        'somebody starts it' => ['routine.unnoticed', sensing($lid), []],
    ];
});

it('offers what is just enough', function (string $code, array $planted, array $offers) {
    expect(Said::offers($code, $planted))->toBe($offers);
})->with([
    // 1.5 × 13 ms, in whole milliseconds
    'belief' => ['routine.chatters', sensing(PAUSE, ['sensors.0.bounce_s' => 0.013]), ['Believe switches only after 0.02 s']],
    'belief in a switch' => ['stops.switch_bounces', sensing(PAUSE, ['motions.0.stops.switches.0.bounce_s' => 0.02]), ['Believe switches only after 0.03 s']],
    // 35.07 mm/s × 10 ms ÷ 2 ÷ 0.8; four fifths of the speed at which it would just be seen
    'a wider mark, or less speed' => ['routine.runs_past', sensing(TO_MARK, markOfLift(0.0001)), ['Make the mark wider: 0.22 mm to either side', 'Move it at 45.6% speed']],
    'feeding slower' => ['routine.two_at_once', sensing(TO_SLOT, fedPastSlot(0.05)), ['Feed at 40.7% speed']],
]);

it('gives what goes slower as much more time', function (float $speed, float $give_up_s) {
    $steps = [['speed' => $speed] + TO_MARK[0], TO_MARK[1]];
    $found = Builds::found(Builds::planted(sensing($steps, markOfLift(0.00005))), 'routine.runs_past')[0];
    $changes = array_column(array_map(fn ($change): array => [$change->path, $change->value], $found->fixes[1]->changes), 1, 0);

    expect($changes['routines.1.steps.0.give_up_s'])->toBe(ceil(6 * $speed / $changes['routines.1.steps.0.speed']))->and($changes['routines.1.steps.0.give_up_s'])->toBe($give_up_s);
})->with([[1.0, 27.0], [0.5, 13.0]]);
