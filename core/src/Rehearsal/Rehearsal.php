<?php

declare(strict_types=1);

namespace Brookstone\Core\Rehearsal;

use Brookstone\Core\Build\Build;
use Brookstone\Core\Build\Motion;
use Brookstone\Core\Condition\Condition;
use Brookstone\Core\Condition\CounterIs;
use Brookstone\Core\Routine\CallStep;
use Brookstone\Core\Routine\ChooseStep;
use Brookstone\Core\Routine\Routine;
use Brookstone\Core\Routine\Trigger;

/**
 * Runs every routine of a build from everywhere that it can begin: from power-on with its motions where they rest and, one after the other, at each end of
 * their ways; after each routine that leaves something else behind than it found; with each thing so, and not so, that it chooses by; and in the
 * scenarios of the build. A pure function.
 */
final class Rehearsal
{
    private const SAME_SHARE = 0.01; // of its range: so near two beginnings are one

    /** @var array<string, list<Performance>> */
    private array $performances = [];

    private function __construct(private readonly Build $build)
    {
    }

    public static function of(Build $build): Rehearsed
    {
        $self = new self($build);
        foreach ($build->routines as $id => $routine) {
            $self->performances[$id] = [];
            if ($self->isComplete($routine)) {
                $self->performances[$id][] = Stage::perform($build, $routine, new Start('from power-on'));
            }
        }
        foreach (array_filter($self->performances) as $id => $plain) {
            foreach ($self->starts($build->routines[$id]) as $start) {
                $self->performances[$id][] = Stage::perform($build, $build->routines[$id], $start);
            }
        }
        $self->scenarios();

        return new Rehearsed($self->performances);
    }

    /** It has steps, and drives for all that it moves. */
    private function isComplete(Routine $routine): bool
    {
        foreach ($this->motions($routine) as $motion) {
            if ($this->build->motions[$motion]->drive === null) {
                return false;
            }
        }

        return $routine->steps !== [];
    }

    /** @return list<Start> everywhere else that it can begin */
    private function starts(Routine $routine): array
    {
        $starts = [];
        foreach ($this->motions($routine) as $id) {
            $motion = $this->build->motions[$id];
            foreach (self::ends($motion) as $name => $at) {
                $starts[] = new Start("from power-on with {$motion->name} at {$name}", [$id => $at]);
            }
        }
        $starts[] = $this->halfWay($routine);
        $plain = $this->performances[$routine->id][0];
        foreach ($this->build->routines as $other => $before) {
            $leaves = $this->performances[$other][0] ?? null;
            if ($leaves === null || $leaves->outcome !== 'ends' || self::onlyAtPowerOn($before)) {
                continue;
            }
            $ends = array_intersect_key($leaves->ends, array_flip(array_intersect($this->motions($routine), $this->motions($before))));
            if (self::onlyAtPowerOn($routine)) {
                $starts[] = new Start("from power-on as {$before->name} leaves it", array_filter($ends, fn (float $at, string $id): bool => ! $this->isAt($this->build->motions[$id], $at, $this->build->motions[$id]->at($this->build->motions[$id]->task->from)), ARRAY_FILTER_USE_BOTH));
            } elseif ($leaves->left !== $plain->began && ($ends !== [] || $this->asksForCounters($routine))) {
                $starts[] = new Start($other === $routine->id ? 'a second time' : "after {$before->name}", after: (string) $other);
            }
        }
        foreach ($routine->flat() as $step) {
            foreach ($step instanceof ChooseStep ? [true, false] : [] as $so) {
                if (Stagehand::events($this->build->sensors, $step->if, $so) !== []) {
                    $says = $step->if->says($this->build)->text();
                    $starts[] = new Start($so ? "when {$says}" : "when it is not so that {$says}", so: [$step->if, $so]);
                }
            }
        }

        return self::differing(array_filter($starts));
    }

