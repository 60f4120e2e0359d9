<?php

declare(strict_types=1);

use Brookstone\Core\Assessment\Ranking;
use Brookstone\Core\Drive\Drawer;
use Tests\Support\Builds;

it('lists every drive once, in order, each with its reason', function () {
    $build = Builds::demo('heron-wharf');
    $rows = Ranking::of($build, $build->motions['drawbridge']);
    $verdicts = array_column($rows, 'verdict');
    $rank = ['holds' => 0, 'not_said' => 0, 'tight' => 1, 'fails' => 2];
    $ranks = array_map(fn (string $verdict): int => $rank[$verdict], $verdicts);
    $sorted = $ranks;
    sort($sorted);

    expect(array_column($rows, 'code'))->toEqualCanonicalizing(array_keys(Drawer::all()))
        ->and(array_column($rows, 'place'))->toBe(range(1, count($rows)))
        ->and($ranks)->toBe($sorted)
        ->and($verdicts[0])->toBe('holds')
        ->and(array_filter($rows, fn (array $row): bool => strlen($row['why']->text()) < 20))->toBeEmpty();
});

it('puts the quickest first of those that hold', function () {
    $build = Builds::sound();
    $holding = array_values(array_filter(Ranking::of($build, $build->motions['lift']), fn (array $row): bool => $row['verdict'] === 'holds'));
    $times = array_column($holding, 'time_s');
    $sorted = $times;
    sort($sorted);

    expect(count($holding))->toBeGreaterThan(3)->and($times)->toBe($sorted);
});

it('judges a drive in the list as it is judged when it is taken', function () {
    $build = Builds::demo('heron-wharf');
    foreach (array_slice(Ranking::of($build, $build->motions['drawbridge']), 0, 12) as $row) {
        $taken = Brookstone\Core\Build\Editor::apply($build, [['path' => 'motions.1.drive', 'value' => ['motor' => $row['motor'], 'supply' => $row['supply'], 'duty' => 1.0]]]);
        $link = Builds::assessed($taken)->chain('drawbridge')->links[2];
        expect($link->verdict->value)->toBe($row['verdict'], $row['code']);
    }
});
