<?php

declare(strict_types=1);

use Brookstone\Core\Dynamics\MotionRun;
use Brookstone\Core\Dynamics\Plant;
use Brookstone\Core\Parts\Settings;
use Brookstone\Core\Stops\TimedMove;
use Tests\Support\Builds;

/**
 * The lift of the sound build sent up by time.
 *
 * @param  array<string, mixed>  $values  changes to the build
 * @param  list<float>  $measured_s
 */
function timedLift(float $from = 0.0, float $to = 0.1, ?Settings $settings = null, array $measured_s = [], array $values = []): TimedMove
{
    $build = Builds::planted(['motions.2.stops.brakes' => true] + $values);

    return new TimedMove($build->motions['lift'], $settings ?? $build->settings, $from, $to, 1.0, $measured_s);
}

it('is on for its time, half a look of the controller and the delay of its driver', function () {
    $still = timedLift(settings: new Settings(scan_s: 1e-6, driver_s: 0.0));
    $speed = MotionRun::of(Plant::of(Builds::sound()->motions['lift']), Builds::sound()->motions['lift']->drive->line(), 0.0, 0.1, 60.0)->end_speed;
    $more = fn (float $scan_s, float $driver_s): float => timedLift(settings: new Settings(scan_s: $scan_s, driver_s: $driver_s))->error() - $still->error();

    expect($more(0.04, 0.0))->toBeAbout(0.02 * $speed, 0.02)->and($more(1e-6, 0.03))->toBeAbout(0.03 * $speed, 0.02)->and($more(0.04, 0.03))->toBeAbout(0.05 * $speed, 0.02)
        ->and($still->error())->toBeGreaterThan(0.0)->toBeLessThan(0.01); // it runs on until its brake has stopped it
});

it('goes down as it goes up', function () {
    $down = timedLift(0.1, 0.0);

    expect($down->time_s)->toBeGreaterThan(0.1)->and($down->error())->toBeLessThan(0.0)->toBeGreaterThan(-0.02);
});

it('goes further with more voltage, and less far with more friction or load', function () {
    $move = timedLift(values: ['motions.2.mechanism.friction_N' => 1.0]);

    expect($move->error(supply: 1.05))->toBeGreaterThan($move->error())->and($move->error(friction: 1.3))->toBeLessThan($move->error())
        ->and($move->error(load: 1.1))->toBeLessThan($move->error())->and($move->error(load: 1.1))->toBeLessThan($move->error(load: 1.0, friction: 1.0));
});

it('passes on all of an error of its start where its load is the same everywhere', function () {
    $move = timedLift();

    expect($move->linear()[1])->toBeAbout(1.0, 0.01)->and($move->error(off: 0.004) - $move->error())->toBeAbout(0.004, 0.02);
});

it('scatters by its supply, and by 15 % of its friction and 3 % of its load, each by itself', function () {
    $move = timedLift(values: ['supplies.0.capacity_Ah' => 5.0, 'motions.2.mechanism.friction_N' => 1.0]);
    $half = fn (Closure $error, float $sd): float => ($error(1 + $sd) - $error(1 - $sd)) / 2;
    [$bias, , $supply, $variance] = $move->linear();

    expect($bias)->toBe($move->error())
        ->and($supply)->toBeAbout($half(fn (float $share): float => $move->error(supply: $share), $move->supplySd()), 1e-9)
        ->and($variance)->toBeAbout($half(fn (float $share): float => $move->error(friction: $share), 0.15) ** 2 + $half(fn (float $share): float => $move->error(load: $share), 0.03) ** 2, 1e-9)
        ->and($move->spread())->toBeAbout(sqrt($supply ** 2 + $variance), 1e-9)->and($move->spread())->toBeGreaterThan(abs($supply))->toBeGreaterThan(sqrt($variance));
});

it('takes the spread of its times at the bench, of three or more, for all that scatters', function () {
    $speed = MotionRun::of(Plant::of(Builds::sound()->motions['lift']), Builds::sound()->motions['lift']->drive->line(), 0.0, 0.1, 60.0)->end_speed;
    $timed = timedLift(measured_s: [1.0, 1.1, 1.3]);

    expect(timedLift(measured_s: [1.0, 1.1])->measured_sd_s)->toBeNull()
        ->and($timed->measured_sd_s)->toBeAbout(sqrt((0.1333333 ** 2 + 0.0333333 ** 2 + 0.1666667 ** 2) / 2), 1e-5)
        ->and($timed->linear()[2])->toBe(0.0)->and($timed->linear()[3])->toBeAbout(($timed->measured_sd_s * $speed) ** 2, 0.01)
        ->and($timed->spread())->toBeAbout($timed->measured_sd_s * $speed, 0.01);
});

it('is nowhere off, and passes on its start, where no drive makes the move', function () {
    $none = timedLift(values: ['motions.2.drive' => null]);
    $weak = timedLift(values: ['motions.2.mechanism.mass_kg' => 60.0]);

    expect($none->time_s)->toBeNull()->and($none->error())->toBe(0.0)->and($none->linear())->toBe([0.0, 1.0, 0.0, 0.0])
        ->and($weak->time_s)->toBeNull()->and($weak->error(load: 1.1))->toBe(0.0)->and($weak->linear()[1])->toBe(1.0);
});
