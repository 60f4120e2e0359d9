<?php

declare(strict_types=1);

namespace Brookstone\Core\Assessment\Routine;

use Brookstone\Core\Assessment\Wiring\CoilTimes;
use Brookstone\Core\Finding\Sentence;
use Brookstone\Core\Finding\Severity;
use Brookstone\Core\Quantity\Quantity;
use Brookstone\Core\Rehearsal\Performance;
use Brookstone\Core\Rehearsal\Rehearsal;
use Brookstone\Core\Rehearsal\Rehearsed;
use Brookstone\Core\Rehearsal\Stage;
use Brookstone\Core\Routine\Routine;
use Brookstone\Core\Simulation\Mishap;

/**
 * What the rehearsals show: whatever went wrong in one is said here, once for each step, with the plainest start that leads to it. What follows from a
 * fault that is told already, of the same motion or at the same step, is not told again as what then happens.
 */
final class RoutineRehearsal
{
    /** By what went wrong: the code, and those that foretell it. */
    public const CODES = [
        'hit' => ['routine.hits', ['routine.into_stop', 'routine.past_stop', 'routine.runs_past', 'routine.by_past_stop', 'stops.run_on']],
        'snap' => ['routine.snaps', ['load.cord_snaps']],
        'stall' => ['routine.stalls', ['routine.never_there', 'routine.runs_past', 'routine.past_stop', 'routine.until_unreachable', 'routine.give_up_hot']],
        'sag' => ['routine.sags', ['routine.starts_together', 'routine.two_at_once']],
        'reset' => ['routine.resets', []],
        'burns' => ['routine.coil_burns', []],
        'air' => ['routine.air_runs_out', []],
        'crooked' => ['routine.runs_apart', ['drive.runs_apart']],
        'kept' => ['routine.latch_in_vain', []],
        'rule' => ['routine.rule_broken', ['routine.rule_broken']], // the search, where it was not ended early, has told it
        'vain' => ['routine.gives_up', ['routine.never_there', 'routine.give_up_short', 'routine.place_lost', 'routine.moves_before_home',
            'routine.until_unreachable']],
        'elsewhere' => ['routine.ends_elsewhere', ['routine.place_lost', 'routine.drifts', 'routine.moves_before_home', 'stops.by_time']],
        'touch' => ['routine.touches', []],
        'near' => ['routine.comes_near', ['routine.touches']],
        'left_powered' => ['routine.left_on', ['routine.left_powered']],
    ];

    private const TIGHT = ['left_powered', 'near'];

    private const OF_SUPPLY = ['sag', 'reset', 'burns', 'air']; // that happens whatever else is wrong

    /**
     * @param  array<string, true>  $failing  motions of which a link before the routine fails
     * @param  list<string>  $told  pairs of bodies of which it is said already that they meet
     */
    public function __construct(private readonly RoutineContext $context, private readonly Rehearsed $rehearsed, private readonly array $failing,
        private readonly array $told)
    {
    }

    public function check(): void
    {
        /** @var array<string, array{Performance, Mishap, list<string>}> $told */
        $told = [];
        foreach ($this->rehearsed->performances as $performances) {
            foreach ($performances as $performance) {
                foreach ($performance->mishaps as $mishap) {
                    $routine = $mishap->routine ?? $performance->routine;
                    $key = "{$mishap->kind} {$mishap->of} {$routine} {$mishap->path}";
                    if (! isset($told[$key]) || self::isPlainer($performance, $told[$key][0])) {
                        $told[$key] = [$performance, $mishap, $told[$key][2] ?? []];
                    }
                    $told[$key][2][] = $performance->start->says;
                }
            }
        }
        $tells = array_filter($told, fn (array $each): bool => ! $this->isForetold($each[0], $each[1]));
        foreach ($tells as [$performance, $mishap, $starts]) {
            $this->tell($performance, $mishap, count(array_unique($starts)));
        }
        foreach ($this->rehearsed->performances as $id => $performances) {
            $this->bounded((string) $id, $performances);
        }
        if (! $this->rehearsed->isWhole) {
            $this->partial();
        }
    }

    /** What comes without anything special before what needs a story. */
    private static function isPlainer(Performance $one, Performance $other): bool
    {
        $told = fn (Performance $performance): int => $performance->start->scenario !== null ? 2
            : ($performance->start->at !== [] || $performance->start->so !== null || $performance->start->fed !== [] ? 1 : 0);

        return $told($one) < $told($other);
    }

    private function isForetold(Performance $performance, Mishap $mishap): bool
    {
        $build = $this->context->build;
        $routine = $build->routines[$mishap->routine ?? $performance->routine];
        $motion = $mishap->motion();
        if ($mishap->kind === 'rule' && array_filter($build->routines, fn (Routine $each): bool => $this->context->tells($each, null,
            ['routine.rule_broken'])) !== []) {
            return true;
        }
        if ($mishap->kind === 'burns' && CoilTimes::tells($build, $build->outputs[$mishap->of])) {
            return true;
        }
        if (in_array($mishap->pair, $this->told, true)) {
            return true;
        }
        $moves = $motion === null ? $routine->motions() : [$motion];

        return array_intersect_key($this->failing, array_flip($moves)) !== [] || $this->context->tells($routine, $motion, self::CODES[$mishap->kind][1])
            || (! in_array($mishap->kind, self::OF_SUPPLY, true) && $this->context->fails($routine)); // what its steps lead to when they are wrong
    }

    private function tell(Performance $performance, Mishap $mishap, int $starts): void
    {
        $build = $this->context->build;
        $routine = $build->routines[$mishap->routine ?? $performance->routine];
        $code = self::CODES[$mishap->kind][0];
        $motion = $mishap->motion();
        $place = 'routines.'.array_search($routine->id, array_keys($build->routines), true).($mishap->path === null ? '' : ".{$mishap->path}");
        $run = $this->context->build->routines[$performance->routine]->named().' is run '.Sentence::quote($performance->start->says);
        $more = $starts > 1 ? ', and from '.($starts - 1).($starts === 2 ? ' other start' : ' other starts') : '';
        $this->context->find($routine, $code, in_array($mishap->kind, self::TIGHT, true) ? Severity::Tight : Severity::Fails, $place,
            rtrim($mishap->says->template, '.')." when {$run}{$more}.", $mishap->says->values, (new RehearsalMends($this->context))->of($mishap, $routine,
                $place), $motion);
    }

    /** Not every start was looked at: said once, at the first of them. */
    private function partial(): void
    {
        $routine = array_values($this->context->build->routines)[0];
        $this->context->find($routine, 'routine.rehearsed_in_part', Severity::Note, 'routines.0',
            'All rehearsals together would take longer than {most}: routines were run from power-on, and not from every other start.',
            ['most' => Quantity::of(Rehearsal::most_s($this->context->build), 's')]);
    }

    /** @param  list<Performance>  $performances */
    private function bounded(string $id, array $performances): void
    {
        foreach ($performances as $performance) {
            if ($performance->outcome === 'bounded' && $performance->start->scenario === null) {
                $i = array_search($id, array_keys($this->context->build->routines), true);
                $this->context->find($this->context->build->routines[$id], 'routine.rehearsed_in_part', Severity::Note, "routines.{$i}",
                    "{$this->context->build->routines[$id]->named()} takes longer than {most} when it is run ".Sentence::quote($performance->start->says).': what comes after that was not looked at.', ['most' => Quantity::of(Stage::MOST_S, 's')]);

                return;
            }
        }
    }
}
