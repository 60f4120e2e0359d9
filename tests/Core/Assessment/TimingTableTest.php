<?php

declare(strict_types=1);

use Brookstone\Core\Assessment\Sheet\TimingTable;
use Brookstone\Core\Assessment\Subject\MotionFigures;
use Brookstone\Core\Export\TimingFile;
use Brookstone\Core\Rehearsal\Rehearsal;
use Tests\Support\Builds;

/** @return array<string, array<string, mixed>> by what moves where */
function timesOf(Brookstone\Core\Build\Build $build): array
{
    return array_column(array_map(fn (array $row): array => ['key' => "{$row['motion']} {$row['from']} {$row['to']} {$row['speed']}"] + $row,
        TimingTable::of($build, Rehearsal::of($build))), null, 'key');
}

it('lists the moves that the routines make, and no other', function () {
    $build = Builds::sound();
    $times = timesOf($build);
    $facts = new MotionFigures($build->motions['lid']);

    // it sets off a little further away, where its run-on has left it
    expect($times)->toHaveKey('lid shut open 1')
        ->and($times['lid shut open 1']['computed_s'])->toBeGreaterThan($facts->time('shut', 'open'))->toBeLessThan(1.1 * $facts->time('shut', 'open'))
        ->and($times['lid shut open 1']['routines'])->toBe(['Show'])
        ->and(array_keys($times))->not->toContain('lid open open 1')
        ->and(timesOf(Builds::planted(['routines' => []])))->toBe([]);
});

it('lists a move once, with every routine that makes it', function () {
    $again = Builds::sound()->document['routines'][1];
    $build = Builds::planted(['routines.2' => ['id' => 'again', 'name' => 'Again', 'starts' => [], 'steps' => $again['steps']]]);

    expect(timesOf($build)['lid shut open 1']['routines'])->toBe(['Show', 'Again'])->and(count(timesOf($build)))->toBe(count(timesOf(Builds::sound())));
});

it('says loaded or empty as it occurs, and the mean of what was measured', function () {
    $build = Builds::planted([
        'motions.0.mechanism.payload_kg' => 0.05, 'motions.0.mechanism.payload_m' => 0.1, 'motions.0.task.payload' => 'there',
        'log' => [['id' => 'a', 'motion' => 'lid', 'from' => 'shut', 'to' => 'open', 'measured_s' => 1.0, 'on' => '2026-05-30'],
            ['id' => 'b', 'motion' => 'lid', 'from' => 'shut', 'to' => 'open', 'measured_s' => 2.0, 'on' => '2026-05-31']],
    ]);
    $times = timesOf($build);

    expect($times['lid shut open 1']['carries'])->toBe('loaded')->and($times['lid shut open 1']['measured_s'])->toBe(1.5)
        ->and($times['lid open shut 1']['carries'])->toBe('empty')
        ->and($times['jaw closed wide 1']['carries'])->toBe('');
});

it('writes a table and a header that a compiler reads', function () {
    $named = Builds::planted(['motions.0.name' => 'Lid */ "with, commas"']);
    $rows = TimingTable::of($named, Rehearsal::of($named));
    $csv = TimingFile::csv($rows);
    $header = TimingFile::header($rows, 'Sound */ build');

    expect(str_getcsv(explode("\n", $csv)[0], escape: ''))->toBe(['motion', 'from', 'to', 'speed', 'carries', 'computed_s', 'measured_s', 'routines'])
        ->and(substr_count($csv, "\n"))->toBe(count($rows) + 1)
        ->and($header)->toContain('#ifndef MOVE_TIMES_H')->toContain('#endif')
        ->and(substr_count($header, '*/'))->toBe(substr_count($header, '/*'));
    preg_match_all('/^#define (MOVE_\w+_MS) (\d+)UL/m', $header, $found);
    expect($found[1])->toHaveCount(count($rows))->and(array_unique($found[1]))->toHaveCount(count($rows))
        ->and((float) $found[2][0] / 1000)->toBeAbout((float) ($rows[0]['measured_s'] ?? $rows[0]['computed_s']), 1e-3);
});

it('lists only what a rehearsal makes, with the longest that it took', function () {
    // A step behind something that never comes is not made; the way home from half way is none between places.
    $build = Builds::planted(['routines.1.steps' => [['do' => 'go', 'motion' => 'lid', 'place' => 'open', 'give_up_s' => 4],
        ['do' => 'go', 'motion' => 'lid', 'place' => 'open', 'give_up_s' => 4], ['do' => 'wait', 'until' => ['sensor' => 'lift-high'], 'give_up_s' => 1],
        ['do' => 'go', 'motion' => 'jaw', 'place' => 'wide', 'give_up_s' => 1]], 'scenarios' => []]);
    $rehearsed = Rehearsal::of($build);
    $times = timesOf($build);
    $made = [];
    foreach ($rehearsed->performances as $performances) {
        foreach ($performances as $performance) {
            foreach ($performance->steps as $step) {
                if ($step['motion'] === 'lid' && $step['do'] === 'home' && abs($step['from'] - 70) < 7) {
                    $made[] = $step['end_s'] - $step['start_s'];
                }
            }
        }
    }

    expect(array_keys($times))->toContain('lid shut open 1', 'lid open shut 0.5')->not->toContain('jaw closed wide 1')
        ->and($times['lid open shut 0.5']['computed_s'])->toBeAbout(max($made), 1e-6)
        ->and(count($made))->toBeGreaterThan(1);
});

it('says of what its drive never gets there with that it has no time', function () {
    expect(timesOf(Builds::demo('heron-wharf'))['drawbridge down up 1']['computed_s'])->toBeNull();
});
