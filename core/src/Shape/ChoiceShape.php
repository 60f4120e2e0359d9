<?php

declare(strict_types=1);

namespace Brookstone\Core\Shape;

use Brookstone\Core\Error\Describe;

/** One of a few fixed words or numbers. */
final readonly class ChoiceShape implements Shape
{
    /** @param  non-empty-list<string|int>  $choices */
    public function __construct(public array $choices, public bool $nullable = false)
    {
    }

    public static function of(string|int ...$choices): self
    {
        assert($choices !== []);

        return new self(array_values($choices));
    }

    public function orNull(): self
    {
        return new self($this->choices, true);
    }

    public function read(mixed $value, string $path, ErrorList $errors): string|int|null
    {
        if ($value === null && $this->nullable) {
            return null;
        }
        if ((is_string($value) || is_int($value)) && in_array($value, $this->choices, true)) {
            return $value;
        }
        $errors->add($path, 'Must be '.(count($this->choices) > 1 ? 'one of ' : '').implode(', ', $this->choices).', but is '.Describe::value($value).'.');

        return null;
    }

    public function schema(): array
    {
        return ['enum' => $this->nullable ? [...$this->choices, null] : $this->choices];
    }
}
