<?php

declare(strict_types=1);

namespace Brookstone\Core\Mechanism;

use Brookstone\Core\Quantity\Constants;
use Brookstone\Core\Solid\Inertia;
use Brookstone\Core\Solid\Vector;

/**
 * How what a mechanism moves goes in space: it turns about an axis, or slides along a way, through its own zero. x is where its mount points, y to the left of
 * that, z up. What is moved counts as it stands where its follower is at 0.
 */
final readonly class OnStage
{
    /**
     * @param  Vector  $along  the axis that it turns about, by the right hand, or the way that it slides; of length 1
     * @param  list<array{float, Vector}>  $masses  kg, and where each is, m, of what its fields tell; its payload too
     * @param  float  $more_kgm2  about that axis, besides what those masses have there
     * @param  float  $rubs  of what slides: friction over its weight
     * @param  float  $rad_per_m  of what turns and has its positions in metres
     */
    private function __construct(public bool $turns, public Vector $along, public array $masses, public float $more_kgm2 = 0.0, public float $rubs = 0.0,
        private float $rad_per_m = 0.0)
    {
    }

    /**
     * It turns about a level axis: up, from where its mount points.
     *
     * @param  list<array{float, float, float}>  $masses  kg, m from the pivot, and how far above level, rad
     * @param  float|null  $inertia_kgm2  of all of it about the pivot; null is that of these masses
     */
    public static function swings(array $masses, ?float $inertia_kgm2, bool $down = false, float $rad_per_m = 0.0): self
    {
        $points = $about = [];
        foreach ($masses as [$kg, $m, $above]) {
            $points[] = [$kg, new Vector($m * cos($above), 0.0, $m * sin($above))];
            $about[] = $kg * $m ** 2;
        }

        return new self(true, new Vector(0.0, $down ? 1.0 : -1.0, 0.0), $points, $inertia_kgm2 === null ? 0.0 : $inertia_kgm2 - array_sum($about),
            rad_per_m: $rad_per_m);
    }

    /** It turns clockwise from above, about an axis that leans away from where its mount points. */
    public static function turns(float $mass_kg, float $inertia_kgm2, float $tilt_deg): self
    {
        $tilt = $tilt_deg * Constants::RAD_PER_DEG;

        return new self(true, new Vector(sin($tilt), 0.0, -cos($tilt)), [[$mass_kg, Vector::zero()]], $inertia_kgm2);
    }

    /**
     * It slides to where its mount points.
     *
     * @param  float  $rise_deg  above level
     * @param  float  $rubs  coefficient of friction, or of rolling
     */
    public static function slides(float $mass_kg, float $rise_deg = 0.0, float $rubs = 0.0): self
    {
        $rise = $rise_deg * Constants::RAD_PER_DEG;

        return new self(false, new Vector(cos($rise), 0.0, sin($rise)), [[$mass_kg, Vector::zero()]], rubs: $rubs * cos($rise));
    }

    /** How far what it moves has turned or slid at a position, rad or m. */
    public function at(Mechanism $mechanism, float $position): float
    {
        $follows = $mechanism->follower($position);

        return match (true) {
            $follows !== null => $this->turns ? $follows * Constants::RAD_PER_DEG : $follows,
            $this->rad_per_m > 0.0 => $position * $this->rad_per_m,
            default => $position,
        };
    }

    /** What its fields tell, as one thing. */
    public function told(): Inertia
    {
        $all = Inertia::none();
        foreach ($this->masses as [$kg, $at]) {
            $all = $all->plus(new Inertia($kg, $at, [0.0, 0.0, 0.0, 0.0, 0.0, 0.0]));
        }
        if ($this->more_kgm2 === 0.0 || $all->mass_kg <= 0.0) {
            return $all;
        }
        $n = $this->along; // spread that counts about its own axis alone
        [$xx, $yy, $zz, $xy, $yz, $zx] = $all->about;
        $more = $this->more_kgm2;

        return new Inertia($all->mass_kg, $all->centre, [$xx + $more * $n->x ** 2, $yy + $more * $n->y ** 2, $zz + $more * $n->z ** 2,
            $xy - $more * $n->x * $n->y, $yz - $more * $n->y * $n->z, $zx - $more * $n->z * $n->x]);
    }
}
