<?php

declare(strict_types=1);

use Brookstone\Core\Routine\Effect;
use Brookstone\Core\Routine\Steps;
use Tests\Support\Builds;

/**
 * What a step says that it does to the sound build.
 *
 * @param  array<string, mixed>  $step  as documents have it
 * @param  array<string, mixed>  $changes
 */
function effectOf(array $step, array $changes = []): Effect
{
    $build = Builds::planted(['routines.1.steps' => [$step]] + $changes);

    return $build->routines['show']->steps[0]->effect($build);
}

/** @return array<string, mixed> what of a movement is not as usual */
function movement(Effect $effect): array
{
    $move = $effect->move;

    return $move === null ? [] : array_filter(['motion' => $move->motion, 'speed' => $move->speed === 1.0 ? null : $move->speed, 'endsAt' => $move->endsAt, 'onto' => $move->onto?->id, 'by' => $move->by, 'way' => $move->way,
        'seeks' => $move->seeks, 'staysOn' => $move->staysOn, 'isSent' => $move->isSent()], fn (mixed $each): bool => $each !== null && $each !== false);
}

it('says what it moves, how far and onto what', function (array $step, array $says) {
    $effect = effectOf($step);

    expect(movement($effect))->toBe($says)->and($effect->giveUp_s)->toBe($step['give_up_s'] ?? null)->and($effect->mayFail())->toBeTrue()->and($effect->rests)->toBeFalse();
})->with([
    'to a place with a switch' => [['do' => 'go', 'motion' => 'lift', 'place' => 'high', 'speed' => 0.5, 'give_up_s' => 6.0], ['motion' => 'lift', 'speed' => 0.5, 'endsAt' => 'high', 'onto' => 'lift-high', 'way' => 1, 'isSent' => true]],
    'a servo, which knows its place' => [['do' => 'go', 'motion' => 'jaw', 'place' => 'wide'], ['motion' => 'jaw', 'endsAt' => 'wide', 'isSent' => true]],
    'by an amount' => [['do' => 'go_by', 'motion' => 'lift', 'by' => -0.03], ['motion' => 'lift', 'by' => -0.03, 'way' => -1]],
    'home' => [['do' => 'home', 'motion' => 'lift', 'switch' => 'lift-low', 'speed' => 1], ['motion' => 'lift', 'endsAt' => 'low', 'onto' => 'lift-low', 'way' => -1, 'seeks' => true, 'isSent' => true]],
    'a run onto its switch' => [['do' => 'run', 'motion' => 'lift', 'direction' => 'up', 'until' => ['sensor' => 'lift-high', 'is' => 'on']],
        ['motion' => 'lift', 'endsAt' => 'high', 'onto' => 'lift-high', 'way' => 1, 'seeks' => true, 'staysOn' => true]],
    'a run off its switch' => [['do' => 'run', 'motion' => 'lift', 'direction' => 'up', 'until' => ['sensor' => 'lift-low', 'is' => 'off']], ['motion' => 'lift', 'way' => 1, 'staysOn' => true]],
    'a run for a time' => [['do' => 'run', 'motion' => 'lid', 'direction' => 'down', 'for_s' => 2], ['motion' => 'lid', 'way' => -1, 'staysOn' => true]],
]);

it('finds its place from anywhere where the drive itself ends there, or it comes round', function () {
    $round = ['motions.2.mechanism' => ['kind' => 'feeder', 'drum_radius_m' => 0.02, 'item_pitch_m' => 0.1], 'motions.2.task.keeps_turning' => true];

    expect(effectOf(['do' => 'go', 'motion' => 'lift', 'place' => 'high'], $round)->move?->seeks)->toBeTrue()->and(effectOf(['do' => 'go', 'motion' => 'lift', 'place' => 'high'])->move?->seeks)->toBeFalse();
});

