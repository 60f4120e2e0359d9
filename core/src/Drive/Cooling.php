<?php

declare(strict_types=1);

namespace Brookstone\Core\Drive;

/** How one or several equal motors shed the heat of all of them, each its part. */
final readonly class Cooling
{
    /** @param  int  $motors  1 or more */
    public function __construct(private ThermalClass $class, private int $motors = 1)
    {
    }

    public function time_constant_s(): float
    {
        return $this->class->time_constant_s();
    }

    /** Share of the torque at stall that it keeps up all day, where motors keep up so much. */
    public function keepsUp(float $share): float
    {
        return $this->class === ThermalClass::AlwaysOn ? 1.0 : $share;
    }

    public function limit_C(): float
    {
        return $this->class->limit_C();
    }

    /** Where the windings settle when $heat_W goes on for ever in all of them together, °C. */
    public function settles_C(float $heat_W, float $ambient_C): float
    {
        return $this->class->settles_C($heat_W / $this->motors, $ambient_C);
    }

    /** Where the windings are when $heat_W has gone on for $for_s in all of them together since they were cold, °C. */
    public function reached_C(float $heat_W, float $ambient_C, float $for_s): float
    {
        return $this->class->reached_C($heat_W / $this->motors, $ambient_C, $for_s);
    }

    /** Seconds from cold until the windings reach their limit, or null if they never do. */
    public function secondsToLimit(float $heat_W, float $ambient_C): ?float
    {
        return $this->class->secondsToLimit($heat_W / $this->motors, $ambient_C);
    }
}
