<?php

declare(strict_types=1);

namespace Brookstone\Core\Drive;

use Brookstone\Core\Error\ImpossibleValue;

/** What a servo gives at one voltage. */
final readonly class ServoRating
{
    public function __construct(public float $volts_V, public float $stall_Nm, public float $speed_deg_s)
    {
        ImpossibleValue::unlessPositive('volts_V', $volts_V);
        ImpossibleValue::unlessPositive('stall_Nm', $stall_Nm);
        ImpossibleValue::unlessPositive('speed_deg_s', $speed_deg_s);
    }
}
