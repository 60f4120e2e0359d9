<?php

declare(strict_types=1);

namespace Brookstone\Core\Simulation;

use Brookstone\Core\Condition\Condition;
use Brookstone\Core\Condition\Conditions;
use Brookstone\Core\Reach\StepGraph;
use Brookstone\Core\Routine\Routine;
use Brookstone\Core\Routine\Trigger;

/** Which routines start now. */
final class TriggerEvaluator
{
    private const BY_THEMSELVES = ['level', 'count', 'every', 'time_of_day'];

    /** @var \SplObjectStorage<Trigger, float|bool> of a condition: since when it is so, or false; of what comes again: when next */
    private \SplObjectStorage $kept;

    private readonly bool $hangsOnTime; // something starts, or may start, by nothing but time

    private readonly bool $hangsOnMotion;

    private float $due_s = INF; // when something that is so already, but not for long enough yet, is so for long enough

    private int $askedAt = -1; // how far the world had come when it was last asked

    private float $clock = -1.0;

    private ?StepGraph $program = null;

    private ?string $halted = null; // what started at power-on and failed

    /** @var list<Routine> that may start without any input having changed */
    private readonly array $watchers;

    private readonly bool $looksAtClock;

    public function __construct(private readonly World $world)
    {
        $this->kept = new \SplObjectStorage;
        $this->watchers = array_values(array_filter($world->build->routines,
            fn (Routine $routine): bool => array_intersect(array_column($routine->starts, 'when'), self::BY_THEMSELVES) !== []));
        $conditions = array_filter(array_map(fn (Trigger $trigger): ?Condition => $trigger->condition,
            array_merge(...array_map(fn (Routine $routine): array => $routine->starts, $this->watchers))));
        $this->hangsOnTime = Conditions::hangOnTime(...$conditions)
            || array_filter($this->watchers, fn (Routine $routine): bool => array_intersect(array_column($routine->starts, 'when'),
                ['every', 'time_of_day']) !== []) !== [];
        $this->hangsOnMotion = array_merge(...array_map(Conditions::motions(...), $conditions)) !== [];
        $this->looksAtClock = array_filter($world->build->routines, fn (Routine $routine): bool => in_array('time_of_day',
            array_column($routine->starts, 'when'), true)) !== [];
    }

    /**
     * @param  list<array{string, bool}>  $changed  inputs
     * @return list<Routine>
     */
    public function fired(array $changed, bool $powerOn): array
    {
        $now = $this->world->now();
        $gestures = $this->world->inputs->gestures($changed, $now);
        if ($powerOn) {
            $this->halted = null;
            $this->kept = new \SplObjectStorage;
        }
        $quiet = $changed === [] && $gestures === [] && ! $powerOn;
        $state = $this->world->changes() + ($this->hangsOnMotion ? $this->world->stirs() : 0);
        if ($quiet && ($this->watchers === [] || ($state === $this->askedAt && ! $this->hangsOnTime && $now < $this->due_s - 1e-9))) {
            return []; // nothing is otherwise than when it was last asked
        }
        $this->askedAt = $state;
        $this->due_s = INF;
        if ($this->looksAtClock) {
            $clock = $this->clock;
            $this->clock = $this->world->clock_s();
            $before = $powerOn ? $this->clock : $clock;
        }
        $fired = [];
        foreach ($quiet ? $this->watchers : $this->world->build->routines as $routine) {
            $starts = false;
            foreach ($routine->starts as $trigger) {
                $starts = match ($trigger->when) {
                    'power_on' => $powerOn,
                    'press' => $trigger->how === 'any' ? in_array([$trigger->sensor, true], $changed, true) : in_array([$trigger->sensor, $trigger->how],
                        $gestures, true),
                    'beam', 'input' => in_array([$trigger->sensor, $trigger->on], $changed, true),
                    'knock' => in_array([$trigger->sensor, true], $changed, true),
                    'level', 'count' => $trigger->condition !== null && $this->becomes($trigger, $trigger->condition, $now),
                    'every' => $this->comesAgain($trigger, $now),
                    'time_of_day' => $this->passes($before ?? $this->clock, $trigger->clock_s ?? 0.0),
                    default => false,
                } || $starts; // every one is asked: some of them remember
            }
            if ($starts && $this->mayStart($routine)) {
                $fired[] = $routine;
            }
        }

        return $fired;
    }

    /** Until when nothing starts unless an input changes, or something in the world, s. */
    public function due_s(): float
    {
        return match (true) {
            $this->world->inputs->awaitsGesture() => -INF,
            $this->watchers === [] => INF,
            $this->hangsOnTime || $this->hangsOnMotion => -INF,
            default => $this->due_s,
        };
    }

    /** What starts at power-on and fails leaves nobody knowing where things are: nothing starts until the power has been off. */
    public function failed(Routine $routine): void
    {
        $this->halted = $routine->startsAtPowerOn() ? $routine->name : $this->halted;
    }

    /** One that wants to be alone waits for nobody: it does not start at all. */
    private function mayStart(Routine $routine): bool
    {
        if ($this->halted !== null) {
            $this->world->recorder->routine($this->world->now(), 'ignored', "{$routine->name} does not start: {$this->halted} has failed.");

            return false;
        }
        if (! $routine->alone) {
            return true;
        }
        $this->program ??= new StepGraph($this->world->build);
        $index = array_flip(array_keys($this->world->build->routines));
        foreach ($index as $id => $other) {
            if ($this->world->isRunning((string) $id) && $id !== $routine->id && $this->program->meet($index[$routine->id], $other)) {
                $this->world->recorder->routine($this->world->now(), 'ignored',
                    "{$routine->name} does not start: ".$this->world->build->routines[$id]->name.' moves the same thing.');

                return false;
            }
        }

        return true;
    }

    /** It was not so, and now it has been so for long enough. */
    private function becomes(Trigger $trigger, Condition $condition, float $now): bool
    {
        $known = $this->kept->offsetExists($trigger);
        $since = $known ? $this->kept[$trigger] : null;
        if (! $condition->holds($this->world)) {
            $this->kept[$trigger] = false;

            return false;
        }
        if ($since === true || (! $known && $trigger->when !== 'level')) {
            $this->kept[$trigger] = true; // it has been told; a counter that is kept was told before the power went

            return false;
        }
        $since = $since === false || $since === null ? $now : $since; // a level that is so when the power comes on counts from then
        $due = (float) $since + ($trigger->for_s ?? 0.0);
        $done = $now - (float) $since >= ($trigger->for_s ?? 0.0) - 1e-9;
        $this->due_s = $done ? $this->due_s : min($this->due_s, $due);
        $this->kept[$trigger] = $done ? true : (float) $since;

        return $done;
    }

    private function comesAgain(Trigger $trigger, float $now): bool
    {
        $next = $this->kept->offsetExists($trigger) ? (float) $this->kept[$trigger] : $now + ($trigger->every_s ?? INF);
        $comes = $now >= $next - 1e-9;
        $this->kept[$trigger] = $comes ? $next + ($trigger->every_s ?? INF) : $next;

        return $comes;
    }

    private function passes(float $before, float $clock_s): bool
    {
        return $before <= $this->clock ? $before < $clock_s && $clock_s <= $this->clock : $before < $clock_s || $clock_s <= $this->clock;
    }
}
