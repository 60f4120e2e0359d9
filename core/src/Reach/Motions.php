<?php

declare(strict_types=1);

namespace Brookstone\Core\Reach;

use Brookstone\Core\Build\Build;
use Brookstone\Core\Condition\Between;
use Brookstone\Core\Condition\Condition;
use Brookstone\Core\Parts\Motion;
use Brookstone\Core\Parts\MotorGroup;
use Brookstone\Core\Routine\Movement;

/**
 * What becomes of the motions in a state of the search when a step begins, is done, or is broken off; and what is wrong with that. A slot of each holds
 * the number of its whereabouts.
 */
final class Motions
{
    private readonly Build $build;

    /** @var array<string, int> slot of each motion */
    private array $slots = [];

    /** @var array<string, Travel> */
    private array $travels = [];

    /** @var array<string, list<PositionKnowledge>> of each motion, those met so far */
    private array $met = [];

    /** @var array<string, array<string, int>> of each motion their numbers */
    private array $numbers = [];

    /** @var array<string, int> of each motion whose power some step switches, the slot of that: 1 while it is off */
    private array $gates = [];

    /** @var array<string, array{int, int}> of each motion behind a selector, the slot of which of them that holds, and its number there; 0 nobody knows */
    private array $selectors = [];

    /** @var array<string, list<array{int, array<string, int>}>> of each servo that moves selectors: their slots, and what each of its places couples */
    private array $byServo = [];

    /** @var array<int, array<int, int>> by node and what its motion's whereabouts were: those on the way, and once it is done */
    private array $ways = [];

    /** @var array<int, array<int, int>> */
    private array $ends = [];

    /** @var array<string, array<int, int>> by motion and what its whereabouts were: those once it has been broken off */
    private array $halts = [];

    /**
     * @var array<int, array<int, array{array<string, string>, array<string, bool>}>> what conditions tell: at which places motions are, and what
     *     selectors hold
     */
    private array $told = [];

    /** @var list<Conflict> what is wrong with the moves that began since this was emptied */
    public array $wrong = [];

    public function __construct(private readonly StepGraph $program, private readonly Layout $layout)
    {
        $this->build = $program->build;
        $asked = $this->askedWhere();
        $moved = $this->moved();
        foreach ($this->build->motions as $id => $motion) {
            $this->travels[$id] = new Travel($motion, isset($asked[$id]));
            $this->met[$id] = [];
            $this->slots[$id] = $layout->add($this->number($id, $this->first($motion, isset($moved[$id]))));
        }
        foreach ($this->build->motorGroups as $id => $group) {
            if ($id === $group->members[0] && $group->by === 'selector') {
                $this->selects($group);
            }
        }
        foreach ($this->program->nodes as $node) {
            foreach ($node->effect->power->motions ?? [] as $id) {
                $this->gates[$id] ??= $layout->add(0);
            }
        }
    }

    private function selects(MotorGroup $group): void
    {
        $slot = $this->layout->add(0);
        $places = [];
        foreach ($group->members as $i => $id) {
            $this->selectors[$id] = [$slot, $i + 1];
            $places += [(string) $group->couplesAt($id) => $i + 1];
        }
        if ($group->servo() !== null) {
            $this->byServo[$group->servo()][] = [$slot, $places];
        }
    }

    /** A sensor tells whether a selector holds this one: of two, if it does not, it holds the other. */
    private function holds(State $state, string $id, bool $does): State
    {
        [$slot, $number] = $this->selectors[$id];
        $others = $this->build->motorGroups[$id]->others($id);

        return match (true) {
            $does => $state->with($slot, $number),
            count($others) === 1 => $state->with(...$this->selectors[$others[0]]),
            $state->slots[$slot] === $number => $state->with($slot, 0),
            default => $state,
        };
    }

    /** When the power comes on. What nobody moves stays where its task begins. */
    private function first(Motion $motion, bool $isMoved): PositionKnowledge
    {
        $travel = $this->travels[$motion->id];
        if ($isMoved) {
            return new PositionKnowledge($motion->positioning->isAbsolute(), between: $motion->positioning->isAbsolute()
                ? $travel->within(...$motion->range()) : $travel->unsaid());
        }
        $at = $motion->at($motion->task->from);

        return $motion->positioning->isAbsolute() ? new PositionKnowledge(true, $motion->task->from, $at, $travel->at($at))
            : new PositionKnowledge(false, between: $travel->at($at));
    }

    /** @return array<string, true> motions whose real position any rule or condition asks for */
    private function askedWhere(): array
    {
        $asked = [];
        foreach ($this->program->conditions() as $condition) {
            if ($condition instanceof Between) {
                $asked[$condition->motion] = true;
            }
        }

        return $asked;
    }

