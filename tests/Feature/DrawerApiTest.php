<?php

declare(strict_types=1);

use App\Models\DrawerDrive;
use Brookstone\Core\Drive\Drawer;
use Brookstone\Core\Drive\DrawerCsv;
use Brookstone\Core\Drive\Drives;

it('opens a drawer that is full from the start', function () {
    $drives = $this->getJson('/api/drawer')->assertOk()->json();

    expect($drives)->toHaveCount(count(Drawer::all()))->and(array_column(array_column($drives, 'drive'), 'code'))->toBe(array_map(strval(...),
        array_keys(Drawer::all())));
});

it('adds, changes and takes out a drive', function () {
    $drive = ['code' => 'My motor'] + Drives::write(Drawer::get('G25-60'));
    $made = $this->postJson('/api/drawer', $drive)->assertCreated()->json();
    $this->putJson("/api/drawer/{$made['id']}", ['version' => $made['version'], 'mass_kg' => 0.2] + $drive)->assertOk()->assertJsonPath('drive.mass_kg',
        0.2)->assertJsonPath('version', 2);
    $this->deleteJson("/api/drawer/{$made['id']}", ['version' => 2])->assertNoContent();

    expect(DrawerDrive::query()->where('code', 'My motor')->exists())->toBeFalse();
});

it('never lets a second tab overwrite what it has not seen', function () {
    $drive = ['code' => 'My motor'] + Drives::write(Drawer::get('G25-60'));
    $made = $this->postJson('/api/drawer', $drive)->assertCreated()->json();
    $at = "/api/drawer/{$made['id']}";
    $this->putJson($at, ['version' => 1, 'mass_kg' => 0.2] + $drive)->assertOk();
    foreach ([['put', ['version' => 1, 'mass_kg' => 0.9] + $drive], ['delete', ['version' => 1]]] as [$method, $body]) {
        $this->json($method, $at, $body)->assertConflict()->assertJsonPath('message',
            'This drive was changed elsewhere in the meantime. Nothing of that was overwritten.');
    }
    $this->putJson($at, ['mass_kg' => 0.9] + $drive)->assertStatus(422)->assertJsonPath('errors', [['field' => 'version', 'message' => 'This is missing.']]);

    expect(collect($this->getJson('/api/drawer')->json())->firstWhere('id', $made['id']))->toMatchArray(['version' => 2])
        ->and(DrawerDrive::query()->find($made['id'])->document['mass_kg'])->toBe(0.2);
});

it('puts no table in that replaces other drives than it said when it was looked at', function () {
    $this->getJson('/api/drawer');
    $csv = DrawerCsv::write([Drawer::get('G25-60')]);
    $look = $this->postJson('/api/drawer/import', ['csv' => $csv, 'look' => true])->assertOk()->json();
    $entry = collect($this->getJson('/api/drawer')->json())->firstWhere('drive.code', 'G25-60');
    $this->putJson("/api/drawer/{$entry['id']}", ['version' => $entry['version'], 'mass_kg' => 0.7] + $entry['drive'])->assertOk();
    $this->postJson('/api/drawer/import', ['csv' => $csv, 'as_of' => $look['as_of']])->assertConflict();
    expect(DrawerDrive::query()->find($entry['id'])->document['mass_kg'])->toBe(0.7);
    $again = $this->postJson('/api/drawer/import', ['csv' => $csv, 'look' => true])->json('as_of');
    $this->postJson('/api/drawer/import', ['csv' => $csv, 'as_of' => $again])->assertOk();

    expect(DrawerDrive::query()->find($entry['id'])->version)->toBe(3)
        ->and(DrawerDrive::query()->find($entry['id'])->document['mass_kg'])->toBe($entry['drive']['mass_kg']);
});

