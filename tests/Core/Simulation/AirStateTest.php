<?php

declare(strict_types=1);

use Brookstone\Core\Quantity\Constants;
use Brookstone\Core\Simulation\Air;
use Brookstone\Core\Simulation\Axis;
use Tests\Support\Builds;

/** The tank of the crate imp, of half a litre, with a compressor on its supply. @return array{Air, array<string, Axis>} */
function smallTank(float $compressor_l_min = 30.0): array
{
    $document = Builds::example('crate-imp')->document;
    foreach (['tank_l' => 0.5, 'compressor_l_min' => $compressor_l_min, 'compressor_A' => 1.5, 'supply' => 'main'] as $key => $value) {
        $document['tanks'][0][$key] = $value;
    }
    $build = Brookstone\Core\Build\Build::read($document);
    $axes = array_map(fn ($motion): Axis => new Axis($motion, $motion->at($motion->task->from), 0.0), $build->motions);

    return [new Air($build, $axes), $axes];
}

it('starts its compressor when it has come down to its low pressure and not before, and stops it at its high one', function () {
    [$air, $axes] = smallTank();
    $tank = $air->tanks[0];
    $log = [];
    for ($i = 0; $i < 1500; $i++) {
        $i % 100 === 0 && $i < 600 ? $axes['imp']->push($i % 200 === 0 ? 1 : -1, 1.0) : null;
        $axes['imp']->advance(0.01);
        $before = $tank->bar();
        [$isSwitched] = $tank->goesOn($i * 0.01, 0.01, true);
        if ($isSwitched) {
            $log[] = [$tank->takes_A('main'), $before, $tank->bar(), $air->staysFor_s()];
        }
        $tank->takes_A('main') > 0.0 ? null : expect($air->staysFor_s())->toBe(INF);
    }
    [$starts, $stops] = [array_values(array_filter($log, fn (array $each): bool => $each[0] > 0.0)), array_values(array_filter($log, fn (array $each): bool => $each[0] === 0.0))];

    expect(count($starts))->toBeGreaterThan(0)->and(count($stops))->toBeGreaterThan(0)->and($tank->takes_A('servos'))->toBe(0.0);
    foreach ($starts as [$amps, $before, $after, $for_s]) {
        expect($amps)->toBe(1.5)->and($before)->toBeGreaterThan($tank->tank->low_bar)->and($after)->toBeLessThanOrEqual($tank->tank->low_bar)
            ->and($for_s)->toBeAbout(0.5 * ($tank->tank->high_bar - $after) / Constants::ROOM_BAR / (30.0 / 60), 1e-9); // V·(p₁ − p₂)/p₀ over what it gives
    }
    foreach ($stops as [, $before, $after]) {
        expect($before)->toBeLessThan($tank->tank->high_bar)->and($after)->toBe($tank->tank->high_bar);
    }
});

it('fills nothing without power, nor without a compressor', function (float $compressor_l_min, bool $powered) {
    [$air, $axes] = smallTank($compressor_l_min);
    for ($i = 0; $i < 800; $i++) {
        $i % 100 === 0 && $i < 600 ? $axes['imp']->push($i % 200 === 0 ? 1 : -1, 1.0) : null;
        $axes['imp']->advance(0.01);
        $air->tanks[0]->goesOn($i * 0.01, 0.01, $powered);
    }

    expect($air->tanks[0]->takes_A('main'))->toBe(0.0)->and($air->tanks[0]->bar())->toBeLessThan($air->tanks[0]->tank->low_bar)
        ->and($air->tanks[0]->written(8.0)['share_on'])->toBe(0.0)->and($air->staysFor_s())->toBe(INF);
})->with([[0.0, true], [30.0, false]]);

it('gives its air to its own cylinders alone', function () {
    $document = Builds::example('crate-imp')->document;
    $document['tanks'][] = ['id' => 'spare', 'name' => 'Spare', 'tank_l' => 2.0, 'high_bar' => 7.0, 'low_bar' => 5.5];
    $build = Brookstone\Core\Build\Build::read($document);
    $axes = array_map(fn ($motion): Axis => new Axis($motion, $motion->at($motion->task->from), 0.0), $build->motions);
    $air = new Air($build, $axes);
    expect($air->isUsed())->toBeFalse();
    $axes['imp']->push(1, 1.0);
    for ($i = 0; $i < 50; $i++) {
        $axes['imp']->advance(0.01);
        expect($air->isUsed())->toBe($axes['imp']->shaftSpeed() > 0.0);
        array_map(fn ($tank): array => $tank->goesOn($i * 0.01, 0.01, false), $air->tanks);
    }
    $own = $document['tanks'][0]['id'];

    expect($air->used_l()[$own])->toBeGreaterThan(0.0)->and($air->used_l()['spare'])->toBe(0.0)
        ->and(array_combine(array_keys($air->used_l()), array_map(fn ($tank): float => $tank->bar(), $air->tanks))['spare'])->toBe(7.0);
});
