<?php

declare(strict_types=1);

namespace Brookstone\Core\Assessment;

use Brookstone\Core\Build\Motion;
use Brookstone\Core\Finding\Change;
use Brookstone\Core\Finding\Fix;
use Brookstone\Core\Finding\Sentence;
use Brookstone\Core\Finding\Severity;
use Brookstone\Core\Quantity\Quantity;
use Brookstone\Core\Routine\GoByStep;
use Brookstone\Core\Routine\GoStep;
use Brookstone\Core\Routine\HomeStep;
use Brookstone\Core\Routine\Routine;
use Brookstone\Core\Routine\RunStep;
use Brookstone\Core\Sensing\Repeatability;
use Brookstone\Core\Stops\TimedMove;

/** Moves by time, past the number that stays within tolerance without homing. */
final readonly class RoutineDrift
{
    private const USUAL_TOLERANCE = 0.05; // of its travel, where none is asked for

    public function __construct(private RoutineContext $context)
    {
    }

    public function check(Routine $routine, int $i): void
    {
        foreach ($this->runs($routine) as $id => [$path, $step, $moves, $homed]) {
            $motion = $this->context->build->motions[$id];
            [$bias, $spread] = $this->ofCycle($motion, $step);
            $travel = $motion->range()[1] - $motion->range()[0];
            $tolerance = $motion->task->tolerance ?? self::USUAL_TOLERANCE * $travel;
            $repeat = new Repeatability($bias, $spread, max(1, $moves), $tolerance);
            $enough = $homed ? $repeat->within : $repeat->max_moves >= max(1.0, $motion->task->per_day * $moves);
            if ($enough || $spread <= 0.0) {
                continue;
            }
            $unit = $motion->unit();
            $values = ['tolerance' => $unit->quantity($tolerance), 'error' => $unit->quantity($repeat->worst_error), 'moves' => Quantity::number(min(1e6, $repeat->max_moves))];
            $this->context->find($routine, 'routine.drifts', $repeat->max_moves < 1 ? Severity::Fails : Severity::Tight, "routines.{$i}.{$path}", $homed || $repeat->max_moves < 1
                ? "{$motion->name} goes by time here, and with other voltage and friction ends up to {error} off its place, where {tolerance} is allowed."
                : "{$motion->name} goes by time here and {$routine->name} never homes it: after {moves} moves it can be more than {tolerance} off its place.", $values, $this->fixes($motion, $step, $i, $homed || $repeat->max_moves < 1), $id);
        }
    }

    /**
     * Motions that go by time: the first step that does, how many such moves follow one another, and whether the routine homes it between.
     *
     * @return array<string, array{string, GoStep|GoByStep, int, bool}>
     */
    private function runs(Routine $routine): array
    {
        $runs = $since = $homed = [];
        for ($round = 0; $round < 2; $round++) {
            foreach ($routine->flat() as $path => $step) {
                $id = $step->motion();
                $motion = $id === null ? null : $this->context->build->motions[$id];
                if ($id === null || $motion === null || ! $motion->goesByTime() || $motion->task->keeps_turning) {
                    continue;
                }
                $byTime = $step instanceof GoByStep || ($step instanceof GoStep && $motion->stops->switchAt($step->place) === null);
                if ($byTime) {
                    $since[$id] = ($since[$id] ?? 0) + 1;
                    $runs[$id] = [$runs[$id][0] ?? $path, $runs[$id][1] ?? $step, max($runs[$id][2] ?? 0, $since[$id]), false];
                } elseif ($step instanceof HomeStep || $step instanceof GoStep || ($step instanceof RunStep && $step->ontoSwitch($this->context->build) !== null)) {
                    [$since[$id], $homed[$id]] = [0, true];
                }
            }
        }

        return array_map(fn (array $run): array => [$run[0], $run[1], isset($homed[$run[1]->motion]) ? $run[2] : max(1, intdiv($run[2], 2)), isset($homed[$run[1]->motion])], $runs);
    }

    /**
     * Bias and spread of one timed move; where it goes both ways by time, of the mean of there and back.
     *
     * @return array{float, float}
     */
    private function ofCycle(Motion $motion, GoStep|GoByStep $step): array
    {
        [$low, $high] = $motion->range();
        if ($step instanceof GoByStep) {
            $from = $step->by > 0.0 ? $low : $high;
            $to = $from + $step->by;
        } else {
            $to = $motion->at($step->place);
            $from = abs($to - $low) > abs($to - $high) ? $low : $high;
        }
        $there = new TimedMove($motion, $this->context->build->settings, $from, $to, $step->speed);
        if ($there->time_s === null) {
            return [0.0, 0.0];
        }

        return [$there->error(), $there->spread()];
    }

    /** @return list<Fix> */
    private function fixes(Motion $motion, GoStep|GoByStep $step, int $i, bool $once): array
    {
        $switches = $motion->stops->switches;
        $m = $this->context->build->indexOf($motion->id);
        $place = $step instanceof GoStep ? $motion->place($step->place) : null;
        [$low, $high] = $motion->range();
        $fixes = [];
        if ($place !== null && (abs($place->at - $low) < 1e-9 || abs($place->at - $high) < 1e-9)) {
            $end = abs($place->at - $low) < 1e-9 ? 'low' : 'high';
            $fixes[] = new Fix(new Sentence("Put a switch at {$place->name}"), [new Change("motions.{$m}.stops.switches", [
                ...$this->context->build->document['motions'][$m]['stops']['switches'],
                ['id' => substr($motion->id, 0, 26).'-'.substr($place->id, 0, 12), 'name' => "{$motion->name} ".lcfirst($place->name).' switch', 'place' => $place->id, 'at' => $place->at, 'end' => $end],
            ])]);
        }
        if (! $once && $switches !== []) {
            $home = $motion->stops->switchAt($motion->task->from) ?? $switches[0];
            $time = $this->context->subjects[$motion->id]->facts->longestTimeTo($home->place, RoutineContext::HOME_SPEED);
            $fixes[] = $this->context->before("routines.{$i}.steps.0", ['do' => 'home', 'motion' => $motion->id, 'switch' => $home->id, 'speed' => RoutineContext::HOME_SPEED, 'give_up_s' => $time === null ? null : RoutineContext::patienceFor($time)], new Sentence("Home {$motion->name} each time"));
        }

        return $fixes;
    }
}
