<?php

declare(strict_types=1);

namespace Brookstone\Core\Proof;

use Brookstone\Core\Error\ImpossibleValue;

/**
 * What an endurance run says of how often something fails: at most so often, with so much confidence.
 *
 * Exact one-sided bounds of a share (Clopper & Pearson, 1934): NIST/SEMATECH e-Handbook of Statistical Methods, §7.2.4.1.
 */
final readonly class Endurance
{
    public const MOST_FAILURES = 1000;

    private const HALVINGS = 200;

    /** Of its runs, how many failed. */
    public float $seen_share;

    /** It fails in no larger share of its runs, with that confidence. */
    public float $most_share;

    /** And in no smaller one, with the same confidence by itself. */
    public float $least_share;

    /**
     * @param  int  $runs  ≥ 1
     * @param  int  $failures  0 to $runs, and to MOST_FAILURES
     * @param  float  $confidence  over 0, under 1
     */
    public function __construct(public int $runs, public int $failures, public float $confidence = 0.95)
    {
        ImpossibleValue::unlessPositive('runs', $runs);
        ImpossibleValue::unlessNotNegative('failures', $failures);
        ImpossibleValue::unlessPositive('confidence', $confidence);
        ImpossibleValue::unlessPositive('confidence', 1.0 - $confidence);
        ImpossibleValue::unlessNotNegative('failures', min($runs, self::MOST_FAILURES) - $failures);
        $this->seen_share = $failures / $runs;
        $this->most_share = $failures === $runs ? 1.0 : $this->where(fn (float $share): bool => $this->upTo($failures, $share) > 1.0 - $confidence);
        $this->least_share = $failures === 0 ? 0.0 : $this->where(fn (float $share): bool => $this->upTo($failures - 1, $share) > $confidence);
    }

    /** So many runs without any failure say, with that confidence, that it fails in no larger share of them: n = ln(1 − c) / ln(1 − p). */
    public static function runsFor(float $share, float $confidence): int
    {
        return (int) ceil(log(1.0 - $confidence) / log1p(-$share) * (1.0 - 1e-12));
    }

    /** The chance of no more than so many failures where it fails in a share of its runs. */
    private function upTo(int $failures, float $share): float
    {
        $log = $this->runs * log1p(-$share); // of none
        $sum = exp($log);
        for ($i = 1; $i <= $failures; $i++) {
            $log += log(($this->runs - $i + 1) / $i) + log($share) - log1p(-$share);
            $sum += exp($log);
        }

        return $sum;
    }

    /** @param  \Closure(float): bool  $isBelow  whether the share that is looked for is larger */
    private function where(\Closure $isBelow): float
    {
        [$low, $high] = [0.0, 1.0];
        for ($i = 0; $i < self::HALVINGS; $i++) {
            $middle = ($low + $high) / 2;
            if ($middle <= $low || $middle >= $high) {
                break;
            }
            $isBelow($middle) ? $low = $middle : $high = $middle;
        }

        return ($low + $high) / 2;
    }
}
