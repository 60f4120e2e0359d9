<?php

declare(strict_types=1);

use Brookstone\Core\Assessment\Subject\DriveFigures;
use Brookstone\Core\Assessment\Subject\MotionFigures;
use Brookstone\Core\Assessment\Subject\MotionInBuild;
use Tests\Support\Builds;

/** @param  array<string, mixed>  $planted */
function numbersOf(string $motion, array $planted = []): DriveFigures
{
    $build = Builds::planted($planted);

    return DriveFigures::of(new MotionInBuild($build, $build->motions[$motion], new MotionFigures($build->motions[$motion])));
}

const GEARED = ['motions.0.train' => [['type' => 'spur', 'driver' => 20, 'driven' => 60]]];

it('sees through a train what its motor sees', function (array $planted, float $ratio, float $efficiency) {
    $f = numbersOf('lid', $planted);
    $facts = new MotionFigures(Builds::planted($planted)->motions['lid']);

    expect($f->through_motor_Nm)->toBeAbout($facts->peak_Nm() / $ratio / $efficiency, 1e-9)->and($f->rms_motor_Nm)->toBeAbout($facts->rms_Nm() / $ratio / $efficiency, 1e-9)
        ->and($f->hold_motor_Nm)->toBeAbout($facts->hold_Nm() / $ratio, 1e-9)->and($f->turn_deg)->toBeAbout(70.0 * $ratio, 1e-9)
        ->and($f->atMotor_kgm2())->toBeAbout($facts->inertia_kgm2() / $ratio ** 2, 1e-9)->and($f->margin)->toBeAbout($facts->stallAtLoad_Nm() / $facts->peak_Nm(), 1e-9)
        ->and($f->startsWith_Nm(0.5))->toBeAbout($facts->peak_Nm() / $ratio / $efficiency + $facts->inertia_kgm2() / $ratio * $facts->fastest_rad_s() / 0.5, 1e-9);
})->with(['straight' => [[], 1.0, 1.0], 'geared' => [GEARED, 3.0, 0.95]]);

it('sees no more through its gears than the motor can make', function () {
    $f = numbersOf('lid', ['motions.0.mechanism.mass_kg' => 9.0]);

    expect($f->margin)->toBeLessThan(1.0)->and($f->through_motor_Nm)->toBe($f->on->most_Nm);
});

it('turns as far as its farthest place, though its task is only a part of that', function () {
    expect(numbersOf('lid', ['motions.0.places.2' => ['id' => 'wide', 'name' => 'Wide', 'at' => 74]])->turn_deg)->toBeAbout(74.0, 1e-9)
        ->and(numbersOf('lid', ['motions.0.places.2' => ['id' => 'half', 'name' => 'Half', 'at' => 30]])->turn_deg)->toBeAbout(70.0, 1e-9);
});

