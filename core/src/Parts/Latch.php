<?php

declare(strict_types=1);

namespace Brookstone\Core\Parts;

/**
 * What holds a wound motion at a place until it is let go: another motion that comes to a place of its own, or an output that goes on. Its drive winds it by
 * a cord, a cam or a pawl, and can go back without it.
 */
final readonly class Latch
{
    /**
     * @param  string  $place  of the motion, from which on it is held
     * @param  string|null  $motion  that lets it go; else an output does
     * @param  string|null  $lets_go  the place of that
     * @param  float  $friction_coefficient  of the latch on what it holds
     */
    public function __construct(public string $place, public ?string $motion = null, public ?string $lets_go = null, public ?string $output = null,
        public float $friction_coefficient = 0.3)
    {
    }
}
