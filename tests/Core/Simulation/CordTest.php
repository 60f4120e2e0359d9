<?php

declare(strict_types=1);

use Brookstone\Core\Assessment\Subject\MotionFigures;
use Brookstone\Core\Build\Editor;
use Brookstone\Core\Drive\DcMotor;
use Brookstone\Core\Dynamics\Ledger;
use Brookstone\Core\Dynamics\MotionRun;
use Brookstone\Core\Dynamics\Plant;
use Brookstone\Core\Error\InvalidInput;
use Brookstone\Core\Mechanism\Hoist;
use Brookstone\Core\Simulation\Axis;
use Brookstone\Core\Simulation\RoutineRun;
use Tests\Support\Builds;

/** The lift of the sound build, at a height, told to go a way for a time. */
function lift(array $planted, float $at): Axis
{
    return new Axis(Builds::planted($planted)->motions['lift'], $at, 0.01);
}

/** @return list<array{string, float, float}> what happened */
function advanced(Axis $axis, float $seconds): array
{
    $happened = [];
    for ($i = 0; $i < $seconds / 0.005; $i++) {
        array_push($happened, ...$axis->advance(0.005));
    }

    return $happened;
}

it('lifts by the turns that are really wound, layer by layer', function () {
    // A motor so strong that its speed is its no-load speed: the height after a time is the cord wound in it.
    $hoist = new Hoist(0.05, 0.01, cord_m: 0.002, drum_width_m: 0.008, lift_m: 1.2);
    $motor = new DcMotor(12.0, 30.0, 0.01, 50.0, 2.0);
    $run = MotionRun::of(new Plant($hoist, 1.0, 1.0, 1.0, 0.0), $motor->line(12.0, 1.0), 0.0, 1.2, 400.0);
    $drum = $hoist->drum ?? throw new LogicException;

    expect($drum->layers)->toBeGreaterThan(3)
        ->and($run->time_s)->toBeAbout($drum->turns / 30.0 * 60, 2e-3)
        ->and($run->end_speed)->toBeAbout($drum->lastRadius_m() * 30.0 * 2 * M_PI / 60, 2e-3)
        // A mean radius all the way would be right at the end, but far off half way.
        ->and(MotionRun::of(new Plant($hoist, 1.0, 1.0, 1.0, 0.0), $motor->line(12.0, 1.0), 0.0, 0.4,
            400.0)->time_s)->toBeAbout($drum->turnAfter_m(0.4) / (30.0 * 2 * M_PI / 60), 2e-3);
});

it('asks of a wanted move in layers the torque of each, and turns the drum slower where it is full', function () {
    $facts = new MotionFigures(Builds::planted(['motions.2.mechanism.cord_m' => 0.002, 'motions.2.mechanism.drum_width_m' => 0.004,
        'motions.2.mechanism.lift_m' => 0.4, 'motions.2.places.1.at' => 0.4, 'motions.2.stops.hard_high' => 0.42, 'motions.2.stops.switches.1.at' => 0.4])->motions['lift']);
    $hoist = $facts->motion->thing();
    assert($hoist instanceof Hoist);

    expect($facts->there()->static_peak_Nm)->toBeAbout(0.6 * 9.80665 * ($hoist->drum?->lastRadius_m() ?? 0.0), 1e-6)
        ->and($facts->there()->peak_speed_rad_s)->toBeLessThan(1.5 * 0.4 / 4 / 0.01)->toBeGreaterThan(1.5 * 0.4 / 4 / ($hoist->drum?->lastRadius_m() ?? 1.0));
});

it('goes slack when it is let down onto its stop, and the motor runs light', function () {
    $axis = lift([], 0.02);
    $axis->push(-1, 1.0);
    $happened = advanced($axis, 4.0);
    $line = Builds::sound()->motions['lift']->drive?->line() ?? throw new LogicException;

    expect(array_column($happened, 0))->toBe(['lands'])
        ->and($axis->position())->toBeAbout(-0.01, 1e-3)->and($axis->isSlack())->toBeTrue()->and($axis->speed())->toBe(0.0)
        ->and($axis->stalled_s())->toBe(0.0)
        ->and($axis->current_A())->toBeAbout($line->idle_A, 0.02)
        // Only what it carries comes down with a knock: the rotor turns on.
        ->and($happened[0][2])->toBeAbout(0.5 * 0.6 * $happened[0][1] ** 2, 1e-3);
    $axis->stop('brake');
    advanced($axis, 1.0);
    $axis->push(1, 1.0);
    expect(array_column(advanced($axis, 1.0), 0))->toBe([])->and($axis->position())->toBeAbout(-0.01, 1e-3);
    advanced($axis, 5.0);
    expect($axis->isSlack())->toBeFalse()->and($axis->position())->toBeGreaterThan(0.0);
});

