<?php

declare(strict_types=1);

use Brookstone\Core\Assessment\Subject\MotionFigures;
use Brookstone\Core\Drive\Drawer;
use Brookstone\Core\Drive\Drives;
use Tests\Support\Builds;

/** @param  array<string, mixed>  $planted */
function figuresFor(string $motion, array $planted = [], bool $traced = false): MotionFigures
{
    return new MotionFigures(Builds::planted($planted)->motions[$motion], $traced);
}

/** @return array<string, mixed> to plant: the lift as a dial that goes round */
function dial(string $motor, array $drive = []): array
{
    return ['routines' => [], 'log' => [], 'motions.2' => ['id' => 'lift', 'name' => 'Dial', 'mechanism' => ['kind' => 'turntable', 'inertia_kgm2' => 0.0004, 'friction_Nm' => 0.01],
        'places' => [['id' => 'low', 'name' => 'Low', 'at' => 0], ['id' => 'high', 'name' => 'High', 'at' => 90]],
        'task' => ['from' => 'low', 'to' => 'high', 'move_s' => 1.0, 'keeps_turning' => true],
        'drive' => ['motor' => Drives::write(Drawer::get($motor)), 'supply' => 'main', ...$drive]]];
}

const LID_NM = 0.3 * 9.80665 * 0.12;

describe('what a motion has to hold', function () {
    it('is the worse of its two ends', function (float $from, float $to, float $at) {
        expect(figuresFor('lid', ['motions.0.places.0.at' => $from, 'motions.0.places.1.at' => $to, 'motions.0.stops' => ['switches' => []], 'routines' => [], 'log' => []])->hold_Nm())
            ->toBeAbout(LID_NM * abs(cos(deg2rad($at))), 1e-9);
    })->with([[0.0, 70.0, 0.0], [70.0, 0.0, 0.0], [80.0, 30.0, 30.0], [60.0, 85.0, 60.0]]);

    it('is what it carries there, on the way on which it carries it', function (string $payload, float $at0_Nm) {
        // 0.1 kg at 0.2 m weighs 0.196 N·m more.
        expect(figuresFor('lid', ['motions.0.mechanism.payload_kg' => 0.1, 'motions.0.mechanism.payload_m' => 0.2, 'motions.0.task.payload' => $payload])->hold_Nm())->toBeAbout($at0_Nm, 1e-9);
    })->with([['both', LID_NM + 0.196133], ['there', LID_NM + 0.196133], ['back', LID_NM + 0.196133]]);

    it('is nothing at an end where a latch holds it', function (string $latched, float $at) {
        expect(figuresFor('lid', ['motions.0.latch' => ['place' => $latched, 'output' => 'lamp']])->hold_Nm())
            ->toBeAbout(LID_NM * cos(deg2rad($at)), 1e-9);
    })->with([['shut', 70.0], ['open', 0.0]]);
});

describe('what its drive gives', function () {
    it('comes through the train, less what that loses', function (array $train, float $ratio, float $efficiency) {
        $figures = figuresFor('lid', ['motions.0.train' => $train]);
        $stall = Builds::sound()->motions['lid']->drive?->line()->most_Nm() ?? NAN;
        expect($figures->stallAtLoad_Nm())->toBeAbout($stall * $ratio * $efficiency, 1e-9)->and($figures->atMotor(2.0))->toBeAbout(2.0 / $ratio / $efficiency, 1e-9)
            ->and($figures->margin())->toBeAbout($stall * $ratio * $efficiency / $figures->peak_Nm(), 1e-9);
    })->with([[[], 1.0, 1.0], [[['type' => 'spur', 'driver' => 20, 'driven' => 60]], 3.0, 0.95], [[['type' => 'spur', 'driver' => 40, 'driven' => 20], ['type' => 'spur', 'driver' => 20, 'driven' => 30]], 0.75, 0.9025]]);

    it('has no margin without one', function () {
        expect(figuresFor('lid', ['motions.0.drive' => null])->margin())->toBeNull()->and(figuresFor('lid', ['motions.0.drive' => null])->stallAtLoad_Nm())->toBe(0.0)
            ->and(figuresFor('lid', ['motions.0.drive' => null])->time('shut', 'open'))->toBeNull();
    });

    it('of a stepper pulls less the faster it goes: its margin is the least of the way, there or back', function () {
        $figures = figuresFor('lift', ['motions.2.drive.motor' => Builds::motor('P57-56')]);
        $slower = figuresFor('lift', ['motions.2.drive.motor' => Builds::motor('P57-56'), 'motions.2.task.move_s' => 8.0]);
        expect($figures->stallAtLoad_Nm())->toBeAbout($figures->stepperMargin() * $figures->peak_Nm(), 1e-9)->and($slower->stepperMargin())->toBeGreaterThanOrEqual($figures->stepperMargin())
            ->and($figures->margin())->toBeAbout($figures->stepperMargin(), 1e-9);
    });
});

