<?php

declare(strict_types=1);

use Brookstone\Core\Assessment\Subject\MotionFigures;
use Brookstone\Core\Assessment\Subject\MoveTable;
use Brookstone\Core\Drive\Stepper;
use Brookstone\Core\Dynamics\Plant;
use Brookstone\Core\Load\MoveLoad;
use Brookstone\Core\Parts\Motion;
use Tests\Support\Builds;

/** @param  array<string, mixed>  $planted */
function tabled(string $motion, array $planted = []): Motion
{
    return Builds::planted($planted)->motions[$motion];
}

const QUICK_LID = ['motions.0.task.move_s' => 0.4];
const CRANKED = ['motions.0.mechanism' => ['kind' => 'crank', 'crank_m' => 0.03, 'rod_m' => 0.12, 'axis_deg' => 60, 'slider_mass_kg' => 0.8, 'friction_N' => 0.5], 'motions.0.places.1.at' => 170,
    'motions.0.task.move_s' => 0.6, 'motions.0.stops' => ['switches' => []], 'routines' => [], 'log' => []];

it('has for any rotor the torque of the move as it is worked out for that rotor alone', function (string $id, array $planted) {
    $motion = tabled($id, $planted);
    $table = new MoveTable($motion);
    foreach ([0.0, 1e-4, 1e-3, 1e-2, 0.1] as $rotor) {
        $there = MoveLoad::of($motion->moved(true), $motion->move(), $rotor);
        $back = MoveLoad::of($motion->moved(false), $motion->move()->back(), $rotor);
        expect($table->peak_Nm($rotor))->toBeAbout(max($there->peak_Nm, $back->peak_Nm, $there->steady_peak_Nm, $back->steady_peak_Nm), 2e-3)
            ->and($table->rms_Nm($rotor))->toBeAbout(max($there->rms_Nm, $back->rms_Nm), 2e-3);
    }
})->with([['lid', []], ['lid', QUICK_LID], ['lift', []], ['jaw', []], ['lid', ['motions.0.task.profile' => 'cosine'] + QUICK_LID], ['lid', CRANKED],
    ['lid', ['motions.0.mechanism.payload_kg' => 0.2, 'motions.0.mechanism.payload_m' => 0.2, 'motions.0.task.payload' => 'there'] + QUICK_LID]]);

it('is convex in the rotor, and in proportion to it far out', function (array $planted) {
    $table = new MoveTable(tabled('lid', $planted));
    foreach ([[0.0, 0.002], [0.001, 0.01], [0.01, 0.2]] as [$a, $b]) {
        expect($table->peak_Nm(($a + $b) / 2))->toBeLessThanOrEqual(($table->peak_Nm($a) + $table->peak_Nm($b)) / 2 + 1e-12)
            ->and($table->rms_Nm(($a + $b) / 2))->toBeLessThanOrEqual(($table->rms_Nm($a) + $table->rms_Nm($b)) / 2 + 1e-12);
    }
    expect($table->peak_Nm(2e4))->toBeAbout(2 * $table->peak_Nm(1e4), 1e-4)->and($table->rms_Nm(2e4))->toBeAbout(2 * $table->rms_Nm(1e4), 1e-4);
})->with([[[]], [QUICK_LID], [CRANKED]]);

it('keeps what hangs on no rotor', function (string $id, array $planted) {
    $motion = tabled($id, $planted);
    $table = new MoveTable($motion);
    $bare = new MotionFigures($motion->withDrive(null));

    expect($table->hold_Nm)->toBeAbout($bare->hold_Nm(), 1e-9)->and($table->inertia_kgm2)->toBeAbout($bare->inertia_kgm2(), 1e-9)->and($table->least_kgm2)->toBeAbout($bare->leastInertia_kgm2(), 1e-9)
        ->and($table->turn_rad)->toBeAbout($motion->turn_rad(), 1e-9)->and($table->steady_Nm)->toBeAbout(max($bare->there()->steady_peak_Nm, $bare->back()->steady_peak_Nm), 1e-9)
        ->and($table->static_Nm)->toBeAbout(max($bare->there()->static_peak_Nm, $bare->back()->static_peak_Nm), 1e-9)->and($table->peak_Nm(0.0))->toBeGreaterThanOrEqual($table->steady_Nm);
})->with([['lid', []], ['lift', []], ['lid', CRANKED]]);

it('has of a stepper the margin that its run has', function (float $move_s, array $train) {
    $motion = tabled('lift', ['motions.2.drive.motor' => Builds::motor('P57-56'), 'motions.2.task.move_s' => $move_s, 'motions.2.train' => $train]);
    $stepper = $motion->drive?->motor;
    assert($stepper instanceof Stepper);
    $of = (new MoveTable($motion->withDrive(null)))->stepperMargin($stepper, 12.0, $motion->train->ratio(), $motion->train->efficiency(), $motion->train->backEfficiency(),
        Plant::of($motion)->rotor_kgm2());

    expect($of)->toBeAbout((new MotionFigures($motion))->stepperMargin(), 5e-3);
})->with([[4.0, []], [1.0, []], [0.5, []], [2.0, [['type' => 'spur', 'driver' => 20, 'driven' => 60]]], [4.0, [['type' => 'belt', 'driver' => 40, 'driven' => 20]]]]);
