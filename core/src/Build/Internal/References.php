<?php

declare(strict_types=1);

namespace Brookstone\Core\Build\Internal;

use Brookstone\Core\Condition\Condition;
use Brookstone\Core\Condition\Conditions;
use Brookstone\Core\Mechanism\Mechanisms;
use Brookstone\Core\Mechanism\PositionUnit;
use Brookstone\Core\Parts\Sensor;
use Brookstone\Core\Routine\Step;
use Brookstone\Core\Routine\Steps;
use Brookstone\Core\Routine\Triggers;
use Brookstone\Core\Routine\WorldEvents;
use Brookstone\Core\Shape\ErrorList;
use Brookstone\Core\Train\StageType;

/**
 * Checks what the parts of a document say of each other: names given once, references that lead somewhere.
 *
 * @internal
 */
final class References
{
    /** @var array<string, array<string, true>> ids by kind: motion, supply, sensor, switch, output */
    private array $known = ['motion' => [], 'supply' => [], 'sensor' => [], 'switch' => [], 'output' => [], 'routine' => [], 'scenario' => [],
        'measurement' => [], 'picture' => [], 'tank' => [], 'counter' => [], 'rule' => [], 'thing' => []];

    /** @var array<string, string|null> motions that sensors sit on */
    private array $sits = [];

    /** @var array<string, string> kinds of sensors */
    private array $kinds = [];

    /** @var array<string, array<string, float>> places by motion */
    private array $places = [];

    /** @var array<string, string> of each motion that is a dial, where its number of places stands */
    private array $dials = [];

    /** @var array<string, true> dials of which that was said */
    private array $tooFew = [];

    /** @var array<string, array<string, true>> switches by motion */
    private array $switches = [];

    /** @var array<string, string> what lets the latch of each held motion go: a motion, or nothing where an output does */
    private array $held = [];

    public function __construct(private readonly ErrorList $errors)
    {
    }

    /** @param  array<string, mixed>  $document read by its shape */
    public function check(array $document): void
    {
        foreach (['supplies' => 'supply', 'tanks' => 'tank', 'motions' => 'motion', 'sensors' => 'sensor', 'outputs' => 'output', 'counters' => 'counter',
            'rules' => 'rule', 'routines' => 'routine', 'scenarios' => 'scenario', 'log' => 'measurement', 'pictures' => 'picture'] as $list => $kind) {
            foreach ($document[$list] as $i => $entry) {
                $this->once($kind, $entry['id'], "{$list}.{$i}.id");
            }
        }
        $carried = array_filter($document['things'], fn (array $thing): bool => $thing['is'] === 'carried');
        $this->known['thing'] = array_fill_keys(array_column($carried, 'id'), true);
        foreach ($document['motions'] as $i => $motion) {
            $this->motion($motion, "motions.{$i}");
        }
        $this->kinds = array_column($document['sensors'], 'kind', 'id');
        $this->sits = array_column($document['sensors'], 'motion', 'id');
        foreach ($document['sensors'] as $i => $sensor) {
            $this->sensor($sensor, "sensors.{$i}");
        }
        foreach ($document['rules'] as $i => $rule) {
            $this->condition(Conditions::make($rule['never']), "rules.{$i}.never");
            if ($rule['while'] !== null) {
                $this->condition(Conditions::make($rule['while']), "rules.{$i}.while");
            }
        }
        foreach ($document['routines'] as $i => $routine) {
            $this->routine($routine, "routines.{$i}");
        }
        foreach ($document['scenarios'] as $i => $scenario) {
            foreach ($scenario['events'] as $j => $event) {
                [$field, $kind] = WorldEvents::OF[$event['what']] ?? [null, ''];
                if ($field !== null) {
                    $this->reference($kind, $event[$field], null, "scenarios.{$i}.events.{$j}.{$field}");
                }
            }
            foreach ($scenario['starts_at'] as $j => $start) {
                $this->knows('motion', $start['motion'], "scenarios.{$i}.starts_at.{$j}.motion");
            }
        }
    }

    /** @param  array<string, mixed>  $motion */
    private function motion(array $motion, string $path): void
    {
        $places = $this->placesOf($motion, $path);
        if ($motion['latch'] !== null) {
            $this->held[$motion['id']] = $motion['latch']['motion'] ?? '';
        }
        $this->places[$motion['id']] ??= $places; // of two with one id the first counts
        $this->train($motion, $path);
        $this->task($motion['task'], $places, $path);
        if ($motion['drive'] !== null) {
            $this->knows('supply', $motion['drive']['supply'], "{$path}.drive.supply");
        }
        foreach (Mechanisms::problems($motion['mechanism']['kind'], $motion['mechanism']) as $field => $message) {
            $this->errors->add("{$path}.mechanism.{$field}", $message);
        }
        $this->segments($motion, $path);
        $this->switches[$motion['id']] ??= $this->stops($motion['stops'], $places, $path);
    }

