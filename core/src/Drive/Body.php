<?php

declare(strict_types=1);

namespace Brookstone\Core\Drive;

use Brookstone\Core\Error\ImpossibleValue;

/** What a drive is as a thing: its name, mass, size, shaft and gears. */
final readonly class Body
{
    /**
     * @param  string  $code  its name in the drawer, `G25-60`
     * @param  string  $series  the family that shares its motor, `G25`
     * @param  float  $back_drive_Nm  torque at its output shaft below which its unpowered gears stay put, ≥ 0
     * @param  float  $gearbox_limit_Nm  torque at its output shaft that its gears survive, > 0
     */
    public function __construct(
        public string $code,
        public string $series,
        public float $mass_kg,
        public float $length_mm,
        public float $width_mm,
        public float $height_mm,
        public string $shaft,
        public string $gear_material,
        public float $back_drive_Nm,
        public float $gearbox_limit_Nm,
        public ThermalClass $thermal,
    ) {
        ImpossibleValue::unlessPositive('mass_kg', $mass_kg);
        ImpossibleValue::unlessPositive('length_mm', $length_mm);
        ImpossibleValue::unlessPositive('width_mm', $width_mm);
        ImpossibleValue::unlessPositive('height_mm', $height_mm);
        ImpossibleValue::unlessNotNegative('back_drive_Nm', $back_drive_Nm);
        ImpossibleValue::unlessPositive('gearbox_limit_Nm', $gearbox_limit_Nm);
    }
}
