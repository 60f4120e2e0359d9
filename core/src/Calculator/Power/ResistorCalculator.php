<?php

declare(strict_types=1);

namespace Brookstone\Core\Calculator\Power;

use Brookstone\Core\Calculator\Calculator;
use Brookstone\Core\Shape\ChoiceShape;
use Brookstone\Core\Shape\ErrorList;
use Brookstone\Core\Shape\Field;
use Brookstone\Core\Shape\ListShape;
use Brookstone\Core\Shape\NumberShape;
use Brookstone\Core\Shape\RecordShape;
use Brookstone\Core\Shape\TextShape;
use Brookstone\Core\Wiring\PreferredNumber;

final readonly class ResistorCalculator implements Calculator
{
    public function name(): string
    {
        return 'power.resistor';
    }

    public function says(): string
    {
        return 'The nearest resistor that is made, and the colours of its bands.';
    }

    public function inputs(): RecordShape
    {
        return new RecordShape([
            'wanted_ohm' => Field::needed(NumberShape::between(1.0, 1e7), 'What is wanted.'),
            'row' => Field::or('E24', ChoiceShape::of('E24', 'E12'), 'The row it is made in.'),
            'round' => Field::or('nearest', ChoiceShape::of('nearest', 'up', 'down'), 'Which of the two beside it.'),
            'tolerance_percent' => Field::or(5, ChoiceShape::of(5, 1, 2, 10), 'Of the resistor: its last band.'),
        ]);
    }

    public function results(): RecordShape
    {
        return new RecordShape([
            'value_ohm' => Field::needed(NumberShape::any()), 'off_fraction' => Field::needed(NumberShape::any()),
            'bands' => Field::needed(new ListShape(new TextShape)),
        ]);
    }

    public function check(array $inputs, ErrorList $errors): void
    {
    }

    public function compute(array $inputs): array
    {
        $value = match ($inputs['round']) {
            'up' => PreferredNumber::atLeast($inputs['wanted_ohm'], $inputs['row']),
            'down' => PreferredNumber::atMost($inputs['wanted_ohm'], $inputs['row']),
            default => PreferredNumber::nearest($inputs['wanted_ohm'], $inputs['row']),
        };

        return ['inputs' => $inputs, 'results' => ['value_ohm' => $value, 'off_fraction' => $value / $inputs['wanted_ohm'] - 1,
            'bands' => PreferredNumber::bands($value, $inputs['tolerance_percent'])], 'findings' => []];
    }
}
