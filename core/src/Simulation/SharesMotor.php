<?php

declare(strict_types=1);

namespace Brookstone\Core\Simulation;

use Brookstone\Core\Dynamics\MotorShaft;
use Brookstone\Core\Routine\StepFailed;

/** The side of a motion that has its motor together with another. */
trait SharesMotor
{
    private ?SharedMotor $shared = null;

    private bool $waits = false; // for the other

    private bool $along = false; // goes along with the other, whose motor draws the current

    /** One motor moves this and another: only one of them at a time. */
    public function shares(SharedMotor $motor): void
    {
        $this->shared = $motor;
    }

    /** An order to go, or to hold, is on its way to its driver. */
    public function isToldToMove(): bool
    {
        return $this->pending->powered ?? false;
    }

    /** Its motor is being coupled to it. */
    public function beginChange(): void
    {
        $shared = $this->shared;
        $shared?->beginChange();
        if ($shared !== null) {
            $shared->servo?->follow($shared->servoAt($this), 1.0);
        }
    }

    /** Nothing is left to do but to wait: its selector, if a servo moves that, stands where it must. */
    public function isChanged(): bool
    {
        return $this->shared?->servo?->hasArrived() ?? true;
    }

    public function endChange(): void
    {
        $this->shared?->endChange($this);
    }

    /** It goes along with the other, and is no longer where it was. */
    public function leaves(): void
    {
        $this->where->leaves();
    }

    /** Its motor's turning takes it along that way: its pawl does, or its load brings it back while the pawl lets that go by. */
    public function goesAlong(int $direction): bool
    {
        $takes = $this->motion->pawlTakes();

        return $takes === null || $takes === $direction || $this->needs_Nm($direction) < 0.0;
    }

    public function angle(): float
    {
        return $this->machine->state->angle;
    }

    public function motor(): MotorShaft
    {
        return $this->machine->motor;
    }

    /** What it takes of its motor to be moved that way slowly from where it stands, N·m; below 0 where its load goes by itself, INF at its end. */
    public function needs_Nm(int $direction): float
    {
        return $this->machine->needs_Nm($direction);
    }

    /** @return array{float, float} what it takes of its motor, at its shaft: N·m, INF at its end, and kg·m² */
    public function weighs(int $direction): array
    {
        return $this->machine->weighs($direction);
    }

    /** Its motor moves the other with it. @param  bool  $second  the current is that of the first */
    public function takesAlong(int $direction, float $adds_Nm, float $adds_kgm2, bool $second): void
    {
        $this->along = $second;
        $this->waits($adds_Nm === INF); // the other stands at its end: the motor stalls
        if ($adds_Nm !== INF) {
            $this->machine->takesAlong($direction, $adds_Nm, $adds_kgm2);
        }
    }

    /** It has its motor to itself again. */
    public function goesAlone(): void
    {
        $this->along = false;
        $this->waits(false);
        $this->machine->takesAlong(1, 0.0, 0.0);
    }

    /** It stands fast while the other has its motor: the pull of that holds it. */
    public function waits(bool $does): void
    {
        if ($this->waits !== $does) {
            $this->waits = $does;
            $this->machine->burden->waits($does);
            $this->machine->burdened();
        }
    }

    /** @throws StepFailed when it has no power, no motor at the moment, or is not coupled to it */
    private function mayFollow(): void
    {
        $this->mayMove();
        $this->shared?->mayFollow($this);
    }
}
