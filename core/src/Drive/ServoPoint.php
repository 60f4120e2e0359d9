<?php

declare(strict_types=1);

namespace Brookstone\Core\Drive;

use Brookstone\Core\Quantity\Constants;

/** What a servo does against a steady load at a voltage. */
final readonly class ServoPoint
{
    private function __construct(
        public float $stall_Nm,
        public float $no_load_deg_s,
        public float $speed_deg_s,
        /** Stall torque over load; null without a load. */
        public ?float $margin,
        public bool $stalled,
        /** Time for the angle at that speed; null when stalled. */
        public ?float $move_s,
    ) {
    }

    /** @param  float  $angle_deg its size counts */
    public static function of(Servo $servo, float $supply_V, float $load_Nm, float $angle_deg): self
    {
        $rating = $servo->at($supply_V);
        $stalled = $load_Nm >= $rating->stall_Nm * (1 - Constants::TIE);
        $speed = $stalled ? 0.0 : $rating->speed_deg_s * (1 - $load_Nm / $rating->stall_Nm);

        return new self(
            $rating->stall_Nm,
            $rating->speed_deg_s,
            $speed,
            $load_Nm > 0.0 ? $rating->stall_Nm / $load_Nm : null,
            $stalled,
            $stalled ? null : abs($angle_deg) / $speed,
        );
    }
}
