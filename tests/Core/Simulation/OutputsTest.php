<?php

declare(strict_types=1);

use Brookstone\Core\Simulation\Inputs;
use Brookstone\Core\Simulation\Mishap;
use Brookstone\Core\Simulation\Outputs;
use Brookstone\Core\Simulation\Recorder;
use Tests\Support\Builds;

/** @return array{Outputs, Recorder} a lamp, a coil that bears 0.5 s, points that bear 0.2 s, and a valve turned by a servo */
function someOutputs(): array
{
    $build = Builds::planted(['outputs' => [['id' => 'lamp', 'name' => 'Lamp', 'kind' => 'lamp'], ['id' => 'hook', 'name' => 'Hook', 'kind' => 'uncoupler', 'supply' => 'main', 'longest_s' => 0.5],
        ['id' => 'points', 'name' => 'Points', 'kind' => 'points', 'supply' => 'main', 'longest_s' => 0.2], ['id' => 'tap', 'name' => 'Tap', 'kind' => 'servo_valve', 'supply' => 'servos']], 'routines' => []]);
    $recorder = new Recorder($build, [], [], 1.0);

    return [new Outputs($build->outputs, new Inputs($build, []), $recorder), $recorder];
}

/** @return list<string> */
function burnt(Recorder $recorder): array
{
    return array_map(fn (Mishap $mishap): string => "{$mishap->kind} {$mishap->of} {$mishap->at_s}", $recorder->mishaps());
}

it('is on until it is switched off, or goes back by itself', function () {
    [$outputs] = someOutputs();
    expect($outputs->switch('lamp', true, 1.0))->toBeTrue()->and($outputs->switch('lamp', true, 2.0))->toBeFalse()->and($outputs->all()['lamp'])->toBeTrue()->and($outputs->nextBack_s())->toBe(INF);
    $outputs->switch('lamp', true, 3.0, 0.5);
    expect($outputs->nextBack_s())->toBe(3.5)->and($outputs->goBack(3.49))->toBe(0)->and($outputs->all()['lamp'])->toBeTrue()->and($outputs->goBack(3.5))->toBe(1)->and($outputs->all()['lamp'])->toBeFalse()
        ->and($outputs->nextBack_s())->toBe(INF);
    $outputs->switch('lamp', true, 4.0, 0.5);
    $outputs->switch('lamp', true, 4.2); // for good now
    expect($outputs->goBack(9.0))->toBe(0)->and($outputs->all()['lamp'])->toBeTrue();
});

it('goes back on where it was switched off for a time', function () {
    [$outputs] = someOutputs();
    $outputs->switch('lamp', true, 0.0);
    $outputs->switch('lamp', false, 1.0, 0.25);
    $outputs->goBack(1.25);
    expect($outputs->all()['lamp'])->toBeTrue();
});

it('burns a coil that is on for longer than it bears, and tells it once', function (?float $for_s, array $told) {
    [$outputs, $recorder] = someOutputs();
    $outputs->switch('hook', true, 1.0, $for_s);
    for ($i = 100; $i < 300; $i++) {
        $outputs->goBack($i / 100);
    }
    expect(burnt($recorder))->toBe($told);
})->with([[0.5, []], [0.51, ['burns hook 1.5']], [null, ['burns hook 1.5']]]);

it('does not burn what was switched off before that', function () {
    [$outputs, $recorder] = someOutputs();
    $outputs->switch('hook', true, 1.0);
    $outputs->goBack(1.4);
    $outputs->switch('hook', false, 1.45);
    $outputs->goBack(3.0);
    expect(burnt($recorder))->toBe([]);
});

it('throws points either way by a coil that is hit for a time, and they stay', function () {
    [$outputs, $recorder] = someOutputs();
    expect($outputs->switch('points', true, 1.0, 0.1))->toBeTrue()->and($outputs->drawing())->toBe(['points' => true])->and($outputs->nextBack_s())->toBe(1.1)
        ->and($outputs->goBack(1.1))->toBe(1)->and($outputs->drawing())->toBe([])->and($outputs->all()['points'])->toBeTrue()
        ->and($outputs->switch('points', true, 2.0, 0.1))->toBeTrue()->and($outputs->drawing())->toBe(['points' => true]); // hit again, though it lies so
    $outputs->goBack(2.2);
    $outputs->switch('points', false, 3.0);
    $outputs->goBack(3.3);
    expect(burnt($recorder))->toBe(['burns points 3.3']);
});

it('draws while it is on, and says of what whether that ends by itself', function () {
    [$outputs] = someOutputs();
    $outputs->switch('lamp', true, 0.0);
    $outputs->switch('hook', true, 0.0, 0.3);
    $outputs->switch('tap', true, 0.0);
    expect($outputs->drawing())->toBe(['lamp' => false, 'hook' => true, 'tap' => true]); // a servo takes its current while it turns
    $outputs->goBack(0.49);
    expect($outputs->drawing())->toHaveKey('tap');
    $outputs->goBack(0.5);
    expect($outputs->drawing())->not->toHaveKey('tap')->and($outputs->all()['tap'])->toBeTrue();
    expect($outputs->lose())->toBe(['lamp', 'tap'])->and($outputs->nextBack_s())->toBe(INF);
});
