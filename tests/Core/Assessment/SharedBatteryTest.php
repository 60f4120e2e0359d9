<?php

declare(strict_types=1);

use Brookstone\Core\Assessment\BuildJudge;
use Brookstone\Core\Assessment\Subject\DriveFigures;
use Brookstone\Core\Assessment\Subject\MotionFigures;
use Brookstone\Core\Assessment\Subject\MotionInBuild;
use Brookstone\Core\Build\Build;
use Brookstone\Core\Finding\Finding;
use Brookstone\Core\Finding\Fix;
use Tests\Support\Builds;

/**
 * Jaws of these masses on one battery, with no routine.
 *
 * @param  list<float>  $masses_kg
 * @param  array<string, mixed>  $more
 */
function jaws(array $masses_kg, ?float $capacity_Ah, float $days = 1.0, array $more = []): Build
{
    $sound = Builds::sound()->document;
    $motions = [];
    foreach ($masses_kg as $i => $mass) {
        $motions[] = ['id' => "jaw-{$i}", 'name' => 'Jaw '.chr(65 + $i), 'mechanism' => ['mass_kg' => $mass] + $sound['motions'][1]['mechanism']] + $sound['motions'][1];
    }

    return Build::read($more + ['motions' => $motions, 'routines' => [], 'scenarios' => [], 'log' => [], 'settings' => ['battery_days' => $days],
        'supplies' => [$sound['supplies'][0], ['capacity_Ah' => $capacity_Ah] + $sound['supplies'][1]]] + $sound);
}

/** What the jaws take of it in a day, Ah. */
function dayOfJaws(Build $build): float
{
    return array_sum(array_map(fn ($motion): float => DriveFigures::of(new MotionInBuild($build, $motion, new MotionFigures($motion)))->charge_Ah_day(), $build->motions));
}

/** @return list<string> where it is told, and what */
function drains(Build $build): array
{
    return array_values(array_map(fn (Finding $finding): string => "{$finding->code} {$finding->place}: {$finding->says->text()}",
        array_filter(BuildJudge::atOnce($build)->findings(), fn (Finding $finding): bool => str_contains($finding->code, '.drains_'))));
}

it('tells of a battery that all on it empty too soon, once, where none would alone', function () {
    $masses = [0.04, 0.05, 0.03, 0.02];
    $day = dayOfJaws(jaws($masses, 99.0));
    expect($day)->toBeGreaterThan(2.0)->and(drains(jaws($masses, 1.001 * $day)))->toBe([])->and(drains(jaws($masses, 0.999 * $day)))
        ->toHaveCount(1)->and(drains(jaws($masses, 0.999 * $day))[0])->toStartWith('drive.drains_together supplies.1.capacity_Ah: Servo rail with ')
        ->toContain(', where 1 day is asked for: Jaw A, Jaw B and 2 more take ')->toContain(' a day together, Jaw B the most with ')
        ->and(drains(jaws($masses, 3 * $day, 3.001)))->toHaveCount(1)->and(drains(jaws($masses, 3 * $day, 2.999)))->toBe([])->and(drains(jaws($masses, null)))->toBe([]);
});

it('has its numbers: all of them, the most, and how long', function () {
    $build = jaws([0.05, 0.05], 1.0);
    $day = dayOfJaws($build);
    $said = Builds::findings(BuildJudge::atOnce($build), 'drive.drains_together')[0]->says;
    expect($said->values['day']->si / 3600)->toBeAbout($day, 1e-9)->and($said->values['most']->si / 3600)->toBeAbout($day / 2, 1e-9)
        ->and($said->values['lasts']->si)->toBeAbout(24 / $day, 1e-9)->and($said->text())->toContain(' hours, where 1 day is asked for: Jaw A and Jaw B take ')->toContain(' together, Jaw A the most with ');
});

it('tells it in days from two days on', function () {
    $day = dayOfJaws(jaws([0.05, 0.05], 1.0));
    expect(drains(jaws([0.05, 0.05], 2.1 * $day, 3.0))[0])->toContain('lasts 2.1 days, where 3 days are asked for')
        ->and(drains(jaws([0.05, 0.05], 1.9 * $day, 3.0))[0])->toContain('lasts 45.6 hours, where 3 days are asked for')
        ->and(drains(jaws([0.05], 1.05 * $day, 3.0)))->toHaveCount(1)->and(drains(jaws([0.05], 1.05 * $day, 3.0))[0])->toStartWith('drive.drains_battery ')
        ->toContain('lasts 2.1 days, where 3 days are asked for');
});

it('says nothing of each alone where it says it of all', function () {
    expect(drains(jaws([0.05, 0.05], 0.1)))->toHaveCount(1)->and(array_column(array_map(fn ($chain): array => [$chain->motion, $chain->links[2]->verdict->value],
        BuildJudge::atOnce(jaws([0.02, 0.05], 0.1))->chains), 1, 0))->toBe(['jaw-0' => 'tight', 'jaw-1' => 'holds']);
});

it('leaves it to the rehearsals once a routine moves any of them', function () {
    $go = fn (string $place): array => ['do' => 'go', 'motion' => 'jaw-0', 'place' => $place, 'give_up_s' => 2];
    $routine = ['id' => 'snap', 'name' => 'Snap', 'starts' => [['when' => 'press', 'sensor' => 'button']], 'steps' => [$go('wide'), $go('closed')]];
    expect(array_filter(drains(jaws([0.05, 0.05], 2.5, 1.0, ['routines' => [$routine]])), fn (string $said): bool => str_starts_with($said, 'drive.drains_together')))->toBe([]);
});

it('is mended by cutting the power of those whose gears hold, or a larger battery', function () {
    $build = jaws([0.05, 0.05, 0.02], 1.0);
    $fixes = Builds::found($build, 'drive.drains_together')[0]->fixes;
    expect(array_map(fn (Fix $fix): string => $fix->does->text(), $fixes)[0])->toBe('Cut the power of Jaw A, Jaw B and Jaw C between moves')
        ->and(array_column($fixes[0]->changes, 'path'))->toBe(['motions.0.drive.gated', 'motions.1.drive.gated', 'motions.2.drive.gated'])
        ->and(Builds::found(jaws([0.05, 0.05, 0.05, 0.02], 1.0), 'drive.drains_together')[0]->fixes[0]->does->text())
        ->toBe('Cut the power of Jaw A, Jaw B and 2 more between moves')
        ->and(Builds::found(jaws([0.05, 0.09], 1.0), 'drive.drains_together')[0]->fixes[0]->does->text())->toBe('Cut the power of Jaw A between moves');
    foreach ($fixes as $fix) {
        expect(drains(Builds::mended($build, $fix)))->toBe([], $fix->does->text());
    }
});
