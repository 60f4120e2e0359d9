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

    private const SMALL = 0.05; // λ·h under which the difference above loses figures

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

    /**
     * One step of the plant. Every account is a polynomial of second degree in the speed, whose integrals are exact: ∫ω dt is
     * the turn, and ω̇ = s − λω times ω gives ∫ω² dt = (s∫ω dt − Δω²/2)/λ; where λ·h is small, by Simpson's rule.
     */
    public function step(PlantState $before, PlantState $after, TorqueLine $line, int $command, float $seconds): void
    {
        $ratio = $this->plant->ratio;
        $from = $command * $before->speed;
        $to = $command * $after->speed;
        $turn = $command * ($after->angle - $before->angle);
        $middle = 1.5 * $turn / max(1e-300, $seconds) - ($from + $to) / 4;
        $square = $after->slope * $seconds > self::SMALL
            ? (($after->accel + $after->slope * $from) * $turn - ($to ** 2 - $from ** 2) / 2) / $after->slope
            : $seconds * ($from ** 2 + 4 * $middle ** 2 + $to ** 2) / 6;

        // Torque and current as straight lines over the speed of the load: limited, at rest, or on the line of the motor.
        $limited = $line->stall_Nm - $line->fall_Nms * $ratio * max($from, $to) >= $line->limit_Nm;
        [$torque, $fall] = $limited ? [$line->limit_Nm, 0.0] : [$line->stall_Nm, $line->fall_Nms * $ratio];
        [$current, $less] = $limited ? [$line->idle_A + $line->A_per_Nm * $torque, 0.0] : [$line->stall_A, $line->A_per_Nm * $fall];
        $charge = $current * $seconds - $less * $turn;
        $worked = $current * $turn - $less * $square;      // ∫ i·ω dt
        $made = ($torque * $turn - $fall * $square) * $ratio; // ∫ Tm·ωm dt

        $this->in_J += $line->stall_A / $this->motor->stall_A * $this->motor->rated_V * $charge;
        $this->copper_J += $this->resistance * ($current ** 2 * $seconds - 2 * $current * $less * $turn + $less ** 2 * $square);
        $this->motor_J += $this->emf * $ratio * $worked - $made;
        $this->train_J += $turn === 0.0 && $square === 0.0 ? 0.0 : $made - ($after->push_Nm * $turn - $after->fade_Nms * $square);
        $this->friction_J += $this->plant->frictionAt(($before->angle + $after->angle) / 2) * abs($turn);
        $this->charge_C += abs($charge);
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
