<?php

declare(strict_types=1);

use Brookstone\Core\Assessment\Sheet\DriveSheet;
use Brookstone\Core\Assessment\Subject\DriveFigures;
use Brookstone\Core\Assessment\Subject\MotionFigures;
use Brookstone\Core\Assessment\Subject\MotionInBuild;
use Brookstone\Core\Build\Editor;
use Brookstone\Core\Calculator\Calculators;
use Brookstone\Core\Drive\BenchRatings;
use Brookstone\Core\Drive\Brushless;
use Brookstone\Core\Drive\Drawer;
use Brookstone\Core\Drive\Drives;
use Brookstone\Core\Drive\Knock;
use Brookstone\Core\Drive\LinearActuator;
use Brookstone\Core\Drive\Servo;
use Brookstone\Core\Drive\Stepper;
use Brookstone\Core\Dynamics\MotionRun;
use Brookstone\Core\Dynamics\Plant;
use Brookstone\Core\Simulation\Axis;
use Tests\Support\Builds;
use Tests\Support\Things;

it('pulls less the faster a stepper turns, and no faster than it can', function () {
    $stepper = Drawer::get('P42-40');
    assert($stepper instanceof Stepper);
    $last = INF;
    foreach (range(0, 40) as $i) {
        $torque = $stepper->available_Nm(12.0, $i * 5.0);
        expect($torque)->toBeLessThanOrEqual($last)->toBeGreaterThanOrEqual(0.0);
        $last = $torque;
    }

    expect($stepper->available_Nm(12.0, 0.0))->toBeAbout(0.7 * $stepper->holding_Nm)
        ->and($stepper->available_Nm(24.0, 60.0))->toBeGreaterThan($stepper->available_Nm(12.0, 60.0))
        ->and($stepper->available_Nm(12.0, $stepper->speedAgainst(12.0, 0.1)))->toBeAbout(0.1, 1e-6);
});

it('says near and past half of its pull that a stepper may slip', function (float $load, array $severities) {
    $inputs = ['holding_Nm' => 0.4, 'steps_per_rev' => 200, 'phase_A' => 1.5, 'phase_ohm' => 1.8, 'phase_mH' => 3.0, 'supply_V' => 12, 'speed_rpm' => 0,
        'load_Nm' => $load];
    $findings = Calculators::run(Calculators::all()['drive.stepper_point'], $inputs)['findings'];

    expect(array_map(fn ($finding): string => $finding->code.' '.$finding->severity->value, $findings))->toBe($severities);
})->with([[0.05, []], [0.15, ['drive.stepper_slips tight']], [0.3, ['drive.stepper_slips fails']]]);

/** The ferry of the demo, on a routine's axis. */
function ferry(array $changes = []): Axis
{
    $build = Builds::demo('heron-wharf');
    $i = $build->indexOf('ferry');
    $build = Editor::apply($build, array_map(fn (string $path, mixed $value): array => ['path' => "motions.{$i}.{$path}", 'value' => $value],
        array_keys($changes), $changes));

    return new Axis($build->motions['ferry'], 0.0, 0.0);
}

it('takes a stepper to its place in its time, and back', function () {
    $ferry = ferry();
    $ferry->isFoundAt('quay');
    expect($ferry->canFollow())->toBeTrue();
    $ferry->follow(0.55, 1.0);
    for ($time = 0.0; ! $ferry->hasArrived() && $time < 20.0; $time += 0.005) {
        $ferry->advance(0.005);
    }

    expect($time)->toBeAbout(6.0, 0.1)->and($ferry->position())->toBeAbout(0.55, 2e-3);
});

it('does not know where a stepper is before it is homed', function () {
    expect(ferry()->canFollow())->toBeFalse();
});

it('loses its place when the load is more than it pulls, and nobody is told', function () {
    $ferry = ferry(['mechanism.extra_force_N' => 60.0]);
    $ferry->isFoundAt('quay');
    $ferry->follow(0.55, 1.0);
    for ($time = 0.0; $time < 12.0; $time += 0.005) {
        $ferry->advance(0.005);
    }

    expect($ferry->hasArrived())->toBeTrue()->and($ferry->position())->toBeLessThan(0.5);
});

