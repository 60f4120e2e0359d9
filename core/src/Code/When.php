<?php

declare(strict_types=1);

namespace Brookstone\Core\Code;

/** If something is so these lines, otherwise those. */
final readonly class When implements Line
{
    /**
     * @param  list<Line>  $then
     * @param  list<Line>  $otherwise
     */
    public function __construct(public string $if, public array $then, public array $otherwise = [])
    {
    }

    public function expressions(): array
    {
        return [$this->if, ...Program::expressionsOf([...$this->then, ...$this->otherwise])];
    }
}
