<?php

declare(strict_types=1);

namespace Brookstone\Core\Simulation;

use Brookstone\Core\Build\Build;
use Brookstone\Core\Build\OtherLoads;
use Brookstone\Core\Parts\Supply;
use Brookstone\Core\Quantity\Constants;

/**
 * One supply during a run: a source, or a rail that another feeds through a converter. Asked for more than its largest current it gives so much less that
 * no more flows, hardly anything, or nothing from then on; what its resistance takes is gone before that. A capacitor across it gives what is missing
 * for as long as its charge lasts, I = C·dV/dt. What it gives is summed up: a battery gives less volts with each hundredth that is gone, and nothing once
 * it is cut off.
 */
final class SupplyState
{
    private const LEAST_SHARE = 0.2; // of its voltage, that an overloaded supply still gives

    private const SAGS = 0.9; // of its voltage: less counts as sagging

    private const C_PER_AH = 3600.0;

    private const SAME_SAG_S = 0.1; // a dip so soon after another is the same one

    private const TRIES = 12;

    private const NEAR = 1e-6;

    private const FALLS_BY = 0.01; // of a battery’s charge: then it is looked at again

    private float $set = 1.0;   // share of its voltage, as the scenario has it, and less as a battery empties

    private float $left = 1.0;  // of a battery’s charge, when it was last looked at

    private float $left_at_C = 0.0;

    private float $outputs_A = 0.0; // what outputs that are on take at its full voltage

    private float $passing_A = 0.0; // what of that ends by itself

    private float $top = 1.0;   // that it gives without load: less where what feeds it gives less

    private float $gives = 1.0;

    private bool $tripped = false;

    private float $onFrom_s = 0.0; // of one that an output switches: once it has settled

    private float $others_A = 0.0; // what rails that it feeds take of it now

    private float $asked_A = 0.0; // at its full voltage

    private float $flows_A = 0.0;

    private float $sagged_at_s = -INF;

    private float $peak_A = 0.0;

    private float $peak_at_s = 0.0;

    private float $charge_C = 0.0;

    /** @var list<float> A */
    private array $samples = [];

    /** @var list<self> rails that it feeds */
    private array $rails = [];

    private ?self $from = null;

    /**
     * @param  list<Axis>  $axes  the motions that it feeds
     * @param  float  $always_A  that boards and sensors on it take
     */
    public function __construct(public readonly Supply $supply, private readonly array $axes, private readonly float $always_A = 0.0)
    {
        $this->left = $supply->dischargeCurve()->left(1.0);
    }

    /**
     * All supplies of a build, what feeds others before those.
     *
     * @param  array<string, Axis>  $axes
     * @return array<string, self> by supply, in the order of the build
     */
    public static function all(Build $build, array $axes): array
    {
        $others = new OtherLoads($build);
        $all = array_map(fn (Supply $supply): self => new self($supply, array_values(array_filter($axes,
            fn (Axis $axis): bool => $axis->motion->drive?->supply->id === $supply->id)), $others->standing_A($supply->id)), $build->supplies);
        foreach ($all as $state) {
            $state->from = $all[$state->supply->from ?? ''] ?? null;
            if ($state->from !== null) {
                $state->from->rails[] = $state;
            }
        }

        return $all;
    }

    /** @param  float  $share  of its voltage, from now on */
    public function isSetTo(float $share): void
    {
        $this->set = $share;
        $this->left = $this->supply->dischargeCurve()->left($share);
        $this->left_at_C = $this->charge_C;
    }

    /**
     * @param  float  $amps  what outputs take of it from now on, at its full voltage
     * @param  float  $passing_A  what of that ends by itself
     */
    public function feedsOutputs(float $amps, float $passing_A): void
    {
        $this->outputs_A = $amps;
        $this->passing_A = $passing_A;
    }

    /** What flows now and goes on flowing if nobody does anything, A: without what ends by itself. */
    public function left_A(): float
    {
        return $this->flows_A - $this->passes_A();
    }

    private function passes_A(): float
    {
        return array_sum(array_map(fn (self $rail): float => $this->takenBy($rail, $rail->passes_A()) - $rail->supply->idle_A, $this->rails),
        ) + $this->passing_A * $this->gives;
    }

    /** A battery has given so much that its volts have fallen. */
    private function falls(): void
    {
        if ($this->supply->capacity_Ah === null) {
            return;
        }
        $gone = ($this->charge_C - $this->left_at_C) / ($this->supply->capacity_Ah * self::C_PER_AH);
        if ($gone < self::FALLS_BY) {
            return;
        }
        $curve = $this->supply->dischargeCurve();
        $fallen = $curve->volts($this->left - $gone) - $curve->volts($this->left);
        $this->left = max(0.0, $this->left - $gone);
        $this->left_at_C = $this->charge_C;
        $this->set = max(0.0, $this->set + $fallen);
        $this->tripped = $this->tripped || $this->left <= 0.0
            || ($this->supply->cutoff_V !== null && $this->set * $this->supply->volts_V < $this->supply->cutoff_V * (1 - Constants::TIE));
    }