describe('what it sets in motion', function () {
    it('weighs with the square of its arm, and its rotor with the square of its train', function () {
        $rotor = Builds::sound()->motions['lid']->rotorAtLoad();
        expect(figuresFor('lid')->inertia_kgm2())->toBeAbout(0.3 * 0.12 ** 2 + $rotor, 1e-9)->and(figuresFor('lid')->leastInertia_kgm2())->toBeAbout(0.3 * 0.12 ** 2, 1e-9)
            ->and(figuresFor('lid', ['motions.0.train' => [['type' => 'spur', 'driver' => 20, 'driven' => 60]]])->inertia_kgm2())->toBeAbout(0.3 * 0.12 ** 2 + 9 * $rotor, 1e-9);
    });

    it('differs along the way of a crank', function () {
        // Without its crank's own share a slider is felt with m·(dx/dθ)²: nothing at its dead points, most half way.
        $planted = ['motions.0.mechanism' => ['kind' => 'crank', 'crank_m' => 0.03, 'rod_m' => 0.12, 'slider_mass_kg' => 0.8], 'motions.0.places.1.at' => 180, 'motions.0.stops' => ['switches' => []],
            'routines' => [], 'log' => [], 'motions.0.drive' => null];
        $half = 0.8 * 0.03 ** 2; // at 90° it moves as fast as the crank's pin
        expect(figuresFor('lid', $planted)->inertia_kgm2())->toBeGreaterThan($half * 0.95)->toBeLessThan($half * 1.2)
            ->and(figuresFor('lid', $planted)->leastInertia_kgm2())->toBeLessThan(0.02 * $half);
    });

    it('passes on what the mechanism asks for, without the rotor', function () {
        // A trapezoid of thirds: 4.5 · θ / t² at first, where it is heaviest.
        expect(figuresFor('lid')->passes_Nm())->toBeAbout(LID_NM + 0.02 + 0.00432 * 4.5 * deg2rad(70) / 2.5 ** 2, 1e-6)
            ->and(figuresFor('lid')->peak_Nm() - figuresFor('lid')->passes_Nm())->toBeAbout(Builds::sound()->motions['lid']->rotorFelt() * 4.5 * deg2rad(70) / 2.5 ** 2, 1e-6);
    });
});

