<?php

declare(strict_types=1);

namespace Brookstone\Core\Reach;

use Brookstone\Core\Build\Build;
use Brookstone\Core\Condition\Condition;
use Brookstone\Core\Condition\Conditions;
use Brookstone\Core\Routine\ChooseStep;
use Brookstone\Core\Routine\RepeatStep;
use Brookstone\Core\Routine\Routine;
use Brookstone\Core\Routine\Step;
use Brookstone\Core\Routine\TogetherStep;
use Brookstone\Core\Routine\Trigger;

/** All routines of a build as points that lead to one another, calls put in where they stand. */
final class StepGraph
{
    private const DEEPEST_CALL = 8;

    private const MOST_NODES = 20_000;

    /** @var list<Node> */
    public array $nodes = [];

    /** @var array<int, int> first node of each routine; −1 is empty */
    public array $entries = [];

    /** @var array<int, int> first node of what each does when it fails; −1 is nothing */
    public array $whenFailed = [];

    /** @var list<Routine> */
    public readonly array $routines;

    /** @var array<int, array<string, true>> motions of each routine, those of what it calls and of shared motors too */
    public array $motions = [];

    /** @var array<string, true> routines that another does, by id; one that nothing starts and nobody calls may be started by hand */
    public array $called = [];

    /** @var array<string, true> routines that call each other without end, by path of the step */
    public array $endless = [];

    private bool $failing = false; // while it puts in what a routine does when it fails

    public function __construct(public readonly Build $build)
    {
        $this->routines = array_values($build->routines);
        foreach ($this->routines as $i => $routine) {
            $this->motions[$i] = [];
            $this->entries[$i] = $this->list($routine->steps, "routines.{$i}.steps", $i, -1, []);
            $this->failing = true;
            $this->whenFailed[$i] = $this->list($routine->ifFails, "routines.{$i}.if_fails", $i, -1, []);
            $this->failing = false;
        }
        foreach ($this->motions as $i => $motions) {
            foreach (array_intersect_key($build->motorGroups, $motions) as $group) {
                $this->motions[$i] += array_fill_keys($group->members, true);
            }
        }
    }

    /** @return list<Condition> all that decides where a thread goes, what starts and what must not be, and their parts */
    public function conditions(): array
    {
        $conditions = [];
        foreach ($this->routines as $routine) {
            foreach ($routine->flat() as $step) {
                array_push($conditions, ...($step->inner() === [] ? [] : array_values($step->conditions())));
            }
            array_push($conditions, ...array_map(fn (Trigger $trigger): ?Condition => $trigger->condition, $routine->starts));
        }
        foreach ($this->build->rules as $rule) {
            array_push($conditions, $rule->never, $rule->while);
        }

        return array_merge(...array_map(Conditions::all(...), $conditions));
    }

    /** Whether two routines move something in common. */
    public function meet(int $a, int $b): bool
    {
        return array_intersect_key($this->motions[$a], $this->motions[$b]) !== [];
    }

    /**
     * @param  list<Step>  $steps
     * @param  list<string>  $calls  routines that led here
     * @return int its first node
     */
    private function list(array $steps, string $path, int $routine, int $then, array $calls): int
    {
        // From the last to the first, so that each knows where it leads; branches come after the node that forks them.
        for ($i = count($steps) - 1; $i >= 0; $i--) {
            $then = $this->step($steps[$i], "{$path}.{$i}", $routine, $then, $calls);
        }

        return $then;
    }

    /** @param  list<string>  $calls */
    private function step(Step $step, string $path, int $routine, int $then, array $calls): int
    {
        if ($step->motion() !== null) {
            $this->motions[$routine][$step->motion()] = true;
        }
        $effect = $step->effect($this->build);
        if ($effect->calls !== null) {
            return $this->call($effect->calls, $path, $routine, $then, $calls);
        }
        if (count($this->nodes) >= self::MOST_NODES) {
            return $then;
        }
        if ($step instanceof TogetherStep) {
            $at = $this->add(new Node(Node::FORK, $routine, $path), $then);
            $node = $this->nodes[$at];
            $node->any = $step->until === 'any';
            foreach ($step->branches as $i => $branch) {
                $from = count($this->nodes);
                $first = $this->list($branch, "{$path}.branches.{$i}", $routine, -1, $calls);
                $node->branches[] = [$first, $from, count($this->nodes)];
            }

            return $at;
        }
        if ($step instanceof ChooseStep) {
            $at = $this->add(new Node(Node::CHOOSE, $routine, $path, condition: $step->if), $then);
            $this->nodes[$at]->next = $this->list($step->then, "{$path}.then", $routine, $then, $calls);
            $this->nodes[$at]->else = $this->list($step->otherwise, "{$path}.otherwise", $routine, $then, $calls);

            return $at;
        }
        if ($step instanceof RepeatStep) {
            // A choice at its head: once more, or on. Without an end it only goes round.
            $at = $this->add(new Node($step->times === null && $step->until === null ? Node::DO : Node::CHOOSE, $routine, $path,
                condition: $step->until), $then);
            $again = $this->add(new Node(Node::AGAIN, $routine, $path), $at);
            $body = $this->list($step->steps, "{$path}.steps", $routine, $again, $calls);
            $node = $this->nodes[$at];
            [$node->next, $node->else] = $step->until !== null ? [$then, $body] : [$body, $then];

            return $at;
        }
        $kind = match (true) {
            $effect->move !== null => Node::MOVE,
            $effect->rests => Node::WAIT,
            $effect->fails => Node::FAULT,
            default => Node::DO,
        };

        return $this->add(new Node($kind, $routine, $path, $effect), $then);
    }

    /** @param  list<string>  $calls */
    private function call(string $called, string $path, int $routine, int $then, array $calls): int
    {
        $other = $this->build->routines[$called];
        $this->called[$called] = true;
        $own = $this->routines[$routine]->id;
        if (in_array($called, $calls, true) || $called === $own || count($calls) >= self::DEEPEST_CALL) {
            $this->endless[$path] = true;

            return $this->add(new Node(Node::FAULT, $routine, $path), -1);
        }
        $first = $this->list($other->steps, 'routines.'.array_search($called, array_keys($this->build->routines), true).'.steps', $routine, $then,
            [...$calls, $called]);

        return $this->add(new Node(Node::DO, $routine, $path), $first);
    }

    private function add(Node $node, int $then): int
    {
        $node->next = $then;
        $node->failing = $this->failing;
        $this->nodes[] = $node;

        return count($this->nodes) - 1;
    }
}
