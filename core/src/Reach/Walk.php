<?php

declare(strict_types=1);

namespace Brookstone\Core\Reach;

use Brookstone\Core\Routine\Trigger;

/** What can happen next in a state: every thread that rests may go on, or give up where it can, and what is not running may start. */
final class Walk
{
    public const STARTS = 0; // an event is a number: of a routine that starts, 3n; of a node whose step ends, 3n + 1, or gives up, 3n + 2

    public const ENDS = 1;

    public const GIVES_UP = 2;

    /** @var array<int, true> nodes that were passed */
    public array $passed = [];

    /** Choices that were met. */
    public int $choices = 0;

    /** It kept within its bound. */
    public bool $complete = true;

    /** 1 once what starts at power-on has failed: nothing starts any more. */
    private readonly int $halted;

    /** @param  int  $most  choices, in all */
    public function __construct(private readonly StepGraph $program, private readonly Motions $motions, private readonly Knowledge $knowledge,
        Layout $layout, private readonly int $most)
    {
        $this->halted = $layout->add(0);
    }

    /** @return list<array{int, State}> what can happen, and the state then */
    public function next(State $state): array
    {
        $all = [];
        $runs = [];
        foreach ($state->threads as $at) {
            $node = $this->program->nodes[$at];
            $runs[$node->routine] = true;
            foreach ($node->kind === Node::FORK ? $this->join($state, $at, $node) : $this->onward($this->motions->done($state->leaving($at), $at, $node),
                $node->next) as $after) {
                $all[] = [3 * $at + self::ENDS, $after];
            }
            foreach ($node->effect->giveUp_s !== null ? $this->fail($state, $node->routine, false) : [] as $after) {
                $all[] = [3 * $at + self::GIVES_UP, $after];
            }
        }
        foreach ($state->slots[$this->halted] === 1 ? [] : array_keys($this->program->routines) as $i) {
            foreach ($this->mayStart($i, $runs, $state) ? $this->start($state, $i) : [] as $after) {
                $all[] = [3 * $i + self::STARTS, $after];
            }
        }

        return $all;
    }

    /** @param  array<int, true>  $runs  routines that run */
    private function mayStart(int $i, array $runs, State $state): bool
    {
        $routine = $this->program->routines[$i];
        if (isset($runs[$i]) || ! ($routine->starts === [] ? ! isset($this->program->called[$routine->id]) : $this->canStart($routine->starts, $state))) {
            return false;
        }
        foreach ($routine->alone ? array_keys($runs) : [] as $other) {
            if ($this->program->meet($i, $other)) {
                return false;
            }
        }

        return true;
    }

    /** @param  list<Trigger>  $starts */
    private function canStart(array $starts, State $state): bool
    {
        foreach ($starts as $trigger) {
            if ($trigger->when !== 'power_on' && ($trigger->when !== 'count' || $trigger->condition === null || $this->knowledge->truth($trigger->condition,
                $state) !== Knowledge::FALSE)) {
                return true;
            }
        }

        return false;
    }

    /** @return list<State> */
    public function start(State $state, int $routine): array
    {
        return $this->onward($state, $this->program->entries[$routine]);
    }

    /**
     * A thread goes on from a node as far as it can without waiting.
     *
     * @return list<State>
     */
    private function onward(State $state, int $at): array
    {
        while ($at >= 0) {
            $node = $this->program->nodes[$at];
            if ($node->kind === Node::CHOOSE) {
                return $this->branching($state, $at);
            }
            $this->passed[$at] = true;
            if ($node->kind !== Node::DO) {
                return $this->stands($state, $at, $node);
            }
            $state = $this->does($state, $node);
            $at = $node->next;
        }

        return [$state];
    }

