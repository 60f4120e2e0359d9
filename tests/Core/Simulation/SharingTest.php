<?php

declare(strict_types=1);

use Brookstone\Core\Build\Build;
use Brookstone\Core\Error\InvalidInput;
use Brookstone\Core\Simulation\RoutineRun;
use Tests\Support\Builds;

/** The lid and the lift of the planted build on one motor. @param  list<array<string, mixed>>  $steps @param  array<string, mixed>  $planted */
function sharing(string $by, array $steps, array $planted = []): Build
{
    return Builds::planted([
        'motions.2.drive.shares' => 'lid', 'motions.2.drive.shares_by' => $by,
        'routines.0.steps' => $steps, 'routines.0.if_fails' => [['do' => 'fault', 'message' => 'it fails']], ...$planted,
    ]);
}

/** @return array{trace: array<string, mixed>, at: array<string, list<float>>, words: list<string>} */
function shared(Build $build): array
{
    $trace = RoutineRun::of($build, $build->routines['wake']);

    return [
        'trace' => $trace, 'at' => array_column($trace['motions'], 'position', 'motion'),
        'words' => array_map(fn (array $event): string => $event['says']->text(), $trace['events']),
    ];
}

/** How far each went, in its own unit. @param  array<string, list<float>>  $at @return array<string, float> */
function gone(array $at): array
{
    return array_map(fn (array $positions): float => end($positions) - $positions[0], $at);
}

$run = fn (string $motion, string $direction, float $for_s): array => ['do' => 'run', 'motion' => $motion, 'direction' => $direction, 'for_s' => $for_s];
$stop = fn (string $motion): array => ['do' => 'stop', 'motion' => $motion];
$rest = ['do' => 'wait', 'for_s' => 0.5];
$pawl = fn (string $passes): array => ['type' => 'pawl', 'driver' => 24, 'driven' => 24, 'passes' => $passes];

it('moves what the selector holds, the way that the motor then turns, and stops it by the same order', function () use ($run, $stop, $rest) {
    foreach ([false, true] as $reversed) {
        ['trace' => $trace, 'at' => $at, 'words' => $words] = shared(sharing('selector', [$run('lid', 'up', 0.4), $stop('lid'), $rest,
            $run('lift', 'up', 0.4), $stop('lift'), $rest], ['motions.2.drive.reversed' => $reversed]));
        $gone = gone($at);

        expect($trace['outcome'])->toBe('finished')->and($words)->toContain('The motor of Lift moves Lid: the selector holds that.')
            ->and(abs($gone['lift']))->toBeLessThan(1e-4)
            ->and($reversed ? -$gone['lid'] : $gone['lid'])->toBeGreaterThan($reversed ? -0.5 : 10.0)
            ->and($words)->not->toContain('Lid is still powered although no routine runs.');
    }
});

it('moves what the selector was changed over to', function () use ($run, $stop, $rest) {
    ['at' => $at, 'words' => $words] = shared(sharing('selector', [['do' => 'change_over', 'motion' => 'lift', 'takes_s' => 0.2], $run('lift', 'up', 0.5),
        $stop('lift'), $rest, $run('lid', 'up', 0.5), $stop('lid'), $rest]));

    expect(gone($at)['lift'])->toBeGreaterThan(0.01)->and(abs(gone($at)['lid']))->toBeLessThan(0.1)
        ->and($words)->toContain('The motor of Lid moves Lift: the selector holds that.');
});

