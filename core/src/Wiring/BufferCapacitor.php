<?php

declare(strict_types=1);

namespace Brookstone\Core\Wiring;

use Brookstone\Core\Error\ImpossibleValue;

/**
 * A capacitor that gives what its supply is late with: C = I·t/ΔV, of which its own resistance takes I·R at once (Horowitz & Hill, 3rd ed.,
 * §1.4).
 */
final readonly class BufferCapacitor
{
    public float $esr_drop_V;

    public float $capacitance_F;

    /** @param  float  $esr_ohm  so little that it alone drops less than is allowed */
    public function __construct(float $step_A, float $bridge_s, float $allowed_drop_V, float $esr_ohm = 0.0)
    {
        $this->esr_drop_V = $step_A * $esr_ohm;
        if ($this->esr_drop_V >= $allowed_drop_V) {
            throw ImpossibleValue::because('esr_ohm', 'must drop less than is allowed.');
        }
        $this->capacitance_F = $step_A * $bridge_s / ($allowed_drop_V - $this->esr_drop_V);
    }
}
