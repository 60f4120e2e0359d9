<?php

declare(strict_types=1);

namespace Brookstone\Core\Condition;

/** What the controller knows at the moment: conditions ask it, and it keeps what they must remember. */
interface Senses
{
    public function now(): float;

    public function isOn(string $input): bool;

    /** Reading of a sensor that measures. */
    public function level(string $sensor): float;

    /** The place that a motion was last brought to. */
    public function placeOf(string $motion): ?string;

    /** Where a motion really stands, in its own unit. */
    public function positionOf(string $motion): float;

    /** Its motor is powered and not yet at its place. */
    public function isMoving(string $motion): bool;

    public function count(string $counter): int;

    /** Time of day, s since midnight. */
    public function clock_s(): float;

    public function isRunning(string $routine): bool;

    /** What a condition kept, or null. */
    public function kept(Condition $of): bool|float|null;

    public function keep(Condition $of, bool|float|null $value): void;
}
