<?php

declare(strict_types=1);

namespace Brookstone\Core\Calculator;

use Brookstone\Core\Load\Move;
use Brookstone\Core\Load\MoveLoad;
use Brookstone\Core\Load\Profile;
use Brookstone\Core\Mechanism\Arm;
use Brookstone\Core\Mechanism\Mechanisms;
use Brookstone\Core\Mechanism\PositionUnit;
use Brookstone\Core\Quantity\Constants;
use Brookstone\Core\Shape\ErrorList;
use Brookstone\Core\Shape\Field;
use Brookstone\Core\Shape\NumberShape;
use Brookstone\Core\Shape\RecordShape;

final readonly class ArmLoad implements Calculator
{
    public function name(): string
    {
        return 'load.arm';
    }

    public function says(): string
    {
        return 'Torque, speed and power that a move of an arm on a horizontal pivot needs.';
    }

    public function inputs(): RecordShape
    {
        $arm = Mechanisms::calculated('arm')->fields;
        unset($arm['inertia_kgm2']);

        return new RecordShape([
            ...$arm,
            'inertia_kgm2' => Field::or(null, NumberShape::positive(), 'About the pivot, all of it, counterweight too.'),
            'from_deg' => Field::needed(NumberShape::between(-720.0, 720.0), 'Angle at the start, from horizontal, up positive.'),
            'to_deg' => Field::needed(NumberShape::between(-720.0, 720.0), 'Angle at the end.'),
            ...Check::time(),
        ]);
    }

    public function results(): RecordShape
    {
        return Results::of([
            'static_peak_Nm' => 'number', 'peak_Nm' => 'number', 'rms_Nm' => 'number', 'hold_from_Nm' => 'number', 'hold_to_Nm' => 'number',
            'peak_speed_rpm' => 'number', 'peak_power_W' => 'number', 'overhauls' => 'boolean',
        ]);
    }

    public function check(array $inputs, ErrorList $errors): void
    {
        Check::goesSomewhere($inputs, 'from_deg', 'to_deg', $errors);
    }

    public function compute(array $inputs): array
    {
        $inputs['inertia_kgm2'] ??= Arm::pointInertia($inputs['mass_kg'], $inputs['cg_m'], $inputs['payload_kg'], $inputs['payload_m']);
        $arm = new Arm(...array_intersect_key($inputs, Mechanisms::calculated('arm')->fields));
        $degrees = PositionUnit::Degrees;
        $move = new Move($degrees->toSi($inputs['from_deg']), $degrees->toSi($inputs['to_deg']), $inputs['move_s'], Profile::from($inputs['profile']));
        $load = MoveLoad::of($arm, $move);

        return ['inputs' => $inputs, 'results' => [
            'static_peak_Nm' => $load->static_peak_Nm,
            'peak_Nm' => $load->peak_Nm,
            'rms_Nm' => $load->rms_Nm,
            'hold_from_Nm' => $load->hold_from_Nm,
            'hold_to_Nm' => $load->hold_to_Nm,
            'peak_speed_rpm' => $load->peak_speed_rad_s / Constants::RAD_S_PER_RPM,
            'peak_power_W' => $load->peak_power_W,
            'overhauls' => $load->overhauls,
        ], 'findings' => []];
    }
}
