<?php

declare(strict_types=1);

use Brookstone\Core\Numeric\Extremum;

it('finds the largest value, smooth or with a corner, inside or at an end', function (Closure $of, float $from, float $to, float $at, float $value) {
    $found = Extremum::largest($of, $from, $to);

    expect($found['value'])->toBeAbout($value, 1e-7)->and(abs($found['at'] - $at))->toBeLessThan(2e-3 * ($to - $from));
})->with([
    'a sine' => [sin(...), 0.0, 3.0, M_PI_2, 1.0],
    'a parabola' => [fn (float $x): float => 5 - ($x - 0.37) ** 2, 0.0, 1.0, 0.37, 5.0],
    'rising to its end' => [exp(...), 0.0, 2.0, 2.0, M_E ** 2],
    'falling from its start' => [fn (float $x): float => -$x, 1.0, 3.0, 1.0, -1.0],
    'level' => [fn (float $x): float => 2.5, 0.0, 1.0, 0.0, 2.5],
    'just before its end' => [fn (float $x): float => 1 - ($x - 0.999) ** 2, 0.0, 1.0, 0.999, 1.0],
    'two humps' => [fn (float $x): float => sin(3 * $x) + 0.1 * $x, 0.0, 4.0, (2 * M_PI + acos(-1 / 30)) / 3,
        sin(acos(-1 / 30)) + 0.1 * (2 * M_PI + acos(-1 / 30)) / 3],
]);

it('is never below the best sample at a corner, and close to it', function () {
    $found = Extremum::largest(fn (float $x): float => 1 - abs($x - 0.3) * 2, 0.0, 1.0);

    expect($found['value'])->toBeGreaterThan(1 - 2 / 64)->toBeLessThanOrEqual(1.0);
});

it('needs two values', fn () => Extremum::refine(sin(...), 0.0, 1.0, [0.0]))->throws(LogicException::class);
