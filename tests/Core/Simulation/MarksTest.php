<?php

declare(strict_types=1);

use Brookstone\Core\Assessment\Subject\MotionFigures;
use Brookstone\Core\Build\Build;
use Brookstone\Core\Error\InvalidInput;
use Brookstone\Core\Simulation\RoutineRun;
use Tests\Support\Builds;

/** The lift without switches, told where it is by sensors of a kind at both ends. */
function marked(string $kind, array $more = []): Build
{
    return Builds::planted([
        'motions.2.stops.switches' => [], 'motions.2.stops.hard_low' => -0.03, 'motions.2.stops.hard_high' => 0.13,
        'sensors.2' => ['id' => 'at-low', 'name' => 'Low mark', 'kind' => $kind, 'motion' => 'lift', 'at' => 0.0, 'reach' => 0.004],
        'sensors.3' => ['id' => 'at-high', 'name' => 'High mark', 'kind' => $kind, 'motion' => 'lift', 'at' => 0.1, 'reach' => 0.004],
        'routines.0.steps.1' => ['do' => 'home', 'motion' => 'lift', 'switch' => 'at-low', 'give_up_s' => 9],
        'routines.1.steps.1.until' => ['sensor' => 'at-high', 'is' => 'on'], ...$more,
    ]);
}

it('homes onto any sensor that a motion passes, stops by it, and counts it as knowing', function (string $kind) {
    $build = marked($kind);
    $assessment = Builds::assessed($build);
    $trace = RoutineRun::of($build, $build->routines['show'], $build->scenarios['pressed']);

    expect($assessment->codes())->not->toContain('stops.none')->not->toContain('routine.moves_before_home')->not->toContain('routine.drifts')
        ->not->toContain('routine.no_give_up')
        ->and($trace['outcome'])->toBe('finished')->and(max($trace['motions'][2]['position']))->toEqualWithDelta(0.1, 0.006)
        ->and($assessment->routines[1]['takes_s'])->toEqualWithDelta($trace['took_s'], 0.3);
})->with(['beam', 'magnet', 'reflective', 'colour', 'distance']);

it('gives up in time by the way to a mark, and says what is too short', function () {
    $lift = marked('magnet')->motions['lift'];
    $takes = (float) (new MotionFigures($lift))->longestTimeTo('high');

    expect(Builds::found(marked('magnet', ['routines.1.steps.1.give_up_s' => 0.9 * $takes]), 'routine.give_up_short'))->not->toBeEmpty()
        ->and(Builds::found(marked('magnet', ['routines.1.steps.1.give_up_s' => 1.1 * $takes]), 'routine.give_up_short'))->toBe([]);
});

it('judges where it stands after a mark as after a switch', function () {
    $found = Builds::found(marked('magnet', ['motions.2.task.tolerance' => 0.0005]), 'stops.switch_off_place');

    expect($found[0]->place)->toBe('sensors.2.at')->and($found[0]->severity->value)->toBe('fails')
        ->and(Builds::found(marked('magnet', ['motions.2.task.tolerance' => 0.006]), 'stops.switch_off_place'))->toBe([]);
});

it('homes onto nothing that stands in the middle of the way', function () {
    expect(fn () => marked('magnet', ['motions.2.places.2' => ['id' => 'middle', 'name' => 'Middle', 'at' => 0.05],
        'sensors.4' => ['id' => 'between', 'name' => 'Between', 'kind' => 'magnet', 'motion' => 'lift', 'at' => 0.05, 'reach' => 0.002],
        'routines.0.steps.1.switch' => 'between']))
        ->toThrow(InvalidInput::class);
});

it('lets a linear actuator find its ends by its own switches', function () {
    $build = Builds::planted(['motions.0.drive.motor' => Builds::motor('L50-12'), 'motions.0.stops.switches' => [],
        'routines.0.steps.0' => ['do' => 'go', 'motion' => 'lid', 'place' => 'shut', 'give_up_s' => 60], 'routines.1.steps.0.give_up_s' => 60,
        'routines.1.steps.7.give_up_s' => 60, 'routines.1.target_s' => null, 'motions.0.task.move_s' => 60]);
    $trace = RoutineRun::of($build, $build->routines['show']);

    expect(Builds::assessed($build)->codes())->not->toContain('routine.moves_before_home')->not->toContain('stops.none')
        ->and($trace['outcome'])->toBe('finished')->and(max($trace['motions'][0]['position']))->toEqualWithDelta(70.0, 3.0);
});

it('starts by a level that is so when the power comes on, and by a counter only when it changes', function () {
    $dusk = ['sensors.2' => ['id' => 'dusk', 'name' => 'Dusk', 'kind' => 'light', 'rest' => 20, 'upper' => 40],
        'routines.1.starts' => [['when' => 'level', 'sensor' => 'dusk', 'is' => 'below', 'value' => 30, 'hysteresis' => 5, 'for_s' => 2]],
        'routines.0.steps' => [], 'routines.0.starts' => []];
    $run = function (float $rest) use ($dusk): array {
        $build = Builds::planted([...$dusk, 'sensors.2.rest' => $rest, 'routines.1.steps' => [['do' => 'signal', 'output' => 'lamp']]]);

        return RoutineRun::of($build, $build->routines['show'], $build->scenarios['pressed']);
    };

    expect($run(20.0)['start_s'])->toEqualWithDelta(2.0, 0.02)->and($run(60.0)['outcome'])->toBe('never_started');
});

it('reckons with all places that a drive must turn to, not only those of the task', function (float $at, bool $far) {
    $found = Builds::found(Builds::planted(['motions.1.places.2' => ['id' => 'yawn', 'name' => 'Yawn', 'at' => $at]]),
        'drive.servo_travel');

    expect($found !== [])->toBe($far);
})->with([[-119.0, false], [-121.0, true]]);

it('knows where a motion is by asking its switch first, and homes it only where it must', function (float $at, bool $homes) {
    $asks = ['do' => 'choose', 'if' => ['sensor' => 'lid-open', 'is' => 'on'], 'then' => [],
        'otherwise' => [['do' => 'home', 'motion' => 'lid', 'switch' => 'lid-shut', 'give_up_s' => 5]]];
    $build = Builds::planted(['routines.0.steps.0' => $asks, 'scenarios.0.starts_at' => [['motion' => 'lid', 'at' => $at]]]);
    $trace = RoutineRun::of($build, $build->routines['show'], $build->scenarios['pressed']);
    $homed = array_filter($trace['steps'], fn (array $step): bool => $step['do'] === 'home' && $step['motion'] === 'lid');

    expect(Builds::assessed($build)->codes())->not->toContain('routine.moves_before_home')
        ->and($homed !== [])->toBe($homes)->and($trace['outcome'])->toBe('finished');
    $blind = Builds::planted(['routines.0.steps.0' => ['if' => ['sensor' => 'beam', 'is' => 'on']] + $asks]);
    expect(Builds::assessed($blind)->codes())->toContain('routine.moves_before_home'); // a beam that has nothing to do with it tells nothing
})->with([[71.0, false], [30.0, true]]);

it('knows it too after waiting for its switch, as when somebody puts it there by hand', function () {
    $build = Builds::planted(['routines.0.steps.0' => ['do' => 'wait', 'until' => ['sensor' => 'lid-shut', 'is' => 'on'], 'give_up_s' => 600]]);

    expect(Builds::assessed($build)->codes())->not->toContain('routine.moves_before_home');
});
