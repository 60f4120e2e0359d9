<?php

declare(strict_types=1);

namespace Brookstone\Core\Allotment;

use Brookstone\Core\Finding\Sentence;
use Brookstone\Core\Numeric\Assignment;
use Brookstone\Core\Quantity\Quantity;
use Brookstone\Core\Wiring\Ability;
use Brookstone\Core\Wiring\Board;
use Brookstone\Core\Wiring\BoardKind;
use Brookstone\Core\Wiring\BoardStock;
use Brookstone\Core\Wiring\Join;
use Brookstone\Core\Wiring\Pin;
use Brookstone\Core\Wiring\PlacedBoard;
use Brookstone\Core\Wiring\WiringPlan;

/**
 * Gives everything in a build its channel and its pin: with the fewest boards, then the cheapest, then the shortest wires. What is wired already stays as
 * it is; of several ways as good it always takes the same.
 */
final class Allotter
{
    private const ORDER = 1e-4; // of a millimetre: which of two pins as near comes first

    /** A pin is so much farther for each thing that it can and need not: what is scarce is kept for what comes later. */
    private const WASTE_MM = ['data' => 300.0, 'clock' => 300.0, 'wake' => 1.5, 'pulse' => 1.5, 'interrupt' => 1.0, 'analogue' => 1.0];

    /** @var array<string, PlacedBoard> */
    private array $boards;

    /** @var list<PlacedBoard> that are added */
    private array $added = [];

    /** @var list<Join> */
    private array $joins = [];

    /** @var array<string, true> pins that are taken, `board.pin` */
    private array $taken = [];

    private int $number;

    private function __construct(private readonly Needs $needs, private readonly WiringPlan $plan, private readonly BoardStock $stock)
    {
        $this->boards = $plan->boards;
        $this->number = max([0, ...array_column($plan->joins, 'number')]);
        foreach ($plan->joins as $join) {
            $this->taken[$join->at()] = true;
        }
    }

    public static function of(Needs $needs, WiringPlan $plan, BoardStock $stock): Allotment
    {
        return (new self($needs, $plan, $stock))->allot();
    }

    private function allot(): Allotment
    {
        $loads = array_values(array_filter($this->needs->loads, fn (Load $load): bool => $this->plan->at($load->signal) === null));
        $short = $this->unborne($loads);
        if ($short !== [] || ($loads === [] && $this->missing($this->plan->bySignal) === [])) {
            return new Allotment([], [], $short);
        }
        if ($this->needs->build->supplies === []) {
            return new Allotment([], [], [new Sentence('Nothing feeds it yet: add a supply first.')]);
        }
        $free = [];
        foreach ($this->free() as [$board, $pins]) {
            foreach ($board->board->kind->drives() ? $pins : [] as $pin) {
                $free[] = [$board->board, $board->board->kind === BoardKind::Relay ? '' : $board->supply];
            }
        }
        $smallest = min([16, ...array_map(fn (Board $board): int => $board->channels,
            array_filter($this->stock->boards, fn (Board $board): bool => $board->kind->lends() !== []))]);
        $options = DriverChoice::all($loads, $free, $this->stock, $smallest);
        $chosen = $options === [] ? null : $this->choose($options);
        if ($chosen === null) {
            return new Allotment([], [], $this->shortOfPins($options[0] ?? DriverOption::none()));
        }
        [$controller, $option, $expanders] = $chosen;
        if ($controller !== null) {
            $this->add($controller[0], $controller[1], null);
        }
        foreach ($option->boards as [$board, $supply]) {
            $this->add($board, $supply, null);
        }
        $supply = $this->controller()->supply ?? '';
        foreach ($expanders[0] as $i => $board) {
            $this->add($board, $supply, $expanders[1][$i]);
        }
        $this->wireLoads($loads);
        $this->wireSignals();

        return new Allotment($this->added, $this->joins, []);
    }

    /**
     * The controller, the drivers and the expanders that are fewest and cheapest together.
     *
     * @param  non-empty-list<DriverOption>  $options
     * @return array{array{Board, string}|null, DriverOption, array{list<Board>, list<int|null>}}|null
     */
    private function choose(array $options): ?array
    {
        $best = $rank = null;
        foreach ($this->controllers() as [$candidate, $supply, $isNew]) {
            $controller = new PlacedBoard('controller', '', $candidate, $supply);
            $there = [...($isNew ? [[$controller, array_values($candidate->pins)]] : []), ...$this->lending()];
            $pins = new PinChoice($controller, $there, $this->stock);
            foreach ($options as $option) {
                $boards = count($option->boards) + (int) $isNew;
                $most = $rank === null ? PinChoice::MOST : min(PinChoice::MOST, $rank[0] - $boards);
                $expanders = $most < 0 ? null : $pins->expanders($this->unwired($option), $most);
                if ($expanders === null) {
                    continue;
                }
                $ranks = [$boards + count($expanders), $option->cost() + ($isNew ? $candidate->cost : 0.0)
                    + array_sum(array_map(fn (Board $board): float => $board->cost, $expanders))];
                if ($rank === null || $ranks < $rank) {
                    $rank = $ranks;
                    $best = [$isNew ? [$candidate, $supply] : null, $option, [$expanders, $pins->addresses($expanders) ?? []]];
                }
            }
        }

        return $best;
    }

