<?php

declare(strict_types=1);

namespace Brookstone\Core\Rolling;

use Brookstone\Core\Error\ImpossibleValue;
use Brookstone\Core\Quantity\Constants;

/**
 * Where something lands that is thrown, without the drag of the air: Meriam & Kraige, Engineering Mechanics: Dynamics, §2/4 (projectile motion). With drag
 * it lands nearer: light and large things by far.
 */
final readonly class Throwing
{
    public float $lands_m;

    public float $flies_s;

    /** Over where it lands. */
    public float $highest_m;

    public float $lands_m_s;

    /** Below level. */
    public float $lands_deg;

    /**
     * @param  float  $speed_m_s  ≥ 0
     * @param  float  $angle_deg  above level, −90 to 90
     * @param  float  $height_m  of where it is let go over where it lands, ≥ 0
     */
    public function __construct(float $speed_m_s, float $angle_deg, float $height_m)
    {
        ImpossibleValue::unlessNotNegative('speed_m_s', $speed_m_s);
        ImpossibleValue::unlessNotNegative('height_m', $height_m);
        $across = $speed_m_s * cos($angle_deg * Constants::RAD_PER_DEG);
        $up = $speed_m_s * sin($angle_deg * Constants::RAD_PER_DEG);
        $g = Constants::GRAVITY_M_S2;
        $down = sqrt($up ** 2 + 2 * $g * $height_m); // when it lands
        $this->flies_s = ($up + $down) / $g;
        $this->lands_m = max(0.0, $across * $this->flies_s);
        $this->highest_m = $height_m + max(0.0, $up) ** 2 / (2 * $g);
        $this->lands_m_s = hypot($across, $down);
        $this->lands_deg = atan2($down, max(0.0, $across)) / Constants::RAD_PER_DEG;
    }
}
