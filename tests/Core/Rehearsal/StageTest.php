<?php

declare(strict_types=1);

use Brookstone\Core\Build\Build;
use Brookstone\Core\Condition\Conditions;
use Brookstone\Core\Rehearsal\Drawn;
use Brookstone\Core\Rehearsal\Footing;
use Brookstone\Core\Rehearsal\Performance;
use Brookstone\Core\Rehearsal\Rehearsal;
use Brookstone\Core\Rehearsal\Rehearsed;
use Brookstone\Core\Rehearsal\Stage;
use Brookstone\Core\Rehearsal\Stagehand;
use Brookstone\Core\Rehearsal\Start;
use Brookstone\Core\Routine\Scenario;
use Brookstone\Core\Routine\WorldEvent;
use Brookstone\Core\Simulation\Mishap;
use Brookstone\Core\Simulation\World;
use Tests\Support\Builds;

/**
 * One performance of the show of the sound build with these steps, begun so.
 *
 * @param  list<array<string, mixed>>  $steps
 * @param  array<string, mixed>  $planted
 */
function performed(array $steps, ?Start $start = null, array $planted = []): Performance
{
    $build = Builds::planted(['routines' => [['id' => 'show', 'name' => 'Show', 'starts' => [['when' => 'press', 'sensor' => 'button']], 'steps' => $steps]],
        'scenarios' => [], ...$planted]);

    return Stage::perform($build, new Footing($build), $build->routines['show'], $start ?? new Start('from power-on'))->performances[0];
}

/** @return list<string> kind and what it is of */
function mishapsOf(Performance $performance): array
{
    return array_map(fn (Mishap $mishap): string => "{$mishap->kind} {$mishap->of}", $performance->mishaps);
}

/** @param  array<string, mixed>  $condition */
function whatMakes(array $condition, bool $so = true): array
{
    $build = Builds::planted(['routines.1.steps' => [['do' => 'wait', 'until' => $condition, 'give_up_s' => 3]],
        'sensors.2' => ['id' => 'dusk', 'name' => 'Dusk', 'kind' => 'light', 'rest' => 80, 'upper' => 60, 'lower' => 40],
        'sensors.3' => ['id' => 'flag', 'name' => 'Flag', 'kind' => 'magnet', 'motion' => 'lift', 'at' => 0.05, 'reach' => 0.01]]);
    $until = $build->routines['show']->steps[0]->effect($build)->until ?? throw new LogicException;
    $short = fn (WorldEvent $event): array => [$event->what, $event->of, $event->what === 'level' ? $event->value : $event->on];

    return array_map(fn (array $pair): array => array_map($short, $pair), Stagehand::events($build->sensors, $until, $so));
}

const PRESSED = [['sensor', 'button', true], ['sensor', 'button', false]];
const BROKEN = [['sensor', 'beam', true], ['sensor', 'beam', false]];
const WAIT_HALF = ['do' => 'wait', 'for_s' => 0.5];
const HOME_THE_LIFT = ['do' => 'home', 'motion' => 'lift', 'switch' => 'lift-low', 'give_up_s' => 9];

