<?php

declare(strict_types=1);

namespace Brookstone\Core\Train;

/** Where a linkage runs on the plate: from the shaft of the load towards its other pivot, or the way its slider goes. */
final readonly class LinkageAt
{
    /**
     * @param  int  $plane  of all its bars
     * @param  float  $bar_mm  width of a bar
     */
    public function __construct(public int $plane, public float $x_mm, public float $y_mm, public float $bar_mm = 8.0)
    {
    }
}
