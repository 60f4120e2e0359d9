<?php

declare(strict_types=1);

namespace Brookstone\Core\Assessment\Wiring;

use Brookstone\Core\Allotment\Load;
use Brookstone\Core\Assessment\Subject\MotionInBuild;
use Brookstone\Core\Drive\AirCylinder;
use Brookstone\Core\Drive\Servo;
use Brookstone\Core\Drive\Stepper;
use Brookstone\Core\Finding\Change;
use Brookstone\Core\Finding\Fix;
use Brookstone\Core\Finding\Sentence;
use Brookstone\Core\Finding\Severity;
use Brookstone\Core\Parts\Motion;
use Brookstone\Core\Quantity\Constants;
use Brookstone\Core\Quantity\Quantity;
use Brookstone\Core\Wiring\Board;
use Brookstone\Core\Wiring\BoardKind;
use Brookstone\Core\Wiring\Join;
use Brookstone\Core\Wiring\PlacedBoard;

/** Whether the channel that carries a load bears it and can do all that is asked of it, and what is left of the volts at its end. */
final readonly class DriverRules
{
    private const RELAY_LASTS = 100_000.0; // changes of a small relay under load (IEC 61810-1, usual rating)

    private const RELAY_DAYS = 365.0;

    private const LOST = 0.1; // of the volts, at the start: more is worth saying

    public function __construct(private WiringContext $on)
    {
    }

    public function check(): void
    {
        foreach ($this->on->plan->joins as $join) {
            $load = $this->on->load($join->signal);
            $board = $this->on->boardAt($join);
            if ($load !== null && $board !== null && $board->board->kind->drives() && $this->on->pinAt($join) !== null) {
                $this->load($join, $load, $board);
                $motion = $this->on->build->motions[$load->motion ?? ''] ?? null;
                if ($motion !== null) {
                    $this->motion($motion, $load, $board);
                }
            }
        }
        foreach ($this->on->subjects as $subject) {
            $this->volts($subject);
        }
    }

    private function load(Join $join, Load $load, PlacedBoard $board): void
    {
        $on = $this->on;
        $it = Sentence::quote($load->name);
        $at = "{$board->named()} {$join->pin}";
        $path = $on->pathOfBoard($board->id).'.board';
        $values = ['volts' => Quantity::of($load->volts_V, 'V'), 'starts' => Quantity::of($load->starts_A, 'A'), 'runs' => Quantity::of($load->runs_A, 'A'),
            'peak' => Quantity::of($board->board->peak_A, 'A'), 'bears' => Quantity::of($board->board->continuous_A, 'A'),
            'low' => Quantity::of($board->board->low_V, 'V'), 'high' => Quantity::of($board->board->high_V, 'V')];
        $others = array_values(array_filter(array_map(fn (Join $each): ?Load => $each->board === $board->id ? $on->load($each->signal) : null,
            $on->plan->joins)));
        $another = fn (): array => $on->instead($board, fn (Board $other): bool => array_filter($others,
            fn (Load $each): bool => ! $each->fits($other)) === []);
        if ($load->volts_V < $board->board->low_V * (1 - Constants::TIE) || $load->volts_V > $board->board->high_V * (1 + Constants::TIE)) {
            $on->find('wiring.driver_volts', Severity::Fails, $path, "{$it} gets {volts} through {$at}, which takes {low} to {high}.", $values, $another,
                $load->motion);
        }
        if ($load->starts_A > $board->board->peak_A * (1 + Constants::TIE)) {
            $on->find('wiring.driver_stall', Severity::Fails, $path, "{$it} draws {starts} when it starts or is held, and {$at} bears {peak}.", $values, $another, $load->motion);
        } elseif ($load->runs_A > $board->board->continuous_A * (1 + Constants::TIE)) {
            $on->find('wiring.driver_runs', Severity::Fails, $path, "{$it} draws {runs} on the average while it runs, and {$at} bears {bears} for good.", $values, $another,
                $load->motion);
        }
        if ($load->isCoil && ! $board->board->diode) {
            $on->find('wiring.no_diode', Severity::Fails, $path, "{$it} gives its current back when it is switched off, and {$at} has no diode for that.", [],
                fn (): array => [new Fix(new Sentence("Put a diode across {$it}, its stripe to the supply"), [new Change("{$path}.diode", 'yes')]),
                    ...$another()],
                $load->motion);
        }
        if ($load->speed && ! $board->board->speed) {
            $on->find('wiring.no_speed', Severity::Fails, $path, "The speed of {$it} is set, and {$at} only switches it on and off.", [], $another,
                $load->motion);
        }
    }

    private function motion(Motion $motion, Load $load, PlacedBoard $board): void
    {
        $on = $this->on;
        $path = $on->pathOfBoard($board->id).'.board';
        $it = Sentence::quote($load->name);
        if (in_array($board->board->kind, [BoardKind::Single, BoardKind::Relay], true) && ! $motion->isOneWay()
            && ! $motion->drive?->motor instanceof AirCylinder) { // its valve has a coil for each way
            $on->find('wiring.one_way', Severity::Fails, $path, "{$it} must come back, and {$board->named()} turns it one way only.", [], fn (): array => [],
                $motion->id);
        }
        $changes = 2 * $motion->task->per_day;
        if ($board->board->kind === BoardKind::Relay && $changes * self::RELAY_DAYS > self::RELAY_LASTS * (1 + Constants::TIE)) {
            $on->find('wiring.relay_often', Severity::Tight, $path, "The relay of {$it} switches {often} times a day: with {lasts} it lasts {days} days.", [
                'often' => Quantity::number($changes), 'lasts' => Quantity::number(self::RELAY_LASTS),
                'days' => Quantity::number(floor(self::RELAY_LASTS / $changes)),
            ], fn (): array => [], $motion->id);
        }
        if ($motion->task->knocked && $motion->drive !== null && ! $motion->drive->motor->locks() && $motion->train->backEfficiency() > 0.0
            && ! $motion->drive->motor instanceof Servo) {
            $supply = $motion->drive->supply;
            $on->find('wiring.fed_back', Severity::Note, $path, "When somebody pushes {$motion->named()}, its motor feeds back into {$board->named()}: "
                ."{$supply->named()} may rise above its {volts}.", ['volts' => Quantity::of($supply->volts_V, 'V')], fn (): array => [], $motion->id);
        }
    }

    /** What is left of the volts at the start of the move; and whether the move goes wrong by what is lost. */
    private function volts(MotionInBuild $subject): void
    {
        $on = $this->on;
        $drive = $subject->motion->drive;
        if ($drive === null || $drive->lost_V + $drive->lead_ohm === 0.0 || $drive->motor instanceof Stepper) {
            return;
        }
        $lost = $drive->lost_V + $drive->lead_ohm * $drive->line()->stall_A;
        $share = $lost / $drive->supply->volts_V;
        $join = $on->plan->bySignal["motions.{$subject->motion->id}"] ?? null;
        $board = $join === null ? null : $on->boardAt($join);
        if ($join === null || $board === null || $share <= self::LOST * (1 + Constants::TIE)) {
            return;
        }
        $bare = $subject->with($subject->motion->withDrive($drive->but(['lost_V' => 0.0, 'lead_ohm' => 0.0])));
        [$with, $without] = [$this->holds($subject), $this->holds($bare)];
        $values = ['lost' => Quantity::of($lost, 'V'), 'volts' => Quantity::of($drive->supply->volts_V, 'V'),
            'left' => Quantity::of($drive->supply->volts_V - $lost, 'V'),
            'margin' => Quantity::number($subject->facts->margin() ?? 0.0), 'had' => Quantity::number($bare->facts->margin() ?? 0.0)];
        $mends = fn (): array => [...$this->thicker($join, $drive->supply->volts_V, $drive->line()->stall_A), ...$this->lossless($board, $join)];
        if ($without && ! $with) {
            $on->find('wiring.lost_fails', Severity::Fails, $on->pathOfWire($join), "{$board->named()} and the wires take {lost} of {volts} when {$subject->motion->named()} "
                .'starts: it has {margin} × what it needs, and would have {had} × without that.', $values, $mends, $subject->motion->id);
        } else {
            $on->find('wiring.volts_lost', Severity::Note, $on->pathOfWire($join), "{$board->named()} and the wires take {lost} of {volts} when "
                ."{$subject->motion->named()} starts.", $values, fn (): array => [], $subject->motion->id);
        }
    }

    private function holds(MotionInBuild $subject): bool
    {
        $needed = $subject->build->settings->peak_margin;
        $time = $subject->facts->time($subject->motion->task->from, $subject->motion->task->to);

        return ($subject->facts->margin() ?? INF) >= $needed && $time !== null && $time <= $subject->motion->task->move_s * (1 + Constants::TIE);
    }

    /** @return list<Fix> */
    private function thicker(Join $join, float $volts, float $amps): array
    {
        return $join->area_mm2 === null ? [] : [new Fix(new Sentence('Take a wire that is thick enough for wire {number}',
            ['number' => Quantity::number($join->number)]),
            [new Change($this->on->pathOfWire($join).'.area_mm2', null)])];
    }

    /** @return list<Fix> a board that loses less */
    private function lossless(PlacedBoard $board, Join $join): array
    {
        $load = $this->on->load($join->signal);

        return $load === null ? [] : $this->on->instead($board, fn (Board $other): bool => $load->fits($other)
            && $other->lost_V + $other->lost_ohm * $load->starts_A < ($board->board->lost_V + $board->board->lost_ohm * $load->starts_A) / 2);
    }
}
