<?php

declare(strict_types=1);

use Brookstone\Core\Assessment\Train\TrainMaking;
use Brookstone\Core\Build\Build;
use Brookstone\Core\Build\Editor;
use Brookstone\Core\Error\InvalidInput;
use Brookstone\Core\Train\GearStock;
use Tests\Support\Builds;

/**
 * @param  list<array<string, mixed>>  $gears
 * @return list<array<string, mixed>> the trains for the first motion of a sound build
 */
function trainsOf(array $gears, float $ratio, int $stages = 2, string $direction = 'any', string $order = 'error', int $limit = 20, ?int $wheel = null, ?array $belt = null,
    ?Build $build = null): array
{
    $build ??= Builds::sound();

    return TrainMaking::of($build, $build->motions['lid'], GearStock::read($gears), $ratio, $stages, null, $direction, $order, $limit, $wheel, $belt)['rows'];
}

const PAIR = [['teeth' => 20], ['teeth' => 60]];

/** @param  list<array<string, mixed>>  $rows */
function namedRow(array $rows, string $words): array
{
    return array_values(array_filter($rows, fn (array $row): bool => $row['words'] === $words))[0];
}

it('gives the figures of a train out of the drawer, by hand', function () {
    [$row] = trainsOf([['teeth' => 15, 'count' => 2], ['teeth' => 45, 'count' => 2]], 9.0);

    // the play of 0.05 mm at 22.5 mm of either wheel that is driven, the first one's over 3
    expect($row['words'])->toBe('15 : 45 · 15 : 45')->and($row['ratio'])->toEqualWithDelta(9.0, 1e-12)->and($row['error'])->toEqualWithDelta(0.0, 1e-12)
        ->and($row['gears'])->toBe(4)->and($row['efficiency'])->toEqualWithDelta(0.95 ** 2, 1e-12)->and($row['way'])->toBe(1)->and($row['wears'])->toBe(2)
        ->and($row['slop_deg'])->toEqualWithDelta(rad2deg(0.05 / 22.5) * (1 + 1 / 3), 1e-9);
});

it('takes the narrower and the weaker of two gears for a stage', function () {
    $row = trainsOf([['teeth' => 20, 'face_mm' => 8, 'material' => 'brass'], ['teeth' => 60, 'face_mm' => 5, 'material' => 'steel']], 3.0)[0];

    expect($row['stages'][0])->toMatchArray(['face_mm' => 5.0, 'material' => 'brass', 'module_mm' => 1.0, 'backlash_mm' => 0.05]);
    expect(trainsOf([['teeth' => 20, 'face_mm' => 4, 'material' => 'steel'], ['teeth' => 60, 'material' => 'acetal']], 3.0)[0]['stages'][0])->toMatchArray([
        'face_mm' => 4.0, 'material' => 'acetal',
    ]);
});

it('takes the play of the module that is there', fn () => expect(trainsOf([['teeth' => 20, 'module_mm' => 0.5], ['teeth' => 60, 'module_mm' => 0.5]], 3.0)[0]['stages'][0])->toMatchArray(
    ['module_mm' => 0.5, 'backlash_mm' => 0.025]));

it('turns the way that is asked for', function (string $direction, array $words) {
    expect(array_column(trainsOf(PAIR, 3.0, 2, $direction), 'words'))->toBe($words);
})->with([['any', ['20 : 60', '60 : 20']], ['reversed', ['20 : 60', '60 : 20']], ['same', []]]);

it('puts the worm first and finds the rest of the ratio behind it', function () {
    $rows = trainsOf(PAIR, 90.0, 1, wheel: 30);

    expect(array_column($rows, 'words'))->toBe(['worm 1 : 30 · 20 : 60', 'worm 1 : 30', 'worm 1 : 30 · 60 : 20'])->and(array_column($rows, 'ratio'))->toEqualWithDelta([90.0, 30.0, 10.0], 1e-9)
        ->and($rows[0]['efficiency'])->toEqualWithDelta(0.4 * 0.95, 1e-12)->and(array_column($rows, 'gears'))->toBe([4, 2, 4])->and(array_column($rows, 'wears'))->toBe([1, 0, 1]);
});

it('has the worm alone only where it turns the way that is asked for', function () {
    $alone = fn (string $direction): bool => in_array('worm 1 : 30', array_column(trainsOf(PAIR, 30.0, 1, $direction, wheel: 30), 'words'), true);
    $way = namedRow(trainsOf(PAIR, 30.0, 1, wheel: 30), 'worm 1 : 30')['way'];

    expect($alone('any'))->toBeTrue()->and($alone('same'))->toBe($way === 1)->and($alone('reversed'))->toBe($way === -1)
        ->and(array_unique(array_column(trainsOf(PAIR, 30.0, 1, 'reversed', wheel: 30), 'way')))->toBe([-1])
        ->and(array_unique(array_column(trainsOf(PAIR, 30.0, 1, 'same', wheel: 30), 'way')))->toBe([1]);
});

