<?php

declare(strict_types=1);

namespace Brookstone\Core\Calculator\Power;

use Brookstone\Core\Calculator\Calculator;
use Brookstone\Core\Calculator\Results;
use Brookstone\Core\Shape\ErrorList;
use Brookstone\Core\Shape\Field;
use Brookstone\Core\Shape\NumberShape;
use Brookstone\Core\Shape\RecordShape;
use Brookstone\Core\Wiring\BufferCapacitor;

final readonly class CapacitorCalculator implements Calculator
{
    public function name(): string
    {
        return 'power.capacitor';
    }

    public function says(): string
    {
        return 'What capacitor bridges a step of current until its supply follows.';
    }

    public function inputs(): RecordShape
    {
        return new RecordShape([
            'step_A' => Field::needed(NumberShape::positive(1e6), 'How much more is drawn at once.'),
            'bridge_s' => Field::needed(NumberShape::positive(1e6), 'Until the supply follows.'),
            'allowed_drop_V' => Field::needed(NumberShape::positive(1e6), 'How far the voltage may fall in that time.'),
            'esr_ohm' => Field::or(0.0, NumberShape::notNegative(1e6), 'Its own resistance.'),
        ]);
    }

    public function results(): RecordShape
    {
        return Results::of(['esr_drop_V' => 'number', 'capacitance_uF' => 'number']);
    }

    public function check(array $inputs, ErrorList $errors): void
    {
        if ($errors->count() === 0 && $inputs['allowed_drop_V'] <= $inputs['step_A'] * $inputs['esr_ohm']) {
            $errors->add('esr_ohm', 'This alone drops as much as is allowed: several in parallel have less.');
        }
    }

    public function compute(array $inputs): array
    {
        $of = new BufferCapacitor(...$inputs);

        return ['inputs' => $inputs, 'results' => ['esr_drop_V' => $of->esr_drop_V, 'capacitance_uF' => $of->capacitance_F * 1e6], 'findings' => []];
    }
}
