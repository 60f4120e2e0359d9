<?php

declare(strict_types=1);

namespace Brookstone\Core\Simulation;

use Brookstone\Core\Machine\LiveStage;

/** Motions that stand on one another during a run: where each is, is what the others have to move. */
final readonly class Riders
{
    private const PART_S = 0.00125;

    private const MOST_PARTS = 8;

    /** @param  array<string, Axis>  $axes */
    public function __construct(private LiveStage $stage, private array $axes)
    {
        $this->go(0.0);
    }

    /** @param  float  $seconds  since the last look */
    public function go(float $seconds): void
    {
        foreach ($this->stage->moved(array_map(fn (Axis $axis): array => $axis->goes(), $this->axes), $seconds) as $id) {
            $this->axes[$id]->stirred();
        }
    }

    /**
     * @param  list<Axis>  $awake
     * @param  float  $seconds  that pass
     * @return int in so many parts, one after another: where they speed up or slow down, what one does to another changes in between
     */
    public function parts(array $awake, float $seconds): int
    {
        $parts = (int) max(1.0, min(self::MOST_PARTS, ceil($seconds / self::PART_S - 1e-9)));

        return $parts > 1 && $this->areAmong($awake) && (! $this->stage->isSteadyFor($seconds) || $this->obey($awake)) ? $parts : 1;
    }

    /** @param  list<Axis>  $awake */
    private function obey(array $awake): bool
    {
        foreach ($awake as $axis) {
            if ($axis->isToldAnew() && isset($this->axes[$axis->motion->id])) {
                return true;
            }
        }

        return false;
    }

    /**
     * They must be looked at at each scan.
     *
     * @param  list<Axis>  $awake
     */
    public function mustBeLookedAt(array $awake, float $scan_s): bool
    {
        return $this->areAmong($awake) && ! ($this->stage->isEven() && $this->stage->isSteadyFor($scan_s));
    }

    /** @param  list<Axis>  $awake */
    private function areAmong(array $awake): bool
    {
        foreach ($awake as $axis) {
            if (isset($this->axes[$axis->motion->id])) {
                return true;
            }
        }

        return false;
    }
}
