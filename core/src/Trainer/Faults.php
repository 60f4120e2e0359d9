<?php

declare(strict_types=1);

namespace Brookstone\Core\Trainer;

use Brookstone\Core\Build\Build;
use Brookstone\Core\Condition\Conditions;
use Brookstone\Core\Condition\InputIs;
use Brookstone\Core\Error\InvalidInput;
use Brookstone\Core\Finding\Sentence;
use Brookstone\Core\Parts\Motion;
use Brookstone\Core\Routine\Routine;
use Brookstone\Core\Routine\WorldEvent;

/** What can be wrong with what a routine moves, listens to and hangs on: one thing at a time. */
final class Faults
{
    private const DRAGS = 4.0;

    private const HEAVIER = 1.8;

    private const LOW = 0.7; // of its voltage

    private const LATE_S = 0.5;

    private const SLIPPED = 0.3; // of its travel

    private const TOO_SOON = 0.35; // of what it was given

    private const SLOW = 0.3; // of its usual speed

    private const MORE_TEETH = 1.6;

    /** @return array<string, HiddenFault> by id */
    public static function of(Build $build, Routine $routine): array
    {
        $moved = array_unique(array_filter(array_map(fn ($step): ?string => $step->motion(), iterator_to_array($routine->flat(), false))));
        $faults = [];
        $supplies = [];
        foreach ($moved as $id) {
            $motion = $build->motions[$id];
            array_push($faults, ...self::ofMotion($build, $motion), ...self::ofSwitches($build, $motion));
            if ($motion->drive !== null) {
                $supplies[$motion->drive->supply->id] = $motion->drive->supply;
            }
        }
        foreach ($supplies as $supply) {
            $faults[] = new HiddenFault("weak {$supply->id}", new Sentence("{$supply->named()} gives too little: it is nearly empty, or its wires are thin."),
                [new WorldEvent(0.0, 'supply', $supply->id, value: self::LOW)]);
        }
        array_push($faults, ...self::ofSensors($build, $routine), ...self::ofProgram($build, $routine));
        $can = [];
        foreach ($faults as $fault) {
            try {
                $fault->in($build);
                $can[$fault->id] = $fault;
            } catch (InvalidInput) {
                // that mistake cannot be made here
            }
        }

        return $can;
    }

    /** @return list<HiddenFault> */
    private static function ofMotion(Build $build, Motion $motion): array
    {
        $path = "motions.{$build->indexOf($motion->id)}";
        $name = $motion->named();
        [$from, $to] = [$motion->at($motion->task->from), $motion->at($motion->task->to)];
        $faults = [
            new HiddenFault("jams {$motion->id}", new Sentence("{$name} jams on its way: something is caught in it."),
                [new WorldEvent(0.0, 'hold', $motion->id, true, at: ($from + $to) / 2)]),
            new HiddenFault("drags {$motion->id}", new Sentence("{$name} rubs: a bearing is dry or a shaft is bent."),
                [new WorldEvent(0.0, 'drag', $motion->id, value: self::DRAGS)]),
            new HiddenFault("heavy {$motion->id}", new Sentence("{$name} is much heavier than was said."),
                [new WorldEvent(0.0, 'heavier', $motion->id, value: self::HEAVIER)]),
        ];
        $document = $build->document['motions'][$build->indexOf($motion->id)];
        if ($document['train'] !== []) {
            $teeth = (int) round($document['train'][0]['driven'] * self::MORE_TEETH);
            $faults[] = new HiddenFault("wheel {$motion->id}", new Sentence("A wheel of the train of {$name} is not the planned one: it has {$teeth} teeth."),
                changes: ["{$path}.train.0.driven" => $teeth]);
        }

        return $faults;
    }

    /** @return list<HiddenFault> */
    private static function ofSwitches(Build $build, Motion $motion): array
    {
        $path = "motions.{$build->indexOf($motion->id)}.stops.switches";
        $faults = [];
        $ends = array_map(fn (array $place): float => (float) $place['at'], $build->document['motions'][$build->indexOf($motion->id)]['places']);
        $travel = $ends === [] ? 0.0 : max($ends) - min($ends);
        $switches = $build->document['motions'][$build->indexOf($motion->id)]['stops']['switches'];
        foreach ($switches as $i => $switch) {
            $name = Sentence::quote($switch['name']);
            $faults = [...$faults,
                new HiddenFault("on {$switch['id']}", new Sentence("{$name} is stuck: it says that it is pressed, whatever is so."),
                    [new WorldEvent(0.0, 'stuck', $switch['id'], true)]),
                new HiddenFault("off {$switch['id']}", new Sentence("{$name} never trips: its wire is off, or it is bent away."),
                    [new WorldEvent(0.0, 'stuck', $switch['id'], false)]),
                new HiddenFault("late {$switch['id']}", new Sentence("{$name} tells half a second late: it is debounced far too long."),
                    [new WorldEvent(0.0, 'late', $switch['id'], value: self::LATE_S)]),
                new HiddenFault("slipped {$switch['id']}", new Sentence("{$name} has slipped: it trips too early on the way."),
                    changes: ["{$path}.{$i}.at" => $switch['at'] + ($switch['end'] === 'low' ? 1 : -1) * self::SLIPPED * $travel]),
            ];
        }
        if (count($switches) === 2) {
            [$one, $other] = $switches;
            $faults[] = new HiddenFault("swapped {$motion->id}", new Sentence("The plugs of the two switches of {$motion->named()} are swapped."),
                changes: ["{$path}.0.id" => $other['id'], "{$path}.1.id" => $one['id']]);
        }

        return $faults;
    }

    /** @return list<HiddenFault> of what its steps ask */
    private static function ofSensors(Build $build, Routine $routine): array
    {
        $asked = [];
        foreach ($routine->flat() as $step) {
            foreach ($step->conditions() as $condition) {
                foreach (Conditions::all($condition) as $part) {
                    if ($part instanceof InputIs && isset($build->sensors[$part->sensor])) {
                        $asked[$part->sensor] = $build->sensors[$part->sensor];
                    }
                }
            }
        }
        $faults = [];
        foreach ($asked as $id => $sensor) {
            $faults[] = new HiddenFault("on {$id}", new Sentence("{$sensor->named()} is stuck: it says that it is on, whatever is so."),
                [new WorldEvent(0.0, 'stuck', $id, true)]);
            $faults[] = new HiddenFault("off {$id}", new Sentence("{$sensor->named()} never says anything: its wire is off, or it is dirty."),
                [new WorldEvent(0.0, 'stuck', $id, false)]);
        }

        return $faults;
    }

    /** @return list<HiddenFault> mistakes in its program */
    private static function ofProgram(Build $build, Routine $routine): array
    {
        $at = (int) array_search($routine->id, array_column($build->document['routines'], 'id'), true);
        $faults = [];
        foreach ($build->document['routines'][$at]['steps'] as $i => $step) {
            $number = $i + 1;
            if (isset($step['give_up_s'], $step['motion'])) {
                $faults[] = new HiddenFault("soon {$i}", new Sentence("Step {$number} gives up far too soon."),
                    changes: ["routines.{$at}.steps.{$i}.give_up_s" => round($step['give_up_s'] * self::TOO_SOON, 2)]);
            }
            if ($step['do'] === 'go' && $step['speed'] > self::SLOW) {
                $faults[] = new HiddenFault("slow {$i}", new Sentence("Step {$number} goes at less than a third of its speed."),
                    changes: ["routines.{$at}.steps.{$i}.speed" => self::SLOW * $step['speed']]);
            }
        }

        return $faults;
    }
}
