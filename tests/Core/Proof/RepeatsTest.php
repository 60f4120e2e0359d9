<?php

declare(strict_types=1);

use Brookstone\Core\Assessment\BuildJudge;
use Brookstone\Core\Assessment\Proof\BesideModel;
use Brookstone\Core\Assessment\Proof\LogSheet;
use Brookstone\Core\Assessment\Subject\DriveFigures;
use Brookstone\Core\Assessment\Subject\MotionFigures;
use Brookstone\Core\Assessment\Subject\MotionInBuild;
use Brookstone\Core\Build\Build;
use Brookstone\Core\Build\Measurement;
use Brookstone\Core\Error\InvalidInput;
use Brookstone\Core\Finding\Finding;
use Brookstone\Core\Proof\Circumstance;
use Brookstone\Core\Proof\Repeats;
use Tests\Support\Builds;

/** @param  list<array<string, mixed>>  $entries  of the lid, from shut to open where nothing else is said */
function logged(array $entries, array $planted = []): Build
{
    return Builds::planted(['log' => array_map(fn (array $entry, int $i): array => $entry + ['id' => "m{$i}", 'motion' => 'lid', 'from' => 'shut', 'to' => 'open',
        'on' => '2026-05-30'], $entries, array_keys($entries))] + $planted);
}

/** @param  list<float>  $times */
function timed(array $times): Build
{
    return logged(array_map(fn (float $time): array => ['measured_s' => $time], $times));
}

/** @return list<string> what the judge says of what was measured */
function proofSays(Build $build): array
{
    return array_values(array_map(fn (Finding $finding): string => "{$finding->severity->value} {$finding->code}: {$finding->says->text()}",
        array_filter(BuildJudge::atOnce($build)->findings(), fn (Finding $finding): bool => str_starts_with($finding->code, 'proof.'))));
}

it('gives the mean, how much it scatters, and how far off the mean may be', function () {
    // mean 2.5, deviations −0.3, −0.1, 0.1, 0.3: sd = √(0.2 / 3) = 0.2582; t of three degrees of freedom 3.182, ÷ √4: 0.4108
    [$repeats] = Repeats::all(timed([2.2, 2.4, 2.6, 2.8]), 'lid');

    expect($repeats->mean_s)->toBeAbout(2.5)->and($repeats->sd_s)->toBeAbout(0.2581989)->and($repeats->doubt_s)->toBeAbout(3.182 * 0.2581989 / 2)
        ->and($repeats->longest_s())->toBeAbout(2.5 + 3 * 0.2581989);
});

it('says nothing of a scatter that too few tell of', function () {
    [$once] = Repeats::all(timed([2.0]), 'lid');
    [$twice] = Repeats::all(timed([2.0, 2.2]), 'lid');

    expect([$once->sd_s, $once->doubt_s, $once->longest_s()])->toBe([null, null, 2.0])
        ->and($twice->sd_s)->toBeNull()->and($twice->doubt_s)->toBeAbout(12.706 * 0.1)->and($twice->longest_s())->toBe(2.2);
});

it('gives the doubt of very many', function () {
    [$many] = Repeats::all(timed(array_map(fn (int $i): float => 2.0 + ($i % 2) * 0.2, range(1, 40))), 'lid');

    expect($many->doubt_s)->toBeAbout(1.96 * sqrt(40 * 0.01 / 39) / sqrt(40));
});

it('names one that lies far off, from five on, and does not count it', function (array $times, array $far) {
    [$repeats] = Repeats::all(timed($times), 'lid');

    expect(array_map(fn (Measurement $entry): ?float => $entry->measured_s, $repeats->farOff))->toBe($far)
        ->and(count($repeats->entries))->toBe(count($times) - count($far));
})->with([
    'four are too few' => [[2.0, 2.0, 2.1, 9.0], []],
    'the fifth' => [[2.0, 2.1, 1.9, 2.05, 9.0], [9.0]],
    // median 2.0, deviations 0, 0.1, 0.1, 0.2, x: their median 0.1; 0.6745 · x / 0.1 > 3.5 from x = 0.519 on
    'just near enough' => [[2.0, 2.1, 1.9, 1.8, 2.518], []],
    'just too far' => [[2.0, 2.1, 1.9, 1.8, 2.52], [2.52]],
    // most are alike: mean deviation 0.2, times 1.253314: 0.2507, and 1.0 is 3.99 of it
    'where most are alike' => [[2.0, 2.0, 2.0, 2.0, 3.0], [3.0]],
    'all alike' => [[2.0, 2.0, 2.0, 2.0, 2.0], []],
]);

