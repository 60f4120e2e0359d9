<?php

declare(strict_types=1);

namespace Brookstone\Core\Dynamics;

use Brookstone\Core\Mechanism\Mechanism;
use Brookstone\Core\Mechanism\SpringLever;

/**
 * What is let go, without a motor behind it: its own torque speeds up its own inertia, J·ω′ = η·T − friction. In steps of time, by the midpoint rule (Press et
 * al., Numerical Recipes, 3rd ed., §17.1).
 */
final class Flight
{
    private const STEP_S = 5e-5;

    public float $angle;

    public float $speed = 0.0;

    public float $took_s = 0.0;

    private float $gives;

    /** @param  float  $angle  of its shaft, rad, from where it is let go */
    public function __construct(private readonly Mechanism $mechanism, float $angle)
    {
        $this->angle = $angle;
        $this->gives = $mechanism instanceof SpringLever ? $mechanism->efficiency : 1.0;
    }

    /** It goes down, for at most so long. @return bool it has come to where it ends */
    public function goes(float $seconds, float $end): bool
    {
        for ($left = $seconds; $left > 0.0 && $this->angle > $end; $left -= self::STEP_S) {
            $step = min(self::STEP_S, $left);
            [$was, $before] = [$this->angle, $this->speed];
            $half = $before + $this->accel($was, $before) * $step / 2;
            $after = min(0.0, $before + $this->accel($was + $before * $step / 2, $half) * $step);
            $to = $was + $half * $step;
            $share = $to < $end ? ($was - $end) / ($was - $to) : 1.0; // of the step, until it is there
            $this->angle = max($end, $to);
            $this->speed = $before + ($after - $before) * $share;
            $this->took_s += $step * $share;
            if ($this->speed === 0.0) {
                break;
            }
        }

        return $this->angle <= $end || $this->speed === 0.0;
    }

    /** Of its motion, J. */
    public function kinetic_J(): float
    {
        return 0.5 * $this->mechanism->inertiaKgm2($this->mechanism->positionAt($this->angle)) * $this->speed ** 2;
    }

    /** It would go down by itself from here. */
    public function isPulled(): bool
    {
        return $this->accel($this->angle, 0.0) < 0.0;
    }

    private function accel(float $angle, float $speed): float
    {
        $at = $this->mechanism->positionAt($angle);
        $pull = -$this->gives * $this->mechanism->staticTorqueNm($at);
        $rubs = $this->mechanism->frictionNm($at);
        $net = $speed < 0.0 ? $pull + $rubs : min(0.0, $pull + $rubs);
        $slope = $this->mechanism->inertiaSlopeKgm2($at) * $this->mechanism->travelPerRad($at);

        return ($net - 0.5 * $slope * $speed ** 2) / max(1e-12, $this->mechanism->inertiaKgm2($at));
    }
}
