<?php

declare(strict_types=1);

namespace Brookstone\Core\Assessment;

use Brookstone\Core\Build\Build;
use Brookstone\Core\Finding\Change;
use Brookstone\Core\Finding\Finding;
use Brookstone\Core\Finding\Fix;
use Brookstone\Core\Finding\Sentence;
use Brookstone\Core\Finding\Severity;
use Brookstone\Core\Finding\Verdict;
use Brookstone\Core\Quantity\Quantity;
use Brookstone\Core\Routine\GoStep;
use Brookstone\Core\Routine\HomeStep;
use Brookstone\Core\Routine\RepeatStep;
use Brookstone\Core\Routine\Routine;
use Brookstone\Core\Routine\RunStep;
use Brookstone\Core\Routine\Step;
use Brookstone\Core\Routine\StopStep;
use Brookstone\Core\Routine\Trigger;
use Brookstone\Core\Routine\WaitStep;

/**
 * What can be said of the routines without running them. Works on the whole build at once, because what one routine may
 * do depends on what another has done; each motion's chain then takes its own share.
 */
final class RoutineJudge
{
    private const PATIENCE = 3.0;       // a give-up time over so many times the move waits too long

    private const GIVE_UP = 2.0;        // what a fix sets: so many times the move

    private const HOME_SPEED = 0.5;

    private const LEAST_GIVE_UP_S = 1.0;

    private const SHORT_S = 5.0;        // nobody minds waiting so long before a step gives up

    /** @var array<string, list<Finding>> by motion */
    private array $byMotion = [];

    /** @var array<string, list<Finding>> by routine */
    private array $byRoutine = [];

    /** @var array<string, ?float> s, by routine; null where a move is never made or it has no end */
    private array $takes = [];

    private readonly RoutineTimes $times;

    /** @param  array<string, Subject>  $subjects by motion */
    public function __construct(private readonly Build $build, private readonly array $subjects)
    {
        $this->times = new RoutineTimes($build, $subjects);
        $homed = $this->homedAtPowerOn();
        foreach (array_values($build->routines) as $i => $routine) {
            $this->byRoutine[$routine->id] = [];
            $this->takes[$routine->id] = null;
            $this->starts($routine, $i);
            $this->knows($routine, $i, $homed);
            $this->patience($routine, $i);
            $this->leftPowered($routine, $i);
            $this->duration($routine, $i);
        }
        foreach (SharedDrives::findings($build) as [$routine, $finding, $motion]) {
            $this->add($routine, $finding, $motion);
        }
    }

    public function link(Subject $subject): Link
    {
        $id = $subject->motion->id;
        $uses = array_filter($this->build->routines, fn (Routine $routine): bool => in_array($id, $routine->motions(), true));
        $findings = $this->byMotion[$id] ?? [];
        if ($uses === []) {
            return Link::notSaid('routine', 'in no routine yet', $findings);
        }
        $steps = 0;
        foreach ($uses as $routine) {
            foreach ($routine->flat() as $step) {
                $steps += $step->motion() === $id ? 1 : 0;
            }
        }

        return Link::of(
            'routine',
            new Sentence($steps.($steps === 1 ? ' step' : ' steps')),
            new Sentence('in '.implode(', ', array_map(fn (Routine $routine): string => $routine->name, array_values($uses)))),
            $findings,
        );
    }

    /** @return list<array{id: string, name: string, verdict: string, takes_s: ?float, target_s: ?float, steps: list<array{path: string, says: Sentence}>, findings: list<Finding>}> */
    public function routines(): array
    {
        $said = [];
        foreach ($this->build->routines as $id => $routine) {
            $steps = [];
            foreach ($routine->flat() as $path => $step) {
                $steps[] = ['path' => $path, 'says' => $step->says($this->build)];
            }
            $findings = $this->byRoutine[$id];
            usort($findings, fn (Finding $a, Finding $b): int => $b->severity->rank() <=> $a->severity->rank());
            $said[] = [
                'id' => $id, 'name' => $routine->name, 'verdict' => ($steps === [] ? Verdict::NotSaid : Verdict::ofFindings($findings))->value,
                'takes_s' => $this->takes[$id], 'target_s' => $routine->target_s, 'steps' => $steps, 'findings' => $findings,
            ];
        }

        return $said;
    }

