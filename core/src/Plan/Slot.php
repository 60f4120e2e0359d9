<?php

declare(strict_types=1);

namespace Brookstone\Core\Plan;

/** When one task is done. All in days from the beginning; the first is day 0. */
final readonly class Slot
{
    /**
     * @param  float  $begins  first day of its work
     * @param  float  $worked  its work is done
     * @param  float  $ends  what only passes has passed too
     * @param  float  $spare_days  that it may end later without anything else ending later
     */
    public function __construct(public float $begins, public float $worked, public float $ends, public float $spare_days)
    {
    }

    /** Any delay of it delays all. */
    public function isCritical(): bool
    {
        return $this->spare_days < 1e-6;
    }
}
