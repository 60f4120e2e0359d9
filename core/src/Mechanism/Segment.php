<?php

declare(strict_types=1);

namespace Brookstone\Core\Mechanism;

/** Something that is met on a part of the travel: a window pushed open, a flap that begins to lift. Positions in SI. */
final readonly class Segment
{
    /**
     * @param  float  $from  where it begins, below $to
     * @param  float  $load_Nm  torque at the shaft that it adds and gives back: a weight, a spring
     * @param  float  $drag_Nm  torque at the shaft that it adds against whatever movement, ≥ 0
     */
    public function __construct(public float $from, public float $to, public float $load_Nm, public float $drag_Nm)
    {
    }

    public function holds(float $position): bool
    {
        return $position >= $this->from && $position <= $this->to;
    }
}
