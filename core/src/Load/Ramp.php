<?php

declare(strict_types=1);

namespace Brookstone\Core\Load;

use Brookstone\Core\Error\ImpossibleValue;

/**
 * A command that speeds up evenly, keeps its speed and slows down evenly, as a driver of steppers counts it out: v²/a of the way goes into
 * speeding up and slowing down; a shorter way never gets to the speed (constant acceleration: Meriam & Kraige, Dynamics, §2/2).
 */
final readonly class Ramp
{
    /**
     * @param  float  $speed  rad/s, > 0
     * @param  float  $accel  rad/s²; INF is a start without a ramp
     */
    public function __construct(public float $speed, public float $accel)
    {
        ImpossibleValue::unlessPositive('speed', $speed);
    }

    /** Time for a way, s. @param  float  $turn  rad, of either sign */
    public function time_s(float $turn): float
    {
        $way = abs($turn);
        if ($this->accel === INF) {
            return $way / $this->speed;
        }

        return $way * $this->accel >= $this->speed ** 2 ? $way / $this->speed + $this->speed / $this->accel : 2 * sqrt($way / $this->accel);
    }
}
