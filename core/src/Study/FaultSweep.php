<?php

declare(strict_types=1);

namespace Brookstone\Core\Study;

use Brookstone\Core\Build\Build;
use Brookstone\Core\Condition\Conditions;
use Brookstone\Core\Condition\InputIs;
use Brookstone\Core\Condition\LevelIs;
use Brookstone\Core\Drive\AirCylinder;
use Brookstone\Core\Finding\Sentence;
use Brookstone\Core\Routine\Routine;
use Brookstone\Core\Routine\Scenario;
use Brookstone\Core\Routine\Step;
use Brookstone\Core\Routine\WorldEvent;
use Brookstone\Core\Simulation\RoutineRun;

/**
 * Every single fault at every step of a routine, and a power cut at every step: what becomes of it. They can be run in any order and any number at a
 * time; cases in which the same happens at the same moment, as with steps that begin together, are one run.
 */
final class FaultSweep
{
    private const LATE_S = 0.3;

    private const LOST = -1e6; // what no stick reads

    private const DRAGS = 3.0;

    private const HEAVIER = 1.5;

    private const LOW = 0.75; // of the voltage

    private const POWER_OFF_S = 2.0;

    private const AFTER_S = 0.01; // the start of the step, so that it has begun

    private const LONGER_S = 40.0; // than the undisturbed run, before it is said to wait for ever

    private const WITHOUT_SCENARIO_S = 120.0;

    private const LOOK_ON_S = 1.0; // when all is done: what still pushes, or runs into a stop only then, is found

    /** @var list<string> worst first */
    public const OUTCOMES = ['breaks_rule', 'hits', 'burns', 'resets', 'stalls', 'ends_wrong_unnoticed', 'ends_wrong', 'waits', 'stops', 'finishes'];

    private readonly Scenario $scenario;

    /** @var array<string, mixed> the undisturbed run */
    public readonly array $plain;

    /** @param  array<string, mixed>|null  $plain  the undisturbed run, where it is known already */
    public function __construct(private readonly Build $build, private readonly Routine $routine, private readonly ?Scenario $given, ?array $plain = null)
    {
        $this->plain = $plain ?? RoutineRun::of($build, $routine, $given, lean: true, after_s: self::LOOK_ON_S);
        $until = min(600.0, ($this->plain['end_s'] ?? $this->plain['ran_s']) + self::LONGER_S);
        $this->scenario = $given === null ? new Scenario('', 'Started by hand', min(self::WITHOUT_SCENARIO_S, $until), [], [])
            : new Scenario($given->id, $given->name, $until, $given->startsAt, $given->events, $given->clock_s);
    }

    /** @return list<array{path: string, says: Sentence}> the columns: each step of the routine that the undisturbed run got to, once */
    public function steps(): array
    {
        $steps = [];
        foreach ($this->plain['steps'] as $step) {
            if ($step['routine'] === $this->routine->id && ! isset($steps[$step['path']])
                && ! in_array($step['do'], ['repeat', 'together', 'choose', 'call', 'set', 'signal'], true)) {
                $steps[$step['path']] = ['path' => $step['path'], 'says' => $step['says']];
            }
        }

        return array_values($steps);
    }

    /** Why there is nothing to try; null where there is. */
    public function nothingToTry(): ?string
    {
        return $this->steps() !== [] ? null : match (true) {
            $this->plain['outcome'] === 'never_started' => "There is nothing to try: {$this->routine->name} does not start here".($this->given === null ? '.'
                : ", with “{$this->given->name}”. Take a scenario that starts it."),
            $this->routine->steps === [] => "There is nothing to try: {$this->routine->name} has no steps yet.",
            default => "There is nothing to try: {$this->routine->name} gets to no step that moves, waits or listens.",
        };
    }

    /** @return list<FaultCase> */
    public function cases(): array
    {
        $by = iterator_to_array($this->routine->flat());
        $cases = [];
        foreach ($this->plain['steps'] as $ran) {
            $step = $by[$ran['path']] ?? null;
            if ($ran['routine'] !== $this->routine->id || $step === null || isset($seen[$ran['path']])
                || ! in_array($ran['path'], array_column($this->steps(), 'path'), true)) {
                continue;
            }
            $seen[$ran['path']] = true;
            foreach ($this->faults($step, $ran['start_s'] + self::AFTER_S) as [$fault, $says, $events]) {
                $cases[] = new FaultCase($fault, $says, $ran['path'], $events);
            }
        }

        return $cases;
    }

