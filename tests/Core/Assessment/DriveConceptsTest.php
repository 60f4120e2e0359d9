<?php

declare(strict_types=1);

use Brookstone\Core\Assessment\Repair\Counterbalance;
use Brookstone\Core\Assessment\Selection\DriveConcepts;
use Brookstone\Core\Build\Editor;
use Brookstone\Core\Drive\Stock;
use Brookstone\Core\Finding\Change;
use Brookstone\Core\Finding\Fix;
use Brookstone\Core\Mechanism\Arm;
use Tests\Support\Builds;

/** @return array<string, array<string, mixed>> by school */
function schools(string $demo, string $motion): array
{
    $build = Builds::demo($demo);

    return array_column(DriveConcepts::of($build, $build->motions[$motion], Stock::shipped()), null, 'school');
}

it('recommends a worm for a bridge that must stay up without power, and says why', function () {
    $schools = schools('heron-wharf', 'drawbridge');

    expect(array_key_first($schools))->toBe('worm')->and($schools['worm']['recommended'])->toBeTrue()
        ->and($schools['worm']['reason'])->toContain('stays put with the power off')
        ->and($schools['worm']['holds_unpowered'])->toBeTrue()
        ->and(count(array_filter($schools, fn (array $school): bool => $school['recommended'])))->toBe(1);
});

it('compares the six ways in everything that builders argue about', function () {
    $schools = schools('heron-wharf', 'heron-neck');

    expect($schools)->toHaveCount(6)
        ->and($schools['servo']['error'])->toBeLessThan($schools['timed']['error'])
        ->and($schools['gated_servo']['charge_Ah_day'])->toBeLessThan($schools['servo']['charge_Ah_day'] / 10)
        ->and($schools['timed']['after_power_cut'])->toContain('home it first')
        ->and($schools['servo']['after_power_cut'])->toContain('knows its place')
        ->and($schools['stepper']['charge_Ah_day'])->toBeGreaterThan($schools['worm']['charge_Ah_day'])
        ->and($schools['servo']['pins'])->toBeLessThan($schools['encoder']['pins'])
        ->and($schools['timed']['within'])->toBeFalse(); // a timed strike cannot stop within 4°
});

it('takes a way with one change that holds', function () {
    $build = Builds::demo('heron-wharf');
    foreach (DriveConcepts::of($build, $build->motions['heron-neck'], Stock::shipped()) as $school) {
        if ($school['verdict'] !== 'holds') {
            continue;
        }
        $fix = $school['take'];
        assert($fix instanceof Fix);
        $taken = Editor::apply($build, array_map(fn (Change $change): array => ['path' => $change->path, 'value' => $change->value], $fix->changes));
        expect(Builds::assessed($taken)->chain('heron-neck')->links[2]->verdict->value)->not->toBe('fails', $school['school']);
    }
});

it('says so when the drawer has nothing of the kind', function () {
    $build = Builds::demo('heron-wharf');
    $schools = array_column(DriveConcepts::of($build, $build->motions['tide'], Stock::of([Brookstone\Core\Drive\Drawer::get('G25-227')])), null, 'school');

    expect($schools['servo']['code'])->toBeNull()->and($schools['servo']['why']->text())->toBe('There is no such drive in the drawer.')
        ->and($schools['timed']['code'])->toBe('G25-227');
});

it('says so when nothing feeds it, though the drawer has it', function () {
    $build = Builds::planted(['motions.0.drive' => null, 'motions.1.drive' => null, 'motions.2.drive' => null, 'supplies' => [], 'routines' => [],
        'scenarios' => []]);
    foreach (DriveConcepts::of($build, $build->motions['lid'], Stock::shipped()) as $school) {
        expect($school['verdict'])->toBe('not_said')->and($school['reason'])->toBe('It cannot be compared.')
            ->and($school['why']->text())->toBe('Nothing in this build can feed it: add a supply.');
    }
});

it('says of each way that holds what it has in hand, and of each that does not why not', function () {
    $says = fn (string $motion): array => array_map(fn (array $school): string => "{$school['verdict']}: {$school['reason']} {$school['why']->text()}",
        schools('heron-wharf', $motion));

    expect($says('drawbridge'))->toBe([
        'worm' => 'holds: Recommended here: it stays put with the power off, stops where it should, and knows most after a power cut. Carries it with 2.98 × in hand, and stops within 0.495°.',
        'encoder' => 'holds: It would work; the first knows more, or takes less. Carries it with 10.9 × in hand, and stops within 1.05°.',
        'stepper' => 'holds: It would work; the first knows more, or takes less. Carries it with 23.6 × in hand, and stops within 0.415°.',
        'timed' => 'tight: It carries the load, but stops further off its place than is allowed. Carries it with 10.9 × in hand, and stops within 13°.',
        'gated_servo' => 'fails: It will not do here. It must stay put with the power off: that takes 1.58 N·m, but its unpowered gears hold 0.631 N·m.',
        'servo' => 'fails: It will not do here. It must stay put with the power off: that takes 1.58 N·m, but its unpowered gears hold 0.631 N·m.',
    ]);
});

