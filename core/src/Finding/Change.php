<?php

declare(strict_types=1);

namespace Brookstone\Core\Finding;

/** One change to the document of a build: the value that a dotted path gets. */
final readonly class Change implements \JsonSerializable
{
    public function __construct(public string $path, public mixed $value)
    {
    }

    /** @return array{path: string, value: mixed} */
    public function jsonSerialize(): array
    {
        return ['path' => $this->path, 'value' => $this->value];
    }
}
