<?php

declare(strict_types=1);

namespace Brookstone\Core\Simulation;

use Brookstone\Core\Build\Build;
use Brookstone\Core\Dynamics\Ledger;
use Brookstone\Core\Finding\Verdict;
use Brookstone\Core\Routine\Routine;
use Brookstone\Core\Routine\Scenario;

/**
 * Runs a routine, and whatever else the scenario starts, on the motions' own loads, trains and drives. Nothing in it is
 * random and no clock is read: the same build and scenario give the same trace to the last digit.
 */
final class RoutineRun
{
    private const SAMPLES = 3000;        // at most, of each motion

    private const SHORTEST_SAMPLE_S = 0.02;

    private const WITHOUT_SCENARIO_S = 120.0;

    private readonly Program $program;

    private ?float $start_s = null;

    private ?float $end_s = null;

    private ?string $fault = null;

    private function __construct(private readonly World $world, private readonly Routine $routine, private readonly bool $byHand)
    {
        $this->program = new Program($world, function (string $id): void {
            if ($id === $this->routine->id && $this->start_s === null) {
                $this->start_s = $this->world->now();
            }
        }, function (string $id, ?string $fault): void {
            if ($id === $this->routine->id && $this->end_s === null) {
                $this->end_s = $this->world->now();
                $this->fault = $fault;
            }
        });
    }

    /**
     * @param  Scenario|null  $scenario  without one the power comes on, and the routine is started by hand when all is quiet
     * @param  array<string, Ledger>  $ledgers  of motions whose energy is written down
     * @param  bool  $lean  no lanes: what happens, and what becomes of it
     * @param  float  $after_s  goes on for so long when all is done: what still moves or pushes then shows
     * @param  bool|null  $byHand  the routine is started by hand when all is quiet; by default where there is no scenario
     * @return array<string, mixed> the trace, as Trace::shape() has it
     */
    public static function of(Build $build, Routine $routine, ?Scenario $scenario = null, array $ledgers = [], bool $lean = false, ?bool $byHand = null,
        float $after_s = 0.0): array
    {
        $world = new World(
            $build,
            $scenario ?? new Scenario('', 'Started by hand', self::WITHOUT_SCENARIO_S, [], []),
            $lean ? INF : max(self::SHORTEST_SAMPLE_S, $build->settings->scan_s, ($scenario->until_s ?? self::WITHOUT_SCENARIO_S) / self::SAMPLES),
            $ledgers,
        );

        return (new self($world, $routine, $byHand ?? $scenario === null))->run($after_s);
    }

    /** @return array<string, mixed> */
    private function run(float $after_s): array
    {
        $world = $this->world;
        $build = $world->build;
        do {
            $this->scan($world->scenario->until_s);
        } while (! $this->isOver() && $world->now() < $world->scenario->until_s - 1e-9);
        for ($until = $world->now() + $after_s; $world->now() < $until - 1e-9;) {
            $this->scan($until);
        }
        $world->ends();
        foreach ($build->motions as $id => $motion) {
            $world->axes[$id]->closeLedger();
            if ($motion->positioning->isSwitched() && $world->axes[$id]->isPowered() && ! $this->program->isRunning($this->routine->id)) {
                $world->recorder->routine($world->now(), 'left_powered', "{$motion->name} is still powered although no routine runs.");
            }
        }

        return [
            'routine' => $this->routine->id,
            'scenario' => $world->scenario->id === '' ? null : $world->scenario->id,
            'outcome' => match (true) {
                $this->start_s === null => 'never_started',
                $this->end_s === null => 'still_running',
                $this->fault !== null => 'faulted',
                default => 'finished',
            },
            'fault' => $this->fault,
            'start_s' => $this->start_s,
            'end_s' => $this->end_s,
            'took_s' => $this->start_s === null || $this->end_s === null ? null : round($this->end_s - $this->start_s, 9),
            'verdict' => $this->verdict()->value,
            'target_s' => $this->routine->target_s,
            ...$world->written(),
        ];
    }

    /** @param  float  $until  when it is over */
    private function scan(float $until): void
    {
        $this->program->look();
        if ($this->byHand && $this->start_s === null && $this->program->isIdle() && $this->world->isPowered()) {
            $this->world->recorder->routine($this->world->now(), 'start', "{$this->routine->name} is started by hand.");
            $this->program->start($this->routine);
        }
        $this->world->pass($this->world->mayStride() && ! $this->isOver() ? min($until, $this->program->due_s()) : null);
    }

    private function verdict(): Verdict
    {
        return self::verdictOf($this->world, Mishap::wentWrong($this->world->recorder->mishaps()) || $this->fault !== null, $this->start_s === null
            || $this->end_s === null ? null : $this->end_s - $this->start_s, $this->routine->target_s);
    }

    /**
     * As the judge has it: a run fails when anything goes wrong in it or it takes longer than asked for, and is tight just within that.
     *
     * @param  float|null  $took_s  null where it did not come to its end
     */
    public static function verdictOf(World $world, bool $goesWrong, ?float $took_s, ?float $target_s): Verdict
    {
        $target_s ??= INF;

        return match (true) {
            $goesWrong => Verdict::Fails,
            $took_s === null => Verdict::NotSaid,
            $took_s > $target_s => Verdict::Fails,
            $took_s > $target_s * (1 - $world->build->settings->over_time_share) => Verdict::Tight,
            default => Verdict::Holds,
        };
    }

    private function isOver(): bool
    {
        return $this->end_s !== null && $this->program->isIdle() && ! $this->world->hasMoreToCome();
    }
}