it('takes together only what was measured in the same way', function () {
    $entries = [['measured_s' => 1.0], ['measured_s' => 1.1, 'speed' => 0.5], ['measured_s' => 1.2, 'carries' => 'empty'], ['measured_s' => 1.3, 'supply_V' => 11.0],
        ['measured_s' => 1.4, 'warm' => true], ['measured_s' => 1.5, 'from' => 'open', 'to' => 'shut'], ['measured_s' => 1.6, 'supply_V' => 11.04], ['current_A' => 0.2]];
    $groups = array_map(fn (Repeats $each): array => array_map(fn (Measurement $entry): ?float => $entry->measured_s, $each->entries), Repeats::all(logged($entries), 'lid'));

    expect($groups)->toBe([[1.0], [1.1], [1.2], [1.3, 1.6], [1.4], [1.5]]);
});

it('knows for a move what fits it: its speed, what it carries, its usual supply', function () {
    $build = logged([['measured_s' => 1.0], ['measured_s' => 2.0, 'speed' => 0.5], ['measured_s' => 0.8, 'carries' => 'empty'], ['measured_s' => 0.9, 'carries' => 'empty'],
        ['measured_s' => 1.3, 'supply_V' => 11.0], ['measured_s' => 1.4, 'warm' => true], ['measured_s' => 1.5, 'warm' => true]]);
    $mean = fn (float $speed, ?string $carries = null): ?float => Repeats::ofMove($build, $build->motions['lid'], 'shut', 'open', $speed, $carries)?->mean_s;

    expect($mean(0.5))->toBe(2.0)->and($mean(1.0))->toBeAbout(1.45)->and($mean(1.0, 'empty'))->toBeAbout(0.85)->and($mean(0.7))->toBeNull()
        ->and($mean(1.0, 'loaded'))->toBeAbout(1.45); // both ways loaded, as its task has it
});

it('computes for the very circumstance', function () {
    $build = logged([['measured_s' => 1.0], ['measured_s' => 1.0, 'speed' => 0.5], ['measured_s' => 1.0, 'supply_V' => 9.0], ['measured_s' => 1.0, 'carries' => 'empty']],
        ['motions.0.mechanism.payload_kg' => 0.3, 'motions.0.mechanism.payload_m' => 0.15]);
    [$usual, $slow, $low, $empty] = array_column(LogSheet::of($build)['newest'], 'computed_s');
    $lid = $build->motions['lid'];

    expect($usual)->toBe((new MotionFigures($lid))->time('shut', 'open'))->and($slow)->toBeGreaterThan(1.5 * $usual)->and($low)->toBeGreaterThan(1.2 * $usual)
        ->and($empty)->toBeLessThan($usual)->and($empty)->toBe((new MotionFigures($lid->withMechanism($lid->mechanism->unloaded())))->time('shut', 'open'));
});

it('computes what is drawn, on the way and held fast, and where it stops', function () {
    $build = logged([['current_A' => 0.1, 'stalled_A' => 1.0, 'stopped_at' => 0.0], ['stalled_A' => 1.0, 'supply_V' => 6.0]]);
    [$usual, $low] = LogSheet::of($build)['newest'];
    $drive = $build->motions['lid']->drive;
    $line = $drive->line();

    expect($usual['computed_stalled_A'])->toBe($drive->startsWith_A())->and($low['computed_stalled_A'])->toBeAbout($usual['computed_stalled_A'] / 2, 0.001)
        ->and($usual['computed_A'])->toBeGreaterThan($line->no_load_A ?? 0.0)->toBeLessThan($line->stall_A)
        ->and($usual['difference_stalled_A'])->toBeAbout(1.0 / $usual['computed_stalled_A'] - 1)->and($usual['difference_A'])->toBeAbout(0.1 / $usual['computed_A'] - 1)
        ->and($usual['stopped']->text())->toMatch('/^stopped at 0°, computed 7\d\.\d+°$/')->and($low['stopped'])->toBeNull();
});

