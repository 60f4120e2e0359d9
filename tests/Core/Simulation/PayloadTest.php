<?php

declare(strict_types=1);

use Brookstone\Core\Assessment\Subject\MotionFigures;
use Brookstone\Core\Build\Build;
use Brookstone\Core\Simulation\RoutineRun;
use Tests\Support\Builds;

/** The lift goes up and down again, with a payload on it as its task says. */
function lifts(string $payload, array $more = []): Build
{
    return Builds::planted($more + [
        'motions.2.mechanism.payload_kg' => 2.0, 'motions.2.mechanism.breaking_N' => 900, 'motions.2.task.payload' => $payload,
        'routines.1.steps' => [['do' => 'go', 'motion' => 'lift', 'place' => 'high', 'give_up_s' => 20], ['do' => 'go', 'motion' => 'lift', 'place' => 'low',
            'give_up_s' => 20]],
        'scenarios' => [],
    ]);
}

/** @return list<array<string, mixed>> the two moves of it */
function liftsOf(Build $build): array
{
    return array_values(array_filter(RoutineRun::of($build, $build->routines['show'], lean: true)['steps'],
        fn (array $step): bool => $step['routine'] === 'show'));
}

it('carries its payload on the way that its task says, and takes the time that is judged', function (string $payload, array $carries) {
    $build = lifts($payload);
    $moves = liftsOf($build);
    $facts = new MotionFigures($build->motions['lift']);

    expect(array_column($moves, 'carries'))->toBe($carries)
        ->and($moves[0]['end_s'] - $moves[0]['start_s'])->toBeAbout($facts->time('low', 'high'), 0.03)
        ->and($moves[1]['end_s'] - $moves[1]['start_s'])->toBeAbout($facts->time('high', 'low'), 0.03);
})->with(['both' => ['both', [true, true]], 'there' => ['there', [true, false]], 'back' => ['back', [false, true]]]);

it('takes longer up the more it carries', function () {
    $up = fn (string $payload): float => liftsOf(lifts($payload))[0]['end_s'] - liftsOf(lifts($payload))[0]['start_s'];

    expect($up('there'))->toBeGreaterThan($up('back') * 1.01)->and($up('there'))->toBeAbout($up('both'), 1e-9);
});

it('carries what somebody says that it does, whatever its task says', function () {
    $told = lifts('there', ['scenarios' => [['id' => 's', 'name' => 'S', 'until_s' => 30,
        'events' => [['what' => 'load', 'at_s' => 0, 'motion' => 'lift', 'carries' => false], ['what' => 'sensor', 'at_s' => 1, 'sensor' => 'button',
            'is' => 'on']]]]]);
    $run = RoutineRun::of($told, $told->routines['show'], $told->scenarios['s'], lean: true);

    expect(array_column(array_values(array_filter($run['steps'], fn (array $step): bool => $step['routine'] === 'show')), 'carries'))->toBe([false, false]);
});
