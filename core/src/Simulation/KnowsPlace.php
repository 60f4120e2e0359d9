<?php

declare(strict_types=1);

namespace Brookstone\Core\Simulation;

/** Where the controller takes a motion to be during a run, and what it reads of it. */
trait KnowsPlace
{
    private const NEAR_SHARE = 0.01; // of its travel: how near counts as there

    /** The place the routine last brought it to, as far as the controller can know. */
    public function knownPlace(): ?string
    {
        $place = $this->where->place();
        $feels = $place === null && $this->motion->positioning->isAbsolute() && $this->machine->still; // a servo feels where it is

        return $feels ? $this->motion->placeNear($this->position(), self::NEAR_SHARE)?->id : $place;
    }

    /** Where the controller takes it to be, own unit; null where nobody knows. */
    public function believed(): ?float
    {
        return $this->motion->positioning->isAbsolute() ? $this->where->believed(0.0) ?? $this->position()
            : $this->where->believed($this->motion->positioning->countsSteps() ? $this->machine->ramp->at() : $this->machine->state->angle);
    }

    /** It has come where it should be, own unit; null where that cannot be told. */
    public function isAt(?float $at): void
    {
        $this->where->isAt($at);
    }

    /** A switch says that it is at its place: what counts counts from here. */
    public function isFoundAt(string $place): void
    {
        $this->where->isFoundAt($this->motion->at($place));
    }

    /** Its pulses can be relied on: it was homed. */
    public function countsPulses(): bool
    {
        return $this->motion->positioning->countsPulses() && $this->where->isCounted();
    }

    /** How far its pulses say it has come, own unit, from wherever they begin. */
    public function reading(): float
    {
        return $this->motion->unit()->fromSi($this->machine->plant->mechanism->positionAt($this->where->reading($this->machine->state->angle)));
    }

    /** Where its count says that it stands, turns and all, or where it stands; own unit. */
    public function stands(): float
    {
        return $this->where->believed($this->machine->ramp->at()) ?? $this->machine->position();
    }
}
