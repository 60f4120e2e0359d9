<?php

declare(strict_types=1);

use Brookstone\Core\Build\Build;
use Brookstone\Core\Parts\Supply;
use Brookstone\Core\Simulation\Axis;
use Brookstone\Core\Simulation\RoutineRun;
use Brookstone\Core\Simulation\SupplyState;
use Tests\Support\Builds;

/**
 * The wired sound build, its lid and lift started at once, on a main supply of so many amperes; its controller resets under 8 V.
 *
 * @param  array<string, mixed>  $more
 */
function startedAtOnce(float $max_A, array $more = []): Build
{
    $start = fn (string $motion, string $switch): array => [['do' => 'home', 'motion' => $motion, 'switch' => $switch, 'speed' => 1, 'give_up_s' => 5]];

    return Builds::planted(array_replace(Builds::wired(), ['supplies.0.max_A' => $max_A, 'wiring.boards.0.board.low_V' => 9.0, 'wiring.boards.0.board.least_V' => 8.0,
        'routines.0.starts' => [], 'routines.1' => ['id' => 'show', 'name' => 'Show', 'steps' => [['do' => 'together', 'branches' => [$start('lid', 'lid-open'), $start('lift', 'lift-high')]]]]],
        $more));
}

/** @return array<string, mixed> */
function ranAtOnce(Build $build): array
{
    return RoutineRun::of($build, $build->routines['show'], after_s: 1.0);
}

it('starts its controller anew where motors pull their common supply down, and lets everything go', function () {
    $run = ranAtOnce(startedAtOnce(2.0));
    $kinds = array_column($run['events'], 'kind');
    $resets = array_values(array_filter($run['mishaps'], fn (array $mishap): bool => $mishap['kind'] === 'reset'));

    expect($run['outcome'])->toBe('faulted')->and($run['fault'])->toBe('the power went')
        ->and($resets)->toHaveCount(1)->and($resets[0]['says']->text())->toStartWith('Controller 1 starts anew: Main gives it ')->toEndWith(' V, and it needs 8 V.')
        ->and(array_search('power', $kinds, true))->toBeGreaterThan(array_search('reset', $kinds, true))
        ->and(count(array_keys($kinds, 'power', true)))->toBe(2) // it goes, and comes back
        ->and(max(array_column($run['motions'], 'position', 'motion')['lid']))->toBeLessThan(60.0);
});

it('starts the routines again that the power starts', function () {
    $run = ranAtOnce(startedAtOnce(2.0, ['routines.2' => ['id' => 'again', 'name' => 'Again', 'starts' => [['when' => 'power_on']], 'steps' => [['do' => 'wait', 'for_s' => 0.1]]]]));
    $starts = array_filter($run['events'], fn (array $event): bool => $event['says']->text() === 'Again starts.');
    expect($starts)->toHaveCount(2);
});

it('is away for as long as its board takes to start', function (float $starts_s) {
    $run = ranAtOnce(startedAtOnce(2.0, ['wiring.boards.0.board.starts_s' => $starts_s,
        'routines.2' => ['id' => 'again', 'name' => 'Again', 'starts' => [['when' => 'power_on']], 'steps' => [['do' => 'wait', 'for_s' => 0.1]]]]));
    $reset = array_column($run['events'], 'at_s', 'kind')['reset'];
    $starts = array_column(array_filter($run['events'], fn (array $event): bool => $event['says']->text() === 'Again starts.'), 'at_s');
    expect(end($starts) - $reset)->toBeGreaterThanOrEqual($starts_s - 1e-9)->toBeLessThan($starts_s + 0.03); // a few scans later it looks at what starts
})->with([0.4, 1.2]);

it('is mended by a capacitor that bridges it, by a soft start, by a stronger supply, and by a supply that drives nothing', function (array $more, ?float $max_A) {
    expect(array_column(ranAtOnce(startedAtOnce(2.0))['mishaps'], 'kind'))->toContain('reset')
        ->and(array_column(ranAtOnce(startedAtOnce($max_A ?? 2.0, $more))['mishaps'], 'kind'))->not->toContain('reset');
})->with([
    'capacitor' => [['supplies.0.capacitor_uF' => 100_000.0], null],
    'soft starts' => [['motions.0.drive.ramp_s' => 0.5, 'motions.2.drive.ramp_s' => 0.5], null],
    'stronger' => [[], 3.4],
    'its own' => [['supplies.2' => ['id' => 'own', 'name' => 'Own', 'volts_V' => 12, 'max_A' => 1], 'wiring.boards.0.supply' => 'own'], null],
]);

