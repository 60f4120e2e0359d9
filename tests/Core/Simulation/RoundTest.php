<?php

declare(strict_types=1);

use Brookstone\Core\Assessment\Subject\MotionFigures;
use Brookstone\Core\Build\Build;
use Brookstone\Core\Build\Editor;
use Brookstone\Core\Condition\Between;
use Brookstone\Core\Error\InvalidInput;
use Brookstone\Core\Simulation\Axis;
use Brookstone\Core\Simulation\RoutineRun;
use Brookstone\Core\Stops\RunOn;
use Brookstone\Core\Study\FaultSweep;
use Tests\Support\Builds;

/**
 * @param  array<string, mixed>  $values  by path
 */
function example(string $name, array $values = []): Build
{
    return Editor::apply(Builds::example($name), array_map(fn (string $path, mixed $value): array => ['path' => $path, 'value' => $value],
        array_keys($values), $values));
}

/** The dial sent on by buttons: the trace. @param  list<array<string, mixed>>  $steps */
function dialled(array $steps, int $places = 24, array $more = []): array
{
    $build = example('star-dial', ['motions.0.dial.places' => $places, 'routines.1.steps' => $steps, 'routines.2.steps' => [['do' => 'wait', 'for_s' => 1]],
        ...$more]);

    return RoutineRun::of($build, $build->routines['next']);
}

it('makes places by the dozen out of a pitch', function () {
    $dial = example('star-dial', ['motions.0.dial.places' => 200])->motions['dial'];

    expect($dial->at('dial-1'))->toBe(0.0)->and($dial->at('dial-2'))->toBe(1.8)->and($dial->at('dial-200'))->toBeAbout(358.2, 1e-9)
        ->and($dial->places)->toHaveCount(202);
    expect(fn () => example('star-dial', ['motions.0.dial.places' => 201]))->toThrow(InvalidInput::class);
});

it('says at the dial, and at the step, that a routine still goes past its last place; and that what is no longer turned on is no dial', function () {
    $fields = function (array $planted): array {
        try {
            example('star-dial', $planted);
        } catch (InvalidInput $wrong) {
            return array_column($wrong->errors, 'message', 'field');
        }

        return [];
    };
    $few = $fields(['motions.0.dial.places' => 6]);

    expect($few)->toHaveKeys(['motions.0.dial.places', 'routines.2.steps.0.place'])
        ->and($few['motions.0.dial.places'])->toBe('A routine goes to place 7 of this dial: take that out first.')
        ->and($fields(['motions.0.dial.places' => 7]))->toBe([])
        ->and($fields(['motions.0.task.keeps_turning' => false]))->toHaveKey('motions.0.task.keeps_turning');
});

it('is back at the same place after as many orders as a dial has places', function (int $places) {
    $trace = dialled([['do' => 'repeat', 'times' => $places, 'steps' => [['do' => 'go_by', 'motion' => 'dial', 'by' => 360 / $places, 'give_up_s' => 12]]]],
        $places);
    $at = $trace['motions'][0]['position'];
    $end = end($at);

    expect($trace['outcome'])->toBe('finished')->and(min($end, 360 - $end))->toBeLessThan(0.01);
})->with([2, 5, 24]);

it('goes to a place forwards to its next coming, and never back', function (array $orders, float $turned) {
    $build = example('star-dial', ['routines.1.steps' => array_map(fn (string $place): array => ['do' => 'go', 'motion' => 'dial', 'place' => $place,
        'give_up_s' => 40], $orders)]);
    $trace = RoutineRun::of($build, $build->routines['next']);
    $went = $last = 0.0;
    foreach ($trace['motions'][0]['position'] as $at) {
        $step = $at - $last;
        $step += $step < -180 ? 360 : 0;
        expect($step)->toBeGreaterThanOrEqual(-1e-6);
        [$went, $last] = [$went + $step, $at];
    }

    expect($trace['outcome'])->toBe('finished')->and($went)->toEqualWithDelta($turned, 0.01);
})->with([[['dial-7'], 90.0], [['dial-7', 'dial-3'], 390.0], [['dial-24', 'dial-1', 'dial-1'], 360.0]]);

it('takes the shorter way where it may be turned back', function () {
    $build = example('star-dial', ['motions.0.drive.one_way' => false,
        'routines.1.steps' => [['do' => 'go', 'motion' => 'dial', 'place' => 'dial-23', 'give_up_s' => 40]]]);
    $trace = RoutineRun::of($build, $build->routines['next']);

    expect($trace['took_s'])->toBeLessThan(5.0)->and($build->motions['dial']->distance(0.0, 330.0))->toBeAbout(-30.0, 1e-9)
        ->and($build->motions['dial']->distance(350.0, 10.0))->toBeAbout(20.0, 1e-9);
});

it('tells the times of what comes round as the run takes them', function (string $from, string $to) {
    $build = example('star-dial', ['routines.1.steps' => [['do' => 'go', 'motion' => 'dial', 'place' => $from, 'give_up_s' => 40],
        ['do' => 'wait', 'for_s' => 1], ['do' => 'go', 'motion' => 'dial', 'place' => $to, 'give_up_s' => 40]]]);
    $trace = RoutineRun::of($build, $build->routines['next']);
    $steps = array_values(array_filter($trace['steps'], fn (array $step): bool => $step['routine'] === 'next'));

    expect((new MotionFigures($build->motions['dial']))->time($from, $to))->toEqualWithDelta($steps[2]['end_s'] - $steps[2]['start_s'], 0.02);
})->with([['dial-2', 'dial-5'], ['dial-20', 'dial-4'], ['dial-3', 'dial-2']]);

