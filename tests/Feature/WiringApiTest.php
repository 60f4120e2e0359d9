<?php

declare(strict_types=1);

use Brookstone\Core\Shape\Csv;
use Brookstone\Core\Wiring\BoardStock;

beforeEach(function () {
    $this->seed();
    $this->id = collect($this->getJson('/api/builds')->json())->firstWhere('name', 'Signal Garden')['id'];
    $this->at = "/api/builds/{$this->id}";
});

/** Edits the build, and gives what is stored then. */
function edited(mixed $test, array $changes): array
{
    $version = $test->getJson($test->at)->json('version');

    return $test->postJson("{$test->at}/edits", ['version' => $version, 'changes' => $changes])->assertOk()->json();
}

it('wires a build from nothing by what it offers, and one detector more by one wire', function () {
    edited($this, [['path' => 'wiring', 'value' => []]]);
    $bare = $this->getJson("{$this->at}/wiring")->assertOk()->json();
    expect($bare['plan']['fix']['does']['text'])->toBe('Wire it, with 1 controller K54, 6 bridge boards H2 small, 5 relay boards R4 and 1 input and output expander E16')
        ->and($bare['anew'])->toBeNull()->and($bare['steps'])->toBe([])->and($bare['sheet']['wires'])->toBe([]);

    $wired = edited($this, $bare['plan']['fix']['changes']);
    $report = $this->getJson("{$this->at}/wiring")->json();
    expect($wired['document']['wiring']['boards'])->toHaveCount(13)->and($report['plan'])->toBe(['fix' => null, 'short' => []])
        ->and(collect($report['room'])->firstWhere('board', 'expander-1'))->toMatchArray(['of' => 16])
        ->and(collect($report['sheet']['boards'])->firstWhere('id', 'expander-1')['address'])->toBe('0x20');

    edited($this, [['path' => 'sensors.15', 'value' => ['id' => 'at-bridge', 'name' => 'Bridge detector', 'kind' => 'magnet']]]);
    $more = $this->getJson("{$this->at}/wiring")->json('plan.fix');
    $wires = $more['changes'][1]['value'];
    expect($more['does']['text'])->toBe('Wire what is not wired')->and($wires)->toHaveCount(count($wired['document']['wiring']['wires']) + 1)
        ->and(array_slice($wires, 0, -1))->toBe($wired['document']['wiring']['wires'])->and(end($wires)['signal'])->toBe('sensors.at-bridge');
});

it('gives the wires as a table and the sheet as a picture', function () {
    $csv = $this->get("{$this->at}/wires.csv")->assertOk()->assertHeader('Content-Disposition', 'attachment; filename="signal-garden-wires.csv"');
    $rows = Csv::rows((string) $csv->getContent());
    $report = $this->getJson("{$this->at}/wiring")->json();
    expect($rows)->toHaveCount(count($report['sheet']['rows']) + 1)->and($rows[1]['cells'][0])->toBe($report['sheet']['rows'][0]['number']);
    $svg = $this->get("{$this->at}/wiring.svg")->assertOk()->assertHeader('Content-Type', 'image/svg+xml; charset=utf-8');
    expect(simplexml_load_string((string) $svg->getContent()))->not->toBeFalse();
    $this->getJson('/api/builds/nowhere/wiring')->assertNotFound();
});

it('says at the field what is wrong with what is typed of the wiring, and keeps nothing of it', function (array $change, string $field, string $says) {
    $before = $this->getJson($this->at)->json();
    $refused = $this->postJson("{$this->at}/edits", ['version' => $before['version'], 'changes' => [$change]])->assertUnprocessable()->json('errors');

    expect(array_column($refused, 'message', 'field'))->toHaveKey($field)->and(array_column($refused, 'message', 'field')[$field])->toContain($says)
        ->and($this->getJson($this->at)->json('document'))->toBe($before['document']);
})->with([
    'no volts' => [['path' => 'supplies.0.volts_V', 'text' => '0 V'], 'supplies.0.volts_V', 'over 0 V to 60 V'],
    'a million wires' => [['path' => 'wiring.wires', 'value' => array_fill(0, 10_000, ['number' => 1, 'signal' => 'x', 'board' => 'b', 'pin' => 'p'])], 'wiring.wires', 'at most 600 wires'],
    'a ring of supplies' => [['path' => 'supplies.0.from', 'value' => 'servo-rail'], 'supplies.0.from', 'It would feed itself.'],
    'itself' => [['path' => 'supplies.0.from', 'value' => 'yard'], 'supplies.0.from', 'It would feed itself.'],
    'nobody' => [['path' => 'supplies.0.from', 'value' => 'mains'], 'supplies.0.from', 'There is no supply mains.'],
    'a board without pins' => [['path' => 'wiring.boards.0.board.pins', 'value' => ''], 'wiring.boards.0.board.pins', 'A board without pins can do nothing'],
    'an address under 0' => [['path' => 'wiring.boards.12.address', 'text' => '-1'], 'wiring.boards.12.address', 'from 0 to 127'],
    'an address that is none' => [['path' => 'wiring.boards.12.address', 'text' => 'forty'], 'wiring.boards.12.address', 'forty'],
    'a colour that is none' => [['path' => 'wiring.wires.0.colour', 'value' => 'red'], 'wiring.wires.0.colour', 'Must be one of yellow'],
    'a board twice' => [['path' => 'wiring.boards.1.id', 'value' => 'controller-1'], 'wiring.boards.1.id', 'there twice'],
    'no such supply' => [['path' => 'wiring.boards.1.supply', 'value' => 'mains'], 'wiring.boards.1.supply', 'There is no supply mains.'],
    'a wire of nothing' => [['path' => 'wiring.wires.0.area_mm2', 'text' => '0 mm2'], 'wiring.wires.0.area_mm2', 'from 0.01 mm² to 50 mm²'],
    'a cut-off over its volts' => [['path' => 'supplies.0.cutoff_V', 'text' => '14 V'], 'supplies.0.cutoff_V', 'less than its voltage'],
]);

