<?php

declare(strict_types=1);

namespace Brookstone\Core\Proof;

use Brookstone\Core\Build\Build;
use Brookstone\Core\Build\Measurement;
use Brookstone\Core\Parts\Motion;

/**
 * Times of one move, taken several times in the same way: their mean and how much they scatter, without those that lie far off all others.
 *
 * Student's t for 95 % on both sides: NIST/SEMATECH e-Handbook of Statistical Methods, §1.3.6.7.2. Confidence limits of a mean: §1.3.5.2.
 * What lies far off: modified z-scores over 3.5 (Iglewicz & Hoaglin, 1993), §1.3.5.17.
 */
final class Repeats
{
    /** So many at least tell how much they scatter. */
    public const FEW = 3;

    /** So many tell it well. */
    public const ENOUGH = 10;

    /** So far from the mean a time may be, in standard deviations, and still be one of them. */
    public const SIGMAS = 3.0;

    private const FAR_OFF = 3.5;

    private const LEAST_TO_NAME_ONE = 5;

    private const MAD_TO_SD = 0.6745; // of a normal distribution

    private const MEAN_DEVIATION_TO_SD = 1.253314;

    private const HAIR = 1e-9; // of the median: no watch tells less

    /** By degrees of freedom, from 1. */
    private const T_95 = [12.706, 4.303, 3.182, 2.776, 2.571, 2.447, 2.365, 2.306, 2.262, 2.228, 2.201, 2.179, 2.160, 2.145, 2.131, 2.120, 2.110, 2.101, 2.093,
        2.086, 2.080, 2.074, 2.069, 2.064, 2.060, 2.056, 2.052, 2.048, 2.045, 2.042];

    private const T_95_OF_MANY = 1.960;

    /** @var \WeakMap<Build, array<string, list<self>>>|null what the log of a build tells: many ask for it, and it may be long */
    private static ?\WeakMap $known = null;

    /** s. */
    public readonly float $mean_s;

    /** One standard deviation, s; null where there are too few. */
    public readonly ?float $sd_s;

    /** So far from the mean the true mean may be, with 95 %, s; null of a single one. */
    public readonly ?float $doubt_s;

    /** @var non-empty-list<Measurement> those that count */
    public readonly array $entries;

    /** @var list<Measurement> those that lie far off all others */
    public readonly array $farOff;

    /** @param  non-empty-list<Measurement>  $entries  times of one move, in one circumstance */
    private function __construct(array $entries)
    {
        $far = self::farOff(array_map(fn (Measurement $entry): float => (float) $entry->measured_s, $entries));
        $this->farOff = array_values(array_intersect_key($entries, $far));
        $this->entries = array_values(array_diff_key($entries, $far)) ?: $entries; // never all: half of them lie no further off than the median
        $times = array_map(fn (Measurement $entry): float => (float) $entry->measured_s, $this->entries);
        $count = count($times);
        $this->mean_s = array_sum($times) / $count;
        $sd = $count < 2 ? null : sqrt(array_sum(array_map(fn (float $each): float => ($each - $this->mean_s) ** 2, $times)) / ($count - 1));
        $this->sd_s = $count < self::FEW ? null : $sd;
        $this->doubt_s = $sd === null ? null : (self::T_95[$count - 2] ?? self::T_95_OF_MANY) * $sd / sqrt($count);
    }

    /** @return list<self> of all moves of a motion, in the order in which each was first measured */
    public static function all(Build $build, string $motion): array
    {
        self::$known ??= new \WeakMap;

        return (self::$known[$build] ??= self::ofLog($build->log))[$motion] ?? [];
    }

    /**
     * @param  list<Measurement>  $log
     * @return array<string, list<self>> by motion
     */
    private static function ofLog(array $log): array
    {
        $groups = [];
        foreach ($log as $entry) {
            if ($entry->measured_s !== null) {
                $groups[$entry->motion]["{$entry->from} {$entry->to} ".Circumstance::of($entry)->key()][] = $entry;
            }
        }

        return array_map(fn (array $moves): array => array_values(array_map(fn (array $group): self => new self($group), $moves)), $groups);
    }

    /**
     * Of a move at its usual voltage; warm or cold, whichever was measured more often.
     *
     * @param  string|null  $carries  `loaded` or `empty`; null as its task has it
     */
    public static function ofMove(Build $build, Motion $motion, string $from, string $to, float $speed, ?string $carries = null): ?self
    {
        $best = null;
        foreach (self::all($build, $motion->id) as $each) {
            $how = $each->circumstance();
            $fits = $each->from() === $from && $each->to() === $to && $how->supply_V === null && abs($how->speed - $speed) < 1e-9
                && ($carries === null ? $how->carries === 'as_task' : $how->carried($motion, $from, $to) === $carries);
            $best = $fits && ($best === null || count($each->entries) > count($best->entries)) ? $each : $best;
        }

        return $best;
    }

    public function from(): string
    {
        return $this->entries[0]->from;
    }

    public function to(): string
    {
        return $this->entries[0]->to;
    }

    public function circumstance(): Circumstance
    {
        return Circumstance::of($this->entries[0]);
    }

    /** The longest that it takes as far as these tell, s. */
    public function longest_s(): float
    {
        $longest = max(array_map(fn (Measurement $entry): float => (float) $entry->measured_s, $this->entries));

        return $this->sd_s === null ? $longest : max($longest, $this->mean_s + self::SIGMAS * $this->sd_s);
    }

    /**
     * @param  list<float>  $values
     * @return array<int, true> by place
     */
    private static function farOff(array $values): array
    {
        if (count($values) < self::LEAST_TO_NAME_ONE) {
            return [];
        }
        $middle = self::median($values);
        $off = array_map(fn (float $each): float => abs($each - $middle), $values);
        $scale = self::median($off) / self::MAD_TO_SD;
        $scale = $scale > self::HAIR * $middle ? $scale : self::MEAN_DEVIATION_TO_SD * array_sum($off) / count($off);

        return $scale <= self::HAIR * $middle ? [] : array_map(fn (): bool => true, array_filter($off,
            fn (float $each): bool => $each / $scale > self::FAR_OFF));
    }

    /** @param  list<float>  $values */
    private static function median(array $values): float
    {
        sort($values);
        $half = intdiv(count($values), 2);

        return count($values) % 2 === 1 ? $values[$half] : ($values[$half - 1] + $values[$half]) / 2;
    }
}
