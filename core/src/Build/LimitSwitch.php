<?php

declare(strict_types=1);

namespace Brookstone\Core\Build;

/** A switch that says that the motion is at a place. It is on from $at outwards: downwards at the low end, upwards at the high. */
final readonly class LimitSwitch
{
    /**
     * @param  float  $travel  it is touched so far before it trips, and lets go again there, in the motion's own unit
     * @param  float  $bounce_s  for which its contact chatters
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
    ) {
    }

    /** @param  bool  $was  it was on before: it lets go only where it is no longer touched */
    public function isOnAt(float $position, bool $was = false): bool
    {
        return ($position - $this->at) * $this->direction() >= ($was ? -$this->travel : 0.0);
    }

    /** The way a motion moves to get onto it: −1 towards the low end, 1 towards the high end. */
    public function direction(): int
    {
        return $this->end === 'low' ? -1 : 1;
    }
}