it('moves one turning forward and the other turning back, each by its pawl, and lets come back what its weight brings',
    function () use ($run, $stop, $rest, $pawl) {
        $pawls = ['motions.0.stops.hard_low' => -0.1, 'motions.0.train' => [$pawl('forward')], 'motions.2.train' => [$pawl('back')],
            'motions.2.drive.reversed' => true, 'motions.2.stops.hard_low' => 0.0];
        $forward = gone(shared(sharing('direction', [$run('lid', 'up', 0.5), $stop('lid'), $rest], $pawls))['at']);
        $back = shared(sharing('direction', [$run('lid', 'up', 0.5), $stop('lid'), $rest, $run('lid', 'down', 0.3), $stop('lid'), $rest], $pawls));
        $lift = gone(shared(sharing('direction', [$run('lift', 'up', 0.5), $stop('lift'), $rest], $pawls))['at']);

        expect($forward['lid'])->toBeGreaterThan(5.0)->and(abs($forward['lift']))->toBeLessThan(1e-4)
            ->and(gone($back['at'])['lid'])->toBeLessThan($forward['lid'] - 2.0)->and(max($back['at']['lift']))->toBeGreaterThan(0.005)
            ->and($lift['lift'])->toBeGreaterThan(0.01)->and(abs($lift['lid']))->toBeLessThan(0.5);
    });

it('leaves behind what its pawl lets go by where nothing brings it back', function () use ($run, $stop, $rest, $pawl) {
    $rubs = ['motions.0.mechanism.friction_Nm' => 0.6, 'motions.0.train' => [$pawl('forward')], 'motions.2.train' => [$pawl('back')],
        'motions.2.drive.reversed' => true, 'motions.2.stops.hard_low' => 0.0];
    ['at' => $at, 'words' => $words] = shared(sharing('direction', [$run('lid', 'up', 0.5), $stop('lid'), $rest, $run('lid', 'down', 0.3), $stop('lid'),
        $rest], $rubs));

    expect(gone($at)['lid'])->toBeGreaterThan(5.0)->and(max($at['lift']))->toBeGreaterThan(0.005)
        ->and($words)->toContain('The motor of Lid moves Lift: its pawl lets this turning go by.');
});

it('moves first what needs less, until that meets its stop, then the other; and lets the heavier down first', function () use ($run, $stop) {
    $short = ['motions.2.stops.hard_low' => 0.0, 'motions.2.stops.hard_high' => 0.03, 'motions.2.places.1.at' => 0.025, 'motions.2.stops.switches' => [],
        'routines.1.steps' => [['do' => 'wait', 'for_s' => 1]]];
    ['at' => $at, 'trace' => $trace, 'words' => $words] = shared(sharing('in_turn', [$run('lid', 'up', 3.0), $stop('lid'), $run('lid', 'down', 3.0),
        $stop('lid')], $short));
    $sample = fn (float $time_s): int => (int) round($time_s / $trace['sample_s']);
    $first = fn (callable $is): int => (int) array_key_first(array_filter(array_keys($at['lid']), $is));
    $lidBegins = $first(fn (int $i): bool => $at['lid'][$i] > 0.5);
    $turnsBack = $sample($trace['steps'][2]['start_s']);
    $liftSinks = $first(fn (int $i): bool => $i > $turnsBack && $at['lift'][$i] < 0.028);

    expect($words)->toContain('The motor of Lid moves Lift first, which needs less.')
        ->and($at['lift'][$lidBegins])->toEqualWithDelta(0.03, 1e-4)->and(max($at['lid']))->toBeGreaterThan(30.0)
        ->and($first(fn (int $i): bool => $at['lift'][$i] > 0.001))->toBeLessThan($sample(0.3))
        ->and(min(array_slice($at['lift'], $lidBegins, $sample(2.9) - $lidBegins)))->toEqualWithDelta(0.03, 1e-5)
        ->and($liftSinks)->toBeGreaterThan($turnsBack)->and($at['lid'][$liftSinks])->toBeLessThan(1.0)->and(end($at['lift']))->toBeLessThan(0.02);
});

