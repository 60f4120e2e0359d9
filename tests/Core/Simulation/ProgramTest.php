<?php

declare(strict_types=1);

use Brookstone\Core\Build\Build;
use Brookstone\Core\Dynamics\DriverCommand;
use Brookstone\Core\Parts\Sensor;
use Brookstone\Core\Routine\WorldEvent;
use Brookstone\Core\Simulation\Axis;
use Brookstone\Core\Simulation\Gestures;
use Brookstone\Core\Simulation\Machine;
use Brookstone\Core\Simulation\PositionEstimate;
use Brookstone\Core\Simulation\Program;
use Brookstone\Core\Simulation\ServoRun;
use Brookstone\Core\Simulation\Stride;
use Brookstone\Core\Simulation\TriggerEvaluator;
use Brookstone\Core\Simulation\World;
use Tests\Support\Builds;

/**
 * A controller at work in a world of the sound build with these routines, in which the power is on.
 *
 * @param  list<array<string, mixed>>  $routines
 * @param  array<string, mixed>  $planted
 * @return array{Program, World, list<string>} and what was told, by reference of the third
 */
function controller(array $routines, array $planted = [], string $clock = '12:00'): array
{
    $build = Builds::planted(['routines' => $routines, ...$planted, 'scenarios' => [['id' => 's', 'name' => 'S', 'until_s' => 60, 'events' => [], 'clock' => $clock]]]);
    $world = new World($build, $build->scenarios['s'], 0.02);
    $told = new ArrayObject;
    $program = new Program($world, fn (string $id) => $told->append("{$id} starts"), fn (string $id, ?string $fault) => $told->append("{$id} ends".($fault === null
        ? '' : ": {$fault}")));

    return [$program, $world, $told];
}

/** Lets so much time pass, looking at each scan. */
function runsFor(Program $program, World $world, float $seconds): void
{
    $end = $world->now() + $seconds;
    while ($world->now() < $end - 1e-9) {
        $program->look();
        $world->pass();
    }
}

/** @return array<string, mixed> a routine that waits so long */
function waiting(string $id, array $starts, float $for_s = 1.0, array $more = []): array
{
    return ['id' => $id, 'name' => ucfirst($id), 'starts' => $starts, 'steps' => [['do' => 'wait', 'for_s' => $for_s]], ...$more];
}

const BY_BEAM = [['when' => 'beam', 'sensor' => 'beam']];

function beam(World $world, bool $on): void
{
    $world->happens(new WorldEvent(0.0, 'sensor', 'beam', $on));
}

