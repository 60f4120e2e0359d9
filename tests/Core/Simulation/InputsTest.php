<?php

declare(strict_types=1);

use Brookstone\Core\Simulation\Axis;
use Brookstone\Core\Simulation\Inputs;
use Tests\Support\Builds;

/** @param  array<string, mixed>  $planted */
function inputsOf(array $planted = [], array $at = []): Inputs
{
    $build = Builds::planted($planted);

    return new Inputs($build, array_map(fn ($motion): Axis => new Axis($motion, $at[$motion->id] ?? $motion->at($motion->task->from), 0.001), $build->motions));
}

/** When the look at which an input is first believed to be otherwise comes, s, looking every millisecond; null where it never does within a second. */
function believedAfter(Inputs $inputs, string $input, float $from_s = 0.0): ?float
{
    $was = $inputs->isOn($input);
    for ($i = 0; $i <= 1000; $i++) {
        $inputs->look($from_s + $i / 1000);
        if ($inputs->isOn($input) !== $was) {
            return $i / 1000;
        }
    }

    return null;
}

/** @return array<string, mixed> to plant: a sensor that measures, on from 60 and off at 40 */
function aDusk(array $more = []): array
{
    return ['sensors.2' => $more + ['id' => 'dusk', 'name' => 'Dusk', 'kind' => 'light', 'rest' => 20, 'upper' => 60, 'lower' => 40]];
}

it('believes an input once it has stopped bouncing, and as late as it tells', function (array $planted, float $after_s) {
    $inputs = inputsOf($planted);
    $inputs->set('beam', true, 0.0);

    expect(believedAfter($inputs, 'beam'))->toBe($after_s);
    $inputs->set('beam', false, 2.0);
    expect(believedAfter($inputs, 'beam', 2.0))->toBe($after_s);
})->with([
    'at once' => [[], 0.0], 'bouncing 20 ms, and 10 ms more' => [['sensors.1.bounce_s' => 0.02], 0.03], 'telling 50 ms late' => [['sensors.1.late_s' => 0.05], 0.05],
    'both' => [['sensors.1.bounce_s' => 0.02, 'sensors.1.late_s' => 0.05], 0.08], 'believed later' => [['sensors.1.bounce_s' => 0.001, 'settings.debounce_s' => 0.1], 0.101],
]);

it('forgets what did not last', function () {
    $inputs = inputsOf(['sensors.1.late_s' => 0.05]);
    $inputs->set('beam', true, 0.0);
    $inputs->look(0.0);
    $inputs->look(0.04);
    $inputs->set('beam', false, 0.045);
    $inputs->look(0.045);
    $inputs->set('beam', true, 0.046);
    $inputs->look(0.046);
    $inputs->look(0.09);
    expect($inputs->isOn('beam'))->toBeFalse();
    $inputs->look(0.096);
    expect($inputs->isOn('beam'))->toBeTrue();
});

it('tells what changed, once', function () {
    $inputs = inputsOf();
    $inputs->set('beam', true, 0.0);
    expect($inputs->look(0.0))->toBe([['beam', true]])->and($inputs->look(0.01))->toBe([]);
    $inputs->set('beam', false, 0.02);
    expect($inputs->look(0.02))->toBe([['beam', false]])->and($inputs->all()['beam'])->toBeFalse();
});

it('hears what its wire says before it believes it', function () {
    $inputs = inputsOf(['sensors.1.bounce_s' => 0.02, 'sensors.1.late_s' => 0.05]);
    $inputs->set('beam', true, 0.0);
    $inputs->look(0.0);
    expect($inputs->says('beam', 0.049))->toBeFalse()->and($inputs->says('beam', 0.05))->toBeTrue()->and($inputs->isOn('beam'))->toBeFalse();
    $inputs->delay('beam', 0.1);
    expect($inputs->says('beam', 0.149))->toBeFalse()->and($inputs->says('beam', 0.15))->toBeTrue()->and(believedAfter($inputs, 'beam'))->toBe(0.18);
});

