<?php

declare(strict_types=1);

namespace Brookstone\Core\Simulation;

use Brookstone\Core\Build\Motion;
use Brookstone\Core\Mechanism\Burdened;

/** What the world does to the load of a motion: takes its payload, makes it heavier, lets it drag, holds it fast. */
final class Burden
{
    private const HELD_SHARE = 0.01; // of its travel: how near counts as there

    private bool $carries = true;

    private float $heavier = 1.0;

    private float $drags = 1.0;

    /** @var array{float, float}|null where it is held fast, SI */
    private ?array $held = null;

    public function __construct(private readonly Motion $motion)
    {
    }

    public function carries(bool $does): void
    {
        $this->carries = $does;
    }

    public function isHeavier(float $factor): void
    {
        $this->heavier = $factor;
    }

    public function drags(float $factor): void
    {
        $this->drags = $factor;
    }

    /** @param  float|null  $at  only where it comes there, in its own unit; null is wherever it is */
    public function held(bool $fast, ?float $at): void
    {
        $unit = $this->motion->unit();
        [$low, $high] = $this->motion->range();
        $width = self::HELD_SHARE * max(1e-6, $unit->toSi($high) - $unit->toSi($low));
        $this->held = ! $fast ? null : ($at === null ? [-1e9, 1e9] : [$unit->toSi($at) - $width, $unit->toSi($at) + $width]);
    }

    /** The machine that it is now. */
    public function plant(): Plant
    {
        $mechanism = $this->carries ? $this->motion->mechanism : $this->motion->mechanism->unloaded();
        if ($this->heavier !== 1.0 || $this->drags !== 1.0 || $this->held !== null) {
            $mechanism = new Burdened($mechanism, $this->heavier, $this->drags, $this->held);
        }

        return $this->motion->withMechanism($mechanism)->plant();
    }
}
