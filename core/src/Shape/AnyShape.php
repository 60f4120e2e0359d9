<?php

declare(strict_types=1);

namespace Brookstone\Core\Shape;

/** Whatever it is: its own place checks it. */
final readonly class AnyShape implements Shape
{
    public function read(mixed $value, string $path, ErrorList $errors): mixed
    {
        return $value;
    }

    public function schema(): array
    {
        return ['description' => 'Any value'];
    }
}
