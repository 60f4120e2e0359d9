<?php

declare(strict_types=1);

use Brookstone\Core\Build\Build;
use Brookstone\Core\Error\InvalidInput;
use Brookstone\Core\Finding\Finding;
use Brookstone\Core\Parts\LimitSwitch;
use Brookstone\Core\Routine\WorldEvents;
use Brookstone\Core\Simulation\Axis;
use Brookstone\Core\Simulation\RoutineRun;
use Brookstone\Core\Stops\RunOn;
use Brookstone\Core\Study\FaultSweep;
use Tests\Support\Builds;

// How a motion knows where it is, and what follows from it: amounts, pulses, steps, switches, and a motor for two.

/**
 * Powered up and homed, then these steps.
 *
 * @param  list<array<string, mixed>>  $steps
 * @param  array<string, mixed>  $planted
 * @param  list<array<string, mixed>>  $events
 */
function knows(array $steps, array $planted = [], array $events = []): Build
{
    return Builds::planted($planted + [
        'routines.1.steps' => $steps, 'routines.1.target_s' => null,
        'scenarios.0.events' => [['at_s' => 8, 'sensor' => 'button', 'is' => 'on'], ...$events],
    ]);
}

/** @return array{array<string, mixed>, array<string, list<float>>} the run of the show, and the positions of each motion */
function knowing(Build $build): array
{
    $run = RoutineRun::of($build, $build->routines['show'], $build->scenarios['pressed']);

    return [$run, array_column($run['motions'], 'position', 'motion')];
}

/** @return list<Finding> */
function blamedFor(Build $build, string $code): array
{
    return Builds::found($build, $code);
}

/** How far something has turned whose positions wrap at 360°. @param  list<float>  $at */
function unrolled(array $at): float
{
    $sum = 0.0;
    for ($i = 1; $i < count($at); $i++) {
        $step = $at[$i] - $at[$i - 1];
        $sum += $step - 360.0 * round($step / 360.0);
    }

    return $sum;
}

it('moves by an amount: a servo by its command, a gear motor for the computed time', function () {
    [$run, $at] = knowing(knows([
        ['do' => 'go_by', 'motion' => 'jaw', 'by' => -15, 'give_up_s' => 1],
        ['do' => 'go_by', 'motion' => 'jaw', 'by' => -15, 'give_up_s' => 1],
        ['do' => 'go_by', 'motion' => 'lift', 'by' => 0.03, 'give_up_s' => 6],
        ['do' => 'go_by', 'motion' => 'lift', 'by' => 0.02, 'give_up_s' => 6],
    ]));

    expect($run['outcome'])->toBe('finished')
        ->and(end($at['jaw']))->toEqualWithDelta(-30.0, 0.6)
        ->and(end($at['lift']))->toEqualWithDelta(0.05, 0.004);
});

it('goes by time from a place that only amounts led to', function () {
    [$run, $at] = knowing(knows([
        ['do' => 'go_by', 'motion' => 'lift', 'by' => 0.04, 'give_up_s' => 6],
        ['do' => 'go', 'motion' => 'lift', 'place' => 'middle', 'give_up_s' => 6],
    ], ['motions.2.places.2' => ['id' => 'middle', 'name' => 'Middle', 'at' => 0.06]]));

    expect($run['outcome'])->toBe('finished')->and(end($at['lift']))->toEqualWithDelta(0.06, 0.004);
});

it('refuses an amount where nobody knows where it sets out', function () {
    [$run] = knowing(knows([['do' => 'go_by', 'motion' => 'lift', 'by' => 0.02, 'give_up_s' => 6]],
        ['routines.0.steps' => [['do' => 'wait', 'for_s' => 0.1]]]));

    expect($run['fault'])->toBe('Lift does not know where it is');
});

