<?php

declare(strict_types=1);

namespace Brookstone\Core\Wiring;

use Brookstone\Core\Error\ImpossibleValue;

/** The resistor before lamps of a diode kind: R = (V − n·Vf)/I, of E12 the next one up (Horowitz & Hill, 3rd ed., §1.2). */
final readonly class LampResistor
{
    public float $wanted_ohm;

    public float $value_ohm;

    public float $current_A;

    public float $resistor_W;

    /** @param  int  $in_series  so few that something is left over */
    public function __construct(float $supply_V, float $forward_V, float $current_A, int $in_series = 1)
    {
        $left = $supply_V - $in_series * $forward_V;
        if ($left <= 0.0) {
            throw ImpossibleValue::because('supply_V', 'must be more than the lamps take.');
        }
        $this->wanted_ohm = $left / $current_A;
        $this->value_ohm = PreferredNumber::atLeast($this->wanted_ohm, 'E12');
        $this->current_A = $left / $this->value_ohm;
        $this->resistor_W = $this->current_A ** 2 * $this->value_ohm;
    }
}
