<?php

declare(strict_types=1);

use Brookstone\Core\Assessment\Assessment;
use Brookstone\Core\Assessment\BuildJudge;
use Brookstone\Core\Assessor;
use Brookstone\Core\Build\Build;
use Brookstone\Core\Finding\Change;
use Brookstone\Core\Finding\Finding;
use Brookstone\Core\Finding\Fix;
use Brookstone\Core\Finding\Sentence;
use Brookstone\Core\Finding\Severity;
use Brookstone\Core\Mend\ByHand;
use Brookstone\Core\Mend\InMind;
use Brookstone\Core\Mend\MendAll;
use Brookstone\Core\Mend\Mender;
use Brookstone\Core\Mend\Scale;
use Brookstone\Core\Mend\Step;
use Brookstone\Core\Rehearsal\Rehearsal;
use Tests\Support\Builds;
use Tests\Support\Faulty;

/** The findings that are worse than notes, each once. @return array<string, Finding> */
function faultsOf(Assessment $assessment): array
{
    $faults = [];
    foreach ($assessment->findings() as $finding) {
        if ($finding->severity !== Severity::Note && ! str_starts_with($finding->code, 'proof.')) {
            $faults["{$finding->code} {$finding->place}"] ??= $finding;
        }
    }

    return $faults;
}

/** How many fail and are tight, by code: `drive.peak_margin fails`. @return array<string, int> */
function tally(Assessment $assessment): array
{
    $tally = [];
    foreach (faultsOf($assessment) as $finding) {
        foreach ($finding->severity === Severity::Fails ? ['fails', 'tight'] : ['tight'] as $at) {
            $tally["{$finding->code} {$at}"] = ($tally["{$finding->code} {$at}"] ?? 0) + 1;
        }
    }

    return $tally;
}

/** The whole judgement of a build, with what mends it: each build is judged once. */
function wholly(Build $build): Assessment
{
    static $judged = [];

    return $judged[hash('xxh128', $build->toJson())] ??= Assessor::assess($build);
}

/** @return list<string> what is offered for a code */
function offered(Build $build, string $code): array
{
    $finding = Builds::findings(wholly($build), $code)[0] ?? throw new LogicException("Nothing is said of {$code}.");

    return array_map(fn (Fix $fix): string => $fix->does->text(), $finding->fixes);
}

it('leaves nothing as bad by any mend that it offers, and the machine running', function (int $first, int $cases) {
    $tried = 0;
    for ($number = $first; $number < $first + $cases; $number++) {
        $build = Faulty::build($number);
        $rehearsed = Rehearsal::of($build);
        $before = Assessor::assess($build, null, $rehearsed);
        $judged = []; // what mends two findings is judged once
        foreach (faultsOf($before) as $finding) {
            foreach ($finding->fixes as $fix) {
                $mended = Builds::mended($build, $fix);
                [$again, $after] = $judged[$mended->toJson()] ??= [$rehearsedAgain = Rehearsal::of($mended),
                    BuildJudge::proposed($mended, null, $rehearsedAgain)];
                $says = "of {$number}: {$fix->does->text()}";
                $worse = array_filter(tally($after), fn (int $count, string $of): bool => $count > (tally($before)[$of] ?? 0), ARRAY_FILTER_USE_BOTH);
                expect($worse)->toBe([], $says)
                    ->and(count(array_filter(faultsOf($after),
                        fn (Finding $each): bool => $each->code === $finding->code)))->toBeLessThan(count(array_filter(faultsOf($before),
                            fn (Finding $each): bool => $each->code === $finding->code)), $says);
                foreach ($rehearsed->performances as $routine => $performances) {
                    if (($performances[0]->outcome ?? '') === 'ends') {
                        expect($again->of($routine)[0]->outcome)->toBe('ends', $says);
                    }
                }
                $tried++;
            }
        }
    }
    expect($tried)->toBeGreaterThan($cases); // there was something to mend
})->with(function (): array {
    $cases = (int) (getenv('BROOKSTONE_MEND_CASES') ?: 20);

    return array_map(fn (int $first): array => [$first, min(10, $cases - $first)], range(0, $cases - 1, 10));
});

it('offers nothing before it is tried', function () {
    $build = Builds::planted(['supplies.0.max_A' => 1.5]);
    $fixes = fn (Assessment $assessment): int => count(array_merge(...array_map(fn (Finding $finding): array => $finding->fixes, $assessment->findings())));

    expect(BuildJudge::atOnce($build)->tried)->toBeFalse()->and($fixes(BuildJudge::atOnce($build)))->toBe(0)->and(BuildJudge::atOnce($build)->mend)->toBeNull()
        ->and(wholly($build)->tried)->toBeTrue()->and($fixes(wholly($build)))->toBeGreaterThan(1)->and(wholly($build)->mend)
        ->not->toBeNull();
});

