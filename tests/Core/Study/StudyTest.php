<?php

declare(strict_types=1);

use Brookstone\Core\Assessment\Sheet\StopsSheet;
use Brookstone\Core\Assessment\Subject\MotionFigures;
use Brookstone\Core\Assessment\Subject\MotionInBuild;
use Brookstone\Core\Build\Build;
use Brookstone\Core\Finding\Finding;
use Brookstone\Core\Finding\Severity;
use Brookstone\Core\Rehearsal\Rehearsal;
use Brookstone\Core\Routine\WorldEvent;
use Brookstone\Core\Simulation\RoutineRun;
use Brookstone\Core\Stops\RunOn;
use Brookstone\Core\Stops\TimedMove;
use Brookstone\Core\Study\Concurrency;
use Brookstone\Core\Study\DriftFan;
use Brookstone\Core\Study\FaultSweep;
use Brookstone\Core\Study\Outcome;
use Tests\Support\Builds;

/** @return array<string, array<string, string>> outcomes by fault and step */
function outcomesOf(Build $build): array
{
    $sweep = new FaultSweep($build, $build->routines['show'], $build->scenarios['pressed']);
    $cells = [];
    foreach ($sweep->cases() as $case) {
        $cells[$case->fault][$case->step] = $sweep->run($case)['outcome'];
    }

    return $cells;
}

it('tells what every fault comes to', function () {
    $cells = outcomesOf(Builds::sound());

    expect($cells['stuck off lift-high']['steps.1'])->toBe('hits')->and($cells['stuck on lift-high']['steps.1'])->toBe('ends_wrong_unnoticed')
        ->and($cells['jams lid'])->each->toBe('stops')->and($cells['heavier jaw'])->each->toBe('finishes')->and($cells['jams jaw'])->toContain('stalls')
        ->and(array_keys($cells['power']))->toBe(array_map(fn (int $i): string => "steps.{$i}", range(0, 7)));
});

it('tells worse of a routine that never gives up, that breaks a rule, or that waits for what never comes', function () {
    $forever = outcomesOf(Builds::planted(['routines.1.steps.0.give_up_s' => null, 'motions.0.drive.motor' => Builds::motor('G25-227'),
        'motions.0.mechanism.mass_kg' => 0.1]));
    $ruled = outcomesOf(Builds::planted(['rules' => [['id' => 'r', 'name' => 'Shut first', 'never' => ['test' => 'between', 'motion' => 'lift',
        'from' => 0.103, 'to' => 0.2]]]]));
    $waits = outcomesOf(Builds::planted(['routines.1.steps.3' => ['do' => 'wait', 'until' => ['sensor' => 'beam']],
        'scenarios.0.events.2' => ['at_s' => 20, 'sensor' => 'beam', 'is' => 'on']]));

    expect($forever['jams lid']['steps.0'])->toBeIn(['stalls', 'waits'])->and($ruled['late lift-high']['steps.1'])->toBe('breaks_rule')
        ->and($waits['stuck off beam']['steps.3'])->toBe('waits');
});

it('tells that a coil burns while it waits for what never comes, and that the controller starts anew', function () {
    $hook = fn (string $state): array => ['do' => 'signal', 'output' => 'hook', 'state' => $state];
    $burns = outcomesOf(Builds::planted(['outputs.1' => ['id' => 'hook', 'name' => 'Hook', 'kind' => 'uncoupler', 'supply' => 'main', 'longest_s' => 8.0],
        'routines.1.steps.2' => $hook('on'), 'routines.1.steps.3' => ['do' => 'wait', 'until' => ['sensor' => 'beam']], 'routines.1.steps.4' => $hook('off'),
        'scenarios.0.events.2' => ['at_s' => 15, 'sensor' => 'beam', 'is' => 'on']]));
    $resets = outcomesOf(Builds::planted(array_replace(Builds::wired(), ['wiring.boards.0.board.low_V' => 10.0, 'wiring.boards.0.board.least_V' => 9.5])));

    expect($burns['stuck off beam']['steps.3'])->toBe('burns')->and($burns['late beam']['steps.3'])->not->toBe('burns')
        ->and($resets['low main']['steps.0'])->toBe('resets');
});

