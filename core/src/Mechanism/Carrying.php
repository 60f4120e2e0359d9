<?php

declare(strict_types=1);

namespace Brookstone\Core\Mechanism;

use Brookstone\Core\Quantity\Constants;

/** A mechanism with what rides on what it moves. */
final readonly class Carrying implements Mechanism
{
    use DelegatesToInner;

    private const EVEN_OVER_RAD = 0.02;

    private const NEAR = 1e-4; // rad of the shaft, for slopes

    private const LEAST_SHARE = 0.01; // of its own inertia: what was told too high still takes something to speed up

    private OnStage $stage;

    public function __construct(public Mechanism $inner, public Ride $ride)
    {
        $this->stage = $inner->onStage();
    }

    public function staticTorqueNm(float $position): float
    {
        return $this->inner->staticTorqueNm($position) + $this->ride->force($this->stage->at($this->inner, $position)) * $this->slope($position);
    }

    public function frictionNm(float $position): float
    {
        return $this->inner->frictionNm($position) + $this->rub_N() * abs($this->slope($position));
    }

    public function inertiaKgm2(float $position): float
    {
        return $this->with($this->inner->inertiaKgm2($position), $this->slope($position));
    }

    public function inertiaSlopeKgm2(float $position): float
    {
        return $this->inner->inertiaSlopeKgm2($position) + $this->bent($position, $this->slope($position));
    }

    public function dynamics(float $position): array
    {
        [$static, $friction, $inertia, $bend] = $this->inner->dynamics($position);
        $slope = $this->slope($position);

        return [
            $static + $this->ride->force($this->stage->at($this->inner, $position)) * $slope,
            $friction + $this->rub_N() * abs($slope),
            $this->with($inertia, $slope),
            $bend + $this->bent($position, $slope),
        ];
    }

    public function evenOverRad(): float
    {
        return min($this->inner->evenOverRad(), self::EVEN_OVER_RAD);
    }

    public function breaks(): array
    {
        return $this->inner->breaks();
    }

    public function unloaded(): self
    {
        return new self($this->inner->unloaded(), $this->ride->empty());
    }

    private function rub_N(): float
    {
        return $this->stage->rubs > 0.0 ? max(0.0, $this->stage->rubs * Constants::GRAVITY_M_S2 * $this->ride->kg()) : 0.0;
    }

    private function with(float $own_kgm2, float $slope): float
    {
        return max(self::LEAST_SHARE * $own_kgm2, $own_kgm2 + $this->ride->mass() * $slope ** 2);
    }

    /** How far it turns or slides for a radian of the shaft. */
    private function slope(float $position): float
    {
        $perRad = $this->inner->travelPerRad($position);
        if ($this->inner->follower($position) === null) {
            return $this->stage->at($this->inner, 1.0) * $perRad;
        }

        return ($this->stage->at($this->inner, $position + self::NEAR) - $this->stage->at($this->inner, $position - self::NEAR)) / (2 * self::NEAR) * $perRad;
    }

    /** What the changing slope does to the inertia: 2·m·φ′·φ″. */
    private function bent(float $position, float $slope): float
    {
        return $this->inner->follower($position) === null ? 0.0 : 2 * $this->ride->mass() * $slope
            * ($this->slope($position + self::NEAR) - $this->slope($position - self::NEAR)) / (2 * self::NEAR) * $this->inner->travelPerRad($position);
    }
}
