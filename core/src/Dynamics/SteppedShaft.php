<?php

declare(strict_types=1);

namespace Brookstone\Core\Dynamics;

use Brookstone\Core\Drive\Stepper;

/** A stepper goes where its command goes while it pulls what that takes; when it does not, it stands, and its count does not know. */
final class SteppedShaft
{
    private const STEP_S = 0.002;

    public float $current_A;

    public float $slipped_rad = 0.0; // in the last step: what it was told and did not turn

    private readonly float $rest_A;

    public function __construct(private readonly Plant $plant, private readonly Stepper $stepper, private readonly float $volts_V)
    {
        $this->rest_A = $stepper->holdCurrent_A(0.0, $volts_V);
        $this->current_A = $this->rest_A;
    }

    /** @return float the seconds used, of those given */
    public function step(PlantState $state, CommandRamp $ramp, float $seconds, ?Ledger $ledger): float
    {
        $plant = $this->plant;
        if ($seconds > self::STEP_S) { // nothing changes: one step
            $steady = $plant->isLevel ? $ramp->steadyFor_s($state->speed) : 0.0;
            $seconds = min($seconds, max(self::STEP_S, $steady));
        }
        $before = $ledger === null ? null : clone $state;
        [$from, $was] = [$state->angle, $state->speed];
        $commanded = $ramp->at();
        $ramp->advance($seconds);
        $speed = ($ramp->at() - $commanded) / $seconds;
        $middle = ($ramp->at() + $commanded) / 2;
        $against = $plant->loadNm($middle) + $plant->frictionAt($middle) * ($speed <=> 0.0);
        $jumps = $ramp->most_rad_s2 === INF && $speed !== $was; // without a ramp: it comes along at once, or not at all
        $accel = $jumps ? 0.0 : ($speed - $was) / $seconds;
        $needed = $plant->motorNm($against + $plant->ownAt($middle) * $accel, $speed !== 0.0 ? $speed : $was, $accel);
        if (($jumps && abs($speed - $was) * $plant->ratio > $this->stepper->startsUpTo_rad_s($this->volts_V, max(0.0, $needed * ($speed <=> 0.0)),
            $plant->inertiaAt($middle) / $plant->ratio ** 2)) || abs($needed) > $this->stepper->available_Nm($this->volts_V, $speed * $plant->ratio)) {
            $this->slipped_rad = $ramp->at() - $state->angle;
            $ramp->lose($this->slipped_rad);
            $state->speed = 0.0;
            if ($before !== null) {
                $ledger?->stopped($before, $state);
                $ledger?->held($this->atRest_A(), $seconds, $this->heat_W());
            }
            $this->current_A = $this->rest_A;

            return $seconds;
        }
        $this->slipped_rad = 0.0;
        $state->angle = $ramp->at();
        $state->speed = $speed;
        $work = $against * ($state->angle - $from) + 0.5 * ($plant->ownAt($state->angle) * $speed ** 2 - $plant->ownAt($from) * $was ** 2);
        $made = $work * ($work >= 0.0 ? 1 / $plant->efficiency : $plant->backEfficiency) + 0.5 * $plant->rotor_kgm2() * ($speed ** 2 - $was ** 2);
        $current = $this->stepper->drawn_A($this->volts_V, $made / $seconds);
        $before === null ? null : $ledger?->stepped($before, $state, $this->volts_V * $current, $current, $this->heat_W(), $made, $work, $seconds);

        $this->current_A = $current;

        return $seconds;
    }

    public function atRest_A(): float
    {
        return $this->rest_A;
    }

    public function heat_W(): float
    {
        return $this->stepper->holdHeat_W($this->volts_V);
    }
}
