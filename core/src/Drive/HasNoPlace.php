<?php

declare(strict_types=1);

namespace Brookstone\Core\Drive;

/** Of drives that turn as long as they are told to: they tell nothing of their position and come to no end. */
trait HasNoPlace
{
    public function positionSource(): PositionSource
    {
        return PositionSource::Time;
    }

    public function travel_deg(): ?float
    {
        return null;
    }
}
