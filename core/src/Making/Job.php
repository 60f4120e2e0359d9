<?php

declare(strict_types=1);

namespace Brookstone\Core\Making;

use Brookstone\Core\Error\ImpossibleValue;
use Brookstone\Core\Finding\Sentence;

/** Something of a build that wants care, again and again: after so many cycles or so many days, whichever comes first. */
final readonly class Job
{
    /**
     * @param  string  $id  stays the same as long as the same thing wears
     * @param  string|null  $motion  whose cycles count; null: only days
     * @param  float|null  $every_cycles  there and back
     * @param  Sentence  $why  what wears, and how the interval was found
     */
    public function __construct(public string $id, public ?string $motion, public Sentence $does, public ?float $every_cycles, public ?float $every_days,
        public Sentence $why, public bool $own = false)
    {
        ImpossibleValue::unlessPositive('every', max($every_cycles ?? 0.0, $every_days ?? 0.0));
    }

    /** @param  array{every_cycles: float|null, every_days: float|null}|null  $changed */
    public function but(?array $changed): self
    {
        return $changed === null || ($changed['every_cycles'] === null && $changed['every_days'] === null) ? $this
            : new self($this->id, $this->motion, $this->does, $changed['every_cycles'], $changed['every_days'], $this->why, $this->own);
    }
}
