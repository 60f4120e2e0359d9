<?php

declare(strict_types=1);

namespace Brookstone\Core\Wiring;

use Brookstone\Core\Shape\BooleanShape;
use Brookstone\Core\Shape\ChoiceShape;
use Brookstone\Core\Shape\Field;
use Brookstone\Core\Shape\ListShape;
use Brookstone\Core\Shape\NumberShape;
use Brookstone\Core\Shape\RecordShape;
use Brookstone\Core\Shape\TextShape;

/** The boards of a build and what is wired to their pins. */
final readonly class WiringPlan
{
    public const MOST_BOARDS = 60;

    public const MOST_WIRES = 600;

    public const LEAD_M = 0.5;

    /** @var list<string> of wires, each told from every other in poor light; black is ground and red is supply alone */
    public const COLOURS = ['yellow', 'green', 'blue', 'violet', 'orange', 'white', 'grey', 'brown', 'pink', 'turquoise'];

    /** @var array<string, Join> by signal; of two for one signal the first */
    public array $bySignal;

    /**
     * @param  array<string, PlacedBoard>  $boards  by id
     * @param  list<Join>  $joins
     * @param  float  $lead_m  length of a wire to what stands off the boards, where it is not said
     * @param  bool  $sleeps  its controller sleeps while nothing is to be done
     * @param  list<string>  $done  steps of the assembly
     */
    public function __construct(public array $boards = [], public array $joins = [], public float $lead_m = self::LEAD_M, public bool $sleeps = false,
        public array $done = [])
    {
        $bySignal = [];
        foreach ($joins as $join) {
            $bySignal[$join->signal] ??= $join;
        }
        $this->bySignal = $bySignal;
    }

    public static function shape(): RecordShape
    {
        $millimetres = NumberShape::between(-5000.0, 5000.0);

        return new RecordShape([
            'boards' => Field::or([], new ListShape(new RecordShape([
                'id' => Field::needed(TextShape::id()),
                'name' => Field::needed(TextShape::name(), 'What is written on it.'),
                'board' => Field::needed(Board::shape(), 'The board, with all its data.'),
                'supply' => Field::needed(TextShape::id(), 'The supply that feeds it; of a driver, what it drives.'),
                'address' => Field::or(null, NumberShape::whole(0, 127)->orNull(), 'On the bus.'),
                'x_mm' => Field::or(0.0, $millimetres, 'Where it lies on the sheet.'),
                'y_mm' => Field::or(0.0, $millimetres),
            ], 'PlacedBoard'), 0, self::MOST_BOARDS, 'boards'), 'Controllers, drivers, and what makes more pins.'),
            'wires' => Field::or([], new ListShape(new RecordShape([
                'number' => Field::needed(NumberShape::whole(1, 9999), 'It stands on both ends.'),
                'signal' => Field::needed(new TextShape(1, 140), 'What it carries: motions.lift, switches.top, boards.bridge.A.way-1.'),
                'board' => Field::needed(TextShape::id(), 'Where it leads.'),
                'pin' => Field::needed(new TextShape(1, 8)),
                'fixed' => Field::or(false, new BooleanShape, 'It is never moved.'),
                'colour' => Field::or(null, ChoiceShape::of(...self::COLOURS)->orNull(), 'Empty is the usual one.'),
                'area_mm2' => Field::or(null, NumberShape::between(0.01, 50.0)->orNull(), 'Of its copper; empty is what serves.'),
                'length_m' => Field::or(null, NumberShape::between(0.001, 200.0)->orNull(), 'One way; empty is what the sheet says.'),
                'plug' => Field::or('', new TextShape(0, 40), 'Between its ends.'),
                'plug_A' => Field::or(null, NumberShape::positive(200.0)->orNull(), 'What a contact of the plug bears; empty where nobody said.'),
            ], 'Join'), 0, self::MOST_WIRES, 'wires')),
            'lead_m' => Field::or(self::LEAD_M, NumberShape::between(0.01, 100.0), 'Length of a wire to what stands off the boards, where it is not said.'),
            'sleeps' => Field::or(false, new BooleanShape, 'The controller sleeps while nothing is to be done.'),
            'done' => Field::or([], new ListShape(new TextShape(1, 80), 0, 400, 'steps'), 'Steps of the assembly that are done.'),
        ], 'Wiring');
    }

    /** @param  array<string, mixed>  $read  by shape(), each board one that can be */
    public static function make(array $read): self
    {
        $boards = [];
        foreach ($read['boards'] as $each) {
            $boards[$each['id']] = new PlacedBoard(...['board' => new Board(...$each['board'])] + $each);
        }

        return new self($boards, array_values(array_map(fn (array $wire): Join => new Join(...$wire), $read['wires'])), $read['lead_m'], $read['sleeps'],
            $read['done']);
    }

    /** The same with a board in the place of the one of that name. */
    public function with(PlacedBoard $board): self
    {
        return new self([...$this->boards, $board->id => $board], $this->joins, $this->lead_m, $this->sleeps, $this->done);
    }

    public function isEmpty(): bool
    {
        return $this->boards === [] && $this->joins === [];
    }

    public function controller(): ?PlacedBoard
    {
        foreach ($this->boards as $board) {
            if ($board->board->kind === BoardKind::Controller) {
                return $board;
            }
        }

        return null;
    }

    /** What carries a signal; null where it leads nowhere that there is. */
    public function at(string $signal): ?PlacedBoard
    {
        $join = $this->bySignal[$signal] ?? null;
        $board = $join === null ? null : $this->boards[$join->board] ?? null;

        return $join !== null && isset($board?->board->pins[$join->pin]) ? $board : null;
    }

    /** How long the wire of a signal is, one way, m. */
    public function length_m(Join $join): float
    {
        return $join->length_m ?? $this->lead_m;
    }
}
