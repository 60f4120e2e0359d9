<?php

declare(strict_types=1);

use Brookstone\Core\Assessment\Subject\MotionFigures;
use Brookstone\Core\Build\Build;
use Brookstone\Core\Claims\ClaimCheck;
use Brookstone\Core\Finding\Finding;
use Brookstone\Core\Simulation\RoutineRun;
use Tests\Support\Builds;

/**
 * @param  array<string, mixed>  $planted
 * @return list<Finding>
 */
function found(string $code, array $planted): array
{
    return Builds::found(Builds::planted($planted), $code);
}

it('says where a motion really stops, on both sides of what is allowed, and mends it by an earlier switch', function () {
    $lift = Builds::sound()->motions['lift'];
    $runOn = (float) (new MotionFigures($lift))->runOn($lift->stops->switches[1], Builds::sound()->settings)?->distance;
    $told = found('stops.switch_off_place', ['motions.2.task.tolerance' => 0.9 * $runOn]);
    $high = array_values(array_filter($told, fn (Finding $finding): bool => str_ends_with($finding->place, 'switches.1.at')))[0];

    expect(found('stops.switch_off_place', ['motions.2.task.tolerance' => 1.1 * $runOn]))->toBe([])
        ->and($high->severity->value)->toBe('fails')
        ->and($high->says->text())->toContain('trips at 100 mm')->toContain($lift->unit()->quantity($runOn)->text().' off its place High')
        ->and($high->fixes[0]->changes[0]->value)->toEqualWithDelta(0.1 - $runOn, 1e-5);
    $mended = Builds::mended(Builds::planted(['motions.2.task.tolerance' => 0.9 * $runOn]), $high->fixes[0]);
    $run = RoutineRun::of($mended, $mended->routines['show'], $mended->scenarios['pressed']);
    expect(max($run['motions'][2]['position']))->toEqualWithDelta(0.1, 0.9 * $runOn);
});

it('never tells a run-on shorter than the run’s', function (string $motion, string $place, float $speed) {
    $build = Builds::planted(['motions.0.stops.hard_low' => -60, 'motions.0.stops.hard_high' => 130, 'motions.2.stops.hard_low' => -0.1,
        'motions.2.stops.hard_high' => 0.3, 'routines.1.steps' => [
            ['do' => 'go', 'motion' => $motion, 'place' => $place, 'speed' => $speed, 'give_up_s' => 30], ['do' => 'wait', 'for_s' => 3],
        ]]);
    $moved = $build->motions[$motion];
    $switch = $moved->stops->switchAt($place);
    $told = (float) (new MotionFigures($moved))->runOn($switch, $build->settings, $speed)?->distance;
    $run = RoutineRun::of($build, $build->routines['show'], $build->scenarios['pressed']);
    $went = $moved->unit()->fromSi(1.0) * 0 + max(array_column($run['motions'], 'position', 'motion')[$motion]) - $switch->at;

    expect($went)->toBeGreaterThan(0.3 * $told)->toBeLessThanOrEqual($told * 1.001 + 1e-6);
})->with([['lid', 'open', 1.0], ['lid', 'open', 0.5], ['lift', 'high', 1.0], ['lift', 'high', 0.4]]);

it('compares what starts a routine every so often with what it takes', function () {
    $takes = (float) Builds::assessed(Builds::sound())->routines[1]['takes_s'];
    $every = fn (float $seconds): array => found('routine.too_often', ['routines.1.starts' => [['when' => 'every', 'every_s' => $seconds]]]);

    expect($every($takes * 1.01))->toBe([])
        ->and($every($takes * 0.99)[0]->says->text())->toStartWith('Show takes '.Brookstone\Core\Quantity\Quantity::of($takes, 's')->text());
});

