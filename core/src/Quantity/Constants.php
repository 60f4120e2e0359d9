<?php

declare(strict_types=1);

namespace Brookstone\Core\Quantity;

/** Constants of nature and of units. The international units and the standard gravity are exact by definition. */
final class Constants
{
    public const TIE = 1e-9;                      // relative: two numbers closer than this are the same, and a limit that is met so closely is met

    public const GRAVITY_M_S2 = 9.80665;          // m/s²: standard gravity, CGPM 3 (1901); BIPM SI Brochure 9, §5

    public const BAR_PA = 1e5;                    // Pa: SI Brochure 9, table 8

    public const ROOM_BAR = 1.013;                // bar: of the air around, sea level, ISO 2533

    public const INCH_M = 0.0254;                 // m: international inch, exact since 1959

    public const POUND_KG = 0.45359237;           // kg: international pound, exact since 1959

    public const OUNCE_KG = self::POUND_KG / 16;  // kg

    public const RAD_PER_DEG = M_PI / 180;        // rad

    public const RAD_S_PER_RPM = M_PI / 30;       // rad/s
}
