<?php

declare(strict_types=1);

use Brookstone\Core\Calculator\Calculators;
use Brookstone\Core\Rolling\MagnetHead;
use Brookstone\Core\Rolling\SidewaysWheels;

it('turns three wheels as a base of theirs moves, worked by hand', function () {
    // Straight ahead towards the first wheel: it stands still, the others turn with sin 120° and sin 240°.
    $wheels = new SidewaysWheels(3, 0.03, 0.1);
    [$ahead, $left, $right] = $wheels->speeds_rpm(0.3, 0.0, 0.0);
    $rpm = 0.3 * sin(deg2rad(120)) / 0.03 * 30 / M_PI;

    expect(abs($ahead))->toBeLessThan(1e-9)->and($left)->toBeAbout(-$rpm)->and($right)->toBeAbout($rpm);
});

it('spins with all wheels alike, and adds spin and way', function (int $count) {
    $wheels = new SidewaysWheels($count, 0.03, 0.1);
    $spin = $wheels->speeds_rpm(0.0, 0.0, 12.0);
    $way = $wheels->speeds_rpm(0.2, 33.0, 0.0);
    $both = $wheels->speeds_rpm(0.2, 33.0, 12.0);

    expect($spin)->each->toBeAbout(12.0 * 0.1 / 0.03);
    foreach ($both as $i => $speed) {
        expect($speed)->toBeAbout($spin[$i] + $way[$i], 1e-9);
    }
    expect(abs(array_sum($way)))->toBeLessThan(1e-9); // going straight turns no base
})->with([3, 4]);

it('names the fastest wheel, and none is faster than the worst', function () {
    $answer = Calculators::run(Calculators::all()['rolling.wheels'], ['wheel_radius_m' => 0.03, 'reach_m' => 0.1, 'speed_m_s' => 0.3, 'heading_deg' => 20,
        'spin_rpm' => 5])['results'];
    foreach (['three', 'four'] as $name) {
        $sizes = array_map(abs(...), $answer["{$name}_rpm"]);
        expect($sizes[$answer["{$name}_fastest"] - 1])->toBe(max($sizes))->and($answer["{$name}_worst_rpm"])->toBeGreaterThanOrEqual(max($sizes));
    }
    expect($answer['three_worst_rpm'])->toBeAbout($answer['four_worst_rpm']);
});

it('turns wheels on a ball the slower the further down they touch', function () {
    $top = (new SidewaysWheels(3, 0.03, 0.15, 20.0))->fastest_rpm(0.3, 0.0);
    $side = (new SidewaysWheels(3, 0.03, 0.15, 50.0))->fastest_rpm(0.3, 0.0);

    expect($side)->toBeLessThan($top)->and($top)->toBeAbout(0.3 * cos(deg2rad(20)) / 0.03 * 30 / M_PI)
        ->and((new SidewaysWheels(3, 0.03, 0.15, 50.0))->fastest_rpm(0.0, 6.0))->toBeGreaterThan((new SidewaysWheels(3, 0.03, 0.15,
            20.0))->fastest_rpm(0.0, 6.0));
});

it('holds a head across its gap, less the thicker it is', function () {
    $head = fn (float $gap): MagnetHead => new MagnetHead(0.2, 30.0, 0.01, $gap, 0.1);

    expect($head(0.0)->pull_N())->toBe(30.0)
        ->and($head(0.01)->pull_N())->toBeAbout(30.0 / 16)
        ->and($head(0.003)->needed_N(0.0, 0.0))->toBe(0.0) // upright and still it needs none
        ->and($head(0.003)->needed_N(30.0, 0.0))->toBeGreaterThan($head(0.003)->needed_N(10.0, 0.0))
        ->and($head(0.003)->needed_N(10.0, 3.0))->toBeGreaterThan($head(0.003)->needed_N(10.0, 1.0))
        ->and($head(0.003)->thickest_m($head(0.004)->pull_N()))->toBeAbout(0.004);
});

