<?php

declare(strict_types=1);

namespace Brookstone\Core\Routine;

use Brookstone\Core\Finding\Sentence;
use Brookstone\Core\Parts\Inventory;
use Brookstone\Core\Quantity\Quantity;
use Brookstone\Core\Shape\Field;
use Brookstone\Core\Shape\NumberShape;
use Brookstone\Core\Shape\RecordShape;
use Brookstone\Core\Shape\TextShape;

/** Lets go what a latch holds: its other motion goes to where it lets go, or its output is on for a time. What was held is not waited for. */
final readonly class ReleaseStep implements Step
{
    use HasNoProblems;
    use Plain;

    /** @param  string|null  $by  the motion that lets the latch go; null where an output does */
    public function __construct(public string $motion, public ?string $by, public float $for_s, public ?float $give_up_s)
    {
    }

    public static function shape(): RecordShape
    {
        return new RecordShape([
            'motion' => Field::needed(TextShape::id(), 'What its latch holds.'),
            'by' => Field::or(null, TextShape::id()->orNull(), 'The motion that lets the latch go; left out where an output does.'),
            'for_s' => Field::or(0.3, NumberShape::between(0.01, 60.0), 'So long the output is on.'),
            'give_up_s' => GiveUp::field(),
        ], 'ReleaseStep');
    }

    public static function make(array $read): self
    {
        return new self($read['motion'], $read['by'], $read['for_s'], $read['give_up_s']);
    }

    public function motion(): ?string
    {
        return $this->by;
    }

    public function refersTo(): array
    {
        return [...($this->by === null ? [] : ['by' => ['motion', $this->by]]), 'motion' => ['held', $this->motion]];
    }

    public function effect(Inventory $build): Effect
    {
        return $this->does($build)->effect($build);
    }

    public function says(Inventory $build): Sentence
    {
        $held = $build->motions[$this->motion];
        if ($this->by === null) {
            $output = ($build->outputs[$held->latch->output ?? ''] ?? null)?->named() ?? 'an output';

            return new Sentence("Let {$held->named()} go: switch {$output} on for {time}.", ['time' => Quantity::of($this->for_s, 's')]);
        }
        $by = $build->motions[$this->by];

        return GiveUp::add("Let {$held->named()} go: take {$by->named()} to {$by->place($held->latch->lets_go ?? '')?->named()}", [], $this->give_up_s);
    }

    public function writes(Script $script): void
    {
        $this->does($script->build())->writes($script);
    }

    public function run(Controller $controller): \Generator
    {
        yield from $this->does($controller->build())->run($controller);
    }

    /** The same as a step that moves, or switches. */
    private function does(Inventory $build): Step
    {
        $latch = $build->motions[$this->motion]->latch;

        return $this->by === null ? new SignalStep($latch->output ?? '', true, $this->for_s)
            : new GoStep($this->by, $latch->lets_go ?? '', 1.0, $this->give_up_s);
    }
}
