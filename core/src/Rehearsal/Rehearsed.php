<?php

declare(strict_types=1);

namespace Brookstone\Core\Rehearsal;

/** What became of every routine of a build, from everywhere that it can begin. */
final readonly class Rehearsed
{
    /**
     * @param  array<string, list<Performance>>  $performances  by routine, the plainest start first
     * @param  bool  $isWhole  every start was looked at; otherwise that would have taken too long
     * @param  array<string, list<Performed>>  $stages  by how each was begun
     * @param  int  $again  of them, that were known of another build and not run again
     */
    public function __construct(public array $performances, public bool $isWhole = true, public array $stages = [], public int $again = 0)
    {
    }

    /** @return list<Performance> */
    public function of(string $routine): array
    {
        return $this->performances[$routine] ?? [];
    }

    /**
     * One cycle of a routine: begun with nothing special, at nominal voltage, and ended if it ever does; of those the one that draws most, as one may find
     * its work done already.
     */
    public function usual(string $routine): ?Performance
    {
        $usual = null;
        $rank = fn (Performance $one): array => [$one->outcome === 'gives_up' ? 1 : 0, -$one->charge_C()];
        foreach ($this->of($routine) as $performance) {
            if ($performance->start->isUsual() && $performance->outcome !== 'never_begins' && ($usual === null || $rank($performance) < $rank($usual))) {
                $usual = $performance;
            }
        }

        return $usual;
    }

    /** Longest that a step of a routine took to be done, s; null where it never was. */
    public function longestOfStep_s(string $routine, string $path): ?float
    {
        $longest = null;
        foreach ($this->performances as $performances) {
            foreach ($performances as $performance) {
                foreach ($performance->steps as $step) {
                    if ($step['routine'] === $routine && $step['path'] === $path && $step['outcome'] === 'done' && $step['end_s'] !== null) {
                        $longest = max($longest ?? 0.0, $step['end_s'] - $step['start_s']);
                    }
                }
            }
        }

        return $longest;
    }

    /** Whether a step of a routine was given up in any performance. */
    public function gaveUp(string $routine, string $path): bool
    {
        foreach ($this->performances as $performances) {
            foreach ($performances as $performance) {
                foreach ($performance->steps as $step) {
                    if ($step['routine'] === $routine && $step['path'] === $path && $step['outcome'] === 'gave_up') {
                        return true;
                    }
                }
            }
        }

        return false;
    }

    /** Longest that a routine took, s; null where it never ended by itself. */
    public function longest_s(string $routine): ?float
    {
        $times = array_filter(array_map(fn (Performance $performance): ?float => $performance->takes_s, $this->of($routine)),
            fn (?float $time): bool => $time !== null);

        return $times === [] ? null : max($times);
    }
}