it('holds what waits by the pull of the other, and lets it go with the motor', function () use ($run, $stop) {
    $sinks = ['motions.2.stops.hard_low' => 0.0, 'motions.2.stops.hard_high' => 0.03, 'motions.2.places.1.at' => 0.025, 'motions.2.stops.switches' => [],
        'motions.2.drive.motor.back_drive_Nm' => 0.0005, 'motions.2.mechanism.mass_kg' => 2.4, 'routines.1.steps' => [['do' => 'wait', 'for_s' => 1]]];
    ['at' => $at, 'trace' => $trace] = shared(sharing('in_turn', [$run('lid', 'up', 2.0), $stop('lid'), ['do' => 'wait', 'for_s' => 4]], $sinks));
    $stops = (int) round($trace['steps'][1]['start_s'] / $trace['sample_s']);
    $top = (int) array_search(max($at['lift']), $at['lift'], true);

    expect(min(array_slice($at['lift'], $top, $stops - $top)))->toEqualWithDelta(0.03, 1e-5)->and(max($at['lid']))->toBeGreaterThan(50.0)
        ->and(end($at['lift']))->toBeLessThan(0.029);
});

it('weighs both at the motor, through their trains', function () use ($run, $stop) {
    $geared = ['motions.0.train' => [['type' => 'spur', 'driver' => 12, 'driven' => 120], ['type' => 'spur', 'driver' => 12, 'driven' => 24]]];
    ['at' => $at] = shared(sharing('in_turn', [$run('lift', 'up', 0.5), $stop('lift')], $geared));

    expect(gone($at)['lid'])->toBeGreaterThan(1.0)->and(abs(gone($at)['lift']))->toBeLessThan(1e-4);
});

it('turns the other always forwards through a rectifier, and loses where both were', function () use ($run, $stop, $rest) {
    $there = [$run('lift', 'up', 0.5), $stop('lift'), $rest];
    $up = shared(sharing('rectifier', $there));
    $down = shared(sharing('rectifier', [...$there, $run('lift', 'down', 0.3), $stop('lift'), $rest]));
    $lost = shared(sharing('rectifier', [['do' => 'home', 'motion' => 'lid', 'switch' => 'lid-shut', 'give_up_s' => 5], $run('lift', 'up', 0.5),
        $stop('lift'), ['do' => 'go_by', 'motion' => 'lid', 'by' => 5.0, 'give_up_s' => 5]]));

    expect(gone($up['at'])['lid'])->toBeGreaterThan(10.0)->and(max($up['at']['lift']))->toBeGreaterThan(0.01)
        ->and(gone($down['at'])['lid'])->toBeGreaterThan(gone($up['at'])['lid'] + 5.0)->and(end($down['at']['lift']))->toBeLessThan(end($up['at']['lift'])
            - 0.005)
        ->and(Builds::found(sharing('rectifier', []), 'drive.shared')[0]->says->text())->toContain('with it Lid always forwards')
        ->and($lost['trace']['fault'])->toContain('Lid')
        ->and(Builds::found(sharing('rectifier', [['do' => 'home', 'motion' => 'lid', 'switch' => 'lid-shut', 'give_up_s' => 5],
            $run('lift', 'up', 0.5), $stop('lift'), ['do' => 'go_by', 'motion' => 'lid', 'by' => 5.0, 'give_up_s' => 5]]), 'routine.place_lost'))
        ->not->toBe([]);
});

/** Two drums that only rub, on one motor through a rectifier, each behind a train of its own. @param  list<array<string, mixed>>  $steps */
function drums(array $steps, float $rubs, float $other, int $teeth = 30): Build
{
    $drum = fn (float $rubs): array => [
        'mechanism' => ['kind' => 'turntable', 'inertia_kgm2' => 0.0002, 'friction_Nm' => $rubs], 'places' => [['id' => 'low', 'name' => 'Low', 'at' => 0],
            ['id' => 'high', 'name' => 'High', 'at' => 300]],
        'task' => ['from' => 'low', 'to' => 'high', 'move_s' => 4, 'keeps_turning' => true],
    ];
    $motions = Builds::sound()->document['motions'];
    $motor = ['motor' => Builds::motor('G25-227'), 'supply' => 'main'];

    return Build::read(['log' => [], 'scenarios' => [],
        'routines' => [['id' => 'wake', 'name' => 'Wake', 'starts' => [['when' => 'power_on']], 'steps' => $steps]], 'motions' => [
            ['id' => 'one', 'name' => 'One', 'drive' => $motor, 'train' => [['type' => 'spur', 'driver' => 15, 'driven' => $teeth, 'efficiency' => 0.9]]]
            + $drum($rubs),
            ['id' => 'other', 'name' => 'Other', 'drive' => ['shares' => 'one', 'shares_by' => 'rectifier'] + $motor,
                'train' => [['type' => 'spur', 'driver' => 15, 'driven' => 15, 'efficiency' => 0.8]]] + $drum($other),
            $motions[1],
        ]] + Builds::sound()->document);
}

