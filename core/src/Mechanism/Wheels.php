<?php

declare(strict_types=1);

namespace Brookstone\Core\Mechanism;

use Brookstone\Core\Error\ImpossibleValue;
use Brookstone\Core\Quantity\Constants;
use Brookstone\Core\Shape\Field;
use Brookstone\Core\Shape\NumberShape;

/**
 * A driven vehicle, seen from the axle of its wheels. Positions in metres along the track, uphill positive.
 *
 * Rolling resistance c·N, grade m g sin, grip μ·N on the driven part of the weight: Wong, Theory of Ground Vehicles,
 * 4th ed., §3.1. The inertia of the wheels themselves is left out: it is small beside the vehicle's mass.
 */
final readonly class Wheels implements Sized
{
    use ConstantInertia;

    public const UNIT = PositionUnit::Metres;

    public const RUB = 'rolling_coefficient';

    public const BUILD_ONLY = ['payload_kg'];

    /**
     * @param  float  $mass_kg  of the vehicle, > 0
     * @param  float  $wheel_radius_m  > 0
     * @param  float  $rolling_coefficient  ≥ 0
     * @param  float  $friction_coefficient  tyre on track, ≥ 0
     * @param  float  $grade_deg  0 to under 90
     * @param  float  $driven_weight_fraction  share of the weight on driven wheels, over 0 to 1
     * @param  float  $payload_kg  what it carries besides, ≥ 0
     *
     * @throws ImpossibleValue
     */
    public function __construct(
        public float $mass_kg,
        public float $wheel_radius_m,
        public float $rolling_coefficient,
        public float $friction_coefficient,
        public float $grade_deg = 0.0,
        public float $driven_weight_fraction = 1.0,
        public float $payload_kg = 0.0,
    ) {
        ImpossibleValue::unlessPositive('mass_kg', $mass_kg);
        ImpossibleValue::unlessPositive('wheel_radius_m', $wheel_radius_m);
        ImpossibleValue::unlessNotNegative('rolling_coefficient', $rolling_coefficient);
        ImpossibleValue::unlessNotNegative('friction_coefficient', $friction_coefficient);
        ImpossibleValue::unlessWithin('driven_weight_fraction', $driven_weight_fraction, 0.0, 1.0);
        ImpossibleValue::unlessNotNegative('payload_kg', $payload_kg);
        if (! ($grade_deg >= 0.0 && $grade_deg < 90.0)) {
            throw ImpossibleValue::because('grade_deg', 'must be from 0 to under 90.');
        }
    }

    public static function fields(?float $most = null): array
    {
        return [
            'mass_kg' => Field::needed(NumberShape::positive($most), 'Mass of the finished vehicle.'),
            'wheel_radius_m' => Field::needed(NumberShape::positive($most), 'Radius of the driven wheels.'),
            'rolling_coefficient' => Field::needed(NumberShape::notNegative($most), 'Pull that keeps it rolling on the level, over its weight.'),
            'friction_coefficient' => Field::needed(NumberShape::notNegative($most), 'Of the tyre on the track.'),
            'grade_deg' => Field::or(0.0, new NumberShape(0.0, 90.0, maxExcluded: true), 'Slope of the track.'),
            'driven_weight_fraction' => Field::or(1.0, NumberShape::share(), 'Share of the weight on driven wheels.'),
            'payload_kg' => Field::or(0.0, NumberShape::notNegative($most), 'Mass of what it carries besides.'),
        ];
    }

    public function kind(): string
    {
        return 'wheels';
    }

    public function extent(): Extent
    {
        return new Extent(8 * $this->wheel_radius_m, $this->mass_kg, 'mass_kg');
    }

    public function positionUnit(): PositionUnit
    {
        return self::UNIT;
    }

    public function travelPerRad(?float $position = null): float
    {
        return $this->wheel_radius_m;
    }

    /** What pulls it downhill, m g sin, N. */
    public function downhillN(): float
    {
        return $this->weightN() * sin($this->grade_deg * Constants::RAD_PER_DEG);
    }

    /** Rolling resistance, m g c cos, N. */
    public function rollingN(): float
    {
        return $this->rolling_coefficient * $this->weightN() * cos($this->grade_deg * Constants::RAD_PER_DEG);
    }

    /** The most that the driven tyres can push with, μ·fraction·m g cos, N. */
    public function tractionN(): float
    {
        return $this->friction_coefficient * $this->driven_weight_fraction * $this->weightN() * cos($this->grade_deg * Constants::RAD_PER_DEG);
    }

    public function staticTorqueNm(float $position): float
    {
        return $this->downhillN() * $this->wheel_radius_m;
    }

    public function frictionNm(float $position): float
    {
        return $this->rollingN() * $this->wheel_radius_m;
    }

    public function inertiaKgm2(float $position): float
    {
        return ($this->mass_kg + $this->payload_kg) * $this->wheel_radius_m ** 2;
    }

    public function onStage(): OnStage
    {
        return OnStage::slides($this->mass_kg + $this->payload_kg, $this->grade_deg, $this->rolling_coefficient);
    }

    public function masses(): array
    {
        return ['mass_kg' => $this->mass_kg, 'payload_kg' => $this->payload_kg];
    }

    public function leverM(): float
    {
        return $this->wheel_radius_m;
    }

    public function gripNm(): float
    {
        return $this->tractionN() * $this->wheel_radius_m;
    }

    public function isEndless(): bool
    {
        return true;
    }

    public function unloaded(): self
    {
        return new self($this->mass_kg, $this->wheel_radius_m, $this->rolling_coefficient, $this->friction_coefficient, $this->grade_deg,
            $this->driven_weight_fraction);
    }

    private function weightN(): float
    {
        return ($this->mass_kg + $this->payload_kg) * Constants::GRAVITY_M_S2;
    }
}
