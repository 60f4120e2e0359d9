<?php

declare(strict_types=1);

use Brookstone\Core\Routine\Scenario;
use Brookstone\Core\Routine\StepFailed;
use Brookstone\Core\Simulation\Axis;
use Brookstone\Core\Simulation\ComputedTimes;
use Brookstone\Core\Simulation\LoadDisturbance;
use Brookstone\Core\Simulation\Machine;
use Brookstone\Core\Simulation\PositionEstimate;
use Brookstone\Core\Simulation\RoutineRun;
use Brookstone\Core\Simulation\SimulatedController;
use Brookstone\Core\Simulation\World;
use Tests\Support\Builds;

/** @param  array<string, mixed>  $planted */
function ordered(string $motion, float $at = 0.0, array $planted = [], float $driver_s = 0.0): Axis
{
    return new Axis(Builds::planted($planted)->motions[$motion], $at, $driver_s);
}

function goesOnFor(Axis $axis, float $seconds): void
{
    for ($i = 0; $i < (int) round($seconds / 0.005); $i++) {
        $axis->advance(0.005);
    }
}

/** @return array<string, mixed> the lid on a stepper */
function onAStepper(): array
{
    return ['motions.0.drive' => ['motor' => Builds::motor('P57-56'), 'supply' => 'main'], 'motions.0.train' => [['type' => 'spur', 'driver' => 12, 'driven' => 48]],
        'motions.0.mechanism.mass_kg' => 0.15];
}

describe('stopping', function () {
    it('lets a servo hold where it has got to, or go', function (string $how, bool $stays) {
        $jaw = ordered('jaw');
        $jaw->follow(-40.0, 0.25);
        goesOnFor($jaw, 0.2);
        $at = $jaw->position();
        $jaw->stop($how);
        goesOnFor($jaw, 0.05);
        expect($jaw->isPowered())->toBe($stays)->and($at)->toBeLessThan(-10.0)->toBeGreaterThan(-30.0);
        goesOnFor($jaw, 1.0);
        $stays ? expect($jaw->position())->toEqualWithDelta($at, 2.0)->and($jaw->drawn_A(1.0, 0.0))->toBeGreaterThan(0.0) : expect($jaw->drawn_A(1.0, 0.0))->toBe(0.0);
    })->with([['hold', true], ['brake', true], ['coast', false]]);

    it('lets a stepper keep its current, or lose it', function (string $how, bool $stays) {
        $lid = ordered('lid', 0.0, onAStepper());
        $lid->isFoundAt('shut');
        $lid->follow(70.0, 0.5);
        goesOnFor($lid, 1.5);
        $lid->stop($how);
        goesOnFor($lid, 0.5);
        expect($lid->drawn_A(1.0, 0.0) > 0.0)->toBe($stays)->and($lid->position())->toBeGreaterThan(1.0)->toBeLessThan(69.0);
    })->with([['hold', true], ['brake', true], ['coast', false]]);

    it('lets a motor run on further when it coasts than when it is braked', function () {
        $on = function (string $how): float {
            $lift = ordered('lift', 0.05, ['motions.2.stops.hard_high' => 1.0, 'motions.2.mechanism.mass_kg' => 0.02]);
            $lift->push(1, 1.0);
            goesOnFor($lift, 0.5);
            $at = $lift->position();
            $lift->stop($how);
            goesOnFor($lift, 2.0);

            return $lift->position() - $at;
        };
        expect($on('coast'))->toBeGreaterThan(1.2 * $on('brake'))->and($on('brake'))->toBeGreaterThan(0.0);
    });
});

describe('a servo whose power is cut between moves', function () {
    it('loses it three tenths of a second after it has arrived, and stays', function () {
        $jaw = ordered('jaw', 0.0, ['motions.1.drive.gated' => true, 'motions.1.mechanism.mass_kg' => 0.02]);
        $jaw->follow(-40.0, 1.0);
        for ($time = 0.0; ! $jaw->hasArrived(); $time += 0.005) {
            $jaw->advance(0.005);
        }
        goesOnFor($jaw, 0.28);
        expect($jaw->isPowered())->toBeTrue();
        goesOnFor($jaw, 0.04);
        expect($jaw->isPowered())->toBeFalse()->and($jaw->drawn_A(1.0, 0.0))->toBe(0.0)->and($jaw->position())->toEqualWithDelta(-40.0, 1.5)->and($jaw->hasArrived())->toBeTrue();
    });
});

