<?php

declare(strict_types=1);

namespace Brookstone\Core\Train;

use Brookstone\Core\Drive\TorqueLine;

/** The ratio at which a drive gives a wanted speed against a wanted torque at the load. */
final class AskedFor
{
    private const STEPS = 400; // from the fastest ratio that could do, downwards

    private const HALVINGS = 60;

    /**
     * The tallest that gives that speed: the motor then runs light. A ratio R gives ω(T/(R η))/R, which rises with R as long as the
     * motor is near its stall, and falls once it runs light; past no-load speed over the wanted one none can do.
     *
     * @param  float  $speed_rad_s  at the load, > 0
     * @param  float  $torque_Nm  at the load, ≥ 0
     * @param  float  $efficiency  of the train to be made
     * @return float|null null where no ratio does: the drive has not the power
     */
    public static function ratio(TorqueLine $line, float $speed_rad_s, float $torque_Nm, float $efficiency): ?float
    {
        $most = $line->noLoad_rad_s() / $speed_rad_s;
        $gives = fn (float $ratio): float => $line->speedAgainst($torque_Nm / $ratio / $efficiency) / $ratio;
        $enough = fn (float $ratio): bool => $gives($ratio) >= $speed_rad_s * (1 - 1e-9);
        for ($i = 0, $too = $most; $i <= self::STEPS; $i++) {
            $ratio = $most * (1 - $i / (self::STEPS + 1));
            if ($ratio <= 0.0) {
                return null;
            }
            if ($enough($ratio)) {
                for ($j = 0; $j < self::HALVINGS && $i > 0; $j++) {
                    $middle = ($ratio + $too) / 2;
                    $enough($middle) ? $ratio = $middle : $too = $middle;
                }

                return $ratio;
            }
            $too = $ratio;
        }

        return null;
    }
}
