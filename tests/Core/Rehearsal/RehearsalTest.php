<?php

declare(strict_types=1);

use Brookstone\Core\Assessment\BuildJudge;
use Brookstone\Core\Build\Build;
use Brookstone\Core\Finding\Severity;
use Brookstone\Core\Rehearsal\Footing;
use Brookstone\Core\Rehearsal\Performance;
use Brookstone\Core\Rehearsal\Rehearsal;
use Brookstone\Core\Rehearsal\Stage;
use Brookstone\Core\Rehearsal\Start;
use Brookstone\Core\Routine\Scenario;
use Brookstone\Core\Simulation\Mishap;
use Brookstone\Core\Simulation\RoutineRun;
use Random\Engine\Mt19937;
use Random\Randomizer;
use Tests\Support\Builds;

/** @return list<string> where a routine was begun */
function begunFrom(Build $build, string $routine): array
{
    return array_map(fn (Performance $performance): string => $performance->start->says, Rehearsal::of($build)->of($routine));
}

/** @return list<string> what went wrong with a routine, wherever it was begun */
function wentWrong(Build $build, string $routine): array
{
    return array_values(array_unique(array_merge(...array_map(fn (Performance $performance): array => array_map(fn (Mishap $mishap): string => "{$mishap->kind} {$mishap->of} {$mishap->path}", $performance->mishaps),
        Rehearsal::of($build)->of($routine)))));
}

it('begins at rest, at each end, half way, as others leave it, and in the scenarios of the build', function () {
    expect(begunFrom(Builds::sound(), 'wake'))->toBe(['from power-on', 'from power-on with Lid at Open', 'from power-on with Lift at High',
        'from power-on with Lid half way', 'from power-on as Show leaves it', 'in “The button is pressed”'])
        ->and(begunFrom(Builds::sound(), 'show'))->toBe(['from power-on', 'a second time', 'from power-on with Lid at Open',
            'from power-on with Lift at High', 'from power-on with Jaw at Wide', 'from power-on with Lift half way'])
        ->and(begunFrom(Builds::planted(['routines.1.steps.7' => ['do' => 'wait', 'for_s' => 0.1]]), 'wake'))->toContain('from power-on as Show leaves it');
});

it('does each after every other that leaves things otherwise, on one stage', function () {
    $build = Builds::planted([
        'routines.1' => ['id' => 'opens', 'name' => 'Opens', 'starts' => [['when' => 'press', 'sensor' => 'button']],
            'steps' => [['do' => 'go', 'motion' => 'lid', 'place' => 'open', 'give_up_s' => 4]]],
        'routines.2' => ['id' => 'shuts', 'name' => 'Shuts', 'starts' => [['when' => 'beam', 'sensor' => 'beam']],
            'steps' => [['do' => 'go', 'motion' => 'lid', 'place' => 'shut', 'give_up_s' => 4]]],
    ]);

    expect(begunFrom($build, 'opens'))->toContain('from power-on', 'a second time')
        ->and(begunFrom($build, 'shuts'))->toContain('after Opens');
    $shuts = array_column(array_map(fn (Performance $each): array => [$each->start->says, $each], Rehearsal::of($build)->of('shuts')), 1, 0);
    expect($shuts['after Opens']->takes_s)->toBeGreaterThan(0.5)->and($shuts['from power-on']->takes_s ?? 0.0)->toBeLessThan(0.1);
});

it('takes as long as the run that it is', function (string $name) {
    $build = Builds::example($name);
    foreach (Rehearsal::of($build)->performances as $id => $performances) {
        $run = RoutineRun::of($build, $build->routines[$id], lean: true);
        expect($performances[0]->outcome)->toBe('ends')->and($performances[0]->takes_s)->toBeAbout($run['took_s'], 0.02);
    }
})->with(['casket-lid', 'star-dial', 'sun-and-moon', 'seed-feeder']);

