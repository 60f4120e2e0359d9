<?php

declare(strict_types=1);

namespace Brookstone\Core\Calculator;

use Brookstone\Core\Finding\Finding;
use Brookstone\Core\Finding\Sentence;
use Brookstone\Core\Finding\Severity;
use Brookstone\Core\Quantity\Quantity;
use Brookstone\Core\Sensing\KnockWindow;
use Brookstone\Core\Shape\ErrorList;
use Brookstone\Core\Shape\Field;
use Brookstone\Core\Shape\NumberShape;
use Brookstone\Core\Shape\RecordShape;

final readonly class KnockCalculator implements Calculator
{
    public function name(): string
    {
        return 'sense.knock';
    }

    public function says(): string
    {
        return 'Whether a knock sensor counts each knock once, and no noise.';
    }

    public function inputs(): RecordShape
    {
        $positive = NumberShape::positive(60000.0);

        return new RecordShape([
            'quiet_ms' => Field::needed($positive, 'For which nothing counts after a knock.'),
            'ring_ms' => Field::needed($positive, 'For which the sensor rings on after one.'),
            'gap_ms' => Field::or(180.0, $positive, 'The shortest pause between two knocks.'),
            'knocks' => Field::or(1, NumberShape::whole(1, 20), 'Of a pattern.'),
            'longest_gap_ms' => Field::or(700.0, $positive, 'The longest pause within a pattern.'),
            'threshold' => Field::needed($positive, 'Reading from which it counts.'),
            'noise' => Field::needed(NumberShape::notNegative(), 'The largest reading without a knock: motors running, doors.'),
            'softest' => Field::needed($positive, 'The smallest reading of a knock that shall count.'),
        ]);
    }

    public function results(): RecordShape
    {
        return Results::of(['counts_twice' => 'boolean', 'loses_next' => 'boolean', 'best_ms' => 'number', 'pattern_ms' => 'number',
            'hears_noise' => 'boolean', 'misses_soft' => 'boolean']);
    }

    public function check(array $inputs, ErrorList $errors): void
    {
    }

    public function compute(array $inputs): array
    {
        $window = new KnockWindow(...$inputs);
        $ms = fn (float $value): Quantity => Quantity::of($value, 'ms');
        $findings = [];
        if ($window->counts_twice || $window->loses_next) {
            $findings[] = new Finding('sense.knock_window', Severity::Fails, 'quiet_ms',
                new Sentence('It rings for {ring} and the next knock may come after {gap}, but nothing counts for {quiet}: '.($window->counts_twice
                ? 'one knock counts as several' : 'the next is lost').'.', ['ring' => $ms($inputs['ring_ms']), 'gap' => $ms($inputs['gap_ms']),
                    'quiet' => $ms($inputs['quiet_ms'])]));
        }
        if ($window->hears_noise || $window->misses_soft) {
            $findings[] = new Finding('sense.knock_threshold', Severity::Fails, 'threshold',
                new Sentence('Noise reads up to {noise} and the softest knock {softest}, but it counts from {threshold}'.($inputs['noise'] >= $inputs['softest'] ? '; no threshold tells them apart' : '').'.', ['noise' => Quantity::number($inputs['noise']), 'softest' => Quantity::number($inputs['softest']), 'threshold' => Quantity::number($inputs['threshold'])]));
        }

        return ['inputs' => $inputs, 'results' => get_object_vars($window), 'findings' => $findings];
    }
}