describe('people', function () {
    it('do what is waited for, and undo it', function (array $condition, bool $so, array $does) {
        expect(whatMakes($condition, $so))->toBe($does);
    })->with([
        'pressed' => [['sensor' => 'button'], true, [PRESSED]],
        'not pressed' => [['sensor' => 'button'], false, [array_reverse(PRESSED)]],
        'clear' => [['sensor' => 'beam', 'is' => 'off'], true, [array_reverse(BROKEN)]],
        'turned round' => [['test' => 'not', 'that' => ['sensor' => 'button']], true, [array_reverse(PRESSED)]],
        'turned round, not so' => [['test' => 'not', 'that' => ['sensor' => 'button']], false, [PRESSED]],
        'all' => [['test' => 'all', 'of' => [['sensor' => 'button'], ['sensor' => 'beam']]], true, [PRESSED, BROKEN]],
        'not all: the first is enough' => [['test' => 'all', 'of' => [['sensor' => 'button'], ['sensor' => 'beam']]], false, [array_reverse(PRESSED)]],
        'any: the first that people can' => [['test' => 'any', 'of' => [['sensor' => 'lid-open'], ['sensor' => 'beam']]], true, [BROKEN]],
        'none of them' => [['test' => 'any', 'of' => [['sensor' => 'button'], ['sensor' => 'beam']]], false, [array_reverse(PRESSED), array_reverse(BROKEN)]],
        'a reading above, by a twentieth' => [['test' => 'level', 'sensor' => 'dusk', 'is' => 'above', 'value' => 20], true, [[['level', 'dusk', 21.0], ['level', 'dusk', 80.0]]]],
        'below' => [['test' => 'level', 'sensor' => 'dusk', 'is' => 'below', 'value' => 20], true, [[['level', 'dusk', 19.0], ['level', 'dusk', 80.0]]]],
        'not above' => [['test' => 'level', 'sensor' => 'dusk', 'is' => 'above', 'value' => 20], false, [[['level', 'dusk', 19.0], ['level', 'dusk', 80.0]]]],
        'over its threshold' => [['sensor' => 'dusk'], true, [[['level', 'dusk', 63.0], ['level', 'dusk', 80.0]]]],
        'under the lower of the two' => [['sensor' => 'dusk', 'is' => 'off'], true, [[['level', 'dusk', 38.0], ['level', 'dusk', 80.0]]]],
        'what the machine does itself' => [['sensor' => 'flag'], true, []],
        'a switch of it' => [['sensor' => 'lid-open'], true, []],
        'where it is' => [['test' => 'place', 'motion' => 'jaw', 'place' => 'wide'], true, []],
    ]);

    it('answer after a second, and let go after three tenths', function () {
        $beam = ['do' => 'wait', 'until' => ['sensor' => 'beam'], 'give_up_s' => 5];
        $clear = ['do' => 'wait', 'until' => ['sensor' => 'beam', 'is' => 'off'], 'give_up_s' => 5];
        expect(performed([$beam])->takes_s)->toEqualWithDelta(1.0, 0.03)->and(performed([$beam, $clear])->takes_s)->toEqualWithDelta(1.3, 0.05)
            ->and(performed([['give_up_s' => 0.9] + $beam])->outcome)->toBe('gives_up');
    });

    it('hold it for as long as it must be so', function () {
        expect(performed([['do' => 'wait', 'until' => ['sensor' => 'beam', 'for_s' => 2.0], 'give_up_s' => 9]])->takes_s)->toEqualWithDelta(3.0, 0.04);
    });

    it('do in a scenario only what that says', function () {
        $wait = ['do' => 'wait', 'until' => ['sensor' => 'beam'], 'give_up_s' => 3];
        $scene = fn (array $events): Start => new Start('in it', scenario: new Scenario('s', 'S', 20.0, [], $events));
        $pressed = new WorldEvent(1.0, 'sensor', 'button', true);
        expect(performed([$wait], $scene([]))->outcome)->toBe('never_begins')
            ->and(performed([$wait], $scene([$pressed]))->outcome)->toBe('gives_up')
            ->and(performed([$wait], $scene([$pressed]))->mishaps)->toBe([]) // nobody came: then it is right to give up
            ->and(performed([$wait], $scene([$pressed, new WorldEvent(2.5, 'sensor', 'beam', true)]))->takes_s)->toEqualWithDelta(1.5, 0.02);
    });

    it('are waited for by a hand of the stage with nothing to do for ever', function () {
        $build = Builds::sound();
        $hand = new Stagehand(new World($build, $build->scenarios['pressed'], INF));
        expect($hand->due_s())->toBe(INF);
        $hand->later(new WorldEvent(0.0, 'sensor', 'beam', false));
        expect($hand->due_s())->toBeAbout(Stagehand::LETS_GO_S, 1e-12);
    });
});

