<?php

declare(strict_types=1);

namespace Brookstone\Core\Calculator;

use Brookstone\Core\Mechanism\Mechanisms;
use Brookstone\Core\Mechanism\Slide;
use Brookstone\Core\Quantity\Constants;
use Brookstone\Core\Shape\ErrorList;
use Brookstone\Core\Shape\RecordShape;

final readonly class SlideLoad implements Calculator
{
    public function name(): string
    {
        return 'load.slide';
    }

    public function says(): string
    {
        return 'Force, torque and power that a carriage on level or inclined rails needs.';
    }

    public function inputs(): RecordShape
    {
        return Mechanisms::calculated('slide')->with(Check::steadySpeed());
    }

    public function results(): RecordShape
    {
        return Results::of([
            'force_steady_N' => 'number', 'force_peak_N' => 'number', 'torque_steady_Nm' => 'number', 'torque_peak_Nm' => 'number',
            'pulley_rpm' => 'number', 'peak_power_W' => 'number', 'runs_back' => 'boolean',
        ]);
    }

    public function check(array $inputs, ErrorList $errors): void
    {
    }

    public function compute(array $inputs): array
    {
        $slide = new Slide(...array_intersect_key($inputs, Mechanisms::calculated('slide')->fields));
        $radius = $slide->pulley_radius_m;
        $steady = $slide->downhillN() + $slide->dragN();
        $peak = $steady + $slide->mass_kg * $inputs['speed_m_s'] / $inputs['accel_s'];

        return ['inputs' => $inputs, 'results' => [
            'force_steady_N' => $steady, 'force_peak_N' => $peak, 'torque_steady_Nm' => $steady * $radius, 'torque_peak_Nm' => $peak * $radius,
            'pulley_rpm' => $inputs['speed_m_s'] / $radius / Constants::RAD_S_PER_RPM,
            'peak_power_W' => $peak * $inputs['speed_m_s'],
            'runs_back' => $slide->downhillN() - $slide->dragN() > Constants::TIE * ($slide->downhillN() + $slide->dragN()),
        ], 'findings' => []];
    }
}
