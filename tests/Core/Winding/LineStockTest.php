<?php

declare(strict_types=1);

use Brookstone\Core\Error\InvalidInput;
use Brookstone\Core\Shape\TableCsv;
use Brookstone\Core\Winding\LineStock;

it('takes the thinnest cord that is strong enough, the nearest belt and the shortest rod', function () {
    $stock = LineStock::shipped();

    expect($stock->cordOf(100.0)['size_mm'] ?? null)->toBe(0.8)->and($stock->cordOf(1e6))->toBeNull()
        ->and($stock->nearest('belt', 2.0, 86.0)['teeth'] ?? null)->toBe(90)->and($stock->nearest('belt', 5.0, 86.0))->toBeNull()
        ->and($stock->rodOf(61.0)['length_mm'] ?? null)->toBe(100.0)->and($stock->rodOf(9000.0))->toBeNull();
});

it('counts on nothing that has run out', function () {
    $lines = array_map(fn (array $line): array => ['count' => $line['kind'] === 'cord' ? 0 : $line['count']] + $line, LineStock::shipped()->lines);

    expect(LineStock::read($lines)->cordOf(1.0))->toBeNull();
});

it('names what a line lacks and what stands twice', function (array $line, string $field) {
    try {
        LineStock::read([['kind' => 'rod', 'name' => 'Wire', 'size_mm' => 1, 'length_mm' => 100], $line]);
    } catch (InvalidInput $refused) {
        expect(array_column($refused->errors, 'field'))->toContain("lines.1.{$field}");

        return;
    }
    throw new LogicException('It was taken.');
})->with([
    'a belt without teeth' => [['kind' => 'belt', 'name' => 'B', 'size_mm' => 2], 'teeth'],
    'a cord that bears nothing' => [['kind' => 'cord', 'name' => 'C', 'size_mm' => 1], 'breaking_N'],
    'a rod of no length' => [['kind' => 'rod', 'name' => 'R', 'size_mm' => 1], 'length_mm'],
    'a name twice' => [['kind' => 'rod', 'name' => 'Wire', 'size_mm' => 1, 'length_mm' => 50], 'name'],
    'no thickness' => [['kind' => 'rod', 'name' => 'R', 'size_mm' => 0, 'length_mm' => 50], 'size_mm'],
]);

it('comes back from its table as it went', function () {
    $csv = new TableCsv(LineStock::shape());

    expect($csv->read($csv->write(LineStock::shipped()->lines)))->toBe(LineStock::shipped()->lines);
});
