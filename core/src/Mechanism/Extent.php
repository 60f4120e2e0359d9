<?php

declare(strict_types=1);

namespace Brookstone\Core\Mechanism;

/** How large and how heavy something is, and the field that says how heavy. */
final readonly class Extent
{
    public function __construct(public float $across_m, public float $mass_kg, public string $field)
    {
    }
}
