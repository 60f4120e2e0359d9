<?php

declare(strict_types=1);

use Brookstone\Core\Build\Build;
use Brookstone\Core\Finding\Sentence;
use Brookstone\Core\Parts\Supply;
use Brookstone\Core\Routine\Scenario;
use Brookstone\Core\Routine\WorldEvent;
use Brookstone\Core\Simulation\Axis;
use Brookstone\Core\Simulation\LoadDisturbance;
use Brookstone\Core\Simulation\PositionEstimate;
use Brookstone\Core\Simulation\Recorder;
use Brookstone\Core\Simulation\StallWatch;
use Brookstone\Core\Simulation\SupplyState;
use Brookstone\Core\Simulation\World;
use Tests\Support\Builds;

/**
 * A world of the sound build with what is planted, in which nothing has happened yet.
 *
 * @param  array<string, mixed>  $planted
 * @param  list<array<string, mixed>>  $events  of the scenario
 */
function worldOf(array $planted = [], array $events = [], string $clock = '12:00'): World
{
    $build = Builds::planted([...$planted, 'scenarios' => [['id' => 's', 'name' => 'S', 'until_s' => 60, 'events' => $events, 'clock' => $clock]]]);

    return new World($build, $build->scenarios['s'], 0.02);
}

/** Lets so much time pass, looking at each scan; what changed meanwhile. */
function passes(World $world, float $seconds): array
{
    $changed = [];
    $end = $world->now() + $seconds;
    while ($world->now() < $end - 1e-9) {
        foreach ($world->look() as $change) {
            $changed[] = $change;
        }
        $world->pass();
    }

    return $changed;
}

/** @return list<string> what was written down of a kind */
function told(World $world, string $kind): array
{
    return array_values(array_map(fn (array $event): string => $event['says']->text(),
        array_filter($world->written()['events'], fn (array $event): bool => $event['kind'] === $kind)));
}

describe('time', function () {
    it('goes on by the scans of the controller', function (float $scan_s) {
        $world = worldOf(['settings.scan_s' => $scan_s]);
        for ($i = 0; $i < 8; $i++) {
            $world->look();
            $world->pass();
        }
        expect($world->now())->toBeAbout(8 * $scan_s, 1e-12);
    })->with([0.002, 0.005, 0.02]);

    it('is the time of day of the scenario, and begins anew at midnight', function () {
        $world = worldOf(clock: '23:59');
        expect($world->clock_s())->toBeAbout(23 * 3600.0 + 59 * 60.0, 1e-12);
        passes($world, 59.9);
        expect($world->clock_s())->toBeAbout(86399.9, 1e-9);
        passes($world, 0.2);
        expect($world->clock_s())->toEqualWithDelta(0.1, 1e-6);
    });

    it('passes in one stride where nothing can happen, and no further than somebody wants to look', function () {
        $world = worldOf([], [['at_s' => 7.0, 'sensor' => 'beam', 'is' => 'on']]);
        $world->look();
        $world->pass(30.0); // the supplies have been asked once
        $world->look();
        $world->pass(3.0);
        expect($world->now())->toBeLessThanOrEqual(3.0 + 1e-9)->toBeGreaterThan(0.005);
        for ($i = 0; $i < 2000 && $world->now() < 20.0; $i++) {
            $world->look();
            $world->pass(20.0);
        }
        expect($world->isOn('beam'))->toBeTrue();
        $at = array_values(array_filter($world->written()['inputs'], fn (array $lane): bool => $lane['id'] === 'beam'))[0]['changes'];
        expect($at)->toHaveCount(2)->and($at[1]['at_s'])->toBeAbout(7.0, 1e-9);
    });
});

