<?php

declare(strict_types=1);

use Brookstone\Core\Allotment\DriverChoice;
use Brookstone\Core\Allotment\DriverOption;
use Brookstone\Core\Allotment\Load;
use Brookstone\Core\Allotment\Needs;
use Brookstone\Core\Allotment\PinChoice;
use Brookstone\Core\Allotment\Places;
use Brookstone\Core\Allotment\Signal;
use Brookstone\Core\Build\Build;
use Brookstone\Core\Wiring\Ability;
use Brookstone\Core\Wiring\Board;
use Brookstone\Core\Wiring\BoardKind;
use Brookstone\Core\Wiring\BoardStock;
use Brookstone\Core\Wiring\Outline;
use Brookstone\Core\Wiring\Pin;
use Brookstone\Core\Wiring\PlacedBoard;
use Tests\Support\Builds;

function stocked(string $name): Board
{
    return BoardStock::shipped()->boards[$name];
}

/** @return array<string, mixed> a driver of so many channels */
function driverLine(string $name, int $channels, float $cost, array $more = []): array
{
    return $more + ['kind' => 'bridge', 'name' => $name, 'cost' => $cost, 'channels' => $channels, 'low_V' => 3.0, 'high_V' => 20.0, 'continuous_A' => 1.0, 'peak_A' => 2.0,
        'directions' => 2, 'speed' => 'yes'];
}

/** @return list<Load> */
function motorsOf(int $count, float $starts_A = 1.5, bool $speed = true): array
{
    return array_map(fn (int $i): Load => new Load("motions.m{$i}", "M {$i}", [BoardKind::Bridge], 'main', 12.0, 0.5, $starts_A, $speed, true), range(1, $count));
}

/** @param  list<DriverOption>  $options  @return list<list<string>> */
function namesOf(array $options): array
{
    return array_map(fn (DriverOption $option): array => array_map(fn (array $board): string => $board[0]->name, $option->boards), $options);
}

it('measures between pins along the edges, and round a board from the edge that faces away', function () {
    expect(Places::apart_mm([0.0, 0.0, 1], [30.0, 40.0, -1]))->toBe(70.0)->and(Places::apart_mm([0.0, 0.0, -1], [30.0, 40.0, -1]))->toBe(190.0)
        ->and(Places::apart_mm([0.0, 0.0, -1], [30.0, 40.0, 1]))->toBe(310.0)->and(Places::apart_mm([30.0, 0.0, 1], [0.0, 40.0, 1]))->toBe(190.0)
        ->and(Places::apart_mm([5.0, 0.0, -1], [5.0, 4.0, 1]))->toBe(4.0)->and(Places::apart_mm(null, [1.0, 1.0, 1]))->toBe(0.0);
});

it('lays boards out in columns, none on another', function () {
    $placed = [];
    foreach (['K34', 'H2 small', 'H2 small', 'R4', 'R4', 'R4', 'R4', 'X16', 'E16', 'E8'] as $i => $name) {
        [$x, $y] = Places::next($placed, stocked($name));
        $placed["b{$i}"] = new PlacedBoard("b{$i}", "B{$i}", stocked($name), 'main', null, $x, $y);
    }
    $at = array_map(fn (PlacedBoard $board): array => [$board->x_mm, $board->y_mm], $placed);
    $tall = Outline::of(stocked('H2 small'))->height_mm;
    expect($at['b0'])->toBe([0.0, 0.0])->and($at['b1'])->toBe([210.0, 0.0])->and($at['b2'])->toBe([210.0, $tall + 16.0])
        ->and($at['b3'])->toBe([210.0, 2 * $tall + 32.0])->and($at['b7'])->toBe([-210.0, 0.0])
        ->and(max(array_column($at, 0)))->toBe(420.0)->and(min(array_column($at, 0)))->toBe(-420.0);
    foreach ($placed as $id => $one) {
        foreach ($placed as $other => $two) {
            [$a, $b, $c, $d] = $one->box();
            [$e, $f, $g, $h] = $two->box();
            expect($id !== $other && $a < $g && $c > $e && $b < $h && $d > $f)->toBeFalse("{$id} on {$other}");
        }
    }
});

