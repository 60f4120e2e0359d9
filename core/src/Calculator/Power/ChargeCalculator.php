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
use Brookstone\Core\Wiring\ChargeBalance;

final readonly class ChargeCalculator implements Calculator
{
    private const GENTLE = 0.5; // of its capacity in an hour

    public function name(): string
    {
        return 'power.charge';
    }

    public function says(): string
    {
        return 'Whether a charger keeps up with what is used, and how long a power cut may last.';
    }

    public function inputs(): RecordShape
    {
        return new RecordShape([
            'charger_A' => Field::needed(NumberShape::notNegative(1e6), 'What the charger gives.'),
            'charge_efficiency' => Field::or(0.7, NumberShape::share(), 'How much of that the battery keeps.'),
            'capacity_Ah' => Field::needed(NumberShape::positive(1e6), 'What the battery holds.'),
            'daily_Ah' => Field::needed(NumberShape::notNegative(1e6), 'What is used in a day.'),
            'usable_fraction' => Field::or(0.8, NumberShape::share(), 'How much of it may be used.'),
        ]);
    }

    public function results(): RecordShape
    {
        return Results::of([
            'gives_Ah_day' => 'number', 'balance_Ah_day' => 'number', 'through_cut_days' => 'number', 'refill_days' => 'number',
            'rate_fraction_per_hour' => 'number',
        ]);
    }

    public function check(array $inputs, ErrorList $errors): void
    {
    }

    public function compute(array $inputs): array
    {
        $of = new ChargeBalance(...$inputs);
        $findings = [];
        if ($of->balance_Ah_day <= 0.0) {
            $findings[] = new Finding('power.charge_short', Severity::Fails, 'charger_A',
                new Sentence('It gives {gives} a day and {uses} are used: nothing is left to fill the battery with.',
                    ['gives' => Quantity::of($of->gives_Ah_day, 'Ah'), 'uses' => Quantity::of($inputs['daily_Ah'], 'Ah')]));
        }
        if ($of->rate_fraction_per_hour > self::GENTLE) {
            $findings[] = new Finding('power.charge_fast', Severity::Tight, 'charger_A',
                new Sentence('It gives {rate} of the capacity in an hour, more than the {most} most batteries stand: see what its maker allows.',
                    ['rate' => Quantity::share($of->rate_fraction_per_hour), 'most' => Quantity::share(self::GENTLE)]));
        }

        return ['inputs' => $inputs, 'results' => get_object_vars($of), 'findings' => $findings];
    }
}
