<?php

declare(strict_types=1);

namespace Brookstone\Core\Calculator;

use Brookstone\Core\Load\Move;
use Brookstone\Core\Load\MoveLoad;
use Brookstone\Core\Load\Profile;
use Brookstone\Core\Mechanism\Mechanisms;
use Brookstone\Core\Mechanism\PositionUnit;
use Brookstone\Core\Mechanism\Turntable;
use Brookstone\Core\Quantity\Constants;
use Brookstone\Core\Shape\ErrorList;
use Brookstone\Core\Shape\Field;
use Brookstone\Core\Shape\NumberShape;
use Brookstone\Core\Shape\RecordShape;

final readonly class TurntableLoad implements Calculator
{
    public function name(): string
    {
        return 'load.turntable';
    }

    public function says(): string
    {
        return 'Torque, speed and power that turning a disc or a head about an upright or tilted axis needs.';
    }

    public function inputs(): RecordShape
    {
        return Mechanisms::calculated('turntable')->with([
            'angle_deg' => Field::needed(NumberShape::between(-720.0, 720.0), 'How far it turns; its size counts.'),
            ...Check::time(),
        ]);
    }

    public function results(): RecordShape
    {
        return Results::of(['inertia_kgm2' => 'number', 'peak_Nm' => 'number', 'rms_Nm' => 'number', 'peak_speed_rpm' => 'number', 'peak_power_W' => 'number']);
    }

    public function check(array $inputs, ErrorList $errors): void
    {
        Check::mechanism('turntable', $inputs, '', $errors);
        if ($inputs['angle_deg'] === 0.0) {
            $errors->add('angle_deg', 'Must not be 0: a move from a place to the same place is none.');
        }
    }

    public function compute(array $inputs): array
    {
        $turntable = new Turntable(...array_intersect_key($inputs, Mechanisms::calculated('turntable')->fields));
        $load = MoveLoad::of($turntable, new Move(0.0, PositionUnit::Degrees->toSi(abs($inputs['angle_deg'])), $inputs['move_s'],
            Profile::from($inputs['profile'])));

        return ['inputs' => $inputs, 'results' => [
            'inertia_kgm2' => $turntable->about_kgm2,
            'peak_Nm' => $load->peak_Nm,
            'rms_Nm' => $load->rms_Nm,
            'peak_speed_rpm' => $load->peak_speed_rad_s / Constants::RAD_S_PER_RPM,
            'peak_power_W' => $load->peak_power_W,
        ], 'findings' => []];
    }
}
