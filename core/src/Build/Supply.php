<?php

declare(strict_types=1);

namespace Brookstone\Core\Build;

/** What feeds motors. */
final readonly class Supply
{
    public function __construct(public string $id, public string $name, public float $volts_V, public float $max_A, public ?float $capacity_Ah = null)
    {
    }
}
