<?php

declare(strict_types=1);

namespace Tests\Core\Condition;

use Brookstone\Core\Condition\Condition;
use Brookstone\Core\Condition\Senses;

/** Senses that say what they are told to. */
final class Told implements Senses
{
    public float $now = 0.0;

    public float $clock_s = 0.0;

    /** @var array<string, bool> */
    public array $on = [];

    /** @var array<string, float> */
    public array $levels = [];

    /** @var array<string, string|null> */
    public array $places = [];

    /** @var array<string, float> */
    public array $positions = [];

    /** @var list<string> */
    public array $moving = [];

    /** @var list<string> */
    public array $running = [];

    /** @var array<string, int> */
    public array $counts = [];

    /** @var \SplObjectStorage<Condition, bool|float|null> */
    private \SplObjectStorage $kept;

    public function __construct()
    {
        $this->kept = new \SplObjectStorage;
    }

    public function now(): float
    {
        return $this->now;
    }

    public function isOn(string $input): bool
    {
        return $this->on[$input] ?? false;
    }

    public function level(string $sensor): float
    {
        return $this->levels[$sensor] ?? 0.0;
    }

    public function placeOf(string $motion): ?string
    {
        return $this->places[$motion] ?? null;
    }

    public function positionOf(string $motion): float
    {
        return $this->positions[$motion] ?? 0.0;
    }

    public function isMoving(string $motion): bool
    {
        return in_array($motion, $this->moving, true);
    }

    public function count(string $counter): int
    {
        return $this->counts[$counter] ?? 0;
    }

    public function clock_s(): float
    {
        return $this->clock_s;
    }

    public function isRunning(string $routine): bool
    {
        return in_array($routine, $this->running, true);
    }

    public function kept(Condition $of): bool|float|null
    {
        return $this->kept[$of] ?? null;
    }

    public function keep(Condition $of, bool|float|null $value): void
    {
        $this->kept[$of] = $value;
    }
}
