<?php

declare(strict_types=1);

namespace Brookstone\Core\Routine;

use Brookstone\Core\Shape\ChoiceShape;
use Brookstone\Core\Shape\Field;
use Brookstone\Core\Shape\RecordShape;
use Brookstone\Core\Shape\TextShape;

/** A sensor or end switch being on (pressed, broken, tripped) or off. */
final readonly class Condition
{
    public function __construct(public string $sensor, public bool $on)
    {
    }

    public static function shape(): RecordShape
    {
        return new RecordShape([
            'sensor' => Field::needed(TextShape::id(), 'A sensor or an end switch.'),
            'is' => Field::or('on', ChoiceShape::of('on', 'off'), 'On is pressed, broken or tripped.'),
        ], 'Condition');
    }

    /** @param  array<string, mixed>|null  $read */
    public static function make(?array $read): ?self
    {
        return $read === null ? null : new self($read['sensor'], $read['is'] === 'on');
    }
}
