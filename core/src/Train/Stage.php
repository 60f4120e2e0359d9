<?php

declare(strict_types=1);

namespace Brookstone\Core\Train;

use Brookstone\Core\Error\ImpossibleValue;

/** Two wheels that turn each other. A worm's driver counts its starts. */
final readonly class Stage
{
    public function __construct(
        public StageType $type,
        public int $driver,
        public int $driven,
        public float $module_mm = 1.0,
        public float $backlash_mm = 0.0,
        public float $efficiency = 0.95,
    ) {
        ImpossibleValue::unlessPositive('driver', $driver);
        ImpossibleValue::unlessPositive('driven', $driven);
        ImpossibleValue::unlessPositive('module_mm', $module_mm);
        ImpossibleValue::unlessNotNegative('backlash_mm', $backlash_mm);
        ImpossibleValue::unlessWithin('efficiency', $efficiency, 0.0, 1.0);
    }

    /** Input turns for one output turn. */
    public function ratio(): float
    {
        return $this->driven / $this->driver;
    }

    public function drivenPitchRadius_mm(): float
    {
        return $this->module_mm * $this->driven / 2;
    }

    /** a = m (z1 + z2)/2 for a spur pair; null for the others. */
    public function centreDistance_mm(): ?float
    {
        return $this->type === StageType::Spur ? $this->module_mm * ($this->driver + $this->driven) / 2 : null;
    }
}
