<?php

declare(strict_types=1);

namespace Brookstone\Core\Proof;

use Brookstone\Core\Numeric\LeastSquares;

/**
 * Which values explain best what was measured, how far off each may be, and which of them the measurements cannot tell.
 *
 * Least squares with what is usual as a further observation of each value (Bard, Nonlinear Parameter Estimation, 1974, §4-8: prior distributions). A value
 * is told where measuring has left under a third of the doubt that there was; it is then found without leaning on what was said. Where what is measured
 * scatters about the best fit by more than it should, all doubts grow with it (the Birge ratio: Birge, Phys. Rev. 40 (1932) 207). What lies far off the
 * fit of all others is named and left out.
 */
final readonly class Refit
{
    private const TOLD = 1.0 / 3.0; // of the doubt is left

    private const LOOSE = 10.0; // times what is usual: hardly a prior any more

    private const SIGMAS_95 = 1.96;

    private const FAR_OFF = 3.5;

    private const SPARE = 2; // more observations than told values, before one may be left out

    private const MOST_LEFT_OUT = 3;

    private const STEP = 0.1; // of what is usual

    private const FARTHER = 1.3; // times, step by step

    private const SIGMAS_SURE = 3.0;

    private const FLAT = 0.5; // of what the slopes foresee

    private const AS_FORESEEN = 0.15; // so much worse, or less, than the slopes say

    /**
     * @param  list<Found>  $found  as many as there are unknowns, in their order
     * @param  list<Observed>  $counted
     * @param  list<Observed>  $farOff  far off what all others say
     * @param  float|null  $off_before  how far off what was said is, in standard deviations of what was measured, on the average; null where it gives nothing
     */
    private function __construct(public array $found, public array $counted, public array $farOff, public ?float $off_before, public ?float $off_after)
    {
    }

    /**
     * @param  list<Unknown>  $unknowns
     * @param  list<Observed>  $observed
     * @param  \Closure(list<float>): list<float|null>  $model  what would be observed with those values, in the order of $observed; null where nothing would
     */
    public static function of(array $unknowns, array $observed, \Closure $model): self
    {
        $farOff = $known = [];
        $model = function (array $values) use ($model, &$known): array {
            /** @var list<float> $values */
            return $known[json_encode($values, JSON_THROW_ON_ERROR)] ??= $model($values);
        };
        $said = array_map(fn (Unknown $each): float => $each->said, $unknowns);
        $first = $model($said);
        while (true) {
            $counts = array_filter($observed, fn (Observed $each): bool => ! in_array($each, $farOff, true));
            $of = /** @param  list<float>  $values @return list<float>|null */ fn (array $values): ?array => self::residuals($counts, $model($values));
            $fit = $counts === [] || $unknowns === [] ? null : self::fit($unknowns, $of, array_fill(0, count($unknowns), false));
            if ($fit === null) {
                return new self(array_map(fn (Unknown $each): Found => new Found($each, $each->said, self::SIGMAS_95 * $each->usual, false), $unknowns),
                    array_values($counts), $farOff, self::off(self::residuals($counts, $first)), null);
            }
            $told = array_map(fn (Unknown $each, int $i): bool => sqrt($fit->covariance[$i][$i]) < self::TOLD * $each->usual, $unknowns,
                array_keys($unknowns));
            do { // what only seems to be told is let go
                $last = self::fit($unknowns, $of, $told, $fit->at) ?? $fit;
                $doubts = array_map(fn (int $i): float => self::doubt($unknowns, $of, $told, $last, $i), array_keys($unknowns));
                $were = $told;
                $told = array_map(fn (Unknown $each, bool $is, float $doubt): bool => $is && $doubt < self::SIGMAS_95 * self::TOLD * $each->usual, $unknowns,
                    $told, $doubts);
            } while ($told !== $were);
            $left = array_slice($last->left, 0, count($counts));
            $freedom = count($counts) - count(array_filter($told));
            $worst = $freedom < self::SPARE || count($farOff) >= self::MOST_LEFT_OUT ? null : self::farthest($counts, $last, $freedom);
            if ($worst === null) {
                break;
            }
            $farOff[] = $worst;
        }
        $grows = $freedom < 1 ? 1.0 : max(1.0, sqrt(self::squares($left) / $freedom));

        return new self(self::found($unknowns, $of, $last->at, $told, array_map(fn (float $each): float => $each * $grows, $doubts)), array_values($counts),
            $farOff, self::off($of($said)), self::off($left));
    }

    /** @return list<Found> those that are told and differ from what was said */
    public function differing(): array
    {
        return array_values(array_filter($this->found, fn (Found $each): bool => $each->differs()));
    }

    /**
     * How far off one value may be, with 95 %: as far as the best fit of all others to it is no worse than that allows (likelihood profile: Bates & Watts,
     * Nonlinear Regression Analysis and Its Applications, 1988, §6.1). Where the fit gets worse as its slopes foresee, these say it at once.
     *
     * @param  list<Unknown>  $unknowns
     * @param  \Closure(list<float>): ?list<float>  $of
     * @param  list<bool>  $loose
     */
    private static function doubt(array $unknowns, \Closure $of, array $loose, LeastSquares $fit, int $i): float
    {
        $near = sqrt($fit->covariance[$i][$i]);
        if (! $loose[$i]) {
            return self::SIGMAS_95 * $near;
        }
        $residuals = self::withPriors($unknowns, $of, $loose);
        $farthest = self::SIGMAS_95;
        foreach ([1.0, -1.0] as $side) {
            $worse = fn (float $far): ?float => self::worseAt($unknowns, $residuals, $fit, $i, $side * $far);
            $further = $worse(self::SIGMAS_SURE);
            if ($further !== null && $further < self::FLAT * self::SIGMAS_SURE ** 2) {
                return INF; // it is flat over there: that it seems told here is chance
            }
            for ($far = self::SIGMAS_95; $far * $near < self::SIGMAS_95 * self::TOLD * $unknowns[$i]->usual; $far *= self::FARTHER) {
                $much = $worse($far);
                if ($much === null || $much >= self::SIGMAS_95 ** 2 * (1.0 - self::AS_FORESEEN)) {
                    break;
                }
                $farthest = max($farthest, $far * self::FARTHER);
            }
        }

        return $farthest * $near;
    }

    /**
     * How much worse the best fit of all others is with one value so many standard deviations off its best; null past its bound, and where nothing fits.
     *
     * @param  list<Unknown>  $unknowns
     * @param  \Closure(list<float>): ?list<float>  $residuals
     */
    private static function worseAt(array $unknowns, \Closure $residuals, LeastSquares $fit, int $i, float $sigmas): ?float
    {
        $near = sqrt($fit->covariance[$i][$i]);
        $value = $fit->at[$i] + $sigmas * $near;
        if ($value < $unknowns[$i]->low || $value > $unknowns[$i]->high) {
            return null;
        }
        $there = array_map(fn (Unknown $each, float $at, float $along): float => min($each->high, max($each->low, $at + $sigmas * $along / $near)),
            $unknowns, $fit->at, $fit->covariance[$i]);
        $left = $residuals($there);
        $worse = $left === null ? null : self::squares($left) - self::squares($fit->left);
        if ($worse !== null && abs($worse / $sigmas ** 2 - 1.0) <= self::AS_FORESEEN) {
            return $worse;
        }
        $best = self::around($unknowns, $residuals, $there, $i);
        $left = $best === null ? null : $residuals($best);

        return $left === null ? null : self::squares($left) - self::squares($fit->left);
    }

    /**
     * @param  list<Unknown>  $unknowns
     * @param  \Closure(list<float>): ?list<float>  $residuals
     * @param  list<float>  $there
     * @return list<float>|null the best values of all others, one staying as it is
     */
    private static function around(array $unknowns, \Closure $residuals, array $there, int $i): ?array
    {
        if (count($unknowns) === 1) {
            return $there;
        }
        $others = array_values(array_diff_key($unknowns, [$i => true]));
        $put = /** @param  list<float>  $values @return list<float> */ fn (array $values): array => array_values([...array_slice($values, 0, $i), $there[$i],
            ...array_slice($values, $i)]);
        $fit = LeastSquares::fit(fn (array $values): ?array => $residuals($put($values)), array_values(array_diff_key($there, [$i => true])),
            ...self::frame($others));

        return $fit === null ? null : $put($fit->at);
    }

    /**
     * @param  list<Unknown>  $unknowns
     * @return array{list<float>, list<float>, list<float>} steps, low and high
     */
    private static function frame(array $unknowns): array
    {
        return [array_map(fn (Unknown $each): float => self::STEP * $each->usual, $unknowns), array_map(fn (Unknown $each): float => $each->low, $unknowns),
            array_map(fn (Unknown $each): float => $each->high, $unknowns)];
    }

    /**
     * @param  list<Unknown>  $unknowns
     * @param  \Closure(list<float>): ?list<float>  $of
     * @param  list<float>  $at
     * @param  list<bool>  $told
     * @param  list<float>  $doubts
     * @return list<Found>
     */
    private static function found(array $unknowns, \Closure $of, array $at, array $told, array $doubts): array
    {
        $explains = self::off($of(array_map(fn (Unknown $each): float => $each->said, $unknowns))) ?? INF;

        return array_map(function (Unknown $each, int $i) use ($unknowns, $of, $at, $told, $doubts, $explains): Found {
            if ($told[$i]) {
                return new Found($each, $at[$i], $doubts[$i], true);
            }
            $alone = $explains < 1.0 ? null : self::alone($unknowns, $i, $of);

            return new Found($each, $each->said, $doubts[$i], false, $alone !== null && abs($alone - $each->said) > self::STEP * $each->usual ? $alone : null);
        }, $unknowns, array_keys($unknowns));
    }

    /**
     * @param  list<Unknown>  $unknowns
     * @param  \Closure(list<float>): ?list<float>  $of
     * @return float|null what one value must be if the others are as said; null where no value explains it
     */
    private static function alone(array $unknowns, int $i, \Closure $of): ?float
    {
        $said = array_map(fn (Unknown $each): float => $each->said, $unknowns);
        $one = /** @param  list<float>  $values @return list<float>|null */ fn (array $values): ?array => $of(array_values(array_replace($said,
            [$i => $values[0]])));
        $fit = self::fit([$unknowns[$i]], $one, [true]);
        $off = $fit === null ? null : self::off($one($fit->at));

        return $fit === null || $off === null || $off > 1.0 ? null : $fit->at[0];
    }

    /**
     * @param  list<Unknown>  $unknowns
     * @param  \Closure(list<float>): ?list<float>  $of
     * @param  list<bool>  $loose  those that shall not lean on what was said
     * @param  list<float>|null  $from  where it is looked for first
     */
    private static function fit(array $unknowns, \Closure $of, array $loose, ?array $from = null): ?LeastSquares
    {
        $residuals = self::withPriors($unknowns, $of, $loose);
        foreach ($from === null ? self::starts($unknowns) : [$from] as $start) {
            $fit = LeastSquares::fit($residuals, $start, ...self::frame($unknowns));
            if ($fit !== null) {
                return $fit;
            }
        }

        return null;
    }

    /**
     * @param  list<Unknown>  $unknowns
     * @param  \Closure(list<float>): ?list<float>  $of
     * @param  list<bool>  $loose
     * @return \Closure(list<float>): ?list<float> with how far each value is from what was said
     */
    private static function withPriors(array $unknowns, \Closure $of, array $loose): \Closure
    {
        $usual = array_map(fn (Unknown $each, bool $is): float => $each->usual * ($is ? self::LOOSE : 1.0), $unknowns, $loose);

        return function (array $values) use ($unknowns, $of, $usual): ?array {
            /** @var list<float> $values */
            $left = $of($values);

            return $left === null ? null : [...$left, ...array_map(fn (Unknown $each, float $value, float $doubt): float => ($value - $each->said) / $doubt,
                $unknowns, $values, $usual)];
        };
    }

    /**
     * @param  list<Unknown>  $unknowns
     * @return \Generator<int, list<float>> what was said; and where that gives nothing, all of them as far to one side as is usual
     */
    private static function starts(array $unknowns): \Generator
    {
        yield array_map(fn (Unknown $each): float => $each->said, $unknowns);
        foreach (range(0, 2 ** count($unknowns) - 1) as $sides) {
            yield array_map(fn (Unknown $each, int $i): float => min($each->high, max($each->low,
                $each->said + ($sides >> $i & 1 ? 1.0 : -1.0) * $each->usual)), $unknowns, array_keys($unknowns));
        }
    }

    /**
     * The one that lies farthest off what all others say, where that is far: externally studentized residuals (Belsley, Kuh & Welsch, Regression
     * Diagnostics, 1980, §2.1).
     *
     * @param  array<int, Observed>  $counts
     */
    private static function farthest(array $counts, LeastSquares $fit, int $freedom): ?Observed
    {
        $squares = self::squares(array_slice($fit->left, 0, count($counts)));
        [$worst, $far] = [null, self::FAR_OFF];
        foreach (array_values($counts) as $k => $observed) {
            $own = $fit->left[$k] / sqrt(max(1e-9, 1.0 - $fit->leverage[$k]));
            $spread = max(1.0, sqrt(max(0.0, $squares - $own ** 2) / ($freedom - 1)));
            if (abs($own) / $spread > $far) {
                [$worst, $far] = [$observed, abs($own) / $spread];
            }
        }

        return $worst;
    }

    /**
     * @param  array<int, Observed>  $observed
     * @param  list<float|null>  $would
     * @return list<float>|null in standard deviations of what was measured
     */
    private static function residuals(array $observed, array $would): ?array
    {
        $left = [];
        foreach ($observed as $i => $each) {
            if (! isset($would[$i])) {
                return null;
            }
            $left[] = ($would[$i] - $each->value) / $each->doubt;
        }

        return $left;
    }

    /** @param  list<float>|null  $left */
    private static function off(?array $left): ?float
    {
        return $left === null || $left === [] ? null : sqrt(self::squares($left) / count($left));
    }

    /** @param  list<float>  $of */
    private static function squares(array $of): float
    {
        return array_sum(array_map(fn (float $each): float => $each ** 2, $of));
    }
}
