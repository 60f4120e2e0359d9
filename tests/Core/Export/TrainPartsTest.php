<?php

declare(strict_types=1);

use Brookstone\Core\Error\ImpossibleValue;
use Brookstone\Core\Export\TrainParts;
use Tests\Support\Builds;

/** Parts of the lid's train. @param  list<array<string, mixed>>  $stages  @param  array<string, mixed>  $more  by path */
function partsOfLid(array $stages, array $more = [], float $kerf_mm = 0.0, ?float $bore_mm = null): TrainParts
{
    return new TrainParts(Builds::planted($more + ['motions.0.train' => $stages])->motions['lid'], $kerf_mm, bore_mm: $bore_mm);
}

/** @return array<string, mixed> */
function toothedPair(int $driver, int $driven, array $more = []): array
{
    return $more + ['type' => 'spur', 'driver' => $driver, 'driven' => $driven, 'backlash_mm' => 0.1];
}

/** Twice the area of a closed line, as it turns to the left. @param  list<array{float, float}>  $points */
function twiceTheArea(array $points): float
{
    $sum = 0.0;
    foreach ($points as $i => [$x, $y]) {
        [$toX, $toY] = $points[($i + 1) % count($points)];
        $sum += $x * $toY - $toX * $y;
    }

    return $sum;
}

/** What a binary STL holds by the sum of its tetrahedra to the origin, mm³. */
function volumeOfStl(string $solid): float
{
    $volume = 0.0;
    for ($i = 0, $count = unpack('V', $solid, 80)[1]; $i < $count; $i++) {
        [, , , , $a, $b, $c, $d, $e, $f, $g, $h, $k] = array_merge([0], array_values(unpack('g12', $solid, 84 + 50 * $i)));
        $volume += ($a * ($e * $k - $f * $h) - $b * ($d * $k - $f * $g) + $c * ($d * $h - $e * $g)) / 6;
    }

    return $volume;
}

it('lists each kind of wheel once, with how many of it and where, and the shafts and the drive', function () {
    $idle = partsOfLid([toothedPair(12, 36), toothedPair(36, 48, ['idler' => true]), toothedPair(12, 36, ['material' => 'brass', 'face_mm' => 8]), ['type' => 'worm', 'driver' => 1, 'driven' => 30]],
        ['motions.0.drive.motors' => 2], bore_mm: 4.0)->list();

    expect($idle[0])->toBe(['count', 'part', 'teeth', 'module_mm', 'face_mm', 'material', 'bore_mm', 'where'])
        ->and(array_map(fn (array $row): string => "{$row[0]} {$row[1]} {$row[2]} {$row[4]} {$row[5]} {$row[6]}: {$row[7]}", array_slice($idle, 1)))->toBe([
            '1 spur gear 12 6 acetal 4: stage 1 driver', '1 spur gear 36 6 acetal 4: stage 1 driven', '1 spur gear 48 6 acetal 4: stage 2 driven',
            '1 spur gear 12 8 brass 4: stage 3 driver', '1 spur gear 36 8 brass 4: stage 3 driven', '1 worm 1 6 acetal 4: stage 4 driver', '1 worm wheel 30 6 acetal 4: stage 4 driven',
            '4 shaft    4: one for each stage; the first wheel sits on the drive', '2 drive W40-400    : the drive'])
        ->and(array_slice(partsOfLid([toothedPair(20, 20), toothedPair(20, 40)], ['motions.0.drive' => null])->list(), 1))->toBe([
            [3, 'spur gear', 20, 1.0, 6.0, 'acetal', 3.0, 'stage 1 driver, stage 1 driven, stage 2 driver'], [1, 'spur gear', 40, 1.0, 6.0, 'acetal', 3.0, 'stage 2 driven'],
            [2, 'shaft', '', '', '', '', 3.0, 'one for each stage; the first wheel sits on the drive']])
        ->and(partsOfLid([], ['motions.0.drive' => null])->list())->toHaveCount(1);
});

