<?php

declare(strict_types=1);

use Brookstone\Core\Train\Clash;
use Brookstone\Core\Train\Layout;
use Brookstone\Core\Train\Meeting;
use Brookstone\Core\Train\Mesh;
use Brookstone\Core\Train\Obstacle;
use Brookstone\Core\Train\Placer;
use Brookstone\Core\Train\Plate;
use Brookstone\Core\Train\Stage;
use Brookstone\Core\Train\StageType;
use Brookstone\Core\Train\Train;
use Brookstone\Core\Train\WormPair;

/** @param  array{int, int}  ...$pairs */
function spurs(array ...$pairs): Train
{
    return new Train(array_map(fn (array $pair): Stage => new Stage(StageType::Spur, $pair[0], $pair[1], 1.0, 0.05), $pairs));
}

/** @return list<string> */
function clashKinds(Layout $layout, Train $train): array
{
    return array_map(fn (Clash $clash): string => $clash->kind, $layout->clashes($train));
}

it('says how a pair meets', function (float $off, string $fit) {
    $meeting = Meeting::of(new Stage(StageType::Spur, 20, 40, 1.0, 0.05), 30.0 + $off);

    expect($meeting->fit)->toBe($fit)->and($meeting->off_mm)->toBeAbout($off, 1e-9);
})->with([[-3.0, 'binds'], [-0.2, 'binds'], [-0.06, 'fits'], [0.0, 'fits'], [0.1, 'fits'], [0.3, 'loose'], [1.2, 'apart'], [5.0, 'apart']]);

it('adds the play of the distance to what the teeth are thinned by', function () {
    $stage = new Stage(StageType::Spur, 17, 33, 1.0, 0.04);
    foreach ([25.0, 25.05, 25.2, 25.6] as $apart) {
        expect(Meeting::of($stage, $apart)->play_mm)->toBeAbout(0.04 + (new Mesh(1.0, 17, 33, 20.0, $apart))->backlash_mm, 1e-9);
    }
    // Nearer than the teeth say it takes the play away again.
    expect(Meeting::of($stage, 24.97)->play_mm)->toBeLessThan(0.04)->toBeGreaterThan(0.0);
});

it('sees what is in the way', function () {
    $train = spurs([20, 40], [20, 40]);
    $line = [[20.0, 25.0], [50.0, 25.0], [80.0, 25.0]];

    // Folded back the second wheel of 40 would lie over the shaft of the drive.
    expect(clashKinds(new Layout(new Plate(null), $line, [0, 1]), $train))->toBe([])
        ->and(clashKinds(new Layout(new Plate(null), $line, [0, 0]), $train))->toContain(Clash::WHEELS)
        ->and(clashKinds(new Layout(new Plate(null), [[20.0, 25.0], [50.0, 25.0], [24.0, 40.0]], [1, 0]), $train))->toContain(Clash::SHAFT)
        ->and(clashKinds(new Layout(new Plate(null, width_mm: 95.0, height_mm: 60.0), $line, [0, 1]), $train))->toBe([Clash::ROOM])
        ->and(clashKinds(new Layout(new Plate(null, plane_mm: 5.0), $line, [0, 1]), $train))->toBe([Clash::FACE, Clash::FACE])
        ->and(clashKinds(new Layout(new Plate(null), $line, [0, 1], [new Obstacle('a nut', 80.0, 48.0, 3.0)]), $train))->toBe([Clash::OBSTACLE])
        ->and(clashKinds(new Layout(new Plate(null), $line, [0, 1], [new Obstacle('a nut', 80.0, 48.0, 3.0, 0)]), $train))->toBe([]);
});

it('counts an idler once, and lets it run in both', function () {
    $train = new Train([new Stage(StageType::Spur, 20, 16, 1.0, 0.05), new Stage(StageType::Spur, 16, 40, 1.0, 0.05, idler: true)]);
    $layout = new Layout(new Plate(null), [[20.0, 25.0], [38.0, 25.0], [66.0, 25.0]], [0, 0]);

    expect($layout->wheels($train))->toHaveCount(3)->and($layout->clashes($train))->toBe([])->and($train->direction())->toBe(1)
        ->and($train->ratio())->toBeAbout(2.0);
});

