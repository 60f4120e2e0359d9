<?php

declare(strict_types=1);

namespace Brookstone\Core\Simulation;

use Brookstone\Core\Dynamics\Flight;
use Brookstone\Core\Mechanism\Mechanism;
use Brookstone\Core\Parts\Motion;

/** What a latch holds, during a run: it goes with its drive until that has wound it past the latch, stays there, and flies back when it is let go. */
final class LatchState
{
    private const HAIR_RAD = 1e-6;

    private const HELD_SHARE = 0.02; // of the way down: a drive no further back than that still holds it

    private readonly float $latched; // rad

    private readonly float $lowest;

    private bool $isOpen = false;

    private bool $isHeld = false;

    private ?Flight $flight = null;

    /** @param  \Closure(float): float  $angle  of its shaft at a position, rad */
    public function __construct(private readonly Motion $motion, \Closure $angle)
    {
        $this->latched = $angle($motion->at($motion->latch->place ?? ''));
        $this->lowest = $angle($motion->stops->hard_low ?? $motion->range()[0]);
    }

    public function isFlying(): bool
    {
        return $this->flight !== null;
    }

    /** Where it rests whatever its drive does, rad; INF while it flies, −INF where it goes with it. */
    public function restsAt(): float
    {
        return $this->flight !== null ? INF : ($this->isHeld ? $this->latched : -INF);
    }

    /** Where it is while its drive is there, rad. */
    public function stands(float $drive): float
    {
        return $this->flight->angle ?? ($this->isHeld ? max($this->latched, $drive) : $drive);
    }

    /** Its drive has come there. @return bool it is caught just now */
    public function catches(float $drive): bool
    {
        if ($this->isHeld || $this->isOpen || $this->flight !== null || $drive < $this->latched - self::HAIR_RAD) {
            return false;
        }

        return $this->isHeld = true;
    }

    /**
     * Whether it is open now.
     *
     * @return string|null `goes`, or `kept` where its drive still holds it; null where nothing comes of it
     */
    public function opens(bool $isOpen, float $drive, Mechanism $mechanism): ?string
    {
        $was = $this->isOpen;
        $this->isOpen = $isOpen;
        if (! $isOpen || $was || ! $this->isHeld) {
            return null;
        }
        $this->isHeld = false;
        if ($drive >= $this->latched - self::HELD_SHARE * ($this->latched - $this->lowest)) {
            return 'kept';
        }
        $flight = new Flight($mechanism, $this->latched);
        $this->flight = $flight->isPulled() ? $flight : null;
        $this->isHeld = $this->flight === null;

        return $this->flight === null ? 'kept' : 'goes';
    }

    /**
     * So much time goes by in its flight.
     *
     * @return array{float, float, float}|null speed in rad/s and energy in J with which it comes to its end, and how long it flew, s; null before that
     */
    public function flies(float $seconds, float $drive): ?array
    {
        $flight = $this->flight;
        if ($flight === null || ! $flight->goes($seconds, max($this->lowest, $drive))) {
            return null;
        }
        $this->flight = null;

        return [abs($flight->speed), $flight->kinetic_J(), $flight->took_s];
    }
}
