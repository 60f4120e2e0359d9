<?php

declare(strict_types=1);

namespace Brookstone\Core\Calculator;

use Brookstone\Core\Finding\Finding;
use Brookstone\Core\Finding\Sentence;
use Brookstone\Core\Finding\Severity;
use Brookstone\Core\Mechanism\Mechanisms;
use Brookstone\Core\Mechanism\Wheels;
use Brookstone\Core\Quantity\Constants;
use Brookstone\Core\Quantity\Quantity;
use Brookstone\Core\Shape\ErrorList;
use Brookstone\Core\Shape\Field;
use Brookstone\Core\Shape\NumberShape;
use Brookstone\Core\Shape\RecordShape;

final readonly class WheelsLoad implements Calculator
{
    public function name(): string
    {
        return 'load.wheels';
    }

    public function says(): string
    {
        return 'Force and torque that a driven vehicle needs, and whether its wheels grip.';
    }

    public function inputs(): RecordShape
    {
        return Mechanisms::calculated('wheels')->with([
            ...Check::steadySpeed(),
            'stall_at_wheels_Nm' => Field::or(null, NumberShape::positive()->orNull(), 'Torque of the held motor at the wheels, all together.'),
        ]);
    }

    public function results(): RecordShape
    {
        return Results::of([
            'force_steady_N' => 'number', 'force_peak_N' => 'number', 'torque_steady_Nm' => 'number', 'torque_peak_Nm' => 'number', 'wheel_rpm' => 'number',
            'traction_limit_N' => 'number', 'max_accel_m_s2' => 'number', 'slips' => 'boolean', 'slips_if_switched_on' => 'boolean',
        ]);
    }

    public function check(array $inputs, ErrorList $errors): void
    {
    }

    public function compute(array $inputs): array
    {
        $wheels = new Wheels(...array_intersect_key($inputs, Mechanisms::calculated('wheels')->fields));
        $radius = $wheels->wheel_radius_m;
        $steady = $wheels->downhillN() + $wheels->rollingN();
        $peak = $steady + $wheels->mass_kg * $inputs['speed_m_s'] / $inputs['accel_s'];
        $limit = $wheels->tractionN();
        $slips = $peak > $limit * (1 + Constants::TIE);
        $start = $inputs['stall_at_wheels_Nm'] === null ? null : $inputs['stall_at_wheels_Nm'] / $radius;
        $values = ['limit' => Quantity::of($limit, 'N'), 'peak' => Quantity::of($peak, 'N')] + ($start === null ? [] : ['start' => Quantity::of($start, 'N')]);
        $findings = [];
        if ($slips) {
            $findings[] = new Finding('load.wheels_slip', Severity::Fails, 'accel_s',
                new Sentence('Speeding up takes {peak}, but the tyres grip only {limit}: take more time.', $values));
        }
        if ($start !== null && $start > $limit * (1 + Constants::TIE)) {
            $findings[] = new Finding('load.wheels_slip', Severity::Tight, 'stall_at_wheels_Nm',
                new Sentence('Switched straight on, the motor pushes with {start}, but the tyres grip only {limit}: they spin. Ramp it, or gear it otherwise.', $values));
        }

        return ['inputs' => $inputs, 'results' => [
            'force_steady_N' => $steady, 'force_peak_N' => $peak, 'torque_steady_Nm' => $steady * $radius, 'torque_peak_Nm' => $peak * $radius,
            'wheel_rpm' => $inputs['speed_m_s'] / $radius / Constants::RAD_S_PER_RPM,
            'traction_limit_N' => $limit,
            'max_accel_m_s2' => ($limit - $steady) / $wheels->mass_kg,
            'slips' => $slips,
            'slips_if_switched_on' => $start === null ? null : $start > $limit * (1 + Constants::TIE),
        ], 'findings' => $findings];
    }
}
