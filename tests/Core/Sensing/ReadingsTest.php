<?php

declare(strict_types=1);

use Brookstone\Core\Assessment\Sensing\ReadingsSheet;
use Brookstone\Core\Error\InvalidInput;
use Brookstone\Core\Sensing\Readings;
use Tests\Support\Builds;

it('reads readings as people have them', function (string $text, array $sets) {
    expect(Readings::read($text))->toEqual($sets + ['all' => null, 'absent' => null, 'present' => null]);
})->with([
    'with spaces and lines' => ["512 498\n 505 \n\n501", ['all' => [512.0, 498.0, 505.0, 501.0]]],
    'with commas' => ['512, 498,505', ['all' => [512.0, 498.0, 505.0]]],
    'with decimal commas' => ["1,5; 2,25\n3", ['all' => [1.5, 2.25, 3.0]]],
    'two columns' => ["Without,With\n10,90\n11,\n,91", ['absent' => [10.0, 11.0], 'present' => [90.0, 91.0]]],
    'a table with more' => ["\xEF\xBB\xBF\"no\";\"time\";\"yes\"\r\n1;12:00;2,5\r\n", ['absent' => [1.0], 'present' => [2.5]]],
    'nothing' => ['  ', ['all' => []]],
]);

it('names the line that it cannot read', function (string $text, string $says) {
    expect(fn () => Readings::read($text))->toThrow(fn (InvalidInput $wrong) => expect($wrong->errors[0]['message'])->toContain($says));
})->with([
    ["12\n13 bright", 'Line 2: “bright”'], ['1e9', 'Line 1'], ['NAN', 'Line 1'], [str_repeat('5 ', 501), '500'],
    ["without\twith\n4\t5\nfour\t6", 'Line 3: “four”'],
]);

it('puts every reading into one step of the histogram', function () {
    $absent = array_map(fn (int $i): float => 100.0 + ($i * 37 % 23), range(1, 40));
    $present = array_map(fn (int $i): float => 130.0 + ($i * 41 % 17), range(1, 25));
    $bins = Readings::histogram($absent, $present);

    expect(array_sum(array_column($bins, 'absent')))->toBe(40)->and(array_sum(array_column($bins, 'present')))->toBe(25)
        ->and($bins[0]['from'])->toBe(min($absent))->and(end($bins)['to'])->toEqualWithDelta(max($present), 1e-9)
        ->and(Readings::histogram([5.0, 5.0], [5.0]))->toBe([['from' => 5.0, 'to' => 6.0, 'absent' => 2, 'present' => 1]])
        ->and(Readings::histogram([], []))->toBe([]);
});

it('says of a threshold what the judge says, and sets it where hardly any reading is wrong', function () {
    $eye = ['id' => 'eye', 'name' => 'Eye', 'kind' => 'light', 'upper' => 50, 'absent' => [40, 44, 51, 53, 47], 'present' => [88, 91, 90, 85, 92]];
    $build = Builds::planted(['sensors.2' => $eye, 'routines.1.steps.9' => ['do' => 'wait', 'until' => ['sensor' => 'eye'], 'give_up_s' => 3]]);
    $sheet = ReadingsSheet::of($build->sensors['eye'], 'sensors.2');
    $ghosts = Builds::found($build, 'routine.sees_ghosts');
    $mended = Builds::mended($build, $sheet['fix']);

    expect($sheet['wrong_now'])->toEqualWithDelta(0.2, 1e-9)->and($ghosts)->toHaveCount(1)->and($ghosts[0]->fixes[0])->toEqual($sheet['fix'])
        ->and(ReadingsSheet::of($mended->sensors['eye'], 'sensors.2')['wrong_now'])->toBe(0.0)->and($sheet['best']['error_rate'])->toBeLessThan(1e-3)
        ->and(ReadingsSheet::of(Builds::planted(['sensors.2' => ['absent' => [40]] + $eye])->sensors['eye'], 'sensors.2')['best'])->toBeNull();
});

it('asks for no threshold where both sets are the same on the mean, or one of them has too few', function (array $absent, array $present, bool $asks) {
    $sensor = Builds::planted(['sensors.2' => ['id' => 'eye', 'name' => 'Eye', 'kind' => 'light', 'upper' => 50, 'absent' => $absent, 'present' => $present]])->sensors['eye'];

    expect(ReadingsSheet::best($sensor) !== null)->toBe($asks);
})->with([
    [[40, 50, 60, 45, 55], [50, 50, 48, 52, 50], false], [[40, 50, 60, 45, 55], [50, 50, 48, 52, 51], true], [[40, 50, 60, 45, 55], [80, 90], false], [[40, 50, 60, 45, 55], [80, 90, 85], true],
    [[40, 50, 60, 45, 55, 50], [50, 50, 48, 52, 50], false],
]);