describe('a reading', function () {
    it('is on from its upper threshold on, and off only at its lower', function () {
        $inputs = inputsOf(aDusk());
        $is = [];
        foreach ([59.9, 60.0, 41.0, 40.0, 59.0, 61.0, 39.0] as $i => $level) {
            $inputs->setLevel('dusk', $level);
            $inputs->look($i / 10);
            $is[] = $inputs->isOn('dusk');
        }
        expect($is)->toBe([false, true, true, false, false, true, false])->and($inputs->level('dusk'))->toBe(39.0)->and($inputs->around('dusk'))->toBe(39.0);
    });

    it('is higher by a lamp that it sees', function () {
        $inputs = inputsOf(aDusk(['lamp' => 'lamp', 'lamp_adds' => 45]));
        $inputs->light('lamp', true);
        $inputs->look(0.0);
        expect($inputs->level('dusk'))->toBe(65.0)->and($inputs->around('dusk'))->toBe(20.0)->and($inputs->isOn('dusk'))->toBeTrue();
        $inputs->light('lamp', false);
        $inputs->look(0.1);
        expect($inputs->level('dusk'))->toBe(20.0)->and($inputs->isOn('dusk'))->toBeFalse();
    });

    it('has other thresholds once it was calibrated, until the power goes', function () {
        $inputs = inputsOf(aDusk());
        $inputs->calibrate('dusk', 10.0, 15.0);
        $inputs->look(0.0);
        expect($inputs->isOn('dusk'))->toBeTrue();
        $inputs->begin();
        expect($inputs->isOn('dusk'))->toBeFalse();
    });

    it('that is stuck reads at least what it is stuck at', function () {
        $inputs = inputsOf(aDusk());
        $inputs->stick('dusk', true);
        expect($inputs->level('dusk'))->toBe(60.0);
        $inputs->setLevel('dusk', 75.0);
        expect($inputs->level('dusk'))->toBe(75.0);
        $inputs->stick('dusk', false);
        expect($inputs->level('dusk'))->toBeAbout(39.99, 1e-9);
        $inputs->stick('dusk', null);
        expect($inputs->level('dusk'))->toBe(75.0);
    });
});

describe('what is stuck or cut', function () {
    it('says the same whatever is so, and the truth again after that', function () {
        $inputs = inputsOf();
        $inputs->stick('beam', true);
        $inputs->look(0.0);
        expect($inputs->isOn('beam'))->toBeTrue()->and($inputs->isQuiet())->toBeFalse();
        $inputs->stick('beam', null);
        $inputs->look(0.1);
        expect($inputs->isOn('beam'))->toBeFalse()->and($inputs->isQuiet())->toBeTrue();
    });

    it('is on where its contact is closed at rest, and off where it is not', function (bool $closed, bool $on) {
        $inputs = inputsOf(['motions.2.stops.switches.1.closed' => $closed, 'motions.2.stops.switches.0.closed' => $closed]);
        foreach (['lift-low', 'lift-high'] as $switch) {
            $inputs->cut($switch, true);
        }
        for ($i = 0; $i < 30; $i++) {
            $inputs->look($i / 1000);
        }
        expect($inputs->isOn('lift-high'))->toBe($on)->and($inputs->isOn('lift-low'))->toBe($on);
        foreach (['lift-low', 'lift-high'] as $switch) {
            $inputs->cut($switch, false);
        }
        for ($i = 30; $i < 60; $i++) {
            $inputs->look($i / 1000);
        }
        expect($inputs->isOn('lift-high'))->toBeFalse()->and($inputs->isOn('lift-low'))->toBeTrue(); // it stands low
    })->with([[true, true], [false, false]]);
});

describe('a switch of a motion', function () {
    it('is on at its place and past it', function (float $at, bool $low, bool $high) {
        $inputs = inputsOf([], ['lift' => $at]);
        expect($inputs->isOn('lift-low'))->toBe($low)->and($inputs->isOn('lift-high'))->toBe($high);
    })->with([[-0.005, true, false], [0.0, true, false], [0.05, false, false], [0.1, false, true], [0.105, false, true]]);

    it('says where nothing more is told', function () {
        [$from, $to] = (function (): array {
            $inputs = inputsOf([], ['lift' => 0.05]);
            $inputs->stick('beam', true); // so that it looks once
            $inputs->stick('beam', null);
            $inputs->look(0.0);

            return $inputs->saysTheSameBetween('lift');
        })();
        expect($from)->toBeGreaterThanOrEqual(0.0)->toBeLessThan(0.01)->and($to)->toBeLessThanOrEqual(0.1)->toBeGreaterThan(0.09)
            ->and(inputsOf()->saysTheSameBetween('jaw'))->toBe([-INF, INF]) // nothing sits on it
            ->and(inputsOf(['sensors.2' => ['id' => 'mark', 'name' => 'Mark', 'kind' => 'magnet', 'motion' => 'jaw', 'at' => -10, 'reach' => 2]])->saysTheSameBetween('jaw'))->toBe([INF, -INF]);
    });
});

it('takes a message for silent after its time, from the last that came or from power-on', function () {
    $inputs = inputsOf(['sensors.2' => ['id' => 'radio', 'name' => 'Radio', 'kind' => 'message', 'silent_s' => 0.5, 'silent_is' => 'on']]);
    $on = [];
    foreach ([0.0, 0.49, 0.5] as $now) {
        $inputs->look($now);
        $on[] = $inputs->isOn('radio');
    }
    $inputs->set('radio', false, 0.6);
    foreach ([0.6, 1.09, 1.1] as $now) {
        $inputs->look($now);
        $on[] = $inputs->isOn('radio');
    }
    expect($on)->toBe([false, false, true, false, false, true]);
});
