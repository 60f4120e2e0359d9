<?php

declare(strict_types=1);

namespace Brookstone\Core\Mechanism;

use Brookstone\Core\Error\ImpossibleValue;
use Brookstone\Core\Quantity\Constants;
use Brookstone\Core\Shape\BooleanShape;
use Brookstone\Core\Shape\Field;
use Brookstone\Core\Shape\NumberShape;
use Brookstone\Core\Winding\Cord;
use Brookstone\Core\Winding\Drum;

/**
 * A load on a cord that winds on a drum. Positions are heights in metres, up positive.
 *
 * Ideal tackle: each of the parts of line carries an equal share, and the drum winds `lines` times the lift.
 * Meriam & Kraige, Engineering Mechanics: Dynamics, §2/9 (constrained motion of connected particles).
 *
 * Where the drum's width and the cord are told, the cord climbs on itself: torque, inertia and height for a turn are those of the layer it is on.
 */
final readonly class Hoist implements Mechanism
{
    use ConstantInertia;

    public const UNIT = PositionUnit::Metres;

    public const RUB = 'friction_N';

    public const BUILD_ONLY = ['payload_kg', 'cord_m', 'drum_width_m', 'lift_m'];

    /** The winding over the whole cord; null where the drum is said to be wide enough for one layer. */
    public ?Drum $drum;

    private float $mean_m; // of travel for a radian

    /** @var list<float> heights at which a new layer begins */
    private array $layers_at;

    /**
     * @param  float  $mass_kg  what is lifted, > 0
     * @param  float  $drum_radius_m  to the cord's centre in its first layer, > 0
     * @param  float  $counterweight_kg  ≥ 0 and lighter than the load with what it carries: a cord cannot push
     * @param  float  $friction_N  drag on the load, ≥ 0
     * @param  int  $lines  parts of line that carry the load, ≥ 1
     * @param  float  $payload_kg  what it carries besides, one way or both, ≥ 0
     * @param  float|null  $cord_m  thickness of the cord
     * @param  float|null  $drum_width_m  between the flanges; with the cord it says how the layers climb
     * @param  float  $lift_m  height over which it winds, from where the drum is empty at 0
     * @param  float|null  $lead_m  from the drum to the first pulley or eye, opposite its middle
     * @param  bool  $travelling  the drum travels on a thread of the cord's pitch: the cord always runs on square
     * @param  float|null  $breaking_N  what the cord breaks at, straight and new
     * @param  float  $knot_share  what its knot leaves of that
     * @param  bool  $empty  it goes without its payload: its counterweight may then be heavier
     *
     * @throws ImpossibleValue
     */
    public function __construct(
        public float $mass_kg,
        public float $drum_radius_m,
        public float $counterweight_kg = 0.0,
        public float $friction_N = 0.0,
        public int $lines = 1,
        public float $payload_kg = 0.0,
        public ?float $cord_m = null,
        public ?float $drum_width_m = null,
        public float $lift_m = 1.0,
        public ?float $lead_m = null,
        public bool $travelling = false,
        public ?float $breaking_N = null,
        public float $knot_share = Cord::USUAL_KNOT,
        private bool $empty = false,
    ) {
        ImpossibleValue::unlessPositive('mass_kg', $mass_kg);
        ImpossibleValue::unlessPositive('drum_radius_m', $drum_radius_m);
        ImpossibleValue::unlessNotNegative('counterweight_kg', $counterweight_kg);
        ImpossibleValue::unlessNotNegative('friction_N', $friction_N);
        ImpossibleValue::unlessPositive('lines', $lines);
        ImpossibleValue::unlessNotNegative('payload_kg', $payload_kg);
        ImpossibleValue::unlessPositive('lift_m', $lift_m);
        ImpossibleValue::unlessNone(self::problems(get_defined_vars()));
        $this->drum = $cord_m === null || $drum_width_m === null ? null : Drum::aroundFirstLayer($drum_radius_m, $cord_m, $drum_width_m, $lift_m * $lines);
        $this->mean_m = $this->drum === null ? $drum_radius_m / $lines : $lift_m / $this->drum->turnAfter_m($lift_m * $lines);
        $this->layers_at = array_map(fn (float $length): float => $length / $lines, $this->drum?->layerEnds_m() ?? []);
    }

    public static function fields(?float $most = null): array
    {
        $positive = NumberShape::positive($most);
        $some = NumberShape::notNegative($most);

        return [
            'mass_kg' => Field::needed($positive, 'Mass of the finished load.'),
            'drum_radius_m' => Field::needed($positive, 'Drum radius to the centre of the cord.'),
            'counterweight_kg' => Field::or(0.0, $some, 'Mass of a counterweight, lighter than the load.'),
            'friction_N' => Field::or(0.0, $some, 'Drag on the load.'),
            'lines' => Field::or(1, NumberShape::whole(1, $most === null ? null : 12), 'Parts of line that carry the load.'),
            'payload_kg' => Field::or(0.0, $some, 'Mass of what it carries besides.'),
            'cord_m' => Field::or(null, NumberShape::positive(0.1)->orNull(), 'Thickness of the cord.'),
            'drum_width_m' => Field::or(null, NumberShape::positive(2.0)->orNull(), 'Drum width between its flanges.'),
            'lift_m' => Field::or(1.0, NumberShape::positive(100.0), 'Height over which the cord winds, from the empty drum.'),
            'lead_m' => Field::or(null, NumberShape::positive(100.0)->orNull(), 'From the drum to the first pulley or eye, opposite its middle.'),
            'travelling' => Field::or(false, new BooleanShape, 'The drum travels on a thread of the cord’s pitch.'),
            'breaking_N' => Field::or(null, NumberShape::positive(100000.0)->orNull(), 'What the cord breaks at, straight and new.'),
            'knot_share' => Field::or(Cord::USUAL_KNOT, NumberShape::between(0.05, 1.0), 'What its knot leaves of that.'),
        ];
    }

    public static function problems(array $read): array
    {
        $problems = [];
        $loaded = ($read['mass_kg'] ?? INF) + ($read['payload_kg'] ?? 0.0);
        if (($read['counterweight_kg'] ?? null) !== null && $read['counterweight_kg'] >= $loaded) {
            $problems['counterweight_kg'] = 'Must be lighter than the load ('.$loaded.' kg): a cord cannot push.';
        }
        if (($read['cord_m'] ?? null) !== null && ($read['drum_radius_m'] ?? null) !== null && $read['cord_m'] >= 2 * $read['drum_radius_m']) {
            $problems['cord_m'] = 'Must be thinner than the drum.';
        }
        if (($read['drum_width_m'] ?? null) !== null && ($read['cord_m'] ?? null) !== null && $read['drum_width_m'] < $read['cord_m']) {
            $problems['drum_width_m'] = 'Must take one turn of the cord at least.';
        }

        return $problems;
    }

    public function kind(): string
    {
        return 'hoist';
    }

    public function positionUnit(): PositionUnit
    {
        return self::UNIT;
    }

    public function travelPerRad(?float $position = null): float
    {
        return $position === null || $this->drum === null ? $this->mean_m : $this->drum->radiusAfter_m($position * $this->lines) / $this->lines;
    }

    public function turnAt(float $position): float
    {
        return $this->drum === null ? $position / $this->mean_m : $this->drum->turnAfter_m($position * $this->lines);
    }

    public function positionAt(float $turn): float
    {
        return $this->drum === null ? $turn * $this->mean_m : $this->drum->lengthAfter_rad($turn) / $this->lines;
    }

    public function isEven(): bool
    {
        return $this->layers_at === [];
    }

    /** Weight that the cord carries after the counterweight, N. */
    public function weightN(): float
    {
        return ($this->carriedKg() - $this->counterweight_kg) * Constants::GRAVITY_M_S2;
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
        return ($this->weightN() + $this->friction_N + $this->movingKg() * $accel_m_s2) / $this->lines;
    }

    /** Tension of one part of line while it sinks steadily, N. At 0 or below it does not come down by itself. */
    public function lineLowerN(): float
    {
        return ($this->weightN() - $this->friction_N) / $this->lines;
    }

    public function staticTorqueNm(float $position): float
    {
        return $this->weightN() * $this->travelPerRad($position);
    }

    public function frictionNm(float $position): float
    {
        return $this->friction_N * $this->travelPerRad($position);
    }

    public function inertiaKgm2(float $position): float
    {
        return $this->movingKg() * $this->travelPerRad($position) ** 2;
    }

    public function pullsOnly(): bool
    {
        return true;
    }

    /** With its knot, all parts of line together. */
    public function bearsN(): float
    {
        return $this->breaking_N === null ? INF : (new Cord($this->breaking_N, $this->knot_share))->bears_N * $this->lines;
    }

    public function snapsNm(float $position): float
    {
        return $this->breaking_N === null ? INF : $this->bearsN() * $this->travelPerRad($position);
    }

    public function ways(): array
    {
        return ['up', 'down'];
    }

    public function onStage(): OnStage
    {
        return OnStage::slides($this->mass_kg + $this->payload_kg, 90.0);
    }

    public function masses(): array
    {
        return ['mass_kg' => $this->mass_kg, 'payload_kg' => $this->payload_kg];
    }

    public function dynamics(float $position): array
    {
        $lever = $this->travelPerRad($position);

        return [$this->weightN() * $lever, $this->friction_N * $lever, $this->movingKg() * $lever ** 2, 0.0];
    }

    public function leverM(): float
    {
        return $this->drum_radius_m / $this->lines;
    }

    public function evenOverRad(): float
    {
        return $this->drum === null || $this->layers_at === [] ? INF : $this->drum->turns_per_layer * M_PI / 4;
    }

    public function breaks(): array
    {
        return $this->layers_at;
    }

    /** The same load with another counterweight, kg. */
    public function withCounterweight(float $counterweight_kg): self
    {
        return $this->but(['counterweight_kg' => $counterweight_kg]);
    }

    public function unloaded(): self
    {
        return $this->but(['empty' => true]);
    }

    /** @param  array<string, mixed>  $changes  named as the fields */
    private function but(array $changes): self
    {
        return new self(...$changes + ['empty' => $this->empty] + array_intersect_key(get_object_vars($this), self::fields()));
    }

    private function movingKg(): float
    {
        return $this->carriedKg() + $this->counterweight_kg;
    }

    /** What hangs on its cord, kg. */
    public function carriedKg(): float
    {
        return $this->mass_kg + ($this->empty ? 0.0 : $this->payload_kg);
    }
}