it('answers what people are waited for, one way and the other, and lets go again', function () {
    $waits = fn (array $until): Build => Builds::planted(['routines.1.steps' => [['do' => 'wait', 'until' => $until, 'give_up_s' => 5],
        ['do' => 'wait', 'until' => ['test' => 'not', 'that' => $until], 'give_up_s' => 5]],
        'sensors.2' => ['id' => 'dusk', 'name' => 'Dusk', 'kind' => 'light', 'rest' => 80]]);
    $outcome = fn (array $until): Performance => Rehearsal::of($waits($until))->of('show')[0];

    expect($outcome(['sensor' => 'beam'])->outcome)->toBe('ends')
        ->and($outcome(['sensor' => 'beam'])->takes_s)->toBeAbout(1.3, 0.05)
        ->and($outcome(['sensor' => 'beam', 'for_s' => 1.5])->outcome)->toBe('ends')
        ->and($outcome(['test' => 'level', 'sensor' => 'dusk', 'is' => 'below', 'value' => 40])->outcome)->toBe('ends')
        ->and($outcome(['test' => 'all',
            'of' => [['sensor' => 'beam'], ['test' => 'level', 'sensor' => 'dusk', 'is' => 'below', 'value' => 40]]])->outcome)->toBe('ends')
        ->and($outcome(['test' => 'any', 'of' => [['sensor' => 'lid-open'], ['sensor' => 'beam']]])->outcome)->toBe('ends')
        ->and($outcome(['sensor' => 'lid-open'])->outcome)->toBe('gives_up'); // nobody does that by hand
});

it('goes each way where a routine chooses by what people do', function () {
    $build = Builds::planted(['routines.1.steps' => [['do' => 'choose', 'if' => ['sensor' => 'beam'], 'then' => [['do' => 'wait', 'for_s' => 2]],
        'otherwise' => [['do' => 'wait', 'for_s' => 4]]]]]);
    $takes = [];
    foreach (Rehearsal::of($build)->of('show') as $performance) {
        $takes[$performance->start->says] = round($performance->takes_s ?? 0.0, 1);
    }

    expect($takes['from power-on'])->toBe(4.0)->and($takes['when Beam is broken'])->toBe(2.0)->and($takes['when it is not so that Beam is broken'])->toBe(4.0);
});

it('sees that a loop without end comes round, and goes on no further', function () {
    $build = Builds::planted(['routines.1.steps' => [['do' => 'repeat', 'times' => null,
        'steps' => [['do' => 'go', 'motion' => 'lid', 'place' => 'open', 'give_up_s' => 4], ['do' => 'go', 'motion' => 'lid', 'place' => 'shut',
            'give_up_s' => 4]]]]]);
    $performance = Rehearsal::of($build)->of('show')[0];

    expect($performance->outcome)->toBe('comes_round')->and($performance->until_s)->toBeLessThan(15.0)->and($performance->mishaps)->toBe([]);
    $counts = Builds::planted(['counters' => [['id' => 'n', 'name' => 'N']],
        'routines.1.steps' => [['do' => 'repeat', 'times' => null, 'steps' => [['do' => 'set', 'counter' => 'n', 'add' => 1],
            ['do' => 'wait', 'for_s' => 20]]]]]);
    expect(Rehearsal::of($counts)->of('show')[0]->outcome)->toBe('bounded')
        ->and(Rehearsal::of($counts)->of('show')[0]->until_s)->toBeLessThan(Stage::MOST_S + 1.0);
});

it('starts by hand what another takes the press of', function () {
    $build = Builds::planted(['routines.2' => ['id' => 'too', 'name' => 'Too', 'alone' => true, 'starts' => [['when' => 'press', 'sensor' => 'button']],
        'steps' => [['do' => 'go', 'motion' => 'lid', 'place' => 'open', 'give_up_s' => 4]]]]);
    $too = Rehearsal::of($build)->of('too')[0];

    expect($too->outcome)->toBe('ends')->and($too->until_s)->toBeLessThan(40.0);
});

it('looks at the plain starts alone where all would take too long, and says so', function () {
    $long = fn (string $id): array => ['id' => $id, 'name' => ucfirst($id), 'starts' => [['when' => 'beam', 'sensor' => 'beam']],
        'steps' => [['do' => 'go', 'motion' => 'lid', 'place' => 'open', 'give_up_s' => 4], ['do' => 'wait', 'for_s' => 500]]];
    $build = Builds::planted(['scenarios' => [], 'routines' => array_map(fn (int $i): array => $long("r{$i}"), range(1, 9))]);
    $rehearsed = Rehearsal::of($build);

    expect($rehearsed->isWhole)->toBeFalse()->and(array_map(count(...), $rehearsed->performances))->each->toBeGreaterThan(0)
        ->and(array_map(fn ($finding): string => $finding->says->text(), Builds::findings(BuildJudge::atOnce($build, null, $rehearsed),
            'routine.rehearsed_in_part')))->toContain('All rehearsals together would take longer than 2000 s: routines were run from power-on, and not from every other start.')
        ->and(Rehearsal::of(Builds::sound())->isWhole)->toBeTrue();
});

