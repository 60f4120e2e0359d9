<?php

declare(strict_types=1);

use Brookstone\Core\Mechanism\Arm;
use Brookstone\Core\Mechanism\Bars;
use Brookstone\Core\Mechanism\Crank;
use Brookstone\Core\Mechanism\CrankRocker;
use Brookstone\Core\Mechanism\Mechanism;
use Brookstone\Core\Mechanism\PushrodLever;
use Brookstone\Core\Train\Layout;
use Brookstone\Core\Train\LinkageAt;
use Brookstone\Core\Train\Obstacle;
use Brookstone\Core\Train\Plate;
use Brookstone\Core\Train\Span;
use Brookstone\Core\Train\Stage;
use Brookstone\Core\Train\StageType;
use Brookstone\Core\Train\Sweep;
use Brookstone\Core\Train\Train;
use Brookstone\Core\Train\UpperPlate;

dataset('linkages', fn () => [
    'rocker' => [new CrankRocker(0.01, 0.04, 0.025, 0.042, 0.1, 0.02), 2 * M_PI],
    'pushed' => [new PushrodLever(0.012, 0.02, 0.05, 0.05, 0.03), M_PI / 3],
    'pushed across' => [new PushrodLever(0.012, 0.02, 0.05, 0.05, 0.03, opposite_sides: true), M_PI / 3],
    'slider' => [new Crank(0.015, 0.06, 0.05, offset_m: 0.004), 2 * M_PI],
]);

it('keeps every bar as long as it is, and hooked to its neighbour, all the way', function (Mechanism $thing, float $to) {
    $bars = Bars::of($thing) ?? throw new LogicException;
    for ($i = 0; $i <= 40; $i++) {
        $here = $bars->at($to * $i / 40);
        foreach ($bars->lengths_mm() as $name => $length) {
            expect(hypot($here[$name][1][0] - $here[$name][0][0], $here[$name][1][1] - $here[$name][0][1]))->toEqualWithDelta($length, 1e-6);
        }
        [$first, $second] = array_values($here);
        expect($first[1])->toBe($second[0]);
    }
})->with('linkages');

it('knows what has no bars', function () {
    expect(Bars::of(new Arm(0.1, 0.1)))->toBeNull();
});

it('measures between two pieces as trying every pair of points does', function () {
    mt_srand(7);
    $any = fn (): array => [mt_rand(0, 1000) / 10, mt_rand(0, 1000) / 10];
    for ($k = 0; $k < 60; $k++) {
        [$a, $b, $c, $d] = [$any(), $any(), $any(), $any()];
        $least = INF;
        for ($i = 0; $i <= 200; $i++) {
            $point = [$a[0] + ($b[0] - $a[0]) * $i / 200, $a[1] + ($b[1] - $a[1]) * $i / 200];
            $least = min($least, (new Span($c, $d))->awayFrom_mm($point));
        }
        $apart = (new Span($a, $b))->apartFrom_mm(new Span($c, $d));
        expect($apart)->toBeLessThanOrEqual($least + 1e-9)->toBeGreaterThan($least - 0.5)
            ->and((new Span($d, $c))->apartFrom_mm(new Span($b, $a)))->toEqualWithDelta($apart, 1e-9);
    }
});

/** One pair of gears, the rod's arm on the second shaft. @param  list<Obstacle>  $obstacles */
function swept(array $obstacles, ?LinkageAt $at = null, float $to = M_PI / 3): array
{
    $thing = new PushrodLever(0.012, 0.02, 0.05, 0.05, 0.03);
    $layout = new Layout(new Plate(null), [[20.0, 20.0], [45.0, 20.0]], [0], $obstacles);
    $sweep = new Sweep($layout, new Train([new Stage(StageType::Spur, 20, 30)]), Bars::of($thing) ?? throw new LogicException, -$to, $to);

    return array_map(fn ($clash): string => "{$clash->bar} / {$clash->meets}", $sweep->clashes($at ?? new LinkageAt(1, 95.0, 20.0, 6.0)));
}

it('meets a nut only where a bar comes by, and less the farther it stands', function () {
    expect(swept([]))->toBe([])
        ->and(swept([new Obstacle('a nut', 70.0, 36.0, 4.0)]))->toBe(['rod / a nut'])
        ->and(swept([new Obstacle('a nut', 70.0, 36.0, 4.0, 0)]))->toBe([])
        ->and(swept([new Obstacle('a nut', 70.0, 60.0, 4.0)]))->toBe([])
        ->and(swept([new Obstacle('a wall', 60.0, 45.0, 1.0, null, 120.0, 45.0)]))->toBe([])
        ->and(swept([new Obstacle('a wall', 60.0, 38.0, 1.0, null, 120.0, 38.0)]))->toContain('horn / a wall');
});

it('meets on its own plane the wheel it turns with, and none above it', function () {
    expect(swept([], new LinkageAt(0, 95.0, 20.0, 6.0)))->toContain('rod / the wheel of 30 teeth of stage 1')
        ->and(swept([], new LinkageAt(1, 95.0, 20.0, 6.0)))->toBe([]);
});

