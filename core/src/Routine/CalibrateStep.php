<?php

declare(strict_types=1);

namespace Brookstone\Core\Routine;

use Brookstone\Core\Condition\Condition;
use Brookstone\Core\Condition\InputIs;
use Brookstone\Core\Finding\Sentence;
use Brookstone\Core\Parts\Inventory;
use Brookstone\Core\Quantity\Quantity;
use Brookstone\Core\Shape\Field;
use Brookstone\Core\Shape\NumberShape;
use Brookstone\Core\Shape\RecordShape;
use Brookstone\Core\Shape\TextShape;

/**
 * Sets the threshold of a sensor that measures: between what it reads without the thing and with it, each told by a press of a button, or between the least and
 * the most that it reads in a time. Gives up when they lie too near. It holds until the power goes.
 */
final readonly class CalibrateStep implements Step
{
    public const READINGS = 10; // each the mean of so many

    /** Of what lies between: so far from the middle it is on, and off. */
    public const AWAY = 0.25;

    /**
     * @param  string|null  $button  pressed once without the thing and once with it; null looks by itself
     * @param  float  $for_s  so long, where it looks by itself
     * @param  float  $gap  least that must lie between, in its own readings
     */
    public function __construct(public string $sensor, public ?string $button, public float $for_s, public float $gap, public ?float $give_up_s)
    {
    }

    public static function shape(): RecordShape
    {
        return new RecordShape([
            'sensor' => Field::needed(TextShape::id(), 'One that measures, and has a threshold.'),
            'button' => Field::or(null, TextShape::id()->orNull(), 'Pressed once without the thing and once with it; empty: it looks by itself.'),
            'for_s' => Field::or(5.0, NumberShape::positive(3600.0), 'How long it looks by itself.'),
            'gap' => Field::or(10.0, NumberShape::positive(1e6), 'So much must lie between, in its own readings.'),
            'give_up_s' => GiveUp::field('When to give up waiting for a press.'),
        ], 'CalibrateStep');
    }

    public static function make(array $read): self
    {
        return new self(...array_diff_key($read, ['do' => true]));
    }

    public function motion(): ?string
    {
        return null;
    }

    public function inner(): array
    {
        return [];
    }

    /** @return array<string, Condition> */
    public function conditions(): array
    {
        return $this->button === null ? [] : ['button' => new InputIs($this->button, true)];
    }

    public function refersTo(): array
    {
        return ['sensor' => ['analog', $this->sensor]] + ($this->button === null ? [] : ['button' => ['sensor', $this->button]]);
    }

    public function effect(Inventory $build): Effect
    {
        $shows = [$this->sensor, $this->button, $this->gap];

        return $this->button === null ? new Effect(for_s: $this->for_s, giveUp_s: $this->for_s + 1.0, rests: true, shows: $shows)
            : new Effect(until: new InputIs($this->button, true), giveUp_s: $this->give_up_s, rests: true, shows: $shows);
    }

    public function problems(): array
    {
        return $this->button === $this->sensor ? ['button' => 'Must be another than the sensor that is set.'] : [];
    }

    public function says(Inventory $build): Sentence
    {
        $name = fn (string $id): string => ($build->sensors[$id] ?? null)?->named() ?? $id;
        $gap = ['gap' => Quantity::number($this->gap)];

        return $this->button === null
            ? new Sentence("Set the threshold of {$name($this->sensor)} between the least and the most that it reads in {time}, {gap} apart or more.",
                ['time' => Quantity::of($this->for_s, 's')] + $gap)
            : GiveUp::add("Set the threshold of {$name($this->sensor)}: press {$name($this->button)} once without the thing and once with it, {gap} apart or more", $gap,
                $this->give_up_s);
    }

    public function writes(Script $script): void
    {
        $script->calibrates($this);
    }

    public function run(Controller $controller): \Generator
    {
        if ($this->button === null) {
            [$one, $other] = yield from $this->looks($controller);
        } else {
            $one = yield from $this->pressed($controller, $this->button);
            $other = yield from $this->pressed($controller, $this->button);
        }
        $apart = abs($other - $one);
        if ($apart < $this->gap) {
            $name = $controller->build()->sensors[$this->sensor]->name;
            throw new StepFailed(sprintf('%s reads %s and %s, which is too near', $name, round(min($one, $other), 3), round(max($one, $other), 3)));
        }
        $middle = ($one + $other) / 2;
        $controller->sets($this->sensor, $middle - self::AWAY * $apart, $middle + self::AWAY * $apart);
    }

    /** @return \Generator<int, float|null, null, array{float, float}> the least and the most */
    private function looks(Controller $controller): \Generator
    {
        $since = $controller->now();
        $least = $most = $controller->senses()->level($this->sensor);
        while ($controller->now() - $since < $this->for_s - 1e-9) {
            yield;
            $level = $controller->senses()->level($this->sensor);
            [$least, $most] = [min($least, $level), max($most, $level)];
        }

        return [$least, $most];
    }

    /** @return \Generator<int, float|null, null, float> the mean, once the button is let go and pressed */
    private function pressed(Controller $controller, string $button): \Generator
    {
        $since = $controller->now();
        foreach ([false, true] as $on) {
            while ($controller->isOn($button) !== $on) {
                $controller->failAfter($since, $this->give_up_s, null, 'timed out waiting for a press');
                yield;
            }
        }
        $sum = 0.0;
        for ($i = 0; $i < self::READINGS; $i++) {
            $sum += $controller->senses()->level($this->sensor);
            yield;
        }

        return $sum / self::READINGS;
    }
}
