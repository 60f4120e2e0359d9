<?php

declare(strict_types=1);

namespace Brookstone\Core\Condition;

use Brookstone\Core\Finding\Sentence;
use Brookstone\Core\Parts\Inventory;
use Brookstone\Core\Shape\Field;
use Brookstone\Core\Shape\NumberShape;
use Brookstone\Core\Shape\RecordShape;
use Brookstone\Core\Shape\TextShape;

/** A motion really stands between two positions, whatever the controller knows: for rules about what is in the way of what. */
final readonly class Between implements Condition
{
    use Atom;

    public function __construct(public string $motion, public float $from, public float $to)
    {
    }

    public static function shape(): RecordShape
    {
        $position = NumberShape::between(-720.0, 720.0);

        return new RecordShape(['motion' => Field::needed(TextShape::id()), 'from' => Field::needed($position, 'In the motion’s own unit.'),
            'to' => Field::needed($position)], 'Between');
    }

    public static function make(array $read): self
    {
        return new self($read['motion'], min($read['from'], $read['to']), max($read['from'], $read['to']));
    }

    public function says(Inventory $build): Sentence
    {
        $motion = $build->motions[$this->motion] ?? null;

        return new Sentence(($motion?->named() ?? $this->motion).' stands between {from} and {to}', $motion === null ? []
            : ['from' => $motion->unit()->quantity($this->from), 'to' => $motion->unit()->quantity($this->to)]);
    }

    public function holds(Senses $senses): bool
    {
        $at = $senses->positionOf($this->motion);

        return $at >= $this->from && $at <= $this->to;
    }

    public function asked(Asking $of): string
    {
        return $of->between($this->motion, $this->from, $this->to);
    }

    public function refersTo(): array
    {
        return ['motion' => ['motion', $this->motion]];
    }
}
