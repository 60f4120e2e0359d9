<?php

declare(strict_types=1);

/** @return iterable<string, string> source by file */
function sources(string $folder): iterable
{
    foreach (new RecursiveIteratorIterator(new RecursiveDirectoryIterator(__DIR__.'/../'.$folder, FilesystemIterator::SKIP_DOTS)) as $file) {
        if ($file->getExtension() === 'php') {
            yield substr($file->getPathname(), strlen(__DIR__.'/../')) => (string) file_get_contents($file->getPathname());
        }
    }
}

arch('the core uses no framework and nothing of the application')
    ->expect('Brookstone\Core')
    ->toOnlyUse(['Brookstone\Core']);

it('keeps the core free of input, output, clocks and unseeded chance', function () {
    foreach (sources('core/src') as $file => $source) {
        expect(preg_match('/\b(file_get_contents|file_put_contents|fopen|curl_\w+|echo|print|microtime|hrtime|time\(\)|date\(|new \\\\?DateTime|rand\(|mt_rand|random_int|getenv|\$_(GET|POST|SERVER|ENV))\b/', $source))
            ->toBe(0, "{$file} reaches outside");
    }
});

it('keeps arithmetic on physical quantities out of the application', function () {
    foreach (sources('app') as $file => $source) {
        expect(preg_match('/_(Nm|kg|rpm|deg|rad_s|V|A|W|J|m_s)\b[^,;\n]*[*\/+]|\b(sin|cos|sqrt|pi|M_PI)\b/', $source))->toBe(0, "{$file} computes");
    }
});

arch('strict types everywhere')->expect(['Brookstone\Core', 'App'])->toUseStrictTypes();

arch('values of the core are final')
    ->expect(['Brookstone\Core\Mechanism', 'Brookstone\Core\Drive', 'Brookstone\Core\Train', 'Brookstone\Core\Load', 'Brookstone\Core\Build',
        'Brookstone\Core\Finding', 'Brookstone\Core\Quantity'])
    ->classes()->toBeFinal();

it('keeps values readonly', function () {
    $mutable = [];
    foreach (['Mechanism', 'Drive', 'Train', 'Load', 'Finding', 'Quantity'] as $folder) {
        foreach (sources("core/src/{$folder}") as $file => $source) {
            if (preg_match('/^final class \w+/m', $source) === 1 && str_contains($source, 'function __construct')
                && ! str_contains($source, 'RuntimeException') && ! str_contains($source, 'private function __construct')) {
                $mutable[] = $file;
            }
        }
    }

    expect($mutable)->toBe([]);
});

it('gives each helper of the tests a name of its own: two files share a process by chance', function () {
    $at = [];
    foreach (sources('tests') as $file => $source) {
        preg_match_all('/^function (\w+)\(|^(const \w+) =/m', $source, $names);
        foreach (array_filter([...array_map(strtolower(...), $names[1]), ...$names[2]]) as $name) {
            $at[$name][] = $file;
        }
    }

    expect(array_filter($at, fn (array $files) => count($files) > 1))->toBe([]);
});

it('keeps source files to one room', function () {
    foreach (['core/src', 'app'] as $folder) {
        foreach (sources($folder) as $file => $source) {
            expect(substr_count($source, "\n"))->toBeLessThan(450, $file);
        }
    }
});

it('names no path of a machine and loads nothing from elsewhere', function () {
    $front = (string) file_get_contents(__DIR__.'/../resources/views/app.blade.php').(string) file_get_contents(__DIR__.'/../resources/css/app.css');

    expect($front)->not->toMatch('#https?://#');
});

it('has one list of each family: what is added to it is one class and one line there', function (string $folder, array $registers, int $most) {
    $names = [];
    foreach (sources("core/src/{$folder}") as $file => $source) {
        $register = (string) file_get_contents(__DIR__."/../core/src/{$folder}/{$registers[0]}.php");
        $name = basename($file, '.php');
        if (preg_match("/\\b{$name}::class/", $register) === 1) {
            $names[$name] = $file;
        }
    }
    $namedIn = [];
    foreach (sources('core/src') as $file => $source) {
        $code = implode('', array_map(fn (PhpToken $token): string => $token->is([T_COMMENT, T_DOC_COMMENT, T_CONSTANT_ENCAPSED_STRING]) ? '' : $token->text,
            PhpToken::tokenize($source)));
        foreach ($names as $name => $own) {
            if ($file !== $own && ! in_array(basename($file, '.php'), $registers, true) && preg_match("/\\b{$name}\\b/", $code) === 1) {
                $namedIn[$file][] = $name;
            }
        }
    }
    $lists = array_filter($namedIn, fn (array $named): bool => count($named) > $most);
    $alone = array_diff(array_keys($names), array_merge(...array_values($namedIn)));

    expect(count($names))->toBeGreaterThan(5)->and($lists)->toBe([]) // a rule about one or a few of them is none
        ->and(count($alone))->toBeGreaterThan(0);
})->with([
    'steps' => ['Routine', ['Steps'], 3], // those that hold others
    'drives' => ['Drive', ['Drives', 'Drawer'], 3],
    'mechanisms' => ['Mechanism', ['Mechanisms'], 5],
]);

require_once __DIR__.'/../bin/support/rooms.php';

it('has rooms in an order: none uses one that uses it', function () {
    $uses = roomsOf(realpath(__DIR__.'/../core/src'));

    expect(ringOf(['a' => ['b' => []], 'b' => ['c' => []], 'c' => ['b' => []]]))->toBe(['b', 'c']) // a ring would be seen
        ->and(count($uses))->toBeGreaterThan(30)->and(ringOf($uses))->toBe([])
        ->and((string) file_get_contents(__DIR__.'/../docs/rooms.svg'))->toBe(pictureOf($uses), 'php bin/support/rooms.php draws it anew');
});

it('keeps lines to 160 characters, but for sentences and types that are longer themselves', function () {
    $long = [];
    foreach (['core/src', 'app'] as $folder) {
        foreach (sources($folder) as $file => $source) {
            foreach (explode("\n", $source) as $i => $line) {
                if (mb_strlen($line) > 160 && preg_match('/\'[^\']{70,}\'|"[^"]{70,}"|@(return|var|param|phpstan-type) |NotUnderstood|\\$signature/u', $line) !== 1) {
                    $long[] = "{$file}:".($i + 1);
                }
            }
        }
    }

    expect($long)->toBe([]);
});

it('has no method of more than sixty lines', function () {
    $long = [];
    foreach (['core/src', 'app'] as $folder) {
        foreach (new RecursiveIteratorIterator(new RecursiveDirectoryIterator(__DIR__."/../{$folder}", FilesystemIterator::SKIP_DOTS)) as $file) {
            $tree = (new PhpParser\ParserFactory)->createForHostVersion()->parse((string) file_get_contents((string) $file)) ?? [];
            foreach ((new PhpParser\NodeFinder)->findInstanceOf($tree, PhpParser\Node\Stmt\ClassMethod::class) as $method) {
                $lines = $method->getEndLine() - $method->getStartLine() + 1;
                if ($lines > 60) {
                    $long[] = "{$file->getBasename('.php')}::{$method->name} has {$lines}";
                }
            }
        }
    }
    expect($long)->toBe([]);
});
