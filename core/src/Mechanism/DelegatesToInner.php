<?php

declare(strict_types=1);

namespace Brookstone\Core\Mechanism;

/** What a mechanism has in common with the one inside it, to which something more has happened somewhere on its way. */
trait DelegatesToInner
{
    public static function fields(?float $most = null): array
    {
        return [];
    }

    public static function problems(array $read): array
    {
        return [];
    }

    public function kind(): string
    {
        return $this->inner->kind();
    }

    public function positionUnit(): PositionUnit
    {
        return $this->inner->positionUnit();
    }

    public function travelPerRad(?float $position = null): float
    {
        return $this->inner->travelPerRad($position);
    }

    public function turnAt(float $position): float
    {
        return $this->inner->turnAt($position);
    }

    public function positionAt(float $turn): float
    {
        return $this->inner->positionAt($turn);
    }

    public function isEven(): bool
    {
        return false;
    }

    public function masses(): array
    {
        return $this->inner->masses();
    }

    public function leverM(): ?float
    {
        return $this->inner->leverM();
    }

    public function gripNm(): float
    {
        return $this->inner->gripNm();
    }

    public function ways(): array
    {
        return $this->inner->ways();
    }

    public function pullsOnly(): bool
    {
        return $this->inner->pullsOnly();
    }

    public function snapsNm(float $position): float
    {
        return $this->inner->snapsNm($position);
    }

    public function isEndless(): bool
    {
        return $this->inner->isEndless();
    }

    public function onStage(): OnStage
    {
        return $this->inner->onStage();
    }

    public function follower(float $position): ?float
    {
        return $this->inner->follower($position);
    }
}
