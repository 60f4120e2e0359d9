<?php

declare(strict_types=1);

namespace Brookstone\Core\Rolling;

use Brookstone\Core\Error\ImpossibleValue;
use Brookstone\Core\Quantity\Constants;

/**
 * A head that rides on a ball, held by magnets through the shell. Its own weight helps while it stands on top; leaning and
 * speeding up pull it sideways, which the magnets must make good by pull (it slides when the sideways force is more than
 * friction times what presses it on).
 *
 * Pull over a gap falls like (1 + gap/length)^−4 between magnets of about that length: the dipole field's fall with the
 * fourth power of distance (Griffiths, Introduction to Electrodynamics, 4th ed., §6.1), from the pull in contact.
 */
final readonly class MagnetHead
{
    /**
     * @param  float  $contact_N  pull of the magnets against each other in contact, all together, > 0
     * @param  float  $magnet_m  their length along the pull, > 0
     * @param  float  $gap_m  shell and sliders between them, ≥ 0
     * @param  float  $slide_coefficient  of the head's sliders or rollers on the shell, ≥ 0
     */
    public function __construct(public float $head_kg, public float $contact_N, public float $magnet_m, public float $gap_m, public float $slide_coefficient)
    {
        ImpossibleValue::unlessPositive('head_kg', $head_kg);
        ImpossibleValue::unlessPositive('contact_N', $contact_N);
        ImpossibleValue::unlessPositive('magnet_m', $magnet_m);
        ImpossibleValue::unlessNotNegative('gap_m', $gap_m);
        ImpossibleValue::unlessNotNegative('slide_coefficient', $slide_coefficient);
    }

    /** Pull across the gap, N. */
    public function pull_N(): float
    {
        return $this->contact_N / (1 + $this->gap_m / $this->magnet_m) ** 4;
    }

    /**
     * Pull that keeps the head on its magnets while the ball tilts it and speeds up, N: the sideways force must not drag it
     * off, and its weight must not lift it off where it hangs.
     */
    public function needed_N(float $tilt_deg, float $accel_m_s2): float
    {
        $tilt = $tilt_deg * Constants::RAD_PER_DEG;
        $weight = $this->head_kg * Constants::GRAVITY_M_S2;
        $sideways = abs($weight * sin($tilt)) + $this->head_kg * abs($accel_m_s2) * abs(cos($tilt));
        $pressed = $weight * cos($tilt) - $this->head_kg * abs($accel_m_s2) * abs(sin($tilt));

        // Magnets centre the head too: about half of their pull acts sideways before it breaks away.
        return max(0.0, $sideways / (0.5 + $this->slide_coefficient) - min(0.0, $pressed), -$pressed);
    }

    /** The thickest gap across which the pull still is so much, m; 0 where it never is. */
    public function thickest_m(float $pull_N): float
    {
        return $pull_N <= 0.0 ? INF : max(0.0, $this->magnet_m * (($this->contact_N / $pull_N) ** 0.25 - 1));
    }
}
