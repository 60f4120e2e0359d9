<?php

declare(strict_types=1);

namespace Brookstone\Core\Simulation;

/** How long a drive pushed without getting on, at the longest. */
final class StallWatch
{
    private float $for_s = 0.0;

    private float $most_s = 0.0;

    private float $current_A = 0.0;

    public function look(bool $pushes, float $seconds, float $current_A = 0.0): void
    {
        if (! $pushes) {
            $this->for_s = 0.0;

            return;
        }
        $this->for_s += $seconds;
        if ($this->for_s >= $this->most_s) {
            [$this->most_s, $this->current_A] = [$this->for_s, $current_A];
        }
    }

    /** How long it does so by now, s. */
    public function now_s(): float
    {
        return $this->for_s;
    }

    /** What flowed the longest time, A. */
    public function current_A(): float
    {
        return $this->current_A;
    }

    /** The longest time that it did, s. */
    public function most_s(): float
    {
        return $this->most_s;
    }
}
