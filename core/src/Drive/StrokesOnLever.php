<?php

declare(strict_types=1);

namespace Brookstone\Core\Drive;

use Brookstone\Core\Quantity\Constants;

/** A drive with a rod that goes between two ends and pushes a lever; what its place is, only time tells. */
trait StrokesOnLever
{
    public function positionSource(): PositionSource
    {
        return PositionSource::Time;
    }

    /** stroke / lever, as a turn of the shaft. */
    public function travel_deg(): float
    {
        return $this->stroke_m / $this->lever_m / Constants::RAD_PER_DEG;
    }
}