describe('what happens', function () {
    it('happens when the scenario has it, in its order, and then there is no more to come', function () {
        $world = worldOf([], [['at_s' => 0.1, 'sensor' => 'beam', 'is' => 'on'], ['at_s' => 0.2, 'sensor' => 'button', 'is' => 'on'],
            ['at_s' => 0.3, 'sensor' => 'beam', 'is' => 'off']]);
        expect($world->hasMoreToCome())->toBeTrue();
        $changed = passes($world, 0.25);
        expect($changed[0])->toBe(['beam', true])->and($world->hasMoreToCome())->toBeTrue();
        $changed = passes($world, 0.25);
        expect($changed)->toContain(['beam', false])->and($world->hasMoreToCome())->toBeFalse();
    });

    it('counts: to a number, by a number, and says so', function () {
        $world = worldOf(['counters' => [['id' => 'n', 'name' => 'Visits', 'start' => 4]]]);
        expect($world->count('n'))->toBe(4);
        $world->set('n', null, 3);
        expect($world->count('n'))->toBe(7);
        $world->set('n', 2, null);
        expect($world->count('n'))->toBe(2)->and(told($world, 'count'))->toBe(['Visits is 7.', 'Visits is 2.'])
            ->and($world->counters())->toBe(['n' => 2]);
    });

    it('says that a motion is told two things at once, not when one follows the other', function () {
        $world = worldOf();
        $world->claims('lid', 1);
        $world->claims('lid', -1);
        $world->claims('lid', 1);
        $world->claims('lift', 1);
        $world->claims(null, 1);
        expect(told($world, 'conflict'))->toBe([]);
        $world->claims('lid', 1);
        expect(told($world, 'conflict'))->toBe(['Lid is told two things at once.']);
    });

    it('knows which routines run', function () {
        $world = worldOf();
        expect($world->isRunning('show'))->toBeFalse();
        $before = $world->changes();
        $world->runs('show', true);
        expect($world->isRunning('show'))->toBeTrue()->and($world->isRunning('wake'))->toBeFalse()->and($world->changes())->toBeGreaterThan($before);
        $world->runs('show', false);
        expect($world->isRunning('show'))->toBeFalse();
    });

    it('switches an output for a time, and back by itself', function () {
        $world = worldOf();
        $world->signal('lamp', true, 0.5);
        expect($world->outputs())->toBe(['lamp' => true])->and($world->hasMoreToCome())->toBeTrue();
        passes($world, 0.49);
        expect($world->outputs())->toBe(['lamp' => true]);
        passes($world, 0.02);
        expect($world->outputs())->toBe(['lamp' => false])->and($world->hasMoreToCome())->toBeFalse();
        $changes = $world->written()['outputs'][0]['changes'];
        expect(array_column($changes, 'on'))->toBe([true, false])->and($changes[1]['at_s'])->toBeAbout(0.5, 1e-9);
    });

    it('leaves an output as it is that is switched to what it is, but takes its time anew', function () {
        $world = worldOf();
        $world->signal('lamp', true, 0.5);
        passes($world, 0.3);
        $before = $world->changes();
        $world->signal('lamp', true, null); // for good now
        expect($world->changes())->toBe($before);
        passes($world, 1.0);
        expect($world->outputs())->toBe(['lamp' => true])->and(told($world, 'output'))->toBe(['Lamp goes on.']);
    });
});

describe('the power', function () {
    it('takes with it what was counted, switched and known, but not what is kept', function () {
        $world = worldOf(['counters' => [['id' => 'n', 'name' => 'N', 'start' => 1], ['id' => 'k', 'name' => 'K', 'start' => 1, 'kept' => true]]],
            [['what' => 'power', 'at_s' => 1.0, 'is' => 'off'], ['what' => 'power', 'at_s' => 2.0, 'is' => 'on']]);
        $world->set('n', 9, null);
        $world->set('k', 9, null);
        $world->signal('lamp', true, null);
        passes($world, 1.5);
        expect($world->isPowered())->toBeFalse()->and($world->outputs())->toBe(['lamp' => false]);
        passes($world, 1.0);
        expect($world->isPowered())->toBeTrue()->and($world->counters())->toBe(['n' => 1, 'k' => 9])
            ->and(told($world, 'power'))->toBe(['The power goes.', 'The power comes back.']);
    });

    it('lets nothing be seen while it is off, and believes what is so when it is back', function () {
        $world = worldOf([], [['what' => 'power', 'at_s' => 0.1, 'is' => 'off'], ['at_s' => 0.2, 'sensor' => 'beam', 'is' => 'on'],
            ['what' => 'power', 'at_s' => 0.4, 'is' => 'on']]);
        passes($world, 0.15);
        expect(passes($world, 0.2))->toBe([])->and($world->isOn('beam'))->toBeFalse();
        expect(passes($world, 0.2))->toBe([]) // it is not told as a change
            ->and($world->isOn('beam'))->toBeTrue();
    });

    it('goes only once, and comes only once', function () {
        $world = worldOf();
        foreach ([true, false, false, true, true] as $on) {
            $world->happens(new WorldEvent(0.0, 'power', null, $on));
        }
        expect(told($world, 'power'))->toBe(['The power goes.', 'The power comes back.']);
    });
});

