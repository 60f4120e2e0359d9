<?php

declare(strict_types=1);

use Brookstone\Core\Reach\Conflict;
use Brookstone\Core\Reach\Reached;
use Tests\Support\Builds;

require_once __DIR__.'/searching.php';

it('knows a counter up to what is asked of it: both sides of each test', function (string $is, int $count, array $never) {
    $counters = ['counters' => [['id' => 'n', 'name' => 'N', 'start' => 0]]];

    expect(neverTaken([['do' => 'set', 'counter' => 'n', 'to' => $count]], ['test' => 'counter', 'counter' => 'n', 'is' => $is, 'value' => 3], $counters))->toBe($never);
})->with([
    ['at_least', 2, ['then']], ['at_least', 3, ['otherwise']], ['at_least', 4, ['otherwise']], ['exactly', 2, ['then']], ['exactly', 3, ['otherwise']], ['exactly', 4, ['then']],
    ['under', 2, ['otherwise']], ['under', 3, ['then']], ['at_least', 900, ['otherwise']], ['under', -900, ['otherwise']],
]);

it('adds to counters, from where they begin', function (int $start, array $adds, array $never) {
    $counters = ['counters' => [['id' => 'n', 'name' => 'N', 'start' => $start]]];
    $steps = array_map(fn (int $add): array => ['do' => 'set', 'counter' => 'n', 'add' => $add], $adds);

    expect(neverTaken($steps, ['test' => 'counter', 'counter' => 'n', 'is' => 'exactly', 'value' => 2], $counters))->toBe($never);
})->with([[0, [1, 1], ['otherwise']], [0, [1], ['then']], [2, [], ['otherwise']], [5, [], ['then']], [0, [1, 1, 1], ['then']], [3, [-1], ['otherwise']]]);

it('knows what holds of what it has just been told', function (array $if, array $never) {
    expect(neverTaken([['do' => 'home', 'motion' => 'lift', 'switch' => 'lift-low']], $if))->toBe($never);
})->with([
    'a place' => [['test' => 'place', 'motion' => 'lift', 'place' => 'low'], ['otherwise']], 'another' => [['test' => 'place', 'motion' => 'lift', 'place' => 'high'], ['then']],
    'not so' => [['test' => 'not', 'that' => ['test' => 'place', 'motion' => 'lift', 'place' => 'low']], ['then']], 'at rest' => [['test' => 'moving', 'motion' => 'lift'], ['then']],
    'all of them' => [['test' => 'all', 'of' => [['test' => 'place', 'motion' => 'lift', 'place' => 'low'], ['test' => 'moving', 'motion' => 'lift']]], ['then']],
    'any of them' => [['test' => 'any', 'of' => [['test' => 'place', 'motion' => 'lift', 'place' => 'low'], ['test' => 'moving', 'motion' => 'lift']]], ['otherwise']],
    'a sensor, which may say either' => [['test' => 'input', 'sensor' => 'beam'], []], 'all, with a sensor' => [['test' => 'all', 'of' => [['test' => 'place', 'motion' => 'lift', 'place' => 'low'], ['test' => 'input', 'sensor' => 'beam']]], []],
    'all of them, where all are so' => [['test' => 'all', 'of' => [['test' => 'place', 'motion' => 'lift', 'place' => 'low'], ['test' => 'not', 'that' => ['test' => 'moving', 'motion' => 'lift']]]], ['otherwise']],
    'any of them, where none is so' => [['test' => 'any', 'of' => [['test' => 'place', 'motion' => 'lift', 'place' => 'high'], ['test' => 'moving', 'motion' => 'lift']]], ['then']],
    'any, with a sensor beside what is so' => [['test' => 'any', 'of' => [['test' => 'input', 'sensor' => 'beam'], ['test' => 'place', 'motion' => 'lift', 'place' => 'low']]], ['otherwise']],
    'any, with a sensor beside what is not so' => [['test' => 'any', 'of' => [['test' => 'place', 'motion' => 'lift', 'place' => 'high'], ['test' => 'input', 'sensor' => 'beam']]], []],
    'all, with a sensor beside what is not so' => [['test' => 'all', 'of' => [['test' => 'input', 'sensor' => 'beam'], ['test' => 'place', 'motion' => 'lift', 'place' => 'high']]], ['then']],
    'not what a sensor may say' => [['test' => 'not', 'that' => ['test' => 'input', 'sensor' => 'beam']], []],
    'itself runs' => [['test' => 'routine', 'routine' => 'a'], ['otherwise']],
]);

