<?php

declare(strict_types=1);

use Brookstone\Core\Assessment\Drive\DriveRepairs;
use Brookstone\Core\Assessment\Subject\MotionFigures;
use Brookstone\Core\Assessment\Subject\MotionInBuild;
use Brookstone\Core\Assessment\Subject\MoveTable;
use Brookstone\Core\Assessment\Train\PlayTaken;
use Brookstone\Core\Dynamics\Plant;
use Brookstone\Core\Finding\Change;
use Brookstone\Core\Finding\Fix;
use Tests\Support\Builds;

/** @param  array<string, mixed>  $planted */
function looksAt(string $motion, array $planted = []): MotionInBuild
{
    $build = Builds::planted($planted);

    return new MotionInBuild($build, $build->motions[$motion], new MotionFigures($build->motions[$motion]));
}

/**
 * What mends each finding of a code: what it says, and what it changes.
 *
 * @param  array<string, mixed>  $planted
 * @return list<array<string, array<string, mixed>>>
 */
function mendsOf(string $code, array $planted): array
{
    return array_map(fn ($finding): array => array_column(array_map(fn (Fix $fix): array => [$fix->does->text(),
        array_column(array_map(fn (Change $change): array => [$change->path, $change->value], $fix->changes), 1, 0)], $finding->fixes), 1, 0),
        Builds::found(Builds::planted($planted), $code));
}

describe('a lid too heavy for its motor', function () {
    $carry = fn (float $mass): array => array_map(fn (Fix $fix): string => $fix->does->text(),
        DriveRepairs::carry(looksAt('lid', ['motions.0.mechanism.mass_kg' => $mass, 'motions.0.task.move_s' => 6])));
    $geared = fn (float $mass): array => array_values(array_filter($carry($mass), fn (string $does): bool => str_starts_with($does, 'Gear it down')));

    it('is geared down no more than it takes', function (float $mass, string $stage) use ($geared) {
        expect($geared($mass))->toBe(["Gear it down {$stage} : 1; it then turns the other way"]);
    })->with([[1.4, '12 : 18 more, a ratio of 1.5'], [1.6, '12 : 18 more, a ratio of 1.5'], [1.8, '12 : 24 more, a ratio of 2'],
        [2.2, '12 : 24 more, a ratio of 2'], [2.4, '12 : 30 more, a ratio of 2.5']]);

    it('is balanced by half where half is enough', function (float $mass, array $half) use ($carry) {
        $offers = array_filter($carry($mass), fn (string $does): bool => str_starts_with($does, 'Balance half'));
        expect(array_values($offers))->toBe(array_map(fn (string $torque): string => "Balance half of it with a counterweight or spring of {$torque} N·m at horizontal", $half));
    })->with([[1.6, ['0.941']], [2.2, ['1.29']], [2.4, []]]); // half of it at 120 mm; the motor stalls at 3.67 N·m

    it('has nothing balanced that is more than half balanced already', function (float $balanced_Nm, bool $offered) {
        $says = array_map(fn (Fix $fix): string => substr($fix->does->text(), 0, 7), DriveRepairs::carry(looksAt('lid', ['motions.0.mechanism.mass_kg' => 2.0,
            'motions.0.mechanism.counterbalance_Nm' => $balanced_Nm])));
        expect(in_array('Balance', $says, true))->toBe($offered);
    })->with([[1.17, true], [1.18, false]]); // half of 2 kg at 120 mm is 1.177 N·m
});

it('asks by its mean square what the drive is judged by', function (string $id, float $move_s) {
    $motion = Builds::planted(['motions.'.['lid' => 0, 'jaw' => 1, 'lift' => 2][$id].'.task.move_s' => $move_s])->motions[$id];
    expect((new MoveTable($motion))->rms_Nm(Plant::of($motion)->rotor_kgm2()))->toBeAbout((new MotionFigures($motion))->rms_Nm(), 1e-6);
})->with([['lid', 2.5], ['lid', 0.5], ['jaw', 0.3], ['lift', 2.5]]);

