<?php

declare(strict_types=1);

use Brookstone\Core\Assessment\Assessment;
use Brookstone\Core\Build\Build;
use Brookstone\Core\Finding\Finding;
use Brookstone\Core\Finding\Severity;
use Brookstone\Core\Finding\Verdict;
use Brookstone\Core\Simulation\RoutineRun;
use Tests\Support\Builds;

/** @return list<Finding> worse than a note, the worst first */
function faults(Assessment $assessment): array
{
    $faults = array_values(array_filter([...array_merge(...array_map(fn ($chain): array => array_merge(...array_map(fn ($link): array => $link->findings,
        $chain->links)), $assessment->chains)), ...array_merge([], ...array_column($assessment->routines, 'findings'))],
        fn (Finding $finding): bool => $finding->severity !== Severity::Note));
    usort($faults, fn (Finding $a, Finding $b): int => $b->severity->rank() <=> $a->severity->rank());

    return $faults;
}

/** @return array{Build, list<string>} the build after the program's own first fixes, and what it did */
function mendedByItself(Build $build, string $first): array
{
    $did = [];
    for ($i = 0; $i < 6; $i++) {
        $faults = faults(Builds::assessed($build));
        usort($faults, fn (Finding $a, Finding $b): int => ($b->code === $first) <=> ($a->code === $first));
        $fix = ($faults[0] ?? null)?->fixes[0] ?? null;
        if ($fix === null) {
            break;
        }
        $did[] = "{$faults[0]->code}: {$fix->does->text()}";
        $build = Builds::mended($build, $fix);
    }

    return [$build, $did];
}

