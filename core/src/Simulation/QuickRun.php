<?php

declare(strict_types=1);

namespace Brookstone\Core\Simulation;

use Brookstone\Core\Drive\TorqueLine;
use Brookstone\Core\Load\Move;
use Brookstone\Core\Mechanism\Mechanism;

/**
 * The time of one move for many motors: the load is looked up once in a table of cells along the way, and each cell is
 * crossed in closed form, ω̇ = (P − F·ω − L)/J with the load of its middle. Right to 0.2 % of MotionRun (tested); where the
 * plant does more than that (an inertia that changes, wheels that may slip, a load that drives the motor), it does not apply.
 */
final readonly class QuickRun
{
    private const CELLS = 24;

    private const NEWTON = 12;

    private const PRECISION = 1e-6;  // of a cell

    private const LEAST_BACK = 0.05; // as Plant has it

    /** @var list<float> torque against the move in the middle of each cell, friction included */
    private array $load;

    private float $cell;

    private float $inertia;

    private float $friction;

    private bool $applies;

    public function __construct(Mechanism $mechanism, Move $move)
    {
        $this->applies = $mechanism->isEven() && $mechanism->gripNm() === INF;
        $this->friction = $mechanism->frictionNm($move->from);
        $this->inertia = $mechanism->inertiaKgm2($move->from);
        $this->cell = abs($move->distance()) / $mechanism->travelPerRad() / self::CELLS;
        $load = [];
        for ($i = 0; $i < self::CELLS; $i++) {
            $load[] = $move->direction() * $mechanism->staticTorqueNm($move->from + $move->distance() * ($i + 0.5) / self::CELLS) + $this->friction;
        }
        $this->load = $load;
    }

    public function appliesTo(TorqueLine $line, float $ramp_s): bool
    {
        return $this->applies && $ramp_s <= 0.0 && $line->limit_Nm === INF && $line->fall_Nms > 0.0;
    }

    /**
     * @param  float  $back  what is left of the load's push when it drives the train; 0 locks
     * @return float|null s; null when it does not get there
     */
    public function time_s(TorqueLine $line, float $ratio, float $efficiency, float $rotor_kgm2, float $back): ?float
    {
        $inertia = $this->inertia + $rotor_kgm2;
        $free = $line->stall_Nm / $line->fall_Nms / $ratio;
        $forward = $line->stall_Nm * $ratio * $efficiency;
        $backward = $back > 0.0 ? $line->stall_Nm * $ratio / max(self::LEAST_BACK, $back) : INF;
        $speed = 0.0;
        $time = 0.0;
        foreach ($this->load as $load) {
            // A train that locks feels nothing of a load that pushes along, only the friction.
            $against = $load < $this->friction && $back <= 0.0 ? $this->friction : $load;
            for ($left = $this->cell; $left > 0.0;) {
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