    /** @return list<array{Board, string, bool}> the controller that is there, or those that could be, each with what feeds it */
    private function controllers(): array
    {
        $there = $this->controller();
        if ($there !== null) {
            return [[$there->board, $there->supply, false]];
        }
        $all = array_map(fn (Board $board): array => [$board, $this->feeds($board), true], array_values($this->stock->of(BoardKind::Controller)));
        usort($all, fn (array $a, array $b): int => count($b[0]->pins) <=> count($a[0]->pins)); // what is bounded by the best so far is soon done
        $fed = array_values(array_filter($all, fn (array $each): bool => $this->isFed($each[0], $each[1])));

        return $fed === [] ? $all : $fed;
    }

    private function controller(): ?PlacedBoard
    {
        foreach ($this->boards as $board) {
            if ($board->board->kind === BoardKind::Controller) {
                return $board;
            }
        }

        return null;
    }

    /** The supply for a controller: one that fits, and rather one that drives no motor. */
    private function feeds(Board $board): string
    {
        $motors = array_column(array_values($this->needs->loads), 'supply', 'supply');
        foreach ($this->needs->build->motions as $motion) {
            $motors += $motion->drive === null ? [] : [$motion->drive->supply->id => true];
        }
        $ids = array_map(strval(...), array_keys($this->needs->build->supplies));
        usort($ids, fn (string $a, string $b): int => [! $this->isFed($board, $a), isset($motors[$a])] <=> [! $this->isFed($board, $b), isset($motors[$b])]);

        return $ids[0] ?? '';
    }

    private function isFed(Board $board, string $supply): bool
    {
        return isset($this->needs->build->supplies[$supply]) && $this->needs->build->supplies[$supply]->staysWithin($board->low_V, $board->high_V);
    }

    /** @return list<array{PlacedBoard, list<Pin>}> boards with the pins on them that nothing is wired to */
    private function free(): array
    {
        return array_values(array_map(fn (PlacedBoard $board): array => [$board, array_values(array_filter($board->board->pins,
            fn (Pin $pin): bool => ! isset($this->taken["{$board->id}.{$pin->name}"])))], $this->boards));
    }

    /** @return list<array{PlacedBoard, list<Pin>}> those of them that are no drivers */
    private function lending(): array
    {
        return array_values(array_filter($this->free(), fn (array $each): bool => ! $each[0]->board->kind->drives()));
    }

    /**
     * Everything that still needs a pin, with so many more as new drivers take.
     *
     * @return list<Signal>
     */
    private function unwired(DriverOption $option): array
    {
        $signals = [];
        for ($i = 0; $i < $option->outs; $i++) {
            $signals[] = new Signal("out.{$i}", 'driver', [Ability::Out]);
        }
        for ($i = 0; $i < $option->pulses; $i++) {
            $signals[] = new Signal("pulse.{$i}", 'driver', [Ability::Pulse]);
        }
        $steps = count(array_filter($this->needs->loads, fn (Load $load): bool => in_array(BoardKind::Stepper, $load->kinds, true)
            && $this->plan->at($load->signal) === null));
        for ($i = 0; $i < $steps; $i++) {
            $signals[$i] = new Signal("step.{$i}", 'step', [Ability::Out], true);
        }

        return [...$signals, ...array_filter($this->missing($this->plan->bySignal))];
    }

    /**
     * @param  array<string, mixed>  $wired
     * @return list<Signal> of all that is there, what has no pin
     */
    private function missing(array $wired): array
    {
        $signals = array_values($this->needs->signals);
        foreach ($this->boards as $board) {
            foreach (array_keys($board->board->kind->drives() ? $board->board->pins : []) as $channel) {
                $load = $this->on("{$board->id}.{$channel}");
                array_push($signals, ...($load === null ? [] : Needs::controls($board, (string) $channel, $load)));
            }
        }
        array_push($signals, ...self::ofBoards($this->boards));

        return array_values(array_filter($signals, fn (Signal $signal): bool => ! isset($wired[$signal->key])));
    }

