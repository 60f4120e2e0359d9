<?php

declare(strict_types=1);

namespace Brookstone\Core\Simulation;

use Brookstone\Core\Build\Build;
use Brookstone\Core\Condition\Condition;
use Brookstone\Core\Condition\Senses;
use Brookstone\Core\Parts\LimitSwitch;
use Brookstone\Core\Routine\Controller;
use Brookstone\Core\Routine\DrivenMotion;
use Brookstone\Core\Routine\GiveUp;
use Brookstone\Core\Routine\Moves;
use Brookstone\Core\Routine\Routine;
use Brookstone\Core\Routine\Step;
use Brookstone\Core\Routine\StepFailed;

/** The controller in the simulated world. */
final class SimulatedController implements Controller
{
    private const HALT_S = 1.0; // longest wait for a stopped motion to come to rest

    private const DEEPEST = 8; // routines that call routines

    /** @var \SplObjectStorage<Step, string> */
    private readonly \SplObjectStorage $paths;

    /** @var \ArrayObject<string, true> motions that it has been asked for, by those that it calls too */
    private readonly \ArrayObject $touched;

    /** @var \ArrayObject<string, int> steps of it that move each motion at the moment */
    private readonly \ArrayObject $claimed;

    public function __construct(private readonly World $world, public readonly Routine $routine, private readonly ?self $caller = null)
    {
        $this->touched = $caller->touched ?? new \ArrayObject;
        $this->claimed = $caller->claimed ?? new \ArrayObject;
        $this->paths = new \SplObjectStorage;
        foreach ($routine->flat() as $path => $step) {
            $this->paths[$step] = $path;
        }
    }

    public function now(): float
    {
        return $this->world->now();
    }

    public function axis(string $motion): Axis
    {
        $this->touched[$motion] = true;

        return $this->world->axes[$motion];
    }

    public function switch(string $id): LimitSwitch
    {
        return $this->world->build->switch($id) ?? throw new StepFailed("there is no switch {$id}");
    }

    public function build(): Build
    {
        return $this->world->build;
    }

    /** A condition was looked at: what stands still where a switch says is known from then on. */
    public function learns(Condition $condition, bool $holds): void
    {
        foreach ($this->world->build->toldBy($condition, $holds) as $motion => $place) {
            if ($this->world->axes[$motion]->isStill() && ! $this->world->axes[$motion]->motion->positioning->isAbsolute()) {
                $this->world->axes[$motion]->isFoundAt($place);
            }
        }
    }

    public function senses(): Senses
    {
        return $this->world;
    }

    public function set(string $counter, ?int $to, ?int $add): void
    {
        $this->world->set($counter, $to, $add);
    }

    /** The power of one motion, or of all on a supply. */
    public function power(?string $motion, ?string $supply, bool $on): void
    {
        foreach ($this->world->axes as $id => $axis) {
            if ($id === $motion || ($supply !== null && $axis->motion->drive?->supply->id === $supply)) {
                $axis->power($on);
            }
        }
    }

    /** @return \Generator<int, float|null, null, void> the steps of another routine */
    public function call(string $routine): \Generator
    {
        for ($depth = 1, $caller = $this; $caller->caller !== null; $caller = $caller->caller) {
            $depth++;
        }
        if ($depth > self::DEEPEST) {
            throw new StepFailed('routines call each other without end');
        }
        $other = $this->world->build->routines[$routine];
        yield from (new self($this->world, $other, $this))->steps($other->steps);
    }

    private function claim(?string $motion, int $by): void
    {
        if ($motion !== null) {
            $this->claimed[$motion] = ($this->claimed[$motion] ?? 0) + $by;
            $this->world->claims($motion, $by);
        }
    }

    /** What was begun and will not be gone on with moves nothing any more; a generator that is dropped need not come to its end. */
    private function release(string $motion): void
    {
        $this->claim($motion, -($this->claimed[$motion] ?? 0));
    }

    /**
     * Stops what steps move that are not gone on with.
     *
     * @param  list<Step>  $steps
     */
    public function stop(array $steps): void
    {
        foreach (Routine::motionsOf($steps) as $motion) {
            $this->release($motion);
            if ($this->axis($motion)->motion->drive !== null) {
                $this->axis($motion)->stop('brake');
            }
        }
    }

    /**
     * @return \Generator<int, float|null, null, void>
     *
     * @throws StepFailed at once
     */
    public function fail(string $because): \Generator
    {
        yield from $because === '' ? [] : throw new StepFailed($because);
    }

    public function takes(string $motion, ?string $thing): void
    {
        $this->world->takes($motion, $thing);
    }

    public function sleeps(?Condition $until): void
    {
        $this->world->sleeps($until);
    }

    public function sets(string $sensor, float $lower, float $upper): void
    {
        $this->world->inputs->calibrate($sensor, $lower, $upper);
    }

    public function isOn(string $input): bool
    {
        return $this->world->isOn($input);
    }

