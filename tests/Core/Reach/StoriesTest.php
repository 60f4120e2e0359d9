<?php

declare(strict_types=1);

use Brookstone\Core\Reach\Conflict;
use Brookstone\Core\Reach\Happening;
use Brookstone\Core\Reach\PositionKnowledge;
use Brookstone\Core\Reach\Search;
use Brookstone\Core\Reach\State;
use Brookstone\Core\Reach\Travel;
use Tests\Support\Builds;

require_once __DIR__.'/searching.php';

const HOME_LIFT = ['do' => 'home', 'motion' => 'lift', 'switch' => 'lift-low'];
const HOME_LID = ['do' => 'home', 'motion' => 'lid', 'switch' => 'lid-shut'];

/** @return array<string, mixed> */
function goesTo(string $motion, string $place, ?float $give_up_s = null): array
{
    return ['do' => 'go', 'motion' => $motion, 'place' => $place, 'give_up_s' => $give_up_s];
}

/** @param  list<Conflict>  $conflicts  @return list<list<string>> the story of each, in short */
function stories(array $conflicts): array
{
    return array_map(fn (Conflict $conflict): array => array_map(fn (Happening $each): string => trim("{$each->what} {$each->of}"), $conflict->story), $conflicts);
}

/** @return list<string> codes of what a routine that begins with the power comes to @param  list<array<string, mixed>>  $steps @param  array<string, mixed>  $more */
function comesTo(array $steps, array $more = []): array
{
    return array_column(reached([routineOf('a', $steps, [['when' => 'power_on']])], $more)->conflicts, 'code');
}

describe('how it comes to a conflict', function () {
    $rules = ['rules' => [['id' => 'r', 'name' => 'R', 'never' => ['test' => 'moving', 'motion' => 'lid']]]];

    it('is told step by step: what began, ended and gave up', function () use ($rules) {
        $a = routineOf('a', [HOME_LIFT, ['do' => 'wait', 'until' => ['sensor' => 'beam'], 'give_up_s' => 3]]) + ['if_fails' => [HOME_LID]];
        $found = reached([$a], $rules)->of('rule');

        expect($found)->toHaveCount(1)->and($found[0]->path)->toBe('routines.0.if_fails.0')
            ->and(stories($found))->toBe([['power_on', 'starts a', 'ends routines.0.steps.0', 'gives_up routines.0.steps.1']]);
    });

    it('names the routine that was started, and the step that ended, each by its own number', function () use ($rules) {
        $found = reached([
            routineOf('first', [['do' => 'wait', 'for_s' => 1]], [['when' => 'beam', 'sensor' => 'beam']]),
            routineOf('second', [['do' => 'wait', 'for_s' => 1], ['do' => 'wait', 'for_s' => 1], HOME_LID]),
        ], $rules)->of('rule');

        expect(stories($found))->toBe([['power_on', 'starts second', 'ends routines.1.steps.0', 'ends routines.1.steps.1']]);
    });

    it('is told up to the step that brings it about', function () {
        $found = reached([routineOf('second', [['do' => 'wait', 'for_s' => 1], goesTo('lid', 'open')])])->of('not_known');

        expect(stories($found))->toBe([['power_on', 'starts second']])->and($found[0]->path)->toBe('routines.0.steps.1');
    });

    it('is the last six of what happened, where it was more', function () use ($rules) {
        $waits = array_fill(0, 9, ['do' => 'wait', 'for_s' => 1]);
        $found = reached([routineOf('a', [...$waits, HOME_LID])], $rules)->of('rule');

        expect(stories($found))->toBe([array_map(fn (int $i): string => "ends routines.0.steps.{$i}", range(3, 8))]);
    });

    it('leaves out the coming together of branches', function () {
        $found = reached([routineOf('a', [['do' => 'together', 'branches' => [[['do' => 'wait', 'for_s' => 1]], []]], goesTo('lid', 'open')])])->of('not_known');

        expect(stories($found))->toBe([['power_on', 'starts a', 'ends routines.0.steps.0.branches.0.0']]); // and then they come together
    });
});

