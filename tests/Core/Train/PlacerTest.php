<?php

declare(strict_types=1);

use Brookstone\Core\Train\Clash;
use Brookstone\Core\Train\Layout;
use Brookstone\Core\Train\Layouts;
use Brookstone\Core\Train\Meeting;
use Brookstone\Core\Train\Obstacle;
use Brookstone\Core\Train\Placer;
use Brookstone\Core\Train\Plate;
use Brookstone\Core\Train\Stage;
use Brookstone\Core\Train\StageType;
use Brookstone\Core\Train\Train;
use Random\Engine\Mt19937;
use Random\Randomizer;

/** A train of one to three spur stages, and a plate, made by the seed. @return array{Train, Plate} */
function somewhere(int $seed): array
{
    $random = new Randomizer(new Mt19937($seed));
    $stages = [];
    for ($i = 0, $count = $random->getInt(1, 3); $i < $count; $i++) {
        $stages[] = new Stage(StageType::Spur, $random->getInt(10, 24), $random->getInt(20, 60), 1.0, 0.05);
    }
    $grid = [null, 8.0, 10.0, 12.7][$random->getInt(0, 3)];
    $room = $random->getInt(0, 1) === 1 ? [(float) $random->getInt(60, 200), (float) $random->getInt(50, 150)] : [null, null];

    return [new Train($stages), new Plate($grid, true, ...$room)];
}

/** @return list<string> */
function kindsOf(Layout $layout, Train $train): array
{
    $kinds = array_map(fn (Clash $clash): string => $clash->kind.round($clash->by_mm, 6), $layout->clashes($train));
    sort($kinds);

    return $kinds;
}

it('never lays out what clashes or does not mesh, and otherwise says why', function (int $seed) {
    [$train, $plate] = somewhere($seed);
    [$layout, $why] = Placer::place($train, $plate, [new Obstacle('a post', 30.0, 30.0, 4.0)], 3000);
    if ($layout === null) {
        expect(strlen((string) $why))->toBeGreaterThan(20);

        return;
    }
    expect($layout->clashes($train))->toBe([])->and(array_map(fn (Meeting $meeting): string => $meeting->fit, $layout->meetings($train)))->each->toBe('fits')
        ->and($layout->fits($train))->toBeTrue();
})->with(range(1, 40));

it('finds the same clashes wherever the plate lies and however it is turned', function (int $seed) {
    [$train] = somewhere($seed);
    $random = new Randomizer(new Mt19937(100 + $seed));
    $shafts = array_map(fn (): array => [(float) $random->getInt(0, 80), (float) $random->getInt(0, 80)], [...$train->stages, null]);
    $planes = array_map(fn (): int => $random->getInt(0, 2), $train->stages);
    $moved = array_map(fn (array $at): array => [$at[0] + 17.5, $at[1] - 40.0], $shafts);
    $turned = array_map(fn (array $at): array => [$at[0] * 0.6 - $at[1] * 0.8, $at[0] * 0.8 + $at[1] * 0.6], $shafts);
    $here = kindsOf(new Layout(new Plate(null), $shafts, $planes), $train);

    expect(kindsOf(new Layout(new Plate(null), $moved, $planes), $train))->toBe($here)
        ->and(kindsOf(new Layout(new Plate(null), $turned, $planes), $train))->toBe($here);
})->with(range(1, 20));

it('has no clash between wheels on planes of their own and far apart', function () {
    $train = new Train([new Stage(StageType::Spur, 20, 40, 1.0, 0.05), new Stage(StageType::Spur, 20, 40, 1.0, 0.05),
        new Stage(StageType::Spur, 20, 40, 1.0, 0.05)]);

    expect((new Layout(new Plate(null), [[0.0, 0.0], [30.0, 0.0], [60.0, 0.0], [90.0, 0.0]], [0, 1, 2]))->clashes($train))->toBe([]);
});

it('writes a layout as it reads it', function (int $seed) {
    [$train, $plate] = somewhere($seed);
    [$layout] = Placer::place($train, $plate, [new Obstacle('a post', 5.0, 5.0, 1.0, 2)], 3000);
    if ($layout !== null) {
        $written = Layouts::write($layout);
        expect(Layouts::write(Layouts::make($written)))->toBe($written);
    }
    expect(true)->toBeTrue();
})->with([2, 5, 9, 14]);