/** Mistakes that builders make, each with the finding that names it. Nothing was measured yet in any of them. */
dataset('mistakes', [
    'a motor sized on the bare lid fails when the figure is mounted' => ['drive.peak_margin', [
        'motions.0.mechanism.payload_kg' => 1.4, 'motions.0.mechanism.payload_m' => 0.24,
    ], '/needs .* stalls at/'],
    'a gearbox chosen for speed strips when the part is bumped' => ['drive.knock', [
        'motions.2.task.knocked' => true,
    ], '/energy|of motion/'],
    'a servo holds a heavy part all day' => ['drive.holding', ['motions.1.mechanism.mass_kg' => 0.3], '/holds .* all the time/'],
    'a servo empties the battery by holding' => ['routine.drains_battery', ['supplies.1.capacity_Ah' => 0.05],
        '/^Servo rail with 50 mAh lasts 0\.585 hours, where 1 day is asked for: at rest it gives 2\.03 Ah of the 2\.05 Ah/'],
    'a servo buzzes' => ['drive.buzzes', ['motions.1.drive.motor' => ['slop_deg' => 2.0] + Builds::motor('S20 nylon')], '/hunts and buzzes/'],
    'a small drum winds in layers and gets heavier' => ['load.cord_climbs', [
        'motions.2.mechanism.cord_m' => 0.002, 'motions.2.mechanism.drum_width_m' => 0.004, 'motions.2.mechanism.lift_m' => 0.4,
    ], '/layer/'],
    'wheels spin when switched straight on' => ['load.wheels_slip', [
        'motions.2.mechanism' => ['kind' => 'wheels', 'mass_kg' => 1.2, 'wheel_radius_m' => 0.02, 'rolling_coefficient' => 0.03,
            'friction_coefficient' => 0.3], 'motions.2.drive.motor' => Builds::motor('G16-30'), 'motions.2.drive.supply' => 'servos',
    ], '/slip|spin/'],
    'a sales page disagrees with itself' => ['drive.claims_disagree', [
        'motions.2.drive.motor' => ['page' => 'Stall torque 28 kg·cm (200 oz·in)'] + Builds::motor('G25-227'),
    ], '/should be the same/'],
    'gears strip when the lid is bumped' => ['train.tooth_knock', [
        'motions.2.task.knocked' => true, 'motions.2.task.move_s' => 8,
        'motions.2.train' => [['type' => 'spur', 'driver' => 20, 'driven' => 30, 'face_mm' => 20]],
    ], '/bumped a tooth of stage 1/'],
    'the part turns the wrong way' => ['train.wrong_way', [
        'motions.2.task.turn' => 'same', 'motions.2.train' => [['type' => 'spur', 'driver' => 20, 'driven' => 22, 'material' => 'steel']],
    ], '/turns the wrong way: 1 mesh reverses/'],
    'the gears foul a shaft' => ['train.clash', [
        'motions.2.train' => [['type' => 'spur', 'driver' => 20, 'driven' => 22, 'material' => 'steel', 'backlash_mm' => 0.05],
            ['type' => 'spur', 'driver' => 22, 'driven' => 20, 'material' => 'steel', 'backlash_mm' => 0.05]],
        'motions.2.layout' => ['grid_mm' => null, 'shafts' => [['x_mm' => 20, 'y_mm' => 20], ['x_mm' => 41, 'y_mm' => 20], ['x_mm' => 22, 'y_mm' => 28.9]],
            'planes' => [1, 0]],
    ], '/runs into shaft/'],
    'a belt is joined where it passes over a pulley' => ['train.joint_on_pulley', [
        'motions.2.train' => [['type' => 'belt', 'driver' => 20, 'driven' => 20, 'module_mm' => 0.6366, 'joint_mm' => 5]],
        'motions.2.layout' => ['grid_mm' => null, 'shafts' => [['x_mm' => 20, 'y_mm' => 20], ['x_mm' => 220, 'y_mm' => 20]], 'planes' => [0]],
    ], '/joint of the belt goes .* runs onto one/'],
    'one motor drives two functions and both are asked for' => ['routine.shared_drive', [
        'motions.2.drive.shares' => 'lid', 'routines.1.alone' => false,
    ], '/moved by one motor/'],
    'timed moves drift until the machine crashes' => ['routine.drifts', [
        'motions.2.stops.switches' => [['id' => 'lift-low', 'name' => 'Lift low switch', 'place' => 'low', 'at' => 0.0, 'end' => 'low']],
        'motions.2.task.tolerance' => 0.001,
        'routines.1.steps.1' => ['do' => 'go', 'motion' => 'lift', 'place' => 'high', 'give_up_s' => 6], 'routines.1.steps.2' => ['do' => 'wait', 'for_s' => 1],
    ], '/goes by time here/'],
    'after a power cut nobody knows where the part is' => ['routine.moves_before_home', ['routines.0.steps' => []], '/before it has been homed/'],
    'it runs into the end switch at full speed' => ['routine.into_stop', ['motions.2.stops.hard_high' => 0.1006], '/coasts .* hits with/'],
    'a switch chatters because it is believed too soon' => ['routine.chatters', ['sensors.0.bounce_s' => 0.02], '/one press counts as several/'],
    'a sensor is seen so late that the motion runs past' => ['routine.runs_past', [
        'sensors.2' => ['id' => 'mark', 'name' => 'Mark', 'kind' => 'magnet', 'motion' => 'lift', 'at' => 0.05, 'reach' => 0.0001, 'late_s' => 0.02],
        'routines.1.steps.1.until' => ['sensor' => 'mark'],
    ], '/runs past/'],
    'a motor is left pushing against its end stop' => ['routine.left_powered', ['routines.1.steps.2' => ['do' => 'wait', 'for_s' => 1.0],
        'routines.1.steps.6' => ['do' => 'wait', 'for_s' => 1.0]], '/goes on pushing/'],
    'the lift clears the table and not the lid beside it' => ['routine.rule_broken', [
        'rules' => [['id' => 'lid', 'name' => 'The lid is in the way', 'never' => ['test' => 'between', 'motion' => 'lift', 'from' => 0.05, 'to' => 0.2],
            'while' => ['test' => 'place', 'motion' => 'lid', 'place' => 'shut']]],
        'routines.0.steps' => [['do' => 'home', 'motion' => 'lift', 'switch' => 'lift-low', 'give_up_s' => 9],
            ['do' => 'home', 'motion' => 'lid', 'switch' => 'lid-shut', 'give_up_s' => 5]],
        'routines.1.steps.0' => ['do' => 'wait', 'for_s' => 1],
    ], '/The lid is in the way can be broken/'],
    'everything starts at once and the controller resets' => ['routine.starts_together', [
        'supplies.0.max_A' => 3.2, 'routines.1.steps.0' => ['do' => 'together',
            'branches' => [[['do' => 'go', 'motion' => 'lid', 'place' => 'open', 'give_up_s' => 4]],
                [['do' => 'go', 'motion' => 'lift', 'place' => 'high', 'give_up_s' => 6]]]],
        'routines.1.steps.1' => ['do' => 'wait', 'for_s' => 1],
    ], '/start at once and draw/'],
    'two parts come instead of one' => ['routine.two_at_once', [
        'motions.2.mechanism' => ['kind' => 'feeder', 'drum_radius_m' => 0.02, 'item_pitch_m' => 0.004, 'item_kg' => 0.01], 'motions.2.task.keeps_turning' => true, 'motions.2.stops.hard_low' => null, 'motions.2.stops.hard_high' => null,
        'sensors.2' => ['id' => 'slot', 'name' => 'Slot', 'kind' => 'reflective', 'late_s' => 0.05], 'motions.2.stops.switches' => [],
        'routines.0.steps' => [['do' => 'home', 'motion' => 'lid', 'switch' => 'lid-shut', 'give_up_s' => 5]],
        'routines.1.steps' => [['do' => 'run', 'motion' => 'lift', 'direction' => 'up', 'until' => ['sensor' => 'slot'], 'give_up_s' => 6],
            ['do' => 'stop', 'motion' => 'lift']],
    ], '/two are taken for one/'],
    'a guessed threshold sees ghosts' => ['routine.sees_ghosts', [
        'sensors.2' => ['id' => 'cup', 'name' => 'Cup', 'kind' => 'distance', 'upper' => 50, 'absent' => [40, 44, 51, 53, 47],
            'present' => [88, 91, 90, 85, 92]], 'routines.1.steps.9' => ['do' => 'wait', 'until' => ['sensor' => 'cup'], 'give_up_s' => 3],
    ], '/misreads .* of its own readings/'],
    'nobody noticed that it had stopped' => ['routine.unnoticed', ['routines.1.starts' => [['when' => 'every', 'every_s' => 600]]], '/nobody is told/'],
    'an interval that its clock and counter cannot give' => ['routine.timer_cannot', [
        'settings.timer_Hz' => 32768, 'settings.timer_stages' => 21, 'routines.1.starts' => [['when' => 'every', 'every_s' => 50]],
        'routines.1.if_fails' => [['do' => 'signal', 'output' => 'lamp']],
    ], '/cannot give/'],
]);

