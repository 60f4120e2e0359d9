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

/** A sensor or end switch is on (pressed, broken, tripped) or off; for so long, where that is said. */
final readonly class InputIs implements Condition
{
    use Atom;

    public function __construct(public string $sensor, public bool $on, public ?float $for_s = null)
    {
    }

    public static function shape(): RecordShape
    {
        return new RecordShape([
            'sensor' => Field::needed(TextShape::id(), 'A sensor or an end switch.'),
            'is' => Field::or('on', ChoiceShape::of('on', 'off'), 'On is pressed, broken or tripped.'),
            'for_s' => Field::or(null, NumberShape::positive(3600.0)->orNull(), 'For so long without a break.'),
        ], 'InputIs');
    }

    public static function make(array $read): self
    {
        return new self($read['sensor'], $read['is'] === 'on', $read['for_s']);
    }

    public function says(Inventory $build): Sentence
    {
        return new Sentence($build->condition($this->sensor, $this->on).($this->for_s === null ? '' : ' for {for}'), $this->for_s === null ? []
            : ['for' => Quantity::of($this->for_s, 's')]);
    }

    public function holds(Senses $senses): bool
    {
        return Lasting::holds($senses, $this, $senses->isOn($this->sensor) === $this->on, $this->for_s);
    }

    public function asked(Asking $of): string
    {
        $now = ($this->on ? '' : '!').$of->input($this->sensor);

        return $this->for_s === null ? $now : $of->lasting($this, $now, $this->for_s);
    }

    public function refersTo(): array
    {
        return ['sensor' => ['sensor', $this->sensor]];
    }
}
