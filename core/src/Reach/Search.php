<?php

declare(strict_types=1);

namespace Brookstone\Core\Reach;

use Brookstone\Core\Build\Build;
use Brookstone\Core\Condition\Conditions;
use Brookstone\Core\Routine\SetStep;
use Brookstone\Core\Routine\Trigger;

/**
 * Every state that the routines of a build can get into, breadth first, with every sensor free to answer either way and every step free to
 * take any time, or to give up where it can. What a routine can do without waiting it does at once, as a run does.
 *
 * A state is where the threads of all routines stand, what is known of each motion, and the counters, as far as anything asks for them.
 */
final class Search
{
    public const QUICK = 1500; // states, at each edit

    public const FULL = 100_000;

    private const HALTED = '!';   // kept with the counters: what starts at power-on has failed, and nothing starts any more

    private readonly Program $program;

    private readonly Knowledge $knowledge;

    private readonly Motions $motions;

    /** @var array<int, array<string, int>> of each rule, the motions that it is about: 2 what must never be, 1 while what */
    private array $about = [];

    /** @var array<string, array{string, list<string>}> found: code, what and how it came about, by code and path */
    private array $found = [];

    /** @var array<int, true> nodes that were passed */
    private array $passed = [];

    /** @var array<string, array{string, string}> of each state, the one before and what happened */
    private array $before = [];

    private int $states = 0;

    private bool $complete = true;

    private string $now = '';

    private function __construct(private readonly Build $build)
    {
        $this->program = new Program($build);
        $this->knowledge = new Knowledge($this->program);
        $this->motions = new Motions($this->program);
        foreach (array_values($build->rules) as $i => $rule) {
            $this->about[$i] = array_fill_keys(Conditions::motions($rule->never), 2) + array_fill_keys(Conditions::motions($rule->while), 1);
        }
    }

    public static function of(Build $build, int $most = self::QUICK): Reached
    {
        $search = new self($build);
        $search->explore($most);
        $unreached = [];
        foreach ($search->complete ? $search->program->nodes : [] as $i => $node) {
            if (! isset($search->passed[$i]) && $node->kind !== Node::AGAIN) {
                $unreached[$node->path] = $node->routine;
            }
        }
        foreach ($search->program->nodes as $i => $node) {
            if (isset($search->passed[$i])) {
                unset($unreached[$node->path]); // a step that is called from elsewhere is reached there
            }
        }

        return new Reached($search->states, $search->complete, array_values($search->found), $unreached, array_keys($search->program->endless));
    }

    private function explore(int $most): void
    {
        // A state: [threads: node => true, motions: id => [known, driven], counters].
        $first = [[], $this->motions->first(), array_map(fn (array $bounds): int => 0, $this->knowledge->bounds)];
        foreach (array_keys($this->knowledge->bounds) as $counter) {
            $first[2][$counter] = $this->knowledge->bounded($counter, $this->build->counters[$counter]->start);
        }
        $first[2] += [self::HALTED => 0, ...$this->motions->firstKept()];
        $starts = [$first];
        foreach ($this->program->routines as $i => $routine) {
            if ($routine->startsAtPowerOn()) {
                $starts = array_merge(...array_map(fn (array $state): array => $this->start($state, $i), $starts));
            }
        }
        $queue = new \SplQueue;
        foreach ($starts as $state) {
            $this->reach($state, '', 'the power comes on', $queue);
        }
        while (! $queue->isEmpty()) {
            [$key, $state] = $queue->dequeue();
            $this->now = $key;
            if (++$this->states > $most) {
                $this->states = $most;
                $this->complete = false;

                return;
            }
            foreach ($this->next($state) as [$words, $after]) {
                $this->reach($after, $key, $words, $queue);
            }
        }
    }

    /**
     * @param  array{array<int, true>, array<string, array{string, bool}>, array<string, int>}  $state
     * @param  \SplQueue<array{string, array{array<int, true>, array<string, array{string, bool}>, array<string, int>}}>  $queue
     */
    private function reach(array $state, string $from, string $words, \SplQueue $queue): void
    {
        [$threads, $motions, $counters] = $state;
        ksort($threads);
        $key = implode(',', array_keys($threads)).'|';
        foreach ($motions as [$known, $driven]) {
            $key .= $known.($driven ? '!' : ';');
        }
        $key .= implode(',', $counters);
        if (isset($this->before[$key])) {
            return;
        }
        $this->before[$key] = [$from, $words];
        $this->rules($state, $key, $from);
        $queue->enqueue([$key, [$threads, $motions, $counters]]);
    }