describe('an order', function () {
    it('is obeyed when the driver has acted, and counts in what is drawn as soon as it is within the look', function () {
        $lid = ordered('lid', 0.0, [], 0.05);
        $lid->push(1, 1.0);
        expect($lid->drawn_A(1.0, 0.04))->toBe(0.0)->and($lid->drawn_A(1.0, 0.05))->toBeGreaterThan(1.0)->and($lid->isToldToMove())->toBeTrue();
        $lid->advance(0.049);
        expect($lid->isPowered())->toBeFalse();
        $lid->advance(0.002);
        expect($lid->isPowered())->toBeTrue()->and($lid->drawn_A(1.0, 0.0))->toBeGreaterThan(1.0);
    });

    it('takes the place of the one before that was not obeyed yet', function () {
        $lid = ordered('lid', 35.0, [], 0.05);
        $lid->push(1, 1.0);
        $lid->advance(0.03);
        $lid->push(-1, 1.0);
        goesOnFor($lid, 0.4);
        expect($lid->position())->toBeLessThan(35.0);
    });

    it('is refused by what has no power', function () {
        $lid = ordered('lid');
        $lid->power(false);
        expect(fn () => $lid->push(1, 1.0))->toThrow(StepFailed::class, 'the power of Lid is switched off');
        $lid->power(true);
        $lid->push(1, 1.0);
        goesOnFor($lid, 0.2);
        expect($lid->position())->toBeGreaterThan(1.0);
    });

    it('may leave it alone only where nothing is pending', function () {
        $lift = ordered('lift', 0.05, ['motions.2.stops.hard_high' => 50.0]);
        $lift->push(1, 1.0);
        expect($lift->leftAlone_s(-INF, INF))->toBe(0.0);
        goesOnFor($lift, 2.0);
        $alone = $lift->leftAlone_s(-INF, INF);
        expect($alone)->toBeGreaterThan(0.05)->and($lift->leftAlone_s(-INF, $lift->position() + 0.001))->toBeLessThan(0.05)
            ->and($lift->leftAlone_s($lift->position() - 0.001, INF))->toBe($alone) // it goes away from that
            ->and($lift->leftAlone_s(0.5, 0.5))->toBe(0.0)->and($lift->leftAlone_s(INF, -INF))->toBe(0.0);
        $lift->stop('brake');
        expect($lift->leftAlone_s(-INF, INF))->toBe(0.0);
    });

    it('may leave alone what pushes in vain', function () {
        $lid = ordered('lid', 75.0);
        $lid->push(1, 1.0);
        goesOnFor($lid, 1.0);
        expect($lid->leftAlone_s(-INF, INF))->toBe(0.5);
    });
});

describe('what a motor that moves several finds', function () {
    $machine = function (string $motion, float $at, array $planted = []): Machine {
        $of = Builds::planted($planted)->motions[$motion];

        return new Machine($of, $at, new PositionEstimate($of));
    };

    it('is what each needs of it, that way, slowly', function () use ($machine) {
        $lid = $machine('lid', 0.0);
        expect($lid->needs_Nm(1))->toBeAbout(0.3 * 9.80665 * 0.12 + 0.02, 1e-6)->and($lid->needs_Nm(-1))->toBeAbout(0.02 - 0.3 * 9.80665 * 0.12, 1e-6);
        $geared = $machine('lid', 0.0, ['motions.0.train' => [['type' => 'spur', 'driver' => 20, 'driven' => 40]]]);
        expect($geared->needs_Nm(1))->toBeAbout((0.3 * 9.80665 * 0.12 + 0.02) / 2 / 0.95, 1e-3)->and($geared->needs_Nm(-1))->toBeAbout((0.02 - 0.3 * 9.80665 * 0.12) / 2, 1e-3);
    });

    it('is endless at the end of a way', function (float $at, int $direction, bool $ends) use ($machine) {
        expect($machine('lid', $at)->needs_Nm($direction) === INF)->toBe($ends)->and($machine('lid', $at)->weighs($direction)[0] === INF)->toBe($ends);
    })->with([[75.0, 1, true], [75.0, -1, false], [-5.0, -1, true], [-5.0, 1, false], [74.9, 1, false], [-4.9, -1, false]]);

    it('weighs what it is, at its motor', function () use ($machine) {
        [$torque, $inertia] = $machine('lid', 0.0, ['motions.0.train' => [['type' => 'spur', 'driver' => 20, 'driven' => 40]]])->weighs(1);
        expect($torque)->toBeAbout((0.3 * 9.80665 * 0.12 + 0.02) / 2 / 0.95, 1e-3)->and($inertia)->toBeAbout(0.3 * 0.12 ** 2 / 4 / 0.95, 1e-3);
    });
});

