<?php

declare(strict_types=1);

namespace Brookstone\Core\Mechanism;

use Brookstone\Core\Shape\Field;

/**
 * Something that is moved, seen from the shaft that moves it. Sizing asks it what a move needs and simulation what a
 * motor does to it, so the two cannot disagree about the load.
 *
 * Positions are in SI (rad or m), torque in N·m at the shaft, inertia in kg·m² at the shaft. Torque is positive when the
 * drive must push towards increasing position. The shaft's equation of motion is
 * J(θ)·θ̈ + ½·J′(θ)·θ̇² + static(θ) + friction(θ)·sign(θ̇) = torque (Lagrange's equation with one coordinate: Goldstein,
 * Classical Mechanics, 3rd ed., §1.4).
 */
interface Mechanism
{
    /** Of its positions, before there is any of it. */
    public const UNIT = PositionUnit::Degrees;

    /** The field that says how it rubs, before there is any of it; null where none does. */
    public const RUB = null;

    /** Fields that a build has and a calculator does not: they belong to the way, not to the thing. */
    public const BUILD_ONLY = [];

    /**
     * Its fields in documents and calculators, in order.
     *
     * @param  float|null  $most  upper limit of masses, lengths and the rest in the document of a build; none for calculators
     * @return array<string, Field>
     */
    public static function fields(?float $most = null): array;

    /**
     * What its fields must be to each other, once each is right by itself.
     *
     * @param  array<string, mixed>  $read  a field that was wrong by itself is null
     * @return array<string, string> what is wrong, by field; for people
     */
    public static function problems(array $read): array;

    /** The word for it in documents: `arm`, `hoist`. */
    public function kind(): string;

    public function positionUnit(): PositionUnit;

    /** Movement of the position (rad or m) for one radian of the shaft, there; its mean over the travel without a position. More than 0. */
    public function travelPerRad(?float $position = null): float;

    /** Angle of the shaft at a position, rad. */
    public function turnAt(float $position): float;

    /** Position at an angle of the shaft: the same the other way round. */
    public function positionAt(float $turn): float;

    /** Torque that holds it still at a position, without friction. */
    public function staticTorqueNm(float $position): float;

    /** Friction torque, against whatever movement there is; 0 or more. */
    public function frictionNm(float $position): float;

    /** Inertia of all that moves; more than 0 unless the builder says there is none. */
    public function inertiaKgm2(float $position): float;

    /** How the inertia changes with the shaft, dJ/dθ in kg·m²/rad; 0 where it is the same everywhere. */
    public function inertiaSlopeKgm2(float $position): float;

    /**
     * All four at once, for simulation: what a crank has to work out for one it has for all.
     *
     * @return array{float, float, float, float} static torque, friction, inertia, slope of the inertia
     */
    public function dynamics(float $position): array;

    /** Friction and inertia are the same everywhere. */
    public function isEven(): bool;

    /** Turn of the shaft over which the static torque hardly changes, rad; INF where that, friction and inertia are the same everywhere between breaks. */
    public function evenOverRad(): float;

    /** @return list<float> positions where the torque jumps or bends */
    public function breaks(): array;

    /** @return array<string, float> the masses that its document gives, kg, by field */
    public function masses(): array;

    /** From the shaft to where it presses when something is in its way, m; null where that is not known. */
    public function leverM(): ?float;

    /** Torque at the shaft past which it slips instead of moving faster: wheels on their track, a weight in a ball. INF without. */
    public function gripNm(): float;

    /** @return array{string, string} the words for towards larger positions and towards smaller ones: a carriage does not go up */
    public function ways(): array;

    /** It hangs on a cord: it is pulled, and never pushed. */
    public function pullsOnly(): bool;

    /** Pull at which that cord breaks at its knot, as torque at the shaft at a position, N·m; INF where it is not told. */
    public function snapsNm(float $position): float;

    /** It can turn or roll on for ever: there is no end to run into. */
    public function isEndless(): bool;

    /** What the eye follows: a slider in metres, a figure in degrees; null where that is the position itself. */
    public function follower(float $position): ?float;

    /** How what it moves goes in space. */
    public function onStage(): OnStage;

    /** The same thing without its payload, for the way back empty and for sizing on the bare mechanism. */
    public function unloaded(): self;
}
