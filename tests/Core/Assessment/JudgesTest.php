<?php

declare(strict_types=1);

use Brookstone\Core\Assessment\BuildJudge;
use Brookstone\Core\Assessment\Subject\Link;
use Brookstone\Core\Finding\Verdict;
use Brookstone\Core\Simulation\RoutineRun;
use Tests\Support\Builds;

/** @param  array<string, mixed>  $values changes to the sound build, by path */
function linkOf(string $motion, string $name, array $values = []): Link
{
    foreach (Builds::assessed(Builds::planted($values))->chain($motion)->links as $link) {
        if ($link->link === $name) {
            return $link;
        }
    }
    throw new LogicException("No link {$name}");
}

it('shows the one number of each link', function (string $motion, string $link, string $figure, string $about) {
    expect(linkOf($motion, $link)->figure->text())->toBe($figure)
        ->and(linkOf($motion, $link)->about->text())->toContain($about);
})->with([
    ['lid', 'task', '2.5 s', 'Shut 0° to Open 70°'],
    ['lid', 'load', '0.532 N·m', 'heaviest to hold at 0°'],
    ['lid', 'train', '1 : 1', 'straight on the shaft'],
    ['lid', 'routine', '3 steps', 'in Wake, Show'],
    ['lid', 'proof', '0.98 s', 'measured, 0.927 s computed'],
    ['jaw', 'stops', 'knows', 'a servo knows its own place'],
    ['jaw', 'routine', '2 steps', 'in Show'],
    ['lift', 'load', '0.139 N·m', 'the same all the way'],
    ['lift', 'routine', '4 steps', 'in Wake, Show'],
]);

it('links the margin to stall torque through the train', function () {
    $plain = (float) Builds::assessed(Builds::sound())->chain('lift')->margin;
    $geared = (float) Builds::assessed(Builds::planted(['motions.2.train' => [['type' => 'spur', 'driver' => 20, 'driven' => 40]],
        'motions.2.drive.motor' => ['rotor_kgm2' => 0.0] + Builds::motor('G25-227')]))->chain('lift')->margin;
    $light = (float) Builds::assessed(Builds::planted(['motions.2.drive.motor' => ['rotor_kgm2' => 0.0] + Builds::motor('G25-227')]))->chain('lift')->margin;

    expect($geared)->toBeAbout($light * 2 * 0.95, 1e-6)->and($plain)->toBeLessThan($light);
});

it('takes the thresholds from the build', function (array $values, string $motion, string $link, Verdict $verdict) {
    expect(linkOf($motion, $link, $values)->verdict)->toBe($verdict);
})->with([
    'a margin of 7 is enough' => [['settings.peak_margin' => 6.5], 'lid', 'drive', Verdict::Holds],
    'until more is asked for' => [['settings.peak_margin' => 7.5], 'lid', 'drive', Verdict::Tight],
    'the whole day' => [['settings.motor_continuous_share' => 0.05], 'lid', 'drive', Verdict::Fails],
    'nearly late' => [['motions.2.task.move_s' => 3.1], 'lift', 'drive', Verdict::Tight],
    'nearly late, but that is no matter' => [['motions.2.task.move_s' => 3.1, 'settings.over_time_share' => 0.0], 'lift', 'drive', Verdict::Holds],
    'room for the run-on' => [['motions.0.stops.hard_low' => -3.0], 'lid', 'stops', Verdict::Holds],
    'not so much room' => [['motions.0.stops.hard_low' => -3.0, 'settings.stop_clearance' => 3.0], 'lid', 'stops', Verdict::Tight],
    'slow debouncing' => [['settings.debounce_s' => 0.2], 'lid', 'stops', Verdict::Fails],
    'hot air' => [['motions.1.mechanism.mass_kg' => 0.15, 'settings.ambient_C' => 60.0, 'settings.servo_continuous_share' => 0.9], 'jaw', 'drive',
        Verdict::Holds],
]);

