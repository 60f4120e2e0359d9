<?php

declare(strict_types=1);

use Symfony\Component\Process\Process;
use Tests\Support\Builds;

/** @return array{int, mixed, string} exit code, decoded output, output */
function artisan(array $arguments, ?string $input = null): array
{
    $process = new Process([PHP_BINARY, 'artisan', ...$arguments], dirname(__DIR__, 2), input: $input);
    $process->run();

    return [(int) $process->getExitCode(), json_decode($process->getOutput(), true), $process->getOutput()];
}

it('computes from standard input', function () {
    [$code, $answer] = artisan(['brookstone:calc', 'train.ratio'], '{"stages":[{"type":"spur","driver":12,"driven":36}],"input_rpm":300}');

    expect($code)->toBe(0)->and(array_keys($answer))->toBe(['calculator', 'inputs', 'results', 'findings'])
        ->and($answer['results']['ratio'])->toBeAbout(3.0)->and($answer['inputs']['stages'][0]['efficiency'])->toBe(0.95);
});

it('ends with 2 and every wrong field', function (array $arguments, string $input, array $fields) {
    [$code, $answer] = artisan($arguments, $input);

    expect($code)->toBe(2)->and(array_column($answer['errors'], 'field'))->toEqualCanonicalizing($fields);
})->with([
    [['brookstone:calc', 'load.arm'], '{"mass_kg":-1,"cg_m":0,"from_deg":0,"to_deg":9,"move_s":1}', ['mass_kg', 'cg_m']],
    [['brookstone:calc', 'load.arm'], 'nonsense', ['']],
    [['brookstone:calc', 'load.rocket'], '{}', ['name']],
    [['brookstone:assess', 'no/such/file.json'], '', ['file']],
    [['brookstone:run', 'database/demo/heron-wharf.brookstone.json', '--routine=moon'], '', ['routine']],
    [['brookstone:run', 'database/demo/heron-wharf.brookstone.json', '--routine=harbour-show', '--scenario=moon'], '', ['scenario']],
]);

it('lists calculators and prints schemas', function () {
    expect(artisan(['brookstone:calc', '--list'])[2])->toContain('load.arm', 'motion.run')
        ->and(artisan(['brookstone:calc', 'motion.run', '--schema'])[1]['title'])->toBe('motion.run')
        ->and(array_keys(artisan(['brookstone:schemas'])[1]))->toContain('Build', 'Assessment', 'Trace');
});

it('judges and runs a build file, the same each time', function () {
    $file = 'database/demo/heron-wharf.brookstone.json';
    [$code, $judged] = artisan(['brookstone:assess', $file]);
    $run = ['brookstone:run', $file, '--routine=harbour-show', '--scenario=visitor'];

    expect($code)->toBe(0)->and($judged)->toBe(json_decode((string) json_encode(Builds::assessed(Builds::demo('heron-wharf'))), true))
        ->and(artisan($run)[1]['outcome'])->toBe('faulted')
        ->and(artisan($run)[2])->toBe(artisan($run)[2]);
});