    /** @return list<non-empty-list<FaultCase>> the cases, those together that are one run */
    public function runs(): array
    {
        $runs = [];
        foreach ($this->cases() as $case) {
            $runs[serialize($case->events)][] = $case;
        }

        return array_values($runs);
    }

    /** What the world does in a case. */
    public function with(FaultCase $case): Scenario
    {
        return $this->scenario->with(...$case->events);
    }

    /** @return array{outcome: string, says: Sentence} what becomes of a case, and of all that are one run with it */
    public function run(FaultCase $case): array
    {
        $run = RoutineRun::of($this->build, $this->routine, $this->with($case), lean: true, byHand: $this->given === null,
            after_s: self::LOOK_ON_S);
        [$outcome, $says] = (new Outcome($this->build, $run, $this->plain))->told();

        return ['outcome' => $outcome, 'says' => $says];
    }

    /** @return list<array{string, string, list<WorldEvent>}> what can go wrong at a step */
    private function faults(Step $step, float $at): array
    {
        $faults = [];
        foreach ($this->inputs($step) as $id => $name) {
            $closed = $this->build->sensors[$id]->closed ?? $this->build->switch($id)->closed ?? false;
            $wire = ', or its wire breaks';
            $faults[] = ["stuck on {$id}", "{$name} is stuck on".($closed ? $wire : ''), [new WorldEvent($at, 'stuck', $id, true)]];
            $faults[] = ["stuck off {$id}", "{$name} is stuck off".($closed ? '' : $wire), [new WorldEvent($at, 'stuck', $id, false)]];
            $faults[] = ["late {$id}", "{$name} tells 0.3 s late", [new WorldEvent($at, 'late', $id, value: self::LATE_S)]];
        }
        [$kind, $sensor] = $step->refersTo()['sensor'] ?? ['', ''];
        if ($kind === 'analog') { // it is followed, or read while it goes
            $faults[] = ["lost {$sensor}", "{$this->build->sensors[$sensor]->name} is lost: its wire is off",
                [new WorldEvent($at, 'level', $sensor, value: self::LOST)]];
        }
        $id = $step->motion();
        if ($id !== null) {
            $name = $this->build->motions[$id]->name;
            $faults[] = ["jams {$id}", "{$name} jams", [new WorldEvent($at, 'hold', $id, true)]];
            $faults[] = ["drags {$id}", "{$name} drags", [new WorldEvent($at, 'drag', $id, value: self::DRAGS)]];
            $faults[] = ["heavier {$id}", "{$name} is half as heavy again", [new WorldEvent($at, 'heavier', $id, value: self::HEAVIER)]];
            $drive = $this->build->motions[$id]->drive;
            if ($drive?->motor instanceof AirCylinder) {
                $faults[] = ["hose {$id}", "The hose of {$name} comes off", [new WorldEvent($at, 'hose', $id, true)]];
            }
            if ($drive?->motor instanceof AirCylinder && $drive->air !== null && $drive->air->hasCompressor()) {
                $faults[] = ["compressor {$drive->air->id}", "The compressor of {$drive->air->name} gives nothing",
                    [new WorldEvent($at, 'compressor', $drive->air->id, value: 0.0)]];
            }
            $supply = $drive?->supply;
            if ($supply !== null) {
                $faults[] = ["low {$supply->id}", "{$supply->name} is low", [new WorldEvent($at, 'supply', $supply->id, value: self::LOW)]];
            }
        }
        $faults[] = ['power', 'The power goes and comes back', [new WorldEvent($at, 'power', null, false), new WorldEvent($at + self::POWER_OFF_S, 'power',
            null, true)]];

        return $faults;
    }

    /** @return array<string, string> names of the inputs that a step hangs on, by id */
    private function inputs(Step $step): array
    {
        $ids = [];
        foreach ($step->conditions() as $condition) {
            foreach (Conditions::all($condition) as $part) {
                if ($part instanceof InputIs || $part instanceof LevelIs) {
                    $ids[] = $part->sensor;
                }
            }
        }
        $onto = $step->effect($this->build)->move?->onto;
        if ($onto !== null) {
            $ids[] = $onto->id;
        }
        $names = [];
        foreach (array_unique($ids) as $id) {
            $names[$id] = $this->build->sensors[$id]->name ?? $this->build->switch($id)->name ?? $id;
        }

        return $names;
    }
}
