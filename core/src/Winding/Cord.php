<?php

declare(strict_types=1);

namespace Brookstone\Core\Winding;

use Brookstone\Core\Error\ImpossibleValue;

/**
 * A cord that carries: what its knot leaves of its strength against its load and the jerk of a start. Rules of thumb for small cords:
 * a knot leaves about half, and five times the load leaves room for wear.
 */
final readonly class Cord
{
    public const SAFE = 5.0;

    public const USUAL_KNOT = 0.5;

    public const USUAL_SHOCK = 1.5;

    /** With its knot it breaks at, N. */
    public float $bears_N;

    public function __construct(public float $breaking_N, public float $knot_share = self::USUAL_KNOT)
    {
        ImpossibleValue::unlessPositive('breaking_N', $breaking_N);
        ImpossibleValue::unlessWithin('knot_share', $knot_share, 0.0, 1.0);
        $this->bears_N = $breaking_N * $knot_share;
    }

    /** How often it bears the load with its jerk. */
    public function safety(float $load_N, float $shock_factor = self::USUAL_SHOCK): float
    {
        return $this->bears_N / ($load_N * $shock_factor);
    }

    /** What a cord must break at, straight and new, to be safe. */
    public static function wanted_N(float $load_N, float $knot_share = self::USUAL_KNOT, float $shock_factor = self::USUAL_SHOCK): float
    {
        return self::SAFE * $load_N * $shock_factor / $knot_share;
    }
}
