<?php

declare(strict_types=1);

use App\Programs\Prover;
use App\Programs\Texts;
use App\Programs\Workbench;
use Brookstone\Core\Allotment\Allotter;
use Brookstone\Core\Allotment\Needs;
use Brookstone\Core\Assessment\BuildJudge;
use Brookstone\Core\Assessment\Remembered;
use Brookstone\Core\Assessment\Selection\DriveConcepts;
use Brookstone\Core\Assessment\Selection\DriveSearch;
use Brookstone\Core\Assessment\Selection\Goal;
use Brookstone\Core\Assessment\Train\TrainMaking;
use Brookstone\Core\Assessor;
use Brookstone\Core\Bench\Trials;
use Brookstone\Core\Build\Build;
use Brookstone\Core\Build\Editor;
use Brookstone\Core\Drive\Drawer;
use Brookstone\Core\Drive\Drives;
use Brookstone\Core\Drive\Stock;
use Brookstone\Core\Machine\Clearance;
use Brookstone\Core\Mend\InMind;
use Brookstone\Core\Mend\MendAll;
use Brookstone\Core\Mend\Mender;
use Brookstone\Core\Program\Language;
use Brookstone\Core\Program\Package;
use Brookstone\Core\Reach\Search as Reach;
use Brookstone\Core\Rehearsal\Performance;
use Brookstone\Core\Rehearsal\Rehearsal;
use Brookstone\Core\Simulation\RoutineRun;
use Brookstone\Core\Study\DriftFan;
use Brookstone\Core\Study\FaultSweep;
use Brookstone\Core\Train\GearStock;
use Brookstone\Core\Train\Ratios;
use Brookstone\Core\Train\Search;
use Brookstone\Core\Wiring\BoardStock;
use Brookstone\Core\Wiring\WiringPlan;

// Medians of the computing core, as JSON. Run by bin/bench with the compiler on. Each figure is taken in a process of its
// own: what the compiler has made of one run would else make another quicker or slower. With names, those alone.

gc_disable(); // as in public/index.php

require __DIR__.'/../../vendor/autoload.php';

/** @return float the median of so many runs, ms, after some that let the compiler do its work */
function median(callable $run, int $times): float
{
    for ($i = 0; $i < $times / 2; $i++) {
        $run();
    }
    $took = [];
    for ($i = 0; $i < $times; $i++) {
        $start = hrtime(true);
        $run();
        $took[] = (hrtime(true) - $start) / 1e6;
    }
    sort($took);

    return round($took[intdiv($times, 2)], 2);
}

$json = (string) file_get_contents(__DIR__.'/../../database/demo/heron-wharf.brookstone.json');
$heron = Build::fromJson($json);
$mended = Editor::apply($heron, array_map(fn ($change): array => ['path' => $change->path, 'value' => $change->value],
    BuildJudge::proposed($heron)->mend->changes));

/** So many motions that move without a pause for so long: some there and back on their switches, two round and round. */
/** Everything of a build twice: twelve motions and ten routines. */
function doubled(Build $build): Build
{
    $lists = ['motions', 'sensors', 'outputs', 'counters', 'rules', 'routines', 'scenarios'];
    $document = json_decode($build->toJson(), true);
    $ids = array_merge(...array_map(fn (string $list): array => array_column($document[$list], 'id'), $lists),
        ...array_map(fn (array $motion): array => array_column($motion['stops']['switches'], 'id'), $document['motions']));
    $second = $build->toJson();
    foreach ($ids as $id) {
        $second = str_replace("\"{$id}\"", "\"{$id}-2\"", $second);
    }
    $second = json_decode($second, true);
    foreach ($lists as $list) {
        $document[$list] = [...$document[$list], ...array_map(fn (array $each): array => isset($each['name']) ? ['name' => "{$each['name']} 2"] + $each
            : $each, $second[$list])];
    }

    return Build::read($document);
}

/** @return float the first answer to an edit of one motion, where the build before it has been judged */
function edited(Build $build): float
{
    $known = new Remembered;
    $mass = 500;

    return median(function () use (&$build, &$mass, $known): void {
        $build = Editor::apply($build, [['path' => 'motions.1.mechanism.mass_kg', 'text' => (string) ++$mass, 'unit' => 'g']]);
        BuildJudge::atOnce($build, null, null, $known);
    }, 40);
}

