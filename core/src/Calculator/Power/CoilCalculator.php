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
use Brookstone\Core\Wiring\PulsedCoil;

final readonly class CoilCalculator implements Calculator
{
    public function name(): string
    {
        return 'power.coil';
    }

    public function says(): string
    {
        return 'How warm a coil gets that is only hit briefly, and when it must be off again.';
    }

    public function inputs(): RecordShape
    {
        return new RecordShape([
            'resistance_ohm' => Field::needed(NumberShape::positive(1e9), 'Of the coil.'),
            'supply_V' => Field::needed(NumberShape::positive(1e6), 'What it is hit with.'),
            'pulse_s' => Field::needed(NumberShape::notNegative(1e6), 'For how long.'),
            'copper_kg' => Field::needed(NumberShape::positive(1e6), 'Weight of its winding.'),
            'per_minute' => Field::or(1.0, NumberShape::notNegative(1e6), 'How often.'),
            'limit_rise_C' => Field::or(80.0, NumberShape::positive(1e4), 'How much warmer than the air it may get.'),
            'theta_C_per_W' => Field::or(30.0, NumberShape::notNegative(1e4), 'How much warmer it gets for each watt over a long time.'),
        ]);
    }

    public function results(): RecordShape
    {
        return Results::of([
            'current_A' => 'number', 'energy_J' => 'number', 'rise_C' => 'number', 'mean_W' => 'number',
            'mean_rise_C' => 'number', 'stuck_on_s' => 'number',
        ]);
    }

    public function check(array $inputs, ErrorList $errors): void
    {
    }

    public function compute(array $inputs): array
    {
        $coil = new PulsedCoil(...$inputs);
        $values = ['rises' => Quantity::number($coil->mean_rise_C), 'limit' => Quantity::number($inputs['limit_rise_C']),
            'off' => Quantity::of($coil->stuck_on_s, 's')];

        return ['inputs' => $inputs, 'results' => get_object_vars($coil), 'findings' => [
            ...($coil->mean_rise_C > $inputs['limit_rise_C'] ? [new Finding('power.coil_hot', Severity::Fails, 'per_minute',
                new Sentence('Hit so often it settles {rises} °C over the air, where {limit} °C are allowed: fewer or shorter pulses.', $values))] : []),
            ...($inputs['pulse_s'] > $coil->stuck_on_s ? [new Finding('power.coil_pulse', Severity::Fails, 'pulse_s',
                new Sentence('Left on so long it is too hot after {off}: let it go before that.', $values))] : []),
        ]];
    }
}
