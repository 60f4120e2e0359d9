<?php

declare(strict_types=1);

namespace Brookstone\Core\Drive;

use Brookstone\Core\Error\ImpossibleValue;
use Brookstone\Core\Shape\Field;

/** Something that turns a shaft. Torque, speed and inertia are those of its output shaft. */
interface Drive
{
    /**
     * Its fields in documents, besides those that every drive has.
     *
     * @return array<string, Field>
     */
    public static function fields(): array;

    /**
     * @param  array<string, mixed>  $read  as read by fields()
     *
     * @throws ImpossibleValue
     */
    public static function make(array $read, Body $body): self;

    /** @return array<string, mixed> as fields() reads it */
    public function write(): array;

    /** The word for it in documents: `dc_motor`, `servo`. */
    public function kind(): string;

    public function body(): Body;

    /** What it does at a supply voltage and duty (over 0 to 1). */
    public function line(float $supply_V, float $duty): TorqueLine;

    /** Rotor inertia at the output shaft, kg·m², ≥ 0. */
    public function rotorKgm2(): float;

    /** Winding resistance, Ω: rated voltage over stall current. */
    public function resistance_ohm(): float;

    /** Whether the supply lies inside its rating. */
    public function supplyFit(float $supply_V): SupplyFit;

    /** What it tells of its own position. */
    public function positionSource(): PositionSource;

    /** Turn of its shaft between its own ends, degrees; null where it turns on for ever. */
    public function travel_deg(): ?float;

    /** Current from the supply while it holds a torque at rest under power, A; a motor that is switched off at its switch draws none. */
    public function holdCurrent_A(float $torque_Nm, float $supply_V): float;

    /** It switches itself off at both ends of its travel. */
    public function endsItself(): bool;

    /** Its load cannot turn it back, powered or not: a worm, a fine screw. */
    public function locks(): bool;

    /**
     * What it rubs with when it turns unpowered, N·m at its output shaft: as its gears are turned back, and at least what its current without load
     * overcomes.
     *
     * @param  bool  $alone  the load does not turn it: only the rotor runs on
     */
    public function drag_Nm(bool $alone): float;

    /** How loud it is among drives of its power: a rule of thumb in steps, 0 hardly heard to 10 heard across the room. */
    public function noise(): float;

    /** @return array{float, float} lowest and highest voltage it is rated for */
    public function voltageRange(): array;
}
