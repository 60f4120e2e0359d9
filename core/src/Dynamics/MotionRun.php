<?php

declare(strict_types=1);

namespace Brookstone\Core\Dynamics;

use Brookstone\Core\Drive\TorqueLine;

/** One motion run forward at a fixed command, from rest at one position to another. Positions in rad or m. */
final readonly class MotionRun
{
    private const AT_REST_S = 0.25;      // stuck when it has not moved for so long

    private const RAN_BACK = 0.01;       // of the travel, behind where it started

    private const CREEP = 1e-7;          // of the travel per AT_REST_S counts as rest: it nears a balance it never reaches

    private const POINTS = 100;          // of a traced path, about

    private const MOST_STEPS = 20_000;

    private const RAMP_STEPS = 40;

    private const CROSSING_TRIES = 60;

    private const CROSSING_SHARE = 1e-13; // of the travel: how near the crossing is found

    private function __construct(
        public bool $reached,
        public ?RunEnd $why,
        public ?float $time_s,
        /** rad/s or m/s, signed. */
        public ?float $end_speed,
        public ?float $stopped_at,
        public float $peak_current_A,
        /** @var list<array{float, float, float}> time s, position, current A */
        public array $path,
        /** Largest torque that the train gave the load. */
        public float $peak_out_Nm,
        /** Fastest that its shaft turned, rad/s. */
        public float $peak_speed_rad_s,
    ) {
    }

    /**
     * @param  bool  $traced  keep the path; otherwise it is empty
     * @param  float  $ramp_s  in which the command goes from nothing to full, ≥ 0
     * @param  Ledger|null  $ledger  writes down where the energy goes
     */
    public static function of(Plant $plant, TorqueLine $full, float $from, float $to, float $giveUp_s, bool $traced = false, float $ramp_s = 0.0,
        ?Ledger $ledger = null): self
    {
        $direction = $to > $from ? 1 : -1;
        $travel = abs($to - $from);
        $state = $plant->stateAt($from);
        $ledger?->begin($state);
        $time = $out = $fastest = $restSince = 0.0;
        $restAt = $from;
        $peak = $ramp_s > 0.0 ? 0.0 : $full->stall_A;
        $path = $traced ? [[0.0, $from, $peak]] : [];
        $why = RunEnd::GaveUp;
        for ($steps = 0; $time < $giveUp_s && $steps < self::MOST_STEPS; $steps++) {
            $before = clone $state;
            $ramps = $time < $ramp_s;
            $longest = min($giveUp_s - $time, $ramps ? $ramp_s / self::RAMP_STEPS : INF, self::longestStep($state, $plant, $traced ? $travel : INF));
            $motor = $ramps ? $full->atShare(min(1.0, ($time + $longest / 2) / $ramp_s)) : $full;
            $h = $plant->step($state, $motor, $direction, true, $longest, $ramps);
            $position = $plant->position($state);
            [$out, $fastest] = [max($out, $state->out_Nm), max($fastest, abs($state->speed))];
            if (($position - $to) * $direction >= 0.0) {
                [$part, $end] = self::crossing($plant, $before, $motor, $direction, $to, $h, $travel, $ramps);
                $peak = max($peak, $motor->currentAt($state->motor_Nm));
                $path[] = [$time + $part, $to, $motor->currentAt($state->motor_Nm)];
                $ledger?->step($before, $end, $motor, $part);
                $ledger?->close($end);

                return new self(true, null, $time + $part, $plant->speed($end), null, $peak, $traced ? $path : [], $out,
                    max($fastest === abs($state->speed) ? abs($before->speed) : $fastest, abs($end->speed)));
            }
            $backwards = $from - $direction * self::RAN_BACK * $travel;
            $ranBack = ($position - $backwards) * $direction < 0.0;
            if ($ranBack) {
                [$h, $state] = self::crossing($plant, $before, $motor, $direction, $backwards, $h, $travel, $ramps);
                $position = $backwards;
            }
            $ledger?->step($before, $state, $motor, $h);
            $time += $h;
            $current = $motor->stall_Nm > 0.0 || $state->speed !== 0.0 ? $motor->currentAt($state->motor_Nm) : $motor->stall_A;
            $peak = max($peak, $current);
            if ($traced) {
                $path[] = [$time, $position, $current];
            }
            if ($ranBack) {
                $why = RunEnd::RanBack;
                break;
            }
            if ($ramps || abs($position - $restAt) > self::CREEP * $travel) {
                [$restAt, $restSince] = [$position, $time];
            } elseif ($time - $restSince >= self::AT_REST_S * (1 - 1e-9)) {
                $why = RunEnd::Stuck;
                break;
            }
        }

        $ledger?->close($state);

        return new self(false, $why, null, null, $plant->position($state), $peak, $path, $out, $fastest);
    }

    /** At rest, as long as decides that it is stuck; on a traced run, short enough for a smooth path. */
    private static function longestStep(PlantState $state, Plant $plant, float $travel): float
    {
        return $state->speed === 0.0 ? ($travel === INF ? self::AT_REST_S : self::AT_REST_S / 10) : $travel / self::POINTS / abs($plant->speed($state));
    }

    /**
     * When within the last step the position was passed, and the state then: false position with the Illinois weight
     * (Dahlquist & Björck, Numerical Methods, §6.4), each try a step anew from the same start.
     *
     * @return array{float, PlantState} seconds
     */
    private static function crossing(Plant $plant, PlantState $before, TorqueLine $motor, int $direction, float $to, float $h, float $travel,
        bool $ramps): array
    {
        $low = 0.0;
        $high = $h;
        $sense = $to > $plant->position($before) ? 1 : -1;
        $under = ($plant->position($before) - $to) * $sense;
        $over = null;
        $kept = 0;
        $time = $h;
        $state = $before;
        for ($i = 0; $i < self::CROSSING_TRIES; $i++) {
            $state = clone $before;
            $plant->step($state, $motor, $direction, true, $time, $ramps);
            $miss = ($plant->position($state) - $to) * $sense;
            if (abs($miss) <= self::CROSSING_SHARE * $travel) {
                break;
            }
            if ($miss > 0.0) {
                $high = $time;
                $over = $miss;
                $under *= $kept === 1 ? 0.5 : 1.0;
                $kept = 1;
            } else {
                $low = $time;
                $under = $miss;
                $over = $over === null ? null : $over * ($kept === -1 ? 0.5 : 1.0);
                $kept = -1;
            }
            $time = $over === null ? $high : ($low * $over - $high * $under) / ($over - $under);
        }

        return [$time, $state];
    }
}