describe('a controller', function () {
    $world = function (array $planted = []): World {
        $build = Builds::planted($planted);

        return new World($build, new Scenario('', '', 60.0, [], []), INF);
    };

    it('switches the power of one motion, or of all on a supply', function () use ($world) {
        $all = $world();
        $controller = new SimulatedController($all, $all->build->routines['show']);
        $refuses = fn (string $motion): bool => (function () use ($all, $motion): bool {
            try {
                $motion === 'jaw' ? $all->axes[$motion]->follow(-10.0, 1.0) : $all->axes[$motion]->push(1, 0.1);
            } catch (StepFailed) {
                return true;
            }

            return false;
        })();
        $controller->power('lid', null, false);
        expect(array_map($refuses, ['lid', 'jaw', 'lift']))->toBe([true, false, false]);
        $controller->power(null, 'servos', false);
        expect(array_map($refuses, ['lid', 'jaw', 'lift']))->toBe([true, true, false]);
        $controller->power(null, 'main', true);
        expect(array_map($refuses, ['lid', 'jaw', 'lift']))->toBe([false, true, false]);
    });

    it('does what another does, and that another, eight deep and no deeper', function (int $deep, string $outcome) {
        $routines = [];
        for ($i = 0; $i <= $deep; $i++) {
            $routines[] = ['id' => "r{$i}", 'name' => "R{$i}", 'starts' => $i === 0 ? [['when' => 'power_on']] : [],
                'steps' => $i === $deep ? [['do' => 'wait', 'for_s' => 0.1]] : [['do' => 'call', 'routine' => 'r'.($i + 1)]]];
        }
        $build = Builds::planted(['routines' => $routines, 'scenarios' => []]);
        expect(RoutineRun::of($build, $build->routines['r0'])['outcome'])->toBe($outcome);
    })->with([[1, 'finished'], [7, 'finished'], [8, 'finished'], [9, 'faulted']]);

    it('knows the time of a move, and of none that is never made', function () {
        $build = Builds::planted(['motions.0.mechanism.mass_kg' => 5.0]);
        $times = new ComputedTimes($build->settings);
        expect($times->time_s(Builds::sound()->motions['lid'], 0.0, 70.0, 1.0))->toBeAbout(0.92674, 1e-3)
            ->and($times->time_s($build->motions['lift'], 0.0, 0.1, 1.0))->toBeAbout(2.947, 1e-2)->and((new ComputedTimes($build->settings))->time_s($build->motions['lid'], 0.0, 70.0, 1.0))->toBeNull();
    });

    it('allows for what it runs on when it counts its pulses', function () {
        $lift = Builds::planted(['motions.2.stops.encoder_pulses' => 48, 'settings.driver_s' => 0.02])->motions['lift'];
        $settings = Builds::planted(['settings.driver_s' => 0.02])->settings;
        $waits = $settings->scan_s / 2 + $settings->driver_s;
        $on = (new ComputedTimes($settings))->runsOn_s($lift, 0.1, 1, 1.0);
        expect($on)->toBeGreaterThan(0.6 * $waits)->toBeLessThan($waits + 0.1);
        $slow = (new ComputedTimes($settings))->runsOn_s(Builds::planted(['motions.2.drive' => null])->motions['lift'], 0.1, 1, 1.0);
        expect($slow)->toBeAbout($waits, 1e-12); // without a drive only what it waits
    });

    it('claims what it moves, and lets it go when that is not gone on with', function () use ($world) {
        $all = $world();
        $controller = new SimulatedController($all, $all->build->routines['show']);
        $controller->stop($all->build->routines['show']->steps);
        expect(array_filter($all->written()['events'], fn (array $event): bool => $event['kind'] === 'conflict'))->toBe([]);
    });
});

describe('a load that is held', function () {
    it('is held within a hundredth of its way, and nowhere else', function (float $at, bool $held) {
        $lift = Builds::sound()->motions['lift'];
        $load = new LoadDisturbance($lift, 0.0);
        $load->held(true, 0.05);
        expect($load->mechanism()->frictionNm($at) > 1e3)->toBe($held);
    })->with([[0.05, true], [0.0509, true], [0.0511, false], [0.0491, true], [0.0489, false], [0.0, false]]);

    it('is nothing less than zero where it stands at zero', function () {
        $build = Builds::sound();
        $run = RoutineRun::of($build, $build->routines['wake']);
        foreach ($run['ends'] as $end) {
            expect(json_encode($end['at']))->not->toBe('-0.0');
        }
    });
});