    private function add(Routine $routine, Finding $finding, ?string $motion = null): void
    {
        $this->byRoutine[$routine->id][] = $finding;
        if ($motion !== null) {
            $this->byMotion[$motion][] = $finding;
        }
    }

    private function starts(Routine $routine, int $i): void
    {
        if ($routine->steps === []) {
            return;
        }
        if ($routine->starts === []) {
            $this->add($routine, new Finding('routine.never_starts', Severity::Tight, "routines.{$i}.starts", new Sentence("Nothing starts {$routine->name}: give it a trigger."), [
                new Fix(new Sentence('Start it when the power comes on'), [new Change("routines.{$i}.starts", [['when' => 'power_on']])]),
            ]));
        }
    }

    /** @return array<string, true> motions that a routine homes whenever the power comes on */
    private function homedAtPowerOn(): array
    {
        $homed = [];
        foreach ($this->build->routines as $routine) {
            if (array_filter($routine->starts, fn (Trigger $trigger): bool => $trigger->when === 'power_on') !== []) {
                foreach ($routine->flat() as $step) {
                    if ($step instanceof HomeStep) {
                        $homed[$step->motion] = true;
                    }
                }
            }
        }

        return $homed;
    }

    /**
     * A motion moves before its place is known.
     *
     * @param  array<string, true>  $homed
     */
    private function knows(Routine $routine, int $i, array $homed): void
    {
        $atPowerOn = array_filter($routine->starts, fn (Trigger $trigger): bool => $trigger->when === 'power_on') !== [];
        $known = $atPowerOn ? [] : $homed;
        foreach ($routine->flat() as $path => $step) {
            $id = $step->motion();
            $motion = $id === null ? null : $this->build->motions[$id];
            if ($id === null || $motion === null || $motion->drive === null || $motion->task->keeps_turning || isset($known[$id])) {
                continue;
            }
            if ($motion->isAbsolute()) {
                if ($step instanceof HomeStep) {
                    $this->add($routine, new Finding('routine.home_needless', Severity::Note, "routines.{$i}.{$path}", new Sentence("{$motion->name} is moved by a servo, which knows its place: it need not be homed.")), $id);
                }
                $known[$id] = true;

                continue;
            }
            $known[$id] = true;
            $finds = $step instanceof HomeStep || $step instanceof StopStep
                || ($step instanceof RunStep && $step->until !== null && $motion->stops->switch($step->until->sensor) !== null);
            if (! $finds) {
                $this->add($routine, new Finding('routine.moves_before_home', Severity::Fails, "routines.{$i}.{$path}", new Sentence(
                    "{$motion->name} moves here before anybody knows where it is: after a power cut it may stand anywhere.",
                ), $this->homeFirst($routine, $i, $id)), $id);
            }
        }
    }

    /** @return list<Fix> */
    private function homeFirst(Routine $routine, int $i, string $motion): array
    {
        $subject = $this->subjects[$motion];
        $switches = $subject->motion->stops->switches;
        if ($switches === []) {
            return [];
        }
        $home = $subject->motion->stops->switchAt($subject->motion->task->from) ?? $switches[0];
        $time = $subject->facts->longestTimeTo($home->place, self::HOME_SPEED);
        $step = ['do' => 'home', 'motion' => $motion, 'switch' => $home->id, 'speed' => self::HOME_SPEED, 'give_up_s' => $time === null ? null : $this->patienceFor($time)];

        return [new Fix(
            new Sentence("Home {$subject->motion->name} onto {$home->name} first"),
            [new Change("routines.{$i}.steps", [$step, ...$this->build->document['routines'][$i]['steps']])],
        )];
    }

