<?php

declare(strict_types=1);

namespace Brookstone\Core\Rig;

use Brookstone\Core\Build\Build;
use Brookstone\Core\Routine\Scenario;
use Brookstone\Core\Routine\WorldEvent;
use Brookstone\Core\Routine\WorldEvents;
use Brookstone\Core\Simulation\Program;
use Brookstone\Core\Simulation\World;

/**
 * A build on simulated hardware, live: time goes on when it is told to, and the world does what it is told to. Nothing in it is random and no
 * clock is read: the same events at the same times give the same states to the last digit, and a session is a scenario.
 */
final class Rig
{
    private const LONGEST_S = 3600.0;

    private readonly World $world;

    private readonly ?Program $program;

    /** @var list<WorldEvent> what was done so far */
    private array $done = [];

    private int $told = 0; // events that were given out already

    /**
     * @param  Scenario|null  $begins  where motions stand, the time of day, and what happens by itself
     * @param  bool  $runs  the build's own routines run; otherwise a controller outside drives it
     */
    public function __construct(private readonly Build $build, private readonly ?Scenario $begins = null, bool $runs = true)
    {
        $this->world = new World($build, $begins ?? new Scenario('', 'Rig', self::LONGEST_S, [], []), INF);
        $this->program = $runs ? new Program($this->world) : null;
    }

    public function now(): float
    {
        return $this->world->now();
    }

    /** Lets time pass, in whole scans. */
    public function step(float $seconds): void
    {
        $scans = (int) round($seconds / $this->build->settings->scan_s);
        for ($i = 0; $i < $scans && $this->now() < self::LONGEST_S; $i++) {
            $this->program === null ? $this->world->look() : $this->program->look();
            $this->world->pass();
        }
    }

    /** The world does something now. */
    public function happens(WorldEvent $event): void
    {
        $at = new WorldEvent($this->now(), $event->what, $event->of, $event->on, $event->value, $event->at);
        $this->world->happens($at);
        $this->done[] = $at;
    }

    /** A controller outside moves a motion: up 1, down −1, or brakes it with 0. */
    public function drive(string $motion, int $direction, float $speed): void
    {
        $direction === 0 ? $this->world->axes[$motion]->stop('brake') : $this->world->axes[$motion]->push($direction, $speed);
    }

    /** A controller outside sends a servo or a counted stepper somewhere, in its own unit. */
    public function follow(string $motion, float $at, float $speed): void
    {
        $this->world->axes[$motion]->follow($at, $speed);
    }

    public function signal(string $output, bool $on): void
    {
        $this->world->signal($output, $on, null);
    }

    /** @return array<string, mixed> everything that can be seen of it now, and what has happened since it was asked last */
    public function state(): array
    {
        $written = $this->world->recorder->written($this->now());
        $events = array_slice($written['events'], $this->told);
        $this->told = count($written['events']);
        $motions = [];
        foreach ($this->world->axes as $id => $axis) {
            $motions[] = ['motion' => $id, 'position' => round($axis->position(), 6) + 0.0, 'speed' => round($axis->speed(), 6) + 0.0,
                'current_A' => round($axis->current_A(), 6) + 0.0, 'place' => $axis->knownPlace(), 'powered' => $axis->isPowered()];
        }
        $steps = [];
        foreach ($written['steps'] as $step) {
            if ($step['end_s'] === null) {
                $steps[] = ['routine' => $step['routine'], 'path' => $step['path'], 'says' => $step['says']];
            }
        }

        return [
            'now_s' => round($this->now(), 9), 'powered' => $this->world->isPowered(), 'motions' => $motions,
            'inputs' => (object) $this->world->inputs->all(), 'levels' => (object) $this->levels(),
            'outputs' => (object) $this->world->outputs(), 'counters' => (object) $this->world->counters(), 'running' => $this->program?->running() ?? [],
            'steps' => $this->program === null ? [] : $steps, 'events' => $events,
        ];
    }

    /** @return array<string, mixed> what was done so far, as a scenario of a document: run or replayed it gives the same again */
    public function scenario(string $id, string $name): array
    {
        $events = array_map(WorldEvents::write(...), [...($this->begins->events ?? []), ...$this->done]);
        usort($events, fn (array $a, array $b): int => $a['at_s'] <=> $b['at_s']);
        $starts = [];
        foreach ($this->begins->startsAt ?? [] as $motion => $at) {
            $starts[] = ['motion' => $motion, 'at' => $at];
        }
        $clock = (int) ($this->begins->clock_s ?? 43200.0);

        return ['id' => $id, 'name' => $name, 'until_s' => max(1.0, min(600.0, round($this->now() + 0.005, 3))), 'starts_at' => $starts,
            'clock' => sprintf('%02d:%02d', intdiv($clock, 3600), intdiv($clock % 3600, 60)), 'events' => $events];
    }

    /** @return array<string, float> */
    private function levels(): array
    {
        $levels = [];
        foreach ($this->build->sensors as $id => $sensor) {
            if ($sensor->measures()) {
                $levels[$id] = $this->world->inputs->around($id); // what a hand has set: a lamp that it sees comes on top
            }
        }

        return $levels;
    }
}
