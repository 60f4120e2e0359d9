<?php

declare(strict_types=1);

namespace Brookstone\Core\Assessment\Sheet;

use Brookstone\Core\Build\Build;
use Brookstone\Core\Parts\Motion;
use Brookstone\Core\Proof\Repeats;
use Brookstone\Core\Rehearsal\Rehearsed;
use Brookstone\Core\Rehearsal\Stage;
use Brookstone\Core\Routine\Movement;
use Brookstone\Core\Routine\Step;

/**
 * The moves that the rehearsals of a build really make, each once: from where to where, loaded or empty as it was, with the longest that it took and what was
 * measured of it. Other moves are of no use to anybody.
 *
 * @phpstan-type Row array{motion: string, name: string, from: string, to: string, speed: float,
 *     carries: string, computed_s: ?float, measured_s: ?float, routines: list<string>}
 */
final class TimingTable
{
    private const NEAR_SHARE = 0.1; // of its range: further off a place than that it stands somewhere in between

    /** @var array<string, Row> */
    private array $rows = [];

    /** @var array<string, array<string, Step>> by routine and path */
    private readonly array $steps;

    private function __construct(private readonly Build $build)
    {
        $this->steps = array_map(fn ($routine): array => iterator_to_array($routine->flat()), $build->routines);
    }

    /** @return list<Row> in the order of the motions */
    public static function of(Build $build, Rehearsed $rehearsed): array
    {
        $table = new self($build);
        foreach ($rehearsed->performances as $performances) {
            foreach ($performances as $performance) {
                foreach ($performance->steps as $made) {
                    $step = $table->steps[$made['routine']][$made['path']] ?? null;
                    $move = $step?->effect($build)->move;
                    if ($move !== null && $made['end_s'] !== null) {
                        $table->add($move, $made);
                    }
                }
            }
        }
        $order = array_flip(array_keys($build->motions));
        $rows = array_values($table->rows);
        usort($rows, fn (array $a, array $b): int => [$order[$a['motion']], $a['from'], $a['to'], -$a['speed'], $a['carries']] <=> [$order[$b['motion']],
            $b['from'], $b['to'], -$b['speed'], $b['carries']]);

        return $rows;
    }

    /** @param  array<string, mixed>  $made  a step as a trace has it */
    private function add(Movement $move, array $made): void
    {
        $motion = $this->build->motions[$move->motion];
        $isDone = $made['outcome'] === 'done';
        $from = self::placeAt($motion, $made['from']);
        $to = $move->endsAt ?? ($isDone ? self::placeAt($motion, $made['at']) : null);
        if ($from === null || $to === null || $from === $to) {
            return;
        }
        $carries = $motion->mechanism->unloaded() == $motion->mechanism ? '' : ($made['carries'] === true ? 'loaded' : 'empty');
        $key = "{$motion->id} {$from} {$to} {$move->speed} {$carries}";
        $this->rows[$key] ??= [
            'motion' => $motion->id, 'name' => $motion->name, 'from' => $from, 'to' => $to, 'speed' => $move->speed, 'carries' => $carries,
            'computed_s' => null, 'measured_s' => Repeats::ofMove($this->build, $motion, $from, $to, $move->speed, $carries === '' ? null : $carries)?->mean_s,
            'routines' => [],
        ];
        $row = &$this->rows[$key];
        $row['computed_s'] = $isDone ? max($row['computed_s'] ?? 0.0, round($made['end_s'] - $made['start_s'], 6)) : $row['computed_s'];
        $name = $this->build->routines[$made['routine']]->name;
        $row['routines'] = in_array($name, $row['routines'], true) ? $row['routines'] : [...$row['routines'], $name];
    }

    /** The place that it stands at, or next to; null between two, and where every place is alike. */
    private static function placeAt(Motion $motion, float $at): ?string
    {
        [$low, $high] = $motion->range();
        $nearest = null;
        $least = self::NEAR_SHARE * ($high - $low);
        foreach (Stage::isAlikeEverywhere($motion) ? [] : $motion->places as $place) {
            if (abs($motion->distance($at, $place->at)) <= $least) {
                [$nearest, $least] = [$place->id, abs($motion->distance($at, $place->at))];
            }
        }

        return $nearest;
    }
}