it('sees a magnet each time it comes round, not in the first turn only', function () {
    $trace = dialled([['do' => 'go_by', 'motion' => 'dial', 'by' => 360 * 3 + 5, 'give_up_s' => 60]]);
    $index = array_values(array_filter($trace['inputs'], fn (array $input): bool => $input['id'] === 'index'))[0];

    expect(array_values(array_filter($index['changes'], fn (array $change): bool => $change['on'])))->toHaveCount(4);
});

it('opens and shuts a lid by a crank that turns one way', function () {
    $build = Builds::example('casket-lid');
    $trace = RoutineRun::of($build, $build->routines['peep'], $build->scenarios['pressed']);
    $lid = $build->motions['lid'];
    $swing = array_map(fn (float $at): float => $lid->mechanism->follower(deg2rad($at)), $trace['motions'][0]['position']);
    $told = Builds::assessed($build)->routines[1]['takes_s'];

    expect($trace['outcome'])->toBe('finished')->and(max($swing) - min($swing))->toBeGreaterThan(45.0)
        ->and(Builds::assessed($build)->codes())->not->toContain('routine.until_unreachable')
        ->and($trace['took_s'])->toEqualWithDelta($told, 0.15);
});

it('ends at the very switch that it stands on only when that comes round again', function () {
    $build = example('casket-lid',
        ['routines.1.steps' => [['do' => 'run', 'motion' => 'lid', 'direction' => 'up', 'until' => ['sensor' => 'lid-shut'], 'give_up_s' => 10],
            ['do' => 'stop', 'motion' => 'lid']]]);
    $trace = RoutineRun::of($build, $build->routines['peep'], $build->scenarios['pressed']);

    expect($trace['took_s'])->toBeGreaterThan(1.0)->and(Builds::assessed($build)->routines[1]['takes_s'])->toEqualWithDelta($trace['took_s'], 0.2);
});

it('never asks what turns one way to turn back, and says so where a routine does', function () {
    $build = example('casket-lid', ['routines.1.steps.3.direction' => 'down']);
    $found = Builds::found($build, 'routine.turned_back');
    $trace = RoutineRun::of($build, $build->routines['peep'], $build->scenarios['pressed']);

    expect($found[0]->says->text())->toContain('Lid only ever turns forwards')->and($trace['fault'])->toContain('cannot be turned back')
        ->and(RoutineRun::of(Builds::mended($build, $found[0]->fixes[0]), $build->routines['peep'], $build->scenarios['pressed'])['outcome'])
        ->not->toBe('faulted');
    $mended = Builds::mended($build, $found[0]->fixes[0]);
    expect(RoutineRun::of($mended, $mended->routines['peep'], $mended->scenarios['pressed'])['outcome'])->toBe('finished');
});

it('asks rules of where it stands in its turn', function () {
    $build = example('star-dial', ['rules' => [['id' => 'r', 'name' => 'Not the seventh', 'never' => ['test' => 'between', 'motion' => 'dial', 'from' => 80,
        'to' => 100]]], 'routines.1.steps' => [['do' => 'go_by', 'motion' => 'dial', 'by' => 360 + 90, 'give_up_s' => 60]]]);
    $trace = RoutineRun::of($build, $build->routines['next']);

    expect($build->rules['r']->never)->toBeInstanceOf(Between::class)
        ->and(array_filter($trace['events'], fn (array $event): bool => $event['kind'] === 'rule'))->toHaveCount(2);
});

it('tells the run-on of a mark on what comes round as of any other', function () {
    $lid = Builds::example('casket-lid')->motions['lid'];
    $runOn = RunOn::of($lid, $lid->stops->switches[1], Builds::example('casket-lid')->settings);

    expect($runOn?->distance)->toBeGreaterThan(1.0)->toBeLessThan(15.0);
});

it('sweeps faults of what comes round', function () {
    $build = Builds::example('casket-lid');
    $sweep = new FaultSweep($build, $build->routines['peep'], null);
    $outcomes = array_map(fn ($case): string => $sweep->run($case)['outcome'], $sweep->cases());

    expect(count($outcomes))->toBeGreaterThan(10)->and($outcomes)->toContain('finishes')->toContain('stops');
});

it('feeds a second time as it fed the first', function () {
    $build = Builds::example('seed-feeder');
    $trace = fn (int $times): array => RoutineRun::of($b = Editor::apply($build,
        [['path' => 'routines.0.steps', 'value' => array_merge(...array_fill(0, $times, $build->document['routines'][0]['steps']))]]),
        $b->routines[array_key_first($b->routines)]);
    $travel = function (array $trace) use ($build): float {
        $axis = new Axis($build->motions['part'], 0.0, 0.0);
        $sum = $last = 0.0;
        foreach ($trace['motions'][0]['position'] as $at) {
            $step = $at - $last;
            $sum += $step < -0.015 ? $step + 0.03927 : $step;
            $last = $at;
        }

        return $axis->position() + $sum;
    };

    expect($travel($trace(2)))->toEqualWithDelta(2 * $travel($trace(1)), 0.004)->and($travel($trace(1)))->toBeGreaterThan(0.03);
});
