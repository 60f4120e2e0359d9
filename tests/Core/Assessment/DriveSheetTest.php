<?php

declare(strict_types=1);

use Brookstone\Core\Assessment\Sheet\DriveSheet;
use Brookstone\Core\Assessment\Subject\DriveFigures;
use Brookstone\Core\Assessment\Subject\MotionFigures;
use Brookstone\Core\Assessment\Subject\MotionInBuild;
use Brookstone\Core\Build\Build;
use Brookstone\Core\Drive\AirCylinder;
use Brookstone\Core\Train\Stage;
use Brookstone\Core\Train\StageType;
use Brookstone\Core\Train\Train;
use Tests\Support\Builds;

/** @param  array<string, mixed>  $planted  @return array<string, mixed>|null */
function sheetOfDrive(string $motion, array $planted = []): ?array
{
    $build = Builds::planted($planted);

    return DriveSheet::of(new MotionInBuild($build, $build->motions[$motion], new MotionFigures($build->motions[$motion])));
}

it('says of a drive what is worth knowing, whether anything is wrong or not', function (string $motion, array $planted, float $stall_Nm, array $rows) {
    $sheet = sheetOfDrive($motion, $planted);

    expect(array_map(fn ($says): string => $says->text(), array_column($sheet['rows'] ?? [], 'says', 'name')))->toBe($rows)->and($sheet['stall_Nm'] ?? NAN)->toBeAbout($stall_Nm, 1e-6);
})->with([
    'a worm motor' => ['lid', [], 3.672, [
        'Over the day' => 'its winding settles at 25 °C of 105 °C', 'Stalled' => 'overheats after 56.6 s', 'At rest, powered' => '0 A from the supply',
        'At rest, unpowered' => 'holds 4.4 N·m, the load pulls 0.353 N·m', 'In a day' => '43.1 mAh for 100 times there and back',
        'Stopped dead' => '0.222 J put 8.99 N·m through gears that survive 4 N·m',
    ]],
    'geared, with a clutch: 2 · 0.95, and the clutch through the gears' => ['lid', ['motions.0.drive.clutch_Nm' => 0.7, 'motions.0.train' => [['type' => 'spur', 'driver' => 20, 'driven' => 40]]], 6.9768, [
        'Over the day' => 'its winding settles at 25 °C of 105 °C', 'Stalled' => 'overheats after 56.6 s', 'At rest, powered' => '0 A from the supply',
        'At rest, unpowered' => 'holds 9.29 N·m, the load pulls 0.353 N·m', 'In a day' => '41.6 mAh for 100 times there and back',
        'Stopped dead' => '0.218 J put 0.35 N·m through gears that survive 4 N·m',
    ]],
    'a servo' => ['jaw', [], 0.39, [
        'Over the day' => 'its winding settles at 26.1 °C of 105 °C', 'Stalled' => 'overheats after 68.6 s', 'At rest, powered' => '0.0862 A from the supply',
        'At rest, unpowered' => 'holds 0.045 N·m, the load pulls 0.0304 N·m', 'In a day' => '2.07 Ah; 1.33 mAh with its power cut between moves',
        'Stopped dead' => '0.00386 J put 0.801 N·m through gears that survive 0.55 N·m',
    ]],
    'a servo whose power is cut' => ['jaw', ['motions.1.drive.gated' => true], 0.39, [
        'Over the day' => 'its winding settles at 25 °C of 105 °C', 'Stalled' => 'overheats after 68.6 s', 'At rest, powered' => 'no current: its power is cut',
        'At rest, unpowered' => 'holds 0.045 N·m, the load pulls 0.0304 N·m', 'In a day' => '1.33 mAh for 100 times there and back',
        'Stopped dead' => '0.00386 J put 0.801 N·m through gears that survive 0.55 N·m',
    ]],
    'a stepper, which is as warm at rest' => ['lift', ['motions.2.drive.motor' => Builds::motor('P57-56')], 0.84, [
        'Over the day' => 'its winding settles at 101 °C of 105 °C', 'Stalled' => 'it stays under 105 °C forever', 'At rest, powered' => '0.789 A from the supply',
        'At rest, unpowered' => 'holds 0.04 N·m, the load pulls 0.0588 N·m', 'In a day' => '18.9 Ah for 100 times there and back',
        'Stopped dead' => '0.000633 J put 1.74 N·m through gears that survive 9.6 N·m',
    ]],
]);