describe('inputs', function () {
    it('are believed once they have said so for as long as bounce and debounce last', function () {
        $world = worldOf(['settings.debounce_s' => 0.02, 'sensors.0.bounce_s' => 0.01], [['at_s' => 0.1, 'sensor' => 'button', 'is' => 'on']]);
        passes($world, 0.125);
        expect($world->isOn('button'))->toBeFalse();
        passes($world, 0.02);
        expect($world->isOn('button'))->toBeTrue();
        $at = array_values(array_filter($world->written()['inputs'], fn (array $lane): bool => $lane['id'] === 'button'))[0]['changes'][1]['at_s'];
        expect($at)->toBeAbout(0.13, 1e-6);
    });

    it('do not believe what is over before that', function () {
        $world = worldOf(['settings.debounce_s' => 0.02, 'sensors.0.bounce_s' => 0.01],
            [['at_s' => 0.1, 'sensor' => 'button', 'is' => 'on'], ['at_s' => 0.12, 'sensor' => 'button', 'is' => 'off'],
                ['at_s' => 0.125, 'sensor' => 'button', 'is' => 'on'], ['at_s' => 0.15, 'sensor' => 'button', 'is' => 'off']]);
        expect(passes($world, 0.4))->toBe([]);
    });

    it('tell later by what was added to them', function () {
        $world = worldOf([], [['what' => 'late', 'at_s' => 0.0, 'sensor' => 'beam', 'value' => 0.3], ['at_s' => 0.1, 'sensor' => 'beam', 'is' => 'on']]);
        passes($world, 0.39);
        expect($world->isOn('beam'))->toBeFalse();
        passes($world, 0.03);
        expect($world->isOn('beam'))->toBeTrue();
    });

    it('say what they are stuck at, and are free again', function () {
        $world = worldOf([], [['what' => 'stuck', 'at_s' => 0.1, 'sensor' => 'lid-open', 'is' => 'on'], ['what' => 'stuck', 'at_s' => 0.5, 'sensor' => 'lid-open',
            'is' => 'free']]);
        passes($world, 0.3);
        expect($world->isOn('lid-open'))->toBeTrue()->and($world->isOn('lid-shut'))->toBeTrue();
        passes($world, 0.4);
        expect($world->isOn('lid-open'))->toBeFalse();
    });

    it('read on behind a broken wire where they are normally closed, and off where they are not', function (bool $closed) {
        $world = worldOf(['motions.0.stops.switches.0.closed' => $closed, 'motions.0.stops.switches.1.closed' => $closed],
            [['what' => 'wire', 'at_s' => 0.1, 'sensor' => 'lid-open', 'is' => 'broken'], ['what' => 'wire', 'at_s' => 0.1, 'sensor' => 'lid-shut',
                'is' => 'broken'], ['what' => 'wire', 'at_s' => 0.5, 'sensor' => 'lid-open', 'is' => 'mended'], ['what' => 'wire', 'at_s' => 0.5,
                    'sensor' => 'lid-shut', 'is' => 'mended']]);
        passes($world, 0.3);
        expect([$world->isOn('lid-open'), $world->isOn('lid-shut')])->toBe([$closed, $closed]);
        passes($world, 0.4);
        expect([$world->isOn('lid-open'), $world->isOn('lid-shut')])->toBe([false, true]);
    })->with([true, false]);

    it('see the light of a lamp of the build beside what is around', function () {
        $world = worldOf(['sensors.2' => ['id' => 'light', 'name' => 'Light', 'kind' => 'light', 'rest' => 20, 'upper' => 50, 'lower' => 40, 'lamp' => 'lamp',
            'lamp_adds' => 35]]);
        expect($world->level('light'))->toBe(20.0);
        $world->signal('lamp', true, null);
        expect($world->level('light'))->toBe(55.0)->and($world->inputs->around('light'))->toBe(20.0);
        passes($world, 0.2);
        expect($world->isOn('light'))->toBeTrue();
        $world->signal('lamp', false, null);
        expect($world->level('light'))->toBe(20.0);
        passes($world, 0.2);
        expect($world->isOn('light'))->toBeFalse();
    });

    it('go on by their upper threshold and off by their lower', function (array $levels, array $on) {
        $world = worldOf(['sensors.2' => ['id' => 'light', 'name' => 'Light', 'kind' => 'light', 'rest' => 10, 'upper' => 50, 'lower' => 40]]);
        foreach ($levels as $i => $level) {
            $world->happens(new WorldEvent(0.0, 'level', 'light', null, $level));
            passes($world, 0.2);
            expect($world->isOn('light'))->toBe($on[$i], "at {$level}");
        }
    })->with([
        [[49.9, 50.0, 45.0, 40.1, 40.0, 45.0, 49.9, 50.1], [false, true, true, true, false, false, false, true]],
    ]);
});