it('takes a choice of drivers for better only where nothing about it is worse', function () {
    $cheap = new DriverOption([[new Board(...driverLine('A', 2, 3.0)), 'main']], 4, 2);
    $dear = new DriverOption([[new Board(...driverLine('B', 2, 5.0)), 'main']], 4, 2);
    $few = new DriverOption([[new Board(...driverLine('C', 2, 5.0)), 'main']], 2, 2);
    expect($cheap->beats($dear))->toBeTrue()->and($dear->beats($cheap))->toBeFalse()->and($few->beats($dear))->toBeTrue()
        ->and($cheap->beats($few))->toBeFalse()->and($few->beats($cheap))->toBeFalse()->and($cheap->beats($cheap))->toBeTrue()
        ->and($cheap->and($few)->rank())->toBe([2, 8.0, 4, 6]);
});

it('chooses the fewest drivers, of those the cheapest, and keeps what saves pins', function () {
    $stock = fn (array ...$lines): BoardStock => new BoardStock(array_values($lines));
    $two = $stock(driverLine('One', 1, 1.0), driverLine('Two', 2, 5.0), driverLine('Dear', 2, 6.0));
    expect(namesOf(DriverChoice::all(motorsOf(3), [], $two, 8)))->toBe([['One', 'Two']])
        ->and(namesOf(DriverChoice::all(motorsOf(4), [], $two, 8)))->toBe([['Two', 'Two']])
        ->and(namesOf(DriverChoice::all(motorsOf(2), [[new Board(...driverLine('Old', 2, 9.0)), 'main']], $two, 8)))->toBe([['One']]) // one channel is free
        ->and(DriverChoice::all(motorsOf(1, 2.1), [], $two, 8))->toBe([]);
    $lean = $stock(driverLine('Two', 2, 5.0), driverLine('Lean', 2, 8.0, ['directions' => 1]));
    $options = DriverChoice::all(motorsOf(2), [], $lean, 8);
    expect(namesOf($options))->toBe([['Two'], ['Lean']])->and(array_map(fn (DriverOption $option): array => [$option->outs, $option->pulses], $options))->toBe([[4, 2], [2, 2]]);
});

it('takes of two drivers that are alike the first', function () {
    $stock = new BoardStock([driverLine('First', 2, 5.0), driverLine('Second', 2, 5.0)]);
    expect(namesOf(DriverChoice::all(motorsOf(2), [], $stock, 8)))->toBe([['First']]);
});

it('takes expanders that work at the volts of the controller, and of the same kind the cheaper', function (float $logic_V, string $chosen) {
    $controller = new PlacedBoard('c', 'C', new Board('controller', 'C', 'p1: in out pull; p2: in data; p3: in clock', logic_V: $logic_V), 'main');
    $line = fn (string $name, float $low, float $high, float $cost, string $kind = 'expander', int $first = 0x20): array => ['kind' => $kind, 'name' => $name, 'cost' => $cost, 'channels' => 8,
        'low_V' => $low, 'high_V' => $high, 'address_low' => $first, 'address_high' => $first + 7];
    $pins = new PinChoice($controller, [[$controller, array_values($controller->board->pins)]], new BoardStock([
        $line('Five', 4.5, 5.5, 2.0), $line('Three', 2.0, 3.6, 1.0), $line('Dear', 2.0, 5.5, 9.0), driverLine('B', 2, 1.0)]));
    $signals = array_map(fn (int $i): Signal => new Signal("s{$i}", "S {$i}", [Ability::In, Ability::Pull]), range(1, 5));
    expect(array_map(fn (Board $board): string => $board->name, $pins->expanders($signals, 3) ?? []))->toBe([$chosen])
        ->and($pins->expanders($signals, 0))->toBeNull()->and($pins->expanders(array_slice($signals, 0, 1), 3))->toBe([]);
})->with([[5.0, 'Five'], [3.3, 'Three'], [4.0, 'Dear']]);

/** Each signal finds a pin of its own: one after the other, those before it making room (Kuhn). @param  list<array{PlacedBoard, Pin}>  $pins */
function allFindPins(array $signals, array $pins): bool
{
    $has = [];
    $finds = function (Signal $signal, array &$seen) use (&$finds, &$has, $pins): bool {
        foreach ($pins as $i => [$board, $pin]) {
            if (! isset($seen[$i]) && $signal->fits($board, $pin)) {
                $seen[$i] = true;
                if (! isset($has[$i]) || $finds($has[$i], $seen)) {
                    $has[$i] = $signal;

                    return true;
                }
            }
        }

        return false;
    };
    foreach ($signals as $signal) {
        $seen = [];
        if (! $finds($signal, $seen)) {
            return false;
        }
    }

    return true;
}

