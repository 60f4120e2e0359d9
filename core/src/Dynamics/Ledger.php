<?php

declare(strict_types=1);

namespace Brookstone\Core\Dynamics;

use Brookstone\Core\Drive\TorqueLine;

/**
 * Where the energy of one simulated motion went, J. Each account is kept by itself, none as what is left over, so that they
 * can be held against each other: in = copper + motor + train + friction + locked + stopped + lifted + kinetic.
 *
 * Inside a motor: copper i²R; the rest of what does not leave its shaft, (K·i − Tm)·ωm with the back-EMF constant
 * K = R·(di/dT)·(dT/dω) of its line, is brushes, iron and its own gears (Hughes, Electric Motors and Drives, 4th ed., §3.4).
 */
final class Ledger
{
    private const LIFT_INTERVALS = 2000;

    private const SMALL = 0.05; // λ·h under which the difference in step() loses figures

    /** At the terminals of a motor; what the driver of a stepper draws. */
    public float $in_J = 0.0;

    public float $copper_J = 0.0;

    public float $motor_J = 0.0;

    public float $train_J = 0.0;

    public float $friction_J = 0.0;

    public float $locked_J = 0.0;

    /** At hard stops, and where a stepper is pulled out of step. */
    public float $stopped_J = 0.0;

    public float $lifted_J = 0.0;

    public float $kinetic_J = 0.0;

    /** ∫ |i| dt, C. */
    public float $charge_C = 0.0;

    private ?PlantState $start = null;

    public function __construct(private Plant $plant, private readonly float $resistance_ohm)
    {
    }

    /** @param  Plant|null  $plant  that it is from now on */
    public function begin(PlantState $state, ?Plant $plant = null): void
    {
        $this->plant = $plant ?? $this->plant;
        $state->watched = true;
        $this->start = clone $state;
    }

    /**
     * One step of the plant. Every account is a polynomial of second degree in the speed, whose integrals are exact: ∫ω dt is
     * the turn, and ω̇ = s − λω times ω gives ∫ω² dt = (s∫ω dt − Δω²/2)/λ; where λ·h is small, by Simpson's rule.
     */
    public function step(PlantState $before, PlantState $after, TorqueLine $line, float $seconds): void
    {
        if ($after->pass === Coupling::SKIDS) { // its wheels, or what else grips, stand, and so does the motor
            $this->held($line->stall_A, $seconds);
            $this->train_J -= $after->worked_J + 0.5 * $this->plant->rotor_kgm2() * ($after->speed ** 2 - $before->speed ** 2);
            $this->friction_J += $this->plant->frictionAt(($before->angle + $after->angle) / 2) * abs($after->angle - $before->angle);

            return;
        }
        $ratio = $this->plant->ratio;
        $from = $after->along * $before->speed;
        $to = $after->along * $after->speed;
        $turn = $after->along * ($after->angle - $before->angle);
        $middle = 1.5 * $turn / max(1e-300, $seconds) - ($from + $to) / 4;
        $square = $after->slope * $seconds > self::SMALL
            ? (($after->accel + $after->slope * $from) * $turn - ($to ** 2 - $from ** 2) / 2) / $after->slope
            : $seconds * ($from ** 2 + 4 * $middle ** 2 + $to ** 2) / 6;

        // Torque and current as straight lines over the speed of the load: limited, at rest, or on the line of the motor.
        $limited = $line->stall_Nm - $line->fall_Nms * $ratio * max($from, $to) >= $line->limit_Nm;
        [$torque, $fall] = $limited ? [$line->limit_Nm, 0.0] : [$line->stall_Nm, $line->fall_Nms * $ratio];
        $atRest = $line->stall_Nm > 0.0 ? $line->idle_A + $line->A_per_Nm * $torque : $line->stall_A;
        $less = $line->A_per_Nm * $fall;
        $charge = $atRest * $seconds - $less * $turn;
        $squared = $atRest ** 2 * $seconds - 2 * $atRest * $less * $turn + $less ** 2 * $square; // ∫ i² dt
        $worked = $atRest * $turn - $less * $square;              // ∫ i·ω dt
        $made = ($after->base_Nm * $turn - $after->fall_Nms * $ratio * $square) * $ratio; // ∫ Tm·ωm dt
        $emf = $this->resistance_ohm * $line->A_per_Nm * $line->fall_Nms * $ratio;

        // A motor on its line has a steady voltage; what its controller limits has the one that drives the limit.
        $this->in_J += $limited ? $this->resistance_ohm * $squared + $emf * $worked : $this->resistance_ohm * $atRest * $charge;
        $this->copper_J += $this->resistance_ohm * $squared;
        $this->motor_J += $emf * $worked - $made;
        $entered = $made - 0.5 * $this->plant->rotor_kgm2() * ($to ** 2 - $from ** 2); // what the rotor itself does not keep
        match ($after->pass) {
            Coupling::LOCKED => $this->locked_J -= $after->worked_J,
            Coupling::SPINS => $this->train_J += $entered - $after->worked_J,
            default => $this->train_J += $entered * (1 - $after->pass),
        };
        $this->friction_J += $this->plant->frictionAt(($before->angle + $after->angle) / 2) * abs($turn);
        $this->charge_C += abs($charge);
    }

