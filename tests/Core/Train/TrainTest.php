<?php

declare(strict_types=1);

use Brookstone\Core\Train\Stage;
use Brookstone\Core\Train\StageType;
use Brookstone\Core\Train\Train;

it('multiplies ratios and efficiencies and conserves power but for the losses', function () {
    $train = new Train([new Stage(StageType::Spur, 12, 36, efficiency: 0.9), new Stage(StageType::Worm, 2, 30, efficiency: 0.5),
        new Stage(StageType::Belt, 10, 20, efficiency: 0.8)]);
    $shafts = $train->shafts(3000.0, 0.01);

    expect($train->ratio())->toBeAbout(3.0 * 15 * 2)
        ->and($train->efficiency())->toBeAbout(0.36)
        ->and($train->direction())->toBe(-1)
        ->and($shafts[3]['rpm'] * $shafts[3]['torque_Nm'])->toBeAbout(3000.0 * 0.01 * 0.36, 1e-12);
});

it('counts an idler as two meshes that keep the ratio', function () {
    $plain = new Train([new Stage(StageType::Spur, 12, 36)]);
    $idler = new Train([new Stage(StageType::Spur, 12, 20), new Stage(StageType::Spur, 20, 36)]);

    expect($idler->ratio())->toBeAbout($plain->ratio(), 1e-12)->and($idler->direction())->toBe(-$plain->direction());
});

it('sees slop through the ratio after it: the last mesh counts most', function () {
    $slop = fn (float $first, float $last): float => (new Train([new Stage(StageType::Spur, 10, 40, backlash_mm: $first), new Stage(StageType::Spur, 10, 40, backlash_mm: $last)]))->backlash_deg();

    expect($slop(0.0, 0.1))->toBeAbout(rad2deg(0.1 / 20), 1e-12)
        ->and($slop(0.1, 0.0))->toBeAbout($slop(0.0, 0.1) / 4, 1e-12)
        ->and($slop(0.1, 0.1))->toBeAbout($slop(0.1, 0.0) + $slop(0.0, 0.1), 1e-12);
});

it('is self-locking at half efficiency and below', function () {
    expect(Train::backOf(0.5))->toBe(0.0)->and(Train::backOf(0.4))->toBe(0.0)
        ->and(Train::backOf(1.0))->toBe(1.0)->and(Train::backOf(0.8))->toBeAbout(0.75);
});

it('passes everything straight through without a stage', function () {
    $none = new Train;

    expect($none->ratio())->toBe(1.0)->and($none->efficiency())->toBe(1.0)->and($none->direction())->toBe(1)->and($none->backlash_deg())->toBe(0.0);
});
