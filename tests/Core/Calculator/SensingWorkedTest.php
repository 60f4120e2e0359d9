<?php

declare(strict_types=1);

use Brookstone\Core\Calculator\Calculators;
use Brookstone\Core\Error\InvalidInput;
use Brookstone\Core\Sensing\Daylight;
use Brookstone\Core\Sensing\PressWindows;
use Brookstone\Core\Sensing\Stick;
use Brookstone\Core\Sensing\Threshold;
use Brookstone\Core\Stops\Overrun;
use Random\Engine\Mt19937;
use Random\Randomizer;

/** @return list<string> */
function saidOf(string $name, array $inputs): array
{
    return array_map(fn ($finding): string => $finding->code, Calculators::run(Calculators::all()[$name], $inputs)['findings']);
}

it('runs on at full speed until the driver has acted, then as far as it brakes', function () {
    // 0.1 m/s, 50 ms to be believed, and a shorted motor of 100 ms: 5 mm and 10 mm.
    $run = new Overrun(0.1, 1.0, 0.03, 1e4, debounce_s: 0.03, loop_s: 0.015, driver_s: 0.005, brake_time_constant_s: 0.1);

    expect($run->delay_travel_m)->toBeAbout(0.005)->and($run->braking_m)->toBeAbout(0.01)->and($run->hits)->toBeFalse()->and($run->impact_force_N)->toBe(0.0);
});

it('puts the energy it has left into the stop', function (float $overtravel) {
    $run = new Overrun(0.5, 2.0, $overtravel, 2e4, rotor_equivalent_kg: 1.0, drive_force_N: 20.0, loop_s: 0.02, decel_force_N: 10.0);
    $coasted = 0.5 * 3 * 0.5 ** 2 - 10 * max(0.0, $overtravel - 0.01);

    expect($run->hits)->toBeTrue()->and($run->impact_energy_J)->toBeAbout($coasted)
        // At the deepest point of the spring all of it, and the push over that way, is stored.
        ->and(0.5 * $run->impact_force_N ** 2 / 2e4)->toBeAbout($run->impact_energy_J + ($overtravel < 0.01 ? 20.0 * $run->impact_force_N / 2e4 : 0.0));
})->with([0.0, 0.005, 0.02, 0.03]);

it('is not harder with more room', function () {
    $last = INF;
    foreach (range(0, 60) as $i) {
        $force = (new Overrun(0.4, 1.0, $i / 1000, 1e4, loop_s: 0.01, brake_time_constant_s: 0.1))->impact_force_N;
        expect($force)->toBeLessThanOrEqual($last + 1e-9);
        $last = $force;
    }
    expect($last)->toBe(0.0);
});

it('sets the threshold so that either error is as rare, wherever the readings lie', function (int $seed) {
    $random = new Randomizer(new Mt19937($seed));
    $around = fn (float $mean, float $spread): array => array_map(fn (): float => $mean + $spread * (($random->getInt(-1000, 1000) + $random->getInt(-1000, 1000)) / 1000), range(1, 12));
    [$absent, $present] = [$around(300, 10), $around(700, 35)];
    $set = new Threshold($absent, $present);
    $mirrored = new Threshold($present, $absent);

    expect(($set->threshold - $set->absent_mean) / $set->absent_sd)->toBeAbout(($set->present_mean - $set->threshold) / $set->present_sd)
        ->and($mirrored->threshold)->toBeAbout($set->threshold)->and($mirrored->error_rate)->toBeAbout($set->error_rate)
        ->and($set->lower)->toBeLessThan($set->threshold)->and($set->upper)->toBeGreaterThan($set->threshold);
})->with(range(1, 5));

it('knows how often a normal reading lies so far out', function (float $apart, float $rate) {
    // Spread 1 each (by the resolution), means 2·z apart: the tables of the normal distribution.
    $set = new Threshold([0.0, 0.0, 0.0], [2 * $apart, 2 * $apart, 2 * $apart], sqrt(12));

    expect($set->separation)->toBeAbout($apart)->and($set->error_rate)->toBeAbout($rate, 1e-4);
})->with([[1.0, 0.1586553], [1.959964, 0.025], [3.0, 0.001349898], [6.0, 9.865876e-10]]);

it('allows as many moves as fit, and not one more', function (float $bias, float $sd, float $tolerance) {
    $most = Calculators::run(Calculators::all()['sense.repeatability'], ['bias_mm' => $bias, 'sd_mm' => $sd, 'moves' => 1,
        'tolerance_mm' => $tolerance])['results']['max_moves'];
    $worst = fn (float $n): float => abs($bias) * $n + 3 * $sd * sqrt($n);

    expect($worst($most))->toBeLessThanOrEqual($tolerance * (1 + 1e-9))->and($worst($most + 1))->toBeGreaterThan($tolerance);
})->with([[0.1, 0.2, 5.0], [-0.3, 0.0, 3.0], [0.0, 0.5, 6.0], [1.0, 1.0, 2.0]]);

