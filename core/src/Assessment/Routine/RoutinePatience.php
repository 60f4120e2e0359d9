<?php

declare(strict_types=1);

namespace Brookstone\Core\Assessment\Routine;

use Brookstone\Core\Build\Build;
use Brookstone\Core\Finding\Change;
use Brookstone\Core\Finding\Finding;
use Brookstone\Core\Finding\Fix;
use Brookstone\Core\Finding\Sentence;
use Brookstone\Core\Finding\Severity;
use Brookstone\Core\Parts\Motion;
use Brookstone\Core\Quantity\Quantity;
use Brookstone\Core\Routine\Movement;
use Brookstone\Core\Routine\Routine;

/**
 * Whether a step that may never end gives up, and not before its move can have ended: how long that takes at most the rehearsals say; of what was given
 * up in one or never ended, and of what is homed, as that may begin anywhere, the computed time from its far end. Too long is what is long for that too.
 */
final readonly class RoutinePatience
{
    private const PATIENCE = 3.0;       // a give-up time over so many times the move waits too long

    private const LEAST = 1.2;          // times the move: where twice as long would be too hot

    private const SHORT_S = 5.0;        // nobody minds waiting so long before a step gives up

    private Build $build;

    private RoutineTimes $times;

    public function __construct(private RoutineContext $context)
    {
        $this->build = $context->build;
        $this->times = $context->times;
    }

    public function check(Routine $routine, int $i): void
    {
        $this->patience($routine, $i);
    }

    private function add(Routine $routine, Finding $finding, ?string $motion = null): void
    {
        $this->context->add($routine, $finding, $motion);
    }

    /** Waits and moves without a give-up time, or with one that does not fit. */
    private function patience(Routine $routine, int $i): void
    {
        foreach ($routine->flat() as $path => $step) {
            $place = "routines.{$i}.{$path}.give_up_s";
            $effect = $step->effect($this->context->build);
            $move = $effect->move;
            if ($move === null && $effect->until !== null && $effect->giveUp_s === null) {
                $this->add($routine, new Finding('routine.no_give_up', Severity::Note, $place, new Sentence('It waits here forever if nothing comes.')));
            }
            if ($move === null || ($move->staysOn && $effect->until === null)) {
                continue;
            }
            $motion = $this->build->motions[$move->motion];
            if ($motion->drive === null || ($motion->positioning->isAbsolute() && $effect->giveUp_s === null)) {
                continue;
            }
            $took = $this->context->took_s($routine, $path);
            $most = $this->longer($took, $this->times->longest($move));
            $measured = $this->times->measured($move);
            $most = $most === null ? null : max($most, $measured ?? 0.0);
            $anywhere = $move->slowest !== null || ($move->seeks && ! $move->staysOn); // it may begin further off than any rehearsal does
            $gaveUp = $this->context->gaveUp($routine, $path); // then what it took where it was done is not the longest
            $time = $took === null || $gaveUp || $anywhere ? $most : $took;
            $time = $time === null ? null : max($time, $measured ?? 0.0);
            // What is done in time, wherever it is rehearsed, has time enough: it comes to rest after that, and nobody gives it up then.
            $needs = ! $anywhere && $took !== null && ! $gaveUp ? $measured ?? 0.0 : $time;
            if ($effect->giveUp_s === null) {
                $this->add($routine, new Finding('routine.no_give_up', Severity::Fails, $place, new Sentence(
                    "If {$motion->named()} jams here, its motor pushes forever: the step has no give-up time.",
                ), $time === null ? [] : [$this->setGiveUp($place, $time, $this->secondsWhenHeld($motion, $move->speed))]), $motion->id);
            } elseif ($time !== null && $this->context->isRehearsed()) {
                $this->fits($routine, $move, $effect->giveUp_s, (float) $needs, $time, $most, $place, $motion);
            }
        }
    }

    /** null is a move that is never made. */
    private function longer(?float $took, ?float $computed): ?float
    {
        return $took === null || $computed === null ? $computed : max($took, $computed);
    }

    /**
     * @param  float  $needs  what it must be given at least, s
     * @param  float  $time  that it takes until it is at rest
     * @param  float|null  $most  the same from its far end
     */
    private function fits(Routine $routine, Movement $move, float $giveUp, float $needs, float $time, ?float $most, string $place, Motion $moved): void
    {
        [$motion, $name] = [$moved->id, $moved->named()];
        $values = ['give_up' => Quantity::of($giveUp, 's'), 'time' => Quantity::of($needs, 's')];
        $seconds = $this->secondsWhenHeld($moved, $move->speed);
        $fix = $this->setGiveUp($place, $time, $seconds);
        if ($giveUp < $needs) {
            $this->add($routine, new Finding('routine.give_up_short', Severity::Fails, $place, new Sentence(
                "It gives up after {give_up}, but {$name} can take {time}.", $values,
            ), [$fix]), $motion);
        } elseif ($most !== null && $giveUp > max(self::PATIENCE * $most, self::SHORT_S)) {
            $this->add($routine, new Finding('routine.give_up_long', Severity::Note, $place, new Sentence(
                "It gives up only after {give_up}, more than three times the {time} that {$name} can take.", ['time' => Quantity::of($most, 's')] + $values,
            ), [$this->setGiveUp($place, $most, $seconds)]), $motion);
        }
        if ($seconds !== null && $giveUp > $seconds) {
            $this->add($routine, new Finding('routine.give_up_hot', Severity::Tight, $place, new Sentence(
                "If {$name} jams, its winding overheats after {hot}, before the step gives up after {give_up}.",
                $values + ['hot' => Quantity::of($seconds, 's')],
            ), $time * self::LEAST < $seconds ? [$fix] : []), $motion);
        }
    }

    /** Time until the winding of a motor that is held fast at a speed of its command is at its limit. */
    private function secondsWhenHeld(Motion $motion, float $speed): ?float
    {
        $drive = $motion->drive;

        return $drive === null ? null : $drive->motor->body()->thermal->secondsToLimit($drive->heldHeat_W($speed), $this->build->settings->ambient_C);
    }

    /** @param  float|null  $hot_s  when its winding is at its limit: before that where there is time enough */
    private function setGiveUp(string $place, float $time, ?float $hot_s): Fix
    {
        $wait = RoutineContext::patienceFor($time);
        if ($hot_s !== null && $wait > $hot_s && $hot_s > self::LEAST * $time) {
            $wait = max(floor(10 * $hot_s) / 10, self::LEAST * $time);
        }

        return new Fix(new Sentence('Give up after {wait}', ['wait' => Quantity::of($wait, 's')]), [new Change($place, $wait)]);
    }
}