    /**
     * What expanders that are there take of the controller.
     *
     * @param  array<string, PlacedBoard>  $boards
     * @return list<Signal>
     */
    public static function ofBoards(array $boards): array
    {
        $kinds = array_map(fn (PlacedBoard $board): BoardKind => $board->board->kind, $boards);
        $signals = array_filter($kinds, fn (BoardKind $kind): bool => $kind->isOnBus()) === [] ? [] : PinChoice::bus();
        foreach ([BoardKind::ShiftOut, BoardKind::ShiftIn, BoardKind::Selector] as $kind) {
            array_push($signals, ...(in_array($kind, $kinds, true) ? PinChoice::chain($kind) : []));
        }
        foreach ($boards as $board) {
            if ($board->board->kind === BoardKind::Selector) {
                $signals[] = new Signal("boards.{$board->id}.reading", "{$board->name} reading", [Ability::Analogue], true, board: $board->id);
            }
        }

        return $signals;
    }

    /** The load on a channel. */
    private function on(string $at): ?Load
    {
        foreach ([...$this->plan->joins, ...$this->joins] as $join) {
            if ($join->at() === $at) {
                return $this->needs->loads[$join->signal] ?? null;
            }
        }

        return null;
    }

    private function add(Board $board, string $supply, ?int $address): void
    {
        $word = match ($board->kind) {
            BoardKind::Controller => 'controller', BoardKind::Bridge => 'bridge', BoardKind::Single => 'switch', BoardKind::Relay => 'relays',
            BoardKind::Stepper => 'stepper', default => 'expander',
        };
        for ($i = 1; isset($this->boards["{$word}-{$i}"]); $i++);
        [$x, $y] = Places::next($this->boards, $board);
        $placed = new PlacedBoard("{$word}-{$i}", ucfirst($word)." {$i}", $board, $supply, $address, $x, $y);
        $this->boards[$placed->id] = $placed;
        $this->added[] = $placed;
    }

    /** @param  list<Load>  $loads */
    private function wireLoads(array $loads): void
    {
        $channels = [];
        foreach ($this->free() as [$board, $pins]) {
            foreach ($board->board->kind->drives() ? $pins : [] as $pin) {
                $channels[] = [$board, $pin];
            }
        }
        $costs = [];
        foreach ($loads as $i => $load) {
            $costs[$i] = [];
            foreach ($channels as $j => [$board, $pin]) {
                if ($load->fits($board->board) && ($board->board->kind === BoardKind::Relay || $board->supply === $load->supply)) {
                    $costs[$i][$j] = 1000.0 * array_sum(Needs::pinsFor($board->board, $load)) + self::ORDER * abs($i - $j);
                }
            }
        }
        foreach (Assignment::least(array_values($costs), count($channels)) as $i => $channel) {
            if ($channel !== null) {
                $this->join($loads[$i]->signal, $channels[$channel][0], $channels[$channel][1]);
            }
        }
    }

    private function wireSignals(): void
    {
        $wired = $this->plan->bySignal + array_column(array_map(fn (Join $join): array => ['key' => $join->signal, 'is' => true], $this->joins), 'is', 'key');
        $signals = $this->missing($wired);
        $pins = [];
        foreach ($this->lending() as [$board, $free]) {
            foreach ($free as $i => $pin) {
                $pins[] = [$board, $pin, $i, $board->pinAt($pin->name)];
            }
        }
        $costs = [];
        foreach ($signals as $i => $signal) {
            $costs[$i] = [];
            $from = $this->comesFrom($signal);
            foreach ($pins as $j => [$board, $pin, $place, $at]) {
                if ($signal->fits($board, $pin)) {
                    $costs[$i][$j] = Places::apart_mm($from, $at) + self::wasted_mm($signal, $pin) + self::ORDER * abs($i - $place);
                }
            }
        }
        foreach (Assignment::least(array_values($costs), count($pins)) as $i => $pin) {
            if ($pin !== null) {
                $this->join($signals[$i]->key, $pins[$pin][0], $pins[$pin][1]);
            }
        }
    }

    private static function wasted_mm(Signal $signal, Pin $pin): float
    {
        $wasted = 0.0;
        foreach ($pin->can as $ability) {
            $wasted += in_array($ability, $signal->needs, true) ? 0.0 : self::WASTE_MM[$ability->value] ?? 0.0;
        }

        return $wasted;
    }

    /** @return array{float, float, int}|null where a signal comes from on the sheet; null of what stands off the boards */
    private function comesFrom(Signal $signal): ?array
    {
        $board = $this->boards[$signal->board ?? ''] ?? null;
        if ($board !== null) {
            return $board->pinAt(substr($signal->key, strlen("boards.{$board->id}.")));
        }
        foreach (str_starts_with($signal->key, 'bus.') ? $this->boards : [] as $each) {
            if ($each->board->kind->isOnBus()) {
                return $each->pinAt($signal->key);
            }
        }

        return null;
    }

