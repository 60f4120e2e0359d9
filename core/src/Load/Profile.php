<?php

declare(strict_types=1);

namespace Brookstone\Core\Load;

/**
 * How a move spends its time. Trapezoid: a third speeding up, a third steady, a third braking (peak speed 1.5 Δ/T,
 * acceleration ±4.5 Δ/T²). Cosine: half a cosine wave (peak speed π/2 Δ/T, peak acceleration π²/2 Δ/T²).
 */
enum Profile: string
{
    case Trapezoid = 'trapezoid';
    case Cosine = 'cosine';

    /** Largest speed, as a multiple of Δ/T. */
    public function peakSpeed(): float
    {
        return $this === self::Trapezoid ? 1.5 : M_PI / 2;
    }

    /** Largest acceleration, as a multiple of Δ/T². */
    public function peakAccel(): float
    {
        return $this === self::Trapezoid ? 4.5 : M_PI ** 2 / 2;
    }

    /** @return list<array{float, float}> parts of the time 0…1 in which the acceleration does not jump */
    public function pieces(): array
    {
        return $this === self::Trapezoid ? [[0.0, 1 / 3], [1 / 3, 2 / 3], [2 / 3, 1.0]] : [[0.0, 1.0]];
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

        return match (true) {
            $piece[1] < 0.5 => [2.25 * $t ** 2, 4.5 * $t, 4.5],
            $piece[0] > 0.5 => [1 - 2.25 * (1 - $t) ** 2, 4.5 * (1 - $t), -4.5],
            default => [0.25 + 1.5 * ($t - 1 / 3), 1.5, 0.0],
        };
    }
}
