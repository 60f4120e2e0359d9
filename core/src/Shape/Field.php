<?php

declare(strict_types=1);

namespace Brookstone\Core\Shape;

/** One field of a record: needed, or with a value that stands in when it is left out. */
final readonly class Field
{
    private function __construct(public Shape $shape, public string $says, public bool $needed, public mixed $default)
    {
    }

    public static function needed(Shape $shape, string $says = ''): self
    {
        return new self($shape, $says, true, null);
    }

    /** Left out, it is $default; a default of null means that there is none. */
    public static function or(mixed $default, Shape $shape, string $says = ''): self
    {
        return new self($shape, $says, false, $default);
    }
}
