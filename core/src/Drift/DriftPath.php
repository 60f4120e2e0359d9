<?php

declare(strict_types=1);

namespace Brookstone\Core\Drift;

use Brookstone\Core\Build\Build;
use Brookstone\Core\Build\Measurement;
use Brookstone\Core\Parts\Motion;
use Brookstone\Core\Proof\Repeats;
use Brookstone\Core\Rehearsal\Performance;
use Brookstone\Core\Stops\TimedMove;

/**
 * Where a motion that goes by time stops in one cycle of a routine, as that was rehearsed; and how far off it stands at each stop. What the rule says and
 * what the study walks both come from here.
 *
 * Each timed move adds its own error and passes on that of its start: e′ = b + g·e + c·s + w, with the supply's s the same all through a cycle and w of
 * its own. Means and variances of that linear chain add up in closed form (Taylor, An Introduction to Error Analysis, 2nd ed., §3.5 and 9.2).
 */
final class DriftPath
{
    private const MOST_STOPS = 400; // in a cycle

    private const SIGMAS = 3.0;

    /** @var list<DriftStop> */
    public readonly array $stops;

    /** @var list<DriftStop> while it is walked */
    private array $walked = [];

    private float $at;

    /** @var array<string, TimedMove> */
    private array $moves = [];

    /** @param  Performance|null  $cycle  of the routine; null where it was never begun */
    public function __construct(private readonly Build $build, private readonly Motion $motion, ?Performance $cycle)
    {
        $this->at = $motion->at($motion->task->from);
        $routines = $cycle === null ? [] : $build->calledBy($build->routines[$cycle->routine]);
        $steps = array_filter($cycle->steps ?? [], fn (array $step): bool => $step['motion'] === $motion->id && $step['outcome'] === 'done'
            && in_array($step['routine'], $routines, true));
        for ($round = 0; $round < 2 && $motion->positioning->isTimed(); $round++) {
            $this->walked = []; // the second time it sets out from where the first ended
            foreach (array_slice($steps, 0, self::MOST_STOPS) as $step) {
                $this->stop($step['routine'], $step['path']);
            }
        }
        $this->stops = $this->walked;
    }

    public function isByTime(): bool
    {
        return array_filter($this->stops, fn (DriftStop $stop): bool => $stop->move !== null) !== [];
    }

    /** A switch finds it somewhere in a cycle. */
    public function isHomed(): bool
    {
        return array_filter($this->stops, fn (DriftStop $stop): bool => $stop->move === null) !== [];
    }

    public function timedMoves(): int
    {
        return count(array_filter($this->stops, fn (DriftStop $stop): bool => $stop->move !== null));
    }

    /**
     * How far off it stands at each stop, in each of some cycles: mean, and one standard deviation; own unit.
     *
     * @return \Generator<int, list<array{float, float}>> a list for each cycle, by stop
     */
    public function errors(int $cycles): \Generator
    {
        $linear = array_map(fn (DriftStop $stop): ?array => $stop->move?->linear(), $this->stops);
        $mean = $own = 0.0;
        for ($cycle = 0; $cycle < $cycles; $cycle++) {
            $shared = 0.0; // how the supply of this cycle comes through
            $errors = [];
            foreach ($linear as $move) {
                if ($move === null) {
                    $mean = $own = $shared = 0.0;
                } else {
                    [$bias, $gain, $supply, $variance] = $move;
                    $mean = $bias + $gain * $mean;
                    $own = $gain ** 2 * $own + $variance;
                    $shared = $gain * $shared + $supply;
                }
                $errors[] = [$mean, sqrt($own + $shared ** 2)];
            }
            $own += $shared ** 2;
            yield $errors;
        }
    }

    /**
     * The first stop at which it can be further off than is allowed: mean and three standard deviations. Of what is homed in each cycle two cycles tell
     * all.
     *
     * @return array{DriftStop, float, int}|null the stop, how far off, and how many timed moves before it are still within; null where it stays within
     */
    public function strays(float $tolerance, int $cycles): ?array
    {
        $moves = 0;
        foreach ($this->errors($this->isHomed() ? 2 : $cycles) as $errors) {
            foreach ($errors as $i => [$mean, $sd]) {
                $off = abs($mean) + self::SIGMAS * $sd;
                if ($this->stops[$i]->move !== null && $off > $tolerance * (1 + 1e-9)) {
                    return [$this->stops[$i], $off, $moves];
                }
                $moves += $this->stops[$i]->move === null ? 0 : 1;
            }
        }

        return null;
    }

    private function stop(string $routine, string $path): void
    {
        $move = $this->build->routines[$routine]->stepAt($path)?->effect($this->build)->move;
        if ($move === null) {
            return;
        }
        if ($move->onto !== null) {
            $this->at = $this->motion->at($move->onto->place);
            $this->walked[] = new DriftStop($routine, $path, $this->at, null);

            return;
        }
        $by = $move->by ?? ($move->endsAt === null ? 0.0 : $this->motion->distance($this->at, $this->motion->at($move->endsAt)));
        if ($move->by !== null || abs($by) > 1e-12) {
            $to = $this->at + $by;
            $this->walked[] = new DriftStop($routine, $path, $this->motion->comesTo($to),
                $this->moves["{$this->at} {$to} {$move->speed}"] ??= new TimedMove($this->motion, $this->build->settings, $this->at, $to, $move->speed,
                    $this->measured($this->at, $to, $move->speed)));
            $this->at = $this->motion->comesTo($to);
        }
    }

    /** @return list<float> times of this move taken at the bench as its task has it, s, without those far off the others */
    private function measured(float $from, float $to, float $speed): array
    {
        $same = fn (string $place, float $at): bool => $this->motion->place($place) !== null && abs($this->motion->at($place) - $at) < 1e-9;
        foreach (Repeats::all($this->build, $this->motion->id) as $each) {
            if ($same($each->from(), $from) && $same($each->to(), $to) && $each->circumstance()->isUsual($speed)) {
                return array_map(fn (Measurement $entry): float => (float) $entry->measured_s, $each->entries);
            }
        }

        return [];
    }
}
