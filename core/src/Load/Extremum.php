<?php

declare(strict_types=1);

namespace Brookstone\Core\Load;

/** The largest value of a smooth function over an interval: sampled, then refined about the best sample. */
final class Extremum
{
    private const SAMPLES = 64;

    private const GOLDEN = 0.6180339887498949; // (√5 − 1)/2

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
     * The same from values already taken at even distances. Golden section search: Press et al., Numerical Recipes,
     * 3rd ed., §10.2.
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
        $low = $from + max(0, $best - 1) * $step;
        $high = $from + min($last, $best + 1) * $step;
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

        return $there > $value ? ['at' => $middle, 'value' => $there] : ['at' => $at, 'value' => $value];
    }
}
