<?php

declare(strict_types=1);

namespace Brookstone\Core\Mechanism;

use Brookstone\Core\Error\ImpossibleValue;
use Brookstone\Core\Quantity\Constants;
use Brookstone\Core\Shape\Field;
use Brookstone\Core\Shape\NumberShape;

/**
 * An arm on a horizontal pivot: jaw, neck, wing, lid, bascule. Angles are from horizontal, up positive.
 *
 * Statics of a rigid body about a fixed axis: Meriam & Kraige, Engineering Mechanics: Dynamics, ch. 6 (plane motion,
 * fixed-axis rotation); a linear torsion spring and a counterweight whose torque falls with the cosine like the load's.
 */
final readonly class Arm implements Sized
{
    use ConstantInertia;

    public const RUB = 'friction_Nm';

    /** A step of 1.1°: halving it moves the time of a run by less than 0.03 %. */
    private const EVEN_OVER_RAD = 0.02;

    public float $inertia_kgm2;

    /** Torque of the weight at horizontal that the counterweight leaves; kept, because a run asks for it at every step. */
    private float $left_Nm;

    /**
     * @param  float  $mass_kg  of the arm itself, > 0
     * @param  float  $cg_m  from the pivot to its centre of mass, > 0
     * @param  float  $payload_kg  what sits on it, ≥ 0, at $payload_m ≥ 0 from the pivot
     * @param  float  $friction_Nm  rub of the pivot, ≥ 0
     * @param  float|null  $inertia_kgm2  about the pivot, all of it, counterweight too; as if of two points when null
     * @param  float  $counterbalance_Nm  torque of a counterweight at horizontal, ≥ 0
     * @param  float  $spring_Nm_per_deg  rate of a spring that pulls towards $spring_rest_deg, ≥ 0
     *
     * @throws ImpossibleValue
     */
    public function __construct(
        public float $mass_kg,
        public float $cg_m,
        public float $payload_kg = 0.0,
        public float $payload_m = 0.0,
        public float $friction_Nm = 0.0,
        ?float $inertia_kgm2 = null,
        public float $counterbalance_Nm = 0.0,
        public float $spring_Nm_per_deg = 0.0,
        public float $spring_rest_deg = 0.0,
    ) {
        ImpossibleValue::unlessPositive('mass_kg', $mass_kg);
        ImpossibleValue::unlessPositive('cg_m', $cg_m);
        ImpossibleValue::unlessNotNegative('payload_kg', $payload_kg);
        ImpossibleValue::unlessNotNegative('payload_m', $payload_m);
        ImpossibleValue::unlessNotNegative('friction_Nm', $friction_Nm);
        ImpossibleValue::unlessNotNegative('counterbalance_Nm', $counterbalance_Nm);
        ImpossibleValue::unlessNotNegative('spring_Nm_per_deg', $spring_Nm_per_deg);
        $this->inertia_kgm2 = $inertia_kgm2 ?? self::pointInertia($mass_kg, $cg_m, $payload_kg, $payload_m);
        ImpossibleValue::unlessPositive('inertia_kgm2', $this->inertia_kgm2);
        $this->left_Nm = $this->gravityNm() - $counterbalance_Nm;
    }

    public static function fields(?float $most = null): array
    {
        $positive = NumberShape::positive($most);
        $some = NumberShape::notNegative($most);

        return [
            'mass_kg' => Field::needed($positive, 'Mass of the finished arm with all that is fixed to it.'),
            'cg_m' => Field::needed($positive, 'From the pivot to the centre of mass.'),
            'payload_kg' => Field::or(0.0, $some, 'Mass of what it carries.'),
            'payload_m' => Field::or(0.0, $some, 'From the pivot to the centre of what it carries.'),
            'friction_Nm' => Field::or(0.0, $some, 'Rub of the pivot.'),
            'inertia_kgm2' => Field::or(null, $positive->orNull(), 'About the pivot, all of it, counterweight too; null: from the masses as points.'),
            'counterbalance_Nm' => Field::or(0.0, $some, 'Torque of a counterweight at horizontal.'),
            'spring_Nm_per_deg' => Field::or(0.0, $some, 'Rate of a spring at the pivot.'),
            'spring_rest_deg' => Field::or(0.0, NumberShape::between(-720.0, 720.0), 'Angle at which the spring is at rest.'),
        ];
    }

    /** Inertia of two points of mass about the pivot, Σ m r², in kg·m². */
    public static function pointInertia(float $mass_kg, float $cg_m, float $payload_kg, float $payload_m): float
    {
        return $mass_kg * $cg_m ** 2 + $payload_kg * $payload_m ** 2;
    }

    public function kind(): string
    {
        return 'arm';
    }

    public function extent(): Extent
    {
        return new Extent(2 * $this->cg_m, $this->mass_kg, 'mass_kg');
    }

    public function positionUnit(): PositionUnit
    {
        return self::UNIT;
    }

    public function travelPerRad(?float $position = null): float
    {
        return 1.0;
    }

    /** Torque of its weight at horizontal, before any counterweight: Σ m r g. */
    public function gravityNm(): float
    {
        return ($this->mass_kg * $this->cg_m + $this->payload_kg * $this->payload_m) * Constants::GRAVITY_M_S2;
    }

    /** T(θ) = (Σ m r g − counterbalance)·cos θ + spring·(θ − rest) */
    public function staticTorqueNm(float $position): float
    {
        $weight = $this->left_Nm * cos($position);

        return $this->spring_Nm_per_deg === 0.0 ? $weight : $weight + $this->spring_Nm_per_deg * ($position / Constants::RAD_PER_DEG - $this->spring_rest_deg);
    }

    public function frictionNm(float $position): float
    {
        return $this->friction_Nm;
    }

    public function inertiaKgm2(float $position): float
    {
        return $this->inertia_kgm2;
    }

    public function ways(): array
    {
        return ['up', 'down'];
    }

    public function onStage(): OnStage
    {
        return OnStage::swings([[$this->mass_kg, $this->cg_m, 0.0], [$this->payload_kg, $this->payload_m, 0.0]], $this->inertia_kgm2);
    }

    public function masses(): array
    {
        return ['mass_kg' => $this->mass_kg, 'payload_kg' => $this->payload_kg];
    }

    public function leverM(): float
    {
        return max($this->cg_m, $this->payload_m);
    }

    public function evenOverRad(): float
    {
        return self::EVEN_OVER_RAD;
    }

    /** The arm with another counterweight torque (N·m at horizontal); its inertia stays as given. */
    public function withCounterbalance(float $counterbalance_Nm): self
    {
        return new self($this->mass_kg, $this->cg_m, $this->payload_kg, $this->payload_m, $this->friction_Nm, $this->inertia_kgm2, $counterbalance_Nm,
            $this->spring_Nm_per_deg, $this->spring_rest_deg);
    }

    /** The arm with another spring; its inertia stays as given. */
    public function withSpring(float $spring_Nm_per_deg, float $spring_rest_deg): self
    {
        return new self($this->mass_kg, $this->cg_m, $this->payload_kg, $this->payload_m, $this->friction_Nm, $this->inertia_kgm2, $this->counterbalance_Nm,
            $spring_Nm_per_deg, $spring_rest_deg);
    }

    public function unloaded(): self
    {
        $inertia = max($this->inertia_kgm2 - $this->payload_kg * $this->payload_m ** 2, 1e-12);

        return new self($this->mass_kg, $this->cg_m, 0.0, $this->payload_m, $this->friction_Nm, $inertia, $this->counterbalance_Nm, $this->spring_Nm_per_deg,
            $this->spring_rest_deg);
    }
}