it('lets what keeps turning go on by an amount without any place', function () {
    $piston = Builds::example('piston');
    $motion = array_values(array_filter($piston->motions, fn ($motion): bool => $motion->task->keeps_turning))[0];
    $document = ['routines' => [['id' => 'feed', 'name' => 'Feed', 'starts' => [],
        'steps' => [['do' => 'go_by', 'motion' => $motion->id, 'by' => 720, 'give_up_s' => 20]]]]] + $piston->document;
    $build = Build::read($document);
    $run = RoutineRun::of($build, $build->routines['feed']);
    $at = $run['motions'][0]['position'];

    expect($motion->task->keeps_turning)->toBeTrue()->and($run['outcome'])->toBe('finished')
        ->and(unrolled($at))->toEqualWithDelta(720.0, 20.0)
        ->and(blamedFor($build, 'routine.moves_before_home'))->toBe([]);
});

it('turns on and on by amounts, however it knows where it is', function (string $how) {
    $piston = Builds::example('piston');
    $motion = array_values(array_filter($piston->motions, fn ($motion): bool => $motion->task->keeps_turning))[0];
    $i = $piston->indexOf($motion->id);
    $document = $piston->document;
    $document['routines'] = [['id' => 'turn', 'name' => 'Turn', 'starts' => [],
        'steps' => [['do' => 'repeat', 'times' => 5, 'steps' => [['do' => 'go_by', 'motion' => $motion->id, 'by' => 360, 'give_up_s' => 30],
            ['do' => 'wait', 'for_s' => 0.2]]]]]];
    if ($how === 'stepper') {
        $document['motions'][$i]['drive']['motor'] = Builds::motor('P28-32');
        $document['motions'][$i]['drive']['duty'] = 1;
    } elseif ($how === 'encoder') {
        $document['motions'][$i]['stops']['encoder_pulses'] = 60;
    }
    $build = Build::read($document);
    $run = RoutineRun::of($build, $build->routines['turn']);
    $at = $run['motions'][$i]['position'];
    $turned = unrolled($at);

    expect($run['outcome'])->toBe('finished')->and($turned)->toEqualWithDelta(1800.0, $how === 'time' ? 90.0 : ($how === 'encoder' ? 40.0 : 0.1));
})->with(['time', 'encoder', 'stepper']);

it('sees where amounts lead before it runs', function () {
    $past = blamedFor(knows([['do' => 'repeat', 'times' => 4, 'steps' => [['do' => 'go_by', 'motion' => 'lift', 'by' => 0.03, 'give_up_s' => 6]]]]),
        'routine.by_past_stop');
    $within = blamedFor(knows([['do' => 'go', 'motion' => 'lift', 'place' => 'low', 'give_up_s' => 6], ['do' => 'go_by', 'motion' => 'lift', 'by' => 0.03,
        'give_up_s' => 6], ['do' => 'go_by', 'motion' => 'lift', 'by' => -0.03, 'give_up_s' => 6]]), 'routine.by_past_stop');

    expect($past)->not->toBe([])->and($past[0]->place)->toBe('routines.1.steps.0.steps.0.by')->and($within)->toBe([]);
});

it('counts pulses: within one of them and the spread of its run-on, wherever the supply stands', function (float $volts) {
    $middle = ['motions.2.places.2' => ['id' => 'middle', 'name' => 'Middle', 'at' => 0.06], 'motions.2.stops.encoder_pulses' => 48];
    $events = [['what' => 'supply', 'at_s' => 7, 'supply' => 'main', 'value' => $volts]];
    [$timed, $byTime] = knowing(knows([['do' => 'go', 'motion' => 'lift', 'place' => 'middle', 'give_up_s' => 9]], array_slice($middle, 0, 1), $events));
    [$counted, $byPulses] = knowing(knows([['do' => 'go', 'motion' => 'lift', 'place' => 'middle', 'give_up_s' => 9]], $middle, $events));
    $pulse = 0.01 * 2 * M_PI / 48; // of the drum's turn

    expect($timed['outcome'])->toBe('finished')->and($counted['outcome'])->toBe('finished')
        ->and(abs(end($byPulses['lift']) - 0.06))->toBeLessThan(2 * $pulse);
    if ($volts !== 1.0) {
        expect(abs(end($byPulses['lift']) - 0.06))->toBeLessThan(abs(end($byTime['lift']) - 0.06));
    }
})->with([0.8, 1.0, 1.1]);

