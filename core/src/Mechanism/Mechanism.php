<?php

declare(strict_types=1);

namespace Brookstone\Core\Mechanism;

/**
 * Something that is moved, seen from the shaft that moves it. Sizing asks it what a move needs and simulation what a
 * motor does to it, so the two cannot disagree about the load.
 *
 * Positions are in SI (rad or m), torque in N·m at the shaft, inertia in kg·m² at the shaft. Torque is positive when the
 * drive must push towards increasing position.
 */
interface Mechanism
{
    /** The word for it in documents: `arm`, `hoist`. */
    public function kind(): string;

    public function positionUnit(): PositionUnit;

    /** Movement of the position (rad or m) for one radian of the shaft; more than 0. */
    public function travelPerRad(): float;

    /** Torque that holds it still at a position, without friction. */
    public function staticTorqueNm(float $position): float;

    /** Friction torque, against whatever movement there is; 0 or more. */
    public function frictionNm(): float;

    /** Inertia of all that moves; more than 0 unless the builder says there is none. */
    public function inertiaKgm2(): float;

    /** Mass of the thing itself, kg, as its document gives it under `mass_kg`; > 0. */
    public function massKg(): float;

    /** From the shaft to where it presses when something is in its way, m. */
    public function leverM(): float;

    /** Turn of the shaft over which the static torque hardly changes, rad; INF where it is the same everywhere. */
    public function evenOverRad(): float;

    /** The same thing without its payload, for the way back empty and for sizing on the bare mechanism. */
    public function unloaded(): self;
}