it('resets just under its least voltage, and not at it', function (float $least, bool $resets) {
    // Held fast, both draw in proportion to the volts: at 2 A of what they ask the rail stands where 2 A flow.
    $build = fn (float $of): Build => startedAtOnce(2.0, ['wiring.boards.0.board.least_V' => $of]);
    $volts = (float) array_values(array_filter(ranAtOnce($build(8.0))['mishaps'], fn (array $mishap): bool => $mishap['kind'] === 'reset'))[0]['says']->values['volts']->si;
    expect(in_array('reset', array_column(ranAtOnce($build($volts * $least))['mishaps'], 'kind'), true))->toBe($resets);
})->with([[1.001, true], [0.9, false]]);

/** A lid that is held fast and pushes, on a supply. */
function pushingLid(): Axis
{
    $axis = new Axis(Builds::sound()->motions['lid'], 0.0, 0.0);
    $axis->burden()->held(true, null);
    $axis->burdened();
    $axis->push(1, 1.0);
    $axis->advance(0.1);

    return $axis;
}

it('gives what is left behind its own resistance', function () {
    $axis = pushingLid();
    $ohm = 12.0 / $axis->drawn_A(1.0, 0.0); // of the motor held
    $state = new SupplyState(new Supply('main', 'Main', 12.0, 9.0, resistance_ohm: 1.5), [$axis]);
    expect($state->look(0.0, 0.005))->toBe([])->and($state->volts_V())->toBeAbout(12.0 * $ohm / ($ohm + 1.5), 1e-3)
        ->and($state->bears(['lid' => 0.0]))->toBeFalse();
});

it('falls no faster than its capacitor lets it', function () {
    // 1 A is missing of 1000 µF: 1 V in each millisecond
    $axis = pushingLid();
    $asks = $axis->drawn_A(1.0, 0.0);
    $state = new SupplyState(new Supply('main', 'Main', 12.0, $asks - 1.0, capacitor_uF: 1000.0), [$axis]);
    $state->look(0.0, 0.001);
    expect($state->volts_V())->toBeAbout(11.0, 1e-2);
    for ($i = 1; $i < 60; $i++) {
        $state->look($i * 0.001, 0.001);
    }
    expect($state->volts_V())->toBeAbout(12.0 * ($asks - 1.0) / $asks, 1e-2); // where as much flows as it gives
});

it('folds back or trips where it does that', function (string $does, float $share) {
    $axis = pushingLid();
    $state = new SupplyState(new Supply('main', 'Main', 12.0, 0.5 * $axis->drawn_A(1.0, 0.0), overload: $does), [$axis]);
    $state->look(0.0, 0.005);
    expect($state->volts_V())->toBeAbout(12.0 * $share, 1e-3);
    $axis->push(0, 0.0);
    $axis->lose();
    $axis->advance(0.1);
    $state->look(0.1, 0.005);
    expect($state->volts_V())->toBe($does === 'trips' ? 0.0 : 12.0);
})->with([['sags', 0.5], ['folds', 0.2], ['trips', 0.0]]);

