<?php

declare(strict_types=1);

namespace Brookstone\Core\Parts;

/** What changes one motor over between two motions: a hand, or a servo that stands at one place for the one and at another for the other. */
final readonly class Selector
{
    /**
     * @param  string|null  $motion  the servo that moves it; null is a hand
     * @param  string|null  $place  of that, where the motor moves the motion whose drive has the selector
     * @param  string|null  $other  of that, where it moves the other
     * @param  string|null  $tells  a sensor that is on while it holds the motion whose drive has the selector
     */
    public function __construct(public ?string $motion = null, public ?string $place = null, public ?string $other = null, public ?string $tells = null)
    {
    }
}
