<?php

declare(strict_types=1);

use Brookstone\Core\Sensing\Threshold;
use Tests\Support\Builds;
use Tests\Support\Things;

/** @return array{list<float>, list<float>} readings of two normal sets: 40 and 60, with a spread */
function twoSets(int $count, float $spread, int $seed): array
{
    $things = new Things($seed);
    $normal = fn (): float => sqrt(-2 * log($things->number(1e-6, 1))) * cos(2 * M_PI * $things->number(0, 1));
    $set = fn (float $mean): array => array_map(fn (): float => $mean + $spread * $normal(), range(1, $count));

    return [$set(40.0), $set(60.0)];
}

it('doubts its error rate the less the more readings there are, and never tells less than it reckons', function () {
    $of = fn (int $count): array => array_map(function (int $seed) use ($count): array {
        [$absent, $present] = twoSets($count, 3.0, $seed);
        $threshold = new Threshold($absent, $present, 0.01);

        return [$threshold->error_rate, $threshold->errorRateAtMost($count, $count)];
    }, range(1, 40));
    $mean = fn (int $count): float => array_sum(array_column($of($count), 1)) / 40;
    foreach ([3, 10, 100] as $count) {
        foreach ($of($count) as [$rate, $most]) {
            expect($most)->toBeGreaterThanOrEqual($rate);
        }
    }

    expect($mean(3))->toBeGreaterThan(2 * $mean(10))->and($mean(10))->toBeGreaterThan(2 * $mean(100));
});

it('is right nineteen times in twenty: the real rate is seldom more than it cannot rule out', function (int $count) {
    $real = 0.5 * 0.000858; // ½ erfc(20/6/√2)
    $over = 0;
    foreach (range(1, 300) as $seed) {
        [$absent, $present] = twoSets($count, 3.0, 7000 + $seed);
        $over += (new Threshold($absent, $present, 0.01))->errorRateAtMost($count, $count) < $real ? 1 : 0;
    }

    expect($over)->toBeLessThanOrEqual(15); // of three hundred
})->with([4, 10]);

it('tells few readings where they cannot rule out one wrong in a hundred, and not where they can', function () {
    $found = fn (array $absent, array $present): array => Builds::found(Builds::planted([
        'sensors.2' => ['id' => 'cup', 'name' => 'Cup', 'kind' => 'distance', 'upper' => 70, 'absent' => $absent, 'present' => $present],
        'routines.1.steps.9' => ['do' => 'wait', 'until' => ['sensor' => 'cup'], 'give_up_s' => 3],
    ]), 'routine.few_readings');
    [$absent, $present] = [[40, 44, 47], [88, 91, 93]];
    $most = (new Threshold($absent, $present))->errorRateAtMost(3, 3);

    expect($most)->toBeGreaterThan(0.01)
        ->and($found($absent, $present)[0]->says->text())->toBe('Cup was read 3 times without the thing and 3 times with it: that few cannot rule out that it misreads '.Brookstone\Core\Quantity\Quantity::share($most)->text().'. More of each tell the spread better.')
        ->and($found([40, 44, 47, 42, 45, 43, 46, 44, 41, 45], [88, 91, 93, 90, 89, 92, 91, 90, 93, 88]))->toBe([]);
});

it('cannot rule out what the formula says of ten readings and ten', function () {
    // Means 10 apart, spreads of 1: 10 − 1.6449·√(1/10 + 1/10) = 9.2644; χ²₀.₀₅ of nine degrees, by Wilson and Hilferty, makes each spread 1.6476 times as large.
    $readings = fn (float $mean): array => array_map(fn (float $off): float => $mean + $off * 3 / sqrt(10), [-1, 1, -1, 1, -1, 1, -1, 1, -1, 1]);
    $threshold = new Threshold($readings(10.0), $readings(20.0));

    expect($threshold->absent_sd)->toBeAbout(1.0, 1e-9)->and($threshold->errorRateAtMost(10, 10))->toBeAbout(0.0024674, 1e-3)
        ->and($threshold->separation)->toBeAbout(5.0, 1e-9)->and($threshold->error_rate)->toBeAbout(2.8665e-7, 1e-3)->and($threshold->threshold)->toBeAbout(15.0, 1e-9)
        ->and($threshold->upper)->toBeAbout(16.25, 1e-9)->and($threshold->lower)->toBeAbout(13.75, 1e-9);
});

it('vouches for nothing where the means could be the same', fn () => expect((new Threshold([9.0, 11.0, 10.0], [10.5, 11.5, 9.5]))->errorRateAtMost(3, 3))->toBe(0.5));
