<?php

declare(strict_types=1);

namespace Brookstone\Core\Making;

use Brookstone\Core\Build\Build;
use Brookstone\Core\Export\Ics;
use Brookstone\Core\Finding\Sentence;
use Brookstone\Core\Plan\Calendar;
use Brookstone\Core\Plan\Schedule;
use Brookstone\Core\Plan\Slot;
use Brookstone\Core\Plan\Task;
use Brookstone\Core\Quantity\Quantity;

/** The plan of a build: what comes when, what decides the end, what goes on while something is late. */
final readonly class PlanReport
{
    private const SOON = 0.5; // of a day: what waits no longer than that is not worth a word

    /** @var array<string, Step> */
    private array $steps;

    private Calendar $calendar;

    private Schedule $schedule;

    /** @param  string|null  $today  as 2026-05-31; null: what is open begins on the first day of the plan */
    public function __construct(private Build $build, ?string $today = null)
    {
        $this->calendar = PlanMaker::calendarOf($build, $today);
        $this->steps = PlanMaker::of($build, $this->calendar);
        $this->schedule = Schedule::of(array_values(array_map(fn (Step $step): Task => $step->task, $this->steps)), $this->calendar);
    }

    /** @return array<string, mixed> as the page shows it */
    public function written(): array
    {
        $runs = $this->endOf('routine');

        return [
            'says' => $this->says($runs), 'begins_on' => $this->build->making->begins_on, 'from_on' => $this->calendar->begins_on,
            'ends_day' => $this->schedule->ends, 'runs_day' => $runs,
            'runs_on' => $runs === null ? null : $this->calendar->on($this->last($runs)),
            'ends_on' => $this->calendar->on($this->last($this->schedule->ends)),
            'hours' => array_sum(array_map(fn (Step $step): float => $step->task->done ? 0.0 : $step->task->hours, $this->steps)),
            'path' => $this->schedule->path, 'remarks' => [...$this->decides(), ...$this->leftOut(), ...$this->standIns()],
            'stages' => $this->stages(), 'cautions' => $this->cautions(),
            'tasks' => array_values(array_map($this->task(...), $this->steps)),
        ];
    }

    /** What is still to do as a calendar; null where no first day is said. */
    public function ics(string $key): ?string
    {
        if ($this->calendar->begins_on === null) {
            return null;
        }
        $events = [];
        foreach ($this->schedule->slots as $id => $slot) {
            $step = $this->steps[$id];
            $events[] = ['id' => hash('xxh64', $id)."-{$key}@brookstone", 'from' => (string) $this->calendar->on($slot->begins),
                'until' => (string) $this->calendar->on(max($slot->begins, $this->last($slot->ends))), 'says' => $step->says->text(),
                'note' => PlanMaker::NAMES[$step->stage].($slot->isCritical() ? '. Any delay of it delays all.' : '')];
        }

        return Ics::write($this->build->name, $events, $this->calendar->begins_on);
    }

    /** Of a time, the day that it is still part of. */
    private function last(float $day): float
    {
        return max(0.0, ceil($day - 1e-9) - 1);
    }

    private function endOf(string $stage): ?float
    {
        $slots = array_intersect_key($this->schedule->slots, array_filter($this->steps, fn (Step $step): bool => $step->stage === $stage));

        return $slots === [] ? null : max(array_map(fn (Slot $slot): float => $slot->ends, $slots));
    }

    private function says(?float $runs): Sentence
    {
        if ($this->steps === []) {
            return new Sentence('There is nothing to plan yet: the plan follows from what moves.');
        }
        $open = count($this->schedule->slots);
        if ($open === 0) {
            return new Sentence('All of it is done.');
        }
        $when = fn (float $day): string => $this->calendar->on($this->last($day)) ?? 'day '.(int) ($this->last($day) + 1);
        $hours = ['hours' => Quantity::number(round(array_sum(array_map(fn (string $id): float => $this->steps[$id]->task->hours,
            array_keys($this->schedule->slots))), 1))];
        $all = count($this->steps);

        return new Sentence(($runs === null ? '' : "It can first run on {$when($runs)}. ")."{$open} of {$all} tasks are open, {hours} hours of work: done on "
            ."{$when($this->schedule->ends)}.", $hours);
    }

    /** @return list<Sentence> what that passes by itself decides the end, and what can be done meanwhile */
    private function decides(): array
    {
        $says = [];
        foreach ($this->schedule->path as $id) {
            $slot = $this->schedule->slots[$id];
            $waits = $slot->ends - $slot->worked;
            if ($waits <= self::SOON) {
                continue;
            }
            $meanwhile = array_filter($this->schedule->slots, fn (Slot $other, string $of): bool => $of !== $id && $other->begins < $slot->ends - 1e-9
                && $other->worked > $slot->worked + 1e-9 && $this->steps[$of]->task->hours > 0.0, ARRAY_FILTER_USE_BOTH);
            $hours = array_sum(array_map(fn (string $of): float => $this->steps[$of]->task->hours, array_keys($meanwhile)));
            $count = count($meanwhile);
            $says[] = (new Sentence(''))->goingOn('This decides when all is done: ', self::short($this->steps[$id]->says))->goingOn(', which takes ',
                new Sentence(
                    (abs($waits - 1.0) < 0.05 ? 'a day. ' : '{days} days. ').($count === 0 ? 'Nothing else can go on meanwhile.' : 'Meanwhile '.($count === 1
                        ? 'one task goes' : "{$count} tasks go")
                        .' on, {hours} hours of work.'), ['days' => Quantity::number(round($waits, 1)), 'hours' => Quantity::number(round($hours, 1))]));
        }

        return $says;
    }

    private static function short(Sentence $says): Sentence
    {
        return new Sentence(rtrim($says->template, '.'), $says->values);
    }

    /** @return list<Sentence> */
    private function leftOut(): array
    {
        return array_map(fn (array $pair): Sentence => (new Sentence(''))->goingOn('A need is left out, for it would go round in a circle: ',
            self::short($this->steps[$pair[0]]->says))->goingOn(' after ', self::short($this->steps[$pair[1]]->says)), $this->schedule->leftOut);
    }

    /** @return list<Sentence> */
    private function standIns(): array
    {
        return array_values(array_map(fn (Step $step): Sentence => new Sentence('With '.Sentence::quote($step->stand_in)
            .' in its place, this carries over: how it is '
            .'fixed, the direction, wiring, switches and program. This does not: times, currents, run-on, heat. Measure those again with the right part.'),
            array_filter($this->steps, fn (Step $step): bool => $step->stand_in !== '' && ! $step->task->done)));
    }

    /** @return list<array{code: string, says: string}> of the work itself */
    private function cautions(): array
    {
        $made = array_map(fn (Item $item): string => $item->made, Bill::of($this->build));
        $says = array_filter([
            'printing' => in_array('printed', $made, true) ? 'Printed parts: fresh air, and no hands in a hot printer.' : null,
            'sawing' => in_array('cut', $made,
                true) ? 'Sawing and drilling: eyes, hands, and no dust in the lungs. Glue and paint: fresh air, and no flame near.' : null,
            'soldering' => $this->build->wiring->boards === [] ? null : 'Soldering: fresh air, eyes and hands. Work without power.',
        ]);

        return array_map(fn (string $code, string $text): array => ['code' => $code, 'says' => $text], array_keys($says), $says);
    }

    /** @return list<array<string, mixed>> */
    private function stages(): array
    {
        $stages = [];
        foreach (PlanMaker::NAMES as $id => $name) {
            $of = array_filter($this->steps, fn (Step $step): bool => $step->stage === $id);
            $end = $this->endOf($id);
            if ($of !== []) {
                $stages[] = ['id' => $id, 'name' => $name, 'ends_in' => PlanMaker::ENDS_IN[$id], 'of' => count($of),
                    'done' => count(array_filter($of, fn (Step $step): bool => $step->task->done)), 'ends_day' => $end,
                    'ends_on' => $end === null ? null : $this->calendar->on($this->last($end))];
            }
        }

        return $stages;
    }

    /** @return array<string, mixed> */
    private function task(Step $step): array
    {
        $slot = $this->schedule->slots[$step->task->id] ?? null;

        return ['id' => $step->task->id, 'stage' => $step->stage, 'says' => $step->says, 'own' => $step->own, 'hours' => $step->task->hours,
            'waits_days' => $step->task->waits_days - $step->late_days, 'late_days' => $step->late_days, 'stand_in' => $step->stand_in,
            'needs' => array_values(array_filter($step->task->needs, fn (string $id): bool => isset($this->steps[$id]))), 'done' => $step->task->done,
            'done_on' => $step->done_on, 'begins' => $slot?->begins, 'worked' => $slot?->worked, 'ends' => $slot?->ends, 'spare_days' => $slot?->spare_days,
            'critical' => $slot?->isCritical() ?? false, 'begins_on' => $slot === null ? null : $this->calendar->on($slot->begins),
            'ends_on' => $slot === null ? null : $this->calendar->on(max($slot->begins, $this->last($slot->ends)))];
    }
}
