<?php

declare(strict_types=1);

use Brookstone\Core\Build\Build;
use Brookstone\Core\Rehearsal\Breathed;
use Brookstone\Core\Rehearsal\Day;
use Brookstone\Core\Rehearsal\Performance;
use Brookstone\Core\Rehearsal\Rehearsal;
use Tests\Support\Builds;

/**
 * The sound build with one routine that the button starts, and what wakes it.
 *
 * @param  list<array<string, mixed>>  $steps
 * @param  array<string, mixed>  $planted
 */
function pressedFor(array $steps, array $planted = []): Build
{
    return Builds::planted(['log' => [], 'scenarios' => [], 'routines.1.steps' => $steps, ...$planted]);
}

/** @return list<string> */
function startsOf(Build $build, string $routine): array
{
    return array_map(fn (Performance $each): string => $each->start->says, Rehearsal::of($build)->of($routine));
}

function sentTo(string $motion, string $place): array
{
    return ['do' => 'go', 'motion' => $motion, 'place' => $place, 'give_up_s' => 9];
}

it('is followed by others on one stage only as long as all goes well', function (array $step, bool $isFollowed) {
    expect(in_array('a second time', startsOf(pressedFor([$step]), 'show'), true))->toBe($isFollowed);
})->with([
    'it ends and leaves the lift elsewhere' => [['do' => 'go', 'motion' => 'lift', 'place' => 'high', 'give_up_s' => 9], true],
    'it ends at its hard stop' => [['do' => 'run', 'motion' => 'lift', 'direction' => 'up', 'for_s' => 8], false],
    'it gives up' => [['do' => 'go', 'motion' => 'lift', 'place' => 'high', 'give_up_s' => 1], false],
]);

it('takes two places for one within a hundredth of the range', function (float $at, bool $differs) {
    // The jaw has 40° in all.
    $build = pressedFor([sentTo('jaw', 'tad')], ['motions.1.places.2' => ['id' => 'tad', 'name' => 'Tad', 'at' => $at]]);

    expect(in_array('from power-on as Show leaves it', startsOf($build, 'wake'), true))->toBe($differs);
})->with([[-0.39, false], [-0.41, true]]);

it('counts as moves of a day only what moves', function () {
    $runs = fn (array $steps): float => Day::of($build = pressedFor($steps, ['motions.2.task.per_day' => 40]), Rehearsal::of($build))->runs['show'];

    expect($runs([sentTo('lift', 'high'), sentTo('lift', 'low')]))->toBeAbout(40.0, 1e-9)
        ->and($runs([['do' => 'wait', 'for_s' => 1], sentTo('lift', 'low'), sentTo('lift', 'high'), sentTo('lift', 'low')]))->toBeAbout(40.0, 1e-9) // it is down already
        ->and($runs([sentTo('lift', 'high'), sentTo('lift', 'low'), sentTo('lift', 'high'), sentTo('lift', 'low')]))->toBeAbout(20.0, 1e-9);
});

it('starts with every trigger of a routine, and once a day with the power or a reading', function (array $starts, float $runs) {
    $build = pressedFor([sentTo('lift', 'high'), sentTo('lift', 'low')], ['motions.2.task.per_day' => 0, 'routines.1.starts' => $starts]);

    expect(Day::of($build, Rehearsal::of($build))->runs['show'])->toBeAbout($runs, 1e-9);
})->with([
    'every hour and at noon' => [[['when' => 'every', 'every_s' => 3600], ['when' => 'time_of_day', 'at' => '12:00']], 25.0],
    'the power, and every six hours' => [[['when' => 'power_on'], ['when' => 'every', 'every_s' => 21600]], 4.0],
    'the power, and every four days' => [[['when' => 'power_on'], ['when' => 'every', 'every_s' => 345600]], 1.0],
]);

it('breathes so many litres a minute', function (float $air_l, float $seconds, float $l_min) {
    expect((new Breathed($air_l, $seconds))->air_l_min())->toBe($l_min);
})->with([[3.0, 90.0, 2.0], [0.5, 60.0, 0.5], [1.0, 0.0, 0.0]]);
