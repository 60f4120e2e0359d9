<?php

declare(strict_types=1);

namespace Brookstone\Core\Calculator;

use Brookstone\Core\Finding\Finding;
use Brookstone\Core\Finding\Sentence;
use Brookstone\Core\Finding\Severity;
use Brookstone\Core\Proof\Endurance;
use Brookstone\Core\Quantity\Quantity;
use Brookstone\Core\Shape\ErrorList;
use Brookstone\Core\Shape\Field;
use Brookstone\Core\Shape\NumberShape;
use Brookstone\Core\Shape\RecordShape;

final readonly class EnduranceCalculator implements Calculator
{
    public function name(): string
    {
        return 'proof.endurance';
    }

    public function says(): string
    {
        return 'What so many runs with so many failures say of how often it fails, and how many runs would say enough.';
    }

    public function inputs(): RecordShape
    {
        return new RecordShape([
            'runs' => Field::needed(NumberShape::whole(1, 10_000_000), 'Runs that were made.'),
            'failures' => Field::or(0, NumberShape::whole(0, Endurance::MOST_FAILURES), 'How many of them failed.'),
            'confidence' => Field::or(0.95, NumberShape::between(0.5, 0.9999), 'How sure it shall be.'),
            'wanted_share' => Field::or(null, NumberShape::between(1e-7, 0.99)->orNull(), 'It may fail in no larger share of its runs; empty to ask nothing.'),
        ]);
    }

    public function results(): RecordShape
    {
        return Results::of(['seen_share' => 'number', 'least_share' => 'number', 'most_share' => 'number', 'runs_without_failure' => 'number',
            'says_enough' => 'boolean']);
    }

    public function check(array $inputs, ErrorList $errors): void
    {
        if ($inputs['failures'] > $inputs['runs']) {
            $errors->add('failures', 'Must be no more than its runs.');
        }
    }

    public function compute(array $inputs): array
    {
        $seen = new Endurance($inputs['runs'], $inputs['failures'], $inputs['confidence']);
        $wanted = $inputs['wanted_share'];
        $needed = $wanted === null ? null : Endurance::runsFor($wanted, $inputs['confidence']);
        $sure = Quantity::share($inputs['confidence']);
        $failures = $inputs['failures'] === 1 ? '1 failure' : "{$inputs['failures']} failures";
        $runs = $inputs['runs'] === 1 ? '1 run' : "{$inputs['runs']} runs";
        $findings = [new Finding('proof.endures', Severity::Note, 'failures', new Sentence(
            "{$failures} in {$runs}: with {sure} it fails in under {most} of them.", ['sure' => $sure, 'most' => Quantity::share($seen->most_share)]))];
        if ($wanted !== null && $seen->most_share > $wanted) {
            $findings[] = new Finding('proof.too_few_runs', Severity::Tight, 'wanted_share', new Sentence(
                "That is not under {wanted}: it takes {$needed} runs without any failure to say so with {sure}.",
                ['wanted' => Quantity::share($wanted), 'sure' => $sure]));
        }

        return ['inputs' => $inputs, 'results' => ['seen_share' => $seen->seen_share, 'least_share' => $seen->least_share, 'most_share' => $seen->most_share,
            'runs_without_failure' => $needed, 'says_enough' => $wanted === null || $seen->most_share <= $wanted], 'findings' => $findings];
    }
}
