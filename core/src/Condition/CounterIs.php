<?php

declare(strict_types=1);

namespace Brookstone\Core\Condition;

use Brookstone\Core\Finding\Sentence;
use Brookstone\Core\Parts\Inventory;
use Brookstone\Core\Shape\ChoiceShape;
use Brookstone\Core\Shape\Field;
use Brookstone\Core\Shape\NumberShape;
use Brookstone\Core\Shape\RecordShape;
use Brookstone\Core\Shape\TextShape;

/** A counter or mark compared with a number; a mark is set while it is 1. */
final readonly class CounterIs implements Condition
{
    use Atom;

    public function __construct(public string $counter, public string $is, public int $value)
    {
    }

    public static function shape(): RecordShape
    {
        return new RecordShape([
            'counter' => Field::needed(TextShape::id(), 'A counter or a mark.'),
            'is' => Field::or('at_least', ChoiceShape::of('at_least', 'exactly', 'under')),
            'value' => Field::or(1, NumberShape::whole(-1000000, 1000000)),
        ], 'CounterIs');
    }

    public static function make(array $read): self
    {
        return new self($read['counter'], $read['is'], $read['value']);
    }

    public function says(Inventory $build): Sentence
    {
        $name = ($build->counters[$this->counter] ?? null)?->named() ?? $this->counter;
        if (($build->counters[$this->counter]->isMark ?? false) && abs($this->value) <= 1) {
            return new Sentence($name.($this->is === 'under' || $this->value === 0 ? ' is not set' : ' is set'));
        }

        return new Sentence($name.' is '.['at_least' => 'at least', 'exactly' => 'exactly', 'under' => 'under'][$this->is]." {$this->value}");
    }

    public function holds(Senses $senses): bool
    {
        $count = $senses->count($this->counter);

        return match ($this->is) {
            'at_least' => $count >= $this->value,
            'exactly' => $count === $this->value,
            default => $count < $this->value,
        };
    }

    public function asked(Asking $of): string
    {
        return $of->count($this->counter).' '.['at_least' => '>=', 'exactly' => '==', 'under' => '<'][$this->is]." {$this->value}";
    }

    public function refersTo(): array
    {
        return ['counter' => ['counter', $this->counter]];
    }
}
