<?php

declare(strict_types=1);

namespace Brookstone\Core\Rolling;

use Brookstone\Core\Quantity\Constants;

/**
 * What stands on a ball or on wheels side by side and is kept upright by rolling under its own fall: an inverted pendulum, which leaves its balance as
 * e^(t/τ). Ground and tyre are hard. Åström & Murray, Feedback Systems, 2nd ed., §3.2 (balance systems).
 */
final readonly class BalancingBase
{
    private const LOOPS_A_TIME = 20.0; // of its own rate, so that what it does is smooth

    private const LATEST = 0.2;        // of its time

    /** τ, s: the lean grows by e in it. */
    public float $fall_s;

    public float $doubles_s;

    /** The largest lean from which the wheels still come back under it, °. */
    public float $catch_deg;

    public float $top_speed_m_s;

    public float $wanted_loop_hz;

    public float $latest_s;

    public bool $fast_enough;

    /**
     * @param  float  $height_m  of the centre of mass over the contact, > 0
     * @param  float  $mass_kg  > 0
     * @param  float  $inertia_kgm2  about the centre of mass, 0 or more
     * @param  float  $wheel_radius_m  > 0
     * @param  float  $stall_Nm  of all wheels together
     * @param  float  $no_load_rpm  of the wheels
     * @param  float  $friction_coefficient  of wheel on ground
     * @param  float  $delay_s  from the sensor to the motor
     * @param  float  $loop_hz  how often it looks
     */
    public function __construct(float $height_m, float $mass_kg, float $inertia_kgm2, float $wheel_radius_m, float $stall_Nm, float $no_load_rpm,
        float $friction_coefficient, float $delay_s, float $loop_hz)
    {
        $weight_N = $mass_kg * Constants::GRAVITY_M_S2;
        $this->fall_s = sqrt(($mass_kg * $height_m ** 2 + $inertia_kgm2) / ($weight_N * $height_m));
        $this->doubles_s = $this->fall_s * M_LN2;
        $this->catch_deg = rad2deg(atan(min($stall_Nm / $wheel_radius_m, $friction_coefficient * $weight_N) / $weight_N));
        $this->top_speed_m_s = $no_load_rpm * Constants::RAD_S_PER_RPM * $wheel_radius_m;
        $this->wanted_loop_hz = self::LOOPS_A_TIME / (2 * M_PI * $this->fall_s);
        $this->latest_s = self::LATEST * $this->fall_s;
        $this->fast_enough = $loop_hz >= $this->wanted_loop_hz * (1 - Constants::TIE) && $delay_s <= $this->latest_s * (1 + Constants::TIE);
    }
}
