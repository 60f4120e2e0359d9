<?php

declare(strict_types=1);

use Brookstone\Core\Calculator\MotionRunCalculator;
use Brookstone\Core\Drive\DcMotor;
use Brookstone\Core\Dynamics\Ledger;
use Brookstone\Core\Dynamics\MotionRun;
use Brookstone\Core\Dynamics\Plant;
use Brookstone\Core\Dynamics\RunEnd;
use Brookstone\Core\Mechanism\Arm;
use Brookstone\Core\Mechanism\Hoist;
use Brookstone\Core\Mechanism\Mechanisms;
use Brookstone\Core\Mechanism\Slack;
use Brookstone\Core\Shape\ErrorList;
use Tests\Support\ByHand;
use Tests\Support\Things;

function gearMotor(float $stall = 0.5): DcMotor
{
    return new DcMotor(12.0, 60.0, 0.05, $stall, 1.0, 2e-4);
}

it('follows the closed form of a constant load', function () {
    // J ω̇ = R T0 η − L − f − R²k η ω has the solution of a first-order lag; the rotor speeds up before the train, and costs no loss of it.
    $hoist = new Hoist(0.5, 0.02, friction_N: 0.4);
    $plant = new Plant($hoist, 2.0, 0.8, 0.75, 2e-4);
    $line = gearMotor()->line(12.0, 1.0);
    $inertia = 0.5 * 0.02 ** 2 + 0.8 * 4 * 2e-4;
    $slope = 4 * $line->fall_Nms * 0.8 / $inertia;
    $end = (2 * $line->stall_Nm * 0.8 - $hoist->staticTorqueNm(0.0) - $hoist->frictionNm(0.0)) / $inertia / $slope;
    $angle = 0.4 / 0.02;
    $low = 0.0;
    $high = 20.0;
    for ($i = 0; $i < 200; $i++) {
        $t = ($low + $high) / 2;
        $end * ($t - (1 - exp(-$slope * $t)) / $slope) < $angle ? $low = $t : $high = $t;
    }
    $run = MotionRun::of($plant, $line, 0.0, 0.4, 20.0);

    expect($run->time_s)->toBeAbout($low, 1e-6)
        ->and($run->end_speed)->toBeAbout(0.02 * $end * (1 - exp(-$slope * $low)), 1e-4)
        ->and($run->peak_current_A)->toBeAbout(1.0);
});

it('swings like a pendulum when nothing holds it', function () {
    // A motor far too weak to matter, no losses: from 60° under level the arm falls to 90° with the energy it lost in height.
    $arm = new Arm(1.0, 0.5, inertia_kgm2: 0.25);
    $plant = new Plant($arm, 1e-3, 1.0, 1.0, 0.0);
    $run = MotionRun::of($plant, (new DcMotor(12.0, 1e6, 0.05, 1e-6, 1.0))->line(12.0, 1.0), deg2rad(-30), deg2rad(-80), 20.0);
    $speed = sqrt(2 * 9.80665 * 0.5 * (sin(deg2rad(-30)) - sin(deg2rad(-80))) / 0.25);

    expect($run->reached)->toBeTrue()->and(abs((float) $run->end_speed))->toBeAbout($speed, 2e-3);
});

it('takes the same time mirrored', function () {
    $plant = new Plant(new Arm(0.3, 0.1), 1.0, 0.9, 0.88, 2e-4);
    $line = gearMotor()->line(12.0, 1.0);
    $up = MotionRun::of($plant, $line, deg2rad(-40), deg2rad(70), 20.0);
    $mirrored = MotionRun::of($plant, $line, deg2rad(220), deg2rad(110), 20.0);

    expect($mirrored->time_s)->toBeAbout((float) $up->time_s, 1e-6);
});

it('says why it does not arrive', function () {
    $weak = gearMotor(0.05)->line(12.0, 1.0);
    $held = MotionRun::of(new Plant(new Arm(0.3, 0.2), 1.0, 0.9, 0.0, 0.0), $weak, 0.0, 1.0, 20.0);
    $overrun = MotionRun::of(new Plant(new Arm(0.3, 0.2), 1.0, 0.9, 0.88, 0.0), $weak, 0.0, 1.0, 20.0);
    $slow = MotionRun::of(new Plant(new Arm(0.01, 0.2), 1.0, 1.0, 1.0, 0.0), gearMotor()->line(12.0, 0.1), 0.0, 4.0, 2.0);

    expect($held->why)->toBe(RunEnd::Stuck)->and($held->stopped_at)->toBeAbout(0.0)
        ->and($overrun->why)->toBe(RunEnd::RanBack)->and($overrun->stopped_at)->toBeLessThan(0.0)
        ->and($slow->why)->toBe(RunEnd::GaveUp)->and($slow->stopped_at)->toBeGreaterThan(0.0);
});