it('shares what the motor gives between two that it moves at once, and draws its current once', function (float $rubs, float $other) {
    $build = drums([['do' => 'run', 'motion' => 'other', 'direction' => 'up', 'for_s' => 2.0], ['do' => 'stop', 'motion' => 'other']], $rubs, $other);
    $trace = RoutineRun::of($build, $build->routines['wake']);
    $line = $build->motions['one']->drive?->line();
    $torque = $rubs / 2 / 0.9 + $other / 0.8; // at the motor
    $turns = $line->noLoad_rad_s() * (1 - $torque / $line->stall_Nm) * 180 / M_PI;
    $at = fn (array $samples): float => $samples[(int) (1.5 / $trace['sample_s'])];
    $lanes = array_column($trace['motions'], null, 'motion');
    $main = array_column($trace['supplies'], null, 'supply')['main'];

    expect(abs($at($lanes['one']['speed'])))->toBeAbout($turns / 2, 2e-3)
        ->and($at($lanes['other']['speed']))->toBeAbout($turns, 2e-3)
        ->and($at($main['current_A']))->toBeAbout($line->currentAt($torque), 2e-3);
})->with([[0.05, 0.0], [0.0, 0.03], [0.08, 0.04]]);

it('stalls with either of them at its end', function () use ($run, $stop) {
    $build = sharing('rectifier', [$run('lift', 'up', 1.5), $stop('lift')], ['motions.0.stops.hard_high' => 20, 'motions.0.places.1.at' => 18,
        'motions.0.stops.switches.1.at' => 18]);
    ['at' => $at] = shared($build);
    $high = max($at['lift']);

    expect(max($at['lid']))->toBeAbout(20.0, 1e-2)->and($high)->toBeLessThan(0.06)
        ->and(array_filter($at['lift'], fn (float $each): bool => $each > 0.9 * $high))->not->toBe([]);
});

it('does not blame a pawl for what a spring or a weight brings back', function () use ($pawl) {
    $comesBack = sharing('direction', [], ['motions.0.train' => [$pawl('forward')]]);
    $rubs = sharing('direction', [], ['motions.0.train' => [$pawl('forward')], 'motions.0.mechanism.friction_Nm' => 0.6]);

    expect($comesBack->motions['lid']->isOneWay())->toBeFalse()->and(Builds::found($comesBack, 'train.pawl_one_way'))->toBe([])
        ->and($rubs->motions['lid']->isOneWay())->toBeTrue()->and(Builds::found($rubs, 'train.pawl_one_way'))->not->toBe([]);
});

it('says of two in turn what the run does: what waits, waits where it starts', function () use ($run, $stop) {
    // the lid is hardest where it starts, and needs next to nothing at its end: that it needs less there helps nobody who waits
    $up = ['motions.0.places.1.at' => 88, 'motions.0.stops.hard_high' => 90, 'motions.0.stops.switches.1.at' => 87];
    $build = sharing('in_turn', [$run('lid', 'up', 1.0), $stop('lid')], $up);
    $says = Builds::found($build, 'train.in_turn');

    expect($says)->not->toBe([])->and($says[0]->says->text())->toStartWith('Lift goes first, Lid once it has met its stop: to start, the second needs')
        ->and(Builds::found($build, 'train.order_unsure'))->toBe([])
        ->and(gone(shared($build)['at'])['lift'])->toBeGreaterThan(0.02)->and(abs(gone(shared($build)['at'])['lid']))->toBeLessThan(0.1);
});

