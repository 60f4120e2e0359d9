<?php

declare(strict_types=1);

namespace Brookstone\Core\Allotment;

use Brookstone\Core\Numeric\Flow;
use Brookstone\Core\Wiring\Ability;
use Brookstone\Core\Wiring\Board;
use Brookstone\Core\Wiring\BoardKind;
use Brookstone\Core\Wiring\BoardStock;
use Brookstone\Core\Wiring\Pin;
use Brookstone\Core\Wiring\PlacedBoard;

/** What makes up for the pins that a controller lacks: the fewest boards, then the cheapest of those, found by going through all. */
final class PinChoice
{
    public const MOST = 10; // boards, of one controller

    /** @var list<Board> that may be taken */
    private readonly array $types;

    /** @var array<string, array{PlacedBoard, Pin, int}> pins that are free, one of each kind and how many of it */
    private readonly array $stores;

    /** @var \WeakMap<Board, array<string, array{PlacedBoard, Pin, int}>> the same of boards that may be taken */
    private readonly \WeakMap $lends;

    /**
     * @param  list<array{PlacedBoard, list<Pin>}>  $there  boards with the pins that are free on them
     */
    public function __construct(private readonly PlacedBoard $controller, private readonly array $there, BoardStock $stock)
    {
        $types = [];
        foreach ($stock->boards as $board) {
            $logic = $this->controller->board->logic_V;
            if ($board->kind->lends() !== [] && $logic >= $board->low_V && $logic <= $board->high_V) {
                foreach ($types as $i => $other) {
                    if ($other->kind === $board->kind && $other->channels >= $board->channels && $other->cost <= $board->cost) {
                        if (! $board->kind->isOnBus()) {
                            continue 2;
                        }
                    }
                }
                $types[] = $board;
            }
        }
        $this->types = $types;
        $this->lends = new \WeakMap;
        $stores = [];
        foreach ($there as [$board, $pins]) {
            foreach (self::storesOf($board, $pins) as $key => [$placed, $pin, $count]) {
                $stores[$key] = [$placed, $pin, ($stores[$key][2] ?? 0) + $count];
            }
        }
        $this->stores = $stores;
    }

    /**
     * @param  list<Signal>  $signals  that have no pin yet
     * @param  int  $most  boards
     * @return list<Board>|null null where so many do not do
     */
    public function expanders(array $signals, int $most): ?array
    {
        if ($this->lacks($signals, array_merge(...array_map(fn (Board $board): array => array_fill(0, $most, $board), $this->types))) !== []) {
            return null; // of no number of them, even if they took nothing of the controller themselves
        }
        $free = array_sum(array_map(fn (array $each): int => count($each[1]), $this->there));
        $widest = max([1, ...array_map(fn (Board $board): int => $board->channels, $this->types)]);
        for ($boards = max(0, (int) ceil((count($signals) - $free) / $widest)); $boards <= $most; $boards++) {
            $best = null;
            foreach (self::counts($this->types, $boards) as $taken) {
                $channels = array_sum(array_map(fn (Board $board): int => $board->channels, $taken));
                if (count($signals) + count($this->ofExpanders($taken)) > $free + $channels) {
                    continue;
                }
                $cost = array_sum(array_map(fn (Board $board): float => $board->cost, $taken));
                if (($best === null || $cost < $best[0]) && $this->short($signals, $taken) === [] && $this->addresses($taken) !== null) {
                    $best = [$cost, $taken];
                }
            }
            if ($best !== null) {
                return $best[1];
            }
        }

        return null;
    }

    /**
     * What lacks a pin although these are taken.
     *
     * @param  list<Signal>  $signals
     * @param  list<Board>  $taken
     * @return list<array{Signal, int}> one of each kind, and how many of it
     */
    public function short(array $signals, array $taken): array
    {
        return $this->lacks([...$signals, ...$this->ofExpanders($taken)], $taken);
    }

    /**
     * @param  list<Signal>  $signals  that want a pin
     * @param  list<Board>  $taken
     * @return list<array{Signal, int}> what of them finds none: one of each kind, and how many of it
     */
    private function lacks(array $signals, array $taken): array
    {
        $wanted = [];
        foreach ($signals as $signal) {
            $like = $signal->like();
            $wanted[$like] = [$signal, ($wanted[$like][1] ?? 0) + 1];
        }
        uasort($wanted, fn (array $a, array $b): int => [count($b[0]->needs), $b[0]->direct] <=> [count($a[0]->needs), $a[0]->direct]);
        $wanted = array_values($wanted);
        $stores = $this->stores;
        foreach ($taken as $board) {
            foreach ($this->lends[$board] ??= self::storesOf(new PlacedBoard('', '', $board, ''), $board->pins) as $key => [$placed, $pin, $count]) {
                $stores[$key] = [$placed, $pin, ($stores[$key][2] ?? 0) + $count];
            }
        }
        // What can do least is given away first.
        uasort($stores, fn (array $a, array $b): int => [$a[0]->board->kind->lends() === [], count($a[1]->can)] <=> [$b[0]->board->kind->lends() === [],
            count($b[1]->can)]);
        $stores = array_values($stores);
        $serves = array_map(fn (array $want): array => array_keys(array_filter($stores, fn (array $store): bool => $want[0]->fits($store[0], $store[1]))),
            $wanted);
        $left = Flow::short(array_column($wanted, 1), array_column($stores, 2), array_values($serves));

        return array_values(array_filter(array_map(fn (array $want, int $short): array => [$want[0], $short], $wanted, $left),
            fn (array $each): bool => $each[1] > 0));
    }

