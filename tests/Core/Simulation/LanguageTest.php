<?php

declare(strict_types=1);

use Brookstone\Core\Build\Build;
use Brookstone\Core\Simulation\RoutineRun;
use Tests\Support\Builds;

/**
 * The sound build with other steps, started by the button at 1 s, or by what is said.
 *
 * @param  list<array<string, mixed>>  $steps
 * @param  array<string, mixed>  $more
 */
function withSteps(array $steps, array $more = []): Build
{
    return Builds::planted([
        'routines.1.steps' => $steps, 'routines.1.target_s' => null, 'routines.0.steps' => [],
        'scenarios.0.events' => [['at_s' => 1, 'sensor' => 'button', 'is' => 'on'], ['at_s' => 1.1, 'sensor' => 'button', 'is' => 'off']],
        'counters' => [['id' => 'n', 'name' => 'Visits'], ['id' => 'm', 'name' => 'Night', 'kind' => 'mark']],
        ...$more,
    ]);
}

/** @return array<string, mixed> */
function shown(Build $build): array
{
    return RoutineRun::of($build, $build->routines['show'], $build->scenarios['pressed']);
}

/** @param  array<string, mixed>  $trace */
function said(array $trace, string $kind): array
{
    return array_values(array_map(fn (array $event): string => $event['says']->text(),
        array_filter($trace['events'], fn (array $event): bool => $event['kind'] === $kind)));
}

const WAIT_1 = ['do' => 'wait', 'for_s' => 1.0];

it('does branches side by side, and goes on when all or the first have ended', function () {
    $branches = [[WAIT_1], [['do' => 'wait', 'for_s' => 3.0]], []];

    expect(shown(withSteps([['do' => 'together', 'branches' => $branches]]))['took_s'])->toEqualWithDelta(3.0, 0.02)
        ->and(shown(withSteps([['do' => 'together', 'until' => 'any', 'branches' => array_slice($branches, 0, 2)]]))['took_s'])->toEqualWithDelta(1.0, 0.02)
        ->and(shown(withSteps([['do' => 'together', 'branches' => [[['do' => 'fault', 'message' => 'the lamp is out']],
            [WAIT_1]]]]))['fault'])->toBe('the lamp is out');
});

it('stops what a branch moves that is not gone on with', function () {
    $trace = shown(withSteps([['do' => 'together', 'until' => 'any', 'branches' => [[['do' => 'wait', 'for_s' => 0.4]],
        [['do' => 'go', 'motion' => 'lid', 'place' => 'open', 'give_up_s' => 5]]]], WAIT_1]));
    $lid = $trace['motions'][0]['position'];

    expect(end($lid))->toBeGreaterThan(5.0)->toBeLessThan(60.0)->and(abs(end($trace['motions'][0]['speed'])))->toBeLessThan(0.1);
});

it('chooses by counters and marks, and counts', function () {
    $choose = ['do' => 'choose', 'if' => ['test' => 'counter', 'counter' => 'n', 'is' => 'at_least', 'value' => 2],
        'then' => [['do' => 'fault', 'message' => 'two']], 'otherwise' => [WAIT_1]];
    $steps = [['do' => 'set', 'counter' => 'n', 'add' => 1], $choose, ['do' => 'set', 'counter' => 'n', 'add' => 1], $choose];
    $trace = shown(withSteps($steps));

    expect($trace['fault'])->toBe('two')->and($trace['took_s'])->toEqualWithDelta(1.0, 0.02)
        ->and(said($trace, 'count'))->toBe(['Visits is 1.', 'Visits is 2.']);
});

it('repeats until something is so, looked at before each round', function () {
    $again = fn (int $from): array => [['do' => 'set', 'counter' => 'n', 'to' => $from],
        ['do' => 'repeat', 'until' => ['test' => 'counter', 'counter' => 'n', 'value' => 3], 'steps' => [['do' => 'set', 'counter' => 'n', 'add' => 1],
            WAIT_1]]];

    expect(shown(withSteps($again(0)))['took_s'])->toEqualWithDelta(3.0, 0.05)->and(shown(withSteps($again(3)))['took_s'])->toEqualWithDelta(0.0, 0.01);
});

