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

    /** @param  float  $added_kgm2  inertia at the shaft besides the mechanism's own (a rotor through its ratio), ≥ 0 */
    public function __construct(public Mechanism $mechanism, public Move $move, private float $added_kgm2 = 0.0)
    {
        $perRad = $mechanism->travelPerRad();
        $this->speedScale = $move->distance() / $move->seconds / $perRad;
        $this->accelScale = $move->distance() / $move->seconds ** 2 / $perRad;
        $this->direction = $move->direction();
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
        [$way, $speed, $accel] = $this->move->profile->at($t, $piece);
        $speed *= $this->speedScale;
        // A hair inside the part: at its very ends a segment of the travel could count on both sides.
        $position = $this->move->from + ($way + ($this->move->profile->at($inside, $piece)[0] - $way) * 1e-9) * $this->move->distance();
        if ($this->isEven) {
            return [$this->mechanism->staticTorqueNm($position) + $this->inertia * $accel * $this->accelScale + $this->friction * $this->direction, $speed];
        }
        $mechanism = $this->mechanism;

        return [
            $mechanism->staticTorqueNm($position) + ($mechanism->inertiaKgm2($position) + $this->added_kgm2) * $accel * $this->accelScale
                + 0.5 * $mechanism->inertiaSlopeKgm2($position) * $speed ** 2 + $mechanism->frictionNm($position) * $this->direction,
            $speed,
        ];
    }

    public function direction(): int
    {
        return $this->direction;
    }
}
