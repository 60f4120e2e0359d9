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

/** Drives a motion gently onto one of its switches; from then on its place is known. */
final readonly class HomeStep implements Moves
{
    use HasNoProblems;
    use MovesAtSpeed;
    use Plain;

    public function __construct(public string $motion, public string $switch, public float $speed, public ?float $give_up_s)
    {
    }

    public static function shape(): RecordShape
    {
        return new RecordShape([
            'motion' => Field::needed(TextShape::id()),
            'switch' => Field::needed(TextShape::id(), 'The switch it drives onto.'),
            'speed' => Field::or(0.5, NumberShape::between(0.01, 1.0), 'Share of its usual speed.'),
            'give_up_s' => GiveUp::field(),
        ], 'HomeStep');
    }

    public static function make(array $read): self
    {
        return new self($read['motion'], $read['switch'], $read['speed'], $read['give_up_s']);
    }

    public function refersTo(): array
    {
        return ['motion' => ['motion', $this->motion], 'switch' => ['switch', $this->switch]];
    }

    public function effect(Inventory $build): Effect
    {
        $onto = $build->motions[$this->motion]->stops->switch($this->switch);

        return new Effect(new Movement($this->motion, $this->speed, $onto?->place, $onto, way: $onto?->direction(), seeks: true), giveUp_s: $this->give_up_s);
    }

    public function says(Inventory $build): Sentence
    {
        return GiveUp::add(
            "Home {$build->motions[$this->motion]->named()} at {speed} speed onto {$build->switch($this->switch)?->named()}",
            ['speed' => Quantity::share($this->speed)], $this->give_up_s,
        );
    }

    public function writes(Script $script): void
    {
        $script->ontoSwitch($this, $script->build()->motions[$this->motion]->stops->switch($this->switch));
    }

    public function run(Controller $controller): \Generator
    {
        $axis = $controller->axis($this->motion);
        $switch = $controller->switch($this->switch);
        yield from $controller->ontoSwitch($axis, $switch, $this, "did not find {$switch->name}");
    }
}