describe('a controller', function () {
    it('starts what the power starts, once, and tells when it ends', function () {
        [$program, $world, $told] = controller([waiting('wake', [['when' => 'power_on']])]);
        expect($program->isIdle())->toBeTrue();
        runsFor($program, $world, 0.5);
        expect($program->running())->toBe(['wake'])->and($program->isRunning('wake'))->toBeTrue()->and($program->isIdle())->toBeFalse()
            ->and($world->isRunning('wake'))->toBeTrue();
        runsFor($program, $world, 3.0);
        expect((array) $told)->toBe(['wake starts', 'wake ends'])->and($program->isIdle())->toBeTrue()->and($world->isRunning('wake'))->toBeFalse();
    });

    it('does not start what runs already', function () {
        [$program, $world, $told] = controller([waiting('peep', BY_BEAM, 2.0)]);
        foreach ([true, false, true, false] as $on) {
            beam($world, $on);
            runsFor($program, $world, 0.3);
        }
        expect((array) $told)->toBe(['peep starts']);
        runsFor($program, $world, 2.0);
        beam($world, true);
        runsFor($program, $world, 0.3);
        expect((array) $told)->toBe(['peep starts', 'peep ends', 'peep starts']);
    });

    it('forgets what it was doing when the power goes, and begins anew when it is back', function () {
        [$program, $world, $told] = controller([waiting('wake', [['when' => 'power_on']], 5.0)]);
        runsFor($program, $world, 0.5);
        $world->happens(new WorldEvent(0.0, 'power', null, false));
        runsFor($program, $world, 0.5);
        expect((array) $told)->toBe(['wake starts', 'wake ends: the power went'])->and($program->isIdle())->toBeTrue();
        $world->happens(new WorldEvent(0.0, 'power', null, true));
        runsFor($program, $world, 0.1);
        expect((array) $told)->toHaveCount(3)->and($program->isRunning('wake'))->toBeTrue();
    });

    it('does once what it does when it fails, and tells why it failed', function () {
        [$program, $world, $told] = controller([['id' => 'show', 'name' => 'Show', 'starts' => BY_BEAM, 'steps' => [['do' => 'fault', 'message' => 'no cup']],
            'if_fails' => [['do' => 'signal', 'output' => 'lamp', 'state' => 'on'], ['do' => 'wait', 'for_s' => 0.5], ['do' => 'fault', 'message' => 'worse']]]]);
        beam($world, true);
        runsFor($program, $world, 0.2);
        expect($program->isRunning('show'))->toBeTrue()->and($world->outputs())->toBe(['lamp' => true]);
        runsFor($program, $world, 1.0);
        expect((array) $told)->toBe(['show starts', 'show ends: no cup']);
    });

    it('need not be looked at before what waits is due', function () {
        [$program, $world] = controller([waiting('wake', [['when' => 'power_on']], 2.0)]);
        expect($program->due_s())->toBe(-INF); // the power has just come
        runsFor($program, $world, 0.5);
        expect($program->due_s())->toBeAbout(2.0, 0.01);
        runsFor($program, $world, 2.0);
        expect($program->due_s())->toBe(INF);
    });

    it('starts nothing more once what started at power-on has failed, until the power has been off', function () {
        [$program, $world, $told] = controller([['id' => 'wake', 'name' => 'Wake', 'starts' => [['when' => 'power_on']], 'steps' => [['do' => 'wait',
            'until' => ['sensor' => 'button'], 'give_up_s' => 0.5]]], waiting('peep', BY_BEAM, 0.1)]);
        runsFor($program, $world, 1.0);
        beam($world, true);
        runsFor($program, $world, 0.5);
        expect(array_filter((array) $told, fn (string $line): bool => str_starts_with($line, 'peep')))->toBe([]);
        beam($world, false);
        $world->happens(new WorldEvent(0.0, 'power', null, false));
        runsFor($program, $world, 0.1);
        $world->happens(new WorldEvent(0.0, 'power', null, true));
        $world->happens(new WorldEvent(0.0, 'sensor', 'button', true));
        runsFor($program, $world, 0.2);
        beam($world, true);
        runsFor($program, $world, 0.3);
        expect((array) $told)->toContain('peep starts');
    });
});

