<?php

declare(strict_types=1);

namespace Brookstone\Core\Routine;

use Brookstone\Core\Finding\Sentence;
use Brookstone\Core\Parts\Inventory;
use Brookstone\Core\Shape\Field;
use Brookstone\Core\Shape\RecordShape;
use Brookstone\Core\Shape\TextShape;

/** Stops here with a message: the routine has failed. */
final readonly class FaultStep implements Step
{
    use HasNoProblems;
    use Plain;

    public function __construct(public string $message)
    {
    }

    public static function shape(): RecordShape
    {
        return new RecordShape(['message' => Field::or('it stops here', new TextShape(1, 120), 'What is said.')], 'FaultStep');
    }

    public static function make(array $read): self
    {
        return new self($read['message']);
    }

    public function motion(): ?string
    {
        return null;
    }

    public function refersTo(): array
    {
        return [];
    }

    public function effect(Inventory $build): Effect
    {
        return new Effect(fails: true);
    }

    public function says(Inventory $build): Sentence
    {
        return new Sentence('Stop with the fault “'.Sentence::quote($this->message).'”.');
    }

    public function writes(Script $script): void
    {
        $script->fails();
    }

    public function run(Controller $controller): \Generator
    {
        yield from $controller->fail($this->message);
    }
}