it('finds what only a run shows, with the step that does it', function (array $planted, string $wrong) {
    expect(wentWrong(Builds::sound(), 'show'))->toBe([])->and(wentWrong(Builds::planted($planted), 'show'))->toContain($wrong);
})->with([
    'driven past its switch for a time' => [['routines.1.steps.1' => ['do' => 'run', 'motion' => 'lift', 'direction' => 'up', 'for_s' => 8]],
        'hit lift steps.1'],
    'and pushing there' => [['routines.1.steps.1' => ['do' => 'run', 'motion' => 'lift', 'direction' => 'up', 'for_s' => 8]], 'stall lift steps.1'],
    'waiting for what never comes' => [['routines.1.steps.9' => ['do' => 'wait', 'until' => ['sensor' => 'lid-open'], 'give_up_s' => 3]], 'vain show steps.9'],
]);

it('does not take a rule for a motion of the same name', function () {
    $build = Builds::planted(['rules' => [['id' => 'lid', 'name' => 'Lift stays down', 'never' => ['test' => 'between', 'motion' => 'lift', 'from' => 0.05,
        'to' => 0.2]]]]);
    $broken = array_values(array_filter(Rehearsal::of($build)->of('show')[0]->mishaps, fn (Mishap $mishap): bool => $mishap->kind === 'rule'))[0];

    expect($broken->motion())->toBeNull()->and($broken->path)->toBe('steps.1');
});

it('calls half a second of pushing in vain a stall, and no less', function (float $for_s, bool $stalls) {
    // It is there after 3.2 s.
    $build = Builds::planted(['routines.1.steps.1' => ['do' => 'run', 'motion' => 'lift', 'direction' => 'up', 'for_s' => $for_s]]);

    expect(in_array('stall lift steps.1', wentWrong($build, 'show'), true))->toBe($stalls)->and(wentWrong($build, 'show'))->toContain('hit lift steps.1');
})->with([[3.65, false], [3.85, true]]);

it('says once what several starts show, and names the plainest', function () {
    $assessment = Builds::assessed(Builds::planted(['routines.1.steps.1' => ['do' => 'run', 'motion' => 'lift', 'direction' => 'up', 'for_s' => 8]]));
    $found = Builds::findings($assessment, 'routine.hits');

    expect(array_unique(array_map(fn ($finding): string => $finding->says->text(), $found)))->toHaveCount(1)
        ->and($found[0]->says->text())->toBe('Lift hits its hard stop at 34.3 mm/s with 0.167 J when Show is run from power-on, and from 5 other starts.')
        ->and($found[0]->severity)->toBe(Severity::Fails)->and($found[0]->place)->toBe('routines.1.steps.1')
        ->and($assessment->rehearsed)->toBeTrue()->and($assessment->verdict->value)->toBe('fails');
});

it('does not tell again what follows from a fault that is told already', function () {
    $weak = Builds::assessed(Builds::planted(['motions.0.mechanism.payload_kg' => 3.0, 'motions.0.mechanism.payload_m' => 0.24]));

    expect(Builds::findings($weak, 'drive.peak_margin'))->not->toBe([])->and(Builds::findings($weak, 'routine.gives_up'))->toBe([])
        ->and(Builds::findings($weak, 'routine.stalls'))->toBe([]);
});

it('gives a first answer that it does not take back', function () {
    foreach ([Builds::sound(), Builds::demo('heron-wharf'),
        Builds::planted(['routines.1.steps.1' => ['do' => 'run', 'motion' => 'lift', 'direction' => 'up', 'for_s' => 8]])] as $build) {
        [$first, $whole] = [BuildJudge::atOnce($build), Builds::assessed($build)];
        expect($first->rehearsed)->toBeFalse()->and(array_diff($first->codes(), $whole->codes()))->toBe([])
            ->and($whole->verdict->rank())->toBeGreaterThanOrEqual($first->verdict->rank());
    }
});

