<?php

declare(strict_types=1);

// Plants small wrong changes in the core, one at a time, in a copy of the tree, and runs the tests that come by them. Run by bin/mutate.

use Brookstone\Tools\Mutants;
use Random\Engine\Mt19937;
use Random\Randomizer;
use Symfony\Component\Process\Process;

require __DIR__.'/../../vendor/autoload.php';
require __DIR__.'/Mutants.php';

const SLOWER = 8.0;        // than usual: then it hangs, which is noticed too
const USUAL_START_S = 15.0;
const BATCHES_S = [2.0, 8.0, INF]; // tests of so many seconds at once, the nearest first: no more are run once one has noticed

$root = dirname(__DIR__, 2);
$kept = "{$root}/storage/framework/mutate";
$options = getopt('', ['sample:', 'seed:', 'processes:', 'budget:', 'fresh'], $rest);
$paths = array_slice($argv, $rest) ?: ['core/src'];
[$sample, $seed, $processes, $budget_s] = [(int) ($options['sample'] ?? 40), (int) ($options['seed'] ?? 1), (int) ($options['processes'] ?? 2),
    (float) ($options['budget'] ?? 30)];
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
 * @param  callable(int, Process): void  $ended  told which
 */
function together(array $starts, int $places, callable $ended): void
{
    $running = [];
    while ($starts !== [] || $running !== []) {
        for ($place = 0; $place < $places && $starts !== []; $place++) {
            if (! isset($running[$place])) {
                $which = array_key_first($starts);
                $running[$place] = [$which, $starts[$which]($place)];
                $running[$place][1]->start();
                unset($starts[$which]);
            }
        }
        foreach ($running as $place => [$which, $process]) {
            if (! $process->isRunning()) {
                unset($running[$place]);
                $ended($which, $process);
            }
        }
        usleep(20_000);
    }
}

/** A copy of the tree whose tests can be counted and chosen; what is installed is shared. */
function copyOf(string $root, string $to): void
{
    (new Process(['rm', '-rf', $to]))->mustRun();
    mkdir("{$to}/core", recursive: true);
    mkdir("{$to}/resources");
    foreach ([['cp', '-al', "{$root}/vendor", $to], ['ln', '-s', "{$root}/node_modules", $to], ['cp', '-r', "{$root}/core/src", "{$to}/core/"],
        ['cp', '-r', "{$root}/resources/controller", "{$to}/resources/"], ...array_map(fn (string $part): array => ['cp', '-r', "{$root}/{$part}", $to],
            ['app', 'tests', 'compat', 'database', 'docs', 'phpunit.xml', 'composer.json'])] as $copies) {
        (new Process($copies, timeout: null))->mustRun();
    }
    $hits = (string) file_get_contents(__DIR__.'/hits.php');
    // there itself: what it says of a folder is meant from there
    file_put_contents("{$to}/tests/Pest.php", substr($hits, (int) strpos($hits, '//')), FILE_APPEND);
}

$asked = array_merge(...array_map(fn (string $path): array => files($root, rtrim($path, '/')), $paths)); // what is not there is said at once
$alone = fopen("{$kept}/lock", 'c');
if ($alone === false || ! flock($alone, LOCK_EX | LOCK_NB)) {
    fwrite(STDERR, "bin/mutate is running already: two would take the copies from each other.\n");
    exit(2);
}

$trees = array_map(fn (int $place): string => "{$kept}/tree-{$place}", range(0, $processes - 1));
array_map(fn (string $tree) => copyOf($root, $tree), $trees);
$quick = ['PHP_INI_SCAN_DIR' => (string) getenv('BROOKSTONE_QUICK_INI')]; // with the compiler: most of it is computing

/*
 * Which test comes by which function and branch: at the beginning of each in a copy a note of it is planted. Kept by test file; a branch that is new since
 * is looked for by all that come by its function, a function by all that come by its file.
 *
 * @var array{functions: list<string>, tests: array<string, array{sum: string, tests: array<string, array{float, list<int>}>}>} $map
 */
$map = is_file("{$kept}/hits.json") && ! isset($options['fresh']) ? json_decode((string) file_get_contents("{$kept}/hits.json"), true)
    : ['functions' => [], 'tests' => []];