it('puts pulleys first, on a belt of two millimetres a tooth, whose teeth in common wear nothing', function () {
    $rows = trainsOf(PAIR, 6.0, 1, belt: [16, 32]);

    expect($rows[0]['words'])->toBe('belt 16 : 32 · 20 : 60')->and($rows[0]['ratio'])->toEqualWithDelta(6.0, 1e-12)->and($rows[0]['way'])->toBe(-1)
        ->and($rows[0]['stages'][0]['module_mm'] * M_PI)->toEqualWithDelta(2.0, 1e-12)->and(array_column($rows, 'wears'))->toBe([1, 0, 1]);
});

it('shows the nearest that cannot stand on the plate too, last and with the reason, and no more than five', function () {
    $rows = trainsOf([['teeth' => 15], ['teeth' => 20], ['teeth' => 40], ['teeth' => 45]], 6.0);
    $stand = array_map(fn (array $row): bool => $row['why_not'] === null, $rows);

    expect($rows[0])->toMatchArray(['words' => '40 : 45', 'box_mm' => [76.5, 72.5]])->and(array_keys($stand, false, true))->toBe(range(count($stand) - 5, count($stand) - 1))
        ->and($rows[2])->toMatchArray(['words' => '15 : 40 · 20 : 45', 'box_mm' => [], 'error' => 0.0])
        ->and($rows[2]['why_not'])->toBe('No two holes stand 27.5 mm apart for stage 1 of 15 and 40 teeth: the nearest are 0.5 mm too far.');
});

it('is never among what does not stand when it stands nearer', function () {
    $rows = trainsOf(PAIR, 3.0, limit: 1);

    expect(array_column($rows, 'words'))->toBe(['20 : 60', '60 : 20']); // the second as one of the nearest of all
});

it('keeps to the plate of the motion and to what stands on it', function (array $plate, bool $stands) {
    $build = Builds::mended(Builds::sound(), trainsOf(PAIR, 3.0)[0]['take']);
    $changes = array_map(fn (string $key): array => ['path' => "motions.0.layout.{$key}", 'value' => $plate[$key]], array_keys($plate));
    $row = trainsOf(PAIR, 3.0, limit: 1, build: Editor::apply($build, $changes))[0];

    expect($row['why_not'] === null)->toBe($stands);
})->with([
    'large enough' => [['width_mm' => 90, 'height_mm' => 90], true], 'too small' => [['width_mm' => 61, 'height_mm' => 90], false],
    'taken up' => [['width_mm' => 90, 'height_mm' => 90, 'obstacles' => [['name' => 'A post', 'x_mm' => 45, 'y_mm' => 45, 'radius_mm' => 40]]], false],
]);

it('orders by what is asked for, and by the error where that is the same', function (string $order, array $by) {
    $rows = array_filter(trainsOf(GearStock::shipped()->lines, 7.0, order: $order), fn (array $row): bool => $row['why_not'] === null);
    $values = array_map(fn (array $row): array => [round(match ($by[0]) {
        'area' => $row['box_mm'][0] * $row['box_mm'][1], 'best' => -$row['efficiency'], default => $row[$by[0]]
    }, 9), $row['error']], array_values($rows));
    $sorted = $values;
    sort($sorted);

    expect(count($rows))->toBeGreaterThan(5)->and($values)->toBe($sorted);
})->with([['error', ['error']], ['size', ['area']], ['parts', ['gears']], ['efficiency', ['best']], ['slop', ['slop_deg']], ['wear', ['wears']]]);

it('is taken by a change of the train and of its layout, and nothing else', function () {
    $build = Builds::sound();
    $row = trainsOf(PAIR, 3.0)[0];
    $after = Builds::mended($build, $row['take']);

    expect($row['take']->does->text())->toBe('Take 20 : 60, a ratio of 3 : 1')->and($after->motions['lid']->train->ratio())->toEqualWithDelta(3.0, 1e-12)
        ->and($after->motions['lid']->layout)->not->toBeNull()->and(array_column($row['take']->changes, 'path'))->toBe(['motions.0.train', 'motions.0.layout']);
});

it('asks for the drive, and says what power is not there', function () {
    $lid = Builds::sound()->motions['lid'];
    $line = $lid->drive->line();
    $ratio = TrainMaking::ratioFor($lid, 2.0, 0.01, 1);
    $most_W = $line->noLoad_rad_s() * $line->stall_Nm / 4 * 0.95;

    // at that ratio the drive still turns as fast as is asked for against what the load asks of it
    expect($line->speedAgainst(0.01 / $ratio / 0.95) / $ratio)->toEqualWithDelta(2.0 * 2 * M_PI / 60, 1e-6)
        ->and(TrainMaking::ratioFor($lid, 2.0, 0.01, 0))->toBe($ratio)->and(TrainMaking::ratioFor($lid, 2.0, 0.01, 3))->toBeLessThan($ratio)
        ->and(fn () => TrainMaking::ratioFor($lid, 3000.0, 5.0, 1))->toThrow(InvalidInput::class, sprintf('it makes %.3g W at most, and %.3g W are asked for', $most_W, 3000.0 / 60 * 2 * M_PI * 5.0));
});
