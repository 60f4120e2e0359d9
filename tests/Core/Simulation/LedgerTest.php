<?php

declare(strict_types=1);

use Brookstone\Core\Drive\DcMotor;
use Brookstone\Core\Simulation\Ledger;
use Brookstone\Core\Simulation\MotionRun;
use Brookstone\Core\Simulation\Plant;
use Tests\Support\Things;

dataset('runs', function () {
    foreach (Things::KINDS as $kind) {
        foreach (['strong', 'weak', 'ramped', 'back', 'locking'] as $i => $how) {
            yield "{$kind}, {$how}" => [$kind, $how, $i];
        }
    }
});

it('accounts for all of the energy that comes in', function (string $kind, string $how, int $seed) {
    $things = new Things(300 + $seed);
    [$thing, $from, $to] = $things->make($kind);
    $largest = 0.0;
    foreach (range(0, 40) as $i) {
        $at = $from + ($to - $from) * $i / 40;
        $largest = max($largest, abs($thing->staticTorqueNm($at)) + $thing->frictionNm($at));
    }
    // A motor that carries the load with something in hand; its rotor is not small beside the load.
    $stall = max($largest, 0.02) * ($how === 'weak' ? 1.5 : 5.0) / 3.0;
    $motor = new DcMotor(12.0, $things->number(60, 300), 0.1, $stall, $things->number(1.0, 3.0), $things->number(0.0, 1e-4));
    $efficiency = $how === 'locking' ? 0.45 : $things->number(0.7, 0.95);
    $plant = new Plant($thing, 3.0, $efficiency, $how === 'locking' ? 0.0 : 2 - 1 / $efficiency, $motor->rotor_kgm2);
    $ledger = new Ledger($plant, $motor);
    [$start, $end] = $how === 'back' || $how === 'locking' ? [$to, $from] : [$from, $to];
    $run = MotionRun::of($plant, $motor->line(12.0, $how === 'ramped' ? 0.8 : 1.0), $start, $end, 30.0, ramp_s: $how === 'ramped' ? 0.4 : 0.0, ledger: $ledger);

    expect(abs($ledger->imbalance()))->toBeLessThan(0.005, "{$kind} {$how}: {$run->why?->value}")
        ->and($ledger->copper_J)->toBeGreaterThan(0.0)
        ->and($ledger->friction_J)->toBeGreaterThanOrEqual(0.0)
        ->and($ledger->train_J)->toBeGreaterThanOrEqual(-1e-9, "{$kind} {$how}: {$run->why?->value}");
    if ($how === 'strong') {
        expect($run->reached)->toBeTrue();
    }
})->with('runs');

it('charges nothing to the train where the train is perfect', function () {
    [$thing, $from, $to] = (new Things(5))->make('hoist');
    $motor = new DcMotor(12.0, 100.0, 0.1, 1.0, 2.0);
    $plant = new Plant($thing, 2.0, 1.0, 1.0, 0.0);
    $ledger = new Ledger($plant, $motor);
    MotionRun::of($plant, $motor->line(12.0, 1.0), $from, $to, 20.0, ledger: $ledger);

    expect(abs($ledger->train_J))->toBeLessThan(1e-6 * $ledger->in_J)
        ->and($ledger->lifted_J)->toBeAbout($thing->staticTorqueNm(0.0) / $thing->travelPerRad() * ($to - $from), 1e-6);
});