it('takes a drive as it was typed, and gives it back to be typed on', function () {
    $typed = ['stall_Nm' => '9 kg cm', 'no_load_rpm' => '0.08 s/60°', 'mass_kg' => '3 1/2 oz', 'code' => 'Typed'] + DrawerCsv::cells(Drawer::get('G25-60'));
    $made = $this->postJson('/api/drawer', ['typed' => $typed])->assertCreated()->json();

    expect($made['drive']['stall_Nm'])->toBeAbout(9 * 0.0980665)->and($made['drive']['no_load_rpm'])->toBeAbout(125.0)
        ->and($made['typed']['code'])->toBe('Typed');
});

it('says what is odd about a drive at once', function () {
    $odd = $this->postJson('/api/drawer', ['code' => 'Odd', 'page' => 'Torque 9 kg·cm (200 oz·in)']
        + Drives::write(Drawer::get('G25-60')))->assertCreated()->json('odd');

    expect($odd[0]['says']['text'])->toContain('should be the same');
});

it('refuses a drive at the field that is wrong, and a name that is taken', function (array $changes, string $field) {
    $this->getJson('/api/drawer');
    $this->postJson('/api/drawer', $changes + ['code' => 'New'] + Drives::write(Drawer::get('G25-60')))->assertStatus(422)->assertJsonPath('errors.0.field',
        $field);
})->with([
    [['code' => 'G25-60'], 'code'], [['stall_A' => 0.01], 'stall_A'], [['mass_kg' => -1], 'mass_kg'], [['mass_kg' => 'heavy'], 'mass_kg'],
    [['kind' => 'steam'], 'kind'], [['wheels' => 4], 'wheels'],
]);

it('looks at a table first, and then takes every row that is right', function () {
    $this->getJson('/api/drawer');
    $lines = explode("\r\n", DrawerCsv::write(Drawer::all()));
    $csv = implode("\n", [$lines[0], str_replace('G16-30', 'Mine', $lines[1]), $lines[2], str_replace('dc_motor', 'rocket', $lines[3]),
        str_replace(',6,', ',six,', $lines[4])]);
    $look = $this->postJson('/api/drawer/import', ['csv' => $csv, 'look' => true])->assertOk()->json();
    expect(DrawerDrive::query()->where('code', 'Mine')->exists())->toBeFalse();
    $took = $this->postJson('/api/drawer/import', ['csv' => $csv])->assertOk()->json();

    expect($look['stored'])->toBeFalse()->and($took['stored'])->toBeTrue()
        ->and($took['new'])->toBe(['Mine'])->and($took['replaced'])->toBe(['G16-50'])
        ->and(array_map(fn (array $error): array => [$error['line'], $error['column']], $took['errors']))->toBe([[4, 'kind'], [5, 'rated_V']])
        ->and(DrawerDrive::query()->where('code', 'Mine')->exists())->toBeTrue();
});

it('saves the drawer as a table that can be read again', function () {
    $csv = $this->get('/api/drawer/export')->assertOk()->assertHeader('content-type', 'text/csv; charset=utf-8')->getContent();

    expect(DrawerCsv::read((string) $csv)['errors'])->toBe([])->and($this->getJson('/api/drawer/guide')->json('0.column'))->toBe('kind');
});

it('refuses what is no table', function (mixed $csv) {
    $this->postJson('/api/drawer/import', ['csv' => $csv])->assertStatus(422)->assertJsonPath('errors.0.field', 'csv');
})->with([[''], [null], [[1, 2]], [str_repeat('x', 1_600_000)]]);

it('chooses from the builder’s own drawer', function () {
    $this->getJson('/api/drawer');
    DrawerDrive::query()->whereNotIn('code', ['W40-260', 'W40-400'])->delete();
    $id = $this->postJson('/api/builds/import', json_decode((string) file_get_contents(database_path('demo/heron-wharf.brookstone.json')),
        true))->assertCreated()->json('id');
    $choice = $this->getJson("/api/builds/{$id}/motions/drawbridge/drives?goal=safest")->assertOk()->json();
    $fixes = mendedOverHttp($this, $id)['mend']['does']['text'];

    expect($choice['drives'])->toBe(2)->and(array_column($choice['rows'], 'code'))->toEqualCanonicalizing(['W40-260', 'W40-400'])
        ->and($fixes)->toContain('W40-');
});
