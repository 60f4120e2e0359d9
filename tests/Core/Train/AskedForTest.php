<?php

declare(strict_types=1);

use Brookstone\Core\Drive\TorqueLine;
use Brookstone\Core\Train\AskedFor;

// No-load 10 rad/s, stall 1 N·m: most power 2.5 W at half of both.
it('finds the ratio in closed form', function (float $speed, float $torque, float $efficiency) {
    $line = new TorqueLine(1.0, 0.1, 0.1, 2.0, 1.9);
    // ω R² − ω0 R + ω0 T/(η Ts) = 0, the larger root.
    $root = 100 - 4 * $speed * 10 * $torque / $efficiency;
    $wanted = $root < 0 ? null : (10 + sqrt($root)) / 2 / $speed;
    $found = AskedFor::ratio($line, $speed, $torque, $efficiency);

    $wanted === null ? expect($found)->toBeNull() : expect($found)->toEqualWithDelta($wanted, 1e-6 * $wanted);
})->with([[2.0, 0.0, 1.0], [2.0, 1.0, 0.9], [0.5, 3.0, 0.8], [2.0, 1.2, 0.9], [2.0, 1.4, 0.9], [20.0, 0.05, 1.0], [20.0, 0.2, 1.0]]);

it('gives none of a drive that does not turn', function () {
    expect(AskedFor::ratio(new TorqueLine(0.0, 0.1, 0.0, 0.0, 0.0), 1.0, 0.1, 0.9))->toBeNull();
});
