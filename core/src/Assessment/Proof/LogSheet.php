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
    /** @return list<array<string, mixed>> an entry for each of the log, in its order; `repeats` stands at the last of each move */
    public static function of(Build $build): array
    {
        $model = new BesideModel($build->settings);
        [$sums, $farOff] = self::repeats($build);

        return array_map(function (Measurement $entry) use ($build, $model, $sums, $farOff): array {
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
                'more' => $motion === null ? [] : self::more($motion, $entry, $model),
                'far_off' => isset($farOff[$entry->id]),
                'repeats' => isset($sums[$entry->id]) ? self::sum($sums[$entry->id], $computed_s) : null,
            ];
        }, $build->log);
    }

    /** @return array{array<string, Repeats>, array<string, true>} by the last entry that counts; entries that lie far off */
    private static function repeats(Build $build): array
    {
        [$sums, $farOff] = [[], []];
        foreach (array_keys($build->motions) as $motion) {
            foreach (Repeats::all($build, $motion) as $each) {
                $sums[$each->entries[count($each->entries) - 1]->id] = $each;
                $farOff += array_fill_keys(array_map(fn (Measurement $entry): string => $entry->id, $each->farOff), true);
            }
        }

        return [$sums, $farOff];
    }

    /** Measured over computed, less 1. */
    private static function difference(?float $measured, ?float $computed): ?float
    {
        return $measured === null || $computed === null || $computed <= 0.0 ? null : $measured / $computed - 1;
    }

    /** @return list<Sentence> the pull and the temperature beside what is known of them */
    private static function more(Motion $motion, Measurement $entry, BesideModel $model): array
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
            $says[] = new Sentence('{hot}'.($entry->after_s === null ? '' : ' after {after}').($limit === null ? '' : ', its windings bear {limit}'),
                ['hot' => Quantity::of($entry->temperature_C, '°C')] + ($entry->after_s === null ? [] : ['after' => Quantity::of($entry->after_s, 's')])
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

        return ['count' => $count, 'mean_s' => $of->mean_s, 'sd_s' => $of->sd_s, 'doubt_s' => $of->doubt_s, 'longest_s' => $of->longest_s(),
            'difference' => self::difference($of->mean_s, $computed_s),
            'says' => new Sentence($says, $of->doubt_s === null ? [] : $values)];
    }
}
