<?php

declare(strict_types=1);

namespace Brookstone\Core\Code;

/** Something becomes something. */
final readonly class Set implements Line
{
    public function __construct(public string $what, public string $to)
    {
    }

    public function expressions(): array
    {
        return [$this->what, $this->to];
    }
}
