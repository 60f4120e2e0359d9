<?php

declare(strict_types=1);

namespace Brookstone\Core\Simulation;

use Brookstone\Core\Drive\DcMotor;
use Brookstone\Core\Drive\TorqueLine;

/**
 * Where the energy of one simulated move of a brushed motor went, J. Each account is kept by itself, none as what is left
 * over, so that they can be held against each other: in = copper + motor + train + friction + locked + lifted + kinetic.
 *
 * Inside the motor: copper i²R; the rest of what does not leave its shaft, (K·i − Tm)·ωm with the back-EMF constant
 * K = V(Is − I0)/(Is·n0), is brushes, iron and its own gears (Hughes, Electric Motors and Drives, 4th ed., §3.4).
 */
final class Ledger
{
    private const LIFT_INTERVALS = 2000;

    public float $in_J = 0.0;

    public float $copper_J = 0.0;

    public float $motor_J = 0.0;

    public float $train_J = 0.0;

    public float $friction_J = 0.0;

    public float $locked_J = 0.0;

    public float $lifted_J = 0.0;

    public float $kinetic_J = 0.0;

    /** ∫ |i| dt, C. */
    public float $charge_C = 0.0;

    private readonly float $resistance;

    private readonly float $emf;

    public function __construct(private readonly Plant $plant, private readonly DcMotor $motor)
    {
        $this->resistance = $motor->resistance_ohm();
        $this->emf = $motor->rated_V * ($motor->stall_A - $motor->no_load_A) / $motor->stall_A / $motor->line($motor->rated_V, 1.0)->noLoad_rad_s();
    }

    /** One step of the plant, by Simpson's rule over its start, middle and end. */
    public function step(PlantState $before, PlantState $after, TorqueLine $line, int $command, float $seconds): void
    {
        $share = $line->stall_A / max(1e-12, $this->motor->stall_A) * $this->motor->rated_V;
        $speeds = [[$command * $before->speed, 1 / 6], [$after->middle_speed, 4 / 6], [$command * $after->speed, 1 / 6]];
        foreach ($speeds as [$speed, $weight]) {
            $dt = $weight * $seconds;
            $turns = $speed * $this->plant->ratio;
            $torque = min($line->limit_Nm, $line->stall_Nm - $line->fall_Nms * $turns);
            $current = $line->stall_Nm > 0.0 || $speed !== 0.0 ? $line->idle_A + $line->A_per_Nm * $torque : $line->stall_A;
            $this->in_J += $share * $current * $dt;
            $this->copper_J += $current ** 2 * $this->resistance * $dt;
            $this->motor_J += ($this->emf * $current - $torque) * $turns * $dt;
            $this->train_J += $speed === 0.0 ? 0.0 : ($torque * $turns - ($after->push_Nm - $after->fade_Nms * $speed) * $speed) * $dt;
            $this->friction_J += $this->plant->frictionAt($before->angle + ($after->angle - $before->angle) / 2) * abs($speed) * $dt;
            $this->charge_C += abs($current) * $dt;
        }
    }

    /** At the end of the move: what was lifted, by its own fine sum over the way, and what still moves. */
    public function close(PlantState $start, PlantState $end): void
    {
        $width = ($end->angle - $start->angle) / self::LIFT_INTERVALS;
        for ($i = 0; $i < self::LIFT_INTERVALS; $i++) {
            $this->lifted_J += $this->plant->loadNm($start->angle + ($i + 0.5) * $width) * $width;
        }
        $this->kinetic_J = $this->plant->kinetic_J($end);
        $this->locked_J = $end->locked_J;
    }

    /** What came in less what is accounted for, as a share of what came in. */
    public function imbalance(): float
    {
        $accounted = $this->copper_J + $this->motor_J + $this->train_J + $this->friction_J + $this->locked_J + $this->lifted_J + $this->kinetic_J;

        return ($this->in_J - $accounted) / max(1e-12, $this->in_J, abs($this->lifted_J));
    }
}
