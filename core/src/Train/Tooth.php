<?php

declare(strict_types=1);

namespace Brookstone\Core\Train;

use Brookstone\Core\Error\ImpossibleValue;

/**
 * Bending at the root of a tooth, 20° full depth: Lewis, σ = Ft/(b·m·Y) with Y = π(0.154 − 0.912/z); Shigley, Mechanical
 * Engineering Design, 10th ed., §14–1.
 */
final readonly class Tooth
{
    public const LEAST_TEETH = 8;

    public float $tangential_N;

    public float $form_factor;

    public float $stress_MPa;

    /** Allowable over actual; INF without a torque. */
    public float $safety;

    /** @param  float  $torque_Nm  at the shaft of this gear, ≥ 0 */
    public function __construct(public int $teeth, public float $module_mm, public float $face_mm, public float $torque_Nm, public float $allowable_MPa)
    {
        if ($teeth < self::LEAST_TEETH) {
            throw ImpossibleValue::because('teeth', 'must be '.self::LEAST_TEETH.' or more.');
        }
        ImpossibleValue::unlessPositive('module_mm', $module_mm);
        ImpossibleValue::unlessPositive('face_mm', $face_mm);
        ImpossibleValue::unlessNotNegative('torque_Nm', $torque_Nm);
        ImpossibleValue::unlessPositive('allowable_MPa', $allowable_MPa);
        $this->tangential_N = 2000 * $torque_Nm / ($module_mm * $teeth);
        $this->form_factor = M_PI * (0.154 - 0.912 / $teeth);
        $this->stress_MPa = $this->tangential_N / ($face_mm * $module_mm * $this->form_factor);
        $this->safety = $this->stress_MPa > 0.0 ? $allowable_MPa / $this->stress_MPa : INF;
    }
}
