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

/** Two motions on one motor behind a selector: from now on it moves this one. */
final readonly class ChangeOverStep implements Step
{
    use HasNoProblems;
    use Plain;

    private const LONGEST_S = 10.0; // until a servo must have moved the selector

    public function __construct(public string $motion, public float $takes_s)
    {
    }

    public static function shape(): RecordShape
    {
        return new RecordShape([
            'motion' => Field::needed(TextShape::id(), 'The one that the shared motor moves from now on.'),
            'takes_s' => Field::or(0.5, NumberShape::between(0.0, 60.0), 'Until the selector has changed over.'),
        ], 'ChangeOverStep');
    }

    public static function make(array $read): self
    {
        return new self($read['motion'], $read['takes_s']);
    }

    public function motion(): string
    {
        return $this->motion;
    }

    public function refersTo(): array
    {
        return ['motion' => ['motion', $this->motion]];
    }

    public function effect(Inventory $build): Effect
    {
        return new Effect(couples: $this->motion, for_s: $this->takes_s, rests: true);
    }

    public function says(Inventory $build): Sentence
    {
        return new Sentence("Change the motor over to {$build->motions[$this->motion]->named()}; it takes {time}.",
            ['time' => Quantity::of($this->takes_s, 's')]);
    }

    public function writes(Script $script): void
    {
        $script->changesOver($this->motion, $this->takes_s);
    }

    public function run(Controller $controller): \Generator
    {
        $axis = $controller->axis($this->motion);
        $axis->beginChange();
        $since = $controller->now();
        while ($controller->now() - $since < $this->takes_s - 1e-9 || ! $axis->isChanged()) {
            $controller->failAfter($since, max($this->takes_s, self::LONGEST_S), $this->motion, 'was not changed over: its selector does not get there');
            yield;
        }
        $axis->endChange();
    }
}
