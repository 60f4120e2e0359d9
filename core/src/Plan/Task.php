<?php

declare(strict_types=1);

namespace Brookstone\Core\Plan;

use Brookstone\Core\Error\ImpossibleValue;

/** Something to be done: so much work, and then perhaps a time that only passes. */
final readonly class Task
{
    /**
     * @param  string  $id  unique in its plan
     * @param  float  $hours  of work, ≥ 0
     * @param  float  $waits_days  that pass by themselves after the work, ≥ 0: glue dries, a printer works, a parcel comes
     * @param  list<string>  $needs  tasks that must be done before
     * @param  float|null  $ends_on  day on which what only passes is over, where that is known: a parcel with a date
     */
    public function __construct(public string $id, public float $hours, public float $waits_days, public array $needs, public bool $done = false,
        public ?float $ends_on = null)
    {
        ImpossibleValue::unlessNotNegative('hours', $hours);
        ImpossibleValue::unlessNotNegative('waits_days', $waits_days);
    }
}
