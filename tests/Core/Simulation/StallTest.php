<?php

declare(strict_types=1);

use Brookstone\Core\Build\Build;
use Brookstone\Core\Drive\Drawer;
use Brookstone\Core\Dynamics\MotionRun;
use Brookstone\Core\Dynamics\Plant;
use Brookstone\Core\Parts\Motion;
use Brookstone\Core\Simulation\Axis;
use Brookstone\Core\Simulation\RoutineRun;
use Brookstone\Core\Simulation\StallWatch;
use Brookstone\Core\Study\FaultSweep;
use Tests\Support\Builds;

/** @param  array<string, mixed>  $planted */
function heldAxis(string $motion, array $planted, float $at): Axis
{
    return new Axis(Builds::planted($planted)->motions[$motion], $at, 0.0);
}

function letsPass(Axis $axis, float $seconds): void
{
    for ($i = 0; $i < $seconds / 0.005; $i++) {
        $axis->advance(0.005);
    }
}

it('sees a stall at the command in force: at half duty it draws half, and still pushes in vain', function (float $speed) {
    $axis = heldAxis('lid', [], 70.0);
    $axis->burden()->held(true, null);
    $axis->burdened();
    $axis->push(1, $speed);
    letsPass($axis, 2.0);
    $stall_A = Builds::sound()->motions['lid']->drive?->line()->stall_A ?? 0.0;

    expect($axis->stalled_s())->toBeAbout(2.0, 0.01)->and($axis->stalledWith_A())->toBeAbout($speed * $stall_A, 1e-6);
})->with([1.0, 0.5, 0.3]);

it('does not call it a stall while a command only begins', function () {
    $axis = heldAxis('lift', ['motions.2.drive.ramp_s' => 1.0], 0.0);
    $axis->push(1, 1.0);
    letsPass($axis, 0.9);

    expect($axis->stalled_s())->toBe(0.0);
});

it('starts a sound hoist softly: it comes up, and not after forty seconds', function (float $ramp) {
    $lift = Builds::planted(['motions.2.drive.ramp_s' => $ramp])->motions['lift'];
    $run = MotionRun::of(Plant::of($lift), $lift->drive?->line() ?? throw new LogicException, 0.0, 0.1, 40.0, ramp_s: $ramp);
    $straight = MotionRun::of(Plant::of($lift), $lift->drive->line(), 0.0, 0.1, 40.0);

    expect($run->reached)->toBeTrue()->and($run->time_s)->toBeGreaterThan($straight->time_s)->toBeLessThan($straight->time_s + $ramp)
        ->and(Builds::found(Builds::planted(['motions.2.drive.ramp_s' => $ramp, 'motions.2.task.move_s' => 6]),
            'drive.over_target'))->toBe([]);
})->with([0.2, 1.0, 2.5]);

it('holds a lift back by its gears while the command is too weak for it, and lets it not sink', function () {
    $axis = heldAxis('lift', ['motions.2.drive.ramp_s' => 2.0, 'motions.2.mechanism.mass_kg' => 1.5], 0.05);
    $axis->push(1, 1.0);
    $lowest = 1.0;
    for ($i = 0; $i < 400; $i++) {
        $axis->advance(0.005);
        $lowest = min($lowest, $axis->position());
    }

    expect($lowest)->toBe(0.05);
});

/** The lid on a stepper, and a routine that takes it up. */
function stepped(array $planted = []): Build
{
    return Builds::planted([
        'motions.0.drive' => ['motor' => Builds::motor('P57-56'), 'supply' => 'main'],
        'motions.0.train' => [['type' => 'spur', 'driver' => 12, 'driven' => 48]], 'motions.0.mechanism.mass_kg' => 0.15,
        'routines.1.steps' => [['do' => 'go', 'motion' => 'lid', 'place' => 'open', 'give_up_s' => 6]], ...$planted,
    ]);
}

it('does not call a stepper stalled that rests with its current on', function () {
    $run = RoutineRun::of(stepped(), stepped()->routines['show'], stepped()->scenarios['pressed'], after_s: 5.0);

    expect($run['outcome'])->toBe('finished')->and($run['stalled_s']['lid'])->toBe(0.0)->and($run['stalled_at_end_s']['lid'])->toBe(0.0);
});

it('tells of a stepper in the fault sweep what becomes of it, and not a stall at every step', function () {
    $sweep = new FaultSweep(stepped(), stepped()->routines['show'], null);
    $outcomes = array_map(fn ($case): string => $sweep->run($case)['outcome'], $sweep->cases());

    expect(array_count_values($outcomes)['stalls'] ?? 0)->toBeLessThan(count($outcomes) / 2);
});

