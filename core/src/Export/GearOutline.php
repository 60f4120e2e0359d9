<?php

declare(strict_types=1);

namespace Brookstone\Core\Export;

use Brookstone\Core\Error\ImpossibleValue;

/**
 * The outline of an involute spur gear, as a rack with a rounded tip would cut it: addendum 1 module, dedendum 1.25, 20°.
 * The flank is the involute of the base circle, the root the envelope of the rack's tip, which also gives the undercut of
 * small gears (Litvin & Fuentes, Gear Geometry and Applied Theory, 2nd ed., §6.2 and §6.8).
 */
final readonly class GearOutline
{
    public const LEAST_TEETH = 6;

    private const ALPHA = M_PI / 9; // 20°

    private const DEDENDUM = 1.25;

    private const ROUND = 0.3;      // radius of the rack's tip, modules

    private const FILLET_POINTS = 14;

    private const FLANK_POINTS = 18;

    private const TIP_POINTS = 4;

    public float $pitch_mm;

    public float $outside_mm;

    public float $root_mm;

    /**
     * @param  float  $thinner_mm  taken off each tooth at the pitch circle, so that a pair has play
     * @param  float  $kerf_mm  that a cutter burns away: the outline grows by half of it, the hole shrinks
     */
    public function __construct(public int $teeth, public float $module_mm, public Bore $bore, public float $thinner_mm = 0.0, public float $kerf_mm = 0.0)
    {
        if ($teeth < self::LEAST_TEETH) {
            throw ImpossibleValue::because('teeth', 'must be '.self::LEAST_TEETH.' or more for an outline.');
        }
        ImpossibleValue::unlessPositive('module_mm', $module_mm);
        ImpossibleValue::unlessNotNegative('thinner_mm', $thinner_mm);
        ImpossibleValue::unlessNotNegative('kerf_mm', $kerf_mm);
        if ($thinner_mm > 0.4 * $module_mm) {
            throw ImpossibleValue::because('thinner_mm', 'takes too much off the teeth.');
        }
        $this->pitch_mm = $module_mm * $teeth / 2;
        $this->outside_mm = $this->pitch_mm + $module_mm;
        $this->root_mm = $this->pitch_mm - self::DEDENDUM * $module_mm;
        if ($bore->reach_mm() >= $this->root_mm - 0.5 * $module_mm) {
            throw ImpossibleValue::because('bore', 'reaches into the teeth of a gear of '.$teeth.'.');
        }
    }

    /** @return list<array{float, float}> counter-clockwise, mm around the centre; a tooth stands at the right */
    public function outline(): array
    {
        $flank = $this->flank();
        $points = [];
        for ($tooth = 0; $tooth < $this->teeth; $tooth++) {
            $middle = 2 * M_PI * $tooth / $this->teeth;
            foreach ($flank as [$radius, $half]) {
                $points[] = [$radius, $middle - $half];
            }
            [$tip, $half] = $flank[count($flank) - 1];
            for ($i = 1; $i < self::TIP_POINTS; $i++) {
                $points[] = [$tip, $middle - $half + 2 * $half * $i / self::TIP_POINTS];
            }
            foreach (array_reverse($flank) as [$radius, $half]) {
                $points[] = [$radius, $middle + $half];
            }
        }

        return Offset::of(array_map(fn (array $point): array => [$point[0] * cos($point[1]), $point[0] * sin($point[1])], $points), $this->kerf_mm / 2);
    }

    /** @return list<array{float, float}> counter-clockwise */
    public function hole(): array
    {
        return Offset::of($this->bore->outline(), -$this->kerf_mm / 2);
    }

    /** @return non-empty-list<array{float, float}> radius and half the angle of the tooth there, from its root to its tip */
    private function flank(): array
    {
        $r = $this->pitch_mm;
        $m = $this->module_mm;
        $base = $r * cos(self::ALPHA);
        $atPitch = (M_PI * $m / 2 - $this->thinner_mm) / 2 / $r;
        $involute = fn (float $radius): float => $atPitch + (tan(self::ALPHA) - self::ALPHA) - (tan(acos($base / $radius)) - acos($base / $radius));

        // The rounded tip of the rack: its centre lies $below the pitch line and $beside the middle of the gap.
        $round = self::ROUND * $m;
        $below = self::DEDENDUM * $m - $round;
        $beside = M_PI * $m / 4 + $this->thinner_mm / 2 - $below * tan(self::ALPHA) - $round / cos(self::ALPHA);
        $points = [];
        $cut = function (float $along) use ($r, $below, $beside, $round): array {
            $to = hypot($below, $along);
            [$x, $y] = [$r - $below - $round * $below / $to, $along + $round * $along / $to];

            return [hypot($x, $y), M_PI / $this->teeth - (atan2($y, $x) - ($along - $beside) / $r)];
        };
        $last = $this->endOfRoot($cut, $involute, $below / tan(self::ALPHA), $base);
        for ($i = 0; $i <= self::FILLET_POINTS; $i++) {
            $points[] = $cut($last * ($i / self::FILLET_POINTS) ** 2);
        }
        // From where the root meets it the involute, points closer together near the base where it bends most.
        $start = max($points[count($points) - 1][0] + 1e-6 * $m, $base * (1 + 1e-9));
        for ($i = 0; $i <= self::FLANK_POINTS; $i++) {
            $radius = $start + ($this->outside_mm - $start) * ($i / self::FLANK_POINTS) ** 1.5;
            $points[] = [$radius, $involute($radius)];
        }

        return $points;
    }

    /**
     * How far the rack has gone where root and flank meet: where its straight side begins to cut, or, of a gear with few
     * teeth, where the root has eaten into the flank.
     *
     * @param  \Closure(float): array{float, float}  $cut
     * @param  \Closure(float): float  $involute
     */
    private function endOfRoot(\Closure $cut, \Closure $involute, float $whole, float $base): float
    {
        $over = function (float $along) use ($cut, $involute, $base): float {
            [$radius, $half] = $cut($along);

            return $half - $involute(max($radius, $base));
        };
        if (abs($over($whole)) < 1e-6) {
            return $whole;
        }
        $low = 0.0;
        for ($high = $whole, $i = 0; $i < 60; $i++) {
            $middle = ($low + $high) / 2;
            [$radius] = $cut($middle);
            $radius < $base || $over($middle) < 0.0 ? $low = $middle : $high = $middle;
        }

        return $low;
    }
}
