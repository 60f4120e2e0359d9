<?php

declare(strict_types=1);

namespace Brookstone\Core\Winding;

use Brookstone\Core\Error\ImpossibleValue;
use Brookstone\Core\Quantity\Constants;

/**
 * Cord wound on a drum, layer on layer. Turns per layer = ⌊width/cord⌋ (at least 1), layer k lies at radius
 * core/2 + d/2 + k·rise, with rise d·√3/2 where each layer nests in the grooves of the one below and d where it is
 * stacked. Geometry of close-packed circles: two cords of one layer and one above form an equilateral triangle.
 */
final readonly class Drum
{
    public int $turns_per_layer;

    public int $layers;

    /** Turns of the drum for the whole cord, the last layer's part included. */
    public float $turns;

    private float $rise_m;

    private const MOST_LAYERS = 1e15; // so many can still be told apart

    /** @throws ImpossibleValue */
    public function __construct(
        public float $core_diameter_m,
        public float $cord_m,
        public float $width_m,
        public float $length_m,
        public bool $nested = true,
    ) {
        ImpossibleValue::unlessPositive('core_diameter_m', $core_diameter_m);
        ImpossibleValue::unlessPositive('cord_m', $cord_m);
        ImpossibleValue::unlessPositive('width_m', $width_m);
        ImpossibleValue::unlessPositive('length_m', $length_m);
        $this->turns_per_layer = max(1, (int) min(1e9, floor($width_m / $cord_m * (1 + Constants::TIE))));
        $this->rise_m = $nested ? $cord_m * sqrt(3) / 2 : $cord_m;
        $this->layers = $this->layersFor($length_m);
        $this->turns = ($this->layers - 1) * (float) $this->turns_per_layer
            + ($length_m - $this->woundIn_m($this->layers - 1)) / (2 * M_PI * $this->lastRadius_m());
    }

    /** A drum told by the radius to the cord's centre in its first layer. */
    public static function aroundFirstLayer(float $radius_m, float $cord_m, float $width_m, float $length_m): self
    {
        return new self(2 * $radius_m - $cord_m, $cord_m, $width_m, $length_m);
    }

    /** Radius to the cord's centre in a layer, counted from 0. */
    public function radius_m(int $layer): float
    {
        return $this->core_diameter_m / 2 + $this->cord_m / 2 + $layer * $this->rise_m;
    }

    public function lastRadius_m(): float
    {
        return $this->radius_m($this->layers - 1);
    }

    /** Radius at which the cord lies once so much of it is wound. */
    public function radiusAfter_m(float $length_m): float
    {
        return $this->radius_m(min($this->layers, $this->layersFor($length_m)) - 1);
    }

    /** Angle that the drum has turned once so much cord is wound, rad; before its first turn and past its last layer as in them. */
    public function turnAfter_m(float $length_m): float
    {
        $full = $length_m <= 0.0 ? 0 : min($this->layers, $this->layersFor($length_m)) - 1;

        return $full * $this->turns_per_layer * 2 * M_PI + ($length_m - $this->woundIn_m($full)) / $this->radius_m($full);
    }

    /** Cord wound after the drum has turned by an angle (rad), m. */
    public function lengthAfter_rad(float $turn): float
    {
        $perLayer = $this->turns_per_layer * 2 * M_PI;
        $full = $turn <= 0.0 ? 0 : (int) min($this->layers - 1, floor($turn / $perLayer * (1 + Constants::TIE)));

        return $this->woundIn_m($full) + ($turn - $full * $perLayer) * $this->radius_m($full);
    }

    /** @return list<float> cord wound when each layer but the last is full */
    public function layerEnds_m(): array
    {
        $ends = [];
        for ($layer = 1; $layer < $this->layers; $layer++) {
            $ends[] = $this->woundIn_m($layer);
        }

        return $ends;
    }

    /** Cord that so many full layers hold, m: turns·2π·(n·r₁ + rise·n(n − 1)/2). */
    private function woundIn_m(int $layers): float
    {
        return $this->turns_per_layer * 2 * M_PI * ($layers * $this->radius_m(0) + $this->rise_m * $layers * ($layers - 1) / 2);
    }

    /** The fewest layers that hold so much cord: the quadratic above solved for n. */
    private function layersFor(float $length_m): int
    {
        $b = $this->radius_m(0) - $this->rise_m / 2;
        $n = (sqrt($b * $b + $this->rise_m * $length_m / M_PI / $this->turns_per_layer) - $b) / $this->rise_m;

        return max(1, (int) ceil(min($n, self::MOST_LAYERS) * (1 - Constants::TIE)));
    }
}
