<?php

declare(strict_types=1);

namespace Brookstone\Core\Shape;

/** One of some shapes: as the first of them by which nothing is wrong. */
final readonly class EitherShape implements Shape
{
    /** @param  non-empty-list<Shape>  $shapes */
    public function __construct(public array $shapes)
    {
    }

    public function read(mixed $value, string $path, ErrorList $errors): mixed
    {
        $first = new ErrorList;
        foreach ($this->shapes as $shape) {
            $wrong = new ErrorList;
            $read = $shape->read($value, $path, $wrong);
            if ($wrong->all() === []) {
                return $read;
            }
            $first = $first->all() === [] ? $wrong : $first;
        }
        foreach ($first->all() as ['field' => $field, 'message' => $message]) {
            $errors->add($field, $message);
        }

        return null;
    }

    public function schema(): array
    {
        return ['anyOf' => array_map(fn (Shape $shape): array => $shape->schema(), $this->shapes)];
    }
}