it('does what another routine does, and gives up where they call without end', function () {
    $more = ['routines.2' => ['id' => 'other', 'name' => 'Other', 'steps' => [WAIT_1, ['do' => 'signal', 'output' => 'lamp']]],
        'routines.3' => ['id' => 'ring', 'name' => 'Ring', 'steps' => [['do' => 'call', 'routine' => 'ring']]]];
    $trace = shown(withSteps([['do' => 'call', 'routine' => 'other'], ['do' => 'call', 'routine' => 'other']], $more));

    expect($trace['took_s'])->toEqualWithDelta(2.0, 0.02)->and(said($trace, 'output'))->toBe(['Lamp goes on.'])
        ->and(shown(withSteps([['do' => 'call', 'routine' => 'ring']], $more))['fault'])->toBe('routines call each other without end');
});

it('does what it does when it fails, once everything has stopped', function () {
    $fails = ['routines.1.if_fails' => [['do' => 'signal', 'output' => 'lamp'], WAIT_1]];
    $trace = shown(withSteps([['do' => 'run', 'motion' => 'lift', 'direction' => 'up', 'for_s' => 0.3], ['do' => 'fault', 'message' => 'no cup']], $fails));

    expect($trace['outcome'])->toBe('faulted')->and($trace['fault'])->toBe('no cup')->and($trace['took_s'])->toEqualWithDelta(1.3, 0.05)
        ->and(said($trace, 'output'))->toBe(['Lamp goes on.'])->and(abs(end($trace['motions'][2]['speed'])))->toBeLessThan(1e-3);
});

it('waits for what is so without a break, above a reading, at a place, and for several at once', function (array $until, float $takes) {
    $build = withSteps([['do' => 'wait', 'until' => $until, 'give_up_s' => 9]], [
        'sensors.2' => ['id' => 'light', 'name' => 'Light', 'kind' => 'light', 'rest' => 10],
        'scenarios.0.events' => [
            ['at_s' => 1, 'sensor' => 'button', 'is' => 'on'], ['at_s' => 2, 'sensor' => 'beam', 'is' => 'on'],
            ['at_s' => 2.5, 'sensor' => 'beam', 'is' => 'off'],
            ['at_s' => 3, 'sensor' => 'beam', 'is' => 'on'], ['what' => 'level', 'at_s' => 4, 'sensor' => 'light', 'value' => 60],
        ],
    ]);

    expect(shown($build)['took_s'])->toEqualWithDelta($takes, 0.03);
})->with([
    'a beam' => [['sensor' => 'beam'], 1.0],
    'a beam for a second' => [['sensor' => 'beam', 'for_s' => 1.0], 3.0],
    'a reading' => [['test' => 'level', 'sensor' => 'light', 'value' => 50], 3.0],
    'both' => [['test' => 'all', 'of' => [['sensor' => 'beam'], ['test' => 'level', 'sensor' => 'light', 'value' => 50]]], 3.0],
    'either' => [['test' => 'any', 'of' => [['sensor' => 'beam'], ['test' => 'level', 'sensor' => 'light', 'value' => 50]]], 1.0],
    'neither' => [['test' => 'not', 'that' => ['sensor' => 'button']], 9.0],
    'a place that it has felt' => [['test' => 'place', 'motion' => 'jaw', 'place' => 'closed'], 0.0],
    'the clock' => [['test' => 'clock', 'from' => '11:00', 'to' => '13:00'], 0.0],
]);

it('tells short, long and double presses apart', function (array $presses, string $how) {
    $build = Builds::planted([
        'routines' => array_map(fn (string $each): array => ['id' => $each, 'name' => $each,
            'starts' => [['when' => 'press', 'sensor' => 'button', 'how' => $each]], 'steps' => [['do' => 'wait', 'for_s' => 0.1]]],
            ['short', 'long', 'double']),
        'scenarios.0.events' => array_map(fn (array $press): array => ['at_s' => $press[0], 'sensor' => 'button', 'is' => $press[1]], $presses),
        'scenarios.0.until_s' => 6,
    ]);
    $trace = RoutineRun::of($build, $build->routines['short'], $build->scenarios['pressed']);

    expect(array_map(fn (string $text): string => explode(' ', $text)[0], said($trace, 'start')))->toBe([$how]);
})->with([
    [[[1.0, 'on'], [1.1, 'off']], 'short'],
    [[[1.0, 'on'], [2.0, 'off']], 'long'],
    [[[1.0, 'on'], [1.1, 'off'], [1.3, 'on'], [1.4, 'off']], 'double'],
]);