describe('a supply', function () {
    $feed = function (float $max_A, array $pushes = ['lid']): array {
        $axes = [];
        foreach ($pushes as $motion) {
            $axis = new Axis(Builds::sound()->motions[$motion], 0.0, 0.0);
            $axis->burden()->held(true, null);
            $axis->burdened();
            $axis->push(1, 1.0);
            $axis->advance(0.1);
            $axes[] = $axis;
        }

        return [new SupplyState(new Supply('main', 'Main', 12.0, $max_A, 2.0), $axes), $axes];
    };

    it('gives what is asked for up to its most, and no more', function () use ($feed) {
        $stall_A = Builds::sound()->motions['lid']->drive?->line()->stall_A ?? 0.0;
        [$bears] = $feed(1.001 * $stall_A);
        expect($bears->look(0.0, 0.005) !== [])->toBeFalse()->and($bears->flows_A())->toBeAbout($stall_A, 1e-3);
        [$gives] = $feed(0.6 * $stall_A);
        expect($gives->look(0.0, 0.005) !== [])->toBeTrue()->and($gives->flows_A())->toBeAbout(0.6 * $stall_A, 1e-5)
            ->and($gives->asked_A())->toBeAbout($stall_A, 1e-3);
    });

    it('says that it sags only below nine tenths of its voltage', function (float $share, bool $sags) use ($feed) {
        // What is held fast asks in proportion to the voltage: a supply of 0.91 of the stall gives 0.91 of its volts.
        $stall_A = Builds::sound()->motions['lid']->drive?->line()->stall_A ?? 0.0;
        [$state] = $feed($share * $stall_A);
        expect($state->look(0.0, 0.005) !== [])->toBe($sags);
    })->with([[0.91, false], [0.89, true]]);

    it('takes a dip within a tenth of a second for the same one, and a later one for another', function (float $later, bool $again) use ($feed) {
        $stall_A = Builds::sound()->motions['lid']->drive?->line()->stall_A ?? 0.0;
        [$state] = $feed(0.5 * $stall_A);
        expect($state->look(0.0, 0.005) !== [])->toBeTrue()->and($state->look($later, 0.005) !== [])->toBe($again);
    })->with([[0.09, false], [0.11, true]]);

    it('never gives less than a fifth of its voltage', function () use ($feed) {
        $stall_A = Builds::sound()->motions['lid']->drive?->line()->stall_A ?? 0.0;
        [$state] = $feed(0.05 * $stall_A);
        $state->look(0.0, 0.005);
        expect($state->flows_A())->toBeAbout(0.2 * $stall_A, 1e-3);
    });

    it('adds up what it gives, with the most of it and when that was', function () use ($feed) {
        $stall_A = Builds::sound()->motions['lid']->drive?->line()->stall_A ?? 0.0;
        [$state, [$axis]] = $feed(10.0);
        $state->look(1.0, 0.5);
        $state->goesOn(1.5, 0.25);
        $written = $state->written(0.75);
        expect($written['charge_C'])->toBeAbout(0.75 * $stall_A, 1e-3)->and($written['mean_A'])->toBeAbout($stall_A, 1e-3)
            ->and($written['peak_A'])->toBeAbout($stall_A, 1e-3)->and($written['peak_at_s'])->toBe(1.0)
            ->and($written['runs_on_charge'])->toBe((int) floor(2.0 * 3600 / $state->charge_C()))
            ->and($written['supply'])->toBe('main')->and($written['max_A'])->toBe(10.0);
        $axis->push(0, 0.0);
        $axis->advance(1.0);
        $state->look(2.0, 0.5);
        expect($state->peak_A())->toBeAbout($stall_A, 1e-3)->and($state->flows_A())->toBe(0.0);
        $state->forgetsPeak();
        expect($state->peak_A())->toBe(0.0);
    });

    it('runs no routine on a charge that it does not have', function () {
        $state = new SupplyState(new Supply('main', 'Main', 12.0, 5.0), []);
        $state->look(0.0, 0.005);
        expect($state->written(1.0)['runs_on_charge'])->toBeNull()->and($state->written(0.0)['mean_A'])->toBe(0.0);
    });

    it('bears what moves on while it is not looked at, if all of it at its most is within its most', function () use ($feed) {
        $lid_A = Builds::sound()->motions['lid']->drive?->line()->stall_A ?? 0.0;
        [$state, [$axis]] = $feed(1.05 * $axis_A = $lid_A);
        $state->look(0.0, 0.005);
        expect($state->bears(['lid' => 0.0]))->toBe($axis->motor()->most_A() <= 1.05 * $axis_A)
            ->and($state->bears([]))->toBeTrue();
        [$weak] = $feed(0.5 * $lid_A);
        $weak->look(0.0, 0.005);
        expect($weak->bears([]))->toBeFalse();
    });
});

