<?php

declare(strict_types=1);

namespace Brookstone\Core\Mechanism;

use Brookstone\Core\Error\ImpossibleValue;
use Brookstone\Core\Quantity\Constants;
use Brookstone\Core\Shape\Field;
use Brookstone\Core\Shape\NumberShape;

/**
 * A carriage on rails, level or inclined, pulled over a pulley by belt, cord, rack or screw. Positions in metres along
 * the rails, up the incline positive.
 *
 * Dry friction on an incline, m g (sin + μ cos): Meriam & Kraige, Engineering Mechanics: Statics, §6/3.
 */
final readonly class Slide implements Mechanism
{
    use ConstantInertia;

    public const UNIT = PositionUnit::Metres;

    public const RUB = 'friction_coefficient';

    public const BUILD_ONLY = ['payload_kg'];

    /**
     * @param  float  $mass_kg  of the carriage, > 0
     * @param  float  $pulley_radius_m  to the middle of belt or cord, > 0
     * @param  float  $friction_coefficient  on its rails, ≥ 0
     * @param  float  $incline_deg  0 to under 90
     * @param  float  $extra_force_N  a drag against the move, ≥ 0
     * @param  float  $payload_kg  what it carries besides, ≥ 0
     *
     * @throws ImpossibleValue
     */
    public function __construct(
        public float $mass_kg,
        public float $pulley_radius_m,
        public float $friction_coefficient = 0.0,
        public float $incline_deg = 0.0,
        public float $extra_force_N = 0.0,
        public float $payload_kg = 0.0,
    ) {
        ImpossibleValue::unlessPositive('mass_kg', $mass_kg);
        ImpossibleValue::unlessPositive('pulley_radius_m', $pulley_radius_m);
        ImpossibleValue::unlessNotNegative('friction_coefficient', $friction_coefficient);
        ImpossibleValue::unlessNotNegative('extra_force_N', $extra_force_N);
        ImpossibleValue::unlessNotNegative('payload_kg', $payload_kg);
        if (! ($incline_deg >= 0.0 && $incline_deg < 90.0)) {
            throw ImpossibleValue::because('incline_deg', 'must be from 0 to under 90.');
        }
    }

    public static function fields(?float $most = null): array
    {
        return [
            'mass_kg' => Field::needed(NumberShape::positive($most), 'Mass of the finished carriage.'),
            'pulley_radius_m' => Field::needed(NumberShape::positive($most), 'Radius of the pulley that pulls it, to the middle of the belt or cord.'),
            'friction_coefficient' => Field::or(0.0, NumberShape::notNegative($most), 'Of the carriage on its rails.'),
            'incline_deg' => Field::or(0.0, new NumberShape(0.0, 90.0, maxExcluded: true), 'Of the rails from level.'),
            'extra_force_N' => Field::or(0.0, NumberShape::notNegative($most), 'A drag besides, against the move.'),
            'payload_kg' => Field::or(0.0, NumberShape::notNegative($most), 'Mass of what it carries besides.'),
        ];
    }

    public function kind(): string
    {
        return 'slide';
    }

    public function positionUnit(): PositionUnit
    {
        return self::UNIT;
    }

    public function travelPerRad(?float $position = null): float
    {
        return $this->pulley_radius_m;
    }

    /** What pulls it down the incline, m g sin, N. */
    public function downhillN(): float
    {
        return $this->weightN() * sin($this->incline_deg * Constants::RAD_PER_DEG);
    }

    /** Drag against the move, m g μ cos + extra, N. */
    public function dragN(): float
    {
        return $this->weightN() * $this->friction_coefficient * cos($this->incline_deg * Constants::RAD_PER_DEG) + $this->extra_force_N;
    }

    public function staticTorqueNm(float $position): float
    {
        return $this->downhillN() * $this->pulley_radius_m;
    }

    public function frictionNm(float $position): float
    {
        return $this->dragN() * $this->pulley_radius_m;
    }

    public function inertiaKgm2(float $position): float
    {
        return ($this->mass_kg + $this->payload_kg) * $this->pulley_radius_m ** 2;
    }

    public function onStage(): OnStage
    {
        return OnStage::slides($this->mass_kg + $this->payload_kg, $this->incline_deg, $this->friction_coefficient);
    }

    public function masses(): array
    {
        return ['mass_kg' => $this->mass_kg, 'payload_kg' => $this->payload_kg];
    }

    public function leverM(): float
    {
        return $this->pulley_radius_m;
    }

    public function unloaded(): self
    {
        return new self($this->mass_kg, $this->pulley_radius_m, $this->friction_coefficient, $this->incline_deg, $this->extra_force_N);
    }

    private function weightN(): float
    {
        return ($this->mass_kg + $this->payload_kg) * Constants::GRAVITY_M_S2;
    }
}