describe('a performance', function () {
    it('begins when all is quiet, and is looked on for half a second after its end', function () {
        $done = performed([['do' => 'wait', 'for_s' => 2.0]]);
        expect($done->outcome)->toBe('ends')->and($done->takes_s)->toEqualWithDelta(2.0, 0.011)
            ->and($done->until_s)->toEqualWithDelta(2.5, 0.05)->and($done->routine)->toBe('show');
    });

    it('waits for what the power starts before it is asked for', function () {
        $wake = ['id' => 'wake', 'name' => 'Wake', 'starts' => [['when' => 'power_on']], 'steps' => [['do' => 'wait', 'for_s' => 3.0]]];
        $done = performed([], null, ['routines' => [$wake, ['id' => 'show', 'name' => 'Show', 'starts' => [['when' => 'press', 'sensor' => 'button']],
            'steps' => [['do' => 'wait', 'for_s' => 1.0]]]]]);
        expect($done->until_s)->toEqualWithDelta(4.5, 0.06)->and($done->takes_s)->toEqualWithDelta(1.0, 0.011);
    });

    it('is started by hand where its press does not come to it within a second and a half', function () {
        $long = performed([WAIT_HALF], null, ['routines.0.starts' => [['when' => 'press', 'sensor' => 'button', 'how' => 'long']]]);
        $double = performed([WAIT_HALF], null, ['routines.0.starts' => [['when' => 'press', 'sensor' => 'button', 'how' => 'short']], 'sensors.0.double_s' => 2.0]);
        expect($long->outcome)->toBe('ends')->and($long->until_s)->toEqualWithDelta(1.0, 0.05) // nobody can press it long: at once
            ->and($double->until_s)->toEqualWithDelta(2.5, 0.1); // whether it is a short one is not clear before it is started
    });

    it('gives up, and says at which step', function () {
        $done = performed([WAIT_HALF, ['do' => 'wait', 'until' => ['sensor' => 'lid-open'], 'give_up_s' => 1.0]]);
        expect($done->outcome)->toBe('gives_up')->and($done->takes_s)->toBeNull()->and(mishapsOf($done))->toBe(['vain show'])
            ->and($done->mishaps[0]->path)->toBe('steps.1');
    });

    it('is bounded where it takes longer than is looked at', function () {
        $done = performed([['do' => 'wait', 'for_s' => 200.0]]);
        expect($done->outcome)->toBe('bounded')->and($done->until_s)->toEqualWithDelta(Stage::MOST_S + 0.5, 0.1)->and($done->takes_s)->toBeNull();
    });

    it('comes round where a round begins as one did before', function () {
        $round = fn (array $more): Performance => performed([['do' => 'repeat', 'times' => null, 'steps' => [WAIT_HALF, ...$more]]], null,
            ['counters' => [['id' => 'n', 'name' => 'N']]]);
        expect($round([])->outcome)->toBe('comes_round')->and($round([])->until_s)->toBeLessThan(2.5)
            ->and($round([['do' => 'set', 'counter' => 'n', 'add' => 1]])->outcome)->toBe('bounded')
            ->and($round([['do' => 'signal', 'output' => 'lamp', 'state' => 'on']])->outcome)->toBe('comes_round');
    });

    it('draws from when it begins until it ends', function () {
        $up = [['do' => 'run', 'motion' => 'lift', 'direction' => 'up', 'for_s' => 1.0], ['do' => 'stop', 'motion' => 'lift']];
        $once = performed($up)->drawn['main'];
        $after = performed([...$up, ['do' => 'wait', 'for_s' => 5.0]])->drawn['main'];
        expect($once->charge_C)->toBeGreaterThan(0.15)->and($after->charge_C)->toBeAbout($once->charge_C, 0.05)->and($after->seconds)->toBeGreaterThan($once->seconds + 4.9)
            ->and($once->peak_A)->toBeAbout(Builds::sound()->motions['lift']->drive?->line()->stall_A ?? 0.0, 0.02)->and($once->before_A)->toBe(0.0)
            ->and($once->after_A)->toBe(0.0)->and((new Drawn(1.0, 3.0, 2.0, 0.0, 1.0))->more_A())->toBe(1.0)->and((new Drawn(1.0, 1.0, 2.0, 0.0, 1.0))->more_A())->toBe(0.0);
    });

    it('starts with its motions, its supply and what is so as it is told', function () {
        $at = performed([HOME_THE_LIFT], new Start('somewhere', ['lift' => 0.06]));
        $rest = performed([HOME_THE_LIFT]);
        expect($at->takes_s)->toBeGreaterThan($rest->takes_s + 1.0)->and(performed([HOME_THE_LIFT], new Start('weak', ['lift' => 0.06], fed: ['main' => 0.8]))->takes_s)
            ->toBeGreaterThan(1.1 * $at->takes_s);
        $if = ['do' => 'choose', 'if' => ['sensor' => 'beam'], 'then' => [['do' => 'wait', 'for_s' => 2.0]], 'otherwise' => [['do' => 'wait', 'for_s' => 4.0]]];
        $condition = fn (Build $build): array => [$build->routines['show']->steps[0]->conditions()['if'], true];
        $build = Builds::planted(['routines' => [['id' => 'show', 'name' => 'Show', 'starts' => [['when' => 'press', 'sensor' => 'button']], 'steps' => [$if]]]]);
        $so = Stage::perform($build, new Footing($build), $build->routines['show'], new Start('so', so: $condition($build)))->performances[0];
        expect($so->takes_s)->toEqualWithDelta(2.0, 0.02);
    });

    it('draws for as long as it ran, whenever it began', function () {
        $start = new Start('in it', scenario: new Scenario('s', 'S', 20.0, [], [new WorldEvent(3.0, 'sensor', 'button', true)]));
        expect(performed([['do' => 'wait', 'for_s' => 2.0]], $start)->drawn['servos']->seconds)->toEqualWithDelta(2.0, 0.03)
            ->and(performed([['do' => 'wait', 'for_s' => 2.0]])->drawn['servos']->seconds)->toEqualWithDelta(2.0, 0.03);
    });

    it('tells what is left powered when all is done', function () {
        $run = ['do' => 'run', 'motion' => 'lift', 'direction' => 'up', 'for_s' => 0.5];
        expect(mishapsOf(performed([$run])))->toBe(['left_powered lift'])->and(mishapsOf(performed([$run, ['do' => 'stop', 'motion' => 'lift']])))->toBe([]);
    });

    it('tells what ends elsewhere than its step should have brought it, from a fifth of its range on', function (float $slips, array $told) {
        // The lift goes by time to a place at 60 mm, and something holds it before that.
        $steps = [HOME_THE_LIFT, ['do' => 'go', 'motion' => 'lift', 'place' => 'middle', 'give_up_s' => 9]];
        $start = new Start('in it', scenario: new Scenario('s', 'S', 20.0, [], [new WorldEvent(0.5, 'sensor', 'button', true),
            new WorldEvent(0.6, 'hold', 'lift', true, at: $slips)]));
        $done = performed($steps, $start, ['motions.2.places.2' => ['id' => 'middle', 'name' => 'Middle', 'at' => 0.06]]);
        expect(array_values(array_filter(mishapsOf($done), fn (string $each): bool => str_starts_with($each, 'elsewhere'))))->toBe($told);
    })->with([[0.03, ['elsewhere lift']], [0.047, []]]);

    it('hangs on what stands in its way, and not on what it does not touch', function () {
        expect(Stage::isAlikeEverywhere(Builds::sound()->motions['lid']))->toBeFalse()
            ->and(Stage::isAlikeEverywhere(Builds::planted(['motions.2.task.keeps_turning' => true])->motions['lift']))->toBeFalse(); // a switch tells where it is
    });
});