it('is the more exact the more pulses there are', function () {
    $errors = [];
    foreach ([4, 48] as $pulses) {
        [, $at] = knowing(knows([['do' => 'go', 'motion' => 'lift', 'place' => 'middle', 'give_up_s' => 9]],
            ['motions.2.places.2' => ['id' => 'middle', 'name' => 'Middle', 'at' => 0.06], 'motions.2.stops.encoder_pulses' => $pulses]));
        $errors[] = abs(end($at['lift']) - 0.06);
    }

    expect($errors[1])->toBeLessThan($errors[0])->and($errors[0])->toBeLessThan(2 * 0.01 * 2 * M_PI / 4);
});

it('loses its count with the power, and must be homed', function () {
    $build = knows([['do' => 'go', 'motion' => 'lift', 'place' => 'middle', 'give_up_s' => 9]], [
        'motions.2.places.2' => ['id' => 'middle', 'name' => 'Middle', 'at' => 0.06], 'motions.2.stops.encoder_pulses' => 48, 'routines.0.starts' => [],
    ]);
    [$run] = knowing($build);

    expect($run['fault'])->toBe('Lift does not know where it is')->and(blamedFor($build, 'routine.moves_before_home'))->not->toBe([]);
});

it('does not say of what counts pulses that it goes by time', function () {
    $bare = ['motions.2.stops.switches' => [Builds::sound()->document['motions'][2]['stops']['switches'][0]],
        'routines.1.steps' => [['do' => 'go', 'motion' => 'lift', 'place' => 'high', 'give_up_s' => 6]]];
    $none = ['motions.2.stops.switches' => [], 'routines' => [], 'motions.2.stops.encoder_pulses' => 48];

    expect(blamedFor(Builds::planted($bare), 'stops.by_time'))->toHaveCount(1)
        ->and(blamedFor(Builds::planted([...$bare, 'motions.2.stops.encoder_pulses' => 48]), 'stops.by_time'))->toBe([])
        ->and(blamedFor(Builds::planted($none), 'stops.none')[0]->says->text())->toContain('an encoder counts from wherever it stands');
});

it('says no drift of what counts pulses', function () {
    $steps = [['do' => 'go', 'motion' => 'lift', 'place' => 'middle', 'give_up_s' => 9], ['do' => 'go', 'motion' => 'lift', 'place' => 'other',
        'give_up_s' => 9]];
    $places = ['motions.2.places.2' => ['id' => 'middle', 'name' => 'Middle', 'at' => 0.06], 'motions.2.places.3' => ['id' => 'other', 'name' => 'Other',
        'at' => 0.03], 'motions.2.task.tolerance' => 0.002];

    expect(blamedFor(knows($steps, $places), 'routine.drifts'))->not->toBe([])
        ->and(blamedFor(knows($steps, [...$places, 'motions.2.stops.encoder_pulses' => 48]), 'routine.drifts'))->toBe([]);
});

it('keeps what a stepper lost until it is homed again', function () {
    $wharf = Builds::demo('heron-wharf');
    $stepper = array_values(array_filter($wharf->motions, fn ($motion): bool => $motion->positioning->countsSteps()))[0];
    $axis = new Axis($stepper, $stepper->at($stepper->task->from), 0.001);
    $axis->isFoundAt($stepper->task->from);
    $to = $stepper->at($stepper->task->to);
    $go = function (float $at) use ($axis): void {
        $axis->follow($at, 1.0);
        for ($i = 0; $i < 6000 && ! $axis->hasArrived(); $i++) {
            $axis->advance(0.005);
        }
    };
    $go($to);
    expect($axis->position())->toEqualWithDelta($to, 1e-6);
    $axis->burden()->held(true, null);
    $axis->burdened();
    $axis->follow($stepper->at($stepper->task->from), 1.0);
    for ($i = 0; $i < 60; $i++) {
        $axis->advance(0.005);
    }
    $axis->stop('hold');
    $axis->burden()->held(false, null);
    $axis->burdened();
    $go($stepper->at($stepper->task->from));
    $lost = abs($axis->position() - $stepper->at($stepper->task->from));
    $middle = ($to + $stepper->at($stepper->task->from)) / 2;
    $go($middle);

    expect($lost)->toBeGreaterThan(1e-4)->and(abs($axis->position() - $middle))->toEqualWithDelta($lost, 1e-6);
});

