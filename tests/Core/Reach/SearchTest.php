<?php

declare(strict_types=1);

use Brookstone\Core\Reach\Search;
use Brookstone\Core\Simulation\Ledger;
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
    foreach (seeds(150) as $seed) {
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
    foreach (seeds(150) as $seed) {
        $build = (new RandomRoutines(20_000 + $seed))->build();
        $reached = Search::of($build, 20_000);
        $trace = RoutineRun::of($build, $build->routines['button'], $build->scenarios['pressed'], lean: true);
        foreach ([[...$reached->of('not_known'), ...$reached->of('place_lost')], $reached->of('not_coupled'), $reached->of('no_power')] as $i => $found) {
            $told = count(array_filter($trace['events'], fn (array $event): bool => $event['kind'] === ($i === 1 ? 'astray' : 'fault') && str_contains($event['says']->text(), $refuses[$i])));
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
    foreach (seeds(60) as $seed) {
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
        $ledger = fn (string $id): Ledger => new Ledger($build->motions[$id]->plant(), (float) $build->motions[$id]->drive?->motor->resistance_ohm());
        $ledgers = ['lid' => $ledger('lid'), 'lift' => $ledger('lift')];
        RoutineRun::of($build, $build->routines['button'], $build->scenarios['pressed'], $ledgers);
        foreach ($ledgers as $id => $kept) {
            expect(abs($kept->imbalance()))->toBeLessThan(0.005, "seed {$seed}, {$id}");
        }
    }
});

it('finds what only an order of events brings about, and tells how', function () {
    $rule = ['rules' => [['id' => 'r', 'name' => 'Never both', 'never' => ['test' => 'all', 'of' => [['test' => 'moving', 'motion' => 'lid'], ['test' => 'moving', 'motion' => 'lift']]]]]];
    $routines = fn (bool $alone): array => ['routines' => [
        ['id' => 'a', 'name' => 'A', 'alone' => $alone, 'starts' => [['when' => 'press', 'sensor' => 'button']], 'steps' => [['do' => 'home', 'motion' => 'lid', 'switch' => 'lid-shut', 'give_up_s' => 5]]],
        ['id' => 'b', 'name' => 'B', 'alone' => $alone, 'starts' => [['when' => 'beam', 'sensor' => 'beam']], 'steps' => [['do' => 'home', 'motion' => 'lift', 'switch' => 'lift-low', 'give_up_s' => 5]]],
    ]];
    $found = Search::of(Builds::planted($rule + $routines(false)))->of('rule');

    expect($found)->toHaveCount(1)->and($found[0])->toContain('A starts', 'B starts')
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
        'rules' => [['id' => 'r', 'name' => 'Not so high', 'never' => ['test' => 'between', 'motion' => 'lift', 'from' => 0.045, 'to' => 0.055], 'while' => ['test' => 'input', 'sensor' => 'beam']]],
        'routines.1.steps' => [['do' => 'go', 'motion' => 'lift', 'place' => 'low'], ...array_map(fn (float $each): array => ['do' => 'go_by', 'motion' => 'lift', 'by' => $each], $by), ['do' => 'wait', 'for_s' => 1]],
        'routines.0.steps' => [['do' => 'home', 'motion' => 'lift', 'switch' => 'lift-low']], // nothing gives up: what has given up may stand anywhere
    ]);
    // While it moves it may be anywhere: what is asked here is whether it comes to rest there.
    $rests = array_filter(Search::of($build)->of('rule'), fn (array $found): bool => $found[1] === 'r ');

    expect($rests !== [])->toBe($broken);
})->with([[[0.03], false], [[0.03, 0.02], true], [[0.08, -0.03], true], [[0.03, 0.03], false]]);

it('knows what has no power, until it is given back', function (array $between, array $found) {
    $reached = Search::of(Builds::planted(['routines.1.steps' => [['do' => 'power', 'motion' => 'lift', 'state' => 'off'], ...$between, ['do' => 'home', 'motion' => 'lift', 'switch' => 'lift-low', 'give_up_s' => 9], ['do' => 'go', 'motion' => 'jaw', 'place' => 'wide', 'give_up_s' => 1]]]));

    expect(array_column($reached->of('no_power'), 1))->toBe($found);
})->with([
    'never' => [[], ['lift']],
    'by itself' => [[['do' => 'power', 'motion' => 'lift', 'state' => 'on']], []],
    'with its supply' => [[['do' => 'power', 'supply' => 'main', 'state' => 'on']], []],
    'another' => [[['do' => 'power', 'motion' => 'lid', 'state' => 'on']], ['lift']],
    'all of another supply' => [[['do' => 'power', 'supply' => 'servos', 'state' => 'off']], ['lift', 'jaw']],
]);

it('tells of a rule which step breaks it: what never must be, or what it must not be while', function () {
    $rule = ['rules' => [['id' => 'r', 'name' => 'Never the lift while the lid moves', 'never' => ['test' => 'moving', 'motion' => 'lift'], 'while' => ['test' => 'moving', 'motion' => 'lid']]]];
    $branches = [[['do' => 'wait', 'for_s' => 1], ['do' => 'home', 'motion' => 'lift', 'switch' => 'lift-low', 'give_up_s' => 9]], [['do' => 'home', 'motion' => 'lid', 'switch' => 'lid-shut', 'give_up_s' => 9]]];
    $at = fn (array $branches): array => array_map(fn (array $found): string => substr($found[1], 2), Search::of(Builds::planted($rule + ['routines' => [['id' => 'a', 'name' => 'A', 'starts' => [['when' => 'press', 'sensor' => 'button']], 'steps' => [['do' => 'together', 'branches' => $branches]]]]]))->of('rule'));

    expect($at($branches))->toBe(['routines.0.steps.0.branches.0.1'])
        // The other way round the lid begins while the lift is on its way.
        ->and($at([[['do' => 'wait', 'for_s' => 1], $branches[1][0]], [$branches[0][1]]]))->toBe(['routines.0.steps.0.branches.0.1']);
});
