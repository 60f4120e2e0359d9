<?php

declare(strict_types=1);

use Brookstone\Core\Train\Search;
use Brookstone\Core\Train\Stage;
use Brookstone\Core\Train\Train;

/** @return list<list<array{int, int}>> every train of so many stages that the stock allows, by trying all */
function everyTrain(array $stock, int $stages): array
{
    $gears = [];
    foreach ($stock as $teeth => $count) {
        array_push($gears, ...array_fill(0, $count, $teeth));
    }
    $found = [];
    $build = function (array $pairs, array $left) use (&$build, &$found, $stages): void {
        if (count($pairs) === $stages) {
            sort($pairs);
            $found[json_encode($pairs)] = $pairs;

            return;
        }
        foreach ($left as $i => $driver) {
            foreach ($left as $j => $driven) {
                if ($i !== $j) {
                    $rest = $left;
                    unset($rest[$i], $rest[$j]);
                    $build([...$pairs, [$driver, $driven]], $rest);
                }
            }
        }
    };
    $build([], $gears);

    return array_values($found);
}

/** @return list<list<array{int, int}>> */
function pairsOf(array $trains): array
{
    return array_map(fn (Train $train): array => array_map(fn (Stage $stage): array => [$stage->driver, $stage->driven], $train->stages), $trains);
}

it('finds what trying every train finds, in the same order', function (array $stock, float $target, int $most) {
    $all = [];
    for ($stages = 1; $stages <= $most; $stages++) {
        foreach (everyTrain($stock, $stages) as $pairs) {
            $ratio = array_product(array_column($pairs, 1)) / array_product(array_column($pairs, 0));
            $all[] = [abs($ratio - $target) / $target, $stages, array_sum(array_merge(...$pairs)), $pairs];
        }
    }
    sort($all);

    expect(pairsOf(Search::best($stock, $target, $most, 20)))->toBe(array_slice(array_column($all, 3), 0, 20));
})->with([
    'one stage and two' => [[12 => 2, 15 => 1, 20 => 1, 24 => 2, 36 => 1], 3.7, 2],
    'many that are exact' => [[10 => 2, 20 => 2, 40 => 2], 4.0, 3],
    'speeding up' => [[8 => 1, 12 => 2, 14 => 1, 40 => 1], 0.35, 2],
    'one to one' => [[16 => 2, 18 => 1, 24 => 2], 1.0, 2],
    'far off everything' => [[16 => 1, 18 => 1], 1000.0, 3],
    'three stages' => [[9 => 1, 14 => 1, 17 => 1, 22 => 1, 31 => 1, 40 => 1], 11.3, 3],
]);

it('finds among the pairs that are allowed what trying every train finds', function () {
    $stock = [12 => 2, 15 => 1, 20 => 1, 24 => 2, 36 => 1, 45 => 1];
    $allows = fn (int $driver, int $driven): bool => ($driver + $driven) % 4 === 0;
    $all = [];
    foreach ([1, 2, 3] as $stages) {
        foreach (everyTrain($stock, $stages) as $pairs) {
            if (array_filter($pairs, fn (array $pair): bool => ! $allows(...$pair)) === []) {
                $ratio = array_product(array_column($pairs, 1)) / array_product(array_column($pairs, 0));
                $all[] = [abs($ratio - 5.1) / 5.1, $stages, array_sum(array_merge(...$pairs)), $pairs];
            }
        }
    }
    sort($all);

    expect(count($all))->toBeGreaterThan(20)->and(pairsOf(Search::best($stock, 5.1, 3, 20, allows: $allows)))->toBe(array_slice(array_column($all, 3), 0, 20));
});

it('turns the way it is asked to', function (int $direction) {
    $trains = Search::best([12 => 2, 20 => 2, 30 => 2, 48 => 1], 7.3, 3, 20, direction: $direction);

    expect($trains)->not->toBeEmpty();
    foreach ($trains as $train) {
        expect($train->direction())->toBe($direction);
    }
})->with([1, -1]);

it('never takes more gears than there are', function () {
    $stock = [12 => 2, 15 => 1, 18 => 1, 24 => 2, 30 => 1, 40 => 1];
    foreach (Search::best($stock, 9.1, 3, 200) as $train) {
        $used = array_count_values(array_merge(...array_map(fn (Stage $stage): array => [$stage->driver, $stage->driven], $train->stages)));
        foreach ($used as $teeth => $count) {
            expect($count)->toBeLessThanOrEqual($stock[$teeth]);
        }
    }
});

it('has nothing to offer from an empty drawer', function () {
    expect(Search::best([], 3.0, 3, 10))->toBe([])
        ->and(Search::best([20 => 1], 3.0, 3, 10))->toBe([])
        ->and(Search::best([20 => 0, 30 => 0], 3.0, 3, 10))->toBe([]);
});
