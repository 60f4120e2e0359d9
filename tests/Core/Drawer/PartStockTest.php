<?php

declare(strict_types=1);

use Brookstone\Core\Build\Build;
use Brookstone\Core\Drawer\PartStock;
use Brookstone\Core\Drawer\PartTable;
use Brookstone\Core\Error\InvalidInput;
use Brookstone\Core\Parts\Supply;
use Brookstone\Core\Shape\TableCsv;
use Brookstone\Core\Wiring\Fuse;
use Brookstone\Core\Wiring\WireSize;
use Tests\Support\Builds;

/** @return list<array<string, mixed>> */
function shippedParts(PartTable $table, ?string $kind = null): array
{
    return array_values(array_filter(PartStock::shipped($table)->lines, fn (array $line): bool => $kind === null || $line['kind'] === $kind));
}

it('ships converters, batteries and closed supplies that a build can take as they are', function () {
    expect(count(shippedParts(PartTable::Supplies, 'battery')))->toBeGreaterThanOrEqual(6)->and(count(shippedParts(PartTable::Supplies, 'converter')))->toBeGreaterThanOrEqual(6);
    foreach (shippedParts(PartTable::Supplies) as $line) {
        $isRail = $line['kind'] === 'converter';
        $build = Builds::planted(['supplies.2' => array_diff_key($line, array_flip(['kind', 'name', 'cost', 'capacity_Ah'])) + ['id' => 'it', 'name' => $line['name'],
            'from' => $isRail ? 'main' : null] + ($isRail ? [] : ['capacity_Ah' => $line['capacity_Ah']])]);
        expect($build)->toBeInstanceOf(Build::class)->and($build->supplies['it'])->toBeInstanceOf(Supply::class)
            ->and($build->supplies['it']->ends() === [])->toBe($line['kind'] !== 'battery');
    }
});

it('ships every wire and fuse of its rows, with what they bear', function () {
    expect(array_column(shippedParts(PartTable::Leads, 'wire'), 'bears_A'))->toBe(array_values(WireSize::ROW))
        ->and(array_column(shippedParts(PartTable::Leads, 'fuse'), 'bears_A'))->toBe(Fuse::ROW)->and(shippedParts(PartTable::Leads, 'plug'))->not->toBeEmpty();
});

it('ships a sensor of every kind, which a build can take', function () {
    $kinds = array_unique(array_column(shippedParts(PartTable::Sensors), 'kind'));
    expect($kinds)->toHaveCount(11);
    foreach (shippedParts(PartTable::Sensors) as $line) {
        $build = Builds::planted(['sensors.2' => ['id' => 'it', 'closed' => $line['closed'] === 'yes', 'pulled' => $line['pulled'] === 'yes', 'filtered' => $line['filtered'] === 'yes']
            + array_diff_key($line, ['cost' => true])]);
        expect($build->sensors['it']->takes_A())->toBe($line['current_A']);
    }
});

it('reads back as a table what it writes', function (PartTable $table) {
    $csv = new TableCsv($table->shape());
    expect(PartStock::read($table, $csv->read($csv->write(shippedParts($table))))->lines)->toEqual(shippedParts($table));
})->with(PartTable::cases());

it('refuses each wrong line at its field', function (PartTable $table, array $changes, string $field, string $says) {
    $lines = shippedParts($table);
    $lines[1] = array_replace($lines[1], $changes);
    try {
        PartStock::read($table, $lines);
        $errors = [];
    } catch (InvalidInput $wrong) {
        $errors = array_column($wrong->errors, 'message', 'field');
    }
    expect(array_keys($errors))->toBe([$field])->and($errors[$field])->toContain($says);
})->with([
    [PartTable::Supplies, ['kind' => 'battery'], 'supplies.1.capacity_Ah', 'A battery has a charge.'],
    [PartTable::Supplies, ['volts_V' => 0], 'supplies.1.volts_V', 'Must be a number over 0 '],
    [PartTable::Supplies, ['cutoff_V' => 6.0], 'supplies.1.cutoff_V', 'Must lie below its voltage.'],
    [PartTable::Supplies, ['name' => 'M5-4'], 'supplies.1.name', 'The same name stands in line 1.'],
    [PartTable::Sensors, ['kind' => 'eye'], 'sensors.1.kind', 'Must be one of'],
    [PartTable::Sensors, ['current_A' => -1], 'sensors.1.current_A', 'Must'],
    [PartTable::Leads, ['area_mm2' => null], 'leads.1.area_mm2', 'A wire has a cross-section.'],
    [PartTable::Leads, ['bears_A' => 0], 'leads.1.bears_A', 'Must be a number over 0 '],
]);

it('refuses what is no list, and more than it holds', function (mixed $lines) {
    expect(fn (): PartStock => PartStock::read(PartTable::Leads, $lines))->toThrow(InvalidInput::class);
})->with([['x'], [null], [array_fill(0, 401, ['kind' => 'fuse', 'name' => 'F', 'bears_A' => 1])]]);
