<?php

declare(strict_types=1);

namespace Brookstone\Core\Sensing;

use Brookstone\Core\Quantity\Constants;

/**
 * A switch that bounces, looked at every so often, behind a timer that starts anew at each bounce. At the worst it closes just after a look,
 * and the timer runs from the last bounce: latency = bounce + sample·(1 + ⌈debounce/sample⌉).
 */
final readonly class Debounce
{
    public float $dwell_ms;

    public float $latency_ms;

    public float $travel_mm;

    public bool $false_trips;

    public bool $missed;

    public function __construct(float $bounce_ms, float $sample_ms, float $debounce_ms, float $flag_mm, float $speed_mm_s)
    {
        $this->dwell_ms = $flag_mm / $speed_mm_s * 1000;
        $this->latency_ms = $bounce_ms + $sample_ms * (1 + ceil($debounce_ms / $sample_ms * (1 - Constants::TIE)));
        $this->travel_mm = $speed_mm_s * $this->latency_ms / 1000;
        $this->false_trips = $debounce_ms <= $bounce_ms;
        $this->missed = $this->latency_ms >= $this->dwell_ms;
    }
}
