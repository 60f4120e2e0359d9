<?php

declare(strict_types=1);

namespace Brookstone\Core\Sensing;

use Brookstone\Core\Error\ImpossibleValue;

/**
 * Where to set a threshold between readings without and with the thing: nearer to the set that scatters less, so that either
 * kind of error is as rare (two normal distributions: Montgomery & Runger, Applied Statistics and Probability for
 * Engineers, 6th ed., §4–6). A second threshold a quarter of the way to each mean keeps it from chattering.
 */
final readonly class Threshold
{
    public const LEAST_READINGS = 3;

    private const ONE_IN_TWENTY = 1.6449; // spreads, of a normal distribution

    public float $absent_mean;

    public float $absent_sd;

    public float $present_mean;

    public float $present_sd;

    public float $threshold;

    /** Means apart by so many spreads. */
    public float $separation;

    /** Share of readings on the wrong side. */
    public float $error_rate;

    public float $upper;

    public float $lower;

    /**
     * @param  list<float>  $absent  three or more
     * @param  list<float>  $present
     * @param  float  $resolution  the smallest step of a reading: its spread is at least resolution/√12
     */
    public function __construct(array $absent, array $present, float $resolution = 1.0)
    {
        foreach (['absent' => $absent, 'present' => $present] as $name => $readings) {
            if (count($readings) < self::LEAST_READINGS) {
                throw ImpossibleValue::because($name, 'needs '.self::LEAST_READINGS.' readings or more.');
            }
        }
        ImpossibleValue::unlessPositive('resolution', $resolution);
        [$this->absent_mean, $this->absent_sd] = self::spread($absent, $resolution);
        [$this->present_mean, $this->present_sd] = self::spread($present, $resolution);
        if ($this->absent_mean === $this->present_mean) {
            throw ImpossibleValue::because('present', 'reads the same on the mean as without: no threshold can tell them apart.');
        }
        $both = $this->absent_sd + $this->present_sd;
        $this->threshold = ($this->absent_mean * $this->present_sd + $this->present_mean * $this->absent_sd) / $both;
        $this->separation = abs($this->present_mean - $this->absent_mean) / $both;
        $this->error_rate = self::erfc($this->separation / M_SQRT2) / 2;
        $this->upper = $this->threshold + (max($this->absent_mean, $this->present_mean) - $this->threshold) / 4;
        $this->lower = $this->threshold - ($this->threshold - min($this->absent_mean, $this->present_mean)) / 4;
    }

    /**
     * The error rate that so few readings cannot rule out: with the spreads as large as they may really be, nineteen times in twenty
     * (s·√(ν/χ²₀.₀₅), Montgomery & Runger, §8–3; χ² by Wilson and Hilferty), and the means apart by as much less.
     *
     * @param  int  $absent  how many readings
     */
    public function errorRateAtMost(int $absent, int $present): float
    {
        $apart = abs($this->present_mean - $this->absent_mean) - self::ONE_IN_TWENTY * sqrt($this->absent_sd ** 2 / $absent
            + $this->present_sd ** 2 / $present);
        $spreads = $this->absent_sd * self::spreadAtMost($absent) + $this->present_sd * self::spreadAtMost($present);

        return $apart <= 0.0 ? 0.5 : self::erfc($apart / $spreads / M_SQRT2) / 2;
    }

    /** Times the spread of so many readings that the real one may be, nineteen times in twenty. */
    private static function spreadAtMost(int $count): float
    {
        $free = $count - 1;

        return sqrt(1 / max(1e-6, (1 - 2 / (9 * $free) - self::ONE_IN_TWENTY * sqrt(2 / (9 * $free))) ** 3));
    }

    /**
     * @param  list<float>  $readings
     * @return array{float, float} mean and sample standard deviation
     */
    private static function spread(array $readings, float $resolution): array
    {
        $mean = array_sum($readings) / count($readings);
        $squares = array_sum(array_map(fn (float $reading): float => ($reading - $mean) ** 2, $readings));

        return [$mean, max($resolution / sqrt(12), sqrt($squares / (count($readings) - 1)))];
    }

    /** Complementary error function for x ≥ 0, right to 1.2e-7 of itself however small: Press et al., Numerical Recipes, 2nd ed., §6.2. */
    private static function erfc(float $x): float
    {
        $t = 1 / (1 + $x / 2);
        $sum = 0.0;
        foreach ([0.17087277, -0.82215223, 1.48851587, -1.13520398, 0.27886807, -0.18628806, 0.09678418, 0.37409196, 1.00002368] as $coefficient) {
            $sum = $sum * $t + $coefficient;
        }

        return $t * exp(-$x * $x - 1.26551223 + $t * $sum);
    }
}
