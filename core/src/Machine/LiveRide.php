<?php

declare(strict_types=1);

namespace Brookstone\Core\Machine;

use Brookstone\Core\Mechanism\Ride;

/** What a motion moves and carries at one moment of a run: as everything else stands then, and as that speeds up. */
final class LiveRide implements Ride
{
    private const SAME = 2e-3; // of the largest so far

    private float $was = INF;

    private float $most = 0.0;

    private float $at = 0.0;

    private float $holds = 0.0;

    private float $ahead = 0.0;

    private float $pushes = 0.0;

    private float $mass = 0.0;

    private float $kg = 0.0;

    /** @param  Posture  $told  what its mechanism knows already */
    public function __construct(private readonly Posture $told, private readonly bool $turns)
    {
    }

    /**
     * @param  float  $at  how far it has turned or slid, rad or m
     * @param  float  $holds  what holds its weight there, N·m or N
     * @param  float  $ahead  and would a quarter turn on
     * @param  float  $pushes  what it takes besides, because other motions are under way
     * @param  float  $mass  that speeds up with it, kg·m² or kg
     * @return bool that is another load than when this was last so
     */
    public function is(float $at, float $holds, float $ahead, float $pushes, float $mass, float $kg): bool
    {
        [$this->at, $this->holds, $this->ahead, $this->pushes] = [$at, $holds, $ahead, $pushes];
        [$this->mass, $this->kg] = [$mass - $this->told->mass(), $kg - $this->told->kg()];
        $force = $this->force($at);
        $this->most = max($this->most, abs($force));
        if (abs($force - $this->was) <= self::SAME * $this->most) {
            return false;
        }
        $this->was = $force;

        return true;
    }

    public function force(float $at): float
    {
        $on = $this->turns ? $at - $this->at : 0.0;

        return $this->holds * cos($on) + $this->ahead * sin($on) + $this->pushes - $this->told->force($at);
    }

    public function mass(): float
    {
        return $this->mass;
    }

    public function kg(): float
    {
        return $this->kg;
    }

    /** It is as it is at the moment. */
    public function empty(): self
    {
        return $this;
    }
}
