<?php

declare(strict_types=1);

use Brookstone\Core\Build\Editor;
use Brookstone\Core\Dynamics\Ledger;
use Brookstone\Core\Dynamics\Plant;
use Brookstone\Core\Reach\Conflict;
use Brookstone\Core\Reach\Happening;
use Brookstone\Core\Reach\Reached;
use Brookstone\Core\Reach\Search;
use Brookstone\Core\Simulation\RoutineRun;
use Tests\Core\Reach\RandomRoutines;
use Tests\Support\Builds;

/** So many builds with random routines; more on request: BROOKSTONE_RUNS=10000. */
function seeds(int $usual): array
{
    return range(1, (int) (getenv('BROOKSTONE_RUNS') ?: $usual));
}

it('never sees two orders for one motor in a run where it found none', function () {
    $free = $found = $seen = 0;
    foreach (seeds(100) as $seed) {
        $build = (new RandomRoutines($seed))->build();
        $reached = Search::of($build, 20_000);
        $conflicts = [...$reached->of('same_motion'), ...$reached->of('same_motor')];
        $trace = RoutineRun::of($build, $build->routines['button'], $build->scenarios['pressed'], lean: true);
        $told = count(array_filter($trace['events'], fn (array $event): bool => $event['kind'] === 'conflict'));
        if ($reached->complete && $conflicts === []) {
            $free++;
            expect($told)->toBe(0, "seed {$seed}");
        }
        $found += $conflicts !== [] ? 1 : 0;
        $seen += $told > 0 ? 1 : 0;
    }
    expect($free)->toBeGreaterThan(20)->and($found)->toBeGreaterThan(20)->and($seen)->toBeGreaterThan(3);
});

it('sees no step refuse in a run, for want of a place, of its motor or of power, where it found none that could', function () {
    $sound = $refused = 0;
    $refuses = ['does not know where it is', ' moves ', 'is switched off'];
    foreach (seeds(100) as $seed) {
        $build = (new RandomRoutines(20_000 + $seed))->build();
        $reached = Search::of($build, 20_000);
        $trace = RoutineRun::of($build, $build->routines['button'], $build->scenarios['pressed'], lean: true);
        foreach ([[...$reached->of('not_known'), ...$reached->of('place_lost')], $reached->of('not_coupled'), $reached->of('no_power')] as $i => $found) {
            $told = count(array_filter($trace['events'], fn (array $event): bool => $event['kind'] === ($i === 1 ? 'astray' : 'fault')
                && str_contains($event['says']->text(), $refuses[$i])));
            if ($reached->complete && $found === []) {
                $sound++;
                expect($told)->toBe(0, "seed {$seed}: {$refuses[$i]}");
            }
            $refused += $told > 0 ? 1 : 0;
        }
    }
    expect($sound)->toBeGreaterThan(80)->and($refused)->toBeGreaterThan(5);
});

it('keeps every motion between its hard stops, whatever the routines do', function () {
    foreach (seeds(40) as $seed) {
        $build = (new RandomRoutines(5000 + $seed))->build();
        $trace = RoutineRun::of($build, $build->routines['button'], $build->scenarios['pressed']);
        foreach ($trace['motions'] as $lane) {
            $stops = $build->motions[$lane['motion']]->stops;
            expect(min($lane['position']))->toBeGreaterThanOrEqual(($stops->hard_low ?? -INF) - 1e-5, "seed {$seed}")
                ->and(max($lane['position']))->toBeLessThanOrEqual(($stops->hard_high ?? INF) + 1e-5, "seed {$seed}");
        }
    }
});

it('gives the same trace to the last digit, run twice', function () {
    $build = (new RandomRoutines(77))->build();
    $run = fn (): string => (string) json_encode(RoutineRun::of($build, $build->routines['button'], $build->scenarios['pressed']));

    expect($run())->toBe($run());
});

