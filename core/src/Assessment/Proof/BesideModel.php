<?php

declare(strict_types=1);

namespace Brookstone\Core\Assessment\Proof;

use Brookstone\Core\Assessment\Subject\DriveFigures;
use Brookstone\Core\Assessment\Subject\MotionFigures;
use Brookstone\Core\Assessment\Subject\MotionInBuild;
use Brookstone\Core\Build\Build;
use Brookstone\Core\Build\Measurement;
use Brookstone\Core\Drive\Stepper;
use Brookstone\Core\Parts\Motion;
use Brookstone\Core\Parts\Settings;
use Brookstone\Core\Proof\Circumstance;

/** What is computed of a motion for the very circumstance in which something was measured. Each is worked out once. */
final class BesideModel
{
    /** @var array<string, MotionFigures> */
    private array $figures = [];

    /** @param  bool  $traced  all runs with their paths: for who asks for the currents of all moves too */
    public function __construct(private readonly Settings $settings, private readonly bool $traced = false)
    {
    }

    /** s; null where the drive cannot make that move, or one of its places is gone. */
    public function time_s(Motion $motion, Measurement $entry): ?float
    {
        if (! $this->knows($motion, $entry)) {
            return null;
        }
        $figures = $this->figures($motion, $entry);
        $isRound = $motion->period() !== null && $entry->speed === 1.0; // its task may be a whole turn, which ends where it began

        return match (true) {
            $isRound && [$entry->from, $entry->to] === [$motion->task->from, $motion->task->to] => $figures->runThere()['time_s'],
            $isRound && [$entry->to, $entry->from] === [$motion->task->from, $motion->task->to] => $figures->runBack()['time_s'],
            default => $figures->time($entry->from, $entry->to, $entry->speed),
        };
    }

    /** What it draws from its supply on the way, on the average, A; null of a slower move, and of what keeps its current by itself. */
    public function current_A(Motion $motion, Measurement $entry): ?float
    {
        return ! $this->knows($motion, $entry) || $entry->speed !== 1.0 ? null : $this->figures($motion, $entry, true)->drawn_A($entry->from, $entry->to);
    }

    /** What it draws from its supply held fast, A. */
    public function stalled_A(Motion $motion, Measurement $entry): ?float
    {
        $drive = Circumstance::of($entry)->motion($motion)->drive;

        return $drive === null || $drive->motor instanceof Stepper ? null : $drive->startsWith_A($entry->speed);
    }

    /** What a balance shows where it presses, that moves it slowly from where the move begins, N; null where that is not known. */
    public function pull_N(Motion $motion, Measurement $entry): ?float
    {
        $motion = Circumstance::of($entry)->motion($motion);
        $lever = $motion->mechanism->leverM();
        if ($lever === null || $lever <= 0.0 || ! $this->knows($motion, $entry)) {
            return null;
        }
        $at = $motion->unit()->toSi($motion->at($entry->from));
        $thing = $motion->moved($motion->isThere($motion->at($entry->from), $motion->at($entry->to)));
        $way = $motion->at($entry->to) >= $motion->at($entry->from) ? 1.0 : -1.0;

        return max(0.0, $way * $thing->staticTorqueNm($at) + $thing->frictionNm($at)) / $lever;
    }

    /** Where its windings are after it has gone there and back without a rest, °C: its outside is cooler. Null of a drive that does not warm. */
    public function windings_C(Build $build, Motion $motion, Measurement $entry): ?float
    {
        $motion = Circumstance::of($entry)->motion($motion);
        if ($motion->drive === null || $entry->after_s === null) {
            return null;
        }
        $of = DriveFigures::of(new MotionInBuild($build, $motion, $this->figures($motion, $entry)));

        return $of->thermal->reached_C($of->move_heat_W, $this->settings->ambient_C, $entry->after_s);
    }

    /** Where it comes to rest, own unit: past the switch that ends its move by what it runs on. */
    public function stops_at(Motion $motion, Measurement $entry): ?float
    {
        if (! $this->knows($motion, $entry) || $motion->drive === null) {
            return null;
        }
        $switch = $motion->positioning->isSent() ? null : $motion->positioning->switchEnding($entry->to);
        if ($switch === null) {
            return $motion->at($entry->to);
        }
        $runOn = $this->figures($motion, $entry)->runOn($switch, $this->settings, $entry->speed);

        return $runOn?->distance === null ? null : $switch->at + $switch->direction() * $runOn->distance;
    }

    private function knows(Motion $motion, Measurement $entry): bool
    {
        return $motion->place($entry->from) !== null && $motion->place($entry->to) !== null;
    }

    /** @param  bool  $traced  with the paths of its runs, which are followed in smaller steps */
    private function figures(Motion $motion, Measurement $entry, bool $traced = false): MotionFigures
    {
        $how = Circumstance::of($entry);

        $traced = $traced || $this->traced;

        return $this->figures["{$motion->id} {$how->key()} {$traced}"] ??= new MotionFigures($how->motion($motion), $traced);
    }
}