    /**
     * @param  array<string, mixed>  $motion
     * @return array<string, float> where each of its places is, those of its dial too
     */
    private function placesOf(array $motion, string $path): array
    {
        $places = [];
        foreach ($motion['places'] as $i => $place) {
            if (isset($places[$place['id']])) {
                $this->errors->add("{$path}.places.{$i}.id", "The place {$place['id']} is there twice.");
            }
            $places[$place['id']] = $place['at'];
        }
        foreach (Dial::places($motion) as $place) {
            if (isset($places[$place['id']])) {
                $this->errors->add("{$path}.dial", "The place {$place['id']} is there already.");
            }
            $places[$place['id']] = $place['at'];
        }
        if ($motion['dial'] !== null) {
            $this->dials[$motion['id']] ??= "{$path}.dial.places";
            if (! $motion['task']['keeps_turning']) {
                $this->errors->add("{$path}.task.keeps_turning", 'A dial turns on and on: take the dial out first.');
            }
        }

        return $places;
    }

    /** @param  array<string, mixed>  $motion */
    private function train(array $motion, string $path): void
    {
        foreach ($motion['train'] as $i => $stage) {
            if (StageType::from($stage['type'])->pushes() && ($motion['mechanism']['kind'] !== 'slide' || $i < count($motion['train']) - 1)) {
                $this->errors->add("{$path}.train.{$i}.type", 'A rack or lead screw pushes what slides: it must be the last stage of a slide.');
            }
            $before = $motion['train'][$i - 1] ?? null;
            if ($stage['idler'] && ($before === null || $before['type'] !== 'spur' || $stage['type'] !== 'spur' || $before['driven'] !== $stage['driver'])) {
                $this->errors->add("{$path}.train.{$i}.idler",
                    'An idler is the wheel that the stage before drives: both must be spur gears, and of the same teeth.');
            }
        }
    }

    /**
     * @param  array<string, mixed>  $task
     * @param  array<string, float>  $places
     */
    private function task(array $task, array $places, string $path): void
    {
        foreach (['from', 'to'] as $end) {
            if (! isset($places[$task[$end]])) {
                $this->errors->add("{$path}.task.{$end}", "There is no place {$task[$end]} in this motion.");
            }
        }
        if (isset($places[$task['from']], $places[$task['to']]) && $places[$task['from']] === $places[$task['to']]) {
            $this->errors->add("{$path}.task.to", 'Must lie somewhere else than where the move starts.');
        }
        if ($task['shuts_at'] !== null && ! isset($places[$task['shuts_at']])) {
            $this->errors->add("{$path}.task.shuts_at", "There is no place {$task['shuts_at']} in this motion.");
        }
    }

    /** @param  array<string, mixed>  $motion */
    private function segments(array $motion, string $path): void
    {
        $isSwung = $this->isSwung($motion['mechanism']['kind']);
        foreach ($motion['segments'] as $i => $segment) {
            if ($segment['from'] >= $segment['to']) {
                $this->errors->add("{$path}.segments.{$i}.to", 'Must lie above where it begins.');
            }
            foreach ($isSwung ? ['load_N' => 'load_Nm', 'drag_N' => 'drag_Nm'] : ['load_Nm' => 'load_N', 'drag_Nm' => 'drag_N'] as $wrong => $right) {
                if ($segment[$wrong] !== 0.0) {
                    $this->errors->add("{$path}.segments.{$i}.{$wrong}", 'Belongs to motions that '.($isSwung ? 'slide' : 'turn').": here it is {$right}.");
                }
            }
        }
    }

    /**
     * @param  array<string, mixed>  $stops
     * @param  array<string, float>  $places
     * @return array<string, true> its switches
     */
    private function stops(array $stops, array $places, string $path): array
    {
        if ($stops['hard_low'] !== null && $stops['hard_high'] !== null && $stops['hard_low'] >= $stops['hard_high']) {
            $this->errors->add("{$path}.stops.hard_high", 'Must lie above the lower stop.');
        }
        $switches = [];
        foreach ($stops['switches'] as $i => $switch) {
            $this->once('switch', $switch['id'], "{$path}.stops.switches.{$i}.id");
            if (isset($this->known['sensor'][$switch['id']])) {
                $this->errors->add("{$path}.stops.switches.{$i}.id", "The name {$switch['id']} is taken by a sensor.");
            }
            $switches[$switch['id']] = true;
            if (! isset($places[$switch['place']])) {
                $this->errors->add("{$path}.stops.switches.{$i}.place", "There is no place {$switch['place']} in this motion.");
            }
        }

        return $switches;
    }

    /** @param  array<string, mixed>  $sensor */
    private function sensor(array $sensor, string $path): void
    {
        if ($sensor['motion'] !== null) {
            $this->knows('motion', $sensor['motion'], "{$path}.motion");
        }
        if (($sensor['motion'] === null) !== ($sensor['at'] === null)) {
            $this->errors->add("{$path}.".($sensor['at'] === null ? 'at' : 'motion'), 'A sensor on a motion needs both the motion and where on it.');
        }
        if ($sensor['upper'] !== null && $sensor['lower'] !== null && $sensor['lower'] > $sensor['upper']) {
            $this->errors->add("{$path}.lower", 'Must not lie above the upper threshold.');
        }
        if ($sensor['lamp'] !== null) {
            $this->knows('output', $sensor['lamp'], "{$path}.lamp");
            if (! in_array($sensor['kind'], Sensor::ANALOG, true)) {
                $this->errors->add("{$path}.lamp", 'Only a sensor that measures reads more by a lamp.');
            }
        }
    }

