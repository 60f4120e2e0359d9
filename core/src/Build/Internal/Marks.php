<?php

declare(strict_types=1);

namespace Brookstone\Core\Build\Internal;

use Brookstone\Core\Parts\LimitSwitch;
use Brookstone\Core\Parts\Motion;

/**
 * Sensors that a motion passes: each is on at one known place of it, and so tells that place as a switch does. Of a motion with two ends those at an
 * end can be driven onto from anywhere; one between them only tells that it is passed.
 *
 * @internal
 */
final class Marks
{
    /** @return list<LimitSwitch> those inside of a drive that switches itself off at its ends */
    private static function ownEnds(Motion $motion, float $low, float $high): array
    {
        $ends = [];
        foreach ($motion->drive !== null && $motion->drive->motor->endsItself() ? $motion->places : [] as $place) {
            $end = $place->at === $low ? 'low' : ($place->at === $high ? 'high' : null);
            if ($end !== null && $motion->stops->switchAt($place->id) === null) {
                $ends[] = new LimitSwitch("{$motion->id}.{$end}", "the {$end} end of {$motion->name}", $place->id, $place->at, $end, isMark: true,
                    isOwn: true);
            }
        }

        return $ends;
    }

    /**
     * @param  array<array<string, mixed>>  $sensors  on this motion, as they were read
     * @return list<LimitSwitch>
     */
    public static function of(Motion $motion, array $sensors): array
    {
        [$low, $high] = $motion->range();
        $marks = self::ownEnds($motion, $low, $high);
        foreach ($sensors as $sensor) {
            $reach = $sensor['reach'] ?? 0.0;
            $place = null;
            foreach ($motion->places as $each) {
                $off = abs(Motion::wrapped($each->at - $sensor['at'], $motion->period()));
                $place = $off <= max($reach, 1e-9) && ($place === null || $off < abs(Motion::wrapped($place->at - $sensor['at'], $motion->period()))) ? $each
                    : $place;
            }
            if ($place === null || ($motion->period() === null && $place->at !== $low && $place->at !== $high)) {
                continue;
            }
            $end = $motion->period() === null && $place->at === $low ? 'low' : 'high';
            $marks[] = new LimitSwitch(
                $sensor['id'], $sensor['name'], $place->id, $sensor['at'] - ($end === 'low' ? -$reach : $reach), $end,
                bounce_s: $sensor['bounce_s'] + $sensor['late_s'], closed: $sensor['closed'], width: 2 * $reach, isMark: true,
            );
        }

        return $marks;
    }
}
