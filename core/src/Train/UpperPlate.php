<?php

declare(strict_types=1);

namespace Brookstone\Core\Train;

/** Another plate over a part of the first, with the same holes: what it covers turns in it too, and ends there. */
final readonly class UpperPlate
{
    /** @param  int  $above_plane  it lies between this plane and the next */
    public function __construct(public string $name, public int $above_plane, public float $x_mm, public float $y_mm, public float $width_mm,
        public float $height_mm)
    {
    }

    /** @param  array{float, float}  $point */
    public function covers(array $point): bool
    {
        return $point[0] >= $this->x_mm && $point[0] <= $this->x_mm + $this->width_mm && $point[1] >= $this->y_mm && $point[1] <= $this->y_mm
            + $this->height_mm;
    }
}
