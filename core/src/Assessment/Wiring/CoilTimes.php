<?php

declare(strict_types=1);

namespace Brookstone\Core\Assessment\Wiring;

use Brookstone\Core\Build\Build;
use Brookstone\Core\Parts\Output;
use Brookstone\Core\Quantity\Constants;
use Brookstone\Core\Routine\Routine;

/** For how long the steps of a routine leave a coil on that must only be hit. */
final class CoilTimes
{
    /** @return array<string, array{?float, bool}> by the path of a step that switches it on: the time it says, and whether a later step switches it off */
    public static function of(Build $build, Routine $routine, Output $output): array
    {
        $times = [];
        foreach ($routine->flat() as $path => $step) {
            $switches = $step->effect($build)->output;
            if ($switches === null || $switches->output !== $output->id) {
                continue;
            }
            if ($switches->on || $output->isThrown()) {
                $times[$path] = [$switches->for_s, false];
            } else {
                $times = array_map(fn (array $time): array => [$time[0], true], $times);
            }
        }

        return $times;
    }

    /** Whether the judge of the wiring tells that it is on for too long, so that nobody need tell it again. */
    public static function tells(Build $build, Output $output): bool
    {
        foreach ($build->wiring->isEmpty() ? [] : $build->routines as $routine) {
            foreach (self::of($build, $routine, $output) as [$for_s, $goesOff]) {
                if ($for_s === null ? ! $goesOff : $for_s > $output->bears_s() * (1 + Constants::TIE)) {
                    return true;
                }
            }
        }

        return false;
    }
}