function busy(Build $mended, int $motions, float $seconds): Build
{
    $ends = array_slice(['drawbridge' => ['up', 'down'], 'heron-neck' => ['strike', 'rest'], 'tide' => ['low-water', 'high-water'],
        'ferry' => ['far-bank', 'quay']], 0, $motions, true);
    $homes = ['tide' => 'tide-top', 'ferry' => 'ferry-quay'];
    $routines = [];
    foreach ($ends as $motion => $places) {
        $goes = array_map(fn (string $place): array => ['do' => 'go', 'motion' => $motion, 'place' => $place], $places);
        $home = isset($homes[$motion]) ? [['do' => 'home', 'motion' => $motion, 'switch' => $homes[$motion]]] : [];
        $routines[] = ['id' => $motion, 'name' => $motion, 'starts' => [['when' => 'power_on']],
            'steps' => [...$home, ['do' => 'repeat', 'times' => null, 'steps' => $goes]]];
    }
    foreach (array_slice(['lantern', 'rower'], 0, max(0, $motions - 4)) as $motion) {
        $routines[] = ['id' => $motion, 'name' => $motion, 'starts' => [['when' => 'power_on']],
            'steps' => [['do' => 'run', 'motion' => $motion, 'direction' => 'up', 'for_s' => 600]]];
    }
    $names = [...array_keys($ends), ...array_slice(['lantern', 'rower'], 0, max(0, $motions - 4))];

    return Editor::apply($mended, [
        ['path' => 'log', 'value' => []], ['path' => 'rules', 'value' => []],
        ['path' => 'motions', 'value' => array_values(array_filter($mended->document['motions'], fn (array $motion): bool => in_array($motion['id'], $names,
            true)))],
        ['path' => 'routines', 'value' => $routines],
        ['path' => 'scenarios', 'value' => [['id' => 'while', 'name' => 'A while', 'until_s' => $seconds]]],
    ]);
}

/** The same with each motion on the stage, three bodies on it, and a post on either side of all of them. */
function staged(Build $build): Build
{
    $document = $build->document;
    foreach ($document['motions'] as $i => $motion) {
        $document['motions'][$i]['mount'] = ['x_m' => 0.4 * $i, 'z_m' => 0.3];
        $document['motions'][$i]['bodies'] = array_map(fn (int $k): array => ['id' => "b{$k}", 'name' => "Body {$k}", 'x_m' => 0.03 + 0.03 * $k,
            'y_m' => 0.02 * $k, 'length_m' => 0.05, 'width_m' => 0.02], range(0, 2));
    }
    $document['things'] = array_map(fn (int $i): array => ['id' => "post{$i}", 'name' => "Post {$i}", 'x_m' => -0.5 + 3.4 * $i, 'z_m' => 0.5, 'length_m' => 0.1,
        'height_m' => 1.0], range(0, 1));

    return Build::read($document);
}

/** @return array<string, mixed> */
function runBusy(Build $build, float $seconds): array
{
    $trace = RoutineRun::of($build, $build->routines['drawbridge'], $build->scenarios['while']);
    assert($trace['ran_s'] >= $seconds - 0.01 && array_filter($trace['events'], fn (array $event): bool => $event['kind'] === 'fault') === []);

    return $trace;
}

// The show, made thirty seconds long, and five hundred runs of it with a fault.
$long = Editor::apply($mended, [['path' => 'routines', 'value' => array_map(function (array $routine) use ($mended): array {
    if ($routine['id'] === 'harbour-show') {
        $takes = RoutineRun::of($mended, $mended->routines['harbour-show'], $mended->scenarios['visitor'], lean: true)['took_s'];
        $routine['steps'][] = ['do' => 'wait', 'for_s' => max(0.1, round(30.0 - $takes, 2))];
    }

    return $routine;
}, $mended->document['routines'])]]);

/** @return float seconds that five hundred runs with a fault take on two processes */
function sweepOnTwo(Build $build): float
{
    $start = hrtime(true);
    $children = [];
    for ($half = 0; $half < 2; $half++) {
        $child = pcntl_fork();
        if ($child === 0) {
            $sweep = new FaultSweep($build, $build->routines['harbour-show'], $build->scenarios['visitor']);
            $cases = $sweep->cases();
            for ($i = $half; $i < 500; $i += 2) {
                $sweep->run($cases[$i % count($cases)]);
            }
            exit(0);
        }
        $children[] = $child;
    }
    foreach ($children as $child) {
        pcntl_waitpid($child, $status);
    }

    return round((hrtime(true) - $start) / 1e9, 2);
}

