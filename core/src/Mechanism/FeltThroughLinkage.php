<?php

declare(strict_types=1);

namespace Brookstone\Core\Mechanism;

/** Of things at the end of a linkage: turned in degrees, and everything about them changes with the angle; dynamics() says it all. */
trait FeltThroughLinkage
{
    use ConstantInertia;

    public function positionUnit(): PositionUnit
    {
        return self::UNIT;
    }

    public function travelPerRad(?float $position = null): float
    {
        return 1.0;
    }

    public function staticTorqueNm(float $position): float
    {
        return $this->dynamics($position)[0];
    }

    public function frictionNm(float $position): float
    {
        return $this->dynamics($position)[1];
    }

    public function inertiaKgm2(float $position): float
    {
        return $this->dynamics($position)[2];
    }

    public function inertiaSlopeKgm2(float $position): float
    {
        return $this->dynamics($position)[3];
    }

    public function isEven(): bool
    {
        return false;
    }
}
