<?php

declare(strict_types=1);

namespace Brookstone\Core\Load;

use Brookstone\Core\Mechanism\Mechanism;

/**
 * What a wanted move asks of the shaft, over every instant of it: T = static(θ) + J·α + friction in the direction of the
 * move. Torques in N·m at the shaft, positions in rad or m.
 */
final readonly class MoveLoad
{
    private const INTERVALS = 96;  // of Simpson's rule, per smooth piece; error under 1e-6 for four turns of an arm

    private const TIE = 1e-9;      // relative: limits closer than this count as met

    private function __construct(
        /** Largest |T| without inertia and friction. */
        public float $static_peak_Nm,
        /** Where the static torque is largest. */
        public float $worst_at,
        /** Largest |T|. */
        public float $peak_Nm,
        /** Root of the mean square of T over the time of the move. */
        public float $rms_Nm,
        /** |static torque| at the start. */
        public float $hold_from_Nm,
        /** |static torque| at the end. */
        public float $hold_to_Nm,
        /** Of the shaft, rad/s. */
        public float $peak_speed_rad_s,
        /** Largest T·ω, 0 if it is never positive. */
        public float $peak_power_W,
        /** At some instant the load, friction included and inertia not, drives the motor. */
        public bool $overhauls,
    ) {
    }

    /**
     * @param  float  $added_kgm2  inertia at the shaft besides the mechanism's own (a rotor through its ratio), ≥ 0
     */
    public static function of(Mechanism $mechanism, Move $move, float $added_kgm2 = 0.0): self
    {
        $perRad = $mechanism->travelPerRad();
        $direction = $move->direction();
        $friction = $mechanism->frictionNm();
        $inertia = $mechanism->inertiaKgm2() + $added_kgm2;
        $static = $mechanism->staticTorqueNm(...);
        $speedScale = $move->distance() / $move->seconds / $perRad;
        $accelScale = $move->distance() / $move->seconds ** 2 / $perRad;

        $worst = Extremum::largest(fn (float $at): float => abs($static($at)), $move->from, $move->to);
        $eased = Extremum::largest(fn (float $at): float => -$direction * $static($at), $move->from, $move->to);
        $peak = 0.0;
        $power = 0.0;
        $squares = 0.0;
        foreach ($move->profile->pieces() as $piece) {
            $torque = function (float $t) use ($move, $piece, $static, $direction, $friction, $inertia, $accelScale): float {
                [$way, , $accel] = $move->profile->at($t, $piece);

                return $static($move->from + $way * $move->distance()) + $inertia * $accel * $accelScale + $friction * $direction;
            };
            $output = fn (float $t): float => $torque($t) * $move->profile->at($t, $piece)[1] * $speedScale;
            $sizes = $outputs = [];
            foreach (self::evenly($torque, $piece[0], $piece[1]) as $t => $value) {
                $sizes[] = abs($value);
                $outputs[] = $value * $move->profile->at($piece[0] + ($piece[1] - $piece[0]) * $t / self::INTERVALS, $piece)[1] * $speedScale;
            }
            $peak = max($peak, Extremum::refine(fn (float $t): float => abs($torque($t)), $piece[0], $piece[1], $sizes)['value']);
            $power = max($power, Extremum::refine($output, $piece[0], $piece[1], $outputs)['value']);
            $squares += self::simpson(array_map(fn (float $size): float => $size ** 2, $sizes), $piece[1] - $piece[0]);
        }

        return new self(
            static_peak_Nm: $worst['value'],
            worst_at: $worst['at'],
            peak_Nm: $peak,
            rms_Nm: sqrt($squares),
            hold_from_Nm: abs($static($move->from)),
            hold_to_Nm: abs($static($move->to)),
            peak_speed_rad_s: $move->peakSpeed() / $perRad,
            peak_power_W: $power,
            overhauls: self::TIE * max($worst['value'], $friction) < $eased['value'] - $friction,
        );
    }

    /** The larger of the torques that hold it still at its two ends. */
    public function hold_Nm(): float
    {
        return max($this->hold_from_Nm, $this->hold_to_Nm);
    }

    /**
     * @param  \Closure(float): float  $of
     * @return list<float> at both ends and evenly between
     */
    private static function evenly(\Closure $of, float $from, float $to): array
    {
        $values = [];
        for ($i = 0; $i <= self::INTERVALS; $i++) {
            $values[] = $of($from + ($to - $from) * $i / self::INTERVALS);
        }

        return $values;
    }

    /**
     * Composite Simpson rule: Press et al., Numerical Recipes, 3rd ed., §4.1.
     *
     * @param  list<float>  $values  taken evenly
     */
    private static function simpson(array $values, float $width): float
    {
        $sum = $values[0] + $values[self::INTERVALS];
        for ($i = 1; $i < self::INTERVALS; $i++) {
            $sum += ($i % 2 === 1 ? 4 : 2) * $values[$i];
        }

        return $sum * $width / self::INTERVALS / 3;
    }
}
