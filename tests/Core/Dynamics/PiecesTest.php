<?php

declare(strict_types=1);

use Brookstone\Core\Drive\DcMotor;
use Brookstone\Core\Drive\Drawer;
use Brookstone\Core\Drive\Stepper;
use Brookstone\Core\Drive\TorqueLine;
use Brookstone\Core\Dynamics\CommandRamp;
use Brookstone\Core\Dynamics\DriverCommand;
use Brookstone\Core\Dynamics\HardStops;
use Brookstone\Core\Dynamics\Ledger;
use Brookstone\Core\Dynamics\MotionRun;
use Brookstone\Core\Dynamics\MotorShaft;
use Brookstone\Core\Dynamics\Plant;
use Brookstone\Core\Dynamics\PlantState;
use Brookstone\Core\Dynamics\QuickRun;
use Brookstone\Core\Dynamics\SlackCord;
use Brookstone\Core\Dynamics\StepperRun;
use Brookstone\Core\Load\Move;
use Brookstone\Core\Load\MoveTorque;
use Brookstone\Core\Load\Profile;
use Brookstone\Core\Mechanism\Arm;
use Brookstone\Core\Mechanism\Hoist;
use Brookstone\Core\Mechanism\Slack;
use Brookstone\Core\Mechanism\Slide;
use Brookstone\Core\Mechanism\Turntable;

function dcMotor(float $rotor_kgm2 = 0.0): DcMotor
{
    return new DcMotor(12.0, 60.0, 0.05, 0.5, 1.0, $rotor_kgm2);
}

function pinned(float $angle, float $speed = 0.0): PlantState
{
    return new PlantState($angle, $speed);
}

describe('the ends of a way', function () {
    it('are met exactly at them, by what runs towards them', function (float $angle, float $speed, bool $hits, int $at) {
        $stops = new HardStops(-1.0, 2.0);
        $state = pinned($angle, $speed);
        expect($stops->meet($state))->toBe($hits)->and($stops->at())->toBe($at)->and($state->speed)->toBe($hits ? 0.0 : $speed);
    })->with([[2.0, 0.1, true, 1], [-1.0, -0.1, true, -1], [1.999999, 0.1, false, 0], [-0.999999, -0.1, false, 0], [2.0, 0.0, false, 0], [2.0, -0.1, false, 0], [-1.0, 0.1, false, 0]]);

    it('are clear strictly between them', function (float $angle, bool $clear) {
        expect((new HardStops(-1.0, 2.0))->isClear(pinned($angle)))->toBe($clear);
    })->with([[-1.0, false], [-0.999999, true], [1.999999, true], [2.0, false]]);

    it('are left behind when it is clear again', function () {
        $stops = new HardStops(-1.0, 2.0);
        $stops->meet(pinned(2.0, 1.0));
        expect($stops->at())->toBe(1);
        $stops->isClear(pinned(1.0));
        expect($stops->at())->toBe(0);
    });
});

