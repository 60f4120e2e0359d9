<?php

declare(strict_types=1);

namespace Brookstone\Core\Dynamics;

use Brookstone\Core\Drive\Stepper;
use Brookstone\Core\Load\MoveTorque;

/**
 * One move of a stepper: it follows the wanted move exactly, as long as at every instant it pulls more at that speed than
 * the move needs.
 */
final readonly class StepperRun
{
    public const SAMPLES = 16; // of each piece of the move

    /** @param  list<array{float, float, float}>  $path  time s, position in SI, current A */
    private function __construct(
        /** What it pulls over what the move needs, where that is least; INF without a load. */
        public float $margin,
        /** Where that is, rad or m. */
        public float $least_at,
        public array $path,
    ) {
    }

    /** @param  MoveTorque  $needed  of the load alone; the rotor is the plant's */
    public static function of(MoveTorque $needed, Stepper $stepper, float $supply_V, Plant $plant): self
    {
        $move = $needed->move;
        $margin = INF;
        $at = $move->from;
        $path = [];
        foreach ($needed->pieces() as [$from, $to, $piece]) {
            for ($i = 0; $i <= self::SAMPLES; $i++) {
                $t = $from + ($to - $from) * $i / self::SAMPLES;
                [$load, $speed, , , $accel] = $needed->sample($t, $piece, ($from + $to) / 2);
                $torque = $plant->motorNm($load, $speed, $accel);
                $position = $move->from + $move->profile->at($t, $piece)[0] * $move->distance();
                $path[] = [$t * $move->seconds, $position, $stepper->drawn_A($supply_V, $torque * $speed * $plant->ratio)];
                if ($torque !== 0.0) {
                    $here = $stepper->available_Nm($supply_V, $speed * $plant->ratio) / abs($torque);
                    if ($here < $margin) {
                        $margin = $here;
                        $at = $position;
                    }
                }
            }
        }

        return new self($margin, $at, $path);
    }
}
