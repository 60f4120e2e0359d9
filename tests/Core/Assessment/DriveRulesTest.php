<?php

declare(strict_types=1);

use Brookstone\Core\Assessment\Drive\DriveRules;
use Brookstone\Core\Assessment\Drive\LimitViolation;
use Brookstone\Core\Assessment\Subject\DriveFigures;
use Brookstone\Core\Assessment\Subject\MotionFigures;
use Brookstone\Core\Assessment\Subject\MotionInBuild;
use Brookstone\Core\Finding\Finding;
use Brookstone\Core\Finding\Severity;
use Brookstone\Core\Parts\Settings;
use Tests\Support\Builds;

const NUMBERS = ['lid' => 0, 'jaw' => 1, 'lift' => 2];

/** @param  array<string, mixed>  $changes  to the sound build; `motor.` is that of the motion */
function drivenWith(string $motion, array $changes): MotionInBuild
{
    $at = 'motions.'.NUMBERS[$motion];
    $build = Builds::sound();
    $motor = $build->document['motions'][NUMBERS[$motion]]['drive']['motor'];
    foreach ($changes as $path => $value) {
        if (str_starts_with($path, 'motor.')) {
            $motor[substr($path, 6)] = $value;
            unset($changes[$path]);
        }
    }
    $build = Builds::planted(["{$at}.drive.motor" => $motor] + $changes);

    return new MotionInBuild($build, $build->motions[$motion], new MotionFigures($build->motions[$motion]));
}

/** @param  array<string, mixed>  $changes */
function severityOf(string $code, string $motion, array $changes): ?string
{
    $subject = drivenWith($motion, $changes);
    foreach (DriveRules::strains(DriveFigures::of($subject), $subject->build->settings) as $strain) {
        if ($strain->code === $code) {
            return $strain->severity->value;
        }
    }

    return null;
}

it('knows both sides of each limit of a drive', function (string $code, string $motion, array $changes, Closure $limit, ?string $under, ?string $over) {
    $subject = drivenWith($motion, $changes);
    [$path, $value] = $limit(DriveFigures::of($subject), $subject->build->settings);

    expect(severityOf($code, $motion, [$path => $value * (1 - 1e-5)] + $changes))->toBe($under)->and(severityOf($code, $motion, [$path => $value * (1 + 1e-5)] + $changes))->toBe($over);
})->with([
    'four fifths of what its supply gives' => ['drive.supply_current', 'lid', [], fn (DriveFigures $f): array => ['supplies.0.max_A', $f->on->starts_A / 0.8], 'tight', null],
    'all that its supply gives' => ['drive.supply_current', 'lid', [], fn (DriveFigures $f): array => ['supplies.0.max_A', $f->on->starts_A], 'fails', 'tight'],
    'the same, started softly' => ['drive.supply_current', 'lid', ['motions.0.drive.ramp_s' => 0.5], fn (DriveFigures $f): array => ['supplies.0.max_A', $f->on->starts_A * $f->peak_Nm / $f->stall_Nm / 0.8], 'tight', null],
    'the margin that is asked' => ['drive.peak_margin', 'lid', [], fn (DriveFigures $f): array => ['settings.peak_margin', $f->margin], null, 'tight'],
    'what goes through its gears' => ['drive.gearbox_limit', 'lid', [], fn (DriveFigures $f): array => ['motor.gearbox_limit_Nm', $f->through_motor_Nm], 'fails', null],
    'what it pushes with when it jams' => ['drive.jam_breaks_gears', 'lid', [], fn (DriveFigures $f): array => ['motor.gearbox_limit_Nm', $f->on->most_Nm], 'note', null],
    'a clutch a fifth above the work' => ['drive.clutch_slips', 'lid', [], fn (DriveFigures $f): array => ['motions.0.drive.clutch_Nm', 1.2 * $f->peak_Nm], 'tight', null],
    'a clutch at the work' => ['drive.clutch_slips', 'lid', [], fn (DriveFigures $f): array => ['motions.0.drive.clutch_Nm', $f->peak_Nm], 'fails', 'tight'],
    'the travel of a servo' => ['drive.servo_travel', 'jaw', [], fn (DriveFigures $f): array => ['motor.travel_deg', $f->turn_deg], 'fails', null],
    'what a motor bears for long' => ['drive.continuous', 'lid', [], fn (DriveFigures $f, Settings $settings): array => ['settings.motor_continuous_share', $settings->motor_continuous_share * $f->rms_motor_Nm / $f->bears_motor_Nm($settings->motor_continuous_share)], 'fails', null],
    'what a servo holds for long' => ['drive.holding', 'jaw', [], fn (DriveFigures $f, Settings $settings): array => ['settings.servo_continuous_share', $settings->servo_continuous_share * $f->hold_motor_Nm / $f->bears_motor_Nm($settings->servo_continuous_share)], 'fails', null],
    'the heat of holding' => ['drive.hot_holding', 'jaw', ['motions.1.mechanism.mass_kg' => 0.6], fn (DriveFigures $f): array => ['settings.ambient_C', 105.0 - $f->thermal->settles_C($f->hold_heat_W, 0.0)], null, 'fails'],
    'the heat of a cycle' => ['drive.hot_cycle', 'lid', ['motor.thermal' => 'micro', 'motions.0.task.per_day' => 30_000, 'motions.0.mechanism.mass_kg' => 0.65], fn (DriveFigures $f): array => ['settings.ambient_C', 105.0 - $f->thermal->settles_C($f->cycle_heat_W, 0.0)], null, 'fails'],
    'what gears hold, with what is kept in hand' => ['drive.lets_go', 'lid', ['motor.back_drive_Nm' => 1.0], fn (DriveFigures $f): array => ['settings.hold_margin', $f->holds_unpowered_Nm / $f->hold_Nm], null, 'tight'],
    'what gears hold at all' => ['drive.lets_go', 'lid', [], fn (DriveFigures $f): array => ['motor.back_drive_Nm', Builds::sound()->motions['lid']->drive->motor->body()->back_drive_Nm * $f->hold_Nm / $f->holds_unpowered_Nm], 'fails', 'tight'],
]);

