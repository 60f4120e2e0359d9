<?php

declare(strict_types=1);

namespace Brookstone\Core\Stops;

use Brookstone\Core\Dynamics\MotionRun;
use Brookstone\Core\Dynamics\Plant;
use Brookstone\Core\Dynamics\PlantState;
use Brookstone\Core\Parts\LimitSwitch;
use Brookstone\Core\Parts\Motion;
use Brookstone\Core\Parts\Settings;

/**
 * How far a motion runs on after a switch trips: at speed through debouncing, one scan and the driver's delay, then
 * braking or coasting to rest. Computed with the motion's own plant, hard stops left out. Positions in its own unit.
 */
final readonly class RunOn
{
    private const LONGEST_S = 10.0;      // it never comes to rest by itself if not by then

    private const AT_REST_SHARE = 1e-4;  // of the speed at the switch

    private function __construct(
        /** Past the switch, until at rest; null when it does not come to rest. */
        public ?float $distance,
        /** At the moment the switch trips, per second. */
        public float $speed,
        public float $delay_s,
        public float $energy_J,
    ) {
    }

    /**
     * @param  float|null  $delay_s  until the driver acts; debouncing, a scan and the driver's own delay where it is not given
     * @return self|null null when the motion has no motor of that kind or never gets to the switch
     */
    public static function of(Motion $motion, LimitSwitch $switch, Settings $settings, float $speed = 1.0, ?float $delay_s = null): ?self
    {
        if ($motion->drive === null || $motion->positioning->isAbsolute()) {
            return null;
        }
        if ($motion->positioning->countsSteps()) {
            return self::ofSteps($motion, $speed, $delay_s ?? self::delay_s($motion, $switch, $settings));
        }
        $unit = $motion->unit();
        $plant = Plant::of($motion);
        $line = $motion->drive->line($speed);
        $direction = $switch->direction();
        $period = $motion->period();
        $start = $period === null ? self::start($motion, $direction) : $switch->at - $direction * $period;
        if (($switch->at - $start) * $direction <= 0.0) {
            return null;
        }
        $run = MotionRun::of($plant, $line, $unit->toSi($start), $unit->toSi($switch->at), $motion->patience_s($speed));
        if (! $run->reached) {
            return null;
        }
        $state = $plant->stateAt($unit->toSi($switch->at));
        $state->speed = (float) $run->end_speed / $plant->mechanism->travelPerRad($unit->toSi($switch->at));
        $energy = $plant->kinetic_J($state);
        $delay = $delay_s ?? self::delay_s($motion, $switch, $settings);
        for ($left = $delay; $left > 1e-12;) {
            $left -= $plant->step($state, $line, $direction, true, $left);
        }
        $rest = self::toRest($plant, $state, $motion, $direction);
        $distance = abs($unit->fromSi($plant->position($state)) - $switch->at);

        return new self($rest ? $distance : null, abs($unit->fromSi((float) $run->end_speed)), $delay, $energy);
    }

    /** From tripping until the driver acts: the contact comes to rest, is believed, is looked at, and the driver obeys. */
    private static function delay_s(Motion $motion, LimitSwitch $switch, Settings $settings): float
    {
        $waits = $switch->isMark && $switch->bounce_s <= 0.0 ? 0.0 : $settings->debounce_s;

        return $switch->bounce_s + $waits + $settings->scan_s + $motion->obeysWithin_s($settings);
    }

    /** A stepper stops with its steps: it goes on for the delay, and no further. */
    private static function ofSteps(Motion $motion, float $speed, float $delay): self
    {
        $fast = $speed * $motion->move()->peakSpeed();
        $plant = Plant::of($motion);
        $state = $plant->stateAt($motion->move()->from);
        $state->speed = $fast / $plant->travelPerRad;

        return new self($motion->unit()->fromSi($fast * $delay), $motion->unit()->fromSi($fast), $delay, $plant->kinetic_J($state));
    }

    /** The place farthest from the switch, from which it comes at its fastest. */
    private static function start(Motion $motion, int $direction): float
    {
        return $motion->range()[$direction > 0 ? 0 : 1];
    }

    private static function toRest(Plant $plant, PlantState $state, Motion $motion, int $direction): bool
    {
        $line = $motion->drive?->line() ?? throw new \LogicException('No drive.');
        $off = $motion->stops->brakes ? $line->shorted() : $line->open();
        $rest = self::AT_REST_SHARE * abs($state->speed);
        for ($time = 0.0; $time < self::LONGEST_S && abs($state->speed) > $rest && $state->speed !== 0.0;) {
            $time += $plant->step($state, $off, $direction, false, 0.01);
        }

        return abs($state->speed) <= $rest;
    }
}