it('never drifts without an error',
    fn () => expect(Calculators::run(Calculators::all()['sense.repeatability'], ['bias_mm' => 0, 'sd_mm' => 0, 'moves' => 1000,
        'tolerance_mm' => 1])['results'])->toMatchArray(['within' => true, 'max_moves' => null]));

it('says what is wrong', function (string $name, array $inputs, array $codes) {
    expect(saidOf($name, $inputs))->toBe($codes);
})->with([
    'hits' => ['stop.overrun', ['speed_m_s' => 1, 'moving_mass_kg' => 1, 'overtravel_m' => 0.001, 'stiffness_N_per_m' => 1e4, 'decel_force_N' => 5],
        ['stop.hits']],
    'close' => ['stop.overrun', ['speed_m_s' => 0.1, 'moving_mass_kg' => 1, 'overtravel_m' => 0.012, 'stiffness_N_per_m' => 1e4,
        'brake_time_constant_s' => 0.1], ['stop.close']],
    'clear' => ['stop.overrun', ['speed_m_s' => 0.1, 'moving_mass_kg' => 1, 'overtravel_m' => 0.02, 'stiffness_N_per_m' => 1e4,
        'brake_time_constant_s' => 0.1], []],
    'chatters' => ['sense.debounce', ['bounce_ms' => 5, 'sample_ms' => 1, 'debounce_ms' => 5, 'flag_mm' => 10, 'speed_mm_s' => 50], ['sense.chatters']],
    'missed' => ['sense.debounce', ['bounce_ms' => 5, 'sample_ms' => 5, 'debounce_ms' => 40, 'flag_mm' => 2, 'speed_mm_s' => 100], ['sense.missed']],
    'ghosts' => ['sense.threshold', ['absent' => [100, 110, 90, 120], 'present' => [130, 150, 120, 160]], ['sense.ghosts', 'sense.few_readings']],
    'drifts' => ['sense.repeatability', ['bias_mm' => 0.5, 'sd_mm' => 0.1, 'moves' => 20, 'tolerance_mm' => 2], ['sense.drifts']],
]);

it('refuses what cannot be sensed', function (string $name, array $inputs, array $fields) {
    expect(refusedFields($name, $inputs))->toEqualCanonicalizing($fields);
})->with([
    'two readings' => ['sense.threshold', ['absent' => [1, 2], 'present' => [5, 6, 7]], ['absent']],
    'the same mean' => ['sense.threshold', ['absent' => [1, 2, 3], 'present' => [1, 2, 3]], ['present']],
    'brakes in two ways' => ['stop.overrun', ['speed_m_s' => 1, 'moving_mass_kg' => 1, 'overtravel_m' => 1, 'stiffness_N_per_m' => 1, 'decel_force_N' => 1,
        'brake_time_constant_s' => 1], ['decel_force_N']],
    'does not brake' => ['stop.overrun', ['speed_m_s' => 1, 'moving_mass_kg' => 1, 'overtravel_m' => 1, 'stiffness_N_per_m' => 1], ['decel_force_N']],
    'no looks' => ['sense.debounce', ['bounce_ms' => 1, 'sample_ms' => 0, 'debounce_ms' => 5, 'flag_mm' => 1, 'speed_mm_s' => 1], ['sample_ms']],
    '41 stages' => ['timer.interval', ['clock_hz' => 100, 'stages' => 41], ['stages']],
    'half a stage' => ['timer.interval', ['clock_hz' => 100, 'stages' => 1.5], ['stages']],
]);

it('commands nothing in the dead band, all at the ends, and bends in between', function () {
    $at = fn (float $reading, float $dead = 0.1, float $expo = 0.5): Stick => new Stick($reading, 0.0, 500.0, 900.0, $dead, $expo, -30.0, 10.0, 60.0);

    expect($at(500)->command)->toBe(10.0)->and($at(540)->command)->toBeAbout(10.0)->and($at(450)->command)->toBeAbout(10.0)
        ->and($at(900)->command)->toBeAbout(60.0)->and($at(0)->command)->toBeAbout(-30.0)->and($at(2000)->command)->toBeAbout(60.0)
        // Half of the way outside a dead band of 0.1: x = 4/9, y = ½x + ½x³.
        ->and($at(700)->shaped)->toBeAbout(0.5 * 4 / 9 + 0.5 * (4 / 9) ** 3)->and($at(700, 0.0, 0.0)->command)->toBeAbout(35.0)
        ->and($at(700)->swallows)->toBeAbout(40.0);
    $last = -INF;
    for ($reading = -20; $reading <= 920; $reading += 10) {
        $command = $at($reading)->command;
        expect($command)->toBeGreaterThanOrEqual($last);
        // A stick wired the other way round reads backwards and commands the same.
        expect((new Stick(900.0 - $reading, 900.0, 400.0, 0.0, 0.1, 0.5, -30.0, 10.0, 60.0))->command)->toBeAbout($command);
        $last = $command;
    }
});

