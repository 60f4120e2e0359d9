<?php

declare(strict_types=1);

namespace Brookstone\Core\Rehearsal;

use Brookstone\Core\Build\Build;
use Brookstone\Core\Machine\LiveStage;
use Brookstone\Core\Parts\Motion;
use Brookstone\Core\Parts\Supply;
use Brookstone\Core\Routine\Routine;
use Brookstone\Core\Routine\Trigger;

/**
 * Runs every routine of a build from everywhere that it can begin: from power-on with its motions where they rest and, one after the other, at each end of
 * their ways; with a battery nearly empty and freshly charged; after each routine that leaves something else behind than it found; with each thing so, and
 * not so, that it chooses by; and in the scenarios of the build. A pure function.
 */
final class Rehearsal
{
    private const SAME_SHARE = 0.01; // of its range: so near two beginnings are one

    private const PLAIN = 'from power-on';

    private const MOST_S = 2000.0; // in all: of a build that takes longer the plain starts are looked at, and no others

    private const MOST_RIDING_S = 80.0; // the same where what rides on something is worked out anew at each moment

    /** @var array<string, list<Performance>> */
    private array $performances = [];

    /** @var array<string, true> routines that were begun from power-on, with all at rest */
    private array $plain = [];

    /** @var array<string, array<string, true>> how things were when each routine was begun */
    private array $begun = [];

    private float $ran_s = 0.0;

    private bool $isWhole = true;

    private readonly Footing $footing;

    /** @var array<string, list<Performed>> by how it was begun */
    private array $stages = [];

    private int $again = 0; // stages that need not be performed

    private function __construct(private readonly Build $build, private readonly ?Rehearsed $before)
    {
        $this->footing = new Footing($build);
    }

    /** @param  Rehearsed|null  $before  of another build: what hangs on nothing in which that differs is not run again */
    public static function of(Build $build, ?Rehearsed $before = null): Rehearsed
    {
        $self = new self($build, $before);
        $complete = array_filter($build->routines, $build->isComplete(...));
        $self->performances = array_fill_keys(array_keys($build->routines), []);
        foreach ($complete as $id => $routine) {
            if (self::onlyAtPowerOn($routine)) {
                $self->add($self->onStage($routine, new Start(self::PLAIN)));
            } elseif (! isset($self->plain[$id])) {
                $self->tour($routine, $complete);
            }
        }
        foreach ($complete as $routine) {
            foreach ($self->starts($routine) as $start) {
                $self->perform($routine, $start);
            }
        }
        $self->scenarios();

        return new Rehearsed($self->performances, $self->isWhole, $self->stages, $self->again);
    }

    /** How much is looked at in all, s. */
    public static function most_s(Build $build): float
    {
        $turning = array_filter(LiveStage::all($build->stage), fn (LiveStage $family): bool => ! $family->isEven());

        return $turning === [] ? self::MOST_S : self::MOST_RIDING_S;
    }

    /**
     * @param  (\Closure(Performance): ?array{Routine, Start})|null  $next  what is done then
     * @param  mixed  $knows  what that hangs on
     * @return non-empty-list<Performance>
     */
    private function onStage(Routine $routine, Start $start, ?\Closure $next = null, mixed $knows = null): array
    {
        $key = hash('xxh128', serialize([$routine->id, $start, $knows]));
        $performed = null;
        foreach ($this->before->stages[$key] ?? [] as $known) {
            $performed ??= $known->standsOn($this->footing) ? $known : null;
        }
        $this->again += $performed === null ? 0 : 1;
        $performed ??= Stage::perform($this->build, $this->footing, $routine, $start, $next);
        $this->stages[$key][] = $performed;

        return $performed->performances;
    }

    private function perform(Routine $routine, Start $start): void
    {
        $this->isWhole = $this->isWhole && $this->ran_s < self::most_s($this->build);
        if ($this->isWhole) {
            $this->add($this->onStage($routine, $start));
        }
    }

    /** @param  non-empty-list<Performance>  $performances  on one stage */
    private function add(array $performances): void
    {
        $this->ran_s += $performances[count($performances) - 1]->until_s;
        foreach ($performances as $performance) {
            $isPlain = $performance->start->says === self::PLAIN;
            $isPlain ? array_unshift($this->performances[$performance->routine], $performance) : $this->performances[$performance->routine][] = $performance;
            if ($isPlain) {
                $this->plain[$performance->routine] = true;
            }
            $this->begun[$performance->routine][$performance->began] = true;
        }
    }

