<?php

declare(strict_types=1);

namespace Brookstone\Core\Study;

use Brookstone\Core\Build\Build;

/** What became of a run, the worst of what can be said of it, and in words. */
final class Outcome
{
    private const NO_MOMENT_S = 0.3; // of pushing at the end, that is more than a servo settling

    /**
     * @param  array<string, mixed>  $run
     * @param  int  $hits  that happen without any fault
     * @return array{string, string}
     */
    public static function of(Build $build, array $run, int $hits): array
    {
        $of = fn (string $kind): array => array_values(array_filter($run['events'], fn (array $event): bool => $event['kind'] === $kind));
        $broken = $of('rule');
        if ($broken !== []) {
            return ['breaks_rule', $broken[0]['says']->text()];
        }
        $snapped = $of('snap');
        if ($snapped !== []) {
            return ['hits', $snapped[0]['says']->text()];
        }
        $struck = $of('hit');
        if (count($struck) > $hits) {
            return ['hits', $struck[$hits]['says']->text()];
        }
        foreach ($run['stalled_s'] as $id => $seconds) {
            $name = $build->motions[$id]->name;
            $limit = self::secondsToLimit($build, $id, $run['stalled_A'][$id]);
            if ($limit !== null && $seconds > $limit) {
                return ['stalls', sprintf('%s is held for %.3g s, and its winding is too hot after %.3g s.', $name, $seconds, $limit)];
            }
            if ($run['stalled_at_end_s'][$id] > self::NO_MOMENT_S) {
                return ['stalls', "{$name} still pushes against what holds it when all is done".($limit === null ? ', and never gets too hot by it.' : sprintf('; its winding is too hot after %.3g s.', $limit))];
            }
        }

        return match ($run['outcome']) {
            'finished' => ['finishes', sprintf('It finishes after %.3g s.', $run['took_s'])],
            'still_running' => ['waits', 'It still waits when the run is ended.'],
            'never_started' => ['stops', 'It never starts.'],
            default => ['stops', ucfirst((string) $run['fault']).'; everything stands still.'],
        };
    }

    /** Seconds after which a stalled winding is too hot with the current that flowed; null if it never is. */
    private static function secondsToLimit(Build $build, string $motion, float $current_A): ?float
    {
        $drive = $build->motions[$motion]->drive;
        if ($drive === null) {
            return null;
        }
        $heat = $build->motions[$motion]->counts() ? $drive->heldHeat_W() : $current_A ** 2 * $drive->motor->resistance_ohm();

        return $drive->motor->body()->thermal->secondsToLimit($heat, $build->settings->ambient_C);
    }
}
