<?php

declare(strict_types=1);

use Brookstone\Core\Assessment\BuildJudge;
use Brookstone\Core\Build\Build;
use Brookstone\Core\Mend\Outlook;
use Brookstone\Core\Rehearsal\Rehearsal;
use Tests\Support\Builds;

function outlook(Build $build): Outlook
{
    $rehearsed = Rehearsal::of($build);

    return Outlook::of($build, BuildJudge::proposed($build, null, $rehearsed), $rehearsed);
}

it('finds what is worse', function (array $planted, string $says) {
    $sound = outlook(Builds::planted(['scenarios' => []]));
    $worse = outlook(Builds::planted($planted + ['scenarios' => []]))->worse($sound);

    expect($worse?->says->text())->toContain($says);
})->with([
    'a finding that was not there' => [['supplies.0.max_A' => 2.0], 'Every start draws 2.1 A'],
    'a routine that is empty' => [['routines.1.steps' => []], 'Show has nothing left to do'],
    'steps that a guard lets nobody do' => [['routines.1.steps' => [
        ['do' => 'choose', 'if' => ['test' => 'counter', 'counter' => 'never', 'is' => 'at_least', 'value' => 3],
            'then' => Builds::sound()->document['routines'][1]['steps'],
            'otherwise' => [['do' => 'signal', 'output' => 'lamp', 'state' => 'on', 'for_s' => 1]]],
    ], 'counters' => [['id' => 'never', 'name' => 'Never', 'start' => 0]]], 'Nothing ever gets to'],
    'steps that are done no more as they were' => [['routines.1.steps' => [
        ['do' => 'choose', 'if' => ['sensor' => 'beam'], 'then' => array_slice(Builds::sound()->document['routines'][1]['steps'], 3, 3),
            'otherwise' => [['do' => 'signal', 'output' => 'lamp', 'state' => 'on', 'for_s' => 1]]],
    ]], 'Steps of Show are not reached'],
    'a routine that waits on and on' => [['routines.1.steps.8' => ['do' => 'wait', 'for_s' => 500], 'routines.1.target_s' => null],
        'Show does not come to its end'],
    'a motion that is left elsewhere' => [['routines.1.steps.7' => ['do' => 'wait', 'for_s' => 0.1]], 'Show leaves Lid somewhere else'],
]);

it('finds nothing worse in what is the same, or better', function () {
    $sound = outlook(Builds::planted(['scenarios' => []]));
    $tight = outlook(Builds::planted(['scenarios' => [], 'supplies.0.max_A' => 2.2])); // of 2.1 A
    $fails = outlook(Builds::planted(['scenarios' => [], 'supplies.0.max_A' => 2.0]));

    expect($sound->worse($sound))->toBeNull()->and($sound->worse($fails))->toBeNull()->and($tight->worse($fails))->toBeNull()
        ->and($tight->worse($sound)?->finding?->code)->toBe('drive.supply_current')
        ->and($fails->worse($tight)?->finding?->code)->toBe('drive.supply_current');
});

it('lets steps be put in and taken out', function () {
    $steps = Builds::sound()->document['routines'][1]['steps'];
    $sound = outlook(Builds::planted(['scenarios' => []]));

    expect(outlook(Builds::planted(['scenarios' => [], 'routines.1.steps' => [['do' => 'wait', 'for_s' => 0.1], ...$steps]]))->worse($sound))->toBeNull()
        ->and(outlook(Builds::planted(['scenarios' => [],
            'routines.1.steps' => array_values(array_diff_key($steps, [4 => true]))]))->worse($sound))->toBeNull();
});