    private function join(string $signal, PlacedBoard $board, Pin $pin): void
    {
        $join = new Join(++$this->number, $signal, $board->id, $pin->name);
        $this->joins[] = $join;
        $this->taken[$join->at()] = true;
    }

    /**
     * Loads that no board of the drawer bears.
     *
     * @param  list<Load>  $loads
     * @return list<Sentence>
     */
    private function unborne(array $loads): array
    {
        $there = array_map(fn (PlacedBoard $board): Board => $board->board, array_values($this->boards));
        $short = [];
        foreach ($loads as $load) {
            if (array_filter([...$this->stock->boards, ...$there], fn (Board $board): bool => $load->fits($board)) === []) {
                $short[] = new Sentence('No board in the drawer bears '.Sentence::quote($load->name).': {starts} at {volts}'
                    .($load->speed ? ', its speed set' : '').'.', ['starts' => Quantity::of($load->starts_A, 'A'),
                        'volts' => Quantity::of($load->volts_V, 'V')]);
            }
        }

        return $short;
    }

    /** @return list<Sentence> what pins are missing, and what of ours would make up for them */
    private function shortOfPins(DriverOption $option): array
    {
        $best = null;
        foreach ($this->controllers() as [$candidate, $supply, $isNew]) {
            $controller = new PlacedBoard('controller', '', $candidate, $supply);
            $there = [...($isNew ? [[$controller, array_values($candidate->pins)]] : []), ...$this->lending()];
            $short = (new PinChoice($controller, $there, $this->stock))->short($this->unwired($option), []);
            $count = array_sum(array_column($short, 1));
            if ($best === null || $count < $best[0]) {
                $best = [$count, $short, (new PinChoice($controller, $there, BoardStock::shipped()))->expanders($this->unwired($option), PinChoice::MOST)];
            }
        }
        if ($best === null) {
            return [new Sentence('There is no controller in the drawer.')];
        }
        $lacks = array_map(fn (array $each): string => "{$each[1]} {$each[0]->needs[count($each[0]->needs) - 1]->pin()}".($each[1] === 1 ? '' : 's')
            .($each[0]->direct ? ' of the controller' : ''), $best[1]);
        $larger = $best[2] === null && $this->controller() !== null ? $this->larger() : null;
        $would = match (true) {
            $larger !== null => " {$this->controller()?->named()} as a ".Sentence::quote($larger->name).' would do.',
            $best[2] === null || $best[2] === [] => '',
            default => ' '.ucfirst(self::counted($best[2])).' would do.',
        };

        return [new Sentence(ucfirst(Sentence::listed($lacks)).' too few.'.$would)];
    }

    /** The cheapest controller of ours that could stand in the place of the one that is there, with every wire on its pin, and serve the rest too. */
    private function larger(): ?Board
    {
        $there = $this->controller();
        $best = null;
        if ($there === null) {
            return null;
        }
        foreach (BoardStock::shipped()->of(BoardKind::Controller) as $board) {
            if (($best !== null && $board->cost >= $best->cost) || ! $this->isFed($board, $there->supply) || array_filter([...$this->plan->joins],
                fn (Join $join): bool => $join->board === $there->id && ! isset($board->pins[$join->pin])) !== []) {
                continue;
            }
            $instead = new PlacedBoard($there->id, $there->name, $board, $there->supply);
            $free = array_values(array_filter($board->pins, fn (Pin $pin): bool => ! isset($this->taken["{$there->id}.{$pin->name}"])));
            $others = array_values(array_filter($this->lending(), fn (array $each): bool => $each[0]->id !== $there->id));
            $pins = new PinChoice($instead, [[$instead, $free], ...$others], BoardStock::shipped());
            $best = $pins->expanders($this->unwired(DriverOption::none()), 2) === null ? $best : $board;
        }

        return $best;
    }

    /**
     * “1 controller K34 and 2 bridge boards H2 small”
     *
     * @param  list<Board>  $boards
     */
    public static function counted(array $boards): string
    {
        $counts = array_count_values(array_map(fn (Board $board): string => $board->name, $boards));
        $words = array_combine(array_map(fn (Board $board): string => $board->name, $boards),
            array_map(fn (Board $board): string => $board->kind->word(), $boards));

        return Sentence::listed(array_map(fn (string $name, int $count): string => "{$count} {$words[$name]}".($count === 1 ? ' '
            : 's ').Sentence::quote($name),
            array_map(strval(...), array_keys($counts)), $counts));
    }
}
