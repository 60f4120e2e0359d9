<?php

declare(strict_types=1);

use Brookstone\Core\Build\Build;
use Brookstone\Core\Error\InvalidInput;
use Brookstone\Core\Routine\Scenario;
use Brookstone\Core\Routine\WorldEvent;
use Brookstone\Core\Simulation\RoutineRun;
use Tests\Support\Builds;

/** The jaw, or the lid, follows a stick. @param  array<string, mixed>  $step  @param  array<string, mixed>  $changes */
function followed(array $step, array $changes = []): Build
{
    $document = Builds::sound()->document;
    $document['sensors'][] = ['id' => 'stick', 'name' => 'Stick', 'kind' => 'knob', 'rest' => 50, 'upper' => 50];
    $document['routines'] = [['id' => 'play', 'name' => 'Play', 'starts' => [['when' => 'press', 'sensor' => 'button']], 'steps' => [
        ['do' => 'follow', 'motion' => 'jaw', 'sensor' => 'stick', 'for_s' => 4] + $step,
    ]]];
    $document['routines'][0]['steps'][0] = $step + $document['routines'][0]['steps'][0];
    foreach ($changes as $path => $value) {
        data_set($document, $path, $value);
    }

    return Build::read($document);
}

/**
 * @param  array<string, mixed>  $step
 * @param  array<float|int, float>  $reads  what the stick reads from when on, after the step has begun at 1 s
 * @param  list<WorldEvent>  $events
 * @return array<string, mixed>
 */
function followedRun(array $step, array $reads, array $events = [], float $until_s = 8.0): array
{
    $build = followed($step);
    $levels = array_map(fn (float|int $at, float $value): WorldEvent => new WorldEvent((float) $at, 'level', 'stick', value: $value), array_keys($reads), $reads);
    $all = [new WorldEvent(1.0, 'sensor', 'button', true), ...$levels, ...$events];
    usort($all, fn (WorldEvent $a, WorldEvent $b): int => $a->at_s <=> $b->at_s);

    return RoutineRun::of($build, $build->routines['play'], new Scenario('s', 'S', $until_s, [], $all));
}

/** Where a motion was at a time. */
function wasAt(array $run, string $motion, float $at_s): float
{
    $lane = array_column($run['motions'], 'position', 'motion')[$motion];

    return $lane[min(count($lane) - 1, (int) round($at_s / $run['sample_s']))];
}

it('goes where the stick says, end to end, and where it is told that the ends are', function () {
    $run = followedRun([], ['2' => 100.0, '3' => 0.0]);

    // its places lie at −40° and 0°; the middle of the stick is −20°
    expect(wasAt($run, 'jaw', 1.9))->toBeAbout(-20.0, 0.03)->and(wasAt($run, 'jaw', 2.9))->toBeGreaterThan(-0.6)->and(wasAt($run, 'jaw', 3.9))->toBeLessThan(-39.4)
        ->and($run['outcome'])->toBe('finished')->and($run['took_s'])->toBeAbout(4.0, 1e-2);
    $turned = followedRun(['at_low' => 0.0, 'at_high' => -30.0], ['2' => 100.0]);
    expect(wasAt($turned, 'jaw', 2.9))->toBeAbout(-30.0, 0.03);
});

it('reads its ends as they are, and stays within the places of the motion', function () {
    expect(wasAt(followedRun(['low' => 100.0, 'high' => 0.0], ['2' => 100.0]), 'jaw', 2.9))->toBeLessThan(-39.4)
        ->and(wasAt(followedRun(['at_low' => -90.0], ['2' => 0.0]), 'jaw', 2.9))->toBeAbout(-40.0, 0.03);
});

it('does nothing within its dead band, but comes to its ends', function () {
    $run = followedRun(['dead_band' => 0.1], ['2' => 59.0, '3' => 95.0, '4' => 100.0]);

    expect(wasAt($run, 'jaw', 2.9))->toBeAbout(-20.0, 0.03)->and(wasAt($run, 'jaw', 3.9))->toBeAbout(-2.0, 0.4)->and(wasAt($run, 'jaw', 4.9))->toBeGreaterThan(-0.6);
});

it('takes up nine tenths of a jump in the time over which it is smoothed', function () {
    $run = followedRun(['smooth_s' => 1.0, 'dead_band' => 0.0], ['2' => 100.0]);

    expect(wasAt($run, 'jaw', 3.03))->toBeAbout(-2.0, 0.25)->and(wasAt($run, 'jaw', 2.53))->toBeAbout(-20.0 * 10 ** -0.5, 0.15);
});

