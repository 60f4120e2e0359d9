<?php

declare(strict_types=1);

namespace Brookstone\Core\Routine;

use Brookstone\Core\Finding\Sentence;
use Brookstone\Core\Parts\Inventory;
use Brookstone\Core\Shape\ChoiceShape;
use Brookstone\Core\Shape\Field;
use Brookstone\Core\Shape\RecordShape;
use Brookstone\Core\Shape\TextShape;

/** Stops a motion: its motor shorted (brake), left open (coast), or a servo told to stay where it is (hold). */
final readonly class StopStep implements Step
{
    use HasNoProblems;
    use Plain;

    public function __construct(public string $motion, public string $how)
    {
    }

    public static function shape(): RecordShape
    {
        return new RecordShape([
            'motion' => Field::needed(TextShape::id()),
            'how' => Field::or('brake', ChoiceShape::of('brake', 'coast', 'hold')),
        ], 'StopStep');
    }

    public static function make(array $read): self
    {
        return new self($read['motion'], $read['how']);
    }

    public function motion(): string
    {
        return $this->motion;
    }

    public function refersTo(): array
    {
        return ['motion' => ['motion', $this->motion]];
    }

    public function effect(Inventory $build): Effect
    {
        return new Effect(halt: new Halt($this->motion, $this->how));
    }

    public function says(Inventory $build): Sentence
    {
        $name = $build->motions[$this->motion]->named();

        return new Sentence(match ($this->how) {
            'brake' => "Brake {$name}.",
            'coast' => "Let {$name} run out.",
            default => "Hold {$name} where it is, powered.",
        });
    }

    public function writes(Script $script): void
    {
        $script->halts($this->motion, $this->how);
    }

    public function run(Controller $controller): \Generator
    {
        yield from $controller->halt($controller->axis($this->motion), $this->how);
    }
}
