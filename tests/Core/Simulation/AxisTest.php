<?php

declare(strict_types=1);

use Brookstone\Core\Assessment\Subject\MotionFigures;
use Brookstone\Core\Dynamics\DriverCommand;
use Brookstone\Core\Parts\Stops;
use Brookstone\Core\Routine\StepFailed;
use Brookstone\Core\Simulation\Axis;
use Brookstone\Core\Simulation\Machine;
use Brookstone\Core\Simulation\PositionEstimate;
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

it('stays where its supply leaves it as a servo, and goes on to where it was told when that is back', function () {
    $axis = axisOf('jaw', 0.0);
    $axis->follow(-40.0, 0.3);
    passed($axis, 0.1);
    $axis->fedWith(0.0);
    passed($axis, 0.5);
    $left = $axis->position();

    expect($left)->toBeLessThan(-5.0)->toBeGreaterThan(-30.0)->and($axis->isPowered())->toBeFalse()->and($axis->current_A())->toBe(0.0)
        ->and($axis->isStill())->toBeTrue();
    $axis->fedWith(1.0);
    passed($axis, 1.0);
    expect($axis->isPowered())->toBeTrue()->and($axis->position())->toEqualWithDelta(-40.0, 1.0);
});

it('is told meanwhile where to go, and goes there, not where it was told before', function () {
    $axis = axisOf('jaw', 0.0);
    $axis->follow(-40.0, 0.3);
    passed($axis, 0.1);
    $axis->fedWith(0.0);
    $axis->follow(-10.0, 1.0);
    passed($axis, 0.3);
    expect($axis->isPowered())->toBeFalse();
    $axis->fedWith(1.0);
    passed($axis, 1.0);
    expect($axis->position())->toEqualWithDelta(-10.0, 1.0);
});

it('has the torque of its supply as a stepper: on seven tenths of the voltage a move is lost that it makes on all of it', function (float $share, bool $arrives) {
    $axis = axisOf('lift', 0.0, ['motions.2.drive.motor' => Builds::motor('P42-48'), 'motions.2.mechanism.mass_kg' => 2.0, 'motions.2.task.move_s' => 0.7]);
    $axis->isFoundAt('low');
    $axis->fedWith($share);
    $axis->follow(0.1, 1.0);
    passed($axis, 2.0);

    expect($axis->position() > 0.099)->toBe($arrives)->and($axis->believed())->toEqualWithDelta(0.1, 1e-9); // it does not know
})->with([[1.0, true], [0.7, false]]);

it('takes along what shares its motor: at its own shaft that is by its ratio, and once more for what turns', function (float $way) {
    $motion = Builds::planted(['motions.0.train' => [['type' => 'spur', 'driver' => 12, 'driven' => 36]]])->motions['lid'];
    $machine = new Machine($motion, 30.0, new PositionEstimate($motion));
    [$load_Nm, $own_kgm2, $angle] = [$machine->plant->loadNm($machine->state->angle), $machine->plant->ownAt($machine->state->angle), $machine->state->angle];
    $machine->takesAlong((int) $way, 0.05, 2e-5);
    $efficiency = $machine->plant->efficiency;

    expect($machine->plant->loadNm($angle) - $load_Nm)->toBeAbout($way * 0.05 * 3 * $efficiency, 1e-9)
        ->and($machine->plant->ownAt($angle) - $own_kgm2)->toBeAbout(2e-5 * 9 * $efficiency, 1e-9)->and($efficiency)->toBeLessThan(1.0);
    $machine->takesAlong(1, 0.0, 0.0);
    expect($machine->plant->loadNm($angle))->toBeAbout($load_Nm, 1e-12)->and($machine->plant->ownAt($angle))->toBeAbout($own_kgm2, 1e-12);
})->with([1.0, -1.0]);

it('pushes in vain until it is told to stop, and not while its driver is about to let it go', function () {
    $axis = axisOf('lift', 0.1, driver_s: 0.05);
    $axis->push(1, 1.0);
    passed($axis, 2.0);
    $pushed = $axis->pushedInVain_s();
    $axis->push(1, 1.0);
    $anew = $axis->pushedInVain_s();
    $axis->stop('brake');

    expect($pushed)->toBeGreaterThan(1.0)->toBeLessThan(2.0)->and($anew)->toBe($pushed)->and($axis->isPowered())->toBeTrue()->and($axis->pushedInVain_s())->toBe(0.0);
    passed($axis, 0.1);
    expect($axis->isPowered())->toBeFalse()->and($axis->pushedInVain_s())->toBe(0.0);
});

it('is not woken by the power where nothing drives it', function () {
    $axis = axisOf('lift', 0.05, ['motions.2.drive' => null]);
    $axis->lose();
    $axis->wake();
    passed($axis, 0.5);

    expect($axis->position())->toBeAbout(-0.01, 1e-9)->and($axis->isPowered())->toBeFalse()->and($axis->current_A())->toBe(0.0);
});

