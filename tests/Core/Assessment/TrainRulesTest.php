<?php

declare(strict_types=1);

use Brookstone\Core\Assessment\Subject\MotionFigures;
use Brookstone\Core\Assessment\Subject\MotionInBuild;
use Brookstone\Core\Assessment\Train\TrainRules;
use Brookstone\Core\Train\Tooth;
use Tests\Support\Builds;
use Tests\Support\Said;

/** @return array<string, mixed> a stage of steel spurs */
function steel(int $driver, int $driven, float $face_mm = 20.0): array
{
    return ['type' => 'spur', 'driver' => $driver, 'driven' => $driven, 'module_mm' => 1, 'face_mm' => $face_mm, 'material' => 'steel'];
}

it('says of a train what is so on one side of a threshold, and not on the other', function (string $codes, array $planted, array $says) {
    expect(Said::atOnce($codes, $planted))->toBe($says);
})->with([
    'one mesh, and the load as the drive' => ['train.wrong', ['motions.0.task.turn' => 'same', 'motions.0.train' => [steel(20, 30)]], [
        'fails train.wrong_way at motions.0.train: It turns the wrong way: 1 mesh reverses the drive, and the load shall turn as the drive does.',
    ]],
    'one mesh, and the load against it' => ['train.wrong', ['motions.0.task.turn' => 'reversed', 'motions.0.train' => [steel(20, 30)]], []],
    'turned round itself' => ['train.wrong', ['motions.0.task.turn' => 'same', 'motions.0.drive.reversed' => true, 'motions.0.train' => [steel(20, 30)]], []],
    'turned round for nothing' => ['train.wrong', ['motions.0.task.turn' => 'reversed', 'motions.0.drive.reversed' => true, 'motions.0.train' => [steel(20, 30)]], [
        'fails train.wrong_way at motions.0.train: It turns the wrong way: 1 mesh reverses the drive, which is turned round itself, and the load shall turn against the drive.',
    ]],
    'two meshes' => ['train.wrong', ['motions.0.task.turn' => 'reversed', 'motions.0.train' => [steel(20, 30), steel(20, 30)]], [
        'fails train.wrong_way at motions.0.train: It turns the wrong way: 2 meshes reverse the drive, and the load shall turn against the drive.',
    ]],
    'none' => ['train.wrong', ['motions.1.task.turn' => 'reversed'], [
        'fails train.wrong_way at motions.1.train: It turns the wrong way: no mesh reverses the drive, and the load shall turn against the drive.',
    ]],
    'whichever way' => ['train.wrong', ['motions.0.task.turn' => 'any', 'motions.0.train' => [steel(20, 30)]], []],
    'nothing turns it yet' => ['train.wrong', ['motions.0.task.turn' => 'reversed', 'motions.0.drive' => null], []],
    'a thousand moves a day' => ['train.wears', ['motions.0.task.per_day' => 1000, 'motions.0.train' => [steel(20, 30)]], [
        'note train.wears_unevenly at motions.0.train.0.driven: 20 and 30 teeth have 10 in common: the same few pairs keep meeting. One tooth more or less spreads the wear.',
    ]],
    'fewer' => ['train.wears', ['motions.0.task.per_day' => 999, 'motions.0.train' => [steel(20, 30)]], []],
    'teeth that have nothing in common' => ['train.wears', ['motions.0.task.per_day' => 1000, 'motions.0.train' => [steel(19, 30)]], []],
    // Stalled 3.67 N·m × 2 × 0.95 at the wheel are half of that at the pinion of 6 mm: 581 N; ÷ (15.8 mm × 1 mm × 0.245), Lewis.
    'teeth of 15.8 mm' => ['train.tooth', ['motions.0.train' => [steel(12, 24, 15.8)]], [
        'note train.tooth_stall at motions.0.train.0.material: When its drive stalls a tooth of stage 1 in mild steel is stressed to 150.2 MPa at its root; the limit is 150 MPa.',
    ]],
    'of 16 mm' => ['train.tooth', ['motions.0.train' => [steel(12, 24, 16.0)]], []],
    'of 2 mm' => ['train.tooth', ['motions.0.train' => [steel(12, 24, 2.0)]], [
        'fails train.tooth_running at motions.0.train.0.material: At the worst instant of the move a tooth of stage 1 in mild steel is stressed to 164 MPa at its root; the limit is 150 MPa.',
    ]],
    'of 2.7 mm: only stalled is it too much' => ['train.tooth', ['motions.0.train' => [steel(12, 24, 2.7)]], [
        'note train.tooth_stall at motions.0.train.0.material: When its drive stalls a tooth of stage 1 in mild steel is stressed to 879 MPa at its root; the limit is 150 MPa.',
    ]],
    'bumped' => ['train.tooth', ['motions.0.task.knocked' => true, 'motions.0.train' => [steel(20, 24, 16.0)]], [
        'fails train.tooth_knock at motions.0.train.0.material: When it is bumped a tooth of stage 1 in mild steel is stressed to 165 MPa at its root; the limit is 150 MPa.',
    ]],
    'never bumped' => ['train.tooth', ['motions.0.task.knocked' => false, 'motions.0.train' => [steel(20, 24, 16.0)]], []],
    'a belt has no teeth that break' => ['train.tooth', ['motions.0.train' => [['type' => 'belt', 'driver' => 12, 'driven' => 24]]], []],
]);

