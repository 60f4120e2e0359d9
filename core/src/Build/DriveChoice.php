<?php

declare(strict_types=1);

namespace Brookstone\Core\Build;

use Brookstone\Core\Drive\Drive;
use Brookstone\Core\Drive\TorqueLine;

/** A drive on a supply at a duty. */
final readonly class DriveChoice
{
    public function __construct(public Drive $motor, public Supply $supply, public float $duty)
    {
    }

    /** What it does at a share of its usual speed. */
    public function line(float $speed = 1.0): TorqueLine
    {
        return $this->motor->line($this->supply->volts_V, $this->duty * $speed);
    }
}
