<?php

declare(strict_types=1);

namespace Brookstone\Core\Wiring;

use Brookstone\Core\Quantity\Constants;

/**
 * The fuse for a current: the smallest of the row that is not run at more than three quarters of its rating (IEC 60127-1: ratings;
 * continuous use at 75 %).
 */
final readonly class Fuse
{
    /** @var list<float> A */
    public const ROW = [0.5, 0.63, 0.8, 1.0, 1.25, 1.6, 2.0, 2.5, 3.15, 4.0, 5.0, 6.3, 8.0, 10.0, 12.5, 16.0, 20.0, 25.0, 32.0];

    public const CONTINUOUS = 0.75; // of its rating

    private const SURGE = 1.5;       // times its rating, that a quick one does not bear for long

    private const SURGE_S = 0.05;

    /** null where the row has none so large. */
    public ?float $rating_A;

    /** It must bear the start. */
    public bool $slow;

    public bool $protects_wire;

    /** @param  float|null  $wire_limit_A  what the wire bears; null where nobody knows */
    public function __construct(float $run_A, ?float $start_A = null, float $start_s = 0.0, ?float $wire_limit_A = null)
    {
        $enough = array_filter(self::ROW, fn (float $rating): bool => $rating >= $run_A / self::CONTINUOUS * (1 - Constants::TIE));
        $this->rating_A = $enough === [] ? null : min($enough);
        $this->slow = $this->rating_A !== null && ($start_A ?? $run_A) > self::SURGE * $this->rating_A && $start_s > self::SURGE_S;
        $this->protects_wire = $this->rating_A !== null && $wire_limit_A !== null && $this->rating_A <= $wire_limit_A * (1 + Constants::TIE);
    }
}
