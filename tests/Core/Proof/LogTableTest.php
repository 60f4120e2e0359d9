<?php

declare(strict_types=1);

use Brookstone\Core\Build\Build;
use Brookstone\Core\Build\Measurement;
use Brookstone\Core\Proof\LogTable;
use Tests\Support\Builds;

/** @return array{entries: list<array<string, mixed>>, problems: list<array{line: int, field: string, message: string}>, wrong: int} */
function logRead(string $text, ?Build $build = null): array
{
    return LogTable::read($build ?? Builds::sound(), $text, '2026-06-02');
}

it('reads a table by names and ids, with units, and what is left out is as usual', function () {
    $read = logRead("Motion;From;To;Time;Current;Stopped at;Speed;Carries;Supply;Warm;Day;Note\n"
        ."Lid;Shut;Open;0.98 s;120 mA;;50 %;;;yes;2026-05-31;\"after; oil\"\n"
        ."lift;low;high;3,1;;61 mm;;empty;11.4;;;\n");

    expect($read['problems'])->toBe([])->and($read['entries'])->toHaveCount(2)
        ->and($read['entries'][0])->toMatchArray(['motion' => 'lid', 'from' => 'shut', 'to' => 'open', 'measured_s' => 0.98, 'current_A' => 0.12, 'stopped_at' => null,
            'speed' => 0.5, 'carries' => 'as_task', 'supply_V' => null, 'warm' => true, 'on' => '2026-05-31', 'note' => 'after; oil', 'failed' => ''])
        ->and($read['entries'][1])->toMatchArray(['motion' => 'lift', 'measured_s' => 3.1, 'stopped_at' => 0.061, 'carries' => 'empty', 'supply_V' => 11.4,
            'speed' => 1.0, 'warm' => false, 'on' => '2026-06-02']);
});

it('reads lines of JSON, and gives each an id that the log has not', function () {
    $taken = Builds::planted(['log.0.id' => 'm1', 'log.1.id' => 'm3']);
    $read = logRead("{\"motion\":\"lid\",\"time\":0.98,\"warm\":true}\n\n{\"motion\":\"lid\",\"failed\":\"It jammed\",\"stopped_at\":\"42 deg\"}\n", $taken);

    expect($read['problems'])->toBe([])->and(array_column($read['entries'], 'id'))->toBe(['m2', 'm4'])
        ->and($read['entries'][0])->toMatchArray(['from' => 'shut', 'to' => 'open', 'measured_s' => 0.98, 'warm' => true])
        ->and($read['entries'][1])->toMatchArray(['failed' => 'It jammed', 'stopped_at' => 42.0, 'measured_s' => null]);
});

it('names each bad row with its line and column, and reads the others', function () {
    $read = logRead("motion,from,to,time,speed,warm,day\nLid,,,1.0,,,\nHead,,,1.0,,,\nLid,Up,,1.0,,,\nLid,,,-1,,,\nLid,,,soon,,,\nLid,,,,,,\nLid,,,1,fast,,\nLid,,,1,,maybe,\n"
        ."Lid,,,1,,,0000-01-01\nLid,,,1 kg,,,\nLid,,,1.1,,,\n");

    expect(array_map(fn (array $problem): array => [$problem['line'], $problem['field']], $read['problems']))
        ->toBe([[3, 'motion'], [4, 'from'], [5, 'time'], [6, 'time'], [7, 'time'], [8, 'speed'], [9, 'warm'], [10, 'day'], [11, 'time']])
        ->and($read['wrong'])->toBe(9)->and(array_column($read['entries'], 'measured_s'))->toBe([1.0, 1.1])->and(array_column($read['entries'], 'id'))->toBe(['m1', 'm2'])
        ->and($read['problems'][0]['message'])->toBe('There is no motion Head in this build.')->and($read['problems'][1]['message'])->toBe('Lid has no place Up.')
        ->and($read['problems'][4]['message'])->toContain('Nothing is measured');
});

it('refuses a table whose first row names no columns, or unknown ones, or one twice', function (string $text, string $says) {
    $read = logRead($text);

    expect($read['entries'])->toBe([])->and($read['problems'][0]['message'])->toContain($says);
})->with([['', 'The first row must name the columns'], ["Lid,1.0\n", 'There is no column lid'], ["motion,time,time\nLid,1,2\n", 'The column time is there twice'],
    ["time\n1\n", 'motion must be one of them'], ["{\"motion\":\"lid\"\n", 'no line of JSON'], ["{\"motion\":\"lid\",\"colour\":1}\n", 'There is no field colour']]);

it('holds no more than a log can, and says how many rows were wrong', function () {
    $held = count(Builds::sound()->log);
    $read = logRead("motion,time\n".str_repeat("Nobody,1\n", 95).str_repeat("Lid,1\n", LogTable::MOST - 95));
    $full = logRead("motion,time\n".str_repeat("Lid,1\n", LogTable::MOST));

    expect(count($read['entries']))->toBe(LogTable::MOST - 95)->and($read['wrong'])->toBe(95)->and($read['problems'])->toHaveCount(50)
        ->and(count($full['entries']) + $held)->toBe(LogTable::MOST)->and($full['wrong'])->toBe($held)
        ->and($full['problems'][0]['message'])->toContain('at most 10000 measurements');
});

it('reads ten thousand rows at once, and says what is left out', function (string $head, string $row, int $lines) {
    $just = logRead($head.str_repeat($row, LogTable::MOST));
    $more = logRead($head.str_repeat($row, LogTable::MOST + 1));

    expect($just['wrong'])->toBe(LogTable::MOST)->and($more['wrong'])->toBe(LogTable::MOST + 1)
        ->and($more['problems'][0])->toBe(['line' => $lines, 'field' => '', 'message' => 'At most 10000 rows are read at once: what follows is left out.']);
})->with([["motion,time\n", "Nobody,1\n", 10002], ['', "{\"motion\":\"Nobody\"}\n", 10001]]);

it('writes what it reads, whatever is in it', function () {
    $entries = [];
    foreach (range(1, 40) as $i) {
        $entries[] = ['id' => "m{$i}", 'motion' => ['lid', 'jaw', 'lift'][$i % 3], 'from' => ['shut', 'closed', 'low'][$i % 3], 'to' => ['open', 'wide', 'high'][$i % 3],
            'measured_s' => $i % 4 === 0 ? null : 1 / $i, 'current_A' => $i % 3 === 0 ? 0.1 * $i : null, 'stalled_A' => $i % 5 === 0 ? 1.5 : null,
            'stopped_at' => $i % 2 === 0 ? 0.01 * $i : null, 'failed' => $i % 4 === 0 ? "It \"jammed\", twice;\nand {once}" : '', 'speed' => $i % 7 === 0 ? 0.35 : 1.0,
            'carries' => ['as_task', 'loaded', 'empty'][$i % 3], 'supply_V' => $i % 6 === 0 ? 11.9 : null, 'warm' => $i % 2 === 1, 'on' => sprintf('2026-05-%02d', 1 + $i % 28),
            'note' => $i % 9 === 0 ? 'ünd, so' : ''];
    }
    $build = Builds::planted(['log' => $entries]);
    $read = logRead(LogTable::write($build), Builds::planted(['log' => []]));

    expect($read['problems'])->toBe([])
        ->and(array_map(fn (array $entry): array => array_diff_key($entry, ['id' => true]), $read['entries']))
        ->toEqual(array_map(fn (array $entry): array => array_diff_key($entry, ['id' => true]), $build->document['log']))
        ->and(array_map(fn (Measurement $entry): string => $entry->failed, $build->log))->toContain("It \"jammed\", twice;\nand {once}");
});
