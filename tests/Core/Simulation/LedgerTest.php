<?php

declare(strict_types=1);

use Brookstone\Core\Build\Build;
use Brookstone\Core\Drive\DcMotor;
use Brookstone\Core\Drive\Drawer;
use Brookstone\Core\Drive\Drive;
use Brookstone\Core\Drive\Stepper;
use Brookstone\Core\Dynamics\Ledger;
use Brookstone\Core\Dynamics\MotionRun;
use Brookstone\Core\Dynamics\Plant;
use Brookstone\Core\Dynamics\StepperRun;
use Brookstone\Core\Load\Move;
use Brookstone\Core\Load\MoveTorque;
use Brookstone\Core\Load\Profile;
use Brookstone\Core\Parts\DriveChoice;
use Brookstone\Core\Parts\Motion;
use Brookstone\Core\Parts\Supply;
use Brookstone\Core\Simulation\Axis;
use Brookstone\Core\Simulation\RoutineRun;
use Brookstone\Core\Train\Ratios;
use Tests\Support\Builds;
use Tests\Support\Things;

dataset('runs', function () {
    foreach (Things::KINDS as $kind) {
        foreach (['strong', 'weak', 'ramped', 'back', 'locking'] as $i => $how) {
            yield "{$kind}, {$how}" => [$kind, $how, $i];
        }
    }
});

it('accounts for all of the energy that comes in', function (string $kind, string $how, int $seed) {
    $things = new Things(300 + $seed);
    [$thing, $from, $to] = $things->make($kind);
    $largest = 0.0;
    foreach (range(0, 40) as $i) {
        $at = $from + ($to - $from) * $i / 40;
        $largest = max($largest, abs($thing->staticTorqueNm($at)) + $thing->frictionNm($at));
    }
    // A motor that carries the load with something in hand; its rotor is not small beside the load.
    $stall = max($largest, 0.02) * ($how === 'weak' ? 1.5 : 5.0) / 3.0;
    $motor = new DcMotor(12.0, $things->number(60, 300), 0.1, $stall, $things->number(1.0, 3.0), $things->number(0.0, 1e-4));
    $efficiency = $how === 'locking' ? 0.45 : $things->number(0.7, 0.95);
    $plant = new Plant($thing, 3.0, $efficiency, $how === 'locking' ? 0.0 : 2 - 1 / $efficiency, $motor->rotor_kgm2);
    $ledger = new Ledger($plant, $motor->resistance_ohm());
    [$start, $end] = $how === 'back' || $how === 'locking' ? [$to, $from] : [$from, $to];
    $run = MotionRun::of($plant, $motor->line(12.0, $how === 'ramped' ? 0.8 : 1.0), $start, $end, 30.0, ramp_s: $how === 'ramped' ? 0.4 : 0.0, ledger: $ledger);

    expect(abs($ledger->imbalance()))->toBeLessThan(0.005, "{$kind} {$how}: {$run->why?->value}")
        ->and($ledger->copper_J)->toBeGreaterThan(0.0)
        ->and($ledger->friction_J)->toBeGreaterThanOrEqual(0.0)
        ->and($ledger->train_J)->toBeGreaterThanOrEqual(-1e-9, "{$kind} {$how}: {$run->why?->value}");
    if ($how === 'strong') {
        expect($run->reached)->toBeTrue();
    }
})->with('runs');

it('charges nothing to the train where the train is perfect', function () {
    [$thing, $from, $to] = (new Things(5))->make('hoist');
    $motor = new DcMotor(12.0, 100.0, 0.1, 1.0, 2.0);
    $plant = new Plant($thing, 2.0, 1.0, 1.0, 0.0);
    $ledger = new Ledger($plant, $motor->resistance_ohm());
    MotionRun::of($plant, $motor->line(12.0, 1.0), $from, $to, 20.0, ledger: $ledger);

    expect(abs($ledger->train_J))->toBeLessThan(1e-6 * $ledger->in_J)
        ->and($ledger->lifted_J)->toBeAbout($thing->staticTorqueNm(0.0) / $thing->travelPerRad() * ($to - $from), 1e-6);
});

/** @return list<Motion> of every build that ships */
function shippedMotions(): array
{
    $builds = [...array_map(Builds::demo(...), ['heron-wharf', 'moth-lantern', 'quarry-tram']), ...array_map(Builds::example(...), Builds::examples())];

    return array_merge(...array_map(fn (Build $build): array => array_values($build->motions), $builds));
}

/** A drive of the kind, the strongest of them, and through a train that lets it move what it has to move in some seconds. */
function strongest(Motion $motion, string $kind): Motion
{
    $drives = array_filter(Drawer::all(), fn (Drive $drive): bool => $drive->kind() === $kind);
    $volts = fn (Drive $drive): float => $drive->kind() === 'stepper' ? 24.0 : $drive->voltageRange()[1] / ($drive->kind() === 'servo'
        || $drive->kind() === 'continuous_servo' ? 1.0 : 1.25);
    usort($drives, fn (Drive $a, Drive $b): int => $b->line($volts($b), 1.0)->most_Nm() <=> $a->line($volts($a), 1.0)->most_Nm());
    $motion = $motion->withDrive(new DriveChoice($drives[0], new Supply('s', 'S', $volts($drives[0]), 99.0), 1.0));
    $turn = abs($motion->move()->distance()) / $motion->mechanism->travelPerRad();
    $wanted = $motion->drive->line()->noLoad_rad_s() * $motion->move()->seconds / 3 / $turn;
    $trains = Ratios::all();
    usort($trains, fn ($a, $b): int => abs(log($a->ratio() / $wanted)) <=> abs(log($b->ratio() / $wanted)));

    return $motion->withTrain($trains[0]);
}

