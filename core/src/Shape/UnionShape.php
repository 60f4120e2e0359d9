<?php

declare(strict_types=1);

namespace Brookstone\Core\Shape;

use Brookstone\Core\Error\Describe;

/** One of several records, told apart by the word in one field. */
final readonly class UnionShape implements Shape
{
    /**
     * @param  array<string, RecordShape>  $variants by the word in the field $tag; the records do not name that field themselves
     * @param  string|null  $usual  the word where it is left out
     */
    public function __construct(public string $tag, public array $variants, public string $title = '', public bool $nullable = false,
        private ?string $usual = null)
    {
    }

    public function orNull(): self
    {
        return new self($this->tag, $this->variants, $this->title, true, $this->usual);
    }

    /** @return array<string, mixed>|null */
    public function read(mixed $value, string $path, ErrorList $errors): ?array
    {
        if ($value === null && $this->nullable) {
            return null;
        }
        if (! is_array($value) || array_is_list($value)) {
            $errors->add($path, 'Must be a group of named fields, but is '.Describe::value($value).'.');

            return null;
        }
        $word = $value[$this->tag] ?? $this->usual;
        if (! is_string($word) || ! isset($this->variants[$word])) {
            $errors->add(($path === '' ? '' : $path.'.').$this->tag,
                'Must be one of '.implode(', ', array_keys($this->variants)).', but is '.Describe::value($word).'.');

            return null;
        }
        unset($value[$this->tag]);
        $read = $this->variants[$word]->read($value, $path, $errors);

        return $read === null ? null : [$this->tag => $word, ...$read];
    }

    public function schema(): array
    {
        $options = [];
        foreach ($this->variants as $word => $record) {
            $tag = $word === $this->usual ? Field::or($word, ChoiceShape::of($word)) : Field::needed(ChoiceShape::of($word));
            $options[] = (new RecordShape([$this->tag => $tag] + $record->fields, $record->title))->schema();
        }
        if ($this->nullable) {
            $options[] = ['type' => 'null'];
        }
        $schema = ['anyOf' => $options];

        return $this->title === '' ? $schema : ['title' => $this->title] + $schema;
    }
}