// Twelve routines of five waits, all by the same button: far more states than can be gone through.
$states = Editor::apply($heron, [['path' => 'log', 'value' => []], ['path' => 'routines', 'value' => array_map(fn (int $i): array => [
    'id' => "r{$i}", 'name' => "R{$i}", 'starts' => [['when' => 'beam', 'sensor' => 'visitor-beam']],
    'steps' => array_map(fn (int $k): array => ['do' => 'wait', 'for_s' => 1], range(1, 5)),
], range(1, 12))]]);

/** @return array{Brookstone\Core\Parts\Motion, Performance|null} something that goes by time, and a cycle of it */
function drifting(Build $build): array
{
    $rehearsed = Rehearsal::of($build);
    foreach (array_keys($build->routines) as $routine) {
        foreach ($build->motions as $motion) {
            if ((new DriftFan($build, $motion, $rehearsed->usual($routine), 1))->drifts()) {
                return [$motion, $rehearsed->usual($routine)];
            }
        }
    }
    throw new RuntimeException('Nothing goes by time.');
}
[$drifts, $by] = drifting($mended);

// A drawer of two hundred: the shipped ones, and copies of them that differ a little.
$many = [];
for ($copy = 1; count($many) < 200; $copy++) {
    foreach (Drawer::all() as $code => $drive) {
        $written = Drives::write($drive);
        $many[] = Drives::make(['code' => "{$code} {$copy}", 'mass_kg' => $written['mass_kg'] * (1 + $copy / 100)] + $written);
    }
}
$gears = GearStock::shipped(); // twenty-four sizes of module 1
$drawer = Stock::of(array_slice($many, 0, 200));
$rank = fn (string $motion): float => median(fn () => (new DriveSearch($heron, $heron->motions[$motion], $drawer))->ranked(Goal::Fastest), 7);

[$one, $two, $four, $six, $longer] = [busy($mended, 1, 60), busy($mended, 2, 60), busy($mended, 4, 60), busy($mended, 6, 60), busy($mended, 6, 120)];

$staged = staged($six);

$double = doubled($mended);

$troll = Build::fromJson((string) file_get_contents(__DIR__.'/../../database/demo/grumbling-troll.brookstone.json'));

$garden = Build::fromJson((string) file_get_contents(__DIR__.'/../../database/demo/signal-garden.brookstone.json'));