it('balances energy whatever the routines do', function () {
    foreach (seeds(25) as $seed) {
        $build = (new RandomRoutines(9000 + $seed))->build();
        if (array_filter($build->scenarios['pressed']->events, fn ($event): bool => in_array($event->what, ['hold', 'heavier', 'supply'], true)) !== []) {
            continue; // the world itself gives and takes there
        }
        $ledger = fn (string $id): Ledger => new Ledger(Plant::of($build->motions[$id]), (float) $build->motions[$id]->drive?->motor->resistance_ohm());
        $ledgers = ['lid' => $ledger('lid'), 'lift' => $ledger('lift')];
        RoutineRun::of($build, $build->routines['button'], $build->scenarios['pressed'], $ledgers);
        foreach ($ledgers as $id => $kept) {
            expect(abs($kept->imbalance()))->toBeLessThan(0.005, "seed {$seed}, {$id}");
        }
    }
});

it('finds what only an order of events brings about, and tells how', function () {
    $rule = ['rules' => [['id' => 'r', 'name' => 'Never both',
        'never' => ['test' => 'all', 'of' => [['test' => 'moving', 'motion' => 'lid'], ['test' => 'moving', 'motion' => 'lift']]]]]];
    $routines = fn (bool $alone): array => ['routines' => [
        ['id' => 'a', 'name' => 'A', 'alone' => $alone, 'starts' => [['when' => 'press', 'sensor' => 'button']],
            'steps' => [['do' => 'home', 'motion' => 'lid', 'switch' => 'lid-shut', 'give_up_s' => 5]]],
        ['id' => 'b', 'name' => 'B', 'alone' => $alone, 'starts' => [['when' => 'beam', 'sensor' => 'beam']],
            'steps' => [['do' => 'home', 'motion' => 'lift', 'switch' => 'lift-low', 'give_up_s' => 5]]],
    ]];
    $found = Search::of(Builds::planted($rule + $routines(false)))->of('rule');

    expect($found)->toHaveCount(1)->and(array_map(fn (Happening $each): array => [$each->what, $each->of], $found[0]->story))->toContain(['starts', 'a'],
        ['starts', 'b'])
        ->and(Search::of(Builds::planted($routines(false)))->of('rule'))->toBe([])
        // Being alone is about the same things: these two are not.
        ->and(Search::of(Builds::planted($rule + $routines(true)))->of('rule'))->toHaveCount(1);
});

it('says when it has not seen everything', function () {
    $reached = Search::of(Builds::sound(), 5);

    expect($reached->complete)->toBeFalse()->and($reached->states)->toBe(5)->and($reached->unreached)->toBe([])
        ->and(Search::of(Builds::sound(), 5000)->complete)->toBeTrue();
});

it('knows how far amounts have led', function (array $by, bool $broken) {
    $build = Builds::planted([
        'rules' => [['id' => 'r', 'name' => 'Not so high', 'never' => ['test' => 'between', 'motion' => 'lift', 'from' => 0.045, 'to' => 0.055],
            'while' => ['test' => 'input', 'sensor' => 'beam']]],
        'routines.1.steps' => [['do' => 'go', 'motion' => 'lift', 'place' => 'low'],
            ...array_map(fn (float $each): array => ['do' => 'go_by', 'motion' => 'lift', 'by' => $each], $by), ['do' => 'wait', 'for_s' => 1]],
        'routines.0.steps' => [['do' => 'home', 'motion' => 'lift', 'switch' => 'lift-low']], // nothing gives up: what has given up may stand anywhere
    ]);
    // While it moves it may be anywhere: what is asked here is whether it comes to rest there.
    $rests = array_filter(Search::of($build)->of('rule'), fn (Conflict $found): bool => $found->path === null);

    expect($rests !== [])->toBe($broken);
})->with([[[0.03], false], [[0.03, 0.02], true], [[0.08, -0.03], true], [[0.03, 0.03], false]]);

