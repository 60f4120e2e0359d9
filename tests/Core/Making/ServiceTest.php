<?php

declare(strict_types=1);

use Brookstone\Core\Build\Build;
use Brookstone\Core\Build\Editor;
use Brookstone\Core\Making\ServiceReport;
use Brookstone\Core\Making\Wear;
use Brookstone\Core\Train\Tooth;
use Tests\Support\Builds;

/** @param  array<string, mixed>  $changes  by path */
function kept(array $changes, ?Build $build = null): Build
{
    return Editor::apply($build ?? Builds::sound(), array_map(fn (string $path, mixed $value): array => ['path' => $path, 'value' => $value], array_keys($changes), $changes));
}

/** @return array<string, mixed> */
function served(Build $build, string $today): array
{
    return (new ServiceReport($build, $today))->written();
}

/** @return array<string, mixed> */
function jobOf(Build $build, string $today, string $job): array
{
    return array_column(served($build, $today)['jobs'], null, 'id')[$job];
}

it('finds the jobs from what a build is made of', function () {
    $jobs = Wear::of(kept(['motions.2.train' => [['type' => 'belt', 'driver' => 20, 'driven' => 40]],
        'supplies.0.capacity_Ah' => 2, 'supplies.0.cells' => 'lithium', 'outputs.1' => ['id' => 'horn', 'name' => 'Horn', 'kind' => 'relay']]));

    expect(array_keys($jobs))->toContain('brushes.lid', 'cord.lift', 'grub.lift', 'bushes.lift', 'belt.lift', 'grease.jaw', 'switches.lid', 'charge.main', 'battery.main',
        'contacts.horn')->not->toContain('grub.lid', 'cord.lid', 'charge.servos')
        ->and($jobs['battery.main']->every_days)->toBe(3 * 365.0)->and($jobs['cord.lift']->every_cycles)->toBe(5000.0);
});

it('lets brushes turn for a thousand hours, and looks early', function () {
    // each time there and back takes t: 0.8 × 1000 h ÷ t, to two figures
    $lid = Wear::of(Builds::sound())['brushes.lid'];
    preg_match('/turns for ([\d.]+) s/', $lid->why->text(), $found);
    $cycles = 0.8 * 3600 * 1000 / (float) $found[1];

    expect($lid->every_cycles)->toBeGreaterThan($cycles / 1.11)->toBeLessThanOrEqual($cycles * 1.01)
        ->and($lid->why->text())->toStartWith('Brushes of small motors last about 1000 hours;');
});

it('lets a plastic tooth stand a million loads at the stress that it bears for long, and fewer above it', function () {
    $with = fn (float $face): Build => kept(['motions.2.train' => [['type' => 'spur', 'driver' => 12, 'driven' => 12, 'module_mm' => 1, 'face_mm' => $face,
        'material' => 'printed_pla']]]);
    $jobs = array_map(fn (float $face): float => Wear::of($with($face))['teeth.lift']->every_cycles ?? INF, [6.0, 3.0]);
    $brass = Wear::of(kept(['motions.2.train' => [['type' => 'spur', 'driver' => 12, 'driven' => 12, 'material' => 'brass']]]));

    expect($jobs[0] / $jobs[1])->toBeGreaterThan(45.0)->toBeLessThan(90.0) // half the width is twice the stress: two to the sixth, as rounded
        ->and($brass)->not->toHaveKey('teeth.lift');
    $lift = $with(6.0)->motions['lift'];
    $turns = 2 * $lift->turn_rad() / (2 * M_PI);
    preg_match('/stressed to ([\d.]+) MPa/', Wear::of($with(6.0))['teeth.lift']->why->text(), $stress);
    expect($jobs[0])->toBeGreaterThan(0.8 * 1e6 * (15 / (float) $stress[1]) ** 6 / $turns / 1.15)->toBeLessThanOrEqual(0.8 * 1e6 * (15 / (float) $stress[1]) ** 6 / $turns * 1.02)
        ->and(Tooth::LEAST_TEETH)->toBeLessThan(12);
});

it('is due by days or by cycles, whichever comes first', function (float $perDay, string $today, string $state, string $next) {
    $build = kept(['upkeep.since' => '2026-01-01', 'motions.2.task.per_day' => $perDay]);
    $job = jobOf($build, $today, 'cord.lift'); // 5000 times or 180 days

    expect($job['state'])->toBe($state)->and($job['next_on'])->toBe($next);
})->with([
    'days, before' => [1.0, '2026-06-01', 'later', '2026-06-30'],
    'days, the last week' => [1.0, '2026-06-24', 'soon', '2026-06-30'],
    'days, just before it' => [1.0, '2026-06-22', 'later', '2026-06-30'],
    'days, on it' => [1.0, '2026-06-30', 'due', '2026-06-30'],
    'cycles, before' => [100.0, '2026-02-10', 'later', '2026-02-20'],
    'cycles, on it' => [100.0, '2026-02-20', 'due', '2026-02-20'],
]);

it('begins anew when it is done, and goes by what the controller counted', function () {
    $since = ['upkeep.since' => '2026-01-01', 'motions.2.task.per_day' => 100.0];
    $done = kept($since + ['upkeep.done' => [['id' => 'a', 'job' => 'cord.lift', 'on' => '2026-02-10']]]);
    $counted = kept($since + ['upkeep.counts' => [['id' => 'c', 'motion' => 'lift', 'on' => '2026-01-11', 'cycles' => 4000]]]);

    expect(jobOf($done, '2026-02-20', 'cord.lift')['next_on'])->toBe('2026-04-01')->and(jobOf($done, '2026-02-20', 'cord.lift')['last_on'])->toBe('2026-02-10')
        ->and(jobOf($counted, '2026-01-11', 'cord.lift')['left_cycles'])->toBe(1000.0)->and(jobOf($counted, '2026-01-21', 'cord.lift')['state'])->toBe('due')
        ->and(array_column(served($counted, '2026-01-13')['motions'], 'cycles', 'id')['lift'])->toBe(4200.0);
});

