<?php

declare(strict_types=1);

namespace Brookstone\Core\Code;

/** These lines for every number from 0 up to another. */
final readonly class Each implements Line
{
    /**
     * @param  string  $count  an expression: how many times
     * @param  list<Line>  $lines
     */
    public function __construct(public string $number, public string $count, public array $lines)
    {
    }

    public function expressions(): array
    {
        return [$this->count, ...Program::expressionsOf($this->lines)];
    }
}