it('knows what has no power, until it is given back', function (array $between, array $found) {
    $reached = Search::of(Builds::planted(['routines.1.steps' => [['do' => 'power', 'motion' => 'lift', 'state' => 'off'], ...$between,
        ['do' => 'home', 'motion' => 'lift', 'switch' => 'lift-low', 'give_up_s' => 9], ['do' => 'go', 'motion' => 'jaw', 'place' => 'wide',
            'give_up_s' => 1]]]));

    expect(array_column($reached->of('no_power'), 'about'))->toBe($found);
})->with([
    'never' => [[], ['lift']],
    'by itself' => [[['do' => 'power', 'motion' => 'lift', 'state' => 'on']], []],
    'with its supply' => [[['do' => 'power', 'supply' => 'main', 'state' => 'on']], []],
    'another' => [[['do' => 'power', 'motion' => 'lid', 'state' => 'on']], ['lift']],
    'all of another supply' => [[['do' => 'power', 'supply' => 'servos', 'state' => 'off']], ['lift', 'jaw']],
]);

it('tells of a rule which step breaks it: what never must be, or what it must not be while', function () {
    $rule = ['rules' => [['id' => 'r', 'name' => 'Never the lift while the lid moves', 'never' => ['test' => 'moving', 'motion' => 'lift'],
        'while' => ['test' => 'moving', 'motion' => 'lid']]]];
    $branches = [[['do' => 'wait', 'for_s' => 1], ['do' => 'home', 'motion' => 'lift', 'switch' => 'lift-low', 'give_up_s' => 9]],
        [['do' => 'home', 'motion' => 'lid', 'switch' => 'lid-shut', 'give_up_s' => 9]]];
    $at = fn (array $branches): array => array_map(fn (Conflict $found): ?string => $found->path,
        Search::of(Builds::planted($rule
        + ['routines' => [['id' => 'a', 'name' => 'A', 'starts' => [['when' => 'press', 'sensor' => 'button']],
            'steps' => [['do' => 'together', 'branches' => $branches]]]]]))->of('rule'));

    expect($at($branches))->toBe(['routines.0.steps.0.branches.0.1'])
        // The other way round the lid begins while the lift is on its way.
        ->and($at([[['do' => 'wait', 'for_s' => 1], $branches[1][0]], [$branches[0][1]]]))->toBe(['routines.0.steps.0.branches.0.1']);
});

/** @param  list<array<string, mixed>>  $steps  of a routine that a button starts */
function searched(array $steps, array $rules = [], array $fails = [], int $most = 2000): Reached
{
    return Search::of(Builds::planted([
        'rules' => $rules,
        'routines' => [['id' => 'wake', 'name' => 'Wake', 'starts' => [['when' => 'power_on']],
            'steps' => [['do' => 'home', 'motion' => 'lid', 'switch' => 'lid-shut'], ['do' => 'home', 'motion' => 'lift', 'switch' => 'lift-low']]],
            ['id' => 'a', 'name' => 'A', 'alone' => true, 'starts' => [['when' => 'press', 'sensor' => 'button']], 'steps' => $steps, 'if_fails' => $fails]],
    ]), $most);
}

it('knows that what nobody moves stays where it is', function (float $from, bool $broken) {
    $rule = ['id' => 'r', 'name' => 'R', 'never' => ['test' => 'moving', 'motion' => 'lid'], 'while' => ['test' => 'between', 'motion' => 'lift',
        'from' => $from, 'to' => 0.2]];
    $lift = Builds::sound()->motions['lift'];
    $found = Search::of(Builds::planted(['rules' => [$rule],
        'routines' => [['id' => 'a', 'name' => 'A', 'starts' => [['when' => 'press', 'sensor' => 'button']],
            'steps' => [['do' => 'home', 'motion' => 'lid', 'switch' => 'lid-shut']]]]]))->of('rule');

    expect($lift->at($lift->task->from))->toBe(0.0)->and($found !== [])->toBe($broken);
})->with([[-0.1, true], [0.001, false]]);

