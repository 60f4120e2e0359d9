<?php

declare(strict_types=1);

use Brookstone\Core\Assessor;
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
    [['brookstone:study', 'database/demo/heron-wharf.brookstone.json'], '', ['routine']],
    [['brookstone:study', 'database/demo/heron-wharf.brookstone.json', '--routine=moon'], '', ['routine']],
    [['brookstone:study', 'database/demo/heron-wharf.brookstone.json', '--routine=dusk', '--kind=luck'], '', ['kind']],
    [['brookstone:study', 'database/demo/heron-wharf.brookstone.json', '--routine=dusk', '--kind=drift'], '', ['motion']],
    [['brookstone:study', 'database/demo/heron-wharf.brookstone.json', '--routine=dusk', '--kind=drift', '--motion=tide', '--cycles=1e9'], '', ['cycles']],
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

    expect($code)->toBe(0)->and($judged)->toBe(json_decode((string) json_encode(Assessor::assess(Builds::demo('heron-wharf'))), true))
        ->and(artisan($run)[1]['outcome'])->toBe('faulted')
        ->and(artisan($run)[2])->toBe(artisan($run)[2]);
});

it('studies a build file: every fault at every step, drift over cycles, all states', function () {
    $file = 'database/demo/moth-lantern.brookstone.json';
    $build = Builds::demo('moth-lantern');
    [$code, $faults] = artisan(['brookstone:study', $file, '--routine=flutter']);
    $heron = 'database/demo/heron-wharf.brookstone.json';
    $timed = tempnam(sys_get_temp_dir(), 'build');
    file_put_contents($timed, Builds::planted(['motions.2.places.2' => ['id' => 'middle', 'name' => 'Middle', 'at' => 0.06],
        'motions.2.places.3' => ['id' => 'other', 'name' => 'Other', 'at' => 0.03], 'routines.1.steps' => [
            ['do' => 'go', 'motion' => 'lift', 'place' => 'middle', 'give_up_s' => 9], ['do' => 'go', 'motion' => 'lift', 'place' => 'other', 'give_up_s' => 9],
        ]])->toJson());
    $drift = ['brookstone:study', $timed, '--kind=drift', '--routine=show', '--motion=lift', '--cycles=20', '--seed=3'];
    [, $fan] = artisan($drift);
    [, $homed] = artisan([...$drift, '--home-every=1']);

    expect($code)->toBe(0)->and($faults['cells'])->toHaveCount($faults['cases'])
        ->and(count($faults['steps']))->toBeLessThanOrEqual(count(iterator_to_array($build->routines['flutter']->flat())))
        ->and($fan['walks'])->toBe(40)->and(end($fan['stops'][1]['fan'])['cycle'])->toBe(20)->and(artisan($drift)[1])->toBe($fan)
        ->and(end($homed['stops'][1]['fan'])['high'] - end($homed['stops'][1]['fan'])['low'])->toBeLessThan(end($fan['stops'][1]['fan'])['high']
            - end($fan['stops'][1]['fan'])['low'])
        ->and(artisan(['brookstone:study', $heron, '--kind=states', '--routine=dusk'])[1]['complete'])->toBeTrue();
    unlink($timed);
});

it('lets a controller outside drive a build over standard input', function () {
    $file = tempnam(sys_get_temp_dir(), 'build');
    file_put_contents($file, Tests\Support\Builds::sound()->toJson());
    $command = escapeshellarg(PHP_BINARY).' '.escapeshellarg(base_path('artisan'))." brookstone:rig {$file} --outside";
    $did = json_decode((string) shell_exec(escapeshellarg(PHP_BINARY).' '.escapeshellarg(base_path('tests/Support/rig-client.php')).' '.escapeshellarg($command)), true);
    unlink($file);

    expect($did['up_s'])->toBeGreaterThan(2.0)->toBeLessThan(5.0)->and($did['down_s'])->toBeGreaterThan($did['up_s'] + 2.0)
        ->and($did['position'])->toBeLessThan(0.001);
});

it('refuses a build file that is none', function () {
    exec(escapeshellarg(PHP_BINARY).' '.escapeshellarg(base_path('artisan')).' brookstone:rig /nowhere.json', $lines, $code);

    expect($code)->toBe(2)->and(json_decode($lines[0], true)['ok'])->toBeFalse();
});

it('lists every sentence of the core with an example, and the list in docs is current', function () {
    [$code, , $list] = artisan(['brookstone:sentences']);

    expect($code)->toBe(0)->and($list === file_get_contents(base_path('docs/sentences.md')))->toBeTrue()
        ->and($list)->toContain('- ‹switch› trips at {trips}, {off} off its place',
            '*If Lid jams here, its motor pushes forever: the step has no give-up time.*');
});