it('goes on where it was left, the worst first', function () {
    $build = Builds::planted(['supplies.0.max_A' => 1.5]);
    $mender = new Mender($build, null, Rehearsal::of($build));
    $first = (string) $mender->next([]);
    $tried = [$first => $mender->tried($first)];

    expect($mender->proposals()[$first][0]->severity)->toBe(Severity::Fails)
        ->and($mender->offering($tried)->tried)->toBeFalse()
        ->and($mender->next($tried))->not->toBe($first)->not->toBeNull()
        ->and(count(array_merge(...array_map(fn (Finding $finding): array => $finding->fixes, $mender->offering($tried)->findings()))))->toBe(1);
});

it('makes one mend of several changes where the one needs the other', function () {
    $fixes = Builds::findings(wholly(Builds::demo('heron-wharf')), 'drive.peak_margin')[0]->fixes;
    $gears = array_values(array_filter($fixes, fn (Fix $fix): bool => str_starts_with($fix->does->template, 'Gear it down')))[0];

    expect($gears->does->text())->toContain('take brass for stage 1')->toContain('move the switch to')
        ->and(array_map(fn (Change $change): string => $change->path, $gears->changes))->toBe(['motions.1.train', 'motions.1.train.0.material',
            'motions.1.stops.switches.1.at']);
});

it('says what a mend costs, as it was rehearsed', function () {
    $build = Builds::planted(['motions.2.drive.duty' => 0.6, 'motions.2.task.move_s' => 4, 'scenarios' => []]);
    $fix = Builds::findings(wholly($build), 'drive.over_target')[0]->fixes[0];
    $mended = Builds::mended($build, $fix);
    $costs = implode(' · ', array_map(fn (Sentence $cost): string => $cost->text(), $fix->costs));

    expect($fix->does->text())->toBe('Drive it at full duty')
        ->and($costs)->toContain(sprintf('Lift draws up to %.3g A instead of %.3g A', $mended->motions['lift']->drive->startsWith_A(),
            $build->motions['lift']->drive->startsWith_A()))
        ->and($costs)->toContain(' takes '.sprintf('%.3g s instead of %.3g s', Rehearsal::of($mended)->longest_s('wake'),
            Rehearsal::of($build)->longest_s('wake')));
});

it('takes no other kind of drive where the same kind will do, and one that will do at all', function () {
    $fixes = Builds::findings(wholly(Builds::demo('heron-wharf')), 'drive.peak_margin')[0]->fixes;
    $drives = array_values(array_filter($fixes, fn (Fix $fix): bool => Scale::takesDrive($fix->changes)));
    expect($drives)->toHaveCount(1)->and($drives[0]->changes[0]->value['kind'])->toBe('dc_motor');

    // In half a second no gear motor of the drawer gets its own rotor to speed behind its gears.
    $hasty = Builds::findings(wholly(Builds::planted(['motions.2.task.move_s' => 0.5, 'scenarios' => []])), 'drive.peak_margin')[0]->fixes;
    expect(Scale::of(Builds::sound(), $hasty[0]))->toBe(Scale::Principle)->and($hasty[0]->changes[0]->value['kind'])->toBe('stepper');
});

it('brings with a choice what that needs', function () {
    $build = Builds::planted(['motions.1.task.move_s' => 3, 'routines.1.steps.3.give_up_s' => 8, 'routines.1.steps.5.give_up_s' => 8, 'scenarios' => []]);
    $mender = new Mender($build, null, Rehearsal::of($build));
    $motor = fn (string $supply): Fix => new Fix(new Sentence('Take W24-150'),
        [new Change('motions.1.drive', ['motor' => Builds::motor('W24-150'), 'supply' => $supply])]);

    // It was a servo, which knows its place: a motor needs switches, is homed, and another supply.
    $took = $mender->completed($motor('main'));
    expect($took->fix?->does->text())->toBe('Take W24-150; feed it from Servo rail, 6 V; put a switch at Closed; home Jaw onto Closed switch first; put a switch at Wide')
        ->and($took->brings)->toBeNull();
    $mended = Builds::mended($build, $took->fix ?? throw new LogicException);
    // measured with the servo
    expect(BuildJudge::proposed($mended, null, Rehearsal::of($mended))->faults())->toHaveCount(1)->each->toHaveProperty('code', 'proof.differs');

    // What nothing makes good is said, and the choice stays what it is.
    $weak = $mender->completed(new Fix(new Sentence('Take S20'),
        [new Change('motions.0.drive', ['motor' => Builds::motor('S20 nylon'), 'supply' => 'servos'])]));
    expect($weak->fix?->changes)->toHaveCount(1)->and($weak->brings?->text())->toContain('N·m');
    expect($mender->completed(new Fix(new Sentence('As it is'), [new Change('motions.0.drive.duty', 1.0)]))->brings)->toBeNull();
});

