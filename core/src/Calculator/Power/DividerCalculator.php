<?php

declare(strict_types=1);

namespace Brookstone\Core\Calculator\Power;

use Brookstone\Core\Calculator\Calculator;
use Brookstone\Core\Calculator\Results;
use Brookstone\Core\Shape\ErrorList;
use Brookstone\Core\Shape\Field;
use Brookstone\Core\Shape\NumberShape;
use Brookstone\Core\Shape\RecordShape;
use Brookstone\Core\Wiring\Divider;

final readonly class DividerCalculator implements Calculator
{
    public function name(): string
    {
        return 'power.divider';
    }

    public function says(): string
    {
        return 'Two resistors that bring a signal down to what a pin stands.';
    }

    public function inputs(): RecordShape
    {
        return new RecordShape([
            'signal_V' => Field::needed(NumberShape::between(1e-3, 1e6), 'The signal at its highest.'),
            'pin_max_V' => Field::needed(NumberShape::between(1e-3, 1e6), 'What the pin stands; less than the signal.'),
            'current_A' => Field::or(0.001, NumberShape::between(1e-9, 1e3), 'About what may run through both.'),
        ]);
    }

    public function results(): RecordShape
    {
        return Results::of(['upper_ohm' => 'number', 'lower_ohm' => 'number', 'pin_V' => 'number', 'source_ohm' => 'number']);
    }

    public function check(array $inputs, ErrorList $errors): void
    {
        if ($errors->count() === 0 && $inputs['pin_max_V'] >= $inputs['signal_V']) {
            $errors->add('pin_max_V', 'Is no less than the signal: nothing need be divided.');
        }
    }

    public function compute(array $inputs): array
    {
        return ['inputs' => $inputs, 'results' => get_object_vars(new Divider(...$inputs)), 'findings' => []];
    }
}
