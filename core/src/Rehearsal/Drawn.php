<?php

declare(strict_types=1);

namespace Brookstone\Core\Rehearsal;

/** What one supply gave in a performance. */
final readonly class Drawn
{
    /**
     * @param  float  $charge_C  from when the routine began until it ended
     * @param  float  $peak_A  the most that it was asked for in that time, at its full voltage
     * @param  float  $before_A  when it began
     * @param  float  $after_A  when all had come to rest
     * @param  float  $seconds  that it took
     */
    public function __construct(public float $charge_C, public float $peak_A, public float $before_A, public float $after_A, public float $seconds)
    {
    }

    /** Asked for because of this routine, over what was drawn before it, A. */
    public function more_A(): float
    {
        return max(0.0, $this->peak_A - $this->before_A);
    }
}
