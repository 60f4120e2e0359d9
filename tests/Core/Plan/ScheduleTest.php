<?php

declare(strict_types=1);

use Brookstone\Core\Error\ImpossibleValue;
use Brookstone\Core\Export\Ics;
use Brookstone\Core\Plan\Calendar;
use Brookstone\Core\Plan\Schedule;
use Brookstone\Core\Plan\Slot;
use Brookstone\Core\Plan\Task;

/** @param  list<Task>  $tasks */
function scheduled(array $tasks, ?string $begins = null, float $hours = 2.0, array $rests = []): Schedule
{
    return Schedule::of($tasks, new Calendar($begins, $hours, $rests));
}

/** @return list<float> */
function daysOf(Slot $slot): array
{
    return [round($slot->begins, 6), round($slot->worked, 6), round($slot->ends, 6), round($slot->spare_days, 6)];
}

it('does work one after the other, and lets what only passes go on beside it', function () {
    // two hours a day: ordering half an hour, then 7 days; 6 h of other work meanwhile; 2 h that need both
    $plan = scheduled([new Task('order', 0.5, 7.0, []), new Task('frame', 6.0, 0.0, []), new Task('fit', 2.0, 0.0, ['order', 'frame'])]);

    expect(daysOf($plan->slots['order']))->toBe([0.0, 0.25, 7.25, 0.0])->and(daysOf($plan->slots['frame']))->toBe([0.25, 3.25, 3.25, 4.0])
        ->and(daysOf($plan->slots['fit']))->toBe([7.25, 8.25, 8.25, 0.0])->and($plan->ends)->toBeAbout(8.25)
        ->and($plan->path)->toBe(['order', 'fit'])->and($plan->slots['order']->isCritical())->toBeTrue()->and($plan->slots['frame']->isCritical())->toBeFalse();
});

it('begins with that on which most hangs', function () {
    $plan = scheduled([new Task('small', 1.0, 0.0, []), new Task('glue', 1.0, 3.0, []), new Task('paint', 1.0, 0.0, ['glue'])]);

    expect(array_keys($plan->slots))->toBe(['glue', 'small', 'paint'])->and($plan->ends)->toBeAbout(4.0);
});

it('leaves out what is done, and what is needed of it', function () {
    $plan = scheduled([new Task('a', 8.0, 9.0, [], done: true), new Task('b', 2.0, 0.0, ['a', 'no such task'])]);

    expect(array_keys($plan->slots))->toBe(['b'])->and(daysOf($plan->slots['b']))->toBe([0.0, 1.0, 1.0, 0.0])->and(scheduled([])->ends)->toBe(0.0);
});

it('waits for a parcel until its day, and no longer', function () {
    $plan = scheduled([new Task('get', 0.0, 21.0, [], ends_on: 4.0), new Task('fit', 2.0, 0.0, ['get'])]);

    expect($plan->slots['get']->ends)->toBe(4.0)->and($plan->slots['fit']->begins)->toBe(4.0)->and($plan->ends)->toBeAbout(5.0);
});

it('leaves out a need that would go round in a circle, and says which', function () {
    $plan = scheduled([new Task('a', 1.0, 0.0, ['c']), new Task('b', 1.0, 0.0, ['a']), new Task('c', 1.0, 0.0, ['b']), new Task('d', 1.0, 0.0, ['d'])]);

    expect($plan->leftOut)->toBe([['c', 'b'], ['d', 'd']])->and($plan->slots)->toHaveCount(4)->and($plan->slots['c']->ends)->toBeLessThan($plan->slots['b']->begins);
});

it('passes over days without work', function () {
    // Friday 2026-05-29, two hours a day, no work on Saturday and Sunday: the third and fourth hour are Monday's
    $calendar = new Calendar('2026-05-29', 2.0, ['sat', 'sun']);

    expect($calendar->beginsAfter(0.0))->toBe(0.0)->and($calendar->done(2.0))->toBe(1.0)->and($calendar->beginsAfter(2.0))->toBe(3.0)
        ->and($calendar->done(3.0))->toBe(3.5)->and($calendar->done(12.0))->toBe(8.0)->and($calendar->hoursAt(1.5))->toBe(2.0)->and($calendar->hoursAt(3.25))->toBe(2.5)
        ->and($calendar->on(3.5))->toBe('2026-06-01')->and($calendar->dayOf('2026-06-05'))->toBe(7.0)
        ->and((new Calendar(null, 2.0, ['mon']))->beginsAfter(2.0))->toBe(1.0)->and((new Calendar(null, 2.0, []))->on(3.0))->toBeNull()
        ->and((new Calendar('2028-02-28', 1.0, []))->on(1.0))->toBe('2028-02-29');
});

