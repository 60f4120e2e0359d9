<?php

declare(strict_types=1);

// Plants small wrong changes in the core, one at a time, in a copy of the tree, and runs the tests that come by them. Run by bin/mutate.

use Brookstone\Tools\Mutants;
use Random\Engine\Mt19937;
use Random\Randomizer;
use Symfony\Component\Process\Process;

require __DIR__.'/../../vendor/autoload.php';
require __DIR__.'/Mutants.php';

const AT_ONCE = 8;         // test files in one run: the quickest first, and no more once one has noticed
const SLOWER = 6.0;        // than usual: then it hangs, which is noticed too
const USUAL_START_S = 20.0;

$root = dirname(__DIR__, 2);
$kept = "{$root}/storage/framework/mutate";
$options = getopt('', ['sample:', 'seed:', 'processes:'], $rest);
$paths = array_slice($argv, $rest) ?: ['core/src'];
[$sample, $seed, $processes] = [(int) ($options['sample'] ?? 40), (int) ($options['seed'] ?? 1), (int) ($options['processes'] ?? 2)];
@mkdir($kept, 0700, true);

/** @return list<string> PHP files under a path, from the root */
function files(string $root, string $path, string $ending = '.php'): array
{
    if (is_file("{$root}/{$path}")) {
        return [$path];
    }
    if (! is_dir("{$root}/{$path}")) {
        fwrite(STDERR, "There is no {$path}.\n");
        exit(2);
    }
    $found = [];
    foreach (new RecursiveIteratorIterator(new RecursiveDirectoryIterator("{$root}/{$path}", FilesystemIterator::SKIP_DOTS)) as $file) {
        if (str_ends_with($file->getPathname(), $ending)) {
            $found[] = substr($file->getPathname(), strlen($root) + 1);
        }
    }
    sort($found);

    return $found;
}

/**
 * Runs so many at a time, and tells each as it ends.
 *
 * @param  list<callable(int): Process>  $starts  each told which of the places it has
 * @param  callable(int, Process, float): void  $ended  told which, and how long it took, s
 */
function together(array $starts, int $places, callable $ended): void
{
    $running = [];
    while ($starts !== [] || $running !== []) {
        for ($place = 0; $place < $places && $starts !== []; $place++) {
            if (! isset($running[$place])) {
                $which = array_key_first($starts);
                $running[$place] = [$which, $starts[$which]($place), microtime(true)];
                $running[$place][1]->start();
                unset($starts[$which]);
            }
        }
        foreach ($running as $place => [$which, $process, $began]) {
            if (! $process->isRunning()) {
                unset($running[$place]);
                $ended($which, $process, microtime(true) - $began);
            }
        }
        usleep(20_000);
    }
}

// Which test comes by which lines. Kept as long as neither the test nor what it comes by has changed.
$map = is_file("{$kept}/covers.json") ? json_decode((string) file_get_contents("{$kept}/covers.json"), true) : [];
$support = hash('xxh128', implode('', array_map(fn (string $file): string => (string) md5_file("{$root}/{$file}"), [...files($root, 'tests/Support'), 'tests/Pest.php'])));
$sum = fn (string $test, array $files): string => hash('xxh128', $support.md5_file("{$root}/{$test}").implode('', array_map(fn (string $file): string => $file.@md5_file("{$root}/{$file}"), $files)));
$tests = files($root, 'tests/Core', 'Test.php');
$map = array_intersect_key($map, array_flip($tests));
$stale = array_values(array_filter($tests, fn (string $test): bool => ! isset($map[$test]) || $map[$test]['sum'] !== $sum($test, array_keys($map[$test]['files']))));
fwrite(STDERR, $stale === [] ? '' : sprintf("Finding out what %d test files come by\n", count($stale)));
together(array_map(fn (string $test): callable => fn (): Process => new Process(
    [PHP_BINARY, '-d', 'extension=pcov.so', '-d', 'pcov.enabled=1', '-d', "pcov.directory={$root}/core/src", '-d', 'auto_prepend_file='.__DIR__.'/covers.php', 'vendor/bin/pest', $test],
    $root, ['COVERS_OUT' => "{$kept}/".md5($test).'.json'], timeout: null,
), $stale), $processes, function (int $which, Process $process, float $took) use ($stale, $kept, $sum, &$map): void {
    $out = "{$kept}/".md5($stale[$which]).'.json';
    $files = is_file($out) ? json_decode((string) file_get_contents($out), true) : [];
    @unlink($out);
    if ($process->getExitCode() !== 0) {
        fwrite(STDERR, "{$stale[$which]} fails as it is:\n{$process->getOutput()}\n");
        exit(1);
    }
    $map[$stale[$which]] = ['sum' => $sum($stale[$which], array_keys($files)), 'took_s' => $took, 'files' => $files];
    file_put_contents("{$kept}/covers.json", json_encode($map));
});

