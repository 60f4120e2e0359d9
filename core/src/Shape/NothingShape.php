<?php

declare(strict_types=1);

namespace Brookstone\Core\Shape;

/** null, where something else could be. */
final readonly class NothingShape implements Shape
{
    public function read(mixed $value, string $path, ErrorList $errors): mixed
    {
        if ($value !== null) {
            $errors->add($path, 'Must be nothing.');
        }

        return null;
    }

    public function schema(): array
    {
        return ['type' => 'null'];
    }
}
