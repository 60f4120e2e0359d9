<?php

declare(strict_types=1);

use Brookstone\Core\Finding\Fix;
use Tests\Support\Builds;

/**
 * What the judge says of the patience of one step that opens the lid, geared down so far, and which times it offers, s.
 *
 * @return array<string, list<float>>
 */
function patience(float $ratio, ?float $giveUp_s): array
{
    $build = Builds::planted([
        'motions.0.train' => [['type' => 'spur', 'driver' => 20, 'driven' => 100], ['type' => 'spur', 'driver' => 20, 'driven' => (int) (4 * $ratio)]],
        'motions.0.task.move_s' => 120,
        'routines.1.steps' => [['do' => 'go', 'motion' => 'lid', 'place' => 'open'] + ($giveUp_s === null ? [] : ['give_up_s' => $giveUp_s])],
        'scenarios' => [],
        'log' => [],
    ]);
    $says = [];
    foreach (Builds::assessed($build)->findings() as $finding) {
        if ($finding->place === 'routines.1.steps.0.give_up_s') {
            $says["{$finding->severity->value}: {$finding->says->text()}"] = array_map(fn (Fix $fix): float => $fix->changes[0]->value, $finding->fixes);
        }
    }

    return $says;
}

// Held fast, the motor of the lid is at its limit after 56.6 s. Geared down 30 : 1 the lid opens in 23.5 s, 60 : 1 in 46.9 s, 75 : 1 in 58.5 s.
it('gives a slow move time, and its winding no more than it bears', function (float $ratio, ?float $giveUp_s, array $says) {
    expect(patience($ratio, $giveUp_s))->toBe($says);
})->with([
    'none given: twice the move' => [30, null, ['fails: If Lid jams here, its motor pushes forever: the step has no give-up time.' => [47.5]]],
    'twice is too hot' => [45, null, ['fails: If Lid jams here, its motor pushes forever: the step has no give-up time.' => [56.5]]],
    'a fifth more is not yet too hot' => [60, null, ['fails: If Lid jams here, its motor pushes forever: the step has no give-up time.' => [56.5]]],
    'now it is: twice again' => [61, null, ['fails: If Lid jams here, its motor pushes forever: the step has no give-up time.' => [95.5]]],
    'given up before it is open, though done from half way' => [30, 23, ['fails: It gives up after 23 s, but Lid can take 23.5 s.' => [47.0]]],
    'open in time' => [30, 24, []],
    'as long as its winding bears' => [30, 56.5, []],
    'longer than that' => [30, 57, ['tight: If Lid jams, its winding overheats after 56.6 s, before the step gives up after 57 s.' => [47.5]]],
    'nearly three times the move' => [30, 70, ['tight: If Lid jams, its winding overheats after 56.6 s, before the step gives up after 70 s.' => [47.5]]],
    'over three times' => [30, 71, [
        'tight: If Lid jams, its winding overheats after 56.6 s, before the step gives up after 71 s.' => [47.5],
        'note: It gives up only after 71 s, more than three times the 23.5 s that Lid can take.' => [47.5],
    ]],
    'shorter where twice is too hot' => [60, 57, ['tight: If Lid jams, its winding overheats after 56.6 s, before the step gives up after 57 s.' => [56.5]]],
    'hot before it can be open' => [75, 57, [
        'fails: It gives up after 57 s, but Lid can take 58.5 s.' => [117.0],
        'tight: If Lid jams, its winding overheats after 56.6 s, before the step gives up after 57 s.' => [],
    ]],
    'nothing is both long enough and cool' => [75, 70, ['tight: If Lid jams, its winding overheats after 56.6 s, before the step gives up after 70 s.' => []]],
]);
