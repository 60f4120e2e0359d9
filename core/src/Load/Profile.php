<?php

declare(strict_types=1);

namespace Brookstone\Core\Load;

/**
 * How a move spends its time. Trapezoid: a third speeding up, a third steady, a third braking (peak speed 1.5 Δ/T,
 * acceleration ±4.5 Δ/T²). Cosine: half a cosine wave (peak speed π/2 Δ/T, peak acceleration π²/2 Δ/T²). Steady: it turns
 * already and goes on (speed Δ/T, no acceleration).
 */
enum Profile: string
{
    case Trapezoid = 'trapezoid';
    case Cosine = 'cosine';
    case Steady = 'steady';

    /** Largest speed, as a multiple of Δ/T. */
    public function peakSpeed(): float
    {
        return match ($this) {
            self::Trapezoid => 1.5,
            self::Cosine => M_PI / 2,
            self::Steady => 1.0,
        };
    }

    /** Largest acceleration, as a multiple of Δ/T². */
    public function peakAccel(): float
    {
        return match ($this) {
            self::Trapezoid => 4.5,
            self::Cosine => M_PI ** 2 / 2,
            self::Steady => 0.0,
        };
    }

    /** @return list<array{float, float}> parts of the time 0…1 in which the acceleration does not jump */
    public function pieces(): array
    {
        return $this === self::Trapezoid ? [[0.0, 1 / 3], [1 / 3, 2 / 3], [2 / 3, 1.0]] : [[0.0, 1.0]];
    }

    /** Share of the time at which a share of the way is made. */
    public function timeAt(float $way): float
    {
        return match (true) {
            $this === self::Cosine => acos(1 - 2 * $way) / M_PI,
            $this === self::Steady => $way,
            $way < 0.25 => sqrt($way / 2.25),
            $way > 0.75 => 1 - sqrt((1 - $way) / 2.25),
            default => 1 / 3 + ($way - 0.25) / 1.5,
        };
    }

    /**
     * Share of the way, speed and acceleration (as multiples of Δ, Δ/T and Δ/T²) at a share of the time. At a jump of the
     * acceleration the value inside the given piece counts.
     *
     * @param  array{float, float}  $piece  one of pieces()
     * @return array{float, float, float}
     */
    public function at(float $t, array $piece): array
    {
        if ($this === self::Cosine) {
            return [(1 - cos(M_PI * $t)) / 2, M_PI / 2 * sin(M_PI * $t), M_PI ** 2 / 2 * cos(M_PI * $t)];
        }
        if ($this === self::Steady) {
            return [$t, 1.0, 0.0];
        }

        return match (true) {
            $piece[1] < 0.5 => [2.25 * $t ** 2, 4.5 * $t, 4.5],
            $piece[0] > 0.5 => [1 - 2.25 * (1 - $t) ** 2, 4.5 * (1 - $t), -4.5],
            default => [0.25 + 1.5 * ($t - 1 / 3), 1.5, 0.0],
        };
    }
}
