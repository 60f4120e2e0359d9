<?php

declare(strict_types=1);

use Brookstone\Core\Build\Build;
use Brookstone\Core\Error\InvalidInput;
use Brookstone\Core\Finding\Severity;
use Brookstone\Core\Simulation\RoutineRun;
use Brookstone\Core\Train\BeltDrive;
use Tests\Support\Builds;

/** @return list<string> what is said of a code in a build */
function toldOf(Build $build, string $code): array
{
    return array_map(fn ($finding): string => $finding->says->text(), Builds::found($build, $code));
}

/** A lamp whose light falls on the sensor that switches it: at 40 and falling it comes on, from $day on it goes out. */
function ownLamp(float $adds, float $day): Build
{
    return Builds::planted([
        'sensors.2' => ['id' => 'dusk', 'name' => 'Dusk', 'kind' => 'light', 'rest' => 80, 'lamp' => 'lamp', 'lamp_adds' => $adds],
        'routines.2' => ['id' => 'evening', 'name' => 'Evening',
            'starts' => [['when' => 'level', 'sensor' => 'dusk', 'is' => 'below', 'value' => 40, 'hysteresis' => 5]],
            'steps' => [['do' => 'signal', 'output' => 'lamp', 'state' => 'on']]],
        'routines.3' => ['id' => 'morning', 'name' => 'Morning',
            'starts' => [['when' => 'level', 'sensor' => 'dusk', 'is' => 'above', 'value' => $day, 'hysteresis' => 5]],
            'steps' => [['do' => 'signal', 'output' => 'lamp', 'state' => 'off']]],
        'scenarios.1' => ['id' => 'falls', 'name' => 'It gets dark', 'until_s' => 6,
            'events' => [['what' => 'level', 'at_s' => 2, 'sensor' => 'dusk', 'value' => 40], ['at_s' => 5, 'sensor' => 'beam', 'is' => 'on']]],
    ]);
}

it('says that a lamp switches itself off just where a run shows it flicker', function (float $adds, float $day, ?string $says) {
    $build = ownLamp($adds, $day);
    $trace = RoutineRun::of($build, $build->routines['evening'], $build->scenarios['falls']);
    $said = toldOf($build, 'routine.sees_own_lamp');
    $starts = count(array_filter($trace['events'], fn (array $event): bool => $event['kind'] === 'start' && str_contains($event['says']->text(), 'Morning')));
    if ($says === null) {
        expect($said)->toBe([])->and($starts)->toBe(1); // by the day at power-on
    } else {
        expect($said[0] ?? '')->toContain($says)->and($starts)->toBeGreaterThan(5);
    }
})->with([
    'far apart' => [20.0, 62.0, null],
    'too near' => [30.0, 62.0, 'by 30, and what switches it on and off lies only 22 apart'],
    'just too near' => [22.0, 62.0, 'only 22 apart'],
    'just far enough' => [21.9, 62.0, null],
]);

it('takes the two thresholds of a sensor alike', function (float $lower, bool $tells) {
    $build = Builds::planted([
        'sensors.2' => ['id' => 'dusk', 'name' => 'Dusk', 'kind' => 'light', 'rest' => 80, 'upper' => 60, 'lower' => $lower, 'lamp' => 'lamp',
            'lamp_adds' => 12],
        'routines.2' => ['id' => 'evening', 'name' => 'Evening', 'starts' => [['when' => 'input', 'sensor' => 'dusk', 'is' => 'off']],
            'steps' => [['do' => 'signal', 'output' => 'lamp', 'state' => 'on']]],
    ]);

    expect(toldOf($build, 'routine.sees_own_lamp') !== [])->toBe($tells);
})->with([[48.0, true], [47.9, false]]);

it('asks once whether a light sensor sees the lamp that it switches, until that is said', function () {
    expect(toldOf(Builds::planted(['sensors.2' => ['id' => 'dusk', 'name' => 'Dusk', 'kind' => 'light'],
        'routines.2' => ['id' => 'evening', 'name' => 'Evening',
            'starts' => [['when' => 'level', 'sensor' => 'dusk', 'is' => 'below', 'value' => 40, 'hysteresis' => 5]],
            'steps' => [['do' => 'signal', 'output' => 'lamp']]],
    ]), 'routine.lamp_unasked'))->toHaveCount(1)
        ->and(toldOf(ownLamp(0.0, 62.0), 'routine.lamp_unasked'))->toBe([]);
});

it('refuses a lamp that is not there, or on what measures nothing, at its field', function (array $sensor, string $says) {
    try {
        Builds::planted(['sensors.2' => ['id' => 'dusk', 'name' => 'Dusk'] + $sensor]);
        $said = '';
    } catch (InvalidInput $wrong) {
        $said = $wrong->getMessage();
    }

    expect($said)->toContain('sensors.2.lamp')->toContain($says);
})->with([
    [['kind' => 'light', 'lamp' => 'moon'], 'moon'],
    [['kind' => 'beam', 'lamp' => 'lamp'], 'Only a sensor that measures'],
]);

/** The lid is a door; its routine does something before it shuts. @param  list<array<string, mixed>>  $before */
function door(array $before, bool $public = false): Build
{
    return Builds::planted(['motions.0.task.shuts_at' => 'shut', 'around.public' => $public,
        'routines.0.steps' => [['do' => 'home', 'motion' => 'lift', 'switch' => 'lift-low', 'give_up_s' => 9]], 'routines.1.steps' => [
            ['do' => 'go', 'motion' => 'lid', 'place' => 'open', 'give_up_s' => 4], ...$before, ['do' => 'go', 'motion' => 'lid', 'place' => 'shut',
                'give_up_s' => 4],
        ]]);
}

