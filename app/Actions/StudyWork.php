<?php

declare(strict_types=1);

namespace App\Actions;

use App\Models\Study;
use App\Models\StudyPart;
use Brookstone\Core\Build\Build;
use Brookstone\Core\Error\InvalidInput;
use Brookstone\Core\Finding\Sentence;
use Brookstone\Core\Parts\Motion;
use Brookstone\Core\Reach\Search;
use Brookstone\Core\Rehearsal\Performance;
use Brookstone\Core\Routine\Routine;
use Brookstone\Core\Routine\WorldEvent;
use Brookstone\Core\Routine\WorldEvents;
use Brookstone\Core\Study\DriftFan;
use Brookstone\Core\Study\FaultSweep;
use Illuminate\Support\Facades\Cache;

/** The work of studies: cut into parts, done part by part, put together again. */
final class StudyWork
{
    private const RUNS_IN_PART = 12;

    private const KEPT_S = 3600; // what all parts of a study have in common

    private const WALKS = 40;

    private const WALKS_IN_PART = 4;

    public function __construct(private readonly JudgeBuild $judge, private readonly ProofWork $proof)
    {
    }

    /**
     * @param  array<string, mixed>  $asked
     * @return array{int, array<string, mixed>} how many parts, and what is known before any is done
     */
    public function plan(Build $build, string $kind, array $asked): array
    {
        if ($kind === 'proof') {
            return $this->proof->plan($build, $asked);
        }
        $routine = $this->routine($build, $asked);
        if ($kind === 'faults') {
            $sweep = $this->sweep($build, $routine, $asked);
            $cases = $sweep->cases();
            $rows = [];
            foreach ($cases as $case) {
                $rows[$case->fault] ??= ['fault' => $case->fault, 'says' => $case->says];
            }

            return [(int) ceil(count($sweep->runs()) / self::RUNS_IN_PART), ['steps' => $sweep->steps(), 'faults' => array_values($rows),
                'cases' => count($cases), 'nothing' => $sweep->nothingToTry()]];
        }

        return $kind === 'drift' ? [intdiv(self::WALKS, self::WALKS_IN_PART), $this->driftFrame($build, $routine, $asked)] : [1, []];
    }

    /**
     * @param  array<string, mixed>  $asked
     * @return array<string, mixed>
     */
    private function driftFrame(Build $build, Routine $routine, array $asked): array
    {
        $motion = $build->motions[$asked['motion']];
        $cycle = $this->judge->rehearsed($build)->usual($routine->id);
        $fan = new DriftFan($build, $motion, $cycle, 1);
        $stops = [];
        foreach ($fan->shown() as $path => $number) {
            $stop = $fan->path->stops[$number];
            $stops[] = ['path' => $path, 'at' => $stop->at, 'says' => $build->routines[$stop->routine]->stepAt($stop->path)?->says($build)
                ?? new Sentence(''), 'by_time' => $stop->move !== null];
        }

        return ['unit' => $motion->unit()->value, 'tolerance' => $motion->task->tolerance, 'cycles' => (int) ($asked['cycles'] ?? 100),
            'nothing' => $fan->drifts() ? null : $this->neverByTime($motion, $routine, $cycle), 'stops' => $stops];
    }

    /** Why a motion of which nothing was seen to go by time does not drift, or may yet. */
    private function neverByTime(Motion $motion, Routine $routine, ?Performance $cycle): string
    {
        return match (true) {
            $cycle === null => "{$routine->name} was never begun in its rehearsals.",
            $cycle->outcome === 'gives_up' => "{$routine->name} gives up before {$motion->name} has gone by time: mend that first.",
            default => "{$motion->name} does not drift: every move of it ends on a switch.",
        };
    }

