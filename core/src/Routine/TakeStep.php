<?php

declare(strict_types=1);

namespace Brookstone\Core\Routine;

use Brookstone\Core\Finding\Sentence;
use Brookstone\Core\Parts\Inventory;
use Brookstone\Core\Shape\Field;
use Brookstone\Core\Shape\RecordShape;
use Brookstone\Core\Shape\TextShape;

/** A motion takes a thing up that it has come to: from then on it rides along. What closes the grab is a step of its own. */
final readonly class TakeStep implements Step
{
    use HasNoProblems;
    use Plain;

    public function __construct(public string $with, public string $thing)
    {
    }

    public static function shape(): RecordShape
    {
        return new RecordShape([
            'with' => Field::needed(TextShape::id(), 'The motion that takes it.'),
            'thing' => Field::needed(TextShape::id(), 'What it takes: a thing that is carried.'),
        ], 'TakeStep');
    }

    public static function make(array $read): self
    {
        return new self($read['with'], $read['thing']);
    }

    public function motion(): ?string
    {
        return null;
    }

    public function refersTo(): array
    {
        return ['with' => ['motion', $this->with], 'thing' => ['thing', $this->thing]];
    }

    public function effect(Inventory $build): Effect
    {
        return new Effect(takes: [$this->with, $this->thing]);
    }

    public function says(Inventory $build): Sentence
    {
        return new Sentence("{$build->motions[$this->with]->named()} takes up {$build->thingNamed($this->thing)}.");
    }

    public function writes(Script $script): void
    {
        $script->takes($this->with, $this->thing);
    }

    public function run(Controller $controller): \Generator
    {
        $controller->takes($this->with, $this->thing);

        yield from [];
    }
}
