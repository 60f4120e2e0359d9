<?php

declare(strict_types=1);

namespace Brookstone\Core\Calculator;

use Brookstone\Core\Finding\Finding;
use Brookstone\Core\Finding\Sentence;
use Brookstone\Core\Finding\Severity;
use Brookstone\Core\Linkage\FourBar;
use Brookstone\Core\Quantity\Quantity;
use Brookstone\Core\Shape\ChoiceShape;
use Brookstone\Core\Shape\ErrorList;
use Brookstone\Core\Shape\Field;
use Brookstone\Core\Shape\NumberShape;
use Brookstone\Core\Shape\RecordShape;

final readonly class FourBarCalculator implements Calculator
{
    private const FLAT_DEG = 30.0;

    public function name(): string
    {
        return 'linkage.four_bar';
    }

    public function says(): string
    {
        return 'How four bars in a loop move: which of them goes round, how far the rocker swings, and how well it is pushed.';
    }

    public function inputs(): RecordShape
    {
        $positive = NumberShape::positive();

        return new RecordShape([
            'crank_m' => Field::needed($positive, 'Driven bar.'),
            'coupler_m' => Field::needed($positive, 'Bar between crank and rocker.'),
            'rocker_m' => Field::needed($positive, 'Bar that swings.'),
            'ground_m' => Field::needed($positive, 'Between the two fixed pivots.'),
        ]);
    }

    public function results(): RecordShape
    {
        $number = NumberShape::any()->orNull();

        return new RecordShape([
            'kind' => Field::needed(ChoiceShape::of('crank-rocker', 'rocker-crank', 'double-crank', 'double-rocker', 'change-point', 'triple-rocker')),
            'swing_deg' => Field::needed($number), 'min_transmission_deg' => Field::needed($number), 'time_ratio' => Field::needed($number),
        ]);
    }

    public function check(array $inputs, ErrorList $errors): void
    {
        foreach (FourBar::problems($inputs) as $field => $message) {
            $errors->add($field, $message);
        }
    }

    public function compute(array $inputs): array
    {
        $bars = new FourBar(...$inputs);
        $swing = $bars->swing();
        $findings = $swing !== null && $swing['min_transmission_deg'] < self::FLAT_DEG ? [new Finding('linkage.flat', Severity::Tight, 'crank_m', new Sentence(
            'The coupler lies only {angle} off the line of the rocker at its worst: it pushes mostly on the pivot, and a little play lets it stick.',
            ['angle' => Quantity::of($swing['min_transmission_deg'], '°')],
        ))] : [];

        return ['inputs' => $inputs, 'results' => ['kind' => $bars->kind()] + ($swing ?? ['swing_deg' => null, 'min_transmission_deg' => null,
            'time_ratio' => null]), 'findings' => $findings];
    }
}