it('computes the whole turn of what comes round, not nothing', function () {
    $build = Builds::demo('heron-wharf');
    $rower = array_search('rower', array_column($build->document['motions'], 'id'), true);
    $document = $build->document;
    $task = $document['motions'][$rower]['task'];
    $document['log'] = [['id' => 'a', 'motion' => 'rower', 'from' => $task['from'], 'to' => $task['to'], 'measured_s' => 0.6, 'on' => '2026-05-30']];
    $computed = LogSheet::of(Build::read($document))['newest'][0]['computed_s'];

    expect($computed)->toBe((new MotionFigures($build->motions['rower']))->runThere()['time_s'])->toBeGreaterThan(0.1);
});

it('takes no more current to move than the energy of its move asks for', function () {
    // what is drawn is charge over time: of a motor Q = ∫ i dt, and i lies between that of the load's torque at its ends where nothing speeds up
    $model = new BesideModel(Builds::sound()->settings);
    $entry = fn (string $from, string $to): Measurement => new Measurement('x', 'lid', $from, $to, null, '2026-05-30', '', current_A: 1.0);
    $lid = Builds::sound()->motions['lid'];

    expect($model->current_A($lid, $entry('shut', 'open')))->toBeGreaterThan($model->current_A($lid, $entry('open', 'shut'))) // up draws more than down
        ->and($model->current_A($lid, new Measurement('x', 'lid', 'shut', 'open', null, '2026-05-30', '', speed: 0.5)))->toBeNull();
});

it('says what the repeats tell, and how little few of them do', function (array $times, string $says) {
    $log = LogSheet::of(timed($times));

    expect(array_map(fn (array $each): string => $each['says']->text(), $log['repeats']))->toBe([$says]);
})->with([
    [[2.0], 'Once only: nobody knows yet how much it scatters.'],
    [[2.0, 2.2], '2.1 s ± 1.27 s. Two say hardly anything: measure it again.'],
    [[2.0, 2.2, 2.1], '2.1 s ± 0.248 s, scattering by 0.1 s. 3 say a little; 10 say enough.'],
    [[2.0, 2.2, 2.1, 2.0, 2.2, 2.1, 2.0, 2.2, 2.1], '2.1 s ± 0.0666 s, scattering by 0.0866 s. 9 say a little; 10 say enough.'],
    [[2.0, 2.2, 2.1, 2.0, 2.2, 2.1, 2.0, 2.2, 2.1, 2.1], '2.1 s ± 0.0584 s, scattering by 0.0816 s.'],
]);

it('tells of each move once, what was measured last last, and has the newest entries only', function () {
    $build = logged([...array_fill(0, 70, ['measured_s' => 1.0]), ['measured_s' => 2.0, 'from' => 'open', 'to' => 'shut', 'speed' => 0.5], ['measured_s' => 9.0]]);
    ['newest' => $newest, 'repeats' => $repeats] = LogSheet::of($build);
    $computed = (new MotionFigures($build->motions['lid']))->time('open', 'shut', 0.5);

    expect(array_column($newest, 'id'))->toBe(array_map(fn (int $i): string => $build->log[$i]->id, range(12, 71)))
        ->and(array_column($newest, 'far_off', 'id')[$build->log[71]->id])->toBeTrue()->and(array_sum(array_column($newest, 'far_off')))->toBe(1)
        ->and(LogSheet::entries($build, 72))->toHaveCount(72)->and(array_slice(LogSheet::entries($build, 72), 12))->toEqual($newest)
        ->and(array_map(fn (array $each): array => [$each['from'], $each['count'], $each['how']->text()], $repeats))
        ->toBe([['shut', 70, ''], ['open', 1, 'at 50% speed']])
        ->and($repeats[1])->toMatchArray(['motion' => 'lid', 'to' => 'shut', 'mean_s' => 2.0, 'computed_s' => $computed])
        ->and($repeats[1]['difference'])->toBeAbout(2.0 / $computed - 1);
});