it('does not call it finished when something stands elsewhere, or was counted for nothing', function () {
    // The lift goes up by time, from its low switch: jammed, it stays down and is taken to be up; then it is counted.
    $build = Builds::planted([
        'counters' => [['id' => 'shows', 'name' => 'Shows']],
        'motions.2.stops.switches' => [['id' => 'lift-low', 'name' => 'Lift low switch', 'place' => 'low', 'at' => 0.0, 'end' => 'low']],
        'routines.1.steps' => [['do' => 'go', 'motion' => 'lift', 'place' => 'high', 'give_up_s' => 9], ['do' => 'wait', 'for_s' => 0.5],
            ['do' => 'set', 'counter' => 'shows', 'add' => 1]],
    ]);
    $sweep = new FaultSweep($build, $build->routines['show'], $build->scenarios['pressed']);
    $jams = array_values(array_filter($sweep->cases(), fn ($case): bool => $case->fault === 'jams lift' && $case->step === 'steps.0'))[0];

    expect($sweep->run($jams)['outcome'])->toBe('ends_wrong_unnoticed')
        ->and($sweep->run($jams)['says']->text())->toBe('It finishes, but Lift stands 100 mm off where it should, and is taken to be at its place.');

    // A press too many is counted.
    $counts = Builds::planted(['counters' => [['id' => 'n', 'name' => 'Presses']],
        'routines.1.steps' => [['do' => 'choose', 'if' => ['sensor' => 'beam'], 'then' => [['do' => 'set', 'counter' => 'n', 'add' => 1]]],
            ['do' => 'wait', 'for_s' => 1]]]);
    $sweep = new FaultSweep($counts, $counts->routines['show'], $counts->scenarios['pressed']);
    $run = RoutineRun::of($counts, $counts->routines['show'], $counts->scenarios['pressed']->with(new WorldEvent(1.0, 'sensor', 'beam', true)), lean: true);

    $told = (new Outcome($counts, $run, $sweep->plain))->told();

    expect([$told[0], $told[1]->text()])->toBe(['ends_wrong_unnoticed', 'It finishes, but Presses is 1 where it should be 0.'])
        ->and((new Outcome($counts, $sweep->plain, $sweep->plain))->told()[0])->toBe('finishes');
});

it('has an outcome for every fault of every demo, though the healthy run gives up or takes another way', function (string $demo, string $routine) {
    $build = Builds::demo($demo);
    $sweep = new FaultSweep($build, $build->routines[$routine], array_values($build->scenarios)[0] ?? null);
    $outcomes = array_map(fn ($case): string => $sweep->run($case)['outcome'], $sweep->cases());

    expect($outcomes)->not->toBe([])->and(array_diff($outcomes, FaultSweep::OUTCOMES))->toBe([]);
})->with([['heron-wharf', 'harbour-show'], ['moth-lantern', 'flutter'], ['quarry-tram', 'haul']]);

it('calls it elsewhere from a tenth of its range on', function (float $off, string $outcome) {
    $build = Builds::sound();
    $plain = (new FaultSweep($build, $build->routines['show'], $build->scenarios['pressed']))->plain;
    $run = $plain;
    $run['ends'][2] = ['at' => $plain['ends'][2]['at'] + $off, 'known' => null] + $plain['ends'][2];

    expect((new Outcome($build, $run, $plain))->told()[0])->toBe($outcome);
})->with([[0.0099, 'finishes'], [0.0101, 'ends_wrong'], [-0.0099, 'finishes'], [-0.0101, 'ends_wrong']]);

it('lets each case be run by itself, the same again', function () {
    $build = Builds::sound();
    $case = (new FaultSweep($build, $build->routines['show'], $build->scenarios['pressed']))->cases()[3];
    $run = fn (): array => (new FaultSweep($build, $build->routines['show'], $build->scenarios['pressed']))->run($case);

    expect($run())->toEqual($run());
});

