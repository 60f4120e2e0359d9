<?php

declare(strict_types=1);

namespace Brookstone\Core\Shape;

/** A shape that holds itself (a repeat holds steps), bounded in depth. */
final class RecursiveShape implements Shape
{
    private int $depth = 0;

    private ?Shape $made = null;

    /** @param  \Closure(): Shape  $make */
    public function __construct(private readonly \Closure $make, private readonly string $name, private readonly int $deepest = 6,
        private readonly bool $nullable = false)
    {
    }

    public function read(mixed $value, string $path, ErrorList $errors): mixed
    {
        if ($this->depth >= $this->deepest) {
            $errors->add($path, 'Is nested too deep: at most '.$this->deepest.' levels.');

            return null;
        }
        $this->depth++;
        try {
            return ($this->made ??= ($this->make)())->read($value, $path, $errors);
        } finally {
            $this->depth--;
        }
    }

    public function schema(): array
    {
        $reference = ['$ref' => '#/$defs/'.$this->name];

        return $this->nullable ? ['anyOf' => [$reference, ['type' => 'null']]] : $reference;
    }
}