    /**
     * @param  array<string, mixed>  $asked
     * @return list<mixed>
     */
    public function part(Build $build, string $kind, array $asked, int $part): array
    {
        if ($kind === 'proof') {
            return $this->proof->part($build, $asked, $part);
        }
        if ($kind === 'states') {
            $reached = Search::of($build, Search::FULL);

            return [['states' => $reached->states, 'complete' => $reached->complete, 'found' => count($reached->conflicts)]];
        }
        $routine = $this->routine($build, $asked);
        if ($kind === 'drift') {
            $fan = new DriftFan($build, $build->motions[$asked['motion']], $this->judge->rehearsed($build)->usual($routine->id),
                (int) ($asked['seed'] ?? 1) * 1000 + $part);

            return array_map(fn (): array => $fan->walk((int) ($asked['cycles'] ?? 100), (int) ($asked['home_every'] ?? 0)), range(1, self::WALKS_IN_PART));
        }
        $sweep = $this->sweep($build, $routine, $asked);
        $cells = [];
        foreach (array_slice($sweep->runs(), $part * self::RUNS_IN_PART, self::RUNS_IN_PART) as $same) {
            $told = $sweep->run($same[0]);
            foreach ($same as $case) {
                $cells[] = ['fault' => $case->fault, 'step' => $case->step] + $told
                    + ['events' => array_map(fn (WorldEvent $event): array => WorldEvents::write($event), $case->events)];
            }
        }

        return $cells;
    }

    /** @return array<string, mixed> what is known of a study so far */
    public function sofar(Study $study): array
    {
        return self::told($this->together($study->kind, $study->frame,
            array_values($study->done()->get()->sortBy('part')->map(fn (StudyPart $part): array => $part->result)->all())));
    }

    /**
     * What was studied before sentences followed the units has them as texts.
     *
     * @param  array<string, mixed>  $result
     * @return array<string, mixed>
     */
    private static function told(array $result): array
    {
        foreach (['steps', 'cells', 'stops'] as $list) {
            foreach ($result[$list] ?? [] as $i => $row) {
                if (is_string($row['says'] ?? null)) {
                    $result[$list][$i]['says'] = new Sentence(Sentence::quote($row['says']));
                }
            }
        }

        return $result;
    }

    /**
     * @param  array<string, mixed>  $frame
     * @param  list<list<mixed>>  $parts
     * @return array<string, mixed>
     */
    public function together(string $kind, array $frame, array $parts): array
    {
        $results = array_merge(...$parts);

        return match ($kind) {
            'faults' => $frame + ['cells' => $results],
            'proof' => $this->proof->together($frame, $results),
            'drift' => ['walks' => count($results), 'stops' => self::fans($frame, $results)] + $frame,
            default => $results[0] ?? [],
        };
    }

    /**
     * @param  array<string, mixed>  $frame
     * @param  list<mixed>  $results  of each walk: by stop, by cycle that is kept
     * @return list<array<string, mixed>>
     */
    private static function fans(array $frame, array $results): array
    {
        $stops = [];
        foreach ($frame['stops'] as $i => $stop) {
            $walks = array_map(fn (mixed $walk): array => array_map(floatval(...), array_values((array) ((array) $walk)[$i])), $results);
            $stops[] = $stop + ['fan' => DriftFan::fan($walks, $frame['cycles'])];
        }

        return $stops;
    }

    /**
     * @param  array<string, mixed>  $asked
     *
     * @throws InvalidInput at what the build does not have
     */
    public function check(Build $build, array $asked): void
    {
        foreach (['routine' => $build->routines, 'scenario' => $build->scenarios, 'motion' => $build->motions] as $field => $known) {
            $id = $asked[$field] ?? null;
            if ($id !== null && ! isset($known[$id])) {
                throw InvalidInput::at($field, "There is no {$field} {$id} in this build.");
            }
        }
    }

    /** @param  array<string, mixed>  $asked */
    private function routine(Build $build, array $asked): Routine
    {
        return $build->routines[$asked['routine']];
    }

    /**
     * The undisturbed run is the same in every part: it is run once.
     *
     * @param  array<string, mixed>  $asked
     */
    private function sweep(Build $build, Routine $routine, array $asked): FaultSweep
    {
        $scenario = ($asked['scenario'] ?? null) === null ? null : $build->scenarios[$asked['scenario']];
        $key = 'undisturbed:'.hash('sha256', json_encode([$build->document, $routine->id, $scenario?->id], JSON_THROW_ON_ERROR));

        return new FaultSweep($build, $routine, $scenario,
            Cache::remember($key, self::KEPT_S, fn (): array => (new FaultSweep($build, $routine, $scenario))->plain));
    }
}
