<?php

declare(strict_types=1);

use Brookstone\Core\Allotment\Allotment;
use Brookstone\Core\Allotment\Allotter;
use Brookstone\Core\Allotment\Load;
use Brookstone\Core\Allotment\Needs;
use Brookstone\Core\Allotment\Signal;
use Brookstone\Core\Assessment\Wiring\WiringContext;
use Brookstone\Core\Build\Build;
use Brookstone\Core\Build\Editor;
use Brookstone\Core\Finding\Change;
use Brookstone\Core\Wiring\Board;
use Brookstone\Core\Wiring\BoardKind;
use Brookstone\Core\Wiring\BoardStock;
use Brookstone\Core\Wiring\Join;
use Brookstone\Core\Wiring\PlacedBoard;
use Brookstone\Core\Wiring\WiringPlan;
use Tests\Support\Builds;

/**
 * A build of nothing but sensors and outputs, on two supplies.
 *
 * @param  list<string>  $sensors  their kinds
 * @param  list<array<string, mixed>>  $outputs  without id and name
 */
function bareOf(array $sensors, array $outputs = []): Build
{
    return Build::read(['format' => 'brookstone-build', 'version' => 1, 'name' => 'Bare',
        'supplies' => [['id' => 'main', 'name' => 'Main', 'volts_V' => 12, 'max_A' => 9], ['id' => 'five', 'name' => 'Five', 'volts_V' => 5, 'max_A' => 2]],
        'sensors' => array_map(fn (int $i, string $kind): array => ['id' => "s{$i}", 'name' => "Sensor {$i}", 'kind' => $kind] + ($kind === 'knob' ? ['upper' => 1] : []),
            array_keys($sensors), $sensors),
        'outputs' => array_map(fn (int $i, array $output): array => ['id' => "o{$i}", 'name' => "Output {$i}"] + $output, array_keys($outputs), $outputs),
    ]);
}

function allotted(Build $build, ?BoardStock $stock = null): Allotment
{
    return Allotter::of(Needs::of($build), $build->wiring, $stock ?? BoardStock::shipped());
}

function wiredBy(Build $build, Allotment $allotment): Build
{
    $document = $build->document['wiring'];

    return Editor::apply($build, array_map(fn (Change $change): array => ['path' => $change->path, 'value' => $change->value],
        WiringContext::changes($document['boards'], $document['wires'], $allotment)));
}

/** @return list<string> names of the boards, in their order */
function boardNames(Allotment $allotment): array
{
    return array_map(fn (PlacedBoard $board): string => $board->board->name, $allotment->boards);
}

/** Every signal has a pin of its own that can do it, every load a channel that bears it, every board of the bus an address of its own. */
function isRight(Build $build): bool
{
    $needs = Needs::of($build);
    $plan = $build->wiring;
    $signals = $needs->signals;
    foreach ($plan->joins as $join) {
        $load = $needs->loads[$join->signal] ?? null;
        $board = $plan->boards[$join->board];
        if ($load !== null) {
            if (! $load->fits($board->board) || ($board->board->kind !== BoardKind::Relay && $board->supply !== $load->supply)) {
                return false;
            }
            foreach (Needs::controls($board, $join->pin, $load) as $signal) {
                $signals[$signal->key] = $signal;
            }
        }
    }
    foreach (Allotter::ofBoards($plan->boards) as $signal) {
        $signals[$signal->key] = $signal;
    }
    foreach ($signals as $key => $signal) {
        $join = $plan->bySignal[$key] ?? null;
        if ($join === null || ! $signal->fits($plan->boards[$join->board], $plan->boards[$join->board]->board->pins[$join->pin])) {
            return false;
        }
    }
    $at = array_map(fn (Join $join): string => $join->at(), $plan->joins);
    $addresses = array_filter(array_map(fn (PlacedBoard $board): ?int => $board->address, $plan->boards), fn (?int $address): bool => $address !== null);
    $bus = array_filter($plan->boards, fn (PlacedBoard $board): bool => $board->board->kind->isOnBus());

    return count($at) === count(array_unique($at)) && count($addresses) === count(array_unique($addresses)) && count($addresses) === count($bus)
        && count($plan->joins) === count($needs->loads) + count($signals)
        && count(array_unique(array_column($plan->joins, 'number'))) === count($plan->joins);
}

