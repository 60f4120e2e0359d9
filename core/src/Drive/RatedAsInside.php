<?php

declare(strict_types=1);

namespace Brookstone\Core\Drive;

/**
 * Of drives with another one inside: what its winding and its supply are rated for is theirs too.
 *
 * @property-read Drive $inside
 */
trait RatedAsInside
{
    public function body(): Body
    {
        return $this->body;
    }

    public function rotorKgm2(): float
    {
        return $this->inside->rotorKgm2();
    }

    public function resistance_ohm(): float
    {
        return $this->inside->resistance_ohm();
    }

    public function supplyFit(float $supply_V): SupplyFit
    {
        return $this->inside->supplyFit($supply_V);
    }

    public function voltageRange(): array
    {
        return $this->inside->voltageRange();
    }
}
