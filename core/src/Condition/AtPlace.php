<?php

declare(strict_types=1);

namespace Brookstone\Core\Condition;

use Brookstone\Core\Finding\Sentence;
use Brookstone\Core\Parts\Inventory;
use Brookstone\Core\Shape\Field;
use Brookstone\Core\Shape\RecordShape;
use Brookstone\Core\Shape\TextShape;

/** A motion was last brought to a place and has not left it. */
final readonly class AtPlace implements Condition
{
    use Atom;

    public function __construct(public string $motion, public string $place)
    {
    }

    public static function shape(): RecordShape
    {
        return new RecordShape(['motion' => Field::needed(TextShape::id()), 'place' => Field::needed(TextShape::id())], 'AtPlace');
    }

    public static function make(array $read): self
    {
        return new self($read['motion'], $read['place']);
    }

    public function says(Inventory $build): Sentence
    {
        $motion = $build->motions[$this->motion] ?? null;

        return new Sentence(($motion?->named() ?? $this->motion).' is at '.($motion?->place($this->place)?->named() ?? $this->place));
    }

    public function holds(Senses $senses): bool
    {
        return $senses->placeOf($this->motion) === $this->place;
    }

    public function asked(Asking $of): string
    {
        return $of->place($this->motion, $this->place);
    }

    public function refersTo(): array
    {
        return ['motion' => ['motion', $this->motion], 'place' => ['place', $this->place]];
    }
}
