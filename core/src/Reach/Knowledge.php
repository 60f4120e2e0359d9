<?php

declare(strict_types=1);

namespace Brookstone\Core\Reach;

use Brookstone\Core\Condition\AllOf;
use Brookstone\Core\Condition\AnyOf;
use Brookstone\Core\Condition\AtPlace;
use Brookstone\Core\Condition\Between;
use Brookstone\Core\Condition\Condition;
use Brookstone\Core\Condition\Conditions;
use Brookstone\Core\Condition\CounterIs;
use Brookstone\Core\Condition\Moving;
use Brookstone\Core\Condition\NotSo;
use Brookstone\Core\Condition\RoutineRuns;
use Brookstone\Core\Routine\ChooseStep;
use Brookstone\Core\Routine\RepeatStep;

/** What can be told of conditions in a state: so, not so, or either. */
final class Knowledge
{
    public const TRUE = 1;

    public const FALSE = 0;

    public const MAYBE = 2;

    public const UNKNOWN = 'u'; // nobody knows where it is

    public const FELT = 'k'; // it knows its own place

    /** @var array<string, array{int, int}> of counters that anything asks for: below and above all it is asked */
    public array $bounds = [];

    public function __construct(private readonly Program $program)
    {
        $this->asked();
    }

    /** @param  array{array<int, true>, array<string, array{string, bool}>, array<string, int>}  $state */
    public function truth(Condition $condition, array $state): int
    {
        if ($condition instanceof AllOf || $condition instanceof AnyOf) {
            $parts = array_map(fn (Condition $each): int => $this->truth($each, $state), $condition->of);
            [$decides, $rest] = $condition instanceof AllOf ? [self::FALSE, self::TRUE] : [self::TRUE, self::FALSE];

            return in_array($decides, $parts, true) ? $decides : (in_array(self::MAYBE, $parts, true) ? self::MAYBE : $rest);
        }
        if ($condition instanceof NotSo) {
            $that = $this->truth($condition->that, $state);

            return $that === self::MAYBE ? $that : 1 - $that;
        }
        if ($condition instanceof AtPlace) {
            $known = $state[1][$condition->motion][0];

            return $known === self::FELT ? self::MAYBE : (int) ($known === $condition->place);
        }
        if ($condition instanceof Between) {
            [$known, $driven] = $state[1][$condition->motion];
            $at = $driven ? null : (str_starts_with($known, '@') ? (float) substr($known, 1) : $this->program->build->motions[$condition->motion]->place($known)?->at);

            if ($known === self::UNKNOWN && ! $driven) {
                return self::FALSE; // where it stands when the power comes on nobody can help
            }

            return $at === null ? self::MAYBE : (int) ($at >= $condition->from && $at <= $condition->to);
        }
        if ($condition instanceof Moving) {
            return (int) $state[1][$condition->motion][1];
        }
        if ($condition instanceof CounterIs) {
            $count = $state[2][$condition->counter];

            return (int) match ($condition->is) {
                'at_least' => $count >= $condition->value,
                'exactly' => $count === $condition->value,
                default => $count < $condition->value,
            };
        }
        if ($condition instanceof RoutineRuns) {
            foreach (array_keys($state[0]) as $at) {
                if ($this->program->routines[$this->program->nodes[$at]->routine]->id === $condition->routine) {
                    return self::TRUE;
                }
            }

            return self::FALSE;
        }

        return self::MAYBE; // what a sensor or the clock says is free
    }

    /** Which counters anything asks for, and between which numbers they matter. */
    private function asked(): void
    {
        $conditions = [];
        foreach ($this->program->build->routines as $routine) {
            foreach ($routine->flat() as $step) {
                foreach ($step instanceof ChooseStep || $step instanceof RepeatStep ? $step->conditions() : [] as $condition) {
                    array_push($conditions, ...Conditions::all($condition));
                }
            }
            foreach ($routine->starts as $trigger) {
                array_push($conditions, ...Conditions::all($trigger->condition));
            }
        }
        foreach ($this->program->build->rules as $rule) {
            array_push($conditions, ...Conditions::all($rule->never), ...Conditions::all($rule->while));
        }
        foreach ($conditions as $condition) {
            if ($condition instanceof CounterIs) {
                [$low, $high] = $this->bounds[$condition->counter] ?? [0, 0];
                $this->bounds[$condition->counter] = [min($low, $condition->value - 1), max($high, $condition->value + 1)];
            }
        }
    }

    public function bounded(string $counter, int $count): int
    {
        return max($this->bounds[$counter][0], min($this->bounds[$counter][1], $count));
    }
}
