<?php

declare(strict_types=1);

namespace Brookstone\Core\Drive;

use Brookstone\Core\Quantity\Constants;

/**
 * What a stepper pulls at a speed. Two phases as a synchronous machine at its pull-out angle: electrical speed
 * ωe = ω·steps/4, back-EMF E = ω·holding/(√2·phase_A), Z = √(R² + (ωe L)²), torque-making current I = V/Z − E·R/Z² (from 0
 * to the phase current), available torque 0.7·holding·I/phase_A. Acarnley, Stepping Motors, 4th ed., §5.2. Resonance is
 * left out.
 */
final readonly class StepperPoint
{
    private const USABLE = 0.7; // of the holding torque: between two steps there is no more

    private function __construct(
        public float $phase_current_A,
        public float $available_Nm,
        /** Full turns per second times steps and microsteps. */
        public float $step_rate_hz,
        /** Available torque over load; null without a load. */
        public ?float $margin,
    ) {
    }

    /**
     * @param  float  $holding_Nm  both phases at their rated current, > 0
     * @param  int  $steps_per_rev  full steps for a turn, ≥ 1
     * @param  float  $speed_rpm  ≥ 0
     * @param  float|null  $load_Nm  ≥ 0
     */
    public static function of(float $holding_Nm, int $steps_per_rev, float $phase_A, float $phase_ohm, float $phase_mH, float $supply_V, int $microsteps,
        float $speed_rpm, ?float $load_Nm = null): self
    {
        $available = self::available_Nm($holding_Nm, $steps_per_rev, $phase_A, $phase_ohm, $phase_mH, $supply_V, $speed_rpm * Constants::RAD_S_PER_RPM);

        return new self($available * $phase_A / (self::USABLE * $holding_Nm), $available, $speed_rpm / 60 * $steps_per_rev * $microsteps, $load_Nm > 0.0
            ? $available / $load_Nm : null);
    }

    /** Torque alone, at a speed in rad/s ≥ 0, N·m. */
    public static function available_Nm(float $holding_Nm, int $steps_per_rev, float $phase_A, float $phase_ohm, float $phase_mH, float $supply_V,
        float $speed_rad_s): float
    {
        $emf = $speed_rad_s * $holding_Nm / (M_SQRT2 * $phase_A);
        $reactance = $speed_rad_s * $steps_per_rev / 4 * $phase_mH / 1000;
        $impedance2 = $phase_ohm * $phase_ohm + $reactance * $reactance;
        $current = $supply_V / sqrt($impedance2) - $emf * $phase_ohm / $impedance2;

        return self::USABLE * $holding_Nm * ($current < 0.0 ? 0.0 : ($current > $phase_A ? $phase_A : $current)) / $phase_A;
    }
}
