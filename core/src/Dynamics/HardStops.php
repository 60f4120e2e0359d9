<?php

declare(strict_types=1);

namespace Brookstone\Core\Dynamics;

/** The ends past which a motion cannot go, at the output shaft, rad; endless where there is none. */
final class HardStops
{
    /** At which it stands: −1 the lower, 1 the upper, 0 neither. */
    private int $at = 0;

    public function __construct(public readonly float $lowest, public readonly float $highest)
    {
    }

    public function at(): int
    {
        return $this->at;
    }

    /** It is at neither of them. */
    public function isClear(PlantState $state): bool
    {
        if ($state->angle <= $this->lowest || $state->angle >= $this->highest) {
            return false;
        }
        $this->at = 0;

        return true;
    }

    /** Stops what runs into one of them. @return bool whether it hit it just now */
    public function meet(PlantState $state): bool
    {
        $stop = $state->angle <= $this->lowest ? -1 : ($state->angle >= $this->highest ? 1 : 0);
        if ($stop === 0 || $state->speed * $stop <= 0.0) {
            $this->at = $stop === 0 ? 0 : $this->at;

            return false;
        }
        $state->angle = $stop < 0 ? $this->lowest : $this->highest;
        $state->speed = 0.0;
        $again = $this->at === $stop;
        $this->at = $stop;

        return ! $again;
    }
}