it('lets two start on one day where the first has ended, or where they move other things', function (string $at, string $motion, bool $collides) {
    expect(found('routine.starts_collide', ['routines.1.starts' => [['when' => 'time_of_day', 'at' => '10:00']],
        'routines.2' => ['id' => 'peep', 'name' => 'Peep', 'starts' => [['when' => 'time_of_day', 'at' => $at]],
            'steps' => [['do' => 'wait', 'for_s' => 1],
                ...($motion === '' ? [] : [['do' => 'go', 'motion' => $motion, 'place' => 'open', 'give_up_s' => 4]])]]]) !== [])->toBe($collides);
})->with([['10:00', 'lid', true], ['10:01', 'lid', false], ['10:00', '', false]]);

it('counts what is set back, anywhere, as set back', function (array $step, bool $told) {
    $counted = ['counters' => [['id' => 'visitors', 'name' => 'Visitors']],
        'routines.1.starts' => [['when' => 'count', 'counter' => 'visitors', 'value' => 5]], 'routines.2' => ['id' => 'tally', 'name' => 'Tally',
            'starts' => [['when' => 'press', 'sensor' => 'button']], 'steps' => [['do' => 'set', 'counter' => 'visitors', 'add' => 1], $step]]];

    expect(found('routine.counter_grows', $counted) !== [])->toBe($told);
})->with([[['do' => 'wait', 'for_s' => 1], true], [['do' => 'set', 'counter' => 'visitors', 'to' => 0], false],
    [['do' => 'set', 'counter' => 'visitors', 'add' => -1], false]]);

it('asks whether a unit slipped a thousand times, and not before', function (float $mass, bool $asks) {
    // 2 · 0.12 m across: about 8 · 0.24² = 0.461 kg.
    expect(array_filter(found('load.unit_slip', ['motions.0.mechanism.mass_kg' => $mass]),
        fn (Finding $finding): bool => $finding->place === 'motions.0.mechanism.mass_kg') !== [])->toBe($asks);
})->with([[0.00045, true], [0.00047, false], [455.0, false], [465.0, true]]);

it('believes end switches no sooner than they have stopped bouncing', function (float $bounce, bool $told) {
    expect(found('stops.switch_bounces', ['motions.0.stops.switches.0.bounce_s' => $bounce]) !== [])->toBe($told);
})->with([[0.0099, false], [0.01, true]]);

it('says which spring or weight keeps a part at both ends, and where it tips over', function () {
    $over = fn (float $from, float $to): array => found('load.stays_both_ends', ['motions.0.places.0.at' => $from, 'motions.0.places.1.at' => $to,
        'motions.0.stops' => ['switches' => []], 'routines' => []]);

    // cos 80° and cos 100° of 0.353 N·m are 0.0613, less the rub of 0.02.
    expect($over(80.0, 100.0)[0]->says->text())->toContain('at the lower 0.0413 N·m')->toContain('past 90° it tips over')
        ->and($over(60.0, 89.0))->toBe([])->and($over(88.0, 92.0))->toBe([]); // there it only rubs
});

it('compares two figures of one thing on a page', function (string $page, string $says) {
    $said = array_map(fn ($odd): string => $odd->says->text(), ClaimCheck::ofText($page));

    $says === '' ? expect($said)->toBe([]) : expect(implode(' ', $said))->toContain($says);
})->with([
    ["Height: 11 inch\nTotal height: 30 cm", '11 inch and 30 cm'],
    ["Height: 11 inch\nTotal height: 28 cm", ''],
    ["Weight: 120 g\nMass: 0.2 kg", '120 g and 0.2 kg'],
    ['Wheel diameter 65 mm, 200 rpm, speed 1 m/s', 'rolls 681 mm/s, not 1 m/s'],
    ['Wheel diameter 65 mm, 200 rpm, speed 0.68 m/s', ''],
    ["Wheel 65 mm diameter\n200 rpm no load\nTop speed 3.6 km/h", 'rolls 681 mm/s'],
]);

