<?php

declare(strict_types=1);

namespace Brookstone\Core\Calculator;

use Brookstone\Core\Finding\Finding;
use Brookstone\Core\Finding\Sentence;
use Brookstone\Core\Finding\Severity;
use Brookstone\Core\Linkage\Swing;
use Brookstone\Core\Quantity\Quantity;
use Brookstone\Core\Shape\ErrorList;
use Brookstone\Core\Shape\Field;
use Brookstone\Core\Shape\NumberShape;
use Brookstone\Core\Shape\RecordShape;

final readonly class SwingCalculator implements Calculator
{
    private const FLAT_DEG = 30.0;

    public function name(): string
    {
        return 'linkage.swing';
    }

    public function says(): string
    {
        return 'Crank and rod that swing a lid by exactly so much with a motor that only turns one way, out as fast as back.';
    }

    public function inputs(): RecordShape
    {
        return new RecordShape([
            'swing_deg' => Field::needed(NumberShape::between(1.0, 170.0), 'How far the lid swings, end to end.'),
            'rocker_m' => Field::needed(NumberShape::positive(), 'From the lid’s pivot to where the rod holds it.'),
            'ground_m' => Field::needed(NumberShape::positive(), 'From the motor’s shaft to the lid’s pivot.'),
        ]);
    }

    public function results(): RecordShape
    {
        return Results::of(['crank_m' => 'number', 'coupler_m' => 'number', 'min_transmission_deg' => 'number', 'first_switch_deg' => 'number',
            'second_switch_deg' => 'number']);
    }

    public function check(array $inputs, ErrorList $errors): void
    {
        foreach ($errors->count() === 0 ? Swing::problems($inputs) : [] as $field => $message) {
            $errors->add($field, $message);
        }
    }

    public function compute(array $inputs): array
    {
        $swing = new Swing($inputs['swing_deg'], $inputs['rocker_m'], $inputs['ground_m']);
        $flat = $swing->min_transmission_deg;
        $findings = $flat === null || $flat < self::FLAT_DEG ? [new Finding('linkage.flat', $flat === null ? Severity::Fails : Severity::Tight, 'ground_m',
            new Sentence(
                $flat === null ? 'With these lengths the crank cannot go round. Set the motor further away, or hold the lid nearer to its pivot.'
                    : 'The rod lies only {angle} off the line of the lid at its worst: set the motor further away.',
                $flat === null ? [] : ['angle' => Quantity::of($flat, '°')],
            ))] : [];

        return ['inputs' => $inputs, 'results' => ['crank_m' => $swing->crank_m, 'coupler_m' => $swing->coupler_m, 'min_transmission_deg' => $flat,
            'first_switch_deg' => $swing->first_switch_deg, 'second_switch_deg' => $swing->second_switch_deg], 'findings' => $findings];
    }
}
