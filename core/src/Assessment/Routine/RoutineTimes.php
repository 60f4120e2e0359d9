<?php

declare(strict_types=1);

namespace Brookstone\Core\Assessment\Routine;

use Brookstone\Core\Assessment\Subject\MotionInBuild;
use Brookstone\Core\Build\Build;
use Brookstone\Core\Proof\Repeats;
use Brookstone\Core\Routine\ChooseStep;
use Brookstone\Core\Routine\Effect;
use Brookstone\Core\Routine\Movement;
use Brookstone\Core\Routine\RepeatStep;
use Brookstone\Core\Routine\Routine;
use Brookstone\Core\Routine\Step;
use Brookstone\Core\Routine\TogetherStep;

/** How long routines take, from the computed times of their moves, without running them. */
final class RoutineTimes
{
    private const DEEPEST = 8;

    private int $depth = 0;

    /** @var array<string, list<Repeats>> by motion */
    private array $repeats = [];

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

    /** The longest that a move to where that of a step ends was measured to take, s; null where nobody did. */
    public function measured(Movement $move): ?float
    {
        $longest = null;
        foreach ($move->endsAt === null ? [] : $this->repeats[$move->motion] ??= Repeats::all($this->build, $move->motion) as $each) {
            $longest = $each->to() === $move->endsAt && $each->circumstance()->isUsual($move->speed) ? max($longest ?? 0.0, $each->longest_s()) : $longest;
        }

        return $longest;
    }

    /** The longest that the move of a step can take, from the far end of the motion; null when it is never made. */
    public function longest(Movement $move): ?float
    {
        $facts = $this->subjects[$move->motion]->facts;
        $speed = $move->slowest ?? $move->speed;
        if ($move->by !== null) {
            return $facts->timeBy($move->by, $speed);
        }

        return $move->endsAt === null ? null : $facts->longestTimeTo($move->endsAt, $speed);
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
                $step instanceof RepeatStep => $this->repeatTime($step, $places),
                $step instanceof TogetherStep => $this->togetherTime($step, $places),
                $step instanceof ChooseStep => $this->chooseTime($step, $places),
                default => $this->time($step->effect($this->build), $places),
            };
            if ($time === null) {
                return null;
            }
            $sum += $time;
        }

        return $sum;
    }

    /** @param  array<string, string>  $places */
    private function time(Effect $effect, array &$places): ?float
    {
        return match (true) {
            $effect->calls !== null => $this->callTime($effect->calls, $places),
            $effect->move?->by !== null => $this->longest($effect->move),
            $effect->move?->endsAt !== null => $this->moveTime($effect->move, $effect->move->endsAt, $places),
            default => $effect->for_s ?? 0.0, // what ends it comes from outside, when it comes
        };
    }

    /** @param  array<string, string>  $places */
    private function moveTime(Movement $move, string $to, array &$places): ?float
    {
        $motion = $this->build->motions[$move->motion];
        $from = $places[$move->motion] ?? $motion->task->from;
        $places[$move->motion] = $to;
        $facts = $this->subjects[$move->motion]->facts;

        return $from === $to && $move->staysOn && $motion->period() !== null
            ? $facts->longestTimeTo($to, $move->speed) // to its next coming, once round
            : $facts->time($from, $to, $move->speed);
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
    private function callTime(string $routine, array &$places): ?float
    {
        if ($this->depth >= self::DEEPEST) {
            return null;
        }
        $this->depth++;
        $time = $this->sum($this->build->routines[$routine]->steps, $places);
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
