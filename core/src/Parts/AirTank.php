<?php

declare(strict_types=1);

namespace Brookstone\Core\Parts;

use Brookstone\Core\Finding\Named;
use Brookstone\Core\Quantity\Constants;
use Brookstone\Core\Shape\Field;
use Brookstone\Core\Shape\NumberShape;
use Brookstone\Core\Shape\RecordShape;
use Brookstone\Core\Shape\TextShape;

/** What gives cylinders their air: a tank, and the compressor that fills it between two pressures. At the room's temperature, p·V = constant. */
final readonly class AirTank
{
    use Named;

    /**
     * @param  float  $tank_l  > 0
     * @param  float  $high_bar  at which the compressor stops, over the room's; it begins so full
     * @param  float  $low_bar  at which it starts, less than that
     * @param  float  $compressor_l_min  of free air; 0 where it is filled beforehand
     * @param  float  $compressor_A  while it runs
     * @param  string|null  $supply  that feeds the compressor; null is the mains
     */
    public function __construct(public string $id, public string $name, public float $tank_l, public float $high_bar, public float $low_bar,
        public float $compressor_l_min = 0.0, public float $compressor_A = 0.0, public ?string $supply = null)
    {
    }

    public static function shape(): RecordShape
    {
        return new RecordShape([
            'id' => Field::needed(TextShape::id()),
            'name' => Field::needed(TextShape::name()),
            'tank_l' => Field::needed(NumberShape::between(0.01, 1000.0), 'What it holds.'),
            'high_bar' => Field::needed(NumberShape::positive(20.0), 'At which its compressor stops, over the room’s.'),
            'low_bar' => Field::needed(NumberShape::positive(20.0), 'At which it starts; below it nothing is reckoned with.'),
            'compressor_l_min' => Field::or(0.0, NumberShape::between(0.0, 1e4), 'Free air that its compressor gives; 0: it is filled beforehand.'),
            'compressor_A' => Field::or(0.0, NumberShape::between(0.0, 100.0), 'While it runs.'),
            'supply' => Field::or(null, TextShape::id()->orNull(), 'What feeds the compressor; empty: the mains.'),
        ], 'AirTank');
    }

    /** Free air that it gives on the way between two pressures, l: V·(p₁ − p₂)/p₀. */
    public function gives_l(float $from_bar, float $to_bar): float
    {
        return $this->tank_l * ($from_bar - $to_bar) / Constants::ROOM_BAR;
    }

    /** What its pressure falls by when so much free air is taken, bar. */
    public function falls_bar(float $air_l): float
    {
        return $air_l * Constants::ROOM_BAR / $this->tank_l;
    }

    public function hasCompressor(): bool
    {
        return $this->compressor_l_min > 0.0;
    }
}
