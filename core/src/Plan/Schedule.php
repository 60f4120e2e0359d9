<?php

declare(strict_types=1);

namespace Brookstone\Core\Plan;

use Brookstone\Core\Error\ImpossibleValue;

/**
 * When each task can be done, which of them decide the end, and how long each other may wait.
 *
 * Critical path method: Kelley & Walker, Critical-Path Planning and Scheduling, Proc. EJCC (1959); forward and backward pass as in Hillier & Lieberman,
 * Introduction to Operations Research, §22. One pair of hands: work is done one task after the other, in the order of the list where nothing else decides,
 * what only passes goes on beside (serial schedule generation: Kolisch, EJOR 90 (1996) 320). Tasks are taken by how much hangs on them.
 */
final readonly class Schedule
{
    private const HAIR = 1e-9;

    /**
     * @param  array<string, Slot>  $slots  by task, those that are not done yet
     * @param  list<string>  $path  the tasks that decide when it ends, in order
     * @param  float  $ends  days from the beginning until all is done
     * @param  list<array{string, string}>  $leftOut  needs that would make a task need itself: the task, and what it is said to need
     */
    private function __construct(public array $slots, public array $path, public float $ends, public array $leftOut)
    {
    }

    /**
     * @param  list<Task>  $tasks
     */
    public static function of(array $tasks, Calendar $calendar): self
    {
        $byId = [];
        foreach ($tasks as $task) {
            $byId[$task->id] = $task;
        }
        ImpossibleValue::unlessNotNegative('tasks', count($byId) - count($tasks));
        [$needs, $leftOut] = self::needs($byId);
        $open = array_filter($byId, fn (Task $task): bool => ! $task->done);
        $needs = array_map(fn (array $of): array => array_values(array_filter($of, fn (string $id): bool => isset($open[$id]))), array_intersect_key($needs,
            $open));
        $hangs = self::hangsOn($open, $needs);
        $slots = $because = $order = [];
        $hours = 0.0; // of work that are spoken for
        while (count($slots) < count($open)) {
            $free = $calendar->beginsAfter($hours);
            [$id, $ready] = self::next($open, $needs, $slots, $hangs, $free);
            $task = $open[$id];
            $begins = $done = $ready;
            $because[$id] = self::latest($needs[$id], $slots);
            if ($task->hours > 0.0) {
                $because[$id] = $free > $ready + self::HAIR ? $order[count($order) - 1] ?? null : $because[$id];
                $from = max($hours, $calendar->hoursAt($ready));
                [$hours, $begins] = [$from + $task->hours, max($ready, $calendar->beginsAfter($from))];
                $done = max($begins, $calendar->done($hours));
                $order[] = $id;
            }
            $slots[$id] = [$begins, $done, $task->ends_on === null ? $done + $task->waits_days : max($done, $task->ends_on)];
        }
        $ends = array_reduce($slots, fn (float $most, array $slot): float => max($most, $slot[2]), 0.0);

        return new self(self::withSpare($slots, $needs, $order, $ends, $calendar), self::path($slots, $because), $ends, $leftOut);
    }

    /**
     * The needs of each task among those there are, without what would go round in a circle.
     *
     * @param  array<string, Task>  $tasks
     * @return array{array<string, list<string>>, list<array{string, string}>}
     */
    private static function needs(array $tasks): array
    {
        [$needs, $leftOut] = [array_fill_keys(array_keys($tasks), []), []];
        foreach ($tasks as $id => $task) {
            foreach (array_unique($task->needs) as $other) {
                if (! isset($tasks[$other])) {
                    continue;
                }
                if ($other === $id || self::reaches($needs, $other, $id)) {
                    $leftOut[] = [$id, $other];
                } else {
                    $needs[$id][] = $other;
                }
            }
        }

        return [$needs, $leftOut];
    }

    /** @param  array<string, list<string>>  $needs */
    private static function reaches(array $needs, string $from, string $to): bool
    {
        $open = [$from];
        $seen = [$from => true];
        while ($open !== []) {
            foreach ($needs[array_pop($open)] as $next) {
                if ($next === $to) {
                    return true;
                }
                if (! isset($seen[$next])) {
                    $seen[$next] = true;
                    $open[] = $next;
                }
            }
        }

        return false;
    }

    /**
     * The next task to begin: of those whose needs have their time, the one that can begin first; of several, that on which most hangs.
     *
     * @param  array<string, Task>  $open
     * @param  array<string, list<string>>  $needs
     * @param  array<string, array{float, float, float}>  $slots
     * @param  array<string, float>  $hangs
     * @return array{string, float} and from when on it is ready
     */
    private static function next(array $open, array $needs, array $slots, array $hangs, float $free): array
    {
        $best = null;
        foreach (array_diff_key($open, $slots) as $id => $task) {
            if (array_diff_key(array_flip($needs[$id]), $slots) !== []) {
                continue;
            }
            $ready = array_reduce($needs[$id], fn (float $most, string $need): float => max($most, $slots[$need][2]), 0.0);
            $begins = $task->hours > 0.0 ? max($ready, $free) : $ready;
            if ($best === null || $begins < $best[2] - self::HAIR || ($begins < $best[2] + self::HAIR && $hangs[$id] > $hangs[$best[0]] + self::HAIR)) {
                $best = [$id, $ready, $begins];
            }
        }
        assert($best !== null); // what goes round in a circle was left out

        return [$best[0], $best[1]];
    }

    /**
     * How long it takes from the beginning of each to the end of all that needs it, in hours of work and days that pass, taken as hours.
     *
     * @param  array<string, Task>  $open
     * @param  array<string, list<string>>  $needs
     * @return array<string, float>
     */
    private static function hangsOn(array $open, array $needs): array
    {
        $hangs = [];
        $of = function (string $id) use (&$of, &$hangs, $open, $needs): float {
            if (! isset($hangs[$id])) {
                $after = array_keys(array_filter($needs, fn (array $need): bool => in_array($id, $need, true)));
                $hangs[$id] = $open[$id]->hours + 24 * $open[$id]->waits_days
                    + array_reduce($after, fn (float $most, string $later): float => max($most, $of($later)), 0.0);
            }

            return $hangs[$id];
        };
        array_map($of, array_keys($open));

        return $hangs;
    }

    /**
     * @param  list<string>  $needs
     * @param  array<string, array{float, float, float}>  $slots
     */
    private static function latest(array $needs, array $slots): ?string
    {
        $latest = null;
        foreach ($needs as $need) {
            $latest = $latest === null || $slots[$need][2] > $slots[$latest][2] ? $need : $latest;
        }

        return $latest;
    }

    /**
     * @param  array<string, array{float, float, float}>  $slots
     * @param  array<string, string|null>  $because  by task, the one after whose end it could begin
     * @return list<string>
     */
    private static function path(array $slots, array $because): array
    {
        $at = null;
        foreach ($slots as $id => $slot) {
            $at = $at === null || $slot[2] > $slots[$at][2] ? $id : $at;
        }
        $path = [];
        while ($at !== null) {
            array_unshift($path, $at);
            $at = $because[$at];
        }

        return $path;
    }

    /**
     * From the last to the first: a task may end later by what everything after it may begin later, and by the time between.
     *
     * @param  array<string, array{float, float, float}>  $slots  in an order in which each comes after what it needs
     * @param  array<string, list<string>>  $needs
     * @param  list<string>  $order  of the work
     * @return array<string, Slot>
     */
    private static function withSpare(array $slots, array $needs, array $order, float $ends, Calendar $calendar): array
    {
        $then = array_combine(array_slice($order, 0, -1), array_slice($order, 1));
        $spare = array_map(fn (array $slot): float => $ends - $slot[2], $slots);
        foreach (array_reverse(array_keys($slots)) as $id) {
            if (isset($then[$id])) { // a day of rest between the two is no time to spare
                [$done, $next] = [$slots[$id][1], $slots[$then[$id]][0]];
                $isAtOnce = $calendar->hoursAt($next) - $calendar->hoursAt($done) < self::HAIR * $calendar->hours_a_day;
                $spare[$id] = min($spare[$id], $spare[$then[$id]] + ($isAtOnce ? 0.0 : $next - $done));
            }
            foreach ($needs[$id] as $before) {
                [$end, $next] = [$slots[$before][2], $slots[$id][0]];
                $isAtOnce = $end === $slots[$before][1] && $calendar->hoursAt($next) - $calendar->hoursAt($end) < self::HAIR * $calendar->hours_a_day;
                $spare[$before] = min($spare[$before], $spare[$id] + ($isAtOnce ? 0.0 : $next - $end));
            }
        }

        $made = [];
        foreach ($slots as $id => [$begins, $done, $end]) {
            $made[$id] = new Slot($begins, $done, $end, max(0.0, $spare[$id]));
        }

        return $made;
    }
}
