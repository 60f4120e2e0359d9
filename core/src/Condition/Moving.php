<?php

declare(strict_types=1);

namespace Brookstone\Core\Condition;

use Brookstone\Core\Finding\Sentence;
use Brookstone\Core\Parts\Inventory;
use Brookstone\Core\Shape\Field;
use Brookstone\Core\Shape\RecordShape;
use Brookstone\Core\Shape\TextShape;

/** A motion is being moved. */
final readonly class Moving implements Condition
{
    use Atom;

    public function __construct(public string $motion)
    {
    }

    public static function shape(): RecordShape
    {
        return new RecordShape(['motion' => Field::needed(TextShape::id())], 'Moving');
    }

    public static function make(array $read): self
    {
        return new self($read['motion']);
    }

    public function says(Inventory $build): Sentence
    {
        return new Sentence((($build->motions[$this->motion] ?? null)?->named() ?? $this->motion).' moves');
    }

    public function holds(Senses $senses): bool
    {
        return $senses->isMoving($this->motion);
    }

    public function asked(Asking $of): string
    {
        return $of->moving($this->motion);
    }

    public function refersTo(): array
    {
        return ['motion' => ['motion', $this->motion]];
    }
}
