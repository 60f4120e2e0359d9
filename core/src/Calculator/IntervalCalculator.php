<?php

declare(strict_types=1);

namespace Brookstone\Core\Calculator;

use Brookstone\Core\Finding\Finding;
use Brookstone\Core\Finding\Sentence;
use Brookstone\Core\Finding\Severity;
use Brookstone\Core\Quantity\Quantity;
use Brookstone\Core\Shape\ErrorList;
use Brookstone\Core\Shape\Field;
use Brookstone\Core\Shape\NumberShape;
use Brookstone\Core\Shape\RecordShape;

final readonly class IntervalCalculator implements Calculator
{
    public function name(): string
    {
        return 'timer.interval';
    }

    public function says(): string
    {
        return 'What interval a clock and a chain of divide-by-two stages give.';
    }

    public function inputs(): RecordShape
    {
        return new RecordShape([
            'clock_hz' => Field::needed(NumberShape::positive(), 'Frequency of the clock.'),
            'stages' => Field::needed(NumberShape::whole(1, 40), 'Stages of the counter.'),
        ]);
    }

    public function results(): RecordShape
    {
        return Results::of(['counts' => 'number', 'interval_s' => 'number', 'first_edge_s' => 'number']);
    }

    public function check(array $inputs, ErrorList $errors): void
    {
    }

    public function compute(array $inputs): array
    {
        $counts = 2 ** $inputs['stages'];
        $interval = $counts / $inputs['clock_hz'];

        return ['inputs' => $inputs, 'results' => ['counts' => $counts, 'interval_s' => $interval, 'first_edge_s' => $interval / 2],
            'findings' => [new Finding('timer.first_edge', Severity::Note, 'stages', new Sentence(
                'After a reset its last stage rises after {first} and then every {interval}.', ['first' => Quantity::of($interval / 2, 's'),
                    'interval' => Quantity::of($interval, 's')],
            ))]];
    }
}
