<?php

declare(strict_types=1);

namespace Brookstone\Core\Simulation;

/** Of a machine whose load a latch may hold while its drive goes on. */
trait HeldByLatch
{
    private ?LatchState $latch;

    private bool $restsSoon = false; // caught, and its drive still goes on upwards

    /**
     * Its latch is open now, or shut.
     *
     * @return string|null as LatchState::opens()
     */
    public function latch(bool $isOpen): ?string
    {
        $comes = $this->latch?->opens($isOpen, $this->state->angle, $this->burden->mechanism());
        if ($comes !== null) {
            $this->restsAnew();
        }

        return $comes;
    }

    /** Where what it moves is, SI: held by its latch, flying, or with its drive. */
    public function thing(): float
    {
        return $this->latch === null ? $this->plant->loadPosition($this->state)
            : $this->plant->mechanism->positionAt($this->latch->stands($this->state->angle));
    }

    /** It has a latch, and is not just going where its drive goes. */
    public function isOffItsDrive(): bool
    {
        return $this->latch !== null && $this->latch->stands($this->state->angle) > $this->state->angle;
    }

    /** @return list<array{string, float, float}> it strikes where it ends, or is caught */
    private function latched(LatchState $latch, float $seconds): array
    {
        $happened = [];
        if ($latch->isFlying()) {
            $this->steps++;
            $end = $latch->flies($seconds, $this->state->angle);
            if ($end !== null) {
                $at = $this->thing();
                $happened[] = ['strikes', $this->unit->fromSi($end[0] * $this->plant->mechanism->travelPerRad($at)), $end[1]];
                $this->restsAnew();
            }
        }
        if ($latch->catches($this->state->angle)) {
            $happened[] = ['caught', 0.0, 0.0];
            $this->restsSoon = true;
        }
        if ($this->restsSoon && $this->state->speed <= 0.0) {
            $this->restsAnew();
        }

        return $happened;
    }

    private function restsAnew(): void
    {
        $this->restsSoon = false;
        $this->burden->rests($this->latch?->restsAt() ?? -INF);
        $this->burdened();
        $this->ledger?->changes($this->state, $this->plant);
    }
}
