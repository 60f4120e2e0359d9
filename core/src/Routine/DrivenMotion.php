<?php

declare(strict_types=1);

namespace Brookstone\Core\Routine;

use Brookstone\Core\Parts\Motion;

/** One motion as a controller has it: what it can tell its driver, and what it knows of where it is. Positions in the motion's own unit. */
interface DrivenMotion
{
    public function motion(): Motion;

    /** Where the controller takes it to be; null where nobody knows. */
    public function believed(): ?float;

    /** It has come where it should be; null where that cannot be told. */
    public function isAt(?float $at): void;

    /** A switch says that it is at its place: what counts counts from here. */
    public function isFoundAt(string $place): void;

    /** Its pulses can be relied on: it was homed. */
    public function countsPulses(): bool;

    /** How far its pulses say it has come, from wherever they begin. */
    public function reading(): float;

    /** It can be told where to go: a servo always, a stepper once it has been homed. */
    public function canFollow(): bool;

    /** Where its count says that it stands, turns and all, or where it stands. */
    public function stands(): float;

    /** For each second. */
    public function speed(): float;

    public function isStill(): bool;

    /**
     * Drives it up (1) or down (−1) at a share of its usual speed.
     *
     * @throws StepFailed
     */
    public function push(int $direction, float $speed): void;

    /**
     * Tells it where to go, at a share of its usual speed.
     *
     * @param  bool  $exactly  turns and all; otherwise what comes round goes to its next coming
     *
     * @throws StepFailed
     */
    public function follow(float $at, float $speed, bool $exactly = false): void;

    public function hasArrived(): bool;

    /** `brake` shorts the motor, `coast` opens it, `hold` keeps a servo where it is; a motor that cannot hold brakes. */
    public function stop(string $how): void;

    /** Its motor is being coupled to it. */
    public function beginChange(): void;

    public function isChanged(): bool;

    public function endChange(): void;
}