it('finds the mistake, says it, and mends it', function (string $code, array $planted, string $says) {
    $build = Builds::planted(['log' => [], ...$planted]);
    $found = Builds::found($build, $code);

    expect(faults(Builds::assessed(Builds::planted(['log' => []]))))->toBe([])
        ->and($found)->not->toBeEmpty()
        ->and($found[0]->severity)->not->toBe(Severity::Note)
        ->and($found[0]->says->text())->toMatch($says)
        ->and($found[0]->fixes)->not->toBeEmpty();
    [$mended, $did] = mendedByItself($build, $code);
    $left = array_map(fn (Finding $finding): string => "{$finding->code}: {$finding->says->text()}", faults(Builds::assessed($mended)));
    expect($left)->toBe([], 'after '.implode('; ', $did))
        ->and(Builds::assessed($mended)->verdict)->not->toBe(Verdict::Fails);
})->with('mistakes');

it('finds an honest mix in Heron Wharf, and mends it down to notes', function () {
    $build = Builds::demo('heron-wharf');
    $shipped = Builds::assessed($build);
    $verdicts = array_merge(...array_map(fn ($chain): array => array_map(fn ($link): string => $link->verdict->value, array_values($chain->links)),
        $shipped->chains));
    expect($verdicts)->toContain('fails', 'tight', 'holds')->and($shipped->mend)->not->toBeNull();

    [$mended, $did] = mendedByItself(Builds::mended($build, $shipped->mend), 'routine.place_lost');
    expect(array_map(fn (Finding $finding): string => $finding->code, faults(Builds::assessed($mended))))->toBe([], implode('; ', $did));
    foreach ($mended->routines as $routine) {
        foreach ($mended->scenarios as $scenario) {
            $run = RoutineRun::of($mended, $routine, $scenario, lean: true);
            expect(array_filter($run['events'], fn (array $event): bool => in_array($event['kind'], ['hit', 'fault', 'rule', 'sag'], true)))->toBe([]);
        }
    }
});
