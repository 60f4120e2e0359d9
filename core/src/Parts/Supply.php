<?php

declare(strict_types=1);

namespace Brookstone\Core\Parts;

use Brookstone\Core\Finding\Named;

/** What feeds motors: what has a capacity is a battery, anything else is regulated. */
final readonly class Supply
{
    use Named;

    public function __construct(public string $id, public string $name, public float $volts_V, public float $max_A, public ?float $capacity_Ah = null)
    {
    }

    /** Half of the way from a full battery to an empty one, over its nominal voltage. */
    private const DISCHARGES = 0.1;

    private const REGULATED = 0.01;

    /**
     * How its voltage scatters from one run to another, one standard deviation as a share: a regulated supply by one per cent, a battery evenly over
     * its discharge, a/√3.
     */
    public function spread(): float
    {
        return $this->capacity_Ah === null ? self::REGULATED : self::DISCHARGES / sqrt(3);
    }

    /** @return list<float> what it may give, empty and full, over its nominal voltage; a regulated supply always the same */
    public function ends(): array
    {
        return $this->capacity_Ah === null ? [] : [1 - self::DISCHARGES, 1 + self::DISCHARGES];
    }
}
