<?php

declare(strict_types=1);

namespace Brookstone\Core\Routine;

use Brookstone\Core\Condition\Condition;
use Brookstone\Core\Condition\CounterIs;
use Brookstone\Core\Finding\Named;

/** What starts it, its steps in order, and what is done when one of them fails. */
final readonly class Routine
{
    use Named;

    /**
     * @param  list<Trigger>  $starts
     * @param  list<Step>  $steps
     * @param  bool  $alone  it starts only while nothing runs that moves the same things
     * @param  list<Step>  $ifFails  done once a step has failed, after everything it moves has been stopped
     */
    public function __construct(public string $id, public string $name, public array $starts, public ?float $target_s, public array $steps,
        public array $ifFails = [], public bool $alone = false)
    {
    }

    /**
     * Every step with its path inside the routine (`steps.2.steps.0`), those inside of others too.
     *
     * @return iterable<string, Step>
     */
    public function flat(): iterable
    {
        yield from self::walk($this->steps, 'steps');
        yield from self::walk($this->ifFails, 'if_fails');
    }

    public function stepAt(string $path): ?Step
    {
        foreach ($this->flat() as $at => $step) {
            if ($at === $path) {
                return $step;
            }
        }

        return null;
    }

    /** Some step of it hangs on a counter. */
    public function asksForCounters(): bool
    {
        foreach ($this->flat() as $step) {
            if (array_filter($step->conditions(), fn (Condition $condition): bool => $condition instanceof CounterIs) !== []) {
                return true;
            }
        }

        return false;
    }

    /** @return list<string> motions that it moves by its own steps */
    public function motions(): array
    {
        return self::motionsOf($this->steps);
    }

    /**
     * @param  list<Step>  $steps
     * @return list<string>
     */
    public static function motionsOf(array $steps): array
    {
        $motions = [];
        foreach (self::walk($steps, '') as $step) {
            $motion = $step->motion();
            if ($motion !== null) {
                $motions[$motion] = true;
            }
        }

        return array_map(strval(...), array_keys($motions));
    }

    public function startsAtPowerOn(): bool
    {
        return array_filter($this->starts, fn (Trigger $trigger): bool => $trigger->when === 'power_on') !== [];
    }

    /**
     * @param  list<Step>  $steps
     * @return iterable<string, Step>
     */
    private static function walk(array $steps, string $path): iterable
    {
        foreach ($steps as $i => $step) {
            yield "{$path}.{$i}" => $step;
            foreach ($step->inner() as $field => $inner) {
                yield from self::walk($inner, "{$path}.{$i}.{$field}");
            }
        }
    }
}
