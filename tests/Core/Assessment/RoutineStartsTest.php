<?php

declare(strict_types=1);

use Brookstone\Core\Finding\Change;
use Tests\Support\Builds;
use Tests\Support\Said;

/**
 * @param  list<array<string, mixed>>  $starts
 * @param  list<array<string, mixed>>  $steps
 * @return array<string, mixed>
 */
function aRoutine(string $id, array $starts, array $steps = [['do' => 'wait', 'for_s' => 1]]): array
{
    return ['id' => $id, 'name' => ucfirst($id), 'starts' => $starts, 'steps' => $steps];
}

/** @return list<array<string, mixed>> */
function onPress(string $how): array
{
    return [['when' => 'press', 'sensor' => 'button', 'how' => $how]];
}

/** @return array<string, mixed> to plant: two that open the lid for 70 s, each at a time of the day */
function twoByClock(string $show, string $peep): array
{
    $steps = [['do' => 'go', 'motion' => 'lid', 'place' => 'open', 'give_up_s' => 4], ['do' => 'wait', 'for_s' => 70], ['do' => 'go', 'motion' => 'lid', 'place' => 'shut', 'give_up_s' => 4]];

    return ['routines.1' => aRoutine('show', [['when' => 'time_of_day', 'at' => $show]], $steps), 'routines.2' => aRoutine('peep', [['when' => 'time_of_day', 'at' => $peep]], $steps),
        'scenarios' => [], 'log' => []];
}

/** @return array<string, mixed> to plant: a show that a count of three starts */
function countedShow(array ...$sets): array
{
    return ['counters' => [['id' => 'n', 'name' => 'Visitors']], 'routines.1.steps' => array_map(fn (array $set): array => $set + ['do' => 'set', 'counter' => 'n'], $sets) ?: [['do' => 'wait', 'for_s' => 1]],
        'routines.1.starts' => [['when' => 'count', 'counter' => 'n', 'value' => 3]], 'scenarios' => [], 'log' => []];
}

/** @return array<string, mixed> to plant: a show that starts below a reading */
function belowReading(float $value, float $hysteresis): array
{
    return ['sensors.2' => ['id' => 'dusk', 'name' => 'Dusk', 'kind' => 'light', 'rest' => 80], 'routines.1.starts' => [['when' => 'level', 'sensor' => 'dusk', 'is' => 'below', 'value' => $value,
        'hysteresis' => $hysteresis]]];
}

const IDLE = 'tight routine.never_starts at routines.2.starts: Nothing starts Idle: give it a trigger.';
const PEEP_COLLIDES = 'fails routine.starts_collide at routines.2.starts.0: Peep starts while Show still moves the same things: one of them does not run that day.';
const SHOW_COLLIDES = 'fails routine.starts_collide at routines.1.starts.0: Show starts while Peep still moves the same things: one of them does not run that day.';

