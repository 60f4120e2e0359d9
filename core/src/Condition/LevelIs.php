<?php

declare(strict_types=1);

namespace Brookstone\Core\Condition;

use Brookstone\Core\Finding\Sentence;
use Brookstone\Core\Parts\Inventory;
use Brookstone\Core\Quantity\Quantity;
use Brookstone\Core\Shape\ChoiceShape;
use Brookstone\Core\Shape\Field;
use Brookstone\Core\Shape\NumberShape;
use Brookstone\Core\Shape\RecordShape;
use Brookstone\Core\Shape\TextShape;

/** A sensor that measures reads above or below a value. Once so it stays so until the reading has come back past the hysteresis. */
final readonly class LevelIs implements Condition
{
    use Atom;

    public function __construct(public string $sensor, public bool $above, public float $value, public float $hysteresis)
    {
    }

    public static function shape(): RecordShape
    {
        return new RecordShape([
            'sensor' => Field::needed(TextShape::id(), 'A sensor that measures: light, distance, colour, a knob.'),
            'is' => Field::or('above', ChoiceShape::of('above', 'below')),
            'value' => Field::needed(NumberShape::between(-1e6, 1e6), 'In the sensor’s own readings.'),
            'hysteresis' => Field::or(0.0, NumberShape::between(0.0, 1e6), 'It must come back by so much before it is no longer so.'),
        ], 'LevelIs');
    }

    public static function make(array $read): self
    {
        return new self($read['sensor'], $read['is'] === 'above', $read['value'], $read['hysteresis']);
    }

    public function says(Inventory $build): Sentence
    {
        return new Sentence((($build->sensors[$this->sensor] ?? null)?->named() ?? $this->sensor).' reads '.($this->above ? 'above' : 'below').' {value}',
            ['value' => Quantity::number($this->value)]);
    }

    public function holds(Senses $senses): bool
    {
        $was = $senses->kept($this) === true;
        $edge = $was ? $this->value + ($this->above ? -1 : 1) * $this->hysteresis : $this->value;
        $is = $this->above ? $senses->level($this->sensor) >= $edge : $senses->level($this->sensor) <= $edge;
        $senses->keep($this, $is);

        return $is;
    }

    public function asked(Asking $of): string
    {
        return $of->reads($this);
    }

    public function refersTo(): array
    {
        return ['sensor' => ['analog', $this->sensor]];
    }
}