    /** At rest under power all that it draws is heat; by default i²R. */
    public function held(float $current_A, float $seconds, ?float $heat_W = null): void
    {
        $heat_W ??= $this->resistance_ohm * $current_A ** 2;
        $this->in_J += $heat_W * $seconds;
        $this->copper_J += $heat_W * $seconds;
        $this->charge_C += $current_A * $seconds;
    }

    /**
     * One step of a stepper.
     *
     * @param  float  $drawn_W  from the supply
     * @param  float  $heat_W  in its phases
     * @param  float  $made_J  at its own shaft
     * @param  float  $work_J  at the load: against it, friction included, and what it gained in speed
     */
    public function stepped(PlantState $before, PlantState $after, float $drawn_W, float $current_A, float $heat_W, float $made_J, float $work_J,
        float $seconds): void
    {
        $this->in_J += $drawn_W * $seconds;
        $this->copper_J += $heat_W * $seconds;
        $this->motor_J += max(0.0, -$made_J); // what the load gives back is burnt in the driver
        $this->train_J += $made_J - 0.5 * $this->plant->rotor_kgm2() * ($after->speed ** 2 - $before->speed ** 2) - $work_J;
        $this->friction_J += $this->plant->frictionAt(($before->angle + $after->angle) / 2) * abs($after->angle - $before->angle);
        $this->charge_C += $current_A * $seconds;
    }

    /** In a blow. */
    public function lost(float $energy_J): void
    {
        $this->stopped_J += $energy_J;
    }

    /** Stopped dead, and put where the stop is. */
    public function stopped(PlantState $before, PlantState $after): void
    {
        $this->stopped_J += $this->plant->kinetic_J($before) - $this->plant->kinetic_J($after)
            + $this->plant->loadNm(($before->angle + $after->angle) / 2) * ($before->angle - $after->angle);
    }

    /** It is another machine from here on: what was lifted until now stays lifted. */
    public function changes(PlantState $here, Plant $plant): void
    {
        $this->close($here);
        $this->begin($here, $plant);
    }

    /** At the end: what was lifted, by its own fine sum over the way, and what still moves. */
    public function close(PlantState $end): void
    {
        $start = $this->start ?? throw new \LogicException('Never begun.');
        $width = ($end->angle - $start->angle) / self::LIFT_INTERVALS;
        for ($i = 0; $i < self::LIFT_INTERVALS; $i++) {
            $this->lifted_J += $this->plant->loadNm($start->angle + ($i + 0.5) * $width) * $width;
        }
        $this->kinetic_J += $this->plant->kinetic_J($end) - $this->plant->kinetic_J($start);
    }

    /** What came in less what is accounted for, as a share of the larger of what came in and what the load gave. */
    public function imbalance(): float
    {
        $accounted = $this->copper_J + $this->motor_J + $this->train_J + $this->friction_J + $this->locked_J + $this->stopped_J + $this->lifted_J
            + $this->kinetic_J;

        return ($this->in_J - $accounted) / max(1e-12, $this->in_J, abs($this->lifted_J));
    }
}
