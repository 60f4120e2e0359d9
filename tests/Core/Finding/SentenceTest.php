<?php

declare(strict_types=1);

use Brookstone\Core\Finding\Sentence;
use Brookstone\Core\Quantity\Quantity;

/** @param  array<string, array{float, string}>  $values */
function says(array $values, string $system = 'metric'): string
{
    return (new Sentence('{a} is more than {b}', array_map(fn (array $value): Quantity => Quantity::of(...$value), $values)))->text($system);
}

it('tells figures apart that differ, and no others', function (float $a, float $b, string $says) {
    expect(says(['a' => [$a, 's'], 'b' => [$b, 's']]))->toBe("{$says}");
})->with([
    [2.51, 2.5, '2.51 s is more than 2.5 s'], [2.501, 2.5, '2.501 s is more than 2.5 s'], [2.5001, 2.5, '2.5001 s is more than 2.5 s'],
    [2.50001, 2.5, '2.5 s is more than 2.5 s'], [2.5, 2.5, '2.5 s is more than 2.5 s'], [1234.0, 1233.0, '1234 s is more than 1233 s'],
    [0.35312, 0.35304, '0.3531 s is more than 0.353 s'], [-2.501, -2.5, '−2.501 s is more than −2.5 s'],
]);

it('compares what is of one kind alone', function () {
    expect(says(['a' => [2.501, 's'], 'b' => [2.5, 'kg']]))->toBe('2.5 s is more than 2.5 kg');
});

it('does so in the units that it is said in', function () {
    expect(says(['a' => [0.35312, 'N·m'], 'b' => [0.35304, 'N·m']]))->toBe('0.3531 N·m is more than 0.353 N·m')
        ->and(says(['a' => [0.35312, 'N·m'], 'b' => [0.35304, 'N·m']], 'bench'))->toBe('3.601 kg·cm is more than 3.6 kg·cm');
});

it('tells three apart from one another', function () {
    $sentence = new Sentence('{a}, {b}, {c}', ['a' => Quantity::of(1.0, 's'), 'b' => Quantity::of(1.001, 's'), 'c' => Quantity::of(1.0002, 's')]);
    expect($sentence->text())->toBe('1 s, 1.001 s, 1.0002 s');
});