it('cuts the power of a servo between moves where the motion has no drive yet, too', function () {
    $build = Builds::planted(['motions.1.drive' => null, 'routines' => [], 'scenarios' => []]);
    $schools = array_column(DriveConcepts::of($build, $build->motions['jaw'], Stock::shipped()), null, 'school');

    expect($schools['gated_servo']['charge_Ah_day'])->toBeLessThan($schools['servo']['charge_Ah_day'] / 10);
});

it('halves the worst torque with a counterweight and with a spring', function (string $demo, string $motion, string $way) {
    $build = $demo === 'pushed'
        ? Builds::planted(['motions.1.mechanism' => ['kind' => 'pushed', 'arm_m' => 0.012, 'horn_m' => 0.016, 'pivot_distance_m' => 0.07, 'mass_kg' => 0.3,
            'cg_m' => 0.05, 'half_travel_deg' => 50, 'balance_deg' => 20]])
        : Builds::demo($demo);
    $offers = array_column(Counterbalance::of($build, $build->motions[$motion]), null, 'way');
    $offer = $offers[$way];
    $fix = $offer['fix'];
    assert($fix instanceof Fix);
    $eased = Builds::mended($build, $fix);
    $worst = function ($build) use ($motion): float {
        $moved = $build->motions[$motion];
        $move = $moved->move();

        return max(array_map(fn (int $i): float => abs($moved->mechanism->staticTorqueNm($move->from + $move->distance() * $i / 200)), range(0, 200)));
    };

    expect($worst($eased))->toBeAbout($worst($build) / 2, 0.03)
        ->and($offer['worst_after_Nm'])->toBeAbout($worst($eased), 0.01)
        ->and($offer['back']->text())->not->toBeEmpty()->and($offer['unpowered']->text())->toContain('ithout power');
})->with([
    ['heron-wharf', 'drawbridge', 'counterweight'], ['heron-wharf', 'drawbridge', 'spring'], ['heron-wharf', 'heron-neck', 'spring'],
    ['heron-wharf', 'tide', 'counterweight'], ['quarry-tram', 'ramp-winch', 'counterweight'], ['pushed', 'jaw', 'spring'],
]);

it('tells when a balanced arm no longer comes back by itself', function () {
    $build = Builds::planted(['motions.0.mechanism.friction_Nm' => 0.2]);
    $offer = array_column(Counterbalance::of($build, $build->motions['lid']), null, 'way')['counterweight'];

    expect($offer['back']->text())->toContain('no longer comes back by itself');
});

it('offers nothing where nothing is left to halve', function () {
    $build = Builds::sound();
    $balanced = $build->motions['lid']->withThing(new Arm(0.3, 0.12, counterbalance_Nm: 0.3 * 0.12 * 9.80665));

    expect(Counterbalance::of($build, $balanced))->toBe([]);
});

it('offers nothing where its rub holds what is left', function (float $left_Nm, int $ways) {
    $build = Builds::planted(['motions.0.mechanism.counterbalance_Nm' => 0.3 * 0.12 * 9.80665 - $left_Nm]); // it rubs with 0.02 N·m

    expect(Counterbalance::of($build, $build->motions['lid']))->toHaveCount($ways);
})->with([[0.0199, 0], [0.0201, 2]]);

it('lets no servo turn on and on', function () {
    $schools = schools('heron-wharf', 'rower');

    expect($schools['servo']['verdict'])->toBe('fails')->and($schools['gated_servo']['verdict'])->toBe('fails')
        ->and($schools['timed']['verdict'])->not->toBe('fails')->and(array_key_first($schools))->not->toContain('servo');
});

it('recommends what its reason says: nothing that holds knows more after a power cut, nor takes less of what knows as much', function (string $motion) {
    $knows = ['servo' => 3, 'gated_servo' => 3, 'worm' => 2, 'encoder' => 1, 'stepper' => 1, 'timed' => 0];
    $schools = schools('heron-wharf', $motion);
    $first = array_key_first($schools);
    foreach (array_filter($schools, fn (array $school): bool => $school['verdict'] === 'holds') as $name => $school) {
        expect($knows[$name])->toBeLessThanOrEqual($knows[$first]);
        if ($knows[$name] === $knows[$first]) {
            expect($school['charge_Ah_day'] + 0.02 * $school['parts'] + 0.01 * $school['noise'])
                ->toBeGreaterThanOrEqual($schools[$first]['charge_Ah_day'] + 0.02 * $schools[$first]['parts'] + 0.01 * $schools[$first]['noise']);
        }
    }
})->with(['drawbridge', 'heron-neck', 'tide', 'rower']);
