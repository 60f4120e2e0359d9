<?php

declare(strict_types=1);

use Brookstone\Core\Parts\Supply;
use Brookstone\Core\Simulation\Axis;
use Brookstone\Core\Simulation\RoutineRun;
use Brookstone\Core\Simulation\SupplyState;
use Tests\Support\Builds;

/** Lid and lift sent off at once, on a supply that gives so much. */
function bothAtOnce(float $max_A, float $scan_s = 0.005): array
{
    $build = Builds::planted([
        'supplies.0.max_A' => $max_A, 'settings.scan_s' => $scan_s, 'routines.0.steps' => [], 'routines.0.starts' => [],
        'routines.1.steps' => [
            ['do' => 'run', 'motion' => 'lid', 'direction' => 'up', 'for_s' => 0.6], ['do' => 'stop', 'motion' => 'lid'],
            ['do' => 'run', 'motion' => 'lift', 'direction' => 'up', 'for_s' => 2.0], ['do' => 'stop', 'motion' => 'lift'],
        ],
    ]);

    return RoutineRun::of($build, $build->routines['show']);
}

it('draws from the supply for the share of the time that its driver connects it', function (float $duty) {
    $axis = new Axis(Builds::planted(['motions.0.drive.duty' => $duty])->motions['lid'], 0.0, 0.0);
    $axis->burden()->held(true, null);
    $axis->burdened();
    $axis->push(1, 1.0);
    $axis->advance(0.1);
    $motor = Builds::sound()->motions['lid']->drive?->motor ?? throw new LogicException;

    expect($axis->current_A())->toBeAbout($motor->line(12.0, $duty)->stall_A, 1e-6)
        ->and($axis->drawn_A(1.0, 0.0))->toBeAbout($duty * $motor->line(12.0, $duty)->stall_A, 1e-6);
})->with([1.0, 0.5]);

it('counts the charge that the supply gives, not the current that goes round in the motor', function () {
    $charge = function (float $duty): array {
        $build = Builds::planted(['motions.2.drive.duty' => $duty, 'routines.0.steps' => [], 'routines.0.starts' => [],
            'routines.1.steps' => [['do' => 'run', 'motion' => 'lift', 'direction' => 'up', 'for_s' => 2.0], ['do' => 'stop', 'motion' => 'lift']]]);
        $run = RoutineRun::of($build, $build->routines['show']);

        return [array_column($run['supplies'], 'charge_C', 'supply')['main'],
            array_sum(array_column($run['motions'], 'current_A', 'motion')['lift']) * $run['sample_s']];
    };
    [$full, $moved] = $charge(1.0);
    [$half, $went] = $charge(0.6);

    expect($full)->toBeAbout($moved, 0.12)->and($half)->toBeAbout(0.6 * $went, 0.12); // the lanes are sampled too seldom for the first moment
});

it('lets a supply that is asked for too much settle within a look', function () {
    $lid = Builds::sound()->motions['lid'];
    $axis = new Axis($lid, 0.0, 0.0);
    $axis->push(1, 1.0);
    $axis->advance(0.001);
    $most = 0.5 * ($lid->drive?->line()->stall_A ?? 0.0);
    $feed = new SupplyState(new Supply('main', 'Main', 12.0, $most), [$axis]);

    expect($feed->look(0.0, 0.001) !== [])->toBeTrue()->and($feed->written(1.0)['peak_A'])->toBeGreaterThan(1.5 * $most);
    $feed->sample();
    expect($feed->written(1.0)['current_A'][0])->toBeAbout($most, 1e-4)
        ->and($feed->look(0.001, 0.001) !== [])->toBeFalse(); // the same dip, told once
});

it('says one sag once, and runs the same whatever the scan', function () {
    $stall = Builds::sound()->motions['lift']->drive?->line()->stall_A ?? 0.0;
    $runs = array_map(fn (float $scan): array => bothAtOnce(0.6 * $stall, $scan), [0.002, 0.005, 0.01]);
    foreach ($runs as $run) {
        $sags = array_filter($run['events'], fn (array $event): bool => $event['kind'] === 'sag');
        expect(count($sags))->toBeLessThanOrEqual(2)->toBeGreaterThan(0);
    }
    $end = fn (array $run): float => max(array_column($run['motions'], 'position', 'motion')['lift']);

    expect($end($runs[0]))->toBeAbout($end($runs[1]), 0.01)->and($end($runs[2]))->toBeAbout($end($runs[1]), 0.01)
        ->and($end($runs[1]))->toBeLessThan($end(bothAtOnce(5.0)));
});