describe('play', function () {
    $taken = fn (float $balanced_Nm, float $friction_Nm = 0.02): PlayTaken => PlayTaken::of(looksAt('lid',
        ['motions.0.mechanism.counterbalance_Nm' => $balanced_Nm, 'motions.0.mechanism.friction_Nm' => $friction_Nm]));

    // The lid weighs 0.353 N·m where it lies level, and 0.1207 at 70°.
    it('is taken by a load that outweighs its friction all the way', function () use ($taken) {
        expect($taken(0.0)->byItself)->toBe(1)->and($taken(0.0)->worst_Nm)->toBeAbout(0.373, 1e-3)->and($taken(0.0, 0.12)->byItself)->toBe(1)
            ->and($taken(0.0, 0.122)->byItself)->toBe(0)->and($taken(1.0)->byItself)->toBe(-1)->and($taken(1.0)->spring_Nm)->toBe(0.0);
    });

    it('is taken by a spring of a fifth more than what is missing, on the side where less is', function () use ($taken) {
        $light = $taken(0.343); // what is left weighs 0.01004 to 0.00343 N·m
        expect($light->byItself)->toBe(0)->and($light->spring_Nm)->toBe(0.02)->and($light->worst_Nm)->toBeAbout(0.0300, 5e-3)->and($light->then_Nm)->toBeAbout(0.0500, 5e-3);
        $over = $taken(0.363); // what is left lifts 0.00996 to 0.00341 N·m
        expect($over->spring_Nm)->toBe(-0.02)->and($over->then_Nm)->toBeAbout(0.0500, 5e-3);
    });
});

describe('what stands wrong is moved', function () {
    it('back by how far the motion goes by amounts, to its outermost place', function (array $by, array $mends) {
        $steps = [['do' => 'home', 'motion' => 'lift', 'switch' => 'lift-low', 'give_up_s' => 9],
            ...array_map(fn (float $each): array => ['do' => 'go_by', 'motion' => 'lift', 'by' => $each, 'give_up_s' => 9], $by)];
        $last = 'routines.1.steps.'.count($by).'.by';
        $does = array_filter(array_merge(...mendsOf('routine.by_past_stop', ['routines.1.steps' => $steps])), fn (string $says): bool => str_starts_with($says, 'Move it only'), ARRAY_FILTER_USE_KEY);
        expect($does)->toBe(array_map(fn (float $to): array => [$last => $to], $mends));
    })->with([
        'past the upper stop, from 80 mm' => [[0.08, 0.06], ['Move it only 20 mm up' => 0.02]],
        'past the lower stop, from 80 mm' => [[0.08, -0.095], ['Move it only 80 mm down' => -0.08]],
        'past the lower stop from the place itself' => [[-0.02], []],
    ]);

    it('a switch by as much as its motion stands off', function () {
        expect(mendsOf('stops.switch_off_place', ['motions.2.stops.switches.1.at' => 0.0951, 'motions.2.task.tolerance' => 0.002]))
            ->toBe([['Move the switch to 99.2 mm: it then comes to rest at its place' => ['motions.2.stops.switches.1.at' => 0.09921]]]); // it runs on by 0.79 mm
    });

    it('a cord by one that holds what jams it, as thick as that is where it lies in layers', function () {
        expect(mendsOf('load.cord_snaps', ['motions.2.mechanism.breaking_N' => 20]))->toBe([['Take Braid 2 from the drawer: it breaks at 900 N' => ['motions.2.mechanism.breaking_N' => 900.0]]])
            ->and(mendsOf('load.cord_snaps', ['motions.2.mechanism.breaking_N' => 20, 'motions.2.mechanism.cord_m' => 0.001]))
            ->toBe([['Take Braid 2 from the drawer: it breaks at 900 N' => ['motions.2.mechanism.breaking_N' => 900.0, 'motions.2.mechanism.cord_m' => 0.002]]]);
    });
});