it('lays out what it can, without clashes and with every pair meshing', function (Train $train, Plate $plate) {
    [$layout, $why] = Placer::place($train, $plate);

    expect($why)->toBeNull()->and($layout)->not->toBeNull()
        ->and($layout->clashes($train))->toBe([])
        ->and(array_map(fn (Meeting $meeting): string => $meeting->fit, $layout->meetings($train)))->each->toBe('fits');
    $step = $plate->step_mm();
    foreach ($layout->shafts as [$x, $y]) {
        expect($step === null || abs($x / $step - round($x / $step)) + abs($y / $step - round($y / $step)) < 1e-9)->toBeTrue();
    }
})->with([
    'one pair on 8 mm' => [fn () => spurs([20, 44]), fn () => new Plate(8.0)],
    'two on half steps' => [fn () => spurs([12, 36], [16, 48]), fn () => new Plate(8.0, true)],
    'three on half steps' => [fn () => spurs([12, 36], [14, 42], [16, 48]), fn () => new Plate(8.0, true)],
    'drilled anywhere' => [fn () => spurs([17, 53], [19, 44]), fn () => new Plate(null)],
    'in a narrow room' => [fn () => spurs([12, 36], [16, 48]), fn () => new Plate(8.0, true, 110.0, 60.0)],
    'on inches' => [fn () => spurs([16, 24]), fn () => new Plate(12.7, true)],
]);

it('says why it cannot', function (Train $train, Plate $plate, string $says) {
    [$layout, $why] = Placer::place($train, $plate);

    expect($layout)->toBeNull()->and($why)->toContain($says);
})->with([
    'no hole' => [fn () => spurs([12, 37]), fn () => new Plate(10.0, false), '24.5 mm apart'],
    'no room' => [fn () => spurs([20, 60]), fn () => new Plate(null, width_mm: 50.0, height_mm: 50.0), 'room'],
    'planes too close' => [fn () => spurs([20, 40]), fn () => new Plate(null, plane_mm: 3.0), 'wider'],
]);

it('says how a worm meets its wheel: to a tenth of a module, loose up to a half', function (float $off, string $fit) {
    $stage = new Stage(StageType::Worm, 1, 30, 2.0, 0.05, quotient: 10.0);
    $meeting = Meeting::of($stage, 40.0 + $off); // 2 · (10 + 30) / 2

    expect($meeting->fit)->toBe($fit)->and($meeting->play_mm)->toBeAbout(max(0.0, 0.05 + 2 * $off * tan(deg2rad(20.0))), 1e-9);
})->with([[-0.21, 'binds'], [-0.2, 'fits'], [0.0, 'fits'], [0.2, 'fits'], [0.21, 'loose'], [0.99, 'loose'], [1.0, 'apart'], [3.0, 'apart']]);

it('lets anything that runs over stand as far away as it likes, and no nearer than it is wide', function () {
    $belt = new Stage(StageType::Belt, 20, 40, 2.0);
    $least = $belt->outside_mm(true) + $belt->outside_mm(false);

    expect(Meeting::of($belt, $least)->fit)->toBe('free')->and(Meeting::of($belt, $least - 0.1)->fit)->toBe('binds')->and(Meeting::of($belt, $least - 0.1)->off_mm)->toBeAbout(-0.1, 1e-9)->and(Meeting::of($belt, $least)->off_mm)->toBeNull()
        ->and(Meeting::of(new Stage(StageType::Pawl, 1, 1), 0.1)->fit)->toBe('fits')->and(Meeting::of(new Stage(StageType::Pawl, 1, 1), 0.11)->fit)->toBe('apart');
});

it('keeps wheels a fifth of a millimetre apart, but for what nobody reads', function (float $gap, array $kinds) {
    // The last wheel is 22 mm across.
    $train = spurs([20, 20], [20, 20], [20, 20]);
    $layout = new Layout(new Plate(null), [[0.0, 100.0], [20.0, 100.0], [40.0, 100.0], [60.0, 100.0]], [0, 1, 2]);
    $obstacle = new Obstacle('a nut', 60.0, 100.0 + 11.0 + 3.0 + $gap, 3.0);

    expect(clashKinds(new Layout($layout->plate, $layout->shafts, $layout->planes, [$obstacle]), $train))->toBe($kinds);
})->with([[0.2, []], [0.196, []], [0.194, [Clash::OBSTACLE]], [-1.0, [Clash::OBSTACLE]]]);

