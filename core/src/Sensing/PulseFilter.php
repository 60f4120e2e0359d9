<?php

declare(strict_types=1);

namespace Brookstone\Core\Sensing;

use Brookstone\Core\Error\ImpossibleValue;

/**
 * A resistor and a capacitor before an input that counts pulses: glitches must stay under its threshold, pulses must still swing past it
 * (Horowitz & Hill, The Art of Electronics, 3rd ed., §1.4).
 */
final readonly class PulseFilter
{
    public float $tau_s;

    public float $cutoff_hz;

    /** What a glitch comes to, of the supply. */
    public float $glitch_fraction;

    /** What a square wave still swings at the capacitor, of the supply. */
    public float $swing_fraction;

    public bool $rejects;

    public bool $passes;

    /** @param  float  $threshold_fraction  of the supply, between 0 and 1 */
    public function __construct(float $resistor_ohm, float $capacitor_F, float $pulse_hz, float $glitch_s, float $threshold_fraction = 0.4)
    {
        ImpossibleValue::unlessPositive('resistor_ohm', $resistor_ohm);
        ImpossibleValue::unlessPositive('capacitor_F', $capacitor_F);
        ImpossibleValue::unlessPositive('pulse_hz', $pulse_hz);
        $this->tau_s = $resistor_ohm * $capacitor_F;
        $this->cutoff_hz = 1 / (2 * M_PI * $this->tau_s);
        $this->glitch_fraction = -expm1(-$glitch_s / $this->tau_s);
        $this->swing_fraction = tanh(1 / (4 * $pulse_hz * $this->tau_s));
        $this->rejects = $this->glitch_fraction < $threshold_fraction;
        $this->passes = $this->swing_fraction > abs(2 * $threshold_fraction - 1);
    }
}
