<?php

declare(strict_types=1);

use Brookstone\Core\Build\Build;
use Brookstone\Core\Error\InvalidInput;
use Brookstone\Core\Finding\Severity;
use Brookstone\Core\Routine\Scenario;
use Brookstone\Core\Routine\WorldEvent;
use Brookstone\Core\Simulation\RoutineRun;
use Tests\Support\Builds;

/** @param  array<string, mixed>  $changes */
function bell(array $changes = []): Build
{
    $document = Builds::example('bell-hammer')->document;
    foreach ($changes as $path => $value) {
        data_set($document, $path, $value);
    }

    return Build::read($document);
}

/**
 * @param  array<string, mixed>  $changes
 * @param  list<WorldEvent>  $events
 * @return array<string, mixed>
 */
function rung(array $changes = [], array $events = []): array
{
    $build = bell($changes);

    return RoutineRun::of($build, $build->routines['strike'], new Scenario('s', 'S', 30.0, [], [new WorldEvent(4.0, 'sensor', 'bell-push', true), ...$events]));
}

/** @return list<string> what is told of the latch */
function toldOfLatch(array $run): array
{
    return array_values(array_map(fn (array $event): string => $event['says']->text(), array_filter($run['events'], fn (array $event): bool => $event['kind'] === 'latch')));
}

it('is caught when it is wound, stays while its motor goes back, and strikes when it is let go', function () {
    $run = rung();
    $lane = $run['motions'][0]['position'];
    $at = fn (float $s): float => $lane[(int) round($s / $run['sample_s'])];

    expect($run['outcome'])->toBe('finished')->and($run['mishaps'])->toBe([])
        ->and(toldOfLatch($run))->sequence('Bell hammer is caught by its latch.', 'The latch of Bell hammer lets it go.', fn ($said) => $said->toStartWith('Bell hammer strikes at 3'),
            'Bell hammer is caught by its latch.')
        ->and($at(3.5))->toBe(0.03) // its motor is back by then
        ->and(array_column($run['ends'], 'at', 'motion')['part'])->toBeLessThan(0.0) // where the motor stands, as its switches tell
        ->and($at(4.3))->toBeLessThan(0.0); // struck, on its stop
});

it('strikes with the energy of its spring, less what that loses', function () {
    $strikes = array_values(array_filter(rung(['motions.0.stops.hard_low' => -0.0001])['events'], fn (array $event): bool => str_contains($event['says']->text(), 'strikes')));

    // 1 N · 30 mm and ½ · 250 N/m · (30 mm)²: 0.1425 J, of which 0.7 come back
    expect($strikes[0]['says']->values['energy']->si)->toBeAbout(0.7 * 0.1425, 0.02)
        ->and($strikes[0]['says']->values['speed']->si)->toBeAbout(sqrt(2 * 0.7 * 0.1425 / 0.02), 0.01);
});

it('is let go by an output as well, and only while that is on', function () {
    $changes = ['outputs' => [['id' => 'catch', 'name' => 'Catch', 'kind' => 'valve', 'supply' => 'six']], 'motions.0.latch' => ['place' => 'end', 'output' => 'catch'],
        'routines.1.steps' => [['do' => 'signal', 'output' => 'catch', 'state' => 'on', 'for_s' => 0.1], ['do' => 'wait', 'for_s' => 0.5]]];

    expect(toldOfLatch(rung($changes)))->toHaveCount(3)
        ->and(toldOfLatch(rung(array_replace($changes, ['routines.1.steps' => [['do' => 'wait', 'for_s' => 0.5]]]))))->toBe(['Bell hammer is caught by its latch.']);
});

it('is let go by a step of its own, by what its latch says', function () {
    $by = rung(['routines.1.steps' => [['do' => 'release', 'motion' => 'part', 'by' => 'trigger', 'give_up_s' => 2], ['do' => 'wait', 'for_s' => 0.5]]]);
    $coil = ['outputs' => [['id' => 'catch', 'name' => 'Catch', 'kind' => 'valve', 'supply' => 'six']], 'motions.0.latch' => ['place' => 'end', 'output' => 'catch'],
        'routines.1.steps' => [['do' => 'release', 'motion' => 'part', 'for_s' => 0.1], ['do' => 'wait', 'for_s' => 0.5]]];
    $step = bell($coil)->routines['strike']->steps[0];
    $first = array_values(array_filter($by['steps'], fn (array $step): bool => $step['routine'] === 'strike'))[0];

    expect(toldOfLatch($by))->toHaveCount(3)->and($by['outcome'])->toBe('finished')
        ->and($first['says']->text())->toBe('Let Bell hammer go: take Trigger to Pulled; give up after 2 s.')
        ->and($first['motion'])->toBe('trigger')
        ->and(array_column($by['ends'], 'at', 'motion')['trigger'])->toBeAbout(bell()->motions['trigger']->at('pulled'), 0.02)
        ->and(toldOfLatch(rung($coil)))->toHaveCount(3)
        ->and($step->says(bell($coil))->text())->toBe('Let Bell hammer go: switch Catch on for 0.1 s.')
        ->and($step->effect(bell($coil))->output?->for_s)->toBe(0.1)->and($step->motion())->toBeNull();
});

