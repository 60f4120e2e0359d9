<?php

declare(strict_types=1);

namespace Brookstone\Core\Drive;

/** Of drives that turn as long as they are told to: they know no place and come to no end. */
trait HasNoPlace
{
    public function isPositional(): bool
    {
        return false;
    }

    public function travel_deg(): ?float
    {
        return null;
    }
}
