<?php

declare(strict_types=1);

namespace Brookstone\Core\Simulation;

use Brookstone\Core\Parts\Supply;

/**
 * One supply during a run. It gives its voltage until it is asked for more than its largest current, then so much less that no more flows; and what
 * it gives is summed up.
 */
final class SupplyState
{
    private const LEAST_SHARE = 0.2; // of its voltage, that an overloaded supply still gives

    private const SAGS = 0.9; // of its voltage: less counts as sagging

    private const SAME_SAG_S = 0.1; // a dip so soon after another is the same one

    private const TRIES = 12;

    private const NEAR = 1e-6;

    private float $set = 1.0;   // share of its voltage, as the scenario has it

    private float $gives = 1.0;

    private float $asked_A = 0.0; // at its full voltage

    private float $flows_A = 0.0;

    private float $sagged_at_s = -INF;

    private float $peak_A = 0.0;

    private float $peak_at_s = 0.0;

    private float $charge_C = 0.0;

    /** @var list<float> A */
    private array $samples = [];

    /** @param  list<Axis>  $axes  the motions that it feeds */
    public function __construct(public readonly Supply $supply, private readonly array $axes)
    {
    }

    /** @param  float  $share  of its voltage, from now on */
    public function isSetTo(float $share): void
    {
        $this->set = $share;
    }

    public function asked_A(): float
    {
        return $this->asked_A;
    }

    /**
     * Looks at what is asked for now, and feeds accordingly until the next look: asked for too much, it gives just the voltage at which it is asked
     * for what it can give.
     *
     * @return bool it begins to sag
     */
    public function look(float $now, float $for_s): bool
    {
        $most = $this->supply->max_A;
        $asked = $this->drawn_A($this->set, $for_s);
        $gives = $asked > $most * (1 + 1e-9) ? $this->givesAt($most, $asked, $for_s) : $this->set;
        $this->flows_A = $gives === $this->set ? $asked : $this->drawn_A($gives, $for_s);
        $this->asked_A = $asked;
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
        if ($gives < self::SAGS * $this->set) {
            $begins = $now - $this->sagged_at_s > self::SAME_SAG_S;
            $this->sagged_at_s = $now;

            return $begins;
        }

        return false;
    }

    /**
     * It gives its full voltage, and whatever some of its motors draw meanwhile, it goes on doing so.
     *
     * @param  array<string, float>  $angles  of the shafts of those, by motion
     */
    public function bears(array $angles): bool
    {
        $sum = 0.0;
        foreach ($this->axes as $axis) {
            $sum += isset($angles[$axis->motion->id]) ? $axis->motor()->most_A() * max(1.0, $this->set) : $axis->drawn_A($this->set, 0.0);
        }

        return $sum <= $this->supply->max_A && $this->gives === $this->set;
    }

    /**
     * It was looked at for one scan, and then time went on: what some of its motors drew on the average in all that time.
     *
     * @param  array<string, float>  $angles  of the shafts of those when it was looked at, by motion
     */
    public function wentOn(array $angles, float $scan_s, float $for_s): void
    {
        $this->charge_C -= $this->flows_A * $scan_s;
        foreach ($this->axes as $axis) {
            $from = $angles[$axis->motion->id] ?? null;
            $this->charge_C += $for_s * ($from === null ? $axis->drawn_A($this->gives, 0.0)
                : $axis->motor()->drewOnAverage_A(($axis->angle() - $from) / $for_s, $this->gives));
        }
    }

    /** Nothing has changed since it was last looked at. */
    public function goesOn(float $now, float $for_s): void
    {
        $this->charge_C += $this->flows_A * $for_s;
        if ($this->gives < self::SAGS * $this->set) {
            $this->sagged_at_s = $now;
        }
    }

    private function drawn_A(float $share, float $for_s): float
    {
        $sum = 0.0;
        foreach ($this->axes as $axis) {
            $sum += $axis->drawn_A($share, $for_s);
        }

        return $sum;
    }

    /** The share of its voltage at which it is asked for what it can give, by regula falsi: the currents are nearly straight lines of the voltage. */
    private function givesAt(float $most, float $asked, float $for_s): float
    {
        [$low, $high] = [self::LEAST_SHARE, $this->set];
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
                : (int) floor($this->supply->capacity_Ah * 3600 / $this->charge_C),
        ];
    }
}
