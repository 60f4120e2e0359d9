<?php

declare(strict_types=1);

namespace Brookstone\Core\Routine;

use Brookstone\Core\Build\Build;
use Brookstone\Core\Finding\Sentence;
use Brookstone\Core\Quantity\Quantity;
use Brookstone\Core\Shape\Field;
use Brookstone\Core\Shape\NumberShape;
use Brookstone\Core\Shape\RecordShape;
use Brookstone\Core\Shape\TextShape;
use Brookstone\Core\Simulation\Controller;
use Brookstone\Core\Simulation\StepFailed;

/**
 * Goes to a named place by whatever way the motion knows where it is: a servo by its own feedback, onto the switch of the
 * place where it has one, and otherwise by the computed time from the place where it is.
 */
final readonly class GoStep implements Step
{
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
            'give_up_s' => Field::or(null, NumberShape::positive(3600.0)->orNull(), 'When to give up.'),
        ], 'GoStep');
    }

    public static function make(array $read): self
    {
        return new self($read['motion'], $read['place'], $read['speed'], $read['give_up_s']);
    }

    public function motion(): string
    {
        return $this->motion;
    }

    public function refersTo(): array
    {
        return ['motion' => ['motion', $this->motion], 'place' => ['place', $this->place]];
    }

    public function says(Build $build): Sentence
    {
        $motion = $build->motions[$this->motion];
        $values = $this->speed < 1.0 ? ['speed' => Quantity::share($this->speed)] : [];

        return GiveUp::add("Take {$motion->name} to {$motion->place($this->place)?->name}".($values === [] ? '' : ' at {speed} speed'), $values, $this->give_up_s);
    }

    public function run(Controller $controller): \Generator
    {
        $axis = $controller->axis($this->motion);
        $motion = $axis->motion;
        $switch = $motion->stops->switchAt($this->place);
        $since = $controller->now();
        if ($axis->canFollow()) {
            $axis->follow($motion->at($this->place), $this->speed);
            while (! $axis->hasArrived()) {
                $controller->failAfter($since, $this->give_up_s, $this->motion, 'did not get to its place');
                yield;
            }
            $axis->isAt($this->place);
        } elseif ($switch !== null) {
            $axis->push($switch->direction(), $this->speed);
            while (! $controller->isOn($switch->id)) {
                $controller->failAfter($since, $this->give_up_s, $this->motion, "did not reach {$switch->name}");
                yield;
            }
            yield from $controller->halt($axis);
            $axis->isAt($this->place);
        } else {
            yield from $this->byTime($controller, $since);
        }
    }

    /** @return \Generator<int, null, null, void> */
    private function byTime(Controller $controller, float $since): \Generator
    {
        $axis = $controller->axis($this->motion);
        $from = $axis->knownPlace() ?? throw new StepFailed("{$axis->motion->name} does not know where it is");
        if ($from === $this->place) {
            return;
        }
        $time = $controller->computedTime($axis->motion, $from, $this->place, $this->speed)
            ?? throw new StepFailed("{$axis->motion->name} cannot get there: its drive is too weak");
        $axis->push($axis->motion->at($this->place) <=> $axis->motion->at($from), $this->speed);
        while ($controller->now() - $since < $time) {
            $controller->failAfter($since, $this->give_up_s, $this->motion, 'was given less time than its move takes');
            yield;
        }
        yield from $controller->halt($axis);
        $axis->isAt($this->place);
    }
}
