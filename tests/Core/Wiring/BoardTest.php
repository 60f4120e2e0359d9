<?php

declare(strict_types=1);

use Brookstone\Core\Error\ImpossibleValue;
use Brookstone\Core\Error\InvalidInput;
use Brookstone\Core\Quantity\NotUnderstood;
use Brookstone\Core\Shape\TableCsv;
use Brookstone\Core\Wiring\Ability;
use Brookstone\Core\Wiring\Board;
use Brookstone\Core\Wiring\BoardKind;
use Brookstone\Core\Wiring\BoardStock;
use Brookstone\Core\Wiring\Outline;
use Brookstone\Core\Wiring\PinList;
use Brookstone\Core\Wiring\PlacedBoard;
use Brookstone\Core\Wiring\WireSize;

it('reads the pins of a board in their order', function () {
    $pins = PinList::read('p1–p3: in out pull; x, 12-13: analogue wake');
    expect(array_map(strval(...), array_keys($pins)))->toBe(['p1', 'p2', 'p3', 'x', '12', '13'])
        ->and($pins['p2']->can(Ability::In, Ability::Pull))->toBeTrue()->and($pins['p2']->can(Ability::Analogue))->toBeFalse()
        ->and($pins['x']->can)->toBe([Ability::Analogue, Ability::Wake]);
});

it('says what is wrong with a list of pins', function (string $text, string $says) {
    expect(fn () => PinList::read($text))->toThrow(NotUnderstood::class, $says);
})->with([
    ['', 'A board without pins can do nothing'], ['p1', 'must be names and what they can do'], ['p1: fly', '“fly” is nothing that a pin can do'],
    ['p1: channel', '“channel” is nothing'], ['p1: in; p1: out', 'Pin p1 stands there twice.'], ['p1–p200: in', 'is no name of a pin'],
    ['p9–p1: in', 'is no name of a pin'], ['pin number one: in', 'is no name of a pin'], ['a1–a99, b1–b99: in', 'at most 128 pins, but has 198'], ['p1: ', 'must be names'],
]);

it('ships controllers, drivers and expanders enough', function () {
    $stock = BoardStock::shipped();
    $count = fn (BoardKind ...$kinds): int => count(array_filter($stock->boards, fn (Board $board): bool => in_array($board->kind, $kinds, true)));
    $sizes = array_map(fn (Board $board): int => count($board->pins), $stock->of(BoardKind::Controller));

    expect($count(BoardKind::Controller))->toBeGreaterThanOrEqual(8)->and(min($sizes))->toBe(6)->and(max($sizes))->toBeGreaterThan(50)
        ->and($count(BoardKind::Bridge, BoardKind::Single, BoardKind::Relay, BoardKind::Stepper))->toBeGreaterThanOrEqual(12)
        ->and($count(BoardKind::Expander, BoardKind::PulseExpander, BoardKind::ShiftIn, BoardKind::ShiftOut, BoardKind::Selector))->toBeGreaterThanOrEqual(5)
        ->and(array_unique(array_map(fn (Board $board): float => $board->logic_V, $stock->of(BoardKind::Controller))))->toContain(5.0, 3.3);
});

it('is written and read the same, and stands in a table', function () {
    foreach (BoardStock::shipped()->boards as $name => $board) {
        expect(new Board(...$board->write()))->toEqual($board, $name);
    }
    $table = new TableCsv(BoardStock::shape());
    $lines = BoardStock::shipped()->lines;
    expect(BoardStock::read($table->read($table->write($lines)))->boards)->toEqual(BoardStock::shipped()->boards);
});