it('puts the least change first', function (string $path, mixed $value, Scale $scale) {
    expect(Scale::of(Builds::sound(), new Fix(new Sentence(''), [new Change($path, $value)])))->toBe($scale);
})->with([
    ['motions.0.drive.duty', 0.5, Scale::Setting], ['settings.debounce_s', 0.02, Scale::Setting], ['routines.0.steps.1.give_up_s', 3, Scale::Setting],
    ['routines.1.steps.0.speed', 0.5, Scale::Setting], ['wiring.sleeps', true, Scale::Setting], ['wiring.boards.2.address', 33, Scale::Setting],
    ['motions.0.stops.switches.0.at', 1, Scale::Place], ['motions.0.stops.hard_low', 1, Scale::Place], ['routines.0.starts', [], Scale::Place],
    ['wiring.wires.3.pin', 'p4', Scale::Place], ['wiring.boards.1.board', [], Scale::Part],
    ['routines.0.steps', [], Scale::Step], ['motions.0.train', [], Scale::Part], ['supplies.0.max_A', 4, Scale::Part],
    ['motions.0.stops.switches', [], Scale::Part],
    ['motions.0.drive.motor', ['kind' => 'dc_motor'], Scale::Part], ['motions.0.drive.motor', ['kind' => 'servo'], Scale::Principle],
    ['motions.0.task.move_s', 9, Scale::AsksLess], ['routines.1.target_s', 9, Scale::AsksLess],
]);

it('mends all that can be mended, each less than before, and says where it ends', function (array $planted, array $left) {
    $build = Builds::planted($planted + ['scenarios' => []]);
    $steps = [];
    foreach ($plan = MendAll::of($build, null, new InMind) as $step) {
        if ($step !== null) {
            $steps[] = $step;
            $build = Builds::mended($build, $step->fix);
        }
    }
    $counts = array_map(fn (Step $step): int => array_sum($step->before), $steps);
    $sinking = $counts;
    rsort($sinking);

    expect($plan->getReturn()->build->document)->toBe($build->document)
        ->and($counts)->toBe($sinking)->and(count(array_unique($counts)))->toBe(count($counts))
        ->and(array_values(array_unique(array_map(fn (Finding $finding): string => $finding->code, array_filter(Builds::assessed($build)->faults(),
            fn (Finding $finding): bool => ! str_starts_with($finding->code, 'proof.'))))))->toBe($left);
})->with([
    'three mistakes' => [['supplies.0.max_A' => 1.5, 'motions.0.stops.switches.1.at' => 60, 'routines.1.steps.6.give_up_s' => 1], []],
    'one that nothing mends' => [['supplies.0.max_A' => 1.5, 'routines.1.target_s' => 1], ['routine.over_target']],
    'none' => [[], []],
]);

it('does without what is dropped', function () {
    $steps = fn (array $dropped): array => array_values(array_filter(iterator_to_array(MendAll::of(Builds::planted(['motions.2.drive.duty' => 0.6, 'scenarios' => []]), null, new InMind,
        $dropped), false)));
    $all = $steps([]);
    $less = $steps([$all[0]->mark]);

    expect($all[0]->fix->does->text())->toBe('Drive it at full duty')
        ->and(array_map(fn (Step $step): string => $step->mark, $less))->not->toContain($all[0]->mark)
        ->and($less[0]->mends->text())->toBe($all[0]->mends->text());
});

it('says what a person would do where nothing mends it, and what came closest', function () {
    $build = Builds::planted(['routines.1.steps.2' => ['do' => 'wait', 'for_s' => 3], 'motions.2.stops.switches.1.at' => 0.1, 'scenarios' => [],
        'supplies.0.max_A' => 0.01, 'supplies.1.max_A' => 0.01, 'routines.1.target_s' => 1]);
    $finding = Builds::findings(wholly($build), 'routine.over_target')[0];

    expect($finding->fixes)->toBe([])->and($finding->instead?->text())->toStartWith('Let things move beside each other');
    $closest = ByHand::of($finding, [new Fix(new Sentence('Take {n}', ['n' => Brookstone\Core\Quantity\Quantity::of(2.0, 's')]), [new Change('name', 'x')]),
        new Sentence('It stalls for {n}.', ['n' => Brookstone\Core\Quantity\Quantity::of(3.0, 's')])]);
    expect($closest?->text())->toEndWith('Tried: take 2 s. But then: it stalls for 3 s.');
});

it('knows what a person would do about all that can fail', function () {
    preg_match_all('/^\| `([a-z_.]+)` \| fails \| (?!\(calculator\))/m', (string) file_get_contents(__DIR__.'/../../../docs/findings.md'), $listed);

    expect(count($listed[1]))->toBeGreaterThan(60)->and(array_values(array_diff($listed[1], array_keys(ByHand::SAYS))))->toBe([]);
});

