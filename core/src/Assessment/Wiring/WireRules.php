<?php

declare(strict_types=1);

namespace Brookstone\Core\Assessment\Wiring;

use Brookstone\Core\Drive\Stepper;
use Brookstone\Core\Finding\Change;
use Brookstone\Core\Finding\Fix;
use Brookstone\Core\Finding\Sentence;
use Brookstone\Core\Finding\Severity;
use Brookstone\Core\Parts\Supply;
use Brookstone\Core\Quantity\Constants;
use Brookstone\Core\Quantity\Quantity;
use Brookstone\Core\Wiring\Fuse;
use Brookstone\Core\Wiring\Join;
use Brookstone\Core\Wiring\Wire;
use Brookstone\Core\Wiring\WireSize;

/** Whether each wire bears what flows in it and loses little of it, and whether a fuse looks after the wires of each source. */
final readonly class WireRules
{
    private const START_S = 0.1; // a start that a quick fuse must bear

    public function __construct(private WiringContext $on)
    {
    }

    public function check(): void
    {
        foreach ($this->on->plan->joins as $join) {
            $amps = $this->amps($join);
            if ($amps !== null && $this->on->pinAt($join) !== null) {
                $this->wire($join, $amps[0], $amps[1]);
            } elseif ($amps === null && $join->area_mm2 !== null && isset($this->on->signals[$join->signal])) {
                $this->signalWire($join, $join->area_mm2);
            }
        }
        foreach ($this->on->build->supplies as $supply) {
            if ($supply->from === null && $this->loaded($supply)[0] > 0.0) {
                $this->fuse($supply);
            }
        }
    }

    /** @return array{float, Supply}|null what flows when it starts or is held, A, and from where */
    private function amps(Join $join): ?array
    {
        $motion = $this->on->build->motions[str_starts_with($join->signal, 'motions.') ? substr($join->signal, strlen('motions.')) : ''] ?? null;
        if ($motion?->drive !== null) {
            return [$motion->drive->motor instanceof Stepper ? $motion->drive->motor->phase_A : $motion->drive->line()->stall_A, $motion->drive->supply];
        }
        $load = $this->on->load($join->signal);
        $supply = $this->on->build->supplies[$load->supply ?? ''] ?? null;

        return $load === null || $supply === null ? null : [$load->starts_A, $supply];
    }

    private function wire(Join $join, float $amps, Supply $supply): void
    {
        $length = $this->on->plan->length_m($join);
        $serves = $this->serving($join, $amps, $supply);
        $area = $join->area_mm2 ?? $serves;
        $path = $this->on->pathOfWire($join).'.area_mm2';
        $wire = new Wire($length, $area, $amps, $supply->volts_V);
        $values = ['number' => Quantity::number($join->number), 'area' => Quantity::of($area, 'mm²'), 'amps' => Quantity::of($amps, 'A'),
            'bears' => Quantity::of(WireSize::bears_A($area), 'A'), 'lost' => Quantity::share($wire->drop_fraction),
            'most' => Quantity::share(WireSize::MOTORS)];
        $mends = fn (): array => $join->area_mm2 === null ? [] : [new Fix(new Sentence('Take {area} for wire {number}',
            ['area' => Quantity::of($serves, 'mm²'),
                'number' => Quantity::number($join->number)]), [new Change($path, null)])];
        $motion = $this->on->motionOf($join->signal);
        if ($join->plug !== '' && $join->plug_A !== null && $amps > $join->plug_A * (1 + Constants::TIE)) {
            $plug = Sentence::quote($join->plug);
            $this->on->find('wiring.plug_over', Severity::Fails, $this->on->pathOfWire($join).'.plug',
                "The plug {$plug} in wire {number} to {$this->on->named($join->signal)} bears {contact}, and {amps} can flow in it.",
                ['contact' => Quantity::of($join->plug_A, 'A')] + $values, fn (): array => [], $motion);
        }
        if ($amps > WireSize::bears_A($area) * (1 + Constants::TIE)) {
            $this->on->find('wiring.wire_hot', Severity::Fails, $path, "Wire {number} to {$this->on->named($join->signal)}, {area}, bears {bears} for good, and {amps} can flow in it.",
                $values, $mends, $motion);
        } elseif ($wire->drop_fraction > WireSize::MOTORS * (1 + Constants::TIE)) {
            $this->on->find('wiring.wire_thin', Severity::Tight, $path, "Wire {number} to {$this->on->named($join->signal)}, {area}, loses {lost} of the volts at the start, more than {most}.",
                $values, $mends, $motion);
        }
    }

    /** A wire that only tells something, of a cross-section that somebody chose. */
    private function signalWire(Join $join, float $area): void
    {
        $board = $this->on->boardAt($join);
        $logic = $this->on->plan->controller()->board->logic_V ?? $board->board->logic_V ?? 0.0;
        $wire = $logic <= 0.0 ? null : new Wire($this->on->plan->length_m($join), $area, WireSize::LOGIC_A, $logic);
        if ($wire === null || $wire->drop_fraction <= WireSize::LOGIC * (1 + Constants::TIE)) {
            return;
        }
        $path = $this->on->pathOfWire($join).'.area_mm2';
        $this->on->find('wiring.wire_thin', Severity::Tight, $path, "Wire {number} to {$this->on->named($join->signal)}, {area}, loses {lost} of the {logic} that tell it, more than {most}.",
            ['number' => Quantity::number($join->number), 'area' => Quantity::of($area, 'mm²'), 'lost' => Quantity::share($wire->drop_fraction),
                'logic' => Quantity::of($logic, 'V'), 'most' => Quantity::share(WireSize::LOGIC)],
            fn (): array => [new Fix(new Sentence('Let wire {number} be as thick as it needs', ['number' => Quantity::number($join->number)]),
                [new Change($path, null)])], $this->on->motionOf($join->signal));
    }

    private function serving(Join $join, float $amps, Supply $supply): float
    {
        return WireSize::serving($amps, $this->on->plan->length_m($join), $supply->volts_V, Supply::sourceOf($supply, $this->on->build->supplies)->fuse_A);
    }

    /** @return array{float, float} the largest start of what hangs on a source, A, and what all of it draws while it runs, together no more than that gives */
    private function loaded(Supply $supply): array
    {
        $most = $runs = 0.0;
        foreach ($this->on->plan->joins as $join) {
            $amps = $this->amps($join);
            if ($amps !== null && Supply::sourceOf($amps[1], $this->on->build->supplies)->id === $supply->id) {
                $most = max($most, $amps[0]);
                $runs += $this->on->load($join->signal)->runs_A ?? $amps[0] * $this->on->build->settings->motor_continuous_share;
            }
        }

        return [$most, min($runs, $supply->max_A)];
    }

    private function fuse(Supply $supply): void
    {
        $path = $this->on->pathOfSupply($supply->id).'.fuse_A';
        [$start, $runs] = $this->loaded($supply);
        $bears = $this->thinnest($supply);
        $fuse = new Fuse($runs, $start, self::START_S, $bears);
        $put = fn (float $rating): Fix => new Fix(new Sentence('Put a '.($fuse->slow ? 'slow ' : '')."fuse of {rating} into the lead of {$supply->named()}",
            ['rating' => Quantity::of($rating, 'A')]), [new Change($path, $rating)]);
        $mends = fn (): array => array_map($put, array_values(array_unique(array_filter([$fuse->rating_A, self::largest($bears)],
            fn (?float $rating): bool => $rating !== null && $rating !== $supply->fuse_A))));
        $values = ['fuse' => Quantity::of($supply->fuse_A ?? 0.0, 'A'), 'bears' => Quantity::of(is_finite($bears) ? $bears : 0.0, 'A'),
            'runs' => Quantity::of($runs, 'A'),
            'gives' => Quantity::of($supply->max_A, 'A'), 'share' => Quantity::share(Fuse::CONTINUOUS)];
        if ($supply->fuse_A === null) {
            $this->on->find('wiring.no_fuse', Severity::Tight, $path, "No fuse is in the lead of {$supply->named()}: {gives} can flow in its wires, and {runs} is what they are there for.",
                $values, $mends);
        } elseif ($supply->fuse_A > $bears * (1 + Constants::TIE)) {
            $this->on->find('wiring.fuse_over_wire', Severity::Fails, $path, "The fuse of {$supply->named()}, {fuse}, lets more through than the thinnest wire behind it bears, {bears}.",
                $values, $mends);
        } elseif ($supply->fuse_A * Fuse::CONTINUOUS < $runs * (1 - Constants::TIE)) {
            $this->on->find('wiring.fuse_blows', Severity::Tight, $path, "The fuse of {$supply->named()}, {fuse}, is run with {runs}: more than {share} of its rating.",
                $values, $mends);
        }
    }

    /** What the thinnest of the wires behind a source bears whose cross-section somebody chose, A; all others are as thick as its fuse asks for. */
    private function thinnest(Supply $supply): float
    {
        $least = INF;
        foreach ($this->on->plan->joins as $join) {
            $amps = $this->amps($join);
            if ($amps !== null && $join->area_mm2 !== null && Supply::sourceOf($amps[1], $this->on->build->supplies)->id === $supply->id) {
                $least = min($least, WireSize::bears_A($join->area_mm2));
            }
        }

        return $least;
    }

    /** The largest fuse of the row that is not over it. */
    private static function largest(float $bears_A): ?float
    {
        $under = is_finite($bears_A) ? array_filter(Fuse::ROW, fn (float $rating): bool => $rating <= $bears_A * (1 + Constants::TIE)) : [];

        return $under === [] ? null : max($under);
    }
}
