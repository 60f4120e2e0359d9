<?php

declare(strict_types=1);

namespace Brookstone\Core\Wiring;

/** What is drawn in a day, and how many days a battery lasts at that. */
final readonly class BatteryLife
{
    private const DAYS_A_MONTH = 30.0;

    public float $daily_Ah;

    /** null where nothing is drawn. */
    public ?float $life_days;

    /**
     * @param  float  $capacity_Ah  > 0
     * @param  list<array{amps_A: float, seconds_s: float, per_day: float}>  $uses
     * @param  float  $sleep_A  all the time
     * @param  float  $usable_fraction  of its capacity
     * @param  float  $self_discharge_per_month  share of its capacity
     */
    public function __construct(float $capacity_Ah, array $uses = [], float $sleep_A = 0.0, float $usable_fraction = 0.8,
        float $self_discharge_per_month = 0.0)
    {
        $daily = 24 * $sleep_A + $capacity_Ah * $self_discharge_per_month / self::DAYS_A_MONTH;
        foreach ($uses as $use) {
            $daily += $use['amps_A'] * $use['seconds_s'] * $use['per_day'] / 3600;
        }
        $this->daily_Ah = $daily;
        $this->life_days = $daily > 0.0 ? $capacity_Ah * $usable_fraction / $daily : null;
    }
}
