<?php

declare(strict_types=1);

namespace Brookstone\Core\Reach;

use Brookstone\Core\Build\Build;
use Brookstone\Core\Build\Motion;
use Brookstone\Core\Condition\Condition;
use Brookstone\Core\Routine\ChangeOverStep;
use Brookstone\Core\Routine\GoByStep;
use Brookstone\Core\Routine\GoStep;
use Brookstone\Core\Routine\HomeStep;
use Brookstone\Core\Routine\PowerStep;
use Brookstone\Core\Routine\RunStep;
use Brookstone\Core\Routine\StopStep;
use Brookstone\Core\Routine\WaitStep;

/** What becomes of the motions in a state of the search when a step begins, is done, or is broken off; and what is wrong with that. */
final class Motions
{
    private const BETWEEN = 'b';  // it was homed, and is not at a place

    private const MEASURED = '@'; // it is so far along, at no place that has a name

    private const COUPLED = '~';  // kept with the counters: which motion a selector holds; 0 nobody knows

    private const OFF = '%';      // kept with the counters: 1 while a step has switched its power off

    private readonly Build $build;

    /** @var array<string, string> of each motion whose power some step switches, the key of that */
    private array $gates = [];

    /** @var array<string, string> of each motion, the other on its motor */
    private array $partners = [];

    /** @var array<string, array{string, int}> of each motion behind a selector, the key of that and its number there */
    private array $selectors = [];

    /** @var array<string, true> what goes along with another whenever that moves */
    private array $rectified = [];

    /** @var array<string, list<array{string, array<string, int>}>> of each servo that moves selectors: their keys, and what each of its places couples */
    private array $byServo = [];

    /** @var list<array{string, string, string}> what is wrong with the moves that began since this was emptied: code, path, what */
    public array $wrong = [];

    public function __construct(private readonly Program $program)
    {
        $this->build = $program->build;
        foreach ($this->build->motions as $id => $motion) {
            $partner = $motion->drive?->shares;
            if ($partner === null) {
                continue;
            }
            $this->partners[$id] = $partner;
            $this->partners[$partner] = $id;
            if ($motion->drive?->shares_by === 'rectifier') {
                $this->rectified[$id] = $this->rectified[$partner] = true;
            }
            if ($motion->drive->shares_by === 'selector') {
                $this->selectors[$id] = [self::COUPLED.$id, 1];
                $this->selectors[$partner] = [self::COUPLED.$id, 2];
                $selector = $motion->drive->selector;
                if ($selector->motion !== null) {
                    $this->byServo[$selector->motion][] = [self::COUPLED.$id, [(string) $selector->place => 1, (string) $selector->other => 2]];
                }
            }
        }
        foreach ($this->program->nodes as $node) {
            foreach ($node->step instanceof PowerStep ? $this->switchedBy($node->step) : [] as $id) {
                $this->gates[$id] = self::OFF.$id;
            }
        }
    }

    /** @return list<string> the motions whose power a step switches */
    private function switchedBy(PowerStep $step): array
    {
        return array_map(strval(...), array_keys(array_filter($this->build->motions, fn (Motion $motion): bool => $motion->id === $step->motion || ($step->supply !== null && $motion->drive?->supply->id === $step->supply))));
    }

    /** @return array<string, array{string, bool}> when the power comes on */
    public function first(): array
    {
        return array_map(fn (Motion $motion): array => [$motion->isAbsolute() ? Knowledge::FELT : Knowledge::UNKNOWN, false], $this->build->motions);
    }

    /** @return array<string, int> what the selectors hold when the power comes on, for all that anybody knows, and whose power is off */
    public function firstKept(): array
    {
        return array_fill_keys([...array_column($this->selectors, 0), ...array_values($this->gates)], 0);
    }

    /**
     * A move begins: may it, and does anybody else move the same thing?
     *
     * @param  array{array<int, true>, array<string, array{string, bool}>, array<string, int>}  $state
     * @return array{array<int, true>, array<string, array{string, bool}>, array<string, int>}
     */
    public function begin(array $state, int $at, Node $node): array
    {
        $id = $node->motion ?? '';
        $motion = $this->build->motions[$id];
        $known = $state[1][$id][1] ? $this->afterHalt($state[1][$id][0], $id) : $state[1][$id][0]; // it is on its way somewhere
        $partner = $this->partners[$id] ?? null;
        foreach (array_keys($state[0]) as $other) {
            $moves = $this->program->nodes[$other]->motion;
            if ($moves !== null && $other !== $at && ($moves === $id || $moves === $partner)) {
                $this->wrong[] = [$moves === $id ? 'same_motion' : 'same_motor', $node->path, "{$moves} {$this->program->nodes[$other]->path}"];
            }
        }
        if ($partner !== null && isset($this->rectified[$id]) && ! $state[1][$partner][1]) {
            $state[1][$partner] = [$this->afterHalt($state[1][$partner][0], $partner), false];
        }
        if ($partner !== null && $state[1][$partner][1]) {
            $this->wrong[] = ['same_motor', $node->path, $partner.' '];
        }
        if (isset($this->selectors[$id]) && $state[2][$this->selectors[$id][0]] !== $this->selectors[$id][1]) {
            $this->wrong[] = ['not_coupled', $node->path, $id];
        }
        if (isset($this->gates[$id]) && $state[2][$this->gates[$id]] === 1) {
            $this->wrong[] = ['no_power', $node->path, $id];
        }
        $step = $node->step;
        $round = $motion->period() !== null;
        if ($motion->drive !== null && (! $motion->task->keeps_turning || ($round && $step instanceof GoStep))) {
            $teller = $step instanceof GoStep ? $motion->stops->switchAt($step->place) : null;
            $finds = $step instanceof HomeStep || ($step instanceof RunStep && $step->ontoSwitch($this->build) !== null) || ($teller !== null && ($round || $teller->isOwn));
            $byTime = $motion->goesByTime() && ($step instanceof GoByStep || ($step instanceof GoStep && $teller === null));
            if ($known === Knowledge::UNKNOWN && ! $finds) {
                $this->wrong[] = ['not_known', $node->path, $id];
            } elseif ($known === self::BETWEEN && $byTime) {
                $this->wrong[] = ['place_lost', $node->path, $id];
            }
        }
        foreach ($this->byServo[$id] ?? [] as [$selector]) {
            $state[2][$selector] = 0;
        }
        $state[0][$at] = true;
        $state[1][$id] = [$this->onTheWay($motion, $known, $node), true];

        return $state;
    }