describe('what starts a routine', function () {
    it('starts by the clock, at midnight too, once a day', function (string $clock, string $at, bool $starts) {
        [$program, $world, $told] = controller([waiting('bell', [['when' => 'time_of_day', 'at' => $at]], 0.5)], clock: $clock);
        runsFor($program, $world, 70.0);
        expect((array) $told)->toBe($starts ? ['bell starts', 'bell ends'] : []);
    })->with([['11:59', '12:00', true], ['12:00', '12:01', true], ['12:00', '12:02', false], ['12:00', '12:00', false], ['23:59', '00:00', true],
        ['23:59', '23:58', false], ['00:00', '23:59', false]]);

    it('starts every so often, counted from when the power came', function () {
        [$program, $world, $told] = controller([waiting('tick', [['when' => 'every', 'every_s' => 1.5]], 0.2)]);
        runsFor($program, $world, 1.45);
        expect((array) $told)->toBe([]);
        runsFor($program, $world, 0.1);
        expect((array) $told)->toBe(['tick starts']);
        runsFor($program, $world, 3.0);
        expect(count(array_keys((array) $told, 'tick starts', true)))->toBe(3);
    });

    it('starts by a count once it comes to it, and not again while it stays so', function () {
        [$program, $world, $told] = controller([waiting('full', [['when' => 'count', 'counter' => 'n', 'value' => 2]], 0.1)],
            ['counters' => [['id' => 'n', 'name' => 'N']]]);
        runsFor($program, $world, 0.1);
        foreach ([1, 2, 3] as $count) {
            $world->set('n', $count, null);
            runsFor($program, $world, 0.3);
        }
        expect((array) $told)->toBe(['full starts', 'full ends']);
        $world->set('n', 0, null);
        runsFor($program, $world, 0.1);
        $world->set('n', 2, null);
        runsFor($program, $world, 0.3);
        expect(array_keys((array) $told, 'full starts', true))->toHaveCount(2);
    });

    it('does not take a count for news that was so when the power came', function () {
        [$program, $world, $told] = controller([waiting('full', [['when' => 'count', 'counter' => 'n', 'value' => 2]], 0.1)],
            ['counters' => [['id' => 'n', 'name' => 'N', 'start' => 5]]]);
        runsFor($program, $world, 0.5);
        expect((array) $told)->toBe([]);
    });

    it('takes a reading for news that was so when the power came, once it has been so for long enough', function () {
        [$program, $world, $told] = controller([waiting('dusk', [['when' => 'level', 'sensor' => 'light', 'is' => 'below', 'value' => 40, 'for_s' => 1.0]], 0.1)],
            ['sensors.2' => ['id' => 'light', 'name' => 'Light', 'kind' => 'light', 'rest' => 10]]);
        runsFor($program, $world, 0.95);
        expect((array) $told)->toBe([]);
        runsFor($program, $world, 0.2);
        expect($told[0])->toBe('dusk starts');
    });

    it('lets what wants to be alone not start beside what moves the same', function (string $motion, array $told) {
        $go = fn (string $id, string $motion, string $place, array $starts, bool $alone): array => ['id' => $id, 'name' => ucfirst($id), 'alone' => $alone,
            'starts' => $starts, 'steps' => [['do' => 'go', 'motion' => $motion, 'place' => $place, 'give_up_s' => 9]]];
        [$program, $world, $heard] = controller([$go('one', 'lid', 'open', [['when' => 'power_on']], false),
            $go('two', $motion, $motion === 'lid' ? 'shut' : 'high', BY_BEAM, true)]);
        runsFor($program, $world, 0.2);
        beam($world, true);
        runsFor($program, $world, 0.2);
        expect((array) $heard)->toBe($told);
    })->with([['lid', ['one starts']], ['lift', ['one starts', 'two starts']]]);

    it('need not be asked again before something changes', function () {
        [, $world] = controller([waiting('peep', BY_BEAM)]);
        expect((new TriggerEvaluator($world))->due_s())->toBe(INF);
        [, $timed] = controller([waiting('tick', [['when' => 'every', 'every_s' => 9]])]);
        expect((new TriggerEvaluator($timed))->due_s())->toBe(-INF);
        [, $held] = controller([waiting('dusk', [['when' => 'level', 'sensor' => 'light', 'is' => 'below', 'value' => 40, 'for_s' => 2.0]])],
            ['sensors.2' => ['id' => 'light', 'name' => 'Light', 'kind' => 'light', 'rest' => 10]]);
        $evaluator = new TriggerEvaluator($held);
        $evaluator->fired([], true);
        expect($evaluator->due_s())->toBeAbout(2.0, 1e-9);
    });
});

describe('presses of a button', function () {
    /** @param  list<array{float, bool|null}>  $what  when, and pressed, let go, or null for a look */
    $told = function (array $what): array {
        $gestures = new Gestures(new Sensor('b', 'B', 'press', long_s: 0.6, double_s: 0.35));
        $told = [];
        foreach ($what as [$now, $on]) {
            foreach ([...($on === null ? [] : $gestures->changes($on, $now)), ...$gestures->waits($now)] as $how) {
                $told[] = [$how, $now];
            }
        }

        return $told;
    };

    it('are long at their time, and not before', function () use ($told) {
        expect($told([[0.0, true], [0.599, null], [0.6, null], [0.7, null], [0.8, false], [2.0, null]]))->toBe([['long', 0.6]]);
    });

    it('are short once no second follows in time', function () use ($told) {
        expect($told([[0.0, true], [0.1, false], [0.45, null], [0.451, null], [0.5, null]]))->toBe([['short', 0.451]]);
    });

    it('are double with the second, to the last moment', function () use ($told) {
        expect($told([[0.0, true], [0.1, false], [0.45, true], [0.5, false], [3.0, null]]))->toBe([['double', 0.45]])
            ->and($told([[0.0, true], [0.1, false], [0.46, null], [0.46, true], [0.5, false], [0.9, null]]))->toBe([['short', 0.46], ['short', 0.9]]);
    });

    it('are three in a row a double and a short one', function () use ($told) {
        expect($told([[0.0, true], [0.1, false], [0.2, true], [0.3, false], [0.4, true], [0.5, false], [0.86, null]]))->toBe([['double', 0.2], ['short', 0.86]]);
    });

    it('are open while it is not clear what they are', function () {
        $gestures = new Gestures(new Sensor('b', 'B', 'press', long_s: 0.6, double_s: 0.35));
        expect($gestures->isOpen())->toBeFalse();
        $gestures->changes(true, 0.0);
        expect($gestures->isOpen())->toBeTrue();
        $gestures->waits(0.6);
        expect($gestures->isOpen())->toBeFalse(); // it is a long one
        $gestures->changes(false, 0.7);
        expect($gestures->isOpen())->toBeFalse();
        $gestures->changes(true, 1.0);
        $gestures->changes(false, 1.1);
        expect($gestures->isOpen())->toBeTrue();
        $gestures->waits(1.5);
        expect($gestures->isOpen())->toBeFalse();
    });
});

