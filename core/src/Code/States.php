<?php

declare(strict_types=1);

namespace Brookstone\Core\Code;

/** What is done next, by where it stands: the lines of that state, each of which goes on to a state or ends the function. */
final readonly class States implements Line
{
    /** @param  list<list<Line>>  $states  by number */
    public function __construct(public string $where, public array $states)
    {
    }

    public function expressions(): array
    {
        return [$this->where, ...array_merge(...array_map(Program::expressionsOf(...), $this->states))];
    }
}