it('says of what starts a routine what is so, and nothing on the other side', function (string $codes, array $planted, array $says) {
    expect($codes === 'routine.too_often' ? Said::whole($codes, $planted) : Said::atOnce($codes, $planted))->toBe($says); // how long each takes is rehearsed
})->with([
    'nothing starts it' => ['routine.never_starts', ['routines.2' => aRoutine('idle', [])], [IDLE]],
    'and it does nothing' => ['routine.never_starts', ['routines.2' => aRoutine('idle', [], [])], []],
    'another calls it' => ['routine.never_starts', ['routines.2' => aRoutine('idle', []), 'routines.1.steps.9' => ['do' => 'call', 'routine' => 'idle']], []],
    // the show takes 8.62 s
    'as often as it takes' => ['routine.too_often', ['routines.1.starts' => [['when' => 'every', 'every_s' => 8.6]]], [
        'fails routine.too_often at routines.1.starts.0.every_s: Show takes 8.62 s and is to start every 8.6 s: it is still running when it should start again.',
    ]],
    'not so often' => ['routine.too_often', ['routines.1.starts' => [['when' => 'every', 'every_s' => 8.7]]], []],
    // each takes 71.8 s
    'at the same time' => ['routine.starts_collide', twoByClock('10:00', '10:00'), [PEEP_COLLIDES]],
    'a minute later' => ['routine.starts_collide', twoByClock('10:00', '10:01'), [PEEP_COLLIDES]],
    'two minutes later' => ['routine.starts_collide', twoByClock('10:00', '10:02'), []],
    'a minute earlier' => ['routine.starts_collide', twoByClock('10:01', '10:00'), [SHOW_COLLIDES]],
    'two minutes earlier' => ['routine.starts_collide', twoByClock('10:02', '10:00'), []],
    'over midnight' => ['routine.starts_collide', twoByClock('23:59', '00:00'), [PEEP_COLLIDES]],
    'long after midnight' => ['routine.starts_collide', twoByClock('23:59', '00:01'), []],
    'any press beside a short one' => ['routine.press', ['routines.1.starts' => onPress('any'), 'routines.2' => aRoutine('two', onPress('short'))], [
        'fails routine.press_unclear at routines.1.starts: Every press of Button starts Show, the short, long and double ones too: one press is read in two ways.',
    ]],
    'a short and a double one' => ['routine.press', ['routines.1.starts' => onPress('short'), 'routines.2' => aRoutine('two', onPress('double'))], []],
    'a long one no longer than a double one' => ['routine.press', ['sensors.0.long_s' => 0.4, 'sensors.0.double_s' => 0.4, 'routines.1.starts' => onPress('long'), 'routines.2' => aRoutine('two', onPress('double'))], [
        'tight routine.press_unclear at sensors.0.long_s: A long press of Button counts from 0.4 s on and a double one within 0.4 s: a slow second press is both.',
    ]],
    'a longer one' => ['routine.press', ['sensors.0.long_s' => 0.41, 'sensors.0.double_s' => 0.4, 'routines.1.starts' => onPress('long'), 'routines.2' => aRoutine('two', onPress('double'))], []],
    'a count that nothing counts' => ['routine.trigger_dead|routine.counter', countedShow(), ['fails routine.trigger_dead at routines.1.starts.0: Nothing ever changes Visitors: Show never starts by it.']],
    'a count that only grows' => ['routine.trigger_dead|routine.counter', countedShow(['add' => 1]), [
        'tight routine.counter_grows at routines.1.starts.0: Nothing ever sets Visitors back: once Show has started by it, it never does again.',
    ]],
    'one that is set back' => ['routine.trigger_dead|routine.counter', countedShow(['add' => 1], ['to' => 0]), []],
    'one that is counted back' => ['routine.trigger_dead|routine.counter', countedShow(['add' => 1], ['add' => -1]), []],
    'a reading that flickers' => ['routine.no_hysteresis', belowReading(40, 0), [
        'tight routine.no_hysteresis at routines.1.starts.0.hysteresis: Dusk starts Show at one value without hysteresis: near that value it starts it over and over.',
    ]],
    'a reading that must come back' => ['routine.no_hysteresis', belowReading(40, 0.1), []],
]);

it('offers what mends it', function (string $code, array $planted, array $offers) {
    $build = Builds::planted($planted);
    $found = Builds::found($build, $code)[0];

    expect(array_map(fn ($fix): array => [$fix->does->text(), ...array_map(fn (Change $each): mixed => $each->value, $fix->changes)], $found->fixes))->toEqual($offers)
        ->and(Builds::found(Builds::mended($build, $found->fixes[0]), $code))->toBe([]);
})->with([
    'the first thing that people do and that starts nothing yet' => ['routine.never_starts', ['routines.2' => aRoutine('idle', [])], [
        ['Start it when Beam is broken', [['when' => 'beam', 'sensor' => 'beam']]], ['Start it when the power comes on', [['when' => 'power_on']]],
    ]],
    'or the power' => ['routine.never_starts', ['routines.2' => aRoutine('idle', []), 'routines.3' => aRoutine('peep', [['when' => 'beam', 'sensor' => 'beam']])], [
        ['Start it when the power comes on', [['when' => 'power_on']]],
    ]],
    'a fifth more time' => ['routine.too_often', ['routines.1.starts' => [['when' => 'every', 'every_s' => 5]]], [['Start it every 11 s', 11.0]]],
    'the first minute that is free' => ['routine.starts_collide', twoByClock('10:00', '10:01'), [['Start it at 10:03', '10:03']]],
    'after midnight' => ['routine.starts_collide', twoByClock('23:59', '23:59'), [['Start it at 00:02', '00:02']]],
    'twice as long' => ['routine.press_unclear', ['sensors.0.long_s' => 0.3, 'sensors.0.double_s' => 0.4, 'routines.1.starts' => onPress('long'), 'routines.2' => aRoutine('two', onPress('double'))], [
        ['Let a long press count from 0.8 s on', 0.8],
    ]],
    'a tenth of it' => ['routine.no_hysteresis', belowReading(40, 0), [['Let it come back by 4 first', 4.0]]],
    'some, whatever it is' => ['routine.no_hysteresis', belowReading(0.02, 0), [['Let it come back by 0.01 first', 0.01]]],
    'whichever sign it has' => ['routine.no_hysteresis', belowReading(-30, 0), [['Let it come back by 3 first', 3.0]]],
]);
