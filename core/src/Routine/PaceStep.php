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

/** Goes to a named place as fast as a knob says, which may be turned on the way. */
final readonly class PaceStep implements Moves
{
    use MovesAtSpeed;
    use Plain;

    /**
     * @param  float  $low  reading of the knob at one end, and $high at the other
     * @param  float  $slowest  share of its usual speed at the low end, and $speed at the high one
     */
    public function __construct(public string $motion, public string $place, public string $sensor, public float $low, public float $high,
        public float $slowest,
        public float $speed, public ?float $give_up_s)
    {
    }

    public static function shape(): RecordShape
    {
        $share = NumberShape::between(0.0001, 1.0);

        return new RecordShape([
            'motion' => Field::needed(TextShape::id()),
            'place' => Field::needed(TextShape::id(), 'Where it goes.'),
            'sensor' => Field::needed(TextShape::id(), 'The knob, or anything else that measures.'),
            ...Stick::fields(),
            'slowest' => Field::or(0.1, $share, 'Share of its usual speed at the low end.'),
            'speed' => Field::or(1.0, $share, 'And at the high end.'),
            'give_up_s' => GiveUp::field(),
        ], 'PaceStep');
    }

    public static function make(array $read): self
    {
        return new self(...array_diff_key($read, ['do' => true]));
    }

    public function refersTo(): array
    {
        return ['motion' => ['motion', $this->motion], 'place' => ['place', $this->place], 'sensor' => ['analog', $this->sensor]];
    }

    public function effect(Inventory $build): Effect
    {
        $onto = $build->motions[$this->motion]->positioning->switchEnding($this->place);

        return new Effect(new Movement($this->motion, $this->speed, $this->place, $onto, way: $onto?->direction(), seeks: $onto !== null
            && ($onto->isOwn || $build->motions[$this->motion]->period() !== null), slowest: $this->slowest), giveUp_s: $this->give_up_s);
    }

    public function problems(): array
    {
        return Stick::problem($this->low, $this->high) + ($this->slowest > $this->speed ? ['slowest' => 'Must be no faster than the fastest.'] : []);
    }

    public function says(Inventory $build): Sentence
    {
        $motion = $build->motions[$this->motion];
        $by = ($build->sensors[$this->sensor] ?? null)?->named() ?? $this->sensor;

        return GiveUp::add("Take {$motion->named()} to {$motion->place($this->place)?->named()} as fast as {$by} says, at {slowest} to {speed} speed",
            ['slowest' => Quantity::share($this->slowest), 'speed' => Quantity::share($this->speed)], $this->give_up_s);
    }

    public function writes(Script $script): void
    {
        $script->paces($this);
    }

    public function run(Controller $controller): \Generator
    {
        $axis = $controller->axis($this->motion);
        $to = $axis->motion()->at($this->place);
        $switch = $axis->motion()->positioning->switchEnding($this->place);
        $isSent = $axis->canFollow();
        if (! $isSent && $switch === null) {
            throw new StepFailed("{$axis->motion()->name} cannot tell when it is there");
        }
        $since = $controller->now();
        $told = $this->pace($controller, $axis);
        $this->tells($axis, $to, $switch?->direction() ?? 0, $told);
        while (! ($isSent ? $axis->hasArrived() : $switch !== null && $controller->isOn($switch->id))) {
            $controller->failAfter($since, $this->give_up_s, $this->motion, $isSent ? 'did not get to its place' : "did not reach {$switch?->name}");
            $pace = $this->pace($controller, $axis);
            if (abs($pace - $told) >= Stick::STEP - 1e-9) {
                $this->tells($axis, $to, $switch?->direction() ?? 0, $told = $pace);
            }
            yield;
        }
        if ($isSent) {
            $axis->isAt($to);
        } else {
            yield from $controller->halt($axis);
            $axis->isFoundAt($this->place);
        }
    }

    private function pace(Controller $controller, DrivenMotion $axis): float
    {
        return $this->slowest + ($this->speed - $this->slowest) * Stick::reads($controller, $axis, $this->sensor, $this->low, $this->high);
    }

    private function tells(DrivenMotion $axis, float $to, int $direction, float $speed): void
    {
        $axis->canFollow() ? $axis->follow($to, $speed) : $axis->push($direction, $speed);
    }
}
