<?php

declare(strict_types=1);

namespace Brookstone\Core\Routine;

/** What the world does during a run: where motions stand at first, and presses and beams by time. */
final readonly class Scenario
{
    /**
     * @param  array<string, float>  $startsAt  by motion, in its own unit
     * @param  list<array{at_s: float, sensor: string, on: bool}>  $events  by time
     */
    public function __construct(public string $id, public string $name, public float $until_s, public array $startsAt, public array $events)
    {
    }
}
