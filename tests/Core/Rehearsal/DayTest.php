<?php

declare(strict_types=1);

use Brookstone\Core\Assessment\BuildJudge;
use Brookstone\Core\Build\Build;
use Brookstone\Core\Rehearsal\Day;
use Brookstone\Core\Rehearsal\Rehearsal;
use Tests\Support\Builds;

function dayOf(Build $build): Day
{
    return Day::of($build, Rehearsal::of($build));
}

/** @return array<string, mixed> the lift up and down, and nothing else that people start */
function lifted(array $starts, float $per_day): array
{
    $go = fn (string $place): array => ['do' => 'go', 'motion' => 'lift', 'place' => $place, 'give_up_s' => 9];

    return ['log' => [], 'motions.2.task.per_day' => $per_day, 'routines.1.starts' => $starts, 'routines.1.steps' => [$go('high'), $go('low')]];
}

it('runs a routine as often in a day as a clock or people start it', function (array $starts, float $per_day, float $runs) {
    expect(dayOf(Builds::planted(lifted($starts, $per_day)))->runs['show'])->toEqualWithDelta($runs, 1e-9);
})->with([
    'by people, as the task says' => [[['when' => 'press', 'sensor' => 'button']], 40.0, 40.0],
    'every ten minutes' => [[['when' => 'every', 'every_s' => 600]], 40.0, 144.0],
    'at two times of the day' => [[['when' => 'time_of_day', 'at' => '09:00'], ['when' => 'time_of_day', 'at' => '17:30']], 40.0, 2.0],
    'when the power comes on' => [[['when' => 'power_on']], 40.0, 1.0],
]);

it('shares out how often people come among the routines that move a thing', function () {
    $day = dayOf(Builds::planted(lifted([['when' => 'press', 'sensor' => 'button']], 60.0) + [
        'routines.2' => ['id' => 'drop', 'name' => 'Drop', 'alone' => true, 'starts' => [['when' => 'beam', 'sensor' => 'beam']],
            'steps' => [['do' => 'go', 'motion' => 'lift', 'place' => 'high', 'give_up_s' => 9], ['do' => 'go', 'motion' => 'lift', 'place' => 'low',
                'give_up_s' => 9]]],
    ]));

    expect($day->runs['show'])->toEqualWithDelta(30.0, 1e-9)->and($day->runs['drop'])->toEqualWithDelta(30.0, 1e-9);
});

it('adds up what runs draw and what is drawn at rest', function () {
    $build = Builds::planted(lifted([['when' => 'press', 'sensor' => 'button']], 40.0));
    $rehearsed = Rehearsal::of($build);
    $day = Day::of($build, $rehearsed);
    $most = max(array_map(fn ($performance): float => $performance->start->isUsual() ? $performance->drawn['main']->charge_C : 0.0, $rehearsed->of('show')));
    $servo = $build->motions['jaw']->drive?->motor->holdCurrent_A(0.0, 6.0);

    expect($day->charge_Ah['main']['show'])->toEqualWithDelta(40 * $most / 3600, 1e-9)->and($most)->toBeGreaterThan(0.5)
        ->and($day->rest_Ah['main'])->toEqualWithDelta(0.0, 1e-12) // gear motors draw nothing at rest
        ->and($day->rest_Ah['servos'])->toBeGreaterThan(0.99 * 24 * $servo)->toBeLessThan(24.0 * $servo)
        ->and($day->charge_Ah('main'))->toEqualWithDelta($day->charge_Ah['main']['show'] + $day->charge_Ah['main']['wake'], 1e-12)
        ->and($day->most('main'))->toBe('show')->and($day->most('servos'))->toBeNull();
});

it('takes what goes round without end as running all day', function () {
    $build = Builds::planted(['log' => [], 'routines.1.starts' => [['when' => 'press', 'sensor' => 'button']],
        'routines.1.steps' => [['do' => 'repeat', 'steps' => [['do' => 'go', 'motion' => 'lift', 'place' => 'high', 'give_up_s' => 9],
            ['do' => 'go', 'motion' => 'lift', 'place' => 'low', 'give_up_s' => 9]]]]]);
    $day = dayOf($build);
    $once = dayOf(Builds::planted(lifted([['when' => 'every', 'every_s' => 8.64]], 1.0))); // 10 000 times a day

    expect($day->runs['show'])->toBe(1.0)->and($day->rest_Ah['main'])->toBe(0.0)
        ->and($day->charge_Ah['main']['show'])->toBeGreaterThan($once->charge_Ah['main']['show'])->toBeLessThan(3 * $once->charge_Ah['main']['show']);
});

it('does not count twice what one routine does for another', function () {
    $day = dayOf(Builds::planted(['log' => [], 'routines.1.steps' => [['do' => 'call', 'routine' => 'part']],
        'routines.2' => ['id' => 'part', 'name' => 'Part', 'starts' => [],
            'steps' => [['do' => 'go', 'motion' => 'lift', 'place' => 'high', 'give_up_s' => 9], ['do' => 'go', 'motion' => 'lift', 'place' => 'low',
                'give_up_s' => 9]]]]));

    expect($day->runs['part'])->toBe(0.0)->and($day->runs['show'])->toEqualWithDelta(100.0, 1e-9);
});

it('tells a battery from both sides of the days that are asked for', function () {
    $lasts = fn (float $capacity_Ah): array => Builds::found(Builds::planted(['log' => [], 'supplies.1.capacity_Ah' => $capacity_Ah, 'settings.battery_days' => 3]),
        'routine.drains_battery');
    $day = dayOf(Builds::planted(['log' => [], 'supplies.1.capacity_Ah' => 1.0]))->charge_Ah('servos');

    expect($lasts(3.01 * $day))->toBe([])->and($lasts(2.99 * $day))->toHaveCount(1)
        ->and($lasts(2.99 * $day)[0]->says->text())->toContain('lasts 2.99 days, where 3 days are asked for');
});

it('adds up what routines beside one another ask of a supply, and not those that wait for each other', function () {
    $asked = function (float $gives_A, array $more = []): array {
        $assessment = BuildJudge::proposed($build = Builds::planted(['log' => []] + Builds::beside($gives_A) + $more), null, Rehearsal::of($build));

        return [array_column($assessment->supplies, null, 'id')['main'], array_map(fn ($finding): string => $finding->says->text(),
            Builds::findings($assessment, 'routine.together_sags'))];
    };
    [$main, $found] = $asked(3.0);

    expect($main['most_A'])->toEqualWithDelta(4.0, 1e-9)->and($main['together'])->toBe(['show', 'wave'])
        ->and($found)->toBe(['Show and Wave can run beside one another: if both are at their worst at the same moment they ask 4 A of Main, and it gives 3 A.'])
        ->and($asked(4.0)[1])->toBe([]);
    // Both of the lift: they wait for each other.
    [$main, $found] = $asked(3.0, ['routines.2.steps.1' => ['do' => 'wait', 'for_s' => 1], 'routines.2.steps.0' => ['do' => 'go', 'motion' => 'lift',
        'place' => 'high', 'give_up_s' => 6]]);
    expect($found)->toBe([])->and($main['most_A'])->toEqualWithDelta(1.9, 1e-9);
});
