<?php

declare(strict_types=1);

use App\Actions\CannotStart;
use App\Actions\KeepBuild;
use App\Actions\PrepareDatabase;
use App\Models\Build;
use Illuminate\Support\Facades\DB;
use Illuminate\Support\Facades\File;
use Illuminate\Testing\TestResponse;
use Tests\Support\Builds;

beforeEach(function () {
    $this->folder = sys_get_temp_dir().'/brookstone-'.bin2hex(random_bytes(6));
    $this->path = "{$this->folder}/brookstone.sqlite";
});

afterEach(fn () => File::deleteDirectory($this->folder));

/** @return list<string> */
function prepared(string $path): array
{
    return app(PrepareDatabase::class)->at($path);
}

function opened(string $path): PDO
{
    return new PDO("sqlite:{$path}", options: [PDO::ATTR_ERRMODE => PDO::ERRMODE_EXCEPTION]);
}

/** A database with one build and the gear drawer in it, as it was before the last changes of its form. */
function older(string $path, int $changes): void
{
    prepared($path);
    $database = opened($path);
    $database->exec("INSERT INTO builds (id, name, document, summary, created_at, updated_at) VALUES ('b', 'Mine', '{}', '{}', '2026-01-01', '2026-01-01')");
    $back = [
        ['ALTER TABLE drawer_drives DROP COLUMN version', 'ALTER TABLE drawer_tables DROP COLUMN version',
            "DELETE FROM migrations WHERE migration LIKE '%version_drawers'",
            'DROP TABLE study_parts', 'DROP TABLE studies', 'DROP TABLE rig_sessions', 'DROP TABLE jobs', 'DROP TABLE IF EXISTS failed_jobs',
            "DELETE FROM migrations WHERE migration LIKE '%create_studies_and_rigs'"],
        ['DROP TABLE drawer_tables', 'CREATE TABLE drawer_gears (id integer primary key autoincrement not null, lines text not null, created_at datetime, updated_at datetime)', "INSERT INTO drawer_gears (lines) VALUES ('[\"gear\"]')", "DELETE FROM migrations WHERE migration LIKE '%gather_drawer_tables'"],
    ];
    foreach (array_merge(...array_slice($back, 0, $changes)) as $statement) {
        $database->exec($statement);
    }
}

/** @return array{string, list<string>} the build's name, and what the gear drawer holds */
function keptIn(string $path): array
{
    return [(string) opened($path)->query('SELECT name FROM builds')->fetchColumn(),
        opened($path)->query("SELECT lines FROM drawer_tables WHERE name = 'gears'")->fetchAll(PDO::FETCH_COLUMN)];
}

it('makes a new one, readable by its owner alone, and leaves one that is ready as it is', function () {
    expect(prepared($this->path))->toBe([])->and(fileperms($this->path) & 0777)->toBe(0600);
    $made = md5_file($this->path);
    clearstatcache();

    expect(prepared($this->path))->toBe([])->and(md5_file($this->path))->toBe($made)->and(glob("{$this->folder}/*"))->toBe([$this->path]);
});

it('brings an older one up to date, and keeps a copy from before', function () {
    older($this->path, 2);
    expect(prepared($this->path))->toBe([])->and(keptIn($this->path))->toBe(['Mine', ['["gear"]']]);
    $copies = glob("{$this->folder}/backups/*.sqlite");

    expect($copies)->toHaveCount(1)->and(opened($copies[0])->query('SELECT name FROM builds')->fetchColumn())->toBe('Mine')
        ->and(opened($copies[0])->query('SELECT count(*) FROM drawer_gears')->fetchColumn())->toBe(1);
});

it('mends one that an earlier start left half changed, wherever it was ended', function (array $done, array $gears) {
    older($this->path, 2);
    foreach ($done as $statement) {
        opened($this->path)->exec($statement);
    }
    expect(prepared($this->path))->toBe(['An earlier start was ended while it changed the form of the database: that was mended, and everything in it kept.'])
        ->and(keptIn($this->path))->toBe(['Mine', $gears])->and(prepared($this->path))->toBe([]);
})->with(function (): array {
    $table = 'CREATE TABLE drawer_tables (id integer primary key autoincrement not null, name varchar not null unique, lines text not null, created_at datetime, updated_at datetime)';
    $row = "INSERT INTO drawer_tables (name, lines) VALUES ('gears', '[\"gear\"]')";

    return [
        'the new table is there' => [[$table], ['["gear"]']],
        'and what goes into it' => [[$table, $row], ['["gear"]']],
        'and the old one is gone' => [[$table, $row, 'DROP TABLE drawer_gears'], ['["gear"]']],
    ];
});

it('begins anew after what an ended start left of its work', function () {
    older($this->path, 1);
    file_put_contents("{$this->path}.next", 'half of it');
    file_put_contents("{$this->path}.next-journal", 'and this');

    expect(prepared($this->path))->toBe([])->and(keptIn($this->path)[0])->toBe('Mine')->and(glob("{$this->path}.next*"))->toBe([]);
});

it('keeps a damaged one aside, says where, and begins a new one', function (Closure $damage) {
    older($this->path, 0);
    $damaged = $damage((string) file_get_contents($this->path));
    file_put_contents($this->path, $damaged);
    $said = prepared($this->path);
    $aside = glob("{$this->folder}/brookstone-damaged-*.sqlite");

    expect($said)->toBe(["The database could not be read. It is kept as {$aside[0]}, and a new one is begun."])
        ->and(file_get_contents($aside[0]))->toBe($damaged)
        ->and(opened($this->path)->query('SELECT count(*) FROM builds')->fetchColumn())->toBe(0);
})->with([
    'not a database at all' => [fn (string $was): string => 'Dear diary, '.str_repeat('x', 5000)],
    'cut off' => [fn (string $was): string => substr($was, 0, (int) (strlen($was) * 0.6))],
    'overwritten in the middle' => [fn (string $was): string => substr_replace($was, random_bytes(9000), 4096, 9000)],
]);