it('takes a day of rest between two tasks for no time to spare, but a parcel may come on it', function () {
    // Friday to Saturday 4 hours; Sunday is free; Monday goes on. The parcel of Saturday night may come on Sunday.
    $tasks = [new Task('saw', 4.0, 0.0, []), new Task('fit', 2.0, 0.0, ['saw', 'parcel']), new Task('parcel', 0.0, 2.0, [])];
    $plan = scheduled($tasks, '2026-05-29', 2.0, ['sun']);

    expect(daysOf($plan->slots['saw']))->toBe([0.0, 2.0, 2.0, 0.0])->and(daysOf($plan->slots['fit']))->toBe([3.0, 4.0, 4.0, 0.0])
        ->and(daysOf($plan->slots['parcel']))->toBe([0.0, 0.0, 2.0, 1.0]);
});

it('refuses days without hours', fn () => new Calendar(null, 0.0, []))->throws(ImpossibleValue::class);

it('never begins before what is needed, never does two things at once, and spares no day that is not there', function () {
    mt_srand(5);
    for ($round = 0; $round < 60; $round++) {
        $tasks = [];
        for ($i = 0; $i < 12; $i++) {
            $needs = array_map(fn (): string => 't'.mt_rand(0, 11), range(1, mt_rand(1, 3)));
            $tasks["t{$i}"] = new Task("t{$i}", mt_rand(0, 3) === 0 ? 0.0 : mt_rand(1, 12) / 2, mt_rand(0, 2) === 0 ? mt_rand(1, 9) : 0.0, $needs);
        }
        $plan = scheduled(array_values($tasks), '2026-05-29', 2.0, ['sun']);
        $left = array_map(fn (array $pair): string => implode(' ', $pair), $plan->leftOut);
        $work = [];
        foreach ($plan->slots as $id => $slot) {
            foreach ($tasks[$id]->needs as $need) {
                if ($need !== $id && ! in_array("{$id} {$need}", $left, true)) {
                    expect($slot->begins)->toBeGreaterThanOrEqual($plan->slots[$need]->ends - 1e-9);
                }
            }
            expect($slot->worked)->toBeGreaterThanOrEqual($slot->begins)->and($slot->ends + $slot->spare_days)->toBeLessThanOrEqual($plan->ends + 1e-9);
            if ($tasks[$id]->hours > 0.0) {
                $work[] = [$slot->begins, $slot->worked];
            }
        }
        sort($work);
        for ($i = 1; $i < count($work); $i++) {
            expect($work[$i][0])->toBeGreaterThanOrEqual($work[$i - 1][1] - 1e-9);
        }
        $last = $plan->path[count($plan->path) - 1];
        expect($plan->slots[$last]->ends)->toBe($plan->ends)->and($plan->slots[$last]->isCritical())->toBeTrue();
    }
});

it('ends later by as much as what decides is late, and no later while a task only uses its spare time', function () {
    $tasks = fn (float $order, float $frame): array => [new Task('order', 0.5, $order, []), new Task('frame', $frame, 0.0, []), new Task('fit', 2.0, 0.0, ['order', 'frame'])];
    $ends = scheduled($tasks(7.0, 6.0))->ends;

    expect(scheduled($tasks(10.0, 6.0))->ends)->toBeAbout($ends + 3.0)->and(scheduled($tasks(7.0, 6.0 + 2 * 3.9))->ends)->toBeAbout($ends)
        ->and(scheduled($tasks(7.0, 6.0 + 2 * 4.5))->ends)->toBeGreaterThan($ends + 0.4);
});

it('writes days as a calendar, its lines folded and its signs kept', function () {
    $says = 'Get gears, shafts; belts \\ and what else is long enough to be folded: žába, žába, žába, žába';
    $ics = Ics::write('Heron, Wharf', [['id' => 'a@b', 'from' => '2026-05-30', 'until' => '2026-05-31', 'says' => $says, 'note' => "one\ntwo"]], '2026-05-29');
    $lines = explode("\r\n", $ics);

    expect(array_filter($lines, fn (string $line): bool => strlen($line) > 75))->toBe([])
        ->and(str_replace("\r\n ", '', $ics))->toContain("SUMMARY:Get gears\\, shafts\\; belts \\\\ and what else is long enough to be folded: žába\\, žába\\, žába\\, žába\r\n")
        ->toContain("DTSTART;VALUE=DATE:20260530\r\nDTEND;VALUE=DATE:20260601\r\n")->toContain("DESCRIPTION:one\\ntwo\r\n")->toContain("X-WR-CALNAME:Heron\\, Wharf\r\n")
        ->toContain("DTSTAMP:20260529T000000Z\r\n")->and($lines[count($lines) - 1])->toBe('')
        ->and(array_filter($lines, fn (string $line): bool => ! mb_check_encoding($line, 'UTF-8')))->toBe([]);
});