it('knows between which positions something stands', function (float $from, float $to, array $never) {
    expect(neverTaken([['do' => 'home', 'motion' => 'lift', 'switch' => 'lift-low']], ['test' => 'between', 'motion' => 'lift', 'from' => $from, 'to' => $to]))->toBe($never);
})->with([[0.05, 0.09, ['then']], [-0.02, 0.05, ['otherwise']]]);

it('goes on after branches when all have ended, or one', function (string $until, int $held) {
    // The lid waits for the beam in one branch; what follows is reached once all have ended, or with the first, and then nothing of the lid goes on.
    $together = ['do' => 'together', 'until' => $until, 'branches' => [[['do' => 'home', 'motion' => 'lid', 'switch' => 'lid-shut']], [['do' => 'wait', 'for_s' => 1]]]];
    $moves = array_filter(reached([routineOf('a', [$together, ['do' => 'home', 'motion' => 'lid', 'switch' => 'lid-open']], [['when' => 'power_on']])])->conflicts, fn (Conflict $each): bool => $each->code === 'same_motion');

    expect($moves)->toHaveCount($held);
})->with([['all', 0], ['any', 0]]);

it('sees two branches move one thing, and two routines only where they may run beside one another', function () {
    $lid = ['do' => 'home', 'motion' => 'lid', 'switch' => 'lid-shut'];
    $beam = [['when' => 'beam', 'sensor' => 'beam']];
    $both = fn (bool $alone): array => reached([routineOf('a', [$lid], alone: $alone), routineOf('b', [$lid], $beam, $alone)])->of('same_motion');

    expect(array_column(reached([routineOf('a', [['do' => 'together', 'branches' => [[$lid], [$lid]]]])])->of('same_motion'), 'about'))->toBe(['lid'])
        ->and($both(false))->not->toBe([])->and($both(true))->toBe([])
        ->and(reached([routineOf('a', [$lid, $lid])])->of('same_motion'))->toBe([]);
});

it('tells which routines run beside one another: the largest sets', function () {
    $waits = fn (string $id, array $starts): array => routineOf($id, [['do' => 'wait', 'for_s' => 1]], $starts);
    $three = reached([$waits('a', [['when' => 'press', 'sensor' => 'button']]), $waits('b', [['when' => 'beam', 'sensor' => 'beam']]), $waits('c', [['when' => 'power_on']])]);

    expect($three->together)->toBe([['a', 'b', 'c']])->and(reached([$waits('a', [['when' => 'power_on']])])->together)->toBe([]);
});

it('finds what calls itself without end, and what nothing gets to', function () {
    $endless = reached([routineOf('a', [['do' => 'call', 'routine' => 'b'], lamp()]), routineOf('b', [['do' => 'call', 'routine' => 'a']], [])]);
    $after = reached([routineOf('a', [['do' => 'repeat', 'times' => null, 'steps' => [['do' => 'wait', 'for_s' => 1]]], lamp()])]);
    $fault = reached([routineOf('a', [['do' => 'fault', 'message' => 'Oh'], lamp()])]);

    expect($endless->endless)->not->toBe([])->and(array_keys($after->unreached))->toBe(['routines.0.steps.1'])->and(array_keys($fault->unreached))->toBe(['routines.0.steps.1'])
        ->and(array_keys(reached([routineOf('a', [['do' => 'repeat', 'times' => 2, 'steps' => [lamp()]], lamp()])])->unreached))->toBe([])
        ->and(array_keys(reached([routineOf('a', [['do' => 'call', 'routine' => 'b'], lamp()]), routineOf('b', [lamp()], [])])->unreached))->toBe([]);
});

it('starts nothing any more once what begins with the power has failed', function (array $first, bool $starts) {
    $reached = reached([routineOf('a', [$first], [['when' => 'power_on']]), routineOf('b', [lamp()])]);

    expect(isset($reached->unreached['routines.1.steps.0']))->toBe(! $starts);
})->with([[['do' => 'fault', 'message' => 'Oh'], false], [['do' => 'wait', 'for_s' => 1], true]]);

