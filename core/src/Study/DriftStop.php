<?php

declare(strict_types=1);

namespace Brookstone\Core\Study;

use Brookstone\Core\Stops\TimedMove;

/** One stop of a motion on its way through a routine. */
final readonly class DriftStop
{
    /**
     * @param  string  $path  of the step that brings it there
     * @param  float  $at  where it should stand, own unit
     * @param  TimedMove|null  $move  that brings it there by time; null where a switch finds it
     */
    public function __construct(public string $path, public float $at, public ?TimedMove $move)
    {
    }
}