it('loads each tooth with what comes through its train', function () {
    $build = Builds::planted(['motions.0.train' => [steel(12, 24, 8.0), steel(16, 24, 8.0)]]);
    $motion = $build->motions['lid'];
    $figures = new MotionFigures($motion);
    $stresses = TrainRules::stresses(new MotionInBuild($build, $motion, $figures));
    $tooth = fn (int $teeth, float $atPinion_Nm): float => (new Tooth($teeth, 1.0, 8.0, $atPinion_Nm, 1.0))->stress_MPa;
    $stall = $motion->drive?->line()->stall_Nm ?? NAN;

    // The last stage carries the load itself, the first that over the ratio and what the last loses; stalled, what the motor makes with what each loses.
    expect($stresses[1]['running'])->toBeAbout($tooth(16, $figures->peak_Nm() * 16 / 24), 1e-9)
        ->and($stresses[0]['running'])->toBeAbout($tooth(12, $figures->peak_Nm() / 1.5 / 0.95 * 12 / 24), 1e-9)
        ->and($stresses[0]['stall'])->toBeAbout($tooth(12, $stall * 2 * 0.95 * 12 / 24), 1e-9)
        ->and($stresses[1]['stall'])->toBeAbout($tooth(16, $stall * 3 * 0.95 ** 2 * 16 / 24), 1e-9)
        ->and($stresses[1]['knock'] / $stresses[0]['knock'])->toBeAbout($tooth(16, 3.0 * 16 / 24) / $tooth(12, 2.0 * 12 / 24), 1e-9);
});

it('offers the first material that bears it, and wider teeth up to twice as wide', function (float $face_mm, array $offers) {
    $found = Builds::found(Builds::planted(['motions.0.train' => [['material' => 'acetal'] + steel(20, 30, $face_mm)]]), 'train.tooth_stall');

    expect(array_map(fn ($fix): string => $fix->does->text(), $found[0]->fixes))->toBe($offers);
})->with([
    // 3.67 N·m × 0.95 ÷ 10 mm ÷ (1 mm × 0.341): 1024 N/mm of face
    [20.0, ['Take brass for stage 1: its limit is 80 MPa', 'Make its teeth 35 mm wide']],
    [17.0, ['Take brass for stage 1: its limit is 80 MPa']],
    [12.0, ['Take mild steel for stage 1: its limit is 150 MPa']],
]);