/** The program of Heron Wharf in C, over all of its scenarios and every fault: once. */
$prove = function () use ($heron): float {
    $start = hrtime(true);
    foreach ((new Prover(new Workbench(sys_get_temp_dir().'/brookstone-bench')))->prove($heron, Language::C, [...Trials::scenarios($heron), ...Trials::faults($heron)]) as $result) {
        $result['differs'] === null || exit("It differs: {$result['says']}\n");
    }

    return round((hrtime(true) - $start) / 1e6, 1);
};
$figures = [
    'read_build_ms' => fn () => median(fn () => Build::fromJson($json), 50),
    'assess_heron_wharf_at_once_ms' => fn () => median(fn () => BuildJudge::atOnce($heron), 40),
    'assess_an_edit_of_heron_wharf_ms' => fn () => edited($heron),
    'assess_heron_wharf_whole_ms' => fn () => median(fn () => BuildJudge::atOnce($heron, null, Rehearsal::of($heron)), 9),
    'assess_heron_wharf_by_command_cold_ms' => fn () => median(fn () => exec('env -u PHP_INI_SCAN_DIR php '.escapeshellarg(__DIR__.'/../../artisan').' brookstone:assess '.escapeshellarg(__DIR__.'/../../database/demo/heron-wharf.brookstone.json').' --untried'), 11),
    'assess_mended_heron_wharf_whole_ms' => fn () => median(fn () => BuildJudge::atOnce($mended, null, Rehearsal::of($mended)), 9),
    'assess_12_motions_10_routines_whole_ms' => fn () => median(fn () => BuildJudge::atOnce($double, null, Rehearsal::of($double)), 5),
    'mends_tried_on_heron_wharf' => fn () => count((new Mender($heron, null, Rehearsal::of($heron)))->proposals()),
    'mends_of_heron_wharf_tried_ms' => fn () => median(fn () => Assessor::assess($heron), 3),
    'mend_all_heron_wharf_ms' => fn () => median(fn () => iterator_count(MendAll::of($heron, null, new InMind)), 5),
    'drives_times_ratios' => fn () => count($drawer->drives()) * count(Ratios::all()),
    'allot_signal_garden_ms' => fn () => median(fn () => Allotter::of(Needs::of($garden), new WiringPlan, BoardStock::shipped()), 20),
    'signals_allotted' => fn () => count(Allotter::of(Needs::of($garden), new WiringPlan, BoardStock::shipped())->joins),
    'judge_signal_garden_at_once_ms' => fn () => median(fn () => BuildJudge::atOnce($garden), 20),
    'rank_200_drives_60_ratios_arm_ms' => fn () => $rank('drawbridge'),
    'rank_200_drives_60_ratios_quick_arm_ms' => fn () => $rank('heron-neck'),
    'rank_200_drives_60_ratios_hoist_ms' => fn () => $rank('tide'),
    'rank_200_drives_60_ratios_carriage_ms' => fn () => $rank('ferry'),
    'rank_200_drives_60_ratios_turntable_ms' => fn () => $rank('lantern'),
    'rank_200_drives_60_ratios_crank_rocker_ms' => fn () => $rank('rower'),
    'compare_schools_ms' => fn () => median(fn () => DriveConcepts::of($heron, $heron->motions['drawbridge'], Stock::shipped()), 7),
    'search_trains_3_stages_24_sizes_ms' => fn () => max(array_map(fn (float $ratio): float => median(fn () => Search::best($gears->counts(1.0), $ratio, 3, 20), 7), [17.345, 1.0, 36.0, 0.0371])),
    'search_trains_4_stages_24_sizes_ms' => fn () => max(array_map(fn (float $ratio): float => median(fn () => Search::best($gears->counts(1.0), $ratio, 4, 20), 5), [17.345, 123.4])),
    'make_trains_3_stages_laid_out_ms' => fn () => median(fn () => TrainMaking::of($heron, $heron->motions['lantern'], $gears, 30.0, 3, 1.0, 'any', 'error',
        20), 7),
    'write_program_of_heron_wharf_in_three_languages_ms' => fn () => median(fn () => array_map(fn (Language $language): array => Package::of($heron)->files($language, Texts::all()), Language::cases()), 15),
    'prove_heron_wharf_scenarios_and_faults_ms' => fn () => $prove(),
    'run_harbour_show_ms' => fn () => median(fn () => RoutineRun::of($mended, $mended->routines['harbour-show'], $mended->scenarios['visitor']), 15),
    'run_one_minute_of_one_motion_ms' => fn () => median(fn () => runBusy($one, 60), 9),
    'run_one_minute_of_two_motions_ms' => fn () => median(fn () => runBusy($two, 60), 9),
    'run_one_minute_of_four_motions_ms' => fn () => median(fn () => runBusy($four, 60), 9),
    'run_one_minute_of_six_motions_ms' => fn () => median(fn () => runBusy($six, 60), 9),
    'run_two_minutes_of_six_motions_ms' => fn () => median(fn () => runBusy($longer, 120), 9),
    'clearance_of_a_minute_of_six_motions_20_bodies_ms' => fn () => median(fn () => runBusy($staged, 60), 9) - median(fn () => runBusy($six, 60), 9),
    'pairs_of_bodies_watched' => fn () => count(Clearance::of($staged->stage)->pairs()),
    'judge_grumbling_troll_at_once_ms' => fn () => median(fn () => BuildJudge::atOnce($troll), 20),
    'rehearse_grumbling_troll_ms' => fn () => median(fn () => Rehearsal::of($troll), 3),
    'steps_done_in_a_minute_of_six' => fn () => count(runBusy($six, 60)['steps']),
    'sweep_500_faults_of_30_s_on_two_processes_s' => fn () => sweepOnTwo($long),
    'states_searched' => fn () => Reach::of($states, 100_000)->states,
    'search_100000_states_ms' => fn () => median(fn () => Reach::of($states, 100_000), 3),
    'search_50000_states_ms' => fn () => median(fn () => Reach::of($states, 50_000), 3),
    'drift_1000_cycles_ms' => fn () => median(fn () => (new DriftFan($mended, $drifts, $by, 1))->walk(1000), 5),
    'drift_4000_cycles_ms' => fn () => median(fn () => (new DriftFan($mended, $drifts, $by, 1))->walk(4000), 5),
];

$names = array_slice($argv, 1);
if (count($names) === 1) {
    echo json_encode([$names[0] => $figures[$names[0]]()]);
    exit;
}
$all = [];
foreach ($names ?: array_keys($figures) as $name) {
    $all += json_decode((string) shell_exec(escapeshellarg(PHP_BINARY).' '.escapeshellarg(__FILE__).' '.escapeshellarg($name)), true);
}
echo json_encode($all);