it('bounds where something stands that has given up by the way it was driven', function (string $place, float $from, float $to, bool $broken) {
    $rule = ['id' => 'r', 'name' => 'R', 'never' => ['test' => 'between', 'motion' => 'lift', 'from' => $from, 'to' => $to],
        'while' => ['test' => 'not', 'that' => ['test' => 'moving', 'motion' => 'lift']]];
    $build = ['motions.2.places.2' => ['id' => 'middle', 'name' => 'Middle', 'at' => 0.05]];
    $found = Search::of(Builds::planted($build + ['rules' => [$rule], 'routines' => [
        ['id' => 'wake', 'name' => 'Wake', 'starts' => [['when' => 'power_on']], 'steps' => [['do' => 'home', 'motion' => 'lift', 'switch' => 'lift-low']]],
        ['id' => 'a', 'name' => 'A', 'alone' => true, 'starts' => [['when' => 'press', 'sensor' => 'button']],
            'steps' => [['do' => 'go', 'motion' => 'lift', 'place' => $place, 'give_up_s' => 5], ['do' => 'go', 'motion' => 'lift', 'place' => 'low']]],
    ]]))->of('rule');

    expect($found !== [])->toBe($broken);
})->with([
    'on its way there' => ['middle', 0.02, 0.03, true],
    'past where it was sent' => ['middle', 0.07, 0.09, false],
    'within the tolerance of that' => ['middle', 0.0501, 0.06, true],
    'sent further' => ['high', 0.07, 0.09, true],
]);

it('never sees a rule about positions broken in a run where it found that it cannot be', function () {
    $safe = $found = $seen = 0;
    foreach (seeds(120) as $seed) {
        $from = ($seed * 37 % 90) / 1000;
        $rule = ['id' => 'r', 'name' => 'Clear', 'never' => ['test' => 'between', 'motion' => 'lift', 'from' => $from, 'to' => $from + 0.02]];
        $plain = (new RandomRoutines(40_000 + $seed))->build();
        $build = Editor::apply($plain, [
            ['path' => 'rules', 'value' => [$rule + ($seed % 3 === 0 ? ['while' => ['test' => 'moving', 'motion' => 'lid']] : [])]],
            // nobody holds anything
            ['path' => 'scenarios.0.events',
                'value' => array_values(array_filter($plain->document['scenarios'][0]['events'], fn (array $event): bool => $event['what'] === 'sensor'))],
        ]);
        $reached = Search::of($build, 20_000);
        $trace = RoutineRun::of($build, $build->routines['button'], $build->scenarios['pressed'], lean: true);
        $told = count(array_filter($trace['mishaps'], fn (array $mishap): bool => $mishap['kind'] === 'rule'));
        // what is moved by mistake is told elsewhere
        if ($reached->complete && array_diff(array_column($reached->conflicts, 'code'), ['place_lost', 'not_known']) === []) {
            $safe++;
            expect($told)->toBe(0, "seed {$seed}");
        }
        $found += $reached->of('rule') !== [] ? 1 : 0;
        $seen += $told > 0 ? 1 : 0;
    }
    expect($safe)->toBeGreaterThan(8)->and($found)->toBeGreaterThan(20)->and($seen)->toBeGreaterThan(3);
});

it('goes through choices in a row once for each state, not once for each way', function () {
    $choose = fn (int $i): array => ['do' => 'choose', 'if' => ['test' => 'input', 'sensor' => 'beam'], 'then' => [['do' => 'signal', 'output' => 'lamp']],
        'otherwise' => []];
    $reached = searched([...array_map($choose, range(1, 40)), ['do' => 'wait', 'for_s' => 1]]);

    expect($reached->complete)->toBeTrue()->and($reached->states)->toBeLessThan(20)->and($reached->unreached)->toBe([]);
});