it('starts by the clock, every so often, at a reading held for a time, and at a count', function (array $trigger, array $events, array $starts) {
    $build = Builds::planted([
        'sensors.2' => ['id' => 'light', 'name' => 'Light', 'kind' => 'light', 'rest' => 80], 'counters' => [['id' => 'n', 'name' => 'Visits']],
        'routines' => [
            ['id' => 'show', 'name' => 'Show', 'starts' => [$trigger], 'steps' => [['do' => 'wait', 'for_s' => 0.2]]],
            ['id' => 'count', 'name' => 'Count', 'starts' => [['when' => 'beam', 'sensor' => 'beam']],
                'steps' => [['do' => 'set', 'counter' => 'n', 'add' => 1]]],
        ],
        'scenarios.0.events' => $events, 'scenarios.0.until_s' => 12, 'scenarios.0.clock' => '11:59',
    ]);
    $trace = RoutineRun::of($build, $build->routines['show'], $build->scenarios['pressed']);
    $times = array_column(array_filter($trace['steps'], fn (array $step): bool => $step['routine'] === 'show'), 'start_s');

    expect(array_map(fn (float $time): float => round($time, 1), array_values($times)))->toBe($starts);
})->with([
    'every four seconds' => [['when' => 'every', 'every_s' => 4], [['at_s' => 11.9, 'sensor' => 'beam', 'is' => 'on']], [4.0, 8.0]],
    'dusk, held' => [['when' => 'level', 'sensor' => 'light', 'is' => 'below', 'value' => 40, 'hysteresis' => 10, 'for_s' => 1], [
        ['what' => 'level', 'at_s' => 1, 'sensor' => 'light', 'value' => 30], ['what' => 'level', 'at_s' => 1.5, 'sensor' => 'light', 'value' => 60],
        ['what' => 'level', 'at_s' => 3, 'sensor' => 'light', 'value' => 39], ['what' => 'level', 'at_s' => 5, 'sensor' => 'light', 'value' => 45],
        ['what' => 'level', 'at_s' => 6, 'sensor' => 'light', 'value' => 39],
        ['at_s' => 9, 'sensor' => 'beam', 'is' => 'on'],
    ], [4.0]],
    'the third visitor' => [['when' => 'count', 'counter' => 'n', 'value' => 3],
        array_merge(...array_map(fn (int $i): array => [['at_s' => $i, 'sensor' => 'beam', 'is' => 'on'],
            ['at_s' => $i + 0.5, 'sensor' => 'beam', 'is' => 'off']], [1, 2, 3, 4, 5])), [3.0]],
]);

it('starts at a time of day, once', function () {
    $build = Builds::planted([
        'routines' => [['id' => 'show', 'name' => 'Show', 'starts' => [['when' => 'time_of_day', 'at' => '12:00']], 'steps' => [WAIT_1]]],
        'scenarios.0.clock' => '11:59', 'scenarios.0.until_s' => 70, 'scenarios.0.events' => [['at_s' => 69, 'sensor' => 'beam', 'is' => 'on']],
    ]);
    $trace = RoutineRun::of($build, $build->routines['show'], $build->scenarios['pressed']);

    expect(array_column($trace['steps'], 'start_s'))->toHaveCount(1)->and($trace['start_s'])->toEqualWithDelta(60.0, 0.02);
});

it('does not start beside what moves the same things, nor after what starts at power-on has failed', function () {
    $events = [['at_s' => 0.1, 'sensor' => 'button', 'is' => 'on'], ['at_s' => 0.2, 'sensor' => 'button', 'is' => 'off'],
        ['at_s' => 15, 'sensor' => 'button', 'is' => 'on']];
    $beside = Builds::planted(['scenarios.0.starts_at' => [['motion' => 'lid', 'at' => 60]], 'scenarios.0.events' => $events]);
    $failed = Builds::planted(['scenarios.0.events' => [['what' => 'stuck', 'at_s' => 0, 'sensor' => 'lift-low', 'is' => 'off'], ...$events],
        'scenarios.0.starts_at' => [['motion' => 'lift', 'at' => 0.05]]]);
    $run = fn (Build $build): array => RoutineRun::of($build, $build->routines['show'], $build->scenarios['pressed']);

    expect(said($run($beside), 'ignored'))->toBe(['Show does not start: Wake moves the same thing.'])
        ->and($run($beside)['start_s'])->toEqualWithDelta(15.0, 0.02)
        ->and(said($run($failed), 'ignored'))->toContain('Show does not start: Wake has failed.')->and($run($failed)['outcome'])->toBe('never_started');
});

