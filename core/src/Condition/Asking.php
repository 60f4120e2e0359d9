<?php

declare(strict_types=1);

namespace Brookstone\Core\Condition;

/** How a program asks for what conditions hang on. Every answer is an expression of the program: a truth, where nothing else is said. */
interface Asking
{
    public function input(string $sensor): string;

    /** A sensor that measures reads so much or more, or so much or less; it stays so until it has come back by the hysteresis. */
    public function reads(LevelIs $condition): string;

    /** A motion was last brought to a place. */
    public function place(string $motion, string $place): string;

    public function moving(string $motion): string;

    /** A motion stands between two positions, own unit. */
    public function between(string $motion, float $from, float $to): string;

    /** A number. */
    public function count(string $counter): string;

    /** It is between two times of day, s since midnight. */
    public function clock(float $from_s, float $to_s): string;

    public function runs(string $routine): string;

    /** Something has been so for a time without a break. */
    public function lasting(Condition $of, string $now, float $for_s): string;
}