it('keeps its books while it is let down, slack and taken up again', function () {
    $axis = lift([], 0.02);
    $ledger = new Ledger($axis->plant(), Builds::sound()->motions['lift']->drive?->motor->resistance_ohm() ?? 0.0);
    $axis->watch($ledger);
    foreach ([-1, 1] as $way) {
        $axis->push($way, 1.0);
        advanced($axis, 3.0);
        $axis->stop('brake');
        advanced($axis, 1.0);
    }
    $axis->closeLedger();

    expect(abs($ledger->imbalance()))->toBeLessThan(0.005)->and($ledger->stopped_J)->toBeGreaterThan(0.0);
});

it('stands on what holds it on its way down, and is pulled against what holds it on its way up', function () {
    foreach ([-1 => true, 1 => false] as $way => $slack) {
        $axis = lift([], 0.05);
        $axis->burden()->held(true, null);
        $axis->burdened();
        $axis->push($way, 1.0);
        advanced($axis, 2.0);

        expect($axis->position())->toBeAbout(0.05, 1e-3)->and($axis->isSlack())->toBe($slack)->and($axis->stalled_s() > 1.0)->toBe(! $slack);
    }
});

it('breaks the cord that is weaker than its motor, and not one that bears it', function (float $breaks, bool $snaps) {
    $axis = lift(['motions.2.mechanism.breaking_N' => $breaks], 0.1);
    $axis->push(1, 1.0);
    $words = array_column(advanced($axis, 2.0), 0);

    // 2.797 N·m at a radius of 10 mm is a pull of 279.7 N; a knot leaves half of what the cord bears.
    expect(in_array('snaps', $words, true))->toBe($snaps)->and($axis->position())->toBeAbout($snaps ? -0.01 : 0.11, 1e-3);
})->with([[559.0, true], [560.0, false]]);

it('pulls the cord with what its command lets it', function (float $speed, bool $snaps) {
    $axis = lift(['motions.2.mechanism.breaking_N' => 300.0], 0.1);
    $axis->push(1, $speed);

    // of 279.7 N that share, against a knot that bears 150 N
    expect(in_array('snaps', array_column(advanced($axis, 4.0), 0), true))->toBe($snaps);
})->with([[0.5, false], [0.6, true]]);

it('pulls the cord through its gears with as much more as they gear it down', function (float $breaks, bool $snaps) {
    $axis = lift(['motions.2.mechanism.breaking_N' => $breaks, 'motions.2.train' => [['type' => 'spur', 'driver' => 12, 'driven' => 36]]], 0.1);
    $axis->push(1, 1.0);

    // 3 × 0.95 of those 279.7 N: 797.1 N
    expect(in_array('snaps', array_column(advanced($axis, 3.0), 0), true))->toBe($snaps);
})->with([[1590.0, true], [1600.0, false]]);

it('says in the run what broke', function () {
    $build = Builds::planted(['motions.2.mechanism.breaking_N' => 300.0, 'routines.1.steps.2' => ['do' => 'wait', 'for_s' => 2.0],
        'motions.2.stops.switches.1.at' => 0.109]);
    $run = RoutineRun::of($build, $build->routines['show'], $build->scenarios['pressed']);
    $snaps = array_values(array_filter($run['events'], fn (array $event): bool => $event['kind'] === 'snap'));

    expect($snaps)->toHaveCount(1)->and($snaps[0]['says']->text())->toContain('The cord of Lift breaks: it is pulled with 280 N, and its knot holds 150 N.');
});

it('tells a cord that the motor breaks before it stalls, on both sides of what it bears', function (float $breaks, bool $told) {
    $found = Builds::found(Builds::planted(['motions.2.mechanism.breaking_N' => $breaks]), 'load.cord_snaps');

    expect($found !== [])->toBe($told);
    if ($told) {
        expect($found[0]->says->text())->toContain('pulls with 280 N')->toContain('holds 275 N');
    }
})->with([[550.0, true], [562.0, false]]);

it('says of what blocks it no more than the cord bears, and that a cord pulls', function () {
    $found = Builds::found(Builds::planted(['motions.2.mechanism.breaking_N' => 300.0]), 'drive.pinches');
    $lift = array_values(array_filter($found, fn ($finding): bool => str_starts_with($finding->place, 'motions.2')));

    expect($lift[0]->says->text())->toStartWith('If blocked, it pulls with 150 N');
});

it('lets a counterweight lie between empty and loaded where the cord stays taut', function () {
    $both = ['motions.2.mechanism.payload_kg' => 0.4, 'motions.2.mechanism.counterweight_kg' => 0.8, 'motions.2.task.payload' => 'both'];
    expect(Builds::found(Builds::planted($both), 'load.will_not_lower'))->toBe([]);
    $empty = Builds::found(Builds::planted(['motions.2.task.payload' => 'there'] + $both), 'load.will_not_lower');
    expect($empty[0]->says->text())->toBe('Empty it weighs 600 g, less than its counterweight of 800 g: nothing pulls it down, and its cord goes slack.')
        ->and(Builds::found(Builds::mended(Builds::planted(['motions.2.task.payload' => 'there'] + $both), $empty[0]->fixes[0]),
            'load.will_not_lower'))->toBe([]);
    expect(fn () => Editor::apply(Builds::sound(), [['path' => 'motions.2.mechanism.counterweight_kg', 'value' => 0.6]]))->toThrow(InvalidInput::class);
});