    /**
     * A thread rests at a step that moves nothing: while a selector changes over it holds neither.
     *
     * @param  array{array<int, true>, array<string, array{string, bool}>, array<string, int>}  $state
     * @return array{array<int, true>, array<string, array{string, bool}>, array<string, int>}
     */
    public function rests(array $state, Node $node): array
    {
        if ($node->step instanceof ChangeOverStep && isset($this->selectors[$node->step->motion])) {
            $state[2][$this->selectors[$node->step->motion][0]] = 0;
        }

        return $state;
    }

    /** What is known of it while it moves; of a move by an amount, where that leads. */
    private function onTheWay(Motion $motion, string $known, Node $node): string
    {
        if ($motion->isAbsolute()) {
            return Knowledge::FELT;
        }
        $from = $this->position($motion, $known);
        if ($node->step instanceof GoByStep && $from !== null && ! $motion->task->keeps_turning) {
            $to = round($from + $node->step->by, 6);
            if ($to < ($motion->stops->hard_low ?? -INF) - 1e-9 || $to > ($motion->stops->hard_high ?? INF) + 1e-9) {
                $this->wrong[] = ['past_end', $node->path, "{$motion->id} {$to}"];

                return self::BETWEEN;
            }

            return $motion->placeAt($to)->id ?? self::MEASURED.$to;
        }

        return $known === Knowledge::UNKNOWN ? Knowledge::UNKNOWN : self::BETWEEN;
    }

    private function position(Motion $motion, string $known): ?float
    {
        return str_starts_with($known, self::MEASURED) ? (float) substr($known, 1) : $motion->place($known)?->at;
    }

    /**
     * @param  array{array<int, true>, array<string, array{string, bool}>, array<string, int>}  $state
     * @return array{array<int, true>, array<string, array{string, bool}>, array<string, int>}
     */
    public function done(array $state, Node $node): array
    {
        $step = $node->step;
        if ($step instanceof ChangeOverStep && isset($this->selectors[$step->motion])) {
            [$selector, $number] = $this->selectors[$step->motion];
            $state[2][$selector] = $number;
        }
        if ($step instanceof WaitStep && $step->until !== null) {
            return $this->learns($state, $step->until, true);
        }
        $id = $node->motion;
        if ($id === null) {
            return $state;
        }
        $motion = $this->build->motions[$id];
        if ($step instanceof GoStep) {
            foreach ($this->byServo[$id] ?? [] as [$selector, $places]) {
                $state[2][$selector] = $places[$step->place] ?? 0;
            }
            $state[1][$id] = [$step->place, false];
        } elseif ($step instanceof GoByStep) {
            $state[1][$id] = [$state[1][$id][0], false];
        } elseif ($step instanceof HomeStep) {
            $state[1][$id] = [$motion->stops->switch($step->switch)->place ?? self::BETWEEN, false];
        } elseif ($step instanceof RunStep) {
            $place = $step->ontoSwitch($this->build)?->place;
            $state[1][$id] = [$place ?? ($motion->isAbsolute() ? Knowledge::FELT : self::BETWEEN), ! $motion->isAbsolute()]; // its motor is still on
        }

        return $state;
    }

    /**
     * @param  array{array<int, true>, array<string, array{string, bool}>, array<string, int>}  $state
     * @return array{array<int, true>, array<string, array{string, bool}>, array<string, int>}
     */
    public function does(array $state, Node $node): array
    {
        $step = $node->step;
        if ($step instanceof StopStep) {
            $state[1][$step->motion] = [$state[1][$step->motion][0], false];
        } elseif ($step instanceof PowerStep) {
            foreach ($this->switchedBy($step) as $id) {
                $state[2][$this->gates[$id]] = $step->on ? 0 : 1;
                $state[1][$id] = $step->on ? $state[1][$id] : [$this->build->motions[$id]->isAbsolute() ? Knowledge::FELT : Knowledge::UNKNOWN, false];
            }
        }

        return $state;
    }

    /**
     * A condition was looked at: what stands still where a switch says is known from then on.
     *
     * @param  array{array<int, true>, array<string, array{string, bool}>, array<string, int>}  $state
     * @return array{array<int, true>, array<string, array{string, bool}>, array<string, int>}
     */
    public function learns(array $state, Condition $condition, bool $holds): array
    {
        foreach ($this->build->toldBy($condition, $holds) as $id => $place) {
            if (! $state[1][$id][1] && ! $this->build->motions[$id]->isAbsolute()) {
                $state[1][$id] = [$place, false];
            }
        }
        foreach ($this->build->heldBy($condition, $holds) as $id => $own) {
            if (isset($this->selectors[$id])) {
                $state[2][$this->selectors[$id][0]] = $own ? 1 : 2;
            }
        }

        return $state;
    }

    public function afterHalt(string $known, string $motion): string
    {
        return $this->build->motions[$motion]->isAbsolute() ? Knowledge::FELT : ($known === Knowledge::UNKNOWN ? Knowledge::UNKNOWN : self::BETWEEN);
    }
}
