<?php

declare(strict_types=1);

namespace Brookstone\Core\Assessment\Routine;

use Brookstone\Core\Assessment\Subject\Link;
use Brookstone\Core\Assessment\Subject\MotionInBuild;
use Brookstone\Core\Build\Build;
use Brookstone\Core\Finding\Change;
use Brookstone\Core\Finding\Finding;
use Brookstone\Core\Finding\Fix;
use Brookstone\Core\Finding\Sentence;
use Brookstone\Core\Finding\Severity;
use Brookstone\Core\Finding\Verdict;
use Brookstone\Core\Quantity\Quantity;
use Brookstone\Core\Reach\Reached;
use Brookstone\Core\Rehearsal\Performance;
use Brookstone\Core\Rehearsal\Rehearsed;
use Brookstone\Core\Routine\Routine;
use Brookstone\Core\Routine\Step;

/**
 * What can be said of the routines without running them. Works on the whole build at once, because what one routine may
 * do depends on what another has done; each motion's chain then takes its own share.
 */
final class RoutineJudge
{
    private const OFFERS = 4; // ways to make it quicker that are tried

    private readonly RoutineContext $context;

    /** @var array<string, ?float> s, by routine; null where a move is never made or it has no end */
    private array $takes = [];

    /** @var list<array<string, mixed>> what the rehearsals ask of each supply */
    private array $supplies = [];

    /**
     * @param  array<string, MotionInBuild>  $subjects by motion
     * @param  Reached  $reached  what a search of its states found
     * @param  Rehearsed|null  $rehearsed  what its rehearsals showed, where they have been run
     * @param  array<string, true>  $failing  motions of which a link before the routine fails
     * @param  list<string>  $told  pairs of bodies of which it is said already that they meet
     */
    public function __construct(private readonly Build $build, array $subjects, Reached $reached, private readonly ?Rehearsed $rehearsed, array $failing,
        array $told = [])
    {
        $this->context = new RoutineContext($build, $subjects, $rehearsed);
        [$sensing, $surroundings] = [new RoutineSensing($this->context), new RoutineSurroundings($this->context)];
        [$starts, $patience, $power, $drift] = [new RoutineStarts($this->context), new RoutinePatience($this->context), new RoutinePower($this->context),
            new RoutineDrift($this->context)];
        foreach (array_values($build->routines) as $i => $routine) {
            $starts->check($routine, $i);
            $this->needless($routine, $i);
            $patience->check($routine, $i);
            $power->check($routine, $i);
            $drift->check($routine, $i);
            $sensing->check($routine, $i);
            $surroundings->check($routine, $i);
            $this->duration($routine, $i);
        }
        $starts->presses();
        (new RoutineReach($this->context, $reached))->check();
        if ($rehearsed !== null) {
            (new RoutineRehearsal($this->context, $rehearsed, $failing, $told))->check();
            $supply = new RoutineSupply($this->context, $rehearsed, $reached);
            $supply->check();
            $this->supplies = $supply->supplies();
        }
    }

    /** @return list<array<string, mixed>> what the rehearsals ask of each supply, as RoutineSupply has it; empty before them */
    public function supplies(): array
    {
        return $this->supplies;
    }

    public function link(MotionInBuild $subject): Link
    {
        $id = $subject->motion->id;
        $uses = array_filter($this->build->routines, fn (Routine $routine): bool => in_array($id, $routine->motions(), true));
        $findings = $this->context->ofMotion($id);
        if ($uses === []) {
            return Link::notSaid('routine', 'in no routine yet', $findings);
        }
        $steps = 0;
        foreach ($uses as $routine) {
            foreach ($routine->flat() as $step) {
                $steps += $step->motion() === $id ? 1 : 0;
            }
        }

        return Link::of(
            'routine',
            new Sentence($steps.($steps === 1 ? ' step' : ' steps')),
            new Sentence('in '.implode(', ', array_map(fn (Routine $routine): string => $routine->named(), array_values($uses)))),
            $findings,
        );
    }

