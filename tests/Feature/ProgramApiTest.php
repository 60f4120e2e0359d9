<?php

declare(strict_types=1);

use App\Programs\Prover;
use App\Programs\Workbench;
use Brookstone\Core\Program\Composer;
use Brookstone\Core\Program\Package;
use Tests\Support\Programs;
use Tests\TestCase;

/** @return string the id of a build of the shelf */
function demoNamed(TestCase $it, string $name): string
{
    return collect($it->getJson('/api/builds')->json())->firstWhere('name', $name)['id'];
}

beforeEach(function () {
    $this->seed();
    $this->app->bind(Workbench::class, fn (): Workbench => Programs::bench());
    $this->id = demoNamed($this, 'Signal Garden');
});

it('shows the program of a build in each language, with its pins', function (string $language, string $file, string $has) {
    $report = $this->getJson("/api/builds/{$this->id}/program?language={$language}")->assertOk()->json();
    $texts = array_column($report['files'], 'text', 'name');

    expect($report['obstacles'])->toBe([])->and($texts[$file])->toContain($has)->and($report['pins'])->toContain(
        ['board' => 'Controller 1', 'pin' => 'p8', 'says' => 'Barrier servo', 'as' => 'servo'])
        ->and(array_column($report['routines'], 'id'))->toBe(['ready', 'up', 'down'])->and($report['guards'])->toHaveCount(1)
        ->and($report['mark'])->toBe(Package::mark(Programs::composed('signal-garden')));
})->with([['c', 'routine.c', 'switch (where[0])'], ['sketch', 'signal_garden.ino', 'void setup()'], ['python', 'routine.py', 'def do_ready():']]);

it('gives it as a folder in a zip', function () {
    $answer = $this->get("/api/builds/{$this->id}/program.zip?language=python")->assertOk();
    $file = (string) tempnam(sys_get_temp_dir(), 'zip');
    copy($answer->baseResponse->getFile()->getPathname(), $file);
    $zip = new ZipArchive;
    $zip->open($file);
    $names = array_map(fn (int $i): string => (string) $zip->getNameIndex($i), range(0, $zip->numFiles - 1));

    expect($answer->headers->get('Content-Disposition'))->toContain('signal_garden-python.zip')
        ->and($names)->toContain('signal_garden/routine.py', 'signal_garden/main.py', 'signal_garden/README.txt');
});

it('refuses a language that there is not, and says why a program cannot be written', function () {
    $this->getJson("/api/builds/{$this->id}/program?language=basic")->assertUnprocessable()->assertJsonPath('errors.0.field', 'language');
    $empty = $this->postJson('/api/builds', ['name' => 'Empty'])->json('id');
    $this->getJson("/api/builds/{$empty}/program")->assertOk()->assertJsonPath('files', [])->assertJsonPath('obstacles.0.path', 'routines');
    $this->getJson("/api/builds/{$empty}/program.zip")->assertUnprocessable()->assertJsonPath('errors.0.field', 'routines');
    $this->postJson("/api/builds/{$empty}/studies", ['kind' => 'proof', 'language' => 'c'])->assertUnprocessable()->assertJsonPath('errors.0.field', 'routines');
    $this->postJson("/api/builds/{$this->id}/studies", ['kind' => 'proof'])->assertUnprocessable()->assertJsonPath('errors.0.field', 'language');
});

it('proves it in the background, over everything, and keeps that', function () {
    $id = $this->postJson('/api/examples/seed-feeder')->json('id');
    $this->app->bind(Prover::class, fn (): Prover => new Prover(Programs::bench()));
    $study = $this->postJson("/api/builds/{$id}/studies", ['kind' => 'proof', 'language' => 'c'])->assertCreated()->json();
    $result = $this->getJson("/api/studies/{$study['id']}")->json();

    expect($result['state'])->toBe('done')->and($result['result']['differ'])->toBe(0)->and($result['result']['first'])->toBeNull()
        ->and($result['result']['scenarios'])->toBe(0)->and($result['result']['faults'])->toBeGreaterThan(4)->and($result['result']['chance'])->toBe(200)
        ->and($this->getJson("/api/builds/{$id}/studies")->json())->toHaveCount(1);
});

