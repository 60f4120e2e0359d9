<?php

declare(strict_types=1);

namespace Brookstone\Core\Assessment\Wiring;

use Brookstone\Core\Allotment\Allotment;
use Brookstone\Core\Allotment\Allotter;
use Brookstone\Core\Allotment\Load;
use Brookstone\Core\Allotment\Needs;
use Brookstone\Core\Allotment\Signal;
use Brookstone\Core\Assessment\Subject\DriveFigures;
use Brookstone\Core\Assessment\Subject\MotionInBuild;
use Brookstone\Core\Build\Build;
use Brookstone\Core\Drive\Stepper;
use Brookstone\Core\Finding\Change;
use Brookstone\Core\Finding\Finding;
use Brookstone\Core\Finding\Fix;
use Brookstone\Core\Finding\Sentence;
use Brookstone\Core\Finding\Severity;
use Brookstone\Core\Quantity\Quantity;
use Brookstone\Core\Wiring\Board;
use Brookstone\Core\Wiring\BoardKind;
use Brookstone\Core\Wiring\BoardStock;
use Brookstone\Core\Wiring\Join;
use Brookstone\Core\Wiring\Pin;
use Brookstone\Core\Wiring\PlacedBoard;
use Brookstone\Core\Wiring\WiringPlan;

/** What the rules of the wiring share: the build, what it needs, what is wired, and where their findings go. */
final class WiringContext
{
    public readonly WiringPlan $plan;

    public readonly Needs $needs;

    /** @var array<string, Signal> all that needs a pin, by key: what drivers in use are told by too */
    public readonly array $signals;

    /** @var array<string, list<Finding>> by motion; of none under an empty name */
    private array $findings = [];

    private ?Allotment $allotment = null;

    /**
     * @param  array<string, MotionInBuild>  $subjects  by motion
     * @param  bool  $proposes  what would mend it is looked for too
     */
    public function __construct(public readonly Build $build, public readonly array $subjects, public readonly BoardStock $stock,
        private readonly bool $proposes)
    {
        $this->plan = $build->wiring;
        $this->needs = self::needsOf($build, $subjects);
        $this->signals = $this->needs->on($this->plan);
    }

    /**
     * What a build needs, with what its motors draw in their moves.
     *
     * @param  array<string, MotionInBuild>  $subjects  by motion
     */
    public static function needsOf(Build $build, array $subjects): Needs
    {
        $runs = [];
        foreach ($subjects as $id => $subject) {
            if ($subject->motion->drive !== null && ! $subject->motion->drive->motor instanceof Stepper) {
                $figures = DriveFigures::of($subject);
                $runs[$id] = $figures->line->currentAt($figures->rms_motor_Nm);
            }
        }

        return Needs::of($build, $runs);
    }

    /** What it would take to wire all that is not wired. */
    public function allotment(): Allotment
    {
        return $this->allotment ??= Allotter::of($this->needs, $this->plan, $this->stock);
    }

    public function load(string $signal): ?Load
    {
        return $this->needs->loads[$signal] ?? null;
    }

    public function motionOf(string $signal): ?string
    {
        return $this->needs->loads[$signal]->motion ?? $this->signals[$signal]->motion ?? null;
    }

    /** How it is called in a sentence. */
    public function named(string $signal): string
    {
        return Sentence::quote($this->needs->loads[$signal]->name ?? $this->signals[$signal]->name ?? $signal);
    }

    public function boardAt(Join $join): ?PlacedBoard
    {
        return $this->plan->boards[$join->board] ?? null;
    }

    public function pinAt(Join $join): ?Pin
    {
        return $this->boardAt($join)?->board->pins[$join->pin] ?? null;
    }

    public function pathOfBoard(string $id): string
    {
        return 'wiring.boards.'.(int) array_search($id, array_keys($this->plan->boards), true);
    }

    public function pathOfWire(Join $join): string
    {
        return 'wiring.wires.'.(int) array_search($join, $this->plan->joins, true);
    }

    public function pathOfSupply(string $id): string
    {
        return 'supplies.'.(int) array_search($id, array_keys($this->build->supplies), true);
    }

    public function pathOf(string $list, string $id): string
    {
        return "{$list}.".(int) array_search($id, array_column($this->build->document[$list], 'id'), true);
    }

    /**
     * @param  array<string, Quantity>  $values
     * @param  \Closure(): list<Fix>  $mends
     */
    public function find(string $code, Severity $severity, string $place, string $says, array $values, \Closure $mends, ?string $motion = null): void
    {
        $this->findings[$motion ?? ''][] = new Finding($code, $severity, $place, new Sentence($says, $values), $this->proposes ? $mends() : []);
    }

    /** @return list<Finding> of one motion; of none in particular */
    public function of(?string $motion): array
    {
        return $this->findings[$motion ?? ''] ?? [];
    }

