<?php

declare(strict_types=1);

namespace Brookstone\Core\Shape;

use Brookstone\Core\Error\Describe;

/** A group of named fields. A field it does not know is an error. */
final readonly class RecordShape implements Shape
{
    /** @param  array<string, Field>  $fields */
    public function __construct(public array $fields, public string $title = '', public bool $nullable = false)
    {
    }

    public function orNull(): self
    {
        return new self($this->fields, $this->title, true);
    }

    /** @param  array<string, Field>  $more */
    public function with(array $more): self
    {
        return new self([...$this->fields, ...$more], $this->title, $this->nullable);
    }

    /** @return array<string, mixed>|null */
    public function read(mixed $value, string $path, ErrorList $errors): ?array
    {
        if ($value === null && $this->nullable) {
            return null;
        }
        if (! is_array($value) || ($value !== [] && array_is_list($value))) {
            $errors->add($path, 'Must be a group of named fields, but is '.Describe::value($value).'.');

            return null;
        }
        $before = $path === '' ? '' : $path.'.';
        foreach (array_diff_key($value, $this->fields) as $unknown => $_) {
            $errors->add($before.Describe::cut((string) $unknown), 'There is no such field here.'.$this->hint((string) $unknown));
        }
        $read = [];
        foreach ($this->fields as $name => $field) {
            if (array_key_exists($name, $value)) {
                $read[$name] = $field->shape->read($value[$name], $before.$name, $errors);
            } elseif ($field->needed) {
                $errors->add($before.$name, 'Is missing.');
                $read[$name] = null;
            } else {
                $read[$name] = is_array($field->default) ? $field->shape->read($field->default, $before.$name, $errors) : $field->default;
            }
        }

        return $read;
    }

    public function schema(): array
    {
        $properties = [];
        $required = [];
        foreach ($this->fields as $name => $field) {
            $schema = $field->shape->schema();
            if ($field->says !== '') {
                $schema['description'] = $field->says;
            }
            if ($field->needed) {
                $required[] = $name;
            } elseif ($field->default !== null && ! is_array($field->default)) {
                $schema['default'] = $field->default;
            }
            $properties[$name] = $schema;
        }
        $schema = ['type' => $this->nullable ? ['object', 'null'] : 'object', 'properties' => $properties === [] ? new \stdClass : $properties,
            'additionalProperties' => false];
        if ($this->title !== '') {
            $schema = ['title' => $this->title] + $schema;
        }
        if ($required !== []) {
            $schema['required'] = $required;
        }

        return $schema;
    }

    private function hint(string $unknown): string
    {
        foreach (array_keys($this->fields) as $name) {
            if (strlen($unknown) <= 60 && levenshtein(strtolower($unknown), strtolower($name)) <= 2) {
                return ' Did you mean '.$name.'?';
            }
        }

        return '';
    }
}