$byServo = ['motions.2.drive.selector' => ['motion' => 'jaw', 'place' => 'wide', 'other' => 'closed', 'tells' => 'beam']];

it('changes over by a servo, whoever sends that, and its telling switch says so', function () use ($run, $stop, $rest, $byServo) {
    $over = ['do' => 'change_over', 'motion' => 'lift', 'takes_s' => 0.0];
    $go = ['do' => 'go', 'motion' => 'jaw', 'place' => 'wide', 'give_up_s' => 5];
    foreach ([$over, $go] as $step) {
        ['at' => $at, 'trace' => $trace] = shared(sharing('selector', [$step, $rest, $run('lift', 'up', 0.5), $stop('lift'), $rest], $byServo));
        $tells = array_values(array_filter($trace['inputs'], fn (array $input): bool => $input['id'] === 'beam'))[0]['changes'];

        expect(max($at['lift']))->toBeGreaterThan(0.01)->and(abs(gone($at)['lid']))->toBeLessThan(0.1)->and(end($at['jaw']))->toEqualWithDelta(-40.0, 3.0)
            ->and(end($tells)['on'])->toBeTrue()->and(end($tells)['at_s'])->toBeGreaterThan(0.1)
            ->and($trace['steps'][0]['end_s'])->toBeGreaterThanOrEqual(end($tells)['at_s'] - 0.05);
    }
    $not = shared(sharing('selector', [$run('lift', 'up', 0.5), $stop('lift'), $rest], $byServo));
    expect(max($not['at']['lift']))->toBeLessThan(0.001)->and(max($not['at']['lid']))->toBeGreaterThan(10.0)
        ->and($not['words'])->toContain('The motor of Lift moves Lid: the selector holds that.');
});

it('turns nothing while its servo stands between, and takes the other along where it comes under way', function () use ($run, $stop, $rest, $byServo) {
    $between = shared(sharing('selector', [['do' => 'go_by', 'motion' => 'jaw', 'by' => -20, 'give_up_s' => 5], $rest, $run('lid', 'up', 0.5), $stop('lid'),
        $rest], $byServo));
    $underWay = shared(sharing('selector', [$run('lid', 'up', 0.5), ['do' => 'go', 'motion' => 'jaw', 'place' => 'wide', 'give_up_s' => 5], $rest,
        $stop('lid'), $rest], $byServo));

    expect($between['words'])->toContain('The motor of Lid turns nothing: the selector holds none of them.')
        ->and(abs(gone($between['at'])['lid']))->toBeLessThan(0.1)->and(max($between['at']['lift']))->toBeLessThan(0.001)
        ->and(max($underWay['at']['lid']))->toBeGreaterThan(10.0)->and(max($underWay['at']['lift']))->toBeGreaterThan(0.01);
});

it('knows what its selector holds by the switch that tells, by its servo, and else not', function () use ($byServo) {
    $home = fn (string $motion): array => ['do' => 'home', 'motion' => $motion, 'switch' => $motion === 'lid' ? 'lid-shut' : 'lift-low', 'give_up_s' => 30];
    $told = fn (string $is): array => ['do' => 'wait', 'until' => ['test' => 'input', 'sensor' => 'beam', 'is' => $is], 'give_up_s' => 60];
    $go = fn (string $place): array => ['do' => 'go', 'motion' => 'jaw', 'place' => $place, 'give_up_s' => 5];
    $blamed = fn (array $steps, array $selector): bool => Builds::found(sharing('selector', $steps, [...$selector, 'routines.1.steps' => [['do' => 'wait', 'for_s' => 1]]]),
        'routine.not_changed_over') !== [];
    $byHand = ['motions.2.drive.selector' => ['tells' => 'beam']];

    expect($blamed([$home('lift')], $byHand))->toBeTrue()
        ->and($blamed([$told('on'), $home('lift')], $byHand))->toBeFalse()->and($blamed([$told('on'), $home('lid')], $byHand))->toBeTrue()
        ->and($blamed([$told('off'), $home('lid')], $byHand))->toBeFalse()->and($blamed([$told('off'), $home('lift')], $byHand))->toBeTrue()
        ->and($blamed([$go('wide'), $home('lift')], $byServo))->toBeFalse()->and($blamed([$go('wide'), $home('lid')], $byServo))->toBeTrue()
        ->and($blamed([$go('closed'), $home('lid')], $byServo))->toBeFalse()
        ->and($blamed([$go('wide'), ['do' => 'go_by', 'motion' => 'jaw', 'by' => 20], $home('lift')], $byServo))->toBeTrue();
});

