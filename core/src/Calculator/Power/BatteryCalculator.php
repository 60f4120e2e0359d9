<?php

declare(strict_types=1);

namespace Brookstone\Core\Calculator\Power;

use Brookstone\Core\Calculator\Calculator;
use Brookstone\Core\Calculator\Results;
use Brookstone\Core\Shape\ErrorList;
use Brookstone\Core\Shape\Field;
use Brookstone\Core\Shape\ListShape;
use Brookstone\Core\Shape\NumberShape;
use Brookstone\Core\Shape\RecordShape;
use Brookstone\Core\Wiring\BatteryLife;

final readonly class BatteryCalculator implements Calculator
{
    public function name(): string
    {
        return 'power.battery';
    }

    public function says(): string
    {
        return 'How many days a battery lasts.';
    }

    public function inputs(): RecordShape
    {
        $use = new RecordShape([
            'amps_A' => Field::needed(NumberShape::notNegative(1e6), 'What is drawn.'),
            'seconds_s' => Field::needed(NumberShape::notNegative(86400.0), 'For how long each time.'),
            'per_day' => Field::needed(NumberShape::notNegative(1e6), 'How often a day.'),
        ]);

        return new RecordShape([
            'capacity_Ah' => Field::needed(NumberShape::positive(1e6), 'What it holds.'),
            'uses' => Field::or([], new ListShape($use, 0, 50), 'What is drawn now and then.'),
            'sleep_A' => Field::or(0.0, NumberShape::notNegative(1e6), 'What is drawn all the time.'),
            'usable_fraction' => Field::or(0.8, NumberShape::share(), 'How much of it may be used.'),
            'self_discharge_per_month' => Field::or(0.0, NumberShape::between(0.0, 1.0), 'Share that it loses by itself in a month.'),
        ]);
    }

    public function results(): RecordShape
    {
        return Results::of(['daily_Ah' => 'number', 'life_days' => 'number']);
    }

    public function check(array $inputs, ErrorList $errors): void
    {
    }

    public function compute(array $inputs): array
    {
        return ['inputs' => $inputs, 'results' => get_object_vars(new BatteryLife(...$inputs)), 'findings' => []];
    }
}
