<?php

declare(strict_types=1);

namespace Brookstone\Core\Dynamics;

/** What a step of a plant is made of, all at the load's shaft and along the command. The next step writes over it. */
final class PlantStep
{
    public int $command = 1;

    /** 1 where it moves, or starts, along the command, −1 against it, 0 where it stays. */
    public int $way = 0;

    public float $speed = 0.0;

    /** rad/s² at first, falling by the slope for each rad/s. */
    public float $accel = 0.0;

    public float $slope = 0.0;

    /** s that it takes. */
    public float $seconds = 0.0;

    public float $load_Nm = 0.0;

    public float $friction_Nm = 0.0;

    public float $own_kgm2 = 0.0;

    /** Half of what the inertia gains for each rad: times ω², N·m. */
    public float $bend = 0.0;

    /** Load and friction; and with them what a changing inertia takes. */
    public float $rubs_Nm = 0.0;

    public float $felt_Nm = 0.0;
}
