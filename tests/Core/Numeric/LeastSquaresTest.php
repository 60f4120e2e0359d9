<?php

declare(strict_types=1);

use Brookstone\Core\Numeric\LeastSquares;
use Random\Engine\Mt19937;
use Random\Randomizer;

/** Residuals of a straight line through points of one standard deviation each. @return Closure(list<float>): list<float> */
function offALine(array $points): Closure
{
    return fn (array $at): array => array_map(fn (array $point): float => $at[0] + $at[1] * $point[0] - $point[1], $points);
}

/** @return list<array{float, float}> points about y = 3 − 2·x */
function aboutALine(int $seed, float $scatter): array
{
    $random = new Randomizer(new Mt19937($seed));

    return array_map(fn (int $i): array => [$i / 4, 3.0 - 2.0 * $i / 4 + $scatter * $random->getInt(-1000, 1000) / 1000], range(0, 11));
}

it('finds the straight line that its normal equations give, how sure that is, and what follows which point', function (int $seed) {
    $points = aboutALine($seed, 0.5);
    $fit = LeastSquares::fit(offALine($points), [0.0, 0.0], [0.1, 0.1], [-INF, -INF], [INF, INF]);
    [$n, $x, $xx] = [count($points), array_sum(array_column($points, 0)), array_sum(array_map(fn (array $p): float => $p[0] ** 2, $points))];
    [$y, $xy] = [array_sum(array_column($points, 1)), array_sum(array_map(fn (array $p): float => $p[0] * $p[1], $points))];
    $det = $n * $xx - $x ** 2;

    expect($fit->at[0])->toBeAbout(($xx * $y - $x * $xy) / $det, 1e-5)->and($fit->at[1])->toBeAbout(($n * $xy - $x * $y) / $det, 1e-5)
        ->and($fit->covariance[0][0])->toBeAbout($xx / $det, 1e-9)->and($fit->covariance[0][1])->toBeAbout(-$x / $det, 1e-9)
        ->and($fit->covariance[1][0])->toBeAbout($fit->covariance[0][1], 1e-12)->and($fit->covariance[1][1])->toBeAbout($n / $det, 1e-9)
        ->and(array_sum($fit->leverage))->toBeAbout(2.0, 1e-9) // as many as there are values
        ->and($fit->leverage[0])->toBeAbout(1 / $n + ($points[0][0] - $x / $n) ** 2 / ($xx - $x ** 2 / $n), 1e-6)
        ->and($fit->left)->toEqualWithDelta(offALine($points)($fit->at), 1e-12);
})->with(range(1, 8));

it('is no worse than anything near it', function (int $seed) {
    $random = new Randomizer(new Mt19937($seed));
    $points = array_map(fn (int $i): array => [$i / 5, 4.0 * exp(-$i / 5 / 1.7) + 0.5 + $random->getInt(-1000, 1000) / 1e4], range(0, 20));
    $residuals = fn (array $at): array => array_map(fn (array $p): float => ($at[0] * exp(-$p[0] / $at[1]) + $at[2] - $p[1]) / 0.05, $points);
    $squares = fn (array $at): float => array_sum(array_map(fn (float $each): float => $each ** 2, $residuals($at)));
    $fit = LeastSquares::fit($residuals, [1.0, 0.6, 0.0], [1e-3, 1e-3, 1e-3], [0.1, 0.1, -9.0], [9.0, 9.0, 9.0]);

    foreach (range(1, 40) as $i) {
        $near = array_map(fn (float $value): float => $value + $random->getInt(-1000, 1000) / 5e4, $fit->at);
        expect($squares($near))->toBeGreaterThan($squares($fit->at));
    }
    expect($fit->at[0])->toEqualWithDelta(4.0, 0.3)->and($fit->at[1])->toEqualWithDelta(1.7, 0.4);
})->with(range(1, 6));

it('ends at a bound where it would go past it, and the others do what is best there', function () {
    $points = aboutALine(3, 0.2);
    $fit = LeastSquares::fit(offALine($points), [0.0, -1.0], [0.1, 0.1], [-INF, -1.5], [INF, INF]);
    // with the slope held at −1.5 the other is the mean of what is left
    $mean = array_sum(array_map(fn (array $p): float => $p[1] + 1.5 * $p[0], $points)) / count($points);
    $over = LeastSquares::fit(offALine($points), [0.0, -3.0], [0.1, 0.1], [-INF, -INF], [2.0, INF]);
    $best = array_sum(array_map(fn (array $p): float => $p[0] * ($p[1] - 2.0), $points)) / array_sum(array_map(fn (array $p): float => $p[0] ** 2, $points));

    expect($fit->at[1])->toBe(-1.5)->and($fit->at[0])->toBeAbout($mean, 1e-4)
        ->and($over->at[0])->toBe(2.0)->and($over->at[1])->toBeAbout($best, 1e-4);
});

it('goes round where there are no residuals, and has no answer where it cannot begin', function () {
    $points = aboutALine(5, 0.1);
    $within = fn (float $most): Closure => fn (array $at): ?array => $at[0] > $most ? null : offALine($points)($at);

    expect(LeastSquares::fit($within(2.5), [0.0, 0.0], [0.1, 0.1], [-INF, -INF], [INF, INF])->at[0])->toBeGreaterThan(2.0)->toBeLessThanOrEqual(2.5)
        ->and(LeastSquares::fit($within(-1.0), [0.0, 0.0], [0.1, 0.1], [-INF, -INF], [INF, INF]))->toBeNull()
        // on the one side of the start there is nothing: slopes are taken over the other
        ->and(LeastSquares::fit($within(3.2), [3.2, 0.0], [0.1, 0.1], [-INF, -INF], [INF, INF])->at[1])->toEqualWithDelta(-2.0, 0.2)
        ->and(LeastSquares::fit(fn (array $at): ?array => $at[0] === 0.0 ? [1.0] : null, [0.0], [0.1], [-INF], [INF]))->toBeNull()
        ->and(LeastSquares::fit(fn (array $at): ?array => [$at[0]], [1.0], [0.1], [1.0], [1.0]))->toBeNull(); // it may go nowhere
});