it('wires random builds so that each signal has a pin of its own that can do it', function (int $seed) {
    mt_srand($seed);
    $sensors = array_map(fn (): string => ['press', 'magnet', 'knock', 'knob', 'beam'][mt_rand(0, 4)], range(1, mt_rand(1, 25)));
    $kinds = ['lamp', 'relay', 'track', 'points', 'uncoupler', 'valve', 'sound'];
    $outputs = array_map(fn (): array => ['kind' => $kind = $kinds[mt_rand(0, 6)], 'supply' => in_array($kind, ['lamp', 'sound'], true) && mt_rand(0, 1) === 1 ? null : 'main',
        'speed' => $kind === 'track' && mt_rand(0, 1) === 1], range(1, mt_rand(1, 20)));
    $build = bareOf($sensors, $outputs);
    $allotment = allotted($build);

    if ($allotment->short !== []) {
        expect(count(array_filter($sensors, fn (string $kind): bool => $kind === 'knock')))->toBeGreaterThan(2); // more quick inputs than any controller has

        return;
    }
    expect(isRight(wiredBy($build, $allotment)))->toBeTrue()
        ->and($allotment)->toEqual(allotted($build)); // and always the same
})->with(range(1, 40));

it('moves nothing that is wired when something is added, and adds as little as can be', function (int $seed) {
    mt_srand($seed);
    $sensors = array_map(fn (): string => ['press', 'magnet', 'knob'][mt_rand(0, 2)], range(1, mt_rand(3, 15)));
    $before = wiredBy(bareOf($sensors), allotted(bareOf($sensors)));
    $more = Editor::apply($before, [['path' => 'sensors.'.count($sensors), 'value' => ['id' => 'late', 'name' => 'Late', 'kind' => 'press']]]);
    $allotment = allotted($more);
    if ($allotment->short !== []) { // its pins are all taken, those of the bus too
        expect($allotment->short[0]->text())->toContain('1 pull-up pin too few. Controller 1 as a K');

        return;
    }
    $after = wiredBy($more, $allotment);

    expect(array_slice($after->wiring->joins, 0, count($before->wiring->joins)))->toEqual($before->wiring->joins)
        ->and(array_intersect_key($after->wiring->boards, $before->wiring->boards))->toEqual($before->wiring->boards)
        ->and(isRight($after))->toBeTrue();
})->with(range(1, 12));

it('leaves what the builder fixed where it is', function () {
    $build = Editor::apply(bareOf(['press', 'press']), [['path' => 'wiring.boards.0', 'value' => ['id' => 'mine', 'name' => 'Mine', 'board' => BoardStock::shipped()->boards['K12']->write(), 'supply' => 'five']], ['path' => 'wiring.wires.0', 'value' => ['number' => 7, 'signal' => 'sensors.s1', 'board' => 'mine',
        'pin' => 'p9', 'fixed' => true]]]);
    $allotment = allotted($build);

    expect($allotment->boards)->toBe([])->and($allotment->joins)->toHaveCount(1)
        ->and($allotment->joins[0]->signal)->toBe('sensors.s0')->and($allotment->joins[0]->number)->toBe(8)->and($allotment->joins[0]->pin)->not->toBe('p9');
});

/**
 * The fewest boards, and of those the least cost, by trying every set of boards up to so many.
 *
 * @return array{int, float}|null
 */
function fewestByTrying(Build $build, BoardStock $stock, int $most): ?array
{
    $needs = Needs::of($build);
    $boards = array_values($stock->boards);
    $best = null;
    $try = function (array $taken, int $from) use (&$try, &$best, $needs, $boards, $most): void {
        $rank = [count($taken), array_sum(array_map(fn (Board $board): float => $board->cost, $taken))];
        if (($best === null || $rank < $best) && suffices($needs, $taken)) {
            $best = $rank;
        }
        for ($i = $from; count($taken) < $most && $i < count($boards); $i++) {
            $try([...$taken, $boards[$i]], $i);
        }
    };
    $try([], 0);

    return $best;
}

/** Whether boards are enough: every way to give loads their channels, and then every way to give signals their pins. @param  list<Board>  $taken */
function suffices(Needs $needs, array $taken): bool
{
    $placed = [];
    foreach ($taken as $i => $board) {
        $placed["b{$i}"] = new PlacedBoard("b{$i}", "B{$i}", $board, 'main', $board->kind->isOnBus() ? (int) $board->address_low + $i : null);
    }
    if (count(array_filter($placed, fn (PlacedBoard $board): bool => $board->board->kind === BoardKind::Controller)) !== 1) {
        return false;
    }
    $give = function (array $loads, array $used, array $signals) use (&$give, $placed): bool {
        if ($loads === []) {
            return findsPins(array_values([...$signals, ...Allotter::ofBoards($placed)]), $placed, []);
        }
        $load = array_shift($loads);
        foreach ($placed as $board) {
            foreach ($board->board->kind->drives() && $load->fits($board->board) ? array_keys($board->board->pins) : [] as $channel) {
                if (! isset($used["{$board->id}.{$channel}"])) {
                    if ($give($loads, $used + ["{$board->id}.{$channel}" => true], [...$signals, ...Needs::controls($board, $channel, $load)])) {
                        return true;
                    }
                    break; // its other free channels are like this one
                }
            }
        }

        return false;
    };

    return $give(array_values($needs->loads), [], array_values($needs->signals));
}