it('cuts only spur gears, each where no other lies, in rows of 300 mm', function (float $kerf_mm) {
    $parts = partsOfLid([toothedPair(20, 60), ['type' => 'belt', 'driver' => 20, 'driven' => 40], toothedPair(30, 60), toothedPair(30, 70), toothedPair(24, 40)], kerf_mm: $kerf_mm);
    $sheet = $parts->gearSheet();
    $cuts = array_values(array_filter($sheet->outlines, fn (array $outline): bool => $outline[0] === 'cut'));
    $boxes = array_map(fn (array $outline): array => [min(array_column($outline[1], 0)), min(array_column($outline[1], 1)), max(array_column($outline[1], 0)),
        max(array_column($outline[1], 1))], $cuts);

    expect($cuts)->toHaveCount(8)->and(array_column($sheet->words, 2))->toContain('20 teeth, stage 1 driver', '70 teeth, stage 4 driven')->not->toContain('20 teeth, stage 2 driver')
        ->and(max(array_column($boxes, 2)))->toBeLessThanOrEqual(300.0)->and(min(array_column($boxes, 0)))->toBeGreaterThanOrEqual(-1e-4)
        ->and(count(array_unique(array_map(fn (array $word): string => (string) round($word[1], 6), $sheet->words))))->toBeGreaterThan(1);
    foreach ($boxes as $i => [$a, $b, $c, $d]) {
        foreach (array_slice($boxes, $i + 1) as [$e, $f, $g, $h]) {
            expect($a < $g && $e < $c && $b < $h && $f < $d)->toBeFalse();
        }
    }
})->with([0.0, 0.2]);

it('makes a solid of as much as its outline, less its hole, times its face', function (int $number, float $face_mm) {
    $parts = partsOfLid([toothedPair(12, 30, ['face_mm' => $face_mm])]);
    $gear = $parts->gears()[$number]['outline'];

    expect(volumeOfStl((string) $parts->solid($number)))->toBeAbout((abs(twiceTheArea($gear->outline())) - abs(twiceTheArea($gear->hole()))) / 2 * $face_mm, 1e-5)
        ->and($parts->solid(2))->toBeNull()->and(trim(substr((string) $parts->solid(1), 0, 80)))->toBe('30 teeth, stage 1 driven');
})->with([[0, 6.0], [1, 6.0], [1, 2.5]]);

it('drills where the layout says, keeps clear of what stands there, and draws the edge of what has one', function () {
    $layout = fn (array $more): array => ['motions.0.layout' => $more + ['grid_mm' => null, 'shafts' => [['x_mm' => 20, 'y_mm' => 30], ['x_mm' => 44, 'y_mm' => 30]], 'planes' => [0],
        'shaft_mm' => 4, 'obstacles' => [['name' => 'a post', 'x_mm' => 80, 'y_mm' => 9, 'radius_mm' => 3]]]];
    $open = partsOfLid([toothedPair(12, 36)], $layout([]))->drilling();
    $edged = partsOfLid([toothedPair(12, 36)], $layout(['width_mm' => 120, 'height_mm' => 90]))->drilling();

    expect($open->circles)->toBe([['drill', 20.0, 30.0, 2.0], ['drill', 44.0, 30.0, 2.0], ['keep-clear', 80.0, 9.0, 3.0]])->and($open->outlines)->toBe([])
        ->and($open->words)->toBe([[20.0, 24.0, 'shaft 1'], [44.0, 24.0, 'shaft 2']])
        ->and($edged->outlines)->toBe([['edge', [[0.0, 0.0], [120.0, 0.0], [120.0, 90.0], [0.0, 90.0]]]])
        ->and(fn () => partsOfLid([toothedPair(12, 36)])->drilling())->toThrow(ImpossibleValue::class, 'lay the train out on its plate')
        ->and(fn () => partsOfLid([toothedPair(12, 36), toothedPair(12, 36)], $layout([]))->drilling())->toThrow(ImpossibleValue::class);
});
