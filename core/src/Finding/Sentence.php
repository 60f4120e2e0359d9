<?php

declare(strict_types=1);

namespace Brookstone\Core\Finding;

use Brookstone\Core\Quantity\Quantity;

/**
 * A sentence with quantities in it. The template names them in braces (`needs {need}, has {have}`), so that a reader can
 * have it in any unit system; text() gives it in one.
 */
final readonly class Sentence implements \JsonSerializable
{
    /** @param  array<string, Quantity>  $values */
    public function __construct(public string $template, public array $values = [])
    {
    }

    /** The same with names of its own for its values: it can then stand in one sentence with another. */
    public function named(string $suffix): self
    {
        $names = $values = [];
        foreach ($this->values as $name => $value) {
            $names['{'.$name.'}'] = "{{$name}_{$suffix}}";
            $values["{$name}_{$suffix}"] = $value;
        }

        return new self(strtr($this->template, $names), $values);
    }

    public function text(string $system = 'metric'): string
    {
        $texts = [];
        foreach ($this->values as $name => $quantity) {
            $texts['{'.$name.'}'] = $quantity->text($system);
        }

        return strtr($this->template, $texts);
    }

    /** @return array{template: string, values: array<string, Quantity>|\stdClass, text: string} */
    public function jsonSerialize(): array
    {
        return ['template' => $this->template, 'values' => $this->values === [] ? new \stdClass : $this->values, 'text' => $this->text()];
    }
}
