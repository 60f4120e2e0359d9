<?php

declare(strict_types=1);

namespace Brookstone\Core\Load;

use Brookstone\Core\Mechanism\Mechanism;

/**
 * What a wanted move asks of the shaft, over every instant of it, as MoveTorque has it. Torques in N·m at the shaft, positions in rad or m.
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
        /** Largest torque of a slow move the same way or back: |static| + friction. */
        public float $steady_peak_Nm,
    ) {
    }

    /**
     * @param  float  $added_kgm2  inertia at the shaft besides the mechanism's own (a rotor through its ratio), ≥ 0
     */
    public static function of(Mechanism $mechanism, Move $move, float $added_kgm2 = 0.0): self
    {
        $needed = new MoveTorque($mechanism, $move, $added_kgm2);
        $direction = $move->direction();
        $static = $mechanism->staticTorqueNm(...);
        $turn = abs($move->distance()) / $mechanism->travelPerRad();
        $intervals = $mechanism->evenOverRad() === INF ? self::INTERVALS : self::INTERVALS * (int) max(1, min(16, ceil($turn / M_PI)));
        $worst = ['at' => $move->from, 'value' => -INF];
        $eased = -INF;
        $peak = $power = $squares = $drag = $steady = 0.0;
        foreach ($needed->pieces() as [$from, $to, $piece]) {
            $inside = ($from + $to) / 2;
            $place = fn (float $t): float => $move->from + ($move->profile->at($t, $piece)[0] * (1 - 1e-9) + $move->profile->at($inside, $piece)[0] * 1e-9) * $move->distance();
            $holds = fn (float $t): float => abs($static($place($t)));
            $drives = fn (float $t): float => -$direction * $static($place($t)) - $mechanism->frictionNm($place($t));
            $torque = fn (float $t): float => $needed->at($t, $piece, $inside)[0];
            $output = fn (float $t): float => array_product($needed->at($t, $piece, $inside));
            $sizes = $outputs = $held = $slowly = $driven = [];
            for ($i = 0; $i <= $intervals; $i++) {
                $t = $from + ($to - $from) * $i / $intervals;
                [$value, $speed] = $needed->at($t, $piece, $inside);
                $sizes[] = abs($value);
                $outputs[] = $value * $speed;
                $there = $place($t);
                $still = $static($there);
                $rub = $mechanism->frictionNm($there);
                $held[] = abs($still);
                $slowly[] = abs($still) + $rub;
                $driven[] = -$direction * $still - $rub;
                $drag = max($drag, $rub);
            }
            $here = Extremum::refine($holds, $from, $to, $held);
            if ($here['value'] > $worst['value'] * (1 + self::TIE)) {
                $worst = ['at' => $place($here['at']), 'value' => $here['value']];
            }
            $eased = max($eased, Extremum::refine($drives, $from, $to, $driven)['value']);
            $slow = fn (float $t): float => $holds($t) + $mechanism->frictionNm($place($t));
            $steady = max($steady, Extremum::refine($slow, $from, $to, $slowly)['value']);
            $peak = max($peak, Extremum::refine(fn (float $t): float => abs($torque($t)), $from, $to, $sizes)['value']);
            $power = max($power, Extremum::refine($output, $from, $to, $outputs)['value']);
            $squares += self::simpson(array_map(fn (float $size): float => $size ** 2, $sizes), $to - $from);
        }

        return new self(
            static_peak_Nm: max(0.0, $worst['value']),
            worst_at: abs($static($move->from)) >= $worst['value'] * (1 - self::TIE) ? $move->from : $worst['at'],
            peak_Nm: $peak,
            rms_Nm: sqrt($squares),
            hold_from_Nm: abs($static($move->from)),
            hold_to_Nm: abs($static($move->to)),
            peak_speed_rad_s: $move->peakSpeed() / $mechanism->travelPerRad(),
            peak_power_W: $power,
            overhauls: self::TIE * max($worst['value'], $drag) < $eased,
            steady_peak_Nm: $steady,
        );
    }

    /** The larger of the torques that hold it still at its two ends. */
    public function hold_Nm(): float
    {
        return max($this->hold_from_Nm, $this->hold_to_Nm);
    }

    /**
     * Composite Simpson rule: Press et al., Numerical Recipes, 3rd ed., §4.1.
     *
     * @param  list<float>  $values  taken evenly
     */
    private static function simpson(array $values, float $width): float
    {
        $intervals = count($values) - 1;
        $sum = $values[0] + $values[$intervals];
        for ($i = 1; $i < $intervals; $i++) {
            $sum += ($i % 2 === 1 ? 4 : 2) * $values[$i];
        }

        return $sum * $width / $intervals / 3;
    }
}
