<?php

declare(strict_types=1);

namespace Brookstone\Core\Code;

/** A value that lasts, or a row of them. */
final readonly class Store
{
    /** @param  int|null  $count  of a row; null is one value */
    public function __construct(public string $name, public Type $type, public ?int $count, public string $note)
    {
    }
}
