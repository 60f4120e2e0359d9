<?php

declare(strict_types=1);

namespace Brookstone\Core\Drive;

/** Of drives that are switched off at rest: their gears hold what they can, and no current flows. */
trait HoldsWithoutCurrent
{
    public function holdCurrent_A(float $torque_Nm, float $supply_V): float
    {
        return 0.0;
    }
}
