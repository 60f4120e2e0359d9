<?php

declare(strict_types=1);

namespace Brookstone\Core\Calculator\Air;

use Brookstone\Core\Air\Tank;
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

final readonly class TankCalculator implements Calculator
{
    public function name(): string
    {
        return 'air.tank';
    }

    public function says(): string
    {
        return 'For how many cycles a tank lasts, and whether its compressor keeps up.';
    }

    public function inputs(): RecordShape
    {
        $pressure = NumberShape::notNegative(20.0);

        return new RecordShape([
            'tank_l' => Field::needed(NumberShape::positive(1e4), 'What it holds.'),
            'high_bar' => Field::needed(NumberShape::positive(20.0), 'Where the compressor stops, over the room’s.'),
            'low_bar' => Field::needed($pressure, 'Where it starts.'),
            'needs_bar' => Field::needed($pressure, 'What the load needs at least.'),
            'air_per_cycle_l' => Field::needed(NumberShape::positive(1e4), 'Free air of all strokes of a cycle.'),
            'cycle_s' => Field::needed(NumberShape::positive(1e6), 'From one cycle to the next.'),
            'compressor_l_min' => Field::needed(NumberShape::notNegative(1e5), 'Free air that the compressor gives.'),
        ]);
    }

    public function results(): RecordShape
    {
        return Results::of(['cycles_to_low' => 'number', 'cycles_to_needs' => 'number', 'used_l_min' => 'number', 'share_on' => 'number',
            'keeps_up' => 'boolean', 'refill_s' => 'number']);
    }

    public function check(array $inputs, ErrorList $errors): void
    {
        foreach (['low_bar', 'needs_bar'] as $field) {
            if ($inputs[$field] >= $inputs['high_bar']) {
                $errors->add($field, 'Must be less than where the compressor stops.');
            }
        }
    }

    public function compute(array $inputs): array
    {
        $tank = new Tank(...$inputs);
        $with = $tank->keeps_up ? $tank->cycles_to_needs : $tank->cycles_to_needs / (1 - 1 / $tank->share_on); // while it runs
        $values = ['cycles' => Quantity::number(floor($with)), 'needs' => Quantity::of($inputs['needs_bar'], 'bar'),
            'used' => Quantity::of($tank->used_l_min, 'l/min'), 'gives' => Quantity::of($inputs['compressor_l_min'], 'l/min'),
            'high' => Quantity::of($inputs['high_bar'], 'bar'), 'low' => Quantity::of($inputs['low_bar'], 'bar')];
        $findings = [];
        if ($tank->cycles_to_needs < 1.0) {
            $findings[] = new Finding('air.tank_small', Severity::Fails, 'tank_l',
                new Sentence('From {high} it falls under the {needs} that are needed before one cycle is over.', $values));
        }
        if (! $tank->keeps_up) {
            $findings[] = new Finding('air.compressor_small', Severity::Fails, 'compressor_l_min',
                new Sentence('{used} are used and the compressor gives {gives}: it falls under {needs} after {cycles} cycles.', $values));
        }
        if ($inputs['low_bar'] < $inputs['needs_bar']) {
            $findings[] = new Finding('air.starts_late', Severity::Tight, 'low_bar',
                new Sentence('The compressor starts at {low}, when the load lacks its {needs} already.', $values));
        }

        return ['inputs' => $inputs, 'results' => get_object_vars($tank), 'findings' => $findings];
    }
}