it('judges by the mean of repeats, names what is far off, and what failed last', function () {
    $computed = (new MotionFigures(Builds::sound()->motions['lid']))->time('shut', 'open');
    $slow = timed([1.10 * $computed, 1.2 * $computed, 1.17 * $computed]);
    $near = timed([1.10 * $computed, 1.2 * $computed, 1.13 * $computed]);
    $far = timed([...array_fill(0, 4, $computed), 1.01 * $computed, 2 * $computed]);
    $failed = fn (bool $since): Build => logged([['failed' => 'The cord {slipped}'], ...($since ? [['measured_s' => $computed]] : [])]);

    expect(proofSays($slow))->toBe(['tight proof.differs: Measured 1.07 s on the average of 3, computed 0.927 s: 15.7% slower. Look for rub, a low supply or a load that is heavier than said.'])
        ->and(proofSays($near))->toBe([])
        ->and(proofSays($far))->toBe(['note proof.far_off: On 2026-05-30 it took 1.85 s, far off the 0.929 s of 5 others: that one does not count. Something was different then.'])
        ->and(proofSays($failed(false)))->toBe(['tight proof.failed: On 2026-05-30 it failed: The cord {slipped}. Nothing was measured since.'])
        ->and(proofSays($failed(true)))->toBe([]);
});

it('judges what is drawn on both sides of a quarter', function (string $which, float $share, bool $isSaid) {
    $computed = LogSheet::of(logged([['current_A' => 1.0, 'stalled_A' => 1.0]]))['newest'][0][$which === 'current_A' ? 'computed_A' : 'computed_stalled_A'];
    $said = proofSays(logged([[$which => $share * $computed]]));

    expect($said !== [])->toBe($isSaid);
    if ($isSaid) {
        expect($said[0])->toContain($which === 'current_A' ? ' on the way' : ' held fast')->toContain($share > 1 ? '26% more.' : '26% less.');
    }
})->with([['current_A', 1.24, false], ['current_A', 1.26, true], ['current_A', 0.76, false], ['current_A', 0.74, true], ['stalled_A', 1.24, false], ['stalled_A', 1.26, true],
    ['stalled_A', 0.74, true]]);

it('does not let a step give up before what was measured to take longer', function (array $times, bool $isShort) {
    $give_up_s = 1.2;
    $build = Builds::planted(['log' => array_map(fn (float $time, int $i): array => ['id' => "m{$i}", 'motion' => 'lid', 'from' => 'shut', 'to' => 'open', 'measured_s' => $time,
        'on' => '2026-05-30'], $times, array_keys($times)),
        'routines' => [['id' => 'show', 'name' => 'Show', 'starts' => [['when' => 'press', 'sensor' => 'button']],
            'steps' => [['do' => 'go', 'motion' => 'lid', 'place' => 'open', 'give_up_s' => $give_up_s]]]]]);
    $found = array_map(fn (Finding $finding): string => $finding->says->text(), Builds::found($build, 'routine.give_up_short'));

    expect($found !== [])->toBe($isShort);
    if ($isShort) {
        expect($found[0])->toStartWith('It gives up after 1.2 s, but Lid can take 1.');
    }
})->with([[[], false], [[1.19], false], [[1.21], true], [[1.0, 1.1, 1.2], true], [[1.05, 1.06, 1.07], false]]);

