<?php

declare(strict_types=1);

namespace Brookstone\Core\Reach;

/** Which slot of a state holds what, and with what it begins. */
final class Layout
{
    /** @var list<int> */
    private array $first = [];

    /**
     * @param  int  $first  not negative
     * @return int the slot
     */
    public function add(int $first): int
    {
        $this->first[] = $first;

        return count($this->first) - 1;
    }

    public function first(): State
    {
        return new State([], $this->first);
    }
}
