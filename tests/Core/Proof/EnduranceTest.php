<?php

declare(strict_types=1);

use Brookstone\Core\Calculator\Calculators;
use Brookstone\Core\Error\ImpossibleValue;
use Brookstone\Core\Error\InvalidInput;
use Brookstone\Core\Proof\Endurance;

/** @return array{array<string, mixed>, list<string>} what comes out, and what is said */
function endured(array $inputs): array
{
    $answer = Calculators::run(Calculators::all()['proof.endurance'], $inputs);

    return [$answer['results'], array_map(fn ($finding): string => "{$finding->severity->value} {$finding->code}: {$finding->says->text()}", $answer['findings'])];
}

/** The chance of so many of some runs, multiplied out. */
function chanceOf(int $failures, int $runs, float $share): float
{
    $ways = 1.0;
    for ($i = 0; $i < $failures; $i++) {
        $ways *= ($runs - $i) / ($i + 1);
    }

    return $ways * $share ** $failures * (1 - $share) ** ($runs - $failures);
}

it('has the bounds of the tables', function (int $runs, int $failures, float $confidence, float $least, float $most) {
    $seen = new Endurance($runs, $failures, $confidence);

    expect($seen->most_share)->toEqualWithDelta($most, 5e-5)->and($seen->least_share)->toEqualWithDelta($least, 5e-5)->and($seen->seen_share)->toEqual($failures / $runs);
})->with([
    'none in 200: 1 − 0.05^(1/200)' => [200, 0, 0.95, 0.0, 0.01487],
    'one in 20' => [20, 1, 0.95, 0.00256, 0.21611],
    'two in ten' => [10, 2, 0.95, 0.03677, 0.50690],
    'all of five: lower 0.05^(1/5)' => [5, 5, 0.95, 0.54928, 1.0],
    'none in one' => [1, 0, 0.95, 0.0, 0.95],
    'none in 200, surer: 1 − 0.01^(1/200)' => [200, 0, 0.99, 0.0, 0.02276],
]);

it('gives just that much confidence at its bounds', function () {
    foreach ([[12, 0], [12, 3], [40, 1], [40, 39], [150, 7]] as [$runs, $failures]) {
        foreach ([0.6, 0.9, 0.99] as $confidence) {
            $seen = new Endurance($runs, $failures, $confidence);
            $upTo = fn (int $most, float $share): float => array_sum(array_map(fn (int $i): float => chanceOf($i, $runs, $share), $most < 0 ? [] : range(0, $most)));
            expect($upTo($failures, $seen->most_share))->toEqualWithDelta(1 - $confidence, 1e-9);
            if ($failures > 0) {
                expect($upTo($failures - 1, $seen->least_share))->toEqualWithDelta($confidence, 1e-9);
            }
        }
    }
});

it('says more with more runs, and less with more failures or more confidence', function () {
    $most = fn (int $runs, int $failures, float $confidence): float => (new Endurance($runs, $failures, $confidence))->most_share;

    expect($most(400, 2, 0.95))->toBeLessThan($most(200, 2, 0.95))->and($most(200, 3, 0.95))->toBeGreaterThan($most(200, 2, 0.95))
        ->and($most(200, 2, 0.99))->toBeGreaterThan($most(200, 2, 0.95));
});

it('stays finite with very many', function () {
    $many = new Endurance(10_000_000, 1000, 0.95);

    expect($many->most_share)->toBeGreaterThan(1e-4)->toBeLessThan(1.1e-4)->and($many->least_share)->toBeGreaterThan(0.9e-4)->toBeLessThan(1e-4);
});

it('knows how many runs without a failure say enough', function (float $share, float $confidence, int $runs) {
    expect(Endurance::runsFor($share, $confidence))->toBe($runs)->and((new Endurance($runs, 0, $confidence))->most_share)->toBeLessThanOrEqual($share * (1 + 1e-9));
    if ($runs > 1) {
        expect((new Endurance($runs - 1, 0, $confidence))->most_share)->toBeGreaterThan($share);
    }
})->with([[0.01, 0.95, 299], [0.1, 0.95, 29], [0.001, 0.95, 2995], [0.1, 0.9, 22], [0.5, 0.5, 1]]);

it('says it plainly', function () {
    expect(endured(['runs' => 200])[1])->toBe(['note proof.endures: 0 failures in 200 runs: with 95% it fails in under 1.49% of them.'])
        ->and(endured(['runs' => 200, 'failures' => 1, 'wanted_share' => 0.01])[1])->toBe([
            'note proof.endures: 1 failure in 200 runs: with 95% it fails in under 2.35% of them.',
            'tight proof.too_few_runs: That is not under 1%: it takes 299 runs without any failure to say so with 95%.'])
        ->and(endured(['runs' => 299, 'wanted_share' => 0.01]))->sequence(
            fn ($results) => $results->toMatchArray(['says_enough' => true, 'runs_without_failure' => 299]), fn ($said) => $said->toHaveCount(1))
        ->and(endured(['runs' => 298, 'wanted_share' => 0.01])[0])->toMatchArray(['says_enough' => false]);
});

it('refuses what cannot be', function (array $inputs, string $field) {
    try {
        endured($inputs);
        $fields = [];
    } catch (InvalidInput $refused) {
        $fields = array_column($refused->errors, 'field');
    }

    expect($fields)->toBe([$field]);
})->with([[['runs' => 3, 'failures' => 4], 'failures'], [['runs' => 0], 'runs'], [['runs' => 2.5], 'runs'], [['runs' => 5, 'confidence' => 1], 'confidence'],
    [['runs' => 5, 'wanted_share' => 0], 'wanted_share']]);

it('is nothing that could be wrong', function (int $runs, int $failures, float $confidence) {
    expect(fn (): Endurance => new Endurance($runs, $failures, $confidence))->toThrow(ImpossibleValue::class);
})->with([[0, 0, 0.95], [5, 6, 0.95], [5, -1, 0.95], [5, 1, 0.0], [5, 1, 1.0], [5000, 1001, 0.9]]);
