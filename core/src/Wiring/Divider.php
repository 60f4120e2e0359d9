<?php

declare(strict_types=1);

namespace Brookstone\Core\Wiring;

use Brookstone\Core\Error\ImpossibleValue;

/** Two resistors of E24 that bring a signal down to what a pin stands (Horowitz & Hill, 3rd ed., §1.2). */
final readonly class Divider
{
    public float $upper_ohm;

    public float $lower_ohm;

    public float $pin_V;

    /** What the pin sees: both parallel. */
    public float $source_ohm;

    /** @param  float  $pin_max_V  under the signal's */
    public function __construct(float $signal_V, float $pin_max_V, float $current_A = 0.001)
    {
        if (! ($pin_max_V > 0.0 && $pin_max_V < $signal_V)) {
            throw ImpossibleValue::because('pin_max_V', 'must be less than the signal.');
        }
        $this->lower_ohm = PreferredNumber::atMost($pin_max_V / $current_A, 'E24');
        $this->upper_ohm = PreferredNumber::atLeast($this->lower_ohm * ($signal_V / $pin_max_V - 1), 'E24');
        $this->pin_V = $signal_V * $this->lower_ohm / ($this->upper_ohm + $this->lower_ohm);
        $this->source_ohm = $this->upper_ohm * $this->lower_ohm / ($this->upper_ohm + $this->lower_ohm);
    }
}
