<?php

declare(strict_types=1);

namespace Brookstone\Core\Reach;

/** What a search of the states of a build's routines found. */
final readonly class Reached
{
    /**
     * @param  int  $states  looked at
     * @param  bool  $complete  that was every one; otherwise the bound was met
     * @param  list<array{string, list<string>}>  $found  code (`not_known`, `place_lost`, `same_motion`, `same_motor`, `rule`); path, what, and how it came about
     * @param  array<string, int>  $unreached  paths of steps that nothing gets to, and the routine of each; empty unless complete
     * @param  list<string>  $endless  paths of steps that call without end
     * @param  list<list<string>>  $together  routines that were met running beside one another: the largest such sets, none a part of another
     */
    public function __construct(public int $states, public bool $complete, public array $found, public array $unreached, public array $endless, public array $together = [])
    {
    }

    /** @return list<list<string>> of one code */
    public function of(string $code): array
    {
        return array_values(array_map(fn (array $each): array => $each[1], array_filter($this->found, fn (array $each): bool => $each[0] === $code)));
    }
}
