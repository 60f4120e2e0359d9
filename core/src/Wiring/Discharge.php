<?php

declare(strict_types=1);

namespace Brookstone\Core\Wiring;

/**
 * What cells give at rest over the charge that is left in them, as a share of their nominal voltage: straight lines between points read off the curves at
 * small currents, 20 °C (Linden & Reddy, Handbook of Batteries, 4th ed., ch. 11 alkaline, 16 lead, 22 nickel, 26 lithium). Of cells that nobody knows
 * a tenth to either side, evenly.
 */
final readonly class Discharge
{
    /** @var list<string> */
    public const CELLS = ['other', 'alkaline', 'nickel', 'lead', 'lithium'];

    /** @var array<string, array{non-empty-list<array{float, float}>, float}> V of one cell by the share of its charge that is left, empty first; the nominal one */
    private const CURVES = [
        'other' => [[[0.0, 0.9], [1.0, 1.1]], 1.0],
        'alkaline' => [[[0.0, 1.0], [0.1, 1.1], [0.3, 1.2], [0.6, 1.3], [0.9, 1.45], [1.0, 1.6]], 1.5],
        'nickel' => [[[0.0, 1.0], [0.1, 1.15], [0.3, 1.21], [0.7, 1.26], [0.9, 1.32], [1.0, 1.4]], 1.2],
        'lead' => [[[0.0, 1.8], [0.1, 1.92], [0.5, 2.03], [0.9, 2.1], [1.0, 2.13]], 2.0],
        'lithium' => [[[0.0, 3.0], [0.05, 3.4], [0.2, 3.65], [0.6, 3.85], [0.9, 4.1], [1.0, 4.2]], 3.7],
    ];

    /** @var non-empty-list<array{float, float}> share left, share of the nominal voltage; both rise */
    private array $points;

    /** @param  string  $cells  one of CELLS */
    public function __construct(string $cells)
    {
        [$curve, $nominal] = self::CURVES[$cells];
        $this->points = array_map(fn (array $point): array => [$point[0], $point[1] / $nominal], $curve);
    }

    /** Empty, over the nominal voltage. */
    public function empty(): float
    {
        return $this->volts(0.0);
    }

    /** Full, over the nominal voltage. */
    public function full(): float
    {
        return $this->volts(1.0);
    }

    /**
     * @param  float  $left  share of the charge, 0 to 1; beyond, the ends
     * @return float share of the nominal voltage
     */
    public function volts(float $left): float
    {
        return $this->between(0, 1, $left);
    }

    /**
     * The inverse of volts().
     *
     * @param  float  $share  of the nominal voltage
     * @return float share of the charge, 0 to 1
     */
    public function left(float $share): float
    {
        return $this->between(1, 0, $share);
    }

    private function between(int $by, int $of, float $at): float
    {
        $last = $this->points[0];
        if ($at <= $last[$by]) {
            return $last[$of];
        }
        foreach ($this->points as $point) {
            if ($at <= $point[$by]) {
                return $last[$of] + ($point[$of] - $last[$of]) * ($at - $last[$by]) / ($point[$by] - $last[$by]);
            }
            $last = $point;
        }

        return $last[$of];
    }
}
