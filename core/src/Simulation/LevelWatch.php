<?php

declare(strict_types=1);

namespace Brookstone\Core\Simulation;

/** Pairs of motions that must stay level, during a run: told once for each time that they get too far apart. */
final class LevelWatch
{
    /** @var list<array{Axis, Axis, float}> */
    private array $pairs = [];

    /** @var array<int, true> pairs that are apart */
    private array $apart = [];

    /** @param  array<string, Axis>  $axes */
    public function __construct(array $axes)
    {
        foreach ($axes as $axis) {
            if ($axis->motion->level !== null) {
                $this->pairs[] = [$axis, $axes[$axis->motion->level->with], $axis->motion->level->within];
            }
        }
        foreach ($this->pairs as $i => [$one, $other, $within]) { // what begins so, nothing of the run has done
            $this->apart += abs($one->thingAt() - $other->thingAt()) > $within ? [$i => true] : [];
        }
    }

    public function isNone(): bool
    {
        return $this->pairs === [];
    }

    public function look(float $now, Recorder $recorder): void
    {
        foreach ($this->pairs as $i => [$one, $other, $within]) {
            $by = abs($one->thingAt() - $other->thingAt());
            if ($by <= $within + 1e-12) {
                unset($this->apart[$i]);
            } elseif (! isset($this->apart[$i])) {
                $this->apart[$i] = true;
                $recorder->isCrooked($now, $one->motion, $other->motion, $by);
            }
        }
    }
}
