<?php

declare(strict_types=1);

namespace Brookstone\Core\Assessment;

use Brookstone\Core\Build\Build;
use Brookstone\Core\Condition\LevelIs;
use Brookstone\Core\Finding\Change;
use Brookstone\Core\Finding\Fix;
use Brookstone\Core\Finding\Sentence;
use Brookstone\Core\Finding\Severity;
use Brookstone\Core\Quantity\Quantity;
use Brookstone\Core\Routine\Routine;
use Brookstone\Core\Routine\Trigger;

/** What starts routines: nothing, what never comes, or what can be read two ways. */
final readonly class RoutineStarts
{
    private Build $build;

    public function __construct(private RoutineContext $context)
    {
        $this->build = $context->build;
    }

    public function check(Routine $routine, int $i): void
    {
        $called = false;
        foreach ($this->build->routines as $other) {
            foreach ($other->flat() as $step) {
                $called = $called || ($step->refersTo()['routine'] ?? null) === ['routine', $routine->id];
            }
        }
        if ($routine->steps !== [] && $routine->starts === [] && ! $called) {
            $this->context->find($routine, 'routine.never_starts', Severity::Tight, "routines.{$i}.starts", "Nothing starts {$routine->name}: give it a trigger.", [], [
                new Fix(new Sentence('Start it when the power comes on'), [new Change("routines.{$i}.starts", [['when' => 'power_on']])]),
            ]);
        }
        foreach ($routine->starts as $j => $trigger) {
            $this->dead($routine, $trigger, "routines.{$i}.starts.{$j}");
        }
    }

    /** A trigger that nothing can fire: a counter that nothing counts, a reading without hysteresis. */
    private function dead(Routine $routine, Trigger $trigger, string $path): void
    {
        if ($trigger->when === 'count') {
            $counter = $trigger->condition?->refersTo()['counter'][1] ?? '';
            foreach ($this->build->routines as $other) {
                foreach ($other->flat() as $step) {
                    if (($step->refersTo()['counter'] ?? null) === ['counter', $counter]) {
                        return;
                    }
                }
            }
            $this->context->find($routine, 'routine.trigger_dead', Severity::Fails, $path, "Nothing ever changes {$this->build->counters[$counter]->name}: {$routine->name} never starts by it.");
        }
        if ($trigger->condition instanceof LevelIs && $trigger->condition->hysteresis <= 0.0) {
            $this->context->find($routine, 'routine.no_hysteresis', Severity::Tight, "{$path}.hysteresis", "{$this->build->sensors[$trigger->condition->sensor]->name} starts {$routine->name} at one value without hysteresis: at dusk it starts it again and again.", [], [
                new Fix(new Sentence('Let it come back by {by} first', ['by' => Quantity::number($by = max(0.01, round(abs($trigger->condition->value) * 0.1, 2)))]), [new Change("{$path}.hysteresis", $by)]),
            ]);
        }
    }

    /** Presses of one button that can be taken for one another. */
    public function presses(): void
    {
        $hows = [];
        foreach ($this->build->routines as $routine) {
            foreach ($routine->starts as $trigger) {
                if ($trigger->when === 'press') {
                    $hows[(string) $trigger->sensor][$trigger->how] = $routine;
                }
            }
        }
        foreach ($hows as $id => $by) {
            $button = $this->build->sensors[$id];
            $at = 'sensors.'.array_search($id, array_keys($this->build->sensors), true);
            if (isset($by['any']) && count($by) > 1) {
                $this->context->find($by['any'], 'routine.press_unclear', Severity::Fails, 'routines.'.array_search($by['any']->id, array_keys($this->build->routines), true).'.starts', "Every press of {$button->name} starts {$by['any']->name}, the short, long and double ones too: one press is read two ways.", [], [
                    new Fix(new Sentence("Let only a short press start {$by['any']->name}"), [$this->short($by['any'], (string) $id)]),
                ]);
            } elseif (isset($by['long'], $by['double']) && $button->long_s <= $button->double_s) {
                $this->context->find($by['long'], 'routine.press_unclear', Severity::Tight, "{$at}.long_s", "A long press of {$button->name} counts from {long} on and a double one within {double}: a slow second press is both.", ['long' => Quantity::of($button->long_s, 's'), 'double' => Quantity::of($button->double_s, 's')], [
                    new Fix(new Sentence('Let a long press count from {long} on', ['long' => Quantity::of(2 * $button->double_s, 's')]), [new Change("{$at}.long_s", 2 * $button->double_s)]),
                ]);
            }
        }
    }

    private function short(Routine $routine, string $sensor): Change
    {
        $i = (int) array_search($routine->id, array_keys($this->build->routines), true);
        $starts = array_map(fn (array $start): array => $start['when'] === 'press' && $start['sensor'] === $sensor ? ['how' => 'short'] + $start : $start, $this->build->document['routines'][$i]['starts']);

        return new Change("routines.{$i}.starts", $starts);
    }
}