// What is planted.
$all = [];
foreach ($paths as $path) {
    foreach (files($root, rtrim($path, '/')) as $file) {
        foreach (Mutants::of((string) file_get_contents("{$root}/{$file}")) as $mutant) {
            $all[] = ['file' => $file] + $mutant;
        }
    }
}
$random = new Randomizer(new Mt19937($seed));
$planted = array_slice($random->shuffleArray($all), 0, $sample);
printf("%d of %d small wrong changes are planted (seed %d)\n", count($planted), count($all), $seed);

// A copy of the tree for each process; what is installed is shared.
$trees = [];
for ($place = 0; $place < $processes; $place++) {
    $trees[$place] = "{$kept}/tree-{$place}";
    (new Process(['rm', '-rf', $trees[$place]]))->mustRun();
    mkdir("{$trees[$place]}/core", recursive: true);
    foreach ([['cp', '-al', "{$root}/vendor", $trees[$place]], ['cp', '-r', "{$root}/core/src", "{$trees[$place]}/core/"], ...array_map(fn (string $part): array => ['cp', '-r', "{$root}/{$part}", $trees[$place]], ['tests', 'compat', 'database', 'docs', 'phpunit.xml', 'composer.json'])] as $copies) {
        (new Process($copies, timeout: null))->mustRun();
    }
}

$survived = [];
$noticed = 0;
together(array_map(fn (array $mutant): callable => function (int $place) use ($mutant, $trees, $map, $root): Process {
    $come = array_filter($map, fn (array $test): bool => in_array($mutant['line'], $test['files'][$mutant['file']] ?? [], true) || ($test['files'][$mutant['file']] ?? []) !== [] && ! isset(self_lines($map, $mutant['file'])[$mutant['line']]));
    uasort($come, fn (array $one, array $other): int => $one['took_s'] <=> $other['took_s']);
    $source = (string) file_get_contents("{$root}/{$mutant['file']}");
    $at = "{$trees[$place]}/{$mutant['file']}";
    file_put_contents("{$at}.new", substr($source, 0, $mutant['from']).$mutant['is'].substr($source, $mutant['to']));
    $runs = array_map(fn (array $files): string => sprintf('timeout %d %s vendor/bin/pest --compact %s >/dev/null 2>&1 || exit 1', (int) ceil(USUAL_START_S + SLOWER * array_sum(array_map(fn (string $test): float => $map[$test]['took_s'], $files))), PHP_BINARY, implode(' ', array_map(escapeshellarg(...), $files))), array_chunk(array_keys($come), AT_ONCE));

    return new Process(['bash', '-c', 'mv '.escapeshellarg("{$at}.new").' '.escapeshellarg($at).'; ('.implode('; ', [...$runs, 'exit 0']).'); noticed=$?; cp '.escapeshellarg("{$root}/{$mutant['file']}").' '.escapeshellarg($at).'; exit $noticed'], $trees[$place], ['PHP_INI_SCAN_DIR' => (string) getenv('BROOKSTONE_QUICK_INI')], timeout: null); // with the compiler: most of it is computing
}, $planted), $processes, function (int $which, Process $process) use ($planted, &$survived, &$noticed): void {
    $mutant = $planted[$which];
    if ($process->getExitCode() !== 0) {
        $noticed++;
    } else {
        $survived[] = $mutant;
        printf("survived  %s:%d  %s  →  %s\n", $mutant['file'], $mutant['line'], preg_replace('/\s+/', ' ', $mutant['was']), preg_replace('/\s+/', ' ', $mutant['is']));
    }
    fwrite(STDERR, sprintf("\r%d of %d", $noticed + count($survived), count($planted)));
});
fwrite(STDERR, "\n");

$rooms = [];
foreach ($planted as $mutant) {
    $room = explode('/', $mutant['file'])[2];
    $rooms[$room] = [($rooms[$room][0] ?? 0) + 1, ($rooms[$room][1] ?? 0) + (in_array($mutant, $survived, true) ? 0 : 1)];
}
ksort($rooms);
foreach ($rooms as $room => [$of, $saw]) {
    printf("%-14s %d of %d noticed\n", $room, $saw, $of);
}
printf("%d of %d noticed, %.0f %%\n", $noticed, count($planted), $planted === [] ? 100 : 100 * $noticed / count($planted));

/**
 * Lines of a file that are run at all as far as any test tells; a constant is none of them.
 *
 * @param  array<string, array{files: array<string, list<int>>}>  $map
 * @return array<int, true>
 */
function self_lines(array $map, string $file): array
{
    static $known = [];

    return $known[$file] ??= array_fill_keys(array_merge(...array_values(array_map(fn (array $test): array => $test['files'][$file] ?? [], $map))) ?: [], true);
}
