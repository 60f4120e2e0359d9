<?php

declare(strict_types=1);

namespace Brookstone\Core\Shape;

use Brookstone\Core\Error\Describe;

final readonly class BooleanShape implements Shape
{
    public function __construct(public bool $nullable = false)
    {
    }

    public function orNull(): self
    {
        return new self(true);
    }

    public function read(mixed $value, string $path, ErrorList $errors): ?bool
    {
        if (is_bool($value) || ($value === null && $this->nullable)) {
            return $value;
        }
        $errors->add($path, 'Must be true or false, but is '.Describe::value($value).'.');

        return null;
    }

    public function schema(): array
    {
        return ['type' => $this->nullable ? ['boolean', 'null'] : 'boolean'];
    }
}
