<?php

declare(strict_types=1);

namespace Brookstone\Core\Mechanism;

use Brookstone\Core\Error\ImpossibleValue;
use Brookstone\Core\Quantity\Constants;
use Brookstone\Core\Shape\Field;
use Brookstone\Core\Shape\NumberShape;

/**
 * A conveyor or a feeder drum that moves on by one item, or one turn, at a time. Positions in metres of belt, or of the
 * drum's rim; the way of one item is the item pitch.
 *
 * The same balance as a carriage on an incline (Meriam & Kraige, Engineering Mechanics: Statics, §6/3), with what it
 * carries spread over its items.
 */
final readonly class Feeder implements Mechanism
{
    use ConstantInertia;

    public const UNIT = PositionUnit::Metres;

    public const RUB = 'drag_N';

    private const OWN_KG = 1e-4; // a belt always weighs something

    /**
     * @param  float  $drum_radius_m  > 0
     * @param  float  $item_pitch_m  along the belt from one item to the next, > 0
     * @param  float  $item_kg  mass of an item or portion, ≥ 0
     * @param  int  $items_carried  at one time, ≥ 0
     * @param  float  $moving_kg  belt and drum, as if at the rim, ≥ 0
     * @param  float  $drag_N  of belt, scraper and brush, at the rim, ≥ 0
     * @param  float  $incline_deg  −90 to 90; up positive
     *
     * @throws ImpossibleValue
     */
    public function __construct(
        public float $drum_radius_m,
        public float $item_pitch_m,
        public float $item_kg = 0.0,
        public int $items_carried = 1,
        public float $moving_kg = 0.0,
        public float $drag_N = 0.0,
        public float $incline_deg = 0.0,
    ) {
        ImpossibleValue::unlessPositive('drum_radius_m', $drum_radius_m);
        ImpossibleValue::unlessPositive('item_pitch_m', $item_pitch_m);
        ImpossibleValue::unlessNotNegative('item_kg', $item_kg);
        ImpossibleValue::unlessNotNegative('items_carried', $items_carried);
        ImpossibleValue::unlessNotNegative('moving_kg', $moving_kg);
        ImpossibleValue::unlessNotNegative('drag_N', $drag_N);
        if (! (abs($incline_deg) < 90.0)) {
            throw ImpossibleValue::because('incline_deg', 'must lie between −90 and 90.');
        }
    }

    public static function fields(?float $most = null): array
    {
        $some = NumberShape::notNegative($most);

        return [
            'drum_radius_m' => Field::needed(NumberShape::positive($most), 'Radius of the drum that pulls, to the belt.'),
            'item_pitch_m' => Field::needed(NumberShape::positive($most), 'From one item or pocket to the next, along belt or rim.'),
            'item_kg' => Field::or(0.0, $some, 'Mass of one item or portion.'),
            'items_carried' => Field::or(1, NumberShape::whole(0, 10000), 'Items on it at one time.'),
            'moving_kg' => Field::or(0.0, $some, 'Mass of belt and drum.'),
            'drag_N' => Field::or(0.0, $some, 'Pull that moves it empty and slowly.'),
            'incline_deg' => Field::or(0.0, new NumberShape(-90.0, 90.0, true, true), 'Of the belt, up positive.'),
        ];
    }

    public function kind(): string
    {
        return 'feeder';
    }

    public function positionUnit(): PositionUnit
    {
        return self::UNIT;
    }

    public function travelPerRad(?float $position = null): float
    {
        return $this->drum_radius_m;
    }

    public function carriedKg(): float
    {
        return $this->item_kg * $this->items_carried;
    }

    /** Items for one turn of the drum. */
    public function itemsPerTurn(): float
    {
        return 2 * M_PI * $this->drum_radius_m / $this->item_pitch_m;
    }

    public function staticTorqueNm(float $position): float
    {
        return $this->carriedKg() * Constants::GRAVITY_M_S2 * sin($this->incline_deg * Constants::RAD_PER_DEG) * $this->drum_radius_m;
    }

    public function frictionNm(float $position): float
    {
        return $this->drag_N * $this->drum_radius_m;
    }

    public function inertiaKgm2(float $position): float
    {
        return ($this->moving_kg + $this->carriedKg() + self::OWN_KG) * $this->drum_radius_m ** 2;
    }

    public function onStage(): OnStage
    {
        return OnStage::slides($this->moving_kg + $this->carriedKg(), $this->incline_deg);
    }

    public function masses(): array
    {
        return ['item_kg' => $this->item_kg];
    }

    public function leverM(): float
    {
        return $this->drum_radius_m;
    }

    public function isEndless(): bool
    {
        return true;
    }

    public function unloaded(): self
    {
        return new self($this->drum_radius_m, $this->item_pitch_m, $this->item_kg, 0, $this->moving_kg, $this->drag_N, $this->incline_deg);
    }
}