describe('a stride', function () {
    /** @return array{Stride, World} */
    $stride = function (array $planted = []): array {
        [, $world] = controller([], $planted);
        $world->look();

        return [new Stride($world->build, $world->inputs, $world->feeds), $world];
    };

    it('is as long as nobody wants to look', function () use ($stride) {
        [$long] = $stride();
        expect($long->scans([], 0.0, 3.0))->toBe(600)->and($long->scans([], 2.0, 3.0))->toBe(200)
            ->and($long->scans([], 0.0, 1e9))->toBe(100_000);
    });

    it('is none where somebody looks at once', function () use ($stride) {
        [$none] = $stride();
        expect($none->scans([], 0.0, 0.009))->toBe(0)->and($none->scans([], 0.0, -INF))->toBe(1)->and($none->scans([], 0.0, 0.01))->toBe(2);
    });

    it('is one scan while an input is about to be believed', function () use ($stride) {
        [$one, $world] = $stride(['settings.debounce_s' => 0.02, 'sensors.0.bounce_s' => 0.01]);
        $world->happens(new WorldEvent(0.0, 'sensor', 'button', true));
        $world->look();
        expect($one->scans([], 0.0, 3.0))->toBe(1);
    });

    it('is short while something speeds up, long while it runs evenly, and one scan where a rule asks for it', function (array $rules, int $least, int $most) {
        [$program, $world] = controller([['id' => 'up', 'name' => 'Up', 'starts' => [['when' => 'power_on']], 'steps' => [['do' => 'run', 'motion' => 'lift',
            'direction' => 'up', 'for_s' => 20.0], ['do' => 'stop', 'motion' => 'lift']]]], ['motions.2.stops.hard_high' => 50.0,
                'motions.2.stops.switches.1.at' => 40.0, 'motions.2.places.1.at' => 40.0, 'motions.2.task.move_s' => 1500.0, 'supplies.0.max_A' => 50,
                'rules' => $rules]);
        for ($looks = 0; $world->now() < 15.0; $looks++) {
            $program->look();
            $world->pass($world->mayStride() ? $program->due_s() : null);
        }
        expect($looks)->toBeGreaterThanOrEqual($least)->toBeLessThanOrEqual($most)->and($world->axes['lift']->position())->toEqualWithDelta(15.0 * 0.034, 0.03);
    })->with([
        [[], 50, 1500],
        [[['id' => 'r', 'name' => 'R', 'never' => ['test' => 'between', 'motion' => 'lift', 'from' => 20, 'to' => 30]]], 3000, 3001],
    ]);
});