it('says how long it takes by itself, what ends it and whether a routine stands at it', function (array $step, ?float $for_s, bool $until, bool $rests, bool $mayFail) {
    $effect = effectOf($step);

    expect($effect->for_s)->toBe($for_s)->and($effect->until !== null)->toBe($until)->and($effect->rests)->toBe($rests)->and($effect->mayFail())->toBe($mayFail);
})->with([
    [['do' => 'wait', 'for_s' => 2.5], 2.5, false, true, false], [['do' => 'wait', 'until' => ['sensor' => 'beam', 'is' => 'on']], null, true, true, false],
    [['do' => 'wait', 'until' => ['sensor' => 'beam', 'is' => 'on'], 'give_up_s' => 9], null, true, true, true],
    [['do' => 'change_over', 'motion' => 'lift', 'takes_s' => 0.7], 0.7, false, true, false], [['do' => 'power', 'motion' => 'lift', 'state' => 'off', 'settle_s' => 0.4], 0.4, false, false, false],
    [['do' => 'run', 'motion' => 'lid', 'direction' => 'down', 'for_s' => 2], 2.0, false, false, true], [['do' => 'signal', 'output' => 'lamp', 'for_s' => 1], null, false, false, false],
    [['do' => 'fault', 'message' => 'Oh'], null, false, false, true], [['do' => 'call', 'routine' => 'wake'], null, false, false, true],
]);

it('says what else it does', function () {
    $counted = ['counters' => [['id' => 'visitors', 'name' => 'Visitors']]];
    $set = effectOf(['do' => 'set', 'counter' => 'visitors', 'to' => 4], $counted)->counter;
    $add = effectOf(['do' => 'set', 'counter' => 'visitors', 'add' => -2], $counted)->counter;
    $lamp = effectOf(['do' => 'signal', 'output' => 'lamp', 'state' => 'off', 'for_s' => 3])->output;
    $off = effectOf(['do' => 'power', 'supply' => 'main', 'state' => 'off'])->power;
    $repeat = fn (?int $times): bool => effectOf(['do' => 'repeat', 'times' => $times, 'steps' => []])->goesRound;

    expect([$set?->counter, $set?->to, $set?->add])->toBe(['visitors', 4, 0])->and([$add?->to, $add?->add])->toBe([null, -2])
        ->and([$lamp?->output, $lamp?->on, $lamp?->for_s])->toBe(['lamp', false, 3.0])->and([$off?->motions, $off?->on])->toBe([['lid', 'lift'], false])
        ->and(effectOf(['do' => 'power', 'motion' => 'jaw'])->power?->motions)->toBe(['jaw'])->and(effectOf(['do' => 'power', 'motion' => 'jaw'])->power?->on)->toBeTrue()
        ->and([$repeat(null), $repeat(3)])->toBe([true, false])->and(effectOf(['do' => 'call', 'routine' => 'wake'])->calls)->toBe('wake')
        ->and(effectOf(['do' => 'change_over', 'motion' => 'lift'])->couples)->toBe('lift')->and(effectOf(['do' => 'fault', 'message' => 'Oh'])->fails)->toBeTrue()
        ->and([effectOf(['do' => 'stop', 'motion' => 'lid', 'how' => 'coast'])->halt?->motion, effectOf(['do' => 'stop', 'motion' => 'lid', 'how' => 'coast'])->halt?->how])->toBe(['lid', 'coast']);
});

it('says what cannot be together', function (array $step, array $problems) {
    expect(array_keys(Steps::make([$step])[0]->problems()))->toBe($problems);
})->with([
    [['do' => 'wait', 'for_s' => null, 'until' => null, 'give_up_s' => null], ['for_s']], [['do' => 'wait', 'for_s' => 1.0, 'until' => null, 'give_up_s' => null], []],
    [['do' => 'set', 'counter' => 'c', 'to' => 1, 'add' => 1], ['to']], [['do' => 'set', 'counter' => 'c', 'to' => null, 'add' => null], ['to']], [['do' => 'set', 'counter' => 'c', 'to' => null, 'add' => 1], []],
    [['do' => 'go_by', 'motion' => 'lift', 'by' => 0.0, 'speed' => 1.0, 'give_up_s' => null], ['by']], [['do' => 'go_by', 'motion' => 'lift', 'by' => 0.1, 'speed' => 1.0, 'give_up_s' => null], []],
    [['do' => 'power', 'motion' => null, 'supply' => null, 'state' => 'on', 'settle_s' => 0.3], ['motion']], [['do' => 'power', 'motion' => 'lift', 'supply' => 'main', 'state' => 'on', 'settle_s' => 0.3], ['motion']],
    [['do' => 'power', 'motion' => 'lift', 'supply' => null, 'state' => 'on', 'settle_s' => 0.3], []],
]);
