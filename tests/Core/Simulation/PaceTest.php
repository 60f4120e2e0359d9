<?php

declare(strict_types=1);

use Brookstone\Core\Build\Build;
use Brookstone\Core\Error\InvalidInput;
use Brookstone\Core\Routine\Scenario;
use Brookstone\Core\Routine\WorldEvent;
use Brookstone\Core\Simulation\RoutineRun;
use Tests\Support\Builds;

/**
 * One step over a build with a knob.
 *
 * @param  array<string, mixed>  $step
 * @param  list<WorldEvent>  $events
 * @return array<string, mixed>
 */
function withKnob(array $step, array $events, float $until_s = 30.0): array
{
    $build = knobbed([$step]);
    $events = [new WorldEvent(0.5, 'sensor', 'button', true), ...$events];
    usort($events, fn (WorldEvent $one, WorldEvent $other): int => $one->at_s <=> $other->at_s);

    return RoutineRun::of($build, $build->routines['play'], new Scenario('s', 'S', $until_s, [], $events));
}

/** @param  list<array<string, mixed>>  $steps */
function knobbed(array $steps): Build
{
    $document = Builds::sound()->document;
    $document['sensors'][] = ['id' => 'knob', 'name' => 'Knob', 'kind' => 'knob', 'rest' => 50, 'upper' => 50];
    $document['sensors'][] = ['id' => 'teach', 'name' => 'Teach', 'kind' => 'press'];
    $document['routines'] = [['id' => 'play', 'name' => 'Play', 'starts' => [['when' => 'press', 'sensor' => 'button']], 'steps' => $steps]];

    return Build::read($document);
}

function turned(float $at_s, float $to): WorldEvent
{
    return new WorldEvent($at_s, 'level', 'knob', value: $to);
}

const PACE = ['do' => 'pace', 'motion' => 'jaw', 'place' => 'wide', 'sensor' => 'knob', 'slowest' => 0.1, 'speed' => 1.0, 'give_up_s' => 20];

it('goes as fast as the knob says, slower the lower it is', function () {
    $took = array_map(fn (float $at): float => withKnob(PACE, [turned(0.1, $at)])['took_s'], [0.0, 25.0, 100.0]);

    expect($took[0])->toBeGreaterThan(2.2 * $took[1])->and($took[1])->toBeGreaterThan(1.5 * $took[2]);
});

it('is slowed and hurried on the way', function () {
    $slow = withKnob(PACE, [turned(0.1, 0.0)])['took_s'];
    $hurried = withKnob(PACE, [turned(0.1, 0.0), turned(0.5 + $slow / 2, 100.0)]);

    expect($hurried['outcome'])->toBe('finished')->and($hurried['took_s'])->toBeGreaterThan($slow / 2)->toBeLessThan(0.8 * $slow);
});

it('gives up where the knob is lost, and where it takes too long', function () {
    $lost = withKnob(PACE, [turned(0.1, 20.0), turned(0.6, 1000.0)]);
    $late = withKnob(['give_up_s' => 0.2] + PACE, [turned(0.1, 0.0)]);

    expect($lost['outcome'])->toBe('faulted')->and($lost['fault'])->toContain('has lost what it follows')
        ->and($late['outcome'])->toBe('faulted')->and($late['fault'])->toContain('did not get to its place');
});

it('ends on the switch of the place where it has one', function () {
    $build = Builds::sound();
    $lift = array_values(array_filter($build->motions, fn ($motion): bool => $motion->stops->switches !== []))[0];
    $switch = $lift->stops->switches[0];
    $run = withKnob(['motion' => $lift->id, 'place' => $switch->place, 'give_up_s' => 60] + PACE, [turned(0.1, 40.0)], 80.0);

    expect($run['outcome'])->toBe('finished')->and(array_column($run['ends'], 'known', 'motion')[$lift->id])->toBe($switch->place);
});

it('refuses a knob that reads the same at both ends, and a slowest that is faster than the speed', function (array $change, string $field) {
    try {
        knobbed([$change + PACE]);
        $errors = [];
    } catch (InvalidInput $refused) {
        $errors = $refused->errors;
    }
    expect(array_column($errors, 'field'))->toBe(["routines.0.steps.0.{$field}"]);
})->with([[['low' => 5, 'high' => 5], 'high'], [['slowest' => 0.5, 'speed' => 0.4], 'slowest'], [['slowest' => 0.0], 'slowest'], [['sensor' => 'button'], 'sensor']]);

const TEACH = ['do' => 'calibrate', 'sensor' => 'knob', 'button' => 'teach', 'for_s' => 1.0, 'gap' => 20, 'give_up_s' => 8];

/** What the run said of the knob's being on, as times. */
function knobIs(array $run): array
{
    return array_map(fn (array $change): array => [round($change['at_s'], 3), $change['on']], array_column($run['inputs'], 'changes', 'id')['knob']);
}

it('sets a threshold between what it reads without the thing and with it', function () {
    $press = fn (float $at_s): array => [new WorldEvent($at_s, 'sensor', 'teach', true), new WorldEvent($at_s + 0.3, 'sensor', 'teach', false)];
    // 10 without and 30 with: on from 25 up, off from 15 down
    $run = withKnob(TEACH, [turned(0.1, 10.0), ...$press(1.0), turned(1.5, 30.0), ...$press(2.0), turned(3.0, 24.9), turned(4.0, 15.1), turned(5.0, 14.9), turned(6.0, 24.9), turned(7.0, 25.1)]);

    expect($run['outcome'])->toBe('finished')
        ->and(knobIs($run))->toBe([[0.0, true], [0.1, false], [2.055, true], [5.0, false], [7.0, true]]);
});

it('looks by itself for a time, and says so where the readings are too near', function () {
    $looks = ['button' => null] + TEACH;
    $good = withKnob($looks, [turned(0.1, 10.0), turned(1.0, 30.0)]);
    $near = withKnob($looks, [turned(0.1, 10.0), turned(1.0, 29.9)]);

    expect($good['outcome'])->toBe('finished')->and($good['took_s'])->toBeAbout(1.0, 0.01)
        ->and($near['outcome'])->toBe('faulted')->and($near['fault'])->toBe('Knob reads 10 and 29.9, which is too near');
});

it('gives up waiting for a press, and forgets the threshold with the power', function () {
    $waits = withKnob(['give_up_s' => 1.0] + TEACH, []);
    $looks = ['button' => null] + TEACH;
    $dark = withKnob($looks, [turned(0.1, 10.0), turned(1.0, 30.0), new WorldEvent(3.0, 'power', null, false), new WorldEvent(4.0, 'power', null, true), turned(5.0, 49.0), turned(6.0, 50.0)]);

    expect($waits['outcome'])->toBe('faulted')->and($waits['fault'])->toContain('timed out waiting for a press')
        ->and(array_slice(knobIs($dark), -1))->toBe([[6.0, true]]);
});

it('must not give up before the slowest that the knob can say has got there', function (float $slowest, float $give_up_s, bool $isShort) {
    $build = knobbed([['motion' => 'lift', 'place' => 'high', 'slowest' => $slowest, 'speed' => 1.0, 'give_up_s' => $give_up_s] + PACE]);
    $found = Builds::found($build, 'routine.give_up_short');

    expect($found === [])->toBe(! $isShort);
    if ($isShort) {
        expect($found[0]->says->text())->toStartWith('It gives up after 5 s, but Lift can take ')->and($found[0]->place)->toBe('routines.0.steps.0.give_up_s');
    }
})->with([[0.1, 5.0, true], [1.0, 20.0, false]]);
