<?php

declare(strict_types=1);

namespace Brookstone\Core\Drive;

/**
 * What goes through the gears when a moving part is stopped dead: it keeps pushing, and its kinetic energy winds up
 * whatever gives. T = Td + √(Td² + k J ω²), the rotational form of a mass running into a spring under a steady force
 * (Shigley, Mechanical Engineering Design, 10th ed., §4–17).
 */
final class Knock
{
    /**
     * @param  float  $drive_Nm  the drive's own push, ≥ 0
     * @param  float  $stiffness_Nm_rad  of what gives, > 0
     * @param  float  $inertia_kgm2  of all that is stopped, rotor included
     * @param  float  $speed_rad_s  before it is stopped
     * @param  float  $clutch_Nm  a clutch lets no more than this pass; INF without one
     * @return float N·m, all at the load
     */
    public static function torque_Nm(float $drive_Nm, float $stiffness_Nm_rad, float $inertia_kgm2, float $speed_rad_s, float $clutch_Nm = INF): float
    {
        return min($clutch_Nm, $drive_Nm + sqrt($drive_Nm ** 2 + $stiffness_Nm_rad * $inertia_kgm2 * $speed_rad_s ** 2));
    }
}
