<?php

declare(strict_types=1);

namespace Brookstone\Core\Build\Internal;

use Brookstone\Core\Shape\ErrorList;

/**
 * What plan, parts, service and endurance say of each other. What they say of things of the build that are gone is kept, and left aside.
 *
 * @internal
 */
final class MakingReferences
{
    /** Lists whose entries are each once, and what an entry is called. */
    private const ONCE = ['making.done' => 'task', 'making.tasks' => 'task', 'making.changed' => 'task', 'making.parts' => 'part', 'making.own_parts' => 'part',
        'making.tests' => 'test', 'upkeep.motions' => 'motion', 'upkeep.jobs' => 'job', 'upkeep.changed' => 'job', 'upkeep.done' => 'entry',
        'upkeep.counts' => 'entry'];

    public function __construct(private readonly ErrorList $errors)
    {
    }

    /** @param  array<string, mixed>  $document */
    public function check(array $document): void
    {
        foreach (self::ONCE as $path => $word) {
            [$room, $list] = explode('.', $path);
            $this->once($document[$room][$list], $path, $word);
        }
        $this->once($document['endurance'], 'endurance', 'run');
        foreach ($document['endurance'] as $i => $run) {
            $this->once($run['marks'], "endurance.{$i}.marks", 'mark');
        }
        $this->loops(array_column($document['making']['tasks'], null, 'id'));
    }

    /** @param  list<array<string, mixed>>  $entries */
    private function once(array $entries, string $path, string $word): void
    {
        $known = [];
        foreach ($entries as $i => $entry) {
            if (isset($known[$entry['id']])) {
                $this->errors->add("{$path}.{$i}.id", "There is a second {$word} {$entry['id']}.");
            }
            $known[$entry['id']] = true;
        }
    }

    /** @param  array<string, array<string, mixed>>  $tasks  of the builder's own, by id */
    private function loops(array $tasks): void
    {
        /** @var array<string, list<string>> $needs */
        $needs = array_map(fn (array $task): array => $task['needs'], $tasks);
        foreach ($tasks as $id => $task) {
            foreach ($task['before'] as $later) {
                if (isset($needs[$later])) {
                    $needs[$later][] = $id;
                }
            }
        }
        foreach (array_keys($tasks) as $i => $id) {
            $way = $this->wayTo($id, $needs);
            if ($way !== null) {
                $field = array_intersect($tasks[$id]['needs'], array_keys($tasks)) === [] ? 'before' : 'needs';
                $this->errors->add("making.tasks.{$i}.{$field}", count($way) === 1 ? 'A task cannot need itself.'
                    : 'It would need itself, by way of '.implode(', ', array_map(fn (string $each): string => $tasks[$each]['name'], array_slice($way,
                        1))).'.');

                return;
            }
        }
    }

    /**
     * @param  array<string, list<string>>  $needs
     * @return list<string>|null from a task over what it needs back to it; null where it does not come back
     */
    private function wayTo(string $id, array $needs): ?array
    {
        $ways = [[$id]];
        $seen = [];
        while ($ways !== []) {
            $way = array_shift($ways);
            foreach ($needs[$way[count($way) - 1]] ?? [] as $next) {
                if ($next === $id) {
                    return $way;
                }
                if (! isset($seen[$next])) {
                    $seen[$next] = true;
                    $ways[] = [...$way, $next];
                }
            }
        }

        return null;
    }
}
