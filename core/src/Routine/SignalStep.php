<?php

declare(strict_types=1);

namespace Brookstone\Core\Routine;

use Brookstone\Core\Finding\Sentence;
use Brookstone\Core\Parts\Inventory;
use Brookstone\Core\Quantity\Quantity;
use Brookstone\Core\Shape\ChoiceShape;
use Brookstone\Core\Shape\Field;
use Brookstone\Core\Shape\NumberShape;
use Brookstone\Core\Shape\RecordShape;
use Brookstone\Core\Shape\TextShape;

/** Switches a lamp, a sound or a coil, for good or for a time; the routine goes on at once. Points stay thrown: their time is that of the coil. */
final readonly class SignalStep implements Step
{
    use HasNoProblems;
    use Plain;

    public function __construct(public string $output, public bool $on, public ?float $for_s)
    {
    }

    public static function shape(): RecordShape
    {
        return new RecordShape([
            'output' => Field::needed(TextShape::id()),
            'state' => Field::or('on', ChoiceShape::of('on', 'off')),
            'for_s' => Field::or(null, NumberShape::positive(3600.0)->orNull(), 'Then back; for good when left out.'),
        ], 'SignalStep');
    }

    public static function make(array $read): self
    {
        return new self($read['output'], $read['state'] === 'on', $read['for_s']);
    }

    public function motion(): ?string
    {
        return null;
    }

    public function refersTo(): array
    {
        return ['output' => ['output', $this->output]];
    }

    public function effect(Inventory $build): Effect
    {
        return new Effect(output: new OutputChange($this->output, $this->on, $this->for_s));
    }

    public function says(Inventory $build): Sentence
    {
        $output = $build->outputs[$this->output];
        if ($output->isThrown()) {
            $text = "Throw {$output->named()}".($this->on ? '' : ' back').($this->for_s === null ? '.' : ', its coil on for {time}.');

            return new Sentence($text,
                $this->for_s === null ? [] : ['time' => Quantity::of($this->for_s, 's')]);
        }
        $text = 'Switch '.$output->named().($this->on ? ' on' : ' off');

        return $this->for_s === null ? new Sentence($text.'.') : new Sentence($text.' for {time}.', ['time' => Quantity::of($this->for_s, 's')]);
    }

    public function writes(Script $script): void
    {
        $script->signals($this->output, $this->on, $this->for_s);
    }

    public function run(Controller $controller): \Generator
    {
        $controller->signal($this->output, $this->on, $this->for_s);

        yield from [];
    }
}