it('says by how much it is over each limit', function () {
    $subject = drivenWith('lid', ['supplies.0.max_A' => 1.5]);
    $figures = DriveFigures::of($subject);
    $strain = array_values(array_filter(DriveRules::strains($figures, $subject->build->settings), fn (LimitViolation $each): bool => $each->code === 'drive.supply_current'))[0];

    expect($strain->share)->toBeAbout($figures->on->starts_A / 1.5, 1e-9);
});

it('takes its time, and is tight in the last tenth of it', function (?float $there, ?float $back, ?Severity $severity) {
    expect(DriveRules::time($there, $back, 2.0, new Settings(over_time_share: 0.1))?->severity)->toBe($severity);
})->with([
    [1.8, 9.0, null], [1.8001, 9.0, Severity::Tight], [2.0, 9.0, Severity::Tight], [2.0001, 9.0, Severity::Fails], [null, 1.0, Severity::Fails], [1.0, null, Severity::Fails],
]);

/** @param  array<string, mixed>  $changes  @return list<string> severities of a finding of the sound build so changed */
function foundOnce(string $code, array $changes): array
{
    $found = array_filter(Builds::found(Builds::planted($changes), $code), fn (Finding $finding): bool => str_starts_with($finding->place, 'motions.0') || $finding->place === 'log');

    return array_values(array_unique(array_map(fn (Finding $finding): string => $finding->severity->value, $found)));
}

it('pinches from 50 N on, at the end of its lever', function () {
    $stall = (new MotionFigures(Builds::sound()->motions['lid']))->stallAtLoad_Nm();
    $lever = fn (float $newtons): array => ['motions.0.mechanism.cg_m' => $stall / $newtons, 'motions.0.mechanism.mass_kg' => 0.02];

    expect(foundOnce('drive.pinches', $lever(49.9)))->toBe([])->and(foundOnce('drive.pinches', $lever(50.1)))->toBe(['note']);
});

it('is much quicker than asked under two fifths of the time', function () {
    $takes = (float) (new MotionFigures(Builds::sound()->motions['lid']))->time('shut', 'open');

    expect(foundOnce('drive.much_faster', ['motions.0.task.move_s' => $takes / 0.401]))->toBe([])->and(foundOnce('drive.much_faster', ['motions.0.task.move_s' => $takes / 0.399]))->toBe(['note']);
});

it('doubts a measurement from fifteen per cent off on, either way', function (float $share, array $found) {
    $computed = (float) (new MotionFigures(Builds::sound()->motions['lid']))->time('shut', 'open');

    expect(foundOnce('proof.differs', ['log.0.measured_s' => $computed * $share]))->toBe($found);
})->with([[1.149, []], [1.151, ['tight']], [0.851, []], [0.849, ['tight']]]);

it('is mostly inertia where more than half of its peak is', function () {
    // What speeds it up goes with the square of the time: at t it is a·t₀²/t², beside what holds it.
    $share = function (float $move_s): float {
        $figures = new MotionFigures(Builds::planted(['motions.0.task.move_s' => $move_s])->motions['lid']);

        return 1 - $figures->there()->steady_peak_Nm / $figures->peak_Nm();
    };
    [$low, $high] = [0.05, 2.5];
    for ($i = 0; $i < 30; $i++) {
        $middle = ($low + $high) / 2;
        $share($middle) > 0.5 ? $low = $middle : $high = $middle;
    }

    expect(foundOnce('load.mostly_inertia', ['motions.0.task.move_s' => $low * 0.999]))->toBe(['note'])->and(foundOnce('load.mostly_inertia', ['motions.0.task.move_s' => $high * 1.001]))->toBe([]);
});