it('tells when a rule is broken, once each time', function () {
    $rules = ['rules' => [['id' => 'r', 'name' => 'Lid first', 'never' => ['test' => 'moving', 'motion' => 'lift'],
        'while' => ['test' => 'not', 'that' => ['test' => 'place', 'motion' => 'lid', 'place' => 'open']]]]];
    $open = ['do' => 'go', 'motion' => 'lid', 'place' => 'open', 'give_up_s' => 4];
    $lift = ['do' => 'go', 'motion' => 'lift', 'place' => 'high', 'give_up_s' => 6];

    expect(said(shown(withSteps([$open, $lift], $rules)), 'rule'))->toBe([])
        ->and(said(shown(withSteps([$lift, $open], $rules)),
            'rule'))->toBe(['The rule Lid first is broken: never Lift moves while it is not so that Lid is at Open.']);
});

it('forgets where it is when the power goes, and lets go of what was switched off', function () {
    $steps = [['do' => 'go', 'motion' => 'lid', 'place' => 'open', 'give_up_s' => 4], ['do' => 'wait', 'for_s' => 5]];
    $events = [['at_s' => 1, 'sensor' => 'button', 'is' => 'on'], ['what' => 'power', 'at_s' => 3, 'is' => 'off'],
        ['what' => 'power', 'at_s' => 5, 'is' => 'on']];
    $trace = shown(withSteps($steps, ['scenarios.0.events' => $events]));
    $off = shown(withSteps([['do' => 'power', 'motion' => 'lift', 'supply' => null, 'state' => 'off', 'settle_s' => 0.5],
        ['do' => 'go', 'motion' => 'lift', 'place' => 'high', 'give_up_s' => 6]]));

    expect($trace['fault'])->toBe('the power went')->and(said($trace, 'power'))->toBe(['The power goes.', 'The power comes back.'])
        ->and($off['fault'])->toBe('the power of Lift is switched off')->and($off['took_s'])->toEqualWithDelta(0.5, 0.02);
});

it('feels what the world does to a load', function (array $event, Closure $compare) {
    $steps = [['do' => 'go', 'motion' => 'lift', 'place' => 'high', 'give_up_s' => 8]];
    $plain = shown(withSteps($steps));
    $events = [['at_s' => 1, 'sensor' => 'button', 'is' => 'on'], ['at_s' => 0.5, ...$event]];

    expect($compare(shown(withSteps($steps, ['scenarios.0.events' => $events])), $plain))->toBeTrue();
})->with([
    'heavier takes longer' => [['what' => 'heavier', 'motion' => 'lift', 'value' => 3.0], fn (array $a, array $b): bool => $a['took_s'] > $b['took_s'] + 0.05],
    'dragging it comes to rest sooner' => [['what' => 'drag', 'motion' => 'lift', 'value' => 10.0],
        fn (array $a, array $b): bool => max($a['motions'][2]['position']) < max($b['motions'][2]['position'])],
    'held fast it gives up' => [['what' => 'hold', 'motion' => 'lift'], fn (array $a, array $b): bool => $a['outcome'] === 'faulted'
        && abs(max($a['motions'][2]['position'])) < 1e-3],
    'jammed half way it gives up there' => [['what' => 'hold', 'motion' => 'lift', 'at' => 0.05],
        fn (array $a, array $b): bool => $a['outcome'] === 'faulted' && abs(max($a['motions'][2]['position']) - 0.05) < 3e-3],
    'with a low supply it takes longer' => [['what' => 'supply', 'supply' => 'main', 'value' => 0.7],
        fn (array $a, array $b): bool => $a['took_s'] > 1.3 * $b['took_s']],
    'with a switch that never trips it pushes on' => [['what' => 'stuck', 'sensor' => 'lift-high', 'is' => 'off'],
        fn (array $a, array $b): bool => $a['outcome'] === 'faulted' && said($a, 'hit') !== []],
    'with a late switch it runs further' => [['what' => 'late', 'sensor' => 'lift-high', 'value' => 0.1],
        fn (array $a, array $b): bool => max($a['motions'][2]['position']) > max($b['motions'][2]['position']) + 1e-3],
]);

