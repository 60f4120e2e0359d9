<?php

declare(strict_types=1);

use Brookstone\Core\Calculator\Calculators;
use Brookstone\Core\Error\InvalidInput;
use Tests\Support\Samples;

/** Far past what can be measured, at its edges, and no numbers at all. */
const EXTREMES = [1e308, -1e308, 5e-324, 1e-15, 1e-9, 1e9, 1e12, -1e12, 2 ** 63, PHP_INT_MIN, 0, -1, INF, NAN, '12', "\0", null, true, [], [[]]];

/** @return list<list<int|string>> to everything in it */
function pathsIn(mixed $value, array $path = []): array
{
    $paths = $path === [] ? [] : [$path];
    foreach (is_array($value) ? $value : [] as $key => $inner) {
        array_push($paths, ...pathsIn($inner, [...$path, $key]));
    }

    return $paths;
}

function withAt(mixed $value, array $path, mixed $put): mixed
{
    if ($path === []) {
        return $put;
    }
    $key = array_shift($path);
    $value[$key] = withAt($value[$key], $path, $put);

    return $value;
}

it('answers with finite figures or says at which field it cannot, whatever one of its inputs is', function (string $name) {
    $calculator = Calculators::all()[$name];
    $wrong = [];
    foreach (Samples::of($name) as $inputs) {
        expect(Calculators::run($calculator, $inputs)['calculator'])->toBe($name);
        foreach (pathsIn($inputs) as $path) {
            foreach (EXTREMES as $extreme) {
                $tried = implode('.', $path).' = '.json_encode($extreme, JSON_PARTIAL_OUTPUT_ON_ERROR);
                try {
                    json_encode(Calculators::run($calculator, withAt($inputs, $path, $extreme)), JSON_THROW_ON_ERROR);
                } catch (InvalidInput $refused) {
                    array_push($wrong, ...array_map(fn (array $error): string => "{$tried}: {$error['message']}",
                        array_filter($refused->errors, fn (array $error): bool => $error['field'] === '')));
                } catch (Throwable $fault) {
                    $wrong[] = "{$tried}: {$fault->getMessage()}";
                }
            }
        }
    }

    expect($wrong)->toBe([]);
})->with(fn () => array_keys(Calculators::all()));

it('takes what is nearer to nothing than anything real for nothing, and refuses what is larger than can be reckoned with',
    function (float $mass, ?string $says) {
        try {
            Calculators::run(Calculators::all()['load.arm'], ['mass_kg' => 1, 'cg_m' => 0.1, 'from_deg' => 0, 'to_deg' => 90, 'move_s' => 1,
                'payload_kg' => $mass]);
            $said = null;
        } catch (InvalidInput $refused) {
            $said = $refused->errors[0]['message'];
        }
        expect($said)->toBe($says);
    })->with([[5e-324, null], [-9e-16, null], [-1.1e-15, 'Must be a number of at least 0 kg, but is -1.1e-15.'], [1e12, null],
        [1.1e12, 'Must be a number of at least 0 kg, but is 1100000000000: that is more than can be reckoned with.']]);

it('reads no whole number that a count cannot be', function (float|int $teeth, bool $reads) {
    $ask = fn () => Calculators::run(Calculators::all()['train.ratio'], ['stages' => [['type' => 'spur', 'driver' => 10, 'driven' => $teeth]]]);
    $reads ? expect($ask()['results'])->toHaveKey('ratio') : expect($ask)->toThrow(InvalidInput::class, 'more than can be reckoned with');
})->with([[1e9, true], [1_000_000_001, false], [2 ** 63, false]]);