describe('a performance played again', function () {
    $played = function (array $steps, array $planted = []): array {
        $build = Builds::planted(['routines' => [['id' => 'show', 'name' => 'Show', 'starts' => [['when' => 'press', 'sensor' => 'button']], 'steps' => $steps, 'target_s' => 1.0]],
            'scenarios' => [], ...$planted]);

        return Stage::play($build, Stage::perform($build, new Footing($build), $build->routines['show'], new Start('from power-on'))->performances[0]);
    };

    it('is sampled fifty times a second, less often where it is long or its controller looks less often', function () use ($played) {
        expect($played([WAIT_HALF])['sample_s'])->toBe(0.02)->and($played([WAIT_HALF], ['settings.scan_s' => 0.05])['sample_s'])->toBe(0.05)
            ->and($played([['do' => 'wait', 'for_s' => 119.0]])['sample_s'])->toBeAbout(119.5 / 3000, 0.01);
    });

    it('is late where it takes longer than is asked, but not where it goes round without end', function () use ($played) {
        expect($played([['do' => 'wait', 'for_s' => 2.0]])['verdict'])->toBe('fails')->and($played([WAIT_HALF])['verdict'])->toBe('holds')
            ->and($played([['do' => 'repeat', 'times' => null, 'steps' => [['do' => 'wait', 'for_s' => 2.0]]]])['verdict'])->toBe('holds');
    });

    it('says how it came out', function () use ($played) {
        expect($played([WAIT_HALF])['outcome'])->toBe('finished')->and($played([['do' => 'fault', 'message' => 'no cup']])['outcome'])->toBe('faulted')
            ->and($played([['do' => 'fault', 'message' => 'no cup']])['fault'])->toBe('no cup')
            ->and($played([['do' => 'repeat', 'times' => null, 'steps' => [WAIT_HALF]]])['outcome'])->toBe('still_running');
    });
});