it('judges a voltage that is too high by what arrives', function () {
    $of = fn (float $volts, float $duty): array => Builds::found(Builds::planted(['supplies.0.volts_V' => $volts, 'motions.2.drive.duty' => $duty,
        'motions.0.drive.duty' => $duty]), 'drive.supply_high');

    // 24 V on a motor of 12 V: at full duty twice its rating, at 0.6 of it 1.2 times, at 0.65 1.3 times.
    expect($of(24.0, 1.0))->not->toBeEmpty()->and($of(24.0, 0.6))->toBe([])->and($of(24.0, 0.65))->not->toBeEmpty();
});

it('asks of the supply at a start what its driver takes', function () {
    $stall = Builds::sound()->motions['lift']->drive?->line()->stall_A ?? 0.0;
    $of = fn (float $duty, float $max): array => Builds::found(Builds::planted(['supplies.0.max_A' => $max, 'motions.0.drive' => null, 'motions.2.drive.duty' => $duty]),
        'drive.supply_current');

    expect($of(1.0, 0.99 * $stall)[0]->severity->value)->toBe('fails')->and($of(1.0, 1.26 * $stall))->toBe([])
        ->and($of(0.7, 0.49 * $stall / 0.79))->toBe([])->and($of(0.7, 0.49 * $stall / 0.81)[0]->severity->value)->toBe('tight');
});

/** Looked at once, with a lid that just starts and a lift that turns as fast as it can: on less that brakes, and draws nothing. */
function startingAndFree(Supply $supply): SupplyState
{
    $built = Builds::sound();
    [$starting, $free] = [new Axis($built->motions['lid'], 0.0, 0.0), new Axis($built->motions['lift'], 0.1, 0.0)];
    $starting->push(1, 1.0);
    $starting->advance(0.001);
    $free->push(-1, 1.0);
    for ($i = 0; $i < 40; $i++) {
        $free->advance(0.005);
    }
    $feed = new SupplyState($supply, [$starting, $free]);
    $feed->look(0.0, 0.0);

    return $feed;
}

it('gives just what it can where one motor draws the more the less it gets and another does not', function (float $share) {
    $feed = startingAndFree(new Supply('main', 'Main', 12.0, $share * (Builds::sound()->motions['lid']->drive?->line()->stall_A ?? 0.0)));

    expect($feed->flows_A())->toBeAbout($feed->supply->max_A, 1e-5);
})->with([0.9, 0.7, 0.5]);

it('has behind its resistance what that leaves, where one motor draws the more the less it gets and another does not', function (float $ohm) {
    $feed = startingAndFree(new Supply('main', 'Main', 12.0, 20.0, resistance_ohm: $ohm));

    expect($feed->volts_V())->toBeLessThan(11.9)->toBeAbout(12.0 - $ohm * $feed->flows_A(), 1e-5);
})->with([0.2, 1.0, 3.0]);

it('bears what its motors may draw at most beside what outputs take, each at the volts that it gives', function (float $outputs_A, bool $bears) {
    $lid = Builds::sound()->motions['lid'];
    $axis = new Axis($lid, 0.0, 0.0);
    $axis->push(1, 1.0);
    $axis->advance(0.3); // it has come to speed, and draws little
    $feed = new SupplyState(new Supply('main', 'Main', 12.0, 4.5, capacity_Ah: 2.0), [$axis]);
    $feed->isSetTo(1.2); // freshly charged
    $feed->feedsOutputs($outputs_A, 0.0);
    $feed->look(0.0, 0.005);

    // 1.2 times 2.1 A that the lid’s motor draws when it is held, and 1.2 times what the outputs take: 4.32 and 4.92 A
    expect($axis->motor()->most_A())->toBeAbout(2.1, 1e-3)->and($feed->volts_V())->toBeAbout(14.4, 1e-9)->and($feed->bears(['lid' => 0.0]))->toBe($bears)
        ->and($feed->bears([]))->toBeTrue(); // nothing of it moves
})->with([[1.5, true], [2.0, false]]);
