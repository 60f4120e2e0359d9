<?php

declare(strict_types=1);

namespace Brookstone\Core\Calculator\Power;

use Brookstone\Core\Calculator\Calculator;
use Brookstone\Core\Calculator\Results;
use Brookstone\Core\Finding\Finding;
use Brookstone\Core\Finding\Sentence;
use Brookstone\Core\Finding\Severity;
use Brookstone\Core\Quantity\Quantity;
use Brookstone\Core\Sensing\PulseFilter;
use Brookstone\Core\Shape\ErrorList;
use Brookstone\Core\Shape\Field;
use Brookstone\Core\Shape\NumberShape;
use Brookstone\Core\Shape\RecordShape;

final readonly class FilterCalculator implements Calculator
{
    public function name(): string
    {
        return 'sense.filter';
    }

    public function says(): string
    {
        return 'A resistor and a capacitor that keep glitches from an input that counts pulses.';
    }

    public function inputs(): RecordShape
    {
        return new RecordShape([
            'resistor_ohm' => Field::needed(NumberShape::between(1.0, 1e9), 'In the wire to the input.'),
            'capacitor_nF' => Field::needed(NumberShape::between(1e-3, 1e9), 'From the input to ground.'),
            'pulse_hz' => Field::needed(NumberShape::between(1e-6, 1e9), 'The quickest pulses that are to be counted.'),
            'glitch_us' => Field::needed(NumberShape::notNegative(1e9), 'The longest glitch that is not.'),
            'threshold_fraction' => Field::or(0.4, NumberShape::between(0.01, 0.99), 'Of the supply, where the input changes its mind.'),
        ]);
    }

    public function results(): RecordShape
    {
        return Results::of([
            'tau_us' => 'number', 'cutoff_hz' => 'number', 'glitch_fraction' => 'number', 'swing_fraction' => 'number',
            'rejects' => 'boolean', 'passes' => 'boolean',
        ]);
    }

    public function check(array $inputs, ErrorList $errors): void
    {
    }

    public function compute(array $inputs): array
    {
        $of = new PulseFilter($inputs['resistor_ohm'], $inputs['capacitor_nF'] * 1e-9, $inputs['pulse_hz'],
            $inputs['glitch_us'] * 1e-6, $inputs['threshold_fraction']);
        $results = get_object_vars($of);
        unset($results['tau_s']);
        $findings = [];
        if (! $of->rejects) {
            $findings[] = new Finding('sense.filter_weak', Severity::Fails, 'capacitor_nF',
                new Sentence('A glitch still comes to {share} of the supply, and {at} counts: a larger capacitor or resistor.',
                    ['share' => Quantity::share($of->glitch_fraction), 'at' => Quantity::share($inputs['threshold_fraction'])]));
        }
        if (! $of->passes) {
            $findings[] = new Finding('sense.filter_strong', Severity::Fails, 'capacitor_nF',
                new Sentence('Pulses so quick swing only {share} of the supply behind it and are not counted: a smaller capacitor or resistor.',
                    ['share' => Quantity::share($of->swing_fraction)]));
        }

        return ['inputs' => $inputs, 'results' => ['tau_us' => $of->tau_s * 1e6, ...$results], 'findings' => $findings];
    }
}
