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
    public static function of(float $holding_Nm, int $steps_per_rev, float $phase_A, float $phase_ohm, float $phase_mH, float $supply_V, int $microsteps, float $speed_rpm, ?float $load_Nm = null): self
    {
        $omega = $speed_rpm * Constants::RAD_S_PER_RPM;
        $emf = $omega * $holding_Nm / (M_SQRT2 * $phase_A);
        $impedance2 = $phase_ohm ** 2 + ($omega * $steps_per_rev / 4 * $phase_mH / 1000) ** 2;
        $current = max(0.0, min($phase_A, $supply_V / sqrt($impedance2) - $emf * $phase_ohm / $impedance2));
        $available = self::USABLE * $holding_Nm * $current / $phase_A;

        return new self($current, $available, $speed_rpm / 60 * $steps_per_rev * $microsteps, $load_Nm > 0.0 ? $available / $load_Nm : null);
    }
}