describe('how long it takes', function () {
    $middle = ['motions.2.places.2' => ['id' => 'middle', 'name' => 'Middle', 'at' => 0.03]];

    it('by an amount is from the end that leads away from', function () use ($middle) {
        $lift = figuresFor('lift', $middle);
        expect($lift->timeBy(0.03))->toBe($lift->time('low', 'middle'))->and($lift->timeBy(-0.07))->toBe($lift->time('high', 'middle'))
            ->and($lift->timeBy(0.03, 0.5))->toBe($lift->time('low', 'middle', 0.5))->and($lift->timeBy(0.03, 0.5))->toBeGreaterThan($lift->timeBy(0.03));
    });

    it('to a place is from the farthest', function () use ($middle) {
        $lift = figuresFor('lift', $middle);
        expect($lift->longestTimeTo('middle'))->toBe($lift->time('high', 'middle'))->and($lift->longestTimeTo('low'))->toBe($lift->time('high', 'low'))
            ->and($lift->longestTimeTo('high', 0.5))->toBe($lift->time('low', 'high', 0.5))->and($lift->time('low', 'low'))->toBe(0.0);
    });

    it('is never, where its drive does not make it', function () {
        $weak = figuresFor('lift', ['motions.2.mechanism.mass_kg' => 900.0]);
        expect($weak->time('low', 'high'))->toBeNull()->and($weak->longestTimeTo('high'))->toBeNull()->and($weak->runThere()['stopped_at'])->not->toBeNull()
            ->and(figuresFor('lift', ['motions.2.drive.motor' => Builds::motor('P57-56'), 'motions.2.mechanism.mass_kg' => 30.0])->time('low', 'high'))->toBeNull();
    });

    it('round to a place is a whole turn, and half of one where it counts and may turn back', function () {
        $counts = figuresFor('lift', dial('P42-40'));
        $oneWay = figuresFor('lift', dial('P42-40', ['one_way' => true]));
        expect($counts->longestTimeTo('high'))->toBeAbout($counts->motion->ramp()->time_s(M_PI), 1e-9)
            ->and($oneWay->longestTimeTo('high'))->toBeAbout($counts->motion->ramp()->time_s(2 * M_PI), 1e-9)
            ->and(figuresFor('lift', dial('G25-227'))->longestTimeTo('high'))->toBeGreaterThan(3 * (figuresFor('lift', dial('G25-227'))->time('low', 'high') ?? NAN));
    });

    it('is as quick as its fastest way', function () {
        $lid = figuresFor('lid');
        expect($lid->fastest_rad_s())->toBe(max($lid->runThere()['fastest'], $lid->runBack()['fastest']))->and($lid->runBack()['fastest'])->toBeGreaterThan($lid->runThere()['fastest'])
            ->and(figuresFor('lift', ['motions.2.drive.motor' => Builds::motor('P57-56')])->fastest_rad_s())->toBeAbout(1.5 * 0.1 / 0.01 / 4, 1e-9); // 1.5 · way / time
    });
});

describe('what it draws', function () {
    it('on the average is what the torque asks for, and a little to get going', function () {
        $lift = figuresFor('lift', traced: true);
        $motor = $lift->motion->drive?->motor;
        $line = $lift->motion->drive?->line();
        // Hanging with 0.6 kg on 10 mm takes 0.0588 N·m of the 2.8 N·m at which it draws 1.9 A
        $steady = $motor->no_load_A + (1.9 - $motor->no_load_A) * 0.6 * 9.80665 * 0.01 / $line->stall_Nm;
        expect($lift->drawn_A('low', 'high'))->toBeGreaterThan($steady)->toBeLessThan(1.25 * $steady)
            ->and($lift->drawn_A('high', 'low'))->toBeLessThan($lift->drawn_A('low', 'high'))
            ->and(figuresFor('lift')->drawn_A('low', 'high'))->toBeNull() // no path was kept
            ->and(figuresFor('lift', ['motions.2.drive.motor' => Builds::motor('P57-56')], true)->drawn_A('low', 'high'))->toBeNull();
    });

    it('has no path left once it was drawn', function () {
        $lift = figuresFor('lift', traced: true);
        expect(count($lift->runThere()['path']))->toBeGreaterThan(10);
        $time = $lift->runThere()['time_s'];
        $lift->forgetPaths();
        expect($lift->runThere()['path'])->toBe([])->and($lift->runThere()['time_s'])->toBe($time);
    });
});

it('calls a place by its name, and what is none by what it is called', function () {
    expect(figuresFor('lid')->placeName('open'))->toBe(Builds::sound()->motions['lid']->place('open')?->named())->and(figuresFor('lid')->placeName('elsewhere'))->toBe('elsewhere');
});
