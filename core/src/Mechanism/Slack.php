<?php

declare(strict_types=1);

namespace Brookstone\Core\Mechanism;

/**
 * A load on a cord that can come to rest on something: below that the cord hangs slack, and its drum turns light. Positions are those of the cord's
 * end; what hangs on it is never lower than where it rests.
 */
final readonly class Slack implements Mechanism
{
    use DelegatesToInner;

    /** @param  float  $rests_at  where it rests, SI; INF where nothing hangs on the cord any more */
    public function __construct(public Mechanism $inner, public float $rests_at)
    {
    }

    public function isTautAt(float $position): bool
    {
        return $position > $this->rests_at;
    }

    public function staticTorqueNm(float $position): float
    {
        return $this->isTautAt($position) ? $this->inner->staticTorqueNm($position) : 0.0;
    }

    public function frictionNm(float $position): float
    {
        return $this->isTautAt($position) ? $this->inner->frictionNm($position) : 0.0;
    }

    public function inertiaKgm2(float $position): float
    {
        return $this->isTautAt($position) ? $this->inner->inertiaKgm2($position) : 0.0;
    }

    public function inertiaSlopeKgm2(float $position): float
    {
        return $this->isTautAt($position) ? $this->inner->inertiaSlopeKgm2($position) : 0.0;
    }

    public function dynamics(float $position): array
    {
        return $this->isTautAt($position) ? $this->inner->dynamics($position) : [0.0, 0.0, 0.0, 0.0];
    }

    public function evenOverRad(): float
    {
        return $this->inner->evenOverRad();
    }

    public function breaks(): array
    {
        $breaks = is_finite($this->rests_at) ? [...$this->inner->breaks(), $this->rests_at] : $this->inner->breaks();
        sort($breaks);

        return $breaks;
    }

    public function unloaded(): self
    {
        return new self($this->inner->unloaded(), $this->rests_at);
    }
}