it('is the same turned round with its plate', function () {
    $turn = fn (array $point): array => [200 - $point[1], $point[0]];
    $thing = new PushrodLever(0.012, 0.02, 0.05, 0.05, 0.03);
    $train = new Train([new Stage(StageType::Spur, 20, 30)]);
    $of = function (array $shafts, array $nut, array $pivot) use ($thing, $train): float {
        $sweep = new Sweep(new Layout(new Plate(null), $shafts, [0], [new Obstacle('a nut', $nut[0], $nut[1], 4.0)]), $train, Bars::of($thing)
            ?? throw new LogicException, -1.0, 1.0);

        return $sweep->clashes(new LinkageAt(1, $pivot[0], $pivot[1], 6.0))[0]->by_mm;
    };
    [$shafts, $nut, $pivot] = [[[20.0, 20.0], [45.0, 20.0]], [70.0, 36.0], [95.0, 20.0]];

    expect($of(array_map($turn, $shafts), $turn($nut), $turn($pivot)))->toEqualWithDelta($of($shafts, $nut, $pivot), 1e-9);
});

it('ends a shaft in the plate above its wheels, so that what runs higher is free', function () {
    $train = new Train([new Stage(StageType::Spur, 20, 30), new Stage(StageType::Spur, 12, 40)]);
    $shafts = [[20.0, 25.0], [45.0, 25.0], [71.0, 25.0]];
    $bare = new Layout(new Plate(null), $shafts, [0, 1]);
    $held = new Layout(new Plate(null), $shafts, [0, 1], plates: [new UpperPlate('upper plate', 1, 0.0, 0.0, 120.0, 60.0)]);

    expect($bare->topOf($train, 1))->toBe(INF)->and($held->topOf($train, 1))->toBe(1.0)
        ->and((new Layout(new Plate(null), $shafts, [0, 1], plates: [new UpperPlate('low plate', 0, 0.0, 0.0, 120.0, 60.0)]))->topOf($train, 1))->toBe(INF)
        ->and($held->topOf($train, 0))->toBe(0.0)->and($held->topOf($train, 2))->toBe(INF)
        ->and($bare->overhangs_mm($train, 1))->toBe(12.0)->and($held->overhangs_mm($train, 1))->toBe(0.0);
});

it('goes where the shaft of the load goes when the train is laid out anew', function () {
    $old = new Layout(new Plate, [[0.0, 0.0], [25.0, 0.0]], [0], linkage: new LinkageAt(2, 75.0, 10.0, 6.0));
    $new = (new Layout(new Plate, [[8.0, 8.0], [8.0, 33.0]], [0]))->like($old);

    expect([$new->linkage?->x_mm, $new->linkage?->y_mm, $new->linkage?->plane])->toBe([58.0, 43.0, 2]);
});

it('wants half a millimetre between a bar and a shaft, from the edge of each', function (float $beside_mm, array $says) {
    // the crank lies along the line to its other pivot; the second of three shafts, 3 mm thick, stands beside it, and the bar is 6 mm wide
    $layout = new Layout(new Plate(null), [[20.0, 90.0], [60.0, 50.0 + $beside_mm], [50.0, 50.0]], [0, 1]);
    $train = new Train([new Stage(StageType::Spur, 20, 30), new Stage(StageType::Spur, 12, 40)]);
    $sweep = new Sweep($layout, $train, Bars::of(new Crank(0.015, 0.06, 0.05)) ?? throw new LogicException, 0.0, 0.0);

    expect(array_map(fn ($clash): string => sprintf('%s / %s by %.2f', $clash->bar, $clash->meets, $clash->by_mm), $sweep->clashes(new LinkageAt(2, 150.0, 50.0, 6.0))))
        ->toBe($says);
})->with([[5.1, []], [4.7, ['crank / shaft 2 by 0.30']], [-4.7, ['crank / shaft 2 by 0.30']], [2.0, ['crank / shaft 2 by 3.00']]]);

it('touches nothing where the one lies wholly on one side of the other, and everything where they cross', function (array $other, float $apart_mm) {
    expect((new Span([0.0, 0.0], [10.0, 0.0]))->apartFrom_mm(new Span(...$other)))->toEqualWithDelta($apart_mm, 1e-12);
})->with([
    'across' => [[[5.0, -3.0], [5.0, 4.0]], 0.0], 'across its line, beside it' => [[[13.0, -3.0], [13.0, 4.0]], 3.0],
    'its own line goes across, it does not reach' => [[[5.0, 2.0], [5.0, 9.0]], 2.0], 'beside it' => [[[2.0, 1.5], [8.0, 1.5]], 1.5],
    'in one line with it' => [[[12.0, 0.0], [20.0, 0.0]], 2.0], 'a point' => [[[4.0, 6.0], [4.0, 6.0]], 6.0], 'ends on it' => [[[4.0, 0.0], [4.0, 6.0]], 0.0],
]);