    /** An output switches it: on, it settles first. */
    public function isSwitched(bool $on, float $now): void
    {
        $this->onFrom_s = $on ? $now + $this->supply->settles_s : INF;
    }

    public function asked_A(): float
    {
        return $this->asked_A;
    }

    /** What arrives at what hangs on it, V. */
    public function volts_V(): float
    {
        return $this->gives * $this->supply->volts_V;
    }

    public function isSource(): bool
    {
        return $this->from === null;
    }

    /**
     * Looks at what is asked for now, of it and then of the rails that it feeds, and feeds accordingly until the next look.
     *
     * @return list<self> those that begin to sag
     */
    public function look(float $now, float $for_s): array
    {
        $this->falls();
        $this->asks($for_s);

        return $this->gives($now, $for_s);
    }

    /** What it would be asked for at its full voltage, the rails first. */
    private function asks(float $for_s): void
    {
        $this->others_A = 0.0;
        foreach ($this->rails as $rail) {
            $rail->asks($for_s);
            $this->others_A += $this->takenBy($rail, $rail->asked_A);
        }
        $this->top = $this->set;
        $this->asked_A = $this->drawn_A($this->set, $for_s);
    }

    /** What a rail takes of it while that gives so much, A. */
    private function takenBy(self $rail, float $gives_A): float
    {
        return $rail->supply->takes_A($gives_A, $rail->supply->volts_V * $rail->set, $this->supply->volts_V * $this->set);
    }

    /** @return list<self> */
    private function gives(float $now, float $for_s): array
    {
        if ($now < $this->onFrom_s - 1e-9) {
            $this->top = 0.0;
        } elseif ($this->from !== null) {
            $this->top = min($this->set, $this->supply->givesFrom($this->from->volts_V()) / $this->supply->volts_V);
        }
        $most = $this->supply->max_A;
        $asked = $this->top === $this->set ? $this->asked_A : $this->drawn_A($this->top, $for_s);
        $this->asked_A = $asked;
        $isOver = $asked > $most * (1 + 1e-9);
        $this->tripped = $this->tripped || ($isOver && $this->supply->overload === 'trips');
        $target = match (true) {
            $this->tripped => 0.0,
            $isOver => $this->supply->overload === 'folds' ? min($this->top, self::LEAST_SHARE) : $this->givesAt($most, $asked, $for_s),
            default => $this->top,
        };
        $target = min($target, $this->behindItsResistance($asked, $for_s));
        $gives = $this->buffered($target, $this->tripped ? 0.0 : $most, $for_s);
        $this->flows_A = $gives === $this->top ? $asked : $this->drawn_A($gives, $for_s);
        $this->charge_C += $this->flows_A * $for_s;
        if ($asked > $this->peak_A) {
            [$this->peak_A, $this->peak_at_s] = [$asked, $now];
        }
        if ($gives !== $this->gives) {
            $this->gives = $gives;
            foreach ($this->axes as $axis) {
                $axis->fedWith($gives);
            }
        }
        $begin = [];
        if ($isOver && $target < self::SAGS * $this->top) {
            $begin = $now - $this->sagged_at_s > self::SAME_SAG_S ? [$this] : [];
            $this->sagged_at_s = $now;
        }
        foreach ($this->rails as $rail) {
            array_push($begin, ...$rail->gives($now, $for_s));
        }

        return $begin;
    }

    /** The share of its voltage that is left behind its own resistance: the currents fall in nearly straight lines with it. */
    private function behindItsResistance(float $asked, float $for_s): float
    {
        $ohm = $this->supply->resistance_ohm / $this->supply->volts_V;
        if ($ohm <= 0.0 || $asked <= 0.0) {
            return $this->top;
        }
        [$low, $high] = [0.0, $this->top];
        $under = $low + $ohm * $this->drawn_A($low, $for_s) - $this->top;
        $over = $ohm * $asked;
        $share = $high;
        for ($i = 0; $i < self::TRIES && $under < 0.0; $i++) {
            $share = $low + ($high - $low) * $under / ($under - $over);
            $miss = $share + $ohm * $this->drawn_A($share, $for_s) - $this->top;
            if (abs($miss) <= self::NEAR) {
                break;
            }
            $miss > 0.0 ? [$high, $over] = [$share, $miss] : [$low, $under] = [$share, $miss];
        }

        return $share;
    }

    /** Falling, its capacitor gives what flows beyond what it gives itself, and so falls no faster than its charge lets it. */
    private function buffered(float $target, float $most, float $for_s): float
    {
        if ($this->supply->capacitor_uF <= 0.0 || $target >= $this->gives) {
            return $target;
        }
        $missing_A = max(0.0, $this->drawn_A($this->gives, $for_s) - ($this->top < $this->gives ? 0.0 : $most));
        if ($this->supply->resistance_ohm > 0.0 && ! $this->tripped) { // what comes through its resistance at this voltage
            $through_A = ($this->top - $this->gives) * $this->supply->volts_V / $this->supply->resistance_ohm;
            $missing_A = max($missing_A, $this->drawn_A($this->gives, $for_s) - max(0.0, $through_A));
        }

        return max($target, $this->gives - $missing_A * $for_s / ($this->supply->capacitor_uF * 1e-6) / $this->supply->volts_V);
    }