describe('a stall', function () {
    it('is one when it has pushed for more than half a second, and is told once', function () {
        $watch = new StallWatch;
        expect($watch->look(true, 0.3, 2.0))->toBeNull()->and($watch->look(true, 0.2, 2.0))->toBeNull() // settling takes as long
            ->and($watch->look(true, 0.005, 1.5))->toBe(['stalls', 0.0, 0.0])->and($watch->look(true, 0.3, 1.5))->toBeNull()
            ->and($watch->now_s())->toBeAbout(0.805, 1e-9);
        [$what, $for_s, $with_A] = $watch->look(false, 0.005) ?? ['', 0.0, 0.0];
        expect([$what, $with_A])->toBe(['stalled', 1.5])->and($for_s)->toBeAbout(0.805, 1e-9)->and($watch->now_s())->toBe(0.0);
    });

    it('is none where it got on in between, but the longest is remembered with its current', function () {
        $watch = new StallWatch;
        foreach ([[true, 0.4, 1.0], [false, 0.1, 0.0], [true, 0.3, 9.0]] as [$pushes, $seconds, $current]) {
            expect($watch->look($pushes, $seconds, $current))->toBeNull();
        }
        expect($watch->most_s())->toBe(0.4)->and($watch->current_A())->toBe(1.0);
        $watch->look(true, 0.15, 3.0);
        expect($watch->most_s())->toBeAbout(0.45, 1e-12)->and($watch->current_A())->toBe(3.0);
    });
});

