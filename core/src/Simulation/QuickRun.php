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
 * 1 % (tested); where the plant does more than that (wheels that may slip, a ramp), it does not apply.
 */
final readonly class QuickRun
{
    private const CELLS = 24;

    private const CELLS_PER_RAD = 20; // where the inertia changes with the crank

    private const MOST_CELLS = 1200;

    private const NEWTON = 12;

    private const PRECISION = 1e-6;  // of a cell

    private const LEAST_BACK = 0.05; // as Plant has it

    /** @var list<array{float, float, float, float}> of each cell: load against the move with friction, friction alone, inertia at its start and at its end */
    private array $cells;

    private float $cell;

    private bool $grips;

    private bool $isEven;

    public function __construct(Mechanism $mechanism, Move $move)
    {
        $this->isEven = $mechanism->isEven();
        $this->grips = $mechanism->gripNm() === INF;
        $turn = abs($move->distance()) / $mechanism->travelPerRad();
        $count = $mechanism->isEven() ? self::CELLS : (int) min(self::MOST_CELLS, max(4 * self::CELLS, ceil($turn * self::CELLS_PER_RAD)));
        $this->cell = $turn / $count;
        $direction = $move->direction();
        $cells = [];
        for ($i = 0; $i < $count; $i++) {
            $at = $move->from + $move->distance() * ($i + 0.5) / $count;
            $friction = $mechanism->frictionNm($at);
            $cells[] = [$direction * $mechanism->staticTorqueNm($at) + $friction, $friction, $mechanism->inertiaKgm2($move->from + $move->distance() * $i / $count), $mechanism->inertiaKgm2($move->from + $move->distance() * ($i + 1) / $count)];
        }
        $this->cells = $cells;
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
        $backward = $back > 0.0 ? $line->stall_Nm * $ratio / max(self::LEAST_BACK, $back) : INF;
        $most = $line->limit_Nm * $ratio * $efficiency; // as much as a controller lets it push, up to a corner speed
        $corner = $free * (1 - $line->limit_Nm / $line->stall_Nm);
        if (! $this->isEven) {
            return $this->carried($forward, $backward, $free, $most, $corner, $rotor_kgm2, $back <= 0.0);
        }
        $speed = 0.0;
        $time = 0.0;
        foreach ($this->cells as [$load, $friction, $inertia]) {
            $inertia += $rotor_kgm2;
            // A train that locks feels nothing of a load that pushes along, only the friction.
            $against = $load < $friction && $back <= 0.0 ? $friction : $load;
            for ($left = $this->cell; $left > 0.0;) {
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
        $cell = $this->cell;
        $speed = 0.0;
        $time = 0.0;
        foreach ($this->cells as [$load, $friction, $from, $to]) {
            $from += $rotor_kgm2;
            $to += $rotor_kgm2;
            $against = $locks && $load < $friction ? $friction : $load;
            if ($speed < $corner) {
                $push = $most;
                $fade = 0.0;
            } else {
                $push = $speed < $free ? $forward : $backward;
                $fade = $push / $free;
            }
            // Share of the later speed: a half, and all of it where the motor brings the speed about within the cell.
            $gained = $speed * $speed + 2 * $cell * max(0.0, $push - $against) / $to;
            $stiff = $fade <= 0.0 ? 0.0 : $fade * $cell / max(1e-12, $to * max($speed, min(($push - $against) / $fade, sqrt($gained))));
            $later = $stiff < 1.0 ? 0.5 : 1.0 - 0.5 / $stiff;
            $b = $fade * $cell * $later;
            $energy = $from * $speed * $speed / 2 + $cell * ($push - $against - $fade * (1 - $later) * $speed);
            $root = $b * $b + 2 * $to * $energy;
            $next = $root > 0.0 ? (sqrt($root) - $b) / $to : 0.0;
            if ($next <= 0.0) {
                return null;
            }
            $time += $cell / ((1 - $later) * $speed + $later * $next);
            $speed = $next;
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
