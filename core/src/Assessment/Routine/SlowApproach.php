<?php

declare(strict_types=1);

namespace Brookstone\Core\Assessment\Routine;

use Brookstone\Core\Build\Build;
use Brookstone\Core\Dynamics\MotionRun;
use Brookstone\Core\Dynamics\Plant;
use Brookstone\Core\Finding\DocumentPath;
use Brookstone\Core\Finding\Fix;
use Brookstone\Core\Finding\Sentence;
use Brookstone\Core\Parts\LimitSwitch;
use Brookstone\Core\Parts\Place;
use Brookstone\Core\Quantity\Quantity;
use Brookstone\Core\Routine\Effect;

/** A step onto a switch, made in two: at its speed for a time that ends short of the switch even with a full supply, then slowly onto it. */
final class SlowApproach
{
    public const STRETCH = 0.25; // of the way, done slowly: a full supply is a tenth faster

    /**
     * @param  int  $i  of the routine
     * @param  string  $path  of the step inside it
     * @param  float  $speed  over the last stretch, share of its usual
     * @param  float|null  $longest_s  that the step can take then
     * @return Fix|null null where it can come from more than one place, or gets nowhere
     */
    public static function fix(Build $build, int $i, string $path, Effect $effect, LimitSwitch $switch, float $speed, ?float $longest_s): ?Fix
    {
        $move = $effect->move;
        if ($move === null || ! $move->isSent()) {
            return null;
        }
        $motion = $build->motions[$move->motion];
        $others = array_values(array_filter($motion->places, fn (Place $place): bool => $place->id !== $move->endsAt));
        if (count($others) !== 1 || $motion->drive === null || str_starts_with($path, 'if_fails')) {
            return null;
        }
        $unit = $motion->unit();
        $stretch = self::STRETCH * abs($switch->at - $others[0]->at);
        $from = $unit->toSi($others[0]->at);
        $slowAt = $unit->toSi($switch->at - $switch->direction() * $stretch);
        $fast = MotionRun::of(Plant::of($motion), $motion->drive->line($move->speed), $from, $slowAt, 60.0, ramp_s: $motion->drive->ramp_s);
        $creeps = MotionRun::of(Plant::of($motion), $motion->drive->line($speed), $slowAt, $unit->toSi($switch->at), 60.0);
        if (! $fast->reached || ! $creeps->reached || $fast->time_s === null || $creeps->time_s === null) {
            return null;
        }
        $for = floor(100 * $fast->time_s) / 100;
        $at = DocumentPath::of("routines.{$i}.{$path}");
        $written = $at->in($build->document);
        assert(is_array($written));
        $run = ['do' => 'run', 'motion' => $motion->id, 'direction' => $switch->direction() > 0 ? 'up' : 'down', 'speed' => $move->speed, 'for_s' => $for];
        $patience = $longest_s === null || $effect->giveUp_s === null || $effect->giveUp_s >= 1.5 * $longest_s ? $effect->giveUp_s
            : RoutineContext::patienceFor($longest_s);
        $slow = ['speed' => $speed, 'give_up_s' => $patience] + $written;
        $total = $for + $creeps->time_s;

        return $for < 0.05 ? null : new Fix(
            new Sentence('Slow only over the last {stretch}: fast for {for}, then at {speed} speed; it takes {time}',
                ['stretch' => $unit->quantity($stretch), 'for' => Quantity::of($for, 's'), 'speed' => Quantity::share($speed),
                    'time' => Quantity::of($total, 's')]),
            [$at->replaced($build->document, [$run, $slow])],
        );
    }
}
