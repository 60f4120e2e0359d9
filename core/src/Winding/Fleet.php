<?php

declare(strict_types=1);

namespace Brookstone\Core\Winding;

/** How slantwise a cord runs onto its drum: atan of half the width over the distance to the first pulley, which stands opposite the middle. */
final readonly class Fleet
{
    public const EVEN_DEG = 2.0; // up to here it lies turn by turn

    public const CLIMBS_DEG = 4.0;

    public float $angle_deg;

    /** Distance from which on it runs evenly, m. */
    public float $lead_even_m;

    public function __construct(float $width_m, float $lead_m)
    {
        $this->angle_deg = rad2deg(atan($width_m / 2 / $lead_m));
        $this->lead_even_m = $width_m / 2 / tan(deg2rad(self::EVEN_DEG));
    }
}