it('drives as fast as the stick says, stands in the middle, and stops at the switch of its end', function () {
    $run = followedRun(['motion' => 'lift', 'as' => 'speed', 'for_s' => 7.0], ['1.5' => 75.0, '2.5' => 50.0, '3.5' => 100.0], until_s: 12.0);
    $half = wasAt($run, 'lift', 2.4) - wasAt($run, 'lift', 1.9);

    expect($half)->toBeGreaterThan(0.0)->and(wasAt($run, 'lift', 3.4))->toBeAbout(wasAt($run, 'lift', 2.7), 0.02)
        ->and(wasAt($run, 'lift', 4.4) - wasAt($run, 'lift', 3.9))->toBeGreaterThan(1.6 * $half)
        ->and(array_column($run['mishaps'], 'kind'))->toBe([])->and(array_column($run['ends'], 'at', 'motion')['lift'])->toBeGreaterThan(0.099)->toBeLessThan(0.11);
});

it('begins the more gently the more of its cube it is told', function () {
    $goes = fn (float $expo): float => wasAt($run = followedRun(['motion' => 'lift', 'as' => 'speed', 'expo' => $expo], ['1.5' => 80.0]), 'lift', 3.0) - wasAt($run, 'lift', 2.0);

    expect($goes(0.0))->toBeGreaterThan(1.3 * $goes(0.5))->and($goes(0.5))->toBeGreaterThan(1.2 * $goes(1.0));
});

it('is ended by what it waits for, and gives up when it does not come', function () {
    $button = ['test' => 'input', 'sensor' => 'beam', 'is' => 'on'];
    $ended = followedRun(['for_s' => null, 'until' => $button, 'give_up_s' => 5.0], [], [new WorldEvent(2.0, 'sensor', 'beam', true)]);
    $vain = followedRun(['for_s' => null, 'until' => $button, 'give_up_s' => 3.0], []);

    expect($ended['outcome'])->toBe('finished')->and($ended['took_s'])->toBeAbout(1.0, 0.02)
        ->and($vain['outcome'])->toBe('faulted')->and($vain['fault'])->toBe('Jaw timed out');
});

it('gives up and stops when what it reads cannot be', function (float $reads, string $outcome) {
    $run = followedRun(['motion' => 'lift', 'as' => 'speed'], ['1.5' => 90.0, '2' => $reads]);

    expect($run['outcome'])->toBe($outcome)->and($run['fault'])->toBe($outcome === 'faulted' ? 'Lift has lost what it follows: Stick reads what it never does' : null)
        ->and(wasAt($run, 'lift', 3.4) - wasAt($run, 'lift', 2.4) < 1e-4)->toBe($outcome === 'faulted');
})->with([[111.0, 'faulted'], [109.0, 'finished'], [-11.0, 'faulted']]);

it('cannot be sent where nothing tells where it is', function () {
    expect(followedRun(['motion' => 'lid'], [])['fault'])->toBe('Lid cannot be sent to a place: nothing tells where it is');
});

it('says what it does', function () {
    $says = fn (array $step): string => ($build = followed($step))->routines['play']->steps[0]->says($build)->text();

    expect($says([]))->toBe('Jaw goes where Stick says for 4 s.')->and($says(['as' => 'speed', 'give_up_s' => 9.0]))->toBe('Jaw goes as fast as Stick says for 4 s; give up after 9 s.');
});

it('refuses a stick without a span, or none, and neither time nor end', function (array $step, string $field) {
    expect(fn () => followed($step))->toThrow(InvalidInput::class, $field);
})->with([
    [['low' => 5.0, 'high' => 5.0], 'routines.0.steps.0.high'], [['sensor' => 'button'], 'routines.0.steps.0.sensor'], [['motion' => 'gone'], 'routines.0.steps.0.motion'],
    [['for_s' => null], 'routines.0.steps.0.for_s'], [['dead_band' => 0.6], 'routines.0.steps.0.dead_band'], [['smooth_s' => -1.0], 'routines.0.steps.0.smooth_s'],
]);

it('is judged and rehearsed as it stands', function () {
    $assessment = Builds::assessed(followed(['for_s' => null, 'until' => ['test' => 'input', 'sensor' => 'beam', 'is' => 'on'], 'give_up_s' => 30.0]));

    expect($assessment->routines[0]['verdict'])->not->toBe('not_said')->and(array_column($assessment->routines[0]['rehearsals'], 'outcome'))->toContain('ends')
        ->and(array_map(fn ($finding): string => $finding->severity->value.' '.$finding->code, $assessment->routines[0]['findings']))->not->toContain('fails');
});

it('is swept with its stick lost: it stops and says so', function () {
    $build = followed(['for_s' => 3.0]);
    $sweep = new Brookstone\Core\Study\FaultSweep($build, $build->routines['play'], null);
    $lost = array_values(array_filter($sweep->cases(), fn ($case): bool => $case->fault === 'lost stick'));

    expect($lost)->toHaveCount(1)->and($lost[0]->says)->toBe('Stick is lost: its wire is off')->and($sweep->run($lost[0])['outcome'])->toBe('stops');
});
