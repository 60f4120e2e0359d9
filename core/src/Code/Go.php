<?php

declare(strict_types=1);

namespace Brookstone\Core\Code;

/** On to another state: at once, or when the function is called again. */
final readonly class Go implements Line
{
    /** @param  string|null  $gives  with what the function ends here; null goes on at once */
    public function __construct(public string $where, public int $state, public ?string $gives = null)
    {
    }

    public function expressions(): array
    {
        return [$this->where, ...($this->gives === null ? [] : [$this->gives])];
    }
}
