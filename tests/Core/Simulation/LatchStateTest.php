<?php

declare(strict_types=1);

use Brookstone\Core\Build\Build;
use Brookstone\Core\Parts\Latch;
use Brookstone\Core\Simulation\Axis;
use Brookstone\Core\Simulation\Latches;
use Brookstone\Core\Simulation\LatchState;
use Tests\Support\Builds;

it('goes with its drive until it is caught, rests there whatever that does, and flies when it is let go', function () {
    $motion = Builds::example('bell-hammer')->motions['part'];
    $plant = (new Axis($motion, $motion->at($motion->task->from), 0.0))->plant();
    $angle = fn (float $at): float => $plant->stateAt($motion->unit()->toSi($at))->angle;
    $held = $angle($motion->at($motion->latch->place ?? ''));
    $latch = new LatchState($motion, $angle);

    expect($latch->restsAt())->toBe(-INF)->and($latch->catches($held - 1e-3))->toBeFalse()->and($latch->stands($held - 0.1))->toBe($held - 0.1);
    expect($latch->catches($held))->toBeTrue()->and($latch->catches($held))->toBeFalse() // told once
        ->and($latch->restsAt())->toBe($held)->and($latch->isFlying())->toBeFalse()
        ->and($latch->stands($held - 0.1))->toBe($held)->and($latch->stands($held + 0.1))->toBe($held + 0.1);

    // Where its drive still holds it, it does not fly, and is caught no more until the latch shuts again.
    expect($latch->opens(true, $held, $motion->mechanism))->toBe('kept')->and($latch->isFlying())->toBeFalse()->and($latch->restsAt())->toBe(-INF)
        ->and($latch->catches($held))->toBeFalse()->and($latch->opens(false, $held, $motion->mechanism))->toBeNull()->and($latch->catches($held))->toBeTrue();

    expect($latch->opens(true, $angle($motion->at($motion->task->from)), $motion->mechanism))->toBe('goes')->and($latch->isFlying())->toBeTrue()
        ->and($latch->restsAt())->toBe(INF)->and($latch->catches($held + 0.1))->toBeFalse()
        ->and($latch->opens(true, 0.0, $motion->mechanism))->toBeNull(); // it is open already
});

it('is let go by a motion that is where it does so, or within a twentieth of its range', function (float $share, bool $isOpen) {
    $document = Builds::example('bell-hammer')->document;
    foreach ($document['motions'][1]['places'] as &$place) {
        $place['at'] += 10.0; // its range is what counts, not where that lies
    }
    $build = Build::read($document);
    $axes = array_map(fn ($motion): Axis => new Axis($motion, $motion->at($motion->task->from), 0.0), $build->motions);
    $part = $build->motions['part'];
    $latch = $part->latch;
    assert($latch instanceof Latch);
    $by = $build->motions[$latch->motion ?? ''];
    [$low, $high] = $by->range();
    $there = $by->at($latch->lets_go ?? '');
    $from = $there > ($low + $high) / 2 ? -1 : 1;
    $axes[$by->id] = new Axis($by, $there + $from * $share * ($high - $low), 0.0);
    $isLetGo = new ReflectionMethod(Latches::class, 'isOpen');

    expect($isLetGo->invoke(new Latches($axes), $latch, []))->toBe($isOpen);
})->with([[0.0, true], [0.049, true], [0.051, false], [0.5, false]]);
