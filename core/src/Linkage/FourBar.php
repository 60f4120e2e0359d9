<?php

declare(strict_types=1);

namespace Brookstone\Core\Linkage;

use Brookstone\Core\Error\ImpossibleValue;
use Brookstone\Core\Quantity\Constants;

/**
 * Four bars in a loop: crank, coupler, rocker and the ground between the two pivots. Angles from the line that leads from
 * the crank's pivot to the rocker's.
 *
 * Grashof's condition and position analysis: Norton, Design of Machinery, 5th ed., §2.13 and §4.5 (open loop).
 */
final readonly class FourBar
{
    /** @throws ImpossibleValue when the longest is as long as the other three together */
    public function __construct(public float $crank_m, public float $coupler_m, public float $rocker_m, public float $ground_m)
    {
        ImpossibleValue::unlessPositive('crank_m', $crank_m);
        ImpossibleValue::unlessPositive('coupler_m', $coupler_m);
        ImpossibleValue::unlessPositive('rocker_m', $rocker_m);
        ImpossibleValue::unlessPositive('ground_m', $ground_m);
        ImpossibleValue::unlessNone(self::problems(get_defined_vars()));
    }

    /**
     * @param  array<string, mixed>  $read
     * @return array<string, string>
     */
    public static function problems(array $read): array
    {
        $bars = ['crank_m' => $read['crank_m'] ?? null, 'coupler_m' => $read['coupler_m'] ?? null, 'rocker_m' => $read['rocker_m'] ?? null,
            'ground_m' => $read['ground_m'] ?? null];
        if (in_array(null, $bars, true)) {
            return [];
        }
        $longest = max($bars);

        return 2 * $longest >= array_sum($bars) * (1 - Constants::TIE)
            ? [(string) array_search($longest, $bars, true) => 'Is as long as the other three together: they cannot close.'] : [];
    }

    /** `crank-rocker`, `rocker-crank`, `double-crank`, `double-rocker`, `change-point` or `triple-rocker`. */
    public function kind(): string
    {
        $bars = ['crank-rocker' => $this->crank_m, 'double-rocker' => $this->coupler_m, 'rocker-crank' => $this->rocker_m, 'double-crank' => $this->ground_m];
        $extremes = min($bars) + max($bars);
        $others = array_sum($bars) - $extremes;

        return match (true) {
            abs($extremes - $others) <= Constants::TIE * $others => 'change-point',
            $extremes > $others => 'triple-rocker',
            default => (string) array_search(min($bars), $bars, true),
        };
    }

    /**
     * How a crank-rocker swings: between the two places where crank and coupler lie in one line. Norton, §2.13 (quick return)
     * and §3.2 (transmission angle, worst where the crank lies along the ground).
     *
     * @return array{swing_deg: float, min_transmission_deg: float, time_ratio: float}|null null for other kinds
     */
    public function swing(): ?array
    {
        if ($this->kind() !== 'crank-rocker') {
            return null;
        }
        [$out, $in] = [$this->coupler_m + $this->crank_m, $this->coupler_m - $this->crank_m];
        $angle = fn (float $a, float $b, float $across): float => acos(max(-1.0, min(1.0, ($a ** 2 + $b ** 2 - $across ** 2) / (2 * $a * $b))));
        $imbalance = abs($angle($this->ground_m, $out, $this->rocker_m) - $angle($this->ground_m, $in, $this->rocker_m));
        $transmissions = array_map(
            fn (float $across): float => M_PI / 2 - abs(M_PI / 2 - $angle($this->coupler_m, $this->rocker_m, $across)),
            [$this->ground_m - $this->crank_m, $this->ground_m + $this->crank_m],
        );

        return [
            'swing_deg' => abs($angle($this->ground_m, $this->rocker_m, $out) - $angle($this->ground_m, $this->rocker_m, $in)) * 180 / M_PI,
            'min_transmission_deg' => min($transmissions) * 180 / M_PI,
            'time_ratio' => (M_PI + $imbalance) / (M_PI - $imbalance),
        ];
    }

    /**
     * Where the rocker is for a crank angle (rad), with the first and second derivative by that angle.
     *
     * @return array{float, float, float} angle rad, rad/rad, rad/rad²
     */
    public function rocker(float $crank): array
    {
        [$cos, $sin, $slope, $bend] = $this->pointing($crank);

        return [atan2($sin, $cos), $slope, $bend];
    }

    /**
     * The same with the way the rocker points instead of its angle: no angle is needed to get there.
     *
     * @return array{float, float, float, float} cosine and sine of its angle, rad/rad, rad/rad²
     */
    public function pointing(float $crank): array
    {
        $cos = cos($crank);
        $sin = sin($crank);
        // From the rocker's pivot to the crank's eye, and the angle there between that and the rocker.
        $x = $this->crank_m * $cos - $this->ground_m;
        $y = $this->crank_m * $sin;
        $squared = $x * $x + $y * $y;
        $diagonal = sqrt($squared);
        $cosine = max(-1.0, min(1.0, ($squared + $this->rocker_m ** 2 - $this->coupler_m ** 2) / (2 * $diagonal * $this->rocker_m)));
        $sine = sqrt(1 - $cosine * $cosine);
        $rockerCos = ($x * $cosine + $y * $sine) / $diagonal;
        $rockerSin = ($y * $cosine - $x * $sine) / $diagonal;
        // Sines and cosines of the differences of angles, out of the bars' own directions.
        $couplerCos = ($this->rocker_m * $rockerCos - $x) / $this->coupler_m;
        $couplerSin = ($this->rocker_m * $rockerSin - $y) / $this->coupler_m;
        $u = $sin * $couplerCos - $cos * $couplerSin;
        $v = $rockerSin * $couplerCos - $rockerCos * $couplerSin;
        $slope = $this->crank_m / $this->rocker_m * $u / $v;
        $turns = $this->crank_m / $this->coupler_m * ($rockerSin * $cos - $rockerCos * $sin) / -$v;
        $bend = $this->crank_m / $this->rocker_m * (($cos * $couplerCos + $sin * $couplerSin) * (1 - $turns) * $v
            - $u * ($rockerCos * $couplerCos + $rockerSin * $couplerSin) * ($slope - $turns)) / ($v * $v);

        return [$rockerCos, $rockerSin, $slope, $bend];
    }
}
