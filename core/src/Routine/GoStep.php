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

/**
 * Goes to a named place by whatever way the motion knows where it is: a servo by its own feedback, a stepper by its steps, onto
 * the switch of the place where it has one, by the pulses of an encoder, and otherwise by the computed time from where it is.
 */
final readonly class GoStep implements Moves
{
    use HasNoProblems;
    use MovesAtSpeed;
    use Plain;

    public function __construct(public string $motion, public string $place, public float $speed, public ?float $give_up_s)
    {
    }

    public static function shape(): RecordShape
    {
        return new RecordShape([
            'motion' => Field::needed(TextShape::id()),
            'place' => Field::needed(TextShape::id(), 'Where it goes.'),
            'speed' => Field::or(1.0, NumberShape::between(0.01, 1.0), 'Share of its usual speed.'),
            'give_up_s' => GiveUp::field(),
        ], 'GoStep');
    }

    public static function make(array $read): self
    {
        return new self($read['motion'], $read['place'], $read['speed'], $read['give_up_s']);
    }

    public function refersTo(): array
    {
        return ['motion' => ['motion', $this->motion], 'place' => ['place', $this->place]];
    }

    public function effect(Inventory $build): Effect
    {
        $motion = $build->motions[$this->motion];
        $onto = $motion->positioning->switchEnding($this->place);

        return new Effect(
            new Movement($this->motion, $this->speed, $this->place, $onto, way: $onto?->direction(), seeks: $onto !== null
                && ($onto->isOwn || $motion->period() !== null)),
            giveUp_s: $this->give_up_s,
        );
    }

    public function says(Inventory $build): Sentence
    {
        $motion = $build->motions[$this->motion];
        $values = $this->speed < 1.0 ? ['speed' => Quantity::share($this->speed)] : [];

        return GiveUp::add("Take {$motion->named()} to {$motion->place($this->place)?->named()}".($values === [] ? '' : ' at {speed} speed'), $values,
            $this->give_up_s);
    }

    public function writes(Script $script): void
    {
        $script->goesTo($this, $this->place);
    }

    public function run(Controller $controller): \Generator
    {
        $axis = $controller->axis($this->motion);
        $to = $axis->motion()->at($this->place);
        $switch = $axis->motion()->positioning->switchEnding($this->place);
        if ($axis->canFollow()) {
            yield from $controller->follow($axis, $to, $this);
        } elseif ($switch !== null) {
            yield from $controller->ontoSwitch($axis, $switch, $this, "did not reach {$switch->name}");

            return;
        } else {
            $from = $axis->believed() ?? throw new StepFailed("{$axis->motion()->name} does not know where it is");
            $by = $axis->motion()->distance($from, $to);
            yield from $axis->countsPulses() ? $controller->countPulses($axis, $by, $this) : $controller->goByTime($axis, $from, $by, $this);
        }
        $axis->isAt($to);
    }
}
