<?php

declare(strict_types=1);

namespace Brookstone\Core\Calculator;

use Brookstone\Core\Drive\DcMotor;
use Brookstone\Core\Drive\DcPoint;
use Brookstone\Core\Drive\Drives;
use Brookstone\Core\Shape\ErrorList;
use Brookstone\Core\Shape\Field;
use Brookstone\Core\Shape\NumberShape;
use Brookstone\Core\Shape\RecordShape;

final readonly class DcPointCalculator implements Calculator
{
    public function name(): string
    {
        return 'drive.dc_point';
    }

    public function says(): string
    {
        return 'Where a brushed motor or gear motor settles against a steady load.';
    }

    public function inputs(): RecordShape
    {
        return Drives::motorShape()->with([
            'supply_V' => Field::needed(NumberShape::positive(), 'Voltage of the supply.'),
            'duty' => Field::or(1.0, NumberShape::share(), 'Share of the time that the bridge is on.'),
            'load_Nm' => Field::needed(NumberShape::notNegative(), 'Load at the output shaft.'),
        ]);
    }

    public function results(): RecordShape
    {
        return Results::of([
            'speed_rpm' => 'number', 'current_A' => 'number', 'output_W' => 'number', 'input_W' => 'number', 'efficiency' => 'number',
            'stall_Nm' => 'number', 'margin' => 'number', 'best_efficiency_Nm' => 'number', 'stalled' => 'boolean',
        ]);
    }

    public function check(array $inputs, ErrorList $errors): void
    {
        self::checkCurrents($inputs, '', $errors);
    }

    public function compute(array $inputs): array
    {
        $motor = self::motor($inputs);
        $point = DcPoint::of($motor, $inputs['supply_V'], $inputs['duty'], $inputs['load_Nm']);

        return ['inputs' => $inputs, 'results' => get_object_vars($point), 'findings' => []];
    }

    /** @param  array<string, mixed>  $ratings */
    public static function checkCurrents(array $ratings, string $under, ErrorList $errors): void
    {
        if ($ratings['stall_A'] !== null && $ratings['no_load_A'] !== null && $ratings['stall_A'] <= $ratings['no_load_A']) {
            $errors->add($under.'stall_A', 'Must be more than the no-load current of '.$ratings['no_load_A'].' A.');
        }
    }

    /** @param  array<string, mixed>  $ratings */
    public static function motor(array $ratings): DcMotor
    {
        return new DcMotor($ratings['rated_V'], $ratings['no_load_rpm'], $ratings['no_load_A'], $ratings['stall_Nm'], $ratings['stall_A'],
            $ratings['rotor_kgm2'] ?? 0.0);
    }
}
