<?php

declare(strict_types=1);

namespace Brookstone\Core\Load;

use Brookstone\Core\Mechanism\Mechanism;
use Brookstone\Core\Numeric\Extremum;
use Brookstone\Core\Quantity\Constants;

/**
 * What a wanted move asks of the shaft, over every instant of it, as MoveTorque has it. Torques in N·m at the shaft, positions in rad or m.
 */
final readonly class MoveLoad
{
    private const INTERVALS = 48;  // of Simpson's rule for a quarter turn; error under 1e-6 for four turns of an arm

    private const LEAST = 16;      // of a smooth piece, however short

    private const MOST = 1536;

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
        $turn = abs($mechanism->turnAt($move->to) - $mechanism->turnAt($move->from));
        $isLevel = $mechanism->evenOverRad() === INF && $mechanism->breaks() === []; // the same torque everywhere: nothing to refine
        $worst = ['at' => $move->from, 'value' => -INF];
        $eased = -INF;
        $peak = $power = $squares = $drag = $steady = $fastest = 0.0;
        foreach ($needed->pieces() as [$from, $to, $piece]) {
            $inside = ($from + $to) / 2;
            $covered = abs($move->profile->at($to, $piece)[0] - $move->profile->at($from, $piece)[0]) * $turn / M_PI_2;
            $intervals = $mechanism->evenOverRad() === INF ? self::LEAST : 2 * (int) ceil(max(self::LEAST, min(self::MOST, self::INTERVALS * $covered)) / 2);
            $sizes = $outputs = $held = $slowly = $driven = [];
            for ($i = 0; $i <= $intervals; $i++) {
                [$value, $speed, $still, $rub] = $needed->sample($from + ($to - $from) * $i / $intervals, $piece, $inside);
                $sizes[] = abs($value);
                $outputs[] = $value * $speed;
                $held[] = abs($still);
                $slowly[] = abs($still) + $rub;
                $driven[] = -$direction * $still - $rub;
                $drag = max($drag, $rub);
                $fastest = max($fastest, abs($speed));
            }
            $largest = fn (array $values, \Closure $of): array => $isLevel
                ? ['at' => $from, 'value' => max(-INF, ...$values)]
                : Extremum::refine(fn (float $t): float => $of($needed->sample($t, $piece, $inside)), $from, $to, array_values($values));
            $here = $largest($held, fn (array $at): float => abs($at[2]));
            if ($here['value'] > $worst['value'] * (1 + Constants::TIE)) {
                $worst = ['at' => $needed->place($here['at'], $piece), 'value' => $here['value']];
            }
            $eased = max($eased, $largest($driven, fn (array $at): float => -$direction * $at[2] - $at[3])['value']);
            $steady = max($steady, $largest($slowly, fn (array $at): float => abs($at[2]) + $at[3])['value']);
            $peak = max($peak, $largest($sizes, fn (array $at): float => abs($at[0]))['value']);
            $power = max($power, Extremum::refine(fn (float $t): float => array_product($needed->at($t, $piece, $inside)), $from, $to, $outputs)['value']);
            $squares += self::simpson(array_map(fn (float $size): float => $size ** 2, $sizes), $to - $from);
        }

        return new self(
            static_peak_Nm: max(0.0, $worst['value']),
            worst_at: abs($static($move->from)) >= $worst['value'] * (1 - Constants::TIE) ? $move->from : $worst['at'],
            peak_Nm: $peak,
            rms_Nm: sqrt($squares),
            hold_from_Nm: abs($static($move->from)),
            hold_to_Nm: abs($static($move->to)),
            peak_speed_rad_s: $fastest,
            peak_power_W: $power,
            overhauls: Constants::TIE * max($worst['value'], $drag) < $eased,
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
