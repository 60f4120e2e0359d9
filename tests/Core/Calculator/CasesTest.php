<?php

declare(strict_types=1);

use Brookstone\Core\Calculator\Calculators;

dataset('worked cases', function () {
    foreach (glob(__DIR__.'/../../cases/*.json') ?: [] as $file) {
        $name = basename($file, '.json');
        foreach (json_decode((string) file_get_contents($file), true) as $i => $case) {
            yield "{$name} {$i}" => [$name, $case['inputs'], $case['results']];
        }
    }
});

it('gives the worked results', function (string $name, array $inputs, array $results) {
    $answer = Calculators::run(Calculators::all()[$name], $inputs);
    if ($name === 'train.search') { // a case of it gives the best only
        $best = $answer['results']['trains'][0];
        $answer['results'] = ['best_error' => $best['error'], 'best_ratio' => $best['ratio'], 'best_stages' => count($best['stages'])];
    }

    expect($answer['results'])->toMatchCase($results, $name === 'motion.run' ? 5e-3 : 1e-3)
        ->and(array_keys($answer['results']))->toEqualCanonicalizing(array_keys($results));
})->with('worked cases');