describe('a load', function () {
    $lift = fn (array $task = []): LoadDisturbance => new LoadDisturbance(Builds::planted(['motions.2.mechanism.payload_kg' => 0.2,
        ...array_combine(array_map(fn (string $key): string => "motions.2.task.{$key}", array_keys($task)), $task)])->motions['lift'], 0.0);

    it('has its payload on as its task says, where nobody says otherwise', function (string $payload, bool $atFirst, bool $there, bool $back) use ($lift) {
        $load = $lift(['payload' => $payload]);
        expect($load->isCarrying())->toBe($atFirst);
        expect($load->setsOff(true))->toBe($atFirst !== $there)->and($load->isCarrying())->toBe($there);
        expect($load->setsOff(false))->toBe($there !== $back)->and($load->isCarrying())->toBe($back);
    })->with([['both', true, true, true], ['there', true, true, false], ['back', false, false, true]]);

    it('keeps to what was said of it', function () use ($lift) {
        $load = $lift(['payload' => 'both']);
        $load->carries(false);
        expect($load->setsOff(true))->toBeFalse()->and($load->isCarrying())->toBeFalse();
        $load->carries(true);
        $load->setsOff(false);
        expect($load->isCarrying())->toBeTrue();
    });

    it('hangs on its cord until that breaks', function () use ($lift) {
        $load = $lift();
        expect($load->hangs())->toBeTrue();
        $load->snaps();
        expect($load->hangs())->toBeFalse();
        expect((new LoadDisturbance(Builds::sound()->motions['lid'], 0.0))->hangs())->toBeFalse();
    });

    it('is heavier and drags by what is said, in what its machine needs', function () {
        $needs = function (callable $does): array {
            $load = new LoadDisturbance(Builds::sound()->motions['lid'], 0.0);
            $does($load);

            return [$load->mechanism()->staticTorqueNm(0.0), $load->mechanism()->frictionNm(0.0), $load->mechanism()->inertiaKgm2(0.0)];
        };
        [$weight, $friction, $inertia] = $needs(fn () => null);
        expect($weight)->toBeAbout(0.3 * 9.80665 * 0.12, 1e-6)->and($friction)->toBeAbout(0.02, 1e-9);
        [$heavy, $same, $slow] = $needs(fn (LoadDisturbance $load) => $load->isHeavier(1.5));
        expect($heavy)->toBeAbout(1.5 * $weight, 1e-9)->and($same)->toBeAbout($friction, 1e-9)->and($slow)->toBeAbout(1.5 * $inertia, 1e-9);
        [$light, $drags] = $needs(fn (LoadDisturbance $load) => $load->drags(3.0));
        expect($light)->toBeAbout($weight, 1e-9)->and($drags)->toBeAbout(3 * $friction + 0.1 * $weight, 1e-9);
    });

    it('is held fast where it is, or only where it comes there', function () {
        $load = new LoadDisturbance(Builds::sound()->motions['lid'], 0.0);
        expect($load->isHeld())->toBeFalse();
        $load->held(true, 35.0);
        expect($load->isHeld())->toBeTrue();
        $load->held(false, null);
        expect($load->isHeld())->toBeFalse();
    });
});

describe('where a controller takes a motion to be', function () {
    it('is where it was found, with what it has counted since', function () {
        $motion = Builds::planted(['motions.0.stops.encoder_pulses' => 40])->motions['lid'];
        $estimate = new PositionEstimate($motion);
        expect($estimate->isCounted())->toBeFalse();
        $estimate->isFoundAt(0.0);
        $pulse = $motion->pulse_rad() ?? throw new LogicException;
        expect($estimate->isCounted())->toBeTrue()->and($estimate->reading(10.4 * $pulse))->toBeAbout(10 * $pulse, 1e-9)
            ->and($estimate->believed(10.4 * $pulse))->toBeAbout(rad2deg(10 * $pulse), 1e-9);
        $estimate->forget();
        expect($estimate->isCounted())->toBeFalse()->and($estimate->believed(10.4 * $pulse))->toBeNull();
    });

    it('is nowhere while it is on its way, and a place when it has come to one', function () {
        $estimate = new PositionEstimate(Builds::planted(['motions.0.stops.encoder_pulses' => null])->motions['lid']);
        $estimate->isAt(70.0);
        expect($estimate->place())->toBe('open')->and($estimate->believed(0.0))->toBe(70.0);
        $estimate->leaves();
        expect($estimate->place())->toBeNull()->and($estimate->believed(0.0))->toBeNull();
        $estimate->isAt(35.0);
        expect($estimate->place())->toBeNull();
    });

    it('counts what a stepper was told, and what it did not turn', function () {
        $motion = Builds::planted(['motions.0.drive' => ['motor' => Builds::motor('P57-56'), 'supply' => 'main']])->motions['lid'];
        $estimate = new PositionEstimate($motion);
        $estimate->isFoundAt(0.0);
        expect($estimate->believed(deg2rad(30.0)))->toBeAbout(30.0, 1e-9);
        $estimate->slips(deg2rad(4.0));
        $estimate->slips(deg2rad(1.0));
        expect($estimate->slipped_rad())->toBeAbout(deg2rad(5.0), 1e-9)->and($estimate->believed(deg2rad(30.0)))->toBeAbout(35.0, 1e-9);
        $estimate->isFoundAt(0.0); // homed anew
        expect($estimate->slipped_rad())->toBe(0.0);
    });
});

