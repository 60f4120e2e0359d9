<?php

declare(strict_types=1);

namespace Brookstone\Core\Routine;

use Brookstone\Core\Condition\Condition;
use Brookstone\Core\Parts\Inventory;
use Brookstone\Core\Parts\LimitSwitch;

/** What a step is written down with when a routine becomes a program: the same as a controller does for it, in the same order, as lines that do it. */
interface Script
{
    public function build(): Inventory;

    /** As Controller::ontoSwitch(). */
    public function ontoSwitch(Moves $step, ?LimitSwitch $switch): void;

    public function goesTo(Moves $step, string $place): void;

    public function goesBy(Moves $step, float $by): void;

    /** As DrivenMotion::push(). */
    public function pushes(Moves $step, int $direction): void;

    /**
     * Until something is so or a time is over, whichever comes first.
     *
     * @param  bool  $goesOn  since the last wait of this step, not from now
     */
    public function waits(?Condition $until, ?float $for_s, ?float $give_up_s, bool $goesOn = false): void;

    /** It has come to a place that a switch tells, or nobody knows where it is. */
    public function comes(string $motion, ?string $place): void;

    public function halts(string $motion, string $how): void;

    public function learns(Condition $condition, bool $holds): void;

    /** @param  list<string>  $motions */
    public function powers(array $motions, bool $on): void;

    /** @param  list<list<Step>>  $branches */
    public function together(array $branches, bool $any): void;

    /** @param  list<Step>  $steps */
    public function repeats(array $steps, ?int $times, ?Condition $until): void;

    /**
     * @param  list<Step>  $then
     * @param  list<Step>  $otherwise
     */
    public function chooses(Condition $if, array $then, array $otherwise): void;

    public function counts(string $counter, ?int $to, int $add): void;

    public function signals(string $output, bool $on, ?float $for_s): void;

    public function calls(string $routine): void;

    public function fails(): void;

    public function sleeps(Condition $until): void;

    public function takes(string $motion, ?string $thing): void;

    public function changesOver(string $motion, float $takes_s): void;

    public function follows(FollowStep $step): void;

    public function paces(PaceStep $step): void;

    public function calibrates(CalibrateStep $step): void;
}
