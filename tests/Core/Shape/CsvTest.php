<?php

declare(strict_types=1);

use Brookstone\Core\Shape\Csv;
use Random\Engine\Mt19937;
use Random\Randomizer;

it('reads back every row that it writes, whatever stands in it', function (int $seed) {
    $random = new Randomizer(new Mt19937($seed));
    $bits = ['a', '"', '""', ',', ';', "\n", "\t", ' ', 'é', '1.5', '=', "'"];
    $cell = fn (): string => implode('', array_map(fn (): string => $bits[$random->getInt(0, count($bits) - 1)], range(1, $random->getInt(1, 6))));
    $rows = array_map(fn (): array => ['x', $cell(), $cell(), 'y'], range(1, 20));
    $csv = implode("\n", array_map(Csv::row(...), [['a,b', 'c,d', 'e,f', 'g'], ...$rows]));

    expect(array_column(Csv::rows($csv), 'cells'))->toBe([['a,b', 'c,d', 'e,f', 'g'], ...$rows]);
})->with(range(1, 6));

it('takes the mark that the first row has most of, and counts lines as people see them', function (string $csv, array $rows) {
    expect(Csv::rows($csv))->toBe($rows);
})->with([
    'semicolons' => ["a;b\n1,5;2", [['line' => 1, 'cells' => ['a', 'b']], ['line' => 2, 'cells' => ['1,5', '2']]]],
    'tabs' => ["a\tb\r\n1\t2\r\n", [['line' => 1, 'cells' => ['a', 'b']], ['line' => 2, 'cells' => ['1', '2']]]],
    'old line ends' => ["a,b\r1,2", [['line' => 1, 'cells' => ['a', 'b']], ['line' => 2, 'cells' => ['1', '2']]]],
    'a line end in quotes' => ["a,b\n\"1\n2\",3\n\n4,5", [['line' => 1, 'cells' => ['a', 'b']], ['line' => 2, 'cells' => ["1\n2", '3']],
        ['line' => 5, 'cells' => ['4', '5']]]],
    'a mark that is no text' => ["\u{FEFF}a,b", [['line' => 1, 'cells' => ['a', 'b']]]],
    'nothing' => ['', []],
]);
