<?php

declare(strict_types=1);

use App\Actions\KeepBuild;
use Brookstone\Core\Assessment\BuildJudge;
use Brookstone\Core\Build\Build;
use Brookstone\Core\Build\Editor;
use Illuminate\Queue\DatabaseQueue;
use Illuminate\Support\Facades\Artisan;
use Illuminate\Support\Facades\DB;

beforeEach(function () {
    $this->file = (string) tempnam(sys_get_temp_dir(), 'brookstone');
    config(['database.connections.file' => ['database' => $this->file] + config('database.connections.sqlite')]);
    DB::setDefaultConnection('file');
    Artisan::call('migrate', ['--database' => 'file', '--force' => true]);
    $this->other = new PDO("sqlite:{$this->file}", options: [PDO::ATTR_TIMEOUT => 0]); // waits for nobody
});

afterEach(function () {
    DB::purge('file');
    array_map(unlink(...), glob("{$this->file}*") ?: []);
});

it('takes its turn before it reads what it is going to change: nobody writes in between', function () {
    $keep = app(KeepBuild::class);
    $core = Build::fromJson((string) file_get_contents(base_path('database/examples/flag-hoist.brookstone.json')));
    $build = $keep->add($core)->build;
    $refused = 0;
    DB::listen(function ($query) use (&$refused): void {
        if (str_contains($query->sql, 'from "build_revisions"') && str_starts_with($query->sql, 'select')) {
            try {
                $this->other->exec("insert into drawer_tables (name, lines) values ('other', '[]')");
            } catch (PDOException) {
                $refused++;
            }
        }
    });
    $changed = Editor::apply($core, [['path' => 'name', 'value' => 'Another name']]);
    $stored = $keep->change($build, 1, 'name', $changed, BuildJudge::atOnce($changed))->build;

    expect($refused)->toBe(1)->and($stored->name)->toBe('Another name')->and($stored->version)->toBe(2)
        ->and($this->other->exec("insert into drawer_tables (name, lines) values ('other', '[]')"))->toBe(1);
});

it('gives each of two workers that fetch at the same moment a job of its own', function () {
    $queue = fn (): DatabaseQueue => new DatabaseQueue(DB::connection('file'), 'jobs', 'default');
    foreach (['a', 'b'] as $job) {
        $queue()->pushRaw((string) json_encode(['displayName' => $job, 'job' => $job, 'data' => []]));
    }
    config(['database.connections.second' => config('database.connections.file')]);
    $second = new DatabaseQueue(DB::connection('second'), 'jobs', 'default');
    DB::connection('second')->statement('pragma busy_timeout = 0');
    $second->setContainer(app());
    $met = null;
    DB::connection('file')->listen(function ($query) use ($second, &$met): void {
        if ($query->connectionName === 'file' && str_starts_with($query->sql, 'select') && $met === null) {
            try {
                $met = $second->pop('default')?->getRawBody() ?? 'nothing';
            } catch (Throwable $locked) {
                $met = $locked->getMessage();
            }
        }
    });
    $first = $queue();
    $first->setContainer(app());
    $first->setConnectionName('file');
    $mine = $first->pop('default');
    $theirs = $second->pop('default');

    expect($met)->toContain('locked') // has to wait, and does where it may
        ->and(json_decode((string) $mine?->getRawBody(), true)['displayName'])->toBe('a')
        ->and(json_decode((string) $theirs?->getRawBody(), true)['displayName'])->toBe('b');
    DB::purge('second');
});

it('takes back what it wrote when something goes wrong in between', function () {
    expect(fn () => DB::transaction(function (): void {
        DB::table('drawer_tables')->insert(['name' => 'mine', 'lines' => '[]']);
        throw new RuntimeException('gone wrong');
    }))->toThrow(RuntimeException::class)
        ->and(DB::table('drawer_tables')->count())->toBe(0)->and(DB::connection()->getPdo()->inTransaction())->toBeFalse()
        ->and($this->other->exec("insert into drawer_tables (name, lines) values ('other', '[]')"))->toBe(1);
});
