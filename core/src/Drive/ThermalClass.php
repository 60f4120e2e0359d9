<?php

declare(strict_types=1);

namespace Brookstone\Core\Drive;

/**
 * How a motor of a size class sheds heat: one resistance and one time constant from winding to air. Typical values for
 * brushed motors of that size in a plastic mount, to be replaced by a measured one where it matters.
 *
 * First-order thermal model: Hughes, Electric Motors and Drives, 4th ed., §11.2 (rating and cooling).
 */
enum ThermalClass: string
{
    case Micro = 'micro';
    case Small = 'small';
    case Medium = 'medium';
    case Large = 'large';

    /** Made to stay on: the coil of a valve. */
    case AlwaysOn = 'always_on';

    private const LIMIT_C = 105.0; // °C at the winding: enamel and brush gear of hobby motors, insulation class A

    /** K/W from winding to air. */
    public function resistance_K_W(): float
    {
        return match ($this) {
            self::Micro => 45.0,
            self::Small => 25.0,
            self::Medium => 14.0,
            self::Large => 8.0,
            self::AlwaysOn => 0.0,
        };
    }

    /** Time constant of the winding, s. */
    public function time_constant_s(): float
    {
        return match ($this) {
            self::Micro => 40.0,
            self::Small => 90.0,
            self::Medium => 220.0,
            self::Large => 480.0,
            self::AlwaysOn => 1.0,
        };
    }

    public function limit_C(): float
    {
        return self::LIMIT_C;
    }

    /** Where the winding settles when $heat_W goes on for ever, °C. */
    public function settles_C(float $heat_W, float $ambient_C): float
    {
        return $ambient_C + $heat_W * $this->resistance_K_W();
    }

    /** Where the winding is when $heat_W has gone on for $for_s since it was cold, °C. ΔT = ΔT_end·(1 − e^(−t/τ)) */
    public function reached_C(float $heat_W, float $ambient_C, float $for_s): float
    {
        return $ambient_C + ($this->settles_C($heat_W, $ambient_C) - $ambient_C) * (1 - exp(-$for_s / $this->time_constant_s()));
    }

    /** Seconds from cold until the winding reaches its limit, or null if it never does. t = −τ ln(1 − ΔT_limit/ΔT_end) */
    public function secondsToLimit(float $heat_W, float $ambient_C): ?float
    {
        $rise = $this->settles_C($heat_W, $ambient_C) - $ambient_C;
        $allowed = self::LIMIT_C - $ambient_C;

        return $rise > $allowed ? -$this->time_constant_s() * log(1 - $allowed / $rise) : null;
    }
}