it('takes the fewest expanders, and of those the cheapest, as trying every heap of them does', function (int $seed) {
    mt_srand($seed);
    $controller = new PlacedBoard('c', 'C', new Board('controller', 'C', 'p1–p5: in out pull; p6: in data; p7: in clock; p8–p9: analogue', logic_V: 5.0), 'main');
    $line = fn (string $name, string $kind, int $channels): array => ['kind' => $kind, 'name' => $name, 'cost' => (float) mt_rand(1, 9), 'channels' => $channels, 'low_V' => 2.0,
        'high_V' => 5.5] + (in_array($kind, ['expander', 'pulse_expander'], true) ? ['address_low' => 0x20, 'address_high' => 0x20 + mt_rand(0, 2)] : []);
    $stock = new BoardStock([$line('E2', 'expander', 2), $line('E4', 'expander', 4), $line('P3', 'pulse_expander', 3), $line('O3', 'shift_out', 3), $line('A2', 'selector', 2)]);
    $wants = [[Ability::In, Ability::Pull], [Ability::Out], [Ability::Pulse], [Ability::Analogue]];
    $signals = array_map(fn (int $i): Signal => new Signal("s{$i}", "S {$i}", $wants[min(3, mt_rand(0, 6) >> 1)], mt_rand(0, 9) === 0), range(1, mt_rand(2, 11)));
    $free = array_values(array_slice($controller->board->pins, 0, mt_rand(3, 9)));
    $pins = new PinChoice($controller, [[$controller, $free]], $stock);

    $best = null;
    $heaps = [[]];
    for ($most = 0; $most <= 3 && $best === null; $most++) {
        foreach ($heaps as $heap) {
            $all = array_map(fn (Pin $pin): array => [$controller, $pin], $free);
            foreach ($heap as $board) {
                array_push($all, ...array_map(fn (Pin $pin): array => [new PlacedBoard('', '', $board, ''), $pin], array_values($board->pins)));
            }
            if ($pins->addresses($heap) !== null && allFindPins([...$signals, ...$pins->ofExpanders($heap)], $all)) {
                $best = min($best ?? INF, array_sum(array_column(array_map(fn (Board $board): array => ['cost' => $board->cost], $heap), 'cost')));
            }
        }
        $heaps = array_merge(...array_map(fn (array $heap): array => array_map(fn (Board $board): array => [...$heap, $board], array_values($stock->boards)), $heaps));
    }
    $taken = $pins->expanders($signals, 3);

    expect($taken === null ? null : [count($taken), (float) array_sum(array_map(fn (Board $board): float => $board->cost, $taken))])
        ->toBe($best === null ? null : [$most - 1, (float) $best]);
})->with(range(1, 60));

it('gives each expander the lowest address that is free, those first that have the fewest', function () {
    $controller = new PlacedBoard('c', 'C', stocked('K34'), 'main');
    $there = new PlacedBoard('e', 'E', stocked('E16'), 'main', 0x20);
    $pins = new PinChoice($controller, [[$controller, []], [$there, []]], BoardStock::shipped());
    $few = new Board(...['kind' => 'expander', 'name' => 'Few', 'channels' => 8, 'address_low' => 0x21, 'address_high' => 0x21]);
    expect($pins->addresses([stocked('E16'), $few, stocked('Q8 out'), stocked('X16')]))->toBe([0x22, 0x21, null, 0x40])
        ->and($pins->addresses([$few, $few]))->toBeNull()->and($pins->addresses([]))->toBe([]);
});

