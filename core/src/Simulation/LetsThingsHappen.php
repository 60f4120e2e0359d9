<?php

declare(strict_types=1);

namespace Brookstone\Core\Simulation;

use Brookstone\Core\Routine\WorldEvent;

/** What the world does in a run, by the words of scenarios. */
trait LetsThingsHappen
{
    /** Something that the world does, now. */
    public function happens(WorldEvent $event): void
    {
        $this->changes++;
        $of = $event->of ?? '';
        match ($event->what) {
            'sensor' => $this->inputs->set($of, $event->on === true, $this->now()),
            'level' => $this->inputs->setLevel($of, $event->value),
            'stuck' => $this->inputs->stick($of, $event->on),
            'wire' => $this->inputs->cut($of, $event->on === true),
            'late' => $this->inputs->delay($of, $event->value),
            'load' => $this->axes[$of]->burden()->carries($event->on === true),
            'hold' => $this->axes[$of]->burden()->held($event->on === true, $event->at),
            'drag' => $this->axes[$of]->burden()->drags($event->value),
            'heavier' => $this->axes[$of]->burden()->isHeavier($event->value),
            'supply' => $this->feeds[$of]->isSetTo($event->value),
            'hose' => $this->axes[$of]->burden()->leaks($event->on === true),
            'compressor' => $this->air->gives($of, $event->value),
            'selector' => $this->selects($this->axes[$of]),
            'power' => $this->powerOutside($event->on === true),
            default => throw new \LogicException("Nothing is known of {$event->what}."),
        };
        if (in_array($event->what, ['load', 'hold', 'drag', 'heavier', 'hose'], true)) {
            $this->axes[$of]->burdened();
        }
    }

    /** A hand sets the selector of its motor to it. */
    private function selects(Axis $axis): void
    {
        foreach ($this->shared as $motor) {
            if ($motor->isOf($axis) && $motor->servo === null) {
                $motor->holds($axis);
            }
        }
    }
}