it('rehearses nothing that is not finished', function () {
    expect(Rehearsal::of(Builds::planted(['motions.2.drive' => null]))->of('show'))->toBe([])
        ->and(Rehearsal::of(Builds::planted(['routines.1.steps' => []]))->of('show'))->toBe([]);
});

it('is the same every time', function () {
    $build = Builds::sound();

    expect(json_encode(Rehearsal::of($build)->performances))->toBe(json_encode(Rehearsal::of($build)->performances));
});

it('lets only what is told go wrong in a run of a build that holds', function (int $seed) {
    // Random patience, speeds, loads and ways: where the whole verdict is sound, no run of any routine goes wrong.
    mt_srand($seed);
    $build = Builds::planted([
        'log' => [], 'motions.2.mechanism.mass_kg' => mt_rand(20, 120) / 100, 'motions.0.mechanism.mass_kg' => mt_rand(10, 60) / 100,
        'motions.2.stops.hard_high' => 0.1 + mt_rand(2, 100) / 1e4,
        'routines.1.steps.0.speed' => mt_rand(20, 100) / 100, 'routines.1.steps.6.give_up_s' => mt_rand(20, 90) / 10,
        'routines.1.steps.6.speed' => mt_rand(30, 100) / 100,
        'routines.1.steps.1' => mt_rand(0, 1) === 0 ? ['do' => 'run', 'motion' => 'lift', 'direction' => 'up', 'for_s' => mt_rand(10, 60) / 10]
            : ['do' => 'go', 'motion' => 'lift', 'place' => 'high', 'give_up_s' => 6],
        'supplies.0.max_A' => mt_rand(18, 50) / 10,
    ]);
    $isSound = Builds::assessed($build)->verdict->rank() < 2;
    $at = ['lid' => [0.0, 70.0, 35.0][mt_rand(0, 2)], 'lift' => [0.0, 0.1, 0.05][mt_rand(0, 2)]];
    foreach ($build->routines as $routine) {
        foreach (Stage::perform($build, new Footing($build), $routine, new Start('somewhere', $at))->performances as $performance) {
            expect($isSound ? $performance->mishaps : [])->toBe([]);
        }
    }
    expect(true)->toBeTrue();
})->with(range(1, 40));

it('plays what was rehearsed, written down, to the same end', function (string $name) {
    $build = Builds::example($name);
    foreach (Rehearsal::of($build)->performances as $performances) {
        foreach ($performances as $performance) {
            $trace = Stage::play($build, $performance);
            expect($trace['outcome'])->toBe('finished')->and($trace['took_s'])->toBe($performance->takes_s)
                ->and($trace['ran_s'])->toBeAbout($performance->until_s, 1e-6)
                ->and(count($trace['motions'][0]['position']))->toBeGreaterThan(5)->and($trace['verdict'])->toBe('holds');
        }
    }
})->with(['casket-lid', 'star-dial', 'seed-feeder']);

it('runs on a battery nearly empty and freshly charged, where it is one', function () {
    $on = fn (?float $capacity_Ah, float $give_up_s): Build => Builds::planted(['supplies.0.capacity_Ah' => $capacity_Ah, 'routines.1.steps.6.give_up_s' => $give_up_s, 'scenarios' => []]);
    expect(begunFrom($on(5.0, 6.0), 'show'))->toContain('from power-on with Main nearly empty', 'from power-on with Main freshly charged')
        ->and(begunFrom($on(null, 6.0), 'show'))->not->toContain('from power-on with Main nearly empty');

    $takes = array_column(array_map(fn (Performance $each): array => [$each->start->says, $each->takes_s], Rehearsal::of($on(5.0, 6.0))->of('show')), 1, 0);
    expect($takes['from power-on with Main freshly charged'])->toBeLessThan($takes['from power-on'])
        ->and($takes['from power-on with Main nearly empty'])->toBeGreaterThan($takes['from power-on']);

    // In time with all of its voltage, too late with nine tenths of it: only a battery has that.
    $said = fn (Build $build): array => array_map(fn ($finding): string => $finding->says->text(),
        Builds::found($build, 'routine.gives_up'));
    expect($said($on(5.0, 3.1)))->toContain('Show gives up: Lift did not reach Lift low switch when Show is run from power-on with Main nearly empty.')
        ->and($said($on(null, 3.1)))->toBe([])->and($said($on(5.0, 3.6)))->toBe([]);

    // Played again it is the same.
    $build = $on(5.0, 6.0);
    $empty = array_values(array_filter(Rehearsal::of($build)->of('show'), fn (Performance $each): bool => $each->start->fed === ['main' => 0.9]))[0];
    expect(Stage::play($build, $empty)['took_s'])->toBe($empty->takes_s);
});