    /** @return array<string, true> motions that any step moves, or that go along with one */
    private function moved(): array
    {
        $moved = [];
        foreach ($this->program->nodes as $node) {
            if ($node->motion !== null) {
                $moved[$node->motion] = true;
            }
        }
        foreach (array_intersect_key($this->build->motorGroups, $moved) as $group) {
            $moved += array_fill_keys($group->members, true);
        }

        return $moved;
    }

    public function whereabouts(State $state, string $motion): PositionKnowledge
    {
        return $this->met[$motion][$state->slots[$this->slots[$motion]]];
    }

    public function isDriven(State $state, string $motion): bool
    {
        return $this->whereabouts($state, $motion)->driven;
    }

    private function number(string $motion, PositionKnowledge $whereabouts): int
    {
        $key = $whereabouts->key();
        if (! isset($this->numbers[$motion][$key])) {
            $this->numbers[$motion][$key] = count($this->met[$motion]);
            $this->met[$motion][] = $whereabouts;
        }

        return $this->numbers[$motion][$key];
    }

    private function put(State $state, string $motion, PositionKnowledge $whereabouts): State
    {
        return $state->with($this->slots[$motion], $this->number($motion, $whereabouts));
    }

    /** It is broken off on its way. */
    public function halted(State $state, string $motion): State
    {
        $is = $state->slots[$this->slots[$motion]];
        $this->halts[$motion][$is] ??= $this->number($motion, $this->met[$motion][$is]->forgotten($this->met[$motion][$is]->known));

        return $state->with($this->slots[$motion], $this->halts[$motion][$is]);
    }

    private function atPlace(Motion $motion, string $place): PositionKnowledge
    {
        return new PositionKnowledge(true, $place, $motion->at($place), $this->travels[$motion->id]->at($motion->at($place)));
    }

    /** A move begins: may it, and does anybody else move the same thing? */
    public function begin(State $state, int $at, Node $node): State
    {
        $id = $node->motion ?? '';
        $motion = $this->build->motions[$id];
        $group = $this->build->motorGroups[$id] ?? null;
        $partners = $group?->others($id) ?? [];
        foreach ($state->threads as $other) {
            $moves = $this->program->nodes[$other]->motion;
            if ($moves !== null && $other !== $at && ($moves === $id || in_array($moves, $partners, true))) {
                $this->wrong[] = new Conflict($moves === $id ? 'same_motion' : 'same_motor', $node->path, $moves, $this->program->nodes[$other]->path);
            }
        }
        foreach ($partners as $partner) {
            if ($group?->by === 'rectifier' && ! $this->isDriven($state, $partner)) { // it goes along
                $state = $this->put($state, $partner, $this->whereabouts($state, $partner)->along(1,
                    $this->travels[$partner])->forgotten($this->whereabouts($state, $partner)->known));
            }
            if ($this->isDriven($state, $partner)) {
                $this->wrong[] = new Conflict('same_motor', $node->path, $partner);
            }
        }
        if (isset($this->selectors[$id]) && $state->slots[$this->selectors[$id][0]] !== $this->selectors[$id][1]) {
            $this->wrong[] = new Conflict('not_coupled', $node->path, $id);
        }
        if (isset($this->gates[$id]) && $state->slots[$this->gates[$id]] === 1) {
            $this->wrong[] = new Conflict('no_power', $node->path, $id);
        }
        if ($this->isDriven($state, $id)) {
            $state = $this->halted($state, $id); // it is on its way somewhere
        }
        foreach ($this->byServo[$id] ?? [] as [$selector]) {
            $state = $state->with($selector, 0);
        }
        $from = $state->slots[$this->slots[$id]];
        $this->ways[$at][$from] ??= $this->number($id, $this->sets($motion, $this->met[$id][$from], $node));

        return $state->entering($at)->with($this->slots[$id], $this->ways[$at][$from]);
    }

    private function sets(Motion $motion, PositionKnowledge $from, Node $node): PositionKnowledge
    {
        $this->mayBeLost($motion, $from, $node);

        return $this->onTheWay($motion, $from, $node);
    }

    /** It must know where it sets out, unless it is to find a switch. */
    private function mayBeLost(Motion $motion, PositionKnowledge $from, Node $node): void
    {
        $move = $node->move;
        if ($move === null || $motion->drive === null || ($motion->task->keeps_turning && ! ($motion->period() !== null && $move->isSent()))) {
            return;
        }
        $byTime = $motion->positioning->isTimed() && $move->onto === null && ($move->by !== null || $move->endsAt !== null);
        if (! $from->known && ! $move->seeks) {
            $this->wrong[] = new Conflict('not_known', $node->path, $motion->id);
        } elseif ($from->known && $from->at === null && $byTime) {
            $this->wrong[] = new Conflict('place_lost', $node->path, $motion->id);
        }
    }

