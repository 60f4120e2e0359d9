<?php

declare(strict_types=1);

use Brookstone\Core\Assessment\Assessment;
use Brookstone\Core\Build\Build;
use Brookstone\Core\Finding\Severity;
use Tests\Support\Builds;

/** @param  array<string, mixed>  $changes  by path, of an example */
function exampleWith(array $changes, string $example = 'crate-imp'): Build
{
    $document = Builds::example($example)->document;
    foreach ($changes as $path => $value) {
        data_set($document, $path, $value);
    }

    return Build::read($document);
}

/** @return list<string> what is said under a code */
function saidInExample(Assessment $assessment, string $code): array
{
    return array_map(fn ($finding): string => $finding->says->text(), Builds::findings($assessment, $code));
}

/** @return array<string, array{0: array<string, mixed>, 1: Severity, 2: bool, 3: string, 4: array<string, mixed>, 5?: string}> planted; how bad; whether it is mended; what it says; what is just not wrong; in which example */
function plantedInExamples(): array
{
    $every = fn (float $s): array => ['routines.1.starts' => [['when' => 'every', 'every_s' => $s]], 'tanks.0.compressor_l_min' => 10.0];

    return [
        'air.none' => [['tanks' => []], Severity::Tight, true, 'Lid is pushed by air at 5 bar, and nothing says where that comes from', []],
        'air.set_over' => [['motions.0.drive.motor.pressure_bar' => 5.6], Severity::Note, false,
            'The regulator of Lid is set to 5.6 bar, and Tank may fall to 5.5 bar', ['motions.0.drive.motor.pressure_bar' => 5.5]],
        'air.not_kept_up' => [$every(7.0), Severity::Tight, true, 'its compressor gives 10 l/min: it runs 86.7% of the time, and small ones bear half', $every(15.0)],
        'air.in_a_row' => [['tanks.0.tank_l' => 3.0, 'tanks.0.compressor_l_min' => 1.0], Severity::Note, false,
            'full, Tank is good for 4 of it one right after another. Then its compressor needs 267 s.', ['tanks.0.tank_l' => 3.6, 'tanks.0.compressor_l_min' => 1.0]],
        'routine.air_runs_out' => [['tanks.0.tank_l' => 0.5, 'tanks.0.compressor_l_min' => 2.0], Severity::Fails, true,
            'under the 5.5 bar at which its compressor starts: that does not keep up', ['tanks.0.tank_l' => 2.0, 'tanks.0.compressor_l_min' => 2.0]],
        'drive.latch_stiff' => [['motions.0.latch.friction_coefficient' => 1.73], Severity::Fails, false, 'and stalled it pulls with 14.67 N',
            ['motions.0.latch.friction_coefficient' => 1.14], 'bell-hammer'],
        'routine.latch_in_vain' => [['routines.0.steps.3' => ['do' => 'wait', 'for_s' => 0.1]], Severity::Fails, false,
            'The latch of Bell hammer lets it go, and its drive still holds it', [], 'bell-hammer'],
        'load.bump_fells' => [['motions.0.mechanism.friction_coefficient' => 0.087], Severity::Tight, false,
            'Its wheels bring it back from a lean of 4.97° at most, less than 5°', ['motions.0.mechanism.friction_coefficient' => 0.088], 'night-porter'],
        'load.falls_faster' => [['motions.0.mechanism.loop_hz' => 17.6], Severity::Fails, true, // τ = √((1.9·0.28² + 0.02)/(1.9·g·0.28)) = 0.18 s
            'Its lean doubles in 0.125 s: its controller must look with 17.7 Hz', ['motions.0.mechanism.loop_hz' => 17.7], 'night-porter'],
        'load.leans_far' => [['motions.0.task.move_s' => 1.57], Severity::Tight, true,
            'it leans by 15.6°, and its wheels bring it back from 31° at most: little is left for a bump.', ['motions.0.task.move_s' => 1.58], 'night-porter'],
        'stops.cushion' => [['motions.0.drive.motor.flow_l_min' => 24.0], Severity::Fails, true,
            'It comes to its end with 0.311 J, and the ends of the cylinder take up 0.3 J.', ['motions.0.drive.motor.flow_l_min' => 23.0]],
    ];
}

it('finds what is planted in an example, with its numbers, and not what is just within', function (string $code, array $values, Severity $severity, bool $mends,
    string $says, array $within, string $example = 'crate-imp') {
    $assessment = Builds::assessed(exampleWith($values, $example));
    $found = Builds::findings($assessment, $code);

    expect($found)->not->toBeEmpty("{$code} was not found; found: ".implode(', ', $assessment->codes()))
        ->and($found[0]->severity)->toBe($severity)->and($found[0]->says->text())->toContain($says)
        ->and(saidInExample(Builds::assessed(exampleWith($within, $example)), $code))->toBe([]);
    if ($mends) {
        expect($found[0]->fixes)->not->toBeEmpty("{$code} offers no fix");
        foreach ($found[0]->fixes as $fix) {
            expect(saidInExample(Builds::assessed(Builds::mended(exampleWith($values, $example), $fix)), $code))->toBe([], "{$fix->does->text()} does not mend {$code}");
        }
    }
})->with(fn (): array => array_map(fn (string $code, array $row): array => [$code, ...$row], array_keys(plantedInExamples()), plantedInExamples()));

it('fails where its compressor runs all day and does not keep up', function () {
    $found = Builds::found(exampleWith(['routines.1.starts' => [['when' => 'every', 'every_s' => 7]], 'tanks.0.compressor_l_min' => 8.0]), 'air.not_kept_up');

    expect($found[0]->severity)->toBe(Severity::Fails)->and($found[0]->says->text())->toContain('it runs all day and does not keep up');
});

it('warns of air that pushes and of tanks', function () {
    $assessment = Builds::assessed(exampleWith([]));

    expect(array_column($assessment->chain('lid')->cautions, 'code'))->toContain('air');
});

it('falls where it leans further than its wheels bring it back from, or answers too late', function () {
    $leans = fn (float $move_s): array => Builds::found(exampleWith(['motions.0.task.move_s' => $move_s], 'night-porter'), 'load.leans_far');
    $late = fn (float $delay_s): array => saidInExample(Builds::assessed(exampleWith(['motions.0.mechanism.delay_s' => $delay_s], 'night-porter')), 'load.falls_faster');

    expect($leans(1.07)[0]->severity)->toBe(Severity::Fails)->and($leans(1.08)[0]->severity)->toBe(Severity::Tight)
        ->and($late(0.0361)[0])->toContain('answer within 0.036 s')->and($late(0.0359))->toBe([]);
});