describe('a servo', function () {
    it('comes to its place in the time of its speed and a little more', function () {
        $jaw = Builds::sound()->motions['jaw'];
        $run = ServoRun::of($jaw, 0.0, -40.0, 1.0, 5.0);
        $least = 40.0 / 380.0; // at the speed of its page
        expect($run->time_s)->toBeGreaterThan($least)->toBeLessThan(1.3 * $least)->and($run->stopped_at)->toBe(-40.0)
            ->and(rad2deg($run->peak_speed_rad_s))->toBeLessThanOrEqual(380.0 * 1.03)->toBeGreaterThan(300.0)
            ->and($run->path[0])->toBe([0.0, 0.0, 0.0])->and($run->path[count($run->path) - 1][0])->toBeAbout((float) $run->time_s, 1e-9)
            ->and(rad2deg($run->path[count($run->path) - 1][1]))->toEqualWithDelta(-40.0, 0.5);
    });

    it('draws at most what is drawn on its way, and is as fast as it is somewhere on it', function () {
        $run = ServoRun::of(Builds::sound()->motions['jaw'], 0.0, -40.0, 1.0, 5.0);
        $currents = array_column($run->path, 2);
        $fastest = 0.0;
        for ($i = 1; $i < count($run->path); $i++) {
            $fastest = max($fastest, abs($run->path[$i][1] - $run->path[$i - 1][1]) / ($run->path[$i][0] - $run->path[$i - 1][0]));
        }
        expect($run->peak_current_A)->toBe(max($currents))->toBeGreaterThan(2 * array_sum($currents) / count($currents))
            ->and($run->peak_speed_rad_s)->toBeAbout($fastest, 0.05);
    });

    it('takes longer when it is sent slowly, and comes as near untraced', function () {
        $jaw = Builds::sound()->motions['jaw'];
        $full = ServoRun::of($jaw, 0.0, -40.0, 1.0, 5.0);
        $slow = ServoRun::of($jaw, 0.0, -40.0, 0.25, 5.0);
        expect($slow->time_s)->toEqualWithDelta(4 * 40.0 / 380.0, 0.06)->and(ServoRun::of($jaw, 0.0, -40.0, 1.0, 5.0, false)->time_s)
            ->toEqualWithDelta((float) $full->time_s, 0.003);
    });

    it('is not there before it gives up, where its load is too much for it', function () {
        $jaw = Builds::planted(['motions.1.mechanism.mass_kg' => 1.5])->motions['jaw'];
        $run = ServoRun::of($jaw, -40.0, 0.0, 1.0, 5.0);
        expect($run->time_s)->toBeNull()->and($run->stopped_at)->toEqualWithDelta(-rad2deg(acos(0.39 / (1.5 * 9.80665 * 0.05))), 0.05) // where its stall torque holds it
            ->and($run->path[count($run->path) - 1][0])->toBeLessThanOrEqual(1.0 + 5 * 40.0 / 380.0 + 0.01); // its patience is a second and five times its move
    });

    it('gives up when it is told to', function () {
        $jaw = Builds::planted(['motions.1.mechanism.mass_kg' => 1.5])->motions['jaw'];
        $path = ServoRun::of($jaw, -40.0, 0.0, 1.0, 0.2)->path;
        expect(end($path)[0])->toBeAbout(0.2, 1e-6);
    });

    it('rests powered and does not count as moving, unlike a motor that is driven against its stop', function () {
        $servo = new Axis(Builds::sound()->motions['jaw'], 0.0, 0.0);
        $servo->follow(-40.0, 1.0);
        expect($servo->isMoving())->toBeFalse(); // it has not begun
        $servo->advance(0.02);
        expect($servo->isMoving())->toBeTrue();
        $servo->advance(2.0);
        expect($servo->isMoving())->toBeFalse()->and($servo->hasArrived())->toBeTrue();
        $motor = new Axis(Builds::sound()->motions['lid'], 75.0, 0.0);
        $motor->push(1, 1.0);
        $motor->advance(1.0);
        expect($motor->speed())->toBe(0.0)->and($motor->isMoving())->toBeTrue();
        $motor->stop('brake');
        $motor->advance(1.0);
        expect($motor->isMoving())->toBeFalse();
    });

    it('draws in proportion to what its supply gives', function () {
        $motion = Builds::planted(['motions.1.mechanism.mass_kg' => 0.3])->motions['jaw'];
        $machine = new Machine($motion, 0.0, new PositionEstimate($motion));
        $machine->obey(new DriverCommand(null, 1, true, 0.0, 0.0));
        $machine->move(0.5);
        $draws = $machine->drawn_A(1.0, null);
        expect($draws)->toBeGreaterThan(0.1)->and($machine->drawn_A(0.5, null))->toBeAbout(0.5 * $draws, 1e-9)
            ->and($machine->follows())->toBeTrue();
        $machine->letGo();
        expect($machine->drawn_A(1.0, null))->toBe(0.0);
    });
});
