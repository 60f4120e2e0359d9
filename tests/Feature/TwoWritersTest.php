<?php

declare(strict_types=1);

use App\Actions\KeepBuild;
use Brookstone\Core\Assessment\Assessor;
use Brookstone\Core\Build\Build;
use Brookstone\Core\Build\Editor;
use Illuminate\Support\Facades\Artisan;
use Illuminate\Support\Facades\DB;

it('saves although another writes while it reads', function () {
    $file = (string) tempnam(sys_get_temp_dir(), 'brookstone');
    config(['database.connections.file' => ['database' => $file] + config('database.connections.sqlite')]);
    DB::setDefaultConnection('file');
    Artisan::call('migrate', ['--database' => 'file', '--force' => true]);
    $keep = app(KeepBuild::class);
    $core = Build::fromJson((string) file_get_contents(base_path('database/examples/flag-hoist.brookstone.json')));
    $build = $keep->add($core);
    $other = new PDO("sqlite:{$file}");
    $times = 0;
    DB::listen(function ($query) use ($other, &$times): void {
        // Twice, just between its read and its write.
        if (str_contains($query->sql, 'from "build_revisions"') && str_starts_with($query->sql, 'select') && $times++ < 2) {
            $other->exec("insert into drawer_tables (name, lines) values ('other{$times}', '[]')");
        }
    });
    $changed = Editor::apply($core, [['path' => 'name', 'value' => 'Another name']]);
    $stored = $keep->change($build, 1, 'name', $changed, Assessor::assess($changed));

    expect($stored->name)->toBe('Another name')->and($stored->version)->toBe(2)->and($times)->toBeGreaterThanOrEqual(3)
        ->and($stored->revisions()->count())->toBe(2)->and(DB::table('drawer_tables')->count())->toBe(2);
    DB::purge('file');
    array_map(unlink(...), glob("{$file}*") ?: []);
});
