<?php

declare(strict_types=1);

namespace Brookstone\Core\Simulation;

use Brookstone\Core\Build\Build;
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

    /** @var array<string, array{controller: Controller, steps: \Generator<int, null, null, void>, begun: bool, failed: ?string}> */
    private array $running = [];

    private ?float $start_s = null;

    private ?float $end_s = null;

    private ?string $fault = null;

    private readonly Starts $starts;

    private bool $wasPowered = false;

    private function __construct(private readonly World $world, private readonly Routine $routine, private readonly bool $byHand)
    {
        $this->starts = new Starts($world);
    }

    /**
     * @param  Scenario|null  $scenario  without one the power comes on, and the routine is started by hand when all is quiet
     * @param  array<string, Ledger>  $ledgers  of motions whose energy is written down
     * @param  bool  $lean  no lanes: what happens, and what becomes of it
     * @param  bool|null  $byHand  the routine is started by hand when all is quiet; by default where there is no scenario
     * @return array<string, mixed> the trace, as Trace::shape() has it
     */
    public static function of(Build $build, Routine $routine, ?Scenario $scenario = null, array $ledgers = [], bool $lean = false, ?bool $byHand = null): array
    {
        $world = new World(
            $build,
            $scenario ?? new Scenario('', 'Started by hand', self::WITHOUT_SCENARIO_S, [], []),
            $lean ? INF : max(self::SHORTEST_SAMPLE_S, $build->settings->scan_s, ($scenario->until_s ?? self::WITHOUT_SCENARIO_S) / self::SAMPLES),
            $ledgers,
        );

        return (new self($world, $routine, $byHand ?? $scenario === null))->run();
    }

    /** @return array<string, mixed> */
    private function run(): array
    {
        $world = $this->world;
        $build = $world->build;
        do {
            $this->scan();
        } while (! $this->isOver() && $world->now() < $world->scenario->until_s - 1e-9);
        foreach ($build->motions as $id => $motion) {
            $world->axes[$id]->closeLedger();
            if ($motion->drive !== null && ! $motion->isAbsolute() && ! $motion->counts() && $world->axes[$id]->isPowered() && ! isset($this->running[$this->routine->id])) {
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
            'ran_s' => $world->now(),
            'stalled_s' => array_map(fn (Axis $axis): float => round($axis->stalled_s(), 6), $world->axes),
            ...$world->recorder->written(),
        ];
    }

    /** One look of the controller: inputs, what they start, each running routine as far as it can go, then time. */
    private function scan(): void
    {
        $world = $this->world;
        $changed = $world->look();
        if (! $world->isPowered()) {
            $this->powerWent();
        } else {
            foreach ($this->starts->fired($changed, ! $this->wasPowered) as $routine) {
                if (! isset($this->running[$routine->id])) {
                    $world->recorder->routine($world->now(), 'start', "{$routine->name} starts.");
                    $this->start($routine);
                }
            }
            foreach ($this->running as $id => $run) {
                $this->resume((string) $id, $run['controller'], $run['steps']);
            }
            if ($this->byHand && $this->running === [] && $this->start_s === null) {
                $world->recorder->routine($world->now(), 'start', "{$this->routine->name} is started by hand.");
                $this->start($this->routine);
            }
        }
        $this->wasPowered = $world->isPowered();
        $world->pass();
    }

    /** A controller without power forgets what it was doing. */
    private function powerWent(): void
    {
        foreach (array_keys($this->running) as $id) {
            $this->ended((string) $id, $this->world->build->routines[$id]->name.' is cut off.', 'the power went');
        }
    }

    /** It fails when it faults or takes longer than asked for, and is tight just within that. */
    private function verdict(): Verdict
    {
        if ($this->start_s === null || $this->end_s === null) {
            return Verdict::NotSaid;
        }
        $took = $this->end_s - $this->start_s;
        $target = $this->routine->target_s ?? INF;

        return match (true) {
            $this->fault !== null || $took > $target => Verdict::Fails,
            $took > $target * (1 - $this->world->build->settings->over_time_share) => Verdict::Tight,
            default => Verdict::Holds,
        };
    }

    private function isOver(): bool
    {
        return $this->end_s !== null && $this->running === [] && ! $this->world->hasMoreToCome();
    }

    private function start(Routine $routine): void
    {
        $controller = new Controller($this->world, $routine);
        $this->running[$routine->id] = ['controller' => $controller, 'steps' => $controller->steps($routine->steps), 'begun' => false, 'failed' => null];
        $this->world->runs($routine->id, true);
        if ($routine->id === $this->routine->id && $this->start_s === null) {
            $this->start_s = $this->world->now();
        }
    }

    /** @param  \Generator<int, null, null, void>  $steps */
    private function resume(string $id, Controller $controller, \Generator $steps): void
    {
        try {
            // A generator starts at its first use; next() on a fresh one would skip its first look.
            $this->running[$id]['begun'] ? $steps->next() : $steps->rewind();
            $this->running[$id]['begun'] = true;
            if ($steps->valid()) {
                return;
            }
            $failed = $this->running[$id]['failed'];
            $this->ended($id, $controller->routine->name.($failed === null ? ' ends.' : ' has done what it does when it fails.'), $failed);
        } catch (StepFailed $failure) {
            $this->failed($id, $controller, $failure->getMessage());
        }
    }

    /** Everything it moves is stopped; then its steps for that case are done, once. */
    private function failed(string $id, Controller $controller, string $because): void
    {
        $controller->stopAll();
        $this->starts->failed($controller->routine);
        $says = "{$controller->routine->name} gives up: {$because}.";
        if ($controller->routine->ifFails === [] || $this->running[$id]['failed'] !== null) {
            $this->ended($id, $says, $this->running[$id]['failed'] ?? $because);

            return;
        }
        $this->world->recorder->routine($this->world->now(), 'fault', $says);
        $this->running[$id] = ['controller' => $controller, 'steps' => $controller->steps($controller->routine->ifFails), 'begun' => false, 'failed' => $because];
    }

    private function ended(string $id, string $says, ?string $fault): void
    {
        $this->world->recorder->routine($this->world->now(), $fault === null ? 'end' : 'fault', $says);
        unset($this->running[$id]);
        $this->world->runs($id, false);
        if ($id === $this->routine->id && $this->end_s === null) {
            $this->end_s = $this->world->now();
            $this->fault = $fault;
        }
    }
}