describe('a day', function () {
    it('is moved in as often as its task says, and rested in', function (float $per_day, float $move_s, float $share) {
        $f = numbersOf('lid', ['motions.0.task.per_day' => $per_day, 'motions.0.task.move_s' => $move_s]);
        $moving_A = $f->line->currentAt($f->rms_motor_Nm);

        expect($f->move_heat_W)->toBeAbout($moving_A ** 2 * $f->on->resistance_ohm, 1e-9)->and($f->cycle_heat_W)->toBeAbout($share * $f->move_heat_W, 1e-9) // a worm holds for nothing
            ->and($f->mean_A)->toBeAbout($share * $moving_A, 1e-9)->and($f->charge_Ah_day())->toBeAbout(24 * $share * $moving_A, 1e-9)->and($f->hold_heat_W)->toBe(0.0);
    })->with([[100.0, 2.5, 500 / 86400], [4000.0, 2.5, 20000 / 86400], [40000.0, 2.5, 1.0]]);

    it('is held through by a servo, unless its power is cut', function () {
        $f = numbersOf('jaw', ['motions.1.task.per_day' => 1000]);
        $holds_A = $f->drive->motor->holdCurrent_A($f->hold_Nm, 6.0);
        $moves = 2 * 0.3 * 1000 / 86400;
        $gated = $f->gated();

        expect($f->hold_heat_W)->toBeAbout($holds_A ** 2 * $f->on->resistance_ohm, 1e-9)->and($f->mean_A)->toBeAbout($moves * $f->line->currentAt($f->rms_motor_Nm) + (1 - $moves) * $holds_A, 1e-9)
            ->and($f->cycle_heat_W)->toBeAbout($moves * $f->move_heat_W + (1 - $moves) * $f->hold_heat_W, 1e-9)
            ->and($gated->mean_A)->toBeAbout($moves * $f->line->currentAt($f->rms_motor_Nm), 1e-9)->and($gated->hold_heat_W)->toBe(0.0)->and($gated->drive->gated)->toBeTrue()
            ->and($gated->peak_Nm)->toBe($f->peak_Nm)->and($gated->rms_motor_Nm)->toBeAbout($f->rms_motor_Nm, 1e-12);
    });

    it('is all the same to a stepper: its current flows whether it moves or not', function () {
        $f = numbersOf('lift', ['motions.2.drive.motor' => Builds::motor('P57-56')]);
        $moves = 2 * 4.0 * $f->task->per_day / 86400;
        $works_A = numbersOf('lift', ['motions.2.drive.motor' => Builds::motor('P57-56')])->rms_motor_Nm * 10.0 / 4.0 / 12.0; // 0.1 m on a drum of 10 mm in 4 s from 12 V

        expect($f->move_heat_W)->toBe($f->on->always_W)->and($f->hold_heat_W)->toBe($f->on->always_W)->and($f->cycle_heat_W)->toBeAbout($f->on->always_W, 1e-9)
            ->and($f->mean_A)->toBeAbout($moves * ($f->on->always_A + $works_A) * $f->on->share + (1 - $moves) * $f->on->always_A, 1e-9);
    });
});

describe('a bump', function () {
    it('stops it dead: the push of the motor, and its motion into the spring of its gears', function (array $planted, float $ratio) {
        $f = numbersOf('lid', $planted);
        $spring = 1 / (1 / ($f->on->gear_stiffness_Nm_rad * $ratio ** 2) + $f->on->give_rad_Nm);
        $push = $f->on->most_Nm * $ratio;
        // T = Td + √(Td² + k J ω²)
        expect($f->knock_motor_Nm)->toBeAbout(($push + sqrt($push ** 2 + $spring * $f->inertia_kgm2 * $f->fastest_rad_s ** 2)) / $ratio, 1e-6);
    })->with(['straight' => [[], 1.0], 'geared' => [GEARED, 3.0], 'through a soft coupling' => [['motions.0.drive.soft_Nm_per_deg' => 0.1], 1.0]]);

    it('goes no further than a clutch lets it', function () {
        expect(numbersOf('lid', ['motions.0.drive.clutch_Nm' => 0.7] + GEARED)->knock_motor_Nm)->toBeAbout(0.7 / 3, 1e-9);
    });

    it('is survived up to what its gears bear', function () {
        $limit = numbersOf('lid')->gear_limit_motor_Nm; // what a clutch lets through is what they see
        $with = fn (float $clutch): bool => numbersOf('lid', ['motions.0.drive.clutch_Nm' => $clutch])->survivesABump();

        expect(numbersOf('lid')->knock_motor_Nm)->toBeGreaterThan($limit)->and($with($limit * 0.999))->toBeTrue()->and($with($limit * 1.001))->toBeFalse();
    });

    it('is gentler where it gets no faster', function () {
        $f = numbersOf('lid');
        $slow = $f->atMost($f->fastest_rad_s / 2);

        expect($slow->fastest_rad_s)->toBe($f->fastest_rad_s / 2)->and($slow->knock_motor_Nm)->toBeLessThan($f->knock_motor_Nm)->and($slow->peak_Nm)->toBe($f->peak_Nm)
            ->and($slow->mean_A)->toBeAbout($f->mean_A, 1e-12)->and($slow->hold_motor_Nm)->toBe($f->hold_motor_Nm);
    });
});

it('bears at rest a share of what it makes', function () {
    $f = numbersOf('lid');

    expect($f->bears_motor_Nm(0.3))->toBeAbout($f->thermal->keepsUp(0.3) * $f->on->most_Nm, 1e-12)->and($f->bears_motor_Nm(0.3))->toBeAbout(1.1016, 1e-3);
});
