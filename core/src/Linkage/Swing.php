<?php

declare(strict_types=1);

namespace Brookstone\Core\Linkage;

use Brookstone\Core\Error\ImpossibleValue;

/**
 * A lid that a crank swings by exactly so much, out as fast as back: at both ends crank and rod lie in one line through the motor's shaft, so
 * the crank is half the chord of the swing and c² + g² = l² + r²: Norton, Design of Machinery, 5th ed., §3.4.
 */
final readonly class Swing
{
    private const FARTHEST = 1000; // ground for each rocker

    public float $crank_m;

    public float $coupler_m;

    /** The crank at the two ends of the swing, from the line to the lid's pivot, degrees. */
    public float $first_switch_deg;

    public float $second_switch_deg;

    /** Null where the crank cannot go round. */
    public ?float $min_transmission_deg;

    public function __construct(public float $swing_deg, public float $rocker_m, public float $ground_m)
    {
        if (! ($swing_deg >= 1.0 && $swing_deg <= 170.0)) {
            throw ImpossibleValue::because('swing_deg', "must be from 1 to 170, but is {$swing_deg}.");
        }
        ImpossibleValue::unlessPositive('rocker_m', $rocker_m);
        ImpossibleValue::unlessNone(self::problems(get_defined_vars()));
        $this->crank_m = $rocker_m * sin(deg2rad($swing_deg) / 2);
        $this->coupler_m = sqrt($ground_m ** 2 + $this->crank_m ** 2 - $rocker_m ** 2);
        $this->min_transmission_deg = (new FourBar($this->crank_m, $this->coupler_m, $rocker_m, $ground_m))->swing()['min_transmission_deg'] ?? null;
        $out = $this->coupler_m + $this->crank_m;
        $this->first_switch_deg = rad2deg(acos(max(-1.0, min(1.0, ($ground_m ** 2 + $out ** 2 - $rocker_m ** 2) / (2 * $ground_m * $out)))));
        $this->second_switch_deg = $this->first_switch_deg + 180.0;
    }

    /**
     * @param  array<string, mixed>  $read
     * @return array<string, string>
     */
    public static function problems(array $read): array
    {
        return match (true) {
            ! isset($read['ground_m'], $read['rocker_m']) => [],
            $read['ground_m'] <= $read['rocker_m'] => ['ground_m' => 'The rod cannot reach round: the motor must stand further from the lid’s pivot than the rod holds it.'],
            $read['ground_m'] > self::FARTHEST * $read['rocker_m'] => ['ground_m' => 'Is more than '.self::FARTHEST.' times as far as the rod holds the lid from its pivot: one of both is mistyped.'],
            default => [],
        };
    }
}
