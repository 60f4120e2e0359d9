<?php

declare(strict_types=1);

use Brookstone\Core\Calculator\Calculators;
use Brookstone\Core\Sensing\Daylight;
use Brookstone\Core\Sensing\Debounce;
use Brookstone\Core\Sensing\KnockWindow;
use Brookstone\Core\Sensing\PressWindows;
use Brookstone\Core\Sensing\Readings;
use Brookstone\Core\Sensing\Repeatability;
use Brookstone\Core\Sensing\Stick;

/** @return array<string, string> by code, what a calculator finds */
function foundBy(string $name, array $inputs): array
{
    $said = [];
    foreach (Calculators::run(Calculators::all()[$name], $inputs)['findings'] as $finding) {
        $said[$finding->code] = $finding->says->text();
    }

    return $said;
}

it('is late by bounce, one look, and as many looks as its wait takes', function (float $bounce, float $sample, float $wait, float $latency) {
    // By hand: 4 + 5·(1 + 2) = 19; 4 + 5·(1 + 3) = 24; ten looks of 3 ms are ten, though 30/3 may come out as 10.000…1.
    $debounce = new Debounce($bounce, $sample, $wait, 10.0, 100.0);

    expect($debounce->latency_ms)->toBeAbout($latency, 1e-12)->and($debounce->dwell_ms)->toBeAbout(100.0)
        ->and($debounce->travel_mm)->toBeAbout($latency / 10, 1e-12);
})->with([[4.0, 5.0, 10.0, 19.0], [4.0, 5.0, 10.1, 24.0], [4.0, 5.0, 0.0, 9.0], [1.0, 3.0, 30.0, 34.0], [2.0, 0.1, 0.3, 2.4]]);

it('trips falsely up to the bounce, and misses what is pressed no longer than it takes to see it', function () {
    $debounce = fn (float $wait, float $flag_mm): Debounce => new Debounce(4.0, 1.0, $wait, $flag_mm, 100.0);

    expect($debounce(4.0, 10.0)->false_trips)->toBeTrue()->and($debounce(4.01, 10.0)->false_trips)->toBeFalse()
        ->and($debounce(5.0, 1.0)->missed)->toBeTrue()->and($debounce(5.0, 1.001)->missed)->toBeFalse() // 4 + 1·(1 + 5) = 10 ms
        ->and(implode(foundBy('sense.debounce', ['bounce_ms' => 4, 'sample_ms' => 1, 'debounce_ms' => 4, 'flag_mm' => 2,
            'speed_mm_s' => 100])))->toBe('It bounces for 0.004 s, and is believed after 0.004 s: one press counts as several.')
        ->and(implode(foundBy('sense.debounce', ['bounce_ms' => 4, 'sample_ms' => 1, 'debounce_ms' => 5, 'flag_mm' => 1,
            'speed_mm_s' => 100])))->toContain('It is pressed for 0.01 s and seen only after 0.01 s');
});

it('has the window of a knock between its ringing and the next knock', function () {
    $knock = new KnockWindow(60.0, 25.0, 100.0, 3, 700.0, 50.0, 20.0, 80.0);

    expect($knock->best_ms)->toBeAbout(50.0)->and($knock->pattern_ms)->toBeAbout(1750.0) // two pauses and half a one to spare
        ->and((new KnockWindow(60.0, 25.0, 100.0, 1, 700.0, 50.0, 20.0, 80.0))->pattern_ms)->toBeAbout(350.0)
        ->and([$knock->counts_twice, $knock->loses_next, $knock->hears_noise, $knock->misses_soft])->toBe([false, false, false, false]);
});

it('knows both sides of each limit of a knock', function (float $quiet, float $threshold, array $is) {
    $knock = new KnockWindow($quiet, 25.0, 100.0, 2, 700.0, $threshold, 20.0, 80.0);

    expect([$knock->counts_twice, $knock->loses_next, $knock->hears_noise, $knock->misses_soft])->toBe($is);
})->with([
    [25.0, 50.0, [true, false, false, false]], [25.1, 50.0, [false, false, false, false]],
    [99.9, 50.0, [false, false, false, false]], [100.0, 50.0, [false, true, false, false]],
    [60.0, 20.0, [false, false, true, false]], [60.0, 20.1, [false, false, false, false]],
    [60.0, 80.0, [false, false, false, false]], [60.0, 80.1, [false, false, false, true]],
]);

it('knows both sides of each limit of a press', function (float $long, float $double, array $is) {
    $press = new PressWindows($long, $double, 300.0, 900.0, 250.0, 400.0);

    expect([$press->short_taken_for_long, $press->double_taken_for_two, $press->two_taken_for_double])->toBe($is)
        ->and($press->short_answer_ms)->toBe(300.0 + $double)->and($press->best_long_ms)->toBeAbout(sqrt(300 * 900))
        ->and($press->best_double_ms)->toBeAbout(sqrt(250 * 400));
})->with([
    [300.0, 300.0, [true, false, false]], [300.1, 300.0, [false, false, false]],
    [500.0, 250.0, [false, true, false]], [500.0, 250.1, [false, false, false]],
    [500.0, 399.9, [false, false, false]], [500.0, 400.0, [false, false, true]],
    [500.0, 0.0, [false, false, false]],
]);

