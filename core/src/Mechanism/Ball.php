<?php

declare(strict_types=1);

namespace Brookstone\Core\Mechanism;

use Brookstone\Core\Error\ImpossibleValue;
use Brookstone\Core\Quantity\Constants;
use Brookstone\Core\Shape\Field;
use Brookstone\Core\Shape\NumberShape;

/**
 * A ball that is driven from inside by a weight hung on its axle: the motor lifts the weight, and the ball rolls. Positions
 * in metres rolled, uphill positive.
 *
 * Moments about the point of contact: drive torque T = (M + m) g R (sin γ + c cos γ), which the weight gives up to
 * m g d. The shell is a thin one, J = ⅔ M R² (Meriam & Kraige, Engineering Mechanics: Dynamics, app. B).
 */
final readonly class Ball implements Sized
{
    use ConstantInertia;

    public const UNIT = PositionUnit::Metres;

    public const RUB = 'rolling_coefficient';

    /**
     * @param  float  $ball_radius_m  outside, > 0
     * @param  float  $shell_mass_kg  of all that turns with the ball, > 0
     * @param  float  $pendulum_mass_kg  of the hung weight with motor and battery, > 0
     * @param  float  $pendulum_arm_m  from the axle to its centre of mass; shorter than the radius
     * @param  float  $rolling_coefficient  ≥ 0
     * @param  float  $grade_deg  0 to under 90
     * @param  float|null  $steer_deg  lean of the axle in a turn; null straight on
     *
     * @throws ImpossibleValue
     */
    public function __construct(
        public float $ball_radius_m,
        public float $shell_mass_kg,
        public float $pendulum_mass_kg,
        public float $pendulum_arm_m,
        public float $rolling_coefficient = 0.0,
        public float $grade_deg = 0.0,
        public ?float $steer_deg = null,
    ) {
        ImpossibleValue::unlessPositive('ball_radius_m', $ball_radius_m);
        ImpossibleValue::unlessPositive('shell_mass_kg', $shell_mass_kg);
        ImpossibleValue::unlessPositive('pendulum_mass_kg', $pendulum_mass_kg);
        ImpossibleValue::unlessPositive('pendulum_arm_m', $pendulum_arm_m);
        ImpossibleValue::unlessNotNegative('rolling_coefficient', $rolling_coefficient);
        if (! ($grade_deg >= 0.0 && $grade_deg < 90.0)) {
            throw ImpossibleValue::because('grade_deg', 'must be from 0 to under 90.');
        }
        ImpossibleValue::unlessNone(self::problems(get_defined_vars()));
    }

    public static function fields(?float $most = null): array
    {
        $positive = NumberShape::positive($most);

        return [
            'ball_radius_m' => Field::needed($positive, 'Outside radius of the ball.'),
            'shell_mass_kg' => Field::needed($positive, 'Mass of all that turns with the ball.'),
            'pendulum_mass_kg' => Field::needed($positive, 'Mass of the hung weight, motor and battery with it.'),
            'pendulum_arm_m' => Field::needed($positive, 'From the axle to the balance point of that weight.'),
            'rolling_coefficient' => Field::or(0.0, NumberShape::notNegative($most), 'Pull that keeps it rolling on the level, over its weight.'),
            'grade_deg' => Field::or(0.0, new NumberShape(0.0, 90.0, maxExcluded: true), 'Slope of the ground.'),
            'steer_deg' => Field::or(null, NumberShape::between(-720.0, 720.0)->orNull(), 'Lean of the axle in a turn.'),
        ];
    }

    public static function problems(array $read): array
    {
        return isset($read['ball_radius_m'], $read['pendulum_arm_m']) && $read['pendulum_arm_m'] >= $read['ball_radius_m']
            ? ['pendulum_arm_m' => 'Must be shorter than the radius of the ball ('.$read['ball_radius_m'].' m).'] : [];
    }

    public function kind(): string
    {
        return 'ball';
    }

    public function extent(): Extent
    {
        return new Extent(2 * $this->ball_radius_m, $this->shell_mass_kg + $this->pendulum_mass_kg, 'shell_mass_kg');
    }

    public function positionUnit(): PositionUnit
    {
        return self::UNIT;
    }

    public function travelPerRad(?float $position = null): float
    {
        return $this->ball_radius_m;
    }

    /** Torque that the hung weight gives when it is level with the axle, m g d. */
    public function capacityNm(): float
    {
        return $this->pendulum_mass_kg * Constants::GRAVITY_M_S2 * $this->pendulum_arm_m;
    }

    /** Torque that keeps it rolling uphill, (M + m) g R (sin γ + c cos γ). */
    public function rollingNm(): float
    {
        return $this->staticTorqueNm(0.0) + $this->frictionNm(0.0);
    }

    /** How far the weight leans for a torque, rad; null where it would go over the top. */
    public function lean(float $torque_Nm): ?float
    {
        $share = abs($torque_Nm) / $this->capacityNm();

        return $share <= 1.0 + 1e-9 ? asin(min(1.0, $share)) : null;
    }

    /** Steepest grade without any rolling loss, rad: asin(m d / (M + m) R). */
    public function steepest(): float
    {
        return asin(min(1.0, $this->pendulum_mass_kg * $this->pendulum_arm_m / (($this->shell_mass_kg + $this->pendulum_mass_kg) * $this->ball_radius_m)));
    }

    /** R / tan(steer), m; null where it goes straight. */
    public function turnRadius_m(): ?float
    {
        $tangent = $this->steer_deg === null ? 0.0 : tan($this->steer_deg * Constants::RAD_PER_DEG);

        return abs($tangent) < 1e-12 ? null : $this->ball_radius_m / $tangent;
    }

    public function staticTorqueNm(float $position): float
    {
        return $this->weightNm() * sin($this->grade_deg * Constants::RAD_PER_DEG);
    }

    public function frictionNm(float $position): float
    {
        return $this->weightNm() * $this->rolling_coefficient * cos($this->grade_deg * Constants::RAD_PER_DEG);
    }

    public function inertiaKgm2(float $position): float
    {
        return ($this->shell_mass_kg + $this->pendulum_mass_kg + 2 / 3 * $this->shell_mass_kg) * $this->ball_radius_m ** 2;
    }

    public function onStage(): OnStage
    {
        return OnStage::slides($this->shell_mass_kg + $this->pendulum_mass_kg, $this->grade_deg, $this->rolling_coefficient);
    }

    public function masses(): array
    {
        return ['shell_mass_kg' => $this->shell_mass_kg];
    }

    public function leverM(): float
    {
        return $this->ball_radius_m;
    }

    public function gripNm(): float
    {
        return $this->capacityNm();
    }

    public function isEndless(): bool
    {
        return true;
    }

    private function weightNm(): float
    {
        return ($this->shell_mass_kg + $this->pendulum_mass_kg) * Constants::GRAVITY_M_S2 * $this->ball_radius_m;
    }
}