it('waits for the hand that sets its selector', function () {
    $build = sharing('selector', [
        ['do' => 'wait', 'until' => ['test' => 'input', 'sensor' => 'beam', 'is' => 'on'], 'give_up_s' => 60],
        ['do' => 'run', 'motion' => 'lift', 'direction' => 'up', 'for_s' => 0.5], ['do' => 'stop', 'motion' => 'lift'],
    ], ['motions.2.drive.selector' => ['tells' => 'beam'], 'scenarios.0.events' => [['what' => 'selector', 'at_s' => 2, 'motion' => 'lift']]]);
    $trace = RoutineRun::of($build, $build->routines['wake'], array_values($build->scenarios)[0]);
    $at = array_column($trace['motions'], 'position', 'motion');

    expect(max($at['lift']))->toBeGreaterThan(0.01)->and(abs(gone($at)['lid']))->toBeLessThan(0.1)
        ->and($trace['steps'][0]['end_s'])->toEqualWithDelta(2.0, 0.02)
        ->and(Build::read($build->document)->toJson())->toBe($build->toJson());
});

it('leaves a selector that a servo holds to that servo', function () use ($byServo) {
    $build = sharing('selector', [['do' => 'wait', 'for_s' => 3], ['do' => 'run', 'motion' => 'lid', 'direction' => 'up', 'for_s' => 0.5],
        ['do' => 'stop', 'motion' => 'lid']], [...$byServo, 'scenarios.0.events' => [['what' => 'selector', 'at_s' => 2, 'motion' => 'lift']]]);
    $at = array_column(RoutineRun::of($build, $build->routines['wake'], array_values($build->scenarios)[0])['motions'], 'position', 'motion');

    expect(max($at['lid']))->toBeGreaterThan(10.0)->and(max($at['lift']))->toBeLessThan(0.001);
});

it('refuses a selector that cannot be, at its field', function (array $selector, string $field) {
    expect(fn () => sharing('selector', [], ['motions.2.drive.selector' => $selector]))->toThrow(function (InvalidInput $invalid) use ($field) {
        expect(array_column($invalid->errors, 'field'))->toContain("motions.2.drive.selector.{$field}");
    });
})->with([
    'moved by itself' => [['motion' => 'lift', 'place' => 'low', 'other' => 'high'], 'motion'],
    'moved by the other' => [['motion' => 'lid', 'place' => 'shut', 'other' => 'open'], 'motion'],
    'moved by nobody' => [['motion' => 'crane', 'place' => 'a', 'other' => 'b'], 'motion'],
    'to no place' => [['motion' => 'jaw', 'place' => 'wide', 'other' => 'ajar'], 'other'],
    'to one place' => [['motion' => 'jaw', 'place' => 'wide', 'other' => 'wide'], 'other'],
    'told by nothing' => [['tells' => 'nose'], 'tells'],
    'told by a word' => [['tells' => 'not an id!'], 'tells'],
]);

