<?php

declare(strict_types=1);

namespace Brookstone\Core\Simulation;

use Brookstone\Core\Dynamics\Plant;

/** What a machine takes of a motor that moves others too. */
trait WeighsOnMotor
{
    /**
     * What it takes of its motor while that moves it and something else besides.
     *
     * @return array{float, float} N·m, INF at its end; and kg·m², both at the motor's shaft
     */
    public function weighs(int $direction): array
    {
        if ($this->needs_Nm($direction) === INF) {
            return [INF, 0.0];
        }

        return [
            Plant::atMotor_Nm($this->loadNm($direction), 1.0, 0.0, $this->plant->ratio, $this->plant->efficiency, $this->plant->backEfficiency, 0.0),
            $this->burden->mechanism()->inertiaKgm2($this->plant->position($this->state)) / $this->plant->ratio ** 2 / $this->plant->efficiency,
        ];
    }

    /** The rest of what its motor moves now, at the motor's shaft. */
    public function takesAlong(int $direction, float $adds_Nm, float $adds_kgm2): void
    {
        $through = $this->plant->ratio * $this->plant->efficiency;
        $this->burden->takesAlong($direction * $adds_Nm * $through, $adds_kgm2 * $this->plant->ratio * $through);
        $this->burdened();
    }

    /** What it takes of its motor to be moved that way slowly from where it stands, N·m; below 0 where its load goes by itself, INF at its end or put down. */
    public function needs_Nm(int $direction): float
    {
        if (($direction < 0 && $this->state->angle <= max($this->stops->lowest, $this->plant->slackBelow) + self::AT_END_RAD)
            || ($direction > 0 && $this->state->angle >= $this->stops->highest - self::AT_END_RAD)) {
            return INF;
        }
        $load = $this->loadNm($direction);

        return $load / $this->plant->ratio * ($load > 0.0 ? 1.0 / $this->plant->efficiency : 1.0);
    }

    /** Its own load and friction against being moved that way slowly from where it stands, N·m at the load. */
    private function loadNm(int $direction): float
    {
        $mechanism = $this->burden->mechanism();
        $position = $this->plant->position($this->state);

        return $direction * $mechanism->staticTorqueNm($position) + $mechanism->frictionNm($position);
    }
}
