<?php

declare(strict_types=1);

namespace Brookstone\Core\Simulation;

use Brookstone\Core\Condition\Condition;

/** What conditions ask of the world. */
trait AnswersConditions
{
    public function isOn(string $input): bool
    {
        return $this->inputs->isOn($input);
    }

    public function level(string $sensor): float
    {
        return $this->inputs->level($sensor);
    }

    public function placeOf(string $motion): ?string
    {
        return $this->axes[$motion]->knownPlace();
    }

    public function positionOf(string $motion): float
    {
        return $this->axes[$motion]->thingAt();
    }

    public function isMoving(string $motion): bool
    {
        return $this->axes[$motion]->isMoving();
    }

    public function count(string $counter): int
    {
        return $this->counters[$counter];
    }

    public function clock_s(): float
    {
        return fmod($this->scenario->clock_s + $this->now(), self::DAY_S);
    }

    public function isRunning(string $routine): bool
    {
        return isset($this->running[$routine]);
    }

    public function kept(Condition $of): bool|float|null
    {
        return $this->memory[$of] ?? null;
    }

    public function keep(Condition $of, bool|float|null $value): void
    {
        $this->memory[$of] = $value;
    }
}
