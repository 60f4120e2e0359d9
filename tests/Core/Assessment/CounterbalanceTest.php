<?php

declare(strict_types=1);

use Brookstone\Core\Assessment\Repair\Counterbalance;
use Brookstone\Core\Finding\Change;
use Brookstone\Core\Mechanism\Crank;
use Tests\Support\Builds;

/**
 * What is offered to balance a motion, by way: its size, the worst before and after, what it says, and what it changes.
 *
 * @param  array<string, mixed>  $planted
 * @return array<string, array{size: string, before: float, after: float, back: string, unpowered: string, changes: array<string, mixed>}>
 */
function balancedBy(array $planted, string $motion = 'lid'): array
{
    $build = Builds::planted($planted);
    $offers = [];
    foreach (Counterbalance::of($build, $build->motions[$motion]) as $offer) {
        $offers[$offer['way']] = ['size' => $offer['size']->text(), 'before' => $offer['worst_before_Nm'], 'after' => $offer['worst_after_Nm'],
            'back' => $offer['back']->text(), 'unpowered' => $offer['unpowered']->text(),
            'changes' => array_column(array_map(fn (Change $change): array => [preg_replace('/^motions\.\d\.mechanism\./', '', $change->path), $change->value],
                $offer['fix']->changes), 1, 0)];
    }

    return $offers;
}

/** @return array<string, mixed> to plant: a crank of 30 mm whose slider of 0.8 kg goes up and down */
function slidingUp(array $more = []): array
{
    return ['motions.0.mechanism' => $more + ['kind' => 'crank', 'crank_m' => 0.03, 'rod_m' => 0.12, 'axis_deg' => 90, 'slider_mass_kg' => 0.8, 'friction_N' => 0.5],
        'motions.0.task.keeps_turning' => true, 'motions.0.stops' => [], 'motions.0.places.1.at' => 360, 'routines' => [], 'log' => []];
}

describe('a counterweight of an arm', function () {
    // 0.3 kg × 9.80665 m/s² × 120 mm = 0.353 N·m. It stands at half of the arm's reach behind the pivot.
    it('halves its weight at horizontal and adds its own inertia', function (array $planted, float $half_Nm, float $kg, float $inertia_kgm2) {
        ['size' => $size, 'changes' => $changes] = balancedBy($planted)['counterweight'];

        expect($changes['counterbalance_Nm'])->toBe($half_Nm)->and($changes['inertia_kgm2'])->toBe($inertia_kgm2)
            ->and($kg * 9.80665 * 0.06)->toBeAbout($half_Nm, 2e-3)->and($size)->toContain(round(1000 * $kg).' g at 60 mm behind the pivot');
    })->with([
        'nothing yet' => [[], 0.177, 0.301, 0.005403], // 0.3 × 0.12² + 0.3008 × 0.06²
        'some already: half of what is left is added' => [['motions.0.mechanism.counterbalance_Nm' => 0.1], 0.227, 0.386, 0.005097], // 0.3 × 0.12² + (0.3858 − 0.16995) × 0.06²
        'with a load at its tip' => [['motions.0.mechanism.payload_kg' => 0.1, 'motions.0.mechanism.payload_m' => 0.2], 0.275, 0.467, 0.01], // 0.00432 + 0.1 × 0.2² + 0.4674 × 0.06²
    ]);

    it('is not offered where nothing is left to balance, nor beside a spring', function () {
        expect(balancedBy(['motions.0.mechanism.counterbalance_Nm' => 0.33]))->toHaveKey('counterweight')
            ->and(balancedBy(['motions.0.mechanism.counterbalance_Nm' => 0.354]))->not->toHaveKey('counterweight')
            ->and(balancedBy(['motions.0.mechanism.spring_Nm_per_deg' => 1e-4]))->toBe([]);
    });
});

describe('a torsion spring of an arm', function () {
    // The line nearest to a concave curve has the slope of its chord and lies half way between chord and tangent (Chebyshev). Of G·cos θ: tangent at sin θ = −slope.
    it('lies along the line that is nearest to the weight, and takes as much of it as halves the worst', function (float $from, float $to) {
        $places = ['motions.0.places.0.at' => $from, 'motions.0.places.1.at' => $to, 'motions.0.stops' => ['switches' => []], 'routines' => [], 'log' => []];
        ['before' => $before, 'after' => $after, 'changes' => $changes] = balancedBy($places)['spring'];
        [$a, $b] = [deg2rad($from), deg2rad($to)];
        $weight = 0.3 * 9.80665 * 0.12;
        $slope = (cos($b) - cos($a)) / ($b - $a);
        $touches = asin(-$slope);
        $level = (cos($a) - $slope * $a + cos($touches) - $slope * $touches) / 2;
        $left = fn (float $share): float => max(array_map(fn (int $i): float => abs(cos($a + ($b - $a) * $i / 200) - $share * ($level + $slope * ($a + ($b - $a) * $i / 200))), range(0, 200)));
        for ($share = 0.0; $left($share) > 0.5 * max(array_map(cos(...), range($a, $b, 1e-3))); $share += 1e-3) {
        }

        expect($changes['spring_rest_deg'])->toBeAbout(rad2deg(-$level / $slope), 2e-3)
            ->and($changes['spring_Nm_per_deg'])->toBeAbout(deg2rad(-$share * $slope * $weight), 6e-3)
            ->and($after / $before)->toBeGreaterThan(0.49)->toBeLessThan(0.51)->and($before)->toBeAbout($weight * max(cos($a), $a <= 0.0 ? 1.0 : 0.0), 1e-3);
    })->with([[0.0, 70.0], [10.0, 80.0], [-10.0, 60.0], [20.0, 75.0], [0.0, 45.0]]);

    it('is offered only where none is there, and where a line can halve it', function () {
        expect(balancedBy(['motions.0.mechanism.spring_Nm_per_deg' => 0.002]))->toBe([])
            ->and(array_keys(balancedBy(['motions.0.places.0.at' => -89, 'motions.0.places.1.at' => 89, 'motions.0.stops' => ['switches' => []], 'routines' => [], 'log' => []])))->toBe(['counterweight']);
    });
});