it('runs once what cannot differ: the same, at the same moment', function () {
    $up = fn (string $motion, string $to): array => ['do' => 'go', 'motion' => $motion, 'place' => $to, 'give_up_s' => 9];
    $sweep = function (array $steps): FaultSweep {
        $build = Builds::planted(['routines.1.steps' => $steps]);

        return new FaultSweep($build, $build->routines['show'], $build->scenarios['pressed']);
    };
    $beside = $sweep([['do' => 'together', 'branches' => [[$up('lid', 'open')], [$up('lift', 'high')]]]]);
    $inTurn = $sweep([$up('lid', 'open'), $up('lift', 'high')]);
    $alike = array_map(fn (array $same): array => array_map(fn ($case): string => "{$case->fault} at {$case->step}", $same),
        array_values(array_filter($beside->runs(), fn (array $same): bool => count($same) > 1)));

    expect(array_merge(...$beside->runs()))->toHaveCount(count($beside->cases()))
        ->and($alike)->toBe([['low main at steps.0.branches.0.0', 'low main at steps.0.branches.1.0'],
            ['power at steps.0.branches.0.0', 'power at steps.0.branches.1.0']])
        ->and($inTurn->runs())->toHaveCount(count($inTurn->cases()));
});

it('ends a timed move where a run of it ends', function () {
    $build = Builds::planted(['motions.2.stops.switches' => [], 'routines.0.steps' => [],
        'routines.1.steps' => [['do' => 'go', 'motion' => 'lift', 'place' => 'high', 'give_up_s' => 9]],
        'scenarios.0.events' => [['at_s' => 1, 'sensor' => 'button', 'is' => 'on']]]);
    $lift = $build->motions['lift'];
    $move = new TimedMove($lift, $build->settings, 0.0, 0.1);
    // A motion whose place is not known does not go by time: bring it there first, onto a switch.
    $homed = Builds::planted(['motions.2.stops.switches' => [['id' => 'lift-low', 'name' => 'Lift low switch', 'place' => 'low', 'at' => 0.0,
        'end' => 'low']], 'routines.1.steps' => [['do' => 'go', 'motion' => 'lift', 'place' => 'high', 'give_up_s' => 9]]]);
    $trace = RoutineRun::of($homed, $homed->routines['show'], $homed->scenarios['pressed']);
    $end = end($trace['motions'][2]['position']);

    expect($end - 0.1)->toEqualWithDelta($move->error(), 4e-4)
        ->and($move->error(supply: 1.05))->toBeGreaterThan($move->error())->and($move->error(load: 1.2))->toBeLessThan($move->error())
        ->and($move->error(off: 0.002) - $move->error())->toEqualWithDelta(0.002, 2e-4)
        ->and($move->spread())->toBeGreaterThan(0.0);
});

it('drifts with the root of the moves where nothing is biased, and is within what the formula allows', function () {
    $build = Builds::planted(Builds::byTime());
    $fan = new DriftFan($build, $build->motions['lift'], Rehearsal::of($build)->usual('show'), 11);
    $walks = array_map(fn (): array => $fan->walk(64), range(1, 60));
    expect(array_values($fan->shown()))->toBe([0, 1]);
    $rows = array_column(DriftFan::fan(array_column($walks, 1), 64), null, 'cycle');
    $spread = fn (int $cycle): float => $rows[$cycle]['high'] - $rows[$cycle]['low'];

    expect($fan->drifts())->toBeTrue()->and($spread(16) / $spread(1))->toBeGreaterThan(2.0)->toBeLessThan(7.5)
        ->and((new DriftFan($build, $build->motions['jaw'], Rehearsal::of($build)->usual('show'), 1))->drifts())->toBeFalse();
});

