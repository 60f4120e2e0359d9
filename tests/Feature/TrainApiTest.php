<?php

declare(strict_types=1);

use App\Models\Build;
use Illuminate\Testing\TestResponse;

/** @return array<string, mixed> */
function heronWharf(): array
{
    return test()->postJson('/api/builds/import', json_decode((string) file_get_contents(base_path('database/demo/heron-wharf.brookstone.json')),
        true))->assertCreated()->json();
}

function trainsFor(string $query): TestResponse
{
    return test()->getJson('/api/builds/'.heronWharf()['id']."/motions/lantern/trains?{$query}");
}

it('finds trains for a ratio out of the drawer of gears, each laid out or with the reason why not', function () {
    $rows = trainsFor('ratio=6.3&stages=2')->assertOk()->json('rows');

    expect($rows)->not->toBeEmpty();
    foreach ($rows as $row) {
        expect(($row['box_mm'] === []) === ($row['why_not'] !== null))->toBeTrue()
            ->and(abs($row['ratio'] - 6.3) / 6.3)->toEqualWithDelta($row['error'], 1e-9);
    }
});

it('takes a train by its fix, and the judge finds nothing in the way', function () {
    $build = heronWharf();
    $rows = $this->getJson("/api/builds/{$build['id']}/motions/lantern/trains?ratio=4.5&stages=2")->json('rows');
    $laid = array_values(array_filter($rows, fn (array $row): bool => $row['why_not'] === null))[0];
    $after = $this->postJson("/api/builds/{$build['id']}/edits", ['version' => $build['version'], 'changes' => $laid['take']['changes']])->assertOk()->json();
    $chain = collect($after['assessment']['chains'])->firstWhere('motion', 'lantern');
    $codes = array_column(collect($chain['links'])->firstWhere('link', 'train')['findings'], 'code');

    expect($chain['train']['clashes'])->toBe([])->and($codes)->not->toContain('train.binds', 'train.loose', 'train.clash', 'train.outside')
        ->and(array_column($chain['train']['meetings'], 'fit'))->each->toBe('fits');
});

it('orders by what matters', function (string $order) {
    $of = fn (array $row): float|int => match ($order) {
        'parts' => $row['gears'], 'slop' => $row['slop_deg'], 'efficiency' => -$row['efficiency'], 'size' => $row['box_mm'][0] * $row['box_mm'][1],
        'wear' => $row['wears'], default => $row['error'],
    };
    $rows = array_values(array_filter(trainsFor("ratio=7&stages=2&order={$order}")->json('rows'), fn (array $row): bool => $row['why_not'] === null));
    $values = array_map($of, $rows);
    $sorted = $values;
    sort($sorted);

    expect(count($rows))->toBeGreaterThan(3)->and($values)->toBe($sorted);
})->with(['error', 'parts', 'slop', 'efficiency', 'size', 'wear']);

it('puts a worm or a belt first when it is asked to', function () {
    $worm = trainsFor('ratio=60&stages=1&worm_wheel=30')->assertOk()->json('rows');
    $belt = trainsFor('ratio=6&stages=1&belt_driver=16&belt_driven=32')->assertOk()->json('rows');

    expect($worm[0]['stages'][0]['type'])->toBe('worm')->and($belt[0]['stages'][0]['type'])->toBe('belt')->and(count($belt[0]['stages']))->toBe(2);
});

it('refuses nonsense at the field', function (string $query, string $field) {
    trainsFor($query)->assertStatus(422)->assertJsonPath('errors.0.field', $field);
})->with([
    ['', 'ratio'], ['ratio=0', 'ratio'], ['ratio=many', 'ratio'], ['ratio=3&stages=500', 'stages'], ['ratio=3&direction=up', 'direction'],
    ['ratio=3&worm_wheel=2', 'worm_wheel'], ['ratio=3&belt_driver=20', 'belt_driven'],
]);

it('gives out drawings, solids and the list of parts', function (string $file, string $type, string $begins) {
    $response = $this->get('/api/builds/'.heronWharf()['id']."/motions/drawbridge/train/{$file}")->assertOk()->assertHeader('Content-Type', $type);

    expect((string) $response->getContent())->toStartWith($begins);
})->with([
    ['gears.svg', 'image/svg+xml', '<?xml'], ['gears.dxf', 'image/vnd.dxf', "999\nDrawbridge: gears"], ['holes.svg', 'image/svg+xml', '<?xml'],
    ['holes.dxf', 'image/vnd.dxf', "999\nDrawbridge: holes"],
    ['parts.csv', 'text/csv; charset=utf-8', 'count,part,teeth'], ['gear-1.stl', 'model/stl', '20 teeth, stage 1 driver'],
]);

it('says what cannot be cut', function (string $file, int $status) {
    $this->getJson('/api/builds/'.heronWharf()['id']."/motions/{$file}")->assertStatus($status);
})->with([
    ['drawbridge/train/gears.exe', 404], ['drawbridge/train/gear-9.stl', 404], ['nobody/train/gears.svg', 404], ['tide/train/holes.svg', 422],
    ['drawbridge/train/gears.svg?bore_mm=18', 422], ['drawbridge/train/gears.svg?kerf_mm=-1', 422], ['drawbridge/train/gears.svg?flat_mm=3', 422],
]);