describe('branches', function () {
    $branch = fn (string $counter): array => [['do' => 'wait', 'for_s' => 1], ['do' => 'set', 'counter' => $counter, 'to' => 1]];
    $counters = ['counters' => [['id' => 'm', 'name' => 'M'], ['id' => 'n', 'name' => 'N']]];
    $both = ['test' => 'all', 'of' => [['test' => 'counter', 'counter' => 'm', 'value' => 1], ['test' => 'counter', 'counter' => 'n', 'value' => 1]]];
    $either = ['test' => 'any', 'of' => $both['of']];

    it('are gone on after once all have ended, and never before', function () use ($branch, $counters, $both) {
        expect(neverTaken([['do' => 'together', 'until' => 'all', 'branches' => [$branch('m'), $branch('n')]]], $both, $counters))->toBe(['otherwise']);
    });

    it('are gone on after once one has ended, and never before', function () use ($branch, $counters, $both, $either) {
        $any = [['do' => 'together', 'until' => 'any', 'branches' => [$branch('m'), $branch('n')]]];
        expect(neverTaken($any, $either, $counters))->toBe(['otherwise'])->and(neverTaken($any, $both, $counters))->toBe([]);
    });

    it('that are not gone on with move nothing any more', function () {
        $any = ['do' => 'together', 'until' => 'any', 'branches' => [[goesTo('lid', 'open')], [['do' => 'wait', 'for_s' => 1]]]];
        expect(neverTaken([HOME_LID, $any], ['test' => 'moving', 'motion' => 'lid']))->toBe(['then'])
            ->and(comesTo([HOME_LID, $any, HOME_LID]))->toBe([]);
    });
});

describe('where something really is', function () {
    $asked = fn (array $before, float $from, float $to): array => neverTaken($before, ['test' => 'between', 'motion' => 'lift', 'from' => $from, 'to' => $to]);

    it('is so or not so to the last hair', function (float $from, float $to, array $never) use ($asked) {
        expect($asked([HOME_LIFT], $from, $to))->toBe($never);
    })->with([[0.0, 0.05, ['otherwise']], [-0.05, 0.0, ['otherwise']], [0.0, 0.0, ['otherwise']], [1e-6, 0.05, ['then']], [-0.05, -1e-6, ['then']]]);

    it('is either while something broke a move off', function () use ($asked) {
        $broken = [HOME_LIFT, ['do' => 'together', 'until' => 'any', 'branches' => [[goesTo('lift', 'high')], [['do' => 'wait', 'for_s' => 1]]]]];
        expect($asked($broken, 0.05, 0.06))->toBe([])->and($asked($broken, 0.12, 0.2))->toBe(['then'])->and($asked($broken, -0.02, 0.2))->toBe(['otherwise']);
    });

    it('is where a move ended', function () use ($asked) {
        expect($asked([HOME_LIFT, goesTo('lift', 'high')], 0.09, 0.11))->toBe(['otherwise'])
            ->and($asked([HOME_LIFT, goesTo('lift', 'high'), goesTo('lift', 'low')], 0.09, 0.11))->toBe(['then']);
    });

    it('is kept between its stops, whatever drives it', function () {
        $travel = new Travel(Builds::sound()->motions['lift'], true);
        expect($travel->whole())->toBe([-0.01, 0.11])->and($travel->within(0.05, 0.3))->toBe([0.05, 0.11])->and($travel->within(-1.0, 0.3))->toBe([-0.01, 0.11])
            ->and($travel->at(0.07))->toBe([0.07, 0.07])->and($travel->slack)->toBeAbout(0.005, 1e-9)->and($travel->unsaid())->toBeNull();
        $unasked = new Travel(Builds::sound()->motions['lift'], false);
        expect($unasked->at(0.07))->toBe([-INF, INF])->and($unasked->unsaid())->toBe([-INF, INF]);
    });

    it('widens on the way by what may be off, and by nothing else', function () {
        $travel = new Travel(Builds::planted(['motions.2.task.tolerance' => 0.0078125])->motions['lift'], true);
        $low = new PositionKnowledge(true, 'low', 0.0, $travel->at(0.0));
        expect($low->towards(0.1, $travel->slack, $travel)->between)->toBe([0.0, 0.1078125])->and($low->towards(-0.0078125, $travel->slack, $travel)->between)->toBe([-0.01, 0.0])
            ->and($low->along(1, $travel)->between)->toBe([0.0, 0.11])->and($low->along(-1, $travel)->between)->toBe([-0.01, 0.0])
            ->and($low->towards(0.1, 0.0, $travel)->driven)->toBeTrue()->and($low->forgotten(true)->place)->toBeNull()
            ->and($low->forgotten(true)->between)->toBe([0.0, 0.0])->and($low->forgotten(false)->known)->toBeFalse();
    });
});

