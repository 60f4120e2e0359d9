<?php

declare(strict_types=1);

namespace Tests\Support;

use Illuminate\Support\Facades\File;
use Illuminate\Support\Facades\Process;

/** A checkout of its own, that shares what was installed. */
final class Checkout
{
    /** Nothing of this process' own settings: those are for tests. */
    public const ENVIRONMENT = ['APP_ENV' => false, 'APP_KEY' => false, 'DB_DATABASE' => false, 'CACHE_STORE' => false, 'QUEUE_CONNECTION' => false,
        'SESSION_DRIVER' => false, 'LOG_CHANNEL' => false, 'PHP_INI_SCAN_DIR' => false];

    public readonly string $at;

    public function __construct()
    {
        if (trim((string) @file_get_contents(base_path('node_modules/.stamp'))) !== hash_file('sha256', base_path('package-lock.json'))) {
            throw new \RuntimeException('What is installed is not what package-lock.json says, and a start in this checkout would install it through its link: run bin/start --setup-only first.');
        }
        $this->at = sys_get_temp_dir().'/brook stone '.bin2hex(random_bytes(4)); // with a space in its path
        mkdir("{$this->at}/storage/framework/cache/data", recursive: true);
        mkdir("{$this->at}/bootstrap/cache", recursive: true);
        foreach (['app', 'bin', 'compat', 'config', 'core/src', 'database/demo', 'database/examples', 'database/migrations', 'database/seeders', 'lang',
            'resources', 'routes'] as $folder) {
            File::copyDirectory(base_path($folder), "{$this->at}/{$folder}");
        }
        mkdir("{$this->at}/public");
        foreach (['artisan', 'composer.json', 'package-lock.json', 'package.json', 'vite.config.ts', 'bootstrap/app.php', 'bootstrap/compiled.php',
            'bootstrap/providers.php', 'public/index.php', '.env.example'] as $file) {
            copy(base_path($file), "{$this->at}/{$file}");
        }
        foreach (['vendor', 'node_modules'] as $installed) {
            symlink(base_path($installed), "{$this->at}/{$installed}");
        }
        Process::run(['chmod', '-R', 'u+x', "{$this->at}/bin"]);
        File::copyDirectory(base_path('public/build'), "{$this->at}/public/build");
        Process::path($this->at)->run(['bash', '-c', 'source bin/setup.sh && pages_are_of >public/build/.stamp']);
    }

    /**
     * @param  array<string, string>  $environment
     * @return array{int, string} how a start ended, and what it said
     */
    public function start(string $arguments, array $environment = []): array
    {
        $process = Process::path($this->at)->env($environment + self::ENVIRONMENT)->timeout(400)->run("exec bin/start {$arguments} 2>&1");

        return [(int) $process->exitCode(), (string) preg_replace('/\x1b\[[0-9;]*m/', '', $process->output())];
    }

    public function shell(string $command): string
    {
        return Process::path($this->at)->env(self::ENVIRONMENT)->timeout(300)->run(['bash', '-c', $command])->output();
    }

    public function delete(): void
    {
        File::deleteDirectory($this->at);
    }
}
