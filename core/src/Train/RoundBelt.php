<?php

declare(strict_types=1);

namespace Brookstone\Core\Train;

use Brookstone\Core\Error\ImpossibleValue;

/**
 * A round belt in grooves: it carries by rubbing alone. With both sides at the same pull T₀ at rest it carries
 * 2 T₀ (e^(μφ) − 1)/(e^(μφ) + 1) before it slips (Euler's belt, tension shared evenly): Shigley, Mechanical Engineering Design,
 * 10th ed., §17–2. In a groove of 40° the coefficient is that of the flat divided by sin 20°.
 */
final readonly class RoundBelt
{
    public const IN_GROOVE = 0.9; // rubber or urethane, 0.3 flat, in a groove of 40°

    /** Pull that it carries before it slips, N. */
    public float $carries_N;

    public function __construct(public float $tension_N, public float $wrap_deg, public float $friction = self::IN_GROOVE)
    {
        ImpossibleValue::unlessPositive('tension_N', $tension_N);
        ImpossibleValue::unlessPositive('wrap_deg', $wrap_deg);
        ImpossibleValue::unlessPositive('friction', $friction);
        $grip = exp($friction * $wrap_deg * M_PI / 180);
        $this->carries_N = 2 * $tension_N * ($grip - 1) / ($grip + 1);
    }

    /** Pull of each side at rest with which it would carry so much, N. */
    public function tensionFor_N(float $pull_N): float
    {
        return $pull_N * $this->tension_N / $this->carries_N;
    }
}