it('says how much two at once ask of their motor, on either side of what it gives', function (float $other, ?string $severity) {
    $build = drums([], 0.05, $other);
    $line = $build->motions['one']->drive?->line();
    $found = Builds::found($build, 'drive.together_weak');

    expect($found[0]->severity->value ?? null)->toBe($severity);
    if ($severity !== null) {
        expect($found[0]->says->text())->toContain('at once: together they ask');
    }
})->with(function (): array {
    $gives = drums([], 0.05, 0.0)->motions['one']->drive?->line()->most_Nm();
    $one = 0.05 / 2 / 0.9; // and what speeds both up is a little more
    $at = fn (float $margin): float => ($gives / $margin - $one) * 0.8;

    return [[$at(0.95), 'fails'], [$at(1.2), 'tight'], [$at(1.75), null]];
});

it('ships with a sun and a moon on one motor, each by its pawl, once round and never at once', function () {
    $build = Builds::example('sun-and-moon');
    $trace = RoutineRun::of($build, $build->routines['day'], $build->scenarios['pressed']);
    ['sun' => $sun, 'moon' => $moon] = array_column($trace['motions'], 'position', 'motion');
    $moves = fn (array $at, int $i): bool => abs($at[$i] - $at[$i - 1]) > 1e-3;
    $both = array_filter(range(1, count($sun) - 1), fn (int $i): bool => $moves($sun, $i) && $moves($moon, $i));

    expect($trace['outcome'])->toBe('finished')->and($both)->toBe([])
        ->and(end($sun))->toBeGreaterThan(350.0)->toBeLessThan(370.0)->and(end($moon))->toBeGreaterThan(350.0)->toBeLessThan(370.0)
        ->and(Builds::assessed($build)->codes())->toContain('drive.shared')->not->toContain('train.shares_no_pawl');
});

/** The lid, the lift and a flag, which is as the lift, on one motor. @param  list<array<string, mixed>>  $steps @param  array<string, mixed>  $planted */
function threeOnOne(string $by, array $steps, array $planted = []): Build
{
    $document = sharing($by, [])->document;
    $document['routines'][0]['steps'] = $steps;
    $flag = ['id' => 'flag', 'name' => 'Flag', 'stops' => ['switches' => []] + $document['motions'][2]['stops']] + $document['motions'][2];
    $document['motions'][] = $flag;
    foreach ($planted as $path => $value) {
        data_set($document, $path, $value);
    }

    return Build::read($document);
}

it('moves of three on one motor what the selector holds', function () use ($run, $stop, $rest) {
    $over = fn (string $to): array => ['do' => 'change_over', 'motion' => $to, 'takes_s' => 0.2];
    $tells = ['sensors.0.motion' => null, 'motions.2.drive.selector' => ['motion' => null, 'place' => null, 'other' => null, 'tells' => null],
        'motions.3.drive.shares' => 'lift'];
    $steps = [$over('flag'), $run('flag', 'up', 0.4), $stop('flag'), $rest, $over('lift'), $run('lift', 'up', 0.4), $stop('lift'), $rest, $over('lid'),
        $run('lid', 'up', 0.4), $stop('lid'), $rest];
    ['at' => $at, 'words' => $words] = shared($build = threeOnOne('selector', $steps, $tells));
    ['words' => $wrong] = shared(threeOnOne('selector', [$over('flag'), $run('lift', 'up', 0.3), $stop('lift')], $tells));

    $unsure = fn (Build $build): array => array_values(array_unique(array_filter(array_column(Builds::found($build, 'routine.not_changed_over'), 'place'),
        fn (string $place): bool => str_starts_with($place, 'routines.0.'))));

    expect($build->motorGroups['flag']->members)->toBe(['lid', 'lift', 'flag'])->and($build->motorGroups['lid'])->toBe($build->motorGroups['flag'])
        ->and(gone($at)['flag'])->toBeGreaterThan(0.01)->and(gone($at)['lift'])->toBeGreaterThan(0.01)->and(gone($at)['lid'])->toBeGreaterThan(5.0)
        ->and(implode($words))->not->toContain('The motor of')
        ->and($wrong)->toContain('The motor of Lift moves Flag: the selector holds that.')
        ->and($unsure($build))->toBe([])
        ->and($unsure(threeOnOne('selector', [$over('flag'), $run('lift', 'up', 0.3), $stop('lift')])))->toBe(['routines.0.steps.1'])
        ->and(Builds::found($build,
            'drive.shared')[0]->says->text())->toContain('One motor moves this and Lid and Flag through a selector');
});