it('offers together only what breaks nothing, and saves what it says', function () {
    $build = Builds::sound();
    $offers = Concurrency::of($build, $build->routines['show']);
    $ruled = Builds::planted(['rules' => [['id' => 'r', 'name' => 'One at a time',
        'never' => ['test' => 'all', 'of' => [['test' => 'moving', 'motion' => 'lid'], ['test' => 'moving', 'motion' => 'lift']]]]]]);
    $refused = array_values(array_filter(Concurrency::of($ruled, $ruled->routines['show']), fn (array $offer): bool => $offer['fix'] === null));

    expect($offers)->not->toBeEmpty()->and(array_column($offers, 'why_not'))->each->toBeNull()
        ->and($refused)->toHaveCount(1)->and($refused[0]['why_not']?->text())->toContain('One at a time');
    foreach ($offers as $offer) {
        $changed = Builds::mended($build, $offer['fix']);
        $took = fn (Build $each): float => RoutineRun::of($each, $each->routines['show'], $each->scenarios['pressed'])['took_s'];
        expect($took($build) - $took($changed))->toEqualWithDelta($offer['saves_s'], 0.12);
    }
});

it('finds what could run together inside of a loop too', function () {
    $go = fn (string $motion, string $place): array => ['do' => 'go', 'motion' => $motion, 'place' => $place, 'give_up_s' => 9];
    $build = Builds::planted(['routines.1.steps' => [['do' => 'repeat', 'times' => 2, 'steps' => [$go('lid', 'open'), $go('lift', 'high'),
        $go('lift', 'low'), $go('lid', 'shut')]]]]);
    $offers = Concurrency::of($build, $build->routines['show']);

    expect(array_column($offers, 'path'))->toContain('steps.0.steps.0')->and($offers[0]['saves_s'])->toBeGreaterThan(0.5);
    expect(Builds::mended($build, $offers[0]['fix'])->routines['show']->steps)->toHaveCount(1);
});

it('offers a slow last stretch that keeps off the stop, and takes less time than going slowly all the way', function () {
    $build = Builds::planted(['motions.2.stops.hard_high' => 0.1006, 'routines.1.steps.1' => ['do' => 'go', 'motion' => 'lift', 'place' => 'high',
        'give_up_s' => 6]]);
    $fixes = Builds::found($build, 'routine.into_stop')[0]->fixes;
    expect($fixes)->toHaveCount(2)->and($fixes[1]->does->text())->toContain('Slow only over the last');
    $ran = fn (Build $each): array => RoutineRun::of($each, $each->routines['show'], $each->scenarios['pressed']);
    $hits = fn (array $run): int => count(array_filter($run['events'], fn (array $event): bool => $event['kind'] === 'hit'));
    [$throughout, $last] = [$ran(Builds::mended($build, $fixes[0])), $ran(Builds::mended($build, $fixes[1]))];

    expect($hits($ran($build)))->toBe(1)->and($hits($last))->toBe(0)->and($last['outcome'])->toBe('finished')
        ->and($last['took_s'])->toBeLessThan($throughout['took_s'] - 1)
        ->and(array_filter(Builds::assessed(Builds::mended($build, $fixes[1]))->routines[1]['findings'],
            fn (Finding $finding): bool => $finding->severity !== Severity::Note))->toBe([]);
});

