<?php

declare(strict_types=1);

namespace Brookstone\Core\Train;

/** A nut, a boss, a post: something round that stands on the plate. */
final readonly class Obstacle
{
    /** @param  int|null  $plane  on which plane; null on all */
    public function __construct(public string $name, public float $x_mm, public float $y_mm, public float $radius_mm, public ?int $plane = null)
    {
    }
}