it('sinks from the beginning where nobody holds it and its load turns its drive', function (float $mass_kg, bool $sinks) {
    $axis = axisOf('lift', 0.1, ['motions.2.mechanism.mass_kg' => $mass_kg]);
    passed($axis, 0.5);

    expect($axis->position() < 0.0999)->toBe($sinks);
})->with([[0.2, false], [6.0, true]]);

it('pushes against its stop with what its supply still gives', function () {
    $axis = axisOf('lift', 0.1);
    $axis->push(1, 1.0);
    passed($axis, 2.0);
    $stalled_A = $axis->current_A();
    $axis->fedWith(0.5);
    passed($axis, 0.1);

    expect($axis->current_A())->toBeAbout(0.5 * $stalled_A, 1e-6)->and($axis->isStill())->toBeFalse();
});

it('turns light once its latch holds what it moved', function () {
    $motion = Builds::example('bell-hammer')->motions['part'];
    $axis = new Axis($motion, $motion->at($motion->task->from), 0.0);
    $axis->push(1, 1.0);
    $happened = passed($axis, 3.0);
    $axis->push(-1, 1.0);
    passed($axis, 1.0);
    $axis->push(1, 1.0); // once more to where it holds that already
    passed($axis, 0.4);
    $line = $motion->drive?->line() ?? throw new LogicException;

    expect(array_column($happened, 0))->toContain('caught')->and($axis->position())->toBeLessThan(0.025)->and($axis->thingAt())->toBe(0.03)
        ->and($axis->current_A())->toBeAbout($line->idle_A, 0.02);
});

it('looks anew at what it holds once what stands with it has moved; what nothing drives has nothing to look at', function () {
    [$driven, $free] = [axisOf('lid', 0.0), axisOf('lid', 0.0, ['motions.0.drive' => null])];
    foreach ([$driven, $free] as $axis) {
        passed($axis, 0.5);
        expect($axis->isStill())->toBeTrue();
        $axis->stirred();
    }

    expect($driven->isStill())->toBeFalse()->and($free->isStill())->toBeTrue();
});

it('is pushed one way where it goes only that way', function () {
    $axis = axisOf('lid', 0.0, ['motions.0.drive.one_way' => true]);
    expect(fn () => $axis->push(-1, 1.0))->toThrow(StepFailed::class, 'Lid cannot be turned back');
    $axis->push(1, 1.0);
    passed($axis, 0.3);

    expect($axis->position())->toBeGreaterThan(1.0);
});

it('waits while its command grows until that is enough, and then goes', function (float $mass_kg, float $waits_s) {
    $axis = axisOf('lid', 0.0, ['motions.0.drive.ramp_s' => 1.0, 'motions.0.mechanism.mass_kg' => $mass_kg]);
    $axis->push(1, 1.0);
    passed($axis, $waits_s - 0.05);
    $before = $axis->position();
    passed($axis, 1.0);

    expect($before)->toBe(0.0)->and($axis->position())->toBeGreaterThan(0.3);
})->with([
    [1.0, (1.0 * 0.12 * 9.80665 + 0.02) / (0.034 * 400 * 0.27)], // its load and friction, of what it gives at full command
    [2.0, (2.0 * 0.12 * 9.80665 + 0.02) / (0.034 * 400 * 0.27)],
]);

it('holds as a servo where it is found once a step gives it its power back', function () {
    $axis = axisOf('jaw', 0.0);
    $axis->follow(-20.0, 1.0);
    passed($axis, 0.5);
    $axis->power(false);
    passed($axis, 0.5);
    expect($axis->isPowered())->toBeFalse()->and($axis->current_A())->toBe(0.0);
    $found = $axis->position();
    $axis->power(true);
    passed($axis, 0.5);

    expect($axis->isPowered())->toBeTrue()->and($axis->position())->toEqualWithDelta($found, 1.0)->and($axis->current_A())->toBeGreaterThan(0.0);
});

it('has as a stepper that meets a stop lost no more than it was turned back by that', function () {
    $ferry = Builds::demo('heron-wharf')->motions['ferry'];
    [$from, $to] = [$ferry->at($ferry->task->from), $ferry->at($ferry->task->to)];
    $blocked = $ferry->withStops(new Stops(...['hard_high' => max($from, ($from + $to) / 2), 'hard_low' => min($from, ($from + $to) / 2) - abs($to - $from)]
        + get_object_vars($ferry->stops)));
    $where = new PositionEstimate($blocked);
    $machine = new Machine($blocked, $from, $where);
    $machine->ramp->most_rad_s = $ferry->ramp(1.0)->speed;
    $machine->ramp->most_rad_s2 = $ferry->ramp(1.0)->accel;
    $machine->obey(new DriverCommand(null, 1, true, $machine->shaftAngle($to), $machine->state->angle));
    for ($happened = [], $i = 0; $happened === [] && $i < 4000; $i++) {
        $happened = $machine->move(0.001);
    }

    expect($happened[0][0])->toBe('hits')->and(abs($machine->ramp->at() - $machine->state->angle))->toBeLessThan(0.1)
        ->and(abs($where->slipped_rad()))->toBeLessThan(0.1)->and(abs($machine->state->angle))->toBeGreaterThan(1.0);
});