describe('a ramp', function () {
    /** Where a trapezoid of most v and a is at a time, from rest over a distance. */
    $trapezoid = function (float $distance, float $v, float $a, float $t): float {
        $v = min($v, sqrt($a * $distance));
        $up = $v / $a;
        $all = $distance / $v + $up;

        return match (true) {
            $t <= 0.0 => 0.0,
            $t < $up => $a * $t ** 2 / 2,
            $t < $all - $up => $v * $up / 2 + $v * ($t - $up),
            $t < $all => $distance - $a * ($all - $t) ** 2 / 2,
            default => $distance,
        };
    };

    it('is where its speed and its suddenness bring it, in one step or many', function (float $to, float $v, float $a) use ($trapezoid) {
        foreach ([0.05, 0.4, 0.9, 1.7, 3.3] as $t) {
            $once = new CommandRamp(0.0, $v, $a);
            $once->sendTo($to, 0.0);
            $once->advance($t);
            $often = new CommandRamp(0.0, $v, $a);
            $often->sendTo($to, 0.0);
            for ($i = 0; $i < 100; $i++) {
                $often->advance($t / 100);
            }
            $should = ($to <=> 0.0) * $trapezoid(abs($to), $v, $a, $t);
            expect($once->at())->toEqualWithDelta($should, 1e-9)->and($often->at())->toEqualWithDelta($should, 1e-6);
        }
    })->with([[4.0, 2.0, 10.0], [-4.0, 2.0, 10.0], [0.3, 2.0, 1.5], [9.0, 3.0, 2.0]]);

    it('comes to rest before it turns round', function () {
        $ramp = new CommandRamp(0.0, 2.0, 4.0);
        $ramp->sendTo(9.0, 0.0);
        $ramp->advance(1.0); // at 2 rad/s since half a second: 1.5
        expect($ramp->at())->toBeAbout(1.5, 1e-9);
        $ramp->sendTo(0.0, $ramp->at());
        $ramp->advance(0.5); // stands, half a radian on
        expect($ramp->at())->toBeAbout(2.0, 1e-9);
        $ramp->advance(0.25);
        expect($ramp->at())->toBeAbout(2.0 - 4.0 * 0.25 ** 2 / 2, 1e-9);
        $ramp->advance(9.0);
        expect($ramp->at())->toBe(0.0)->and($ramp->isThere())->toBeTrue();
    });

    it('slows down to a lower speed that it is told', function () {
        $ramp = new CommandRamp(0.0, 4.0, 8.0);
        $ramp->sendTo(100.0, 0.0);
        $ramp->advance(1.0);
        $at = $ramp->at();
        $ramp->most_rad_s = 2.0;
        $ramp->advance(0.25); // from 4 to 2 rad/s
        expect($ramp->at() - $at)->toBeAbout(0.75, 1e-9);
        $ramp->advance(1.0);
        expect($ramp->at() - $at)->toBeAbout(2.75, 1e-9)->and($ramp->steadyFor_s(2.0))->toBeGreaterThan(40.0)->and($ramp->steadyFor_s(4.0))->toBe(0.0);
    });

    it('goes straight on where nothing but its speed is bound, and not past its target', function () {
        $ramp = new CommandRamp(0.0, 2.0);
        $ramp->sendTo(-3.0, 0.0);
        $ramp->advance(1.0);
        expect($ramp->at())->toBe(-2.0)->and($ramp->steadyFor_s(-2.0))->toBe(0.0);
        $ramp->advance(0.6);
        expect($ramp->at())->toBe(-3.0);
    });
});

