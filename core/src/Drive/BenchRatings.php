<?php

declare(strict_types=1);

namespace Brookstone\Core\Drive;

use Brookstone\Core\Error\ImpossibleValue;
use Brookstone\Core\Finding\Sentence;
use Brookstone\Core\Quantity\Constants;
use Brookstone\Core\Quantity\Quantity;

/**
 * Ratings of a brushed motor or gear motor from what can be measured at a bench: speed and current without load, and either
 * a weight that an arm just holds, or speed and current under a known load. The line through two points of it gives the
 * rest. The working is kept, so that a builder can follow it.
 */
final readonly class BenchRatings
{
    /** @param  list<Sentence>  $working */
    private function __construct(public float $no_load_rpm, public float $no_load_A, public float $stall_Nm, public float $stall_A, public array $working)
    {
    }

    /**
     * @param  float  $held_kg  the heaviest mass that it just holds up at $arm_m with the arm level
     * @param  float  $held_A  its current then
     *
     * @throws ImpossibleValue
     */
    public static function held(float $no_load_rpm, float $no_load_A, float $held_kg, float $arm_m, float $held_A): self
    {
        ImpossibleValue::unlessPositive('held_kg', $held_kg);
        ImpossibleValue::unlessPositive('arm_m', $arm_m);
        if ($held_A <= $no_load_A) {
            throw ImpossibleValue::because('held_A', 'must be more than the current without load.');
        }
        $stall = $held_kg * Constants::GRAVITY_M_S2 * $arm_m;

        return new self($no_load_rpm, $no_load_A, $stall, $held_A, [new Sentence(
            '{mass} at {arm} are {force} × {arm} = {stall}: its stall torque.',
            ['mass' => Quantity::of($held_kg, 'kg'), 'arm' => Quantity::of($arm_m, 'm'), 'force' => Quantity::of($held_kg * Constants::GRAVITY_M_S2, 'N'),
                'stall' => Quantity::of($stall, 'N·m')],
        )]);
    }

    /**
     * @param  float  $load_Nm  the known load, > 0
     * @param  float  $loaded_rpm  its speed then, 0 to under the speed without load
     * @param  float  $loaded_A  its current then
     *
     * @throws ImpossibleValue
     */
    public static function loaded(float $no_load_rpm, float $no_load_A, float $load_Nm, float $loaded_rpm, float $loaded_A): self
    {
        ImpossibleValue::unlessPositive('load_Nm', $load_Nm);
        if ($loaded_rpm >= $no_load_rpm) {
            throw ImpossibleValue::because('loaded_rpm', 'must be slower than without load.');
        }
        if ($loaded_A <= $no_load_A) {
            throw ImpossibleValue::because('loaded_A', 'must be more than the current without load.');
        }
        $share = 1 - $loaded_rpm / $no_load_rpm;
        $stall = $load_Nm / $share;
        $current = $no_load_A + ($loaded_A - $no_load_A) / $share;
        $rpm = fn (float $speed): Quantity => Quantity::of($speed, 'rpm');

        return new self($no_load_rpm, $no_load_A, $stall, $current, [
            new Sentence('Under {load} it slows from {free} to {slow}, by {share}.', ['load' => Quantity::of($load_Nm, 'N·m'), 'free' => $rpm($no_load_rpm),
                'slow' => $rpm($loaded_rpm), 'share' => Quantity::share($share)]),
            new Sentence('It would stand still under {load} / {share} = {stall}: its stall torque.',
                ['load' => Quantity::of($load_Nm, 'N·m'), 'share' => Quantity::share($share), 'stall' => Quantity::of($stall, 'N·m')]),
            new Sentence('Its current rises by {more} for that; held it draws {idle} + {more} / {share} = {current}.', [
                'more' => Quantity::of($loaded_A - $no_load_A, 'A'), 'idle' => Quantity::of($no_load_A, 'A'), 'share' => Quantity::share($share),
                'current' => Quantity::of($current, 'A'),
            ]),
        ]);
    }
}