    /**
     * @param  iterable<Pin>  $pins  of a board
     * @return array<string, array{PlacedBoard, Pin, int}> one of each kind, and how many of it
     */
    private static function storesOf(PlacedBoard $board, iterable $pins): array
    {
        $stores = [];
        foreach ($pins as $pin) {
            $key = $board->board->kind->value." {$board->board->pin_A} ".implode(' ', array_column($pin->can, 'value'));
            $stores[$key] = [$board, $pin, ($stores[$key][2] ?? 0) + 1];
        }

        return $stores;
    }

    /**
     * What expanders take of the controller themselves, where that is not wired already.
     *
     * @param  list<Board>  $taken
     * @return list<Signal>
     */
    public function ofExpanders(array $taken): array
    {
        $kinds = array_column(array_map(fn (Board $board): array => ['kind' => $board->kind->value], $taken), 'kind');
        $selectors = count(array_keys($kinds, BoardKind::Selector->value, true));
        $has = array_map(fn (array $each): BoardKind => $each[0]->board->kind, $this->there);
        $bus = array_filter($has, fn (BoardKind $kind): bool => $kind->isOnBus()) === []
            && array_filter($taken, fn (Board $board): bool => $board->kind->isOnBus()) !== [];
        $signals = $bus ? self::bus() : [];
        foreach ([BoardKind::ShiftOut, BoardKind::ShiftIn] as $kind) {
            array_push($signals, ...(in_array($kind->value, $kinds, true) && ! in_array($kind, $has, true) ? self::chain($kind) : []));
        }
        array_push($signals, ...($selectors > 0 && ! in_array(BoardKind::Selector, $has, true) ? self::chain(BoardKind::Selector) : []));
        for ($i = 0; $i < $selectors; $i++) {
            $signals[] = new Signal("selector.new-{$i}", 'selector reading', [Ability::Analogue], true);
        }

        return $signals;
    }

    /** @return list<Signal> */
    public static function bus(): array
    {
        return [new Signal('bus.data', 'Bus data', [Ability::Data], true), new Signal('bus.clock', 'Bus clock', [Ability::Clock], true)];
    }

    /** @return list<Signal> of all shift registers of a kind together, or what chooses the channel of all selectors */
    public static function chain(BoardKind $kind): array
    {
        $does = match ($kind) {
            BoardKind::ShiftOut => ['data' => Ability::Out, 'clock' => Ability::Out, 'latch' => Ability::Out],
            BoardKind::ShiftIn => ['data' => Ability::In, 'clock' => Ability::Out, 'latch' => Ability::Out],
            default => ['choose-1' => Ability::Out, 'choose-2' => Ability::Out, 'choose-3' => Ability::Out],
        };

        return array_values(array_map(fn (string $word, Ability $ability): Signal => new Signal(str_replace('_', '-', $kind->value).".{$word}",
            ucfirst($kind->word()).' '.str_replace('-', ' ', $word), [$ability], true), array_keys($does), $does));
    }

    /**
     * An address for each that stands on the bus, the lowest that is free: those that have the fewest choose first.
     *
     * @param  list<Board>  $taken
     * @return list<int|null>|null null where there are not enough
     */
    public function addresses(array $taken): ?array
    {
        $used = array_filter(array_map(fn (array $each): ?int => $each[0]->address, $this->there), fn (?int $address): bool => $address !== null);
        $order = array_keys($taken);
        usort($order, fn (int $a, int $b): int => [$taken[$a]->address_high ?? 0, $a] <=> [$taken[$b]->address_high ?? 0, $b]);
        $given = array_fill(0, count($taken), null);
        foreach ($order as $i) {
            if (! $taken[$i]->kind->isOnBus()) {
                continue;
            }
            $free = array_diff(range((int) $taken[$i]->address_low, (int) $taken[$i]->address_high), $used);
            if ($free === []) {
                return null;
            }
            $used[] = $given[$i] = min($free);
        }

        return array_values($given);
    }

    /**
     * @param  list<Board>  $types
     * @return iterable<list<Board>> all ways to take so many of them
     */
    private static function counts(array $types, int $boards, int $from = 0): iterable
    {
        if ($boards === 0) {
            yield [];
        } elseif ($from < count($types)) {
            for ($of = $boards; $of >= 0; $of--) {
                foreach (self::counts($types, $boards - $of, $from + 1) as $rest) {
                    yield [...array_fill(0, $of, $types[$from]), ...$rest];
                }
            }
        }
    }
}