it('takes of its source what its converter takes, and falls with it', function (array $rail, float $takes_A, float $gives_V) {
    $build = Builds::planted(['supplies.1' => $rail + ['id' => 'servos', 'name' => 'Servos', 'volts_V' => 6, 'max_A' => 4, 'from' => 'main']]);
    $axis = new Axis($build->motions['jaw'], 0.0, 0.0);
    $states = SupplyState::all($build, ['jaw' => $axis]);
    $axis->burden()->held(true, null);
    $axis->burdened();
    $axis->follow(40.0, 1.0);
    $axis->advance(0.3);
    $asks = $axis->drawn_A(1.0, 0.0);
    $states['main']->look(0.0, 0.005);
    expect($asks)->toBeGreaterThan(0.1)->and($states['main']->isSource())->toBeTrue()->and($states['servos']->isSource())->toBeFalse()
        ->and($states['servos']->volts_V())->toBeAbout($gives_V, 1e-6)
        ->and($states['main']->flows_A())->toBeAbout($takes_A * $asks + ($rail['idle_A'] ?? 0.0), 1e-6);
    $states['main']->isSetTo(0.5);
    $states['main']->look(0.01, 0.005);
    expect($states['servos']->volts_V())->toBeAbout(match ($rail['converter']) {
        'gate' => 6.0, 'up' => 6.0, default => 6.0 - ($rail['dropout_V'] ?? 0.0),
    }, 1e-6);
})->with([
    'linear' => [['converter' => 'linear', 'dropout_V' => 1.0, 'idle_A' => 0.01], 1.0, 6.0],
    'switching down' => [['converter' => 'down', 'efficiency' => 0.8], 6.0 / 12.0 / 0.8, 6.0],
]);

/** The sound build with its servo rail behind a switch, and a routine that moves the jaw a while after it is switched on. */
function behindAGate(?float $after_s, float $settles_s = 0.0): array
{
    $build = Builds::planted(['supplies.1.settles_s' => $settles_s, 'outputs.1' => ['id' => 'gate', 'name' => 'Gate', 'kind' => 'relay', 'gates' => 'servos'],
        'motions.1.mechanism' => ['kind' => 'turntable', 'disc_mass_kg' => 0.1, 'disc_radius_m' => 0.05, 'friction_Nm' => 0.002],
        'routines.1' => ['id' => 'show', 'name' => 'Show', 'steps' => [
            ...($after_s === null ? [] : [['do' => 'signal', 'output' => 'gate', 'state' => 'on']]), ['do' => 'wait', 'for_s' => $after_s ?? 0.1],
            ['do' => 'go', 'motion' => 'jaw', 'place' => 'wide', 'give_up_s' => 1], ['do' => 'wait', 'for_s' => 0.5]]], 'routines.0.starts' => []]);

    return RoutineRun::of($build, $build->routines['show']);
}

it('moves nothing on a supply whose switch is off, and all on it once that is on', function () {
    $end = fn (array $run): float => array_column($run['ends'], 'at', 'motion')['jaw'];
    expect($end(behindAGate(null)))->toBeAbout(0.0, 1e-6)->and($end(behindAGate(0.1)))->toBeLessThan(-39.0)
        ->and(behindAGate(0.1)['outcome'])->toBe('finished');
});

it('gives nothing before it has settled', function () {
    $took = fn (float $settles): float => behindAGate(0.1, $settles)['took_s'];
    expect($took(0.6) - $took(0.1))->toBeAbout(0.5, 0.02)->and($took(0.05))->toBe($took(0.0));
});

/**
 * The sound build with an output on its main supply, and a routine of signals.
 *
 * @param  array<string, mixed>  $output
 * @param  list<array<string, mixed>>  $steps
 * @param  array<string, mixed>  $more
 */
function switching(array $output, array $steps, array $more = [], bool $wired = true): array
{
    $build = Builds::planted(array_replace(($wired ? Builds::wired(...) : fn (array $first): array => $first)(['outputs.1' => $output + ['id' => 'it', 'name' => 'It', 'supply' => 'main']]), $more, ['routines.0.starts' => [],
        'routines.1' => ['id' => 'show', 'name' => 'Show', 'steps' => array_map(fn (array $step): array => isset($step['do']) ? $step : $step + ['do' => 'signal', 'output' => 'it'], $steps)]]));

    return RoutineRun::of($build, $build->routines['show'], after_s: 1.0);
}

/** @return array<string, float> at the times of the samples, A */
function mainCurrent(array $run): array
{
    $main = array_values(array_filter($run['supplies'], fn (array $supply): bool => $supply['supply'] === 'main'))[0];

    return ['peak' => $main['peak_A'], 'charge' => $main['charge_C'], 'last' => $main['current_A'][array_key_last($main['current_A'])]];
}

