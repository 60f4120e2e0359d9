<?php

declare(strict_types=1);

use Brookstone\Core\Build\Build;
use Brookstone\Core\Rig\Protocol;
use Brookstone\Core\Rig\Rig;
use Brookstone\Core\Routine\WorldEvent;
use Tests\Support\Builds;

/** @return array<string, mixed> */
function asked(Protocol $rig, array $line): array
{
    return json_decode($rig->answer((string) json_encode($line)), true);
}

it('does live what a run of the same scenario does', function () {
    $build = Builds::sound();
    $rig = new Rig($build);
    $rig->step(8.0);
    $rig->happens(new WorldEvent(0.0, 'sensor', 'button', true));
    $rig->step(0.2);
    $rig->happens(new WorldEvent(0.0, 'sensor', 'button', false));
    $rig->step(4.0);
    $trace = Brookstone\Core\Simulation\RoutineRun::of($build, $build->routines['show'], $build->scenarios['pressed']);
    $sample = (int) round(12.2 / $trace['sample_s']);

    foreach ($rig->state()['motions'] as $i => $motion) {
        // a run leaves alone what meets nothing, and takes longer steps then
        expect($motion['position'])->toEqualWithDelta($trace['motions'][$i]['position'][$sample], 1e-4);
    }
});

it('is the same in many small steps as in a few large ones', function () {
    $states = array_map(function (float $step): array {
        $rig = new Rig(Builds::sound());
        for ($i = 0; $i < (int) round(3.0 / $step); $i++) {
            $rig->step($step);
        }

        return $rig->state()['motions'];
    }, [0.005, 0.1, 3.0]);

    expect($states[1])->toBe($states[0])->and($states[2])->toBe($states[0]);
});

it('saves a session that replays to the last digit', function () {
    $build = Builds::sound();
    $rig = new Rig($build);
    foreach ([[6.0, new WorldEvent(0.0, 'sensor', 'button', true)], [1.3, new WorldEvent(0.0, 'hold', 'lift', true)],
        [0.4, new WorldEvent(0.0, 'hold', 'lift', false)], [0.7, new WorldEvent(0.0, 'power', null, false)],
        [1.0, new WorldEvent(0.0, 'power', null, true)]] as [$wait, $event]) {
        $rig->step($wait);
        $rig->happens($event);
    }
    $rig->step(2.0);
    $scenario = $rig->scenario('mine', 'Mine');
    $again = Build::read(['scenarios' => [$scenario]] + $build->document);
    $replay = new Rig($again, $again->scenarios['mine']);
    $replay->step($rig->now());
    [$live, $replayed] = [$rig->state(), $replay->state()];

    expect($replayed['motions'])->toBe($live['motions'])->and(json_encode($replayed['events']))->toBe(json_encode($live['events']));
});

it('lets a controller outside drive the build', function () {
    $rig = new Protocol(Builds::sound(), runs: false);
    asked($rig, ['do' => 'set', 'motion' => 'lift', 'run' => 'up']);
    for ($i = 0; $i < 1000 && ! asked($rig, ['do' => 'get'])['state']['inputs']['lift-high']; $i++) {
        asked($rig, ['do' => 'step', 'seconds' => 0.01, 'quiet' => true]);
    }
    asked($rig, ['do' => 'set', 'motion' => 'lift', 'run' => 'stop']);
    asked($rig, ['do' => 'set', 'output' => 'lamp', 'is' => 'on']);
    asked($rig, ['do' => 'set', 'motion' => 'jaw', 'run' => 'to', 'to' => -20]);
    $state = asked($rig, ['do' => 'step', 'seconds' => 1.0])['state'];

    expect($state['motions'][2]['position'])->toBeGreaterThan(0.1)->toBeLessThan(0.11)->and($state['motions'][1]['position'])->toEqualWithDelta(-20.0, 1.0)
        ->and($state['outputs']['lamp'])->toBeTrue()->and($state['running'])->toBe([]);
});

it('refuses what it does not understand, and goes on', function (string $line, string $message) {
    $rig = new Protocol(Builds::sound());
    $answer = json_decode($rig->answer($line), true);

    expect($answer['ok'])->toBeFalse()->and($answer['errors'][0]['message'])->toContain($message)->and(asked($rig, ['do' => 'get'])['ok'])->toBeTrue();
})->with([
    ['nonsense', 'not a line of JSON'], ['{"do":"fly"}', 'Must be one of'], ['{"do":"step","seconds":1e9}', 'Must be'],
    [str_repeat('x', 200_000), 'too long'], ['[]', 'Must be a group'],
    ['{"do":"set"}', 'either a motion or an output'], ['{"do":"set","motion":"lid","run":"to","to":3}', 'Only what knows its place'],
    ['{"do":"set","motion":"jaw","run":"to"}', 'Say where it goes'],
    ['{"do":"event","event":{"what":"level","sensor":"beam","value":3}}', 'no such sensor that measures'],
]);

it('shows the light that a hand has set, and reads its own lamp on top', function () {
    $rig = new Rig(Builds::planted([
        'sensors.2' => ['id' => 'dusk', 'name' => 'Dusk', 'kind' => 'light', 'rest' => 80, 'lamp' => 'lamp', 'lamp_adds' => 30],
        'routines.2' => ['id' => 'evening', 'name' => 'Evening',
            'starts' => [['when' => 'level', 'sensor' => 'dusk', 'is' => 'below', 'value' => 40, 'hysteresis' => 5]],
            'steps' => [['do' => 'signal', 'output' => 'lamp', 'state' => 'on']]],
        'routines.3' => ['id' => 'morning', 'name' => 'Morning',
            'starts' => [['when' => 'level', 'sensor' => 'dusk', 'is' => 'above', 'value' => 62, 'hysteresis' => 5]],
            'steps' => [['do' => 'signal', 'output' => 'lamp', 'state' => 'off']]],
    ]));
    $rig->step(0.5);
    $rig->happens(new WorldEvent(0.0, 'level', 'dusk', value: 38.0));
    $lit = [];
    for ($i = 0; $i < 40; $i++) {
        $rig->step(0.005);
        $state = json_decode((string) json_encode($rig->state()), true);
        $lit[] = $state['outputs']['lamp'];
        expect($state['levels']['dusk'])->toEqual(38);
    }
    expect(array_unique($lit))->toHaveCount(2); // it flickers
});
