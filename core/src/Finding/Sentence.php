<?php

declare(strict_types=1);

namespace Brookstone\Core\Finding;

use Brookstone\Core\Quantity\Quantity;

/**
 * A sentence with quantities and names in it. The template names the quantities in braces (`needs {need}, has {have}`), so that a reader can
 * have it in any unit system; text() gives it in one. What people typed stands in it as `{"Lid"}`, which quote() writes: whatever it is, it comes
 * out as it was typed, and no sentence that is put together of others takes it for anything else.
 */
final readonly class Sentence implements \JsonSerializable
{
    private const MOST_FIGURES = 5; // what is alike in so many is the same

    private const NAME = '/\{("(?:[^"\\\\]|\\\\.)*")\}/';

    /** @param  array<string, Quantity>  $values */
    public function __construct(public string $template, public array $values = [])
    {
    }

    /** What people typed, or another sentence, as it stands in a template: it is said as it is. */
    public static function quote(string $text): string
    {
        return '{'.strtr((string) json_encode($text, JSON_UNESCAPED_UNICODE | JSON_UNESCAPED_SLASHES | JSON_INVALID_UTF8_SUBSTITUTE),
            ['{' => '\u007b', '}' => '\u007d']).'}';
    }

    /**
     * `Sun, Moon and Star`
     *
     * @param  list<string>  $parts  of a template
     */
    public static function listed(array $parts): string
    {
        $last = array_pop($parts);

        return $parts === [] ? (string) $last : implode(', ', $parts)." and {$last}";
    }

    /** A template that goes on inside of a sentence: its first word without its capital, unless that is a name, a code or a unit. */
    public static function lower(string $template): string
    {
        return preg_match('/^[A-Z](?=[a-z]|[ ,])/', $template) === 1 ? lcfirst($template) : $template;
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

    /** This without its full stop, and another that goes on from it. */
    public function goingOn(string $between, self $next): self
    {
        $next = $next->named('then'.count($this->values));

        return new self(rtrim($this->template, '.').$between.self::lower($next->template), $this->values + $next->values);
    }

    /** Two figures that differ never read alike: what is compared gets as many as tell it apart. */
    public function text(string $system = 'metric'): string
    {
        $texts = [];
        foreach ($this->values as $name => $quantity) {
            $texts['{'.$name.'}'] = $quantity->text($system, $this->figuresOf($quantity, $system));
        }

        return $this->withNames(fn (string $name): string => $name, $texts);
    }

    private function figuresOf(Quantity $quantity, string $system): int
    {
        $figures = Quantity::FIGURES;
        foreach ($this->values as $other) {
            if ($other->si === $quantity->si || $other->dimension !== $quantity->dimension) {
                continue;
            }
            for ($so = $figures; $so <= self::MOST_FIGURES; $so++) {
                if ($quantity->text($system, $so) !== $other->text($system, $so)) {
                    $figures = $so;
                    break;
                }
            }
        }

        return $figures;
    }

    /**
     * Names are values among the others there: `{name1}`.
     *
     * @return array{template: string, values: array<string, Quantity|string>|\stdClass, text: string}
     */
    public function jsonSerialize(): array
    {
        $names = [];
        $template = $this->withNames(function (string $name) use (&$names): string {
            $names['name'.(count($names) + 1)] = $name;

            return '{name'.count($names).'}';
        });

        return ['template' => $template, 'values' => $this->values + $names ?: new \stdClass, 'text' => $this->text()];
    }

    /**
     * @param  \Closure(string): string  $says  what stands for a name
     * @param  array<string, string>  $texts  what stands for other marks
     */
    private function withNames(\Closure $says, array $texts = []): string
    {
        $found = [[], []];
        if (str_contains($this->template, '{"')) {
            preg_match_all(self::NAME, $this->template, $found);
        }
        foreach ($found[0] as $i => $name) {
            $texts[$name] ??= $says((string) json_decode($found[1][$i]));
        }

        return strtr($this->template, $texts);
    }
}
