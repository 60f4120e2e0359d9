<?php

declare(strict_types=1);

namespace Brookstone\Core\Assessment\Wiring;

use Brookstone\Core\Allotment\PinChoice;
use Brookstone\Core\Allotment\Signal;
use Brookstone\Core\Finding\Change;
use Brookstone\Core\Finding\Fix;
use Brookstone\Core\Finding\Sentence;
use Brookstone\Core\Finding\Severity;
use Brookstone\Core\Parts\Output;
use Brookstone\Core\Quantity\Constants;
use Brookstone\Core\Quantity\Quantity;
use Brookstone\Core\Wiring\Ability;
use Brookstone\Core\Wiring\Board;
use Brookstone\Core\Wiring\BoardKind;
use Brookstone\Core\Wiring\Join;
use Brookstone\Core\Wiring\PlacedBoard;

/** Whether everything has a pin that can do it, none has two things on it, and none gives more than it can; addresses of the bus too. */
final readonly class PinRules
{
    /** By what a pin must be able to: the code where there are too few. */
    public const SHORT = ['pulse' => 'wiring.pulse_pins_short', 'analogue' => 'wiring.analogue_pins_short', 'interrupt' => 'wiring.interrupt_pins_short',
        'wake' => 'wiring.wake_pins_short'];

    /** By what its pin lacks. */
    public const LACKS = ['wake' => 'wiring.no_wake', 'interrupt' => 'wiring.no_interrupt'];

    public function __construct(private WiringContext $on)
    {
    }

    public function check(): void
    {
        $this->rest();
        foreach ($this->on->plan->joins as $join) {
            $this->join($join);
        }
        foreach ($this->on->plan->boards as $board) {
            $this->board($board);
        }
        $this->addresses();
    }

    /** What is not wired yet, and whether there is anything to wire it to. */
    private function rest(): void
    {
        $missing = [];
        foreach ([...array_keys($this->on->needs->loads), ...array_keys($this->on->signals)] as $signal) {
            if (! isset($this->on->plan->bySignal[$signal])) {
                $missing[(string) $this->on->motionOf((string) $signal)][] = (string) $signal;
            }
        }
        if ($missing === []) {
            return;
        }
        $this->short();
        foreach ($missing as $motion => $signals) {
            $first = $this->on->named($signals[0]);
            $this->on->find('wiring.not_wired', Severity::Fails, 'wiring.wires', count($signals) === 1 ? "{$first} is not wired to anything."
                : "{$first} and {more} more ".(count($signals) === 2 ? 'signal is' : 'signals are').' not wired to anything.',
                ['more' => Quantity::number(count($signals) - 1)], $this->on->wiresRest(...), $motion === '' ? null : (string) $motion);
        }
    }

    /** The controller that is there has too few pins of a kind for what it needs. */
    private function short(): void
    {
        $controller = $this->on->plan->controller();
        if ($controller === null) {
            if ($this->on->plan->boards !== []) {
                $this->on->find('wiring.no_controller', Severity::Fails, 'wiring.boards', 'There are boards, but no controller that tells them anything.', [],
                    $this->on->wiresRest(...));
            }

            return;
        }
        $taken = array_flip(array_map(fn (Join $join): string => $join->at(), $this->on->plan->joins));
        $free = [];
        foreach ($this->on->plan->boards as $board) {
            if (! $board->board->kind->drives()) {
                $free[] = [$board, array_values(array_filter($board->board->pins, fn ($pin): bool => ! isset($taken["{$board->id}.{$pin->name}"])))];
            }
        }
        $missing = array_values(array_filter($this->on->signals, fn (Signal $signal): bool => ! isset($this->on->plan->bySignal[$signal->key])));
        $has = count($controller->board->pins);
        foreach ((new PinChoice($controller, $free, $this->on->stock))->short($missing, []) as [$signal, $count]) {
            $ability = $signal->needs[count($signal->needs) - 1];
            $this->on->find(self::SHORT[$ability->value] ?? 'wiring.pins_short', Severity::Fails, $this->on->pathOfBoard($controller->id).'.board',
                ($count === 1
                ? "One {$ability->pin()} is missing for {$this->on->named($signal->key)}" : "{count} {$ability->pin()}s are missing, the first for {$this->on->named($signal->key)}")
                .": {$controller->named()} has {has} pins in all.", ['count' => Quantity::number($count), 'has' => Quantity::number($has)],
                $this->on->wiresRest(...));
        }
    }

    private function join(Join $join): void
    {
        $on = $this->on;
        $path = $on->pathOfWire($join);
        $motion = $on->motionOf($join->signal);
        $remove = fn (): array => [$this->without($join)];
        if (! isset($on->needs->loads[$join->signal]) && ! isset($on->signals[$join->signal])) {
            $on->find('wiring.leads_nowhere', Severity::Tight, $path,
                'Wire {number} carries '.Sentence::quote($join->signal).', and there is no such thing any more.',
                ['number' => Quantity::number($join->number)], $remove);

            return;
        }
        [$board, $pin] = [$on->boardAt($join), $on->pinAt($join)];
        $moves = fn (): array => [...$on->toFreePin($join), $this->without($join)];
        if ($board === null || $pin === null) {
            $on->find('wiring.no_such_pin', Severity::Fails, $path, "{$on->named($join->signal)} is wired to ".Sentence::quote($join->at()).', and there is no such pin.', [],
                $moves, $motion);

            return;
        }
        foreach ($on->plan->joins as $other) {
            if ($other !== $join && $other->number < $join->number && $other->at() === $join->at()) {
                $on->find('wiring.pin_twice', Severity::Fails, $path, "{$on->named($join->signal)} and {$on->named($other->signal)} are both on "
                    ."{$board->named()} {$pin->name}.", [], $moves, $motion);
            }
        }
        $signal = $on->signals[$join->signal] ?? null;
        if ($signal !== null) {
            $this->pin($join, $signal, $board);
        } elseif (! $pin->can(Ability::Channel)) {
            $on->find('wiring.wrong_pin', Severity::Fails, $path, "{$on->named($join->signal)} needs a driver, and is wired to {$board->named()} {$pin->name}.", [],
                $remove, $motion);
        }
    }

    private function pin(Join $join, Signal $signal, PlacedBoard $board): void
    {
        $on = $this->on;
        $pin = $board->board->pins[$join->pin];
        $lacks = array_values(array_filter($signal->needs, fn (Ability $ability): bool => $ability !== Ability::Pull
            && ! $pin->can($ability))); // that it floats is told
        $moves = fn (): array => [...$on->toFreePin($join), $this->without($join)];
        $path = $on->pathOfWire($join).'.pin';
        if ($lacks !== []) {
            $lack = $lacks[count($lacks) - 1];
            $says = $lack === Ability::Wake ? "{$on->named($join->signal)} should wake {$board->named()}, and {$pin->name} does not."
                : "{$on->named($join->signal)} needs {$lack->aPin()}, and {$board->named()} {$pin->name} is none.";
            $on->find(self::LACKS[$lack->value] ?? 'wiring.wrong_pin', Severity::Fails, $path, $says, [], $moves, $signal->motion);
        } elseif ($signal->direct && $board->board->kind !== BoardKind::Controller) {
            $on->find('wiring.too_slow', Severity::Fails, $path, "{$on->named($join->signal)} changes too fast for {$board->named()}: it needs a pin of the controller.",
                [], $moves, $signal->motion);
        }
        if ($signal->takes_A > $board->board->pin_A * (1 + Constants::TIE)) {
            $on->find('wiring.pin_overloaded', Severity::Fails, $path, "{$on->named($join->signal)} takes {takes}, and {$board->named()} {$pin->name} gives {gives}.",
                ['takes' => Quantity::of($signal->takes_A, 'A'), 'gives' => Quantity::of($board->board->pin_A, 'A')],
                fn (): array => $this->throughDriver($join));
        }
    }

    /** @return list<Fix> a lamp that is too much for a pin hangs on the supply of the controller, behind a driver */
    private function throughDriver(Join $join): array
    {
        $output = $this->on->build->outputs[substr($join->signal, strlen('outputs.'))] ?? null;
        $supply = $this->on->plan->controller()?->supply;

        return ! $output instanceof Output || $supply === null ? [] : [(new Fix(new Sentence("Feed {$output->named()} from {$this->on->build->supplies[$supply]->named()}"
            .' through a driver'), [new Change($this->on->pathOf('outputs', $output->id).'.supply', $supply)]))->and($this->without($join))];
    }

    private function board(PlacedBoard $board): void
    {
        $gives = 0.0;
        foreach ($this->on->plan->joins as $join) {
            $gives += $join->board === $board->id ? $this->on->signals[$join->signal]->takes_A ?? 0.0 : 0.0;
        }
        if (! $board->board->kind->drives() && $gives > $board->board->pins_A * (1 + Constants::TIE)) {
            $this->on->find('wiring.pins_overloaded', Severity::Fails, $this->on->pathOfBoard($board->id),
                "All that is wired to the pins of {$board->named()} takes "
                .'{takes} together, and they give {gives}.', ['takes' => Quantity::of($gives, 'A'), 'gives' => Quantity::of($board->board->pins_A, 'A')],
                fn (): array => $this->on->instead($board, fn (Board $other): bool => $other->pins_A >= $gives));
        }
    }

    private function addresses(): void
    {
        $seen = [];
        foreach ($this->on->plan->boards as $board) {
            if (! $board->board->kind->isOnBus()) {
                continue;
            }
            $like = array_filter($this->on->plan->boards, fn (PlacedBoard $other): bool => $other->board->name === $board->board->name);
            $room = (int) $board->board->address_high - (int) $board->board->address_low + 1;
            $path = $this->on->pathOfBoard($board->id).'.address';
            $free = fn (): array => $this->freeAddress($board);
            if ($board->address === null || $board->address < $board->board->address_low || $board->address > $board->board->address_high) {
                $this->on->find('wiring.address_out', Severity::Fails, $path,
                    "{$board->named()} answers under {low} to {high}, and ".($board->address === null
                    ? 'has no address.' : 'is given '.Board::address($board->address).'.'), self::range($board), $free);
            } elseif (isset($seen[$board->address])) {
                $this->on->find('wiring.address_twice', Severity::Fails, $path, "{$board->named()} and {$seen[$board->address]->named()} both answer under "
                    .Board::address($board->address).'.', [], $free);
            } elseif (count($like) > $room && $board === array_values($like)[0]) {
                $this->on->find('wiring.bus_full', Severity::Fails, $path,
                    '{count} '.Sentence::quote($board->board->name).' on one bus: it has {room} '.($room === 1 ? 'address.' : 'addresses.'),
                    ['count' => Quantity::number(count($like)), 'room' => Quantity::number($room)], fn (): array => []);
            }
            $seen[$board->address ?? -1] ??= $board;
        }
    }

    /** @return array<string, Quantity> */
    private static function range(PlacedBoard $board): array
    {
        return ['low' => Quantity::number((int) $board->board->address_low), 'high' => Quantity::number((int) $board->board->address_high)];
    }

    /** @return list<Fix> */
    private function freeAddress(PlacedBoard $board): array
    {
        $used = array_map(fn (PlacedBoard $other): ?int => $other === $board ? null : $other->address, $this->on->plan->boards);
        $free = array_diff(range((int) $board->board->address_low, (int) $board->board->address_high), $used);

        return $free === [] ? [] : [new Fix(new Sentence("Set {$board->named()} to ".Board::address(min($free))),
            [new Change($this->on->pathOfBoard($board->id).'.address', min($free))])];
    }

    private function without(Join $join): Fix
    {
        $wires = $this->on->build->document['wiring']['wires'];
        unset($wires[(int) array_search($join, $this->on->plan->joins, true)]);

        return new Fix(new Sentence('Take wire {number} away', ['number' => Quantity::number($join->number)]),
            [new Change('wiring.wires', array_values($wires))]);
    }
}