    /** Where a power cut in the middle of its longest move leaves it. */
    private function halfWay(Routine $routine): ?Start
    {
        $longest = null;
        foreach ($this->performances[$routine->id][0]->steps as $step) {
            $motion = $step['motion'] === null || $step['routine'] !== $routine->id ? null : $this->build->motions[$step['motion']];
            if ($motion !== null && $step['end_s'] !== null && ! Stage::isAlikeEverywhere($motion) && ($longest === null || $step['end_s'] - $step['start_s'] > $longest[0])) {
                $longest = [$step['end_s'] - $step['start_s'], $motion];
            }
        }
        if ($longest === null) {
            return null;
        }
        [$low, $high] = $longest[1]->range();

        return new Start("from power-on with {$longest[1]->name} half way", [$longest[1]->id => ($low + $high) / 2]);
    }

    /**
     * Each once: what begins at the same places after the same thing is one.
     *
     * @param  array<int, Start>  $starts
     * @return list<Start>
     */
    private static function differing(array $starts): array
    {
        $differing = [];
        foreach ($starts as $start) {
            if ($start->at !== [] || $start->after !== null || $start->so !== null) {
                $key = json_encode([array_map(fn (float $at): float => round($at, 3), $start->at), $start->after, $start->so === null ? null : $start->says], JSON_THROW_ON_ERROR);
                $differing[$key] ??= $start;
            }
        }

        return array_values($differing);
    }

    /** The scenarios of the build, each once: what of every routine is performed in it. */
    private function scenarios(): void
    {
        foreach ($this->build->scenarios as $scenario) {
            foreach (array_keys(array_filter($this->performances)) as $id) {
                if ($this->startsIn($this->build->routines[$id], $scenario->events)) {
                    $this->performances[$id][] = Stage::perform($this->build, $this->build->routines[$id], new Start("in “{$scenario->name}”", scenario: $scenario));

                    break; // it runs all of them
                }
            }
        }
    }

    /** @param  list<\Brookstone\Core\Routine\WorldEvent>  $events */
    private function startsIn(Routine $routine, array $events): bool
    {
        $touched = array_filter(array_map(fn ($event): ?string => in_array($event->what, ['sensor', 'level'], true) ? $event->of : null, $events));

        return array_filter($routine->starts, fn (Trigger $trigger): bool => $trigger->when === 'power_on' || in_array($trigger->sensor, $touched, true) || $trigger->condition !== null) !== [];
    }

    /** @return array<string, float> places at the ends of its way where it does not rest, by name */
    private static function ends(Motion $motion): array
    {
        if (Stage::isAlikeEverywhere($motion)) {
            return [];
        }
        $rest = $motion->at($motion->task->from);
        $places = [];
        foreach ($motion->places as $place) {
            $places[$place->name] = $place->at;
        }
        asort($places);
        $ends = array_unique([...array_slice($places, 0, 1), ...array_slice($places, -1)]);

        return array_filter($ends, fn (float $at): bool => abs($at - $rest) > 1e-9);
    }

    private function asksForCounters(Routine $routine): bool
    {
        foreach ($routine->flat() as $step) {
            if (array_filter($step->conditions(), fn (Condition $condition): bool => $condition instanceof CounterIs) !== []) {
                return true;
            }
        }

        return false;
    }

    private function isAt(Motion $motion, float $at, float $other): bool
    {
        [$low, $high] = $motion->range();

        return abs($motion->distance($at, $other)) <= self::SAME_SHARE * ($high - $low);
    }

    private static function onlyAtPowerOn(Routine $routine): bool
    {
        return $routine->starts !== [] && array_filter($routine->starts, fn (Trigger $trigger): bool => $trigger->when !== 'power_on') === [];
    }

    /** @return list<string> that it moves, by the routines that it calls too */
    private function motions(Routine $routine): array
    {
        $motions = [];
        $open = [$routine->id];
        for ($i = 0; $i < count($open); $i++) {
            foreach ($this->build->routines[$open[$i]]->flat() as $step) {
                if ($step->motion() !== null) {
                    $motions[$step->motion()] = true;
                }
                if ($step instanceof CallStep && ! in_array($step->routine, $open, true)) {
                    $open[] = $step->routine;
                }
            }
        }

        return array_map(strval(...), array_keys($motions));
    }
}
