<?php

declare(strict_types=1);

namespace Brookstone\Core\Code;

/** A call whose answer nobody wants. */
final readonly class Does implements Line
{
    public function __construct(public string $call)
    {
    }

    public function expressions(): array
    {
        return [$this->call];
    }
}