describe('a motor on its driver', function () {
    $shaft = function (float $ramp_s = 0.0, float $share = 1.0, ?TorqueLine $line = null): MotorShaft {
        $shaft = new MotorShaft(new Plant(new Turntable(0.01), 2.0, 0.9, 0.88, 0.0), $ramp_s);
        $shaft->switch(new DriverCommand($line ?? dcMotor()->line(12.0, 1.0), 1, true, null, 0.0, $share));

        return $shaft;
    };

    it('draws along its line, for the share of the time that it is connected', function () use ($shaft) {
        $line = dcMotor()->line(12.0, 1.0);
        $speed = 0.25 * $line->noLoad_rad_s();
        expect($shaft()->drawn_A(pinned(0.0), 1.0))->toBeAbout($line->stall_A, 1e-9)
            ->and($shaft()->drawn_A(pinned(0.0, $speed), 1.0))->toBeAbout($line->stall_A - ($line->stall_A - $line->idle_A) * 0.5, 1e-9)
            ->and($shaft(0.0, 0.5)->drawn_A(pinned(0.0), 1.0))->toBeAbout(0.5 * $line->stall_A, 1e-9)
            ->and($shaft()->drawn_A(pinned(0.0), 0.5))->toBeAbout(0.5 * $line->stall_A, 1e-9)
            ->and($shaft()->drawn_A(pinned(0.0, 5 * $line->noLoad_rad_s()), 1.0))->toBe(0.0); // it gives nothing back
    });

    it('draws on the average what it draws at its average speed', function () use ($shaft) {
        $line = dcMotor()->line(12.0, 1.0);
        $speed = 0.3 * $line->noLoad_rad_s();
        expect($shaft()->drewOnAverage_A($speed, 1.0))->toBeAbout($line->stall_A - ($line->stall_A - $line->idle_A) * 0.6, 1e-9)
            ->and($shaft(0.0, 0.5)->drewOnAverage_A($speed, 1.0))->toBeAbout(0.5 * ($line->stall_A - ($line->stall_A - $line->idle_A) * 0.6), 1e-9)
            ->and($shaft()->most_A())->toBeAbout($line->stall_A, 1e-12)->and($shaft(0.0, 0.5)->most_A())->toBeAbout(0.5 * $line->stall_A, 1e-12)
            ->and($shaft()->noLoad_rad_s())->toBeAbout($line->noLoad_rad_s(), 1e-12);
    });

    it('comes to its command over its ramp: square in the share of it that has passed', function () use ($shaft) {
        $ramped = $shaft(1.0);
        $state = pinned(0.0);
        expect($ramped->drawn_A($state, 1.0))->toBe(0.0)->and($ramped->isRamping())->toBeTrue()->and($ramped->isAtFull())->toBeFalse();
        $stops = new HardStops(-INF, INF);
        for ($left = 0.5; $left > 1e-9;) {
            $left -= $ramped->step($state, $stops, $left, null);
        }
        $line = dcMotor()->line(12.0, 1.0);
        $current = 0.5 * $line->flowsAtShare_A(0.5, 2.0 * $state->speed);
        expect($ramped->drawn_A($state, 1.0))->toBeAbout($current, 0.03);
        for ($left = 0.51; $left > 1e-9;) {
            $left -= $ramped->step($state, $stops, $left, null);
        }
        expect($ramped->isRamping())->toBeFalse()->and($ramped->isAtFull())->toBeTrue();
    });

    it('draws of an order that it is about to obey what that takes', function () use ($shaft) {
        $line = dcMotor()->line(12.0, 1.0);
        $half = new DriverCommand($line->atShare(0.5), 1, true, null, 0.0);
        $free = new DriverCommand(null, 1, false, null, 0.0);
        expect($shaft()->drawn_A(pinned(0.0), 1.0, $half))->toBeAbout(0.5 * $line->stall_A, 1e-9)->and($shaft()->drawn_A(pinned(0.0), 1.0, $free))->toBe(0.0);
    });

    it('pushes against its stop with all it has, and stands', function () use ($shaft) {
        $stops = new HardStops(-1.0, 0.0);
        $state = pinned(0.0, 1.0);
        $stops->meet($state);
        $pushing = $shaft();
        expect($pushing->step($state, $stops, 0.7, null))->toBe(0.7)->and($state->angle)->toBe(0.0)
            ->and($pushing->current_A)->toBeAbout(dcMotor()->line(12.0, 1.0)->stall_A, 1e-9);
    });
});

describe('what passes between motor and load', function () {
    it('speeds up by what is left over the inertia of both, the rotor before the train', function () {
        $line = dcMotor(2e-4)->line(12.0, 1.0);
        $plant = new Plant(new Turntable(0.01, friction_Nm: 0.05), 3.0, 0.8, 0.75, 2e-4);
        $state = pinned(0.0);
        $plant->step($state, $line, 1, true, 1e-5);
        $should = (0.8 * 3.0 * $line->stall_Nm - 0.05) / (0.01 + 0.8 * 9 * 2e-4);
        expect($state->speed / 1e-5)->toBeAbout($should, 1e-3);
    });

    it('settles where the motor pushes as much as the load asks', function () {
        $line = dcMotor()->line(12.0, 1.0);
        $plant = new Plant(new Turntable(0.001, friction_Nm: 0.3), 2.0, 0.8, 0.75, 0.0);
        $state = pinned(0.0);
        for ($i = 0; $i < 4000; $i++) {
            $plant->step($state, $line, 1, true, 0.01);
        }
        $torque = 0.3 / 2.0 / 0.8;
        expect($state->speed)->toBeAbout($line->speedAgainst($torque) / 2.0, 1e-4)->and($state->motor_Nm)->toBeAbout($torque, 1e-3);
    });

    it('does not start what it cannot move, and tells the torque that it pushes with in vain', function (float $friction, bool $starts) {
        $line = dcMotor()->line(12.0, 1.0);
        $plant = new Plant(new Turntable(0.001, friction_Nm: $friction), 2.0, 0.8, 0.75, 0.0);
        $state = pinned(0.0);
        $plant->step($state, $line, 1, true, 0.01);
        expect($state->speed > 0.0)->toBe($starts)->and($starts || $state->motor_Nm === $line->stall_Nm)->toBeTrue();
    })->with([[0.799, true], [0.801, false]]); // 2 · 0.8 · 0.5 N·m

    it('is held by a train that locks, whatever hangs on it', function () {
        $plant = new Plant(new Hoist(5.0, 0.02), 2.0, 0.4, 0.0, 1e-4);
        $state = pinned(10.0);
        for ($i = 0; $i < 50; $i++) {
            $plant->step($state, dcMotor()->line(12.0, 1.0)->shorted(), 1, false, 0.01);
        }
        expect($state->angle)->toBe(10.0)->and($state->speed)->toBe(0.0);
    });

    it('is let down by a train that does not, as fast as the shorted motor lets it', function () {
        $line = dcMotor()->line(12.0, 1.0);
        $plant = new Plant(new Hoist(2.0, 0.02), 2.0, 0.9, 0.8, 0.0);
        $state = pinned(100.0);
        for ($i = 0; $i < 3000; $i++) {
            $plant->step($state, $line->shorted(), 1, false, 0.01);
        }
        // 0.392 N·m pass at 0.8 over 2 : 1, against the brake of its line.
        $should = 0.8 * 2.0 * 9.80665 * 0.02 / 2.0 / $line->drivenFall_Nms / 2.0;
        expect(-$state->speed)->toBeAbout($should, 2e-3);
    });
});

