<?php

declare(strict_types=1);

// Goes at the end of tests/Pest.php in a copy of the tree that bin/mutate makes: tells which functions of the core each test comes by (HITS_OUT), or runs
// only some of the tests (HITS_ONLY: a file with a JSON list of them).

final class Hits
{
    /** @var array<int, int> numbers of the functions that were come by; what is planted at their beginnings sets them */
    public static array $at = [];

    /** @var array<int, int> those that were come by outside of any test: what sets of data are made of */
    public static array $outside = [];

    /** @var array<string, array{float, list<int>}> by test: how long it took, s, and what it came by */
    public static array $tests = [];

    public static float $began = 0.0;

    /** @var array<string, true>|null */
    public static ?array $only = null;

    /** One test, with one of its sets of data. */
    public static function name(PHPUnit\Framework\TestCase $test): string
    {
        return hash('xxh128', $test::class.' '.$test->name().' '.$test->dataName());
    }
}

if (getenv('HITS_ONLY') !== false) {
    Hits::$only = array_fill_keys(json_decode((string) file_get_contents((string) getenv('HITS_ONLY')), true), true);
}
pest()->beforeEach(function (): void {
    if (Hits::$only !== null && ! isset(Hits::$only[Hits::name($this)])) {
        $this->markTestSkipped();
    }
    Hits::$outside += Hits::$at;
    Hits::$at = [];
    Hits::$began = microtime(true);
})->afterEach(function (): void {
    Hits::$tests[Hits::name($this)] = [round(microtime(true) - Hits::$began, 4), array_keys(Hits::$at)];
    Hits::$at = [];
})->in('Core');
if (getenv('HITS_OUT') !== false) {
    register_shutdown_function(function (): void {
        $all = array_map(fn (array $test): array => [$test[0], array_values(array_unique([...$test[1], ...array_keys(Hits::$outside)]))], Hits::$tests);
        file_put_contents((string) getenv('HITS_OUT'), json_encode($all, JSON_THROW_ON_ERROR));
    });
}