it('says nothing of what follows from a drive that is not there', function () {
    foreach (['drive', 'train', 'stops'] as $link) {
        expect(linkOf('lid', $link, ['motions.0.drive' => null])->verdict)->toBe(Verdict::NotSaid);
    }
});

it('still says what is wrong without a drive', function () {
    expect(linkOf('lid', 'stops', ['motions.0.drive' => null, 'motions.0.stops.hard_high' => 60.0])->verdict)->toBe(Verdict::Fails);
});

it('adds up how long a routine takes, until it has been rehearsed', function (array $steps, ?float $seconds) {
    $routines = BuildJudge::atOnce(Builds::planted(['routines.1.steps' => $steps]))->routines;

    $seconds === null ? expect($routines[1]['takes_s'])->toBeNull() : expect($routines[1]['takes_s'])->toBeAbout($seconds, 2e-3);
})->with([
    'nothing' => [[], 0.0],
    'a wait' => [[['do' => 'wait', 'for_s' => 2.5]], 2.5],
    'three waits' => [[['do' => 'repeat', 'times' => 3, 'steps' => [['do' => 'wait', 'for_s' => 2]]]], 6.0],
    'for ever' => [[['do' => 'repeat', 'times' => null, 'steps' => [['do' => 'wait', 'for_s' => 2]]]], null],
    'there' => [[['do' => 'go', 'motion' => 'lid', 'place' => 'open', 'give_up_s' => 4]], 0.92674],
    'there and back' => [[['do' => 'go', 'motion' => 'lid', 'place' => 'open', 'give_up_s' => 4], ['do' => 'go', 'motion' => 'lid', 'place' => 'shut',
        'give_up_s' => 4]], 0.92674 + 0.85307],
    'to where it is' => [[['do' => 'go', 'motion' => 'lid', 'place' => 'shut', 'give_up_s' => 4]], 0.0],
    'a run for a time' => [[['do' => 'run', 'motion' => 'lift', 'direction' => 'up', 'for_s' => 1.5], ['do' => 'stop', 'motion' => 'lift']], 1.5],
    'until a switch' => [[['do' => 'run', 'motion' => 'lift', 'direction' => 'up', 'until' => ['sensor' => 'lift-high'], 'give_up_s' => 6],
        ['do' => 'stop', 'motion' => 'lift']], 2.94741],
    'until somebody comes' => [[['do' => 'wait', 'until' => ['sensor' => 'beam']], ['do' => 'wait', 'for_s' => 1]], 1.0],
]);

it('names each step in a sentence', function () {
    $says = array_map(fn (array $step): string => $step['says']->text(), Builds::assessed(Builds::demo('heron-wharf'))->routines[1]['steps']);

    expect($says)->toBe([
        'Switch Lantern lamp on.',
        'Take Drawbridge to Up; give up after 5 s.',
        'Switch Gull cry on for 1.5 s.',
        'Repeat 2 times:',
        'Take Heron neck to Strike; give up after 1 s.',
        'Wait 0.4 s.',
        'Take Heron neck to Rest at 40% speed; give up after 1.5 s.',
        'Wait 0.8 s.',
        'Take Tide to Low water at 70% speed; give up after 9 s.',
        'Wait 2 s.',
        'Take Tide to High water; give up after 8 s.',
        'Take Drawbridge to Down; give up after 5 s.',
        'Switch Lantern lamp off.',
    ]);
});

it('compares every measurement with what is computed', function () {
    $log = Builds::assessed(Builds::planted(['log.0.measured_s' => 1.8534885, 'log.1.from' => 'moon', 'log.2.motion' => 'moon']))->log['newest'];

    expect($log[0]['difference'])->toBeAbout(1.0, 1e-4)
        ->and($log[1])->toMatchArray(['id' => 'b', 'computed_s' => null, 'difference' => null, 'far_off' => false])
        ->and($log[2]['computed_s'])->toBeNull();
});

