<?php

declare(strict_types=1);

namespace Brookstone\Core\Code;

/** A program as data: numbers with names, what it keeps, what it does. A language is a way to write it down. */
final readonly class Program
{
    /**
     * @param  list<string>  $head  what stands above it, for who reads it
     * @param  array<string, int>  $numbers  with names
     * @param  list<Store>  $stores
     * @param  list<Task>  $tasks  each before those that call it
     */
    public function __construct(public array $head, public array $numbers, public array $stores, public array $tasks)
    {
    }

    /** Without what nothing that is called from outside ever comes to. */
    public function pruned(): self
    {
        $tasks = array_combine(array_column($this->tasks, 'name'), $this->tasks);
        $names = [];
        $open = array_values(array_filter($this->tasks, fn (Task $task): bool => $task->isOpen));
        while (($task = array_pop($open)) !== null) {
            foreach (self::namesIn($task->lines) as $name) {
                if (! isset($names[$name])) {
                    $names[$name] = true;
                    array_push($open, ...(isset($tasks[$name]) ? [$tasks[$name]] : []));
                }
            }
        }
        $isUsed = fn (Store|Task $each): bool => isset($names[$each->name]) || ($each instanceof Task && $each->isOpen);

        return new self($this->head, array_intersect_key($this->numbers, $names), array_values(array_filter($this->stores, $isUsed)),
            array_values(array_filter($this->tasks, $isUsed)));
    }

    /**
     * @param  list<Line>  $lines
     * @return list<string>
     */
    public static function expressionsOf(array $lines): array
    {
        return array_merge(...array_map(fn (Line $line): array => $line->expressions(), $lines));
    }

    /**
     * @param  list<Line>  $lines
     * @return list<string> names in them, each once
     */
    public static function namesIn(array $lines): array
    {
        $names = [];
        foreach (self::expressionsOf($lines) as $expression) {
            preg_match_all('/[A-Za-z_]\w*/', $expression, $found);
            $names += array_fill_keys($found[0], true);
        }

        return array_keys($names);
    }
}