/**
 * @param  list<Signal>  $signals
 * @param  array<string, PlacedBoard>  $placed
 * @param  array<string, true>  $used
 */
function findsPins(array $signals, array $placed, array $used): bool
{
    if ($signals === []) {
        return true;
    }
    $signal = array_shift($signals);
    foreach ($placed as $board) {
        $alike = [];
        foreach ($board->board->kind->drives() ? [] : $board->board->pins as $pin) {
            $like = json_encode($pin->can);
            if (! isset($used["{$board->id}.{$pin->name}"]) && ! isset($alike[$like]) && $signal->fits($board, $pin)) {
                $alike[$like] = true;
                if (findsPins($signals, $placed, $used + ["{$board->id}.{$pin->name}" => true])) {
                    return true;
                }
            }
        }
    }

    return false;
}

it('is never beaten by trying all sets of boards', function (int $seed) {
    mt_srand($seed);
    $few = new BoardStock(array_map(fn (array $line): array => $line, [
        ['kind' => 'controller', 'name' => 'C5', 'cost' => 3.0, 'pins' => 'p1–p2: in out pull pulse; p3: in pull analogue; p4: in out pull data; p5: in out pull clock', 'low_V' => 4.0, 'high_V' => 16.0],
        ['kind' => 'controller', 'name' => 'C7', 'cost' => 6.0, 'pins' => 'p1–p2: in out pull; p3–p4: in out pulse; p5: analogue; p6: in out pull data; p7: in out pull clock', 'low_V' => 4.0,
            'high_V' => 16.0],
        ['kind' => 'bridge', 'name' => 'B1', 'cost' => 2.0, 'channels' => 1, 'low_V' => 3.0, 'high_V' => 20.0, 'continuous_A' => 2.0, 'peak_A' => 3.0, 'directions' => 1, 'speed' => 'yes'],
        ['kind' => 'bridge', 'name' => 'B2', 'cost' => (float) mt_rand(2, 5), 'channels' => 2, 'low_V' => 3.0, 'high_V' => 20.0, 'continuous_A' => 1.0, 'peak_A' => 2.0,
            'directions' => 2, 'speed' => 'yes'],
        ['kind' => 'relay', 'name' => 'R2', 'cost' => 3.0, 'channels' => 2, 'low_V' => 0.0, 'high_V' => 30.0, 'continuous_A' => 5.0, 'peak_A' => 9.0, 'directions' => 1],
        ['kind' => 'expander', 'name' => 'E4', 'cost' => (float) mt_rand(1, 4), 'channels' => 4, 'low_V' => 3.0, 'high_V' => 5.5, 'address_low' => 0x20, 'address_high' => 0x23],
        ['kind' => 'pulse_expander', 'name' => 'X3', 'cost' => 4.0, 'channels' => 3, 'low_V' => 3.0, 'high_V' => 5.5, 'address_low' => 0x40, 'address_high' => 0x43],
    ]));
    $build = bareOf(array_map(fn (): string => ['press', 'press', 'knob'][mt_rand(0, 2)], range(1, mt_rand(1, 3))),
        array_map(fn (): array => [['kind' => 'track', 'supply' => 'main', 'current_A' => 0.8, 'speed' => true], ['kind' => 'uncoupler', 'supply' => 'main'],
            ['kind' => 'lamp', 'current_A' => 0.01]][mt_rand(0, 2)], range(1, mt_rand(1, 3))));
    $allotment = allotted($build, $few);
    $tried = fewestByTrying($build, $few, 5);
    if ($allotment->short !== [] || count($allotment->boards) > 5) {
        expect($tried)->toBeNull();

        return;
    }
    expect([count($allotment->boards), array_sum(array_map(fn (PlacedBoard $board): float => $board->board->cost, $allotment->boards))])->toEqual($tried)
        ->and(isRight(wiredBy($build, $allotment)))->toBeTrue();
})->with(range(1, 25));

