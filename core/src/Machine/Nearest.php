<?php

declare(strict_types=1);

namespace Brookstone\Core\Machine;

use Brookstone\Core\Finding\Sentence;
use Brookstone\Core\Parts\Motion;
use Brookstone\Core\Solid\Vector;

/** How near two bodies come to one another, in which pose, and where. */
final readonly class Nearest
{
    /**
     * @param  float  $gap_m  0 or less where they touch
     * @param  array<string, float>  $pose  of the motions that it hangs on, in their own units
     * @param  array<string, Motion>  $motions  of the stage
     * @param  Vector  $at  the point of the one that is nearest, m
     * @param  Vector  $to  of the other
     */
    public function __construct(public Piece $one, public Piece $other, public float $gap_m, public array $pose, private array $motions, public Vector $at,
        public Vector $to)
    {
    }

    /** Of which two it is. */
    public function pair(): string
    {
        return "{$this->one->key()} {$this->other->key()}";
    }

    /** `, with Trolley at 0.4 m and Hook at 0.1 m`, of the motions by which they move against one another; nothing where that is no motion's own. */
    public function where(): Sentence
    {
        $parts = $values = [];
        foreach (Clearance::joints($this->one, $this->other) as $i => $id) {
            $motion = $this->motions[$id];
            $parts[] = "{$motion->named()} at {at{$i}}";
            $values["at{$i}"] = $motion->unit()->quantity($this->pose[$id] ?? $motion->at($motion->task->from));
        }

        return new Sentence($parts === [] ? '' : ' with '.Sentence::listed($parts), $values);
    }
}