it('tells one thing once, and names all the routines that it concerns', function () {
    $build = Builds::planted(['sensors.0.bounce_s' => 0.02, 'routines.2' => ['id' => 'bow', 'name' => 'Bow', 'alone' => true,
        'starts' => [['when' => 'press', 'sensor' => 'button']], 'steps' => [['do' => 'wait', 'for_s' => 1]]],
        'routines.3' => ['id' => 'nod', 'name' => 'Nod', 'alone' => true, 'starts' => [['when' => 'press', 'sensor' => 'button']],
            'steps' => [['do' => 'wait', 'for_s' => 1]]], 'motions.2.stops.hard_high' => 0.1003, 'routines.4' => ['id' => 'up', 'name' => 'Up', 'alone' => true,
                'starts' => [['when' => 'power_on']], 'steps' => [['do' => 'run', 'motion' => 'lift', 'direction' => 'up', 'until' => ['sensor' => 'lift-high'],
                    'give_up_s' => 6], ['do' => 'stop', 'motion' => 'lift']]]]);
    $assessment = Builds::assessed($build);
    $chain = array_values(array_filter($assessment->chain('lift')->links[6]->findings, fn (Finding $finding): bool => $finding->code === 'routine.into_stop'));

    expect($chain)->toHaveCount(1)->and($chain[0]->says->text())->toEndWith('So it is in Show and Up.');
    foreach ($chain[0]->fixes as $fix) {
        $left = Builds::found(Builds::mended($build, $fix), 'routine.into_stop');
        expect($left)->toBe([], $fix->does->text());
    }
});

it('says two conditions of one kind in one rule each with its own numbers', function () {
    $build = Builds::planted(['rules' => [['id' => 'r', 'name' => 'Apart', 'never' => ['test' => 'between', 'motion' => 'lift', 'from' => 0.05, 'to' => 0.2],
        'while' => ['test' => 'between', 'motion' => 'lid', 'from' => 0, 'to' => 45]]]]);

    expect($build->rules['r']->says($build)->text())->toBe('never Lift stands between 50 mm and 200 mm while Lid stands between 0° and 45°');
});

it('offers no spring that gives by more than it may, and no supply that is there', function () {
    $soft = array_filter(Builds::found(Builds::planted(['motions.0.task.knocked' => true, 'motions.0.task.tolerance' => 0.5,
        'motions.0.drive.motor' => ['gearbox_limit_Nm' => 3.0] + Builds::motor('W40-400')]), 'drive.knock')[0]->fixes ?? [],
        fn ($fix): bool => str_contains($fix->does->text(), 'spring'));
    foreach ($soft as $fix) {
        expect($fix->does->values['gives']->in('°'))->toBeLessThanOrEqual(0.5);
    }
    foreach (Builds::found(Builds::planted(['supplies.0.max_A' => 1.5]), 'drive.supply_current') as $finding) {
        foreach ($finding->fixes as $fix) {
            expect($fix->changes[0]->value)->not->toBe('main');
        }
    }
    expect(Builds::found(Builds::planted(['motions.2.drive.shares' => 'lid', 'motions.2.drive.shares_by' => 'in_turn']),
        'drive.shared')[0]->says->text())->toContain('in turn: what is lightest goes first');
});

it('judges a linkage straight on its motor for what it runs into', function () {
    $build = fn (float $x): Build => Builds::planted([
        'motions.0.mechanism' => ['kind' => 'pushed', 'arm_m' => 0.012, 'horn_m' => 0.02, 'pivot_distance_m' => 0.05, 'mass_kg' => 0.05, 'cg_m' => 0.03,
            'half_travel_deg' => 75.0],
        'motions.0.train' => [], 'motions.0.layout' => ['grid_mm' => null, 'shafts' => [['x_mm' => 20, 'y_mm' => 20]], 'planes' => [],
            'linkage' => ['plane' => 1, 'bar_mm' => 6, 'x_mm' => 70, 'y_mm' => 20],
            'obstacles' => [['name' => 'a nut', 'x_mm' => $x, 'y_mm' => 36, 'radius_mm' => 4, 'plane' => 1]]],
    ]);

    expect(Builds::found($build(45.0), 'linkage.clash')[0]->says->text())->toContain('a nut')
        ->and(Builds::found($build(150.0), 'linkage.clash'))->toBe([]);
});
