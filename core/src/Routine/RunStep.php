<?php

declare(strict_types=1);

namespace Brookstone\Core\Routine;

use Brookstone\Core\Condition\Condition;
use Brookstone\Core\Condition\Conditions;
use Brookstone\Core\Condition\InputIs;
use Brookstone\Core\Finding\Sentence;
use Brookstone\Core\Parts\Inventory;
use Brookstone\Core\Parts\LimitSwitch;
use Brookstone\Core\Quantity\Quantity;
use Brookstone\Core\Shape\ChoiceShape;
use Brookstone\Core\Shape\Field;
use Brookstone\Core\Shape\NumberShape;
use Brookstone\Core\Shape\RecordShape;
use Brookstone\Core\Shape\TextShape;

/** Runs a motion in a direction until something happens or a time is over. It does not stop the motor: that is a step of its own. */
final readonly class RunStep implements Moves
{
    use LastsUntil;
    use MovesAtSpeed;

    public function __construct(
        public string $motion,
        public int $direction,
        public float $speed,
        public ?Condition $until,
        public ?float $for_s,
        public ?float $give_up_s,
    ) {
    }

    public static function shape(): RecordShape
    {
        return new RecordShape([
            'motion' => Field::needed(TextShape::id()),
            'direction' => Field::needed(ChoiceShape::of('up', 'down'), 'Towards larger or smaller positions.'),
            'speed' => Field::or(1.0, NumberShape::between(0.01, 1.0), 'Share of its usual speed.'),
            'until' => Field::or(null, Conditions::orNull(), 'What ends it; or a time.'),
            'for_s' => Field::or(null, NumberShape::positive(GiveUp::DAY_S)->orNull(), 'Time that ends it.'),
            'give_up_s' => GiveUp::field(),
        ], 'RunStep');
    }

    public static function make(array $read): self
    {
        return new self(
            $read['motion'], $read['direction'] === 'up' ? 1 : -1, $read['speed'],
            Conditions::maybe($read['until']), $read['for_s'], $read['give_up_s'],
        );
    }

    public function refersTo(): array
    {
        return ['motion' => ['motion', $this->motion]];
    }

    private function ontoSwitch(Inventory $build): ?LimitSwitch
    {
        return $this->until instanceof InputIs && $this->until->on ? $build->motions[$this->motion]->stops->switch($this->until->sensor) : null;
    }

    public function effect(Inventory $build): Effect
    {
        $onto = $this->ontoSwitch($build);

        return new Effect(new Movement($this->motion, $this->speed, $onto?->place, $onto, way: $this->direction, seeks: $onto !== null, staysOn: true),
            until: $this->until, for_s: $this->for_s, giveUp_s: $this->give_up_s);
    }

    public function problems(): array
    {
        return GiveUp::timeProblem($this->until !== null, $this->for_s !== null);
    }

    public function says(Inventory $build): Sentence
    {
        $values = [];
        $text = "Run {$build->motions[$this->motion]->named()} {$build->motions[$this->motion]->way($this->direction)}";
        if ($this->speed < 1.0) {
            $text .= ' at {speed} speed';
            $values['speed'] = Quantity::share($this->speed);
        }

        return $this->lasting($build, $text, $values);
    }

    public function writes(Script $script): void
    {
        $switch = $this->ontoSwitch($script->build());
        $script->pushes($this, $this->direction);
        if ($switch !== null && $script->build()->motions[$this->motion]->period() !== null) {
            $script->waits(new InputIs($switch->id, false), null, $this->give_up_s);
        }
        $script->waits($this->until, $this->for_s, $this->give_up_s, goesOn: true);
        $script->comes($this->motion, $switch?->place);
    }

    public function run(Controller $controller): \Generator
    {
        $axis = $controller->axis($this->motion);
        $since = $controller->now();
        $axis->push($this->direction, $this->speed);
        $switch = $this->ontoSwitch($controller->build());
        while ($switch !== null && $axis->motion()->period() !== null && $controller->isOn($switch->id)) {
            $controller->failAfter($since, $this->give_up_s, $this->motion, "did not get off {$switch->name}");
            yield GiveUp::by($since, $this->give_up_s); // it stands there from the last time: what is meant is its next coming
        }
        $by = $this->until === null || Conditions::hangsOnEvents($this->until) ? GiveUp::by($since, $this->for_s, $this->give_up_s) : null;
        while (! ($this->for_s !== null && $controller->now() - $since >= $this->for_s - 1e-9)
            && ! ($this->until !== null && $this->until->holds($controller->senses()))) {
            $controller->failAfter($since, $this->give_up_s, $this->motion, 'timed out');
            yield $by;
        }
        $switch === null ? $axis->isAt(null) : $axis->isFoundAt($switch->place);
    }
}
