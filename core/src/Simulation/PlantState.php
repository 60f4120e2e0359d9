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
     * @param  float  $spent_J  energy given to the shaft by the train since the start; with a crank only when watched
     * @param  float  $push_Nm  what the train gives the shaft along the command in the present step: push − fade · speed
     * @param  float  $fade_Nms  for each rad/s along the command
     * @param  float  $accel  along the command at the start of the last step, rad/s², and how it fell with speed, 1/s: the step solved
     * @param  float  $slope  ω̇ = accel − slope·(ω − ω₀); kept only when watched
     * @param  float  $locked_J  energy of a load pushing along that a locking or unpowered train ate up
     */
    public function __construct(
        public float $angle,
        public float $speed = 0.0,
        public float $motor_Nm = 0.0,
        public float $spent_J = 0.0,
        public bool $watched = false,
        public float $push_Nm = 0.0,
        public float $fade_Nms = 0.0,
        public float $accel = 0.0,
        public float $slope = 0.0,
        public float $locked_J = 0.0,
    ) {
    }
}
