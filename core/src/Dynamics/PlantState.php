<?php

declare(strict_types=1);

namespace Brookstone\Core\Dynamics;

use Brookstone\Core\Drive\TorqueLine;

/** Where a plant is. The one thing in the core that changes: the integrator writes into it. */
final class PlantState
{
    /** What its last step was made of; kept only when watched: ω̇ = accel − slope·(ω − ω₀) along $along, rad/s² and 1/s. */
    public float $accel = 0.0;

    public float $slope = 0.0;

    /** What the train passed: η, 1/η_back, or one of the words of Coupling. */
    public float $pass = 1.0;

    /** The motor's torque at its shaft in that step: base − fall·ω_m. */
    public float $base_Nm = 0.0;

    public float $fall_Nms = 0.0;

    /** 1 or −1: the direction that counts as forward in it. */
    public int $along = 1;

    /** Work of the train on the load: what it gained in speed, and what it did against load and friction. */
    public float $worked_J = 0.0;

    /**
     * @param  float  $angle  of the output shaft, rad
     * @param  float  $speed  of the output shaft, rad/s
     * @param  float  $motor_Nm  torque on the motor's straight line at the end of the last step, along the command: its current follows from it
     * @param  float  $out_Nm  largest torque that the train gave the load in the last step, along the command
     */
    public function __construct(
        public float $angle,
        public float $speed = 0.0,
        public float $motor_Nm = 0.0,
        public float $out_Nm = 0.0,
        public bool $watched = false,
    ) {
    }

    /** It stood the whole step: its motor pushes in vain. */
    public function rest(TorqueLine $motor): void
    {
        $this->out_Nm = $this->accel = $this->slope = $this->worked_J = $this->fall_Nms = 0.0;
        $this->pass = 1.0;
        $this->base_Nm = $motor->most_Nm();
    }
}
