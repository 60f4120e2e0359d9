<?php

declare(strict_types=1);

namespace Brookstone\Core\Mechanism;

/** What most mechanisms have in common: the same inertia everywhere, no payload apart, nothing that slips. */
trait ConstantInertia
{
    public static function problems(array $read): array
    {
        return [];
    }

    public function inertiaSlopeKgm2(float $position): float
    {
        return 0.0;
    }

    public function turnAt(float $position): float
    {
        return $position / $this->travelPerRad();
    }

    public function positionAt(float $turn): float
    {
        return $turn * $this->travelPerRad();
    }

    public function dynamics(float $position): array
    {
        return [$this->staticTorqueNm($position), $this->frictionNm($position), $this->inertiaKgm2($position), $this->inertiaSlopeKgm2($position)];
    }

    public function isEven(): bool
    {
        return true;
    }

    public function evenOverRad(): float
    {
        return INF;
    }

    public function breaks(): array
    {
        return [];
    }

    public function gripNm(): float
    {
        return INF;
    }

    public function ways(): array
    {
        return ['forwards', 'backwards'];
    }

    public function pullsOnly(): bool
    {
        return false;
    }

    public function snapsNm(float $position): float
    {
        return INF;
    }

    public function isEndless(): bool
    {
        return false;
    }

    public function follower(float $position): ?float
    {
        return null;
    }

    public function onStage(): OnStage
    {
        return $this->positionUnit() === PositionUnit::Degrees ? OnStage::swings([], null) : OnStage::slides(array_sum($this->masses()));
    }

    public function unloaded(): self
    {
        return $this;
    }
}
