<?php

declare(strict_types=1);

namespace Brookstone\Core\Routine;

use Brookstone\Core\Finding\Sentence;
use Brookstone\Core\Parts\Inventory;
use Brookstone\Core\Shape\Field;
use Brookstone\Core\Shape\RecordShape;
use Brookstone\Core\Shape\TextShape;

/** A motion puts down what it carries, where it is then. */
final readonly class PutStep implements Step
{
    use HasNoProblems;
    use Plain;

    public function __construct(public string $with)
    {
    }

    public static function shape(): RecordShape
    {
        return new RecordShape(['with' => Field::needed(TextShape::id(), 'The motion that carries it.')], 'PutStep');
    }

    public static function make(array $read): self
    {
        return new self($read['with']);
    }

    public function motion(): ?string
    {
        return null;
    }

    public function refersTo(): array
    {
        return ['with' => ['motion', $this->with]];
    }

    public function effect(Inventory $build): Effect
    {
        return new Effect(takes: [$this->with, null]);
    }

    public function says(Inventory $build): Sentence
    {
        return new Sentence("{$build->motions[$this->with]->named()} puts down what it carries.");
    }

    public function writes(Script $script): void
    {
        $script->takes($this->with, null);
    }

    public function run(Controller $controller): \Generator
    {
        $controller->takes($this->with, null);

        yield from [];
    }
}