it('refuses a board that cannot be, at the field that is wrong', function (array $changes, string $field) {
    $line = $changes + ['kind' => 'bridge', 'name' => 'B', 'channels' => 2, 'low_V' => 5.0, 'high_V' => 12.0, 'continuous_A' => 1.0, 'peak_A' => 2.0, 'directions' => 2];
    expect(fn () => new Board(...$line))->toThrow(ImpossibleValue::class, $field);
    try {
        BoardStock::read([$line]);
        $errors = [];
    } catch (InvalidInput $wrong) {
        $errors = $wrong->errors;
    }
    expect(array_column($errors, 'field'))->toBe(["boards.0.{$field}"]);
})->with([
    [['high_V' => 4.0], 'high_V'], [['channels' => 0], 'channels'], [['continuous_A' => 0.0], 'continuous_A'], [['peak_A' => 0.9], 'peak_A'],
    [['directions' => 0], 'directions'], [['kind' => 'expander'], 'address_low'], [['kind' => 'expander', 'address_low' => 5, 'address_high' => 4], 'address_high'],
    [['kind' => 'controller', 'pins' => ''], 'pins'], [['kind' => 'controller', 'pins' => 'p1: in', 'least_V' => 5.1], 'least_V'],
]);

it('refuses one name twice, and what is out of range, each at its line', function () {
    $errors = function (array $lines): array {
        try {
            BoardStock::read($lines);

            return [];
        } catch (InvalidInput $wrong) {
            return array_column($wrong->errors, 'field');
        }
    };
    $line = ['kind' => 'controller', 'name' => 'C', 'pins' => 'p1: in'];
    expect($errors([$line, $line]))->toBe(['boards.1.name'])->and($errors([['address_low' => -1] + $line]))->toBe(['boards.0.address_low'])
        ->and($errors([['kind' => 'robot'] + $line]))->toBe(['boards.0.kind'])->and($errors([$line, ['name' => 'D', 'logic_V' => 0] + $line]))->toBe(['boards.1.logic_V'])
        ->and($errors('nonsense' === '' ? [] : [7]))->toBe(['boards.0']);
});

it('draws every pin of a board on an edge of it, none on another', function (string $name) {
    $board = new PlacedBoard('b', 'B', BoardStock::shipped()->boards[$name], 'main', null, 10.0, 20.0);
    $outline = Outline::of($board->board);
    $places = [];
    foreach (array_keys($outline->pins) as $pin) {
        [$x, $y, $side] = $board->pinAt((string) $pin) ?? [0.0, 0.0, 0];
        $places[] = "{$x} {$y}";
        expect($x)->toBe($side < 0 ? $board->box()[0] : $board->box()[2])->and($y)->toBeGreaterThan($board->box()[1])->toBeLessThan($board->box()[3]);
    }
    expect(array_unique($places))->toHaveCount(count($places))->and(array_diff(array_keys($board->board->pins), array_keys($outline->pins)))->toBe([])
        ->and($board->pinAt('nowhere'))->toBeNull();
})->with(fn () => array_keys(BoardStock::shipped()->boards));

it('takes the thinnest wire that bears the current and loses little', function () {
    expect(WireSize::for(1.0, 0.01, 12.0, 1.0))->toBe(0.08)->and(WireSize::for(1.01, 0.01, 12.0, 1.0))->toBe(0.14) // what each bears
        ->and(WireSize::for(1.0, 2.0, 12.0, 0.03))->toBe(0.25)  // 0.28 V of 12 in 0.25 mm², 0.49 V in 0.14
        ->and(WireSize::for(83.0, 1.0, 12.0, 1.0))->toBeNull()
        ->and(WireSize::bears_A(0.5))->toBe(9.0)->and(WireSize::bears_A(0.625))->toBeAbout(10.5, 1e-9)->and(WireSize::bears_A(0.04))->toBeAbout(0.5, 1e-9)
        ->and(WireSize::bears_A(32.0))->toBeAbout(164.0, 1e-9)
        ->and(WireSize::serving(1.0, 0.01, 12.0, 8.0))->toBe(0.5)->and(WireSize::serving(1.0, 0.01, 12.0, null))->toBe(0.08);
});
