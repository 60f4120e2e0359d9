<?php

declare(strict_types=1);

namespace Brookstone\Core\Dynamics;

/** Where a command stands on its way to its target: no faster, and no more suddenly, than it is allowed. Angles of the output shaft, rad. */
final class CommandRamp
{
    private const NEAR = 1e-9;     // relative

    private const LEAST_S = 1e-12; // of a phase

    private ?float $target = null;

    private float $speed = 0.0; // rad/s, signed

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

    /** For how long it goes on at its present speed as it does now, s; 0 where it speeds up, slows down or stands. */
    public function steadyFor_s(float $speed): float
    {
        if ($this->target === null || $this->most_rad_s2 === INF || abs($this->speed - $speed) > self::NEAR * $this->most_rad_s
            || abs(abs($speed) - $this->most_rad_s) > self::NEAR * $this->most_rad_s) {
            return 0.0;
        }
        $left = ($this->target - $this->at) * ($speed <=> 0.0);

        return max(0.0, ($left - $speed * $speed / 2 / $this->most_rad_s2) / $this->most_rad_s);
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
        if ($this->target === null || $this->at === $this->target) {
            $this->speed = 0.0;

            return;
        }
        $way = $this->target <=> $this->at;
        $left = abs($this->target - $this->at);
        if ($this->most_rad_s2 === INF) {
            $this->at = $left <= $this->most_rad_s * $seconds ? $this->target : $this->at + $way * $this->most_rad_s * $seconds;

            return;
        }
        $speed = $way * $this->speed;
        $gone = 0.0;
        while ($seconds > 0.0) {
            [$accel, $for] = $this->phase($speed, $left - $gone);
            $t = min($for, $seconds);
            $gone += $speed * $t + $accel * $t * $t / 2;
            $speed += $accel * $t;
            $seconds -= $t;
            if ($accel < 0.0 && $t === $for && $gone >= $left * (1 - self::NEAR)) {
                [$this->at, $this->speed] = [$this->target, 0.0];

                return;
            }
        }
        $this->at += $way * $gone;
        $this->speed = $way * $speed;
    }

    /**
     * What it does next: come to rest from the wrong way, speed up, keep its speed, slow down; and for how long.
     *
     * @return array{float, float} rad/s², s
     */
    private function phase(float $speed, float $left): array
    {
        $a = $this->most_rad_s2;
        $stops = $speed * $speed / 2 / $a;
        if ($speed < 0.0) {
            return [$a, -$speed / $a];
        }
        if ($stops >= $left * (1 - self::NEAR)) {
            return [-$a, max($speed / $a, self::LEAST_S)];
        }
        $peak = min($this->most_rad_s, sqrt($a * $left + $speed * $speed / 2));
        if ($speed < $peak * (1 - self::NEAR)) {
            return [$a, ($peak - $speed) / $a];
        }

        return $speed > $this->most_rad_s * (1 + self::NEAR) ? [-$a, ($speed - $this->most_rad_s) / $a]
            : [0.0, max(self::LEAST_S, ($left - $stops) / max($speed, 1e-12))];
    }
}
