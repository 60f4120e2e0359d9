<?php

declare(strict_types=1);

namespace Brookstone\Core\Making;

use Brookstone\Core\Assessment\Wiring\Assembly;
use Brookstone\Core\Build\Build;
use Brookstone\Core\Finding\Sentence;
use Brookstone\Core\Plan\Calendar;
use Brookstone\Core\Plan\Task;

/**
 * Proposes the plan of a build from the build: get, make and cut, the bare mechanism, its drive, train and stops, the wiring in its own order, the program
 * and each routine, the bench tests, and only then cover and paint. What its builder said of a task counts instead.
 */
final class PlanMaker
{
    public const ENDS_IN = ['parts' => 'all parts are there', 'mechanism' => 'it stands, and moves by hand', 'drive' => 'each motion moves by itself',
        'wiring' => 'the controller sees and moves everything', 'routine' => 'it plays its routines', 'tests' => 'it can be left alone',
        'finish' => 'it is finished, and its spares lie ready'];

    public const NAMES = ['parts' => 'Parts', 'mechanism' => 'Bare mechanism', 'drive' => 'Drive, train, stops', 'wiring' => 'Wiring', 'routine' => 'Routines',
        'tests' => 'Bench tests', 'finish' => 'Finish'];

    private const BOUGHT_DAYS = 7.0;

    private const ORDER_H = 0.2;

    private const PRINT_H = 0.3; // of work, of a printed piece

    private const PRINT_DAYS = 0.15; // that one runs by itself

    private const CUT_H = 0.5;

    private const GLUE_DAYS = 0.5; // dries over night

    private const PAINT_DAYS = 1.0;

    private const HOURS = ['bare' => 2.0, 'drive' => 1.0, 'stage' => 0.75, 'stops' => 0.5, 'wire' => 0.1, 'program' => 0.5, 'routine' => 0.75, 'cover' => 4.0,
        'spares' => 0.5];

    /** Of a test of that kind, for each of it. */
    private const TEST_H = ['hand' => 0.1, 'direction' => 0.1, 'empty' => 0.2, 'current' => 0.2, 'stops' => 0.15, 'loaded' => 0.25, 'routine' => 0.3,
        'cut' => 0.2,
        'hour' => 1.0, 'night' => 0.2];

    /** From these on a stand-in no longer does: what is measured with it does not hold. */
    private const NEEDS_RIGHT_PART = ['current', 'stops', 'loaded', 'hour', 'night'];

    /** Stages of the assembly at which something moves, or is moved. */
    private const MOVES = ['Motors, one at a time', 'Sensors'];

    private const NIGHT_DAYS = 0.5;

    /** @var array<string, Step> */
    private array $steps = [];

    /** @var array<string, list<Item>> by task, what it brings */
    private array $brings = [];

    /** @var array<string, list<string>> by task that has a stand-in, the one that puts the right part in */
    private array $swaps = [];

    private function __construct(private readonly Build $build, private readonly Calendar $calendar)
    {
    }

    /** What is open begins on its first day, or today where that has passed. */
    public static function calendarOf(Build $build, ?string $today): Calendar
    {
        $first = $build->making->begins_on;

        return new Calendar($first === null ? null : max($first, $today ?? $first), $build->making->hours_a_day, $build->making->rests_on);
    }

    /** @return array<string, Step> by task, in the order in which they are told */
    public static function of(Build $build, Calendar $calendar): array
    {
        $maker = new self($build, $calendar);
        if ($build->motions !== []) {
            $maker->parts();
            $maker->mechanisms();
            $maker->wiring();
            $maker->routines();
            $maker->tests();
            $maker->finish();
        }
        $maker->own();
        $order = array_flip(array_keys(self::NAMES));
        uasort($maker->steps, fn (Step $a, Step $b): int => $order[$a->stage] <=> $order[$b->stage]);

        return $maker->steps;
    }

    /** @param  list<string>  $needs */
    private function add(string $id, string $stage, Sentence $says, float $hours, array $needs, float $waits_days = 0.0, bool $done = false,
        ?float $ends_on = null): void
    {
        $changed = $this->build->making->changed[$id] ?? null;
        $late = $changed['late_days'] ?? 0.0;
        $waits = ($changed['waits_days'] ?? $waits_days) + $late;
        $on = array_column($this->build->making->done, 'on', 'id');
        $task = new Task($id, $changed['hours'] ?? $hours, $waits, array_values(array_unique($needs)), $done || array_key_exists($id, $on),
            $ends_on === null ? null : $ends_on + $late);
        $this->steps[$id] = new Step($task, $stage, $says, false, $late, $changed['stand_in'] ?? '', $on[$id] ?? null);
    }