it('tells what ends elsewhere by its range, wherever that begins', function (float $held, array $told) {
    // From 50 mm to 100 mm: a fifth of that is 10 mm.
    $start = new Start('in it', scenario: new Scenario('s', 'S', 20.0, ['lift' => 0.05], [new WorldEvent(0.5, 'sensor', 'button', true), new WorldEvent(0.6, 'hold', 'lift', true, at: $held)]));
    $done = performed([HOME_THE_LIFT, ['do' => 'go', 'motion' => 'lift', 'place' => 'middle', 'give_up_s' => 9]], $start, ['motions.2.places.0.at' => 0.05, 'motions.2.stops.hard_low' => 0.04,
        'motions.2.stops.switches.0.at' => 0.05, 'motions.2.places.2' => ['id' => 'middle', 'name' => 'Middle', 'at' => 0.08]]);
    expect(array_values(array_filter(mishapsOf($done), fn (string $each): bool => str_starts_with($each, 'elsewhere'))))->toBe($told);
})->with([[0.062, ['elsewhere lift']], [0.073, []]]);

describe('starts', function () {
    $says = fn (array $planted): array => array_map(fn (Performance $each): string => $each->start->says, Rehearsal::of(Builds::planted(['scenarios' => [],
        'routines' => [['id' => 'show', 'name' => 'Show', 'starts' => [['when' => 'press', 'sensor' => 'button']], 'steps' => [HOME_THE_LIFT]]], ...$planted]))->of('show'));

    it('are at both ends of each way, and half way of the longest', function () use ($says) {
        expect($says([]))->toBe(['from power-on', 'a second time', 'from power-on with Lift at High', 'from power-on with Lift half way']);
    });

    it('are at the ends alone, whatever lies between', function () use ($says) {
        expect($says(['motions.2.places.2' => ['id' => 'middle', 'name' => 'Middle', 'at' => 0.05], 'motions.2.places.3' => ['id' => 'pit', 'name' => 'Pit', 'at' => -0.005]]))
            ->toBe(['from power-on', 'a second time', 'from power-on with Lift at Pit', 'from power-on with Lift at High', 'from power-on with Lift half way']);
    });

    it('are at the outermost places that are no rest', function () use ($says) {
        expect($says(['motions.2.places.2' => ['id' => 'pit', 'name' => 'Pit', 'at' => -0.005], 'motions.2.places.3' => ['id' => 'step', 'name' => 'Step', 'at' => -0.003],
            'motions.2.places.4' => ['id' => 'shelf', 'name' => 'Shelf', 'at' => 0.09]]))
            ->toBe(['from power-on', 'a second time', 'from power-on with Lift at Pit', 'from power-on with Lift at High', 'from power-on with Lift half way']);
    });

    it('are half way of the move that lasts longest, however late a shorter one is', function () use ($says) {
        $shut = ['do' => 'go', 'motion' => 'lid', 'place' => 'shut', 'give_up_s' => 9];
        $open = ['do' => 'go', 'motion' => 'lid', 'place' => 'open', 'give_up_s' => 9];
        $up = ['do' => 'run', 'motion' => 'lift', 'direction' => 'up', 'for_s' => 0.3];
        $half = fn (array $steps, array $more = []): array => array_values(array_filter($says(['routines.0.steps' => $steps, ...$more]),
            fn (string $each): bool => str_ends_with($each, 'half way')));
        expect($half([$shut, $open, ['do' => 'wait', 'for_s' => 5.0], $up, ['do' => 'stop', 'motion' => 'lift']]))->toBe(['from power-on with Lid half way']);
    });

    it('are half way of its own moves, not of those of what it calls', function () use ($says) {
        $part = ['id' => 'part', 'name' => 'Part', 'starts' => [], 'steps' => [['do' => 'go', 'motion' => 'lid', 'place' => 'open', 'give_up_s' => 9]]];
        $half = array_values(array_filter($says(['routines.0.steps' => [['do' => 'run', 'motion' => 'lift', 'direction' => 'up', 'for_s' => 0.3],
            ['do' => 'stop', 'motion' => 'lift'], ['do' => 'call', 'routine' => 'part']], 'routines.1' => $part]), fn (string $each): bool => str_ends_with($each, 'half way')));
        expect($half)->toBe(['from power-on with Lift half way']);
    });

    it('are with each battery full and empty', function () use ($says) {
        expect(array_slice($says(['supplies.0.capacity_Ah' => 3]), -2))->toBe(['from power-on with Main nearly empty', 'from power-on with Main freshly charged'])
            ->and($says(['supplies.1.capacity_Ah' => 3]))->toHaveCount(4); // nothing that it moves hangs on that one
    });

    it('are usual where nothing is special', function () {
        expect((new Start('a'))->isUsual())->toBeTrue()->and((new Start('a', before: ['b']))->isUsual())->toBeTrue()->and((new Start('a', ['lift' => 0.0]))->isUsual())->toBeFalse()
            ->and((new Start('a', fed: ['main' => 0.9]))->isUsual())->toBeFalse();
    });
});

