<?php

declare(strict_types=1);

namespace Brookstone\Core\Rehearsal;

/** What one tank gave in a performance. */
final readonly class Breathed
{
    /**
     * @param  float  $air_l  free air, from when the routine began until it ended
     * @param  float  $seconds  that it took
     */
    public function __construct(public float $air_l, public float $seconds)
    {
    }

    public function air_l_min(): float
    {
        return $this->seconds > 0.0 ? $this->air_l / $this->seconds * 60 : 0.0;
    }
}
