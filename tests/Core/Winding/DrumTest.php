<?php

declare(strict_types=1);

use Brookstone\Core\Error\ImpossibleValue;
use Brookstone\Core\Winding\Drum;

dataset('drums', [
    'one layer' => [new Drum(0.02, 0.001, 0.05, 0.4)],
    'four layers, nested' => [new Drum(0.012, 0.0008, 0.008, 1.6)],
    'stacked' => [new Drum(0.012, 0.0008, 0.008, 1.6, nested: false)],
    'one turn in a layer' => [new Drum(0.01, 0.002, 0.002, 0.5)],
]);

it('winds as much cord as it was given: turn for turn at the radius of its layer', function (Drum $drum) {
    $wound = 0.0;
    $left = $drum->turns;
    for ($layer = 0; $layer < $drum->layers; $layer++) {
        $turns = min($left, $drum->turns_per_layer);
        $wound += $turns * 2 * M_PI * $drum->radius_m($layer);
        $left -= $turns;
    }

    expect($wound)->toBeAbout($drum->length_m, 1e-9)->and($left)->toBeLessThan(1e-6);
})->with('drums');

it('grows with every layer, and only at the ends of layers', function (Drum $drum) {
    $ends = $drum->layerEnds_m();
    expect($ends)->toHaveCount($drum->layers - 1)->and($drum->radiusAfter_m(0.0))->toBe($drum->radius_m(0))
        ->and($drum->radiusAfter_m($drum->length_m))->toBe($drum->lastRadius_m());
    foreach ($ends as $i => $end) {
        expect($drum->radiusAfter_m($end * 0.999))->toBe($drum->radius_m($i))->and($drum->radiusAfter_m($end * 1.001))->toBe($drum->radius_m($i + 1));
    }
})->with('drums');

it('has turned as far as it has wound, layer by layer, and back', function (Drum $drum) {
    $turned = $from = 0.0;
    foreach ([...$drum->layerEnds_m(), $drum->length_m] as $layer => $end) {
        $half = ($from + $end) / 2;
        expect($drum->turnAfter_m($half))->toBeAbout($turned + ($half - $from) / $drum->radius_m($layer), 1e-9)
            ->and($drum->lengthAfter_rad($drum->turnAfter_m($half)))->toBeAbout($half, 1e-9);
        $turned += ($end - $from) / $drum->radius_m($layer);
        $from = $end;
    }

    expect($drum->turnAfter_m($drum->length_m))->toBeAbout($turned, 1e-9)->and($turned)->toBeAbout($drum->turns * 2 * M_PI, 1e-9)
        ->and($drum->turnAfter_m(-0.1))->toBeAbout(-0.1 / $drum->radius_m(0), 1e-9)
        ->and($drum->lengthAfter_rad(-2.0))->toBeAbout(-2.0 * $drum->radius_m(0), 1e-9);
})->with('drums');

it('needs less room nested than stacked, and never more layers for less cord', function () {
    $layers = 0;
    foreach ([0.1, 0.3, 0.8, 1.7, 4.0] as $length) {
        [$nested, $stacked] = [new Drum(0.012, 0.0008, 0.008, $length), new Drum(0.012, 0.0008, 0.008, $length, false)];
        expect($nested->lastRadius_m())->toBeLessThanOrEqual($stacked->lastRadius_m())->and($nested->layers)->toBeGreaterThanOrEqual($layers);
        $layers = $nested->layers;
    }
});

it('holds three cords of 0.4 mm in 1.2 mm', fn () => expect((new Drum(0.01, 0.0004, 0.0012, 1.0))->turns_per_layer)->toBe(3));

it('refuses a cord of nothing', fn () => new Drum(0.01, 0.0, 0.01, 1.0))->throws(ImpossibleValue::class);

it('has as many layers as hold its cord, to the last turn', function () {
    // Ten turns of 1 mm cord on a core of 20 mm: the first layer holds 10 · 2π · 10.5 mm, the second √3⁄2 mm further out.
    $first = 10 * 2 * M_PI * 0.0105;
    $second = 10 * 2 * M_PI * (0.0105 + 0.001 * sqrt(3) / 2);

    expect((new Drum(0.02, 0.001, 0.01, $first))->layers)->toBe(1)->and((new Drum(0.02, 0.001, 0.01, $first * 1.0001))->layers)->toBe(2)
        ->and((new Drum(0.02, 0.001, 0.01, $first + $second))->layers)->toBe(2)
        ->and((new Drum(0.02, 0.001, 0.01, ($first + $second) * 1.0001))->layers)->toBe(3)
        ->and((new Drum(0.02, 0.001, 0.01, $first + $second))->turns)->toBeAbout(20.0, 1e-9)
        ->and((new Drum(0.02, 0.001, 0.01, 0.001))->layers)->toBe(1)->and((new Drum(0.02, 0.001, 0.0105, 0.5))->turns_per_layer)->toBe(10)
        ->and((new Drum(0.02, 0.001, 0.0005, 0.5))->turns_per_layer)->toBe(1) // narrower than the cord: one turn upon another
        ->and(Drum::aroundFirstLayer(0.0105, 0.001, 0.01, $first)->core_diameter_m)->toBeAbout(0.02, 1e-12);
});