it('says what is missing where there is no compiler', function () {
    $path = (string) getenv('PATH');
    putenv('PATH=/nowhere');
    try {
        $this->app->bind(Workbench::class, fn (): Workbench => new Workbench(Programs::folder('never-'.getmypid())));
        $this->postJson("/api/builds/{$this->id}/studies", ['kind' => 'proof', 'language' => 'c'])->assertUnprocessable()
            ->assertJsonPath('errors.0.field', 'language')->assertJsonPath('errors.0.message', 'The program must be compiled for this machine, and there is no gcc: apt-get install gcc.');
    } finally {
        putenv("PATH={$path}");
    }
});

it('reads what a program said, and names every line that it cannot read', function () {
    $id = demoNamed($this, 'Quarry Tram');
    $mark = Package::mark(Programs::composed('quarry-tram'));
    $text = implode("\n", ['{"ms":0,"program":'.$mark.'}', '{"ms":100,"step":0,"is":"begun"}', '{"ms":2100,"step":0,"is":"done"}', 'nonsense', '{"ms":2100,"step":99,"is":"begun"}',
        '{"ms":3000,"step":2,"is":"begun"}', '{"ms":9000,"step":2,"is":"done"}', '{"ms":1,"step":2,"is":"begun"}', '{"ms":10000,"step":7,"is":"begun"}', '{"ms":15500,"step":7,"is":"done"}']);
    $read = $this->postJson("/api/builds/{$id}/spoken", ['text' => $text])->assertOk()->json();

    expect($read['moves'])->toBe([['motion' => 'ramp-winch', 'from' => 'tip', 'to' => 'quarry', 'measured_s' => 5.5, 'speed' => 1, 'line' => 10]])
        ->and(array_column($read['problems'], 'line'))->toBe([4, 5, 8])->and($read['lines'])->toBe(7);
    $this->postJson("/api/builds/{$id}/spoken", ['text' => '{"ms":0,"program":1}'])->assertJsonPath('problems.0.line', 1);
    $this->postJson("/api/builds/{$id}/spoken", ['text' => ['no']])->assertUnprocessable();
});

it('stands in for a board by command', function () {
    $file = ['file' => 'database/demo/heron-wharf.brookstone.json'];
    $this->artisan('brookstone:board', $file + ['--seconds' => '-1'])->assertExitCode(2)->expectsOutputToContain('at most 86400');
    $this->artisan('brookstone:board', $file + ['--scenario' => 'none'])->assertExitCode(2)->expectsOutputToContain('There is no scenario none');
    $process = new Symfony\Component\Process\Process(['php', 'artisan', 'brookstone:board', $file['file'], '--seconds=6', '--quick'], base_path(), input: '');
    $process->mustRun();

    expect(explode("\n", $process->getOutput())[1])->toBe('{"ms":0,"routine":0,"is":"started"}')->and($process->getOutput())->toContain('"is":"ended"');
});

it('writes and proves it by command', function () {
    $folder = Programs::folder('command-'.getmypid());
    $this->artisan('brookstone:program', ['file' => 'database/demo/star-dial.brookstone.json', '--language' => 'python', '--into' => $folder])->assertSuccessful();
    expect(file_get_contents("{$folder}/routine.py"))->toBe(Package::routine(Composer::of(Programs::shipped('star-dial')), Brookstone\Core\Program\Language::Python));
    $this->artisan('brookstone:program', ['file' => 'database/examples/flag-hoist.brookstone.json'])->assertExitCode(2)->expectsOutputToContain('no routine yet');
    $this->artisan('brookstone:prove', ['file' => 'database/examples/seed-feeder.brookstone.json', '--chance' => '5'])->assertSuccessful()->expectsOutputToContain('"differ": 0');
    $this->artisan('brookstone:prove', ['file' => 'database/examples/seed-feeder.brookstone.json', '--language' => 'basic'])->assertExitCode(2);
    $this->artisan('brookstone:prove', ['file' => 'database/examples/seed-feeder.brookstone.json', '--chance' => '-3'])->assertExitCode(2);
});