it('refuses an entry that says nothing, and a day that there is not', function (array $entry, string $field) {
    try {
        logged([$entry]);
        $errors = [];
    } catch (InvalidInput $refused) {
        $errors = $refused->errors;
    }

    expect(array_column($errors, 'field'))->toBe(["log.0.{$field}"]);
})->with([[[], 'measured_s'], [['measured_s' => -1], 'measured_s'], [['measured_s' => 1, 'on' => '0000-01-01'], 'on'], [['measured_s' => 1, 'on' => '2026-02-30'], 'on'],
    [['measured_s' => 1, 'speed' => 1.1], 'speed'], [['measured_s' => 1, 'carries' => 'half'], 'carries'], [['measured_s' => 1, 'supply_V' => 0], 'supply_V']]);

it('says how it was', function () {
    $says = fn (array $how): string => Circumstance::of(logged([$how + ['measured_s' => 1.0]])->log[0])->says()->text();

    expect($says([]))->toBe('')->and($says(['carries' => 'empty', 'speed' => 0.5, 'supply_V' => 11.4, 'warm' => true]))->toBe('empty, at 50% speed, on 11.4 V, warm');
});

it('sets a pull beside what moves it from there, and a temperature beside what its windings bear', function () {
    $build = logged([['pull_N' => 3.0], ['pull_N' => 3.0, 'from' => 'open', 'to' => 'shut'], ['temperature_C' => 48.0, 'after_s' => 600.0]]);
    [$up, $down, $hot] = array_column(LogSheet::of($build)['newest'], 'more');
    $lid = $build->motions['lid'];
    $lever = $lid->mechanism->leverM();
    $torque = 0.3 * 9.80665 * 0.12 + 0.02; // held level, and the rub of its pivot

    expect($up[0]->text())->toStartWith('pulls 3 N on the balance, computed ')->and($up[0]->values['computed']->si)->toBeAbout($torque / $lever, 1e-6)
        ->and($down[0]->values['computed']->si)->toBe(0.0) // it falls by itself
        ->and($hot[0]->text())->toMatch('/^48 °C outside after 600 s; its windings, without a rest, \d\d[.\d]* °C computed, they bear 105 °C$/');
    $f = DriveFigures::of(new MotionInBuild($build, $lid, new MotionFigures($lid)));
    $moving_A = $lid->drive->line()->currentAt($f->rms_motor_Nm); // in the time asked for, there and back
    $settles = 25.0 + $moving_A ** 2 * $lid->drive->motor->resistance_ohm() * $lid->drive->motor->body()->thermal->resistance_K_W();
    $grown = 1 - exp(-600.0 / $lid->drive->motor->body()->thermal->time_constant_s());
    expect($hot[0]->values['windings']->si)->toBeAbout(25.0 + ($settles - 25.0) * $grown, 1e-6)
        ->and(LogSheet::of(logged([['temperature_C' => 48.0]]))['newest'][0]['more'][0]->text())->toBe('48 °C outside; its windings bear 105 °C');
});

it('says of a drive that it is hot from seven tenths of what its windings bear on', function (float $share, bool $isHot) {
    $limit = logged([['measured_s' => 1.0]])->motions['lid']->drive->motor->body()->cooling()->limit_C();
    $says = array_values(array_filter(proofSays(logged([['temperature_C' => $share * $limit]])), fn (string $each): bool => str_contains($each, 'proof.hot')));

    expect($says !== [])->toBe($isHot);
})->with([[0.69, false], [0.71, true]]);

it('says that it is warmer outside than its windings should be, from 5 K on', function (float $above_K, bool $isSaid) {
    $windings = LogSheet::of(logged([['temperature_C' => 30.0, 'after_s' => 300.0]]))['newest'][0]['more'][0]->values['windings']->si;
    $says = proofSays(logged([['temperature_C' => $windings + $above_K, 'after_s' => 300.0]]));

    expect($says)->toHaveCount($isSaid ? 1 : 0);
    if ($isSaid) {
        expect($says[0])->toMatch('/^tight proof.warmer: On 2026-05-30 its drive was 3\d\.?\d* °C outside after 300 s; its windings, which are hotter, should have been 3\d\.?\d* °C by then\./');
    }
})->with([[4.9, false], [5.1, true]]);
