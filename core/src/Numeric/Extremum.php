<?php

declare(strict_types=1);

namespace Brookstone\Core\Numeric;

/** The largest value of a smooth function over an interval: sampled, then refined about the best sample. */
final class Extremum
{
    private const SAMPLES = 64;

    private const GOLDEN = 0.6180339887498949; // (√5 − 1)/2

    private const FIRST_PARABOLA = 0.2; // of a sample gap

    private const LAST_PARABOLA = 0.02;

    private const REFINEMENTS = 16;            // narrows a sample gap to 5e-4 of itself, and a smooth peak to its square

    /**
     * Right to 1e-7 of the value where the function has no feature narrower than a 64th of the interval.
     *
     * @param  \Closure(float): float  $of
     * @return array{at: float, value: float}
     */
    public static function largest(\Closure $of, float $from, float $to): array
    {
        $values = [];
        for ($i = 0; $i <= self::SAMPLES; $i++) {
            $values[] = $of($from + ($to - $from) * $i / self::SAMPLES);
        }

        return self::refine($of, $from, $to, $values);
    }

    /**
     * The same from values already taken at even distances (Press et al., Numerical Recipes, 3rd ed., §10.2 and 10.3).
     *
     * @param  \Closure(float): float  $of
     * @param  list<float>  $values  two or more,  from $from to $to, both ends included
     * @return array{at: float, value: float}
     */
    public static function refine(\Closure $of, float $from, float $to, array $values): array
    {
        if (count($values) < 2) {
            throw new \LogicException('Two values at least.');
        }
        $last = count($values) - 1;
        $step = ($to - $from) / $last;
        $value = max($values);
        $best = (int) array_search($value, $values, true);
        $at = $best === $last ? $to : $from + $best * $step;
        if ($last >= 2) {
            $middle = max(1, min($last - 1, $best));
            $top = self::vertex($values[$middle - 1], $values[$middle], $values[$middle + 1]);
            if ($top === null || $middle + $top <= 0.0 || $middle + $top >= $last || abs($middle + $top - $best) > 1.0) {
                return ['at' => $at, 'value' => $value]; // it only rises towards an end, or is level
            }
            $found = self::climb($of, $from + ($middle + $top) * $step, $step, max($from, $from + ($best - 1) * $step), min($to, $from + ($best + 1) * $step));
            if ($found['value'] >= $value) {
                return $found;
            }
        }

        return self::narrow($of, ['at' => $at, 'value' => $value], max($from, $from + ($best - 1) * $step), min($to, $from + ($best + 1) * $step));
    }

    /**
     * Successive parabolas: Press et al., §10.3.
     *
     * @param  \Closure(float): float  $of
     * @return array{at: float, value: float}
     */
    private static function climb(\Closure $of, float $at, float $step, float $low, float $high): array
    {
        $value = $of($at);
        foreach ([self::FIRST_PARABOLA, self::LAST_PARABOLA] as $share) {
            $reach = $step * $share;
            if ($at - $reach < $low || $at + $reach > $high) {
                break;
            }
            $top = self::vertex($of($at - $reach), $value, $of($at + $reach));
            if ($top === null || abs($top) > 1.0) {
                break;
            }
            $next = $of($at + $top * $reach);
            if ($next < $value) {
                break;
            }
            [$at, $value] = [$at + $top * $reach, $next];
        }

        return ['at' => $at, 'value' => $value];
    }

    /** Where the parabola through three values at −1, 0 and 1 is highest; null where it has no top. */
    private static function vertex(float $before, float $here, float $after): ?float
    {
        $bend = $before - 2 * $here + $after;

        return $bend < 0.0 ? ($before - $after) / (2 * $bend) : null;
    }

    /**
     * Golden section search, for what has a corner: Press et al., §10.2.
     *
     * @param  \Closure(float): float  $of
     * @param  array{at: float, value: float}  $best
     * @return array{at: float, value: float}
     */
    private static function narrow(\Closure $of, array $best, float $low, float $high): array
    {
        $a = $high - self::GOLDEN * ($high - $low);
        $b = $low + self::GOLDEN * ($high - $low);
        $atA = $of($a);
        $atB = $of($b);
        for ($i = 0; $i < self::REFINEMENTS; $i++) {
            if ($atA > $atB) {
                [$high, $b, $atB] = [$b, $a, $atA];
                $a = $high - self::GOLDEN * ($high - $low);
                $atA = $of($a);
            } else {
                [$low, $a, $atA] = [$a, $b, $atB];
                $b = $low + self::GOLDEN * ($high - $low);
                $atB = $of($b);
            }
        }
        $middle = ($low + $high) / 2;
        $there = $of($middle);

        return $there > $best['value'] ? ['at' => $middle, 'value' => $there] : $best;
    }
}