it('runs on further with more voltage and a falling load, and its offers do what they say', function () {
    $build = Builds::planted(['motions.2.stops.hard_high' => 0.1006]);
    $sheet = (new StopsSheet(new MotionInBuild($build, $build->motions['lift'], new MotionFigures($build->motions['lift']))))->sheet();
    $high = $sheet['switches'][1];
    $of = fn (string $supply, string $load): float => array_values(array_filter($high['rows'], fn (array $row): bool => $row['supply'] === $supply
        && $row['load'] === $load))[0]['distance'];

    expect($of('high', 'loaded'))->toBeGreaterThan($of('rated', 'loaded'))->and($of('rated', 'loaded'))->toBeGreaterThan($of('low', 'loaded'))
        ->and($high['worst'])->toEqualWithDelta(max(array_column($high['rows'], 'distance')), 1e-12)->and($high['left'])->toBeLessThan(0.0);
    $fixes = array_values(array_filter(array_column($high['offers'], 'fix')));
    expect($fixes)->not->toBeEmpty();
    $about = fn (string $word): array => array_values(array_filter($fixes, fn ($fix): bool => str_contains($fix->changes[0]->path, $word)));
    expect(Builds::mended($build, $about('closed')[0])->motions['lift']->stops->switches[1]->closed)->toBeTrue()
        ->and($about('routines'))->toBe([]); // nothing goes there by a single step
    foreach (array_udiff($fixes, $about('closed'), fn ($a, $b): int => spl_object_id($a) <=> spl_object_id($b)) as $fix) {
        $mended = Builds::mended($build, $fix);
        $switch = $mended->motions['lift']->stops->switches[1];
        $room = 0.1006 - $switch->at;
        expect(RunOn::of($mended->motions['lift'], $switch, $mended->settings)->distance)->toBeLessThan($room);
    }
    $ways = array_column($sheet['ways'], null, 'way');
    expect($ways['by time, and a switch to home on']['error'])->toBeGreaterThan($ways['a switch at each end']['error'])
        ->and(array_filter($sheet['ways'], fn (array $way): bool => $way['is_used']))->toHaveCount(1);
});

it('offers the slow last stretch as a change of the routine that goes there, and it is no longer run into the stop', function () {
    $build = Builds::planted(['motions.2.stops.hard_high' => 0.1006, 'routines.1.steps.1' => ['do' => 'go', 'motion' => 'lift', 'place' => 'high',
        'give_up_s' => 6]]);
    $sheet = (new StopsSheet(new MotionInBuild($build, $build->motions['lift'], new MotionFigures($build->motions['lift']))))->sheet();
    $offer = array_values(array_filter($sheet['switches'][1]['offers'], fn (array $each): bool => str_contains($each['says']->text(),
        'Slow only over the last')))[0];
    $hits = fn (Build $each): int => count(array_filter(RoutineRun::of($each, $each->routines['show'], $each->scenarios['pressed'])['events'],
        fn (array $event): bool => $event['kind'] === 'hit'));

    expect($offer['says']->text())->toContain(', in Show, ')->and($hits($build))->toBe(1)->and($hits(Builds::mended($build, $offer['fix'])))->toBe(0);
});

it('says which way a motion knows where it is, and how exact that is with its own pulses', function () {
    $of = function (array $planted): array {
        $build = Builds::planted(['motions.2.places.2' => ['id' => 'middle', 'name' => 'Middle', 'at' => 0.06], ...$planted]);

        return (new StopsSheet(new MotionInBuild($build, $build->motions['lift'], new MotionFigures($build->motions['lift']))))->sheet()['ways'];
    };
    $used = fn (array $ways): string => array_values(array_filter($ways, fn (array $way): bool => $way['is_used']))[0]['way'];
    $coarse = $of(['motions.2.stops.encoder_pulses' => 8]);
    $fine = $of(['motions.2.stops.encoder_pulses' => 96]);

    expect($used($of([])))->toBe('a switch at each end')->and($used($coarse))->toBe('an encoder of 8 pulses on its shaft')
        ->and($coarse[2]['error'])->toBeGreaterThan($fine[2]['error'])
        ->and($coarse[2]['error'] - $fine[2]['error'])->toEqualWithDelta(0.01 * 2 * M_PI * (1 / 8 - 1 / 96), 1e-9);
});

it('looks on a while when all is done: what jams in the very last step pushes on', function () {
    $build = Builds::planted(['routines.1.steps' => [['do' => 'go', 'motion' => 'jaw', 'place' => 'wide', 'give_up_s' => 1]]]);
    $sweep = new FaultSweep($build, $build->routines['show'], $build->scenarios['pressed']);
    $jams = array_values(array_filter($sweep->cases(), fn ($case): bool => $case->fault === 'jams jaw'))[0];

    expect($sweep->run($jams)['outcome'])->toBe('stalls')->and($sweep->run($jams)['says']->text())->toContain('still pushes against what holds it at the end');
});