it('mends what only a run shows', function (array $planted, string $code, string $does) {
    expect(offered(Builds::planted($planted + ['scenarios' => []]), $code))->toContain($does);
})->with([
    'a run for too long is ended by its switch' => [['routines.1.steps.1' => ['do' => 'run', 'motion' => 'lift', 'direction' => 'up', 'for_s' => 8]],
        'routine.hits', 'Run it until Lift high switch trips'],
    'a run that goes on is stopped' => [['routines.1.steps.2' => ['do' => 'wait', 'for_s' => 3]], 'routine.stalls', 'Stop it then'],
    'a supply that gives too little is a stronger one' => [['supplies.0.max_A' => 1.5], 'drive.supply_current',
        'Take a supply for Main that gives 2.7 A, instead of 1.5 A'],
    'a start that asks too much is made softly' => [['supplies.0.max_A' => 1.5], 'drive.supply_current',
        'Start it softly: from nothing to its speed over 0.05 s'],
    'what nobody homes is homed when the power comes on' => [['routines.0.steps' => [['do' => 'home', 'motion' => 'lift', 'switch' => 'lift-low',
        'give_up_s' => 9]]], 'routine.moves_before_home', 'When the power comes on, home Lid onto Lid shut switch'],
    'and in a routine of its own where there is none for that' => [['routines.0.starts' => [['when' => 'beam', 'sensor' => 'beam']],
        'routines.0.steps' => [['do' => 'home', 'motion' => 'lid', 'switch' => 'lid-shut', 'give_up_s' => 5]],
        'routines.1.steps' => [['do' => 'go', 'motion' => 'lid', 'place' => 'open', 'give_up_s' => 4]]], 'routine.moves_before_home',
        'When the power comes on, home Lid onto Lid shut switch'],
    'two that start at once and ask too much start softly' => [['supplies.0.max_A' => 3.5, 'routines.1.steps' => [
        ['do' => 'together', 'until' => 'all', 'branches' => [[['do' => 'go', 'motion' => 'lid', 'place' => 'open', 'give_up_s' => 4]],
            [['do' => 'go', 'motion' => 'lift', 'place' => 'high', 'give_up_s' => 6]]]],
        ['do' => 'go', 'motion' => 'lift', 'place' => 'low', 'give_up_s' => 6], ['do' => 'go', 'motion' => 'lid', 'place' => 'shut', 'give_up_s' => 4],
    ]], 'routine.starts_together', 'Start Lid and Lift softly: from nothing to full command over 0.3 s'],
    'what nothing starts is started by a person' => [['routines.1.starts' => []], 'routine.never_starts', 'Start it when Button is pressed'],
    'what takes too long goes beside another' => [['routines.1.target_s' => 9], 'routine.over_target',
        'Take Lift to Low; give up after 6 s, and beside it: take Lid to Shut; give up after 4 s.'],
]);

it('balances what a linkage moves by a spring, and asks for a smaller portion where one goes too far', function (array $planted, string $code, string $does,
    array $change) {
    $build = Builds::planted(['log' => [], 'scenarios' => [], ...$planted]);
    $mender = new Mender($build, null, Rehearsal::of($build));
    $offered = null;
    foreach ($mender->proposals() as $key => [$finding, $fix]) {
        if ($finding->code === $code && str_starts_with($fix->does->text(), $does)) {
            $offered = $mender->tried($key)->fix;
        }
    }

    expect($offered)->not->toBeNull()->and(array_map(fn (Change $each): string => $each->path, $offered->changes))->toBe($change);
})->with([
    'a spring at the part' => [
        ['motions.1.mechanism' => ['kind' => 'pushed', 'arm_m' => 0.012, 'horn_m' => 0.016, 'pivot_distance_m' => 0.07, 'mass_kg' => 0.3, 'cg_m' => 0.05,
            'half_travel_deg' => 50, 'friction_Nm' => 0.002], 'motions.1.task.move_s' => 1.0],
        'drive.holding', 'Balance half of it: a spring', ['motions.1.mechanism.spring_Nm_per_deg', 'motions.1.mechanism.spring_rest_deg'],
    ],
    'a smaller amount' => [
        ['motions.2.stops.encoder_pulses' => 480, 'routines.1.steps' => [['do' => 'home', 'motion' => 'lift', 'switch' => 'lift-low', 'give_up_s' => 9],
            ['do' => 'go_by', 'motion' => 'lift', 'by' => 0.13, 'give_up_s' => 9], ['do' => 'go', 'motion' => 'lift', 'place' => 'low', 'give_up_s' => 9]]],
        'routine.by_past_stop', 'Move it only 100 mm up', ['routines.1.steps.1.by'],
    ],
]);
