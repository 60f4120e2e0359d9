<?php

declare(strict_types=1);

namespace Brookstone\Core\Shape;

use Brookstone\Core\Error\Describe;

/** Free keys with like values, sorted by key so that writing it twice gives the same bytes. */
final readonly class MapShape implements Shape
{
    public function __construct(public Shape $of, public int $max = 200)
    {
    }

    /** @return array<string, mixed>|null */
    public function read(mixed $value, string $path, ErrorList $errors): ?array
    {
        if (! is_array($value) || ($value !== [] && array_is_list($value)) || count($value) > $this->max) {
            $errors->add($path, 'Must be a group of at most '.$this->max.' named fields, but is '.Describe::value($value).'.');

            return null;
        }
        $read = [];
        foreach ($value as $name => $entry) {
            $read[(string) $name] = $this->of->read($entry, $path.'.'.Describe::cut((string) $name), $errors);
        }
        ksort($read, SORT_STRING);

        return $read;
    }

    public function schema(): array
    {
        return ['type' => 'object', 'additionalProperties' => $this->of->schema(), 'maxProperties' => $this->max];
    }
}
