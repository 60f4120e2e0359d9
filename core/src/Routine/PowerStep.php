<?php

declare(strict_types=1);

namespace Brookstone\Core\Routine;

use Brookstone\Core\Finding\Sentence;
use Brookstone\Core\Parts\Inventory;
use Brookstone\Core\Parts\Motion;
use Brookstone\Core\Quantity\Quantity;
use Brookstone\Core\Shape\ChoiceShape;
use Brookstone\Core\Shape\Field;
use Brookstone\Core\Shape\NumberShape;
use Brookstone\Core\Shape\RecordShape;
use Brookstone\Core\Shape\TextShape;

/** Switches the power of a motion, or of all that hang on a supply, and waits for it to settle. */
final readonly class PowerStep implements Step
{
    use Plain;

    public function __construct(public ?string $motion, public ?string $supply, public bool $on, public float $settle_s)
    {
    }

    public static function shape(): RecordShape
    {
        return new RecordShape([
            'motion' => Field::or(null, TextShape::id()->orNull(), 'One motion; or a supply.'),
            'supply' => Field::or(null, TextShape::id()->orNull(), 'All motions on it.'),
            'state' => Field::or('on', ChoiceShape::of('on', 'off')),
            'settle_s' => Field::or(0.3, NumberShape::between(0.0, 60.0), 'Time to settle.'),
        ], 'PowerStep');
    }

    public static function make(array $read): self
    {
        return new self($read['motion'], $read['supply'], $read['state'] === 'on', $read['settle_s']);
    }

    public function motion(): ?string
    {
        return null; // it moves nothing
    }

    public function refersTo(): array
    {
        return [...($this->motion === null ? [] : ['motion' => ['motion', $this->motion]]),
            ...($this->supply === null ? [] : ['supply' => ['supply', $this->supply]])];
    }

    public function effect(Inventory $build): Effect
    {
        $motions = array_filter($build->motions, fn (Motion $motion): bool => $motion->id === $this->motion
            || ($this->supply !== null && $motion->drive?->supply->id === $this->supply));

        return new Effect(power: new PowerChange(array_map(strval(...), array_keys($motions)), $this->on), for_s: $this->settle_s);
    }

    public function problems(): array
    {
        return ($this->motion === null) !== ($this->supply === null) ? []
            : ['motion' => 'Needs either a motion or a supply, not '.($this->motion === null ? 'neither' : 'both').'.'];
    }

    public function says(Inventory $build): Sentence
    {
        $name = $this->motion !== null ? $build->motions[$this->motion]->named() : (($build->supplies[$this->supply ?? ''] ?? null)?->named() ?? 'the supply');

        return new Sentence('Switch the power of '.$name.($this->on ? ' on' : ' off').' and wait {settle}.', ['settle' => Quantity::of($this->settle_s, 's')]);
    }

    public function writes(Script $script): void
    {
        $script->powers($this->effect($script->build())->power->motions ?? [], $this->on);
        $script->waits(null, $this->settle_s, null);
    }

    public function run(Controller $controller): \Generator
    {
        $controller->power($this->motion, $this->supply, $this->on);
        $since = $controller->now();
        while ($controller->now() - $since < $this->settle_s - 1e-9) {
            yield $since + $this->settle_s;
        }
    }
}
