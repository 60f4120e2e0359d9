<?php

declare(strict_types=1);

namespace Brookstone\Core\Simulation;

use Brookstone\Core\Drive\AirCylinder;
use Brookstone\Core\Dynamics\HardStops;
use Brookstone\Core\Parts\Motion;

/** Where a motion ends by force: at its stops, and where there are none, at the ends of the cylinder that moves it, which take something up. */
final class EndStops
{
    /**
     * @param  bool  $hangs  it hangs on a cord: below nothing holds that
     * @param  \Closure(float): float  $angle  of its shaft at a position, rad
     * @return array{HardStops, array<int, float>} and what each of its soft ends takes up, J: −1 the lower, 1 the upper
     */
    public static function of(Motion $motion, bool $hangs, \Closure $angle): array
    {
        [$low, $high] = [$motion->stops->hard_low, $motion->stops->hard_high];
        $cylinder = $motion->drive?->motor;
        $soft = [];
        if ($cylinder instanceof AirCylinder && ! $motion->task->keeps_turning) {
            $soft = ($low === null ? [-1 => $cylinder->cushion_J] : []) + ($high === null ? [1 => $cylinder->cushion_J] : []);
            [$low, $high] = [$low ?? $motion->range()[0], $high ?? $motion->range()[1]];
        }

        return [new HardStops($low === null || $hangs ? -INF : $angle($low), $high === null ? INF : $angle($high)), $soft];
    }
}