    /**
     * @param  array{array<int, true>, array<string, array{string, bool}>, array<string, int>}  $state
     * @return list<array{string, array{array<int, true>, array<string, array{string, bool}>, array<string, int>}}> what can happen, and the state then
     */
    private function next(array $state): array
    {
        $all = [];
        $runs = [];
        foreach (array_keys($state[0]) as $at) {
            $node = $this->program->nodes[$at];
            $runs[$node->routine] = true;
            if ($node->kind === Node::FORK) {
                foreach ($this->join($state, $at, $node) as $after) {
                    $all[] = ['', $after];
                }

                continue;
            }
            $left = $state;
            unset($left[0][$at]);
            $done = $this->motions->done($left, $node);
            foreach ($this->onward($done, $node->next) as $after) {
                $all[] = [$node->path, $after];
            }
            if ($node->fails) {
                foreach ($this->fail($state, $node->routine) as $after) {
                    $all[] = ["{$node->path} gives up", $after];
                }
            }
        }
        foreach ($state[2][self::HALTED] === 1 ? [] : $this->program->routines as $i => $routine) {
            if (isset($runs[$i]) || ! ($routine->starts === [] ? ! isset($this->program->called[$routine->id]) : $this->canStart($routine->starts, $state))) {
                continue;
            }
            foreach ($routine->alone ? array_keys($runs) : [] as $other) {
                if ($this->program->meet($i, $other)) {
                    continue 2;
                }
            }
            foreach ($this->start($state, $i) as $after) {
                $all[] = [$routine->name.' starts', $after];
            }
        }

        return $all;
    }

    /**
     * @param  list<Trigger>  $starts
     * @param  array{array<int, true>, array<string, array{string, bool}>, array<string, int>}  $state
     */
    private function canStart(array $starts, array $state): bool
    {
        foreach ($starts as $trigger) {
            if ($trigger->when !== 'power_on' && ($trigger->when !== 'count' || $trigger->condition === null || $this->knowledge->truth($trigger->condition, $state) !== Knowledge::FALSE)) {
                return true;
            }
        }

        return false;
    }

    /**
     * @param  array{array<int, true>, array<string, array{string, bool}>, array<string, int>}  $state
     * @return list<array{array<int, true>, array<string, array{string, bool}>, array<string, int>}>
     */
    private function start(array $state, int $routine): array
    {
        return $this->onward($state, $this->program->entries[$routine]);
    }

    /**
     * A thread goes on from a node as far as it can without waiting.
     *
     * @param  array{array<int, true>, array<string, array{string, bool}>, array<string, int>}  $state
     * @return list<array{array<int, true>, array<string, array{string, bool}>, array<string, int>}>
     */
    private function onward(array $state, int $at): array
    {
        while ($at >= 0) {
            $node = $this->program->nodes[$at];
            $this->passed[$at] = true;
            switch ($node->kind) {
                case Node::WAIT:
                case Node::AGAIN:
                    $state[0][$at] = true;

                    return [$this->motions->rests($state, $node)];
                case Node::MOVE:
                    $state = $this->motions->begin($state, $at, $node);
                    foreach ($this->motions->wrong as [$code, $path, $what]) {
                        $this->finds($code, $path, $what);
                    }
                    $this->motions->wrong = [];

                    return [$state];
                case Node::FORK:
                    $state[0][$at] = true;
                    $states = [$state];
                    foreach ($node->branches as [$first]) {
                        $states = array_merge(...array_map(fn (array $each): array => $this->onward($each, $first), $states));
                    }

                    return $states;
                case Node::FAULT:
                    return $this->fail($state, $node->routine, str_contains($node->path, '.if_fails.'));
                case Node::CHOOSE:
                    $so = $node->condition === null ? Knowledge::MAYBE : $this->knowledge->truth($node->condition, $state);
                    if ($so === Knowledge::MAYBE) {
                        [$then, $else] = $node->condition === null ? [$state, $state] : [$this->motions->learns($state, $node->condition, true), $this->motions->learns($state, $node->condition, false)];

                        return [...$this->onward($then, $node->next), ...$this->onward($else, $node->else)];
                    }
                    $at = $so === Knowledge::TRUE ? $node->next : $node->else;

                    continue 2;
                default:
                    $state = $this->does($this->motions->does($state, $node), $node);
                    $at = $node->next;
            }
        }

        return [$state];
    }

