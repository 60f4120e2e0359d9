<?php

declare(strict_types=1);

namespace App\Programs;

use Brookstone\Core\Program\Composition;
use Brookstone\Core\Program\Language;
use Brookstone\Core\Program\Package;
use Symfony\Component\Process\ExecutableFinder;
use Symfony\Component\Process\Process;

/** Compiles written programs for this machine, and starts them with board and motors stood in for. What was compiled is kept. */
final class Workbench
{
    private const KEPT = 40; // folders

    /** @param  string|null  $folder  where it works; null is the application's own */
    public function __construct(private readonly ?string $folder = null)
    {
    }

    private const COMPILERS = [
        'c' => ['gcc', ['-std=c99', '-Wall', '-Wextra', '-pedantic', '-Werror', '-O1']],
        'sketch' => ['g++', ['-x', 'c++', '-Wall', '-Wextra', '-Werror', '-O1']],
    ];

    /** @throws CannotRun */
    public function start(Composition $of, Language $language): RunningProgram
    {
        return $this->startText(Package::routine($of, $language), $language);
    }

    /**
     * @param  string  $routine  the routines in that language
     *
     * @throws CannotRun
     */
    public function startText(string $routine, Language $language): RunningProgram
    {
        $folder = ($this->folder ?? storage_path('brookstone/programs')).'/'.substr(hash('sha256', implode("\n", [$language->value, $routine,
            file_get_contents(Texts::path('c/bench.c'))])), 0, 24);
        $compiler = self::COMPILERS[$language->value] ?? null;
        if ($compiler === null) {
            $node = (new ExecutableFinder)->find('node') ?? throw new CannotRun('MicroPython runs in Node here, and there is none: install nodejs.');
            $this->write($folder, ['routine.py' => $routine]);

            return new RunningProgram([$node, Texts::path('python/bench.mjs'), $folder], true);
        }
        if (! is_file("{$folder}/bench")) {
            $this->compile($folder, $routine, ...$compiler);
        }

        return new RunningProgram(["{$folder}/bench"], false);
    }

    /** @param  list<string>  $flags */
    private function compile(string $folder, string $routine, string $name, array $flags): void
    {
        $compiler = (new ExecutableFinder)->find($name)
            ?? throw new CannotRun("The program must be compiled for this machine, and there is no {$name}: apt-get install {$name}.");
        $this->write($folder, ['routine.c' => $routine]);
        foreach (['routine.h', 'drives.h', 'tells.h', 'bench.c'] as $text) {
            copy(Texts::path("c/{$text}"), "{$folder}/{$text}");
        }
        $built = "{$folder}/bench.".getmypid();
        $process = new Process([$compiler, ...$flags, '-o', $built, 'routine.c', 'bench.c'], $folder, timeout: 100);
        if ($process->run() !== 0) {
            throw new CannotRun('The compiler refuses the program: '.mb_substr($process->getErrorOutput(), 0, 600));
        }
        rename($built, "{$folder}/bench"); // whoever else compiles the same finds it whole
    }

    /** @param  array<string, string>  $texts */
    private function write(string $folder, array $texts): void
    {
        if (! is_dir($folder)) {
            $this->forget(dirname($folder));
        }
        is_dir($folder) || mkdir($folder, 0o755, true) || is_dir($folder);
        foreach ($texts as $name => $text) {
            if (! is_file("{$folder}/{$name}") || file_get_contents("{$folder}/{$name}") !== $text) {
                file_put_contents("{$folder}/{$name}", $text, LOCK_EX);
            }
        }
    }

    /** The oldest go. */
    private function forget(string $all): void
    {
        $folders = glob("{$all}/*", GLOB_ONLYDIR) ?: [];
        usort($folders, fn (string $one, string $other): int => (int) filemtime($other) <=> (int) filemtime($one));
        foreach (array_slice($folders, self::KEPT) as $folder) {
            array_map(unlink(...), glob("{$folder}/*") ?: []);
            rmdir($folder);
        }
    }
}