    /**
     * What brings the parts of some groups. One that comes late, or on a day of its own, is waited for by itself.
     *
     * @param  list<string>  $groups
     * @param  string|null  $for  only those for this; null for whatever
     * @return list<string> tasks
     */
    private function gets(array $groups, ?string $for = null): array
    {
        $tasks = array_filter($this->brings, fn (array $items): bool => array_filter($items, fn (Item $item): bool => in_array($item->group, $groups, true)
            && ($for === null || $item->for === [] || in_array($for, $item->for, true))) !== []);

        return array_values(array_filter(array_keys($tasks), fn (string $id): bool => $this->steps[$id]->stand_in === ''));
    }

    private function parts(): void
    {
        $groups = [];
        foreach (PartsList::of($this->build)->lines as $line) {
            $how = ['bought' => 'get', 'printed' => 'make', 'cut' => 'cut'][$line->item->made];
            $alone = $how === 'get' && ! $line->have && ($line->days !== null || $line->comes_on !== null);
            $groups[$alone ? "get/{$line->item->id}" : "{$how}/{$line->item->group}"][] = $line;
        }
        $words = array_map(lcfirst(...), Bill::GROUPS);
        foreach ($groups as $id => $lines) {
            [$how, $group] = explode('/', $id);
            $this->brings[$id] = array_map(fn (PartLine $line): Item => $line->item, $lines);
            $open = array_filter($lines, fn (PartLine $line): bool => ! $line->have);
            $count = count($open);
            $done = $count === 0;
            $name = count($lines) === 1 ? $lines[0]->item->name : new Sentence("{$words[$group]}, ".count($lines).' kinds');
            if ($how === 'get') {
                $days = max(array_map(fn (PartLine $line): float => $line->days ?? self::BOUGHT_DAYS, $lines));
                $on = $lines[0]->comes_on === null ? null : $this->calendar->dayOf($lines[0]->comes_on);
                $this->add($id, 'parts', (new Sentence('Get'))->goingOn(' ', $name), self::ORDER_H, [], $days, $done, $on);
            } elseif ($how === 'make') {
                $pieces = array_sum(array_map(fn (PartLine $line): float => $line->item->count, $lines));
                $this->add($id, 'parts', (new Sentence('Print'))->goingOn(' ', $name), self::PRINT_H * $pieces, [], self::PRINT_DAYS * $pieces, $done);
            } else {
                $pieces = array_sum(array_map(fn (PartLine $line): float => $line->item->count, $lines));
                $this->add($id, 'parts', (new Sentence('Cut and drill'))->goingOn(' ', $name), self::CUT_H * $pieces, [], self::GLUE_DAYS, $done);
            }
        }
        foreach ($this->steps as $id => $step) {
            if ($step->stand_in !== '' && ! $step->task->done) {
                $this->swaps[$id] = ["swap/{$id}"];
                $this->add("swap/{$id}", 'tests', (new Sentence('Put in, instead of '.Sentence::quote($step->stand_in).', what was waited for:'))
                    ->goingOn(' ', new Sentence(substr($step->says->template, 4), $step->says->values)), 0.5, [$id]);
            }
        }
    }

    private function mechanisms(): void
    {
        foreach ($this->build->motions as $id => $motion) {
            $name = $motion->named();
            $this->add("bare/{$id}", 'mechanism', new Sentence("Build the bare mechanism of {$name}, and move it by hand over all its travel"),
                self::HOURS['bare'],
                [...$this->gets(['parts', 'winding'], $motion->name), ...$this->gets(['screws'])]);
            if ($motion->drive === null) {
                continue;
            }
            $last = "drive/{$id}";
            $this->add($last, 'drive', new Sentence("Fix the drive of {$name}"), self::HOURS['drive'], ["bare/{$id}", ...$this->gets(['drives'],
                $motion->name), ...$this->gets(['screws'])]);
            $stages = count($motion->train->stages);
            if ($stages > 0) {
                $this->add("train/{$id}", 'drive', new Sentence("Set the train of {$name}: ".($stages === 1 ? 'one stage' : "{$stages} stages")),
                    self::HOURS['stage'] * $stages, [$last, ...$this->gets(['train'], $motion->name)]);
                $last = "train/{$id}";
            }
            $switches = count($motion->stops->switches);
            if ($switches > 0 || $motion->stops->hard_low !== null || $motion->stops->hard_high !== null) {
                $this->add("stops/{$id}", 'drive', new Sentence("Set the stops of {$name}".($switches === 0 ? '' : ($switches === 1 ? ' and its switch'
                    : " and its {$switches} switches"))), self::HOURS['stops'], [$last, ...$this->gets(['sensors'])]);
            }
        }
    }