    /**
     * @param  array{array<int, true>, array<string, array{string, bool}>, array<string, int>}  $state
     * @return list<array{array<int, true>, array<string, array{string, bool}>, array<string, int>}>
     */
    private function join(array $state, int $at, Node $node): array
    {
        $inside = [];
        $branches = 0; // that still run
        foreach ($node->branches as [, $from, $to]) {
            $running = array_filter(array_keys($state[0]), fn (int $each): bool => $each >= $from && $each < $to);
            $branches += $running === [] ? 0 : 1;
            array_push($inside, ...$running);
        }
        if ($branches > 0 && ! ($node->any && $branches < count($node->branches))) {
            return [];
        }
        unset($state[0][$at]);
        foreach ($inside as $each) {
            unset($state[0][$each]);
            $motion = $this->program->nodes[$each]->motion;
            if ($motion !== null) {
                $state[1][$motion] = [$this->motions->afterHalt($state[1][$motion][0], $motion), false];
            }
        }

        return $this->onward($state, $node->next);
    }

    /**
     * Everything that a routine moves is stopped; then it does what it does when it fails, if it is not doing that already.
     *
     * @param  bool  $failing  it is a step of those that says so
     * @param  array{array<int, true>, array<string, array{string, bool}>, array<string, int>}  $state
     * @return list<array{array<int, true>, array<string, array{string, bool}>, array<string, int>}>
     */
    private function fail(array $state, int $routine, bool $failing = false): array
    {
        foreach (array_keys($state[0]) as $at) {
            if ($this->program->nodes[$at]->routine === $routine) {
                $failing = $failing || str_contains($this->program->nodes[$at]->path, '.if_fails.');
                unset($state[0][$at]);
            }
        }
        foreach (array_keys($this->program->motions[$routine]) as $motion) {
            if ($state[1][$motion][1]) {
                $state[1][$motion] = [$this->motions->afterHalt($state[1][$motion][0], $motion), false];
            }
        }

        if ($this->program->routines[$routine]->startsAtPowerOn()) {
            $state[2][self::HALTED] = 1;
        }

        return $failing ? [$state] : $this->onward($state, $this->program->failing[$routine]);
    }

    /**
     * @param  array{array<int, true>, array<string, array{string, bool}>, array<string, int>}  $state
     * @return array{array<int, true>, array<string, array{string, bool}>, array<string, int>}
     */
    private function does(array $state, Node $node): array
    {
        $step = $node->step;
        if ($step instanceof SetStep && isset($this->knowledge->bounds[$step->counter])) {
            $state[2][$step->counter] = $this->knowledge->bounded($step->counter, $step->to ?? $state[2][$step->counter] + ($step->add ?? 0));
        }

        return $state;
    }

    /**
     * What rules forbid, told once of each step that brings it about.
     *
     * @param  array{array<int, true>, array<string, array{string, bool}>, array<string, int>}  $state
     * @param  string  $from  the state before
     */
    private function rules(array $state, string $key, string $from): void
    {
        foreach (array_values($this->build->rules) as $i => $rule) {
            if ($this->knowledge->truth($rule->never, $state) !== Knowledge::FALSE && ($rule->while === null || $this->knowledge->truth($rule->while, $state) !== Knowledge::FALSE)) {
                $this->now = $key;
                $this->finds('rule', "rules.{$i}", $rule->id.' '.$this->culprit($i, $state, $from));
            }
        }
    }

    /**
     * The step that moves what a rule is about: the one that has just begun, if there is one, rather what must never be than while what.
     *
     * @param  array{array<int, true>, array<string, array{string, bool}>, array<string, int>}  $state
     */
    private function culprit(int $rule, array $state, string $from): string
    {
        $before = array_flip(explode(',', (string) strstr($from, '|', true)));
        $best = ['', -1];
        foreach (array_keys($state[0]) as $at) {
            $node = $this->program->nodes[$at];
            $about = $node->motion === null ? 0 : $this->about[$rule][$node->motion] ?? 0;
            $weight = $about === 0 ? -1 : $about + (isset($before[$at]) ? 0 : 2);
            $best = $weight > $best[1] ? [$node->path, $weight] : $best;
        }

        return $best[0];
    }

    private function finds(string $code, string $path, string $what): void
    {
        $this->found[$code === 'rule' ? "rule {$what}" : "{$code} {$path}"] ??= [$code, [$path, $what, ...$this->story()]];
    }

    /** @return list<string> what happened on the way to the present state, at most the last few */
    private function story(): array
    {
        $story = [];
        for ($key = $this->now; $key !== '' && count($story) < 6; $key = $this->before[$key][0]) {
            $words = $this->before[$key][1];
            if ($words !== '') {
                array_unshift($story, $words);
            }
        }

        return $story;
    }
}
