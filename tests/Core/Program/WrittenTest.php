<?php

declare(strict_types=1);

use Brookstone\Core\Build\Build;
use Brookstone\Core\Program\CannotBeWritten;
use Brookstone\Core\Program\Composer;
use Brookstone\Core\Program\Language;
use Brookstone\Core\Program\Package;
use Symfony\Component\Process\ExecutableFinder;
use Tests\Support\Programs;

const WIRED = ['heron-wharf', 'bale-loft', 'star-dial', 'signal-garden', 'grumbling-troll', 'moth-lantern', 'quarry-tram'];

/** A build whose ids are words of languages and whose names would end a comment, a line or a text. */
function hostile(): Build
{
    $json = (string) file_get_contents(dirname(__DIR__, 3).'/database/demo/quarry-tram.brookstone.json');
    $ids = ['skip' => 'while', 'tram' => 'class', 'whistle' => 'int', 'lever' => 'lambda', 'haul' => 'end', 'shunt' => 'return', 'bell' => 'printf'];
    foreach ($ids as $id => $other) {
        $json = (string) preg_replace('/"'.$id.'"/', "\"{$other}\"", (string) preg_replace("/(motions|sensors|outputs)\\.{$id}\\b/", "\$1.{$other}", $json));
    }
    $document = json_decode($json, true);
    foreach (['motions', 'sensors', 'outputs', 'routines'] as $list) {
        foreach ($document[$list] as $i => $each) {
            $document[$list][$i]['name'] = ['*/ int x; /*', 'a\\', '"""\' %s ??/', '// 🦉 # \\n {x}'][$i % 4].$each['id'];
        }
    }
    $document['name'] = '"; rm *.* // 🦊 ??/';

    return Build::read($document);
}

it('compiles without a word in every language', function (Build $build) {
    $c = Programs::written($build, Language::C);
    $sketch = Programs::written($build, Language::Sketch);
    $python = Programs::written($build, Language::Python);
    $stubs = dirname(__DIR__, 2).'/Support/sketch';
    $ino = basename(glob("{$sketch}/*.ino")[0]);
    $compile = fn (string $file): array => ['g++', '-Wall', '-Wextra', '-Werror', '-I', $stubs, '-include', 'family.h', '-fsyntax-only', '-x', 'c++', $file];

    expect(Programs::complaint(['sh', '-c', 'gcc -std=c99 -Wall -Wextra -pedantic -Werror -fsyntax-only *.c'], $c))->toBe('')
        ->and(Programs::complaint($compile($ino), $sketch))->toBe('')
        ->and(Programs::complaint(['sh', '-c', 'g++ -Wall -Wextra -Werror -fsyntax-only *.cpp'], $sketch))->toBe('')
        ->and(Programs::complaint(['node', 'tests/Support/compiles.mjs', ...glob("{$python}/*.py")], dirname(__DIR__, 3)))->toBe('');
})->with([...array_map(fn (string $name): Closure => fn (): Build => Programs::shipped($name), WIRED),
    ...array_map(fn (string $name): Closure => fn (): Build => Programs::wired(Programs::shipped($name)), ['crate-imp', 'bell-hammer', 'casket-lid', 'sun-and-moon', 'seed-feeder']),
    'hostile names' => fn (): Build => hostile()]);

it('fits an 8-bit controller: 32 kB of code and 2 kB of memory for six motions', function () {
    $avr = (new ExecutableFinder)->find('avr-gcc');
    $folder = Programs::written(Programs::shipped('heron-wharf'), Language::C);
    $sizes = new Symfony\Component\Process\Process(['sh', '-c', 'avr-gcc -mmcu=avr5 -Os -std=c99 -Wall -Wextra -Werror -c *.c && avr-size -t *.o | tail -1'], $folder);
    $sizes->mustRun();
    [$code, $data, $memory] = array_map(intval(...), preg_split('/\s+/', trim($sizes->getOutput())) ?: []);

    expect($avr)->not->toBeNull()->and($code + $data)->toBeGreaterThan(5000)->toBeLessThan(32 * 1024)
        ->and($data + $memory)->toBeGreaterThan(100)->toBeLessThan(2 * 1024);
})->skip(fn (): bool => (new ExecutableFinder)->find('avr-gcc') === null, 'there is no avr-gcc');

