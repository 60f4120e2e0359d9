<?php

declare(strict_types=1);

use Brookstone\Core\Assessment\Selection\DriveConcepts;
use Brookstone\Core\Assessment\Selection\DriveRanking;
use Brookstone\Core\Assessment\Selection\Goal;
use Brookstone\Core\Drive\Drawer;
use Brookstone\Core\Drive\Drives;
use Brookstone\Core\Drive\Stock;
use Tests\Support\Builds;

/** @return array<string, mixed> of a drawer with five drives, for the lid of the sound build */
function rankingOfFive(Goal $goal = Goal::AsAsked): array
{
    $build = Builds::sound();

    return DriveRanking::of($build, $build->motions['lid'], Stock::of(array_map(fn (string $code) => Drawer::get($code), ['W40-400', 'G25-227', 'S20 metal', 'P57-56', 'G16-30'])), $goal);
}

/** @param  array<string, mixed>  $planted  @return array<string, array<string, mixed>> */
function conceptsFor(array $planted = []): array
{
    $build = Builds::planted($planted);

    return array_column(DriveConcepts::of($build, $build->motions['lid'], Stock::shipped()), null, 'school');
}

it('says for each goal why a drive stands where it stands', function (Goal $goal, string $first, string $worm) {
    $rows = array_column(rankingOfFive($goal)['rows'], null, 'code');

    expect(array_key_first($rows))->toBe($first)->and($rows['W40-400']['why']->text())->toBe($worm)
        ->and($rows['G16-30']['why']->text())->toBe('Main gives 12 V, too much for a drive made for 3 V to 7.5 V: it runs hot and wears.');
})->with([
    [Goal::AsAsked, 'P57-56', 'Takes 2.25 s, has 6.41 × in hand and breaks its gears when it is bumped; 2.5 s are asked for.'],
    [Goal::Fastest, 'P57-56', 'Takes 0.454 s, has 2.96 × in hand and breaks its gears when it is bumped.'],
    [Goal::Safest, 'P57-56', 'Has 6.41 × in hand, and its gears survive 0.446 × a dead stop.'],
    [Goal::Smallest, 'G25-227', 'Is 78 mm × 46 mm × 32 mm and has 6.91 × in hand.'],
    [Goal::Lightest, 'G25-227', 'Weighs 170 g and has 6.91 × in hand.'],
    [Goal::LeastCurrent, 'G25-227', 'Takes 0.00169 A on average over the day, moving and holding.'],
    [Goal::Coolest, 'G25-227', 'Its winding settles at 25 °C over the day.'],
    [Goal::Quietest, 'W40-400', 'Noise 4 of 10 by kind, speed and stages.'],
    [Goal::HoldsUnpowered, 'W40-400', 'Unpowered it holds 13.3 N·m against 0.353 N·m.'],
]);

it('says of the calmest stepper that it survives a bump', function () {
    expect(rankingOfFive()['rows'][0]['why']->text())->toBe('Takes 2.5 s, has 23.9 × in hand and survives a bump; 2.5 s are asked for.');
});

it('counts what was tried, what carries and what fails by what', function () {
    $ranking = rankingOfFive();

    expect($ranking['tried'])->toBe(300)->and($ranking['drives'])->toBe(5)->and($ranking['carries'])->toBe(75)->and($ranking['rows'])->toHaveCount(5)
        ->and($ranking['fails'])->toBe([
            ['code' => 'drive.supply_high', 'count' => 120, 'says' => 'made for another voltage'], ['code' => 'drive.lets_go', 'count' => 43, 'says' => 'lets go without power'],
            ['code' => 'drive.over_target', 'count' => 41, 'says' => 'too slow'], ['code' => 'drive.continuous', 'count' => 17, 'says' => 'too weak for long'],
            ['code' => 'drive.peak_margin', 'count' => 4, 'says' => 'too weak at the worst instant'],
        ])
        ->and(array_sum(array_column($ranking['rows'], 'ratios')))->toBe(75)->and(array_column($ranking['rows'], 'place'))->toBe([1, 16, 30, 181, 183]);
});

it('says of a row what its drive is and does', function () {
    $row = array_column(rankingOfFive()['rows'], null, 'code')['W40-400'];
    $motor = Drawer::get('W40-400');

    expect($row['motor'])->toBe(Drives::write($motor))->and($row['supply'])->toBe('main')->and($row['motors'])->toBe(1)->and($row['mass_kg'])->toBe(0.17)->and($row['kind'])->toBe('dc_motor')
        ->and($row['holds_unpowered'])->toBeTrue()->and($row['verdict'])->toBe('holds')->and($row['stages'])->not->toBe([])->and($row['noise'])->toBeAbout(4.0 + count($row['stages']) / 2, 1e-9);
});

