<?php

declare(strict_types=1);

namespace Brookstone\Core\Routine;

use Brookstone\Core\Condition\Condition;
use Brookstone\Core\Condition\Conditions;
use Brookstone\Core\Finding\Sentence;
use Brookstone\Core\Parts\Inventory;
use Brookstone\Core\Shape\Field;
use Brookstone\Core\Shape\NumberShape;
use Brookstone\Core\Shape\RecordShape;

/** Does its steps a number of times, until something is so (looked at before each round), or for ever. */
final readonly class RepeatStep implements Step
{
    use HasNoProblems;

    /** @param  list<Step>  $steps */
    public function __construct(public ?int $times, public array $steps, public ?Condition $until = null)
    {
    }

    public static function shape(): RecordShape
    {
        return new RecordShape([
            'times' => Field::or(null, NumberShape::whole(1, 100000)->orNull(), 'How often; null is for ever, or until something is so.'),
            'until' => Field::or(null, Conditions::orNull(), 'Looked at before each round: no more rounds once it is so.'),
            'steps' => Field::needed(Steps::shape(), 'What is repeated.'),
        ], 'RepeatStep');
    }

    public static function make(array $read): self
    {
        return new self($read['times'], Steps::make($read['steps']), Conditions::maybe($read['until']));
    }

    public function motion(): ?string
    {
        return null;
    }

    public function inner(): array
    {
        return ['steps' => $this->steps];
    }

    public function conditions(): array
    {
        return $this->until === null ? [] : ['until' => $this->until];
    }

    public function refersTo(): array
    {
        return [];
    }

    public function effect(Inventory $build): Effect
    {
        return new Effect(goesRound: $this->times === null);
    }

    public function says(Inventory $build): Sentence
    {
        $until = $this->until?->says($build);

        return new Sentence(match (true) {
            $until !== null && $this->times !== null => "Repeat {$this->times} times, or until {$until->template}:",
            $until !== null => "Repeat until {$until->template}:",
            default => $this->times === null ? 'Repeat for ever:' : "Repeat {$this->times} times:",
        }, $until->values ?? []);
    }

    public function writes(Script $script): void
    {
        $script->repeats($this->steps, $this->times, $this->until);
    }

    public function run(Controller $controller): \Generator
    {
        for ($i = 0; ($this->times === null || $i < $this->times) && ! ($this->until?->holds($controller->senses()) ?? false); $i++) {
            $before = $controller->now();
            yield from $controller->steps($this->steps);
            if ($controller->now() === $before) {
                yield; // a round that takes no time still takes one look of the controller
            }
        }
    }
}