it('trips where it is set and lets go where it is touched no longer', function () {
    $switch = new LimitSwitch('s', 'S', 'high', 0.1, 'high', travel: 0.004);

    expect($switch->isOnAt(0.098))->toBeFalse()->and($switch->isOnAt(0.1))->toBeTrue()
        ->and($switch->isOnAt(0.098, true))->toBeTrue()->and($switch->isOnAt(0.0959, true))->toBeFalse();
});

it('believes a switch only after it has stopped bouncing, and runs on for so much longer', function () {
    $build = Builds::sound();
    $lift = $build->motions['lift'];
    $plain = RunOn::of($lift, $lift->stops->switches[1], $build->settings);
    $bouncing = RunOn::of($lift, new LimitSwitch('s', 'S', 'high', 0.1, 'high', bounce_s: 0.02), $build->settings);

    expect($bouncing?->distance - $plain?->distance)->toEqualWithDelta(0.02 * $plain?->speed, 1e-4);
});

it('reads a broken wire as on where the contact is normally closed, and drives on where it is not', function (bool $closed, string $outcome) {
    $build = knows([['do' => 'go', 'motion' => 'lift', 'place' => 'high', 'give_up_s' => 6]], ['motions.2.stops.switches.1.closed' => $closed],
        [['what' => 'wire', 'at_s' => 8.3, 'sensor' => 'lift-high', 'is' => 'broken']]);
    [$run, $at] = knowing($build);
    $hits = array_filter($run['events'], fn (array $event): bool => $event['kind'] === 'hit');

    expect($hits === [] ? 'stops' : 'hits')->toBe($outcome)->and(end($at['lift']) < 0.1)->toBe($closed);
})->with([[true, 'stops'], [false, 'hits']]);

it('reads a mended wire as it is again', function () {
    $build = knows([['do' => 'wait', 'until' => ['sensor' => 'lift-high', 'is' => 'on'], 'give_up_s' => 3],
        ['do' => 'wait', 'until' => ['sensor' => 'lift-high', 'is' => 'off'], 'give_up_s' => 3]], ['motions.2.stops.switches.1.closed' => true], [
            ['what' => 'wire', 'at_s' => 8.5, 'sensor' => 'lift-high', 'is' => 'broken'], ['what' => 'wire', 'at_s' => 9.5, 'sensor' => 'lift-high',
                'is' => 'mended'],
        ]);

    expect(knowing($build)[0]['outcome'])->toBe('finished');
});

it('moves what its selector holds, and the other after changing over', function () {
    $shared = ['motions.2.drive.shares' => 'lid', 'motions.2.drive.motor' => Builds::motor('W40-400')];
    $home = fn (string $motion, string $switch): array => ['do' => 'home', 'motion' => $motion, 'switch' => $switch, 'give_up_s' => 30];
    $over = fn (string $motion): array => ['do' => 'change_over', 'motion' => $motion, 'takes_s' => 0.4];
    $fails = knows([], [...$shared, 'routines.0.steps' => [$home('lid', 'lid-shut'), $home('lift', 'lift-high')]]);
    $wake = RoutineRun::of($fails, $fails->routines['wake'], $fails->scenarios['pressed']);
    $works = knows([], [...$shared, 'routines.0.steps' => [$over('lid'), $home('lid', 'lid-shut'), $over('lift'), $home('lift', 'lift-high')]]);
    $woken = RoutineRun::of($works, $works->routines['wake'], $works->scenarios['pressed']);
    $took = array_values(array_filter($woken['steps'], fn (array $step): bool => $step['do'] === 'change_over'))[0];

    $lanes = array_column($wake['motions'], null, 'motion');
    expect($wake['fault'])->toStartWith('Lift ')
        ->and(array_map(fn (array $event): string => $event['says']->text(),
            $wake['events']))->toContain('The motor of Lift moves Lid: the selector holds that.')
        ->and(max($lanes['lift']['position']) - min($lanes['lift']['position']))->toBeLessThan(0.01)->and(max($lanes['lid']['position']))->toBeGreaterThan(30.0)
        ->and($woken['outcome'])->toBe('finished')->and($took['end_s'] - $took['start_s'])->toEqualWithDelta(0.4, 0.011)
        ->and(array_map(fn ($finding): string => $finding->place, blamedFor($fails, 'routine.not_changed_over')))->toContain('routines.0.steps.0',
            'routines.0.steps.1')
        ->and(blamedFor($works, 'routine.not_changed_over'))->toBe([]);
});

