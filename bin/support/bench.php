<?php

declare(strict_types=1);

// Medians of the computing core, as JSON. Run by bin/bench with the compiler on.

use Brookstone\Core\Assessment\Assessor;
use Brookstone\Core\Assessment\Ranking;
use Brookstone\Core\Build\Build;
use Brookstone\Core\Build\Editor;
use Brookstone\Core\Simulation\RoutineRun;

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

echo json_encode([
    'read_build_ms' => median(fn () => Build::fromJson($json), 50),
    'assess_heron_wharf_ms' => median(fn () => Assessor::assess($heron), 40),
    'rank_all_drives_ms' => median(fn () => Ranking::of($heron, $heron->motions['drawbridge']), 15),
    'run_harbour_show_ms' => median(fn () => RoutineRun::of($mended, $mended->routines['harbour-show'], $mended->scenarios['visitor']), 15),
    'run_one_minute_of_two_motions_ms' => median(fn () => RoutineRun::of($minute, $minute->routines['drawbridge'], $minute->scenarios['minute']), 15),
    'minute_steps_done' => count($trace['steps']),
]);
