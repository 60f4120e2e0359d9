<?php

declare(strict_types=1);

use Brookstone\Core\Assessment\Repair\SupplyMends;
use Brookstone\Core\Assessment\Subject\MotionFigures;
use Brookstone\Core\Assessment\Subject\MotionInBuild;
use Brookstone\Core\Finding\Change;
use Brookstone\Core\Finding\Fix;
use Tests\Support\Builds;

/**
 * @param  list<Fix>  $fixes
 * @return array<string, array<string, mixed>> what each would change, by what it does
 */
function wouldChange(array $fixes): array
{
    return array_combine(array_map(fn (Fix $fix): string => $fix->does->text(), $fixes),
        array_map(fn (Fix $fix): array => array_column(array_map(fn (Change $each): array => [$each->path, $each->value], $fix->changes), 1, 0), $fixes));
}

it('gives a quarter more than is asked for, and than any start of what it feeds', function (float $asked_A, float $has_A, array $offers) {
    // the lid starts with 2.1 A
    $build = Builds::planted(['supplies.0.max_A' => $has_A]);

    expect(wouldChange(SupplyMends::stronger($build, $build->supplies['main'], $asked_A)))->toEqual($offers);
})->with([
    [4.0, 3.0, ['Take a supply for Main that gives 5 A, instead of 3 A' => ['supplies.0.max_A' => 5.0]]],
    [1.0, 2.0, ['Take a supply for Main that gives 2.7 A, instead of 2 A' => ['supplies.0.max_A' => 2.7]]],
    [4.0, 5.0, []],
]);

it('starts softly what a supply feeds, and does not yet', function (array $planted, array $offers) {
    $build = Builds::planted($planted);

    expect(wouldChange(SupplyMends::softly($build, $build->supplies['main'], $build->motions)))->toEqual($offers);
})->with([
    'both' => [[], ['Start Lid and Lift softly: from nothing to full command over 0.3 s' => ['motions.0.drive.ramp_s' => 0.3, 'motions.2.drive.ramp_s' => 0.3]]],
    'one of them' => [['motions.0.drive.ramp_s' => 0.1], ['Start Lift softly: from nothing to full command over 0.3 s' => ['motions.2.drive.ramp_s' => 0.3]]],
    'none' => [['motions.0.drive.ramp_s' => 0.1, 'motions.2.drive.ramp_s' => 0.1], []],
    'one of another supply' => [['motions.2.drive' => null], ['Start Lid softly: from nothing to full command over 0.3 s' => ['motions.0.drive.ramp_s' => 0.3]]],
    'a servo starts as it does' => [['motions.0.drive' => null, 'motions.2.drive' => null], []],
]);

it('feeds a drive from another supply that fits and is strong enough', function (array $planted, array $offers) {
    $build = Builds::planted($planted);

    expect(wouldChange(SupplyMends::otherSupply(new MotionInBuild($build, $build->motions['lid'], new MotionFigures($build->motions['lid'])))))->toEqual($offers);
})->with([
    'it fits and is' => [[], ['Feed it from Servo rail, 6 V' => ['motions.0.drive.supply' => 'servos']]],
    'just' => [['supplies.1.max_A' => 1.06], ['Feed it from Servo rail, 6 V' => ['motions.0.drive.supply' => 'servos']]], // at 6 V it starts with half of 2.1 A
    'not quite' => [['supplies.1.max_A' => 1.04], []],
    'it does not fit' => [['supplies.1.volts_V' => 4.0], []],
]);

it('takes as large a battery as so many days ask for, with what it loses by itself', function (float $day_Ah, float $days, array $more, array $offers) {
    $build = Builds::planted(['supplies.0.capacity_Ah' => 2.0] + $more);

    expect(wouldChange(SupplyMends::largerBattery($build, $build->supplies['main'], $day_Ah, $days)))->toEqual($offers);
})->with(function () {
    $battery = fn (string $charge, float $Ah): array => ["Feed Main from a battery of {$charge}" => ['supplies.0.capacity_Ah' => $Ah]];

    return [
        'all of it' => [0.8, 1.0, [], $battery('800 mAh', 0.8)],
        'three days of it' => [0.8, 3.0, [], $battery('2.4 Ah', 2.4)],
        // 3 % a month, so 6 % in two months: 48.7 Ah ÷ 0.94
        'which loses some' => [0.8, 60.875, ['supplies.0.self_discharge_per_month' => 0.03], $battery('52 Ah', 52.0)],
        'which loses more than it has' => [0.8, 60.0, ['supplies.0.self_discharge_per_month' => 0.6], []],
    ];
});

it('finds a board a supply of the build that fits it, or one of its own', function (float $low, float $high, string $does, array $changes) {
    $build = Builds::planted(Builds::wired() + ['wiring.boards.0.board.high_V' => $high, 'wiring.boards.0.board.least_V' => min($low, 1.0), 'wiring.boards.0.board.low_V' => $low]);
    $board = $build->wiring->controller() ?? throw new LogicException;

    expect(wouldChange(SupplyMends::forBoard($build, $board)))->toEqual([$does => $changes]);
})->with(function () {
    $own = fn (float $volts): array => ['supplies.2' => ['id' => 'controller-supply-1', 'name' => 'Controller supply', 'volts_V' => $volts, 'max_A' => 1.0], 'wiring.boards.0.supply' => 'controller-supply-1'];

    return [
        'the rail' => [4.0, 7.0, 'Feed Controller 1 from Servo rail', ['wiring.boards.0.supply' => 'servos']],
        'a usual one' => [4.5, 5.5, 'Give Controller 1 a supply of its own, 5 V', $own(5.0)],
        'another usual one' => [3.0, 3.6, 'Give Controller 1 a supply of its own, 3.3 V', $own(3.3)],
        'the first of them' => [8.0, 11.0, 'Give Controller 1 a supply of its own, 9 V', $own(9.0)],
        'its middle' => [7.0, 8.5, 'Give Controller 1 a supply of its own, 7.8 V', $own(7.8)],
    ];
});
