<?php

declare(strict_types=1);

namespace Brookstone\Core\Train;

/** A bar of a linkage that meets something on its way. */
final readonly class BarClash
{
    /** @param  float  $position  where on its way, rad of the shaft */
    public function __construct(public string $bar, public string $meets, public float $position, public float $by_mm)
    {
    }
}
