<?php

declare(strict_types=1);

namespace Brookstone\Core\Simulation;

use Brookstone\Core\Parts\Latch;

/** All latches of a build during a run: each is open while the motion that lets go stands where it does, or while its output is on. */
final readonly class Latches
{
    private const NEAR_SHARE = 0.05; // of the range of what lets it go: so near it has let go

    /** @var array<string, Latch> by motion that is held */
    private array $latches;

    /** @param  array<string, Axis>  $axes */
    public function __construct(private array $axes)
    {
        $this->latches = array_filter(array_map(fn (Axis $axis): ?Latch => $axis->motion->latch, $axes));
    }

    public function isNone(): bool
    {
        return $this->latches === [];
    }

    /** @param  array<string, bool>  $outputs  whether each is on */
    public function look(float $now, array $outputs, Recorder $recorder): void
    {
        foreach ($this->latches as $id => $latch) {
            $comes = $this->axes[$id]->latch($this->isOpen($latch, $outputs));
            if ($comes !== null) {
                $recorder->letGo($now, $this->axes[$id]->motion, $comes === 'kept');
            }
        }
    }

    /** @param  array<string, bool>  $outputs */
    private function isOpen(Latch $latch, array $outputs): bool
    {
        if ($latch->motion === null || $latch->lets_go === null) {
            return $outputs[$latch->output ?? ''] ?? false;
        }
        $axis = $this->axes[$latch->motion];
        [$low, $high] = $axis->motion->range();

        return abs($axis->motion->distance($axis->position(), $axis->motion->at($latch->lets_go))) <= self::NEAR_SHARE * max(1e-9, $high - $low);
    }
}
