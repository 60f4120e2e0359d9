<?php

declare(strict_types=1);

namespace Brookstone\Core\Simulation;

use Brookstone\Core\Dynamics\MotionRun;
use Brookstone\Core\Dynamics\Plant;
use Brookstone\Core\Parts\LimitSwitch;
use Brookstone\Core\Parts\Motion;
use Brookstone\Core\Parts\Settings;
use Brookstone\Core\Stops\RunOn;

/** What a controller is told of moves before it makes any: how long they take, and how far things run on. Each is worked out once. */
final class ComputedTimes
{
    /** @var array<string, ?float> */
    private array $times = [];

    public function __construct(private readonly Settings $settings)
    {
    }

    /**
     * Time of a move as computed beforehand, s; null if the drive cannot make it.
     *
     * @param  float  $from  in the motion's own unit, as $to is
     */
    public function time_s(Motion $motion, float $from, float $to, float $speed): ?float
    {
        $key = "{$motion->id} {$from} {$to} {$speed}";
        if (! array_key_exists($key, $this->times)) {
            $unit = $motion->unit();
            $this->times[$key] = $motion->drive === null ? null : MotionRun::of(
                Plant::of($motion), $motion->drive->line($speed), $unit->toSi($from), $unit->toSi($to),
                $motion->patience_s($speed), ramp_s: $motion->drive->ramp_s,
            )->time_s;
        }

        return $this->times[$key];
    }

    /** How long a motion runs on, by its speed, once it is told to stop, s: what somebody who counts its pulses allows for. */
    public function runsOn_s(Motion $motion, float $to, int $direction, float $speed): float
    {
        if ($motion->task->keeps_turning) {
            $to = $motion->range()[$direction > 0 ? 1 : 0]; // it is as it is at every turn
        }
        $key = "{$motion->id} on {$to} {$direction} {$speed}";
        if (! array_key_exists($key, $this->times)) {
            $waits = $this->settings->scan_s / 2 + $motion->obeysWithin_s($this->settings);
            $runOn = RunOn::of($motion, new LimitSwitch('', '', '', $to, $direction > 0 ? 'high' : 'low'), $this->settings, $speed, $waits);
            $this->times[$key] = $runOn?->distance === null || $runOn->speed <= 0.0 ? $waits : $runOn->distance / $runOn->speed;
        }

        return (float) $this->times[$key];
    }
}