describe('what a motion needs', function () {
    $selector = ['motions.2.drive.shares' => 'lid', 'motions.2.drive.shares_by' => 'selector'];
    $to = fn (string $motion): array => ['do' => 'change_over', 'motion' => $motion, 'takes_s' => 0.5];

    it('is its motor: it has it once that was changed over, and until it was changed over to another', function () use ($selector, $to) {
        expect(comesTo([$to('lid'), HOME_LID], $selector))->toBe([])
            ->and(comesTo([HOME_LID], $selector))->toBe(['not_coupled'])
            ->and(comesTo([$to('lift'), HOME_LIFT, $to('lid'), HOME_LID], $selector))->toBe([])
            ->and(comesTo([$to('lift'), HOME_LID], $selector))->toBe(['not_coupled'])
            ->and(comesTo([$to('lift'), HOME_LIFT, HOME_LID], $selector))->toBe(['not_coupled']);
    });

    it('is its motor where a servo changes that over: by the place to which it was sent last', function (array $places, array $moves, array $codes) use ($selector) {
        $servo = $selector + ['motions.2.drive.selector' => ['motion' => 'jaw', 'place' => 'wide', 'other' => 'closed'],
            'motions.1.places.2' => ['id' => 'between', 'name' => 'Between', 'at' => -20]];

        expect(comesTo([...array_map(fn (string $place): array => goesTo('jaw', $place), $places), ...$moves], $servo))->toBe($codes);
    })->with([
        [['wide'], [HOME_LIFT], []], [['wide'], [HOME_LID], ['not_coupled']], [['closed'], [HOME_LID], []], [['closed'], [HOME_LIFT], ['not_coupled']],
        [['wide', 'closed'], [HOME_LID], []], [['wide', 'between'], [HOME_LIFT], ['not_coupled']], [['closed', 'between'], [HOME_LID], ['not_coupled']],
    ]);

    it('is not to be asked for by two at once', function () use ($selector) {
        $found = reached([routineOf('a', [['do' => 'together', 'branches' => [[HOME_LID], [HOME_LIFT]]]], [['when' => 'power_on']])], $selector);
        expect(array_column($found->of('same_motor'), 'about'))->toBe(['lid'])->and($found->of('same_motor')[0]->path)->toBe('routines.0.steps.0.branches.1.0');
        $apart = reached([routineOf('a', [HOME_LID, HOME_LIFT], [['when' => 'power_on']])], $selector);
        expect($apart->of('same_motor'))->toBe([]);
    });

    it('is its power, from when it was switched off until it is on again', function (array $power, array $codes) {
        $steps = array_map(fn (string $state): array => ['do' => 'power', 'motion' => 'jaw', 'state' => $state], $power);
        expect(comesTo([...$steps, goesTo('jaw', 'wide')]))->toBe($codes);
    })->with([[[], []], [['off'], ['no_power']], [['off', 'on'], []], [['off', 'on', 'off'], ['no_power']], [['on'], []]]);

    it('is to be homed before it goes by what it counts, and not before it seeks', function () {
        expect(comesTo([goesTo('lift', 'high')]))->toBe(['not_known'])->and(comesTo([HOME_LIFT, goesTo('lift', 'high')]))->toBe([])
            ->and(comesTo([['do' => 'run', 'motion' => 'lift', 'direction' => 'up', 'until' => ['sensor' => 'lift-high'], 'give_up_s' => 5]]))->toBe([])
            ->and(comesTo([goesTo('jaw', 'wide')]))->toBe([]);
    });

    it('is what a switch says, for what stands still', function () {
        $if = fn (string $is): array => ['do' => 'choose', 'if' => ['sensor' => 'lift-low', 'is' => $is], 'then' => [goesTo('lift', 'high')], 'otherwise' => []];
        expect(comesTo([$if('on')]))->toBe([])->and(comesTo([$if('off')]))->toBe(['not_known']);
    });
});

describe('what is known when the power comes on', function () {
    $asks = fn (array $more): array => neverTaken([], ['test' => 'place', 'motion' => 'jaw', 'place' => 'closed'], $more);

    it('is where a servo rests that nobody moves, and not where one stands that somebody does', function () use ($asks) {
        expect($asks([]))->toBe(['otherwise']);
        $moved = reached([routineOf('a', [['do' => 'choose', 'if' => ['test' => 'place', 'motion' => 'jaw', 'place' => 'closed'], 'then' => [lamp()], 'otherwise' => [lamp()]],
            goesTo('jaw', 'wide')], [['when' => 'power_on']])]);
        expect($moved->unreached)->toBe([]);
    });

    it('is what counters begin with, under nothing too', function (int $start, int $asked, array $never) {
        expect(neverTaken([], ['test' => 'counter', 'counter' => 'n', 'is' => 'exactly', 'value' => $asked], ['counters' => [['id' => 'n', 'name' => 'N', 'start' => $start]]]))
            ->toBe($never);
    })->with([[-3, -3, ['otherwise']], [-3, -2, ['then']], [-9, -3, ['then']], [7, 7, ['otherwise']], [9, 7, ['then']]]);
});

