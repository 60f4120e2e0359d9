<?php

declare(strict_types=1);

namespace Brookstone\Core\Wiring;

/** A charger beside a battery that is used: what is over each day, and how long it goes on through a power cut. */
final readonly class ChargeBalance
{
    public float $gives_Ah_day;

    public float $balance_Ah_day;

    /** null where nothing is drawn. */
    public ?float $through_cut_days;

    /** After a power cut; null where more is drawn than given. */
    public ?float $refill_days;

    /** Its current over the capacity, 1/h. */
    public float $rate_fraction_per_hour;

    public function __construct(
        float $charger_A,
        float $capacity_Ah,
        private float $daily_Ah,
        private float $charge_efficiency = 0.7,
        float $usable_fraction = 0.8,
    ) {
        $usable = $capacity_Ah * $usable_fraction;
        $this->gives_Ah_day = 24 * $charger_A * $charge_efficiency;
        $this->balance_Ah_day = $this->gives_Ah_day - $daily_Ah;
        $this->through_cut_days = $daily_Ah > 0.0 ? $usable / $daily_Ah : null;
        $this->refill_days = $this->balance_Ah_day > 0.0 ? $usable / $this->balance_Ah_day : null;
        $this->rate_fraction_per_hour = $charger_A / $capacity_Ah;
    }

    /** Of a charger that gives as much as is drawn. */
    public function least_A(): float
    {
        return $this->daily_Ah / (24 * $this->charge_efficiency);
    }
}
