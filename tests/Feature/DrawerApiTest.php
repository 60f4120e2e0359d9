<?php

declare(strict_types=1);

use App\Models\DrawerDrive;
use Brookstone\Core\Drive\Drawer;
use Brookstone\Core\Drive\DrawerCsv;
use Brookstone\Core\Drive\Drives;

it('opens a drawer that is full from the start', function () {
    $drives = $this->getJson('/api/drawer')->assertOk()->json();

    expect($drives)->toHaveCount(count(Drawer::all()))->and(array_column(array_column($drives, 'drive'), 'code'))->toBe(array_map(strval(...), array_keys(Drawer::all())));
});

it('adds, changes and takes out a drive', function () {
    $drive = ['code' => 'My motor'] + Drives::write(Drawer::get('G25-60'));
    $made = $this->postJson('/api/drawer', $drive)->assertCreated()->json();
    $this->putJson("/api/drawer/{$made['id']}", ['mass_kg' => 0.2] + $drive)->assertOk()->assertJsonPath('drive.mass_kg', 0.2);
    $this->deleteJson("/api/drawer/{$made['id']}")->assertNoContent();

    expect(DrawerDrive::query()->where('code', 'My motor')->exists())->toBeFalse();
});

it('takes a drive as it was typed, and gives it back to be typed on', function () {
    $typed = ['stall_Nm' => '9 kg cm', 'no_load_rpm' => '0.08 s/60°', 'mass_kg' => '3 1/2 oz', 'code' => 'Typed'] + DrawerCsv::cells(Drawer::get('G25-60'));
    $made = $this->postJson('/api/drawer', ['typed' => $typed])->assertCreated()->json();

    expect($made['drive']['stall_Nm'])->toBeAbout(9 * 0.0980665)->and($made['drive']['no_load_rpm'])->toBeAbout(125.0)->and($made['typed']['code'])->toBe('Typed');
});

it('says what is odd about a drive at once', function () {
    $odd = $this->postJson('/api/drawer', ['code' => 'Odd', 'page' => 'Torque 9 kg·cm (200 oz·in)'] + Drives::write(Drawer::get('G25-60')))->assertCreated()->json('odd');

    expect($odd[0]['says']['text'])->toContain('should be the same');
});

it('refuses a drive at the field that is wrong, and a name that is taken', function (array $changes, string $field) {
    $this->getJson('/api/drawer');
    $this->postJson('/api/drawer', $changes + ['code' => 'New'] + Drives::write(Drawer::get('G25-60')))->assertStatus(422)->assertJsonPath('errors.0.field', $field);
})->with([
    [['code' => 'G25-60'], 'code'], [['stall_A' => 0.01], 'stall_A'], [['mass_kg' => -1], 'mass_kg'], [['mass_kg' => 'heavy'], 'mass_kg'], [['kind' => 'steam'], 'kind'], [['wheels' => 4], 'wheels'],
]);

it('looks at a table first, and then takes every row that is right', function () {
    $this->getJson('/api/drawer');
    $lines = explode("\r\n", DrawerCsv::write(Drawer::all()));
    $csv = implode("\n", [$lines[0], str_replace('G16-30', 'Mine', $lines[1]), $lines[2], str_replace('dc_motor', 'rocket', $lines[3]), str_replace(',6,', ',six,', $lines[4])]);
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
    $id = $this->postJson('/api/builds/import', json_decode((string) file_get_contents(database_path('demo/heron-wharf.brookstone.json')), true))->assertCreated()->json('id');
    $choice = $this->getJson("/api/builds/{$id}/motions/drawbridge/drives?goal=safest")->assertOk()->json();
    $fixes = mendedOverHttp($this, $id)['mend']['does']['text'];

    expect($choice['drives'])->toBe(2)->and(array_column($choice['rows'], 'code'))->toEqualCanonicalizing(['W40-260', 'W40-400'])->and($fixes)->toContain('W40-');
});