describe('a whole run', function () {
    it('tells the fastest that its shaft turned, also where it slows down again', function () {
        // Down past the level and up again: a weak motor is fastest on the way.
        $plant = new Plant(new Arm(0.5, 0.2), 1.0, 1.0, 1.0, 0.0);
        $line = (new DcMotor(12.0, 30.0, 0.05, 1.2, 1.0))->line(12.0, 1.0);
        $run = MotionRun::of($plant, $line, deg2rad(-170.0), deg2rad(-10.0), 20.0, traced: true);
        $traced = 0.0;
        for ($i = 1; $i < count($run->path); $i++) {
            $traced = max($traced, abs(($run->path[$i][1] - $run->path[$i - 1][1]) / max(1e-9, $run->path[$i][0] - $run->path[$i - 1][0])));
        }
        expect($run->reached)->toBeTrue()->and($run->peak_speed_rad_s)->toBeAbout($traced, 0.03)->and($run->peak_speed_rad_s)->toBeGreaterThan(abs((float) $run->end_speed));
    });

    it('ends where it stands in vain, runs back, or time is over', function (float $mass, float $patience, string $why) {
        $run = MotionRun::of(new Plant(new Hoist($mass, 0.02), 2.0, 0.9, 0.88, 0.0), dcMotor()->line(12.0, 1.0), 0.0, 1.0, $patience);
        expect($run->reached)->toBeFalse()->and($run->why?->value)->toBe($why)->and($run->time_s)->toBeNull();
    })->with([[20.0, 20.0, 'ran_back'], [0.5, 0.3, 'gave_up'], [4.65, 20.0, 'stuck']]);

    it('takes as long quickly as it does wholly', function (float $friction) {
        $slide = new Slide(0.8, 0.02, $friction);
        $line = dcMotor(1e-5)->line(12.0, 1.0);
        $quick = (new QuickRun($slide, new Move(0.0, 0.3, 1.0, Profile::Cosine)))->time_s($line, 2.0, 0.85, 4 * 1e-5, 0.8);
        $whole = MotionRun::of(new Plant($slide, 2.0, 0.85, 0.8, 1e-5), $line, 0.0, 0.3, 60.0)->time_s;
        expect($quick)->toBeAbout((float) $whole, 1e-4);
    })->with([0.0, 0.5, 2.0, 4.0]);
});

