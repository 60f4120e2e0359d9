<?php

declare(strict_types=1);

use Brookstone\Core\Allotment\Needs;
use Brookstone\Core\Bench\Trials;
use Brookstone\Core\Build\Build;
use Brookstone\Core\Program\Composer;
use Brookstone\Core\Program\Language;
use Brookstone\Core\Routine\Scenario;
use Brookstone\Core\Routine\WorldEvent;
use Brookstone\Core\Simulation\RoutineRun;
use Brookstone\Core\Wiring\Ability;
use Tests\Support\Builds;
use Tests\Support\Programs;

/** A show that a message from outside starts, and that ends when it says off. @param  array<string, mixed>  $message */
function messaged(array $message = []): Build
{
    $document = Builds::sound()->document;
    $document['sensors'][] = $message + ['id' => 'cue', 'name' => 'Cue', 'kind' => 'message', 'silent_s' => 0.5];
    $document['routines'] = [['id' => 'play', 'name' => 'Play', 'starts' => [['when' => 'input', 'sensor' => 'cue', 'is' => 'on']], 'steps' => [
        ['do' => 'wait', 'until' => ['sensor' => 'cue', 'is' => 'off'], 'give_up_s' => 20]]]];

    return Build::read($document);
}

/** @param  list<array{float, bool}>  $said */
function messagedRun(Build $build, array $said): array
{
    return RoutineRun::of($build, $build->routines['play'], new Scenario('s', 'S', 30.0, [], array_map(fn (array $each): WorldEvent => new WorldEvent($each[0], 'sensor', 'cue', $each[1]), $said)));
}

it('starts a routine from outside, and falls silent after its time', function () {
    $once = messagedRun(messaged(), [[2.0, true]]);
    $again = messagedRun(messaged(), [[2.0, true], [2.3, true], [2.7, true]]);
    $off = messagedRun(messaged(), [[2.0, true], [2.2, false]]);
    $never = messagedRun(messaged(['silent_s' => null]), [[2.0, true]]);

    expect($once['start_s'])->toBe(2.0)->and($once['took_s'])->toBe(0.5)->and($again['took_s'])->toBeAbout(1.2, 1e-9)->and($off['took_s'])->toBeAbout(0.2, 1e-9)
        ->and($never['outcome'])->toBe('faulted');
});

it('can be taken to say on while it is silent', function () {
    $run = messagedRun(messaged(['silent_is' => 'on']), [[0.2, false], [0.6, false]]);

    expect($run['start_s'])->toBeAbout(1.1, 1e-9); // half a second after the last
});

it('needs what it comes over', function (string $over, array $needs) {
    $signal = Needs::of(messaged(['over' => $over]))->signals['sensors.cue'] ?? null;

    expect($signal === null ? [] : $signal->needs)->toBe($needs);
})->with([['contact', [Ability::In, Ability::Pull]], ['serial', [Ability::Receive]], ['radio', [Ability::Receive]], ['infrared', [Ability::In, Ability::Interrupt]],
    ['network', []]]);

it('is the same in a program', function () {
    $of = Composer::of(messaged());

    expect(Programs::differs($of, Programs::bench()->start($of, Language::C), Trials::byChance($of->build, 20)))->toBeNull();
});

it('falls silent at its time though nothing else happens meanwhile', function (float $silent_s) {
    $build = messaged(['silent_s' => $silent_s]);
    $scenario = new Scenario('s', 'S', 30.0, [], [new WorldEvent(2.0, 'sensor', 'cue', true)]);

    expect(RoutineRun::of($build, $build->routines['play'], $scenario, lean: true)['took_s'])->toBeAbout($silent_s, 0.011);
})->with([0.5, 3.3]);
