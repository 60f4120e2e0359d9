<?php

declare(strict_types=1);

namespace Brookstone\Core\Making;

use Brookstone\Core\Build\Build;
use Brookstone\Core\Build\Measurement;
use Brookstone\Core\Dynamics\Plant;
use Brookstone\Core\Export\Ics;
use Brookstone\Core\Finding\Sentence;
use Brookstone\Core\Parts\Motion;
use Brookstone\Core\Plan\Calendar;
use Brookstone\Core\Quantity\Quantity;

/** What is due when, how to get at everything, what was done and whether it helped, and who notices that it stopped. */
final readonly class ServiceReport
{
    private const SOON = 0.1; // of its interval is left

    private const SOON_DAYS = 7.0;

    private const FAR_DAYS = 36500.0;

    /** @var array<string, Job> */
    private array $jobs;

    /** Days from today. */
    private Calendar $calendar;

    /** @param  string  $today  as 2026-05-31 */
    public function __construct(private Build $build, private string $today)
    {
        $this->jobs = Wear::of($build);
        $this->calendar = new Calendar($today, 1.0, []);
    }

    /** @return array<string, mixed> as the page shows it */
    public function written(): array
    {
        $jobs = array_map($this->job(...), array_values($this->jobs));
        usort($jobs, fn (array $a, array $b): int => $a['left_days'] <=> $b['left_days']);
        $due = array_values(array_filter($jobs, fn (array $job): bool => $job['state'] === 'due'));

        return ['says' => $this->says($jobs, $due), 'since' => $this->build->upkeep->since, 'jobs' => $jobs,
            'motions' => array_values(array_map($this->motion(...), $this->build->motions)), 'history' => $this->history(), 'watch' => $this->watch(),
            'way_in' => $this->build->upkeep->way_in];
    }

    /** What falls due in the coming time, each on its day. */
    public function ics(string $key): string
    {
        $events = [];
        foreach ($this->written()['jobs'] as $job) {
            if ($job['next_on'] !== null) {
                $on = max($job['next_on'], $this->today);
                $events[] = ['id' => hash('xxh64', $job['id'])."-{$key}@brookstone", 'from' => $on, 'until' => $on, 'says' => $job['does']->text(),
                    'note' => $job['why']->text()];
            }
        }

        return Ics::write($this->build->name.', service', $events, $this->today);
    }

    /**
     * @param  list<array<string, mixed>>  $jobs
     * @param  list<array<string, mixed>>  $due
     */
    private function says(array $jobs, array $due): Sentence
    {
        $watch = $this->missed();
        if ($watch !== null) {
            return $watch;
        }
        if ($jobs === []) {
            return new Sentence('Nothing wears yet: the jobs follow from what moves and what moves it.');
        }
        if ($this->build->upkeep->since === null) {
            return new Sentence(count($jobs).' jobs follow from how it is made. Say from which day it is in use, and each gets its day.');
        }
        if ($due !== []) {
            return (new Sentence(count($due) === 1 ? 'One job is due:' : count($due).' jobs are due. The first:'))->goingOn(' ',
                $due[0]['does'])->goingOn('', new Sentence('.'));
        }

        return (new Sentence('Nothing is due. Next, on '.($jobs[0]['next_on'] ?? 'no day').':'))->goingOn(' ', $jobs[0]['does'])->goingOn('',
            new Sentence('.'));
    }

    /** Cycles of a motion up to a day: as its controller counted, and from there on as often as its task says. */
    private function cycles(string $motion, string $day): float
    {
        $since = $this->build->upkeep->since;
        if ($since === null) {
            return 0.0;
        }
        [$from, $count] = [$since, 0.0];
        foreach ($this->build->upkeep->counts as $read) {
            if ($read['motion'] === $motion && $read['on'] <= $day && $read['on'] >= $from) {
                [$from, $count] = [$read['on'], $read['cycles']];
            }
        }

        return $count + max(0.0, (float) $this->calendar->dayOf($day) - (float) $this->calendar->dayOf($from)) * $this->perDay($motion);
    }

    private function perDay(?string $motion): float
    {
        return $this->build->motions[$motion ?? '']->task->per_day ?? 0.0;
    }

    /** @return array<string, mixed> */
    private function job(Job $job): array
    {
        $since = $this->build->upkeep->since;
        $done = array_filter($this->build->upkeep->done, fn (array $each): bool => $each['job'] === $job->id);
        $last = array_reduce($done, fn (?string $latest, array $each): ?string => max($latest, $each['on']), null) ?? $since;
        $left = ['days' => null, 'cycles' => null];
        if ($last !== null) {
            $ago = -(float) $this->calendar->dayOf($last);
            $left['days'] = $job->every_days === null ? null : $job->every_days - $ago;
            if ($job->every_cycles !== null && $job->motion !== null) {
                $left['cycles'] = $job->every_cycles - ($this->cycles($job->motion, $this->today) - $this->cycles($job->motion, $last));
            }
        }
        $perDay = $this->perDay($job->motion);
        $byCycles = match (true) {
            $left['cycles'] === null => null,
            $perDay > 0.0 => $left['cycles'] / $perDay,
            $left['cycles'] <= 0.0 => 0.0,
            default => null,
        };
        $days = array_filter([$left['days'], $byCycles], fn (?float $each): bool => $each !== null);
        $leftDays = $days === [] ? null : min($days);
        $whole = max(1.0, min($job->every_days ?? INF, $job->every_cycles !== null && $perDay > 0.0 ? $job->every_cycles / $perDay : INF));

        return ['id' => $job->id, 'motion' => $job->motion, 'does' => $job->does, 'why' => $job->why, 'own' => $job->own, 'every_cycles' => $job->every_cycles,
            'every_days' => $job->every_days, 'last_on' => $done === [] ? null : $last, 'left_cycles' => $left['cycles'],
            'left_days' => $leftDays ?? self::FAR_DAYS,
            'next_on' => $leftDays === null || $leftDays > self::FAR_DAYS ? null : $this->calendar->on(floor($leftDays)),
            'state' => match (true) {
                $leftDays === null => 'open',
                $leftDays <= 0.0 => 'due',
                $leftDays <= min(self::SOON_DAYS, max(1.0, self::SOON * $whole)) => 'soon',
                default => 'later',
            }];
    }

    /** @return array<string, mixed> */
    private function motion(Motion $motion): array
    {
        $said = $this->build->upkeep->motions[$motion->id] ?? null;
        $holds = $motion->drive === null ? 0.0 : Plant::of($motion)->holds_Nm;

        return ['id' => $motion->id, 'name' => $motion->name, 'access' => $said['access'] ?? '', 'held_by' => $said['held_by'] ?? 'screws',
            'frees' => $said['frees'] ?? '', 'by_hand' => $said['by_hand'] ?? '',
            'moves' => match (true) {
                $motion->drive === null => new Sentence('Without a drive it moves by hand.'),
                is_infinite($holds) => new Sentence('Its drive locks itself: by hand it moves only with the drive taken off, or by turning the motor’s shaft.'),
                $holds > 0.0 => new Sentence('With the power off it gives way to more than {torque} at its shaft.', ['torque' => Quantity::of($holds, 'N·m')]),
                default => new Sentence('With the power off it gives way at once: hold it before you open it.'),
            },
            'glued' => ($said['held_by'] ?? '') === 'glue' ? new Sentence('Glue: nobody gets in without breaking it. Hold it with screws.') : null,
            'cycles' => $this->build->upkeep->since === null ? null : round($this->cycles($motion->id, $this->today)), 'per_day' => $motion->task->per_day,
            'counted' => in_array($motion->id, array_column($this->build->upkeep->counts, 'motion'), true)];
    }

    /** @return list<array<string, mixed>> what was done and what failed, the latest first; of a job whether it helped */
    private function history(): array
    {
        $rows = array_map(fn (array $done): array => ['on' => $done['on'], 'what' => 'done', 'says' => $this->jobs[$done['job']]->does
            ?? new Sentence(Sentence::quote($done['job'])), 'note' => $done['note'], 'helped' => $this->helped($this->jobs[$done['job']]->motion ?? null,
                $done['on'])],
            $this->build->upkeep->done);
        foreach ($this->build->log as $entry) {
            if ($entry->failed !== '' && isset($this->build->motions[$entry->motion])) {
                $rows[] = ['on' => $entry->on, 'what' => 'failed', 'says' => new Sentence($this->build->motions[$entry->motion]->named().': '
                    .Sentence::quote($entry->failed)), 'note' => $entry->note, 'helped' => null];
            }
        }
        usort($rows, fn (array $a, array $b): int => $b['on'] <=> $a['on']);

        return $rows;
    }

    /** The times of a motion's task before and after a day; null where one of the two was not measured. */
    private function helped(?string $motion, string $on): ?Sentence
    {
        $task = $this->build->motions[$motion ?? '']->task ?? null;
        if ($task === null) {
            return null;
        }
        $mean = function (\Closure $when) use ($motion, $task): ?float {
            $times = array_map(fn (Measurement $entry): float => (float) $entry->measured_s, array_filter($this->build->log,
                fn (Measurement $entry): bool => $entry->motion === $motion && $entry->from === $task->from && $entry->to === $task->to
                    && $entry->measured_s !== null && $entry->speed === 1.0 && $when($entry->on)));

            return $times === [] ? null : array_sum($times) / count($times);
        };
        [$before, $after] = [$mean(fn (string $day): bool => $day < $on), $mean(fn (string $day): bool => $day >= $on)];

        return $before === null || $after === null ? null : new Sentence('Its move took {before} before and {after} since: '.match (true) {
            $after < 0.97 * $before => 'that helped.',
            $after > 1.03 * $before => 'that made it slower.',
            default => 'no difference.',
        }, ['before' => Quantity::of($before, 's'), 'after' => Quantity::of($after, 's')]);
    }

    /** @return array<string, mixed> */
    private function watch(): array
    {
        return $this->build->upkeep->watch + ['missed' => $this->missed()];
    }

    private function missed(): ?Sentence
    {
        $watch = $this->build->upkeep->watch;
        if ($watch['every_h'] === null || $watch['seen_on'] === null) {
            return null;
        }
        $hours = -24.0 * (float) $this->calendar->dayOf($watch['seen_on']);

        return $hours < $watch['every_h'] + 24.0 ? null
            : new Sentence("A run was missed: it should run every {every} hours, and was last seen on {$watch['seen_on']}."
            .($watch['on_miss'] === '' ? '' : ' '.Sentence::quote($watch['on_miss'])), ['every' => Quantity::number($watch['every_h'])]);
    }
}