it('balances a hoist by half of what hangs on it, and never by as much as its empty hook', function () {
    expect(balancedBy([], 'lift')['counterweight']['changes'])->toBe(['counterweight_kg' => 0.3])
        ->and(balancedBy(['motions.2.mechanism.counterweight_kg' => 0.2], 'lift')['counterweight']['changes'])->toBe(['counterweight_kg' => 0.4])
        ->and(balancedBy(['motions.2.mechanism.payload_kg' => 0.58], 'lift')['counterweight']['changes'])->toBe(['counterweight_kg' => 0.59])
        ->and(balancedBy(['motions.2.mechanism.payload_kg' => 0.6], 'lift'))->toBe([]); // unloaded it would rise by itself
});

describe('a spring on a slider', function () {
    it('carries its share of the weight in the middle of the stroke: the least that halves the worst', function (float $axis_deg) {
        ['before' => $before, 'after' => $after, 'changes' => $changes] = balancedBy(slidingUp(['axis_deg' => $axis_deg]))['spring'];
        $crank = new Crank(0.03, 0.12, 0.8, 0.0, $axis_deg, 0.5);
        $weight = 0.8 * 9.80665 * sin(deg2rad($axis_deg));
        $worst = fn (float $share): float => (function (Crank $sprung): float {
            return max(array_map(fn (int $i): float => abs($sprung->staticTorqueNm(deg2rad(7.5 * $i))), range(0, 48)));
        })($crank->withSpring(abs($weight) * $share / 0.06 / 2, 0.12 + $weight * $share / (abs($weight) * $share / 0.06 / 2)));
        $share = $changes['spring_N_per_m'] * 2 * 0.06 / abs($weight); // its rate takes half of the stroke for that

        expect($after / $before)->toBeLessThanOrEqual(0.5)->and($before)->toBeAbout($worst(1e-9), 1e-3)
            ->and($worst($share))->toBeAbout($after, 5e-3)->and($worst($share - 0.012))->toBeGreaterThan(0.5 * $before)
            ->and($changes['spring_rest_m'])->toEqualWithDelta(0.12 + $weight * $share / $changes['spring_N_per_m'], 3e-4);
    })->with([90.0, 30.0, -30.0]);

    it('is offered only against a weight, and where none is there', function () {
        expect(balancedBy(slidingUp(['axis_deg' => 0])))->toBe([])->and(balancedBy(slidingUp(['spring_N_per_m' => 1.0])))->toBe([]);
    });
});

it('says whether it still comes back by itself', function (float $rub, string $says) {
    expect(balancedBy(['motions.0.mechanism.friction_Nm' => $rub])['counterweight']['back'])->toBe($says);
})->with([
    // At 70° 0.176 × cos 70° are left.
    [0.0602, 'It still comes back by itself: 0.06021 N·m pull it against 0.0602 N·m of rub.'],
    [0.0603, 'It no longer comes back by itself everywhere: 0.0602 N·m against 0.0603 N·m of rub.'],
]);

it('says the same of a hoist', function () {
    expect(balancedBy([], 'lift')['counterweight']['back'])->toBe('It still comes back by itself: 0.0294 N·m pull it against 0 N·m of rub.')
        ->and(balancedBy(['motions.2.mechanism.friction_N' => 4.0], 'lift')['counterweight']['back'])->toBe('It no longer comes back by itself everywhere: 0.0294 N·m against 0.04 N·m of rub.');
});

it('says where the motor must push it back', function () {
    expect(balancedBy([], 'jaw')['counterweight']['back'])->toBe('On a part of the way back the motor must push it with 0.0152 N·m.'); // it is raised on the way back
});

it('says whether it stays without power', function (array $planted, string $says) {
    expect(balancedBy($planted)['counterweight']['unpowered'])->toBe($says);
})->with([
    'held by its gears' => [['motions.0.mechanism.mass_kg' => 7.4], 'Without power it stays: 4.36 N·m pull, its gears hold 4.4 N·m.'],
    'not held' => [['motions.0.mechanism.mass_kg' => 7.6], 'Without power it moves: 4.47 N·m pull, its gears hold 4.4 N·m.'],
    'without a drive' => [['motions.0.drive' => null], 'Without power 0.176 N·m pull at its drive.'],
    'behind a worm' => [['motions.0.train' => [['type' => 'worm', 'driver' => 1, 'driven' => 30]]], 'Without power its train holds it as before.'],
]);
