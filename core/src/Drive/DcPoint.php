<?php

declare(strict_types=1);

namespace Brookstone\Core\Drive;

use Brookstone\Core\Quantity\Constants;

/** Where a brushed motor settles against a steady load. */
final readonly class DcPoint
{
    private function __construct(
        public float $speed_rpm,
        public float $current_A,
        public float $output_W,
        public float $input_W,
        public float $efficiency,
        /** At this voltage and duty. */
        public float $stall_Nm,
        /** Stall torque over load; null without a load. */
        public ?float $margin,
        /** Load at which it turns most of the current into work; null when it does not turn. */
        public ?float $best_efficiency_Nm,
        public bool $stalled,
    ) {
    }

    /** @param  float  $load_Nm at the output shaft, ≥ 0 */
    public static function of(DcMotor $motor, float $supply_V, float $duty, float $load_Nm): self
    {
        $line = $motor->line($supply_V, $duty);
        $stalled = $line->stall_Nm <= 0.0 || $load_Nm >= $line->stall_Nm * (1 - Constants::TIE);
        $speed = $stalled ? 0.0 : $line->speedAgainst($load_Nm);
        $current = $stalled ? $line->stall_A : $line->currentAt($load_Nm);
        $output = $load_Nm * $speed;
        $input = $supply_V * $duty * $current;

        return new self(
            speed_rpm: $speed / Constants::RAD_S_PER_RPM,
            current_A: $current,
            output_W: $output,
            input_W: $input,
            efficiency: $input > 0.0 ? $output / $input : 0.0,
            stall_Nm: $line->stall_Nm,
            margin: match (true) {
                $line->stall_Nm <= 0.0 => 0.0,
                $load_Nm > 0.0 => $line->stall_Nm / $load_Nm,
                default => null,
            },
            best_efficiency_Nm: $line->stall_Nm > 0.0 ? self::bestEfficiency($motor, $line) : null,
            stalled: $stalled,
        );
    }

    /** s·Ts·(√(k(k+1)) − k) with k = I0/(u·Is − I0), from dη/dT = 0 on the two straight lines. */
    private static function bestEfficiency(DcMotor $motor, TorqueLine $line): float
    {
        $k = $motor->no_load_A / ($line->stall_A - $motor->no_load_A);

        return $line->stall_Nm * (sqrt($k * ($k + 1)) - $k);
    }
}
