<?php

declare(strict_types=1);

use Tests\Support\Builds;

/**
 * Verdict, figure and what it is of, of some links of a motion.
 *
 * @param  array<string, mixed>  $planted
 * @param  list<string>  $links
 * @return array<string, string>
 */
function figuresOf(string $motion, array $planted, array $links): array
{
    $found = [];
    foreach (Builds::assessed(Builds::planted($planted))->chain($motion)->links as $link) {
        $found[$link->link] = "{$link->verdict->value}: {$link->figure->text()}, {$link->about->text()}";
    }

    return array_intersect_key($found, array_flip($links));
}

const UNROUTINED = ['routines' => [], 'log' => []];

// The lid weighs 0.353 N·m at 0°, rubs with 0.02 and is turned by a motor of 3.67 N·m; the lift hangs with 0.6 kg on a drum of 10 mm.
it('says in one figure how each link stands, and of what that is', function (string $motion, array $planted, array $says) {
    expect(figuresOf($motion, $planted, array_keys($says)))->toBe($says);
})->with([
    'a lid that is wired: its motor gets less than the 12 V' => ['lid', Builds::wired(), [
        'drive' => 'holds: 6.24 ×, W40-400 has 3.32 N·m for 0.532 N·m', 'stops' => 'holds: 1.91°, longest run-on after a switch',
        'wiring' => 'holds: 10.9 V, of 12 V arrive from Bridge 1 A when it starts', 'proof' => 'holds: 0.98 s, measured, 0.948 s computed',
    ]],
    'a jaw that is: straight from its pin and rail' => ['jaw', Builds::wired(), ['wiring' => 'holds: 5.93 V, of 6 V arrive from Controller 1 p4 when it starts']],
    'a channel that starts bring near to what it bears' => ['lid', array_map(fn (mixed $value): mixed => is_array($value) && isset($value['board']['peak_A'])
        ? array_replace_recursive($value, ['board' => ['peak_A' => 2.2]]) : $value, Builds::wired()), [
            'wiring' => 'holds: 2.1 A, of the 2.2 A that Bridge 1 A bears for a start',
        ]],
    'without a drive' => ['lid', ['motions.0.drive' => null], [
        'load' => 'holds: 0.377 N·m, largest torque, heaviest to hold at 0°', 'drive' => 'not_said: –, no drive chosen yet', 'train' => 'not_said: –, follows from the drive',
        'stops' => 'not_said: –, follows from the drive', 'wiring' => 'not_said: –, follows from the drive', 'proof' => 'holds: 0.98 s, measured; nothing computed to compare',
    ]],
    'geared down twice: 3 · 2, and 95 % of each' => ['lid', ['motions.0.train' => [['type' => 'spur', 'driver' => 20, 'driven' => 60, 'module_mm' => 1, 'face_mm' => 8, 'material' => 'steel'], ['type' => 'belt', 'driver' => 20, 'driven' => 40]]], [
        'train' => 'holds: 6 : 1, 2 stages, passes 90.3%',
    ]],
    'geared up' => ['lid', ['motions.0.train' => [['type' => 'spur', 'driver' => 60, 'driven' => 20]]], ['train' => 'holds: 0.333 : 1, 1 stage, passes 95%']],
    'a worm' => ['lid', ['motions.0.train' => [['type' => 'worm', 'driver' => 1, 'driven' => 30]]], [
        'drive' => 'fails: 0.785 ×, W40-400 has 44.1 N·m for 56.1 N·m', 'train' => 'holds: 30 : 1, 1 stage, passes 40%', // 30 · 0.4 · 3.67
    ]],
    'no switch' => ['lift', ['motions.2.stops.switches' => []] + UNROUTINED, [
        'stops' => 'fails: none, no switch tells where it is', 'routine' => 'not_said: –, in no routine yet', 'proof' => 'not_said: –, nothing measured yet',
    ]],
    'on and on' => ['lift', ['motions.2.task.keeps_turning' => true, 'motions.2.stops' => ['switches' => []]] + UNROUTINED, [
        'stops' => 'holds: turns on, where it stops does not matter',
    ]],
    'switches of its own' => ['lift', ['motions.2.drive.motor' => Builds::motor('L100-12'), 'motions.2.stops' => ['switches' => []]] + UNROUTINED, [
        'stops' => 'holds: its own, the actuator switches itself off at both ends',
    ]],
    'counted steps: as far as it goes in 16 ms at 37.5 mm/s' => ['lift', ['motions.2.drive.motor' => Builds::motor('P57-56')], [
        'drive' => 'holds: 14.2 ×, P57-56 has 0.84 N·m for 0.0591 N·m', 'stops' => 'holds: 0.6 mm, longest run-on after a switch',
    ]],
    'never there' => ['lift', ['motions.2.mechanism.mass_kg' => 900], [
        'load' => 'holds: 88.6 N·m, largest torque, the same all the way', 'drive' => 'fails: 0.0316 ×, G25-227 has 2.8 N·m for 88.6 N·m', 'stops' => 'fails: –, it never reaches a switch',
    ]],
    'slower than computed' => ['lid', ['log.0.measured_s' => 1.2], ['proof' => 'tight: 1.2 s, measured, 0.927 s computed']],
    'one routine of two' => ['lift', ['routines.0.steps' => []], ['routine' => 'holds: 3 steps, in Show']],
    'from below' => ['lid', ['motions.0.places.0.at' => -40, 'motions.0.stops.hard_low' => -45, 'motions.0.stops.switches.0.at' => -40], [
        'task' => 'holds: 2.5 s, Shut −40° to Open 70°', 'load' => 'holds: 0.614 N·m, largest torque, heaviest to hold at 0°',
    ]],
    'too heavy' => ['lid', ['motions.0.mechanism.mass_kg' => 3.0], [
        'drive' => 'fails: 0.981 ×, W40-400 has 3.67 N·m for 3.74 N·m', 'proof' => 'tight: 0.98 s, measured, 7.29 s computed',
    ]],
]);
