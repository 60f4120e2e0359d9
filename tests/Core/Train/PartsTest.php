<?php

declare(strict_types=1);

use Brookstone\Core\Assessment\Subject\MotionFigures;
use Brookstone\Core\Assessment\Subject\MotionInBuild;
use Brookstone\Core\Assessment\Train\PlayTaken;
use Brookstone\Core\Error\InvalidInput;
use Brookstone\Core\Train\RoundBelt;
use Brookstone\Core\Train\Stages;
use Brookstone\Core\Train\Train;
use Brookstone\Core\Train\WormPair;
use Tests\Support\Builds;

/** @param  array<string, mixed>  ...$stages */
function trainOf(array ...$stages): Train
{
    $errors = new Brookstone\Core\Shape\ErrorList;
    $read = Stages::shape(0, 12, 1000)->read($stages, 'stages', $errors);
    $errors->throwIfAny();

    return Stages::make(Stages::complete($read));
}

it('takes the efficiency of a worm from its lead and friction, both ways', function () {
    $pair = new WormPair(1.0, 10.0, 2, 30, 0.1);
    $train = trainOf(['type' => 'worm', 'driver' => 2, 'driven' => 30, 'friction' => 0.1, 'efficiency' => 0.9]);

    expect($train->efficiency())->toEqualWithDelta($pair->efficiency, 1e-6)
        ->and($train->backEfficiency())->toEqualWithDelta($pair->back_efficiency, 1e-12)
        // Believed figures stay as they are: 2 − 1/η.
        ->and(trainOf(['type' => 'worm', 'driver' => 2, 'driven' => 30, 'efficiency' => 0.8])->backEfficiency())->toEqualWithDelta(2 - 1 / 0.8, 1e-12);
});

it('locks surely from the thickness on that it names, and not before', function (int $starts, float $friction) {
    $pair = new WormPair(1.0, 10.0, $starts, 30, $friction);
    $from = $pair->surelyFrom();

    expect((new WormPair(1.0, $from * 1.001, $starts, 30, $friction))->locks_surely)->toBeTrue()
        ->and((new WormPair(1.0, $from * 0.999, $starts, 30, $friction))->locks_surely)->toBeFalse();
})->with([[1, 0.08], [1, 0.15], [2, 0.12], [4, 0.2]]);

it('turns rack, lead screw and pawl one to one, and says how far they slide', function () {
    $rack = trainOf(['type' => 'rack', 'driver' => 16, 'driven' => 99, 'module_mm' => 1.0]);
    $screw = trainOf(['type' => 'screw', 'driver' => 2, 'driven' => 1, 'module_mm' => 1 / M_PI]); // a pitch of 1 mm, two starts

    expect($rack->ratio())->toBe(1.0)->and($rack->stages[0]->slides_m() * 2 * M_PI)->toEqualWithDelta(M_PI * 0.016, 1e-12)
        ->and($screw->stages[0]->slides_m() * 2 * M_PI)->toEqualWithDelta(0.002, 1e-12)
        ->and(trainOf(['type' => 'pawl', 'driver' => 24, 'driven' => 1])->stages[0]->slides_m())->toBeNull()
        ->and(trainOf(['type' => 'crown', 'driver' => 12, 'driven' => 36])->direction())->toBe(-1);
});

it('lets a rack push only what slides, and only at the end', function () {
    $rack = ['type' => 'rack', 'driver' => 16, 'driven' => 16];
    $slide = ['kind' => 'slide', 'mass_kg' => 0.4, 'pulley_radius_m' => 0.008];
    $wrong = fn (array $values): string => rescueField(fn () => Builds::planted($values));

    expect($wrong(['motions.0.train' => [$rack]]))->toBe('motions.0.train.0.type')
        ->and($wrong(['motions.2.mechanism' => $slide,
            'motions.2.train' => [$rack, ['type' => 'spur', 'driver' => 12, 'driven' => 24]]]))->toBe('motions.2.train.0.type')
        ->and(Builds::planted(['motions.2.mechanism' => $slide, 'motions.2.train' => [$rack]])->motions['lift']->train->ratio())->toBe(1.0);
});

function rescueField(Closure $does): string
{
    try {
        $does();
    } catch (InvalidInput $refused) {
        return $refused->errors[0]['field'];
    }

    return 'nothing was refused';
}

it('carries with a round belt what its wrap and pull allow', function () {
    // Sides pulled so that T1/T2 is at the limit e^(μφ) while T1 + T2 stays twice the pull at rest.
    foreach ([[10.0, 180.0], [25.0, 140.0], [4.0, 210.0]] as [$tension, $wrap]) {
        $belt = new RoundBelt($tension, $wrap);
        [$tight, $slack] = [$tension + $belt->carries_N / 2, $tension - $belt->carries_N / 2];
        expect($tight / $slack)->toEqualWithDelta(exp(RoundBelt::IN_GROOVE * deg2rad($wrap)), 1e-9)
            ->and((new RoundBelt($belt->tensionFor_N(7.0), $wrap))->carries_N)->toEqualWithDelta(7.0, 1e-9);
    }
});

it('finds the spring that presses one way all the way, and no weaker one does', function (float $counterbalance) {
    $build = Builds::planted(['motions.0.mechanism.counterbalance_Nm' => $counterbalance,
        'motions.0.train' => [['type' => 'spur', 'driver' => 20, 'driven' => 30, 'backlash_mm' => 0.2]]]);
    $of = fn ($build): PlayTaken => PlayTaken::of(new MotionInBuild($build, $build->motions['lid'], new MotionFigures($build->motions['lid'])));
    $taken = $of($build);
    $sprung = Builds::mended($build, $taken->fixes()[0]);
    $half = Builds::planted([
        'motions.0.mechanism.counterbalance_Nm' => $counterbalance,
        'motions.0.segments' => [['name' => 'weak spring', 'from' => 0, 'to' => 70, 'load_Nm' => $taken->spring_Nm / 2]],
    ]);

    expect($taken->byItself)->toBe(0)
        ->and($of($sprung)->byItself)->toBe($taken->spring_Nm > 0 ? 1 : -1)
        ->and($of($half)->byItself)->toBe(0)
        ->and($of($sprung)->worst_Nm)->toEqualWithDelta($taken->then_Nm, 1e-9);
})->with([0.353, 0.34, 0.36]);
