<?php

declare(strict_types=1);

use Brookstone\Core\Assessment\Sheet\TrainSheet;
use Brookstone\Core\Assessment\Subject\MotionFigures;
use Brookstone\Core\Assessment\Subject\MotionInBuild;
use Tests\Support\Builds;

/** @param  array<string, mixed>  $planted  @return array<string, mixed> */
function trainSheetOf(array $planted): array
{
    $build = Builds::planted($planted);

    return TrainSheet::of(new MotionInBuild($build, $build->motions['lid'], new MotionFigures($build->motions['lid'])));
}

/** @return array<string, string> */
function trainRowsOf(array $planted): array
{
    return array_map(fn ($says): string => $says->text(), array_column(trainSheetOf($planted)['rows'], 'says', 'name'));
}

/** @return array<string, mixed> a stage of brass spurs with a tenth of a millimetre of play */
function brass(int $driver, int $driven, array $more = []): array
{
    return $more + ['type' => 'spur', 'driver' => $driver, 'driven' => $driven, 'module_mm' => 1, 'face_mm' => 8, 'material' => 'brass', 'backlash_mm' => 0.1];
}

/** @return array<string, mixed> to plant: one stage and where its shafts stand */
function laidAt(array $stage, float $apart_mm, ?float $grid_mm = null): array
{
    return ['motions.0.train' => [$stage], 'motions.0.layout' => ['grid_mm' => $grid_mm, 'shafts' => [['x_mm' => 10, 'y_mm' => 10], ['x_mm' => 10 + $apart_mm, 'y_mm' => 10]], 'planes' => [0]]];
}

const STRAIGHT = 'its load presses one way all the way: the play does not show at rest';

describe('the rows of a train', function () {
    it('are of nothing where nothing is between', function () {
        expect(trainRowsOf([]))->toBe(['Turns' => 'as the drive does', 'Passes' => '100% of the power', 'Play at the load' => '0°']);
    });

    it('say where slop, stress and power go', function () {
        // 0.1 mm at 30 mm, halved by what comes after it, and at 15 mm; 95 % of 95 %
        expect(trainRowsOf(['motions.0.train' => [brass(20, 60), brass(15, 30)]]))->toBe([
            'Turns' => 'as the drive does', 'Passes' => '90.3% of the power', 'Play at the load' => '0.477°', 'Slop shows' => STRAIGHT,
            'Stage 1' => 'adds 0.0955° of play; its teeth are stressed to 34.8 MPa in the move, 128 MPa stalled, 329 MPa knocked; the limit is 80 MPa',
            'Stage 2' => 'adds 0.382° of play; its teeth are stressed to 154 MPa in the move, 566 MPa stalled, 1530 MPa knocked; the limit is 80 MPa',
        ]);
    });

    it('count the play where the shafts stand too far apart', function () {
        $loose = trainRowsOf(laidAt(brass(20, 30), 25.2));
        expect($loose['Play at the load'])->toBe('0.959°')->and($loose['Stage 1'])->toStartWith('adds 0.959° of play')
            ->and(trainRowsOf(laidAt(brass(20, 30), 25.0))['Play at the load'])->toBe('0.382°'); // 0.1 mm at 15 mm
    });

    it('turn with meshes and wires', function (array $planted, string $turns) {
        expect(trainRowsOf($planted)['Turns'])->toBe($turns);
    })->with([
        [['motions.0.train' => [brass(20, 60)]], 'against the drive'],
        [['motions.0.train' => [brass(20, 60)], 'motions.0.drive.reversed' => true], 'as the drive does'],
        [['motions.0.drive.reversed' => true], 'against the drive'],
        [['motions.0.train' => [brass(20, 60)], 'motions.0.drive' => null], 'against the drive'],
    ]);

    it('know no stress without a drive', function () {
        expect(trainRowsOf(['motions.0.train' => [brass(20, 60)], 'motions.0.drive' => null])['Stage 1'])->toBe('adds 0.191° of play');
    });

    it('say how long a belt is, what holds it and how tight it sits', function () {
        // Two wheels of 10 and 20 mm, 100 mm apart: √(100² − 10²) = 99.5 mm free; π·30 + 200 + 10²/100; 20 of 40 teeth would be half way round
        expect(trainRowsOf(laidAt(['type' => 'belt', 'driver' => 20, 'driven' => 40], 100))['Stage 1'])
            ->toBe('takes one of 295 mm, 94 teeth; 9.36 of the smaller wheel hold it, 99.5 mm lies free on each side, and each side wants 275 N at rest')
            ->and(trainRowsOf(laidAt(['type' => 'round', 'driver' => 20, 'driven' => 40, 'tension_N' => 20], 100))['Stage 1'])
            ->toBe('takes a round belt of 295 mm when stretched; it lies around the smaller pulley by 169° and carries 34.7 N before it slips');
    });

    it('say the lead of a worm: starts over its quotient', function (array $stage, string $says) {
        expect(trainRowsOf(['motions.0.train' => [['type' => 'worm', 'driven' => 30] + $stage]])['Stage 1'])->toBe($says);
    })->with([[['driver' => 1], 'adds 0° of play; its lead is 5.71°'], [['driver' => 3], 'adds 0° of play; its lead is 16.7°']]);
});

