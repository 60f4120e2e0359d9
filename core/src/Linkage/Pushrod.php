<?php

declare(strict_types=1);

namespace Brookstone\Core\Linkage;

use Brookstone\Core\Error\ImpossibleValue;
use Brookstone\Core\Numeric\Extremum;
use Brookstone\Core\Quantity\Constants;

/**
 * A servo arm, a rod and a horn. Pivots at (0, 0) and (D, 0); at neutral both arms stand square to the line of pivots, on
 * the same side or on opposite sides, and the rod has the length that makes it so. Angles clockwise positive.
 *
 * Position by the two circles that meet at the horn's end, gain a·cos(rod to arm’s tangent)/(h·cos(rod to horn’s tangent))
 * by instant centres: Norton, Design of Machinery, 5th ed., §4.5, §6.4 and §6.5 (transmission angle, mechanical advantage).
 */
final readonly class Pushrod
{
    public float $rod_m;

    /** The rod cannot follow somewhere within the travel. */
    public bool $binds;

    public function __construct(
        public float $arm_m,
        public float $horn_m,
        public float $pivot_distance_m,
        public float $servo_half_travel_deg,
        public bool $opposite_sides = false,
    ) {
        ImpossibleValue::unlessPositive('arm_m', $arm_m);
        ImpossibleValue::unlessPositive('horn_m', $horn_m);
        ImpossibleValue::unlessPositive('pivot_distance_m', $pivot_distance_m);
        ImpossibleValue::unlessWithin('servo_half_travel_deg', $servo_half_travel_deg, 0.0, 180.0);
        $this->rod_m = hypot($pivot_distance_m, $opposite_sides ? $horn_m + $arm_m : $horn_m - $arm_m);
        $this->binds = $this->cannotFollow();
    }

    public function gainAtNeutral(): float
    {
        return $this->arm_m / $this->horn_m;
    }

    /** Angle of the horn for one of the servo, rad; only where it does not bind. */
    public function horn(float $servo): float
    {
        [$x, $y] = [$this->arm_m * sin($servo) - $this->pivot_distance_m, $this->arm_m * cos($servo)];
        $apart = hypot($x, $y);
        $towards = atan2($x, $y); // of the arm's end seen from the horn's pivot, clockwise from upright
        $beside = acos(max(-1.0, min(1.0, $this->cosine($apart))));
        $neutral = $this->opposite_sides ? M_PI : 0.0;
        $turned = $this->branch() * $beside + $towards - $neutral;

        return $turned - 2 * M_PI * round($turned / (2 * M_PI));
    }

    /** Horn angle for each angle of the servo, dφ/dθ; negative where it turns the other way, INF where rod and horn lie in one line. */
    public function gain(float $servo): float
    {
        $horn = $this->horn($servo) + ($this->opposite_sides ? M_PI : 0.0);
        [$ax, $ay] = [$this->arm_m * sin($servo), $this->arm_m * cos($servo)];
        [$hx, $hy] = [$this->pivot_distance_m + $this->horn_m * sin($horn), $this->horn_m * cos($horn)];
        [$rx, $ry] = [$hx - $ax, $hy - $ay];

        // Both ends move along the rod at the same speed: r·(arm's end)′ = r·(horn's end)′.
        $lever = $rx * $hy - $ry * ($hx - $this->pivot_distance_m);

        return $lever === 0.0 ? INF : ($rx * $ay - $ry * $ax) / $lever;
    }

    /** Largest of the gain over the travel, without its sign. */
    public function maxGain(): float
    {
        $half = $this->servo_half_travel_deg * Constants::RAD_PER_DEG;

        return Extremum::largest(fn (float $servo): float => abs($this->gain($servo)), -$half, $half)['value'];
    }

    /** Between rod and horn where that is farthest from square, degrees; 90 is best. */
    public function minTransmission_deg(): float
    {
        $most = 0.0;
        foreach ($this->apartEnds() as $apart) {
            $most = max($most, abs(($this->horn_m ** 2 + $this->rod_m ** 2 - $apart ** 2) / (2 * $this->horn_m * $this->rod_m)));
        }

        return acos(min(1.0, $most)) / Constants::RAD_PER_DEG;
    }

    /** +1 or −1: on which side of the line to the arm's end the horn stands; it stays there as long as nothing binds. */
    private function branch(): float
    {
        $towards = atan2(-$this->pivot_distance_m, $this->arm_m);
        $stands = ($this->opposite_sides ? M_PI : 0.0) - $towards;
        $stands -= 2 * M_PI * round($stands / (2 * M_PI));

        return $stands >= 0.0 ? 1.0 : -1.0;
    }

    private function cosine(float $apart): float
    {
        return ($apart ** 2 + $this->horn_m ** 2 - $this->rod_m ** 2) / (2 * $apart * $this->horn_m);
    }

    /** @return array{float, float} the least and the largest distance of the arm's end from the horn's pivot over the travel */
    private function apartEnds(): array
    {
        $half = $this->servo_half_travel_deg * Constants::RAD_PER_DEG;
        $sine = $half >= M_PI / 2 ? 1.0 : sin($half);
        $at = fn (float $sine): float => sqrt(max(0.0, $this->arm_m ** 2 + $this->pivot_distance_m ** 2 - 2 * $this->arm_m * $this->pivot_distance_m * $sine));

        return [$at($sine), $at(-$sine)];
    }

    private function cannotFollow(): bool
    {
        [$least, $most] = $this->apartEnds();
        if ($least <= 0.0) {
            return true;
        }
        $looked = [$least, $most];
        if ($this->horn_m > $this->rod_m) {
            $between = sqrt($this->horn_m ** 2 - $this->rod_m ** 2); // where the cosine is least
            if ($between > $least && $between < $most) {
                $looked[] = $between;
            }
        }

        return max(array_map(fn (float $apart): float => abs($this->cosine($apart)), $looked)) > 1.0;
    }
}
