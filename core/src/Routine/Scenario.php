<?php

declare(strict_types=1);

namespace Brookstone\Core\Routine;

use Brookstone\Core\Finding\Named;

/** What the world does during a run: where motions stand at first, and what happens by time. */
final readonly class Scenario
{
    use Named;

    /**
     * @param  array<string, float>  $startsAt  by motion, in its own unit
     * @param  list<WorldEvent>  $events  by time
     * @param  float  $clock_s  time of day at its beginning, s since midnight
     */
    public function __construct(public string $id, public string $name, public float $until_s, public array $startsAt, public array $events,
        public float $clock_s = 43200.0)
    {
    }

    /** The same, with something more happening. */
    public function with(WorldEvent ...$more): self
    {
        $events = [...$this->events, ...$more];
        usort($events, fn (WorldEvent $a, WorldEvent $b): int => $a->at_s <=> $b->at_s);

        return new self($this->id, $this->name, $this->until_s, $this->startsAt, $events, $this->clock_s);
    }
}
