<?php

declare(strict_types=1);

use Tests\Support\Builds;
use Tests\Support\Said;

/** @return array<string, mixed> to plant: the lift on the motor of the lid */
function onMotorOfLid(string $by, array $more = []): array
{
    return ['motions.2.drive.shares' => 'lid', 'motions.2.drive.shares_by' => $by] + $more;
}

/** @return array<string, mixed> to plant: lid and jaw on a servo each, that must stay level */
function levelServos(float $within): array
{
    return ['motions.1.level' => ['with' => 'lid', 'within' => $within], 'motions.0.drive' => ['motor' => Builds::motor('S25 digital'), 'supply' => 'servos'], 'motions.0.stops' => ['switches' => []],
        'routines' => [], 'log' => []];
}

const FIGHT = 'note drive.motors_fight at motions.0.drive.motors: 2 motors of one series differ by about 5% in speed: 0.105 A flows in each for nothing while the quicker drags the slower.';

it('notes of a drive what is so on one side of a threshold, and not on the other', function (string $codes, array $planted, array $says) {
    expect(Said::atOnce($codes, $planted))->toBe($says);
})->with([
    // gears that hold 0.045 N·m, of which 1.5 times what 0.0612 kg at 50 mm ask for is too much
    'a servo whose gears hold by themselves' => ['drive.gate_saves', ['motions.1.mechanism.mass_kg' => 0.0611], [
        'note drive.gate_saves at motions.1.drive.gated: Powered all day it takes 2.04 Ah, of which holding is 99.9%; at rest its gears hold the load by themselves. With its power cut between moves it takes 1.31 mAh, and neither buzzes nor warms.',
    ]],
    'and do not' => ['drive.gate_saves', ['motions.1.mechanism.mass_kg' => 0.0612], []],
    'whose power is cut' => ['drive.gate_saves', ['motions.1.mechanism.mass_kg' => 0.05, 'motions.1.drive.gated' => true], []],
    // a twentieth of the 2.1 A that one draws held fast
    'two motors' => ['drive.motors_|drive.one_f', ['motions.0.drive.motors' => 2], [FIGHT]],
    'two of which one would just do' => ['drive.motors_|drive.one_f', ['motions.0.drive.motors' => 2, 'motions.0.mechanism.mass_kg' => 2.94], [FIGHT]],
    'two of which one would not' => ['drive.motors_|drive.one_f', ['motions.0.drive.motors' => 2, 'motions.0.mechanism.mass_kg' => 2.95], [
        FIGHT, 'note drive.one_fails at motions.0.drive.motors: If one of the 2 fails, what is left has 99.7% of what is needed: it stalls.',
    ]],
    'three of which two would' => ['drive.one_f', ['motions.0.drive.motors' => 3, 'motions.0.mechanism.mass_kg' => 5.8], []],
    'two servos' => ['drive.motors_', ['motions.1.drive.motors' => 2], [
        'note drive.motors_fight at motions.1.drive.motors: 2 servos each go to a place of their own: set them alike to within 0.8°, or they push against one another all the time.',
    ]],
    // a twentieth of 70°
    'a motor each, far apart' => ['drive.runs_apart', ['motions.0.level' => ['with' => 'jaw', 'within' => 3.49]], [
        'fails drive.runs_apart at motions.0.level.within: Lid and Jaw have a motor each: of 70° the one has gone 3.5° further than the other, with a usual spread of 5%. They may be 3.49° apart.',
    ]],
    'a motor each, near enough' => ['drive.runs_apart', ['motions.0.level' => ['with' => 'jaw', 'within' => 3.5]], []],
    // half of a dead band and the play of each: 0.4 + 0.5° and 0.15 + 0.3°
    'a servo each, far apart' => ['drive.runs_apart', levelServos(1.34), [
        'fails drive.runs_apart at motions.1.level.within: Jaw and Lid are sent to the same place, and may stand 1.35° apart there: they may be 1.34°.',
    ]],
    'a servo each, near enough' => ['drive.runs_apart', levelServos(1.36), []],
    // the lift takes 0.139 N·m of it, the lid 0.531
    'one motor for both at once, with 4.17 × in hand' => ['drive.together', onMotorOfLid('rectifier', ['settings.peak_margin' => 4.17]), []],
    'and 4.2 × are asked for' => ['drive.together', onMotorOfLid('rectifier', ['settings.peak_margin' => 4.2]), [
        'tight drive.together_weak at motions.2.drive.shares: One motor moves this and Lid at once: together they ask 0.67 N·m of it at the worst, and it gives 2.8 N·m.',
    ]],
    'one after the other' => ['drive.together', onMotorOfLid('selector', ['settings.peak_margin' => 9.0]), []],
    'a selector' => ['drive.shared', onMotorOfLid('selector'), [
        'note drive.shared at motions.2.drive.shares: One motor moves this and Lid through a selector: a switch must say which of them is engaged, and changing over takes a step of its own.',
    ]],
    'a rectifier' => ['drive.shared', onMotorOfLid('rectifier'), [
        'note drive.shared at motions.2.drive.shares: One motor moves this both ways, and with it Lid always forwards: that moves whenever this does, and must be able to go on.',
    ]],
    'in turn' => ['drive.shared', onMotorOfLid('in_turn'), ['note drive.shared at motions.2.drive.shares: One motor moves this and Lid in turn: what is lightest goes first, until it meets its stop, and then the next.']],
    'by direction' => ['drive.shared', onMotorOfLid('direction'), [
        'note drive.shared at motions.2.drive.shares: One motor moves this when it turns one way and Lid when it turns the other: neither can be driven back, so each must come round by itself.',
    ]],
    'a motor of its own' => ['drive.shared', [], []],
    'what only turns up, and has two ends' => ['drive.one_way', ['motions.0.drive.one_way' => true, 'motions.0.task.from' => 'open', 'motions.0.task.to' => 'shut'], [
        'fails drive.one_way_ends at motions.0.drive.one_way: It only ever turns up, but has two ends: once it is at Open nothing brings it back.',
    ]],
    'on and on' => ['drive.one_way', ['motions.0.drive.one_way' => true, 'motions.0.task.keeps_turning' => true, 'motions.0.stops' => ['switches' => []], 'routines' => []], []],
]);
