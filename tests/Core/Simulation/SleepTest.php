<?php

declare(strict_types=1);

use Brookstone\Core\Allotment\Needs;
use Brookstone\Core\Build\Build;
use Brookstone\Core\Error\InvalidInput;
use Brookstone\Core\Routine\Scenario;
use Brookstone\Core\Routine\WorldEvent;
use Brookstone\Core\Simulation\RoutineRun;
use Brookstone\Core\Wiring\Ability;
use Tests\Support\Builds;

const BEAM = ['test' => 'input', 'sensor' => 'beam', 'is' => 'on'];

/** A lid that opens, sleeps, and shuts once it is woken. @param  list<array<string, mixed>>  $steps  @param  array<string, mixed>  $changes */
function sleepy(array $steps, array $changes = []): Build
{
    $document = Builds::planted(Builds::wired())->document;
    $document['routines'] = [
        ['id' => 'nap', 'name' => 'Nap', 'starts' => [['when' => 'power_on']], 'steps' => $steps],
        ['id' => 'wave', 'name' => 'Wave', 'starts' => [['when' => 'press', 'sensor' => 'button']], 'steps' => [['do' => 'go', 'motion' => 'jaw', 'place' => 'wide', 'give_up_s' => 2]]],
    ];
    foreach ($changes as $path => $value) {
        data_set($document, $path, $value);
    }

    return Build::read($document);
}

/**
 * @param  list<array<string, mixed>>  $steps
 * @param  list<WorldEvent>  $events
 * @return array<string, mixed>
 */
function napped(array $steps, array $events): array
{
    $build = sleepy($steps);

    return RoutineRun::of($build, $build->routines['nap'], new Scenario('s', 'S', 12.0, [], $events));
}

/** @return array<string, float> when each thing that is told of the routines and the power was */
function toldIn(array $run): array
{
    $told = [];
    foreach ($run['events'] as $event) {
        $told += [$event['says']->text() => $event['at_s']];
    }

    return $told;
}

it('stands still until it is woken, and then goes on', function () {
    $run = napped([['do' => 'wait', 'for_s' => 1], ['do' => 'sleep', 'until' => BEAM], ['do' => 'wait', 'for_s' => 0.5]], [new WorldEvent(5.0, 'sensor', 'beam', true)]);
    $told = toldIn($run);

    expect($run['outcome'])->toBe('finished')->and($told['The controller sleeps.'])->toBeAbout(1.0, 0.01)->and($told['The controller wakes.'])->toBeAbout(5.0, 0.01)
        ->and($run['end_s'])->toBeAbout(5.5, 0.01);
});

it('starts nothing while it sleeps, and again when it is awake', function () {
    $press = fn (float $at): array => [new WorldEvent($at, 'sensor', 'button', true), new WorldEvent($at + 0.2, 'sensor', 'button', false)];
    $run = napped([['do' => 'sleep', 'until' => BEAM], ['do' => 'wait', 'for_s' => 4]], [...$press(2.0), new WorldEvent(4.0, 'sensor', 'beam', true), ...$press(6.0)]);

    expect(toldIn($run)['Wave starts.'])->toBeAbout(6.0, 0.02);
});

it('lets what runs beside it stand still too', function () {
    $wave = fn (array $steps): array => ['routines.1.starts' => [['when' => 'power_on']], 'routines.1.steps' => $steps];
    $build = sleepy([['do' => 'wait', 'for_s' => 1], ['do' => 'sleep', 'until' => BEAM]], $wave([['do' => 'wait', 'for_s' => 2], ['do' => 'go', 'motion' => 'jaw', 'place' => 'wide', 'give_up_s' => 2]]));
    $run = RoutineRun::of($build, $build->routines['nap'], new Scenario('s', 'S', 12.0, [], [new WorldEvent(5.0, 'sensor', 'beam', true)]));
    $went = array_values(array_filter($run['steps'], fn (array $step): bool => $step['motion'] === 'jaw'))[0];

    expect($went['start_s'])->toBeAbout(5.0, 0.02);
});