it('reckons the heat of a stall with the current of its command', function () {
    $lid = Builds::sound()->motions['lid'];
    $limit = fn (float $speed): ?float => $lid->drive?->motor->body()->thermal->secondsToLimit($lid->drive->heldHeat_W($speed), 25.0);
    expect($limit(0.5))->toBeGreaterThan(3 * (float) $limit(1.0));
    $hot = fn (float $speed): array => Builds::found(Builds::planted(['routines.1.steps.0.give_up_s' => 300.0, 'routines.1.steps.0.speed' => $speed]),
        'routine.give_up_hot');

    expect($hot(1.0)[0]->says->text())->toContain('overheats after '.Brookstone\Core\Quantity\Quantity::of((float) $limit(1.0), 's')->text())
        ->and($hot(0.4))->toBe([]); // at 0.4 of its voltage it never gets there
});

it('moves a stepper in the time of its ramp: told, tabled and run alike', function (float $to) {
    $build = stepped(['motions.0.places.2' => ['id' => 'part', 'name' => 'Part', 'at' => $to], 'routines.1.steps.0.place' => 'part']);
    $lid = $build->motions['lid'];
    $told = (new Brookstone\Core\Assessment\Subject\MotionFigures($lid))->time('shut', 'part');
    $axis = new Axis($lid, 0.0, 0.0);
    $axis->isFoundAt('shut');
    $axis->follow($to, 1.0);
    for ($time = 0.0; ! $axis->hasArrived() && $time < 10.0; $time += 0.001) {
        $axis->advance(0.001);
    }

    expect($told)->toEqualWithDelta($time, 0.003);
})->with([1.0, 5.0, 20.0, 60.0]);

it('slips where it is started without a ramp faster than it can, as the judge says', function (float $turn_s, bool $comes) {
    $dial = fn (): Motion => Builds::planted(['routines' => [], 'motions.2' => [
        'id' => 'lift', 'name' => 'Dial', 'mechanism' => ['kind' => 'turntable', 'inertia_kgm2' => 0.0004, 'friction_Nm' => 0.01],
        'places' => [['id' => 'low', 'name' => 'Low', 'at' => 0], ['id' => 'high', 'name' => 'High', 'at' => 360]],
        'task' => ['from' => 'low', 'to' => 'high', 'move_s' => $turn_s, 'keeps_turning' => true, 'profile' => 'steady'],
        'drive' => ['motor' => Builds::motor('P42-40'), 'supply' => 'main'],
    ]])->motions['lift'];
    $axis = new Axis($dial(), 0.0, 0.0);
    $axis->push(1, 1.0);
    letsPass($axis, 2.0);

    // It starts at 230 full steps a second at most: a turn of 200 in 0.87 s.
    expect($axis->speed() > 300.0)->toBe($comes);
})->with([[0.9, true], [0.84, false]]);

it('starts an unloaded stepper as fast as its field can catch it', function () {
    $motor = Drawer::get('P42-40');
    assert($motor instanceof Brookstone\Core\Drive\Stepper);
    // Without a load ½Jω² = 2T/p.
    expect($motor->startsUpTo_rad_s(24.0, 0.0, 1e-5))->toBeAbout(sqrt(4 * 0.7 * $motor->holding_Nm / 50 / 1e-5), 1e-9)
        ->and($motor->startsUpTo_rad_s(24.0, 0.7 * $motor->holding_Nm, 1e-5))->toBe(0.0)
        ->and($motor->swings_hz(1e-5))->toBeAbout(sqrt(50 * $motor->holding_Nm / 1e-5) / 2 / M_PI, 1e-9);
});

it('is stalled once it has pushed in vain for longer than a servo needs to settle, and tells when that ends', function () {
    $watch = new StallWatch;
    expect($watch->look(true, StallWatch::STALLED_S, 1.5))->toBeNull()->and($watch->look(false, 0.01))->toBeNull(); // just as long is none yet
    expect($watch->look(true, StallWatch::STALLED_S, 1.5))->toBeNull()->and($watch->look(true, 0.01, 1.6)[0] ?? null)->toBe('stalls')
        ->and($watch->look(true, 0.01, 1.6))->toBeNull(); // told once
    [$what, $for_s, $with_A] = $watch->look(false, 0.01) ?? throw new LogicException;

    expect($what)->toBe('stalled')->and($for_s)->toBeAbout(StallWatch::STALLED_S + 0.02, 1e-9)->and($with_A)->toBe(1.6)->and($watch->now_s())->toBe(0.0)
        ->and($watch->most_s())->toBe($for_s)->and($watch->look(false, 0.01))->toBeNull();
});
