<?php

declare(strict_types=1);

use Brookstone\Core\Assessment\BuildJudge;
use Brookstone\Core\Assessment\Drive\DriveJudge;
use Brookstone\Core\Assessment\Selection\DriveRanking;
use Brookstone\Core\Assessment\Selection\DriveSearch;
use Brookstone\Core\Assessment\Selection\Goal;
use Brookstone\Core\Assessment\Selection\RatedDrive;
use Brookstone\Core\Assessment\Subject\MotionFigures;
use Brookstone\Core\Assessment\Subject\MotionInBuild;
use Brookstone\Core\Build\Build;
use Brookstone\Core\Build\Editor;
use Brookstone\Core\Drive\Stock;
use Brookstone\Core\Finding\Finding;
use Brookstone\Core\Finding\Severity;
use Brookstone\Core\Finding\Verdict;
use Brookstone\Core\Parts\Motion;
use Brookstone\Core\Train\Ratios;
use Tests\Support\Builds;

/** @return list<RatedDrive> */
function ranked(Build $build, Motion $motion, Goal $goal = Goal::Fastest): array
{
    return (new DriveSearch($build, $motion, Stock::shipped()))->ranked($goal);
}

dataset('motions to choose for', [
    'an arm that must hold' => ['heron-wharf', 'drawbridge'], 'an arm that drives its motor' => ['heron-wharf', 'heron-neck'],
    'a hoist' => ['heron-wharf', 'tide'],
    'a turntable' => ['heron-wharf', 'lantern'], 'a carriage' => ['heron-wharf', 'ferry'], 'a figure on a crank' => ['heron-wharf', 'rower'],
    'a vehicle' => ['quarry-tram', 'tram'],
]);

it('tries sixty ratios, straight on among them, none twice', function () {
    $ratios = array_map(fn ($train): string => sprintf('%.6f', $train->ratio()), Ratios::all());

    expect($ratios)->toHaveCount(60)->and(array_unique($ratios))->toHaveCount(60)->and($ratios)->toContain('1.000000')
        ->and(Ratios::all()[0]->ratio())->toBeLessThan(0.5)->and(Ratios::all()[59]->ratio())->toBeGreaterThan(30.0);
});

it('judges every drive and ratio as the judge does when it is taken', function (string $demo, string $id) {
    $build = Builds::demo($demo);
    $motion = $build->motions[$id];
    $all = ranked($build, $motion);
    // Every 71st of the whole list, carrying and failing ones alike, judged one by one the slow way.
    $differ = [];
    foreach ($all as $i => $candidate) {
        if ($i % 71 !== 0) {
            continue;
        }
        $with = $motion->withDrive($candidate->on->choice)->withTrain($candidate->train);
        $facts = new MotionFigures($with);
        $link = (new DriveJudge)->judge(new MotionInBuild($build, $with, $facts));
        $codes = array_map(fn (Finding $finding): string => $finding->code,
            array_filter($link->findings, fn (Finding $finding): bool => $finding->severity === Severity::Fails));
        $mine = array_map(fn ($strain): string => $strain->code,
            array_filter($candidate->strains, fn ($strain): bool => $strain->severity === Severity::Fails));
        $codes = array_values($codes);
        $mine = array_values($mine);
        if ($candidate->verdict === Verdict::Fails && $mine !== ['drive.over_target']) {
            $codes = array_diff($codes, ['drive.over_target']); // a drive that fails anyway is not run
        }
        sort($codes);
        sort($mine);
        if (array_values($codes) !== $mine) {
            $differ[] = "{$candidate->code()} {$candidate->train->ratio()}: ".implode(',', $codes).' against '.implode(',', $mine);
        }
        if ($candidate->time_s !== null) {
            expect($candidate->time_s)->toBeAbout((float) $facts->runThere()['time_s'], $motion->mechanism->isEven() ? 5e-3 : 1e-2);
        }
        if (is_finite($candidate->figures->margin)) {
            expect($candidate->figures->margin)->toBeAbout((float) $facts->margin(), 1e-3);
        }
    }

    expect($differ)->toBe([])->and($all)->toHaveCount(60 * count(array_filter(Stock::shipped()->drives(), $build->canFeed(...))));
})->with('motions to choose for');

it('puts in order by every goal: what holds, what is tight, what fails', function (Goal $goal) {
    $build = Builds::demo('heron-wharf');
    $all = ranked($build, $build->motions['tide'], $goal);
    $ranks = array_map(fn (RatedDrive $candidate): int => $candidate->verdict->rank(), $all);
    $sorted = $ranks;
    sort($sorted);
    $holding = array_filter($all, fn (RatedDrive $candidate): bool => $candidate->verdict === Verdict::Holds);
    $measures = array_map(fn (RatedDrive $candidate): float => $goal->measure($candidate), array_values($holding));
    $best = $measures;
    sort($best);

    expect($ranks)->toBe($sorted)->and(count($holding))->toBeGreaterThan(20)->and($measures)->toBe($best);
})->with(Goal::cases());

