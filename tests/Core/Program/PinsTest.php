<?php

declare(strict_types=1);

use Brookstone\Core\Build\Build;
use Brookstone\Core\Program\Composer;
use Brookstone\Core\Program\Drives;
use Brookstone\Core\Program\Language;
use Brookstone\Core\Program\MoveTimes;
use Brookstone\Core\Program\PinUse;
use Symfony\Component\Process\Process;
use Tests\Support\Builds;
use Tests\Support\Programs;

/**
 * What the pins of a build are told, as `what pin value`, pins by what they are for.
 *
 * @param  list<string>  $lines
 * @return list<string>
 */
function pinsTold(Build $build, array $lines): array
{
    $folder = Programs::written($build, Language::C);
    copy(dirname(__DIR__, 2).'/Support/pins.c', "{$folder}/pins_board.c");
    if (! is_file("{$folder}/pins_bench") || filemtime("{$folder}/drives.c") > filemtime("{$folder}/pins_bench")) {
        (new Process(['gcc', '-std=c99', '-O1', '-Wall', '-Werror', '-o', 'pins_bench', 'drives.c', 'pins_board.c'], $folder))->mustRun();
    }
    $process = new Process(["{$folder}/pins_bench"], $folder, input: implode("\n", ['begin', ...$lines])."\n");
    $process->mustRun();
    $names = array_column(array_map(fn (PinUse $pin): array => [$pin->number, $pin->says], array_values(Drives::of(Composer::of($build))->pins->used)), 1, 0);

    return array_map(function (string $line) use ($names): string {
        $words = explode(' ', $line);

        return in_array($words[0], ['write', 'pulse', 'servo', 'step', 'output', 'input'], true) && isset($words[1], $names[(int) $words[1]]) && count($words) > ($words[0] === 'input' ? 2 : 1)
            ? implode(' ', [$words[0], $names[(int) $words[1]], ...array_slice($words, 2)]) : $line;
    }, explode("\n", trim($process->getOutput())));
}

/** Those told after the last `output` or `input` of the beginning. */
function after(array $told, string $of): array
{
    return array_values(array_filter($told, fn (string $line): bool => str_contains($line, $of) && ! str_starts_with($line, 'output') && ! str_starts_with($line, 'input')));
}

it('turns a motor each way through its own pins, shorts it and lets it go', function () {
    $build = Programs::shipped('heron-wharf');
    $m = array_search('drawbridge', array_keys($build->motions), true);
    $told = fn (string ...$lines): array => array_slice(after(pinsTold($build, $lines), 'Drawbridge motor'), 3); // at rest to begin with
    $train = $build->motions['drawbridge']->train->direction(); // its gears turn the other way than its motor
    expect($train)->toBe(-1);

    expect($told("push {$m} 1 10000"))->toBe(['write Drawbridge motor: forwards 0', 'write Drawbridge motor: back 1', 'pulse Drawbridge motor: speed 10000'])
        ->and($told("push {$m} -1 4000"))->toBe(['write Drawbridge motor: forwards 1', 'write Drawbridge motor: back 0', 'pulse Drawbridge motor: speed 4000'])
        ->and(array_slice($told("push {$m} 1 10000", "stop {$m} 0"), 3))->toBe(['write Drawbridge motor: forwards 1', 'write Drawbridge motor: back 1', 'pulse Drawbridge motor: speed 10000'])
        ->and(array_slice($told("push {$m} 1 10000", "stop {$m} 1"), 3))->toBe(['write Drawbridge motor: forwards 0', 'write Drawbridge motor: back 0', 'pulse Drawbridge motor: speed 0']);
});

it('turns it round where its wires are swapped', function () {
    $document = Programs::shipped('heron-wharf')->document;
    $m = (int) array_search('drawbridge', array_column($document['motions'], 'id'), true);
    $document['motions'][$m]['drive']['reversed'] = true;

    expect(pinsTold(Build::read($document), ["push {$m} 1 10000"]))->toContain('write Drawbridge motor: back 0', 'write Drawbridge motor: forwards 1');
});