    /** @return list<string> tasks of stages */
    private function stage(string ...$stages): array
    {
        return array_keys(array_filter($this->steps, fn (Step $step): bool => in_array($step->stage, $stages, true) && ! str_starts_with($step->task->id,
            'swap/')));
    }

    private function wiring(): void
    {
        $steps = [];
        foreach (Assembly::of($this->build) as $step) {
            $steps[$step['stage']][] = $step['done'];
        }
        $needs = $this->gets(['wiring', 'sensors', 'outputs']);
        foreach ($steps as $stage => $done) {
            $moves = in_array($stage, self::MOVES, true) ? $this->stage('drive') : [];
            $this->add("wire/{$stage}", 'wiring', new Sentence($stage.': '.count($done).(count($done) === 1 ? ' step' : ' steps').' of the assembly'),
                self::HOURS['wire'] * count($done), [...$needs, ...$moves], done: ! in_array(false, $done, true));
            $needs = ["wire/{$stage}"];
        }
    }

    private function routines(): void
    {
        if ($this->build->routines === []) {
            return;
        }
        $before = $this->stage('wiring') === [] ? $this->stage('drive', 'mechanism') : $this->stage('wiring', 'drive');
        $this->add('program', 'routine', new Sentence('Load the program into the controller'), self::HOURS['program'], $before);
        foreach ($this->build->routines as $id => $routine) {
            $this->add("routine/{$id}", 'routine', new Sentence("Try {$routine->named()} step by step"), self::HOURS['routine'], ['program']);
        }
    }

    private function tests(): void
    {
        $tests = [];
        foreach (BenchTests::of($this->build) as $test) {
            $tests[$test['kind']][] = $test['id'];
        }
        $before = ['hand' => $this->stage('mechanism'), 'direction' => $this->stage('drive', 'wiring'), 'routine' => $this->stage('routine')];
        $last = [];
        foreach ($tests as $kind => $ids) {
            $open = array_filter($ids, fn (string $id): bool => ! ($this->build->making->tests[$id]['good'] ?? false));
            $swaps = in_array($kind, self::NEEDS_RIGHT_PART, true) ? array_merge(...array_values($this->swaps)) : [];
            $this->add("test/{$kind}", 'tests', new Sentence(BenchTests::KINDS[$kind].(count($ids) === 1 ? '' : ': '.count($ids).' tests')),
                self::TEST_H[$kind] * count($ids), [...$last, ...$before[$kind] ?? [], ...$swaps], $kind === 'night' ? self::NIGHT_DAYS : 0.0, $open === []);
            $last = ["test/{$kind}"];
        }
    }

    private function finish(): void
    {
        $tests = $this->stage('tests');
        $this->add('cover', 'finish', new Sentence('Cover and paint, and put the service card in'), self::HOURS['cover'],
            $tests === [] ? $this->stage('mechanism') : $tests, self::PAINT_DAYS);
        if (array_filter(Bill::of($this->build), fn (Item $item): bool => $item->spares > 0) !== []) {
            $this->add('spares', 'finish', new Sentence('Put the spare parts aside, with the build’s name on them'), self::HOURS['spares'],
                $this->stage('parts'));
        }
    }

    /** The builder's own tasks, and what waits for them. */
    private function own(): void
    {
        $before = [];
        foreach ($this->build->making->tasks as $own) {
            $this->steps[$own['id']] = new Step(new Task($own['id'], $own['hours'], $own['waits_days'], $own['needs'],
                $this->build->making->isDone($own['id'])),
                $own['stage'], new Sentence(Sentence::quote($own['name'])), true);
            foreach ($own['before'] as $later) {
                $before[$later][] = $own['id'];
            }
        }
        foreach ($before as $id => $needs) {
            $step = $this->steps[$id] ?? null;
            if ($step !== null) {
                $this->steps[$id] = new Step(new Task($id, $step->task->hours, $step->task->waits_days, [...$step->task->needs, ...$needs], $step->task->done,
                    $step->task->ends_on), $step->stage, $step->says, $step->own, $step->late_days, $step->stand_in, $step->done_on);
            }
        }
    }
}