// What a test hangs on: itself, and the helpers that it names, with those that they name.
$helpers = [];
foreach (files($root, 'tests/Support') as $file) {
    $helpers[basename($file, '.php')] = (string) file_get_contents("{$root}/{$file}");
}
$named = function (string $source, array $known = []) use (&$named, $helpers): array {
    foreach ($helpers as $helper => $its) {
        if (! isset($known[$helper]) && preg_match("/\\b{$helper}\\b/", $source) === 1) {
            $known = $named($its, [...$known, $helper => true]);
        }
    }

    return $known;
};
$sum = function (string $test) use ($root, $named, $helpers): string {
    $source = (string) file_get_contents("{$root}/{$test}");
    $with = array_intersect_key($helpers, $named($source));

    return hash('xxh128', implode('', [...$with, $source, md5_file("{$root}/tests/Pest.php")]));
};
$testFiles = files($root, 'tests/Core', 'Test.php');
$map['tests'] = array_intersect_key($map['tests'], array_flip($testFiles));
$stale = array_values(array_filter($testFiles, fn (string $test): bool => ($map['tests'][$test]['sum'] ?? '') !== $sum($test)));
if ($stale !== []) {
    fwrite(STDERR, sprintf("Finding out what %d test files come by\n", count($stale)));
    $numbers = array_flip($map['functions']);
    foreach (files($root, 'core/src') as $file) {
        $source = Mutants::noted((string) file_get_contents("{$root}/{$file}"), function (string $name) use ($file, &$numbers): string {
            $number = $numbers["{$file}::{$name}"] ??= count($numbers);

            return "\\Hits::\$at[{$number}] = 1";
        });
        array_map(fn (string $tree) => file_put_contents("{$tree}/{$file}", $source), $trees);
    }
    $map['functions'] = array_map(strval(...), array_keys($numbers));
    $failed = '';
    together(array_map(fn (string $test): callable => fn (int $place): Process => new Process([PHP_BINARY, 'vendor/bin/pest', $test], $trees[$place],
        $quick + ['HITS_OUT' => "{$kept}/".md5($test).'.json'], timeout: null), $stale), $processes, function (int $which, Process $process) use ($stale,
            $kept, $sum, &$map, &$failed): void {
            $out = "{$kept}/".md5($stale[$which]).'.json';
            if ($process->getExitCode() !== 0 || ! is_file($out)) {
                $failed .= "{$stale[$which]} fails as it is:\n{$process->getOutput()}\n";

                return;
            }
            $map['tests'][$stale[$which]] = ['sum' => $sum($stale[$which]), 'tests' => json_decode((string) file_get_contents($out), true)];
            unlink($out);
            file_put_contents("{$kept}/hits.json", json_encode($map, JSON_THROW_ON_ERROR)); // each, so that what is stopped goes on from there
            fwrite(STDERR, '.');
        });
    fwrite(STDERR, "\n{$failed}");
    if ($failed !== '') {
        exit(1);
    }
    foreach ($trees as $tree) {
        (new Process(['rm', '-rf', "{$tree}/core/src"]))->mustRun();
        (new Process(['cp', '-r', "{$root}/core/src", "{$tree}/core/"]))->mustRun();
    }
}
$numberOf = array_flip($map['functions']);
// What is planted.
$all = $sources = [];
foreach ($asked as $file) {
    $sources[$file] = (string) file_get_contents("{$trees[0]}/{$file}"); // as they were copied: somebody may go on working meanwhile
    foreach (Mutants::of($sources[$file]) as $mutant) {
        $all[] = ['file' => $file] + $mutant;
    }
}
$random = new Randomizer(new Mt19937($seed));
$planted = array_slice($random->shuffleArray($all), 0, $sample);
printf("%d of %d small wrong changes are planted (seed %d)\n", count($planted), count($all), $seed);
$comeBy = []; // of what is asked, by function and branch: the tests, with their file and how long they take
$with = array_fill_keys(array_unique(array_column($planted, 'file')), true);
foreach ($map['tests'] as $file => ['tests' => $tests]) {
    foreach ($tests as $name => [$took_s, $numbers]) {
        foreach ($numbers as $number) {
            if (isset($with[strstr($map['functions'][$number], '::', true)])) {
                $comeBy[$number]["{$file} {$name}"] = [$file, $name, $took_s];
            }
        }
    }
}

/**
 * The tests that come by a change, the nearest first, as long as the budget lasts.
 *
 * @return list<array{string, string, float}> file, name, how long it takes, s
 */