it('says how long a battery lasts for it alone, where no routine says how often it moves', function () {
    $rows = fn (array $planted): array => array_map(fn ($says): string => $says->text(), array_column(sheetOfDrive('jaw', ['supplies.1.capacity_Ah' => 4.14] + $planted)['rows'], 'says', 'name'));

    expect($rows(['routines' => []])['The battery'])->toBe('lasts 2 days for this motion')->and($rows([]))->not->toHaveKey('The battery');
});

it('warms its winding from cold: 1 − e^(−t/τ) of what it settles at, over four time constants', function (string $motion, array $planted) {
    $build = Builds::planted($planted);
    $f = DriveFigures::of(new MotionInBuild($build, $build->motions[$motion], new MotionFigures($build->motions[$motion])));
    $heat = sheetOfDrive($motion, $planted)['heat'];
    $tau = $f->thermal->time_constant_s();

    expect($heat['times_s'])->toHaveCount(61)->and($heat['limit_C'])->toBe($f->thermal->limit_C());
    foreach ($heat['times_s'] as $i => $time) {
        $share = 1 - exp(-$time / $tau);
        expect($time)->toBeAbout(4 * $tau * ($i / 60) ** 2, 1e-9)
            ->and($heat['running_C'][$i])->toEqualWithDelta(25 + $share * ($f->thermal->settles_C($f->cycle_heat_W, 25.0) - 25), 0.006)
            ->and($heat['held_C'][$i])->toEqualWithDelta(25 + $share * ($f->thermal->settles_C($f->drive->heldHeat_W(), 25.0) - 25), 0.006);
    }
})->with([['lid', []], ['jaw', []], ['lid', ['motions.0.task.per_day' => 10000]]]);

it('has none where there is no drive', function () {
    expect(sheetOfDrive('lid', ['motions.0.drive' => null]))->toBeNull();
});

it('says of a cylinder what air it needs, takes, and what it comes to its end with', function () {
    $build = Build::fromJson((string) file_get_contents(__DIR__.'/../../../database/examples/crate-imp.brookstone.json'));
    $motion = array_values(array_filter($build->motions, fn ($motion): bool => $motion->drive?->motor instanceof AirCylinder))[0];
    $subject = new MotionInBuild($build, $motion, new MotionFigures($motion));
    $f = DriveFigures::of($subject);
    $geared = new MotionInBuild($build, $motion->withTrain(new Train([new Stage(StageType::Spur, 20, 30)])), new MotionFigures($motion->withTrain(new Train([new Stage(StageType::Spur, 20, 30)]))));
    $g = DriveFigures::of($geared);
    $rows = fn (MotionInBuild $of): array => array_column(DriveSheet::of($of)['rows'], 'says', 'name');
    $cylinder = $f->drive->motor;
    assert($cylinder instanceof AirCylinder);
    $stroke_m = deg2rad($f->turn_deg) * $cylinder->lever_m;

    expect($rows($subject)['Pushes with']->values['least']->si)->toBeAbout($cylinder->needs_bar($f->peak_Nm / $cylinder->lever_m) * 1e5, 1e-6)
        ->and($rows($geared)['Pushes with']->values['least']->si)->toBeAbout($cylinder->needs_bar($g->peak_Nm / 1.5 / 0.95 / $cylinder->lever_m) * 1e5, 1e-6)
        ->and($rows($subject)['Its stroke']->values['goes']->si)->toBeAbout($stroke_m, 1e-9)
        ->and($rows($subject)['Air there and back']->values['air']->si)->toBeAbout(2 * $stroke_m * $cylinder->air_l_m() / 1000, 1e-9)
        ->and($rows($subject)['Comes to its end']->values['energy']->si)->toBeAbout(0.5 * $f->inertia_kgm2 * $f->fastest_rad_s ** 2, 1e-9)
        ->and(DriveSheet::of($subject)['heat'])->toBeNull();
});