it('draws the whole range with its limit, in tables that fit each other', function () {
    $curves = Builds::assessed(Builds::sound())->chain('lid')->curves;
    $count = count($curves['positions']);

    expect($curves['positions'][0])->toBe(-5.0)->and(end($curves['positions']))->toBe(75.0)
        ->and([count($curves['static_Nm']), count($curves['rising_Nm']), count($curves['falling_Nm'])])->toBe([$count, $count, $count])
        ->and($curves['there']['positions'][0])->toBe(0.0)->and(end($curves['there']['positions']))->toBeAbout(70.0)
        ->and(end($curves['there']['times_s']))->toBeAbout($curves['there']['time_s'], 1e-4)
        ->and($curves['limit_Nm'])->toBeAbout(3.672, 1e-3);
    foreach ($curves['rising_Nm'] as $i => $rising) {
        expect($rising - $curves['falling_Nm'][$i])->toBeAbout(0.04, 1e-3);
    }
});

it('adds what the wanted profile asks for to what rises', function (string $profile, float $share) {
    $curves = Builds::assessed(Builds::planted(['motions.0.task.profile' => $profile]))->chain('lid')->curves;
    $motion = Builds::sound()->motions['lid'];
    $inertia = $motion->mechanism->inertiaKgm2(0.0) + $motion->rotorAtLoad();

    expect($curves['speeding_up_Nm'][0] - $curves['rising_Nm'][0])->toBeAbout($share * deg2rad(70) / 2.5 ** 2 * $inertia, 1e-3);
})->with([['trapezoid', 4.5], ['cosine', M_PI ** 2 / 2]]);

it('marks where the weight alone is more than the drive has', function () {
    $curves = Builds::assessed(Builds::demo('heron-wharf'))->chain('drawbridge')->curves;
    foreach ($curves['static_Nm'] as $i => $static) {
        expect($curves['over_limit'][$i])->toBe($static > $curves['limit_Nm']);
    }

    expect(array_unique($curves['over_limit']))->toHaveCount(2)
        ->and(array_filter(Builds::assessed(Builds::planted(['motions.0.drive' => null]))->chain('lid')->curves['over_limit']))->toBe([]);
});

it('offers the other side of the horn where a rod turns its part the wrong way', function () {
    $owl = Builds::example('owl-eyelid');
    $wrong = Brookstone\Core\Build\Editor::apply($owl, [['path' => 'motions.0.task.turn', 'value' => 'reversed']]);
    $finding = Builds::found($wrong, 'train.wrong_way')[0];

    expect(array_map(fn ($fix): string => $fix->changes[0]->path, $finding->fixes))->toBe(['motions.0.drive.reversed', 'motions.0.mechanism.opposite_sides']);
    foreach ($finding->fixes as $fix) {
        expect(Builds::found(Builds::mended($wrong, $fix), 'train.wrong_way'))->toBe([]);
    }
});

it('offers a switch and the homing onto it where nothing tells where a motion is', function () {
    $build = Builds::planted(['motions.2.stops.switches' => [], 'motions.2.stops.hard_low' => null, 'motions.2.stops.hard_high' => null,
        'routines' => [['id' => 'up', 'name' => 'Up', 'starts' => [['when' => 'press', 'sensor' => 'button']],
            'steps' => [['do' => 'go', 'motion' => 'lift', 'place' => 'high', 'give_up_s' => 9]]]]]);
    $found = Builds::found($build, 'routine.moves_before_home')[0];
    $mended = Builds::mended($build, $found->fixes[0]);
    $run = RoutineRun::of($mended, $mended->routines['up'], byHand: true);

    expect($found->fixes[0]->does->text())->toBe('Put a switch at Low, and home Lift onto it first')
        ->and(Builds::found($mended, 'routine.moves_before_home'))->toBe([])->and($run['outcome'])->toBe('finished');
});
