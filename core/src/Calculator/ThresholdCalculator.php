<?php

declare(strict_types=1);

namespace Brookstone\Core\Calculator;

use Brookstone\Core\Finding\Finding;
use Brookstone\Core\Finding\Sentence;
use Brookstone\Core\Finding\Severity;
use Brookstone\Core\Quantity\Quantity;
use Brookstone\Core\Sensing\Threshold;
use Brookstone\Core\Shape\ErrorList;
use Brookstone\Core\Shape\Field;
use Brookstone\Core\Shape\ListShape;
use Brookstone\Core\Shape\NumberShape;
use Brookstone\Core\Shape\RecordShape;

final readonly class ThresholdCalculator implements Calculator
{
    private const MOST = 10000;

    public function name(): string
    {
        return 'sense.threshold';
    }

    public function says(): string
    {
        return 'Where to set the threshold of a sensor, from readings without and with the thing.';
    }

    public function inputs(): RecordShape
    {
        $readings = new ListShape(NumberShape::any(), Threshold::LEAST_READINGS, self::MOST, 'readings');

        return new RecordShape([
            'absent' => Field::needed($readings, 'Readings without the thing, in the light it will live in.'),
            'present' => Field::needed($readings, 'Readings with it.'),
            'resolution' => Field::or(1.0, NumberShape::positive(), 'Smallest step of a reading.'),
        ]);
    }

    public function results(): RecordShape
    {
        return Results::of(array_fill_keys(['absent_mean', 'absent_sd', 'present_mean', 'present_sd', 'threshold', 'separation', 'error_rate', 'upper',
            'lower'], 'number'));
    }

    public function check(array $inputs, ErrorList $errors): void
    {
        if ($errors->count() === 0 && array_sum($inputs['absent']) / count($inputs['absent']) === array_sum($inputs['present']) / count($inputs['present'])) {
            $errors->add('present', 'Reads the same on the mean as without: no threshold can tell them apart.');
        }
    }

    public function compute(array $inputs): array
    {
        $threshold = new Threshold($inputs['absent'], $inputs['present'], $inputs['resolution']);
        $count = min(count($inputs['absent']), count($inputs['present']));
        $findings = [];
        if ($threshold->error_rate > 1e-3) {
            $findings[] = new Finding('sense.ghosts', $threshold->error_rate > 0.01 ? Severity::Fails : Severity::Tight, 'present',
                new Sentence('One reading in {often} falls on the wrong side: shade the sensor, or bring it nearer.',
                    ['often' => Quantity::number(round(1 / $threshold->error_rate))]));
        }
        if ($threshold->error_rate > 0.0 && $count < 1 / $threshold->error_rate) {
            $findings[] = new Finding('sense.few_readings', Severity::Note, 'absent',
                new Sentence("An error rate of {rate} cannot be vouched for by {$count} readings: it may be up to {most}. More of each tell the spread better.", [
                    'rate' => Quantity::share($threshold->error_rate),
                    'most' => Quantity::share($threshold->errorRateAtMost(count($inputs['absent']), count($inputs['present']))),
                ]));
        }

        return ['inputs' => $inputs, 'results' => get_object_vars($threshold), 'findings' => $findings];
    }
}
