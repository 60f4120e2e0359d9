<?php

declare(strict_types=1);

namespace Brookstone\Core\Shape;

use Brookstone\Core\Error\Describe;

/** A list of like things, of bounded length. */
final readonly class ListShape implements Shape
{
    public function __construct(public Shape $of, public int $min = 0, public int $max = 100, public string $things = 'entries')
    {
    }

    /** @return list<mixed>|null */
    public function read(mixed $value, string $path, ErrorList $errors): ?array
    {
        if (! is_array($value) || ! array_is_list($value)) {
            $errors->add($path, 'Must be a list, but is '.Describe::value($value).'.');

            return null;
        }
        $count = count($value);
        if ($count < $this->min || $count > $this->max) {
            $errors->add($path, $count < $this->min
                ? "Needs at least {$this->min} {$this->things}, but has {$count}."
                : "May have at most {$this->max} {$this->things}, but has {$count}.");

            return null;
        }
        $read = [];
        foreach ($value as $index => $entry) {
            if ($errors->isFull()) {
                break;
            }
            $read[] = $this->of->read($entry, $path === '' ? (string) $index : $path.'.'.$index, $errors);
        }

        return $read;
    }

    public function schema(): array
    {
        $schema = ['type' => 'array', 'items' => $this->of->schema(), 'maxItems' => $this->max];
        if ($this->min > 0) {
            $schema['minItems'] = $this->min;
        }

        return $schema;
    }
}
