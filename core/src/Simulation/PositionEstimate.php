<?php

declare(strict_types=1);

namespace Brookstone\Core\Simulation;

use Brookstone\Core\Parts\Motion;

/**
 * Where a controller takes a motion to be. Steps that it orders and pulses that it sees count from where the motion was last homed, and
 * are lost with the power; a motion that knows nothing of itself is where the last move should have ended. A homing is taken to be right.
 */
final class PositionEstimate
{
    private const SAME = 1e-9;

    /** In the motion's own unit. */
    private ?float $at = null;

    private bool $counted = false;

    private float $slipped_rad = 0.0; // what a stepper was told and did not turn

    private readonly float $pulse_rad; // of the output shaft; 0 without an encoder

    public function __construct(private readonly Motion $motion)
    {
        $this->pulse_rad = $motion->pulse_rad() ?? 0.0;
    }

    /** The power goes: a count is lost, and so is what only followed from the moves. */
    public function forget(): void
    {
        $this->at = null;
        $this->counted = false;
    }

    /** It is on its way. */
    public function leaves(): void
    {
        $this->at = null;
    }

    /** It has come to where it should be, own unit; null where nobody can say. */
    public function isAt(?float $at): void
    {
        $this->at = $at;
    }

    /** It was found by a switch. */
    public function isFoundAt(float $at): void
    {
        $this->at = $at;
        $this->counted = true;
        $this->slipped_rad = 0.0;
    }

    public function isCounted(): bool
    {
        return $this->counted;
    }

    public function slips(float $angle): void
    {
        $this->slipped_rad += $angle;
    }

    public function slipped_rad(): float
    {
        return $this->slipped_rad;
    }

    /** The angle of the shaft as its pulses tell it, rad. */
    public function reading(float $angle): float
    {
        return $this->pulse_rad === 0.0 ? $angle : round($angle / $this->pulse_rad) * $this->pulse_rad;
    }

    /** In the motion's own unit; null where nobody knows. @param  float  $commanded  angle of the shaft that it stands at or was told, rad */
    public function believed(float $commanded): ?float
    {
        return match (true) {
            $this->counted && $this->motion->positioning->countsPulses() => $this->own($this->reading($commanded)),
            $this->motion->positioning->countsSteps() && ($this->counted || $this->motion->turnsAnywhere()) => $this->own($commanded + $this->slipped_rad),
            default => $this->at,
        };
    }

    public function place(): ?string
    {
        foreach ($this->at === null ? [] : $this->motion->places as $place) {
            if (abs(Motion::wrapped($place->at - (float) $this->at, $this->motion->period())) < self::SAME) {
                return $place->id;
            }
        }

        return null;
    }

    private function own(float $angle): float
    {
        return $this->motion->unit()->fromSi($this->motion->mechanism->positionAt($angle));
    }
}
