<?php

declare(strict_types=1);

namespace Brookstone\Core\Rehearsal;

/** What became of every routine of a build, from everywhere that it can begin. */
final readonly class Rehearsed
{
    /**
     * @param  array<string, list<Performance>>  $performances  by routine, the plainest start first
     * @param  bool  $isWhole  every start was looked at; otherwise that would have taken too long
     */
    public function __construct(public array $performances, public bool $isWhole = true)
    {
    }

    /** @return list<Performance> */
    public function of(string $routine): array
    {
        return $this->performances[$routine] ?? [];
    }

    /** Longest that a routine took, s; null where it never ended by itself. */
    public function longest_s(string $routine): ?float
    {
        $times = array_filter(array_map(fn (Performance $performance): ?float => $performance->takes_s, $this->of($routine)), fn (?float $time): bool => $time !== null);

        return $times === [] ? null : max($times);
    }
}
