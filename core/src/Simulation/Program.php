<?php

declare(strict_types=1);

namespace Brookstone\Core\Simulation;

use Brookstone\Core\Routine\Routine;
use Brookstone\Core\Routine\StepFailed;

/** The controller at work: starts routines, lets each go on as far as it can at every look, and ends them. */
final class Program
{
    /** @var array<string, array{controller: SimulatedController, steps: \Generator<int, float|null, null, void>, begun: bool, failed: ?string}> */
    private array $running = [];

    private readonly TriggerEvaluator $starts;

    private bool $wasPowered = false;

    /**
     * @param  (\Closure(string): void)|null  $onStart  told the routine
     * @param  (\Closure(string, ?string): void)|null  $onEnd  told the routine, and why it failed if it did
     */
    public function __construct(private readonly World $world, private readonly ?\Closure $onStart = null, private readonly ?\Closure $onEnd = null)
    {
        $this->starts = new TriggerEvaluator($world);
    }

    public function isIdle(): bool
    {
        return $this->running === [];
    }

    public function isRunning(string $routine): bool
    {
        return isset($this->running[$routine]);
    }

    /** @return list<string> */
    public function running(): array
    {
        return array_map(strval(...), array_keys($this->running));
    }

    /** One look: inputs, what they start, each running routine as far as it can go. Time passes afterwards, by World::pass(). */
    public function look(): void
    {
        $world = $this->world;
        $changed = $world->look();
        if (! $world->isPowered()) {
            $this->powerWent();
        } elseif (! $world->isAsleep()) {
            foreach ($this->starts->fired($changed, ! $this->wasPowered) as $routine) {
                if (! isset($this->running[$routine->id])) {
                    $world->recorder->routine($world->now(), 'start', "{$routine->name} starts.");
                    $this->start($routine);
                }
            }
            foreach ($this->running as $id => $run) {
                $this->resume((string) $id, $run['controller'], $run['steps']);
            }
        }
        $this->wasPowered = $world->isPowered();
    }

    /** Until when only a change of an input, or in the world, matters, s; −INF where it must look at every scan. */
    public function due_s(): float
    {
        if ($this->running === [] && $this->world->isPowered() !== $this->wasPowered) {
            return -INF;
        }
        if ($this->world->isPowered() && $this->world->isAsleep()) {
            return INF;
        }
        $due = $this->starts->due_s();
        foreach ($this->running as $run) {
            $due = min($due, ! $run['begun'] || ! $run['steps']->valid() ? -INF : $run['steps']->current() ?? -INF);
        }

        return $due;
    }

    public function start(Routine $routine): void
    {
        $controller = new SimulatedController($this->world, $routine);
        $this->running[$routine->id] = ['controller' => $controller, 'steps' => $controller->steps($routine->steps), 'begun' => false, 'failed' => null];
        $this->world->runs($routine->id, true);
        if ($this->onStart !== null) {
            ($this->onStart)($routine->id);
        }
    }

    /** A controller without power forgets what it was doing. */
    private function powerWent(): void
    {
        foreach ($this->running as $id => $run) {
            $run['controller']->letGo();
            $this->ended((string) $id, $this->world->build->routines[$id]->name.' is cut off.', 'the power went');
        }
    }

    /** @param  \Generator<int, float|null, null, void>  $steps */
    private function resume(string $id, SimulatedController $controller, \Generator $steps): void
    {
        try {
            // A generator starts at its first use; next() on a fresh one would skip its first look.
            if ($this->running[$id]['begun']) {
                $steps->next();
            } else {
                $this->running[$id]['begun'] = true;
                $steps->rewind();
            }
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
    private function failed(string $id, SimulatedController $controller, string $because): void
    {
        $controller->stopAll();
        $this->starts->failed($controller->routine);
        $says = "{$controller->routine->name} gives up: {$because}.";
        if ($controller->routine->ifFails === [] || $this->running[$id]['failed'] !== null) {
            $this->ended($id, $says, $this->running[$id]['failed'] ?? $because);

            return;
        }
        $this->world->recorder->routine($this->world->now(), 'fault', $says);
        $this->running[$id] = ['controller' => $controller, 'steps' => $controller->steps($controller->routine->ifFails), 'begun' => false,
            'failed' => $because];
    }

    private function ended(string $id, string $says, ?string $fault): void
    {
        $this->world->recorder->routine($this->world->now(), $fault === null ? 'end' : 'fault', $says);
        unset($this->running[$id]);
        $this->world->runs($id, false);
        if ($this->onEnd !== null) {
            ($this->onEnd)($id, $fault);
        }
    }
}