    /** Waits and moves without a give-up time, or with one that does not fit. */
    private function patience(Routine $routine, int $i): void
    {
        foreach ($routine->flat() as $path => $step) {
            $place = "routines.{$i}.{$path}.give_up_s";
            if ($step instanceof WaitStep && $step->until !== null && $step->give_up_s === null) {
                $this->add($routine, new Finding('routine.no_give_up', Severity::Note, $place, new Sentence('It waits here for ever if nothing comes.')));
            }
            if (! $step instanceof HomeStep && ! $step instanceof GoStep && ! ($step instanceof RunStep && $step->until !== null)) {
                continue;
            }
            $motion = $this->build->motions[$step->motion];
            if ($motion->drive === null || ($motion->isAbsolute() && $step->give_up_s === null)) {
                continue;
            }
            $time = $this->times->longest($step);
            if ($step->give_up_s === null) {
                $this->add($routine, new Finding('routine.no_give_up', Severity::Fails, $place, new Sentence(
                    "If {$motion->name} jams here, its motor pushes for ever: the step has no give-up time.",
                ), $time === null ? [] : [$this->setGiveUp($place, $time)]), $motion->id);
            } elseif ($time !== null) {
                $this->fits($routine, $step->give_up_s, $time, $place, $motion->id, $motion->name);
            }
        }
    }

    private function fits(Routine $routine, float $giveUp, float $time, string $place, string $motion, string $name): void
    {
        $values = ['give_up' => Quantity::of($giveUp, 's'), 'time' => Quantity::of($time, 's')];
        if ($giveUp < $time) {
            $this->add($routine, new Finding('routine.give_up_short', Severity::Fails, $place, new Sentence(
                "It gives up after {give_up}, but {$name} can take {time} from its far end.", $values,
            ), [$this->setGiveUp($place, $time)]), $motion);
        } elseif ($giveUp > max(self::PATIENCE * $time, self::SHORT_S)) {
            $this->add($routine, new Finding('routine.give_up_long', Severity::Note, $place, new Sentence(
                "It gives up only after {give_up}, more than three times the {time} that {$name} can take.", $values,
            ), [$this->setGiveUp($place, $time)]), $motion);
        }
        $seconds = $this->secondsWhenHeld($motion);
        if ($seconds !== null && $giveUp > $seconds) {
            $this->add($routine, new Finding('routine.give_up_hot', Severity::Tight, $place, new Sentence(
                "If {$name} jams, its winding is too hot after {hot}, before the step gives up after {give_up}.", $values + ['hot' => Quantity::of($seconds, 's')],
            ), $time * self::GIVE_UP < $seconds ? [$this->setGiveUp($place, $time)] : []), $motion);
        }
    }

    /** Time until the winding of a held motor is at its limit. */
    private function secondsWhenHeld(string $motion): ?float
    {
        $drive = $this->build->motions[$motion]->drive;
        if ($drive === null) {
            return null;
        }

        return $drive->motor->body()->thermal->secondsToLimit($drive->line()->stall_A ** 2 * $drive->motor->resistance_ohm(), $this->build->settings->ambient_C);
    }

    private function setGiveUp(string $place, float $time): Fix
    {
        $wait = $this->patienceFor($time);

        return new Fix(new Sentence('Give up after {wait}', ['wait' => Quantity::of($wait, 's')]), [new Change($place, $wait)]);
    }

    private function patienceFor(float $time): float
    {
        return max(self::LEAST_GIVE_UP_S, ceil($time * self::GIVE_UP * 2) / 2);
    }