it('is the same every time, and tells every build from every other', function () {
    $marks = array_map(fn (string $name): int => Package::mark(Programs::composed($name)), WIRED);

    expect(array_unique($marks))->toHaveCount(count(WIRED))
        ->and(Package::routine(Programs::composed('heron-wharf'), Language::C))->toBe(Package::routine(Programs::composed('heron-wharf'), Language::C));
});

it('has each step as a comment, and its pins at the head', function () {
    $build = Programs::shipped('heron-wharf');
    $files = Package::of($build)->files(Language::Python, App\Programs\Texts::all());
    foreach ($build->routines as $routine) {
        foreach ($routine->flat() as $step) {
            expect($files['routine.py'])->toContain(': '.$step->says($build)->text());
        }
    }
    expect($files['drives.py'])->toMatch('/Controller 1 p30 +Drawbridge motor: forwards/')->and($files['README.txt'])->toContain('Tide top switch');
});

it('says why something cannot be written, and where that stands', function (Closure $change, string $path, string $says) {
    $document = Programs::shipped('quarry-tram')->document;
    $change($document);
    $obstacles = [];
    try {
        Package::of(Build::read($document));
    } catch (CannotBeWritten $why) {
        $obstacles = $why->asInput()->errors;
    }

    expect($obstacles)->not->toBe([])->and($obstacles[0]['field'])->toBe($path)->and($obstacles[0]['message'])->toContain($says);
})->with([
    'no routine' => [function (array &$document): void {
        $document['routines'] = [];
    }, 'routines', 'no routine yet'],
    'a scan between milliseconds' => [function (array &$document): void {
        $document['settings']['scan_s'] = 0.0025;
    }, 'settings.scan_s', 'every 2 ms or 3 ms'],
    'a pin that is missing' => [function (array &$document): void {
        $document['wiring']['wires'] = array_values(array_filter($document['wiring']['wires'], fn (array $wire): bool => $wire['signal'] !== 'sensors.lever'));
    }, 'wiring', 'has no pin yet'],
    'a place that only the world knows' => [function (array &$document): void {
        $document['routines'][0]['steps'][] = ['do' => 'wait', 'until' => ['test' => 'between', 'motion' => 'ramp-winch', 'from' => 0, 'to' => 0.01], 'give_up_s' => 1];
    }, 'motions.0', 'Nothing tells the controller where'],
]);

it('takes a measured time where there is one, at its usual speed; what is proven is the computed one', function (float $speed, bool $isMeasured) {
    $document = Programs::shipped('heron-wharf')->document;
    $document['log'] = [['from' => 'high-water', 'to' => 'low-water', 'measured_s' => 4.4, 'id' => 'm2'] + $document['log'][0]]; // back it goes by time
    $document['rules'] = [];
    $document['routines'] = [['id' => 'flow', 'name' => 'Flow', 'starts' => [['when' => 'power_on']], 'steps' => [
        ['do' => 'go', 'motion' => 'tide', 'place' => 'low-water', 'speed' => $speed, 'give_up_s' => 60]]]];
    $document['scenarios'] = [];
    $build = Build::read($document);
    $text = fn (bool $measured): string => Package::routine(Composer::of($build, $measured), Language::C);

    expect(str_contains($text(true), 'span[0] = 4400;'))->toBe($isMeasured)
        ->and($text(false))->not->toContain('span[0] = 4400;')
        ->and(Package::of($build)->files(Language::C, App\Programs\Texts::all())['routine.c'])->toBe($text(true));
})->with([[1.0, true], [0.7, false]]);
