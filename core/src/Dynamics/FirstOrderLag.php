<?php

declare(strict_types=1);

namespace Brookstone\Core\Dynamics;

/**
 * What moves with ω̇ = a at first, falling by λ for each rad/s that it gains: ω = v + (a/λ)(1 − e^(−λt)), and its integral (Ogata, Modern Control
 * Engineering, 5th ed., §5.2). Where λt is small, by the first terms of the series.
 */
final class FirstOrderLag
{
    private const SMALL = 1e-4; // λt, from which on the closed form is exact enough for the turn

    private const SMALLER = 1e-9; // and for the speed

    private const THERE = 1e-12; // of a speed: so near is there

    /** Turn in a time, rad. @param  float  $rate  λ, 1/s */
    public static function turned(float $speed, float $accel, float $rate, float $time): float
    {
        $x = $rate * $time;

        return $x < self::SMALL
            ? $time * ($speed + $accel * $time * (0.5 - $x / 6))
            : $speed * $time + $accel / $rate * ($time + expm1(-$x) / $rate);
    }

    /** Speed gained in a time, rad/s. */
    public static function gained(float $accel, float $rate, float $time): float
    {
        return $rate * $time < self::SMALLER ? $accel * $time : -$accel / $rate * expm1(-$rate * $time);
    }

    /** When a speed is reached, s; INF where it is not, or is there. */
    public static function timeToReach(float $speed, float $wanted, float $accel, float $rate): float
    {
        $gap = $wanted - $speed;
        if ($gap * $accel <= 0.0 || abs($gap) <= self::THERE * max(abs($speed), abs($wanted))) {
            return INF;
        }
        if ($rate <= 0.0) {
            return $gap / $accel;
        }
        $share = $rate * $gap / $accel;

        return $share < 1.0 ? max(-log1p(-$share) / $rate, self::THERE) : INF;
    }
}