it('does what is done when something failed', function () {
    $a = ['if_fails' => [lamp()]] + routineOf('a', [['do' => 'wait', 'until' => ['sensor' => 'beam', 'is' => 'on'], 'give_up_s' => 5]]);

    expect(reached([$a])->unreached)->toBe([])->and(array_keys(reached([['if_fails' => [lamp()]] + routineOf('a', [lamp()])])->unreached))->toBe(['routines.0.if_fails.0']);
});

it('still drives after a run that nothing stops, and stands where a switch ended it', function (array $after, int $moves) {
    $run = ['do' => 'run', 'motion' => 'lift', 'direction' => 'up', 'until' => ['sensor' => 'lift-high', 'is' => 'on'], 'give_up_s' => 5];
    $if = ['test' => 'moving', 'motion' => 'lift'];

    expect(neverTaken([['do' => 'home', 'motion' => 'lift', 'switch' => 'lift-low'], $run, ...$after], $if))->toBe($moves === 1 ? ['otherwise'] : ['then']);
})->with([[[], 1], [[['do' => 'stop', 'motion' => 'lift']], 0], [[['do' => 'power', 'motion' => 'lift', 'state' => 'off']], 0]]);

it('forgets where something is with its power, but for what knows that by itself', function (string $motion, array $codes) {
    $home = $motion === 'lift' ? [['do' => 'home', 'motion' => 'lift', 'switch' => 'lift-low']] : [];
    $found = reached([routineOf('a', [...$home, ['do' => 'power', 'motion' => $motion, 'state' => 'off'], ['do' => 'power', 'motion' => $motion, 'state' => 'on'], ['do' => 'go', 'motion' => $motion, 'place' => $motion === 'lift' ? 'high' : 'wide']], [['when' => 'power_on']])]);

    expect(array_column($found->conflicts, 'code'))->toBe($codes);
})->with([['lift', ['not_known']], ['jaw', []]]);

it('goes by amounts from where it knows it is, and no further than its stops', function (array $by, array $codes, ?float $to) {
    $steps = array_map(fn (float $each): array => ['do' => 'go_by', 'motion' => 'lift', 'by' => $each], $by);
    $found = reached([routineOf('a', [['do' => 'home', 'motion' => 'lift', 'switch' => 'lift-low'], ...$steps], [['when' => 'power_on']])])->conflicts;

    expect(array_column($found, 'code'))->toBe($codes)->and($found === [] ? null : $found[0]->to)->toBe($to);
})->with([[[0.11], [], null], [[0.112], ['past_end'], 0.112], [[0.06, 0.06], ['past_end'], 0.12], [[-0.01], [], null], [[-0.012], ['past_end'], -0.012], [[0.06, -0.06], [], null]]);

it('knows that it runs itself, and of another only that it may, or must not beside it', function (bool $alone, array $never) {
    $asks = ['do' => 'choose', 'if' => ['test' => 'routine', 'routine' => 'b'], 'then' => [lamp()], 'otherwise' => [lamp()]];
    $lid = ['do' => 'home', 'motion' => 'lid', 'switch' => 'lid-shut'];
    $unreached = array_keys(reached([routineOf('a', [$lid, $asks], [['when' => 'power_on']]), routineOf('b', [$lid],
        [['when' => 'beam', 'sensor' => 'beam']], $alone)])->unreached);

    expect(array_values(array_filter($unreached, fn (string $path): bool => str_starts_with($path, 'routines.0'))))->toBe($never);
})->with([[false, []], [true, ['routines.0.steps.1.then.0']]]);

it('does not take an amount from somewhere for a place', function (array $before, array $never) {
    $at = ['test' => 'between', 'motion' => 'lift', 'from' => 0.015, 'to' => 0.025];

    expect(neverTaken([['do' => 'home', 'motion' => 'lift', 'switch' => 'lift-low'], ...$before, ['do' => 'go_by', 'motion' => 'lift', 'by' => 0.02]], $at))->toBe($never);
})->with([
    'from its place' => [[], ['otherwise']],
    'from anywhere' => [[['do' => 'run', 'motion' => 'lift', 'direction' => 'up', 'for_s' => 1], ['do' => 'stop', 'motion' => 'lift']], []],
]);

