<?php

declare(strict_types=1);

namespace Brookstone\Core\Simulation;

/** Where a plant is. The one thing in the core that changes: the integrator writes into it. */
final class PlantState
{
    /**
     * @param  float  $angle  of the output shaft, rad
     * @param  float  $speed  of the output shaft, rad/s
     * @param  float  $motor_Nm  torque the motor made at the end of the last step, along the command
     * @param  float  $spent_J  energy given to the shaft by the train since the start
     */
    public function __construct(public float $angle, public float $speed = 0.0, public float $motor_Nm = 0.0, public float $spent_J = 0.0)
    {
    }
}
