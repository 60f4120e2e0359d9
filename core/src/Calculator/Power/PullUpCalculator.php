<?php

declare(strict_types=1);

namespace Brookstone\Core\Calculator\Power;

use Brookstone\Core\Calculator\Calculator;
use Brookstone\Core\Calculator\Results;
use Brookstone\Core\Shape\ErrorList;
use Brookstone\Core\Shape\Field;
use Brookstone\Core\Shape\NumberShape;
use Brookstone\Core\Shape\RecordShape;
use Brookstone\Core\Wiring\PullUp;

final readonly class PullUpCalculator implements Calculator
{
    public function name(): string
    {
        return 'power.pullup';
    }

    public function says(): string
    {
        return 'What a pull-up resistor draws, holds and how quickly its input rises.';
    }

    public function inputs(): RecordShape
    {
        return new RecordShape([
            'supply_V' => Field::needed(NumberShape::positive(1e6), 'What it pulls up to.'),
            'pullup_ohm' => Field::needed(NumberShape::between(1.0, 1e9), 'The resistor: 10 kΩ is usual, 2 kΩ for long wires.'),
            'length_m' => Field::or(0.5, NumberShape::notNegative(1e6), 'Of the wire.'),
            'pF_per_m' => Field::or(100.0, NumberShape::notNegative(1e6), 'Its capacitance for each metre.'),
            'extra_pF' => Field::or(20.0, NumberShape::notNegative(1e9), 'Of the pin and whatever else hangs on it.'),
            'leakage_A' => Field::or(1e-6, NumberShape::notNegative(1e3), 'What leaks away through pin and sensor.'),
        ]);
    }

    public function results(): RecordShape
    {
        return Results::of(['low_A' => 'number', 'high_V' => 'number', 'rise_s' => 'number']);
    }

    public function check(array $inputs, ErrorList $errors): void
    {
    }

    public function compute(array $inputs): array
    {
        return ['inputs' => $inputs, 'results' => get_object_vars(new PullUp(...$inputs)), 'findings' => []];
    }
}
