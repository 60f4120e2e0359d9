<?php

declare(strict_types=1);

namespace Brookstone\Core\Train;

/** One wheel of a train where it stands. */
final readonly class Wheel
{
    /**
     * @param  bool  $driver  of its stage; else the driven one
     * @param  array{float, float}  $at  mm
     */
    public function __construct(
        public int $stage,
        public bool $driver,
        public int $shaft,
        public int $plane,
        public float $outside_mm,
        public int $teeth,
        public array $at,
    ) {
    }

    /** @param  array{float, float}  $point */
    public function awayFrom_mm(array $point): float
    {
        return hypot($point[0] - $this->at[0], $point[1] - $this->at[1]);
    }
}
