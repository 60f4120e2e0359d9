<?php

declare(strict_types=1);

namespace Brookstone\Core\Mechanism;

use Brookstone\Core\Quantity\Constants;
use Brookstone\Core\Quantity\Dimension;
use Brookstone\Core\Quantity\Quantity;

/** The unit in which documents and people give a motion's positions: degrees where it swings, metres where it slides. */
enum PositionUnit: string
{
    case Degrees = 'deg';
    case Metres = 'm';

    public function toSi(float $position): float
    {
        return $this === self::Degrees ? $position * Constants::RAD_PER_DEG : $position;
    }

    public function fromSi(float $si): float
    {
        return $this === self::Degrees ? $si / Constants::RAD_PER_DEG : $si;
    }

    public function symbol(): string
    {
        return $this === self::Degrees ? '°' : 'm';
    }

    /** For reading: what lies below a ten-thousandth of a degree or a micrometre is left out. @param  float  $position in this unit */
    public function quantity(float $position): Quantity
    {
        return new Quantity($this->toSi(round($position, $this === self::Degrees ? 4 : 6) + 0.0), $this === self::Degrees ? Dimension::Angle
            : Dimension::Length);
    }

    /** @param  float  $si in rad/s or m/s */
    public function speed(float $si): Quantity
    {
        return new Quantity($si, $this === self::Degrees ? Dimension::AngularSpeed : Dimension::Speed);
    }
}
