<?php

declare(strict_types=1);

namespace Brookstone\Core\Drift;

use Brookstone\Core\Stops\TimedMove;

/** One stop of a motion on its way through a routine. */
final readonly class DriftStop
{
    /**
     * @param  string  $routine  whose step brings it there
     * @param  string  $path  of that step
     * @param  float  $at  where it should stand, own unit
     * @param  TimedMove|null  $move  that brings it there by time; null where a switch finds it
     */
    public function __construct(public string $routine, public string $path, public float $at, public ?TimedMove $move)
    {
    }
}
