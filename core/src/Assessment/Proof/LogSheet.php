<?php

declare(strict_types=1);

namespace Brookstone\Core\Assessment\Proof;

use Brookstone\Core\Build\Build;
use Brookstone\Core\Build\Measurement;
use Brookstone\Core\Finding\Sentence;
use Brookstone\Core\Parts\Motion;
use Brookstone\Core\Proof\Circumstance;
use Brookstone\Core\Proof\Repeats;
use Brookstone\Core\Quantity\Quantity;

/** Everything that was measured beside what is computed for that very circumstance, and what repeats of it tell. */
final class LogSheet
{
    /** So many of the newest stand with the judgement: of a log of years nobody reads the rest each time. */
    public const NEWEST = 60;

    /** @return array{newest: list<array<string, mixed>>, repeats: list<array<string, mixed>>} the newest entries, and each move that was timed */
    public static function of(Build $build): array
    {
        $repeats = self::repeats($build);

        return ['newest' => self::entries($build, self::NEWEST, $repeats), 'repeats' => self::told($build, $repeats)];
    }

    /**
     * @param  list<Repeats>|null  $repeats  of the whole log, where they are known
     * @return list<array<string, mixed>> of the newest of the log, in its order
     */
    public static function entries(Build $build, int $newest, ?array $repeats = null): array
    {
        $model = new BesideModel($build->settings);
        $farOff = [];
        foreach ($repeats ?? self::repeats($build) as $each) {
            $farOff += array_fill_keys(array_map(fn (Measurement $entry): string => $entry->id, $each->farOff), true);
        }

        return array_map(function (Measurement $entry) use ($build, $model, $farOff): array {
            $motion = $build->motions[$entry->motion] ?? null;
            $computed_s = $motion === null ? null : $model->time_s($motion, $entry);
            $computed_A = $motion === null || $entry->current_A === null ? null : $model->current_A($motion, $entry);
            $stalled_A = $motion === null || $entry->stalled_A === null ? null : $model->stalled_A($motion, $entry);

            return [
                'id' => $entry->id, 'says' => Circumstance::of($entry)->says(), 'computed_s' => $computed_s,
                'difference' => self::difference($entry->measured_s, $computed_s),
                'computed_A' => $computed_A, 'difference_A' => self::difference($entry->current_A, $computed_A),
                'computed_stalled_A' => $stalled_A, 'difference_stalled_A' => self::difference($entry->stalled_A, $stalled_A),
                'stopped' => $motion === null || $entry->stopped_at === null ? null
                    : self::stopped($motion, $entry->stopped_at, $model->stops_at($motion, $entry)),
                'more' => $motion === null ? [] : self::more($build, $motion, $entry, $model),
                'far_off' => isset($farOff[$entry->id]),
            ];
        }, array_slice($build->log, -max(1, $newest)));
    }

    /** @return list<Repeats> of all motions */
    private static function repeats(Build $build): array
    {
        return array_merge(...array_map(fn (string $motion): array => Repeats::all($build, $motion), array_keys($build->motions)));
    }

    /**
     * @param  list<Repeats>  $repeats
     * @return list<array<string, mixed>> what was measured last comes last
     */
    private static function told(Build $build, array $repeats): array
    {
        $model = new BesideModel($build->settings);
        $at = array_flip(array_map(fn (Measurement $entry): string => $entry->id, $build->log));
        $last = fn (Repeats $of): int => $at[$of->entries[count($of->entries) - 1]->id];
        usort($repeats, fn (Repeats $a, Repeats $b): int => $last($a) <=> $last($b));

        return array_map(fn (Repeats $of): array => self::sum($of, $model->time_s($build->motions[$of->entries[0]->motion], $of->entries[0])),
            $repeats);
    }

    /** Measured over computed, less 1. */
    private static function difference(?float $measured, ?float $computed): ?float
    {
        return $measured === null || $computed === null || $computed <= 0.0 ? null : $measured / $computed - 1;
    }

    /** @return list<Sentence> the pull and the temperature beside what is known of them */
    private static function more(Build $build, Motion $motion, Measurement $entry, BesideModel $model): array
    {
        $says = [];
        if ($entry->pull_N !== null) {
            $computed = $model->pull_N($motion, $entry);
            $says[] = new Sentence('pulls {pull} on the balance'.($computed === null ? '' : ', computed {computed}'), ['pull' => Quantity::of($entry->pull_N,
                'N')]
                + ($computed === null ? [] : ['computed' => Quantity::of($computed, 'N')]));
        }
        if ($entry->temperature_C !== null) {
            $limit = $motion->drive?->motor->body()->cooling()->limit_C();
            $windings = $model->windings_C($build, $motion, $entry);
            $says[] = new Sentence('{hot} outside'.($entry->after_s === null ? '' : ' after {after}')
                .($windings === null ? '' : '; its windings, without a rest, {windings} computed')
                .($limit === null ? '' : ($windings === null ? '; its windings bear {limit}' : ', they bear {limit}')),
                ['hot' => Quantity::of($entry->temperature_C, '°C')] + ($entry->after_s === null ? [] : ['after' => Quantity::of($entry->after_s, 's')])
                + ($windings === null ? [] : ['windings' => Quantity::of($windings, '°C')])
                + ($limit === null ? [] : ['limit' => Quantity::of($limit, '°C')]));
        }

        return $says;
    }

    private static function stopped(Motion $motion, float $at, ?float $computed): Sentence
    {
        return new Sentence('stopped at {at}'.($computed === null ? '' : ', computed {computed}'), ['at' => $motion->unit()->quantity($at)]
            + ($computed === null ? [] : ['computed' => $motion->unit()->quantity($computed)]));
    }

    /** @return array<string, mixed> */
    private static function sum(Repeats $of, ?float $computed_s): array
    {
        $count = count($of->entries);
        $values = ['mean' => Quantity::of($of->mean_s, 's')] + ($of->doubt_s === null ? [] : ['doubt' => Quantity::of($of->doubt_s, 's')])
            + ($of->sd_s === null ? [] : ['sd' => Quantity::of($of->sd_s, 's')]);
        $says = match (true) {
            $of->doubt_s === null => 'Once only: nobody knows yet how much it scatters.',
            $of->sd_s === null => '{mean} ± {doubt}. Two say hardly anything: measure it again.',
            $count < Repeats::ENOUGH => "{mean} ± {doubt}, scattering by {sd}. {$count} say a little; ".Repeats::ENOUGH.' say enough.',
            default => '{mean} ± {doubt}, scattering by {sd}.',
        };

        return ['motion' => $of->entries[0]->motion, 'from' => $of->from(), 'to' => $of->to(), 'how' => $of->circumstance()->says(),
            'computed_s' => $computed_s, 'count' => $count, 'mean_s' => $of->mean_s, 'sd_s' => $of->sd_s, 'doubt_s' => $of->doubt_s,
            'longest_s' => $of->longest_s(),
            'difference' => self::difference($of->mean_s, $computed_s),
            'says' => new Sentence($says, $of->doubt_s === null ? [] : $values)];
    }
}
