<?php

declare(strict_types=1);

use Illuminate\Foundation\Testing\LazilyRefreshDatabase;
use Tests\TestCase;

pest()->extend(TestCase::class)->use(LazilyRefreshDatabase::class)->in('Feature');

/** Within a share of the expected value, or 1e-9, whichever is larger. */
expect()->extend('toBeAbout', function (float $expected, float $share = 1e-3) {
    $tolerance = max(1e-9, abs($expected) * $share);
    $difference = abs($this->value - $expected);
    expect($difference)->toBeLessThanOrEqual($tolerance, "expected {$expected}, got {$this->value}, difference {$difference}, tolerance {$tolerance}");

    return $this;
});

/** A worked case: numbers within a share, everything else equal. */
expect()->extend('toMatchCase', function (array $expected, float $share, string $at = '') {
    foreach ($expected as $key => $value) {
        $here = $at === '' ? (string) $key : "{$at}.{$key}";
        expect(array_key_exists($key, $this->value))->toBeTrue("{$here} is missing");
        $got = $this->value[$key];
        if (is_array($value)) {
            expect($got)->toMatchCase($value, $share, $here);
        } elseif (is_int($value) || is_float($value)) {
            expect($got)->toBeAbout((float) $value, $share);
        } else {
            expect($got)->toBe($value, "{$here} differs");
        }
    }

    return $this;
});

/** @return list<string> the fields that were refused */
function refusedFields(string $name, mixed $inputs): array
{
    try {
        Brookstone\Core\Calculator\Calculators::run(Brookstone\Core\Calculator\Calculators::all()[$name], $inputs);
    } catch (Brookstone\Core\Error\InvalidInput $refused) {
        return array_column($refused->errors, 'field');
    }

    return [];
}

/**
 * The whole judgement of a stored build over HTTP, with what mends it: asked for until all has been tried, as the page does.
 *
 * @return array<string, mixed>
 */
function mendedOverHttp(TestCase $test, string $build): array
{
    do {
        $sofar = $test->getJson("/api/builds/{$build}/mends")->assertOk()->json();
    } while (! $sofar['assessment']['tried']);

    return $sofar['assessment'];
}