it('moves of three first what needs least, and each in turn until it stands at its stop', function () use ($run, $stop) {
    $short = ['hard_low' => 0.0, 'hard_high' => 0.03, 'switches' => []];
    $light = ['motions.2.stops' => $short, 'motions.3.stops' => $short, 'motions.3.mechanism.mass_kg' => 0.2, 'motions.2.places.1.at' => 0.025,
        'motions.3.places.1.at' => 0.025, 'routines.1.steps' => [['do' => 'wait', 'for_s' => 1]]];
    ['at' => $at] = shared(threeOnOne('in_turn', [$run('lid', 'up', 3.0), $stop('lid')], $light));
    $begins = fn (string $id, float $over): int => (int) array_key_first(array_filter($at[$id], fn (float $position): bool => $position > $over));

    expect($begins('flag', 0.001))->toBeLessThan($begins('lift', 0.001))->and($begins('lift', 0.001))->toBeLessThan($begins('lid', 0.5))
        ->and($at['flag'][$begins('lift', 0.001)])->toEqualWithDelta(0.03, 1e-4)->and($at['lift'][$begins('lid', 0.5)])->toEqualWithDelta(0.03, 1e-4);
});

it('adds up what all on one motor need of it', function () {
    $weak = fn (float $stall): array => ['motions.2.drive.motor.stall_Nm' => $stall, 'motions.3.drive.motor.stall_Nm' => $stall];
    $asks = fn (Build $build): float => Builds::found($build, 'drive.together_weak')[0]->says->values['needs']->si;

    expect($asks(threeOnOne('rectifier', [], $weak(0.02))))->toBeGreaterThan($asks(sharing('rectifier', [], ['motions.2.drive.motor.stall_Nm' => 0.02])) * 1.2);
});

it('refuses an order for another of its motions in the same look', function () use ($run) {
    $both = fn (array $a, array $b): array => [['do' => 'together', 'until' => 'all', 'branches' => [[$a], [$b]]]];
    $stepper = Builds::example('star-dial')->document['motions'][0]['drive']['motor'];
    $geared = shared(threeOnOne('in_turn', $both($run('lid', 'up', 0.3), $run('flag', 'up', 0.3))));
    $steppers = ['motions.2.drive.motor' => $stepper, 'motions.3.drive.motor' => $stepper, 'motions.0.drive.motor' => $stepper];
    $stepped = shared(threeOnOne('selector', $both($run('lid', 'up', 0.3), $run('flag', 'up', 0.3)), $steppers));

    expect($geared['trace']['fault'])->toBe('Flag needs the motor that Lid is using')
        ->and($stepped['trace']['fault'])->toBe('Flag needs the motor that Lid is using');
});

it('knows one way to share a motor, one selector, and whose it is', function (array $planted, string $says) {
    expect(fn () => threeOnOne('selector', [], $planted))->toThrow(InvalidInput::class, $says);
})->with([
    'another way' => [['motions.3.drive.shares_by' => 'in_turn'], 'motions.3.drive.shares_by: Others share this motor by selector'],
    'a circle' => [['motions.0.drive.shares' => 'flag'], 'The motor is shared in a circle'],
    'itself' => [['motions.3.drive.shares' => 'flag'], 'A motion cannot share its motor with itself.'],
    'one place for two' => [['motions.2.drive.selector' => ['motion' => 'jaw', 'place' => 'wide', 'other' => 'closed'],
        'motions.3.drive.selector' => ['motion' => 'jaw', 'place' => 'wide', 'other' => 'closed']],
        'motions.3.drive.selector.place: Another motion on this motor has the same'],
    'two selectors' => [['motions.2.drive.selector' => ['motion' => 'jaw', 'place' => 'wide', 'other' => 'closed']],
        'motions.3.drive.selector.motion: Others on this motor have another here'],
]);
