<?php

declare(strict_types=1);

use Brookstone\Core\Assessment\Drive\DriveRepairs;
use Brookstone\Core\Assessment\Drive\OtherDrives;
use Brookstone\Core\Assessment\Subject\DriveFigures;
use Brookstone\Core\Assessment\Subject\MotionFigures;
use Brookstone\Core\Assessment\Subject\MotionInBuild;
use Brookstone\Core\Drive\Stepper;
use Brookstone\Core\Finding\Fix;
use Tests\Support\Builds;

/** @param  array<string, mixed>  $planted */
function repaired(string $motion, array $planted = []): MotionInBuild
{
    $build = Builds::planted($planted);

    return new MotionInBuild($build, $build->motions[$motion], new MotionFigures($build->motions[$motion]));
}

/** @return array<string, mixed> to plant: gears of the lid that survive so much */
function gearsOfLid(float $limit_Nm, array $more = []): array
{
    return ['motions.0.drive.motor' => ['gearbox_limit_Nm' => $limit_Nm] + Builds::motor('W40-400')] + $more;
}

/** @return array<string, mixed> to plant: a dial that a stepper starts at its speed */
function startedDial(float $turn_s, float $inertia_kgm2, array $drive = []): array
{
    return ['routines' => [], 'log' => [], 'motions.2' => ['id' => 'lift', 'name' => 'Dial', 'mechanism' => ['kind' => 'turntable', 'inertia_kgm2' => $inertia_kgm2, 'friction_Nm' => 0.01],
        'places' => [['id' => 'low', 'name' => 'Low', 'at' => 0], ['id' => 'high', 'name' => 'High', 'at' => 360]],
        'task' => ['from' => 'low', 'to' => 'high', 'move_s' => $turn_s, 'keeps_turning' => true, 'profile' => 'steady'],
        'drive' => ['motor' => ['microsteps' => 1] + Builds::motor('P42-40'), 'supply' => 'main', ...$drive]]];
}

const TWICE = ['motions.0.train' => [['type' => 'spur', 'driver' => 20, 'driven' => 40]]];

describe('a springy coupling', function () {
    it('is as stiff as four fifths of what the gears survive allow', function (array $planted) {
        $subject = repaired('lid', $planted);
        $figures = DriveFigures::of($subject);
        [$fix] = DriveRepairs::softer($subject, $figures);
        $soft = $fix->changes[0]->value;
        $with = fn (float $stiffness): float => DriveFigures::of(repaired('lid', ['motions.0.drive.soft_Nm_per_deg' => $stiffness] + $planted))->knock_motor_Nm;

        expect($with($soft))->toBeLessThanOrEqual(0.8 * $figures->gear_limit_motor_Nm)->and($with($soft * 1.2))->toBeGreaterThan(0.8 * $figures->gear_limit_motor_Nm)
            ->and($fix->does->values['gives']->in('°'))->toBeAbout($figures->peak_Nm / $soft, 1e-9);
    })->with([[gearsOfLid(12.0)], [gearsOfLid(10.5)], [gearsOfLid(12.0, TWICE)]]);

    it('is not offered where the push of the motor alone is too much, where the gears give enough, or where it would not stand', function (array $planted) {
        $subject = repaired('lid', $planted);
        expect(DriveRepairs::softer($subject, DriveFigures::of($subject)))->toBe([]);
    })->with([
        [gearsOfLid(9.1)], // twice 3.67 N·m ÷ 0.8 is 9.18
        [gearsOfLid(20.0)], [gearsOfLid(12.0, ['motions.0.task.tolerance' => 0.33])], // 0.532 N·m on 1.6 N·m/° give by 0.332°
    ]);

    it('is, where it just stands', function () {
        $subject = repaired('lid', gearsOfLid(12.0, ['motions.0.task.tolerance' => 0.34]));
        expect(DriveRepairs::softer($subject, DriveFigures::of($subject))[0]->does->text())->toBe('Couple it through a spring of 1.6 N·m/°: it takes up the knock, and the part gives by 0.332° under its own load');
    });
});

it('ramps a stepper up over the shortest time in which it has the margin asked for', function (float $turn_s, float $inertia_kgm2, float $ramp_s) {
    $subject = repaired('lift', startedDial($turn_s, $inertia_kgm2));
    $figures = DriveFigures::of($subject);
    $motor = $figures->drive->motor;
    assert($motor instanceof Stepper);
    [$fix] = DriveRepairs::ramp($subject, $figures);
    $enough = fn (float $ramp): bool => 1.5 * $figures->startsWith_Nm($ramp) <= $motor->available_Nm(12.0, $figures->fastest_rad_s);
    $shorter = DriveRepairs::RAMPS_S[(int) array_search($ramp_s, DriveRepairs::RAMPS_S, true) - 1] ?? null;

    expect($fix->changes[0]->value)->toBe($ramp_s)->and($enough($ramp_s))->toBeTrue()->and($shorter === null || ! $enough($shorter))->toBeTrue()
        ->and(DriveRepairs::mends(repaired('lift', startedDial($turn_s, $inertia_kgm2, ['ramp_s' => $ramp_s]))))->toBeTrue();
})->with([[0.5, 0.0004, 0.05], [0.5, 0.002, 0.2], [0.5, 0.008, 0.8], [0.3, 0.002, 0.3]]);

it('offers a longer ramp than there is, or another drive', function () {
    $longer = repaired('lift', startedDial(0.5, 0.008, ['ramp_s' => 0.2]));
    expect(DriveRepairs::ramp($longer, DriveFigures::of($longer))[0]->changes[0]->value)->toBe(0.8);
    $never = repaired('lid'); // no stepper at all
    expect(array_map(fn (Fix $fix): string => $fix->changes[0]->path, DriveRepairs::ramp($never, DriveFigures::of($never))))->not->toContain('motions.0.drive.ramp_s');
});

it('offers what carries it: drives of its series, others, a stage more, half of the weight', function (float $mass_kg, array $does) {
    expect(array_map(fn (Fix $fix): string => $fix->does->text(), DriveRepairs::carry(repaired('lid', ['motions.0.mechanism.mass_kg' => $mass_kg]))))->toBe($does);
})->with([
    [1.6, ['Take L100-12: it stalls at 10.4 N·m for 1.92 N·m', 'Balance half of it with a counterweight or spring of 0.941 N·m at horizontal']],
    [3.0, ['Take L100-12: it stalls at 10.4 N·m for 3.59 N·m']], // half of it still is more than it can keep up
]);

it('calms a motion by the quickest slower drive of its series that is enough', function () {
    $subject = repaired('lid', ['motions.0.drive.motor' => Builds::motor('W40-160')]);
    $tried = [];
    $fixes = OtherDrives::calmer($subject, function (MotionInBuild $calmer) use (&$tried): bool {
        $tried[] = $calmer->motion->drive?->motor->body()->code;

        return $calmer->motion->drive?->motor->body()->code === 'W40-400';
    });

    expect($tried)->toBe(['W40-260', 'W40-400'])->and($fixes[0]->does->text())->toBe('Take W40-400, which turns slower')
        ->and(OtherDrives::calmer($subject, fn (): bool => false))->toBe([]);
});