it('sums up what each supply gives: peak, mean and charge', function () {
    $trace = shown(withSteps([['do' => 'go', 'motion' => 'lift', 'place' => 'high', 'give_up_s' => 9], WAIT_1]));
    $by = array_column($trace['supplies'], null, 'supply');
    $lanes = array_column($trace['motions'], 'current_A', 'motion');
    $main = $by[Builds::sound()->motions['lift']->drive->supply->id];
    $area = array_sum($main['current_A']) * $trace['sample_s'];

    expect($main['peak_A'])->toBeGreaterThanOrEqual(max($lanes['lift']))->and($main['peak_at_s'])->toBeGreaterThanOrEqual(1.0)
        ->and($main['charge_C'])->toEqualWithDelta($area, 0.05 * $area)->and($main['mean_A'] * $trace['ran_s'])->toEqualWithDelta($main['charge_C'], 1e-3)
        ->and($main['charge_C'])->toBeGreaterThan(0.0);
});

it('sags with its supply when too much is asked of it', function () {
    $steps = [['do' => 'together', 'branches' => [[['do' => 'go', 'motion' => 'lid', 'place' => 'open', 'give_up_s' => 8]],
        [['do' => 'go', 'motion' => 'lift', 'place' => 'high', 'give_up_s' => 16]]]]];
    $weak = shown(withSteps($steps, ['supplies.0.max_A' => 0.5]));

    expect(said($weak, 'sag'))->not->toBeEmpty()->and($weak['took_s'])->toBeGreaterThan(shown(withSteps($steps))['took_s']);
});

it('sees a motion pass by a sensor', function () {
    $build = withSteps([['do' => 'run', 'motion' => 'lift', 'direction' => 'up', 'until' => ['sensor' => 'mark'], 'give_up_s' => 6],
        ['do' => 'stop', 'motion' => 'lift']], [
            'sensors.2' => ['id' => 'mark', 'name' => 'Mark', 'kind' => 'magnet', 'motion' => 'lift', 'at' => 0.06, 'reach' => 0.002],
        ]);
    $lift = shown($build)['motions'][2]['position'];

    expect(end($lift))->toBeGreaterThan(0.058)->toBeLessThan(0.068);
});

it('gives up on what has no power, and goes on giving up without a fuss', function () {
    $trace = shown(withSteps([
        ['do' => 'power', 'motion' => 'jaw', 'state' => 'off'], ['do' => 'go', 'motion' => 'jaw', 'place' => 'wide', 'give_up_s' => 1],
    ], ['routines.1.if_fails' => [['do' => 'stop', 'motion' => 'jaw', 'how' => 'hold'], ['do' => 'signal', 'output' => 'lamp', 'state' => 'on']]]));

    expect($trace['outcome'])->toBe('faulted')->and($trace['fault'])->toBe('the power of Jaw is switched off')
        ->and(said($trace, 'output'))->toBe(['Lamp goes on.']);
});

it('keeps through a power cut what a counter was told to keep, and begins anew with the others', function () {
    $build = Builds::planted([
        'counters' => [['id' => 'kept', 'name' => 'Kept', 'kept' => true, 'start' => 2], ['id' => 'lost', 'name' => 'Lost', 'start' => 2]],
        'routines' => [['id' => 'show', 'name' => 'Show', 'starts' => [['when' => 'press', 'sensor' => 'button']],
            'steps' => [['do' => 'set', 'counter' => 'kept', 'add' => 3], ['do' => 'set', 'counter' => 'lost', 'add' => 3]]]],
        'scenarios' => [['id' => 'cut', 'name' => 'Cut', 'until_s' => 8, 'events' => [['at_s' => 1, 'sensor' => 'button', 'is' => 'on'],
            ['what' => 'power', 'at_s' => 3, 'is' => 'off'], ['what' => 'power', 'at_s' => 5, 'is' => 'on']]]],
    ]);
    $counts = fn (float $until_s): array => array_column(RoutineRun::of($build, $build->routines['show'], new Brookstone\Core\Routine\Scenario('cut', 'Cut',
        $until_s, [], $build->scenarios['cut']->events), byHand: false)['counters'], 'count', 'counter');

    expect($counts(2.5))->toBe(['kept' => 5, 'lost' => 5])->and($counts(8.0))->toBe(['kept' => 5, 'lost' => 2]);
});
