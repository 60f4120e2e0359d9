<?php

declare(strict_types=1);

namespace Brookstone\Core\Routine;

use Brookstone\Core\Condition\AnyOf;
use Brookstone\Core\Condition\Condition;
use Brookstone\Core\Condition\Conditions;
use Brookstone\Core\Condition\InputIs;
use Brookstone\Core\Finding\Sentence;
use Brookstone\Core\Parts\Inventory;
use Brookstone\Core\Shape\Field;
use Brookstone\Core\Shape\RecordShape;

/** The controller sleeps: everything that runs stands still, nothing starts, and it takes hardly any current, until a sensor or switch wakes it. */
final readonly class SleepStep implements Step
{
    public function __construct(public Condition $until)
    {
    }

    public static function shape(): RecordShape
    {
        return new RecordShape(['until' => Field::needed(Conditions::shape(), 'A sensor or switch that wakes it, or one of several.')], 'SleepStep');
    }

    public static function make(array $read): self
    {
        return new self(Conditions::make($read['until']));
    }

    public function motion(): ?string
    {
        return null;
    }

    public function refersTo(): array
    {
        return [];
    }

    public function inner(): array
    {
        return [];
    }

    public function conditions(): array
    {
        return ['until' => $this->until];
    }

    /** @return list<string> sensors and switches that wake it */
    public function wakers(): array
    {
        return array_values(array_unique(array_map(fn (InputIs $input): string => $input->sensor,
            array_filter(Conditions::all($this->until), fn (Condition $part): bool => $part instanceof InputIs))));
    }

    public function effect(Inventory $build): Effect
    {
        return new Effect(until: $this->until, rests: true);
    }

    public function problems(): array
    {
        foreach (Conditions::all($this->until) as $part) {
            if (! $part instanceof AnyOf && ! ($part instanceof InputIs && $part->for_s === null)) {
                return ['until' => 'Only a sensor or switch that goes on or off wakes it, or one of several.'];
            }
        }

        return [];
    }

    public function says(Inventory $build): Sentence
    {
        $until = $this->until->says($build);

        return new Sentence("Sleep until {$until->template}.", $until->values);
    }

    public function writes(Script $script): void
    {
        $script->sleeps($this->until);
        $script->learns($this->until, true);
    }

    public function run(Controller $controller): \Generator
    {
        $controller->sleeps($this->until);
        while (! $this->until->holds($controller->senses())) {
            yield INF;
        }
        $controller->sleeps(null);
        $controller->learns($this->until, true);
    }
}