describe('what was rehearsed', function () {
    $step = fn (string $path, float $from, ?float $to, string $outcome = 'done'): array => ['routine' => 'r', 'path' => $path, 'start_s' => $from, 'end_s' => $to, 'outcome' => $outcome, 'motion' => null];
    $did = fn (string $outcome, ?float $takes, float $charge, array $steps = [], ?Start $start = null): Performance => new Performance($start ?? new Start('so'), 'r', $outcome, $takes,
        $steps, [], [], '', '', ['main' => new Drawn($charge, 0.0, 0.0, 0.0, 1.0)], 1.0);

    it('took as long as the longest of it', function () use ($did, $step) {
        $all = new Rehearsed(['r' => [$did('ends', 3.0, 1.0, [$step('a', 1.0, 2.0), $step('b', 2.0, 9.0, 'gave_up')]), $did('gives_up', null, 1.0, [$step('a', 0.0, 1.5), $step('a', 5.0, null)]),
            $did('ends', 4.0, 1.0)]]);
        expect($all->longest_s('r'))->toBe(4.0)->and($all->longestOfStep_s('r', 'a'))->toBe(1.5)->and($all->longestOfStep_s('r', 'b'))->toBeNull()
            ->and($all->longest_s('other'))->toBeNull()->and((new Rehearsed(['r' => [$did('gives_up', null, 1.0)]]))->longest_s('r'))->toBeNull();
    });

    it('was looked at as a whole unless it is said that it was not', function () {
        expect((new Rehearsed([]))->isWhole)->toBeTrue()->and((new Rehearsed([], false))->isWhole)->toBeFalse();
    });

    it('is usual as the first of those that drew alike', function () use ($did) {
        [$first, $second] = [$did('ends', 1.0, 5.0), $did('ends', 2.0, 5.0)];
        expect((new Rehearsed(['r' => [$first, $second]]))->usual('r'))->toBe($first);
    });

    it('usually draws what the heaviest of its plain runs drew, rather one that ended', function () use ($did) {
        $special = $did('ends', 1.0, 99.0, [], new Start('at', ['lift' => 1.0]));
        $all = new Rehearsed(['r' => [$did('gives_up', null, 50.0), $did('ends', 1.0, 2.0), $did('ends', 1.0, 5.0), $did('never_begins', null, 70.0), $special]]);
        expect($all->usual('r')?->charge_C())->toBe(5.0)->and((new Rehearsed(['r' => [$did('gives_up', null, 50.0)]]))->usual('r')?->charge_C())->toBe(50.0)
            ->and((new Rehearsed(['r' => [$special]]))->usual('r'))->toBeNull()->and($all->usual('none'))->toBeNull();
    });
});