it('counts choices within its bound', function () {
    $choose = fn (int $i): array => ['do' => 'choose', 'if' => ['test' => 'input', 'sensor' => 'beam'],
        'then' => [['do' => 'set', 'counter' => "c{$i}", 'to' => 1]], 'otherwise' => []];
    $counters = array_map(fn (int $i): array => ['id' => "c{$i}", 'name' => "C {$i}"], range(1, 6));
    $asked = ['test' => 'all', 'of' => array_map(fn (int $i): array => ['test' => 'counter', 'counter' => "c{$i}"], range(1, 6))];
    $build = Builds::planted(['counters' => $counters, 'rules' => [['id' => 'r', 'name' => 'R', 'never' => $asked]],
        'routines' => [['id' => 'a', 'name' => 'A', 'starts' => [['when' => 'press', 'sensor' => 'button']], 'steps' => array_map($choose, range(1, 6))]]]);

    expect(Search::of($build, 100)->complete)->toBeFalse()->and(Search::of($build, 100_000)->complete)->toBeTrue()
        ->and(Search::of($build, 100_000)->of('rule'))->toHaveCount(1);
});

it('goes on where what is done on failing fails itself', function (array $fails) {
    $reached = searched([['do' => 'go', 'motion' => 'lift', 'place' => 'high', 'give_up_s' => 5]], [], $fails);

    expect($reached->complete)->toBeTrue()->and($reached->states)->toBeGreaterThan(2);
})->with([
    'a fault' => [[['do' => 'fault', 'message' => 'on purpose']]],
    'after a signal' => [[['do' => 'signal', 'output' => 'lamp'], ['do' => 'fault', 'message' => 'on purpose']]],
    'by choice' => [[['do' => 'choose', 'if' => ['test' => 'input', 'sensor' => 'beam'], 'then' => [['do' => 'fault', 'message' => 'on purpose']],
        'otherwise' => []]]],
    'the routine itself' => [[['do' => 'call', 'routine' => 'a']]],
    'another that fails' => [[['do' => 'call', 'routine' => 'wake'], ['do' => 'fault', 'message' => 'on purpose']]],
]);

it('tells which routines can run beside one another', function () {
    $routine = fn (string $id, string $motion, array $more = []): array => $more + ['id' => $id, 'name' => $id,
        'starts' => [['when' => 'press', 'sensor' => 'button']],
        'steps' => [['do' => 'home', 'motion' => $motion, 'switch' => $motion === 'lid' ? 'lid-shut' : 'lift-low']]];
    $together = fn (array $routines): array => Search::of(Builds::planted(['routines' => $routines]))->together;

    expect($together([$routine('a', 'lid'), $routine('b', 'lift')]))->toBe([['a', 'b']])
        ->and($together([$routine('a', 'lid', ['alone' => true]), $routine('b', 'lid', ['alone' => true]), $routine('c', 'lift')]))->toBe([['a', 'c'],
            ['b', 'c']])
        ->and($together([$routine('a', 'lid')]))->toBe([]);
});

it('searches what is done when something fails, and only where something can', function () {
    $lift = fn (?float $give_up_s): array => [['do' => 'home', 'motion' => 'lift', 'switch' => 'lift-low', 'give_up_s' => $give_up_s]];
    $moves = [['do' => 'go_by', 'motion' => 'lift', 'by' => 0.01]];
    $rule = [['id' => 'r', 'name' => 'R', 'never' => ['test' => 'moving', 'motion' => 'lid']]];
    $opens = [['do' => 'run', 'motion' => 'lid', 'direction' => 'up', 'for_s' => 1], ['do' => 'stop', 'motion' => 'lid']];

    // What gave up on its way home stands anywhere: to go by time from there is to go from nowhere.
    expect(array_column(searched($lift(5.0), fails: $moves)->of('place_lost'), 'path'))->toBe(['routines.1.if_fails.0'])
        ->and(searched($lift(null), fails: $moves)->of('place_lost'))->toBe([])
        // A rule that only those steps break.
        ->and(array_column(searched($lift(5.0), $rule, $opens)->of('rule'), 'path'))->toContain('routines.1.if_fails.0')
        ->and(array_column(searched($lift(null), $rule, $opens)->of('rule'), 'path'))->not->toContain('routines.1.if_fails.0');
});