it('takes its own interval for a job, and a job of its own', function () {
    $build = kept(['upkeep.since' => '2026-01-01', 'upkeep.changed' => [['id' => 'cord.lift', 'every_days' => 10]], 'upkeep.jobs' => [['id' => 'dust', 'name' => 'Dust it',
        'every_days' => 7]]]);

    expect(jobOf($build, '2026-01-05', 'cord.lift')['next_on'])->toBe('2026-01-11')->and(jobOf($build, '2026-01-05', 'own.dust')['next_on'])->toBe('2026-01-08')
        ->and(served($build, '2026-01-05')['says']->text())->toBe('Nothing is due. Next, on 2026-01-08: Dust it.')
        ->and(served($build, '2026-01-08')['says']->text())->toBe('One job is due: Dust it.')
        ->and(served(Builds::sound(), '2026-01-08')['says']->text())->toContain('Say from which day it is in use');
});

it('says whether what was done helped', function (array $after, string $says) {
    $entry = fn (string $id, float $time, string $on): array => ['id' => $id, 'motion' => 'lift', 'from' => 'down', 'to' => 'up', 'measured_s' => $time, 'on' => $on];
    $task = Builds::sound()->motions['lift']->task;
    $log = array_map(fn (array $each): array => ['from' => $task->from, 'to' => $task->to] + $each, [$entry('a', 4.0, '2026-01-02'), ...array_map(
        fn (float $time, int $i): array => $entry("b{$i}", $time, '2026-02-02'), $after, array_keys($after))]);
    $build = kept(['log' => $log, 'upkeep.done' => [['id' => 'x', 'job' => 'grease.lift', 'on' => '2026-02-01', 'note' => 'New grease']]]);
    $history = served($build, '2026-03-01')['history'];

    expect($history[0]['note'])->toBe('New grease')->and($history[0]['helped']?->text() ?? '')->toBe($says);
})->with([
    [[3.0], 'Its move took 4 s before and 3 s since: that helped.'],
    [[4.0], 'Its move took 4 s before and 4 s since: no difference.'],
    [[4.4, 4.6], 'Its move took 4 s before and 4.5 s since: that made it slower.'],
    [[], ''],
]);

it('keeps what failed beside what was done, the latest first', function () {
    $build = kept(['log' => [['id' => 'f', 'motion' => 'lid', 'from' => 'shut', 'to' => 'open', 'failed' => 'The horn slipped', 'on' => '2026-02-03']],
        'upkeep.done' => [['id' => 'x', 'job' => 'grease.lid', 'on' => '2026-02-01'], ['id' => 'y', 'job' => 'gone.job', 'on' => '2026-02-05']]]);
    $history = served($build, '2026-03-01')['history'];

    expect(array_column($history, 'on'))->toBe(['2026-02-05', '2026-02-03', '2026-02-01'])->and($history[1]['says']->text())->toBe('Lid: The horn slipped')
        ->and($history[0]['says']->text())->toBe('gone.job');
});

it('notices a run that was missed', function (string $today, bool $missed) {
    $build = kept(['upkeep.since' => '2026-01-01', 'upkeep.watch' => ['every_h' => 24, 'seen_on' => '2026-05-28', 'on_miss' => 'Look at the lamp']]);
    $report = served($build, $today);

    expect($report['watch']['missed'] !== null)->toBe($missed);
    if ($missed) {
        expect($report['says']->text())->toBe('A run was missed: it should run every 24 hours, and was last seen on 2026-05-28. Look at the lamp');
    }
})->with([['2026-05-29', false], ['2026-05-30', true], ['2026-05-28', false]]);

it('says how each motion moves with the power off, and that nobody gets in through glue', function () {
    $build = kept(['upkeep.motions' => [['id' => 'lid', 'held_by' => 'glue', 'access' => 'From below']]]);
    $motions = array_column(served($build, '2026-05-29')['motions'], null, 'id');

    expect($motions['lid']['moves']->text())->toMatch('/^With the power off it gives way to more than [\d.]+ N·m at its shaft\.$|^Its drive locks itself/')
        ->and($motions['lid']['glued']?->text())->toBe('Glue: nobody gets in without breaking it. Hold it with screws.')->and($motions['jaw']['glued'])->toBeNull()
        ->and($motions['lid']['access'])->toBe('From below');
});

it('writes what falls due as a calendar, what is overdue today', function () {
    $build = kept(['upkeep.since' => '2026-01-01', 'motions.2.task.per_day' => 100.0]);
    $ics = (new ServiceReport($build, '2026-03-01'))->ics('k');
    $jobs = served($build, '2026-03-01')['jobs'];

    expect(substr_count($ics, 'BEGIN:VEVENT'))->toBe(count(array_filter($jobs, fn (array $job): bool => $job['next_on'] !== null)))
        ->and($ics)->toContain("DTSTART;VALUE=DATE:20260301\r\nDTEND;VALUE=DATE:20260302\r\nSUMMARY:Look at the cord of Lift");
});