describe('the scenarios of a build', function () {
    $in = function (array $starts, array $events, array $more = []): array {
        $build = Builds::planted(['routines' => [['id' => 'show', 'name' => 'Show', 'starts' => $starts, 'steps' => [WAIT_HALF]]], 'scenarios' => [['id' => 's', 'name' => 'Scene',
            'until_s' => 5, 'events' => $events]], ...$more]);

        return array_values(array_filter(array_map(fn (Performance $each): string => $each->start->says, Rehearsal::of($build)->of('show')),
            fn (string $says): bool => str_starts_with($says, 'in ')));
    };
    $button = [['when' => 'press', 'sensor' => 'button']];
    $at = fn (string $sensor): array => [['at_s' => 1, 'sensor' => $sensor, 'is' => 'on']];

    it('are performed where anything of the routine can start in them', function () use ($in, $button, $at) {
        expect($in($button, $at('button')))->toBe(['in “Scene”'])->and($in($button, $at('beam')))->toBe([])->and($in($button, []))->toBe([])
            ->and($in([['when' => 'power_on']], []))->toBe(['in “Scene”'])
            ->and($in([['when' => 'count', 'counter' => 'n', 'value' => 2]], $at('beam'), ['counters' => [['id' => 'n', 'name' => 'N']]]))->toBe(['in “Scene”'])
            ->and($in([['when' => 'every', 'every_s' => 600]], $at('beam')))->toBe([]);
    });

    it('are performed by a reading that a routine starts at', function () use ($in) {
        $light = ['sensors.2' => ['id' => 'light', 'name' => 'Light', 'kind' => 'light', 'rest' => 80, 'upper' => 50, 'lower' => 40]];
        expect($in([['when' => 'input', 'sensor' => 'light', 'is' => 'off']], [['what' => 'level', 'at_s' => 1, 'sensor' => 'light', 'value' => 10]], $light))->toBe(['in “Scene”']);
    });
});

describe('a day', function () {
    it('counts what only people begin by the moves of a day, whatever else there is', function () {
        $go = fn (string $place): array => ['do' => 'go', 'motion' => 'lift', 'place' => $place, 'give_up_s' => 9];
        $runs = fn (array $calls): array => Brookstone\Core\Rehearsal\Day::of($build = Builds::planted(['log' => [], 'scenarios' => [], 'motions.2.task.per_day' => 12,
            'routines' => [['id' => 'up', 'name' => 'Up', 'starts' => [], 'steps' => [$go('high'), $go('low')]],
                ['id' => 'light', 'name' => 'Light', 'starts' => [['when' => 'every', 'every_s' => 43200]], 'steps' => [WAIT_HALF, ...$calls]]]]),
            Rehearsal::of($build))->runs;
        expect($runs([]))->toEqual(['up' => 12.0, 'light' => 2.0])->and($runs([['do' => 'call', 'routine' => 'up']]))->toEqual(['up' => 0.0, 'light' => 2.0]);
    });

    it('draws nothing where nothing ever runs', function () {
        $build = Builds::planted(['routines' => [], 'scenarios' => []]);
        $day = Brookstone\Core\Rehearsal\Day::of($build, Rehearsal::of($build));
        expect($day->charge_Ah('main'))->toBe(0.0)->and($day->rest_Ah)->toBe(['main' => 0.0, 'servos' => 0.0])->and($day->most('main'))->toBeNull();
    });

    it('rests in all the time in which nothing runs', function () {
        $build = Builds::planted(['log' => [], 'scenarios' => [], 'routines' => [['id' => 'show', 'name' => 'Show', 'starts' => [['when' => 'every', 'every_s' => 3600]],
            'steps' => [['do' => 'wait', 'for_s' => 600.0]]]]]);
        $rehearsed = Rehearsal::of($build);
        $draws_A = $rehearsed->usual('show')?->drawn['servos']->after_A ?? 0.0;
        $day = Brookstone\Core\Rehearsal\Day::of($build, $rehearsed);
        expect($draws_A)->toBeGreaterThan(0.001)->and($day->runs['show'])->toBeAbout(1.0, 1e-9); // longer than is looked at: it goes on all day
        $short = Builds::planted(['log' => [], 'scenarios' => [], 'routines' => [['id' => 'show', 'name' => 'Show', 'starts' => [['when' => 'every', 'every_s' => 3600]],
            'steps' => [['do' => 'wait', 'for_s' => 60.0]]]]]);
        $seconds = Rehearsal::of($short)->usual('show')?->drawn['servos']->seconds ?? 0.0;
        expect(Brookstone\Core\Rehearsal\Day::of($short, Rehearsal::of($short))->rest_Ah['servos'])->toBeAbout($draws_A * (24 * 3600 - 24 * $seconds) / 3600, 1e-6);
    });

    it('lets what a clock starts move a thing before people are counted on', function (float $per_day, float $asked) {
        $go = fn (string $place): array => ['do' => 'go', 'motion' => 'lift', 'place' => $place, 'give_up_s' => 9];
        $both = [$go('high'), $go('low')];
        $build = Builds::planted(['log' => [], 'scenarios' => [], 'motions.2.task.per_day' => $per_day, 'routines.1' => ['id' => 'clock', 'name' => 'Clock', 'starts' => [['when' => 'every',
            'every_s' => 8640]], 'steps' => $both], 'routines.2' => ['id' => 'asked', 'name' => 'Asked', 'starts' => [['when' => 'beam', 'sensor' => 'beam']], 'steps' => $both]]);
        $day = Brookstone\Core\Rehearsal\Day::of($build, Rehearsal::of($build));
        expect($day->runs['clock'])->toBeAbout(10.0, 1e-9)->and($day->runs['asked'])->toBeAbout($asked, 1e-9);
    })->with([[30.0, 20.0], [10.0, 0.0], [4.0, 0.0]]);
});

