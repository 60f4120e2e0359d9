<?php

declare(strict_types=1);

namespace Brookstone\Core\Simulation;

use Brookstone\Core\Drive\AirCylinder;
use Brookstone\Core\Dynamics\Plant;
use Brookstone\Core\Mechanism\Burdened;
use Brookstone\Core\Mechanism\Mechanism;
use Brookstone\Core\Mechanism\Slack;
use Brookstone\Core\Parts\Motion;

/** What the world does to the load of a motion: takes its payload, makes it heavier, lets it drag, holds it fast. */
final class LoadDisturbance
{
    private const HELD_SHARE = 0.01; // of its travel: how near counts as there

    private const A_HAIR_M = 1e-6; // what is held stands already: its cord is slack until it is pulled

    private bool $carries;

    private bool $told = false; // somebody says when it carries: then its task does not

    private float $heavier = 1.0;

    private float $drags = 1.0;

    private bool $snapped = false; // the cord that it hung on

    /** @var array{float, float}|null where it is held fast, SI */
    private ?array $held = null;

    private bool $waits = false;

    /** @var float|null where a latch holds it, rad; INF while it flies free of its drive */
    private ?float $latched = null;

    private bool $leaks = false; // the hose of its cylinder is off

    private float $along_Nm = 0.0;

    private float $along_kgm2 = 0.0;

    /** @param  float  $at  where it stands, in its own unit: there it has on it what it takes away from there */
    public function __construct(private readonly Motion $motion, float $at)
    {
        [$from, $to] = [$motion->at($motion->task->from), $motion->at($motion->task->to)];
        $this->carries = $motion->task->payload->isOn($motion->task->keeps_turning || abs($motion->distance($at, $from)) <= abs($motion->distance($at, $to)));
    }

    public function carries(bool $does): void
    {
        $this->carries = $does;
        $this->told = true;
    }

    /**
     * It sets off, there or back: with its payload as its task says, unless somebody has said otherwise.
     *
     * @return bool it is another load then
     */
    public function setsOff(bool $there): bool
    {
        $did = $this->carries;
        $this->carries = $this->told || $this->motion->task->keeps_turning ? $did : $this->motion->task->payload->isOn($there);

        return $did !== $this->carries;
    }

    public function isCarrying(): bool
    {
        return $this->carries;
    }

    public function snaps(): void
    {
        $this->snapped = true;
    }

    /** It hangs on a cord that holds. */
    public function hangs(): bool
    {
        return ! $this->snapped && $this->motion->mechanism->pullsOnly();
    }

    public function isHeld(): bool
    {
        return $this->held !== null;
    }

    public function isHeavier(float $factor): void
    {
        $this->heavier = $factor;
    }

    /** @param  float  $at  of its shaft: below it rests whatever its drive does; −INF where it goes with it */
    public function rests(float $at): void
    {
        $this->latched = $at === -INF ? null : $at;
    }

    public function leaks(bool $does): void
    {
        $this->leaks = $does;
    }

    /** Its drive has nothing to push with. */
    public function isLeaking(): bool
    {
        return $this->leaks;
    }

    public function drags(float $factor): void
    {
        $this->drags = $factor;
    }

    /** It stands fast as long as something else is moved in its stead. */
    public function waits(bool $does): void
    {
        $this->waits = $does;
    }

    /** Its motor moves something else with it: what that adds to its own load, and to its inertia. */
    public function takesAlong(float $adds_Nm, float $adds_kgm2): void
    {
        [$this->along_Nm, $this->along_kgm2] = [$adds_Nm, $adds_kgm2];
    }

    /** @param  float|null  $at  only where it comes there, in its own unit; null is wherever it is */
    public function held(bool $fast, ?float $at): void
    {
        $unit = $this->motion->unit();
        [$low, $high] = $this->motion->range();
        $width = self::HELD_SHARE * max(1e-6, $unit->toSi($high) - $unit->toSi($low));
        $this->held = ! $fast ? null : ($at === null ? [-1e9, 1e9] : [$unit->toSi($at) - $width, $unit->toSi($at) + $width]);
    }

    /** Where it comes to rest when it is let down from a position, SI: on its lower stop, or on what holds it. */
    private function restsAt(float $from): float
    {
        $low = $this->motion->stops->hard_low;

        return max($low === null ? -INF : $this->motion->unit()->toSi($low), $this->held !== null && $from >= $this->held[0] ? min($from, $this->held[1])
            + self::A_HAIR_M : -INF);
    }

    /** What is moved, with all that happened to it. */
    public function mechanism(): Mechanism
    {
        $mechanism = $this->carries ? $this->motion->mechanism : $this->motion->mechanism->unloaded();

        return $this->heavier !== 1.0 || $this->drags !== 1.0 || $this->held !== null ? new Burdened($mechanism, $this->heavier, $this->drags, $this->held)
            : $mechanism;
    }

    /** The machine that it is now, @param  float  $at  where the load is, SI */
    public function plant(float $at): Plant
    {
        $mechanism = $this->mechanism();
        if ($this->waits || $this->along_Nm !== 0.0 || $this->along_kgm2 !== 0.0) {
            $mechanism = new Burdened($mechanism, held: $this->waits ? [-1e9, 1e9] : null, adds_Nm: $this->along_Nm, adds_kgm2: $this->along_kgm2);
        }
        if ($this->latched !== null) {
            $mechanism = new Slack($mechanism, is_finite($this->latched) ? $mechanism->positionAt($this->latched) : $this->latched);
        } elseif ($this->motion->mechanism->pullsOnly()) {
            $mechanism = new Slack($mechanism, $this->snapped ? INF : $this->restsAt($at));
        }

        $drive = $this->motion->drive;
        $motion = $this->leaks && $drive?->motor instanceof AirCylinder ? $this->motion->withDrive($drive->with($drive->motor->venting())) : $this->motion;

        return Plant::of($motion->withMechanism($mechanism));
    }
}
