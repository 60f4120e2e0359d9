<?php

declare(strict_types=1);

use Brookstone\Core\Assessment\Subject\MotionFigures;
use Brookstone\Core\Build\Build;
use Brookstone\Core\Simulation\RoutineRun;
use Tests\Support\Builds;

/** @return array<string, mixed> */
function ran(Build $build, string $routine = 'show', ?string $scenario = 'pressed'): array
{
    return RoutineRun::of($build, $build->routines[$routine], $scenario === null ? null : $build->scenarios[$scenario]);
}

/** @param  array<string, mixed>  $trace */
function eventsOf(array $trace): string
{
    return implode("\n", array_map(fn (array $event): string => $event['says']->text(), $trace['events']));
}

it('runs the sound build to its end, in order, and in the time of its moves', function () {
    $build = Builds::sound();
    $trace = ran($build);
    $own = array_values(array_filter($trace['steps'], fn (array $step): bool => $step['routine'] === 'show'));
    $lid = new MotionFigures($build->motions['lid']);

    expect($trace['outcome'])->toBe('finished')
        ->and($trace['start_s'])->toBeAbout(8.0)
        ->and(array_column($own, 'do'))->toBe(['go', 'run', 'stop', 'go', 'wait', 'go', 'go', 'go', 'signal'])
        ->and(array_unique(array_column($own, 'outcome')))->toBe(['done'])
        ->and($own[0]['end_s'] - $own[0]['start_s'])->toBeGreaterThan((float) $lid->time('shut', 'open'))->toBeLessThan((float) $lid->time('shut',
            'open') + 0.1)
        ->and(eventsOf($trace))->toContain('Button is pressed.', 'Show starts.', 'Lid open switch trips.', 'Lamp goes on.', 'Lamp goes off.', 'Show ends.')
        ->not->toContain('hard stop');
    foreach (array_slice($own, 1) as $i => $step) {
        expect($step['start_s'])->toBeGreaterThanOrEqual($own[$i]['end_s']);
    }
});

it('gives the same trace to the last digit', function () {
    $encode = fn (): string => (string) json_encode(ran(Builds::demo('moth-lantern'), 'flutter'));

    expect($encode())->toBe($encode());
});

it('starts by hand when all is quiet', function () {
    $trace = ran(Builds::sound(), scenario: null);

    expect($trace['outcome'])->toBe('finished')->and($trace['scenario'])->toBeNull()->and(eventsOf($trace))->toContain('started by hand');
});

it('never starts without its trigger, and a beam is no button', function () {
    $nobody = Builds::planted(['scenarios.0.events' => []]);
    $beam = Builds::planted(['scenarios.0.events' => [['at_s' => 2, 'sensor' => 'beam', 'is' => 'on']]]);
    $broken = Builds::planted(['scenarios.0.events' => [['at_s' => 2, 'sensor' => 'beam', 'is' => 'on'], ['at_s' => 9, 'sensor' => 'beam', 'is' => 'off']],
        'routines.1.starts' => [['when' => 'beam', 'sensor' => 'beam', 'is' => 'made']]]);

    expect(ran($nobody)['outcome'])->toBe('never_started')
        ->and(ran($beam)['outcome'])->toBe('never_started')
        ->and(ran($broken))->toMatchArray(['outcome' => 'finished', 'start_s' => 9.0]);
});

it('gives up, stops its motions and says why', function () {
    $trace = ran(Builds::planted(['routines.1.steps.0.give_up_s' => 0.3]));

    expect($trace['outcome'])->toBe('faulted')->and($trace['fault'])->toBe('Lid did not reach Lid open switch')
        ->and($trace['took_s'])->toBeAbout(0.3, 0.05)
        ->and(array_sum(array_slice(end($trace['motions'])['current_A'], -3)))->toBe(0.0);
});

it('homes from anywhere', function (float $lid, float $lift) {
    $trace = ran(Builds::planted(['scenarios.0.starts_at' => [['motion' => 'lid', 'at' => $lid], ['motion' => 'lift', 'at' => $lift]],
        'scenarios.0.events' => []]), 'wake');
    $end = array_map(fn (array $motion): float => end($motion['position']), $trace['motions']);

    expect($trace['outcome'])->toBe('finished')->and($end[0])->toBeLessThanOrEqual(0.0)->toBeGreaterThan(-5.0)
        ->and($end[2])->toBeLessThanOrEqual(1e-6)->toBeGreaterThan(-0.01);
})->with([[70.0, 0.1], [33.0, 0.02], [0.0, 0.0], [-4.0, -0.009]]);

it('runs into the hard stop when no switch is in the way, and no further', function () {
    $build = Builds::planted([
        'routines.1.steps' => [['do' => 'run', 'motion' => 'lift', 'direction' => 'up', 'for_s' => 6], ['do' => 'stop', 'motion' => 'lift']],
    ]);
    $trace = ran($build);
    $lift = $trace['motions'][2];

    expect(eventsOf($trace))->toContain('Lift hits its hard stop')
        ->and(max($lift['position']))->toBeAbout(0.11, 1e-6)
        ->and(max($lift['current_A']))->toBeAbout(1.9, 0.01);
});

