<?php

declare(strict_types=1);

namespace Brookstone\Core\Numeric;

/**
 * The values for which the sum of squared residuals is least, each within its bounds.
 *
 * Levenberg–Marquardt with Nielsen's damping: Madsen, Nielsen & Tingleff, Methods for Non-Linear Least Squares Problems, 2nd ed. (2004), §3.2,
 * with Broyden's slopes on the way, §3.5, and those taken anew where it settles. A step past a bound ends at it. Covariance of the values: (JᵀJ)⁻¹, where
 * residuals are given in their own standard deviations (NIST/SEMATECH e-Handbook of Statistical Methods, §4.6.3.3).
 */
final readonly class LeastSquares
{
    private const ROUNDS = 40;

    private const SETTLED = 1e-4; // of a step of each value: no doubt is that small

    private const FIRST_DAMPING = 1e-3;

    private const GIVES_UP = 1e12;

    /**
     * @param  list<float>  $at  the values
     * @param  list<list<float>>  $covariance  of the values
     * @param  list<float>  $left  the residuals there
     * @param  list<float>  $leverage  of each residual: how far the fit follows what it says, 0 to 1
     */
    private function __construct(public array $at, public array $covariance, public array $left, public array $leverage)
    {
    }

    /**
     * @param  \Closure(list<float>): ?list<float>  $residuals  always as many; null where there are none for those values
     * @param  list<float>  $start  within the bounds, where there are residuals
     * @param  list<float>  $steps  a small part of what each value is in doubt by, > 0: slopes are taken over so much
     * @param  list<float>  $low
     * @param  list<float>  $high
     * @return self|null null where there are no residuals at the start or next to it
     */
    public static function fit(\Closure $residuals, array $start, array $steps, array $low, array $high): ?self
    {
        [$at, $damping, $grows] = [$start, self::FIRST_DAMPING, 2.0];
        $now = $residuals($at);
        $slopes = $now === null ? null : self::slopes($residuals, $at, $now, $steps, $low, $high);
        if ($now === null || $slopes === null) {
            return null;
        }
        $isFresh = true; // of the slopes: taken here, and not only updated on the way
        for ($round = 0; $round < self::ROUNDS && $damping < self::GIVES_UP; $round++) {
            [$normal, $pull] = self::normal($slopes, $now);
            $stays = array_map(fn (float $value, float $towards, float $least, float $most): bool => ($value <= $least && $towards > 0.0)
                || ($value >= $most && $towards < 0.0), $at, $pull, $low, $high);
            $by = self::solve(...self::without($stays, array_map(fn (array $row, int $i): array => array_values(array_replace($row,
                [$i => $row[$i] * (1.0 + $damping)])), $normal, array_keys($normal)), $pull));
            $next = array_map(fn (float $value, float $step, float $least, float $most): float => min($most, max($least, $value - $step)),
                $at, $by, $low, $high);
            $moved = array_map(fn (float $to, float $from): float => $to - $from, $next, $at);
            if (array_filter($moved, fn (float $each, int $i): bool => abs($each) / $steps[$i] >= self::SETTLED, ARRAY_FILTER_USE_BOTH) === []) {
                if ($isFresh) {
                    break;
                }
                [$slopes, $damping, $grows, $isFresh] = [self::slopes($residuals, $at, $now, $steps, $low, $high) ?? $slopes, self::FIRST_DAMPING, 2.0, true];

                continue;
            }
            $then = $residuals($next);
            if ($then !== null) {
                $foreseen = array_map(fn (float $value, array $row): float => $value + self::dot($row, $moved), $now, $slopes);
                $isFresh = false;
                $slopes = self::updated($slopes, $moved, array_map(fn (float $is, float $was): float => $is - $was, $then, $foreseen));
            }
            if ($then === null || self::squares($then) >= self::squares($now)) {
                [$damping, $grows] = [$damping * $grows, $grows * 2.0];

                continue;
            }
            $gain = (self::squares($now) - self::squares($then)) / max(self::squares($now) - self::squares($foreseen), 1e-300);
            [$at, $now, $grows] = [$next, $then, 2.0];
            $damping *= max(1.0 / 3.0, 1.0 - (2.0 * $gain - 1.0) ** 3);
        }
        $slopes = $isFresh ? $slopes : self::slopes($residuals, $at, $now, $steps, $low, $high) ?? $slopes;
        $covariance = self::inverse(self::normal($slopes, $now)[0]);

        return new self($at, $covariance, $now, array_map(fn (array $row): float => self::dot($row, array_map(
            fn (array $of): float => self::dot($of, $row), $covariance)), $slopes));
    }

    /**
     * @param  list<float>  $at
     * @param  list<float>  $now
     * @param  list<float>  $steps
     * @param  list<float>  $low
     * @param  list<float>  $high
     * @return list<list<float>>|null by residual, its slope over each value
     */
    private static function slopes(\Closure $residuals, array $at, array $now, array $steps, array $low, array $high): ?array
    {
        $slopes = array_fill(0, count($now), []);
        foreach ($at as $i => $value) {
            $sides = array_filter([min($high[$i], $value + $steps[$i]), max($low[$i], $value - $steps[$i])], fn (float $to): bool => $to !== $value);
            $there = null;
            foreach ($sides as $to) {
                $there ??= ($found = $residuals(array_replace($at, [$i => $to]))) === null ? null : [$to, $found];
            }
            if ($there === null) {
                return null;
            }
            foreach ($now as $k => $was) {
                $slopes[$k][$i] = ($there[1][$k] - $was) / ($there[0] - $value);
            }
        }

        return array_map(array_values(...), $slopes);
    }

    /**
     * What stays at its bound is left out: the others move as if it were fixed (active set: Nocedal & Wright, Numerical Optimization, 2nd ed., §16.5).
     *
     * @param  list<bool>  $stays
     * @param  list<list<float>>  $normal
     * @param  list<float>  $pull
     * @return array{list<list<float>>, list<float>}
     */
    private static function without(array $stays, array $normal, array $pull): array
    {
        foreach (array_keys($stays, true, true) as $i) {
            $normal[$i] = array_map(fn (int $j): float => $j === $i ? 1.0 : 0.0, array_keys($pull));
            $normal = array_map(fn (array $row, int $j): array => $j === $i ? $row : array_replace($row, [$i => 0.0]), $normal, array_keys($normal));
            $pull[$i] = 0.0;
        }

        return [array_map(array_values(...), array_values($normal)), array_values($pull)];
    }

    /**
     * The slopes that also give what the last step showed (Broyden's rank-one update).
     *
     * @param  list<list<float>>  $slopes
     * @param  list<float>  $moved
     * @param  list<float>  $missed  what came less what they had foreseen
     * @return list<list<float>>
     */
    private static function updated(array $slopes, array $moved, array $missed): array
    {
        $square = self::squares($moved);

        return array_map(fn (array $row, float $miss): array => array_map(fn (float $slope, float $by): float => $slope + $miss * $by / $square, $row, $moved),
            $slopes, $missed);
    }

    /**
     * @param  list<list<float>>  $slopes
     * @param  list<float>  $now
     * @return array{list<list<float>>, list<float>} JᵀJ and Jᵀr
     */
    private static function normal(array $slopes, array $now): array
    {
        $size = count($slopes[0] ?? []);
        [$normal, $pull] = [array_fill(0, $size, array_fill(0, $size, 0.0)), array_fill(0, $size, 0.0)];
        foreach ($slopes as $k => $row) {
            for ($i = 0; $i < $size; $i++) {
                $pull[$i] += $row[$i] * $now[$k];
                for ($j = 0; $j < $size; $j++) {
                    $normal[$i][$j] += $row[$i] * $row[$j];
                }
            }
        }

        return [array_map(array_values(...), $normal), array_values($pull)];
    }

    /**
     * Cholesky's way (Golub & Van Loan, Matrix Computations, 4th ed., §4.2).
     *
     * @param  list<list<float>>  $of  symmetric, positive definite
     * @param  list<float>  $right
     * @return list<float>
     */
    private static function solve(array $of, array $right): array
    {
        $size = count($right);
        $root = array_fill(0, $size, array_fill(0, $size, 0.0));
        for ($i = 0; $i < $size; $i++) {
            for ($j = 0; $j <= $i; $j++) {
                $left = $of[$i][$j] - self::dot(array_slice($root[$i], 0, $j), array_slice($root[$j], 0, $j));
                $root[$i][$j] = $i === $j ? sqrt(max($left, 1e-300)) : $left / $root[$j][$j];
            }
        }
        $half = $whole = array_fill(0, $size, 0.0);
        for ($i = 0; $i < $size; $i++) {
            $half[$i] = ($right[$i] - self::dot(array_slice($root[$i], 0, $i), array_slice($half, 0, $i))) / $root[$i][$i];
        }
        for ($i = $size - 1; $i >= 0; $i--) {
            $sum = $half[$i];
            for ($k = $i + 1; $k < $size; $k++) {
                $sum -= $root[$k][$i] * $whole[$k];
            }
            $whole[$i] = $sum / $root[$i][$i];
        }

        return array_values($whole);
    }

    /**
     * @param  list<list<float>>  $of
     * @return list<list<float>>
     */
    private static function inverse(array $of): array
    {
        $columns = [];
        foreach (array_keys($of) as $i) {
            $columns[] = self::solve($of, array_map(fn (int $row): float => $row === $i ? 1.0 : 0.0, array_keys($of)));
        }

        return $columns; // it is symmetric
    }

    /**
     * @param  list<float>  $a
     * @param  list<float>  $b
     */
    private static function dot(array $a, array $b): float
    {
        return array_sum(array_map(fn (float $x, float $y): float => $x * $y, $a, $b));
    }

    /** @param  list<float>  $of */
    private static function squares(array $of): float
    {
        return self::dot($of, $of);
    }
}
