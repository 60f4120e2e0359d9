<?php

declare(strict_types=1);

namespace Brookstone\Core\Machine;

use Brookstone\Core\Mechanism\OnStage;
use Brookstone\Core\Mechanism\Ride;
use Brookstone\Core\Quantity\Constants;
use Brookstone\Core\Solid\Inertia;
use Brookstone\Core\Solid\Vector;

/**
 * What a motion moves and carries, as one rigid thing, while everything else stands still: as heavy, and as hard to speed up, as the stage says, beyond what
 * its mechanism was told.
 */
final readonly class Posture implements Ride
{
    private float $mass;

    private float $kg;

    private float $level;     // force at zero; of what slides everywhere

    private float $upright;   // what it changes to a quarter turn on

    /**
     * @param  Inertia  $all  what is moved and carried, at zero, about the axis’ own zero
     * @param  Inertia  $told  of that, what its mechanism knows already, and takes to stand level
     * @param  Vector  $down  the way in which weight pulls there, of length 1
     */
    public function __construct(private OnStage $stage, Inertia $all, Inertia $told, Vector $down)
    {
        $this->kg = $all->mass_kg - $told->mass_kg;
        [$level, $upright] = self::weight($stage, $all, $down);
        [$toldLevel, $toldUpright] = self::weight($stage, $told, new Vector(0.0, 0.0, -1.0));
        [$this->level, $this->upright] = [$level - $toldLevel, $upright - $toldUpright];
        $this->mass = self::speedsUp($stage, $all) - self::speedsUp($stage, $told);
    }

    public function force(float $at): float
    {
        return $this->stage->turns ? $this->level * cos($at) + $this->upright * sin($at) : $this->level;
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

    /** The mass that it speeds up: about the axis, or all of it. */
    private static function speedsUp(OnStage $stage, Inertia $of): float
    {
        return $stage->turns ? $of->aboutAxis(Vector::zero(), $stage->along) : $of->mass_kg;
    }

    /** @return array{float, float} what moves its weight on: −n · (r × m·g), at zero and a quarter turn on */
    private static function weight(OnStage $stage, Inertia $of, Vector $down): array
    {
        $pulls = $down->times($of->mass_kg * Constants::GRAVITY_M_S2);
        if (! $stage->turns) {
            return [-$pulls->dot($stage->along), 0.0];
        }
        $ahead = $stage->along->cross($of->centre); // where it goes first
        $inward = $stage->along->cross($ahead);     // and after a quarter turn

        return [-$ahead->dot($pulls), -$inward->dot($pulls)];
    }
}
