<?php

declare(strict_types=1);

namespace Brookstone\Core\Reach;

use Brookstone\Core\Condition\AllOf;
use Brookstone\Core\Condition\AnyOf;
use Brookstone\Core\Condition\AtPlace;
use Brookstone\Core\Condition\Between;
use Brookstone\Core\Condition\Condition;
use Brookstone\Core\Condition\CounterIs;
use Brookstone\Core\Condition\Moving;
use Brookstone\Core\Condition\NotSo;
use Brookstone\Core\Condition\RoutineRuns;

/** What can be told of conditions in a state: so, not so, or either. */
final class Knowledge
{
    public const TRUE = 1;

    public const FALSE = 0;

    public const MAYBE = 2;

    /**
     * @var array<string, array{int, int, int}> of counters that anything asks for: their slot, which holds how much they are over the second: that is
     *     below all that they are asked, the third above
     */
    private array $counters = [];

    public function __construct(private readonly StepGraph $program, private readonly Motions $motions, Layout $layout)
    {
        $bounds = [];
        foreach ($program->conditions() as $condition) {
            if ($condition instanceof CounterIs) {
                [$low, $high] = $bounds[$condition->counter] ?? [0, 0];
                $bounds[$condition->counter] = [min($low, $condition->value - 1), max($high, $condition->value + 1)];
            }
        }
        foreach ($bounds as $counter => [$low, $high]) {
            $this->counters[$counter] = [$layout->add(max($low, min($high, $program->build->counters[$counter]->start)) - $low), $low, $high];
        }
    }

    /** @param  int|null  $by  the routine that asks: it runs, although its thread stands nowhere just now */
    public function truth(Condition $condition, State $state, ?int $by = null): int
    {
        if ($condition instanceof AllOf || $condition instanceof AnyOf) {
            $decides = $condition instanceof AllOf ? self::FALSE : self::TRUE;
            $so = 1 - $decides;
            foreach ($condition->of as $each) {
                $that = $this->truth($each, $state, $by);
                if ($that === $decides) {
                    return $decides;
                }
                $so = $that === self::MAYBE ? $that : $so;
            }

            return $so;
        }
        if ($condition instanceof NotSo) {
            $that = $this->truth($condition->that, $state, $by);

            return $that === self::MAYBE ? $that : 1 - $that;
        }

        return match (true) {
            $condition instanceof AtPlace => $this->isAt($condition, $state),
            $condition instanceof Between => $this->isBetween($condition, $state),
            $condition instanceof Moving => (int) $this->motions->isDriven($state, $condition->motion),
            $condition instanceof CounterIs => $this->counts($condition, $state),
            $condition instanceof RoutineRuns => $by !== null && $this->program->routines[$by]->id === $condition->routine ? self::TRUE
                : $this->runs($condition->routine, $state),
            default => self::MAYBE, // what a sensor or the clock says is free
        };
    }

    private function isAt(AtPlace $condition, State $state): int
    {
        $place = $this->motions->whereabouts($state, $condition->motion)->place;

        return $place === null && $this->program->build->motions[$condition->motion]->positioning->isAbsolute() ? self::MAYBE
            : (int) ($place === $condition->place);
    }

    private function isBetween(Between $condition, State $state): int
    {
        $between = $this->motions->whereabouts($state, $condition->motion)->between;

        return match (true) {
            $between === null, $between[1] < $condition->from, $between[0] > $condition->to => self::FALSE,
            $between[0] >= $condition->from && $between[1] <= $condition->to => self::TRUE,
            default => self::MAYBE,
        };
    }

    private function counts(CounterIs $condition, State $state): int
    {
        [$slot, $low] = $this->counters[$condition->counter];
        $count = $low + $state->slots[$slot];

        return (int) match ($condition->is) {
            'at_least' => $count >= $condition->value,
            'exactly' => $count === $condition->value,
            default => $count < $condition->value,
        };
    }

    private function runs(string $routine, State $state): int
    {
        foreach ($state->threads as $at) {
            if ($this->program->routines[$this->program->nodes[$at]->routine]->id === $routine) {
                return self::TRUE;
            }
        }

        return self::FALSE;
    }

    /** A counter is set, or added to; kept just past what anything asks of it. */
    public function set(State $state, string $counter, ?int $to, int $add): State
    {
        if (! isset($this->counters[$counter])) {
            return $state; // nothing asks for it
        }
        [$slot, $low, $high] = $this->counters[$counter];

        return $state->with($slot, max($low, min($high, $to ?? $low + $state->slots[$slot] + $add)) - $low);
    }
}
