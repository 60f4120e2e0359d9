<?php

declare(strict_types=1);

use Brookstone\Core\Assessment\Proof\LogSheet;
use Tests\Support\Builds;

/**
 * What stands beside entries of the log of the lid.
 *
 * @param  array<string, mixed>  ...$entries
 * @return list<array<string, mixed>>
 */
function besideEntries(array ...$entries): array
{
    $log = array_map(fn (int $i, array $entry): array => $entry + ['id' => "e{$i}", 'motion' => 'lid', 'from' => 'shut', 'to' => 'open', 'on' => '2026-06-01'], array_keys($entries), $entries);

    return LogSheet::entries(Builds::planted(['log' => $log]), 60);
}

/** @return list<array<string, mixed>> */
function repeatsOfLid(float ...$times): array
{
    return LogSheet::of(Builds::planted(['log' => array_map(fn (int $i, float $time): array => ['id' => "r{$i}", 'motion' => 'lid', 'from' => 'shut', 'to' => 'open', 'on' => '2026-06-01',
        'measured_s' => $time], array_keys($times), $times)]))['repeats'];
}

// The lid takes 0.9267 s, draws 0.4393 A on the way and 2.1 A held fast; slowly it takes 0.353 + 0.02 N·m, 3.11 N at its 120 mm.
it('puts beside each entry what is computed for it, and the difference as a share', function () {
    [$time, $current, $slow, $nothing, $gone] = besideEntries(['measured_s' => 1.8534879], ['current_A' => 0.5, 'stalled_A' => 2.0], ['measured_s' => 2.0, 'speed' => 0.5], ['failed' => 'It slipped'], ['measured_s' => 0.9, 'from' => 'moon']);

    expect($time['computed_s'])->toBeAbout(0.926744, 1e-5)->and($time['difference'])->toBeAbout(1.0, 1e-5)->and($time['computed_A'])->toBeNull()->and($time['computed_stalled_A'])->toBeNull()
        ->and($current['computed_A'])->toBeAbout(0.43928, 1e-4)->and($current['difference_A'])->toBeAbout(0.5 / 0.43928 - 1, 1e-3)
        ->and($current['computed_stalled_A'])->toBeAbout(2.1, 1e-6)->and($current['difference_stalled_A'])->toBeAbout(2.0 / 2.1 - 1, 1e-6)->and($current['difference'])->toBeNull()
        ->and($slow['says']->text())->toBe('at 50% speed')->and($slow['computed_s'])->toBeAbout(2.08593, 1e-4)->and($slow['difference'])->toBeAbout(2.0 / 2.08593 - 1, 1e-3)
        ->and($nothing['difference'])->toBeNull()->and($nothing['more'])->toBe([])->and($nothing['stopped'])->toBeNull()
        ->and($gone['computed_s'])->toBeNull()->and($gone['difference'])->toBeNull();
});

it('puts the pull, the temperature and where it stopped beside what is known of them', function (array $entry, array $more, ?string $stopped) {
    [$beside] = besideEntries($entry);

    expect(array_map(fn ($says): string => $says->text(), $beside['more']))->toBe($more)->and($beside['stopped']?->text())->toBe($stopped);
})->with([
    [['pull_N' => 2.5], ['pulls 2.5 N on the balance, computed 3.11 N'], null],
    [['pull_N' => 2.5, 'from' => 'moon'], ['pulls 2.5 N on the balance'], null],
    [['temperature_C' => 30], ['30 °C outside; its windings bear 105 °C'], null],
    [['temperature_C' => 40, 'after_s' => 600], ['40 °C outside after 600 s; its windings, without a rest, 32.2 °C computed, they bear 105 °C'], null],
    [['stopped_at' => 71.0], [], 'stopped at 71°, computed 71.8°'],
    [['pull_N' => 2.5, 'temperature_C' => 30], ['pulls 2.5 N on the balance, computed 3.11 N', '30 °C outside; its windings bear 105 °C'], null],
]);

it('shows the newest of a long log, and counts all of its repeats', function () {
    $build = Builds::planted(['log' => array_map(fn (int $i): array => ['id' => "r{$i}", 'motion' => 'lid', 'from' => 'shut', 'to' => 'open', 'on' => '2026-06-01', 'measured_s' => 0.9 + 0.001 * $i], range(1, 70))]);
    $sheet = LogSheet::of($build);

    expect($sheet['newest'])->toHaveCount(60)->and($sheet['newest'][0]['id'])->toBe('r11')->and($sheet['newest'][59]['id'])->toBe('r70')->and($sheet['repeats'][0]['count'])->toBe(70)
        ->and(LogSheet::entries($build, 5))->toHaveCount(5)->and(LogSheet::entries($build, 0))->toHaveCount(1);
});

it('marks what lies far off the others of its move', function () {
    $entries = besideEntries(...array_map(fn (float $time): array => ['measured_s' => $time], [0.93, 0.94, 0.935, 0.932, 0.938, 1.4]));

    expect(array_column($entries, 'far_off'))->toBe([false, false, false, false, false, true]);
});

// mean ± t · s ÷ √n with 95 %: t is 12.7 for two, 4.30 for three, 2.26 for ten; 10 are called enough
it('says what repeats of a move tell', function (array $times, string $says, float $mean, ?float $sd, ?float $doubt) {
    [$repeats] = repeatsOfLid(...$times);

    expect($repeats['says']->text())->toBe($says)->and($repeats['mean_s'])->toBeAbout($mean, 1e-9)->and($repeats['count'])->toBe(count($times))
        ->and($repeats['difference'])->toBeAbout($mean / 0.9267439547790557 - 1, 1e-6);
    $sd === null ? expect($repeats['sd_s'])->toBeNull() : expect($repeats['sd_s'])->toBeAbout($sd, 1e-6);
    $doubt === null ? expect($repeats['doubt_s'])->toBeNull() : expect($repeats['doubt_s'])->toBeAbout($doubt, 1e-3);
})->with([
    [[0.91], 'Once only: nobody knows yet how much it scatters.', 0.91, null, null],
    [[0.91, 0.92], '0.915 s ± 0.0635 s. Two say hardly anything: measure it again.', 0.915, null, 12.706 * 0.0070711 / sqrt(2)],
    [[0.91, 0.92, 0.93], '0.92 s ± 0.0248 s, scattering by 0.01 s. 3 say a little; 10 say enough.', 0.92, 0.01, 4.303 * 0.01 / sqrt(3)],
    [[0.91, 0.92, 0.93, 0.94, 0.95, 0.96, 0.97, 0.98, 0.99], '0.95 s ± 0.0211 s, scattering by 0.0274 s. 9 say a little; 10 say enough.', 0.95, sqrt(60e-4 / 8), 2.306 * sqrt(60e-4 / 8) / 3],
    [[0.91, 0.92, 0.93, 0.94, 0.95, 0.96, 0.97, 0.98, 0.99, 1.0], '0.955 s ± 0.0217 s, scattering by 0.0303 s.', 0.955, sqrt(82.5e-4 / 9), 2.262 * sqrt(82.5e-4 / 9) / sqrt(10)],
]);
