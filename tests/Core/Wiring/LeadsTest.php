<?php

declare(strict_types=1);

use Brookstone\Core\Assessment\Subject\MotionFigures;
use Brookstone\Core\Drive\DcMotor;
use Brookstone\Core\Parts\DriveChoice;
use Brookstone\Core\Parts\Supply;
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
        ->and(Builds::sound()->motions['lid']->drive?->leads())->toBe([0.0, 0.0]);
});