it('keeps the drawer of gears, and reads and writes it as a table', function () {
    $shipped = $this->getJson('/api/drawer/gears')->assertOk()->json('gears');
    expect($shipped)->toHaveCount(32);
    $this->putJson('/api/drawer/gears', ['version' => 1, 'gears' => [['teeth' => 20, 'count' => 1], ['teeth' => 60, 'count' => 1]]])->assertOk();
    expect(array_column(trainsFor('ratio=3')->json('rows'), 'words'))->toBe(['20 : 60', '60 : 20']);

    $csv = (string) $this->get('/api/drawer/gears/export')->getContent();
    expect($csv)->toStartWith("teeth,module_mm,count,face_mm,material\n20,1,1,6,acetal\n");
    $this->postJson('/api/drawer/gears/import', ['csv' => $csv."33,1,4,6,brass\n"])->assertOk();
    expect($this->getJson('/api/drawer/gears')->json('gears.2'))->toMatchArray(['teeth' => 33, 'count' => 4, 'material' => 'brass']);
});

it('keeps the drawer of cords, belts and rods, and the judge takes from it', function () {
    $lines = $this->getJson('/api/drawer/lines')->assertOk()->json('lines');
    expect(count($lines))->toBeGreaterThan(15);
    $this->putJson('/api/drawer/lines',
        ['version' => 1, 'lines' => [['kind' => 'cord', 'name' => 'My own line', 'size_mm' => 1.2, 'breaking_N' => 5000]]])->assertOk();
    $build = Brookstone\Core\Build\Editor::apply(Tests\Support\Builds::sound(), [['path' => 'motions.2.mechanism.breaking_N', 'value' => 50]]);
    $id = $this->postJson('/api/builds/import', $build->document)->assertCreated()->json('id');
    $offered = array_column(array_column(array_merge(...array_column(array_merge(...array_column(array_merge(...array_column(mendedOverHttp($this,
        $id)['chains'], 'links')), 'findings')), 'fixes')), 'does'), 'text');
    expect(implode(' ', $offered))->toContain('Take My own line from the drawer');

    $csv = (string) $this->get('/api/drawer/lines/export')->getContent();
    $this->postJson('/api/drawer/lines/import', ['csv' => $csv."belt,Mine,2,150,,,1\n"])->assertOk();
    expect($this->getJson('/api/drawer/lines')->json('lines.1'))->toMatchArray(['kind' => 'belt', 'teeth' => 150, 'breaking_N' => null]);
    $this->postJson('/api/drawer/lines/import', ['csv' => "kind,name,size_mm\nrope,A,1\nbelt,B,2\n"])->assertStatus(422);
    $this->getJson('/api/drawer/cheese')->assertStatus(405);
});

it('names what is wrong with a drawer of gears', function () {
    $this->putJson('/api/drawer/gears', ['version' => 1, 'gears' => [['teeth' => 3], ['teeth' => 20, 'material' => 'cheese'], ['teeth' => 21],
        ['teeth' => 21]]])->assertStatus(422)
        ->assertJsonPath('errors.0.field', 'gears.0.teeth')->assertJsonPath('errors.1.field', 'gears.1.material')->assertJsonPath('errors.2.field',
            'gears.3.teeth');
    $errors = $this->postJson('/api/drawer/gears/import', ['csv' => "teeth,count\n20,2\nmany,1\n24,-3\n"])->assertStatus(422)->json('errors');
    expect(array_column($errors, 'message'))->sequence(fn ($message) => $message->toStartWith('Row 3'), fn ($message) => $message->toStartWith('Row 4'));
    expect(Build::query()->count())->toBe(0);
    $this->postJson('/api/drawer/gears/import', ['csv' => "zähne\n20\n"])->assertStatus(422);
});

it('keeps a drawer that is one table from being overwritten by a tab that has not seen it', function (string $table, array $first, array $second) {
    $seen = $this->getJson("/api/drawer/{$table}")->assertOk()->json('version');
    $this->putJson("/api/drawer/{$table}", ['version' => $seen, $table => $first])->assertOk()->assertJsonPath('version', $seen + 1);
    $kept = $this->getJson("/api/drawer/{$table}")->json();
    $this->putJson("/api/drawer/{$table}", ['version' => $seen, $table => $second])->assertConflict()->assertJsonPath('message',
        'This drawer was changed elsewhere in the meantime. Nothing of that was overwritten.');
    $csv = $this->get("/api/drawer/{$table}/export")->getContent();
    $this->postJson("/api/drawer/{$table}/import", ['csv' => $csv, 'version' => $seen])->assertConflict();
    $this->putJson("/api/drawer/{$table}", [$table => $second])->assertStatus(422)->assertJsonPath('errors.0.field', 'version');
    expect($this->getJson("/api/drawer/{$table}")->json())->toBe($kept);
    $this->postJson("/api/drawer/{$table}/import", ['csv' => $csv, 'version' => $seen + 1])->assertOk()->assertJsonPath('version', $seen + 2);
})->with([
    ['gears', [['teeth' => 20]], [['teeth' => 60]]],
    ['lines', [['kind' => 'cord', 'name' => 'One', 'size_mm' => 1.0, 'breaking_N' => 50]],
        [['kind' => 'cord', 'name' => 'Two', 'size_mm' => 1.0, 'breaking_N' => 50]]],
]);
