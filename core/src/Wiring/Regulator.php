<?php

declare(strict_types=1);

namespace Brookstone\Core\Wiring;

use Brookstone\Core\Error\ImpossibleValue;

/**
 * What a voltage regulator takes and how warm it gets: a linear one burns what is left over, a switching one a share (Horowitz & Hill, The
 * Art of Electronics, 3rd ed., §9.1, §9.6).
 */
final readonly class Regulator
{
    private function __construct(public float $heat_W, public float $input_A, public float $junction_C)
    {
    }

    /** @param  float  $out_V  under $in_V */
    public static function linear(float $in_V, float $out_V, float $current_A, float $theta_C_per_W, float $ambient_C = 25.0): self
    {
        if (! ($out_V > 0.0 && $out_V < $in_V)) {
            throw ImpossibleValue::because('out_V', 'must be less than what comes in.');
        }
        $heat = ($in_V - $out_V) * $current_A;

        return new self($heat, $current_A, $ambient_C + $theta_C_per_W * $heat);
    }

    /** Up or down. @param  float  $efficiency  over 0 to 1 */
    public static function switching(float $in_V, float $out_V, float $current_A, float $efficiency, float $theta_C_per_W, float $ambient_C = 25.0): self
    {
        ImpossibleValue::unlessPositive('in_V', $in_V);
        ImpossibleValue::unlessWithin('efficiency', $efficiency, 0.0, 1.0);
        $gives = $out_V * $current_A;
        $heat = $gives / $efficiency - $gives;

        return new self($heat, $gives / $efficiency / $in_V, $ambient_C + $theta_C_per_W * $heat);
    }
}
