<?php

declare(strict_types=1);

namespace Brookstone\Core\Routine;

/** What starts it, and its steps in order. */
final readonly class Routine
{
    /**
     * @param  list<Trigger>  $starts
     * @param  list<Step>  $steps
     */
    public function __construct(public string $id, public string $name, public array $starts, public ?float $target_s, public array $steps)
    {
    }

    /**
     * Every step with its path inside the routine (`steps.2.steps.0`), repeats opened.
     *
     * @return iterable<string, Step>
     */
    public function flat(): iterable
    {
        return self::walk($this->steps, 'steps');
    }

    /** @return list<string> motions that it moves */
    public function motions(): array
    {
        $motions = [];
        foreach ($this->flat() as $step) {
            $motion = $step->motion();
            if ($motion !== null) {
                $motions[$motion] = true;
            }
        }

        return array_map(strval(...), array_keys($motions));
    }

    /**
     * @param  list<Step>  $steps
     * @return iterable<string, Step>
     */
    private static function walk(array $steps, string $path): iterable
    {
        foreach ($steps as $i => $step) {
            yield "{$path}.{$i}" => $step;
            if ($step instanceof RepeatStep) {
                yield from self::walk($step->steps, "{$path}.{$i}.steps");
            }
        }
    }
}