it('lets a door shut only after a sensor of the world was asked', function (array $before, bool $tells) {
    expect(toldOf(door($before), 'routine.shuts_unlooked') !== [])->toBe($tells);
})->with([
    'nothing' => [[], true],
    'a while' => [[['do' => 'wait', 'for_s' => 5]], true],
    'its own switch' => [[['do' => 'wait', 'until' => ['sensor' => 'lid-open'], 'give_up_s' => 3]], true],
    'the beam' => [[['do' => 'wait', 'until' => ['sensor' => 'beam', 'is' => 'off'], 'give_up_s' => 30]], false],
    'the beam, but then it moved again' => [[['do' => 'wait', 'until' => ['sensor' => 'beam', 'is' => 'off'], 'give_up_s' => 30],
        ['do' => 'go', 'motion' => 'lid', 'place' => 'shut', 'give_up_s' => 4], ['do' => 'go', 'motion' => 'lid', 'place' => 'open', 'give_up_s' => 4]], true],
]);

it('fails where strangers are near, and says nothing of what is no door', function () {
    $code = 'routine.shuts_unlooked';

    expect(Builds::found(door([]), $code)[0]->severity)->toBe(Severity::Tight)
        ->and(Builds::found(door([], public: true), $code)[0]->severity)->toBe(Severity::Fails)
        ->and(toldOf(Builds::sound(), $code))->toBe([]);
});

it('knows where a belt runs free: the pulling side, and the back run beyond the driven wheel', function (int $driver, int $driven) {
    $belt = new BeltDrive(M_PI, $driver, $driven, 100.0); // module 1
    [[$from, $to], [$back, $end]] = $belt->freeRuns_mm();
    $lean = asin(($driven - $driver) / 2 / 100.0);

    expect([$from, $to])->toBe([0.0, $belt->span_mm])
        ->and($back - $to)->toBeAbout($driven / 2 * (M_PI + 2 * $lean), 1e-9)
        ->and($belt->length_mm - $end)->toBeAbout($driver / 2 * (M_PI - 2 * $lean), 1e-9); // what is left lies on the driving wheel
})->with([[20, 20], [20, 60], [60, 20]]);

/** The lift over a belt of 200 mm between equal wheels of 20 mm: its 0.1 m on the drum of 10 mm are 100 mm of belt. */
function belted(?float $joint, ?float $second = null): Build
{
    return Builds::planted([
        'motions.2.train' => [['type' => 'belt', 'driver' => 20, 'driven' => 20, 'module_mm' => 1.0, 'joint_mm' => $joint, 'second_joint_mm' => $second]],
        'motions.2.layout' => ['grid_mm' => null, 'shafts' => [['x_mm' => 20, 'y_mm' => 20], ['x_mm' => 220, 'y_mm' => 20]], 'planes' => [0]],
    ]);
}

it('follows a joint on either run, and a second one', function (?float $joint, ?float $second, int $tells) {
    expect(toldOf(belted($joint, $second), 'train.joint_on_pulley'))->toHaveCount($tells);
})->with([
    'endless' => [null, null, 0],
    'on the pulling side, just clear of the driving wheel at the end' => [103.1, null, 0],
    'just not' => [102.9, null, 1],
    'just clear of the driven wheel at the start' => [196.9, null, 0],
    'just on it' => [197.1, null, 1],
    'on the driven wheel' => [215.0, null, 1],
    'on the back run' => [200.0 + M_PI * 10 + 103.1, null, 0],
    'on the back run, but onto the driven wheel' => [200.0 + M_PI * 10 + 102.9, null, 1],
    'once round and the same' => [150.0 - (400.0 + 2 * M_PI * 10), null, 0],
    'the second joint is bad' => [150.0, 20.0, 1],
    'both' => [20.0, 215.0, 2],
    'both good' => [150.0, 200.0 + M_PI * 10 + 150.0, 0],
]);

it('offers the run that is nearest, and that mends it', function () {
    $build = belted(20.0, 300.0);
    $finding = Builds::found($build, 'train.joint_on_pulley')[0];

    expect($finding->fixes[0]->does->text())->toStartWith('Join it 150 mm from')
        ->and(toldOf(Builds::mended($build, $finding->fixes[0]), 'train.joint_on_pulley'))->toHaveCount(1);
});

it('takes two for one on whatever comes round too quickly', function (float $late_s, bool $tells) {
    $build = Builds::planted([
        'motions.2.mechanism' => ['kind' => 'turntable', 'inertia_kgm2' => 0.0004, 'friction_Nm' => 0.01], 'motions.2.task' => ['keeps_turning' => true,
            'comes_round' => 30.0] + Builds::sound()->document['motions'][2]['task'],
        'motions.2.places' => [['id' => 'low', 'name' => 'Low', 'at' => 0], ['id' => 'high', 'name' => 'High', 'at' => 15]], 'motions.2.stops' => [],
        'sensors.2' => ['id' => 'slot', 'name' => 'Slot', 'kind' => 'reflective', 'late_s' => $late_s],
        'routines' => [['id' => 'feed', 'name' => 'Feed', 'starts' => [['when' => 'press', 'sensor' => 'button']],
            'steps' => [['do' => 'run', 'motion' => 'lift', 'direction' => 'up', 'until' => ['sensor' => 'slot'], 'give_up_s' => 6],
                ['do' => 'stop', 'motion' => 'lift']]]],
    ]);
    $turns = $build->motions['lift']->drive?->line()->noLoad_rad_s() * ($late_s + $build->settings->scan_s + $build->settings->driver_s) * 180 / M_PI;

    expect($turns >= 15.0)->toBe($tells)
        ->and(toldOf($build, 'routine.two_at_once') !== [])->toBe($tells);
})->with([[0.2, true], [0.001, false]]);