    /** A thread rests at a step that moves nothing: while a selector changes over it holds neither. */
    public function rests(State $state, Node $node): State
    {
        return isset($this->selectors[$node->effect->couples ?? '']) ? $state->with($this->selectors[$node->effect->couples][0], 0) : $state;
    }

    /** Where it may be while it moves; of a move by an amount, where the controller will take it to be. */
    private function onTheWay(Motion $motion, PositionKnowledge $from, Node $node): PositionKnowledge
    {
        $travel = $this->travels[$motion->id];
        if ($node->move?->by !== null) {
            return $this->byAmount($motion, $from, $node, $node->move->by);
        }
        $place = $node->move?->endsAt;
        if ($place === null) {
            return $from->along($node->move->way ?? 1, $travel);
        }

        return $from->towards($motion->at($place), $travel->slack, $travel);
    }

    private function byAmount(Motion $motion, PositionKnowledge $from, Node $node, float $by): PositionKnowledge
    {
        $travel = $this->travels[$motion->id];
        if ($from->at === null || $motion->task->keeps_turning || $motion->positioning->isAbsolute()) {
            return $from->along($by <=> 0.0, $travel);
        }
        $to = round($from->at + $by, 6);
        if ($to < ($motion->stops->hard_low ?? -INF) - 1e-9 || $to > ($motion->stops->hard_high ?? INF) + 1e-9) {
            $this->wrong[] = new Conflict('past_end', $node->path, $motion->id, to: $to);

            return $from->along($by <=> 0.0, $travel);
        }

        return new PositionKnowledge(true, null, $to, $from->towards($to, $travel->slack, $travel)->between, true);
    }

    /** The step at a node ends as it should. */
    public function done(State $state, int $at, Node $node): State
    {
        $id = $node->motion;
        if ($id === null) {
            $couples = $node->effect->couples ?? '';
            $state = isset($this->selectors[$couples]) ? $state->with(...$this->selectors[$couples]) : $state;

            return $node->effect->until === null ? $state : $this->learns($state, $node->effect->until, true);
        }
        if ($node->move?->isSent() ?? false) {
            foreach ($this->byServo[$id] ?? [] as [$selector, $places]) {
                $state = $state->with($selector, $places[$node->move->endsAt] ?? 0);
            }
        }
        $is = $state->slots[$this->slots[$id]];
        $this->ends[$at][$is] ??= $this->number($id, $this->ended($this->build->motions[$id], $this->met[$id][$is], $node->move));

        return $state->with($this->slots[$id], $this->ends[$at][$is]);
    }

    private function ended(Motion $motion, PositionKnowledge $is, ?Movement $move): PositionKnowledge
    {
        $travel = $this->travels[$motion->id];
        if ($move?->by !== null) {
            return $is->at === null ? $is->forgotten($is->known) : new PositionKnowledge($is->known, $motion->placeAt($is->at)?->id, $is->at,
                $travel->at($is->at));
        }
        $is = $move?->endsAt === null ? $is->forgotten(true) : $this->atPlace($motion, $move->endsAt);

        // its motor is still on
        return $move === null || ! $move->staysOn || $motion->positioning->isAbsolute() ? $is : new PositionKnowledge(true, $is->place, $is->at,
            $is->along($move->way ?? 1, $travel)->between, true);
    }

    public function does(State $state, Node $node): State
    {
        $halted = $node->effect->halt?->motion;
        if ($halted !== null && $this->isDriven($state, $halted)) {
            $place = $this->whereabouts($state, $halted)->place;

            return $place === null ? $this->halted($state, $halted) : $this->put($state, $halted, $this->atPlace($this->build->motions[$halted], $place));
        }
        $power = $node->effect->power;
        if ($power === null) {
            return $state;
        }
        foreach ($power->motions as $id) {
            $state = $state->with($this->gates[$id], $power->on ? 0 : 1);
            $state = $power->on ? $state : $this->put($state, $id,
                $this->whereabouts($state, $id)->forgotten($this->build->motions[$id]->positioning->isAbsolute()));
        }

        return $state;
    }

    /** A condition was looked at: what stands still where a switch says is known from then on. */
    public function learns(State $state, Condition $condition, bool $holds): State
    {
        [$places, $held] = $this->told[spl_object_id($condition)][$holds ? 1 : 0] ??= [$this->build->toldBy($condition, $holds),
            $this->build->heldBy($condition, $holds)];
        foreach ($places as $id => $place) {
            if (! $this->isDriven($state, $id) && ! $this->build->motions[$id]->positioning->isAbsolute()) {
                $state = $this->put($state, $id, $this->atPlace($this->build->motions[$id], $place));
            }
        }
        foreach ($held as $id => $own) {
            if (isset($this->selectors[$id])) {
                $state = $this->holds($state, (string) $id, $own);
            }
        }

        return $state;
    }
}