it('says of the garden railway’s yard six two-channel bridges, five boards of four relays, and which expanders where', function () {
    $demo = Builds::demo('signal-garden');
    $bare = Editor::apply($demo, [['path' => 'wiring', 'value' => []]]);
    $allotment = allotted($bare);
    $counts = array_count_values(boardNames($allotment));
    $expanders = array_values(array_filter($allotment->boards, fn (PlacedBoard $board): bool => $board->board->kind->lends() !== []));

    expect($counts)->toBe(['K54' => 1, 'H2 small' => 6, 'R4' => 5, 'E16' => 1])
        ->and(array_map(fn (PlacedBoard $board): ?int => $board->address, $expanders))->toBe([0x20])
        ->and(isRight(wiredBy($bare, $allotment)))->toBeTrue();

    $one = Editor::apply($demo, [['path' => 'sensors.15', 'value' => ['id' => 'at-bridge', 'name' => 'Bridge detector', 'kind' => 'magnet']]]);
    $more = allotted($one);
    expect($more->boards)->toBe([])->and($more->joins)->toHaveCount(1)->and($more->joins[0]->signal)->toBe('sensors.at-bridge');
});

it('says what is too little, and what would do', function () {
    $build = bareOf(array_fill(0, 12, 'press'), []);
    $only = new BoardStock([['kind' => 'controller', 'name' => 'C3', 'cost' => 1.0, 'pins' => 'p1: in out pull; p2: in pull data; p3: in pull clock', 'low_V' => 4.0, 'high_V' => 16.0]]);
    expect(allotted($build, $only)->short[0]->text())->toBe('9 pull-up pins too few. 1 input and output expander E16 would do.')
        ->and(allotted($build, new BoardStock([]))->short[0]->text())->toBe('There is no controller in the drawer.')
        ->and(allotted(bareOf([], [['kind' => 'track', 'supply' => 'main', 'current_A' => 40]]))->short[0]->text())
        ->toBe('No board in the drawer bears Output 0: 40 A at 12 V.');
});

it('gives loads to drivers by what they bear, both sides of each limit', function (array $board, array $load, bool $fits) {
    $made = new Board(...$board + ['kind' => 'bridge', 'name' => 'B', 'channels' => 1, 'low_V' => 6.0, 'high_V' => 12.0, 'continuous_A' => 1.0, 'peak_A' => 2.0, 'directions' => 2]);
    $of = new Load(...$load + ['signal' => 'outputs.o', 'name' => 'O', 'kinds' => [BoardKind::Bridge], 'supply' => 'main', 'volts_V' => 9.0, 'runs_A' => 0.5, 'starts_A' => 1.5,
        'speed' => false, 'isCoil' => false]);
    expect($of->fits($made))->toBe($fits);
})->with([
    [[], [], true], [[], ['volts_V' => 12.0], true], [[], ['volts_V' => 12.1], false], [[], ['volts_V' => 6.0], true], [[], ['volts_V' => 5.9], false],
    [[], ['starts_A' => 2.0], true], [[], ['starts_A' => 2.01], false], [[], ['runs_A' => 1.0], true], [[], ['runs_A' => 1.01], false],
    [[], ['speed' => true], false], [['speed' => 'yes'], ['speed' => true], true], [['diode' => 'no'], ['isCoil' => true], false], [['diode' => 'no'], [], true],
    [[], ['kinds' => [BoardKind::Relay]], false],
]);

it('keeps to the plan of a build that has nothing to wire', function () {
    expect(allotted(bareOf([]))->isNothing())->toBeTrue()->and(allotted(bareOf([]))->short)->toBe([])
        ->and((new WiringPlan)->isEmpty())->toBeTrue();
});

it('asks for a supply before it wires anything', function () {
    $build = Editor::apply(bareOf(['press'], [['kind' => 'lamp', 'current_A' => 0.01]]), [['path' => 'supplies', 'value' => []]]);
    expect(allotted($build)->short[0]->text())->toBe('Nothing feeds it yet: add a supply first.')->and(allotted($build)->boards)->toBe([]);
});

it('says which controller would do in the place of one that is full, the cheapest on which every wire finds its pin', function (int $more, string $says) {
    $first = wiredBy(bareOf(array_fill(0, 6, 'press')), allotted(bareOf(array_fill(0, 6, 'press'))));
    $late = array_map(fn (int $i): array => ['path' => 'sensors.'.(5 + $i), 'value' => ['id' => "late{$i}", 'name' => "Late {$i}", 'kind' => 'press']], range(1, $more));
    $full = Editor::apply($first, $late);

    expect($first->wiring->controller()?->board->name)->toBe('K6')->and(allotted($full)->short[0]->text())->toBe($says);
})->with([[1, '1 pull-up pin too few. Controller 1 as a K12 would do.'], [7, '7 pull-up pins too few. Controller 1 as a K12 would do.']]);
