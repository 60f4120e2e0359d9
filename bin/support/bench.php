<?php

declare(strict_types=1);

// Medians of the computing core, as JSON. Run by bin/bench with the compiler on.

use Brookstone\Core\Assessment\Assessor;
use Brookstone\Core\Assessment\Choosing;
use Brookstone\Core\Assessment\Goal;
use Brookstone\Core\Assessment\Schools;
use Brookstone\Core\Assessment\TrainMaking;
use Brookstone\Core\Build\Build;
use Brookstone\Core\Build\Editor;
use Brookstone\Core\Drive\Drawer;
use Brookstone\Core\Drive\Drives;
use Brookstone\Core\Drive\Stock;
use Brookstone\Core\Simulation\RoutineRun;
use Brookstone\Core\Train\GearStock;
use Brookstone\Core\Train\Ratios;
use Brookstone\Core\Train\Search;

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
$mended = Editor::apply($heron, array_map(fn ($change): array => ['path' => $change->path, 'value' => $change->value], Assessor::assess($heron)->mend->changes));

// Two motions that move without a pause for a whole minute.
$minute = Editor::apply($mended, [
    ['path' => 'motions', 'value' => [$mended->document['motions'][0], $mended->document['motions'][1]]],
    ['path' => 'log', 'value' => []],
    ['path' => 'routines', 'value' => array_map(fn (string $motion, array $ends): array => ['id' => $motion, 'name' => $motion, 'starts' => [['when' => 'power_on']], 'steps' => [
        ['do' => 'repeat', 'times' => null, 'steps' => array_map(fn (string $place): array => ['do' => 'go', 'motion' => $motion, 'place' => $place], $ends)],
    ]], ['drawbridge', 'heron-neck'], [['up', 'down'], ['strike', 'rest']])],
    ['path' => 'scenarios', 'value' => [['id' => 'minute', 'name' => 'A minute', 'until_s' => 60]]],
]);
$trace = RoutineRun::of($minute, $minute->routines['drawbridge'], $minute->scenarios['minute']);
assert($trace['ran_s'] >= 59.99);

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
$rank = fn (string $motion): float => median(fn () => (new Choosing($heron, $heron->motions[$motion], $drawer))->ranked(Goal::Fastest), 7);

echo json_encode([
    'read_build_ms' => median(fn () => Build::fromJson($json), 50),
    'assess_heron_wharf_ms' => median(fn () => Assessor::assess($heron), 40),
    'drives_times_ratios' => count($drawer->drives()) * count(Ratios::all()),
    'rank_200_drives_60_ratios_arm_ms' => $rank('drawbridge'),
    'rank_200_drives_60_ratios_quick_arm_ms' => $rank('heron-neck'),
    'rank_200_drives_60_ratios_hoist_ms' => $rank('tide'),
    'rank_200_drives_60_ratios_carriage_ms' => $rank('ferry'),
    'rank_200_drives_60_ratios_turntable_ms' => $rank('lantern'),
    'rank_200_drives_60_ratios_crank_rocker_ms' => $rank('rower'),
    'compare_schools_ms' => median(fn () => Schools::of($heron, $heron->motions['drawbridge'], Stock::shipped()), 7),
    'search_trains_3_stages_24_sizes_ms' => max(array_map(fn (float $ratio): float => median(fn () => Search::best($gears->counts(1.0), $ratio, 3, 20), 7), [17.345, 1.0, 36.0, 0.0371])),
    'search_trains_4_stages_24_sizes_ms' => max(array_map(fn (float $ratio): float => median(fn () => Search::best($gears->counts(1.0), $ratio, 4, 20), 5), [17.345, 123.4])),
    'make_trains_3_stages_laid_out_ms' => median(fn () => TrainMaking::of($heron, $heron->motions['lantern'], $gears, 30.0, 3, 1.0, 'any', 'error', 20), 7),
    'run_harbour_show_ms' => median(fn () => RoutineRun::of($mended, $mended->routines['harbour-show'], $mended->scenarios['visitor']), 15),
    'run_one_minute_of_two_motions_ms' => median(fn () => RoutineRun::of($minute, $minute->routines['drawbridge'], $minute->scenarios['minute']), 15),
    'minute_steps_done' => count($trace['steps']),
]);
