<?php

declare(strict_types=1);

use Brookstone\Core\Calculator\Calculators;
use Brookstone\Core\Linkage\FourBar;
use Brookstone\Core\Train\BeltDrive;

/**
 * @param  array<string, mixed>  $inputs
 * @return array{results: array<string, mixed>, codes: list<string>}
 */
function calculated(string $name, array $inputs): array
{
    $answer = Calculators::run(Calculators::all()[$name], $inputs);

    return ['results' => $answer['results'], 'codes' => array_map(fn ($finding): string => $finding->code, $answer['findings'])];
}

it('lays a belt over two equal wheels', function () {
    // Two wheels of 20 on a 2 mm pitch: half of each in mesh, 40 mm around both, and twice the centres.
    ['results' => $belt, 'codes' => $codes] = calculated('train.belt', ['pitch_mm' => 2, 'driver' => 20, 'driven' => 20, 'centre_mm' => 50,
        'torque_Nm' => 0.1]);

    expect($belt['length_mm'])->toBeAbout(140.0)->and($belt['belt_teeth'])->toBeAbout(70.0)->and($belt['teeth_in_mesh'])->toBeAbout(10.0)
        ->and($belt['wrap_deg'])->toBeAbout(180.0)
        ->and($belt['span_mm'])->toBeAbout(50.0)->and($belt['pull_N'])->toBeAbout(0.1 / (20 * 0.002 / 2 / M_PI))->and($codes)->toBe([]);
});

it('finds the centres for a belt of so many teeth, and the belt for the centres', function (int $driver, int $driven, int $teeth) {
    $centre = (float) BeltDrive::centreFor(2.0, $driver, $driven, $teeth);

    expect((new BeltDrive(2.0, $driver, $driven, $centre))->length_mm)->toBeAbout(2.0 * $teeth, 1e-9)
        ->and(calculated('train.belt', ['pitch_mm' => 2, 'driver' => $driver, 'driven' => $driven,
            'belt_teeth' => $teeth])['results']['centre_mm'])->toBeAbout($centre);
})->with([[16, 16, 60], [12, 60, 80], [20, 40, 200]]);

it('says when a belt jumps', fn () => expect(calculated('train.belt', ['pitch_mm' => 2, 'driver' => 10, 'driven' => 60, 'centre_mm' => 40])['codes'])->toBe(['train.belt_jumps']));

it('weighs a cord with its knot and its jerk', function () {
    // 100 N new, half left by the knot, pulled with 4 N · 1.5: 8.3 times.
    ['results' => $cord, 'codes' => $codes] = calculated('winding.cord', ['breaking_N' => 100, 'load_N' => 4]);
    $weak = calculated('winding.cord', ['breaking_N' => 100, 'load_N' => 10, 'knot_share' => 0.4]);
    $breaks = calculated('winding.cord', ['breaking_N' => 10, 'load_N' => 10]);

    expect($cord['safety'])->toBeAbout(50 / 6)->and($codes)->toBe([])->and($cord['fleet_deg'])->toBeNull()->and($weak['codes'])->toBe(['winding.cord_weak'])
        ->and($breaks['results']['safety'])->toBeLessThan(1.0);
});

it('measures how slantwise a cord runs on, and where it would not', function () {
    $near = calculated('winding.cord', ['breaking_N' => 1000, 'load_N' => 1, 'drum_width_m' => 0.04, 'lead_m' => 0.2]);
    $lead = $near['results']['lead_for_2_deg_m'];
    $far = calculated('winding.cord', ['breaking_N' => 1000, 'load_N' => 1, 'drum_width_m' => 0.04, 'lead_m' => $lead * 1.001]);

    expect($near['results']['fleet_deg'])->toBeAbout(rad2deg(atan(0.1)))->and($near['codes'])->toBe(['winding.fleet'])
        ->and($far['results']['fleet_deg'])->toBeLessThan(2.0)->and($far['codes'])->toBe([]);
});

it('says which of two things goes first', function (array $inputs, string $first, array $codes) {
    $answer = calculated('winding.two_in_turn', array_combine(['one_most_N', 'one_least_N', 'other_most_N', 'other_least_N'], $inputs));

    expect($answer['results']['first'])->toBe($first)->and($answer['codes'])->toBe($codes);
})->with([
    'clearly the one' => [[2, 1, 6, 4], 'one', []], 'clearly the other' => [[9, 6, 3, 1], 'other', []],
    'just' => [[2, 1, 3, 2.5], 'one', ['winding.order_unsure']], 'nobody knows' => [[3, 1, 3, 1], 'neither', ['winding.order_unsure']],
]);

it('lists every pair of holes, the nearest to the wanted travel first', function () {
    $answer = calculated('linkage.holes', ['arm_holes_m' => [0.007, 0.009, 0.011], 'horn_holes_m' => [0.012, 0.016, 0.02], 'pivot_distance_m' => 0.08,
        'servo_half_travel_deg' => 45, 'wanted_travel_deg' => 60, 'servo_Nm' => 0.2]);
    $pairs = $answer['results']['pairs'];
    $offs = array_column($pairs, 'off_deg');
    $sorted = $offs;
    sort($sorted);

    expect($pairs)->toHaveCount(9)->and($offs)->toBe($sorted);
    foreach ($pairs as $pair) {
        $alone = calculated('linkage.pushrod', ['arm_m' => $pair['arm_m'], 'horn_m' => $pair['horn_m'], 'pivot_distance_m' => 0.08,
            'servo_half_travel_deg' => 45])['results'];
        expect($pair['travel_deg'])->toBeAbout($alone['travel_deg'])->and($pair['least_Nm'])->toBeAbout(0.2 * $alone['min_torque_ratio']);
    }
    // Further out on the horn: more force, less travel.
    $byHorn = array_values(array_filter($pairs, fn (array $pair): bool => $pair['arm_m'] === 0.011));
    usort($byHorn, fn (array $a, array $b): int => $a['horn_m'] <=> $b['horn_m']);
    expect($byHorn[0]['travel_deg'])->toBeGreaterThan($byHorn[2]['travel_deg'])->and($byHorn[0]['least_Nm'])->toBeLessThan($byHorn[2]['least_Nm']);
});

