<?php

declare(strict_types=1);

namespace Brookstone\Core\Wiring;

/** A resistor that holds an input up until something pulls it down; from 10 to 90 % it rises in 2.2·RC (Horowitz & Hill, 3rd ed., §1.4). */
final readonly class PullUp
{
    private const RISE = 2.2;

    /** Through what pulls it down. */
    public float $low_A;

    public float $high_V;

    public float $rise_s;

    public function __construct(float $supply_V, float $pullup_ohm, float $length_m = 0.5, float $pF_per_m = 100.0,
        float $extra_pF = 20.0, float $leakage_A = 1e-6)
    {
        $this->low_A = $supply_V / $pullup_ohm;
        $this->high_V = $supply_V - $leakage_A * $pullup_ohm;
        $this->rise_s = self::RISE * $pullup_ohm * ($length_m * $pF_per_m + $extra_pF) * 1e-12;
    }
}
