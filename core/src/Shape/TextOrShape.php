<?php

declare(strict_types=1);

namespace Brookstone\Core\Shape;

/** A text, or something else that is none. */
final readonly class TextOrShape implements Shape
{
    public function __construct(public Shape $other)
    {
    }

    public function read(mixed $value, string $path, ErrorList $errors): mixed
    {
        return is_string($value) ? (new TextShape)->read($value, $path, $errors) : $this->other->read($value, $path, $errors);
    }

    public function schema(): array
    {
        return ['anyOf' => [(new TextShape)->schema(), $this->other->schema()]];
    }
}