it('stops half way where the load becomes too much', function () {
    $plant = new Plant(new Arm(0.5, 0.1, friction_Nm: 0.01), 1.0, 0.9, 0.0, 0.0);
    $run = MotionRun::of($plant, gearMotor(0.35)->line(12.0, 1.0), deg2rad(-89), deg2rad(0), 20.0);

    expect($run->reached)->toBeFalse()->and($run->why)->toBe(RunEnd::Stuck)
        ->and(0.5 * 0.1 * 9.80665 * cos((float) $run->stopped_at) + 0.01)->toBeGreaterThanOrEqual(0.35 * 0.9 * 0.999);
});

/** @return array<string, mixed> inputs of motion.run made by a seed: arms and hoists, up and down, trains that lock, motors too weak and far too strong */
function randomRun(int $seed): array
{
    $things = new Things($seed);
    $arm = $things->number(0, 1) < 0.5;
    $thing = $arm
        ? ['kind' => 'arm', 'mass_kg' => $things->number(0.1, 1), 'cg_m' => $things->number(0.05, 0.3), 'friction_Nm' => $things->number(0, 0.05)]
        : ['kind' => 'hoist', 'mass_kg' => $things->number(0.3, 4), 'counterweight_kg' => $things->number(0, 0.2),
            'drum_radius_m' => $things->number(0.005, 0.02), 'friction_N' => $things->number(0, 1)];
    $ratio = $things->number(1, 4);
    $stall = $thing['mass_kg'] * 9.80665 * ($thing['cg_m'] ?? $thing['drum_radius_m']) / $ratio * $things->number(0.6, 5);
    $stall_A = $things->number(0.2, 3);
    $free = 12 * $stall_A * $things->number(0.2, 0.6) / $stall; // rad/s: what comes out is less than what goes in
    $ends = $arm ? [-40.0, 70.0] : [0.0, 0.4];
    $down = $things->number(0, 1) < 0.4;

    return [
        'motor' => [
            'rated_V' => 12.0, 'no_load_rpm' => $free * 30 / M_PI, 'no_load_A' => $stall_A * $things->number(0.05, 0.2), 'stall_Nm' => $stall,
            'stall_A' => $stall_A,
            'rotor_kgm2' => $stall / $free * $things->number(0.006, 0.1),
        ],
        'supply_V' => 12.0, 'duty' => $things->number(0.5, 1), 'ratio' => $ratio, 'mechanism' => $thing, 'from' => $ends[$down ? 1 : 0],
        'to' => $ends[$down ? 0 : 1],
        'efficiency' => $things->number(0, 1) < 0.25 ? 0.45 : $things->number(0.55, 1.0),
    ];
}

it('agrees with its equations stepped through in small steps', function (int $seed) {
    $arrived = 0;
    foreach (range(1, 12) as $i) {
        $inputs = randomRun(100 * $seed + $i);
        $calculator = new MotionRunCalculator;
        $run = $calculator->compute($calculator->inputs()->read($inputs, '', new ErrorList))['results'];
        $slow = ByHand::run($inputs);
        $own = $inputs['mechanism']['kind'] === 'arm' ? 180 / M_PI : 1.0;
        expect($run['reached'])->toBe($slow['reached'], (string) json_encode($inputs));
        if ($run['reached']) {
            $arrived++;
            expect($run['time_s'])->toBeAbout($slow['time_s'], 1e-3)->and($run['end_speed'])->toBeAbout($slow['end_speed'] * $own, 2e-3);
        }
        if ($run['why'] === 'ran_back') {
            expect($run['stopped_at'])->toBeAbout($inputs['from'] + ($inputs['from'] - $inputs['to']) * 0.01, 1e-3);
        }
    }

    expect($arrived)->toBeGreaterThan(4);
})->with(range(1, 8));

it('never makes energy: each account keeps its sign, and the same sums as small steps give', function (int $seed) {
    foreach (range(1, 12) as $i) {
        $inputs = randomRun(100 * $seed + $i);
        $slow = ByHand::run($inputs);
        if (! $slow['reached']) {
            continue;
        }
        $thing = Mechanisms::make(array_intersect_key($inputs['mechanism'], ['kind' => 1, 'mass_kg' => 1, 'cg_m' => 1, 'friction_Nm' => 1,
            'counterweight_kg' => 1, 'drum_radius_m' => 1, 'friction_N' => 1]));
        $motor = new DcMotor(...$inputs['motor']);
        $plant = new Plant($thing, $inputs['ratio'], $inputs['efficiency'], max(0.0, 2 - 1 / $inputs['efficiency']), $motor->rotor_kgm2);
        $ledger = new Ledger($plant, $motor->resistance_ohm());
        MotionRun::of($plant, $motor->line(12.0, $inputs['duty']), $thing->positionUnit()->toSi($inputs['from']),
            $thing->positionUnit()->toSi($inputs['to']), 20.0, ledger: $ledger);
        $size = array_sum(array_map(abs(...), $slow['account']));
        foreach (['in' => $ledger->in_J, 'copper' => $ledger->copper_J, 'motor' => $ledger->motor_J, 'train' => $ledger->train_J,
            'friction' => $ledger->friction_J, 'locked' => $ledger->locked_J] as $name => $joules) {
            expect(abs($joules - $slow['account'][$name]))->toBeLessThan(2e-3 * $size, "{$name} of seed {$seed}, {$i}");
            if ($name !== 'in') {
                expect($joules)->toBeGreaterThan(-1e-6 * $size, "{$name} of seed {$seed}, {$i}");
            }
        }
        // What comes back to the supply never is more than what was let down.
        expect(-$ledger->in_J)->toBeLessThanOrEqual(max(0.0, -$ledger->lifted_J));
    }
})->with(range(1, 8));