    /**
     * One after the other as long as each meets something that it has not met yet: so every routine is done after every other that makes a difference to it.
     *
     * @param  array<string, Routine>  $routines
     */
    private function tour(Routine $first, array $routines): void
    {
        /** @var array<string, true> $met  which has come after which */
        $met = [];
        $before = [];
        $this->add($this->onStage($first, new Start(self::PLAIN), function (Performance $done) use ($routines, &$met, &$before): ?array {
            $this->begun[$done->routine][$done->began] = true;
            foreach ($routines as $id => $routine) {
                $shared = array_intersect($this->build->movedBy($routine), $this->build->movedBy($this->build->routines[$done->routine]));
                if (! self::onlyAtPowerOn($routine) && ! isset($met["{$done->routine} {$id}"]) && ! isset($this->begun[$id][$done->left])
                    && ($shared !== [] || $routine->asksForCounters())) {
                    $met["{$done->routine} {$id}"] = true;
                    $before[] = $done->routine;

                    return [$routine, new Start($id === $done->routine ? 'a second time' : "after {$this->build->routines[$done->routine]->name}",
                        before: $before)];
                }
            }

            return null;
        }, $this->begun));
    }

    /** @return list<Start> everywhere else that it can begin */
    private function starts(Routine $routine): array
    {
        $starts = [];
        foreach ($this->build->movedBy($routine) as $id) {
            $motion = $this->build->motions[$id];
            foreach (self::ends($motion) as $name => $at) {
                $starts[] = new Start("from power-on with {$motion->name} at {$name}", [$id => $at]);
            }
        }
        $starts[] = $this->halfWay($routine);
        foreach (self::onlyAtPowerOn($routine) ? $this->performances : [] as $other => $performances) {
            $leaves = $performances[0] ?? null;
            if ($leaves !== null && $leaves->outcome === 'ends' && $other !== $routine->id) {
                $moved = array_intersect_key($leaves->ends, array_flip($this->build->movedBy($this->build->routines[$other])));
                $starts[] = new Start("from power-on as {$this->build->routines[$other]->name} leaves it",
                    array_filter($moved, fn (float $at, string $id): bool => ! $this->isAt($this->build->motions[$id], $at,
                        $this->build->motions[$id]->at($this->build->motions[$id]->task->from)), ARRAY_FILTER_USE_BOTH));
            }
        }
        foreach ($routine->flat() as $step) {
            $if = $step->conditions()['if'] ?? null;
            foreach ([true, false] as $so) {
                if ($if !== null && Stagehand::events($this->build->sensors, $if, $so) !== []) {
                    $says = $if->says($this->build)->text();
                    $starts[] = new Start($so ? "when {$says}" : "when it is not so that {$says}", so: [$if, $so]);
                }
            }
        }

        foreach ($this->suppliesOf($routine) as $supply) {
            foreach ($supply->ends() as $share) {
                $starts[] = new Start('from power-on with '.$supply->name.($share < 1.0 ? ' nearly empty' : ' freshly charged'), fed: [$supply->id => $share]);
            }
        }

        return self::differing(array_filter($starts));
    }

    /** @return array<string, Supply> that feed what it moves */
    private function suppliesOf(Routine $routine): array
    {
        $supplies = [];
        foreach ($this->build->movedBy($routine) as $id) {
            $supply = $this->build->motions[$id]->drive?->supply;
            if ($supply !== null) {
                $supplies[$supply->id] = $supply;
            }
        }

        return $supplies;
    }

    /** Where a power cut in the middle of its longest move leaves it. */
    private function halfWay(Routine $routine): ?Start
    {
        $longest = null;
        foreach ($this->performances[$routine->id][0]->steps as $step) {
            $motion = $step['motion'] === null || $step['routine'] !== $routine->id ? null : $this->build->motions[$step['motion']];
            if ($motion !== null && $step['end_s'] !== null && ! Stage::isAlikeEverywhere($motion)
                && ($longest === null || $longest[0] < $step['end_s'] - $step['start_s'])) {
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
            if ($start->at !== [] || $start->so !== null || $start->fed !== []) {
                $key = json_encode([array_map(fn (float $at): float => round($at, 3), $start->at), $start->so === null ? null : $start->says, $start->fed],
                    JSON_THROW_ON_ERROR);
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
                    $this->perform($this->build->routines[$id], new Start("in “{$scenario->name}”", scenario: $scenario));

                    break; // it runs all of them
                }
            }
        }
    }

    /** @param  list<\Brookstone\Core\Routine\WorldEvent>  $events */
    private function startsIn(Routine $routine, array $events): bool
    {
        $touched = array_filter(array_map(fn ($event): ?string => in_array($event->what, ['sensor', 'level'], true) ? $event->of : null, $events));

        return array_filter($routine->starts, fn (Trigger $trigger): bool => $trigger->when === 'power_on' || in_array($trigger->sensor, $touched, true)
            || $trigger->condition !== null) !== [];
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

    private function isAt(Motion $motion, float $at, float $other): bool
    {
        [$low, $high] = $motion->range();

        return abs($motion->distance($at, $other)) <= self::SAME_SHARE * ($high - $low);
    }

    private static function onlyAtPowerOn(Routine $routine): bool
    {
        return $routine->starts !== [] && array_filter($routine->starts, fn (Trigger $trigger): bool => $trigger->when !== 'power_on') === [];
    }
}