it('does not change over while one of the two still moves', function () {
    $build = knows([['do' => 'run', 'motion' => 'lift', 'direction' => 'up', 'for_s' => 0.5], ['do' => 'change_over', 'motion' => 'lid']], [
        'motions.2.drive.shares' => 'lid', 'motions.2.drive.motor' => Builds::motor('W40-400'),
        'routines.0.steps' => [['do' => 'change_over', 'motion' => 'lift', 'takes_s' => 0.1], ['do' => 'home', 'motion' => 'lift', 'switch' => 'lift-low',
            'give_up_s' => 30]],
    ]);

    expect(knowing($build)[0]['fault'])->toBe('Lift still moves, and its selector must not be changed over under way');
});

it('refuses what makes no sense, at its field', function (array $step, string $path) {
    expect(fn () => knows([$step]))->toThrow(function (InvalidInput $invalid) use ($path) {
        expect(array_column($invalid->errors, 'field'))->toContain($path);
    });
})->with([
    'by nothing' => [['do' => 'go_by', 'motion' => 'lift', 'by' => 0], 'routines.1.steps.0.by'],
    'by words' => [['do' => 'go_by', 'motion' => 'lift', 'by' => 'far'], 'routines.1.steps.0.by'],
    'of nobody' => [['do' => 'go_by', 'motion' => 'crane', 'by' => 1], 'routines.1.steps.0.motion'],
    'over to nobody' => [['do' => 'change_over', 'motion' => 'crane'], 'routines.1.steps.0.motion'],
    'for ever' => [['do' => 'change_over', 'motion' => 'lift', 'takes_s' => 1e9], 'routines.1.steps.0.takes_s'],
]);

it('still knows its place when its order was refused', function () {
    $build = knows([['do' => 'wait', 'for_s' => 1]], ['motions.2.drive.shares' => 'lid', 'motions.2.drive.motor' => Builds::motor('W40-400'),
        'routines.1.steps' => [
            ['do' => 'change_over', 'motion' => 'lid', 'takes_s' => 0.1], ['do' => 'run', 'motion' => 'lid', 'direction' => 'up', 'for_s' => 0.1],
            ['do' => 'go_by', 'motion' => 'lift', 'by' => 0.02, 'give_up_s' => 9],
        ], 'routines.1.if_fails' => [['do' => 'stop', 'motion' => 'lid'], ['do' => 'wait', 'for_s' => 1], ['do' => 'change_over', 'motion' => 'lift'],
            ['do' => 'go_by', 'motion' => 'lift', 'by' => 0.03, 'give_up_s' => 9]],
        'routines.0.steps' => [['do' => 'change_over', 'motion' => 'lift', 'takes_s' => 0.1], ['do' => 'home', 'motion' => 'lift', 'switch' => 'lift-low',
            'give_up_s' => 30]],
    ]);
    [$run, $at] = knowing($build);

    expect($run['fault'])->toBe('Lift needs the motor that Lid is using')->and(end($at['lift']))->toEqualWithDelta(0.03, 0.004);
});

