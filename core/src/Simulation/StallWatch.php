<?php

declare(strict_types=1);

namespace Brookstone\Core\Simulation;

/** How long a drive pushed without getting on, at the longest. */
final class StallWatch
{
    private float $for_s = 0.0;

    private float $with_A = 0.0;

    private float $most_s = 0.0;

    public const STALLED_S = 0.5 + 1e-9; // more than a servo settling; a hair more, as scans do not add up to it exactly

    private float $current_A = 0.0;

    /** @return array{string, float, float}|null when it has come to be stalled, or was until now: for how long, s, and with how much, A */
    public function look(bool $pushes, float $seconds, float $current_A = 0.0): ?array
    {
        $before = $this->for_s;
        if (! $pushes) {
            $this->for_s = 0.0;

            return $before > self::STALLED_S ? ['stalled', $before, $this->with_A] : null;
        }
        $this->for_s += $seconds;
        $this->with_A = $current_A;
        if ($this->for_s >= $this->most_s) {
            [$this->most_s, $this->current_A] = [$this->for_s, $current_A];
        }

        return $before <= self::STALLED_S && $this->for_s > self::STALLED_S ? ['stalls', 0.0, 0.0] : null;
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
