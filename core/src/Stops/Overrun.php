<?php

declare(strict_types=1);

namespace Brookstone\Core\Stops;

use Brookstone\Core\Error\ImpossibleValue;

/**
 * What happens after a switch trips, told by speed and mass alone: on at full speed until the driver has acted, then braked by a
 * steady force or by the shorted motor, v = v₀ − x/τ. What does not fit before the hard stop goes into its stiffness:
 * F = Fd + √(Fd² + k·m·v²) (a mass on a spring under a steady push: Thomson, Theory of Vibration, 5th ed., §2.3).
 */
final readonly class Overrun
{
    public float $delay_travel_m;

    public float $braking_m;

    public float $overrun_m;

    public float $clearance_m;

    public bool $hits;

    public float $impact_speed_m_s;

    public float $impact_energy_J;

    public float $impact_force_N;

    /** @param  float|null  $decel_force_N  one of this and the next is given */
    public function __construct(
        public float $speed_m_s,
        public float $moving_mass_kg,
        public float $overtravel_m,
        public float $stiffness_N_per_m,
        public float $rotor_equivalent_kg = 0.0,
        public float $drive_force_N = 0.0,
        public float $debounce_s = 0.0,
        public float $loop_s = 0.0,
        public float $driver_s = 0.0,
        public ?float $decel_force_N = null,
        public ?float $brake_time_constant_s = null,
    ) {
        ImpossibleValue::unlessPositive('moving_mass_kg', $moving_mass_kg);
        ImpossibleValue::unlessPositive('stiffness_N_per_m', $stiffness_N_per_m);
        if (($decel_force_N === null) === ($brake_time_constant_s === null)) {
            throw ImpossibleValue::because('decel_force_N', 'or brake_time_constant_s must be given, not both.');
        }
        $mass = $moving_mass_kg + $rotor_equivalent_kg;
        $this->delay_travel_m = $speed_m_s * ($debounce_s + $loop_s + $driver_s);
        $this->braking_m = $decel_force_N !== null ? $speed_m_s ** 2 * $mass / 2 / $decel_force_N : $speed_m_s * $brake_time_constant_s;
        $this->overrun_m = $this->delay_travel_m + $this->braking_m;
        $this->clearance_m = $overtravel_m - $this->overrun_m;
        $this->hits = $this->clearance_m < 0.0;
        $brakes = max(0.0, $overtravel_m - $this->delay_travel_m); // what is left to brake in
        $this->impact_speed_m_s = match (true) {
            ! $this->hits => 0.0,
            $decel_force_N !== null => sqrt(max(0.0, $speed_m_s ** 2 - 2 * $decel_force_N * $brakes / $mass)),
            default => $speed_m_s - $brakes / $brake_time_constant_s,
        };
        $this->impact_energy_J = 0.5 * $mass * $this->impact_speed_m_s ** 2;
        $pushes = $this->hits && $this->delay_travel_m > $overtravel_m ? $drive_force_N : 0.0;
        $this->impact_force_N = $this->hits ? $pushes + sqrt($pushes ** 2 + 2 * $stiffness_N_per_m * $this->impact_energy_J) : 0.0;
    }
}
