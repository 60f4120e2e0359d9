<?php

declare(strict_types=1);

use Brookstone\Core\Error\InvalidInput;
use Brookstone\Core\Train\GearMaterial;
use Brookstone\Core\Train\GearStock;

it('ships two each of twenty-four sizes of module 1 in acetal, and eight of module 0.5 in brass', function () {
    $stock = GearStock::shipped();

    expect(array_keys($stock->counts(1.0)))->toBe([10, 12, 14, 15, 16, 17, 18, 20, 21, 22, 24, 25, 27, 28, 30, 32, 35, 36, 40, 44, 45, 48, 56, 60])
        ->and(array_unique($stock->counts(1.0)))->toBe([10 => 2])->and($stock->counts(0.5))->toBe([12 => 2, 16 => 2, 20 => 2, 24 => 2, 32 => 2, 40 => 2, 48 => 2, 64 => 2])->and($stock->counts(2.0))->toBe([])
        ->and($stock->modules())->toBe([1.0, 0.5])->and($stock->leastOf(20, 1.0))->toBe([6.0, GearMaterial::Acetal])->and($stock->leastOf(20, 0.5))->toBe([4.0, GearMaterial::Brass]);
});

it('counts on the narrowest and weakest gear that is there', function () {
    $gear = fn (float $face, string $material, int $count = 1): array => ['teeth' => 20, 'module_mm' => 1.0, 'face_mm' => $face, 'material' => $material, 'count' => $count];
    $stock = GearStock::read([$gear(8.0, 'brass'), $gear(5.0, 'steel'), $gear(3.0, 'acetal', 0)]);

    expect($stock->leastOf(20, 1.0))->toBe([5.0, GearMaterial::Brass])->and($stock->counts(1.0))->toBe([20 => 2])
        ->and($stock->leastOf(21, 1.0))->toBe([6.0, GearMaterial::Acetal])->and($stock->leastOf(20, 2.0))->toBe([6.0, GearMaterial::Acetal]); // none of it: what is usual
});

it('takes what is on its limit, and refuses what is past it', function (string $field, float|int $last, float|int $past) {
    expect(GearStock::read([[$field => $last] + ['teeth' => 20]])->lines)->toHaveCount(1)->and(fn () => GearStock::read([[$field => $past] + ['teeth' => 20]]))->toThrow(InvalidInput::class, "gears.0.{$field}");
})->with([['teeth', 6, 5], ['teeth', 400, 401], ['module_mm', 0.1, 0.09], ['module_mm', 20.0, 20.1], ['count', 1000, 1001], ['count', 0, -1], ['face_mm', 0.5, 0.4], ['face_mm', 200.0, 201.0]]);

it('takes one gear of module 1, six wide, in acetal for what is left out', fn () => expect(GearStock::read([['teeth' => 20]])->lines)->toBe([['teeth' => 20, 'module_mm' => 1.0, 'count' => 1, 'face_mm' => 6.0, 'material' => 'acetal']]));

it('names a gear that stands there twice', fn () => GearStock::read([['teeth' => 20], ['teeth' => 24], ['teeth' => 20, 'count' => 3]]))->throws(InvalidInput::class, 'The same gear stands in line 1: count them together.');
