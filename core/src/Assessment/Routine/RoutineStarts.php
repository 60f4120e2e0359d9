<?php

declare(strict_types=1);

namespace Brookstone\Core\Assessment\Routine;

use Brookstone\Core\Build\Build;
use Brookstone\Core\Condition\CounterIs;
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
    private const DAY_S = 86400.0;

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
            $this->context->find($routine, 'routine.never_starts', Severity::Tight, "routines.{$i}.starts",
                "Nothing starts {$routine->named()}: give it a trigger.", [], [
                    ...$this->byHand($i),
                    new Fix(new Sentence('Start it when the power comes on'), [new Change("routines.{$i}.starts", [['when' => 'power_on']])]),
                ]);
        }
        foreach ($routine->starts as $j => $trigger) {
            $this->dead($routine, $trigger, "routines.{$i}.starts.{$j}");
            $this->onlyGrows($routine, $trigger, $i, $j);
            $this->tooOften($routine, $trigger, "routines.{$i}.starts.{$j}.every_s");
            $this->atOnce($routine, $trigger, $i, $j);
        }
    }

    /** @return list<Fix> by the first of what people do that starts nothing else yet */
    private function byHand(int $i): array
    {
        $taken = [];
        foreach ($this->build->routines as $routine) {
            array_push($taken, ...array_map(fn (Trigger $trigger): ?string => $trigger->sensor, $routine->starts));
        }
        foreach ($this->build->sensors as $sensor) {
            if (in_array($sensor->kind, ['press', 'beam'], true) && $sensor->motion === null && ! in_array($sensor->id, $taken, true)) {
                return [new Fix(new Sentence('Start it when '.$this->build->condition($sensor->id, true)),
                    [new Change("routines.{$i}.starts", [['when' => $sensor->kind, 'sensor' => $sensor->id]])])];
            }
        }

        return [];
    }

    /** A counter that starts it and that nothing sets back: once it is reached it stays so. */
    private function onlyGrows(Routine $routine, Trigger $trigger, int $i, int $j): void
    {
        $counter = $trigger->condition instanceof CounterIs ? $trigger->condition->counter : null;
        $adds = false;
        foreach ($counter === null ? [] : $this->build->routines as $other) {
            foreach ($other->flat() as $step) {
                $change = $step->effect($this->build)->counter;
                if ($change === null || $change->counter !== $counter) {
                    continue;
                }
                if ($change->to !== null || $change->add < 0) {
                    return;
                }
                $adds = true;
            }
        }
        if ($counter === null || ! $adds) {
            return;
        }
        $name = $this->build->counters[$counter]->named();
        $this->context->find($routine, 'routine.counter_grows', Severity::Tight, "routines.{$i}.starts.{$j}",
            "Nothing ever sets {$name} back: once {$routine->named()} has started by it, it never does again.", [], [
                new Fix(new Sentence("Set {$name} back to 0 when {$routine->named()} begins"),
                    [new Change("routines.{$i}.steps", [['do' => 'set', 'counter' => $counter, 'to' => 0], ...$this->context->stepsAt("routines.{$i}.steps")])]),
            ]);
    }

    /** Started more often than it can end. */
    private function tooOften(Routine $routine, Trigger $trigger, string $place): void
    {
        $takes = $this->context->takes_s($routine);
        if (! $this->context->isRehearsed() || $trigger->when !== 'every' || $trigger->every_s === null || $takes === null || $trigger->every_s > $takes) {
            return;
        }
        $enough = ceil($takes * 1.2);
        $this->context->find($routine, 'routine.too_often', Severity::Fails, $place,
            "{$routine->named()} takes {takes} and is to start every {every}: it is still running when it should start again.",
            ['takes' => Quantity::of($takes, 's'), 'every' => Quantity::of($trigger->every_s, 's')], [
                new Fix(new Sentence('Start it every {enough}', ['enough' => Quantity::of($enough, 's')]), [new Change($place, $enough)]),
            ]);
    }

    /** Two that want the same motion at one time of the day: the second does not start. */
    private function atOnce(Routine $routine, Trigger $trigger, int $i, int $j): void
    {
        if ($trigger->when !== 'time_of_day' || $trigger->clock_s === null) {
            return;
        }
        foreach (array_values($this->build->routines) as $k => $other) {
            $meets = array_intersect($routine->motions(), $other->motions()) !== [];
            foreach ($k !== $i && $meets ? $other->starts : [] as $first) {
                if ($first->when !== 'time_of_day' || $first->clock_s === null) {
                    continue;
                }
                $lasts = $this->context->takes_s($other) ?? 0.0;
                $after = fmod($trigger->clock_s - $first->clock_s + self::DAY_S, self::DAY_S); // over midnight too
                if ($after > $lasts || ($after <= 0.0 && $k > $i)) {
                    continue; // of two at the same moment the later in the list is told
                }
                $later = ceil(($first->clock_s + $lasts) / 60 + 1) * 60;
                $at = sprintf('%02d:%02d', intdiv((int) $later, 3600) % 24, intdiv((int) $later, 60) % 60);
                $this->context->find($routine, 'routine.starts_collide', Severity::Fails, "routines.{$i}.starts.{$j}",
                    "{$routine->named()} starts while {$other->named()} still moves the same things: one of them does not run that day.", [], [
                        new Fix(new Sentence("Start it at {$at}"), [new Change("routines.{$i}.starts.{$j}.at", $at)]),
                    ]);

                return;
            }
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
            $this->context->find($routine, 'routine.trigger_dead', Severity::Fails, $path,
                "Nothing ever changes {$this->build->counters[$counter]->named()}: {$routine->named()} never starts by it.");
        }
        if ($trigger->condition instanceof LevelIs && $trigger->condition->hysteresis <= 0.0) {
            $this->context->find($routine, 'routine.no_hysteresis', Severity::Tight, "{$path}.hysteresis",
                "{$this->build->sensors[$trigger->condition->sensor]->named()} starts {$routine->named()} at one value without hysteresis: near that value it starts it over and over.", [], [
                    new Fix(new Sentence('Let it come back by {by} first',
                        ['by' => Quantity::number($by = max(0.01, round(abs($trigger->condition->value) * 0.1, 2)))]), [new Change("{$path}.hysteresis", $by)]),
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
                $this->context->find($by['any'], 'routine.press_unclear', Severity::Fails,
                    'routines.'.array_search($by['any']->id, array_keys($this->build->routines), true).'.starts',
                    "Every press of {$button->named()} starts {$by['any']->named()}, the short, long and double ones too: one press is read in two ways.", [], [
                        new Fix(new Sentence("Let only a short press start {$by['any']->named()}"), [$this->short($by['any'], (string) $id)]),
                    ]);
            } elseif (isset($by['long'], $by['double']) && $button->long_s <= $button->double_s) {
                $this->context->find($by['long'], 'routine.press_unclear', Severity::Tight, "{$at}.long_s",
                    "A long press of {$button->named()} counts from {long} on and a double one within {double}: a slow second press is both.",
                    ['long' => Quantity::of($button->long_s, 's'), 'double' => Quantity::of($button->double_s, 's')], [
                        new Fix(new Sentence('Let a long press count from {long} on', ['long' => Quantity::of(2 * $button->double_s, 's')]),
                            [new Change("{$at}.long_s", 2 * $button->double_s)]),
                    ]);
            }
        }
    }

    private function short(Routine $routine, string $sensor): Change
    {
        $i = (int) array_search($routine->id, array_keys($this->build->routines), true);
        $starts = array_map(fn (array $start): array => $start['when'] === 'press' && $start['sensor'] === $sensor ? ['how' => 'short'] + $start : $start,
            $this->build->document['routines'][$i]['starts']);

        return new Change("routines.{$i}.starts", $starts);
    }
}