it('feeds outputs for as long as they take anything', function (array $output, array $steps, float $peak_A, float $seconds, float $last_A) {
    $idle = mainCurrent(switching($output, [['do' => 'wait', 'for_s' => 2.0]], [], false));
    $run = mainCurrent(switching($output, [...$steps, ['do' => 'wait', 'for_s' => 2.0]], [], false));
    expect($run['peak'] - $idle['peak'])->toBeAbout($peak_A, 1e-9)->and($run['charge'] - $idle['charge'])->toBeAbout($peak_A * $seconds, 0.011 * $peak_A)
        ->and($run['last'] - $idle['last'])->toBeAbout($last_A, 1e-6);
})->with([
    'a lamp' => [['kind' => 'lamp', 'current_A' => 0.4], [['state' => 'on']], 0.4, 3.0, 0.4],
    'a lamp for a while' => [['kind' => 'lamp', 'current_A' => 0.4], [['state' => 'on', 'for_s' => 0.7]], 0.4, 0.7, 0.0],
    'points' => [['kind' => 'points'], [['state' => 'on', 'for_s' => 0.2]], 3.0, 0.2, 0.0],
    'points thrown twice' => [['kind' => 'points'], [['state' => 'on', 'for_s' => 0.2], ['do' => 'wait', 'for_s' => 0.5], ['state' => 'on', 'for_s' => 0.2]], 3.0, 0.4, 0.0],
    'a valve by a servo' => [['kind' => 'servo_valve'], [['state' => 'on']], 0.5, 0.5, 0.0],
]);

it('starts its controller anew where a coil pulls their common supply down', function (float $max_A, array $more, bool $resets) {
    $run = switching(['kind' => 'points'], [['state' => 'on', 'for_s' => 0.2]], $more + ['supplies.0.max_A' => $max_A]);
    expect(in_array('reset', array_column($run['mishaps'], 'kind'), true))->toBe($resets);
})->with([
    'weak' => [1.2, [], true], 'strong' => [3.2, [], false], 'weak, with a capacitor' => [1.2, ['supplies.0.capacitor_uF' => 1e6], false],
    'its own' => [1.2, ['supplies.2' => ['id' => 'own', 'name' => 'Own', 'volts_V' => 12, 'max_A' => 4], 'outputs.1.supply' => 'own'], false],
]);

it('feeds the coil of a relay from where its board hangs', function () {
    $fed = fn (float $on_A): float => mainCurrent(switching(['kind' => 'relay'], [['state' => 'on']], ['wiring.boards.2.board.on_A' => $on_A]))['last'];
    expect($fed(0.07) - $fed(0.0))->toBeAbout(0.07, 1e-9);
});

it('falls as its cells do while it is emptied, and gives nothing once it is cut off', function () {
    // A tenth of an ampere hour, at half an ampere: five per cent in 36 s.
    $state = new SupplyState(new Supply('pack', 'Pack', 12.0, 5.0, capacity_Ah: 0.1, cutoff_V: 11.5), [], 0.5);
    $state->isSetTo(1.1);
    for ($second = 0; $second < 36; $second++) {
        $state->look((float) $second, 1.0);
    }
    expect($state->volts_V())->toBeAbout(12.0 * (1.1 - 0.2 * 0.05), 0.03);
    for (; $second < 490; $second++) { // 11.5 V are 0.71 left of the way from 1.1 to 0.9: 0.708 of 720 s
        $state->look((float) $second, 1.0);
        expect($state->volts_V())->toBeGreaterThan(11.4);
    }
    for (; $second < 530; $second++) {
        $state->look((float) $second, 1.0);
    }
    expect($state->volts_V())->toBe(0.0);
});

it('lasts as many hours in a run as it lasts by its charge', function () {
    $state = new SupplyState(new Supply('pack', 'Pack', 12.0, 5.0, capacity_Ah: 0.1), [], 0.5);
    $state->isSetTo(1.1);
    for ($second = 0; $second < 712; $second++) {
        $state->look((float) $second, 1.0);
    }
    expect($state->volts_V())->toBeGreaterThan(10.7);
    for (; $second < 735; $second++) {
        $state->look((float) $second, 1.0);
    }
    expect($state->volts_V())->toBe(0.0);
});
