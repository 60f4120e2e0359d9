<?php

declare(strict_types=1);

use Brookstone\Core\Drive\DcMotor;
use Brookstone\Core\Dynamics\MotionRun;
use Brookstone\Core\Dynamics\Plant;
use Brookstone\Core\Dynamics\QuickRun;
use Brookstone\Core\Load\Move;
use Brookstone\Core\Load\Profile;
use Tests\Support\Things;

/** @return list<array{?float, ?float}> the time found quickly and the time of the whole run, s, for motors made by the seed */
function timesBothWays(string $kind, int $seed): array
{
    $things = new Things($seed);
    [$thing, $from, $to] = $things->make($kind);
    $quick = new QuickRun($thing, new Move($from, $to, 2.0, Profile::Cosine));
    $largest = 0.01;
    for ($i = 0; $i <= 60; $i++) {
        $at = $from + ($to - $from) * $i / 60;
        $largest = max($largest, abs($thing->staticTorqueNm($at)) + $thing->frictionNm($at));
    }
    $times = [];
    for ($i = 0; $i < 12; $i++) {
        $ratio = exp($things->number(-1, 3));
        $efficiency = $things->number(0.5, 0.95);
        $back = $things->number(0, 1) < 0.2 ? 0.0 : max(0.0, 2 - 1 / $efficiency);
        $motor = new DcMotor(12.0, $things->number(10, 600), 0.1, $largest * exp($things->number(0.02, 3)) / $ratio / $efficiency, 2.0,
            exp($things->number(-14, -9)));
        $line = $motor->line(12.0, 1.0);
        $times[] = [
            $quick->time_s($line, $ratio, $efficiency, $motor->rotor_kgm2 * $ratio ** 2, $back),
            MotionRun::of(new Plant($thing, $ratio, $efficiency, $back, $motor->rotor_kgm2), $line, $from, $to, 3000.0)->time_s,
        ];
    }

    return $times;
}

it('finds the time of the whole run, and says of none that it arrives which does not', function (string $kind) {
    $far = 0;
    $all = 0;
    foreach (range(1, 12) as $seed) {
        foreach (timesBothWays($kind, 2000 + $seed) as [$quick, $whole]) {
            if ($quick !== null) {
                expect($whole)->not->toBeNull();
                $all++;
                $far += abs($quick / $whole - 1) > 0.005 ? 1 : 0;
            }
        }
    }

    // The motors a hair over what the load asks are the hard ones: one in fifty may be further off.
    expect($all)->toBeGreaterThan(80)->and($far)->toBeLessThanOrEqual($all / 50);
})->with(['arm', 'turntable', 'hoist', 'slide', 'feeder', 'measured', 'layered', 'segmented']);

it('finds it within a hundredth where the inertia changes with the crank', function (string $kind) {
    $far = 0;
    $all = 0;
    foreach (range(1, 12) as $seed) {
        foreach (timesBothWays($kind, 3000 + $seed) as [$quick, $whole]) {
            if ($quick !== null) {
                expect($whole)->not->toBeNull();
                $all++;
                $far += abs($quick / $whole - 1) > 0.01 ? 1 : 0;
            }
        }
    }

    expect($all)->toBeGreaterThan(80)->and($far)->toBeLessThanOrEqual($all / 50);
})->with(['crank', 'crank_rocker']);

it('applies neither to what slips nor to a ramp', function () {
    $line = (new DcMotor(12.0, 100.0, 0.1, 1.0, 2.0))->line(12.0, 1.0);
    [$hoist, $from, $to] = (new Things(1))->make('hoist');
    [$wheels, $start, $end] = (new Things(1))->make('wheels');

    expect((new QuickRun($hoist, new Move($from, $to, 1.0, Profile::Cosine)))->appliesTo($line, 0.0))->toBeTrue()
        ->and((new QuickRun($hoist, new Move($from, $to, 1.0, Profile::Cosine)))->appliesTo($line, 0.2))->toBeFalse()
        ->and((new QuickRun($wheels, new Move($start, $end, 1.0, Profile::Cosine)))->appliesTo($line, 0.0))->toBeFalse();
});