describe('what is written down', function () {
    $recorder = function (float $sample_s = 0.1): Recorder {
        $build = Builds::sound();
        $axes = array_map(fn (Brookstone\Core\Parts\Motion $motion): Axis => new Axis($motion, 0.0, 0.0), $build->motions);

        return new Recorder($build, $axes, [], $sample_s);
    };

    it('is sampled so often, and no oftener', function () use ($recorder) {
        $record = $recorder(0.1);
        foreach ([0.05, 0.09, 0.1, 0.12, 0.2, 0.25] as $now) {
            $record->sample($now);
        }
        expect($record->written(0.25)['motions'][0]['position'])->toHaveCount(3)->and($record->sampleDue_s())->toBeAbout(0.3, 1e-12);
    });

    it('has of each step where it began and ended, and which gave up last', function () use ($recorder) {
        $record = $recorder();
        $show = Builds::sound()->routines['show'];
        $first = $record->stepStarts($show, 'steps.0', $show->steps[0], 1.0);
        expect(array_keys($record->underWay()))->toBe([$first])->and($record->begun())->toBe(1);
        $record->stepEnds($first, 2.5, 'gave_up');
        $second = $record->stepStarts($show, 'steps.1', $show->steps[1], 2.5);
        $record->stepEnds($second, 3.0, 'done');
        $steps = $record->steps();
        expect($record->underWay())->toBe([])->and($steps[0])->toMatchArray(['routine' => 'show', 'path' => 'steps.0', 'do' => 'go', 'motion' => 'lid', 'start_s' => 1.0,
            'end_s' => 2.5, 'outcome' => 'gave_up', 'from' => 0.0, 'at' => 0.0])
            ->and($record->gaveUp('show')['path'] ?? null)->toBe('steps.0')->and($record->gaveUp('wake'))->toBeNull();
    });

    it('lays what goes wrong with a motion at the last step that moved it, anything else at what is under way', function () use ($recorder) {
        $record = $recorder();
        $show = Builds::sound()->routines['show'];
        $lid = $record->stepStarts($show, 'steps.0', $show->steps[0], 1.0);
        $record->stepEnds($lid, 2.0, 'done');
        $record->stepStarts($show, 'steps.1', $show->steps[1], 2.0);
        $build = Builds::sound();
        $record->hit(2.5, $build->motions['lid'], -30.0, 0.2);
        $record->sag(2.6, $build->supplies['main'], 7.0);
        $record->hit(2.7, $build->motions['jaw'], 1.0, 0.1);
        expect(array_map(fn (Brookstone\Core\Simulation\Mishap $mishap): ?string => $mishap->written()['path'], $record->mishaps()))
            ->toBe(['steps.0', 'steps.1', null]);
        $says = array_map(fn (array $event): string => $event['says']->text(), $record->written(3.0)['events']);
        expect($says[0])->toBe('Lid hits its hard stop at 30 °/s with 0.2 J.')->and($says[1])->toBe('Main sags: it is asked for 7 A and gives 5 A.');
    });

    it('tells a stall with how long and how much, of the step in which it began', function () use ($recorder) {
        $record = $recorder();
        $build = Builds::sound();
        $show = $build->routines['show'];
        $one = $record->stepStarts($show, 'steps.0', $show->steps[0], 1.0);
        $record->stalls($build->motions['lid']);
        $record->stepEnds($one, 2.0, 'gave_up');
        $record->stepStarts($show, 'steps.7', $show->steps[7], 2.0);
        $record->stalled(3.0, $build->motions['lid'], 1.5, 2.25);
        $mishap = $record->mishaps()[0]->written();
        expect($mishap['path'])->toBe('steps.0')->and($mishap['says']->text())->toBe('Lid stalls for 1.5 s at 2.25 A.');
    });

    it('does not fill the memory with what goes on for ever', function () use ($recorder) {
        $record = $recorder(INF);
        $show = Builds::sound()->routines['show'];
        for ($i = 0; $i < 2005; $i++) {
            $at = $record->stepStarts($show, 'steps.4', $show->steps[4], (float) $i);
            $record->stepEnds($at, $i + 0.5, 'done');
            $record->routine((float) $i, 'start', 'Show starts.');
        }
        expect($record->steps())->toHaveCount(2000)->and($record->written(1.0)['events'])->toHaveCount(2000)->and($record->stepStarts($show, 'steps.4',
            $show->steps[4], 1.0))->toBe(-1);
    });

    it('keeps names with braces as they are', function () use ($recorder) {
        $record = $recorder();
        $record->routine(1.0, 'start', 'Lid {needs} starts.');
        $says = $record->written(2.0)['events'][0]['says'];
        assert($says instanceof Sentence);
        expect($says->text())->toBe('Lid {needs} starts.');
    });
});

