<?php

declare(strict_types=1);

use Tests\Support\Said;

/**
 * To plant: one more entry in the log, of the lid.
 *
 * @param  array<string, mixed>  $more
 * @return array<string, mixed>
 */
function entryOfLid(array $more, int $i = 3): array
{
    return ["log.{$i}" => $more + ['id' => "e{$i}", 'motion' => 'lid', 'from' => 'shut', 'to' => 'open', 'on' => '2026-06-01']];
}

/** @return array<string, mixed> to plant: these times of the lid alone */
function timesOfLid(float ...$times): array
{
    return ['log' => array_map(fn (int $i, float $time): array => ['id' => "t{$i}", 'motion' => 'lid', 'from' => 'shut', 'to' => 'open', 'on' => '2026-06-01', 'measured_s' => $time],
        array_keys($times), $times)];
}

/** @return array<string, mixed> to plant: so many runs of the lid, of which so many failed */
function ranAgain(int $count, int $failures): array
{
    $marks = array_map(fn (int $i): array => ['id' => "m{$i}", 'on' => '2026-06-01', 'at' => $count, 'failed' => $i <= $failures], range(1, max(1, $failures)));

    return ['endurance' => [['id' => 'a', 'motion' => 'lid', 'target' => 1000, 'marks' => $marks]]];
}

const HELD = 'Look for a motor that is another than said, or a load that is lighter.';
const RUBS = 'Look for rub, a bent shaft, or a motor that is another than said.';

// The lid takes 0.927 s at full command, its motor draws 2.1 A held fast, and its windings bear 105 °C.
it('holds what was measured against what was computed, with both figures', function (string $codes, array $planted, array $says) {
    expect(Said::atOnce($codes, $planted))->toBe($says);
})->with([
    'a quarter less current held fast' => ['proof.draws', entryOfLid(['stalled_A' => 1.58]), []],
    'less' => ['proof.draws', entryOfLid(['stalled_A' => 1.57]), ['tight proof.draws at log: It draws 1.57 A held fast, computed 2.1 A: 25.2% less. '.HELD]],
    'a quarter more' => ['proof.draws', entryOfLid(['stalled_A' => 2.62]), []],
    'more than that' => ['proof.draws', entryOfLid(['stalled_A' => 2.63]), ['tight proof.draws at log: It draws 2.63 A held fast, computed 2.1 A: 25.2% more. '.RUBS]],
    'on the way, less' => ['proof.draws', entryOfLid(['current_A' => 0.3]), ['tight proof.draws at log: It draws 0.3 A on the way, computed 0.439 A: 31.7% less. '.HELD]],
    'on the way, about that' => ['proof.draws', entryOfLid(['current_A' => 0.4]), []],
    'on the way, more' => ['proof.draws', entryOfLid(['current_A' => 0.6]), ['tight proof.draws at log: It draws 0.6 A on the way, computed 0.439 A: 36.6% more. '.RUBS]],
    'the last current counts' => ['proof.draws', entryOfLid(['stalled_A' => 1.0]) + entryOfLid(['stalled_A' => 2.1], 4), []],
    'both ways of drawing' => ['proof.draws', entryOfLid(['stalled_A' => 1.0, 'current_A' => 0.6]), ['tight proof.draws at log: It draws 0.6 A on the way, computed 0.439 A: 36.6% more. '.RUBS,
        'tight proof.draws at log: It draws 1 A held fast, computed 2.1 A: 52.4% less. '.HELD]],
    'seven tenths of what its windings bear' => ['proof.hot', entryOfLid(['temperature_C' => 73.5]), []],
    'hotter outside' => ['proof.hot', entryOfLid(['temperature_C' => 73.6]), [
        'tight proof.hot at log: On 2026-06-01 its drive was 73.6 °C outside; its windings, which are hotter, bear 105 °C. Let it rest longer, or take a larger one.',
    ]],
    'five degrees over its windings' => ['proof.warm', entryOfLid(['temperature_C' => 37.2, 'after_s' => 600]), []],
    'more than five' => ['proof.warm', entryOfLid(['temperature_C' => 37.3, 'after_s' => 600]), [
        'tight proof.warmer at log: On 2026-06-01 its drive was 37.3 °C outside after 600 s; its windings, which are hotter, should have been 32.2 °C by then. It draws more than computed, or stands somewhere hot: measure its current, and look for rub.',
    ]],
    'after how long is not known' => ['proof.warm', entryOfLid(['temperature_C' => 60.0]), []],
    'it failed last' => ['proof.failed', entryOfLid(['failed' => 'The cord slipped']), ['tight proof.failed at log: On 2026-06-01 it failed: The cord slipped. Nothing was measured since.']],
    'and was measured since' => ['proof.failed', entryOfLid(['failed' => 'The cord slipped']) + entryOfLid(['measured_s' => 0.95, 'on' => '2026-06-02'], 4), []],
    'three times, on the average' => ['proof', timesOfLid(0.9, 1.2, 1.3), [
        'tight proof.differs at log: Measured 1.13 s on the average of 3, computed 0.927 s: 22.3% slower. Look for rub, a low supply or a load that is heavier than said.',
    ]],
    'three times within 15 % on the average' => ['proof', timesOfLid(0.9, 1.0, 1.29), []],
    'at half speed, which takes 2.09 s and is no matter of the target' => ['proof', ['log' => [['speed' => 0.5] + timesOfLid(2.6)['log'][0]]], [
        'tight proof.differs at log: Measured 2.6 s, computed 2.09 s: 24.6% slower. Look for rub, a low supply or a load that is heavier than said.',
    ]],
    'its other way has no target' => ['proof.over', ['log' => [['from' => 'open', 'to' => 'shut'] + timesOfLid(2.6)['log'][0]]], []],
    // 1 − 0.05^(1/n) is under 1 % from 299 runs on, and by then of one failure from 473 on
    'without a failure' => ['proof.endurance', ranAgain(299, 0), [
        'note proof.endurance at log: It ran 299 of 1000 times: 0 failures, so with 95% it fails in no more than 0.997% of its runs.',
    ]],
    'one failure in 472' => ['proof.endurance', ranAgain(472, 1), [
        'tight proof.endurance at log: It ran 472 of 1000 times: 1 failure, so with 95% it fails in no more than 1% of its runs.',
    ]],
    'one failure in 473' => ['proof.endurance', ranAgain(473, 1), [
        'note proof.endurance at log: It ran 473 of 1000 times: 1 failure, so with 95% it fails in no more than 0.999% of its runs.',
    ]],
]);
