<?php

declare(strict_types=1);

namespace Brookstone\Core\Reach;

/** What a search of the states of a build's routines found. */
final readonly class Reached
{
    /**
     * @param  int  $states  looked at
     * @param  bool  $complete  that was every one; otherwise the bound was met
     * @param  list<Conflict>  $conflicts
     * @param  array<string, int>  $unreached  paths of steps that nothing gets to, and the routine of each; empty unless complete
     * @param  list<string>  $endless  paths of steps that call without end
     * @param  list<list<string>>  $together  routines that were met running beside one another: the largest such sets, none a part of another
     */
    public function __construct(public int $states, public bool $complete, public array $conflicts, public array $unreached, public array $endless,
        public array $together = [])
    {
    }

    /** @return list<Conflict> of one code */
    public function of(string $code): array
    {
        return array_values(array_filter($this->conflicts, fn (Conflict $each): bool => $each->code === $code));
    }
}