$testsOf = function (array $mutant) use ($numberOf, $comeBy, $map, $budget_s): array {
    $ofFile = array_keys(array_filter($map['functions'], fn (string $name): bool => str_starts_with($name, "{$mutant['file']}::")));
    $known = array_values(array_filter($mutant['in'] ?? [], fn (string $name): bool => isset($numberOf["{$mutant['file']}::{$name}"])));
    $inner = ($known[0] ?? null) !== null && str_contains($known[0], '#') ? [$known[0]] : $known; // else its function, or those that ask for a constant
    $own = $inner === [] ? $ofFile : array_map(fn (string $name): int => $numberOf["{$mutant['file']}::{$name}"], $inner);
    $leads = $comeBy[$numberOf["{$mutant['file']}::{$mutant['leads']}"] ?? -1] ?? [];
    $room = explode('/', $mutant['file'])[2];
    $class = basename($mutant['file'], '.php');
    $near = fn (array $test): int => str_contains($test[0], "/{$class}Test") ? 0 : (str_starts_with($test[0], "tests/Core/{$room}/") ? 1 : 2);
    $tests = [];
    foreach ($ofFile as $number) { // what is kept once it was made, only the first test of a file comes by: those of its room count by file
        foreach ($comeBy[$number] ?? [] as $test) {
            if ($near($test) < 2 || in_array($number, $own, true)) {
                $tests["{$test[0]} {$test[1]}"] = $test;
            }
        }
    }
    foreach ($ofFile === [] ? $map['tests'] : [] as $file => ['tests' => $all]) { // constants alone: the tests of their room
        foreach (str_starts_with($file, "tests/Core/{$room}/") ? $all : [] as $name => [$took_s]) {
            $tests["{$file} {$name}"] = [$file, $name, $took_s];
        }
    }
    $there = array_replace([], ...array_map(fn (int $number): array => $comeBy[$number] ?? [], $own));
    $rank = array_map(fn (array $test): array => [isset($there["{$test[0]} {$test[1]}"]) ? 0 : 1, $near($test), isset($leads["{$test[0]} {$test[1]}"]) ? 0 : 1,
        $test[2]], $tests); // in its branch, near, in the branch that it decides, then the quickest
    uksort($tests, fn (string $one, string $other): int => $rank[$one] <=> $rank[$other]);
    // Half of the budget for those that come by it, and half for others of its room: where what was made once is kept, those notice it that use it.
    $by = array_filter($tests, fn (array $test): bool => isset($there["{$test[0]} {$test[1]}"]));
    $left_s = $budget_s;
    $chosen = [];
    foreach ([[$by, $budget_s / 2], [array_diff_key($tests, $by), $budget_s / 2], [$tests, $budget_s]] as [$some, $most_s]) {
        foreach ($some as $key => $test) {
            if (! isset($chosen[$key]) && $test[2] <= min($left_s, $most_s)) {
                $chosen[$key] = $test;
                $left_s -= $test[2];
                $most_s -= $test[2];
            }
        }
    }

    return array_values($chosen);
};

// Without a change they pass: otherwise every change would seem to be noticed.
if ($planted !== []) {
    $tests = $testsOf($planted[0]);
    file_put_contents("{$kept}/only-0-0.json", json_encode(array_column($tests, 1), JSON_THROW_ON_ERROR));
    $as = new Process([PHP_BINARY, 'vendor/bin/pest', '--compact', ...array_values(array_unique(array_column($tests, 0)))], $trees[0],
        $quick + ['HITS_ONLY' => "{$kept}/only-0-0.json"], timeout: null);
    if ($tests !== [] && $as->run() !== 0) {
        fwrite(STDERR, "The tests fail as they are:\n{$as->getOutput()}\n");
        exit(1);
    }
}

$survived = [];
$noticed = 0;
together(array_map(fn (int $i): callable => function (int $place) use ($i, $planted, $sources, $trees, $kept, $quick, $testsOf): Process {
    $mutant = $planted[$i];
    $source = $sources[$mutant['file']];
    $at = "{$trees[$place]}/{$mutant['file']}";
    file_put_contents("{$kept}/right-{$place}.php", $source);
    file_put_contents("{$at}.new", substr($source, 0, $mutant['from']).$mutant['is'].substr($source, $mutant['to']));
    $runs = [];
    $tests = $testsOf($mutant);
    foreach (BATCHES_S as $b => $most_s) {
        $batch = [];
        for ($sum_s = 0.0; $tests !== [] && ($batch === [] || $sum_s + $tests[0][2] <= $most_s); $sum_s += $batch[count($batch) - 1][2]) {
            $batch[] = array_shift($tests);
        }
        if ($batch !== []) {
            $only = "{$kept}/only-{$place}-{$b}.json";
            file_put_contents($only, json_encode(array_column($batch, 1), JSON_THROW_ON_ERROR));
            $runs[] = sprintf('HITS_ONLY=%s timeout %d %s vendor/bin/pest --compact --stop-on-failure --stop-on-error %s >/dev/null 2>&1 || exit 1',
                escapeshellarg($only), (int) ceil(USUAL_START_S + SLOWER * $sum_s), PHP_BINARY,
                implode(' ', array_map(escapeshellarg(...), array_values(array_unique(array_column($batch, 0))))));
        }
    }

    return new Process(['bash', '-c', 'mv '.escapeshellarg("{$at}.new").' '.escapeshellarg($at).'; ('.implode('; ',
        [...$runs, 'exit 0']).'); noticed=$?; cp '.escapeshellarg("{$kept}/right-{$place}.php").' '.escapeshellarg($at).'; exit $noticed'], $trees[$place],
        $quick, timeout: null);
}, array_keys($planted)), $processes, function (int $which, Process $process) use ($planted, $testsOf, &$survived, &$noticed): void {
    $mutant = $planted[$which];
    if ($process->getExitCode() !== 0) {
        $noticed++;
    } else {
        $survived[] = $mutant;
        $none = $testsOf($mutant) === [];
        printf("survived  %s:%d  %s  →  %s%s\n", $mutant['file'], $mutant['line'], preg_replace('/\s+/', ' ', $mutant['was']),
            preg_replace('/\s+/', ' ', $mutant['is']), $none ? '  (no test comes by)' : '');
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
