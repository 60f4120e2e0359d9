<?php

declare(strict_types=1);

namespace Brookstone\Core\Routine;

use Brookstone\Core\Finding\Sentence;
use Brookstone\Core\Parts\Inventory;
use Brookstone\Core\Shape\Field;
use Brookstone\Core\Shape\NumberShape;
use Brookstone\Core\Shape\RecordShape;
use Brookstone\Core\Shape\TextShape;

/** Sets a counter or a mark to a number, or adds to it. A mark is set with 1 and cleared with 0. */
final readonly class SetStep implements Step
{
    use Plain;

    public function __construct(public string $counter, public ?int $to, public ?int $add)
    {
    }

    public static function shape(): RecordShape
    {
        $number = NumberShape::whole(-1000000, 1000000)->orNull();

        return new RecordShape([
            'counter' => Field::needed(TextShape::id(), 'A counter or a mark.'),
            'to' => Field::or(null, $number, 'What it becomes; or what is added.'),
            'add' => Field::or(null, $number, 'What is added.'),
        ], 'SetStep');
    }

    public static function make(array $read): self
    {
        return new self($read['counter'], $read['to'], $read['add']);
    }

    public function motion(): ?string
    {
        return null;
    }

    public function refersTo(): array
    {
        return ['counter' => ['counter', $this->counter]];
    }

    public function effect(Inventory $build): Effect
    {
        return new Effect(counter: new CounterChange($this->counter, $this->to, $this->add ?? 0));
    }

    public function problems(): array
    {
        return ($this->to === null) !== ($this->add === null) ? []
            : ['to' => 'Needs either what it becomes or what is added, not '.($this->to === null ? 'neither' : 'both').'.'];
    }

    public function says(Inventory $build): Sentence
    {
        $counter = $build->counters[$this->counter] ?? null;
        $name = $counter?->named() ?? $this->counter;

        return new Sentence(match (true) {
            ($counter->isMark ?? false) && $this->to !== null => ($this->to === 0 ? 'Clear' : 'Set')." {$name}.",
            $this->to !== null => "Set {$name} to {$this->to}.",
            default => ($this->add ?? 0) < 0 ? 'Take '.-$this->add." off {$name}." : "Add {$this->add} to {$name}.",
        });
    }

    public function writes(Script $script): void
    {
        $script->counts($this->counter, $this->to, $this->add ?? 0);
    }

    public function run(Controller $controller): \Generator
    {
        $controller->set($this->counter, $this->to, $this->add);

        yield from [];
    }
}