it('says when no pair of holes will do', function () {
    $holes = ['arm_holes_m' => [0.02], 'horn_holes_m' => [0.008], 'pivot_distance_m' => 0.06, 'servo_half_travel_deg' => 60, 'wanted_travel_deg' => 90];

    expect(calculated('linkage.holes', $holes)['codes'])->toBe(['linkage.no_pair'])
        ->and(calculated('linkage.holes', ['arm_holes_m' => [0.01], 'horn_holes_m' => [0.02], 'servo_half_travel_deg' => 30, 'wanted_travel_deg' => 90]
            + $holes)['codes'])->toBe(['linkage.no_pair']);
});

it('swings a lid by exactly what is asked, out as fast as back', function (float $swing) {
    ['results' => $found] = calculated('linkage.swing', ['swing_deg' => $swing, 'rocker_m' => 0.03, 'ground_m' => 0.09]);
    $bars = (new FourBar($found['crank_m'], $found['coupler_m'], 0.03, 0.09))->swing();

    expect($bars['swing_deg'])->toBeAbout($swing, 1e-6)->and($bars['time_ratio'])->toBeAbout(1.0, 1e-6);
})->with([20.0, 60.0, 90.0]);

it('refuses what does not go together', function (string $name, array $inputs, array $fields) {
    expect(refusedFields($name, $inputs))->toEqualCanonicalizing($fields);
})->with([
    'belt and centres both' => ['train.belt', ['pitch_mm' => 2, 'driver' => 20, 'driven' => 20, 'centre_mm' => 50, 'belt_teeth' => 60], ['belt_teeth']],
    'neither' => ['train.belt', ['pitch_mm' => 2, 'driver' => 20, 'driven' => 20], ['belt_teeth']],
    'a belt too short' => ['train.belt', ['pitch_mm' => 2, 'driver' => 20, 'driven' => 20, 'belt_teeth' => 15], ['belt_teeth']],
    'wheels that touch' => ['train.belt', ['pitch_mm' => 2, 'driver' => 20, 'driven' => 20, 'centre_mm' => 5], ['centre_mm']],
    'half of a fleet angle' => ['winding.cord', ['breaking_N' => 9, 'load_N' => 1, 'lead_m' => 1], ['drum_width_m']],
    'easier than its hardest' => ['winding.two_in_turn', ['one_most_N' => 1, 'one_least_N' => 2, 'other_most_N' => 3, 'other_least_N' => 1], ['one_least_N']],
    'a rod that cannot reach round' => ['linkage.swing', ['swing_deg' => 90, 'rocker_m' => 0.1, 'ground_m' => 0.05], ['ground_m']],
    'a gear of three teeth' => ['train.mesh', ['module_mm' => 1, 'pinion' => 3, 'gear' => 20], ['pinion']],
    'gears inside one another' => ['train.mesh', ['module_mm' => 1, 'pinion' => 20, 'gear' => 20, 'centre_mm' => 15], ['centre_mm']],
    'seven teeth' => ['train.tooth', ['teeth' => 7, 'module_mm' => 1, 'face_mm' => 5, 'torque_Nm' => 1, 'allowable_MPa' => 30], ['teeth']],
    '500 stages' => ['train.search', ['target_ratio' => 3, 'stock' => [['teeth' => 20, 'count' => 1]], 'max_stages' => 500], ['max_stages']],
    'one size twice' => ['train.search', ['target_ratio' => 3, 'stock' => [['teeth' => 20, 'count' => 1], ['teeth' => 20, 'count' => 2]]], ['stock.1.teeth']],
    'no stock' => ['train.search', ['target_ratio' => 3, 'stock' => []], ['stock']],
    'bars that do not close' => ['linkage.four_bar', ['crank_m' => 1, 'coupler_m' => 1, 'rocker_m' => 1, 'ground_m' => 3], ['ground_m']],
    'no travel' => ['linkage.pushrod', ['arm_m' => 0.01, 'horn_m' => 0.01, 'pivot_distance_m' => 0.05, 'servo_half_travel_deg' => 0],
        ['servo_half_travel_deg']],
]);

it('tells a rod that cannot follow, and gives what can still be said', function () {
    $answer = calculated('linkage.pushrod', ['arm_m' => 0.02, 'horn_m' => 0.008, 'pivot_distance_m' => 0.05, 'servo_half_travel_deg' => 60]);

    expect($answer['codes'])->toBe(['linkage.binds'])->and($answer['results']['binds'])->toBeTrue()->and($answer['results']['travel_deg'])->toBeNull()
        ->and($answer['results']['rod_m'])->toBeAbout(hypot(0.05, 0.012));
});
