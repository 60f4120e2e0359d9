<?php

declare(strict_types=1);

namespace Brookstone\Core\Routine;

use Brookstone\Core\Condition\Condition;
use Brookstone\Core\Condition\Senses;
use Brookstone\Core\Parts\Inventory;
use Brookstone\Core\Parts\LimitSwitch;

/** What a running routine can ask for and do. Steps are written against this, whatever the controller is. */
interface Controller
{
    /** s since its power came on. */
    public function now(): float;

    public function axis(string $motion): DrivenMotion;

    /** @throws StepFailed where there is none of that name */
    public function switch(string $id): LimitSwitch;

    public function build(): Inventory;

    /** A condition was looked at: what stands still where a switch says is known from then on. */
    public function learns(Condition $condition, bool $holds): void;

    public function senses(): Senses;

    public function set(string $counter, ?int $to, ?int $add): void;

    /** The power of one motion, or of all on a supply. */
    public function power(?string $motion, ?string $supply, bool $on): void;

    public function signal(string $output, bool $on, ?float $for_s): void;

    /**
     * A motion takes a thing up that it has come to, or puts down what it carries.
     *
     * @throws StepFailed where that is not there
     */
    public function takes(string $motion, ?string $thing): void;

    /** The controller sleeps until something is so; null: it is awake. */
    public function sleeps(?Condition $until): void;

    public function isOn(string $input): bool;

    /** The threshold of a sensor that measures: on from the upper reading up, off from the lower down. */
    public function sets(string $sensor, float $lower, float $upper): void;

    /** @return \Generator<int, float|null, null, void> the steps of another routine */
    public function call(string $routine): \Generator;

    /**
     * @param  list<Step>  $steps
     * @return \Generator<int, float|null, null, void>
     */
    public function steps(array $steps): \Generator;

    /**
     * Stops what steps move that are not gone on with.
     *
     * @param  list<Step>  $steps
     */
    public function stop(array $steps): void;

    /**
     * @return \Generator<int, float|null, null, void>
     *
     * @throws StepFailed at once
     */
    public function fail(string $because): \Generator;

    /** @throws StepFailed when the time is over */
    public function failAfter(float $since, ?float $give_up_s, ?string $motion, string $because): void;

    /** @return \Generator<int, float|null, null, void> stops a motion and waits until it is at rest, a second at most */
    public function halt(DrivenMotion $axis, ?string $how = null): \Generator;

    /**
     * Drives a motion onto one of its switches; from then on its place is known.
     *
     * @return \Generator<int, float|null, null, void>
     */
    public function ontoSwitch(DrivenMotion $axis, LimitSwitch $switch, Moves $step, string $otherwise): \Generator;

    /**
     * Sends what follows a command to a position of its own, and waits until it is there.
     *
     * @return \Generator<int, float|null, null, void>
     */
    public function follow(DrivenMotion $axis, float $to, Moves $step, bool $exactly = false): \Generator;

    /**
     * Runs so many of its own units by its pulses. It is told to stop early by what it runs on at the speed that it has.
     *
     * @return \Generator<int, float|null, null, void>
     */
    public function countPulses(DrivenMotion $axis, float $by, Moves $step): \Generator;

    /**
     * Runs for the computed time of a move.
     *
     * @return \Generator<int, float|null, null, void>
     */
    public function goByTime(DrivenMotion $axis, float $from, float $by, Moves $step): \Generator;
}