it('leaves alone what is not its own, or newer than it knows', function (array $statements, string $says) {
    mkdir($this->folder);
    if (str_contains($statements[0], 'migrations')) {
        prepared($this->path);
    }
    foreach ($statements as $statement) {
        opened($this->path)->exec($statement);
    }
    $was = md5_file($this->path);

    expect(fn () => prepared($this->path))->toThrow(CannotStart::class, $says)->and(md5_file($this->path))->toBe($was);
})->with([
    'of another program' => [['CREATE TABLE songs (title text)', "INSERT INTO songs VALUES ('Wharf')"],
        'is the database of another program: move it away and start again.'],
    'newer' => [["INSERT INTO migrations (migration, batch) VALUES ('2031_01_01_000000_create_wings', 9)"],
        'was written by a newer Brookstone, which this one cannot read'],
]);

it('keeps the ten newest copies', function () {
    mkdir("{$this->folder}/backups", recursive: true);
    foreach (range(1, 12) as $day) {
        touch(sprintf('%s/backups/brookstone-202601%02d-000000-000000.sqlite', $this->folder, $day));
    }
    older($this->path, 1);
    prepared($this->path);
    $copies = array_map(basename(...), glob("{$this->folder}/backups/*"));

    expect($copies)->toHaveCount(10)->and($copies[0])->toContain('20260104')->and(end($copies))->toContain('brookstone-2026'.now()->format('md'));
});

it('puts back a copy by its name, and keeps what was there as another', function () {
    config(['database.connections.sqlite.database' => $this->path]);
    $this->artisan('brookstone:restore')->expectsOutputToContain('There are no copies yet')->assertSuccessful();
    older($this->path, 1);
    prepared($this->path);
    $copy = basename(glob("{$this->folder}/backups/*")[0]);
    opened($this->path)->exec("UPDATE builds SET name = 'Changed since'");
    $this->artisan('brookstone:restore')->expectsOutputToContain($copy)->assertSuccessful();
    $this->artisan('brookstone:restore no-such.sqlite')->expectsOutputToContain('There is no copy no-such.sqlite')->assertFailed();
    $this->artisan("brookstone:restore ../{$copy}")->assertFailed();
    $running = fopen("{$this->folder}/.running", 'w');
    flock($running, LOCK_EX);
    $this->artisan("brookstone:restore {$copy}")->expectsOutputToContain('Brookstone runs')->assertFailed();
    fclose($running);
    expect(opened($this->path)->query('SELECT name FROM builds')->fetchColumn())->toBe('Changed since');
    $this->artisan("brookstone:restore {$copy}")->expectsOutputToContain("The copy {$copy} is back.")->assertSuccessful();
    prepared($this->path); // it is of an older form

    expect(keptIn($this->path)[0])->toBe('Mine')->and(fileperms($this->path) & 0777)->toBe(0600);
    $before = collect(glob("{$this->folder}/backups/*"))->first(fn (string $file): bool => opened($file)->query('SELECT name FROM builds')->fetchColumn() === 'Changed since');
    $this->artisan('brookstone:restore '.basename((string) $before))->assertSuccessful();
    expect(keptIn($this->path)[0])->toBe('Changed since');
    file_put_contents($this->path, $noise = str_repeat('not a database ', 1000)); // for which copies are there
    $this->artisan("brookstone:restore {$copy}")->expectsOutputToContain('-damaged-')->assertSuccessful();
    prepared($this->path);
    expect(keptIn($this->path)[0])->toBe('Mine')->and(file_get_contents(glob("{$this->folder}/brookstone-damaged-*.sqlite")[0]))->toBe($noise);
});

it('says in one sentence what it cannot do, and does nothing then', function () {
    mkdir("{$this->folder}/a/brookstone.sqlite", recursive: true);
    file_put_contents("{$this->folder}/taken", '');

    expect(fn () => prepared("{$this->folder}/a/brookstone.sqlite"))->toThrow(CannotStart::class, 'is a folder, where the database must be');
    expect(fn () => prepared("{$this->folder}/taken/brookstone.sqlite"))->toThrow(CannotStart::class, 'cannot be made');
    config(['database.connections.sqlite.database' => "{$this->folder}/taken/brookstone.sqlite"]);
    $this->artisan('brookstone:prepare')->assertFailed();
    config(['database.connections.sqlite.database' => $this->path]);
    older($this->path, 1);
    mkdir("{$this->path}.next");
    $this->artisan('brookstone:prepare')->expectsOutputToContain('The database cannot be made ready')->doesntExpectOutputToContain('Stack trace')->assertFailed();
});

it('says in a sentence that the disk is full while it serves, and keeps what was saved', function () {
    prepared($this->path);
    config(['database.connections.sqlite.database' => $this->path]);
    DB::purge('sqlite');
    $build = Build::query()->create(KeepBuild::columns(Builds::sound()));
    $edit = fn (): TestResponse => $this->postJson("/api/builds/{$build->id}/edits",
        ['version' => 1, 'changes' => [['path' => 'note', 'value' => str_repeat('long ', 380)]]]);
    DB::statement('PRAGMA max_page_count = '.DB::scalar('PRAGMA page_count'));
    $edit()->assertStatus(507)->assertJsonPath('errors.0.message', 'The disk is full: this could not be saved. It is tried again until there is room.');
    DB::statement('PRAGMA max_page_count = 1000000');

    expect($build->refresh()->version)->toBe(1);
    $edit()->assertOk();
    DB::purge('sqlite');
});
