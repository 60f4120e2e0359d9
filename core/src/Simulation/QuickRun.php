<?php

declare(strict_types=1);

namespace Brookstone\Core\Simulation;

use Brookstone\Core\Drive\TorqueLine;
use Brookstone\Core\Load\Move;
use Brookstone\Core\Mechanism\Mechanism;

/**
 * The time of one move for many motors: load, friction and inertia are looked up once in a table of cells along the way,
 * and each cell is crossed in closed form, ω̇ = (P − F·ω − L − ½J′ω²)/J with what stands in its middle. Right to 0.5 % of
 * MotionRun (tested); where the plant does more than that (wheels that may slip, a ramp), it does not apply.
 */
final readonly class QuickRun
{
    private const CELLS = 24;

    private const CELLS_PER_RAD = 16; // where the inertia changes with the crank

    private const MOST_CELLS = 1200;

    private const NEWTON = 12;

    private const PRECISION = 1e-6;  // of a cell

    private const LEAST_BACK = 0.05; // as Plant has it

    /** @var list<array{float, float, float, float}> of each cell: load against the move with friction, friction alone, inertia, ½J′ along the move */
    private array $cells;

    private float $cell;

    private bool $grips;

    public function __construct(Mechanism $mechanism, Move $move)
    {
        $this->grips = $mechanism->gripNm() === INF;
        $turn = abs($move->distance()) / $mechanism->travelPerRad();
        $count = $mechanism->isEven() ? self::CELLS : (int) min(self::MOST_CELLS, max(4 * self::CELLS, ceil($turn * self::CELLS_PER_RAD)));
        $this->cell = $turn / $count;
        $direction = $move->direction();
        $cells = [];
        for ($i = 0; $i < $count; $i++) {
            $at = $move->from + $move->distance() * ($i + 0.5) / $count;
            $friction = $mechanism->frictionNm($at);
            $cells[] = [$direction * $mechanism->staticTorqueNm($at) + $friction, $friction, $mechanism->inertiaKgm2($at), 0.5 * $direction * $mechanism->inertiaSlopeKgm2($at)];
        }
        $this->cells = $cells;
    }

    public function appliesTo(TorqueLine $line, float $ramp_s): bool
    {
        return $this->grips && $ramp_s <= 0.0 && $line->fall_Nms > 0.0;
    }

    /**
     * @param  float  $back  what is left of the load's push when it drives the train; 0 locks
     * @return float|null s; null when it does not get there
     */
    public function time_s(TorqueLine $line, float $ratio, float $efficiency, float $rotor_kgm2, float $back): ?float
    {
        $free = $line->stall_Nm / $line->fall_Nms / $ratio;
        $forward = $line->stall_Nm * $ratio * $efficiency;
        $backward = $back > 0.0 ? $line->stall_Nm * $ratio / max(self::LEAST_BACK, $back) : INF;
        $most = $line->limit_Nm * $ratio * $efficiency; // as much as a controller lets it push, up to a corner speed
        $corner = $free * (1 - $line->limit_Nm / $line->stall_Nm);
        $speed = 0.0;
        $time = 0.0;
        foreach ($this->cells as [$load, $friction, $inertia, $bend]) {
            $inertia += $rotor_kgm2;
            // A train that locks feels nothing of a load that pushes along, only the friction.
            $against = $load < $friction && $back <= 0.0 ? $friction : $load;
            if ($bend !== 0.0) {
                // ½J′ω² with the speed in the middle of the cell, as the present acceleration would have it.
                $accel = (min($most, $forward * (1 - $speed / $free)) - $against - $bend * $speed * $speed) / $inertia;
                $against += $bend * max(0.0, $speed * $speed + $accel * $this->cell);
            }
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
                    if ($speed <= 0.0 || $bend === 0.0) {
                        return null;
                    }
                    $settles = 1e-3 * $free; // carried over by its own momentum
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
