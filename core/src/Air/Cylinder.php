<?php

declare(strict_types=1);

namespace Brookstone\Core\Air;

use Brookstone\Core\Quantity\Constants;

/**
 * A cylinder that air moves one way: what it pushes or pulls with, and what air a stroke takes. ISO 6432 has the usual bores; Parr, Hydraulics and
 * Pneumatics, 3rd ed., ch. 5.
 */
final readonly class Cylinder
{
    /** Of the piston on the side of the air, less the rod when it pulls, m². */
    public float $area_m2;

    /**
     * @param  float  $bore_m  > 0
     * @param  float  $rod_m  of the piston rod, 0 or more, less than the bore
     * @param  float  $stroke_m  > 0
     */
    public function __construct(float $bore_m, float $rod_m, private float $stroke_m, bool $pushing)
    {
        $this->area_m2 = M_PI / 4 * ($bore_m ** 2 - ($pushing ? 0.0 : $rod_m ** 2));
    }

    /**
     * F = p·A·(1 − share) − friction, N; where friction is the more, nothing.
     *
     * @param  float  $pressure_bar  over the room's
     * @param  float  $friction_fraction  of its force that the seals take, 0 to 1
     * @param  float  $friction_N  and besides
     */
    public function force_N(float $pressure_bar, float $friction_fraction, float $friction_N): float
    {
        return max(0.0, $pressure_bar * Constants::BAR_PA * $this->area_m2 * (1 - $friction_fraction) - $friction_N);
    }

    /** Free air of a stroke, l: V·(p + p₀)/p₀, by Boyle's law. */
    public function air_l(float $pressure_bar): float
    {
        return $this->area_m2 * $this->stroke_m * 1000 * ($pressure_bar + Constants::ROOM_BAR) / Constants::ROOM_BAR;
    }
}
