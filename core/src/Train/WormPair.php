<?php

declare(strict_types=1);

namespace Brookstone\Core\Train;

use Brookstone\Core\Error\ImpossibleValue;
use Brookstone\Core\Quantity\Constants;

/**
 * A worm and its wheel: tan λ = starts/q, and the thread as a wedge with the friction angle ρ = atan(μ/cos α). Efficiency
 * tan λ/tan(λ + ρ); the wheel drives back with tan(λ − ρ)/tan λ, and not at all under ρ: Shigley, Mechanical Engineering
 * Design, 10th ed., §13–17 and §8–2.
 */
final readonly class WormPair
{
    private const SURELY = 2 / 3;

    public float $lead_angle_deg;

    public float $ratio;

    public float $efficiency;

    public float $back_efficiency;

    public bool $self_locking;

    public float $centre_mm;

    /** Lead angle under the friction angle by so much, degrees; negative where it does not lock. */
    public float $locks_by_deg;

    /** It still locks when vibration and grease take a third of the friction angle. */
    public bool $locks_surely;

    /** @param  float  $diameter_quotient  pitch diameter of the worm over the module, > 0 */
    public function __construct(
        public float $module_mm,
        public float $diameter_quotient,
        public int $starts,
        public int $wheel,
        public float $friction_coefficient,
        public float $pressure_angle_deg = 20.0,
    ) {
        ImpossibleValue::unlessPositive('module_mm', $module_mm);
        ImpossibleValue::unlessPositive('diameter_quotient', $diameter_quotient);
        ImpossibleValue::unlessPositive('starts', $starts);
        ImpossibleValue::unlessPositive('wheel', $wheel);
        ImpossibleValue::unlessNotNegative('friction_coefficient', $friction_coefficient);
        $lead = atan($starts / $diameter_quotient);
        $friction = atan($friction_coefficient / cos($pressure_angle_deg * Constants::RAD_PER_DEG));
        $this->lead_angle_deg = $lead / Constants::RAD_PER_DEG;
        $this->ratio = $wheel / $starts;
        $this->efficiency = $lead + $friction >= M_PI / 2 ? 0.0 : tan($lead) / tan($lead + $friction);
        $this->back_efficiency = max(0.0, tan($lead - $friction) / tan($lead));
        $this->self_locking = $this->back_efficiency <= 0.0;
        $this->locks_surely = $lead <= self::SURELY * $friction;
        $this->locks_by_deg = ($friction - $lead) / Constants::RAD_PER_DEG;
        $this->centre_mm = $module_mm * ($diameter_quotient + $wheel) / 2;
    }

    /** The quotient from which on it locks surely: the thicker a worm, the flatter its thread. */
    public function surelyFrom(): float
    {
        return $this->starts / tan(self::SURELY * ($this->locks_by_deg + $this->lead_angle_deg) * Constants::RAD_PER_DEG);
    }
}
