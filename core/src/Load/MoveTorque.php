<?php

declare(strict_types=1);

namespace Brookstone\Core\Load;

use Brookstone\Core\Mechanism\Mechanism;

/**
 * The torque that a wanted move needs at each instant: T = J(θ)·α + ½·J′(θ)·ω² + static(θ) + friction(θ) in the direction
 * of the move. Torques in N·m at the shaft, speeds in rad/s of the shaft, time as a share of the move.
 */
final readonly class MoveTorque
{
    private float $speedScale;

    private float $accelScale;

    private int $direction;

    private bool $isEven;

    private float $inertia;

    private float $friction;

    private bool $hasBreaks;

    private float $distance;

    private float $perRad;

    /** @param  float  $added_kgm2  inertia at the shaft besides the mechanism's own (a rotor through its ratio), ≥ 0 */
    public function __construct(public Mechanism $mechanism, public Move $move, private float $added_kgm2 = 0.0)
    {
        $perRad = $this->perRad = $mechanism->travelPerRad();
        $this->speedScale = $move->distance() / $move->seconds / $perRad;
        $this->accelScale = $move->distance() / $move->seconds ** 2 / $perRad;
        $this->direction = $move->direction();
        $this->distance = $move->distance();
        $this->hasBreaks = $mechanism->breaks() !== [];
        $this->isEven = $mechanism->isEven();
        $this->inertia = $mechanism->inertiaKgm2($move->from) + $added_kgm2;
        $this->friction = $mechanism->frictionNm($move->from);
    }

    /**
     * Parts of the move in which its torque neither jumps nor bends.
     *
     * @return list<array{float, float, array{float, float}}> from and to as shares of the time, and the profile's piece they lie in
     */
    public function pieces(): array
    {
        $cuts = [];
        foreach ($this->mechanism->breaks() as $break) {
            $way = ($break - $this->move->from) / $this->move->distance();
            if ($way > 0.0 && $way < 1.0) {
                $cuts[] = $this->move->profile->timeAt($way);
            }
        }
        sort($cuts);
        $pieces = [];
        foreach ($this->move->profile->pieces() as $piece) {
            $from = $piece[0];
            foreach ($cuts as $cut) {
                if ($cut > $from && $cut < $piece[1]) {
                    $pieces[] = [$from, $cut, $piece];
                    $from = $cut;
                }
            }
            $pieces[] = [$from, $piece[1], $piece];
        }

        return $pieces;
    }

    /**
     * @param  array{float, float}  $piece  of the profile
     * @param  float  $inside  a share of the time inside the part that is meant: at a jump it says which side counts
     * @return array{float, float} torque N·m, speed rad/s
     */
    public function at(float $t, array $piece, float $inside): array
    {
        [$torque, $speed] = $this->sample($t, $piece, $inside);

        return [$torque, $speed];
    }

    /**
     * The same with what it is made of.
     *
     * @param  array{float, float}  $piece
     * @return array{float, float, float, float, float} torque N·m, speed rad/s, static torque N·m, friction N·m, acceleration rad/s²
     */
    public function sample(float $t, array $piece, float $inside): array
    {
        [$way, $speed, $accel] = $this->move->profile->at($t, $piece);
        $speed *= $this->speedScale;
        $accel *= $this->accelScale;
        if ($this->hasBreaks) {
            // A hair inside the part: at its very ends a segment of the travel could count on both sides.
            $way += ($this->move->profile->at($inside, $piece)[0] - $way) * 1e-9;
        }
        $position = $this->move->from + $way * $this->distance;
        if ($this->isEven) {
            $static = $this->mechanism->staticTorqueNm($position);

            return [$static + $this->inertia * $accel + $this->friction * $this->direction, $speed, $static, $this->friction, $accel];
        }
        $lever = $this->perRad / $this->mechanism->travelPerRad($position); // where a cord climbs on itself its drum turns slower
        $speed *= $lever;
        $accel *= $lever;
        [$static, $friction, $inertia, $slope] = $this->mechanism->dynamics($position);

        return [$static + ($inertia + $this->added_kgm2) * $accel + 0.5 * $slope * $speed * $speed + $friction * $this->direction, $speed, $static,
            $friction, $accel];
    }

    /**
     * Where it is at a share of the time, rad or m.
     *
     * @param  array{float, float}  $piece
     */
    public function place(float $t, array $piece): float
    {
        return $this->move->from + $this->move->profile->at($t, $piece)[0] * $this->distance;
    }

    public function direction(): int
    {
        return $this->direction;
    }
}
