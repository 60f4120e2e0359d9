<?php

declare(strict_types=1);

namespace Brookstone\Core\Export;

use Brookstone\Core\Allotment\Load;
use Brookstone\Core\Allotment\Needs;
use Brookstone\Core\Allotment\Signal;
use Brookstone\Core\Build\Build;
use Brookstone\Core\Parts\Supply;
use Brookstone\Core\Quantity\Quantity;
use Brookstone\Core\Shape\Csv;
use Brookstone\Core\Wiring\Ability;
use Brookstone\Core\Wiring\Board;
use Brookstone\Core\Wiring\BoardKind;
use Brookstone\Core\Wiring\Join;
use Brookstone\Core\Wiring\Outline;
use Brookstone\Core\Wiring\PlacedBoard;
use Brookstone\Core\Wiring\WireSize;

/** The wiring sheet of a build: where everything on it lies, in millimetres of the sheet, and the tables of its wires and pins. */
final readonly class WiringSheet
{
    private const STUB_MM = 12.0;

    private const NAME_MM = 92.0; // room for a name beside a pin

    private const EDGE_MM = 12.0;

    private const OUT_MM = 34.0; // that a wire runs straight out before it bends

    private const LANES = 14; // beside one another along the edges

    private const LANE_MM = 1.8;

    private const TURN_MM = 9.0;

    private const BEND_MM = 3.0;

    private const BOARD_SUPPLY_A = 0.5;

    private Needs $needs;

    /** @var array<string, Signal> */
    private array $signals;

    /** @var array<string, string> by signal */
    private array $colours;

    public function __construct(private Build $build)
    {
        $this->needs = Needs::of($build);
        $this->signals = $this->needs->on($build->wiring);
        $this->colours = WireColours::of($build->wiring);
    }

    /** @return array<string, mixed> as Schemas has it */
    public function written(): array
    {
        $boards = array_values(array_map($this->board(...), $this->build->wiring->boards));
        $wires = array_values(array_map($this->wire(...), $this->build->wiring->joins));
        $left = min([0.0, ...array_map(fn (array $board): float => $board['x_mm'], $boards)]) - self::NAME_MM - self::EDGE_MM;
        $right = max([0.0, ...array_map(fn (array $board): float => $board['x_mm'] + $board['width_mm'], $boards)]) + self::NAME_MM + self::EDGE_MM;
        [$top, $bottom] = $boards === [] ? [0.0, 40.0] : $this->edges();
        $lanes = 2 * self::EDGE_MM + self::LANES * self::LANE_MM;
        $along = array_filter($wires, fn (array $wire): bool => array_filter($wire['paths'], fn (string $path): bool => str_contains($path, 'V')) !== []);
        [$top, $bottom] = $along !== [] ? [$top - $lanes, $bottom + $lanes] : [$top - self::EDGE_MM, $bottom + self::EDGE_MM];

        return ['x_mm' => $left, 'y_mm' => $top, 'width_mm' => $right - $left, 'height_mm' => $bottom - $top, 'boards' => $boards,
            'wires' => $wires, 'rows' => $this->rows(), 'pins' => $this->pins()];
    }

    private function nameOf(string $signal): string
    {
        return $this->needs->loads[$signal]->name ?? $this->signals[$signal]->name ?? $signal;
    }

    /** @return array<string, mixed> */
    private function board(PlacedBoard $board): array
    {
        $outline = Outline::of($board->board);
        $supply = $this->build->supplies[$board->supply];
        $pins = [];
        foreach ($outline->pins as $pin => $at) {
            $joins = array_values(array_filter($this->build->wiring->joins, fn (Join $join): bool => $this->touches($join, $board, (string) $pin)));
            $pins[] = ['pin' => (string) $pin, 'label' => $at['label'], 'x_mm' => $board->x_mm + $at['x_mm'], 'y_mm' => $board->y_mm + $at['y_mm'],
                'side' => $at['side'], 'number' => $joins[0]->number ?? null, 'twice' => count(array_filter($joins,
                    fn (Join $join): bool => $join->board === $board->id)) > 1];
        }

        return ['id' => $board->id, 'name' => $board->name, 'series' => $board->board->name, 'kind' => $board->board->kind->word(), 'x_mm' => $board->x_mm,
            'y_mm' => $board->y_mm, 'width_mm' => $outline->width_mm, 'height_mm' => $outline->height_mm, 'supply' => $board->supply,
            'fed' => $supply->name, 'address' => $board->address === null ? null : Board::address($board->address), 'pins' => $pins];
    }

    /** A join ends at a pin, or begins there: what tells a driver comes from the driver. */
    private function touches(Join $join, PlacedBoard $board, string $pin): bool
    {
        return $join->at() === "{$board->id}.{$pin}" || in_array("{$board->id}.{$pin}", array_map(fn (array $end): string => "{$end[0]->id}.{$end[1]}",
            $this->begins($join)), true);
    }

    /** @return list<array{PlacedBoard, string}> the boards that a join comes from, each with its pin; none of what stands off the boards */
    private function begins(Join $join): array
    {
        $parts = explode('.', $join->signal, 3);
        $boards = $this->build->wiring->boards;
        if ($parts[0] === 'boards') {
            return isset($boards[$parts[1]], $parts[2]) ? [[$boards[$parts[1]], $parts[2]]] : [];
        }
        $ends = [];
        foreach ($boards as $board) {
            $kind = str_replace('_', '-', $board->board->kind->value);
            if ($parts[0] === 'bus' && $board->board->kind->isOnBus()) {
                $ends[] = [$board, $join->signal];
            } elseif ($parts[0] === $kind && isset($parts[1])) {
                $ends[] = [$board, $parts[1]];
            }
        }

        return $ends;
    }

    /** @return array<string, mixed> */
    private function wire(Join $join): array
    {
        $board = $this->build->wiring->boards[$join->board] ?? null;
        $to = $board?->pinAt($join->pin);
        $paths = [];
        foreach ($this->begins($join) as [$from, $pin]) {
            $at = $from->pinAt($pin);
            $paths[] = $at === null || $to === null ? '' : $this->way($at, $to, [$from->id, $join->board], $join->number);
        }
        $isOff = $this->begins($join) === [];
        if ($to !== null && $isOff) {
            $paths[] = sprintf('M%.1f %.1fh%.1f', $to[0], $to[1], $to[2] * self::STUB_MM);
        }
        $colour = $this->colours[$join->signal];

        return ['number' => $join->number, 'signal' => $join->signal, 'name' => $this->nameOf($join->signal), 'board' => $join->board, 'pin' => $join->pin,
            'fixed' => $join->fixed, 'colour' => $colour, 'drawn' => WireColours::DRAWN[$colour], 'paths' => array_values(array_filter($paths)),
            'name_x_mm' => $to === null || ! $isOff ? null : $to[0] + $to[2] * (self::STUB_MM + 2.0), 'name_y_mm' => $to[1] ?? null, 'side' => $to[2] ?? null,
            'others' => $this->others($join)];
    }

    /**
     * Other pins that could have it and are free.
     *
     * @return list<array{board: string, pin: string, says: string}>
     */
    private function others(Join $join): array
    {
        $signal = $this->signals[$join->signal] ?? null;
        $load = $this->needs->loads[$join->signal] ?? null;
        $taken = array_flip(array_map(fn (Join $each): string => $each->at(), $this->build->wiring->joins));
        $others = [];
        foreach ($this->build->wiring->boards as $board) {
            foreach ($board->board->pins as $pin) {
                $fits = $signal !== null ? ! $board->board->kind->drives() && $signal->fits($board, $pin)
                    : $load !== null && $load->fits($board->board) && ($board->board->kind === BoardKind::Relay || $board->supply === $load->supply);
                if ($fits && ! isset($taken["{$board->id}.{$pin->name}"])) {
                    $others[] = ['board' => $board->id, 'pin' => $pin->name, 'says' => "{$board->name} {$pin->name}"];
                }
            }
        }

        return $others;
    }

    /**
     * A smooth line from pin to pin; where boards lie between, or a pin faces away, along the upper or lower edge of the sheet, beside the others
     * that go there.
     *
     * @param  array{float, float, int}  $from
     * @param  array{float, float, int}  $to
     * @param  array{string, string}  $ends  boards
     */
    private function way(array $from, array $to, array $ends, int $number): string
    {
        $along = $to[0] > $from[0] ? 1 : -1;
        if ($from[2] === $along && $to[2] === -$along && ! $this->isBarred($from, $to, $ends)) {
            $away = self::OUT_MM + 0.18 * abs($from[1] - $to[1]);

            return sprintf('M%.1f %.1fC%.1f %.1f %.1f %.1f %.1f %.1f', $from[0], $from[1], $from[0] + $from[2] * $away, $from[1],
                $to[0] + $to[2] * $away, $to[1],
                $to[0], $to[1]);
        }
        [$top, $bottom] = $this->edges();
        $beside = $number % self::LANES * self::LANE_MM;
        $y = $top + $bottom > $from[1] + $to[1] ? $top - self::EDGE_MM - $beside : $bottom + self::EDGE_MM + $beside;
        [$a, $b] = [$from[0] + $from[2] * (self::TURN_MM + $beside), $to[0] + $to[2] * (self::TURN_MM + $beside)];
        $round = $a < $b ? self::BEND_MM : -self::BEND_MM;
        $down = $y > $from[1] ? self::BEND_MM : -self::BEND_MM;

        return sprintf('M%.1f %.1fH%.1fQ%.1f %.1f %.1f %.1fV%.1fQ%.1f %.1f %.1f %.1fH%.1fQ%.1f %.1f %.1f %.1fV%.1fQ%.1f %.1f %.1f %.1fH%.1f',
            $from[0], $from[1], $a - $from[2] * self::BEND_MM, $a, $from[1], $a, $from[1] + $down, $y - $down, $a, $y, $a + $round, $y,
            $b - $round, $b, $y, $b, $y - $down, $to[1] + $down, $b, $to[1], $b - $to[2] * self::BEND_MM, $to[1], $to[0]);
    }

    /**
     * A board, or what is written beside it, lies between.
     *
     * @param  array{float, float, int}  $from
     * @param  array{float, float, int}  $to
     * @param  array{string, string}  $ends
     */
    private function isBarred(array $from, array $to, array $ends): bool
    {
        [$left, $right] = [min($from[0], $to[0]), max($from[0], $to[0])];
        [$low, $high] = [min($from[1], $to[1]), max($from[1], $to[1])];
        foreach ($this->build->wiring->boards as $board) {
            [$x, $y, $beyond, $under] = $board->box();
            if (! in_array($board->id, $ends, true) && $x < $right && $beyond > $left && $y < $high + 1.0 && $under > $low - 1.0) {
                return true;
            }
        }

        return false;
    }

    /** @return array{float, float} of all boards the uppermost and the lowest */
    private function edges(): array
    {
        $boxes = array_map(fn (PlacedBoard $board): array => $board->box(), array_values($this->build->wiring->boards));

        return [min([INF, ...array_column($boxes, 1)]), max([-INF, ...array_column($boxes, 3)])];
    }

    /**
     * Every wire, by its number: of what is fed at its end too, `7+` and `7−` beside `7`; of a motor both, `7a` and `7b`.
     *
     * @return list<array{number: string, from: string, to: string, colour: string, area_mm2: float, length_m: float, plug: string}>
     */
    public function rows(): array
    {
        $rows = [];
        $joins = $this->build->wiring->joins;
        usort($joins, fn (Join $a, Join $b): int => $a->number <=> $b->number);
        foreach ($joins as $join) {
            $board = $this->build->wiring->boards[$join->board] ?? null;
            $to = ($board->name ?? $join->board)." {$join->pin}";
            $load = $this->needs->loads[$join->signal] ?? null;
            $supply = $this->supplyOf($join, $board);
            $length = $this->build->wiring->length_m($join);
            $area = $join->area_mm2 ?? $this->area($join, $load, $supply, $length);
            $row = fn (string $end, string $from, string $at, string $colour): array => ['number' => $join->number.$end, 'from' => $from, 'to' => $at,
                'colour' => $colour,
                'area_mm2' => $area, 'length_m' => $length, 'plug' => $join->plug];
            $name = $this->nameOf($join->signal);
            $colour = $this->colours[$join->signal];
            array_push($rows, ...match ($this->form($join, $load, $board)) {
                'motor' => [$row('a', $name, $to, $colour), $row('b', $name, $to, "{$colour} with white")],
                'switched' => [$row('', $name, $to, $colour), $row('+', $name, "{$supply?->name} +", 'red')],
                'fed' => [$row('', $name, $to, $colour), $row('+', $name, $this->fedFrom($join), 'red'), $row('−', $name, 'Ground', 'black')],
                'grounded' => [$row('', $name, $to, $colour), $row('−', $name, 'Ground', 'black')],
                default => [$row('', $name, $to, $colour)],
            });
        }
        foreach ($this->build->wiring->boards as $board) {
            $supply = $this->build->supplies[$board->supply];
            $amps = $board->board->kind->drives() ? max($board->board->continuous_A * $board->board->channels, 0.1) : self::BOARD_SUPPLY_A;
            $area = WireSize::serving(min($amps, $supply->max_A), $this->build->wiring->lead_m, $supply->volts_V, Supply::sourceOf($supply,
                $this->build->supplies)->fuse_A);
            foreach (['+' => ['red', "{$supply->name} +"], '−' => ['black', 'Ground']] as $end => [$colour, $to]) {
                $rows[] = ['number' => "{$board->name} {$end}", 'from' => $board->name, 'to' => $to, 'colour' => $colour, 'area_mm2' => $area,
                    'length_m' => $this->build->wiring->lead_m, 'plug' => ''];
            }
        }

        return $rows;
    }

    private function supplyOf(Join $join, ?PlacedBoard $board): ?Supply
    {
        return $this->build->supplies[$this->needs->loads[$join->signal]->supply ?? $this->feedOf($join)->id ?? $board->supply ?? ''] ?? null;
    }

    /** What feeds that which hangs on a pin: a servo its own supply, a sensor the controller’s. */
    private function feedOf(Join $join): ?Supply
    {
        [$kind, $id] = [...explode('.', $join->signal), ''];

        return match ($kind) {
            'motions' => ($this->build->motions[$id] ?? null)?->drive?->supply,
            'outputs' => $this->build->supplies[$this->build->outputs[$id]->supply ?? ''] ?? null,
            default => null,
        } ?? $this->build->supplies[$this->build->wiring->controller()->supply ?? ''] ?? null;
    }

    /** Where the red wire of a sensor or servo goes. */
    private function fedFrom(Join $join): string
    {
        $controller = $this->build->wiring->controller();

        [$kind, $id] = [...explode('.', $join->signal), ''];
        $sensor = $kind === 'sensors' ? $this->build->sensors[$id] ?? null : null;
        $volts = $sensor?->kind === 'sonar' ? $sensor->puts_V() : null;

        return in_array($kind, ['motions', 'outputs'], true) || $controller === null ? ($this->feedOf($join)->name ?? '').' +'
            : "{$controller->name}, ".Quantity::of($volts ?? $controller->board->logic_V, 'V')->text();
    }

    private function form(Join $join, ?Load $load, ?PlacedBoard $board): string
    {
        [$kind, $id] = [...explode('.', $join->signal), ''];
        $sensor = $this->build->sensors[explode('.', $join->signal)[1] ?? ''] ?? null;

        return match (true) {
            $load !== null && in_array($board?->board->kind, [BoardKind::Bridge, BoardKind::Stepper], true) => 'motor',
            $load !== null => 'switched',
            str_ends_with($join->signal, '.trigger') => 'signal',
            ($this->build->outputs[$id]->kind ?? null) === 'servo_valve' && $kind === 'outputs' => 'fed',
            $kind === 'motions', $kind === 'encoders', $kind === 'sensors' && $sensor?->kind !== 'press' => 'fed',
            in_array($kind, ['switches', 'sensors', 'outputs'], true) => 'grounded',
            default => 'signal',
        };
    }

    private function area(Join $join, ?Load $load, ?Supply $supply, float $length): float
    {
        $motion = $this->build->motions[explode('.', $join->signal)[1] ?? ''] ?? null;
        $amps = $load->starts_A ?? (str_starts_with($join->signal, 'motions.') && $motion?->drive !== null ? $motion->drive->line()->stall_A : null);
        if ($amps === null || $supply === null) {
            return WireSize::telling($length, $this->build->wiring->controller()->board->logic_V ?? 5.0);
        }

        return WireSize::serving($amps, $length, $supply->volts_V, Supply::sourceOf($supply, $this->build->supplies)->fuse_A);
    }

    /** @return list<array{board: string, pin: string, can: string, number: int|null, says: string}> every pin of every board, in its order */
    public function pins(): array
    {
        $list = [];
        foreach ($this->build->wiring->boards as $board) {
            foreach ($board->board->pins as $pin) {
                $joins = array_values(array_filter($this->build->wiring->joins, fn (Join $join): bool => $join->at() === "{$board->id}.{$pin->name}"));
                $list[] = ['board' => $board->name, 'pin' => $pin->name, 'can' => implode(' ', array_map(fn (Ability $can): string => $can->value,
                    $pin->can)),
                    'number' => $joins[0]->number ?? null, 'says' => implode(', ', array_map(fn (Join $join): string => $this->nameOf($join->signal),
                        $joins))];
            }
        }

        return $list;
    }

    public function csv(): string
    {
        $head = ['number', 'from', 'to', 'colour', 'cross_section_mm2', 'length_m', 'plug'];
        $lines = array_map(fn (array $row): string => Csv::row([$row['number'], $row['from'], $row['to'], $row['colour'], $row['area_mm2'],
            $row['length_m'], $row['plug']]),
            $this->rows());

        return implode("\r\n", [Csv::row($head), ...$lines])."\r\n";
    }
}