/** There, back half way, braked, and off: with what that costs. */
function sentAbout(Motion $motion): Ledger
{
    $axis = new Axis($motion, $motion->at($motion->task->from), 0.01);
    $ledger = new Ledger($axis->plant(), $motion->drive?->motor->resistance_ohm() ?? 0.0);
    $axis->watch($ledger);
    $axis->isFoundAt($motion->task->from);
    $up = $motion->at($motion->task->to) > $motion->at($motion->task->from) ? 1 : -1;
    foreach ([[$motion->task->to, $up, 1.0, 1.0], [$motion->task->from, -$up, 0.6, 0.5], [$motion->task->to, $up, 1.0, 0.3]] as [$place, $way, $speed,
        $share]) {
        $axis->canFollow() ? $axis->follow($motion->at($place), $speed) : $axis->push($way, $speed);
        $axis->isFoundAt($place);
        for ($i = 0; $i < 200 * $share * ($motion->task->move_s + 1); $i++) {
            $axis->advance(0.005);
        }
        $axis->stop($share < 0.5 ? 'coast' : 'brake');
        for ($i = 0; $i < 100; $i++) {
            $axis->advance(0.005);
        }
    }
    $axis->closeLedger();

    return $ledger;
}

it('accounts for every move of every motion that ships, with a drive of each kind, sent about and stopped', function (string $kind) {
    $moved = 0;
    foreach (shippedMotions() as $motion) {
        $motion = strongest($motion, $kind);
        $ledger = sentAbout($motion);
        $moved += $ledger->friction_J + abs($ledger->lifted_J) + $ledger->motor_J + $ledger->stopped_J > 0.0 ? 1 : 0;
        // Held against what was done at the shaft too: beside the heat of a strong motor a small load would not be missed.
        $done = $ledger->friction_J + abs($ledger->lifted_J) + $ledger->train_J + $ledger->locked_J + $ledger->stopped_J;
        expect(abs($ledger->imbalance()))->toBeLessThan(0.005, "{$motion->name} on {$kind}")
            // rounding, where it stands the whole time
            ->and(abs($ledger->imbalance()) * $ledger->in_J)->toBeLessThan(max(0.005 * $done, 1e-12 * $ledger->in_J), "{$motion->name} on {$kind}")
            ->and($ledger->in_J)->toBeGreaterThan(0.0)
            ->and($ledger->train_J)->toBeGreaterThan(-1e-6 * $ledger->in_J, "{$motion->name} on {$kind}")
            ->and($ledger->stopped_J)->toBeGreaterThan(-1e-3 * $ledger->in_J, "{$motion->name} on {$kind}");
    }

    expect($moved)->toBeGreaterThan(12);
})->with(['dc_motor', 'servo', 'continuous_servo', 'stepper', 'brushless', 'linear_actuator']);

it('accounts for every motion of every routine that ships', function (string $demo) {
    $build = Builds::demo($demo);
    foreach ($build->routines as $routine) {
        foreach ([null, ...array_values($build->scenarios)] as $scenario) {
            $ledgers = [];
            foreach ($build->motions as $id => $motion) {
                if ($motion->drive !== null) {
                    $ledgers[$id] = new Ledger(Plant::of($motion), $motion->drive->motor->resistance_ohm());
                }
            }
            RoutineRun::of($build, $routine, $scenario, $ledgers);
            foreach ($ledgers as $id => $ledger) {
                expect(abs($ledger->imbalance()))->toBeLessThan(0.005, "{$routine->id} {$scenario?->id} {$id}");
            }
        }
    }
})->with(['heron-wharf', 'moth-lantern', 'quarry-tram']);

it('draws for a wanted move of a stepper the heat of its phases and the work', function (string $kind) {
    [$thing, $from, $to] = (new Things(77))->make($kind);
    $stepper = new Stepper(2.0, 200, 1.0, 0.8, 1.0, 8, 0.0, Drawer::get('G25-227')->body());
    $run = StepperRun::of(new MoveTorque($thing, new Move($from, $to, 30.0, Profile::Trapezoid)), $stepper, 24.0, new Plant($thing, 4.0, 0.8, 0.75, 0.0));
    $drawn = 0.0;
    foreach (array_slice($run->path, 1) as $i => [$time, , $current]) {
        [$before, , $last] = $run->path[$i];
        $drawn += 24.0 * ($last + $current) / 2 * ($time - $before);
    }
    // Nothing comes back on such a slow way up: what it gave is what was lifted and rubbed, each summed by itself.
    $work = 0.0;
    for ($i = 0; $i < 4000; $i++) {
        $at = $from + ($to - $from) * ($i + 0.5) / 4000;
        $work += ($thing->staticTorqueNm($at) + $thing->frictionNm($at)) * ($to - $from) / 4000 / $thing->travelPerRad();
    }
    $heat = $stepper->holdHeat_W(24.0) * 30.0;

    expect($work)->toBeGreaterThan(0.02)->and($drawn - $heat)->toBeAbout($work / 0.8, 0.005);
})->with(['hoist', 'slide', 'spring_lever', 'layered', 'segmented']);