describe('a run solved at once', function () {
    $both = function (Hoist|Slide|Turntable $thing, TorqueLine $line, float $from, float $to, float $ratio = 2.0, float $rotor = 1e-5, float $back = 0.8): array {
        $quick = (new QuickRun($thing, new Move($from, $to, 1.0, Profile::Cosine)))->run($line, $ratio, 0.85, $ratio ** 2 * $rotor, $back);
        $whole = MotionRun::of(new Plant($thing, $ratio, 0.85, $back, $rotor), $line, $from, $to, 200.0);

        return [$quick, $whole];
    };

    it('takes as long, and is as fast, as the one that is stepped', function (string $how, float $from, float $to, float $limit, float $volts) use ($both) {
        $line = dcMotor()->line($volts, 1.0);
        $line = new TorqueLine($line->stall_Nm, $line->fall_Nms, $line->idle_A, $line->stall_A, $line->A_per_Nm, $limit);
        $thing = $how === 'hoist' ? new Hoist(0.8, 0.02, friction_N: 1.0) : ($how === 'slide' ? new Slide(0.6, 0.02, 0.3) : new Turntable(0.02, friction_Nm: 0.02));
        [$quick, $whole] = $both($thing, $line, $from, $to);
        expect($quick[0])->toBeAbout((float) $whole->time_s, 1e-4)->and($quick[1])->toBeAbout($whole->peak_speed_rad_s, 1e-3);
    })->with([
        'up' => ['hoist', 0.0, 0.4, INF, 12.0], 'up, held back by its controller' => ['hoist', 0.0, 0.4, 0.2, 12.0], 'down, driven by its load' => ['hoist', 0.4, 0.0, INF, 12.0],
        'down, slowly' => ['hoist', 0.4, 0.0, INF, 3.0], 'on the level' => ['slide', 0.0, 0.5, INF, 12.0], 'on the level, held back' => ['slide', 0.0, 0.5, 0.1, 12.0],
        'round' => ['turntable', 0.0, 3.0, INF, 12.0], 'round, held back' => ['turntable', 0.0, 3.0, 0.05, 12.0], 'a hair' => ['turntable', 0.0, 0.001, INF, 12.0],
    ]);

    it('speeds up evenly where its controller lets it push no more: s = ½at²', function () use ($both) {
        $line = new TorqueLine(50.0, 0.01, 0.0, 1.0, 0.02, 0.2); // far from its no-load speed
        [$quick] = $both(new Turntable(0.02), $line, 0.0, 2.0, 1.0, 0.0);
        expect($quick[0])->toBeAbout(sqrt(2 * 2.0 * 0.02 / (0.85 * 0.2)), 1e-6)->and($quick[1])->toBeAbout(sqrt(2 * 2.0 * 0.85 * 0.2 / 0.02), 1e-6);
    });

    it('does not get there where the load is too much, or the time too short', function () use ($both) {
        $line = dcMotor()->line(12.0, 1.0);
        expect($both(new Hoist(5.0, 0.02), $line, 0.0, 0.4)[0][0])->toBeNull();
        $quick = new QuickRun(new Hoist(0.8, 0.02), new Move(0.0, 0.4, 1.0, Profile::Cosine));
        $takes = (float) $quick->time_s($line, 2.0, 0.85, 4e-5, 0.8);
        expect($quick->run($line, 2.0, 0.85, 4e-5, 0.8, 0.99 * $takes)[0] ?? null)->toBeNull()->and($quick->run($line, 2.0, 0.85, 4e-5, 0.8, 1.01 * $takes)[0])->toBeAbout($takes, 1e-9);
    });
});

describe('a run that fails', function () {
    it('is over a hundredth of its way behind where it began', function () {
        $run = MotionRun::of(new Plant(new Hoist(20.0, 0.02), 2.0, 0.9, 0.88, 0.0), dcMotor()->line(12.0, 1.0), 0.0, 1.0, 20.0);
        expect($run->stopped_at)->toBeAbout(-0.01, 1e-6);
    });

    it('has pushed in vain for a quarter of a second', function () {
        // Friction holds what the motor cannot move: nothing ever turns.
        $run = MotionRun::of(new Plant(new Slide(5.0, 0.02, 2.0), 1.0, 0.9, 0.88, 0.0), dcMotor()->line(12.0, 1.0), 0.0, 1.0, 20.0, traced: true);
        expect($run->why?->value)->toBe('stuck')->and($run->stopped_at)->toBe(0.0)->and($run->path[count($run->path) - 1][0])->toBeAbout(0.25, 1e-6);
    });
});

