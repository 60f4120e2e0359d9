<?php

declare(strict_types=1);

use Brookstone\Core\Assessment\BuildJudge;
use Brookstone\Core\Build\Build;
use Brookstone\Core\Rehearsal\Rehearsal;
use Tests\Support\Builds;

/** The lift is homed onto its low switch, and only ever sent a little way up from there. */
function alittle(float $give_up_s): Build
{
    return Builds::planted(['log' => [], 'motions.2.places.2' => ['id' => 'step', 'name' => 'Step', 'at' => 0.02], 'routines.1.steps' => [
        ['do' => 'home', 'motion' => 'lift', 'switch' => 'lift-low', 'give_up_s' => 9], ['do' => 'go', 'motion' => 'lift', 'place' => 'step',
            'give_up_s' => $give_up_s], ['do' => 'go', 'motion' => 'lift', 'place' => 'low', 'give_up_s' => 4.9],
    ]]);
}

it('holds a give-up against how long the step takes as rehearsed, not from an end where it never begins', function () {
    $build = alittle(9.0);
    $took = Rehearsal::of($build)->longestOfStep_s('show', 'steps.1') ?? NAN;
    $found = fn (float $give_up_s): array => array_column(Builds::assessed(alittle($give_up_s))->routines[1]['findings'], 'place', 'code');

    expect($took)->toBeGreaterThan(0.5)->toBeLessThan(0.5 * 2.9) // the whole way takes about 2.9 s
        ->and($found($took * 1.02))->not->toHaveKey('routine.give_up_short')
        ->and($found($took * 0.9)['routine.give_up_short'])->toBe('routines.1.steps.1.give_up_s')
        ->and($found(6.5))->not->toHaveKey('routine.give_up_long') // from the upper end it would take 2.3 s
        ->and($found(7.5))->toHaveKey('routine.give_up_long');
});

it('says nothing of give-up times before the rehearsals, and what it says then it said of none', function () {
    $codes = fn (Build $build): array => BuildJudge::atOnce($build)->codes();

    expect($codes(alittle(0.1)))->not->toContain('routine.give_up_short')->and($codes(alittle(60.0)))->not->toContain('routine.give_up_long')
        ->and(Rehearsal::of(alittle(0.1))->longestOfStep_s('show', 'steps.1'))->toBeNull();
});

it('takes the longest of all performances, and only of steps that were done', function () {
    $rehearsed = Rehearsal::of($build = alittle(9.0));
    $times = [];
    foreach ($rehearsed->performances as $performances) {
        foreach ($performances as $performance) {
            foreach ($performance->steps as $step) {
                if ($step['routine'] === 'show' && $step['path'] === 'steps.2' && $step['outcome'] === 'done') {
                    $times[] = $step['end_s'] - $step['start_s'];
                }
            }
        }
    }

    expect($rehearsed->longestOfStep_s('show', 'steps.2'))->toBe(max($times))->and(count($times))->toBeGreaterThan(2)
        ->and($rehearsed->longestOfStep_s('show', 'steps.9'))->toBeNull()->and($build->routines['show']->stepAt('steps.9'))->toBeNull();
});

it('calls no patience short that every rehearsal gets by with: a move comes to rest after its switch has told', function (float $give_up_s, bool $gaveUp) {
    // The switch trips after 2.96 s and the lift is at rest after 3.02 s, begun where a run before leaves it.
    $build = Builds::planted(['log' => [], 'scenarios' => [], 'routines.1.steps' => [['do' => 'go', 'motion' => 'lift', 'place' => 'high', 'give_up_s' => $give_up_s],
        ['do' => 'go', 'motion' => 'lift', 'place' => 'low', 'give_up_s' => 6]]]);
    $rehearsed = Rehearsal::of($build);

    expect($rehearsed->gaveUp('show', 'steps.0'))->toBe($gaveUp)->and($rehearsed->gaveUp('show', 'steps.1'))->toBeFalse()
        ->and(in_array('routine.give_up_short', Builds::assessed($build)->codes(), true))->toBe($gaveUp);
})->with([[2.96, true], [2.99, false], [3.1, false]]);