    /** @param  array<string, mixed>  $routine */
    private function routine(array $routine, string $path): void
    {
        foreach ($routine['starts'] as $i => $trigger) {
            $deaf = Triggers::deafTo($trigger['when'], $trigger['sensor'] ?? '', $this->kinds[$trigger['sensor'] ?? ''] ?? null);
            if ($deaf !== null) {
                $this->errors->add("{$path}.starts.{$i}.sensor", $deaf);
            }
            if ($trigger['when'] === 'count') {
                $this->knows('counter', $trigger['counter'], "{$path}.starts.{$i}.counter");
            }
        }
        $this->steps(Steps::make($routine['steps']), $routine['steps'], "{$path}.steps");
        $this->steps(Steps::make($routine['if_fails']), $routine['if_fails'], "{$path}.if_fails");
    }

    /**
     * @param  list<Step>  $steps
     * @param  list<array<string, mixed>>  $read  the same steps as they were read
     */
    private function steps(array $steps, array $read, string $path): void
    {
        foreach ($steps as $i => $step) {
            foreach ($step->refersTo() as $field => [$kind, $id]) {
                $this->reference($kind, $id, $step->motion(), "{$path}.{$i}.{$field}");
            }
            foreach ($step->conditions() as $field => $condition) {
                $this->condition($condition, "{$path}.{$i}.{$field}");
            }
            foreach ($step->problems() as $field => $problem) {
                $this->errors->add("{$path}.{$i}.{$field}", $problem);
            }
            foreach ($step->inner() as $field => $inner) {
                $this->steps($inner, self::within($read[$i], $field), "{$path}.{$i}.{$field}");
            }
        }
    }

    /**
     * @param  array<string, mixed>  $read
     * @return list<array<string, mixed>>
     */
    private static function within(array $read, string $field): array
    {
        foreach (explode('.', $field) as $key) {
            $read = $read[$key];
        }

        return $read;
    }

    private function condition(Condition $condition, string $path): void
    {
        foreach (Conditions::references($condition, $path) as $at => [$kind, $id, $motion]) {
            $this->reference($kind, $id, $motion, $at);
        }
    }

    private function reference(string $kind, string $id, ?string $motion, string $path): void
    {
        match ($kind) {
            'place' => isset($this->places[$motion]) && ! isset($this->places[$motion][$id]) ? $this->noPlace((string) $motion, $id, $path) : null,
            'switch' => isset($this->switches[$motion]) && ! isset($this->switches[$motion][$id]) && ($this->sits[$id] ?? null) !== $motion
                ? $this->errors->add($path, "There is no switch {$id} on this motion.") : null,
            'sensor' => isset($this->known['sensor'][$id]) || isset($this->known['switch'][$id])
                ? null : $this->errors->add($path, "There is no sensor or switch {$id} in this build."),
            'outside' => isset($this->known['sensor'][$id]) ? null : $this->errors->add($path, "There is no sensor {$id} in this build."),
            'analog' => in_array($this->kinds[$id] ?? null, Sensor::ANALOG, true) ? null
                : $this->errors->add($path, "There is no sensor {$id} that measures in this build."),
            'held' => ($this->held[$id] ?? null) === ($motion ?? '') ? null
                : $this->errors->add($path, isset($this->held[$id]) ? 'Its latch is let go by something else than that.'
                    : "There is no motion {$id} that a latch holds."),
            'thing' => isset($this->known['thing'][$id]) ? null : $this->errors->add($path, "There is no thing {$id} that is carried in this build."),
            default => $this->knows($kind, $id, $path),
        };
    }

    /** Said where it is asked for, and once at the dial that has too few. */
    private function noPlace(string $motion, string $id, string $path): void
    {
        $dial = $this->dials[$motion] ?? null;
        $number = $dial !== null && preg_match('/^'.Dial::PREFIX.'(\d{1,3})$/', $id, $found) === 1 ? (int) $found[1] : 0;
        $this->errors->add($path, "There is no place {$id} in this motion.");
        if ($dial !== null && $number > 0 && ! isset($this->tooFew[$dial])) {
            $this->tooFew[$dial] = true;
            $this->errors->add($dial, "A routine goes to place {$number} of this dial: take that out first.");
        }
    }

    private function isSwung(string $kind): bool
    {
        return Mechanisms::unit($kind) === PositionUnit::Degrees;
    }

    private function once(string $kind, string $id, string $path): void
    {
        if (isset($this->known[$kind][$id])) {
            $this->errors->add($path, "The {$kind} {$id} is there twice.");
        }
        $this->known[$kind][$id] = true;
    }

    private function knows(string $kind, string $id, string $path): void
    {
        if (! isset($this->known[$kind][$id])) {
            $this->errors->add($path, "There is no {$kind} {$id} in this build.");
        }
    }
}