    /**
     * The same from a choice on; what comes to one choice in one state by two ways goes on once.
     *
     * @return list<State>
     */
    private function branching(State $state, int $at): array
    {
        $open = [[$state, $at]];
        $ends = $seen = [];
        while ($open !== []) {
            [$state, $at] = array_pop($open);
            while ($at >= 0 && $this->program->nodes[$at]->kind === Node::DO) {
                $this->passed[$at] = true;
                $state = $this->does($state, $this->program->nodes[$at]);
                $at = $this->program->nodes[$at]->next;
            }
            if ($at < 0 || $this->program->nodes[$at]->kind !== Node::CHOOSE) {
                array_push($ends, ...$this->onward($state, $at));

                continue;
            }
            $key = $at.$state->key();
            if (! isset($seen[$key]) && $this->mayChoose()) {
                $seen[$key] = $this->passed[$at] = true;
                array_push($open, ...$this->choose($state, $this->program->nodes[$at]));
            }
        }

        return self::differing($ends);
    }

    private function mayChoose(): bool
    {
        $this->complete = $this->complete && ++$this->choices <= $this->most;

        return $this->complete;
    }

    /** @return list<array{State, int}> how and where it may go on, the first of them last */
    private function choose(State $state, Node $node): array
    {
        $so = $node->condition === null ? Knowledge::MAYBE : $this->knowledge->truth($node->condition, $state, $node->routine);
        if ($so !== Knowledge::MAYBE) {
            return [[$state, $so === Knowledge::TRUE ? $node->next : $node->else]];
        }
        [$then, $else] = $node->condition === null ? [$state, $state] : [$this->motions->learns($state, $node->condition, true),
            $this->motions->learns($state, $node->condition, false)];

        return [[$else, $node->else], [$then, $node->next]];
    }

    /**
     * A thread comes to a node at which it rests, or fails.
     *
     * @return list<State>
     */
    private function stands(State $state, int $at, Node $node): array
    {
        if ($node->kind === Node::FAULT) {
            return $this->fail($state, $node->routine, $node->failing);
        }
        if ($node->kind === Node::MOVE) {
            return [$this->motions->begin($state, $at, $node)];
        }
        $states = [$this->motions->rests($state->entering($at), $node)];
        foreach ($node->branches as [$first]) {
            $states = self::differing(array_merge(...array_map(fn (State $each): array => $this->onward($each, $first), $states)));
        }

        return $states;
    }

    /** @return list<State> */
    private function join(State $state, int $at, Node $node): array
    {
        $inside = [];
        $branches = 0; // that still run
        foreach ($node->branches as [, $from, $to]) {
            $running = array_filter($state->threads, fn (int $each): bool => $each >= $from && $each < $to);
            $branches += $running === [] ? 0 : 1;
            array_push($inside, ...$running);
        }
        if ($branches > 0 && ! ($node->any && $branches < count($node->branches))) {
            return [];
        }
        $state = $state->leaving($at);
        foreach ($inside as $each) {
            $motion = $this->program->nodes[$each]->motion;
            $state = $motion === null ? $state->leaving($each) : $this->motions->halted($state->leaving($each), $motion);
        }

        return $this->onward($state, $node->next);
    }

    /**
     * Everything that a routine moves is stopped; then it does what it does when it fails, if it is not doing that already.
     *
     * @param  bool  $failing  it is a step of those that says so
     * @return list<State>
     */
    private function fail(State $state, int $routine, bool $failing): array
    {
        foreach ($state->threads as $at) {
            if ($this->program->nodes[$at]->routine === $routine) {
                $failing = $failing || $this->program->nodes[$at]->failing;
                $state = $state->leaving($at);
            }
        }
        foreach (array_keys($this->program->motions[$routine]) as $motion) {
            $state = $this->motions->isDriven($state, $motion) ? $this->motions->halted($state, $motion) : $state;
        }
        if ($this->program->routines[$routine]->startsAtPowerOn()) {
            $state = $state->with($this->halted, 1);
        }

        return $failing ? [$state] : $this->onward($state, $this->program->whenFailed[$routine]);
    }

    private function does(State $state, Node $node): State
    {
        $counter = $node->effect->counter;

        return $counter === null ? $this->motions->does($state, $node) : $this->knowledge->set($state, $counter->counter, $counter->to, $counter->add);
    }

    /**
     * @param  list<State>  $states
     * @return list<State> each once
     */
    private static function differing(array $states): array
    {
        if (count($states) < 2) {
            return $states;
        }
        $differing = [];
        foreach ($states as $state) {
            $differing[$state->key()] ??= $state;
        }

        return array_values($differing);
    }
}