    /**
     * Drives a motion onto one of its switches; from then on its place is known.
     *
     * @return \Generator<int, float|null, null, void>
     */
    public function ontoSwitch(DrivenMotion $axis, LimitSwitch $switch, Moves $step, string $otherwise): \Generator
    {
        $since = $this->now();
        $by = GiveUp::by($since, $step->giveUp_s());
        $axis->push($switch->direction(), $step->speed());
        while (! $this->isOn($switch->id)) {
            $this->failAfter($since, $step->giveUp_s(), $step->motion(), $otherwise);
            yield $by;
        }
        yield from $this->halt($axis);
        $axis->isFoundAt($switch->place);
    }

    /**
     * Sends what follows a command to a position of its own, and waits until it is there.
     *
     * @return \Generator<int, float|null, null, void>
     */
    public function follow(DrivenMotion $axis, float $to, Moves $step, bool $exactly = false): \Generator
    {
        $since = $this->now();
        $axis->follow($to, $step->speed(), $exactly);
        while (! $axis->hasArrived()) {
            $this->failAfter($since, $step->giveUp_s(), $step->motion(), 'did not get to its place');
            yield;
        }
    }

    /**
     * Runs so many of its own units by its pulses. It is told to stop early by what it runs on at the speed that it has.
     *
     * @return \Generator<int, float|null, null, void>
     */
    public function countPulses(DrivenMotion $axis, float $by, Moves $step): \Generator
    {
        $since = $this->now();
        $to = $axis->reading() + $by;
        $direction = $by <=> 0.0;
        $runsOn_s = $this->world->computed->runsOn_s($axis->motion(), $to, $direction, $step->speed());
        if ($direction !== 0) {
            $axis->push($direction, $step->speed());
            while (($to - $axis->reading()) * $direction > max(0.0, $axis->speed() * $direction) * $runsOn_s) {
                $this->failAfter($since, $step->giveUp_s(), $step->motion(), 'did not count up to its place');
                yield;
            }
        }
        yield from $this->halt($axis);
    }

    /**
     * Runs for the computed time of a move.
     *
     * @return \Generator<int, float|null, null, void>
     */
    public function goByTime(DrivenMotion $axis, float $from, float $by, Moves $step): \Generator
    {
        if ($by === 0.0) {
            return;
        }
        $since = $this->now();
        $time = $this->world->computed->time_s($axis->motion(), $from, $from + $by, $step->speed())
            ?? throw new StepFailed("{$axis->motion()->name} cannot get there: its drive is too weak");
        $axis->push($by <=> 0.0, $step->speed());
        $by = GiveUp::by($since, $time, $step->giveUp_s());
        while ($this->now() - $since < $time - 1e-9) {
            $this->failAfter($since, $step->giveUp_s(), $step->motion(), 'was given less time than its move takes');
            yield $by;
        }
        yield from $this->halt($axis);
    }

    public function signal(string $output, bool $on, ?float $for_s): void
    {
        $this->world->signal($output, $on, $for_s);
    }

    /** @throws StepFailed when the time is over */
    public function failAfter(float $since, ?float $give_up_s, ?string $motion, string $because): void
    {
        if ($give_up_s !== null && $this->now() - $since >= $give_up_s - 1e-9) {
            throw new StepFailed(($motion === null ? 'it' : $this->axis($motion)->motion->name).' '.$because);
        }
    }

    /** @return \Generator<int, float|null, null, void> stops a motion and waits until it is at rest, a second at most */
    public function halt(DrivenMotion $axis, ?string $how = null): \Generator
    {
        $axis->stop($how ?? ($axis->motion()->stops->brakes ? 'brake' : 'coast'));
        $since = $this->now();
        while (! $axis->isStill() && $this->now() - $since < self::HALT_S - 1e-9) {
            yield;
        }
    }

    /**
     * @param  list<Step>  $steps
     * @return \Generator<int, float|null, null, void>
     */
    public function steps(array $steps): \Generator
    {
        foreach ($steps as $step) {
            $record = $this->world->recorder->stepStarts($this->routine, $this->paths[$step], $step, $this->now());
            $moves = $step->effect($this->build())->move?->motion;
            $this->claim($moves, 1);
            try {
                yield from $step->run($this);
            } catch (StepFailed $failure) {
                $this->world->recorder->stepEnds($record, $this->now(), 'gave_up');
                throw $failure;
            }
            $this->claim($moves, -1);
            $this->world->recorder->stepEnds($record, $this->now(), 'done');
        }
    }

    /** Moves nothing any more: the power went. */
    public function letGo(): void
    {
        foreach (array_keys($this->claimed->getArrayCopy()) as $motion) {
            $this->release($motion);
        }
    }

    /** Stops every motion that the routine moves, or what it called. */
    public function stopAll(): void
    {
        foreach ([...array_fill_keys($this->routine->motions(), true), ...$this->touched->getArrayCopy()] as $motion => $_) {
            $this->release((string) $motion);
            if ($this->axis((string) $motion)->motion->drive !== null) {
                $this->axis((string) $motion)->stop('brake');
            }
        }
    }
}
