<?php

declare(strict_types=1);

namespace Brookstone\Core\Wiring;

use Brookstone\Core\Error\ImpossibleValue;

/**
 * A coil that must only be hit briefly: what a pulse warms its copper by, and how long it may stay on, none of the heat going elsewhere in
 * that time.
 */
final readonly class PulsedCoil
{
    private const COPPER_J_PER_KG_K = 385.0; // Incropera & DeWitt, Fundamentals of Heat and Mass Transfer, table A.1

    public float $current_A;

    public float $energy_J;

    public float $rise_C;

    public float $mean_W;

    public float $mean_rise_C;

    /** When it must be off again. */
    public float $stuck_on_s;

    public function __construct(float $resistance_ohm, float $supply_V, float $pulse_s, float $copper_kg, float $per_minute = 1.0, float $limit_rise_C = 80.0,
        float $theta_C_per_W = 30.0)
    {
        ImpossibleValue::unlessPositive('resistance_ohm', $resistance_ohm);
        ImpossibleValue::unlessPositive('supply_V', $supply_V);
        ImpossibleValue::unlessPositive('copper_kg', $copper_kg);
        $power = $supply_V ** 2 / $resistance_ohm;
        $heat = self::COPPER_J_PER_KG_K * $copper_kg;
        $this->current_A = $supply_V / $resistance_ohm;
        $this->energy_J = $power * $pulse_s;
        $this->rise_C = $this->energy_J / $heat;
        $this->mean_W = $this->energy_J * $per_minute / 60;
        $this->mean_rise_C = $this->mean_W * $theta_C_per_W;
        $this->stuck_on_s = $limit_rise_C * $heat / $power;
    }
}