describe('the ways that builders argue about', function () {
    it('stop off their place by what each cannot know', function () {
        $ways = conceptsFor();
        $off = fn (string $way): float => $ways[$way]['error'];
        // 1/12 of a turn of the motor and what it goes on in 5 ms; one full step of 200; a twentieth of 70° at each of ten moves; half of a dead band and play
        expect($off('encoder'))->toBeAbout(30.0 / $ways['encoder']['ratio'] + 0.005 * 70.0 / $ways['encoder']['time_s'], 1e-9)
            ->and($off('stepper'))->toBeAbout(1.8 / $ways['stepper']['ratio'], 1e-9)->and($off('timed'))->toBeAbout(0.05 * 70.0 * sqrt(10), 1e-9)
            ->and($off('servo'))->toBeAbout((Drawer::get('S25 digital')->deadband_deg / 2 + Drawer::get('S25 digital')->slop_deg) / $ways['servo']['ratio'], 1e-9)
            ->and($off('worm'))->toBeGreaterThan(0.05)->toBeLessThan(0.5); // only the difference between a full and a low supply
    });

    it('need parts and pins, and know or forget where they are', function () {
        $ways = conceptsFor();
        expect(array_map(fn (array $way): array => [$way['parts'], $way['pins']], $ways))->toEqual(['worm' => [3, 4], 'encoder' => [3, 5], 'stepper' => [2, 4], 'timed' => [2, 3],
            'gated_servo' => [2, 2], 'servo' => [1, 1]])
            ->and(array_map(fn (array $way): string => $way['after_power_cut'], $ways))->toEqual([
                'worm' => 'has not moved, and its switches say where it is at the ends', 'encoder' => 'has lost its count: home it first', 'stepper' => 'has lost its steps: home it first',
                'timed' => 'does not know where it is: home it first', 'gated_servo' => 'knows its place at once, but has sagged', 'servo' => 'knows its place at once, and jumps there',
            ]);
    });

    it('are put in order by whether they hold what must be held, then by what they take', function () {
        expect(array_keys(conceptsFor()))->toBe(['worm', 'encoder', 'stepper', 'timed', 'gated_servo', 'servo'])
            ->and(array_keys(conceptsFor(['motions.0.task.holds_unpowered' => false, 'motions.0.task.tolerance' => 2.0])))->toBe(['servo', 'worm', 'encoder', 'stepper', 'gated_servo', 'timed']);
    });

    it('say why the first is recommended and the others are not', function () {
        $holds = array_map(fn (array $way): string => $way['reason'], conceptsFor());
        $knows = array_map(fn (array $way): string => $way['reason'], conceptsFor(['motions.0.task.holds_unpowered' => false, 'motions.0.task.tolerance' => 2.0]));
        expect($holds['worm'])->toBe('Recommended here: it stays put with the power off, stops where it should, and knows most after a power cut.')
            ->and($holds['servo'])->toBe('It would let go with the power off.')->and($holds['encoder'])->toBe('It would work; the first knows more, or takes less.')
            ->and($knows['servo'])->toBe('Recommended here: it carries the load, stops where it should, knows most after a power cut, and of what knows as much takes least.')
            ->and($knows['timed'])->toBe('It carries the load, but stops further off its place than is allowed.');
    });

    it('are compared before any drive is chosen too', function () {
        $ways = conceptsFor(['motions.0.drive' => null]);
        expect($ways)->toHaveCount(6)->and($ways['gated_servo']['charge_Ah_day'])->toBeLessThan($ways['servo']['charge_Ah_day'] / 10)->and($ways['worm']['code'])->toBe('W40-60')
            ->and($ways['servo']['why']->text())->toContain('its gears hold 0.449 N·m against 0.353 N·m');
    });

    it('are within what is allowed, or are not', function (float $tolerance, array $within) {
        $ways = conceptsFor(['motions.0.task.tolerance' => $tolerance]);
        expect(array_keys(array_filter(array_column($ways, 'within', 'school'))))->toEqualCanonicalizing($within);
        foreach ($ways as $way) {
            expect($way['within'])->toBe($way['error'] <= $tolerance);
        }
    })->with([[2.0, ['worm', 'encoder', 'stepper', 'servo', 'gated_servo']], [12.0, ['worm', 'encoder', 'stepper', 'servo', 'gated_servo', 'timed']], [0.1, []]]);
});
