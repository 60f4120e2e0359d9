<?php

declare(strict_types=1);

namespace Brookstone\Core\Calculator;

use Brookstone\Core\Mechanism\Mechanisms;
use Brookstone\Core\Mechanism\SpringLever;
use Brookstone\Core\Shape\ErrorList;
use Brookstone\Core\Shape\RecordShape;

final readonly class SpringLeverLoad implements Calculator
{
    public function name(): string
    {
        return 'load.spring_lever';
    }

    public function says(): string
    {
        return 'Force, energy and speed of a sprung lever that is wound back and released.';
    }

    public function inputs(): RecordShape
    {
        return Mechanisms::calculated('spring_lever');
    }

    public function results(): RecordShape
    {
        return Results::of(['peak_force_N' => 'number', 'energy_J' => 'number', 'cocking_torque_Nm' => 'number', 'launch_speed_m_s' => 'number']);
    }

    public function check(array $inputs, ErrorList $errors): void
    {
    }

    public function compute(array $inputs): array
    {
        $lever = new SpringLever(...array_intersect_key($inputs, Mechanisms::calculated('spring_lever')->fields));

        return ['inputs' => $inputs, 'results' => [
            'peak_force_N' => $lever->forceN($lever->stretch_m),
            'energy_J' => $lever->energy_J(),
            'cocking_torque_Nm' => $lever->staticTorqueNm($lever->stretch_m),
            'launch_speed_m_s' => $lever->launchSpeed_m_s(),
        ], 'findings' => []];
    }
}