it('lists the holes of a ring, none twice and none outside', function (float $step, float $from, float $to) {
    $ring = Placer::ring($step, $from, $to);
    $all = 0;
    for ($i = -30; $i <= 30; $i++) {
        for ($j = -30; $j <= 30; $j++) {
            $all += hypot($i, $j) * $step >= $from && hypot($i, $j) * $step <= $to ? 1 : 0;
        }
    }

    expect(count($ring))->toBe($all)->and(count(array_unique(array_map(json_encode(...), $ring))))->toBe($all);
})->with([[4.0, 23.0, 25.0], [5.0, 0.5, 11.0], [6.35, 40.0, 42.0]]);

it('says how far off the nearest holes are where none will do', function (int $driver, int $driven, string $says) {
    [$layout, $why] = Placer::place(new Train([new Stage(StageType::Spur, $driver, $driven, 1.0, 0.05)]), new Plate(8.0));

    expect($layout)->toBeNull()->and($why)->toBe($says);
})->with([ // half holes: 4 mm apart. 17.5 mm lies between 16.97 and 17.89, 22 between 21.54 and 22.63
    [15, 20, 'No two holes stand 17.5 mm apart for stage 1 of 15 and 20 teeth: the nearest are 0.39 mm too far.'],
    [22, 22, 'No two holes stand 22 mm apart for stage 1 of 22 and 22 teeth: the nearest are 0.46 mm too near.'],
]);

it('says that play is missing where holes stand right', function () {
    $of = fn (float $play_mm): array => Placer::place(new Train([new Stage(StageType::Spur, 20, 40, 1.0, $play_mm)]), new Plate(10.0));

    expect($of(0.0))->toBe([null, 'Holes 30 mm apart would do for stage 1, but leave no play between its 20 and 40 teeth: say how much they are cut with.'])
        ->and($of(0.02)[1])->toBeNull();
});

it('takes the pair of holes that meshes best, and the smallest box', function () {
    // 20 and 30 teeth want 25 mm: on a grid of 5 the holes 15 and 20 off, or 25 straight on, fit exactly.
    [$layout] = Placer::place(new Train([new Stage(StageType::Spur, 20, 30, 1.0, 0.05)]), new Plate(5.0, false));
    assert($layout !== null);
    [$a, $b] = $layout->shafts;
    [$left, $bottom, $right, $top] = $layout->bounds(new Train([new Stage(StageType::Spur, 20, 30, 1.0, 0.05)]));

    expect(hypot($b[0] - $a[0], $b[1] - $a[1]))->toBeAbout(25.0, 1e-9)->and(($right - $left) * ($top - $bottom))->toBeAbout(32.0 * (11 + 25 + 16), 1e-6)->and($left)->toBeGreaterThanOrEqual(0.0)->and($bottom)->toBeGreaterThanOrEqual(0.0);
});

it('stands a belt a half further apart than its wheels are wide, and what turns on one shaft nowhere else', function () {
    $belt = new Stage(StageType::Belt, 20, 20, 2.0);
    [$layout] = Placer::place(new Train([$belt]), new Plate(null));
    [$same] = Placer::place(new Train([new Stage(StageType::Pawl, 1, 1)]), new Plate(null));
    assert($layout !== null && $same !== null);

    expect(hypot($layout->shafts[1][0] - $layout->shafts[0][0], $layout->shafts[1][1] - $layout->shafts[0][1]))->toBeAbout(1.5 * 2 * $belt->outside_mm(true), 1e-9)->and($same->shafts[0])->toBe($same->shafts[1]);
});

it('begins at the corner of a plate without edges, unless something stands on it, and inside of one that has them', function (?float $grid_mm) {
    $train = new Train([new Stage(StageType::Spur, 20, 40, 1.0, 0.05), new Stage(StageType::Spur, 15, 45, 1.0, 0.05)]);
    [$free] = Placer::place($train, new Plate($grid_mm, true));
    [$beside] = Placer::place($train, new Plate($grid_mm, true), [new Obstacle('a post', 900.0, 900.0, 4.0)]);
    [$inside] = Placer::place($train, new Plate($grid_mm, true, 160.0, 120.0));
    [$left, $bottom] = $free->bounds($train);
    [$least, $lowest, $most, $highest] = $inside->bounds($train);

    expect($left)->toBeGreaterThanOrEqual(-1e-9)->toBeLessThan($grid_mm ?? 1.0)->and($bottom)->toBeGreaterThanOrEqual(-1e-9)->toBeLessThan($grid_mm ?? 1.0)
        ->and($beside->shafts[0])->toBe([0.0, 0.0])
        ->and($least)->toBeGreaterThanOrEqual(0.0)->and($lowest)->toBeGreaterThanOrEqual(0.0)->and($most)->toBeLessThanOrEqual(160.0)->and($highest)->toBeLessThanOrEqual(120.0);
})->with([null, 10.0]);
