<?php

declare(strict_types=1);

namespace Brookstone\Core\Drive;

/** Something that turns a shaft. Torque, speed and inertia are those of its output shaft. */
interface Drive
{
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

    /** It knows its own position and follows a command. */
    public function isPositional(): bool;

    /** @return array{float, float} lowest and highest voltage it is rated for */
    public function voltageRange(): array;
}
