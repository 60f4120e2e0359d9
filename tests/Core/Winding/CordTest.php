<?php

declare(strict_types=1);

use Brookstone\Core\Error\ImpossibleValue;
use Brookstone\Core\Winding\Cord;
use Brookstone\Core\Winding\Fleet;
use Brookstone\Core\Winding\LineStock;
use Brookstone\Core\Winding\TwoInTurn;

it('wants five times the load with its jerk, and twice that for the knot', function () {
    expect(Cord::wanted_N(10.0))->toBeAbout(150.0, 1e-12)->and(Cord::wanted_N(10.0, 0.8, 2.0))->toBeAbout(125.0, 1e-12)
        ->and((new Cord(150.0))->safety(10.0))->toBeAbout(5.0, 1e-12)->and((new Cord(150.0))->bears_N)->toBe(75.0);
});

it('takes a knot that leaves all, and none that leaves more', function () {
    expect((new Cord(100.0, 1.0))->bears_N)->toBe(100.0)->and(fn () => new Cord(100.0, 1.05))->toThrow(ImpossibleValue::class)
        ->and(fn () => new Cord(0.0))->toThrow(ImpossibleValue::class);
});

it('runs onto its drum as slantwise as half its width over its way', function () {
    $fleet = new Fleet(0.1, 0.5);

    expect($fleet->angle_deg)->toBeAbout(5.710593, 1e-6)->and($fleet->lead_even_m)->toBeAbout(1.431813, 1e-6)
        ->and((new Fleet(0.1, $fleet->lead_even_m))->angle_deg)->toBeAbout(Fleet::EVEN_DEG, 1e-12);
});

it('moves the lighter first, and one of two alike', function (float $one, float $other, string $first, float $margin) {
    $two = new TwoInTurn($one, $one, $other, $other);

    expect($two->first)->toBe($first)->and($two->margin)->toBe($margin);
})->with([[1.0, 2.0, 'one', 2.0], [2.0, 1.0, 'other', 2.0], [1.0, 1.0, 'neither', 1.0], [1.0, 1.001, 'one', 1.001]]);

it('says of two of which either may go first that the first does', function () {
    expect((new TwoInTurn(1.0, 2.0, 1.0, 2.0))->first)->toBe('one');
});

it('ships cords of one strength for their thickness, and of everything what a builder would have at hand', function () {
    $stock = LineStock::shipped();
    foreach ($stock->of('cord') as $cord) { // braided, 220 to 320 N/mm²
        expect((float) $cord['breaking_N'] / (M_PI / 4 * $cord['size_mm'] ** 2))->toBeGreaterThan(270.0)->toBeLessThan(310.0)
            ->and($cord['length_mm'])->toBe(10_000.0);
    }
    $belt = $stock->of('belt')[0];
    expect(array_column($stock->of('belt'), 'teeth'))->toBe([60, 70, 80, 90, 100, 120, 140, 160, 200])
        ->and([$belt['size_mm'], $belt['breaking_N'], $belt['count']])->toBe([2.0, 200.0, 2])
        ->and(array_column($stock->of('round'), 'length_mm'))->toBe([120.0, 200.0, 300.0])->and($stock->of('round')[0]['breaking_N'])->toBe(80.0)
        ->and($stock->of('round')[0]['count'])->toBe(2)
        ->and($stock->of('chain')[0]['breaking_N'])->toBe(300.0)->and($stock->of('chain')[0]['count'])->toBe(1)
        ->and(array_column($stock->of('rod'), 'length_mm'))->toBe([60.0, 100.0, 150.0, 250.0])->and($stock->of('rod')[0]['count'])->toBe(4);
});

it('takes a belt whose pitch is right to a hundredth, and the first of two that are as near', function () {
    $line = fn (string $name, float $pitch, int $teeth): array => ['kind' => 'belt', 'name' => $name, 'size_mm' => $pitch, 'teeth' => $teeth];
    $stock = LineStock::read([$line('A', 2.0, 80), $line('B', 2.019, 90), $line('C', 2.021, 85)]);

    expect($stock->nearest('belt', 2.0, 90.0)['name'] ?? null)->toBe('B')->and($stock->nearest('belt', 2.0, 85.0)['name'] ?? null)->toBe('A')
        ->and($stock->nearest('belt', 2.0, 84.0)['name'] ?? null)->toBe('A');
});

it('takes whatever length is long enough to the millimetre, and strength to the newton', function () {
    $stock = LineStock::shipped();

    expect($stock->rodOf(60.0)['length_mm'] ?? null)->toBe(60.0)->and($stock->rodOf(60.1)['length_mm'] ?? null)->toBe(100.0)
        ->and($stock->rodOf(250.0)['length_mm'] ?? null)->toBe(250.0)->and($stock->rodOf(250.1))->toBeNull()
        ->and($stock->cordOf(60.0)['size_mm'] ?? null)->toBe(0.5)->and($stock->cordOf(60.1)['size_mm'] ?? null)->toBe(0.8)
        ->and($stock->cordOf(900.0)['size_mm'] ?? null)->toBe(2.0)->and($stock->cordOf(900.1))->toBeNull();
});

it('counts a line as one that says nothing of how many, and takes none that is there no more', function () {
    expect(LineStock::read([['kind' => 'rod', 'name' => 'R', 'size_mm' => 1, 'length_mm' => 50]])->of('rod'))->toHaveCount(1)
        ->and(LineStock::read([['kind' => 'rod', 'name' => 'R', 'size_mm' => 1, 'length_mm' => 50, 'count' => 0]])->of('rod'))->toBe([])
        ->and(fn () => LineStock::read([['kind' => 'rod', 'name' => 'R', 'size_mm' => 100.5,
            'length_mm' => 50]]))->toThrow(Brookstone\Core\Error\InvalidInput::class)
        ->and(fn () => LineStock::read([['kind' => 'belt', 'name' => 'R', 'size_mm' => 2, 'teeth' => 3]]))->toThrow(Brookstone\Core\Error\InvalidInput::class)
        ->and(LineStock::read([['kind' => 'belt', 'name' => 'R', 'size_mm' => 100, 'teeth' => 4]])->of('belt'))->toHaveCount(1);
});
