<?php

declare(strict_types=1);

use Brookstone\Core\Assessment\Routine\RoutineTimes;
use Brookstone\Core\Assessment\Subject\MotionFigures;
use Brookstone\Core\Assessment\Subject\MotionInBuild;
use Brookstone\Core\Build\Build;
use Brookstone\Core\Routine\Step;
use Brookstone\Core\Simulation\RoutineRun;
use Tests\Support\Builds;

// How long routines take, told without running them: the same figures as the runs give.

function timesToldOf(Build $build): RoutineTimes
{
    return new RoutineTimes($build, array_map(fn ($motion): MotionInBuild => new MotionInBuild($build, $motion, new MotionFigures($motion)), $build->motions));
}

/**
 * The show of the sound build with other steps; the computed time and that of a run, both in s.
 *
 * @param  list<array<string, mixed>>  $steps
 * @param  array<string, mixed>  $more
 * @return array{?float, ?float}
 */
function toldAndRun(array $steps, array $more = []): array
{
    $build = Builds::planted(['routines.1.steps' => $steps, 'routines.1.target_s' => null, ...$more]);

    return [timesToldOf($build)->of($build->routines['show']), RoutineRun::of($build, $build->routines['show'], $build->scenarios['pressed'])['took_s']];
}

const OPEN_LID = ['do' => 'go', 'motion' => 'lid', 'place' => 'open', 'give_up_s' => 5];
const SHUT_LID = ['do' => 'go', 'motion' => 'lid', 'place' => 'shut', 'give_up_s' => 5];
const LIFT_UP = ['do' => 'go', 'motion' => 'lift', 'place' => 'high', 'give_up_s' => 9];
const LIFT_DOWN = ['do' => 'go', 'motion' => 'lift', 'place' => 'low', 'give_up_s' => 9];

it('tells beforehand what a run takes', function (array $steps) {
    [$told, $run] = toldAndRun($steps);
    // A run debounces each switch, waits until what it braked is at rest, and looks only now and then: up to a fifth of a second a move.
    $moves = substr_count((string) json_encode($steps), '"motion"');

    expect($run)->not->toBeNull()->and(abs($told - $run))->toBeLessThan(0.03 + 0.2 * $moves);
})->with([
    'one after the other' => [[OPEN_LID, LIFT_UP, ['do' => 'wait', 'for_s' => 1.5], LIFT_DOWN, SHUT_LID]],
    'side by side' => [[['do' => 'together', 'branches' => [[OPEN_LID], [LIFT_UP]]], ['do' => 'together', 'branches' => [[SHUT_LID], [LIFT_DOWN]]]]],
    'until the first has ended' => [[['do' => 'together', 'until' => 'any', 'branches' => [[['do' => 'wait', 'for_s' => 0.7]],
        [['do' => 'wait', 'for_s' => 9]]]]]],
    'again and again' => [[['do' => 'repeat', 'times' => 3, 'steps' => [OPEN_LID, SHUT_LID]]]],
    'by amounts' => [[['do' => 'go_by', 'motion' => 'lift', 'by' => 0.06, 'give_up_s' => 9], ['do' => 'go_by', 'motion' => 'jaw', 'by' => -30,
        'give_up_s' => 1]]],
    'a servo, slower' => [[['do' => 'go', 'motion' => 'jaw', 'place' => 'wide', 'speed' => 0.3, 'give_up_s' => 3],
        ['do' => 'go', 'motion' => 'jaw', 'place' => 'closed', 'speed' => 0.5, 'give_up_s' => 3]]],
    'power that settles' => [[['do' => 'power', 'motion' => 'jaw', 'state' => 'on', 'settle_s' => 0.8], ['do' => 'go', 'motion' => 'jaw', 'place' => 'wide',
        'give_up_s' => 1]]],
    'a run until a switch' => [[['do' => 'run', 'motion' => 'lift', 'direction' => 'up', 'until' => ['sensor' => 'lift-high'], 'give_up_s' => 9],
        ['do' => 'stop', 'motion' => 'lift']]],
]);

it('takes the longer way of a choice, and every call', function () {
    $choose = ['do' => 'choose', 'if' => ['sensor' => 'beam'], 'then' => [['do' => 'wait', 'for_s' => 2]], 'otherwise' => [['do' => 'wait', 'for_s' => 5]]];
    $more = ['routines.2' => ['id' => 'bow', 'name' => 'Bow', 'starts' => [], 'steps' => [['do' => 'wait', 'for_s' => 3]]]];

    expect(toldAndRun([$choose], $more)[0])->toBe(5.0)->and(toldAndRun([$choose, ['do' => 'call', 'routine' => 'bow'], ['do' => 'call', 'routine' => 'bow']],
        $more)[0])->toBe(11.0);
});

it('knows no time of what has no end, or that its drive never makes', function () {
    expect(toldAndRun([['do' => 'repeat', 'times' => null, 'steps' => [['do' => 'wait', 'for_s' => 1]]]])[0])->toBeNull()
        ->and(toldAndRun([OPEN_LID], ['motions.0.mechanism.mass_kg' => 60.0])[0])->toBeNull();
});

it('takes no time to go where it is', function () {
    expect(toldAndRun([LIFT_UP, LIFT_UP])[0])->toBeAbout(toldAndRun([LIFT_UP])[0]);
});

it('gives a step at the longest the way from the far end, whatever comes before', function () {
    $build = Builds::planted(['routines.1.steps' => [LIFT_UP, ['do' => 'go', 'motion' => 'lift', 'place' => 'high', 'speed' => 0.5, 'give_up_s' => 20],
        ['do' => 'home', 'motion' => 'lift', 'switch' => 'lift-low', 'speed' => 1, 'give_up_s' => 9], ['do' => 'go_by', 'motion' => 'lift', 'by' => 0.05,
            'give_up_s' => 9]]]);
    $longest = array_map(fn (Step $step): float => (float) timesToldOf($build)->longest($step->effect($build)->move),
        array_values(iterator_to_array($build->routines['show']->flat())));
    $facts = new MotionFigures($build->motions['lift']);

    expect($longest[0])->toBeAbout((float) $facts->time('low', 'high'))->and($longest[1])->toBeGreaterThan(1.6 * $longest[0])
        ->and($longest[2])->toBeAbout((float) $facts->time('high', 'low'))
        ->and($longest[3])->toBeGreaterThan(0.4 * $longest[0])->toBeLessThan(0.7 * $longest[0]);
});
