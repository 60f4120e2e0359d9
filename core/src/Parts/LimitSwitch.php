<?php

declare(strict_types=1);

namespace Brookstone\Core\Parts;

use Brookstone\Core\Finding\Named;

/** A switch that says that the motion is at a place. It is on from $at outwards: downwards at the low end, upwards at the high. */
final readonly class LimitSwitch
{
    use Named;

    private const CAM_SHARE = 1 / 36; // of a turn: so long a cam holds a switch that has no travel of its own

    /**
     * @param  float  $travel  it is touched so far before it trips, and lets go again there, in the motion's own unit
     * @param  float  $bounce_s  for which its contact chatters
     * @param  float|null  $width  of a mark that is passed: on for so far only
     * @param  bool  $isMark  a sensor that the motion passes, and that so tells its place as a switch does
     * @param  bool  $isOwn  the drive has it inside, and is switched off by it
     * @param  bool  $closed  its contact is normally closed: a broken wire reads as on
     */
    public function __construct(
        public string $id,
        public string $name,
        public string $place,
        public float $at,
        public string $end,
        public float $travel = 0.0,
        public float $bounce_s = 0.0,
        public bool $closed = false,
        public ?float $width = null,
        public bool $isMark = false,
        public bool $isOwn = false,
    ) {
    }

    /** @param  bool  $was  it was on before: it lets go only where it is no longer touched */
    public function isOnAt(float $position, bool $was = false, ?float $period = null): bool
    {
        if ($period !== null) { // a cam that presses it once each time round
            $past = Motion::wrapped($position - $this->at, $period) * $this->direction();
            $past += $past < -$this->travel ? $period : 0.0;

            return $past >= ($was ? -$this->travel : 0.0) && $past <= max($this->travel, $period * self::CAM_SHARE);
        }

        return ($position - $this->at) * $this->direction() >= ($was ? -$this->travel : 0.0);
    }

    /**
     * Between which positions it goes on saying what it says; nowhere where it comes round.
     *
     * @return array{float, float} in the motion's own unit: above the first, below the second
     */
    public function saysTheSame(bool $on, ?float $period): array
    {
        return match (true) {
            $period !== null => [INF, -INF],
            $on => $this->direction() > 0 ? [$this->at - $this->travel, INF] : [-INF, $this->at + $this->travel],
            default => $this->direction() > 0 ? [-INF, $this->at] : [$this->at, INF],
        };
    }

    /** The way a motion moves to get onto it: −1 towards the low end, 1 towards the high end. */
    public function direction(): int
    {
        return $this->end === 'low' ? -1 : 1;
    }
}
