<?php

declare(strict_types=1);

namespace Brookstone\Core\Simulation;

use Brookstone\Core\Build\Build;
use Brookstone\Core\Build\LimitSwitch;
use Brookstone\Core\Build\Motion;
use Brookstone\Core\Routine\Scenario;

/** Everything that the controllers of a run share: the clock, the motions, what the sensors say, what is recorded. */
final class World
{
    private const POWER_UP_S = 20.0; // longest move that a timed go looks up

    /** @var array<string, Axis> */
    public readonly array $axes;

    public readonly Recorder $recorder;

    /** @var array<string, bool> as the controller believes, after debouncing */
    private array $on = [];

    /** @var array<string, float> since when a switch has differed from what is believed */
    private array $differsSince = [];

    /** @var array<string, list<float>> when outputs go back, by output */
    private array $outputsBack = [];

    /** @var array<string, bool> */
    private array $outputs = [];

    private int $scans = 0;

    private int $nextEvent = 0;

    /** @var array<string, ?float> */
    private array $times = [];

    /** @param  array<string, Ledger>  $ledgers  of motions whose energy is written down */
    public function __construct(public readonly Build $build, public readonly Scenario $scenario, float $sample_s, array $ledgers = [])
    {
        $axes = [];
        foreach ($build->motions as $id => $motion) {
            $axes[$id] = new Axis($motion, $scenario->startsAt[$id] ?? $motion->at($motion->task->from), $build->settings->driver_s);
            foreach ($motion->stops->switches as $switch) {
                $this->on[$switch->id] = $switch->isOnAt($axes[$id]->position());
            }
        }
        foreach ($build->motions as $id => $motion) {
            if ($motion->drive?->shares !== null) {
                $axes[$id]->sharesWith($axes[$motion->drive->shares]);
            }
        }
        foreach ($ledgers as $id => $ledger) {
            $axes[$id]->watch($ledger);
        }
        $this->axes = $axes;
        $this->recorder = new Recorder($build, $axes, $sample_s);
        foreach (array_keys($build->sensors) as $sensor) {
            $this->on[$sensor] = false;
        }
        foreach ($this->on as $input => $on) {
            $this->recorder->input((string) $input, 0.0, $on);
        }
        foreach (array_keys($build->outputs) as $output) {
            $this->outputs[$output] = false;
        }
    }

    public function now(): float
    {
        return $this->scans * $this->build->settings->scan_s;
    }

    public function isOn(string $input): bool
    {
        return $this->on[$input];
    }

    /** Something is still to come: an event of the scenario, or an output that goes back. */
    public function hasMoreToCome(): bool
    {
        return $this->nextEvent < count($this->scenario->events) || array_filter($this->outputsBack) !== [];
    }

    /** @return list<array{string, bool}> inputs that changed since the last look */
    public function look(): array
    {
        return [...$this->outside(), ...$this->switches()];
    }

    public function signal(string $output, bool $on, ?float $for_s): void
    {
        $this->set($output, $on);
        $this->outputsBack[$output] = $for_s === null ? [] : [$this->now() + $for_s];
    }

    /** Lets one scan of time pass. */
    public function pass(): void
    {
        foreach ($this->axes as $axis) {
            foreach ($axis->advance($this->build->settings->scan_s) as [, $speed, $energy]) {
                $this->recorder->hit($this->now(), $axis->motion, $speed, $energy);
            }
        }
        $this->scans++;
        foreach ($this->outputsBack as $output => $times) {
            if ($times !== [] && $this->now() >= $times[0] - 1e-9) {
                $this->set((string) $output, ! $this->outputs[$output]);
                $this->outputsBack[$output] = [];
            }
        }
        $this->recorder->sample($this->now());
    }

    /** Time of a move between two places as computed beforehand, s; null if the drive cannot make it. */
    public function computedTime(Motion $motion, string $from, string $to, float $speed): ?float
    {
        $key = "{$motion->id} {$from} {$to} {$speed}";
        if (! array_key_exists($key, $this->times)) {
            $unit = $motion->unit();
            $this->times[$key] = $motion->drive === null ? null : MotionRun::of(
                $motion->plant(), $motion->drive->line($speed), $unit->toSi($motion->at($from)), $unit->toSi($motion->at($to)),
                max(self::POWER_UP_S, 5 * $motion->task->move_s / $speed), ramp_s: $motion->drive->ramp_s,
            )->time_s;
        }

        return $this->times[$key];
    }

    private function set(string $output, bool $on): void
    {
        if ($this->outputs[$output] !== $on) {
            $this->outputs[$output] = $on;
            $this->recorder->output($output, $this->now(), $on);
        }
    }

    /** @return list<array{string, bool}> */
    private function outside(): array
    {
        $changed = [];
        $events = $this->scenario->events;
        while ($this->nextEvent < count($events) && $events[$this->nextEvent]['at_s'] <= $this->now() + 1e-9) {
            ['sensor' => $sensor, 'on' => $on] = $events[$this->nextEvent++];
            if ($this->on[$sensor] !== $on) {
                $this->believe($sensor, $on);
                $changed[] = [$sensor, $on];
            }
        }

        return $changed;
    }

    /** @return list<array{string, bool}> */
    private function switches(): array
    {
        $changed = [];
        foreach ($this->axes as $axis) {
            if ($axis->motion->stops->switches === [] || ($axis->isStill() && $this->differsSince === [])) {
                continue;
            }
            $position = $axis->position();
            foreach ($axis->motion->stops->switches as $switch) {
                if ($this->debounced($switch, $switch->isOnAt($position))) {
                    $changed[] = [$switch->id, $this->on[$switch->id]];
                }
            }
        }

        return $changed;
    }

    private function debounced(LimitSwitch $switch, bool $raw): bool
    {
        if ($raw === $this->on[$switch->id]) {
            unset($this->differsSince[$switch->id]);

            return false;
        }
        $since = $this->differsSince[$switch->id] ??= $this->now();
        if ($this->now() - $since < $this->build->settings->debounce_s - 1e-9) {
            return false;
        }
        unset($this->differsSince[$switch->id]);
        $this->believe($switch->id, $raw);

        return true;
    }

    private function believe(string $input, bool $on): void
    {
        $this->on[$input] = $on;
        $this->recorder->input($input, $this->now(), $on);
    }
}
