<?php

declare(strict_types=1);

namespace Brookstone\Core\Calculator\Air;

use Brookstone\Core\Air\Cylinder;
use Brookstone\Core\Calculator\Calculator;
use Brookstone\Core\Calculator\Results;
use Brookstone\Core\Finding\Finding;
use Brookstone\Core\Finding\Sentence;
use Brookstone\Core\Finding\Severity;
use Brookstone\Core\Quantity\Constants;
use Brookstone\Core\Quantity\Quantity;
use Brookstone\Core\Shape\BooleanShape;
use Brookstone\Core\Shape\ErrorList;
use Brookstone\Core\Shape\Field;
use Brookstone\Core\Shape\NumberShape;
use Brookstone\Core\Shape\RecordShape;

final readonly class CylinderCalculator implements Calculator
{
    private const TIGHT = 1.5; // seals stick after a rest, and the tank falls

    public function name(): string
    {
        return 'air.cylinder';
    }

    public function says(): string
    {
        return 'What a cylinder pushes or pulls with, how much air a stroke takes and how long it lasts.';
    }

    public function inputs(): RecordShape
    {
        return new RecordShape([
            'bore_m' => Field::needed(NumberShape::positive(1.0), 'Inside of the cylinder.'),
            'rod_m' => Field::or(0.0, NumberShape::notNegative(1.0), 'Of its rod.'),
            'stroke_m' => Field::needed(NumberShape::positive(10.0), 'How far it goes.'),
            'pressure_bar' => Field::needed(NumberShape::positive(20.0), 'Over the room’s.'),
            'pushing' => Field::or(true, new BooleanShape, 'Otherwise it pulls, and its rod takes part of the piston.'),
            'load_N' => Field::needed(NumberShape::notNegative(1e6), 'What stands against it.'),
            'friction_fraction' => Field::or(0.1, NumberShape::between(0.0, 1.0), 'Of its force, that the seals take.'),
            'friction_N' => Field::or(10.0, NumberShape::notNegative(1e6), 'And besides.'),
            'flow_l_min' => Field::needed(NumberShape::positive(1e5), 'Free air that the valve lets through.'),
        ]);
    }

    public function results(): RecordShape
    {
        return Results::of(['force_N' => 'number', 'margin' => 'number', 'air_l' => 'number', 'stroke_s' => 'number']);
    }

    public function check(array $inputs, ErrorList $errors): void
    {
        if ($inputs['rod_m'] >= $inputs['bore_m']) {
            $errors->add('rod_m', 'Must be thinner than the bore.');
        }
    }

    public function compute(array $inputs): array
    {
        $cylinder = new Cylinder($inputs['bore_m'], $inputs['rod_m'], $inputs['stroke_m'], $inputs['pushing']);
        $force = $cylinder->force_N($inputs['pressure_bar'], $inputs['friction_fraction'], $inputs['friction_N']);
        $air = $cylinder->air_l($inputs['pressure_bar']);
        $load = $inputs['load_N'];
        $isWeak = $force < $load * (1 - Constants::TIE) || $force <= 0.0;
        $findings = ! $isWeak && $force >= self::TIGHT * $load * (1 - Constants::TIE) ? [] : [new Finding('air.cylinder_weak',
            $isWeak ? Severity::Fails : Severity::Tight, 'pressure_bar', new Sentence($isWeak
                ? 'It gives {force} and {load} stand against it: it does not move. A wider bore or more pressure gives more.'
                : 'It gives {force} for {load}: after a rest its seals stick, and the tank may be low. 1.5 × is usual.',
                ['force' => Quantity::of($force, 'N'), 'load' => Quantity::of($load, 'N')]))];

        return ['inputs' => $inputs, 'results' => ['force_N' => $force, 'margin' => $load > 0.0 ? $force / $load : null, 'air_l' => $air,
            'stroke_s' => $air / $inputs['flow_l_min'] * 60], 'findings' => $findings];
    }
}
