<?php

declare(strict_types=1);

namespace Brookstone\Core\Routine;

use Brookstone\Core\Finding\Sentence;
use Brookstone\Core\Parts\Inventory;
use Brookstone\Core\Shape\Field;
use Brookstone\Core\Shape\RecordShape;
use Brookstone\Core\Shape\TextShape;

/** Does the steps of another routine, then goes on. */
final readonly class CallStep implements Step
{
    use HasNoProblems;
    use Plain;

    public function __construct(public string $routine)
    {
    }

    public static function shape(): RecordShape
    {
        return new RecordShape(['routine' => Field::needed(TextShape::id(), 'Whose steps are done.')], 'CallStep');
    }

    public static function make(array $read): self
    {
        return new self($read['routine']);
    }

    public function motion(): ?string
    {
        return null;
    }

    public function refersTo(): array
    {
        return ['routine' => ['routine', $this->routine]];
    }

    public function effect(Inventory $build): Effect
    {
        return new Effect(calls: $this->routine);
    }

    public function says(Inventory $build): Sentence
    {
        return new Sentence('Do '.$build->routineNamed($this->routine).'.');
    }

    public function writes(Script $script): void
    {
        $script->calls($this->routine);
    }

    public function run(Controller $controller): \Generator
    {
        yield from $controller->call($this->routine);
    }
}
