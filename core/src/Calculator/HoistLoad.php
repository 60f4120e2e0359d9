<?php

declare(strict_types=1);

namespace Brookstone\Core\Calculator;

use Brookstone\Core\Finding\Finding;
use Brookstone\Core\Finding\Sentence;
use Brookstone\Core\Finding\Severity;
use Brookstone\Core\Mechanism\Hoist;
use Brookstone\Core\Mechanism\Mechanisms;
use Brookstone\Core\Quantity\Constants;
use Brookstone\Core\Quantity\Quantity;
use Brookstone\Core\Shape\ErrorList;
use Brookstone\Core\Shape\RecordShape;

final readonly class HoistLoad implements Calculator
{
    public function name(): string
    {
        return 'load.hoist';
    }

    public function says(): string
    {
        return 'Tension in the cord and torque and speed of the drum that lifts a load.';
    }

    public function inputs(): RecordShape
    {
        return Mechanisms::calculated('hoist')->with(Check::steadySpeed());
    }

    public function results(): RecordShape
    {
        return Results::of([
            'line_hold_N' => 'number', 'line_raise_N' => 'number', 'line_peak_N' => 'number', 'line_lower_N' => 'number',
            'drum_hold_Nm' => 'number', 'drum_raise_Nm' => 'number', 'drum_peak_Nm' => 'number', 'drum_lower_Nm' => 'number',
            'drum_rpm' => 'number', 'power_raise_W' => 'number', 'overhauls' => 'boolean',
        ]);
    }

    public function check(array $inputs, ErrorList $errors): void
    {
        Check::mechanism('hoist', $inputs, '', $errors);
    }

    public function compute(array $inputs): array
    {
        $hoist = new Hoist(...array_intersect_key($inputs, Mechanisms::calculated('hoist')->fields));
        $radius = $hoist->drum_radius_m;
        $hold = $hoist->lineHoldN();
        $raise = $hoist->lineRaiseN();
        $peak = $hoist->linePeakN($inputs['speed_m_s'] / $inputs['accel_s']);
        $lower = $hoist->lineLowerN();
        $overhauls = $lower > Constants::TIE * $raise;

        return ['inputs' => $inputs, 'results' => [
            'line_hold_N' => $hold, 'line_raise_N' => $raise, 'line_peak_N' => $peak, 'line_lower_N' => $lower,
            'drum_hold_Nm' => $hold * $radius, 'drum_raise_Nm' => $raise * $radius, 'drum_peak_Nm' => $peak * $radius, 'drum_lower_Nm' => $lower * $radius,
            'drum_rpm' => $inputs['speed_m_s'] / $hoist->travelPerRad() / Constants::RAD_S_PER_RPM,
            'power_raise_W' => ($hoist->weightN() + $hoist->friction_N) * $inputs['speed_m_s'],
            'overhauls' => $overhauls,
        ], 'findings' => $overhauls ? [] : [self::willNotLower($hoist, 'friction_N', Severity::Tight)]];
    }

    /** The cord goes slack instead of coming down: friction is as large as what pulls on it. */
    public static function willNotLower(Hoist $hoist, string $place, Severity $severity): Finding
    {
        return new Finding('load.will_not_lower', $severity, $place, new Sentence(
            'It will not come down by itself: friction of {friction} is no less than the {weight} that pull it down, so the cord goes slack.',
            ['friction' => Quantity::of($hoist->friction_N, 'N'), 'weight' => Quantity::of($hoist->weightN(), 'N')],
        ));
    }
}
