<?php

declare(strict_types=1);

namespace Brookstone\Core\Mechanism;

use Brookstone\Core\Error\ImpossibleValue;
use Brookstone\Core\Linkage\Pushrod;
use Brookstone\Core\Quantity\Constants;
use Brookstone\Core\Shape\BooleanShape;
use Brookstone\Core\Shape\Field;
use Brookstone\Core\Shape\NumberShape;

/**
 * A part that a rod moves, from the arm of a servo to a horn on the part: a rudder, a lid, a jaw. Positions in degrees of the
 * servo's arm from neutral, clockwise positive, where arm and horn stand square to the line between the pivots.
 *
 * The part's torque and inertia are felt at the arm through φ′ = dφ/dθ and φ′²: virtual work, Norton, Design of Machinery,
 * 5th ed., §10.15. The rod is taken as massless.
 */
final readonly class PushrodLever implements Mechanism, SprungAtPivot
{
    use FeltThroughLinkage;

    public const RUB = 'friction_Nm';

    private const EVEN_OVER_RAD = 0.02;

    private const BEND_RAD = 1e-5; // over which the change of the gain is taken

    private Pushrod $rod;

    private float $part_kgm2;

    private float $weight_Nm;

    private float $balance_rad;

    private float $half_rad;

    /**
     * @param  float  $half_travel_deg  how far the arm goes either way at most
     * @param  float  $balance_deg  from level to the line from the part's pivot to its balance point, at neutral
     * @param  float  $spring_Nm_per_deg  rate of a spring at the part's pivot, ≥ 0
     * @param  float  $spring_rest_deg  turn of the part from neutral, clockwise, where the spring is at rest
     *
     * @throws ImpossibleValue
     */
    public function __construct(
        public float $arm_m,
        public float $horn_m,
        public float $pivot_distance_m,
        public float $mass_kg,
        public float $cg_m,
        public float $half_travel_deg = 60.0,
        public bool $opposite_sides = false,
        public ?float $inertia_kgm2 = null,
        public float $balance_deg = 0.0,
        public float $friction_Nm = 0.0,
        public float $spring_Nm_per_deg = 0.0,
        public float $spring_rest_deg = 0.0,
    ) {
        ImpossibleValue::unlessPositive('mass_kg', $mass_kg);
        ImpossibleValue::unlessPositive('cg_m', $cg_m);
        ImpossibleValue::unlessNotNegative('spring_Nm_per_deg', $spring_Nm_per_deg);
        ImpossibleValue::unlessNotNegative('friction_Nm', $friction_Nm);
        ImpossibleValue::unlessNone(self::problems(get_defined_vars()));
        $this->rod = new Pushrod($arm_m, $horn_m, $pivot_distance_m, $half_travel_deg, $opposite_sides);
        $this->part_kgm2 = $inertia_kgm2 ?? $mass_kg * $cg_m ** 2;
        ImpossibleValue::unlessPositive('inertia_kgm2', $this->part_kgm2);
        $this->weight_Nm = $mass_kg * Constants::GRAVITY_M_S2 * $cg_m;
        $this->balance_rad = $balance_deg * Constants::RAD_PER_DEG;
        $this->half_rad = $half_travel_deg * Constants::RAD_PER_DEG;
    }

    public static function fields(?float $most = null): array
    {
        $positive = NumberShape::positive($most);

        return [
            'arm_m' => Field::needed($positive, 'From the servo’s shaft to the hole in its arm.'),
            'horn_m' => Field::needed($positive, 'From the part’s pivot to the hole in its horn.'),
            'pivot_distance_m' => Field::needed($positive, 'From the servo’s shaft to the part’s pivot.'),
            'mass_kg' => Field::needed($positive, 'Mass of the finished part.'),
            'cg_m' => Field::needed($positive, 'From the part’s pivot to its balance point.'),
            'half_travel_deg' => Field::or(60.0, NumberShape::between(1.0, 120.0), 'How far the arm goes either way at most.'),
            'opposite_sides' => Field::or(false, new BooleanShape, 'Arm and horn on opposite sides: the part turns the other way.'),
            'inertia_kgm2' => Field::or(null, $positive->orNull(), 'Of the part about its pivot; null: as a point.'),
            'balance_deg' => Field::or(0.0, NumberShape::between(-360.0, 360.0), 'Its balance point above level when the arm is at neutral.'),
            'friction_Nm' => Field::or(0.0, NumberShape::notNegative($most), 'Rub of the part’s pivot.'),
            'spring_Nm_per_deg' => Field::or(0.0, NumberShape::notNegative($most), 'Rate of a spring at the part’s pivot.'),
            'spring_rest_deg' => Field::or(0.0, NumberShape::between(-720.0, 720.0), 'Turn of the part from neutral, clockwise, where the spring is at rest.'),
        ];
    }

    public static function problems(array $read): array
    {
        if (! isset($read['arm_m'], $read['horn_m'], $read['pivot_distance_m'], $read['half_travel_deg'], $read['opposite_sides'])) {
            return [];
        }

        return (new Pushrod($read['arm_m'], $read['horn_m'], $read['pivot_distance_m'], $read['half_travel_deg'], $read['opposite_sides']))->binds
            ? ['horn_m' => 'The rod cannot follow the arm that far: take a longer horn, a shorter arm, or less travel.'] : [];
    }

    public function kind(): string
    {
        return 'pushed';
    }

    public function dynamics(float $position): array
    {
        [$turned, $gain, $bend] = $this->part($position);
        $spring = $this->spring_Nm_per_deg === 0.0 ? 0.0 : $this->spring_Nm_per_deg * ($turned / Constants::RAD_PER_DEG - $this->spring_rest_deg);

        return [
            ($spring - $this->weight_Nm * cos($this->balance_rad - $turned)) * $gain,
            $this->friction_Nm * abs($gain),
            $this->part_kgm2 * $gain * $gain,
            2 * $this->part_kgm2 * $gain * $bend,
        ];
    }

    public function atPivot(float $position): array
    {
        [$turned, $gain] = $this->part($position);

        return [-$this->weight_Nm * cos($this->balance_rad - $turned), $gain];
    }

    public function withSpring(float $spring_Nm_per_deg, float $spring_rest_deg): self
    {
        return new self(
            $this->arm_m, $this->horn_m, $this->pivot_distance_m, $this->mass_kg, $this->cg_m, $this->half_travel_deg, $this->opposite_sides,
            $this->inertia_kgm2, $this->balance_deg, $this->friction_Nm,
            $spring_Nm_per_deg, $spring_rest_deg,
        );
    }

    public function evenOverRad(): float
    {
        return self::EVEN_OVER_RAD;
    }

    public function ways(): array
    {
        return ['up', 'down'];
    }

    public function onStage(): OnStage
    {
        return OnStage::swings([[$this->mass_kg, $this->cg_m, $this->balance_rad]], $this->part_kgm2, down: true);
    }

    public function masses(): array
    {
        return ['mass_kg' => $this->mass_kg];
    }

    public function leverM(): float
    {
        return $this->arm_m;
    }

    /** Turn of the part from neutral, clockwise, degrees. */
    public function follower(float $position): float
    {
        return $this->part($position)[0] / Constants::RAD_PER_DEG;
    }

    /**
     * Turn of the part, rad, with its first and second derivative by the arm's. Past the arm's own travel it is carried on in a
     * straight line: nothing stands there.
     *
     * @return array{float, float, float}
     */
    private function part(float $position): array
    {
        $at = max(-$this->half_rad, min($this->half_rad, $position));
        $gain = $this->rod->gain($at);
        if ($at !== $position) {
            return [$this->rod->horn($at) + $gain * ($position - $at), $gain, 0.0];
        }
        [$low, $high] = [max(-$this->half_rad, $at - self::BEND_RAD), min($this->half_rad, $at + self::BEND_RAD)];

        return [$this->rod->horn($at), $gain, ($this->rod->gain($high) - $this->rod->gain($low)) / ($high - $low)];
    }
}
