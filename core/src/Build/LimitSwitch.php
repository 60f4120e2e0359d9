<?php

declare(strict_types=1);

namespace Brookstone\Core\Build;

/** A switch that says that the motion is at a place. It is on from $at outwards: downwards at the low end, upwards at the high. */
final readonly class LimitSwitch
{
    public function __construct(public string $id, public string $name, public string $place, public float $at, public string $end)
    {
    }

    public function isOnAt(float $position): bool
    {
        return $this->end === 'low' ? $position <= $this->at : $position >= $this->at;
    }

    /** The way a motion moves to get onto it: −1 towards the low end, 1 towards the high end. */
    public function direction(): int
    {
        return $this->end === 'low' ? -1 : 1;
    }
}
