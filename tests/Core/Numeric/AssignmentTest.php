<?php

declare(strict_types=1);

use Brookstone\Core\Numeric\Assignment;
use Brookstone\Core\Numeric\Flow;

/**
 * By trying all ways: how many rows stay alone, and what the others cost together.
 *
 * @param  list<array<int, float>>  $costs
 * @param  array<int, true>  $taken
 * @return array{int, float}
 */
function assignedByTrying(array $costs, int $row = 0, array $taken = []): array
{
    if ($row === count($costs)) {
        return [0, 0.0];
    }
    [$alone, $sum] = assignedByTrying($costs, $row + 1, $taken);
    $best = [$alone + 1, $sum];
    foreach ($costs[$row] as $column => $cost) {
        if (! isset($taken[$column])) {
            [$alone, $sum] = assignedByTrying($costs, $row + 1, $taken + [$column => true]);
            $best = min($best, [$alone, $sum + $cost]);
        }
    }

    return $best;
}

it('finds what trying all finds: as many as can be, and then the cheapest', function (int $seed) {
    mt_srand($seed);
    $columns = mt_rand(1, 6);
    $costs = array_map(fn (): array => array_filter(array_map(fn (): float => mt_rand(0, 3) === 0 ? -1.0 : (float) mt_rand(0, 9), range(0, $columns - 1)),
        fn (float $cost): bool => $cost >= 0.0), range(1, mt_rand(1, 5)));
    $found = Assignment::least($costs, $columns);
    $given = array_filter($found, fn (?int $column): bool => $column !== null);

    expect(array_unique($given))->toHaveCount(count($given))
        ->and([count($found) - count($given), (float) array_sum(array_map(fn (int $row): float => $costs[$row][$given[$row]], array_keys($given)))])
        ->toEqual(assignedByTrying($costs));
})->with(range(1, 60));

it('gives nothing to nobody, and leaves a row alone that nothing serves', function () {
    expect(Assignment::least([], 3))->toBe([])->and(Assignment::least([[], [0 => 5.0]], 1))->toBe([null, 0])
        ->and(Assignment::least([[0 => 1.0], [0 => 2.0]], 1))->toBe([0, null]);
});

it('meets as many wants out of stores as an assignment of single pieces does', function (int $seed) {
    mt_srand($seed);
    [$wants, $stores] = [array_map(fn (): int => mt_rand(0, 3), range(1, 3)), array_map(fn (): int => mt_rand(0, 3), range(1, 3))];
    $serves = array_map(fn (): array => array_values(array_filter(range(0, 2), fn (): bool => mt_rand(0, 1) === 1)), $wants);
    $pieces = $rows = [];
    foreach ($stores as $store => $count) {
        array_push($pieces, ...array_fill(0, $count, $store));
    }
    foreach ($wants as $want => $count) {
        $can = array_map(fn (): float => 0.0, array_filter($pieces, fn (int $store): bool => in_array($store, $serves[$want], true)));
        array_push($rows, ...array_fill(0, $count, $can));
    }
    $left = count(array_filter(Assignment::least($rows, count($pieces)), fn (?int $column): bool => $column === null));

    expect(array_sum(Flow::short($wants, $stores, $serves)))->toBe($left);
})->with(range(1, 60));
