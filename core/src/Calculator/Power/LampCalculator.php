<?php

declare(strict_types=1);

namespace Brookstone\Core\Calculator\Power;

use Brookstone\Core\Calculator\Calculator;
use Brookstone\Core\Calculator\Results;
use Brookstone\Core\Finding\Finding;
use Brookstone\Core\Finding\Sentence;
use Brookstone\Core\Finding\Severity;
use Brookstone\Core\Quantity\Quantity;
use Brookstone\Core\Shape\ErrorList;
use Brookstone\Core\Shape\Field;
use Brookstone\Core\Shape\NumberShape;
use Brookstone\Core\Shape\RecordShape;
use Brookstone\Core\Wiring\LampResistor;

final readonly class LampCalculator implements Calculator
{
    private const LEAST_V = 1e-6;

    private const SMALL_W = 0.25; // what a usual resistor bears

    public function name(): string
    {
        return 'power.led';
    }

    public function says(): string
    {
        return 'The resistor before lamps that take a fixed voltage.';
    }

    public function inputs(): RecordShape
    {
        return new RecordShape([
            'supply_V' => Field::needed(NumberShape::positive(1e6), 'What they hang on.'),
            'forward_V' => Field::needed(NumberShape::positive(1e6), 'What one of them takes: 2 for red, 3 for white.'),
            'current_A' => Field::needed(NumberShape::between(1e-6, 1e3), 'What should flow.'),
            'in_series' => Field::or(1, NumberShape::whole(1, 100), 'Lamps in a row behind one resistor.'),
        ]);
    }

    public function results(): RecordShape
    {
        return Results::of(['wanted_ohm' => 'number', 'value_ohm' => 'number', 'current_A' => 'number', 'resistor_W' => 'number']);
    }

    public function check(array $inputs, ErrorList $errors): void
    {
        if ($errors->count() === 0 && $inputs['supply_V'] - $inputs['in_series'] * $inputs['forward_V'] < self::LEAST_V) {
            $errors->add('supply_V', 'Nothing is left over for the resistor: fewer in a row, or a higher supply.');
        }
    }

    public function compute(array $inputs): array
    {
        $of = new LampResistor(...$inputs);

        return ['inputs' => $inputs, 'results' => get_object_vars($of), 'findings' => $of->resistor_W <= self::SMALL_W ? [] : [
            new Finding('power.resistor_hot', Severity::Tight, 'supply_V',
                new Sentence('The resistor burns {heat}, more than the {small} of a usual one: take one for more, or more lamps in a row.',
                    ['heat' => Quantity::of($of->resistor_W, 'W'), 'small' => Quantity::of(self::SMALL_W, 'W')])),
        ]];
    }
}
