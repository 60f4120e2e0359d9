<?php

declare(strict_types=1);

namespace Brookstone\Core\Rolling;

use Brookstone\Core\Error\ImpossibleValue;
use Brookstone\Core\Quantity\Constants;

/**
 * Three or four wheels whose rims roll sideways too, evenly around a centre: under a base on the floor, or on top of a
 * ball that they turn. Each wheel only feels the motion along its own rim.
 *
 * On the floor wheel i at the angle βi drives along its tangent: v = −vx sin βi + vy cos βi + ω·R (Siegwart & Nourbakhsh,
 * Introduction to Autonomous Mobile Robots, 2nd ed., §3.2.4). On a ball, touching at the polar angle α from its top, the
 * surface under the wheel moves with the ball's roll times cos α along the tangent, and with its spin times sin α.
 */
final readonly class SidewaysWheels
{
    /**
     * @param  int  $count  3 or 4
     * @param  float  $wheel_radius_m  > 0
     * @param  float  $reach_m  on the floor from the centre to each wheel; on a ball its radius; > 0
     * @param  float|null  $contact_deg  from the top of the ball to where each wheel touches it, over 0 to under 90; null on the floor
     *
     * @throws ImpossibleValue
     */
    public function __construct(public int $count, public float $wheel_radius_m, public float $reach_m, public ?float $contact_deg = null)
    {
        ImpossibleValue::unlessPositive('wheel_radius_m', $wheel_radius_m);
        ImpossibleValue::unlessPositive('reach_m', $reach_m);
        if ($count !== 3 && $count !== 4) {
            throw ImpossibleValue::because('wheels', 'must be 3 or 4.');
        }
        if ($contact_deg !== null && ! ($contact_deg > 0.0 && $contact_deg < 90.0)) {
            throw ImpossibleValue::because('contact_deg', 'must lie between 0 and 90.');
        }
    }

    /**
     * Speeds of the wheels, rpm, the first straight ahead (along x) and the others evenly round to the left.
     *
     * @param  float  $speed_m_s  of the base, or of the ball over the floor
     * @param  float  $heading_deg  of that speed, from the first wheel to the left
     * @param  float  $spin_rpm  about the upright axis
     * @return list<float>
     */
    public function speeds_rpm(float $speed_m_s, float $heading_deg, float $spin_rpm): array
    {
        $heading = $heading_deg * Constants::RAD_PER_DEG;
        $tilt = $this->contact_deg === null ? 0.0 : $this->contact_deg * Constants::RAD_PER_DEG;
        $spin = $spin_rpm * Constants::RAD_S_PER_RPM * $this->reach_m * ($this->contact_deg === null ? 1.0 : sin($tilt));
        $speeds = [];
        for ($i = 0; $i < $this->count; $i++) {
            $at = 2 * M_PI * $i / $this->count;
            $speeds[] = ($speed_m_s * cos($tilt) * sin($heading - $at) + $spin) / $this->wheel_radius_m / Constants::RAD_S_PER_RPM;
        }

        return $speeds;
    }

    /** The largest speed of any wheel over every heading, rpm. */
    public function fastest_rpm(float $speed_m_s, float $spin_rpm): float
    {
        $tilt = $this->contact_deg === null ? 0.0 : $this->contact_deg * Constants::RAD_PER_DEG;
        $spin = abs($spin_rpm) * Constants::RAD_S_PER_RPM * $this->reach_m * ($this->contact_deg === null ? 1.0 : sin($tilt));

        return ($speed_m_s * cos($tilt) + $spin) / $this->wheel_radius_m / Constants::RAD_S_PER_RPM;
    }

    /**
     * What each wheel pushes with along its rim, N, so that together they give a push and a twist and none of them works against another: the least sum of
     * squares (Siegwart & Nourbakhsh, Introduction to Autonomous Mobile Robots, 2nd ed., §3.2.4, the other way round: ΣF·v is the power of both).
     *
     * @param  float  $push_N  on the base, or of the ball on the floor
     * @param  float  $heading_deg  of that, from the first wheel to the left
     * @param  float  $twist_Nm  about the upright axis
     * @return list<float>
     */
    public function pushes_N(float $push_N, float $heading_deg, float $twist_Nm): array
    {
        $heading = $heading_deg * Constants::RAD_PER_DEG;
        [$along, $about] = $this->arms();
        $pushes = [];
        for ($i = 0; $i < $this->count; $i++) {
            $pushes[] = 2 / $this->count * $push_N / $along * sin($heading - 2 * M_PI * $i / $this->count) + $twist_Nm / $this->count / $about;
        }

        return $pushes;
    }

    /** The most that any wheel pushes with over every heading, N. */
    public function hardest_N(float $push_N, float $twist_Nm): float
    {
        [$along, $about] = $this->arms();

        return 2 / $this->count * abs($push_N) / $along + abs($twist_Nm) / $this->count / $about;
    }

    /** What presses each wheel on while a mass stands on all of them evenly, N: on a ball more than its share, as they lean. */
    public function pressed_N(float $mass_kg): float
    {
        return $mass_kg * Constants::GRAVITY_M_S2 / $this->count / $this->arms()[0];
    }

    /** @return array{float, float} share of a push that acts along the rims, and the arm of a twist, m */
    private function arms(): array
    {
        $tilt = ($this->contact_deg ?? 0.0) * Constants::RAD_PER_DEG;

        return [cos($tilt), $this->reach_m * ($this->contact_deg === null ? 1.0 : sin($tilt))];
    }
}