    /**
     * It gives its full voltage, and whatever some of its motors draw meanwhile, it goes on doing so.
     *
     * @param  array<string, float>  $angles  of the shafts of those, by motion
     */
    public function bears(array $angles): bool
    {
        return $this->onFrom_s === INF ? $this->gives === 0.0
            : $this->supply->resistance_ohm <= 0.0 && $this->most_A($angles) <= $this->supply->max_A && $this->gives === $this->set;
    }

    /** @param  array<string, float>  $angles */
    private function most_A(array $angles): float
    {
        $sum = $this->always_A + $this->outputs_A * max(1.0, $this->set);
        foreach ($this->axes as $axis) {
            $sum += isset($angles[$axis->motion->id]) ? $axis->motor()->most_A() * max(1.0, $this->set) : $axis->drawn_A($this->set, 0.0);
        }
        foreach ($this->rails as $rail) {
            $sum += $this->takenBy($rail, $rail->most_A($angles));
        }

        return $sum;
    }

    /**
     * It was looked at for one scan, and then time went on: what some of its motors drew on the average in all that time.
     *
     * @param  array<string, float>  $angles  of the shafts of those when it was looked at, by motion
     */
    public function wentOn(array $angles, float $scan_s, float $for_s): void
    {
        $this->charge_C += $this->average_A($angles, $for_s) * $for_s - $this->flows_A * $scan_s;
    }

    /** @param  array<string, float>  $angles */
    private function average_A(array $angles, float $for_s): float
    {
        $sum = $this->always_A + $this->outputs_A * $this->gives;
        foreach ($this->axes as $axis) {
            $from = $angles[$axis->motion->id] ?? null;
            $sum += $from === null ? $axis->drawn_A($this->gives, 0.0) : $axis->motor()->drewOnAverage_A(($axis->angle() - $from) / $for_s, $this->gives);
        }
        foreach ($this->rails as $rail) {
            $sum += $this->takenBy($rail, $rail->average_A($angles, $for_s));
        }

        return $sum;
    }

    /** Nothing has changed since it was last looked at. */
    public function goesOn(float $now, float $for_s): void
    {
        $this->charge_C += $this->flows_A * $for_s;
        if ($this->gives < self::SAGS * $this->top) {
            $this->sagged_at_s = $now;
        }
    }

    private function drawn_A(float $share, float $for_s): float
    {
        $sum = $this->always_A + $this->others_A + $this->outputs_A * $share;
        foreach ($this->axes as $axis) {
            $sum += $axis->drawn_A($share, $for_s);
        }

        return $sum;
    }

    /** The share of its voltage at which it is asked for what it can give, by regula falsi: the currents are nearly straight lines of the voltage. */
    private function givesAt(float $most, float $asked, float $for_s): float
    {
        [$low, $high] = [min(self::LEAST_SHARE, $this->top), $this->top];
        $under = $this->drawn_A($low, $for_s) - $most;
        $over = $asked - $most;
        if ($under >= 0.0) {
            return $low;
        }
        $share = $high;
        for ($i = 0; $i < self::TRIES; $i++) {
            $share = $low + ($high - $low) * $under / ($under - $over);
            $miss = $this->drawn_A($share, $for_s) - $most;
            if (abs($miss) <= self::NEAR * $most) {
                break;
            }
            $miss > 0.0 ? [$high, $over] = [$share, $miss] : [$low, $under] = [$share, $miss];
        }

        return $share;
    }

    public function sample(): void
    {
        $this->samples[] = round($this->flows_A, Recorder::DIGITS) + 0.0;
    }

    /** What it has given since the run began, C. */
    public function charge_C(): float
    {
        return $this->charge_C;
    }

    /** What it gives now. */
    public function flows_A(): float
    {
        return $this->flows_A;
    }

    /** The most that it was asked for since the run began, or since this was forgotten. */
    public function peak_A(): float
    {
        return $this->peak_A;
    }

    public function forgetsPeak(): void
    {
        $this->peak_A = 0.0;
    }

    /** @return array<string, mixed> as Schemas has it */
    public function written(float $ran_s): array
    {
        return [
            'supply' => $this->supply->id, 'name' => $this->supply->name, 'max_A' => $this->supply->max_A, 'current_A' => $this->samples,
            'peak_A' => round($this->peak_A, Recorder::DIGITS), 'peak_at_s' => round($this->peak_at_s, 9), 'mean_A' => $ran_s > 0.0
                ? round($this->charge_C / $ran_s, Recorder::DIGITS) : 0.0,
            'charge_C' => round($this->charge_C, Recorder::DIGITS),
            'runs_on_charge' => $this->supply->capacity_Ah === null || $this->charge_C <= 0.0 ? null
                : (int) floor($this->supply->usable_Ah() * self::C_PER_AH / $this->charge_C),
        ];
    }
}