    /** @return list<Fix> another pin that is free and can do it, the controller's first */
    public function toFreePin(Join $join): array
    {
        $signal = $this->signals[$join->signal] ?? null;
        $taken = array_flip(array_map(fn (Join $each): string => $each->at(), $this->plan->joins));
        if ($signal === null) {
            return [];
        }
        foreach ($this->plan->boards as $board) {
            foreach ($board->board->kind->drives() ? [] : $board->board->pins as $pin) {
                if (! isset($taken["{$board->id}.{$pin->name}"]) && $signal->fits($board, $pin)) {
                    $path = $this->pathOfWire($join);

                    return [new Fix(new Sentence("Put {$this->named($join->signal)} on {$board->named()} {$pin->name}"),
                        [new Change("{$path}.board", $board->id), new Change("{$path}.pin", $pin->name)])];
                }
            }
        }

        return [];
    }

    /** @return list<Fix> everything that is not wired gets its channel and its pin; if need be on another controller, on which every wire finds its pin */
    public function wiresRest(): array
    {
        $document = $this->build->document['wiring'];
        if ($this->allotment()->short === []) {
            return $this->allotment()->isNothing() ? [] : [new Fix(new Sentence('Wire what is not wired'.self::adding($this->allotment())),
                self::changes($document['boards'], $document['wires'], $this->allotment()))];
        }
        $there = $this->plan->controller();
        if ($there === null) {
            return [];
        }
        $wired = array_filter($this->plan->joins, fn (Join $join): bool => $join->board === $there->id);
        $others = $this->stock->of(BoardKind::Controller);
        uasort($others, fn (Board $a, Board $b): int => $a->cost <=> $b->cost);
        foreach ($others as $other) {
            if (array_filter($wired, fn (Join $join): bool => ! isset($other->pins[$join->pin])) !== []) {
                continue;
            }
            $instead = new PlacedBoard($there->id, $there->name, $other, $there->supply, null, $there->x_mm, $there->y_mm);
            $allotment = Allotter::of($this->needs, $this->plan->with($instead), $this->stock);
            if ($allotment->short === []) {
                $boards = $document['boards'];
                $boards[(int) array_search($there->id, array_column($boards, 'id'), true)]['board'] = $other->write();

                $takes = 'Take '.Sentence::quote($other->name)." for {$there->named()}, and wire what is not wired";

                return [new Fix(new Sentence($takes.self::adding($allotment)),
                    self::changes($boards, $document['wires'], $allotment))];
            }
        }

        return [];
    }

    /** “, with 2 bridge boards H2 small more” */
    private static function adding(Allotment $allotment): string
    {
        return $allotment->boards === [] ? '' : ', with '.Allotter::counted(array_map(fn (PlacedBoard $board): Board => $board->board, $allotment->boards)).' more';
    }

    /**
     * The lists of boards and wires with what an allotment adds to them.
     *
     * @param  list<array<string, mixed>>  $boards  as the document has them
     * @param  list<array<string, mixed>>  $wires
     * @return array{Change, Change}
     */
    public static function changes(array $boards, array $wires, Allotment $allotment): array
    {
        foreach ($allotment->boards as $board) {
            $boards[] = ['id' => $board->id, 'name' => $board->name, 'board' => $board->board->write(), 'supply' => $board->supply,
                'address' => $board->address,
                'x_mm' => $board->x_mm, 'y_mm' => $board->y_mm];
        }
        foreach ($allotment->joins as $join) {
            $wires[] = ['number' => $join->number, 'signal' => $join->signal, 'board' => $join->board, 'pin' => $join->pin, 'fixed' => false,
                'colour' => null,
                'area_mm2' => null, 'length_m' => null, 'plug' => '', 'plug_A' => null];
        }

        return [new Change('wiring.boards', $boards), new Change('wiring.wires', $wires)];
    }

    /**
     * Another board in the place of one, on which everything that is wired to it finds its pin again.
     *
     * @param  \Closure(Board): bool  $serves
     * @return list<Fix> the cheapest that serves
     */
    public function instead(PlacedBoard $board, \Closure $serves): array
    {
        $wired = array_filter($this->plan->joins, fn (Join $join): bool => $join->board === $board->id);
        $best = null;
        foreach ($this->stock->of($board->board->kind) as $other) {
            $holds = array_filter($wired, fn (Join $join): bool => ! isset($other->pins[$join->pin])) === [];
            if ($holds && $serves($other) && ($best === null || $other->cost < $best->cost)) {
                $best = $other;
            }
        }

        return $best === null ? [] : [new Fix(new Sentence('Take '.Sentence::quote($best->name)." for {$board->named()}"),
            [new Change("{$this->pathOfBoard($board->id)}.board", $best->write())])];
    }
}