it('can be stopped whoever has the motor: two servo horns on one servo, through a selector', function () {
    $build = knows([['do' => 'go', 'motion' => 'jaw', 'place' => 'wide', 'give_up_s' => 1]], [
        'motions.2.drive' => ['motor' => Builds::motor('S20 metal'), 'supply' => 'servos', 'shares' => 'jaw'],
        'routines.1.if_fails' => [['do' => 'stop', 'motion' => 'lift', 'how' => 'hold'], ['do' => 'signal', 'output' => 'lamp']],
        'routines.0.steps' => [['do' => 'change_over', 'motion' => 'lift', 'takes_s' => 0.1]],
    ]);
    [$run] = knowing($build);

    expect($run['outcome'])->toBe('faulted')->and($run['fault'])->toContain('Jaw');
});

it('holds none of them when the power goes while it changes over, until it is changed over again', function () {
    $build = knows([['do' => 'change_over', 'motion' => 'lift', 'takes_s' => 2]],
        ['motions.2.drive.shares' => 'lid', 'motions.2.drive.motor' => Builds::motor('W40-400'),
            'routines.0.steps' => [['do' => 'home', 'motion' => 'lid', 'switch' => 'lid-shut', 'give_up_s' => 5]]], [
                ['what' => 'power', 'at_s' => 9, 'is' => 'off'], ['what' => 'power', 'at_s' => 11, 'is' => 'on'],
            ]);
    $words = array_map(fn (array $event): string => $event['says']->text(), knowing($build)[0]['events']);

    expect($words)->toContain('The motor of Lid turns nothing: the selector holds none of them.');
});

it('finds by running what a broken wire does, whichever way its contact is', function (bool $closed, string $becomes) {
    $build = knows([['do' => 'go', 'motion' => 'lift', 'place' => 'high', 'give_up_s' => 6]], ['motions.2.stops.switches.1.closed' => $closed]);
    $sweep = new FaultSweep($build, $build->routines['show'], $build->scenarios['pressed']);
    $wires = array_values(array_filter($sweep->cases(), fn ($case): bool => str_contains($case->says, 'or its wire breaks')));

    expect($wires)->toHaveCount(1)->and($wires[0]->says)->toBe($closed ? 'Lift high switch is stuck on, or its wire breaks'
        : 'Lift high switch is stuck off, or its wire breaks')
        ->and($sweep->run($wires[0])['outcome'])->toBe($becomes);
})->with([[true, 'ends_wrong_unnoticed'], [false, 'hits']]);

it('writes a broken wire down and reads it again', function () {
    $build = knows([['do' => 'wait', 'for_s' => 1]], [], [['what' => 'wire', 'at_s' => 9, 'sensor' => 'beam', 'is' => 'broken'],
        ['what' => 'wire', 'at_s' => 10, 'sensor' => 'beam', 'is' => 'mended']]);
    $events = array_values(array_filter($build->scenarios['pressed']->events, fn ($event): bool => $event->what === 'wire'));

    expect(array_map(WorldEvents::write(...), $events))->toBe([['what' => 'wire', 'at_s' => 9.0, 'sensor' => 'beam', 'is' => 'broken'],
        ['what' => 'wire', 'at_s' => 10.0, 'sensor' => 'beam', 'is' => 'mended']])
        ->and(Build::fromJson($build->toJson())->toJson())->toBe($build->toJson());
});

it('tells the pulses of an encoder from the turn of the shaft, through any train', function (array $train) {
    $build = Builds::planted(['motions.2.stops.encoder_pulses' => 20, 'motions.2.train' => $train]);
    $lift = $build->motions['lift'];

    expect($lift->pulseLength())->toBeAbout(0.01 * 2 * M_PI / 20 / $lift->train->ratio())
        ->and($lift->withDrive(null)->pulseLength())->toBeNull()->and(Builds::sound()->motions['lift']->pulseLength())->toBeNull();
})->with([[[]], [[['type' => 'spur', 'driver' => 12, 'driven' => 36]]],
    [[['type' => 'spur', 'driver' => 12, 'driven' => 36], ['type' => 'spur', 'driver' => 20, 'driven' => 30]]]]);