it('says what one more would take, and at which word it does not understand', function () {
    expect($this->getJson("{$this->at}/wiring/one-more?list=sensors&kind=magnet")->assertOk()->json('says.template'))->toStartWith('takes 1 input: ');
    $this->getJson("{$this->at}/wiring/one-more?list=sensors&kind=eye")->assertUnprocessable()->assertJsonPath('errors.0.field', 'kind');
    $this->getJson("{$this->at}/wiring/one-more?list=wires&kind=magnet")->assertUnprocessable()->assertJsonPath('errors.0.field', 'list');
    $this->getJson("{$this->at}/wiring/one-more")->assertUnprocessable();
});

it('has a drawer of boards that is changed as a whole, and refuses each wrong row', function () {
    $boards = $this->getJson('/api/drawer/boards')->assertOk()->json();
    expect($boards['boards'])->toHaveCount(count(BoardStock::shipped()->lines));
    $mine = ['kind' => 'bridge', 'name' => 'Mine', 'channels' => 4, 'low_V' => 3.0, 'high_V' => 20.0, 'continuous_A' => 2.0, 'peak_A' => 4.0, 'directions' => 2, 'speed' => 'yes'];
    $this->putJson('/api/drawer/boards', ['version' => 1, 'boards' => [...$boards['boards'], $mine]])->assertOk();
    $this->putJson('/api/drawer/boards', ['version' => 1, 'boards' => []])->assertConflict();
    $this->putJson('/api/drawer/boards', ['version' => 2, 'boards' => [['peak_A' => 1.0] + $mine, ['name' => ''] + $mine]])->assertUnprocessable()
        ->assertJsonPath('errors.0.field', 'boards.1.name')->assertJsonPath('errors.1.field', 'boards.0.peak_A');
    $csv = $this->get('/api/drawer/boards/export')->assertOk()->getContent();
    $this->postJson('/api/drawer/boards/import', ['csv' => str_replace('K54', '', (string) $csv), 'version' => 2])->assertUnprocessable();
    $this->postJson('/api/drawer/boards/import', ['csv' => $csv, 'version' => 2])->assertOk();

    // Four channels on one board: it is chosen.
    edited($this, [['path' => 'wiring', 'value' => []]]);
    expect($this->getJson("{$this->at}/wiring")->json('plan.fix.does.text'))->toContain('3 bridge boards Mine')->not->toContain('H2');
});

it('has drawers of what feeds, tells and leads, each changed as a whole, with every wrong line named', function (string $table, array $mine, array $wrong, string $field) {
    $kept = $this->getJson("/api/drawer/{$table}")->assertOk()->json();
    expect(count($kept[$table]))->toBeGreaterThan(10);
    $this->putJson("/api/drawer/{$table}", ['version' => 1, $table => [...$kept[$table], $mine]])->assertOk();
    $this->putJson("/api/drawer/{$table}", ['version' => 1, $table => []])->assertConflict();
    $this->putJson("/api/drawer/{$table}", ['version' => 2, $table => [$mine, $wrong + $mine, $mine]])->assertUnprocessable()
        ->assertJsonFragment(['field' => "{$table}.1.{$field}"])->assertJsonFragment(['field' => "{$table}.2.name"]);

    $csv = (string) $this->get("/api/drawer/{$table}/export")->assertOk()->getContent();
    $this->putJson("/api/drawer/{$table}", ['version' => 2, $table => []])->assertOk();
    $this->postJson("/api/drawer/{$table}/import", ['csv' => str_replace('Mine', '', $csv), 'version' => 3])->assertUnprocessable();
    $this->postJson("/api/drawer/{$table}/import", ['csv' => $csv, 'version' => 3])->assertOk();
    $now = $this->getJson("/api/drawer/{$table}")->json($table);
    expect($now)->toHaveCount(count($kept[$table]) + 1)->and(array_intersect_key(end($now), $mine))->toEqual($mine);
})->with([
    ['supplies', ['kind' => 'battery', 'name' => 'Mine', 'volts_V' => 12.0, 'max_A' => 3.0, 'capacity_Ah' => 9.0], ['name' => 'Other', 'cutoff_V' => 12.0], 'cutoff_V'],
    ['sensors', ['kind' => 'beam', 'name' => 'Mine', 'current_A' => 0.03, 'signal_V' => 5.0], ['name' => 'Other', 'bounce_s' => -1], 'bounce_s'],
    ['leads', ['kind' => 'plug', 'name' => 'Mine', 'contacts' => 5, 'bears_A' => 4.0], ['name' => 'Other', 'contacts' => 0], 'contacts'],
]);