it('says when a head slides off', function (float $gap, array $findings) {
    $answer = Calculators::run(Calculators::all()['rolling.magnet_head'], ['head_kg' => 0.25, 'contact_N' => 40, 'magnet_m' => 0.01, 'gap_m' => $gap,
        'tilt_deg' => 25, 'accel_m_s2' => 1]);

    expect(array_map(fn ($finding): string => $finding->code.' '.$finding->severity->value, $answer['findings']))->toBe($findings)
        ->and($answer['results']['stays'])->toBe($findings !== ['rolling.head_slides fails']);
})->with([[0.001, []], [0.012, ['rolling.head_slides fails']]]);

it('pushes with its wheels what is wanted of them, and no more power than that takes', function (int $count, ?float $contact, float $heading) {
    $wheels = new SidewaysWheels($count, 0.03, 0.12, $contact);
    $pushes = $wheels->pushes_N(4.0, $heading, 0.3);
    $rims = array_map(fn (float $rpm): float => $rpm * M_PI / 30 * 0.03, $wheels->speeds_rpm(0.5, $heading, 0.0));
    $spins = array_map(fn (float $rpm): float => $rpm * M_PI / 30 * 0.03, $wheels->speeds_rpm(0.0, 0.0, 10.0));
    $power = fn (array $speeds): float => array_sum(array_map(fn (float $push, float $speed): float => $push * $speed, $pushes, $speeds));

    expect($power($rims))->toBeAbout(4.0 * 0.5, 1e-9)->and($power($spins))->toBeAbout(0.3 * 10.0 * M_PI / 30, 1e-9)
        ->and($wheels->hardest_N(4.0, 0.3))->toBeGreaterThanOrEqual(max(array_map(abs(...), $pushes)) - 1e-12);
})->with([3, 4])->with([null, 35.0])->with([0.0, 20.0, 137.0]);

it('shares a push among three wheels as worked by hand, and is hardest on one square to it', function () {
    // Towards the first wheel: that one pushes nothing, the others 2/3 · sin 120° of it, against each other's sideways pull.
    [$ahead, $left, $right] = (new SidewaysWheels(3, 0.03, 0.1))->pushes_N(3.0, 0.0, 0.0);

    expect(abs($ahead))->toBeLessThan(1e-9)->and($left)->toBeAbout(-sqrt(3))->and($right)->toBeAbout(sqrt(3))
        ->and((new SidewaysWheels(4, 0.03, 0.1))->hardest_N(3.0, 0.0))->toBe(1.5)
        ->and((new SidewaysWheels(3, 0.03, 0.1))->hardest_N(0.0, 0.3))->toBeAbout(1.0)
        ->and((new SidewaysWheels(3, 0.03, 0.1, 60.0))->hardest_N(3.0, 0.0))->toBeAbout(4.0)
        ->and((new SidewaysWheels(3, 0.03, 0.1, 60.0))->pressed_N(3.0))->toBeAbout(2 * 9.80665);
});

it('tells which wheels slip, from where on', function (float $push, array $said) {
    // 3 kg on three wheels press 9.81 N each: at 0.6 they grip 5.88 N, and push 2/3 of what is wanted; four 4.41 N, and half of it
    $answer = Calculators::run(Calculators::all()['rolling.wheels'], ['wheel_radius_m' => 0.03, 'reach_m' => 0.1, 'speed_m_s' => 0.3, 'push_N' => $push, 'mass_kg' => 3.0]);

    expect(array_map(fn ($finding): string => "{$finding->code}: {$finding->says->text()}", $answer['findings']))->toBe($said)
        ->and($answer['results']['three_torque_Nm'])->toBeAbout($push * 2 / 3 * 0.03);
})->with([
    [8.8, []],
    [8.83, ['rolling.wheel_slips: Of three wheels one has to push with 5.89 N, and it grips only 5.88 N: it slips.',
        'rolling.wheel_slips: Of four wheels one has to push with 4.42 N, and it grips only 4.41 N: it slips.']],
]);