describe('the shafts of a train', function () {
    it('turn slower and stronger from one to the next', function () {
        $shafts = trainSheetOf(['motions.0.train' => [brass(20, 60), brass(15, 30)]])['shafts'];
        expect(array_column($shafts, 'rpm'))->toEqualWithDelta([15.0, 5.0, 2.5], 1e-9)
            ->and(array_column($shafts, 'torque_Nm'))->toEqualWithDelta([3.672, 3.672 * 3 * 0.95, 3.672 * 6 * 0.9025], 1e-9)
            ->and(array_column($shafts, 'turns'))->toEqualWithDelta([6.0, -2.0, 1.0], 1e-9)->and(array_column($shafts, 'way'))->toBe([1, -1, 1])
            ->and(array_column(trainSheetOf(['motions.0.train' => [brass(20, 60)], 'motions.0.drive.reversed' => true])['shafts'], 'way'))->toBe([-1, 1])
            ->and(array_column(trainSheetOf(['motions.0.train' => [brass(20, 60)], 'motions.0.drive' => null])['shafts'], 'torque_Nm'))->toEqual([0.0, 0.0]);
    });

    it('stand where they were laid, with their wheels', function () {
        $sheet = trainSheetOf(laidAt(brass(20, 30), 25.2));
        expect(array_column($sheet['shafts'], 'x_mm'))->toEqual([10, 35.2])
            ->and(array_column($sheet['wheels'], 'teeth'))->toBe([20, 30])->and(array_column($sheet['wheels'], 'pitch_mm'))->toEqual([10, 15])
            ->and(array_column($sheet['wheels'], 'outside_mm'))->toEqual([11, 16])->and(array_column($sheet['wheels'], 'driver'))->toBe([true, false])
            ->and($sheet['meetings'][0]['fit'])->toBe('loose')->and($sheet['meetings'][0]['off_mm'])->toBeAbout(0.2, 1e-9)
            ->and(trainSheetOf(['motions.0.train' => [brass(20, 30)]])['wheels'])->toBe([]);
    });

    it('are offered a layout where they have none, or are told why there is none', function () {
        $two = trainSheetOf(['motions.0.train' => [brass(20, 60), brass(15, 30)]]);
        expect(trainSheetOf(['motions.0.train' => [brass(20, 60)]])['lay_out']?->does->text())->toBe('Lay it out anew: every pair meshes and nothing is in the way')
            ->and(trainSheetOf(laidAt(brass(20, 30), 25.0))['lay_out'])->toBeNull()->and(trainSheetOf([])['lay_out'])->toBeNull()
            ->and($two['lay_out'])->toBeNull()->and($two['why_not'])->toBe('No two holes stand 22.5 mm apart for stage 2 of 15 and 30 teeth: the nearest are 0.13 mm too far.');
    });

    it('are not where they were laid out for another number of stages', function () {
        expect(trainSheetOf(['motions.0.train' => [brass(20, 30), brass(20, 30)]] + laidAt(brass(20, 30), 25))['wheels'])->toBe([]);
    });
});

it('shows every hole within a module of where two wheels mesh, and no other', function () {
    $holes = trainSheetOf(laidAt(brass(20, 30), 25.0, 5.0))['holes'];
    $should = [];
    for ($x = -40.0; $x <= 40.0; $x += 2.5) {
        for ($y = -40.0; $y <= 40.0; $y += 2.5) {
            if (abs(hypot($x, $y) - 25.0) <= 1.0) {
                $should[] = [$x, $y];
            }
        }
    }
    $shown = fn (array $of, float $x0): array => array_map(fn (array $hole): array => [$hole['x_mm'] - $x0, $hole['y_mm'] - 10.0], $of);

    expect(count($should))->toBeGreaterThan(20)->and($shown($holes[1], 10.0))->toEqualCanonicalizing($should)->and($shown($holes[0], 35.0))->toEqualCanonicalizing($should);
    foreach ($holes[1] as $hole) {
        $off = hypot($hole['x_mm'] - 10.0, $hole['y_mm'] - 10.0) - 25.0;
        expect($hole['fit'])->toBe(match (true) {
            abs($off) < 1e-9 => 'fits',
            $off < 0.0 => 'binds',
            default => $off < 0.6 ? 'loose' : 'apart', // under one pair of teeth touches there
        });
    }
    expect(trainSheetOf(laidAt(brass(20, 30), 25.0))['holes'])->toBe([[], []]);
});

describe('the ratio that would do', function () {
    it('is as much less as there is margin in hand, and a twentieth more to ask for', function (array $planted) {
        $sheet = trainSheetOf($planted);
        $build = Builds::planted($planted);
        $ratio = $build->motions['lid']->train->ratio();
        $least = $ratio * 1.5 / (new MotionFigures($build->motions['lid']))->margin();
        expect($sheet['at_least'])->toBeAbout($least, 1e-9)->and($sheet['ask_for'])->toBeAbout(max($ratio, 1.05 * $least), 1e-9);
    })->with([[[]], [['motions.0.train' => [brass(20, 60)]]], [['motions.0.train' => [['type' => 'worm', 'driver' => 1, 'driven' => 30]]]], [['motions.0.mechanism.mass_kg' => 3.0]]]);

    it('is no more than its speed allows against the load', function (float $margin, float $move_s) {
        // 15 rpm; with that margin it keeps 1 − ½ ÷ margin of its speed
        expect(trainSheetOf(['settings.peak_margin' => $margin, 'motions.0.task.move_s' => $move_s])['at_most'])
            ->toBeAbout(M_PI / 2 * (1 - 0.5 / $margin) * $move_s / deg2rad(70), 1e-9);
    })->with([[1.5, 2.5], [2.0, 2.5], [1.5, 1.0]]);

    it('is not known without a drive', function () {
        $sheet = trainSheetOf(['motions.0.drive' => null]);
        expect($sheet['at_least'])->toBeNull()->and($sheet['at_most'])->toBeNull()->and($sheet['ask_for'])->toEqual(1.0);
    });
});
