<?php

declare(strict_types=1);

namespace Brookstone\Core\Simulation;

use Brookstone\Core\Drive\TorqueLine;

/** One motion run forward at a fixed command, from rest at one position to another. Positions in rad or m. */
final readonly class MotionRun
{
    private const AT_REST_S = 0.25;      // stuck when it has not moved for so long

    private const RAN_BACK = 0.01;       // of the travel, behind where it started

    private const CREEP = 1e-7;          // of the travel per AT_REST_S counts as rest: it nears a balance it never reaches

    private const POINTS = 100;          // of a traced path, about

    private const MOST_STEPS = 20_000;

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
    ) {
    }

    /**
     * @param  bool  $traced  keep the path; otherwise it is empty
     */
    public static function of(Plant $plant, TorqueLine $motor, float $from, float $to, float $giveUp_s, bool $traced = false): self
    {
        $direction = $to > $from ? 1 : -1;
        $travel = abs($to - $from);
        $state = $plant->stateAt($from);
        $time = 0.0;
        $restSince = 0.0;
        $restAt = $from;
        $peak = $motor->stall_A;
        $path = $traced ? [[0.0, $from, $motor->stall_A]] : [];
        $why = RunEnd::GaveUp;

        for ($steps = 0; $time < $giveUp_s && $steps < self::MOST_STEPS; $steps++) {
            $before = clone $state;
            $h = $plant->step($state, $motor, $direction, true, min($giveUp_s - $time, self::longestStep($state, $plant, $traced ? $travel : INF)));
            $position = $plant->position($state);
            if (($position - $to) * $direction >= 0.0) {
                [$part, $speed] = self::crossing($plant, $before, $motor, $direction, $to, $h);
                $peak = max($peak, $motor->currentAt($state->motor_Nm));
                $path[] = [$time + $part, $to, $motor->currentAt($state->motor_Nm)];

                return new self(true, null, $time + $part, $speed, null, $peak, $traced ? $path : []);
            }
            $time += $h;
            $current = $motor->stall_Nm > 0.0 || $state->speed !== 0.0 ? $motor->currentAt($state->motor_Nm) : $motor->stall_A;
            $peak = max($peak, $current);
            if ($traced) {
                $path[] = [$time, $position, $current];
            }
            if (($position - $from) * $direction < -self::RAN_BACK * $travel) {
                $why = RunEnd::RanBack;
                break;
            }
            if (abs($position - $restAt) > self::CREEP * $travel) {
                $restAt = $position;
                $restSince = $time;
            } elseif ($time - $restSince >= self::AT_REST_S * (1 - 1e-9)) {
                $why = RunEnd::Stuck;
                break;
            }
        }

        return new self(false, $why, null, null, $plant->position($state), $peak, $path);
    }

    /** At rest, as long as decides that it is stuck; on a traced run, short enough for a smooth path. */
    private static function longestStep(PlantState $state, Plant $plant, float $travel): float
    {
        return $state->speed === 0.0 ? ($travel === INF ? self::AT_REST_S : self::AT_REST_S / 10) : $travel / self::POINTS / abs($plant->speed($state));
    }

    /**
     * When within the last step, and how fast, the position was passed: by halving the step from its start.
     *
     * @return array{float, float} seconds, speed in rad/s or m/s
     */
    private static function crossing(Plant $plant, PlantState $before, TorqueLine $motor, int $direction, float $to, float $h): array
    {
        $low = 0.0;
        $high = $h;
        $state = $before;
        for ($i = 0; $i < 40; $i++) {
            $middle = ($low + $high) / 2;
            $state = clone $before;
            $plant->step($state, $motor, $direction, true, $middle);
            if (($plant->position($state) - $to) * $direction >= 0.0) {
                $high = $middle;
            } else {
                $low = $middle;
            }
        }

        return [$high, $plant->speed($state)];
    }
}