    /** @return list<array{id: string, name: string, verdict: string, takes_s: ?float, target_s: ?float, steps: list<array{path: string, says: Sentence}>, findings: list<Finding>, rehearsals: list<array{says: string, outcome: string, takes_s: ?float, wrong: int}>}> */
    public function routines(): array
    {
        $said = [];
        foreach ($this->build->routines as $id => $routine) {
            $steps = [];
            foreach ($routine->flat() as $path => $step) {
                $steps[] = ['path' => $path, 'says' => $step->says($this->build)];
            }
            $findings = $this->context->ofRoutine($id);
            usort($findings, fn (Finding $a, Finding $b): int => $b->severity->rank() <=> $a->severity->rank());
            $said[] = [
                'id' => $id, 'name' => $routine->name, 'verdict' => ($steps === [] ? Verdict::NotSaid : Verdict::ofFindings($findings))->value,
                'takes_s' => $this->takes[$id], 'target_s' => $routine->target_s, 'steps' => $steps, 'findings' => $findings,
                'rehearsals' => array_map(fn (Performance $performance): array => [
                    'says' => $performance->start->says, 'outcome' => $performance->outcome, 'takes_s' => $performance->takes_s,
                    'wrong' => count($performance->mishaps),
                ], $this->rehearsed?->of($id) ?? []),
            ];
        }

        return $said;
    }

    /** A servo that is homed. */
    private function needless(Routine $routine, int $i): void
    {
        foreach ($routine->flat() as $path => $step) {
            $move = $step->effect($this->build)->move;
            $motion = $this->build->motions[$move->motion ?? ''] ?? null;
            if ($move !== null && $motion !== null && $move->seeks && ! $move->staysOn && $motion->positioning->isAbsolute()) {
                $this->context->find($routine, 'routine.home_needless', Severity::Note, "routines.{$i}.{$path}",
                    "{$motion->named()} is moved by a servo, which knows its place: it need not be homed.", motion: $motion->id);
            }
        }
    }

    /** How long the routine takes at most, as rehearsed; before that from the computed times of its moves, which is not held against its target. */
    private function duration(Routine $routine, int $i): void
    {
        $takes = $this->takes[$routine->id] = $this->context->takes_s($routine);
        if ($this->context->times->of($routine) === null) {
            $this->neverThere($routine, $i);
        }
        if ($this->rehearsed === null || $takes === null || $routine->target_s === null
            || $takes <= $routine->target_s * (1 - $this->build->settings->over_time_share)) {
            return;
        }
        $fails = $takes > $routine->target_s;
        $this->context->add($routine, new Finding('routine.over_target', $fails ? Severity::Fails : Severity::Tight, "routines.{$i}.target_s", new Sentence(
            "{$routine->named()} takes up to {takes}, ".($fails ? 'longer than' : 'just within').' the {target} asked for.',
            ['takes' => Quantity::of($takes, 's'), 'target' => Quantity::of($routine->target_s, 's')],
        ), $this->quicker($routine, $i)));
    }

    /** @return list<Fix> what is done slowly at full speed, and what comes after one another beside each other */
    private function quicker(Routine $routine, int $i): array
    {
        $steps = iterator_to_array($routine->flat());
        $slow = array_filter($steps, fn (Step $step, string $path): bool => ($step->effect($this->build)->move->speed ?? 1.0) < 1.0
            && ! str_starts_with($path, 'if_fails'), ARRAY_FILTER_USE_BOTH);
        $fixes = $slow === [] ? [] : [new Fix(new Sentence('Move everything at full speed'),
            array_map(fn (string $path): Change => new Change("routines.{$i}.{$path}.speed", 1.0), array_keys($slow)))];
        foreach ($steps as $path => $step) {
            $next = count($fixes) < self::OFFERS ? Neighbours::next($this->build, $steps, $path) : null;
            if ($next !== null) {
                $fixes[] = new Fix($step->says($this->build)->goingOn(', and beside it: ', $next->says($this->build)),
                    [Neighbours::beside($this->build, $i, $path)]);
            }
        }

        return $fixes;
    }

    /** A step whose move the drive cannot make: the routine gives up there every time. */
    private function neverThere(Routine $routine, int $i): void
    {
        foreach ($routine->flat() as $path => $step) {
            $move = $step->effect($this->build)->move;
            if ($move !== null && ! ($move->staysOn && $move->onto === null) && $this->build->motions[$move->motion]->drive !== null
                && $this->context->times->longest($move) === null) {
                $this->context->add($routine, new Finding('routine.never_there', Severity::Fails, "routines.{$i}.{$path}", new Sentence(
                    "{$routine->named()} gives up at “".Sentence::quote($step->says($this->build)->text())."” The drive of {$this->build->motions[$move->motion]->named()} does not make that move.",
                )), $move->motion);

                return;
            }
        }
    }
}
