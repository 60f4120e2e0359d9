<?php

declare(strict_types=1);

namespace Brookstone\Core\Simulation;

use Brookstone\Core\Drive\TorqueLine;
use Brookstone\Core\Load\Move;
use Brookstone\Core\Mechanism\Mechanism;

/**
 * The time of one move for many motors: load, friction and inertia are looked up once in a table of cells along the way.
 * Where the inertia is the same everywhere each cell is crossed in closed form, ω̇ = (P − F·ω − L)/J with the load of its
 * middle. Where it changes with the crank the kinetic energy is carried from cell to cell, ½J₁ω₁² = ½J₀ω₀² + (P − F·ω − L)Δθ,
 * with the speed between the two, nearer to the later where the motor is stiff. Right to 0.5 % of MotionRun, with a crank to
 * 1 %, but for a few motors a hair stronger than the load (tested); where the plant does more than that (wheels that may slip, a ramp), it does not apply.
 */
final readonly class QuickRun
{
    private const CELLS = 24;

    private const LEAST_CELLS = 8;    // between two places where the load jumps or bends

    private const CELLS_PER_RAD = 10; // where the inertia changes with the crank

    private const MOST_CELLS = 1200;

    private const NEWTON = 12;

    private const PRECISION = 1e-6;  // of a cell

    private const LEAST_BACK = 0.05; // as Plant has it

    /** @var list<float> of each cell, for a train that locks: it feels nothing of a load that pushes along, only the friction */
    private array $lockedLoads;

    /** @var list<float> load against the move with friction, of each cell */
    private array $loads;

    /** @var list<float> at the start, and at the end of each cell */
    private array $inertias;

    /** @var list<float> of each cell, rad */
    private array $widths;

    private bool $grips;

    private bool $isEven;

    public function __construct(Mechanism $mechanism, Move $move)
    {
        $this->isEven = $mechanism->isEven();
        $this->grips = $mechanism->gripNm() === INF;
        $turn = abs($move->distance()) / $mechanism->travelPerRad();
        $count = $mechanism->isEven() ? self::CELLS : (int) min(self::MOST_CELLS, max(3 * self::CELLS, ceil($turn * self::CELLS_PER_RAD)));
        $direction = $move->direction();
        $loads = $locked = $widths = [];
        $inertias = [$mechanism->inertiaKgm2($move->from)];
        foreach (self::cells($mechanism, $move, $count) as [$from, $to]) {
            $at = ($from + $to) / 2;
            $friction = $mechanism->frictionNm($at);
            $load = $direction * $mechanism->staticTorqueNm($at) + $friction;
            $loads[] = $load;
            $locked[] = max($load, $friction);
            $widths[] = abs($to - $from) / $mechanism->travelPerRad();
            $inertias[] = $this->isEven ? $inertias[0] : $mechanism->inertiaKgm2($to);
        }
        [$this->loads, $this->lockedLoads, $this->widths, $this->inertias] = [$loads, $locked, $widths, $inertias];
    }

    /**
     * About so many cells; none reaches over a place where the load jumps or bends.
     *
     * @return list<array{float, float}> where each starts and ends, rad or m
     */
    private static function cells(Mechanism $mechanism, Move $move, int $count): array
    {
        $ends = array_filter($mechanism->breaks(), fn (float $break): bool => ($break - $move->from) * ($break - $move->to) < 0.0);
        $ends = [...$ends, $move->to];
        $move->direction() > 0 ? sort($ends) : rsort($ends);
        $cells = [];
        $from = $move->from;
        foreach ($ends as $end) {
            $parts = max(self::LEAST_CELLS, (int) round($count * ($end - $from) / $move->distance()));
            for ($i = 0; $i < $parts && $end !== $from; $i++) {
                $cells[] = [$from + ($end - $from) * $i / $parts, $from + ($end - $from) * ($i + 1) / $parts];
            }
            $from = $end;
        }
        if ($mechanism->isEven()) {
            return $cells;
        }

        // Where it starts from rest the cells are finer: a stiff motor is up to its speed within a part of one.
        [$start, $first] = $cells[0];
        $edges = array_map(fn (float $share): float => $start + ($first - $start) * $share, [0.0, 1 / 32, 1 / 16, 1 / 8, 1 / 4, 1 / 2, 1.0]);

        return [...array_map(null, array_slice($edges, 0, -1), array_slice($edges, 1)), ...array_slice($cells, 1)];
    }

    public function appliesTo(TorqueLine $line, float $ramp_s): bool
    {
        return $this->grips && $ramp_s <= 0.0 && $line->fall_Nms > 0.0;
    }

    /**
     * @param  float  $back  what is left of the load's push when it drives the train; 0 locks
     * @return float|null s; null when it does not get there, or with a crank when that cannot be said so quickly
     */
    public function time_s(TorqueLine $line, float $ratio, float $efficiency, float $rotor_kgm2, float $back): ?float
    {
        $free = $line->stall_Nm / $line->fall_Nms / $ratio;
        $forward = $line->stall_Nm * $ratio * $efficiency;
        $backward = $line->stall_Nm * $ratio / max(self::LEAST_BACK, $back);
        $most = $line->limit_Nm * $ratio * $efficiency; // as much as a controller lets it push, up to a corner speed
        $corner = $free * (1 - $line->limit_Nm / $line->stall_Nm);
        if (! $this->isEven) {
            return $this->carried($forward, $backward, $free, $most, $corner, $rotor_kgm2, $back <= 0.0);
        }
        $speed = 0.0;
        $time = 0.0;
        $inertia = $this->inertias[0] + $rotor_kgm2;
        foreach ($back > 0.0 ? $this->loads : $this->lockedLoads as $i => $against) {
            for ($left = $this->widths[$i]; $left > 0.0;) {
                if ($speed < $corner * (1 - 1e-9)) {
                    $accel = ($most - $against) / $inertia;
                    if ($accel <= 0.0 && $speed * $speed + 2 * $accel * $left <= 0.0) {
                        return null;
                    }
                    $t = abs($accel) < 1e-12 ? $left / $speed : 2 * $left / ($speed + sqrt($speed * $speed + 2 * $accel * $left));
                    if ($speed + $accel * $t <= $corner) {
                        $speed += $accel * $t;
                        $left = 0.0;
                    } else {
                        $t = ($corner - $speed) / $accel;
                        $left -= ($speed + $corner) / 2 * $t;
                        $speed = $corner;
                    }
                    $time += $t;

                    continue;
                }
                // Up to its speed without load the motor drives; past that the load does, and the motor brakes.
                $push = $speed < $free || $against >= 0.0 ? $forward : $backward;
                $rate = $push / $free / $inertia;
                $settles = $free * (1 - $against / $push);
                if ($settles <= 0.0) {
                    return null;
                }
                $t = $this->crossing($speed, $settles, $rate, $left);
                $passes = $speed < $free && $settles > $free * (1 + 1e-12) ? -log(($free - $settles) / ($speed - $settles)) / $rate : INF;
                if ($passes < $t) {
                    $t = $passes;
                    $left -= $settles * $t + ($speed - $settles) / $rate * (1 - exp(-$rate * $t));
                    $speed = $free;
                } else {
                    $left = 0.0;
                    $speed = $settles + ($speed - $settles) * exp(-$rate * $t);
                }
                $time += $t;
            }
        }

        return $time;
    }

    /** The kinetic energy carried from cell to cell. */
    private function carried(float $forward, float $backward, float $free, float $most, float $corner, float $rotor_kgm2, bool $locks): ?float
    {
        $widths = $this->widths;
        $speed = 0.0;
        $time = 0.0;
        $loads = $locks ? $this->lockedLoads : $this->loads;
        $inertias = $this->inertias;
        $from = $inertias[0] + $rotor_kgm2;
        for ($i = 0, $count = count($loads); $i < $count; $i++) {
            $to = $inertias[$i + 1] + $rotor_kgm2;
            $cell = $widths[$i];
            if ($speed < $corner) {
                $push = $most;
                $fade = 0.0;
            } else {
                $push = $speed < $free ? $forward : $backward;
                $fade = $push / $free;
            }
            // Share of the later speed: a half, and all of it where the motor brings the speed about within the cell.
            $left = $push - $loads[$i];
            $later = 0.5;
            if ($fade > 0.0) {
                $settles = $left / $fade;
                $likely = $settles;
                if ($settles > $speed) {
                    $gained = sqrt($speed * $speed + 2 * $cell * $left / $to);
                    $likely = $gained < $settles ? $gained : $settles;
                }
                $brought = $to * ($likely > $speed ? $likely : $speed);
                if ($brought < $fade * $cell) {
                    $later = 1.0 - 0.5 * $brought / ($fade * $cell);
                }
            }
            $b = $fade * $cell * $later;
            $energy = $from * $speed * $speed / 2 + $cell * ($left - $fade * (1 - $later) * $speed);
            $root = $b * $b + 2 * $to * $energy;
            $next = $root > 0.0 ? (sqrt($root) - $b) / $to : 0.0;
            if ($next <= 0.0) {
                return null;
            }
            if ($next > $free && $speed < $free) { // from there on the load drives, and the motor brakes through the train
                $brake = $backward / $free * $cell;
                $root = $brake * $brake + 2 * $to * ($from * $speed * $speed / 2 + $cell * ($backward - $loads[$i]));
                $next = max($free, (sqrt(max(0.0, $root)) - $brake) / $to);
            }
            $time += $cell / ($speed + $later * ($next - $speed));
            $speed = $next;
            $from = $to;
        }

        return $time;
    }

    /** When a way is crossed: settles·t + (speed − settles)(1 − e^(−rate t))/rate = way, by Newton's method. */
    private function crossing(float $speed, float $settles, float $rate, float $way): float
    {
        $lag = ($speed - $settles) / $rate;
        $t = min($way / (0.5 * ($speed + $settles)), sqrt(2 * $way / ($rate * $settles)) + $way / max($speed, $settles));
        for ($i = 0; $i < self::NEWTON; $i++) {
            $decay = exp(-$rate * $t);
            $miss = $settles * $t + $lag * (1 - $decay) - $way;
            if (abs($miss) <= self::PRECISION * $way) {
                break;
            }
            $t = max($t - $miss / ($settles + ($speed - $settles) * $decay), $t / 8);
        }

        return $t;
    }
}