it('refuses to release what no latch holds, or by what does not let it go', function (array $step, string $field, string $says) {
    try {
        bell(['routines.1.steps' => [$step]]);
        $errors = [];
    } catch (InvalidInput $refused) {
        $errors = $refused->errors;
    }

    expect(array_column($errors, 'message', 'field'))->toBe(["routines.1.steps.0.{$field}" => $says]);
})->with([
    [['do' => 'release', 'motion' => 'trigger'], 'motion', 'There is no motion trigger that a latch holds.'],
    [['do' => 'release', 'motion' => 'part'], 'motion', 'Its latch is let go by something else than that.'],
    [['do' => 'release', 'motion' => 'part', 'by' => 'part'], 'motion', 'Its latch is let go by something else than that.'],
    [['do' => 'release', 'motion' => 'part', 'by' => 'trigger', 'for_s' => 0], 'for_s', 'Must be a number from 0.01 s to 60 s, but is 0.'],
]);

it('is told where its drive still holds it', function () {
    $run = rung(['routines.0.steps.3' => ['do' => 'wait', 'for_s' => 0.1]]); // it does not go back

    expect(array_column($run['mishaps'], 'kind'))->toContain('kept')
        ->and($run['mishaps'][0]['says']->text())->toBe('The latch of Bell hammer lets it go, and its drive still holds it.')
        ->and(toldOfLatch($run))->not->toContain('The latch of Bell hammer lets it go.');
});

it('does not catch while it is held open', function () {
    expect(toldOfLatch(rung(['routines.0.steps.0' => ['do' => 'go', 'motion' => 'trigger', 'place' => 'pulled', 'give_up_s' => 2]])))
        ->toBe(['Bell hammer is caught by its latch.']); // only when it has been set again, and the motor winds once more
});

it('tells a sensor on what it moves where that is, and its switches where its drive is', function () {
    $changes = ['sensors.1' => ['id' => 'eye', 'name' => 'Eye', 'kind' => 'magnet', 'motion' => 'part', 'at' => 0.03, 'reach' => 0.002]];
    $inputs = array_column(rung($changes)['inputs'], 'changes', 'id');
    $struck = array_values(array_filter($inputs['eye'], fn (array $change): bool => $change['at_s'] > 0.0));

    expect($struck[0]['on'])->toBeTrue()->and($struck[1])->toMatchArray(['on' => false])->and($struck[1]['at_s'])->toBeGreaterThan(4.0)->toBeLessThan(4.2)
        ->and(array_filter($inputs['struck'], fn (array $change): bool => $change['on'] && $change['at_s'] > 1.0 && $change['at_s'] < 3.0))->toHaveCount(1);
});

it('need not be held by its gears where its latch holds it', function () {
    $codes = fn (array $changes): array => Builds::assessed(bell(['motions.0.drive.motor' => Builds::motor('G16-30'), 'motions.0.train' => [], 'motions.0.mechanism.preload_N' => 0.0,
        'motions.0.task.holds_unpowered' => true, 'routines.1.steps.0' => ['do' => 'wait', 'for_s' => 0.1]] + $changes))->codes();

    expect($codes([]))->not->toContain('drive.lets_go')->and($codes(['motions.0.latch' => null]))->toContain('drive.lets_go');
});

it('says whether what lets it go pulls enough', function (float $friction, ?Severity $severity, string $says) {
    // wound it pulls 1 N + 250 N/m · 30 mm = 8.5 N; the servo has 0.22 N·m at 15 mm: 14.7 N
    $found = Builds::found(bell(['motions.0.latch.friction_coefficient' => $friction]), 'drive.latch_stiff');

    expect($found[0]->severity ?? null)->toBe($severity)->and(isset($found[0]) ? $found[0]->says->text() : '')->toContain($says);
})->with([
    [1.14, null, ''],
    [1.16, Severity::Tight, 'To let Bell hammer go it has to pull the latch with 9.86 N, and it pulls with 14.7 N: 1.49 × is less than the 1.5 × asked for.'],
    [1.72, Severity::Tight, '14.7 N'],
    [1.73, Severity::Fails, 'with 14.71 N, and stalled it pulls with 14.67 N'],
]);

it('says in its rehearsals that it is let go in vain', function () {
    $found = Builds::found(bell(['routines.0.steps.3' => ['do' => 'wait', 'for_s' => 0.1]]), 'routine.latch_in_vain');

    expect($found)->not->toBeEmpty()->and($found[0]->severity)->toBe(Severity::Fails);
});

it('refuses a latch that nothing lets go, or that is nowhere', function (mixed $latch, string $field) {
    try {
        bell(['motions.0.latch' => $latch]);
        $at = [];
    } catch (InvalidInput $wrong) {
        $at = array_column($wrong->errors, 'field');
    }

    expect($at)->toContain($field);
})->with([
    [['place' => 'end'], 'motions.0.latch.motion'],
    [['place' => 'nowhere', 'motion' => 'trigger', 'lets_go' => 'pulled'], 'motions.0.latch.place'],
    [['place' => 'end', 'motion' => 'part', 'lets_go' => 'end'], 'motions.0.latch.motion'],
    [['place' => 'end', 'motion' => 'gone', 'lets_go' => 'end'], 'motions.0.latch.motion'],
    [['place' => 'end', 'motion' => 'trigger', 'lets_go' => 'end'], 'motions.0.latch.lets_go'],
    [['place' => 'end', 'output' => 'gone'], 'motions.0.latch.output'],
    [['place' => 'end', 'motion' => 'trigger', 'lets_go' => 'pulled', 'output' => 'gone'], 'motions.0.latch.output'],
    [['place' => 'end', 'motion' => 'trigger', 'lets_go' => 'pulled', 'friction_coefficient' => 3], 'motions.0.latch.friction_coefficient'],
]);