it('tells presses and knocks apart only between what people do', function () {
    expect(saidOf('sense.press', []))->toBe([])->and(saidOf('sense.press', ['long_ms' => 250]))->toBe(['sense.press_confused'])
        ->and(saidOf('sense.press', ['long_ms' => 1100]))->toBe(['sense.press_confused'])
        ->and(saidOf('sense.press', ['double_ms' => 200]))->toBe(['sense.double_confused'])
        ->and(saidOf('sense.press', ['double_ms' => 700]))->toBe(['sense.double_confused'])->and(saidOf('sense.press', ['double_ms' => 0]))->toBe([])
        ->and((new PressWindows(600, 350, 250, 1000, 250, 700))->best_long_ms)->toBeAbout(500.0);
    $knock = ['quiet_ms' => 100, 'ring_ms' => 60, 'gap_ms' => 180, 'threshold' => 50, 'noise' => 20, 'softest' => 70];
    expect(saidOf('sense.knock', $knock))->toBe([])->and(saidOf('sense.knock', ['quiet_ms' => 60] + $knock))->toBe(['sense.knock_window'])
        ->and(saidOf('sense.knock', ['quiet_ms' => 180] + $knock))->toBe(['sense.knock_window'])
        ->and(saidOf('sense.knock', ['threshold' => 15] + $knock))->toBe(['sense.knock_threshold'])
        ->and(saidOf('sense.knock', ['threshold' => 71] + $knock))->toBe(['sense.knock_threshold'])
        ->and(saidOf('sense.stick', ['reading' => 500, 'jitter' => 30]))->toBe(['sense.stick_jitters']);
});

it('refuses a stick whose middle is not in the middle', function () {
    expect(fn () => Calculators::run(Calculators::all()['sense.stick'], ['reading' => 5, 'low' => 0, 'middle' => 1023,
        'high' => 1023]))->toThrow(InvalidInput::class);
});

it('tells day from night halfway by ratio, its own lamp left out of account', function (float $day, float $night, float $lamp, float $flicker) {
    $set = new Daylight($day, $night, $lamp, $flicker, 4.0);

    expect($set->best_day_above - $set->best_night_below)->toBeAbout(1.5 * ($lamp + $flicker))
        ->and($set->tells_apart)->toBe(1.5 * ($lamp + $flicker) <= $day - $night)
        ->and($set->best_wait_s)->toBeAbout(6.0)->and($set->switches_itself)->toBeFalse()->and($set->follows_passing)->toBeFalse();
    if ($set->tells_apart) {
        expect($set->best_night_below)->toBeGreaterThanOrEqual($night)->and($set->best_day_above)->toBeLessThanOrEqual($day * (1 + 1e-12))
            ->and($set->misreads)->toBeFalse();
    }
})->with([[400.0, 25.0, 10.0, 4.0], [400.0, 25.0, 0.0, 0.0], [400.0, 25.0, 240.0, 8.0], [400.0, 390.0, 10.0, 0.0], [800.0, 2.0, 300.0, 50.0]]);

it('sets the middle of its thresholds at the geometric mean where there is room', function () {
    $set = new Daylight(400.0, 25.0, 10.0, 4.0, 5.0);

    expect(($set->best_night_below + $set->best_day_above) / 2)->toBeAbout(100.0);
});

it('says when a light sensor sees its own lamp, a cloud, or takes one for the other', function (array $changed, array $codes) {
    expect(saidOf('sense.daylight', $changed + ['day_least' => 400, 'night_most' => 25, 'lamp_adds' => 30, 'flicker' => 6]))->toBe($codes);
})->with([
    'as it should be' => [[], []],
    'its own lamp' => [['night_below' => 90, 'day_above' => 120], ['sense.light_blinks']],
    'too bright a lamp' => [['lamp_adds' => 300], ['sense.light_overlaps']],
    'a bright night' => [['night_below' => 20, 'day_above' => 120], ['sense.light_misread']],
    'a dark day' => [['night_below' => 100, 'day_above' => 420], ['sense.light_misread']],
    'a cloud' => [['wait_s' => 5], ['sense.light_passing']],
]);

it('refuses a night as bright as the day', function () {
    expect(refusedFields('sense.daylight', ['day_least' => 100, 'night_most' => 100]))->toBe(['night_most'])
        ->and(refusedFields('sense.daylight', ['day_least' => 400, 'night_most' => 25, 'night_below' => 200, 'day_above' => 100]))->toBe(['day_above']);
});
