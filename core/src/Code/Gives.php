<?php

declare(strict_types=1);

namespace Brookstone\Core\Code;

/** The function ends here, with this. */
final readonly class Gives implements Line
{
    public function __construct(public ?string $value = null)
    {
    }

    public function expressions(): array
    {
        return $this->value === null ? [] : [$this->value];
    }
}