it('runs over no edge of its plate, and is no wider than its plane', function () {
    $train = spurs([20, 40]);
    $at = fn (array $plate): array => clashKinds(new Layout(new Plate(...$plate), [[11.0, 21.0], [41.0, 21.0]], [0]), $train); // the wheel of 40 is 42 mm across

    expect($at(['grid_mm' => null, 'width_mm' => 62.0, 'height_mm' => 42.0]))->toBe([])->and($at(['grid_mm' => null, 'width_mm' => 61.9, 'height_mm' => 42.0]))->toBe([Clash::ROOM])->and($at(['grid_mm' => null, 'width_mm' => 62.0, 'height_mm' => 41.9]))->toBe([Clash::ROOM])
        ->and($at(['grid_mm' => null, 'plane_mm' => 6.0]))->toBe([])->and($at(['grid_mm' => null, 'plane_mm' => 5.9]))->toBe([Clash::FACE]);
});

it('gives its stages the play of where their shafts stand, and none where they bind', function () {
    $train = spurs([20, 40]);
    $play = fn (float $apart): float => (new Layout(new Plate(null), [[0.0, 0.0], [$apart, 0.0]], [0]))->train($train)->stages[0]->backlash_mm;

    expect($play(30.0))->toBeAbout(0.05, 1e-9)->and($play(30.1))->toBeGreaterThan(0.05)->and($play(29.0))->toBe(0.0)->and($play(29.9))->toBe(0.0);
});

it('counts wheels on one axis and one plane as far into one another as the smaller is wide', function () {
    // A pawl sits on the axis of the wheel before: both on plane 0, 12 mm and 22 mm across.
    $train = new Train([new Stage(StageType::Spur, 10, 20, 1.0, 0.05), new Stage(StageType::Pawl, 1, 1), new Stage(StageType::Spur, 10, 30, 1.0, 0.05)]);
    $layout = new Layout(new Plate(null), [[0.0, 0.0], [15.0, 0.0], [15.0, 0.0], [35.0, 0.0]], [0, 1, 0]);
    $clashes = array_values(array_filter($layout->clashes($train), fn (Clash $clash): bool => $clash->kind === Clash::WHEELS));

    $by = array_map(fn (Clash $clash): float => round($clash->by_mm, 6), $clashes);

    expect($by)->toContain(6.2); // beside it the last wheel stands 7 mm in the one of 20
});

it('passes with a worm what its lead and its friction leave, down to nothing', function () {
    $worm = fn (float $friction): float => (new WormPair(1.0, 10.0, 1, 30, $friction))->efficiency;
    $lead = atan(0.1);

    expect($worm(1.5))->toBeAbout(0.1 / tan($lead + atan(1.5 / cos(deg2rad(20.0)))), 1e-9)->and($worm(1.5))->toBeGreaterThan(0.04)->and($worm(1e9))->toBe(0.0)->and($worm(0.0))->toBeAbout(1.0, 1e-9);
});

it('reaches as far as its wheels do, and nowhere without any', function () {
    $train = new Train([new Stage(StageType::Spur, 20, 30)]);
    [$left, $bottom, $right, $top] = (new Layout(new Plate(null), [[20.0, 25.0], [20.0, 50.0]], [0]))->bounds($train);
    $outside = [$train->stages[0]->outside_mm(true), $train->stages[0]->outside_mm(false)];

    expect($left)->toBeAbout(20.0 - max($outside), 1e-9)->and($right)->toBeAbout(20.0 + max($outside), 1e-9)
        ->and($bottom)->toBeAbout(25.0 - $outside[0], 1e-9)->and($top)->toBeAbout(50.0 + $outside[1], 1e-9)
        ->and((new Layout(new Plate(null), [[20.0, 25.0]], []))->bounds(new Train([])))->toBe([0.0, 0.0, 0.0, 0.0]);
});
