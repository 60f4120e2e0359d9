<?php

declare(strict_types=1);

use Brookstone\Core\Assessment\Subject\MotionFigures;
use Brookstone\Core\Parts\Stops;
use Brookstone\Core\Routine\StepFailed;
use Brookstone\Core\Simulation\Axis;
use Tests\Support\Builds;

/** @param  array<string, mixed>  $values */
function axisOf(string $motion, float $at, array $values = [], float $driver_s = 0.0): Axis
{
    return new Axis(Builds::planted($values)->motions[$motion], $at, $driver_s);
}

/** @return list<array{string, float, float}> what happened while time passed */
function passed(Axis $axis, float $seconds): array
{
    $happened = [];
    for ($i = 0; $i < (int) round($seconds / 0.005); $i++) {
        array_push($happened, ...$axis->advance(0.005));
    }

    return $happened;
}

it('takes as long as the computed move', function () {
    $axis = axisOf('lid', 0.0);
    $axis->push(1, 1.0);
    $time = (float) (new MotionFigures(Builds::sound()->motions['lid']))->time('shut', 'open');
    passed($axis, round($time / 0.005) * 0.005);

    expect($axis->position())->toBeAbout(70.0, 0.01)->and($axis->speed())->toBeGreaterThan(30.0);
});

it('stands still unpowered, and comes to rest when braked', function () {
    $axis = axisOf('lid', 35.0);
    passed($axis, 1.0);
    expect($axis->position())->toBeAbout(35.0, 1e-9)->and($axis->isStill())->toBeTrue()->and($axis->current_A())->toBe(0.0);

    $axis->push(1, 1.0);
    passed($axis, 0.2);
    expect($axis->isStill())->toBeFalse()->and($axis->isPowered())->toBeTrue()->and($axis->current_A())->toBeGreaterThan(0.1);
    $axis->stop('brake');
    passed($axis, 1.0);
    expect($axis->isStill())->toBeTrue()->and($axis->isPowered())->toBeFalse()->and($axis->position())->toBeGreaterThan(36.0);
});

it('acts only when the driver has', function () {
    $late = axisOf('lid', 0.0, driver_s: 0.05);
    $late->push(1, 1.0);
    passed($late, 0.045);
    expect($late->position())->toBe(0.0);
    passed($late, 0.2);
    expect($late->position())->toBeGreaterThan(0.5);
});

it('hits its stop once, with the energy it has, and pushes on with its stall current', function () {
    $axis = axisOf('lift', 0.09);
    $axis->push(1, 1.0);
    $happened = passed($axis, 2.0);

    expect(array_column($happened, 0))->toBe(['hits', 'stalls'])->and($happened[0][2])->toBeGreaterThan(0.0)
        ->and($axis->position())->toBeAbout(0.11, 1e-9)
        ->and($axis->current_A())->toBeAbout(1.9)
        ->and($axis->isStill())->toBeFalse();
});

it('leaves a stop the other way', function () {
    $axis = axisOf('lift', 0.1);
    $axis->push(1, 1.0);
    passed($axis, 1.5);
    $axis->push(-1, 1.0);
    passed($axis, 1.0);

    expect($axis->position())->toBeLessThan(0.1);
});

it('follows as a servo, arrives and holds with the current that the load asks for', function () {
    $axis = axisOf('jaw', 0.0);
    passed($axis, 0.2);
    $axis->follow(-40.0, 1.0);
    passed($axis, 0.6);
    $line = Builds::sound()->motions['jaw']->drive?->line() ?? throw new LogicException;
    $held = 0.06 * 0.05 * 9.80665 * cos(deg2rad(-40));

    expect($axis->hasArrived())->toBeTrue()
        ->and($axis->position())->toBeAbout(-40.0, 0.02)
        ->and($axis->current_A())->toBeAbout($line->idle_A + $line->A_per_Nm * $held, 0.05);
});

it('does not overshoot as a servo by more than a little', function () {
    $axis = axisOf('jaw', 0.0);
    $axis->follow(-40.0, 1.0);
    $lowest = 0.0;
    for ($i = 0; $i < 200; $i++) {
        $axis->advance(0.005);
        $lowest = min($lowest, $axis->position());
    }

    expect($lowest)->toBeGreaterThan(-43.0);
});

it('sags as a servo that is too weak, and never arrives', function () {
    $axis = axisOf('jaw', 0.0, ['motions.1.mechanism.mass_kg' => 3.0]);
    $axis->follow(60.0, 1.0);
    passed($axis, 2.0);

    expect($axis->hasArrived())->toBeFalse()->and($axis->position())->toBeLessThan(0.0);
});

it('forgets its place when it moves', function () {
    $axis = axisOf('lid', 0.0);
    $axis->isFoundAt('shut');
    expect($axis->knownPlace())->toBe('shut');
    $axis->push(1, 1.0);
    expect($axis->knownPlace())->toBeNull();
});

it('cannot move without a drive, and says so', function () {
    expect(fn () => axisOf('lid', 0.0, ['motions.0.drive' => null])->push(1, 1.0))->toThrow(StepFailed::class, 'Lid has no drive yet');
});

it('loses as a stepper the steps that a hard stop takes from it, and does not know', function () {
    // The stop stands where the ferry cannot go on; sent back by its whole way, it ends short of where it set out by what it lost.
    $ferry = Builds::demo('heron-wharf')->motions['ferry'];
    [$from, $to] = [$ferry->at($ferry->task->from), $ferry->at($ferry->task->to)];
    $short = $from + 0.7 * ($to - $from);
    $blocked = $ferry->withStops(new Stops(...['hard_high' => max($from, $short), 'hard_low' => min($from, $short) - abs($to - $from)]
        + get_object_vars($ferry->stops)));
    $axis = new Axis($blocked, $from, 0.0);
    $axis->isFoundAt($ferry->task->from);
    $axis->follow($to, 1.0);
    $happened = passed($axis, 2 * $ferry->task->move_s + 1);
    expect(array_column($happened, 0))->toBe(['hits', 'stalls', 'stalled'])->and($axis->position())->toBeAbout($short, 1e-6)
        ->and($axis->hasArrived())->toBeTrue();
});

it('draws as a stepper the heat of its phases at rest, and its work on top when it moves', function () {
    $ferry = Builds::demo('heron-wharf')->motions['ferry'];
    $axis = new Axis($ferry, $ferry->at($ferry->task->from), 0.0);
    $atRest = $axis->current_A();
    $axis->isFoundAt($ferry->task->from);
    $axis->follow($ferry->at($ferry->task->to), 1.0);
    passed($axis, $ferry->task->move_s / 4);

    expect($atRest)->toBeGreaterThan(0.1)->and($axis->current_A())->toBeGreaterThan($atRest)->toBeLessThan(2 * $atRest);
    $axis->stop('coast');
    passed($axis, 1.0);
    expect($axis->current_A())->toBe(0.0);
});
