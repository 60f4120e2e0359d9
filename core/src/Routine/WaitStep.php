<?php

declare(strict_types=1);

namespace Brookstone\Core\Routine;

use Brookstone\Core\Condition\Condition;
use Brookstone\Core\Condition\Conditions;
use Brookstone\Core\Finding\Sentence;
use Brookstone\Core\Parts\Inventory;
use Brookstone\Core\Quantity\Quantity;
use Brookstone\Core\Shape\Field;
use Brookstone\Core\Shape\NumberShape;
use Brookstone\Core\Shape\RecordShape;

/** Waits for a time, or until something happens. */
final readonly class WaitStep implements Step
{
    public function __construct(public ?float $for_s, public ?Condition $until, public ?float $give_up_s)
    {
    }

    public static function shape(): RecordShape
    {
        return new RecordShape([
            'for_s' => Field::or(null, NumberShape::positive(86400.0)->orNull(), 'How long.'),
            'until' => Field::or(null, Conditions::orNull(), 'What ends it; or a time.'),
            'give_up_s' => GiveUp::field(),
        ], 'WaitStep');
    }

    public static function make(array $read): self
    {
        return new self($read['for_s'], Conditions::maybe($read['until']), $read['give_up_s']);
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
        return $this->until === null ? [] : ['until' => $this->until];
    }

    public function effect(Inventory $build): Effect
    {
        return new Effect(until: $this->until, for_s: $this->for_s, giveUp_s: $this->give_up_s, rests: true);
    }

    public function problems(): array
    {
        return GiveUp::timeProblem($this->until !== null, $this->for_s !== null);
    }

    public function says(Inventory $build): Sentence
    {
        if ($this->until === null) {
            return new Sentence('Wait {time}.', ['time' => Quantity::of($this->for_s ?? 0.0, 's')]);
        }
        $until = $this->until->says($build);

        return GiveUp::add("Wait until {$until->template}", $until->values, $this->give_up_s);
    }

    public function writes(Script $script): void
    {
        $script->waits($this->until, $this->until === null ? $this->for_s : null, $this->give_up_s);
        if ($this->until !== null) {
            $script->learns($this->until, true);
        }
    }

    public function run(Controller $controller): \Generator
    {
        $since = $controller->now();
        $by = $this->until === null || Conditions::hangsOnEvents($this->until) ? GiveUp::by($since, $this->until === null ? $this->for_s : null,
            $this->give_up_s) : null;
        while ($this->until === null ? $controller->now() - $since < $this->for_s - 1e-9 : ! $this->until->holds($controller->senses())) {
            $controller->failAfter($since, $this->give_up_s, null, 'timed out waiting');
            yield $by;
        }
        if ($this->until !== null) {
            $controller->learns($this->until, true);
        }
    }
}
