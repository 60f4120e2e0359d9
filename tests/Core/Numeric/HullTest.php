<?php

declare(strict_types=1);

use Brookstone\Core\Numeric\Hull;
use Random\Engine\Mt19937;
use Random\Randomizer;

/** Twice the area to the left of a line from one point to another, with a third as corner. */
function leftOf(array $one, array $other, array $point): float
{
    return ($other[0] - $one[0]) * ($point[1] - $one[1]) - ($other[1] - $one[1]) * ($point[0] - $one[0]);
}

/** @return list<array{array{float, float}, array{float, float}}> from each corner to the next */
function edgesOf(array $hull): array
{
    return array_map(null, $hull, [...array_slice($hull, 1), ...array_slice($hull, 0, 1)]);
}

it('has all points on the left of each of its edges, turns left at each corner, and has no corner of its own', function (int $seed) {
    $random = new Randomizer(new Mt19937($seed));
    $points = array_map(fn (): array => [$random->getInt(-1000, 1000) / 1000, $random->getInt(-2000, 500) / 1000], range(1, $random->getInt(3, 40)));
    $hull = Hull::around($points);

    foreach (edgesOf($hull) as $i => [$one, $other]) {
        expect($points)->toContain($one)->and(min(array_map(fn (array $point): float => leftOf($one, $other, $point), $points)))->toBeGreaterThanOrEqual(-1e-12)
            ->and(leftOf($one, $other, $hull[($i + 2) % count($hull)]))->toBeGreaterThan(0.0);
    }
    expect($hull[0][0])->toBe(min(array_column($points, 0)))->and(Hull::around($random->shuffleArray([...$points, ...$points])))->toBe($hull);
})->with(range(1, 30));

it('is a square round a heap in a square, without what lies on its edges or inside', function () {
    expect(Hull::around([[0.0, 0.0], [1.0, 1.0], [0.5, 0.0], [1.0, 0.0], [0.3, 0.8], [0.0, 1.0], [0.0, 0.5], [1.0, 1.0]]))
        ->toBe([[0.0, 0.0], [1.0, 0.0], [1.0, 1.0], [0.0, 1.0]]);
});

it('is no more than its ends where all lie on a line, and what there is where that is less', function () {
    expect(Hull::around([[2.0, 2.0], [0.0, 0.0], [1.0, 1.0], [3.0, 3.0]]))->toBe([[0.0, 0.0], [3.0, 3.0]])
        ->and(Hull::around([[1.0, 5.0], [1.0, 5.0]]))->toBe([[1.0, 5.0]])->and(Hull::around([]))->toBe([])
        ->and(Hull::around([[4.0, 0.0], [1.0, 5.0]]))->toBe([[1.0, 5.0], [4.0, 0.0]]);
});
