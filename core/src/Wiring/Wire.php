<?php

declare(strict_types=1);

namespace Brookstone\Core\Wiring;

use Brookstone\Core\Error\ImpossibleValue;

/** A pair of copper wires to something and back: R = ρ·2l/A (Hughes, Electrical Technology, 10th ed., §3.6). */
final readonly class Wire
{
    private const RESISTIVITY_OHM_M = 1.724e-8; // of annealed copper at 20 °C (IEC 60028)

    private const PER_C = 0.00393;              // of that, for each degree more

    public float $resistance_ohm;

    public float $drop_V;

    public float $drop_fraction;

    public float $loss_W;

    /**
     * @param  float  $length_m  one way, > 0
     * @param  float  $area_mm2  > 0
     * @param  float  $current_A  ≥ 0
     * @param  float  $supply_V  > 0
     */
    public function __construct(float $length_m, float $area_mm2, float $current_A, float $supply_V, float $temperature_C = 20.0)
    {
        ImpossibleValue::unlessPositive('length_m', $length_m);
        ImpossibleValue::unlessPositive('area_mm2', $area_mm2);
        ImpossibleValue::unlessPositive('supply_V', $supply_V);
        ImpossibleValue::unlessNotNegative('current_A', $current_A);
        $resistivity = self::RESISTIVITY_OHM_M * (1 + self::PER_C * ($temperature_C - 20.0));
        $this->resistance_ohm = $resistivity * 2 * $length_m / ($area_mm2 * 1e-6);
        $this->drop_V = $current_A * $this->resistance_ohm;
        $this->drop_fraction = $this->drop_V / $supply_V;
        $this->loss_W = $current_A * $this->drop_V;
    }
}
