<?php

declare(strict_types=1);

namespace Brookstone\Core\Mechanism;

use Brookstone\Core\Error\ImpossibleValue;
use Brookstone\Core\Quantity\Constants;

/**
 * A load on a cord that winds on a drum. Positions are heights in metres, up positive.
 *
 * Ideal tackle: each of the parts of line carries an equal share, and the drum winds `lines` times the lift.
 * Meriam & Kraige, Engineering Mechanics: Dynamics, §2/9 (constrained motion of connected particles).
 */
final readonly class Hoist implements Mechanism
{
    /**
     * @param  float  $mass_kg  what is lifted, > 0
     * @param  float  $drum_radius_m  to the cord's centre, > 0
     * @param  float  $counterweight_kg  ≥ 0 and lighter than the load: a cord cannot push
     * @param  float  $friction_N  drag on the load, ≥ 0
     * @param  int  $lines  parts of line that carry the load, ≥ 1
     *
     * @throws ImpossibleValue
     */
    public function __construct(
        public float $mass_kg,
        public float $drum_radius_m,
        public float $counterweight_kg = 0.0,
        public float $friction_N = 0.0,
        public int $lines = 1,
    ) {
        ImpossibleValue::unlessPositive('mass_kg', $mass_kg);
        ImpossibleValue::unlessPositive('drum_radius_m', $drum_radius_m);
        ImpossibleValue::unlessNotNegative('counterweight_kg', $counterweight_kg);
        ImpossibleValue::unlessNotNegative('friction_N', $friction_N);
        ImpossibleValue::unlessPositive('lines', $lines);
        if ($counterweight_kg >= $mass_kg) {
            throw ImpossibleValue::because('counterweight_kg', 'must be lighter than the load: a cord cannot push.');
        }
    }

    public function kind(): string
    {
        return 'hoist';
    }

    public function positionUnit(): PositionUnit
    {
        return PositionUnit::Metres;
    }

    public function travelPerRad(): float
    {
        return $this->drum_radius_m / $this->lines;
    }

    /** Weight that the cord carries after the counterweight, N. */
    public function weightN(): float
    {
        return ($this->mass_kg - $this->counterweight_kg) * Constants::GRAVITY_M_S2;
    }

    /** Tension of one part of line at rest, N. */
    public function lineHoldN(): float
    {
        return $this->weightN() / $this->lines;
    }

    /** Tension of one part of line while it rises steadily, N. */
    public function lineRaiseN(): float
    {
        return ($this->weightN() + $this->friction_N) / $this->lines;
    }

    /** Tension of one part of line while it speeds up with $accel_m_s2, N. */
    public function linePeakN(float $accel_m_s2): float
    {
        return ($this->weightN() + $this->friction_N + ($this->mass_kg + $this->counterweight_kg) * $accel_m_s2) / $this->lines;
    }

    /** Tension of one part of line while it sinks steadily, N. At 0 or below it does not come down by itself. */
    public function lineLowerN(): float
    {
        return ($this->weightN() - $this->friction_N) / $this->lines;
    }

    public function staticTorqueNm(float $position): float
    {
        return $this->weightN() * $this->travelPerRad();
    }

    public function frictionNm(): float
    {
        return $this->friction_N * $this->travelPerRad();
    }

    public function inertiaKgm2(): float
    {
        return ($this->mass_kg + $this->counterweight_kg) * $this->travelPerRad() ** 2;
    }

    public function massKg(): float
    {
        return $this->mass_kg;
    }

    public function leverM(): float
    {
        return $this->travelPerRad();
    }

    public function evenOverRad(): float
    {
        return INF;
    }

    public function unloaded(): self
    {
        return $this;
    }
}