it('judges nothing sound that goes wrong when it is run, wherever its motions stand at first', function (int $seed) {
    $random = new Randomizer(new Mt19937($seed));
    $between = fn (float $low, float $high): float => $low + ($high - $low) * $random->getInt(0, 1_000_000) / 1e6;
    $varied = ['motions.0.mechanism.mass_kg' => [0.1, 0.5], 'motions.2.mechanism.mass_kg' => [0.2, 1.2], 'routines.0.steps.0.speed' => [0.2, 1.0],
        'routines.0.steps.1.speed' => [0.2, 1.0], 'routines.1.steps.0.speed' => [0.3, 1.0], 'routines.1.steps.6.speed' => [0.3, 1.0],
        'motions.0.drive.duty' => [0.5, 1.0], 'motions.2.drive.duty' => [0.5, 1.0], 'motions.0.stops.hard_high' => [70.5, 80.0],
        'motions.2.stops.hard_high' => [0.1002, 0.12], 'motions.0.stops.hard_low' => [-8.0, -0.3], 'motions.2.drive.ramp_s' => [0.0, 0.5],
        'supplies.0.max_A' => [2.0, 6.0]];
    $sound = 0;
    while ($sound < 5) {
        $build = Builds::planted(array_map(fn (array $range): float => $between(...$range),
            array_intersect_key($varied, array_flip($random->pickArrayKeys($varied, 4)))) + ['scenarios' => [], 'log' => []]);
        if (Builds::assessed($build)->faults() !== []) {
            continue;
        }
        $sound++;
        foreach ($build->routines as $routine) {
            foreach ([1, 2, 3] as $i) {
                $at = ['lid' => $between(...$build->motions['lid']->range()), 'lift' => $between(...$build->motions['lift']->range())];
                $run = RoutineRun::of($build, $routine, new Scenario('any', 'Any', 60.0, $at, []), lean: true);
                expect(array_map(fn (array $mishap): string => $mishap['says']->text(), $run['mishaps']))->toBe([],
                    "{$routine->name} of {$seed} from ".json_encode($at));
            }
        }
    }
})->with([1, 2]);

it('comes to an end where what it does on failing fails itself, or calls it anew', function (array $fails, array $says) {
    $build = Builds::planted(['routines.1.steps.0.give_up_s' => 0.05, 'routines.1.if_fails' => $fails]);
    $run = RoutineRun::of($build, $build->routines['show'], $build->scenarios['pressed'], lean: true);
    $codes = Builds::assessed($build)->codes();

    expect($run['outcome'])->toBe('faulted')->and($run['ran_s'])->toBeLessThan(9.0)->and($run['fault'])->toContain('Lid did not reach')
        ->and($codes)->toContain('routine.give_up_short')
        ->and(array_intersect($codes, ['routine.calls_itself', 'routine.search_bound']))->toEqualCanonicalizing($says);
})->with([
    'a fault' => [[['do' => 'fault', 'message' => 'Stuck']], []],
    'a signal, then a fault' => [[['do' => 'signal', 'output' => 'lamp'], ['do' => 'fault', 'message' => 'Stuck']], []],
    'a choice of faults' => [[['do' => 'choose', 'if' => ['sensor' => 'beam'], 'then' => [['do' => 'fault', 'message' => 'A']],
        'otherwise' => [['do' => 'fault', 'message' => 'B']]]], []],
    'itself' => [[['do' => 'call', 'routine' => 'show']], ['routine.calls_itself']],
    'another, which does not fail' => [[['do' => 'call', 'routine' => 'wake']], []],
]);
