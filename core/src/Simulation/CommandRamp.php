<?php

declare(strict_types=1);

namespace Brookstone\Core\Simulation;

/** Where a command stands on its way to its target: no faster, and no more suddenly, than it is allowed. Angles of the output shaft, rad. */
final class CommandRamp
{
    private ?float $target = null;

    private float $speed = 0.0; // rad/s

    /**
     * @param  float  $at  where it stands
     * @param  float  $most_rad_s  INF where nothing ramps it
     * @param  float  $most_rad_s2  how fast it may speed up and slow down; a stepper must not be told to jump
     */
    public function __construct(private float $at, public float $most_rad_s = 0.0, public float $most_rad_s2 = INF)
    {
    }

    public function at(): float
    {
        return $this->at;
    }

    public function target(): ?float
    {
        return $this->target;
    }

    public function isThere(): bool
    {
        return $this->target === null || $this->at === $this->target;
    }

    /** Without a target it stays; unramped it is there at once. */
    public function sendTo(?float $target, float $from): void
    {
        $this->target = $target;
        $this->at = $target !== null && $this->most_rad_s === INF ? $target : $from;
    }

    public function stop(): void
    {
        $this->speed = 0.0;
    }

    /** The load did not come along: whoever counts from the command is wrong by so much from now on. */
    public function lose(float $angle): void
    {
        $this->at -= $angle;
        $this->target = $this->target === null ? null : $this->target - $angle;
    }

    public function advance(float $seconds): void
    {
        if ($this->target === null) {
            return;
        }
        $way = $this->target - $this->at;
        $most = $this->most_rad_s;
        if ($this->most_rad_s2 !== INF) {
            $most = min($most, $this->speed + $this->most_rad_s2 * $seconds, sqrt(2 * $this->most_rad_s2 * abs($way)) + $this->most_rad_s2 * $seconds / 2);
            $this->speed = $way === 0.0 ? 0.0 : $most;
        }
        $this->at = abs($way) <= $most * $seconds ? $this->target : $this->at + ($way <=> 0.0) * $most * $seconds;
    }
}
