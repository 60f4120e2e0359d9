<?php

declare(strict_types=1);

use Brookstone\Core\Assessment\Subject\MotionFigures;
use Brookstone\Core\Build\Build;
use Brookstone\Core\Drive\DcMotor;
use Brookstone\Core\Parts\DriveChoice;
use Brookstone\Core\Parts\Supply;
use Brookstone\Core\Simulation\RoutineRun;
use Brookstone\Core\Stops\RunOn;
use Brookstone\Core\Wiring\Wire;
use Tests\Support\Builds;

it('runs a motor behind a resistance as its own equations say', function (float $ohm, float $speed) {
    $motor = new DcMotor(12.0, 100.0, 0.1, 1.0, 2.0);
    $line = (new DriveChoice($motor, new Supply('s', 'S', 12.0, 5.0), 1.0, lead_ohm: $ohm))->line();
    // U = I·(R + r) + ke·ω and T = kt·(I − I₀), with ke and kt of its ratings
    $R = 12.0 / 2.0;
    $kt = 1.0 / (2.0 - 0.1);
    $ke = (12.0 - 0.1 * $R) / (100.0 * 2 * M_PI / 60);
    $current = (12.0 - $ke * $speed) / ($R + $ohm);
    expect($line->stall_A)->toBeAbout(12.0 / ($R + $ohm), 1e-9)
        ->and($line->stall_Nm - $line->fall_Nms * $speed)->toBeAbout($kt * ($current - 0.1), 1e-3);
})->with([[0.5, 0.0], [0.5, 5.0], [2.0, 3.0], [6.0, 1.0]]);

it('loses what its driver takes whatever flows', function () {
    $motor = new DcMotor(12.0, 100.0, 0.1, 1.0, 2.0);
    $choice = fn (float $lost): DriveChoice => new DriveChoice($motor, new Supply('s', 'S', 12.0, 5.0), 1.0, lost_V: $lost);
    expect($choice(2.0)->line())->toEqual($motor->line(10.0, 1.0))->and($choice(2.0)->arrives_V())->toBe(10.0)
        ->and($choice(12.0)->line()->stall_A)->toBe(0.0)->and($choice(20.0)->arrives_V())->toBe(0.0);
});

it('is never better with a thinner or longer wire, or with a driver that loses more', function (string $motion, int $number) {
    $figures = function (array $changes) use ($motion): array {
        $build = Builds::planted(array_replace(Builds::wired(), $changes));
        $facts = new MotionFigures($build->motions[$motion]);
        $task = $build->motions[$motion]->task;

        return [$facts->margin(), -($facts->time($task->from, $task->to) ?? INF)];
    };
    $at = fn (string $field): string => 'wiring.wires.'.$number.'.'.$field;
    $falls = function (array $series) use ($figures): void {
        $before = [INF, 0.0];
        foreach ($series as $changes) {
            $now = $figures($changes);
            expect($now[0])->toBeLessThanOrEqual($before[0] * (1 + 1e-9))->and($now[1])->toBeLessThanOrEqual($before[1] + 1e-9);
            $before = $now;
        }
    };
    $falls(array_map(fn (float $area): array => [$at('area_mm2') => $area, $at('length_m') => 4.0], [6.0, 2.5, 1.0, 0.5, 0.25, 0.1, 0.05]));
    $falls(array_map(fn (float $length): array => [$at('area_mm2') => 0.25, $at('length_m') => $length], [0.1, 1.0, 3.0, 10.0]));
    if ($motion !== 'jaw') {
        $falls(array_map(fn (float $lost): array => ['wiring.boards.1.board.lost_V' => $lost], [0.0, 1.0, 3.0, 6.0]));
        $falls(array_map(fn (float $ohm): array => ['wiring.boards.1.board.lost_ohm' => $ohm], [0.0, 0.5, 2.0, 5.0]));
    }
})->with([['lid', 0], ['lift', 1], ['jaw', 4]]);

it('takes to the motor just what its wires and its channel take', function () {
    $build = Builds::planted(array_replace(Builds::wired(), ['wiring.wires.0.area_mm2' => 0.5, 'wiring.wires.0.length_m' => 2.0]));
    $drive = $build->motions['lid']->drive;
    expect($drive?->lead_ohm)->toBeAbout((new Wire(2.0, 0.5, 0.0, 12.0))->resistance_ohm + 0.5, 1e-12)
        ->and(Builds::sound()->motions['lid']->drive?->leads())->toBe([0.0, 0.0, 0.0]);
});

it('starts and stops as late as its relay switches, in the run as in what is foretold of it', function () {
    $build = fn (float $late_s): Build => Builds::planted(array_replace(Builds::wired(), ['wiring.boards.1.board.delay_s' => $late_s, 'routines.0.starts' => [],
        'routines.1.steps' => [['do' => 'run', 'motion' => 'lift', 'direction' => 'up', 'until' => ['test' => 'input', 'sensor' => 'lift-high', 'is' => 'on'], 'give_up_s' => 6],
            ['do' => 'stop', 'motion' => 'lift'], ['do' => 'wait', 'for_s' => 1.0]]]));
    $end = fn (Build $build): float => array_column(RoutineRun::of($build, $build->routines['show'])['ends'], 'at', 'motion')['lift'];
    $foretold = fn (Build $build): float => (float) RunOn::of($build->motions['lift'], $build->motions['lift']->stops->switches[1], $build->settings)?->distance;
    $speed = RunOn::of($build(0.0)->motions['lift'], $build(0.0)->motions['lift']->stops->switches[1], $build(0.0)->settings)->speed ?? 0.0;
    expect($end($build(0.05)) - $end($build(0.0)))->toBeAbout(0.05 * $speed, 0.011 * $speed)
        ->and($foretold($build(0.05)) - $foretold($build(0.0)))->toBeAbout(0.05 * $speed, 0.002 * $speed)
        ->and($build(0.05)->motions['lift']->obeysWithin_s($build(0.05)->settings))->toBeAbout(0.051, 1e-12);
});
