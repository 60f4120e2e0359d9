<?php

declare(strict_types=1);

namespace Brookstone\Core\Calculator;

use Brookstone\Core\Finding\Finding;
use Brookstone\Core\Finding\Sentence;
use Brookstone\Core\Finding\Severity;
use Brookstone\Core\Quantity\Quantity;
use Brookstone\Core\Sensing\Debounce;
use Brookstone\Core\Shape\ErrorList;
use Brookstone\Core\Shape\Field;
use Brookstone\Core\Shape\NumberShape;
use Brookstone\Core\Shape\RecordShape;

final readonly class DebounceCalculator implements Calculator
{
    public function name(): string
    {
        return 'sense.debounce';
    }

    public function says(): string
    {
        return 'Whether a switch is waited for long enough to be steady and short enough to be seen.';
    }

    public function inputs(): RecordShape
    {
        $positive = NumberShape::positive();

        return new RecordShape([
            'bounce_ms' => Field::needed(NumberShape::notNegative(), 'How long its contacts bounce.'),
            'sample_ms' => Field::needed($positive, 'Time between two looks.'),
            'debounce_ms' => Field::needed(NumberShape::notNegative(), 'How long it must be steady.'),
            'flag_mm' => Field::needed($positive, 'How long the switch stays pressed, along the way.'),
            'speed_mm_s' => Field::needed($positive, 'Speed past it.'),
        ]);
    }

    public function results(): RecordShape
    {
        return Results::of(['dwell_ms' => 'number', 'latency_ms' => 'number', 'travel_mm' => 'number', 'false_trips' => 'boolean', 'missed' => 'boolean']);
    }

    public function check(array $inputs, ErrorList $errors): void
    {
    }

    public function compute(array $inputs): array
    {
        $results = get_object_vars(new Debounce(...$inputs));
        ['dwell_ms' => $dwell, 'latency_ms' => $latency] = $results;
        $findings = [];
        if ($results['false_trips']) {
            $findings[] = new Finding('sense.chatters', Severity::Fails, 'debounce_ms',
                new Sentence('It bounces for {bounce}, and is believed after {debounce}: one press counts as several.',
                    ['bounce' => Quantity::of($inputs['bounce_ms'], 'ms'), 'debounce' => Quantity::of($inputs['debounce_ms'], 'ms')]));
        }
        if ($results['missed']) {
            $findings[] = new Finding('sense.missed', Severity::Fails, 'flag_mm',
                new Sentence('It is pressed for {dwell} and seen only after {latency}: make the flag longer, the move slower or the wait shorter.',
                    ['dwell' => Quantity::of($dwell, 'ms'), 'latency' => Quantity::of($latency, 'ms')]));
        }

        return ['inputs' => $inputs, 'results' => $results, 'findings' => $findings];
    }
}
