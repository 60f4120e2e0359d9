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
 * Moves by an amount from where it is: a servo and a stepper by their command, an encoder by its pulses, and what knows nothing of
 * itself for the computed time. What keeps turning needs no place for that; anything else must know where it sets out.
 */
final readonly class GoByStep implements Moves
{
    use MovesAtSpeed;
    use Plain;

    private const MOST = 100_000.0;

    /** @param  float  $by  in the motion's own unit, towards larger positions if positive; not 0 */
    public function __construct(public string $motion, public float $by, public float $speed, public ?float $give_up_s)
    {
    }

    public static function shape(): RecordShape
    {
        return new RecordShape([
            'motion' => Field::needed(TextShape::id()),
            'by' => Field::needed(NumberShape::between(-self::MOST, self::MOST),
                'How far, in degrees or metres as the motion has it; below nothing towards smaller positions.'),
            'speed' => Field::or(1.0, NumberShape::between(0.01, 1.0), 'Share of its usual speed.'),
            'give_up_s' => GiveUp::field(),
        ], 'GoByStep');
    }

    public static function make(array $read): self
    {
        return new self($read['motion'], $read['by'], $read['speed'], $read['give_up_s']);
    }

    public function refersTo(): array
    {
        return ['motion' => ['motion', $this->motion]];
    }

    public function effect(Inventory $build): Effect
    {
        return new Effect(new Movement($this->motion, $this->speed, by: $this->by, way: $this->by <=> 0.0), giveUp_s: $this->give_up_s);
    }

    public function problems(): array
    {
        return $this->by !== 0.0 ? [] : ['by' => 'Must be more or less than 0: that is how far it moves.'];
    }

    public function says(Inventory $build): Sentence
    {
        $motion = $build->motions[$this->motion];
        $values = ['by' => $motion->unit()->quantity(abs($this->by))] + ($this->speed < 1.0 ? ['speed' => Quantity::share($this->speed)] : []);

        return GiveUp::add("Move {$motion->named()} {by} ".$motion->way($this->by > 0.0 ? 1 : -1).($this->speed < 1.0 ? ' at {speed} speed' : ''), $values,
            $this->give_up_s);
    }

    public function writes(Script $script): void
    {
        $script->goesBy($this, $this->by);
    }

    public function run(Controller $controller): \Generator
    {
        $axis = $controller->axis($this->motion);
        $from = $axis->believed() ?? ($axis->motion()->task->keeps_turning ? null : throw new StepFailed("{$axis->motion()->name} does not know where it is"));
        if ($this->by < 0.0 && $axis->motion()->isOneWay()) {
            throw new StepFailed("{$axis->motion()->name} cannot be turned back");
        }
        yield from $axis->canFollow() || ($axis->motion()->positioning->countsSteps() && $axis->motion()->task->keeps_turning)
            ? $controller->follow($axis, $axis->stands() + $this->by, $this, true)
            : ($axis->motion()->positioning->countsPulses()
                ? $controller->countPulses($axis, $this->by, $this)
                : $controller->goByTime($axis, $axis->motion()->task->keeps_turning ? $axis->motion()->at($axis->motion()->task->from) : (float) $from,
                    $this->by, $this));
        $axis->isAt($from === null ? null : $from + $this->by);
    }
}
