<?php

declare(strict_types=1);

namespace Brookstone\Core\Mechanism;

/**
 * What what a motion moves is, and carries, beyond what its mechanism was told: felt there, as torque about its axis or force along its way (Lagrange’s
 * generalised force; Goldstein, Classical Mechanics, 3rd ed., §1.4).
 */
interface Ride
{
    /** That moves it on, N·m or N, @param  float  $at  how far it has turned or slid, rad or m */
    public function force(float $at): float;

    /** What speeds up with it, kg·m² or kg; below 0 where more was told than there is. */
    public function mass(): float;

    /** The same without what a routine takes up and puts down. */
    public function empty(): self;

    /** Its weight in kg, of what rubs on its rails. */
    public function kg(): float;
}
