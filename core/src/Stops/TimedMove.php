<?php

declare(strict_types=1);

namespace Brookstone\Core\Stops;

use Brookstone\Core\Build\Motion;
use Brookstone\Core\Build\Settings;
use Brookstone\Core\Mechanism\Burdened;
use Brookstone\Core\Simulation\MotionRun;
use Brookstone\Core\Simulation\Plant;

/**
 * A move that lasts a set time: the time that it takes at the rated voltage and load, whatever they are when it is made. Where it
 * ends follows from the motion's own plant. Positions and errors in the motion's own unit, towards larger positions positive.
 */
final readonly class TimedMove
{
    public const SUPPLY_SD = 0.03;   // of the voltage, from one move to the next

    public const FRICTION_SD = 0.15; // of the friction

    public const LOAD_SD = 0.03;     // of the load

    private const LONGEST_S = 60.0;

    private const REST_S = 5.0;

    /** Set time, s; null where the drive cannot make the move. */
    public ?float $time_s;

    public function __construct(private Motion $motion, private Settings $settings, private float $from, private float $to, private float $speed = 1.0)
    {
        $unit = $motion->unit();
        $this->time_s = $motion->drive === null ? null : MotionRun::of($motion->plant(), $motion->drive->line($speed), $unit->toSi($from), $unit->toSi($to), self::LONGEST_S, ramp_s: $motion->drive->ramp_s)->time_s;
    }

    /** How far past its place it comes to rest, setting out so far off its start; signed. */
    public function error(float $supply = 1.0, float $friction = 1.0, float $load = 1.0, float $off = 0.0): float
    {
        $drive = $this->motion->drive;
        if ($drive === null || $this->time_s === null) {
            return 0.0;
        }
        $unit = $this->motion->unit();
        $plant = $this->plant($friction, $load);
        $state = $plant->stateAt($unit->toSi($this->from + $off));
        $direction = $this->to > $this->from ? 1 : -1;
        $line = $drive->line($this->speed)->atShare($supply);
        for ($left = $this->time_s + $this->settings->scan_s / 2 + $this->settings->driver_s; $left > 1e-12;) {
            $left -= $plant->step($state, $line, $direction, true, $left);
        }
        $shorted = $this->motion->stops->brakes ? $line->shorted() : $line->open();
        for ($time = 0.0; $time < self::REST_S && $state->speed !== 0.0;) {
            $time += $plant->step($state, $shorted, $direction, false, 0.05);
        }

        return $unit->fromSi($plant->position($state)) - $this->to;
    }

    /** Spread of that from one move to the next, one standard deviation: each cause by itself, added as they are independent. */
    public function spread(): float
    {
        $sum = 0.0;
        foreach ([[self::SUPPLY_SD, 0.0, 0.0], [0.0, self::FRICTION_SD, 0.0], [0.0, 0.0, self::LOAD_SD]] as [$volts, $rub, $weight]) {
            $sum += (($this->error(1 + $volts, 1 + $rub, 1 + $weight) - $this->error(1 - $volts, 1 - $rub, 1 - $weight)) / 2) ** 2;
        }

        return sqrt($sum);
    }

    private function plant(float $friction, float $load): Plant
    {
        return $friction === 1.0 && $load === 1.0 ? $this->motion->plant() : $this->motion->withMechanism(new Burdened($this->motion->mechanism, $load, rubs: $friction))->plant();
    }
}
