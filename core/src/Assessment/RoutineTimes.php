<?php

declare(strict_types=1);

namespace Brookstone\Core\Assessment;

use Brookstone\Core\Build\Build;
use Brookstone\Core\Routine\CallStep;
use Brookstone\Core\Routine\ChangeOverStep;
use Brookstone\Core\Routine\ChooseStep;
use Brookstone\Core\Routine\GoByStep;
use Brookstone\Core\Routine\GoStep;
use Brookstone\Core\Routine\HomeStep;
use Brookstone\Core\Routine\Moves;
use Brookstone\Core\Routine\PowerStep;
use Brookstone\Core\Routine\RepeatStep;
use Brookstone\Core\Routine\Routine;
use Brookstone\Core\Routine\RunStep;
use Brookstone\Core\Routine\Step;
use Brookstone\Core\Routine\TogetherStep;
use Brookstone\Core\Routine\WaitStep;

/** How long routines take, from the computed times of their moves, without running them. */
final class RoutineTimes
{
    private const DEEPEST = 8;

    private int $depth = 0;

    /** @param  array<string, MotionInBuild>  $subjects by motion */
    public function __construct(private readonly Build $build, private readonly array $subjects)
    {
    }

    /** s; null where a move is never made or it has no end. */
    public function of(Routine $routine): ?float
    {
        $places = [];

        return $this->sum($routine->steps, $places);
    }

    /** The longest that the move of a step can take, from the far end of the motion; null when it is never made. */
    public function longest(Moves $step): ?float
    {
        $facts = $this->subjects[$step->motion()]->facts;
        if ($step instanceof GoByStep) {
            return $facts->timeBy($step->by, $step->speed);
        }
        $place = $step->endsAt($this->build);

        return $place === null ? null : $facts->longestTimeTo($place, $step->speed());
    }

    /**
     * @param  list<Step>  $steps
     * @param  array<string, string>  $places  where each motion is, by motion; changed as the steps go on
     */
    private function sum(array $steps, array &$places): ?float
    {
        $sum = 0.0;
        foreach ($steps as $step) {
            $time = match (true) {
                $step instanceof GoStep => $this->goTime($step, $places),
                $step instanceof GoByStep => $this->subjects[$step->motion]->facts->timeBy($step->by, $step->speed),
                $step instanceof ChangeOverStep => $step->takes_s,
                $step instanceof HomeStep => $this->homeTime($step, $places),
                $step instanceof RunStep => $this->runTime($step, $places),
                $step instanceof WaitStep => $step->for_s ?? 0.0,
                $step instanceof RepeatStep => $this->repeatTime($step, $places),
                $step instanceof TogetherStep => $this->togetherTime($step, $places),
                $step instanceof ChooseStep => $this->chooseTime($step, $places),
                $step instanceof CallStep => $this->callTime($step, $places),
                $step instanceof PowerStep => $step->settle_s,
                default => 0.0,
            };
            if ($time === null) {
                return null;
            }
            $sum += $time;
        }

        return $sum;
    }

    /** @param  array<string, string>  $places */
    private function goTime(GoStep $step, array &$places): ?float
    {
        $from = $places[$step->motion] ?? $this->build->motions[$step->motion]->task->from;
        $places[$step->motion] = $step->place;

        return $this->subjects[$step->motion]->facts->time($from, $step->place, $step->speed);
    }

    /** @param  array<string, string>  $places */
    private function homeTime(HomeStep $step, array &$places): ?float
    {
        $home = $this->build->motions[$step->motion]->stops->switch($step->switch)->place ?? '';
        $from = $places[$step->motion] ?? $this->build->motions[$step->motion]->task->from;
        $places[$step->motion] = $home;

        return $from === $home ? 0.0 : $this->subjects[$step->motion]->facts->time($from, $home, $step->speed);
    }

    /**
     * @param  array<string, string>  $places
     */
    private function runTime(RunStep $step, array &$places): ?float
    {
        $motion = $this->build->motions[$step->motion];
        $place = $step->ontoSwitch($this->build)?->place;
        if ($place === null) {
            return $step->for_s ?? 0.0; // what ends it comes from outside, when it comes
        }
        $from = $places[$step->motion] ?? $motion->task->from;
        $places[$step->motion] = $place;
        if ($motion->period() !== null && $from === $place) {
            return $this->subjects[$step->motion]->facts->longestTimeTo($place, $step->speed); // to its next coming, once round
        }

        return $this->subjects[$step->motion]->facts->time($from, $place, $step->speed);
    }

    /** @param  array<string, string>  $places */
    private function togetherTime(TogetherStep $step, array &$places): ?float
    {
        $times = [];
        foreach ($step->branches as $branch) {
            $times[] = $this->sum($branch, $places);
        }
        $known = array_filter($times, fn (?float $time): bool => $time !== null);

        return $step->until === 'any' ? ($known === [] ? null : min($known)) : (count($known) < count($times) ? null : max([0.0, ...$known]));
    }

    /** @param  array<string, string>  $places */
    private function chooseTime(ChooseStep $step, array &$places): ?float
    {
        $other = $places;
        $then = $this->sum($step->then, $places);
        $otherwise = $this->sum($step->otherwise, $other);

        return $then === null || $otherwise === null ? null : max($then, $otherwise); // the longer way
    }

    /** @param  array<string, string>  $places */
    private function callTime(CallStep $step, array &$places): ?float
    {
        if ($this->depth >= self::DEEPEST) {
            return null;
        }
        $this->depth++;
        $time = $this->sum($this->build->routines[$step->routine]->steps, $places);
        $this->depth--;

        return $time;
    }

    /** @param  array<string, string>  $places */
    private function repeatTime(RepeatStep $step, array &$places): ?float
    {
        if ($step->times === null) {
            return null;
        }
        $first = $this->sum($step->steps, $places);
        $again = $step->times > 1 ? $this->sum($step->steps, $places) : 0.0;

        return $first === null || $again === null ? null : $first + ($step->times - 1) * $again;
    }
}