describe('a stepper', function () {
    it('follows its move, and tells its path, its margin and where that is least', function () {
        $stepper = Drawer::get('P57-56');
        assert($stepper instanceof Stepper);
        $arm = new Arm(0.4, 0.1);
        $needed = new MoveTorque($arm, new Move(0.0, deg2rad(60.0), 1.0, Profile::Trapezoid));
        $plant = new Plant($arm, 4.0, 0.9, 0.88, 0.0);
        $run = StepperRun::of($needed, $stepper, 24.0, $plant);
        $first = $run->path[0];
        $last = $run->path[count($run->path) - 1];
        expect($first[0])->toBe(0.0)->and($first[1])->toBe(0.0)->and($last[0])->toBeAbout(1.0, 1e-9)->and($last[1])->toBeAbout(deg2rad(60.0), 1e-9);
        $middle = array_values(array_filter($run->path, fn (array $point): bool => abs($point[0] - 0.5) < 1e-9))[0] ?? null;
        expect($middle[1] ?? null)->toBeAbout(deg2rad(30.0), 1e-6);
        // Heaviest while it speeds up at the start, where it lies level.
        expect(rad2deg($run->least_at))->toBeLessThan(15.0)->and($run->margin)->toBeGreaterThan(1.0)
            ->and(StepperRun::of($needed, $stepper, 24.0, new Plant($arm, 2.0, 0.9, 0.88, 0.0))->margin)->toBeLessThan($run->margin);
    });
});

describe('where the energy goes', function () {
    $runs = function (Plant $plant, DcMotor $motor, float $to, float $for_s): Ledger {
        $ledger = new Ledger($plant, $motor->resistance_ohm());
        MotionRun::of($plant, $motor->line(12.0, 1.0), 0.0, $to, $for_s, ledger: $ledger);

        return $ledger;
    };

    it('is lifted, rubbed, lost in the train and the winding, and nothing is left over', function () use ($runs) {
        $ledger = $runs(new Plant(new Hoist(0.5, 0.02, friction_N: 2.0), 2.0, 0.8, 0.75, 1e-5), dcMotor(1e-5), 0.5, 20.0);
        expect($ledger->lifted_J)->toBeAbout(0.5 * 9.80665 * 0.5, 1e-6)->and($ledger->friction_J)->toBeAbout(2.0 * 0.5, 1e-6)
            ->and(abs($ledger->imbalance()))->toBeLessThan(1e-4);
        $passed = $ledger->lifted_J + $ledger->friction_J + $ledger->kinetic_J;
        expect($ledger->train_J)->toBeAbout($passed * 0.25, 0.05); // a fifth of what comes in is a quarter of what goes out
    });

    it('is the supply times the charge', function () use ($runs) {
        $motor = dcMotor();
        $ledger = $runs(new Plant(new Slide(0.2, 0.02, 0.3), 1.0, 0.9, 0.88, 0.0), $motor, 0.8, 20.0);
        expect($ledger->in_J)->toBeAbout(12.0 * $ledger->charge_C, 1e-6);
    });

    it('is all heat where it stands', function () {
        $ledger = new Ledger(new Plant(new Turntable(0.01), 1.0, 1.0, 1.0, 0.0), 6.0);
        $ledger->held(2.0, 0.5);
        expect($ledger->in_J)->toBe(12.0)->and($ledger->copper_J)->toBe(12.0)->and($ledger->charge_C)->toBe(1.0);
        $ledger->held(2.0, 0.5, 3.0);
        expect($ledger->in_J)->toBe(13.5);
    });
});

describe('a cord', function () {
    it('lands with the energy of what it let down, and jerks it up again with what the rotor has', function () {
        $slack = new Plant(new Slack(new Hoist(0.6, 0.01), 0.0), 1.0, 1.0, 1.0, 2e-4);
        $state = pinned(-0.01, -5.0);
        expect(SlackCord::passes($slack, $state, 0.01, null))->toBeAbout(0.5 * 0.6 * 0.01 ** 2 * 25.0, 1e-3)->and($state->speed)->toBe(-5.0);
        $up = pinned(0.01, 5.0);
        $own = 0.6 * 0.01 ** 2;
        expect(SlackCord::passes($slack, $up, -0.01, null))->toBeNull()->and($up->speed)->toBeAbout(5.0 * 2e-4 / (2e-4 + $own), 1e-6);
        $ledger = new Ledger($slack, 6.0);
        $ledger->begin(pinned(-0.01));
        SlackCord::passes($slack, pinned(0.01, 5.0), -0.01, $ledger);
        expect($ledger->stopped_J)->toBeAbout(0.5 * 2e-4 * 25.0 * $own / (2e-4 + $own), 1e-6); // what the blow takes
        $still = pinned(0.02, 5.0);
        expect(SlackCord::passes($slack, $still, 0.01, null))->toBeNull()->and($still->speed)->toBe(5.0);
    });
});