describe('what a performance stands on', function () {
    it('is what it begins, moves and sees, not what rests beside it', function (array $change, bool $same) {
        $before = Builds::sound();
        $after = Builds::planted($change);
        $print = fn (Build $build): string => (new Footing($build))->of(['show'], ['lid']);
        expect($print($before) === $print($after))->toBe($same);
    })->with([
        'another mass of what rests' => [['motions.0.mechanism.mass_kg' => 0.4], true],
        'another mass of what moves' => [['motions.2.mechanism.mass_kg' => 0.5], false],
        'a step of what is begun' => [['routines.1.steps.4.for_s' => 0.6], false],
        'a step of what is not' => [['routines.0.steps.0.speed' => 0.4], true],
        'when that starts' => [['routines.0.starts' => [['when' => 'beam', 'sensor' => 'beam']]], false],
        'the supply' => [['supplies.0.max_A' => 6.0], false],
        'a scan' => [['settings.scan_s' => 0.006], false],
        'the supply of what rests' => [['motions.0.drive.supply' => 'servos'], false],
        'no drive at all' => [['motions.0.drive' => null], false],
    ]);

    it('rests where it draws nothing more than it did', function () {
        $footing = new Footing(Builds::sound());
        $axes = array_map(fn ($motion) => new Brookstone\Core\Simulation\Axis($motion, $motion->at($motion->task->from), 0.0), Builds::sound()->motions);
        foreach ($axes as $axis) {
            for ($i = 0; $i < 200; $i++) {
                $axis->advance(0.005);
            }
        }
        $rested = $footing->resting($axes, ['lid' => 0.0, 'lift' => 0.0]);
        expect($footing->rest($rested))->toBeTrue()->and($footing->rest(['lid' => [0.0, 0.5]]))->toBeFalse();
    });
});

it('has conditions that ask for nothing but what is there', function () {
    expect(Conditions::all(null))->toBe([]);
});

it('shows a sensor what its threshold is set by, with presses and without', function (?string $button, float $gap) {
    $document = Builds::sound()->document;
    $document['sensors'][] = ['id' => 'eye', 'name' => 'Eye', 'kind' => 'light', 'rest' => 50, 'upper' => 50];
    $document['sensors'][] = ['id' => 'teach', 'name' => 'Teach', 'kind' => 'press'];
    $document['routines'][] = ['id' => 'learn', 'name' => 'Learn', 'starts' => [['when' => 'press', 'sensor' => 'button']],
        'steps' => [['do' => 'calibrate', 'sensor' => 'eye', 'button' => $button, 'for_s' => 4, 'gap' => $gap, 'give_up_s' => 6]]];
    $document['scenarios'] = [];
    $found = Builds::found(Build::read($document), 'routine.gives_up');

    expect(array_filter($found, fn ($finding): bool => str_contains($finding->says->text(), 'Learn')))->toBe([]);
})->with([[null, 10.0], ['teach', 10.0], [null, 400.0], ['teach', 400.0]]);
