<?php

declare(strict_types=1);

namespace Brookstone\Core\Calculator\Power;

use Brookstone\Core\Calculator\Calculator;
use Brookstone\Core\Calculator\Results;
use Brookstone\Core\Finding\Finding;
use Brookstone\Core\Finding\Sentence;
use Brookstone\Core\Finding\Severity;
use Brookstone\Core\Quantity\Quantity;
use Brookstone\Core\Shape\ChoiceShape;
use Brookstone\Core\Shape\ErrorList;
use Brookstone\Core\Shape\Field;
use Brookstone\Core\Shape\NumberShape;
use Brookstone\Core\Shape\RecordShape;
use Brookstone\Core\Wiring\Regulator;

final readonly class RegulatorCalculator implements Calculator
{
    private const HOTTEST_C = 125.0; // inside: what most chips stand

    public function name(): string
    {
        return 'power.regulator';
    }

    public function says(): string
    {
        return 'What a voltage regulator takes, and how warm it gets.';
    }

    public function inputs(): RecordShape
    {
        return new RecordShape([
            'kind' => Field::needed(ChoiceShape::of('linear', 'switching', 'buck', 'boost'),
                'Linear burns what is left over; switching loses a share: buck down, boost up.'),
            'in_V' => Field::needed(NumberShape::positive(1e6), 'What comes in.'),
            'out_V' => Field::needed(NumberShape::positive(1e6), 'What goes out; of a linear one less than comes in.'),
            'current_A' => Field::needed(NumberShape::notNegative(1e6), 'What goes out.'),
            'efficiency' => Field::or(0.85, NumberShape::share(), 'Of a switching one.'),
            'theta_C_per_W' => Field::needed(NumberShape::notNegative(1e4), 'How much warmer its inside gets for each watt: 50 to 65 without a heat sink.'),
            'ambient_C' => Field::or(25.0, NumberShape::between(-60.0, 150.0), 'Air around it.'),
        ]);
    }

    public function results(): RecordShape
    {
        return Results::of(['heat_W' => 'number', 'input_A' => 'number', 'junction_C' => 'number']);
    }

    public function check(array $inputs, ErrorList $errors): void
    {
        if ($inputs['kind'] === null || $inputs['in_V'] === null || $inputs['out_V'] === null) {
            return;
        }
        if (in_array($inputs['kind'], ['linear', 'buck'], true) && $inputs['out_V'] >= $inputs['in_V']) {
            $errors->add('out_V', 'Such a regulator gives less than it gets.');
        } elseif ($inputs['kind'] === 'boost' && $inputs['out_V'] <= $inputs['in_V']) {
            $errors->add('out_V', 'Such a regulator gives more than it gets.');
        }
    }

    public function compute(array $inputs): array
    {
        $of = $inputs['kind'] === 'linear'
            ? Regulator::linear($inputs['in_V'], $inputs['out_V'], $inputs['current_A'], $inputs['theta_C_per_W'], $inputs['ambient_C'])
            : Regulator::switching($inputs['in_V'], $inputs['out_V'], $inputs['current_A'], $inputs['efficiency'],
                $inputs['theta_C_per_W'], $inputs['ambient_C']);

        return ['inputs' => $inputs, 'results' => get_object_vars($of), 'findings' => $of->junction_C <= self::HOTTEST_C ? [] : [
            new Finding('power.regulator_hot', Severity::Fails, 'theta_C_per_W', new Sentence(
                'It burns {heat} and would be {hot} inside, over {limit}: it switches itself off or dies.'
                .' A heat sink, a switching regulator or less voltage in helps.',
                ['heat' => Quantity::of($of->heat_W, 'W'), 'hot' => Quantity::of($of->junction_C, '°C'), 'limit' => Quantity::of(self::HOTTEST_C, '°C')])),
        ]];
    }
}