it('leaves nothing out of the whole list, and gives each drive once in the short one', function () {
    $build = Builds::demo('heron-wharf');
    $long = DriveRanking::of($build, $build->motions['drawbridge'], Stock::shipped(), eachDrive: false, rows: 300);
    $short = DriveRanking::of($build, $build->motions['drawbridge'], Stock::shipped(), rows: 0);

    expect($long['tried'])->toBe(60 * 54)->and($long['rows'])->toHaveCount(300)
        ->and(array_column($long['rows'], 'place'))->toBe(range(1, 300))
        ->and($short['drives'])->toBe(54)->and(array_unique(array_column($short['rows'], 'code')))->toHaveCount(54)
        ->and(array_sum(array_column($short['fails'], 'count')) + $short['carries'])->toBe($short['tried'])
        ->and(array_filter($short['rows'], fn (array $row): bool => strlen($row['why']->text()) < 20))->toBeEmpty();
});

it('draws a front that nothing beats in time and margin both', function () {
    $build = Builds::demo('heron-wharf');
    $points = DriveRanking::of($build, $build->motions['drawbridge'], Stock::shipped())['points'];
    $front = array_filter($points, fn (array $point): bool => $point['front']);
    foreach ($front as $one) {
        expect(array_filter($points, fn (array $other): bool => $other['time_s'] < $one['time_s'] && $other['margin'] > $one['margin']))->toBeEmpty();
    }
    foreach (array_filter($points, fn (array $point): bool => ! $point['front']) as $other) {
        expect(array_filter($front, fn (array $one): bool => $one['time_s'] <= $other['time_s'] && $one['margin'] >= $other['margin']))->not->toBeEmpty();
    }
    expect(count($front))->toBeGreaterThan(3);
});

it('holds with the drive and ratio that it puts first', function (string $demo, string $id) {
    $build = Builds::demo($demo);
    $row = DriveRanking::of($build, $build->motions[$id], Stock::shipped(), Goal::Safest, rows: 1)['rows'][0];
    $i = $build->indexOf($id);
    $taken = Editor::apply($build, [
        ['path' => "motions.{$i}.drive", 'value' => ['motor' => $row['motor'], 'supply' => $row['supply'], 'duty' => 1.0]
            + $build->document['motions'][$i]['drive']], ['path' => "motions.{$i}.train", 'value' => $row['stages']],
    ]);

    $link = BuildJudge::atOnce($taken)->chain($id)->links[2];

    expect($link->verdict)->toBe(Verdict::Holds, "{$row['code']} {$row['ratio']}: ".json_encode($link->findings));
})->with('motions to choose for');

it('puts the fastest that survive a bump before those that a bump breaks', function () {
    $build = Builds::demo('heron-wharf');
    $holds = array_values(array_filter(ranked($build, $build->motions['rower']), fn (RatedDrive $each): bool => $each->verdict === Verdict::Holds));
    $survives = array_map(fn (RatedDrive $each): bool => $each->figures->survivesABump(), $holds);
    $whole = count(array_filter($survives));
    [$first] = DriveRanking::of($build, $build->motions['rower'], Stock::shipped(), Goal::Fastest, false, 1)['rows'];

    expect($whole)->toBeGreaterThan(0)->toBeLessThan(count($holds))->and(array_filter(array_slice($survives, 0, $whole)))->toHaveCount($whole)
        ->and($first['why']->text())->toContain('survives a bump');
    foreach ([array_slice($holds, 0, $whole), array_slice($holds, $whole)] as $part) {
        $times = $sorted = array_map(fn (RatedDrive $each): ?float => $each->time_s, $part);
        sort($sorted);
        expect($times)->toBe($sorted);
    }
});

it('puts first what does what was asked: calmly, surviving a bump, and the smallest', function (string $motion) {
    $build = Builds::demo('heron-wharf');
    $holds = array_values(array_filter(ranked($build, $build->motions[$motion], Goal::AsAsked),
        fn (RatedDrive $each): bool => $each->verdict === Verdict::Holds));
    $key = fn (RatedDrive $each): array => [$each->figures->survivesABump() ? 0 : 1, $each->isHasty() ? 1 : 0,
        $each->figures->drive->motor->body()->length_mm * $each->figures->drive->motor->body()->width_mm * $each->figures->drive->motor->body()->height_mm];
    $keys = array_map($key, $holds);
    $inOrder = $keys;
    sort($inOrder);

    expect(count($holds))->toBeGreaterThan(20)->and($keys)->toBe($inOrder)
        ->and($holds[0]->time_s)->toBeLessThanOrEqual($build->motions[$motion]->task->move_s);
    foreach (array_slice($holds, 1, 20) as $i => $each) { // of one drive that which takes its time comes before that which hurries
        if ($key($each) === $key($holds[$i])) {
            expect($each->time_s)->toBeLessThanOrEqual($holds[$i]->time_s + 1e-9);
        }
    }
})->with(['drawbridge', 'heron-neck']);

it('calls hasty what is there in less than two fifths of the time', function () {
    $build = Builds::demo('heron-wharf');
    $hasty = array_filter(ranked($build, $build->motions['drawbridge'], Goal::AsAsked), fn (RatedDrive $each): bool => $each->isHasty());

    expect(count($hasty))->toBeGreaterThan(0)
        ->and(max(array_map(fn (RatedDrive $each): ?float => $each->time_s, $hasty)))->toBeLessThan(0.4 * $build->motions['drawbridge']->task->move_s);
    $calm = array_filter(ranked($build, $build->motions['drawbridge'], Goal::AsAsked), fn (RatedDrive $each): bool => $each->time_s !== null
        && ! $each->isHasty());
    expect(min(array_map(fn (RatedDrive $each): ?float => $each->time_s, $calm)))->toBeGreaterThanOrEqual(0.4 * $build->motions['drawbridge']->task->move_s);
});