it('takes what its boards take asleep', function () {
    $build = sleepy([['do' => 'wait', 'for_s' => 1], ['do' => 'sleep', 'until' => BEAM], ['do' => 'wait', 'for_s' => 1]]);
    $run = RoutineRun::of($build, $build->routines['nap'], new Scenario('s', 'S', 8.0, [], [new WorldEvent(4.0, 'sensor', 'beam', true)]));
    $controller = $build->wiring->controller();
    $lane = array_column($run['supplies'], 'current_A', 'supply')[$controller->supply];
    $at = fn (float $s): float => $lane[(int) round($s / $run['sample_s'])];

    expect($at(0.5) - $at(2.5))->toBeAbout($controller->board->awake_A - $controller->board->asleep_A, 1e-4)->and($at(4.5))->toBeAbout($at(0.5), 1e-6)
        ->and($controller->board->awake_A)->toBeGreaterThan($controller->board->asleep_A);
    $others = array_diff_key(array_column($run['supplies'], 'current_A', 'supply'), [$controller->supply => true]);
    expect($others)->not->toBe([]);
    foreach ($others as $amps) {
        expect($amps[(int) round(2.5 / $run['sample_s'])])->toBe($amps[(int) round(0.5 / $run['sample_s'])]); // nothing of it sleeps
    }
});

it('is told where a motor is left on', function () {
    $run = napped([['do' => 'run', 'motion' => 'lift', 'direction' => 'up', 'for_s' => 0.3], ['do' => 'sleep', 'until' => BEAM], ['do' => 'stop', 'motion' => 'lift']],
        [new WorldEvent(1.0, 'sensor', 'beam', true)]);

    expect($run['mishaps'][0]['says']->text())->toBe('Lift is still powered while the controller sleeps: nothing stops it.')
        ->and(napped([['do' => 'sleep', 'until' => BEAM]], [new WorldEvent(1.0, 'sensor', 'beam', true)])['mishaps'])->toBe([]);
});

it('forgets that it slept when the power goes', function () {
    $run = napped([['do' => 'sleep', 'until' => BEAM]], [new WorldEvent(2.0, 'power', null, false), new WorldEvent(3.0, 'power', null, true), new WorldEvent(6.0, 'sensor', 'beam', true)]);

    expect(array_filter($run['events'], fn (array $event): bool => $event['says']->text() === 'The controller sleeps.'))->toHaveCount(2)
        ->and($run['outcome'])->not->toBe('still_running');
});

it('wants a pin that wakes for what ends its sleep, and for nothing else', function () {
    $needs = fn (array $steps): array => Needs::of(sleepy($steps))->signals;

    expect($needs([['do' => 'sleep', 'until' => BEAM]])['sensors.beam']->needs)->toContain(Ability::Wake)
        ->and($needs([['do' => 'sleep', 'until' => BEAM]])['sensors.button']->needs)->not->toContain(Ability::Wake)
        ->and($needs([['do' => 'wait', 'until' => BEAM, 'give_up_s' => 5]])['sensors.beam']->needs)->not->toContain(Ability::Wake);
});

it('is woken by any of several, and says so', function () {
    $any = ['test' => 'any', 'of' => [BEAM, ['test' => 'input', 'sensor' => 'button', 'is' => 'on']]];
    $run = napped([['do' => 'sleep', 'until' => $any]], [new WorldEvent(3.0, 'sensor', 'button', true)]);
    $build = sleepy([['do' => 'sleep', 'until' => $any]]);

    expect(toldIn($run)['The controller wakes.'])->toBeAbout(3.0, 0.02)
        ->and($build->routines['nap']->steps[0]->says($build)->text())->toBe('Sleep until Beam is broken or Button is pressed.')
        ->and(Builds::assessed($build)->routines[0]['rehearsals'])->not->toBe([]);
});

it('is woken by nothing that a controller has to be awake for', function (array $until) {
    expect(fn () => sleepy([['do' => 'sleep', 'until' => $until]]))->toThrow(InvalidInput::class, 'routines.0.steps.0.until');
})->with([
    [['test' => 'clock', 'from' => '08:00', 'to' => '09:00']], [['test' => 'input', 'sensor' => 'beam', 'is' => 'on', 'for_s' => 2]],
    [['test' => 'all', 'of' => [['test' => 'input', 'sensor' => 'beam', 'is' => 'on']]]], [['test' => 'input', 'sensor' => 'gone', 'is' => 'on']],
]);