it('loses the place of what goes by time where it ran from that, until it is homed again', function (array $then, array $codes) {
    $lift = fn (array $step): array => $step + ['motion' => 'lift'];
    $found = reached([routineOf('a', [$lift(['do' => 'home', 'switch' => 'lift-low']), $lift(['do' => 'run', 'direction' => 'up', 'for_s' => 1]), $lift(['do' => 'stop']), ...array_map($lift, $then)],
        [['when' => 'power_on']])], array_diff_key(Builds::byTime(), ['routines.1.steps' => true]))->conflicts;

    expect(array_column($found, 'code'))->toBe($codes);
})->with([
    'to a place' => [[['do' => 'go', 'place' => 'high']], ['place_lost']], 'by an amount' => [[['do' => 'go_by', 'by' => 0.02]], ['place_lost']],
    'onto its switch' => [[['do' => 'home', 'switch' => 'lift-low'], ['do' => 'go', 'place' => 'high']], []], 'to the place of that' => [[['do' => 'go', 'place' => 'low']], []],
    'only turned' => [[['do' => 'run', 'direction' => 'down', 'for_s' => 1]], []],
]);

it('takes what went by an amount from nobody knows where to be somewhere on that way', function (array $moves, float $from, float $to, array $never) {
    $between = ['test' => 'between', 'motion' => 'lift', 'from' => $from, 'to' => $to];
    $moves = array_map(fn (array $move): array => $move + ['motion' => 'lift'], $moves);

    expect(neverTaken([['do' => 'home', 'motion' => 'lift', 'switch' => 'lift-low'], ...$moves], $between))->toBe($never);
})->with([
    'it may still be high up' => [[['do' => 'run', 'direction' => 'up', 'for_s' => 0.3], ['do' => 'stop'], ['do' => 'go_by', 'by' => 0.005]], 0.05, 0.2, []],
    'upwards it is not below where it began' => [[['do' => 'run', 'direction' => 'up', 'for_s' => 0.3], ['do' => 'stop'], ['do' => 'go_by', 'by' => 0.005]], -0.02, -0.006, ['then']],
    'downwards it may be' => [[['do' => 'run', 'direction' => 'up', 'for_s' => 0.3], ['do' => 'stop'], ['do' => 'go_by', 'by' => -0.005]], -0.02, -0.006, []],
    'nor where it went on past its end' => [[['do' => 'go_by', 'by' => 0.2]], -0.02, -0.006, ['then']],
    'from where it is known, it is there' => [[['do' => 'go_by', 'by' => 0.05]], 0.04, 0.06, ['otherwise']],
]);

it('holds any of some conditions for false where each is, and all of them for true where each is', function (string $test, array $never) {
    $of = array_map(fn (string $motion): array => ['test' => 'moving', 'motion' => $motion], ['lift', 'lid']);
    $of = $test === 'all' ? array_map(fn (array $each): array => ['test' => 'not', 'that' => $each], $of) : $of;

    expect(neverTaken([['do' => 'wait', 'for_s' => 1]], ['test' => $test, 'of' => $of]))->toBe($never);
})->with([['any', ['then']], ['all', ['otherwise']]]);

it('holds neither of two while its selector changes over', function (array $branches, array $about) {
    $over = fn (string $motion): array => ['do' => 'change_over', 'motion' => $motion, 'takes_s' => 1.0];
    $found = reached([routineOf('a', [$over('lid'), ['do' => 'together', 'branches' => array_map(fn (array $steps): array => $steps === [] ? [$over('lift')] : $steps, $branches)]],
        [['when' => 'power_on']])], ['motions.2.drive.shares' => 'lid', 'motions.2.drive.shares_by' => 'selector'])->of('not_coupled');

    expect(array_column($found, 'about'))->toBe($about);
})->with([
    'one is moved meanwhile' => [[[], [['do' => 'home', 'motion' => 'lid', 'switch' => 'lid-shut']]], ['lid']],
    'it stays where it is' => [[[['do' => 'wait', 'for_s' => 1]], [['do' => 'home', 'motion' => 'lid', 'switch' => 'lid-shut']]], []],
]);
