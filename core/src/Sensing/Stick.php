<?php

declare(strict_types=1);

namespace Brookstone\Core\Sensing;

use Brookstone\Core\Error\ImpossibleValue;

/**
 * A stick or knob that commands a place: nothing within a dead band around its middle, from there to its ends the whole way, gentler near the
 * middle the more of it goes with the cube. y = (1 − e)·x + e·x³ with x = (|u| − d)/(1 − d), u the share of the way from the middle.
 */
final readonly class Stick
{
    /** Of the way from the middle to its end, −1 to 1. */
    public float $share;

    /** What of the command that makes, −1 to 1. */
    public float $shaped;

    public float $command;

    /** Of the command for a hundredth of the way, just outside the dead band. */
    public float $first_step;

    /** Scatter of the reading that the dead band still swallows, in readings. */
    public float $swallows;

    /**
     * @param  float  $low  reading at its one end
     * @param  float  $middle  reading where it is let go; between both ends
     * @param  float  $high  reading at the other
     * @param  float  $dead_band  share of the way to each side, 0 to 0.9
     * @param  float  $expo  0 even, 1 all with the cube
     */
    public function __construct(float $reading, float $low, float $middle, float $high, float $dead_band, float $expo, float $from, float $rest, float $to)
    {
        if (($middle - $low) * ($high - $middle) <= 0.0) {
            throw ImpossibleValue::because('middle', 'must lie between the readings at both ends.');
        }
        $beyond = ($reading - $middle) * ($high <=> $low) >= 0.0;
        $way = $beyond ? ($reading - $middle) / ($high - $middle) : -($reading - $middle) / ($low - $middle);
        $this->share = max(-1.0, min(1.0, $way));
        $x = max(0.0, abs($this->share) - $dead_band) / (1 - $dead_band);
        $this->shaped = ($this->share <=> 0.0) * ((1 - $expo) * $x + $expo * $x ** 3);
        $this->command = $rest + ($this->shaped >= 0.0 ? $this->shaped * ($to - $rest) : -$this->shaped * ($from - $rest));
        $step = 0.01 / (1 - $dead_band);
        $this->first_step = ((1 - $expo) * $step + $expo * $step ** 3) * max(abs($to - $rest), abs($from - $rest));
        $this->swallows = $dead_band * min(abs($high - $middle), abs($middle - $low));
    }
}
