<?php

declare(strict_types=1);

namespace Brookstone\Core\Assessment;

use Brookstone\Core\Build\Build;
use Brookstone\Core\Routine\CallStep;
use Brookstone\Core\Routine\Moves;
use Brookstone\Core\Routine\RepeatStep;
use Brookstone\Core\Routine\Step;

/**
 * The moves that the routines of a build really make, each once: from where to where, loaded or empty as it occurs, with its
 * computed time and what was measured of it. Other moves are of no use to anybody.
 */
final class TimingTable
{
    /** @var array<string, array{motion: string, name: string, from: string, to: string, speed: float, carries: string, computed_s: ?float, measured_s: ?float, routines: list<string>}> */
    private array $rows = [];

    /** @var array<string, Facts> by motion */
    private array $facts = [];

    private const DEEPEST = 8; // routines that call routines

    private int $depth = 0;

    private function __construct(private readonly Build $build)
    {
    }

    /** @return list<array{motion: string, name: string, from: string, to: string, speed: float, carries: string, computed_s: ?float, measured_s: ?float, routines: list<string>}> in the order of the motions */
    public static function of(Build $build): array
    {
        $table = new self($build);
        foreach ($build->routines as $routine) {
            $places = [];
            $table->walk($routine->steps, $routine->name, $places);
        }
        $order = array_flip(array_keys($build->motions));
        $rows = array_values($table->rows);
        usort($rows, fn (array $a, array $b): int => [$order[$a['motion']], $a['from'], $a['to'], -$a['speed']] <=> [$order[$b['motion']], $b['from'], $b['to'], -$b['speed']]);

        return $rows;
    }

    /**
     * @param  list<Step>  $steps
     * @param  array<string, string>  $places  where each motion is; changed as the steps go on
     */
    private function walk(array $steps, string $routine, array &$places): void
    {
        foreach ($steps as $step) {
            if ($step instanceof CallStep && $this->depth < self::DEEPEST) {
                $this->depth++;
                $this->walk($this->build->routines[$step->routine]->steps, $routine, $places);
                $this->depth--;

                continue;
            }
            if (! $step instanceof RepeatStep && $step->inner() !== []) {
                foreach ($step->inner() as $inner) {
                    $this->walk($inner, $routine, $places);
                }

                continue;
            }
            if ($step instanceof RepeatStep) {
                // Twice: the second time it may set out from elsewhere.
                for ($i = 0; $i < min(2, $step->times ?? 2); $i++) {
                    $this->walk($step->steps, $routine, $places);
                }

                continue;
            }
            if (! $step instanceof Moves) {
                continue;
            }
            $motion = $this->build->motions[$step->motion()];
            $to = $step->endsAt($this->build);
            $from = $places[$motion->id] ?? $motion->task->from;
            if ($to === null || $from === $to) {
                continue;
            }
            $places[$motion->id] = $to;
            $this->add($motion->id, $from, $to, $step->speed(), $routine);
        }
    }

    private function add(string $id, string $from, string $to, float $speed, string $routine): void
    {
        $key = "{$id} {$from} {$to} {$speed}";
        if (! isset($this->rows[$key])) {
            $motion = $this->build->motions[$id];
            $facts = $this->facts[$id] ??= new Facts($motion);
            $there = $motion->isThere($motion->at($from), $motion->at($to));
            $measured = array_filter($this->build->log, fn ($entry): bool => $entry->motion === $id && $entry->from === $from && $entry->to === $to && $speed === 1.0);
            $this->rows[$key] = [
                'motion' => $id, 'name' => $motion->name, 'from' => $from, 'to' => $to, 'speed' => $speed,
                'carries' => $motion->mechanism->unloaded() == $motion->mechanism ? '' : ($motion->task->payload->isOn($there) ? 'loaded' : 'empty'),
                'computed_s' => $facts->time($from, $to, $speed),
                'measured_s' => $measured === [] ? null : array_sum(array_map(fn ($entry): float => $entry->measured_s, $measured)) / count($measured),
                'routines' => [],
            ];
        }
        if (! in_array($routine, $this->rows[$key]['routines'], true)) {
            $this->rows[$key]['routines'][] = $routine;
        }
    }
}
