<?php

declare(strict_types=1);

namespace Brookstone\Core\Reach;

use Brookstone\Core\Parts\Motion;

/** Between what a motion can be at all, and how far off its places it counts as there. Of a motion that nothing asks the position of, everything is alike. */
final readonly class Travel
{
    private float $low;

    private float $high;

    private bool $comesRound;

    public float $slack;

    public function __construct(Motion $motion, private bool $isAsked)
    {
        [$low, $high] = $motion->range();
        $this->low = $motion->stops->hard_low ?? -INF;
        $this->high = $motion->stops->hard_high ?? INF;
        $this->slack = $motion->task->tolerance ?? Motion::USUAL_TOLERANCE * ($high - $low);
        $this->comesRound = $motion->period() !== null;
    }

    /** @return array{float, float} */
    public function whole(): array
    {
        return $this->within(-INF, INF);
    }

    /** @return array{float, float} */
    public function within(float $low, float $high): array
    {
        return $this->isAsked && ! $this->comesRound ? [max($low, $this->low), min($high, $this->high)] : [-INF, INF];
    }

    /** @return array{float, float}|null where it was left before the power came on */
    public function unsaid(): ?array
    {
        return $this->isAsked ? null : $this->whole();
    }

    /** @return array{float, float} */
    public function at(float $position): array
    {
        return $this->isAsked ? [$position, $position] : [-INF, INF];
    }
}
