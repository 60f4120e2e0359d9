<?php

declare(strict_types=1);

namespace Brookstone\Core\Simulation;

use Brookstone\Core\Build\Supply;

/**
 * One supply during a run. It gives its voltage until it is asked for more than its largest current, then so much less; and what it gives
 * is summed up.
 */
final class Feed
{
    private const LEAST_SHARE = 0.2; // of its voltage, that an overloaded supply still gives

    private const FOLLOWS = 0.5; // of the difference: how fast it sags and comes back, each scan

    private float $set = 1.0;   // share of its voltage, as the scenario has it

    private float $gives = 1.0;

    private float $asked_A = 0.0;

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
     * Looks at what is asked for now, and feeds accordingly until the next look.
     *
     * @return bool it begins to sag
     */
    public function look(float $now, float $for_s): bool
    {
        $asked = 0.0;
        foreach ($this->axes as $axis) {
            $asked += $axis->current_A();
        }
        $this->asked_A = $asked;
        $this->charge_C += $asked * $for_s;
        if ($asked > $this->peak_A) {
            [$this->peak_A, $this->peak_at_s] = [$asked, $now];
        }
        $most = $this->supply->max_A;
        $wants = $this->set * ($asked > $most * (1 + 1e-9) ? max(self::LEAST_SHARE, $this->gives * $most / $asked) : 1.0);
        if ($wants === $this->gives) {
            return false;
        }
        $gives = abs($wants - $this->gives) < 1e-3 ? $wants : $this->gives + self::FOLLOWS * ($wants - $this->gives);
        $sags = $gives < 0.9 * $this->set && $this->gives >= 0.9 * $this->set;
        $this->gives = $gives;
        foreach ($this->axes as $axis) {
            $axis->fedWith($gives);
        }

        return $sags;
    }

    public function sample(): void
    {
        $this->samples[] = round($this->asked_A, Recorder::DIGITS) + 0.0;
    }

    /** @return array<string, mixed> as Schemas has it */
    public function written(float $ran_s): array
    {
        return [
            'supply' => $this->supply->id, 'name' => $this->supply->name, 'max_A' => $this->supply->max_A, 'current_A' => $this->samples,
            'peak_A' => round($this->peak_A, Recorder::DIGITS), 'peak_at_s' => round($this->peak_at_s, 9), 'mean_A' => $ran_s > 0.0 ? round($this->charge_C / $ran_s, Recorder::DIGITS) : 0.0,
            'charge_C' => round($this->charge_C, Recorder::DIGITS),
            'runs_on_charge' => $this->supply->capacity_Ah === null || $this->charge_C <= 0.0 ? null : (int) floor($this->supply->capacity_Ah * 3600 / $this->charge_C),
        ];
    }
}