it('leaves all that drives off when the power comes on, and pulls contacts up', function () {
    $told = pinsTold(Programs::shipped('heron-wharf'), []);

    expect($told)->toContain('input Bridge up switch 1', 'input Attendant button 1', 'input Visitor beam 0', 'output Tide motor: forwards', 'pulse Tide motor: speed 0')
        ->and(array_filter($told, fn (string $line): bool => preg_match('/^(write .* 1|pulse .* [1-9])/', $line) === 1))->toBe([]);
});

it('sends a servo to the width of its place, slowly where that is asked, and knows when it should be there', function () {
    $build = Programs::shipped('grumbling-troll');
    $motion = $build->motions['neck'];
    $m = array_search('neck', array_keys($build->motions), true);
    [$low, $high] = $motion->range();
    $travel = rad2deg($motion->mechanism->turnAt(deg2rad($high)) - $motion->mechanism->turnAt(deg2rad($low))) * $motion->train->ratio();
    $half_us = $travel / 2 / $motion->drive->motor->travel_deg() * 1000.0;
    $widths = array_map(fn (string $line): int => (int) substr($line, strrpos($line, ' ')), after(pinsTold($build, ["send {$m} ".(int) ($low * 1000).' 10000']), 'servo'));
    $ask = fn (int $ms): array => array_slice(pinsTold($build, ["send {$m} ".(int) ($low * 1000).' 10000', 'run 2000', "send {$m} ".(int) ($high * 1000).' 10000', "run {$ms}", "ask {$m}"]), -7);
    $time_s = Brookstone\Core\Simulation\ServoRun::of($motion, $low, $high, 1.0, 30.0)->time_s;

    expect(abs(end($widths) - 1500))->toEqualWithDelta($half_us, 1.0)
        ->and($ask((int) ($time_s * 600)))->toContain('arrived 0', 'moving 1')->and($ask((int) ($time_s * 1400 + 100)))->toContain('arrived 1', 'still 1', 'moving 0',
            'position '.(int) ($high * 1000));
    $slow = after(pinsTold($build, ["send {$m} ".(int) ($low * 1000).' 10000', 'run 2000', "send {$m} ".(int) ($high * 1000).' 2000', 'run 3000']), 'servo');
    expect(count($slow))->toBeGreaterThan(50);
});

it('makes as many steps as a way has, no faster than its task, the right way round', function () {
    $build = Programs::shipped('heron-wharf');
    $motion = $build->motions['ferry'];
    $m = array_search('ferry', array_keys($build->motions), true);
    $motor = $motion->drive->motor;
    $steps = abs($motion->mechanism->turnAt(0.1)) * $motion->train->ratio() / (2 * M_PI) * $motor->steps_per_rev * $motor->microsteps;
    $told = pinsTold($build, ["send {$m} 100000 10000", 'run 20000', "ask {$m}", "send {$m} 50000 10000", 'run 20000', "ask {$m}"]);
    $made = after($told, 'step Ferry stepper: step');

    expect(count($made))->toEqualWithDelta($steps * 1.5, 2.0)->and($told)->toContain('arrived 1')
        ->and(abs((int) substr((string) array_values(array_filter($told, fn (string $line): bool => str_starts_with($line, 'position')))[0], 9) - 100000))->toBeLessThan(50);
    $early = after(pinsTold($build, ["send {$m} 100000 10000", 'run 200']), 'step Ferry stepper: step');
    $most = $motion->ramp()->speed * $motion->train->ratio() / (2 * M_PI) * $motor->steps_per_rev * $motor->microsteps;
    expect(count($early))->toBeGreaterThan(2)->toBeLessThan(0.2 * $most + 2);
    $ways = array_unique(after($told, 'Ferry stepper: direction'));
    expect($ways)->toHaveCount(2);
});

