<?php

declare(strict_types=1);

namespace Brookstone\Core\Train;

use Brookstone\Core\Finding\Named;

/** A nut, a boss, a post: something round that stands on the plate; or a wall from one point to another, twice the radius thick. */
final readonly class Obstacle
{
    use Named;

    /** @param  int|null  $plane  on which plane; null on all */
    public function __construct(public string $name, public float $x_mm, public float $y_mm, public float $radius_mm, public ?int $plane = null,
        public ?float $to_x_mm = null, public ?float $to_y_mm = null)
    {
    }

    public function span(): Span
    {
        return new Span([$this->x_mm, $this->y_mm], [$this->to_x_mm ?? $this->x_mm, $this->to_y_mm ?? $this->y_mm]);
    }

    public function isOn(int $plane): bool
    {
        return $this->plane === null || $this->plane === $plane;
    }
}
