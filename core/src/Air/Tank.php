<?php

declare(strict_types=1);

namespace Brookstone\Core\Air;

use Brookstone\Core\Quantity\Constants;

/** A tank that a compressor fills between two pressures while a routine takes air of it, again and again. At the room's temperature: p·V = constant. */
final readonly class Tank
{
    /** Of a routine, from the high pressure to the low one, with the compressor off. */
    public float $cycles_to_low;

    /** And to what the load needs at least. */
    public float $cycles_to_needs;

    public float $used_l_min;

    /** Of the time that the compressor runs; INF where there is none. */
    public float $share_on;

    public bool $keeps_up;

    /** From low to high while air is used; null where it does not keep up. */
    public ?float $refill_s;

    /**
     * @param  float  $tank_l  > 0
     * @param  float  $high_bar  where the compressor stops, over the room's
     * @param  float  $low_bar  where it starts, less than that
     * @param  float  $needs_bar  what the load needs, no more than the high one
     * @param  float  $air_per_cycle_l  free air, > 0
     * @param  float  $cycle_s  > 0
     * @param  float  $compressor_l_min  free air, 0 or more
     */
    public function __construct(float $tank_l, float $high_bar, float $low_bar, float $needs_bar, float $air_per_cycle_l, float $cycle_s,
        float $compressor_l_min)
    {
        $free_l = fn (float $to_bar): float => $tank_l * ($high_bar - $to_bar) / Constants::ROOM_BAR;
        $this->cycles_to_low = $free_l($low_bar) / $air_per_cycle_l;
        $this->cycles_to_needs = $free_l($needs_bar) / $air_per_cycle_l;
        $this->used_l_min = $air_per_cycle_l / $cycle_s * 60;
        $this->share_on = $compressor_l_min > 0.0 ? $this->used_l_min / $compressor_l_min : INF;
        $this->keeps_up = $this->share_on <= 1 + Constants::TIE;
        $this->refill_s = $compressor_l_min > $this->used_l_min ? $free_l($low_bar) / ($compressor_l_min - $this->used_l_min) * 60 : null;
    }
}
