<?php

declare(strict_types=1);

namespace Brookstone\Core\Simulation;

/** How long a drive pushed without getting on, at the longest. */
final class StallWatch
{
    private float $for_s = 0.0;

    private float $most_s = 0.0;

    public function look(bool $pushes, float $seconds): void
    {
        if (! $pushes) {
            $this->for_s = 0.0;

            return;
        }
        $this->for_s += $seconds;
        $this->most_s = max($this->most_s, $this->for_s);
    }

    /** How long it does so by now, s. */
    public function now_s(): float
    {
        return $this->for_s;
    }

    /** The longest time that it did, s. */
    public function most_s(): float
    {
        return $this->most_s;
    }
}