it('sets day and night apart by what lamp and flicker add, half as much again', function () {
    // By hand: √(400·100) = 200; apart 1.5·(20 + 10) = 45, half of it to each side.
    $light = new Daylight(400.0, 100.0, 20.0, 10.0, 8.0);

    expect($light->least_apart)->toBeAbout(45.0)->and($light->best_night_below)->toBeAbout(177.5)->and($light->best_day_above)->toBeAbout(222.5)
        ->and($light->best_wait_s)->toBeAbout(12.0)->and($light->tells_apart)->toBeTrue()
        ->and([$light->switches_itself, $light->follows_passing, $light->misreads])->toBe([false, false, false]);
});

it('knows both sides of each limit of day and night', function () {
    $light = fn (float $below, float $above, float $wait = 10.0): Daylight => new Daylight(400.0, 100.0, 20.0, 10.0, 8.0, $below, $above, $wait);

    expect($light(150.0, 180.0)->switches_itself)->toBeTrue()->and($light(150.0, 180.1)->switches_itself)->toBeFalse()
        ->and($light(150.0, 300.0, 8.0)->follows_passing)->toBeTrue()->and($light(150.0, 300.0, 8.1)->follows_passing)->toBeFalse()
        ->and($light(99.9, 300.0)->misreads)->toBeTrue()->and($light(100.0, 400.0)->misreads)->toBeFalse()->and($light(100.0, 400.1)->misreads)->toBeTrue()
        ->and((new Daylight(145.0, 100.0, 20.0, 10.0, 8.0))->tells_apart)->toBeTrue()
        ->and((new Daylight(144.9, 100.0, 20.0, 10.0, 8.0))->tells_apart)->toBeFalse()
        ->and((new Daylight(400.0, 100.0, 0.0, 0.0, 0.0, 200.0, 200.0, 0.0))->switches_itself)->toBeFalse();
});

it('commands nothing within the dead band and all at the ends, gentler in the middle', function () {
    $stick = fn (float $reading, float $expo = 0.0): Stick => new Stick($reading, 0.0, 500.0, 1000.0, 0.1, $expo, -30.0, 0.0, 60.0);

    expect($stick(500.0)->command)->toBe(0.0)->and($stick(549.9)->command)->toBe(0.0)->and($stick(450.1)->command)->toBe(0.0)
        ->and($stick(775.0)->command)->toBeAbout(30.0)->and($stick(225.0)->command)->toBeAbout(-15.0) // halfway outside the band
        ->and($stick(775.0, 1.0)->command)->toBeAbout(60.0 / 8)->and($stick(775.0, 0.5)->command)->toBeAbout(60.0 * (0.25 + 0.0625))
        ->and($stick(1200.0)->command)->toBeAbout(60.0)->and($stick(-50.0)->command)->toBeAbout(-30.0)
        ->and($stick(500.0)->swallows)->toBeAbout(50.0)->and($stick(500.0)->first_step)->toBeAbout(60.0 * 0.01 / 0.9);
});

it('adds up what moves without homing err, and how many may come between two', function (float $bias, float $sd, float $tolerance, float $most) {
    $repeats = new Repeatability($bias, $sd, 4, $tolerance);

    expect($repeats->worst_error)->toBeAbout(abs($bias) * 4 + 3 * $sd * 2)->and($repeats->max_moves)->toBe($most)
        ->and((new Repeatability($bias, $sd, (int) $most, $tolerance))->within)->toBeTrue()
        ->and((new Repeatability($bias, $sd, (int) $most + 1, $tolerance))->within)->toBeFalse();
})->with([[0.1, 0.0, 1.0, 10.0], [-0.1, 0.0, 1.0, 10.0], [0.0, 0.1, 1.2, 16.0], [0.1, 0.1, 2.0, 10.0]]);

it('never drifts where nothing errs', function () {
    expect((new Repeatability(0.0, 0.0, 100, 1.0))->max_moves)->toBe(INF)->and((new Repeatability(0.0, 0.0, 100, 0.0))->within)->toBeTrue();
});

it('shows readings in twice as many steps as the root of their number, six to forty', function (int $count, int $steps) {
    $absent = array_map(floatval(...), range(1, $count));

    expect(Readings::histogram($absent, []))->toHaveCount($steps);
})->with([[2, 6], [9, 6], [10, 7], [100, 20], [400, 40], [401, 40], [2000, 40]]);

it('moves with its first hundredth past the dead band by what its curve leaves of it', function () {
    // A dead band of a tenth leaves 0.9 of the way; half even, half with the cube; the further of both ends.
    $step = 0.01 / 0.9;
    $stick = new Stick(512.0, 0.0, 500.0, 1000.0, 0.1, 0.5, -30.0, 10.0, 100.0);

    expect($stick->first_step)->toBeAbout((0.5 * $step + 0.5 * $step ** 3) * 90.0, 1e-12)->and($stick->swallows)->toBe(50.0)->and($stick->command)->toBe(10.0)
        ->and((new Stick(512.0, 0.0, 500.0, 1000.0, 0.1, 0.5, -30.0, 10.0, 20.0))->first_step)->toBeAbout((0.5 * $step + 0.5 * $step ** 3) * 40.0, 1e-12)
        ->and((new Stick(0.0, 200.0, 500.0, 1000.0, 0.1, 0.5, -30.0, 10.0, 40.0))->swallows)->toBe(30.0)->and((new Stick(900.0, 1000.0, 500.0, 0.0, 0.0, 0.0, -30.0, 10.0, 40.0))->command)->toBeAbout(-22.0, 1e-12);
});

it('lets nothing pass where nothing passes', fn () => expect((new Daylight(10.0, 100.0, 0.0, 0.0, 0.0, null, null, 0.0))->follows_passing)->toBeFalse());