it('never lets a controller push harder than it may', function () {
    $motor = Drawer::get('B65-12');
    assert($motor instanceof Brushless);
    $line = $motor->line(12.0, 1.0);
    [$thing] = (new Things(3))->make('turntable');
    $plant = new Plant($thing, 1.0, 1.0, 1.0, $motor->rotorKgm2());
    $state = $plant->stateAt(0.0);
    $largest = 0.0;
    for ($i = 0; $i < 400; $i++) {
        $plant->step($state, $line, 1, true, 0.005);
        $largest = max($largest, $state->motor_Nm);
    }

    expect($line->most_Nm())->toBeLessThan($line->stall_Nm)
        ->and($largest)->toBeLessThanOrEqual($line->most_Nm() * (1 + 1e-9))
        ->and($state->speed)->toBeGreaterThan(0.9 * $line->noLoad_rad_s());
});

it('pushes with an actuator as far and as hard as its lever says', function () {
    $near = Drawer::get('L50-12');
    $far = Drives::make(['lever_m' => 0.08] + Drives::write($near));
    assert($near instanceof LinearActuator && $far instanceof LinearActuator);

    expect($far->line(12.0, 1.0)->stall_Nm)->toBeAbout(2 * $near->line(12.0, 1.0)->stall_Nm)
        ->and($far->travel_deg())->toBeAbout($near->travel_deg() / 2)
        ->and($near->line(12.0, 1.0)->noLoad_rad_s())->toBeAbout(0.015 / 0.04);
});

it('turns a continuous servo as slowly as it is told, and no stronger', function () {
    $servo = Drawer::get('C20 turning');

    expect($servo->line(6.0, 0.5)->noLoad_rad_s())->toBeAbout($servo->line(6.0, 1.0)->noLoad_rad_s() / 2)
        ->and($servo->line(6.0, 0.5)->stall_Nm)->toBeAbout($servo->line(6.0, 1.0)->stall_Nm / 2)
        ->and($servo->travel_deg())->toBeNull();
});

it('starts softly with a ramp: less current at first, and later there', function () {
    $build = Builds::sound();
    $lift = $build->motions['lift'];
    $drive = $lift->drive;
    assert($drive !== null);
    $run = fn (float $ramp) => MotionRun::of(Plant::of($lift), $drive->line(), 0.0, 0.1, 20.0, traced: true, ramp_s: $ramp);
    [$hard, $soft] = [$run(0.0), $run(0.8)];

    expect($soft->time_s)->toBeGreaterThan((float) $hard->time_s + 0.2)
        ->and($soft->peak_current_A)->toBeLessThan($hard->peak_current_A)
        ->and($soft->peak_out_Nm)->toBeLessThan($hard->peak_out_Nm);
});

it('cuts the power of a gated servo once it has arrived, and wakes it when it is called', function () {
    $build = Builds::planted(['motions.1.drive.gated' => true, 'motions.1.mechanism.mass_kg' => 0.03]);
    $jaw = new Axis($build->motions['jaw'], 0.0, 0.0);
    $jaw->follow(-40.0, 1.0);
    for ($i = 0; $i < 400; $i++) {
        $jaw->advance(0.005);
    }
    expect($jaw->isPowered())->toBeFalse()->and($jaw->current_A())->toBe(0.0)->and($jaw->position())->toBeAbout(-40.0, 0.06)
        ->and($jaw->hasArrived())->toBeTrue();
    $jaw->follow(0.0, 1.0);
    for ($i = 0; $i < 60; $i++) {
        $jaw->advance(0.005);
    }
    expect(abs($jaw->position()))->toBeLessThan(3.0);
});

it('gives one motor to one of two motions only', function () {
    $build = Builds::planted(['motions.2.drive.shares' => 'lid', 'routines.0.steps' => [
        ['do' => 'run', 'motion' => 'lid', 'direction' => 'up', 'for_s' => 0.2], ['do' => 'run', 'motion' => 'lift', 'direction' => 'up', 'for_s' => 0.2],
        ['do' => 'stop', 'motion' => 'lid'],
    ]]);
    $trace = Brookstone\Core\Simulation\RoutineRun::of($build, $build->routines['wake']);

    expect($trace['outcome'])->toBe('faulted')->and($trace['fault'])->toBe('Lift needs the motor that Lid is using');
});

it('reckons with the energy of what is stopped: none, much, and what a clutch lets pass', function () {
    expect(Knock::torque_Nm(1.0, 50.0, 0.002, 0.0))->toBe(2.0) // suddenly stopped push counts twice
        ->and(Knock::torque_Nm(0.0, 50.0, 0.002, 10.0))->toBeAbout(sqrt(50 * 0.002 * 100))
        ->and(Knock::torque_Nm(1.0, 50.0, 0.002, 10.0, 1.5))->toBe(1.5)
        ->and(Knock::torque_Nm(1.0, 50.0, 0.002, 10.0))->toBeGreaterThan(Knock::torque_Nm(1.0, 5.0, 0.002, 10.0));
});

