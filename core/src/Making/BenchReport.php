<?php

declare(strict_types=1);

namespace Brookstone\Core\Making;

use Brookstone\Core\Build\Build;
use Brookstone\Core\Build\EnduranceRun;
use Brookstone\Core\Finding\Sentence;
use Brookstone\Core\Proof\Endurance;
use Brookstone\Core\Quantity\Quantity;

/** The bench tests of a build with what came of them, and its endurance runs. */
final class BenchReport
{
    private const CONFIDENCE = 0.95;

    private const SEASON_DAYS = 90.0; // what a target is proposed for

    /** @return array<string, mixed> as the page shows it */
    public static function of(Build $build): array
    {
        $tests = BenchTests::of($build);
        $done = $build->making->tests;
        $rows = array_map(fn (array $test): array => $test + ['done' => isset($done[$test['id']]), 'good' => $done[$test['id']]['good'] ?? null,
            'on' => $done[$test['id']]['on'] ?? null, 'note' => $done[$test['id']]['note'] ?? ''], $tests);

        return ['says' => self::says($rows), 'kinds' => array_map(fn (string $kind, string $name): array => ['kind' => $kind, 'name' => $name],
            array_keys(BenchTests::KINDS), BenchTests::KINDS), 'tests' => $rows,
            'runs' => array_values(array_map(fn (EnduranceRun $run): array => self::run($build, $run), $build->endurance)),
            'seasons' => array_map(fn ($motion): array => ['motion' => $motion->id, 'name' => $motion->name,
                'cycles' => (int) max(1, round(self::SEASON_DAYS * $motion->task->per_day))], array_values($build->motions))];
    }

    /** @param  list<array<string, mixed>>  $rows */
    private static function says(array $rows): Sentence
    {
        $bad = array_values(array_filter($rows, fn (array $row): bool => $row['good'] === false));
        $open = array_values(array_filter($rows, fn (array $row): bool => $row['good'] !== true));
        $all = count($rows);
        if ($rows === []) {
            return new Sentence('There is nothing to test yet: the tests follow from what moves.');
        }
        if ($open === []) {
            return new Sentence("All {$all} tests came out as they should.");
        }
        $good = $all - count($open);

        return (new Sentence("{$good} of {$all} tests came out as they should. ".($bad === [] ? 'Next:' : 'Did not come out:')))->goingOn(' ',
            ($bad[0] ?? $open[0])['does']);
    }

    /** @return array<string, mixed> */
    private static function run(Build $build, EnduranceRun $run): array
    {
        [$count, $failures] = [$run->count(), $run->failures()];
        $next = $run->oil_every === null ? null : (intdiv($count, $run->oil_every) + 1) * $run->oil_every;

        return ['id' => $run->id, 'motion' => $run->motion, 'name' => $build->motions[$run->motion]->name ?? $run->motion, 'target' => $run->target,
            'count' => $count, 'failures' => $failures, 'oil_at' => $next !== null && $next < $run->target ? $next : null,
            'share' => min(1.0, $count / $run->target), 'says' => self::tells($count, $failures), 'days' => self::days($build, $run)];
    }

    /** What such a run tells of how often it fails. */
    public static function tells(int $count, int $failures): Sentence
    {
        if ($count === 0) {
            return new Sentence('Not begun yet.');
        }
        if ($failures > min($count, Endurance::MOST_FAILURES)) {
            return new Sentence('It failed more often than it ran: look at its marks.');
        }
        $of = new Endurance($count, $failures, self::CONFIDENCE);

        return new Sentence("{$failures} ".($failures === 1 ? 'failure' : 'failures')." in {$count}: with {sure} it fails in no more than {most} of its runs.",
            ['sure' => Quantity::share(self::CONFIDENCE), 'most' => Quantity::share($of->most_share)]);
    }

    private static function days(Build $build, EnduranceRun $run): ?float
    {
        $perDay = $build->motions[$run->motion]->task->per_day ?? 0.0;

        return $perDay > 0.0 ? $run->target / $perDay : null;
    }
}