it('arrives sooner with more voltage, later with more load', function () {
    $time = fn (float $volts, float $mass): float => (float) MotionRun::of(new Plant(new Arm($mass, 0.1), 1.0, 1.0, 1.0, 1e-4),
        gearMotor()->line($volts, 1.0), 0.0, 1.2, 20.0)->time_s;

    expect($time(12.0, 0.2))->toBeLessThan($time(9.0, 0.2))->and($time(12.0, 0.3))->toBeGreaterThan($time(12.0, 0.2));
});

it('gives the same run whatever the length of the cord is that it lifts', function () {
    $run = MotionRun::of(new Plant(new Hoist(0.2, 0.005), 1.0, 1.0, 1.0, 0.0), gearMotor()->line(12.0, 1.0), 0.0, 50.0, 1e5);

    expect($run->reached)->toBeTrue()->and($run->time_s)->toBeAbout(50 / (0.005 * gearMotor()->line(12.0, 1.0)->speedAgainst(0.2 * 9.80665 * 0.005)), 1e-3);
});

it('comes to the edge of a segment where it is, not where a step happens to end', function (int $seed) {
    $things = new Things(4000 + $seed);
    [$thing, $from, $to] = $things->make('segmented');
    $motor = new DcMotor(12.0, 120.0, 0.1, 0.08, 2.0, 1e-6);
    $plant = new Plant($thing, 2.0, 0.8, 0.75, 1e-6);
    $state = $plant->stateAt($from);
    for ($time = 0.0; $plant->position($state) < $to && $time < 60.0;) {
        $time += $plant->step($state, $motor->line(12.0, 1.0), 1, true, 1e-4);
    }

    expect(MotionRun::of($plant, $motor->line(12.0, 1.0), $from, $to, 60.0)->time_s)->toBeAbout($time, 5e-4);
})->with(range(1, 6));

it('goes with what it found a step ago as one that looks anew each time', function (string $kind, int $seed) {
    $things = new Things(7000 + $seed);
    [$thing, $from, $to] = $things->make($kind === 'slack' ? 'hoist' : $kind);
    $thing = $kind === 'slack' ? new Slack($thing, $from + 0.02 * ($to - $from)) : $thing; // lifted off something on the way
    $ratio = exp($things->number(-0.5, 1.5));
    $efficiency = $things->number(0.5, 1.0);
    $back = $seed % 3 === 0 ? 0.0 : max(0.05, 2 - 1 / $efficiency);
    $largest = max(0.01, abs($thing->staticTorqueNm(($from + $to) / 2)) + $thing->frictionNm(($from + $to) / 2));
    $stall = $largest * exp($things->number(1.5, 2.5)) / $ratio / $efficiency;
    $line = (new DcMotor(12.0, $things->number(20, 300), 0.05, $stall, 1.0, 1e-5))->line(12.0, 1.0);
    $limited = new Brookstone\Core\Drive\TorqueLine($line->stall_Nm, $line->fall_Nms, $line->idle_A, $line->stall_A, $line->A_per_Nm,
        0.6 * $line->stall_Nm, 0.8);
    $weak = $limited->atShare(0.5);
    $make = fn (): Plant => new Plant($thing, $ratio, $efficiency, $back, 1e-5, drag_Nm: 0.05 * $stall);
    $remembers = $make();
    [$one, $other] = [$remembers->stateAt($from), $remembers->stateAt($from)];
    $fastest = 0.0;
    for ($i = 0; $i < 600; $i++) {
        // pushed, turned back under way, fed with half, let go
        [$motor, $command, $powered] = match (true) {
            $i < 200 => [$limited, 1, true],
            $i < 260 => [$limited, -1, true],
            $i < 400 => [$weak, 1, true],
            default => [$limited->shorted(), 1, false],
        };
        foreach ([[$remembers, $one], [$make(), $other]] as [$plant, $state]) {
            for ($left = 0.0005; $left > 1e-12;) {
                $left -= $plant->step($state, $motor, $command, $powered, $left);
            }
        }
        $fastest = max($fastest, abs($other->speed));

        expect(abs($one->speed - $other->speed))->toBeLessThanOrEqual(2e-3 * $fastest + 1e-9)
            ->and(abs($one->angle - $other->angle))->toBeLessThanOrEqual(2e-4 * abs($other->angle - $remembers->stateAt($from)->angle) + 1e-6);
    }
    expect($fastest)->toBeGreaterThan(0.0);
})->with(['arm', 'turntable', 'hoist', 'slack', 'crank', 'crank_rocker', 'segmented'])->with(range(1, 6));
