<?php

declare(strict_types=1);

namespace Brookstone\Core\Condition;

use Brookstone\Core\Finding\Sentence;
use Brookstone\Core\Parts\Inventory;
use Brookstone\Core\Shape\Field;
use Brookstone\Core\Shape\RecordShape;
use Brookstone\Core\Shape\TextShape;

/** Another routine is running. */
final readonly class RoutineRuns implements Condition
{
    use Atom;

    public function __construct(public string $routine)
    {
    }

    public static function shape(): RecordShape
    {
        return new RecordShape(['routine' => Field::needed(TextShape::id())], 'RoutineRuns');
    }

    public static function make(array $read): self
    {
        return new self($read['routine']);
    }

    public function says(Inventory $build): Sentence
    {
        return new Sentence($build->routineNamed($this->routine).' runs');
    }

    public function holds(Senses $senses): bool
    {
        return $senses->isRunning($this->routine);
    }

    public function asked(Asking $of): string
    {
        return $of->runs($this->routine);
    }

    public function refersTo(): array
    {
        return ['routine' => ['routine', $this->routine]];
    }
}