it('counts what an output needs by what it is and takes', function (array $output, array $kinds, array $needs) {
    $build = Builds::planted(['outputs.0' => $output + ['id' => 'it', 'name' => 'It'], 'routines.1.steps.8' => ['do' => 'wait', 'for_s' => 1]]);
    $counted = Needs::of($build);
    expect(array_map(fn (Load $load): array => array_column($load->kinds, 'value'), array_filter($counted->loads, fn (Load $load): bool => str_starts_with($load->signal, 'outputs.'))))
        ->toBe($kinds)
        ->and(array_map(fn (Signal $signal): array => array_column($signal->needs, 'value'), array_filter($counted->signals, fn (Signal $signal): bool => str_starts_with($signal->key,
            'outputs.'))))->toBe($needs);
})->with([
    'small lamp' => [['kind' => 'lamp', 'current_A' => 0.02], [], ['outputs.it' => ['out']]],
    'dimmed' => [['kind' => 'lamp', 'current_A' => 0.02, 'speed' => true], [], ['outputs.it' => ['pulse']]],
    'large lamp' => [['kind' => 'lamp', 'current_A' => 0.021], ['outputs.it' => ['relay', 'single']], []],
    'large and dimmed' => [['kind' => 'lamp', 'current_A' => 0.5, 'speed' => true], ['outputs.it' => ['single']], []],
    'fed' => [['kind' => 'lamp', 'current_A' => 0.01, 'supply' => 'main'], ['outputs.it' => ['relay', 'single']], []],
    'sound' => [['kind' => 'sound'], [], ['outputs.it' => ['out']]], 'relay' => [['kind' => 'relay'], ['outputs.it' => ['relay']], []],
    'gate' => [['kind' => 'relay', 'gates' => 'servos'], [], ['outputs.it' => ['out']]], 'track' => [['kind' => 'track'], ['outputs.it' => ['bridge']], []],
    'points' => [['kind' => 'points'], ['outputs.it.1' => ['relay', 'single'], 'outputs.it.2' => ['relay', 'single']], []],
    'display' => [['kind' => 'display'], [], ['outputs.it.data' => ['data'], 'outputs.it.clock' => ['clock']]],
    'valve' => [['kind' => 'valve'], ['outputs.it' => ['relay', 'single']], []],
    'valve by a servo' => [['kind' => 'servo_valve', 'supply' => 'servos'], [], ['outputs.it' => ['pulse']]],
]);

it('counts what a sensor needs by what it is', function (string $kind, array $needs, bool $direct) {
    $counted = array_filter(Needs::of(Builds::planted(['sensors.2' => ['id' => 'it', 'name' => 'It', 'kind' => $kind]]))->signals,
        fn (Signal $signal): bool => str_starts_with($signal->key, 'sensors.it'));
    expect(array_map(fn (Signal $signal): array => array_column($signal->needs, 'value'), $counted))->toBe($needs)
        ->and(array_unique(array_column($counted, 'direct')))->toBe([$direct]);
})->with([
    'button' => ['press', ['sensors.it' => ['in', 'pull']], false], 'beam' => ['beam', ['sensors.it' => ['in']], false],
    'knob' => ['knob', ['sensors.it' => ['analogue']], false], 'knock' => ['knock', ['sensors.it' => ['in', 'interrupt']], true],
    'wheel' => ['wheel', ['sensors.it' => ['in', 'interrupt']], true],
    'sonar' => ['sonar', ['sensors.it' => ['in', 'interrupt'], 'sensors.it.trigger' => ['out']], true],
]);

it('counts what a motion needs by its drive and by what moves it', function () {
    $of = fn (array $changes): array => array_map(fn (Load $load): array => [array_column($load->kinds, 'value'), $load->speed], Needs::of(Builds::planted($changes))->loads);
    $moves = fn (float $speed): array => ['routines.1.steps.0.speed' => $speed, 'routines.0.steps' => [], 'routines.1.steps.7.speed' => 1.0];
    expect($of($moves(1.0))['motions.lid'])->toBe([['bridge'], false])->and($of($moves(0.9))['motions.lid'])->toBe([['bridge'], true])
        ->and($of($moves(1.0) + ['motions.0.drive.ramp_s' => 0.1])['motions.lid'])->toBe([['bridge'], true])
        ->and($of($moves(1.0) + ['motions.0.drive.duty' => 0.9])['motions.lid'])->toBe([['bridge'], true])
        ->and($of($moves(1.0) + ['motions.0.drive.one_way' => true])['motions.lid'])->toBe([['single', 'relay', 'bridge'], false])
        ->and($of($moves(0.5) + ['motions.0.drive.one_way' => true])['motions.lid'])->toBe([['single', 'bridge'], true])
        ->and($of(['motions.0.drive.motor' => Builds::motor('P42-48')])['motions.lid'])->toBe([['stepper'], false])
        ->and($of(['motions.2.drive.shares' => 'lid', 'motions.2.drive.shares_by' => 'in_turn']))->not->toHaveKey('motions.lift')
        ->and(array_keys(Needs::of(Build::read(Builds::sound()->document))->signals))->toContain('motions.jaw', 'switches.lid-open', 'sensors.beam');
});