describe('a search', function () {
    $build = fn () => Builds::planted(['scenarios' => [], 'routines' => [routineOf('a', [['do' => 'wait', 'for_s' => 1], ['do' => 'wait', 'for_s' => 1]])]]);

    it('goes on from as many states as it may, and says whether those were all', function () use ($build) {
        $all = Search::of($build());
        expect($all->states)->toBe(3)->and($all->complete)->toBeTrue()->and(Search::of($build(), 3)->complete)->toBeTrue()
            ->and(Search::of($build(), 2)->complete)->toBeFalse()->and(Search::of($build(), 2)->states)->toBe(2)->and(Search::of($build(), 2)->unreached)->toBe([]);
    });

    it('does not see past what fails for the second time', function () {
        $fails = routineOf('a', [['do' => 'fault', 'message' => 'Oh']]) + ['if_fails' => [['do' => 'fault', 'message' => 'No'], lamp()]];
        expect(array_keys(reached([$fails])->unreached))->toBe(['routines.0.if_fails.1']);
    });
});

describe('a motor that moves one always forward', function () {
    $middle = ['motions.2.places.2' => ['id' => 'middle', 'name' => 'Middle', 'at' => 0.05]];
    $rectified = ['motions.2.drive.shares' => 'lid', 'motions.2.drive.shares_by' => 'rectifier'] + $middle;

    it('takes the other along, so that nobody knows any more where that is', function () use ($rectified, $middle) {
        expect(comesTo([HOME_LIFT, HOME_LID, goesTo('lift', 'middle')], $rectified))->toContain('place_lost')
            ->and(comesTo([HOME_LIFT, HOME_LID, goesTo('lift', 'middle')], $middle))->toBe([]);
    });
});

describe('a state', function () {
    it('keeps its threads in their order, each once', function () {
        $state = new State([3, 7], [0]);
        expect($state->entering(5)->threads)->toBe([3, 5, 7])->and($state->entering(1)->threads)->toBe([1, 3, 7])->and($state->entering(9)->threads)->toBe([3, 7, 9])
            ->and($state->entering(7)->threads)->toBe([3, 7])->and($state->entering(3)->threads)->toBe([3, 7])->and($state->leaving(3)->threads)->toBe([7])
            ->and($state->leaving(4)->threads)->toBe([3, 7])->and((new State([], [0]))->entering(2)->threads)->toBe([2]);
    });

    it('is the same state exactly where everything in it is', function () {
        $state = new State([3, 7], [5, -2, 70_000]);
        expect($state->key())->toBe((new State([3, 7], [5, -2, 70_000]))->key())->not->toBe((new State([3], [5, -2, 70_000]))->key())
            ->not->toBe($state->with(1, 2)->key())->not->toBe($state->with(2, 70_001)->key())
            ->and($state->with(1, -2))->toBe($state)->and($state->with(1, 2)->slots)->toBe([5, 2, 70_000])->and($state->with(1, 2)->threads)->toBe([3, 7]);
        $packed = $state->leaving(7);
        expect($packed->key())->toBe((new State([3], [5, -2, 70_000]))->key())->and($packed->entering(7)->key())->toBe($state->key());
    });
});

describe('routines beside one another', function () {
    $waits = fn (string $id, array $starts, bool $alone = false): array => routineOf($id, [['do' => 'wait', 'for_s' => 1]], $starts, $alone);
    $beam = [['when' => 'beam', 'sensor' => 'beam']];

    it('are told by their names, without those that never meet', function () use ($waits, $beam) {
        $found = reached([$waits('zero', [['when' => 'time_of_day', 'at' => '10:00']]), routineOf('one', [HOME_LIFT], $beam, true), routineOf('two', [HOME_LIFT], alone: true)]);
        expect($found->together)->toEqualCanonicalizing([['zero', 'one'], ['zero', 'two']]);
    });

    it('are none where one starts only what another has ended', function () use ($waits) {
        expect(reached([$waits('one', [['when' => 'power_on']])])->together)->toBe([]);
    });
});
