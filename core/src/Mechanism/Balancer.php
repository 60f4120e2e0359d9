<?php

declare(strict_types=1);

namespace Brookstone\Core\Mechanism;

use Brookstone\Core\Error\ImpossibleValue;
use Brookstone\Core\Quantity\Constants;
use Brookstone\Core\Shape\Field;
use Brookstone\Core\Shape\NumberShape;

/**
 * Something that stands on wheels side by side, or on a ball, and is kept upright by rolling under its own fall. Positions in metres rolled on the level.
 *
 * To speed up by a it has to lean by atan(a/g) first, so that its weight carries it along: what its wheels push with then is m·a, as for a vehicle (Åström &
 * Murray, Feedback Systems, 2nd ed., §3.2).
 */
final readonly class Balancer implements Sized
{
    use ConstantInertia;

    public const UNIT = PositionUnit::Metres;

    public const RUB = 'rolling_coefficient';

    public const BUILD_ONLY = [];

    /**
     * @param  float  $mass_kg  all that stands on the wheels, > 0
     * @param  float  $height_m  of its centre of mass over the ground, > 0
     * @param  float  $wheel_radius_m  > 0
     * @param  float  $inertia_kgm2  about its centre of mass, ≥ 0
     * @param  float  $rolling_coefficient  ≥ 0
     * @param  float  $friction_coefficient  wheel on ground, ≥ 0
     * @param  float  $delay_s  from the sensor to the motor, ≥ 0
     * @param  float  $loop_hz  how often it looks, > 0
     *
     * @throws ImpossibleValue
     */
    public function __construct(
        public float $mass_kg,
        public float $height_m,
        public float $wheel_radius_m,
        public float $inertia_kgm2 = 0.0,
        public float $rolling_coefficient = 0.02,
        public float $friction_coefficient = 0.6,
        public float $delay_s = 0.01,
        public float $loop_hz = 100.0,
    ) {
        ImpossibleValue::unlessPositive('mass_kg', $mass_kg);
        ImpossibleValue::unlessPositive('height_m', $height_m);
        ImpossibleValue::unlessPositive('wheel_radius_m', $wheel_radius_m);
        ImpossibleValue::unlessPositive('loop_hz', $loop_hz);
        foreach (['inertia_kgm2' => $inertia_kgm2, 'rolling_coefficient' => $rolling_coefficient, 'friction_coefficient' => $friction_coefficient,
            'delay_s' => $delay_s] as $field => $value) {
            ImpossibleValue::unlessNotNegative($field, $value);
        }
    }

    public static function fields(?float $most = null): array
    {
        $positive = NumberShape::positive($most);
        $share = NumberShape::notNegative($most);

        return [
            'mass_kg' => Field::needed($positive, 'All that stands on the wheels.'),
            'height_m' => Field::needed($positive, 'Of its centre of mass over the ground.'),
            'wheel_radius_m' => Field::needed($positive, 'Of its wheels.'),
            'inertia_kgm2' => Field::or(0.0, NumberShape::notNegative($most), 'About its centre of mass; 0 for a small heavy thing on a stick.'),
            'rolling_coefficient' => Field::or(0.02, $share, 'Pull that keeps it rolling on the level, over its weight.'),
            'friction_coefficient' => Field::or(0.6, $share, 'Of the wheels on the ground or ball.'),
            'delay_s' => Field::or(0.01, NumberShape::between(0.0, 60.0), 'From the sensor that feels it lean to the motor.'),
            'loop_hz' => Field::or(100.0, NumberShape::positive(1e6), 'How often the controller looks.'),
        ];
    }

    public function kind(): string
    {
        return 'balancer';
    }

    public function extent(): Extent
    {
        return new Extent(2 * $this->height_m, $this->mass_kg, 'mass_kg');
    }

    public function positionUnit(): PositionUnit
    {
        return self::UNIT;
    }

    public function travelPerRad(?float $position = null): float
    {
        return $this->wheel_radius_m;
    }

    public function staticTorqueNm(float $position): float
    {
        return 0.0;
    }

    public function frictionNm(float $position): float
    {
        return $this->rolling_coefficient * $this->mass_kg * Constants::GRAVITY_M_S2 * $this->wheel_radius_m;
    }

    public function inertiaKgm2(float $position): float
    {
        return $this->mass_kg * $this->wheel_radius_m ** 2;
    }

    /** So far it leans to speed up by so much, degrees. */
    public function lean_deg(float $accel_m_s2): float
    {
        return rad2deg(atan(abs($accel_m_s2) / Constants::GRAVITY_M_S2));
    }

    public function onStage(): OnStage
    {
        return OnStage::slides($this->mass_kg, 0.0, $this->rolling_coefficient);
    }

    public function masses(): array
    {
        return ['mass_kg' => $this->mass_kg];
    }

    public function leverM(): float
    {
        return $this->wheel_radius_m;
    }

    public function gripNm(): float
    {
        return $this->friction_coefficient * $this->mass_kg * Constants::GRAVITY_M_S2 * $this->wheel_radius_m;
    }

    public function isEndless(): bool
    {
        return true;
    }
}
