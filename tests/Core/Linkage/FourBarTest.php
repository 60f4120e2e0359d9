<?php

declare(strict_types=1);

use Brookstone\Core\Error\ImpossibleValue;
use Brookstone\Core\Linkage\FourBar;

dataset('crank-rockers', [
    'rower' => [0.012, 0.055, 0.030, 0.060],
    'long rod' => [0.02, 0.2, 0.06, 0.19],
    'nearly a change point' => [0.02, 0.05, 0.04, 0.0699],
]);

it('closes its loop at every angle, always on the same side', function (float ...$bars) {
    $four = new FourBar(...$bars);
    $side = null;
    for ($degrees = 0; $degrees < 360; $degrees += 3) {
        $crank = deg2rad($degrees);
        [$rocker] = $four->rocker($crank);
        $eyeX = $four->ground_m + $four->rocker_m * cos($rocker);
        $eyeY = $four->rocker_m * sin($rocker);
        $x = $eyeX - $four->crank_m * cos($crank);
        $y = $eyeY - $four->crank_m * sin($crank);

        expect(hypot($x, $y))->toBeAbout($four->coupler_m, 1e-9);
        $turns = $x * ($eyeY - 0.0) - $y * ($eyeX - $four->ground_m) <=> 0.0;
        $side ??= $turns;
        expect($turns)->toBe($side);
    }
})->with('crank-rockers');

it('gives the derivatives that differences give', function (float ...$bars) {
    $four = new FourBar(...$bars);
    $step = 1e-5;
    foreach ([0.3, 1.2, 2.5, 3.9, 5.5] as $crank) {
        [, $slope, $bend] = $four->rocker($crank);
        [$after, $slopeAfter] = $four->rocker($crank + $step);
        [$before, $slopeBefore] = $four->rocker($crank - $step);

        expect(abs(($after - $before) / 2 / $step - $slope))->toBeLessThan(1e-6)
            ->and(abs(($slopeAfter - $slopeBefore) / 2 / $step - $bend))->toBeLessThan(1e-4 * max(1.0, abs($bend)));
    }
})->with('crank-rockers');

it('knows its kind by which bar is the shortest, and whether any turns round', function (string $kind, float ...$bars) {
    expect((new FourBar(...$bars))->kind())->toBe($kind);
})->with([
    ['crank-rocker', 2.0, 7.0, 6.0, 8.0], ['rocker-crank', 6.0, 7.0, 2.0, 8.0], ['double-crank', 7.0, 6.0, 8.0, 2.0],
    ['double-rocker', 7.0, 2.0, 6.0, 8.0], ['change-point', 2.0, 5.0, 4.0, 7.0], ['triple-rocker', 3.0, 4.0, 5.0, 8.0],
]);

it('is the same linkage at every size', function () {
    $small = new FourBar(0.012, 0.055, 0.030, 0.060);
    $large = new FourBar(1.2, 5.5, 3.0, 6.0);

    expect($large->kind())->toBe($small->kind())->and($large->rocker(1.1)[1])->toBeAbout($small->rocker(1.1)[1]);
});

it('refuses bars that cannot close', fn () => new FourBar(0.01, 0.02, 0.03, 0.06))->throws(ImpossibleValue::class);
