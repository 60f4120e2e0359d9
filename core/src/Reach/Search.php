<?php

declare(strict_types=1);

namespace Brookstone\Core\Reach;

use Brookstone\Core\Build\Build;
use Brookstone\Core\Condition\Conditions;

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

    private const STORY = 6; // of what led to a state, the last so many events

    private readonly StepGraph $program;

    private readonly Knowledge $knowledge;

    private readonly Motions $motions;

    private readonly Walk $walk;

    private readonly State $first;

    /** @var array<int, array<string, int>> of each rule, the motions that it is about: 2 what must never be, 1 while what */
    private array $about = [];

    /** @var array<string, Conflict> each once */
    private array $found = [];

    /** @var array<string, int> the number of each state, in the order in which they were met */
    private array $numbers = [];

    /** @var list<int> of each state, the one from which it was met first */
    private array $from = [];

    /** @var list<int> and by what event */
    private array $event = [];

    /** @var array<int, State> those that have not been gone on from */
    private array $open = [];

    /** @var array<int, true> sets of routines that run beside one another, a bit for each */
    private array $together = [];

    private int $now = -1;

    private function __construct(private readonly Build $build, private readonly int $most)
    {
        $layout = new Layout;
        $this->program = new StepGraph($build);
        $this->motions = new Motions($this->program, $layout);
        $this->knowledge = new Knowledge($this->program, $this->motions, $layout);
        $this->walk = new Walk($this->program, $this->motions, $this->knowledge, $layout, $most);
        $this->first = $layout->first();
        foreach (array_values($build->rules) as $i => $rule) {
            $this->about[$i] = array_fill_keys(Conditions::motions($rule->never), 2) + array_fill_keys(Conditions::motions($rule->while), 1);
        }
    }

    public static function of(Build $build, int $most = self::QUICK): Reached
    {
        $search = new self($build, $most);
        [$states, $complete] = $search->explore();
        $unreached = [];
        foreach ($complete ? $search->program->nodes : [] as $i => $node) {
            if (! isset($search->walk->passed[$i]) && $node->kind !== Node::AGAIN) {
                $unreached[$node->path] = $node->routine;
            }
        }
        foreach ($search->program->nodes as $i => $node) {
            if (isset($search->walk->passed[$i])) {
                unset($unreached[$node->path]); // a step that is called from elsewhere is reached there
            }
        }

        return new Reached($states, $complete, array_values($search->found), $unreached, array_keys($search->program->endless), $search->together());
    }

    /** @return array{int, bool} how many states were gone on from, and that those were all */
    private function explore(): array
    {
        $starts = [$this->first];
        foreach ($this->program->routines as $i => $routine) {
            if ($routine->startsAtPowerOn()) {
                $starts = array_merge(...array_map(fn (State $state): array => $this->walk->start($state, $i), $starts));
            }
        }
        foreach ($starts as $state) {
            $this->reach($state, -1);
        }
        for ($this->now = 0; isset($this->open[$this->now]) && $this->walk->complete; $this->now++) {
            if ($this->now >= $this->most) {
                return [$this->most, false];
            }
            $state = $this->open[$this->now];
            unset($this->open[$this->now]);
            foreach ($this->walk->next($state) as [$event, $after]) {
                $this->reach($after, $event, $state);
            }
        }

        return [$this->now, $this->walk->complete];
    }

    private function reach(State $state, int $event, ?State $from = null): void
    {
        foreach ($this->motions->wrong as $conflict) {
            $this->finds($conflict, $this->now);
        }
        $this->motions->wrong = [];
        $key = $state->key();
        if (isset($this->numbers[$key])) {
            return;
        }
        $number = $this->numbers[$key] = count($this->numbers);
        $this->from[] = $this->now;
        $this->event[] = $event;
        $this->open[$number] = $state;
        $this->beside($state);
        foreach (array_values($this->build->rules) as $i => $rule) {
            if ($this->knowledge->truth($rule->never, $state) !== Knowledge::FALSE
                && ($rule->while === null || $this->knowledge->truth($rule->while, $state) !== Knowledge::FALSE)) {
                $this->finds(new Conflict('rule', $this->culprit($i, $state, $from), $rule->id), $number);
            }
        }
    }

    private function beside(State $state): void
    {
        $runs = 0;
        foreach ($state->threads as $at) {
            $runs |= 1 << $this->program->nodes[$at]->routine;
        }
        if (($runs & ($runs - 1)) !== 0) { // more than one
            $this->together[$runs] = true;
        }
    }

    /** @return list<list<string>> ids of routines that were met running beside one another: the largest such sets, none a part of another */
    private function together(): array
    {
        $sets = [];
        foreach (array_keys($this->together) as $runs) {
            $sets[] = [$runs, array_keys(array_filter($this->program->routines, fn (int $i): bool => ($runs >> $i & 1) === 1, ARRAY_FILTER_USE_KEY))];
        }
        usort($sets, fn (array $a, array $b): int => [count($b[1]), $a[1]] <=> [count($a[1]), $b[1]]);
        $largest = [];
        foreach ($sets as [$runs, $numbers]) {
            foreach ($largest as [$others]) {
                if (($runs & ~$others) === 0) {
                    continue 2;
                }
            }
            $largest[] = [$runs, $numbers];
        }

        return array_map(fn (array $set): array => array_map(fn (int $i): string => $this->program->routines[$i]->id, $set[1]), $largest);
    }

    /**
     * The step that moves what a rule is about, told once of each step that brings it about: the one that has just begun, if there is one, rather what
     * must never be than while what.
     *
     * @param  State|null  $from  the state before
     */
    private function culprit(int $rule, State $state, ?State $from): ?string
    {
        $best = [null, -1];
        foreach ($state->threads as $at) {
            $node = $this->program->nodes[$at];
            $about = $node->motion === null ? 0 : $this->about[$rule][$node->motion] ?? 0;
            $weight = $about === 0 ? -1 : $about + (in_array($at, $from->threads ?? [], true) ? 0 : 2);
            $best = $weight > $best[1] ? [$node->path, $weight] : $best;
        }

        return $best[0];
    }

    /** @param  int  $in  the state that this is found in, or while it is gone on from */
    private function finds(Conflict $conflict, int $in): void
    {
        $this->found[$conflict->key()] ??= $conflict->after($this->story($in));
    }

    /** @return list<Happening> what happened on the way to a state, at most the last few */
    private function story(int $number): array
    {
        $story = [];
        for (; $number >= 0 && count($story) < self::STORY; $number = $this->from[$number]) {
            $happened = $this->happened($this->event[$number]);
            if ($happened !== null) {
                array_unshift($story, $happened);
            }
        }

        return $story;
    }

    /** null where it is nothing to tell: branches have come together */
    private function happened(int $event): ?Happening
    {
        if ($event < 0) {
            return new Happening('power_on');
        }
        $n = intdiv($event, 3);

        return match ($event % 3) {
            Walk::STARTS => new Happening('starts', $this->program->routines[$n]->id),
            Walk::GIVES_UP => new Happening('gives_up', $this->program->nodes[$n]->path),
            default => $this->program->nodes[$n]->kind === Node::FORK ? null : new Happening('ends', $this->program->nodes[$n]->path),
        };
    }
}