it('warms a winding as its size says, from the air to where it settles', function () {
    $build = Builds::sound();
    $subject = new MotionInBuild($build, $build->motions['lid'], new MotionFigures($build->motions['lid']));
    $f = DriveFigures::of($subject);
    $heat = DriveSheet::of($subject)['heat'] ?? [];

    expect($heat['running_C'][0])->toBeAbout(25.0)
        ->and(end($heat['running_C']))->toBeAbout(25.0 + ($f->thermal->settles_C($f->cycle_heat_W, 25.0) - 25.0) * (1 - exp(-4.0)), 1e-3)
        ->and(end($heat['held_C']))->toBeGreaterThan(end($heat['running_C']))
        ->and($f->charge_Ah_day())->toBeGreaterThan($f->gated()->charge_Ah_day() - 1e-12);
});

it('reckons ratings from a held weight and from a known load', function () {
    $held = BenchRatings::held(120.0, 0.08, 1.2, 0.05, 1.4);
    $loaded = BenchRatings::loaded(120.0, 0.08, 0.147, 90.0, 0.41);

    expect($held->stall_Nm)->toBeAbout(1.2 * 9.80665 * 0.05)->and($held->stall_A)->toBe(1.4)
        ->and($loaded->stall_Nm)->toBeAbout(0.588)->and($loaded->stall_A)->toBeAbout(0.08 + 4 * 0.33)
        ->and($loaded->working)->toHaveCount(3)->and($loaded->working[1]->text())->toContain('stall torque');
});

it('asks for one way of measuring, and for all of it', function (array $inputs, array $fields) {
    try {
        Calculators::run(Calculators::all()['drive.bench'], $inputs);
        $this->fail('It was not refused.');
    } catch (Brookstone\Core\Error\InvalidInput $invalid) {
        expect(array_column($invalid->errors, 'field'))->toEqualCanonicalizing($fields);
    }
})->with([
    'nothing measured' => [['no_load_rpm' => 100, 'no_load_A' => 0.1], ['held_kg']],
    'half a weight' => [['no_load_rpm' => 100, 'no_load_A' => 0.1, 'held_kg' => 1], ['arm_m', 'held_A']],
    'both ways' => [['no_load_rpm' => 100, 'no_load_A' => 0.1, 'held_kg' => 1, 'load_Nm' => 1], ['load_Nm']],
    'faster under load' => [['no_load_rpm' => 100, 'no_load_A' => 0.1, 'load_Nm' => 1, 'loaded_rpm' => 100, 'loaded_A' => 0.05], ['loaded_rpm', 'loaded_A']],
]);

it('buzzes only where its play is more than its dead band', function () {
    foreach (Drawer::all() as $code => $drive) {
        if ($drive instanceof Servo) {
            expect($drive->slop_deg)->toBeLessThanOrEqual($drive->deadband_deg, (string) $code);
        }
    }
});

it('says what the drive can do at most behind its train, as its supply feeds it', function () {
    $stall = function (array $planted, string $id): float {
        $build = Builds::planted($planted);

        return DriveSheet::of(new MotionInBuild($build, $build->motions[$id], new MotionFigures($build->motions[$id])))['stall_Nm'] ?? 0.0;
    };
    $servo = Builds::sound()->motions['jaw']->drive->motor;
    [$low, $high] = [$servo->ratings[0], $servo->ratings[1]];
    $servos = array_search('servos', array_keys(Builds::sound()->supplies), true);

    expect($stall(["supplies.{$servos}.volts_V" => $low->volts_V], 'jaw'))->toBeAbout($low->stall_Nm, 1e-9)
        ->and($stall(["supplies.{$servos}.volts_V" => $high->volts_V], 'jaw'))->toBeAbout($high->stall_Nm, 1e-9)
        ->and($stall(['motions.0.train' => [['type' => 'spur', 'driver' => 12, 'driven' => 36, 'efficiency' => 0.9]]], 'lid'))->toBeAbout($stall([],
            'lid') * 3 * 0.9, 1e-9);
});

it('reads the clock of a timer in kHz', function () {
    expect(data_get(Editor::apply(Builds::sound(), [['path' => 'settings.timer_Hz', 'text' => '32.768 kHz']])->document,
        'settings.timer_Hz'))->toBeAbout(32768.0, 1e-9);
});