it('counts pulses as a way, from where it was found', function () {
    $build = Programs::shipped('star-dial');
    $m = array_search('dial', array_keys($build->motions), true);
    $pulse = $build->motions['dial']->pulseLength() * 1000.0;
    $position = fn (string ...$lines): int => (int) substr((string) array_values(array_filter(pinsTold($build, [...$lines, "ask {$m}"]), fn (string $line): bool => str_starts_with($line, 'position')))[0], 9);
    $far = $position('count 1000');

    expect(abs($far))->toEqualWithDelta(1000 * $pulse, 1.0 + $pulse)->and($position('count 1000', "found {$m} 90000"))->toEqualWithDelta(90000, 1)
        ->and($position('count 1000', "found {$m} 90000", 'count 1500') - 90000)->toEqualWithDelta($far / 2, 2.0);
});

it('hits the coil of points for its time alone, and switches what stays', function () {
    $build = Programs::shipped('signal-garden');
    $outputs = Composer::of($build)->roster->all('OUTPUT');
    $o = array_search('points-1', $outputs, true);
    $lines = fn (int $ms): array => array_values(array_filter(pinsTold($build, ["out {$o} 1 200", "run {$ms}"]), fn (string $line): bool => preg_match('/^write .*1 coil 1: on/', $line) === 1));

    expect(array_slice($lines(150), -1))->toBe(array_slice($lines(0), -1))->and(end(...[$lines(150)]))->toEndWith('1')->and(end(...[$lines(300)]))->toEndWith('0');
});

it('reads contacts as pressed when they pull down, and those that are normally closed when they do not', function () {
    $build = Programs::shipped('heron-wharf');
    $of = Composer::of($build);
    $i = array_search('attendant', $of->roster->all('INPUT'), true);
    $pin = Drives::of($of)->pins->used['sensors.attendant']->number;
    $says = fn (Build $build, int $up): string => array_slice(pinsTold($build, ["pin {$pin} {$up}", "ask {$i}"]), -7)[0];
    $document = $build->document;
    $document['sensors'][(int) array_search('attendant', array_column($document['sensors'], 'id'), true)]['closed'] = true;

    expect($says($build, 0))->toBe('input 1')->and($says($build, 1))->toBe('input 0')
        ->and($says(Build::read($document), 0))->toBe('input 0')->and($says(Build::read($document), 1))->toBe('input 1');
});

it('takes the end switch inside of a drive as reached after half as long again as the way takes', function () {
    $build = Programs::wired(Builds::example('crate-imp')); // its puppet stands on a rod with end switches inside
    $of = Composer::of($build);
    $own = array_values(array_filter($of->roster->all('INPUT'), fn (string $id): bool => $build->switch($id)?->isOwn ?? false));
    $switch = $build->switch($own[0]);
    $motion = array_values(array_filter($build->motions, fn ($motion): bool => $motion->stops->switch($own[0]) !== null))[0];
    [$low, $high] = $motion->range();
    $ms = (new MoveTimes($build))->ms($motion, $low, $high, 1.0);
    [$m, $i] = [array_search($motion->id, array_keys($build->motions), true), array_search($own[0], $of->roster->all('INPUT'), true)];
    $says = fn (int $way, int $after_ms): string => array_slice(pinsTold($build, ["push {$m} {$way} 10000", "run {$after_ms}", "ask {$i}"]), -7)[0];

    expect($says($switch->direction(), (int) ($ms * 1.4)))->toBe('input 0')->and($says($switch->direction(), (int) ($ms * 1.6)))->toBe('input 1')
        ->and($says(-$switch->direction(), (int) ($ms * 1.6)))->toBe('input 0');
});

it('counts a message as silent after its time', function () {
    $document = Builds::sound()->document;
    $document['sensors'][] = ['id' => 'cue', 'name' => 'Cue', 'kind' => 'message', 'over' => 'network', 'silent_s' => 0.5, 'silent_is' => 'off'];
    $document['routines'][0]['starts'] = [['when' => 'input', 'sensor' => 'cue', 'is' => 'on']];
    $build = Programs::wired(Build::read($document));
    $i = array_search('cue', Composer::of($build)->roster->all('INPUT'), true);
    $says = fn (int $after_ms): string => array_slice(pinsTold($build, ['run 1000', "hear {$i} 1", "run {$after_ms}", "ask {$i}"]), -7)[0];

    expect($says(490))->toBe('input 1')->and($says(510))->toBe('input 0');
});