it('reports a motor that is left powered', function () {
    expect(eventsOf(ran(Builds::planted(['routines.1.steps' => [['do' => 'run', 'motion' => 'lift', 'direction' => 'up', 'for_s' => 0.5]]]))))
        ->toContain('Lift is still powered although no routine runs.');
});

it('repeats, also for ever, and ends with the scenario', function () {
    $twice = ran(Builds::planted(['routines.1.steps' => [['do' => 'repeat', 'times' => 3, 'steps' => [['do' => 'wait', 'for_s' => 0.5]]]]]));
    $ever = ran(Builds::planted(['routines.1.steps' => [['do' => 'repeat', 'times' => null,
        'steps' => [['do' => 'signal', 'output' => 'lamp', 'state' => 'on']]]], 'scenarios.0.until_s' => 10]));

    expect($twice['took_s'])->toBeAbout(1.5, 0.02)->and($ever['outcome'])->toBe('still_running')->and($ever['verdict'])->toBe('not_said')->and($ever['ran_s'])->toBeAbout(10.0);
});

it('goes to a place without a switch by time, and not before it knows where it is', function () {
    $build = Builds::demo('heron-wharf');
    $trace = ran(Builds::planted(['motions.2.stops.switches' => [Builds::sound()->document['motions'][2]['stops']['switches'][0]],
        'routines.1.steps' => [['do' => 'go', 'motion' => 'lift', 'place' => 'high', 'give_up_s' => 9]]]));
    $lost = ran(Builds::planted(['routines.0.steps' => [], 'motions.2.stops.switches' => [Builds::sound()->document['motions'][2]['stops']['switches'][0]],
        'routines.1.steps' => [['do' => 'go', 'motion' => 'lift', 'place' => 'high', 'give_up_s' => 9]]]));

    expect(end($trace['motions'][2]['position']))->toBeAbout(0.1, 0.03)
        ->and($lost['fault'])->toBe('Lift does not know where it is')
        ->and($build->motions)->toHaveKey('tide');
});

it('lets a servo follow at a share of its speed', function () {
    $at = fn (float $speed): float => ran(Builds::planted(['routines.1.steps' => [['do' => 'go', 'motion' => 'jaw', 'place' => 'wide', 'speed' => $speed]]]))['took_s'];

    expect($at(0.25))->toBeGreaterThan(2.5 * $at(1.0))->and($at(0.25))->toBeAbout(40 / (0.25 * 380), 0.2);
});

it('stays between the hard stops whatever the routine does', function (int $seed) {
    mt_srand($seed);
    $steps = [];
    for ($i = 0; $i < 8; $i++) {
        $motion = ['lid', 'lift'][mt_rand(0, 1)];
        $steps[] = ['do' => 'run', 'motion' => $motion, 'direction' => ['up', 'down'][mt_rand(0, 1)], 'speed' => mt_rand(20, 100) / 100,
            'for_s' => mt_rand(1, 30) / 10];
        $steps[] = ['do' => 'stop', 'motion' => $motion, 'how' => ['brake', 'coast', 'hold'][mt_rand(0, 2)]];
    }
    $trace = ran(Builds::planted(['routines.1.steps' => $steps]));

    expect(min($trace['motions'][0]['position']))->toBeGreaterThanOrEqual(-5.0 - 1e-6)
        ->and(max($trace['motions'][0]['position']))->toBeLessThanOrEqual(75.0 + 1e-6)
        ->and(min($trace['motions'][2]['position']))->toBeGreaterThanOrEqual(-0.01 - 1e-6)
        ->and(max($trace['motions'][2]['position']))->toBeLessThanOrEqual(0.11 + 1e-6);
})->with(range(1, 12));

it('does not hold where anything goes wrong on the way, in time or not', function () {
    $trace = ran(Builds::planted(['routines.1.steps.1' => ['do' => 'run', 'motion' => 'lift', 'direction' => 'up', 'for_s' => 8]]));

    expect($trace['outcome'])->toBe('finished')->and($trace['verdict'])->toBe('fails')
        ->and(array_map(fn (array $mishap): string => $mishap['says']->text(),
            $trace['mishaps']))->toBe(['Lift hits its hard stop at 34.3 mm/s with 0.167 J.', 'Lift stalls for 4.76 s at 1.9 A.'])
        ->and(ran(Builds::sound())['mishaps'])->toBe([]);
});

it('says whether the run was in time', function (?float $target, string $verdict) {
    expect(ran(Builds::planted(['routines.1.target_s' => $target]))['verdict'])->toBe($verdict);
})->with([[null, 'holds'], [20.0, 'holds'], [9.5, 'tight'], [5.0, 'fails']]);

it('writes down of what has come to rest the same at each sample', function () {
    $run = RoutineRun::of(Builds::sound(), Builds::sound()->routines['show'], Builds::sound()->scenarios['pressed']);
    foreach ($run['motions'] as $lane) {
        foreach (['position', 'speed', 'current_A'] as $what) {
            expect(array_unique(array_slice($lane[$what], -6)))->toHaveCount(1, "{$what} of {$lane['motion']}");
        }
        expect(count(array_unique($lane['position'])))->toBeGreaterThan(10);
    }
});