    /** A run whose motor nothing switches off, and a run towards where its switch is not. */
    private function leftPowered(Routine $routine, int $i): void
    {
        $this->leftPoweredIn($routine, $routine->steps, "routines.{$i}.steps");
        foreach ($routine->flat() as $path => $step) {
            $switch = $step instanceof RunStep && $step->until !== null ? $this->build->motions[$step->motion]->stops->switch($step->until->sensor) : null;
            if ($step instanceof RunStep && $switch !== null && $step->until?->on === true && $switch->direction() !== $step->direction) {
                $this->add($routine, new Finding('routine.until_unreachable', Severity::Fails, "routines.{$i}.{$path}.direction", new Sentence(
                    "{$this->build->motions[$step->motion]->name} runs ".($step->direction > 0 ? 'up' : 'down')." here and cannot reach {$switch->name}, which lies the other way.",
                ), [new Fix(new Sentence('Run it '.($step->direction > 0 ? 'down' : 'up')), [new Change("routines.{$i}.{$path}.direction", $step->direction > 0 ? 'down' : 'up')])]), $step->motion);
            }
        }
    }

    /** @param  list<Step>  $steps */
    private function leftPoweredIn(Routine $routine, array $steps, string $path): void
    {
        foreach ($steps as $i => $step) {
            if ($step instanceof RepeatStep) {
                $this->leftPoweredIn($routine, $step->steps, "{$path}.{$i}.steps");
            }
            if (! $step instanceof RunStep || $this->build->motions[$step->motion]->isAbsolute() || $this->build->motions[$step->motion]->task->keeps_turning) {
                continue;
            }
            $later = array_filter(array_slice($steps, $i + 1), fn (Step $next): bool => $next->motion() === $step->motion);
            if ($later === []) {
                $list = $this->stepsAt($path);
                $this->add($routine, new Finding('routine.left_powered', Severity::Fails, "{$path}.{$i}", new Sentence(
                    "Nothing stops {$this->build->motions[$step->motion]->name} after this run: its motor goes on pushing against the stop and burns out its driver.",
                ), [new Fix(
                    new Sentence('Brake it after the run'),
                    [new Change($path, [...array_slice($list, 0, $i + 1), ['do' => 'stop', 'motion' => $step->motion, 'how' => 'brake'], ...array_slice($list, $i + 1)])],
                )]), $step->motion);
            }
        }
    }

    /** @return list<array<string, mixed>> the list of steps at a path, as the document has it */
    private function stepsAt(string $path): array
    {
        $found = $this->build->document;
        foreach (explode('.', $path) as $key) {
            $found = $found[$key];
        }

        return $found;
    }

    /** How long the routine takes, from the computed times of its moves, against its target. */
    private function duration(Routine $routine, int $i): void
    {
        $this->takes[$routine->id] = $this->times->of($routine);
        $takes = $this->takes[$routine->id];
        if ($takes === null) {
            $this->neverThere($routine, $i);
        }
        if ($takes === null || $routine->target_s === null || $takes <= $routine->target_s * (1 - $this->build->settings->over_time_share)) {
            return;
        }
        $fails = $takes > $routine->target_s;
        $this->add($routine, new Finding('routine.over_target', $fails ? Severity::Fails : Severity::Tight, "routines.{$i}.target_s", new Sentence(
            "{$routine->name} takes about {takes}, ".($fails ? 'longer than' : 'just within').' the {target} asked for.',
            ['takes' => Quantity::of($takes, 's'), 'target' => Quantity::of($routine->target_s, 's')],
        )));
    }

    /** A step whose move the drive cannot make: the routine gives up there every time. */
    private function neverThere(Routine $routine, int $i): void
    {
        foreach ($routine->flat() as $path => $step) {
            if (($step instanceof HomeStep || $step instanceof GoStep || ($step instanceof RunStep && $step->until !== null && $this->build->motions[$step->motion]->stops->switch($step->until->sensor) !== null))
                && $this->build->motions[$step->motion]->drive !== null && $this->times->longest($step) === null) {
                $this->add($routine, new Finding('routine.never_there', Severity::Fails, "routines.{$i}.{$path}", new Sentence(
                    "{$routine->name} gives up at “{$step->says($this->build)->text()}” The drive of {$this->build->motions[$step->motion]->name} does not make that move.",
                )), $step->motion);

                return;
            }
        }
    }
}
