<?php

declare(strict_types=1);

namespace Brookstone\Core\Routine;

use Brookstone\Core\Build\Build;
use Brookstone\Core\Finding\Sentence;
use Brookstone\Core\Shape\Field;
use Brookstone\Core\Shape\NumberShape;
use Brookstone\Core\Shape\RecordShape;
use Brookstone\Core\Simulation\Controller;

/** Does its steps a number of times, or for ever. */
final readonly class RepeatStep implements Step
{
    /** @param  list<Step>  $steps */
    public function __construct(public ?int $times, public array $steps)
    {
    }

    public static function shape(): RecordShape
    {
        return new RecordShape([
            'times' => Field::or(null, NumberShape::whole(1, 100000)->orNull(), 'How often; null is for ever.'),
            'steps' => Field::needed(Steps::shape(), 'What is repeated.'),
        ], 'RepeatStep');
    }

    public static function make(array $read): self
    {
        return new self($read['times'], Steps::make($read['steps']));
    }

    public function motion(): ?string
    {
        return null;
    }

    public function refersTo(): array
    {
        return [];
    }

    public function says(Build $build): Sentence
    {
        return new Sentence($this->times === null ? 'Repeat for ever:' : "Repeat {$this->times} times:");
    }

    public function run(Controller $controller): \Generator
    {
        for ($i = 0; $this->times === null || $i < $this->times; $i++) {
            $before = $controller->now();
            yield from $controller->steps($this->steps);
            if ($controller->now() === $before) {
                yield; // a round that takes no time still takes one look of the controller
            }
        }
    }
}