describe('rules', function () {
    it('are told each time that they come to be broken, once', function () {
        $world = worldOf(['rules' => [['id' => 'dark', 'name' => 'Dark', 'never' => ['sensor' => 'beam', 'is' => 'on']]]],
            [['at_s' => 0.1, 'sensor' => 'beam', 'is' => 'on'], ['at_s' => 0.5, 'sensor' => 'beam', 'is' => 'off'], ['at_s' => 1.0, 'sensor' => 'beam', 'is' => 'on']]);
        passes($world, 0.4);
        expect(told($world, 'rule'))->toHaveCount(1)->and(told($world, 'rule')[0])->toStartWith('The rule Dark is broken: ');
        passes($world, 1.0);
        expect(told($world, 'rule'))->toHaveCount(2);
    });

    it('hold as long as what they are for is not so', function () {
        $world = worldOf(['rules' => [['id' => 'dark', 'name' => 'Dark', 'never' => ['sensor' => 'beam', 'is' => 'on'], 'while' => ['test' => 'counter',
            'counter' => 'n', 'is' => 'at_least', 'value' => 1]]], 'counters' => [['id' => 'n', 'name' => 'N']]],
            [['at_s' => 0.1, 'sensor' => 'beam', 'is' => 'on']]);
        passes($world, 0.4);
        expect(told($world, 'rule'))->toBe([]);
        $world->set('n', 1, null);
        passes($world, 0.1);
        expect(told($world, 'rule'))->toHaveCount(1);
    });
});

it('switches nothing back without power', function () {
    $document = Builds::sound()->document;
    $output = $document['outputs'][0]['id'];
    $document['routines'] = [['id' => 'blink', 'name' => 'Blink', 'starts' => [['when' => 'press', 'sensor' => 'button']], 'steps' => [
        ['do' => 'signal', 'output' => $output, 'state' => 'off', 'for_s' => 0.5], ['do' => 'wait', 'for_s' => 2]]]];
    $build = Brookstone\Core\Build\Build::read($document);
    $changes = function (array $events) use ($build, $output): array {
        $run = Brookstone\Core\Simulation\RoutineRun::of($build, $build->routines['blink'], new Brookstone\Core\Routine\Scenario('s', 'S', 6.0, [],
            [new Brookstone\Core\Routine\WorldEvent(1.0, 'sensor', 'button', true), ...$events]));

        return array_column(array_column($run['outputs'], 'changes', 'id')[$output] ?? [], 'on');
    };
    $cut = [new Brookstone\Core\Routine\WorldEvent(1.2, 'power', null, false), new Brookstone\Core\Routine\WorldEvent(3.0, 'power', null, true)];

    expect($changes([]))->toBe([true])->and($changes($cut))->toBe([]);
});
