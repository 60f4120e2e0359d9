<?php

declare(strict_types=1);

use Brookstone\Core\Air\Cylinder;
use Brookstone\Core\Air\Tank;
use Brookstone\Core\Calculator\Calculators;
use Brookstone\Core\Finding\Finding;
use Brookstone\Core\Quantity\Quantity;
use Brookstone\Core\Rolling\BalancingBase;

const CYLINDER = ['bore_m' => 0.02, 'rod_m' => 0.008, 'stroke_m' => 0.1, 'pressure_bar' => 5, 'load_N' => 80, 'flow_l_min' => 60];

const TANK = ['tank_l' => 10, 'high_bar' => 8, 'low_bar' => 6, 'needs_bar' => 4, 'air_per_cycle_l' => 2, 'cycle_s' => 10, 'compressor_l_min' => 20];

const UPRIGHT = ['height_m' => 0.3, 'mass_kg' => 2, 'wheel_radius_m' => 0.04, 'stall_Nm' => 0.5, 'no_load_rpm' => 200, 'delay_s' => 0.01, 'loop_hz' => 100];

/** @return array{array<string, mixed>, list<string>} results, and what is said with its severity */
function airOf(string $name, array $inputs): array
{
    $done = Calculators::run(Calculators::all()[$name], $inputs);

    return [$done['results'], array_map(fn (Finding $finding): string => "{$finding->severity->value} {$finding->code}: {$finding->says->text()}", $done['findings'])];
}

describe('a cylinder', function () {
    it('pushes with its whole bore and pulls with less the rod, and takes air by its pressure', function () {
        // π/4 · 20² mm² = 314.16 mm², at 5 bar 157.08 N; a tenth and 10 N are lost. 31.416 ml · 6.013/1.013 = 0.18648 l.
        [$push] = airOf('air.cylinder', CYLINDER);
        expect($push['force_N'])->toBeAbout(157.0796 * 0.9 - 10, 1e-4)->and($push['margin'])->toBeAbout($push['force_N'] / 80, 1e-9)
            ->and($push['air_l'])->toBeAbout(0.0314159 * 6.013 / 1.013, 1e-6)->and($push['stroke_s'])->toBeAbout($push['air_l'], 1e-9); // at 1 l/s
        [$pull] = airOf('air.cylinder', ['pushing' => false] + CYLINDER);
        expect($pull['force_N'])->toBeAbout(M_PI / 4 * (0.02 ** 2 - 0.008 ** 2) * 5e5 * 0.9 - 10, 1e-9)
            ->and($pull['air_l'])->toBeAbout($push['air_l'] * (1 - 0.16), 1e-9);
    });

    it('never gives less with more pressure or a wider bore, and never pushes backwards', function () {
        $last = -1.0;
        foreach (range(1, 60) as $tenths) {
            $cylinder = new Cylinder(0.02, 0.0, 0.1, true);
            expect($cylinder->force_N($tenths / 10, 0.1, 10.0))->toBeGreaterThanOrEqual($last)->toBeGreaterThanOrEqual(0.0)
                ->toBeLessThanOrEqual((new Cylinder(0.021, 0.0, 0.1, true))->force_N($tenths / 10, 0.1, 10.0));
            $last = $cylinder->force_N($tenths / 10, 0.1, 10.0);
        }
        expect((new Cylinder(0.02, 0.0, 0.1, true))->force_N(0.3, 0.1, 10.0))->toBe(0.0);
    });

    it('is told to be weak under its load, and tight under one and a half of it', function (float $load, array $says) {
        expect(airOf('air.cylinder', ['load_N' => $load, 'friction_N' => 0, 'friction_fraction' => 0, 'bore_m' => sqrt(4 * 200e-6 / M_PI)] + CYLINDER)[1])->toBe($says); // 100 N
    })->with([
        [66.66, []], [66.68, ['tight air.cylinder_weak: It gives 100 N for 66.7 N: after a rest its seals stick, and the tank may be low. 1.5 × is usual.']],
        [100.0, ['tight air.cylinder_weak: It gives 100 N for 100 N: after a rest its seals stick, and the tank may be low. 1.5 × is usual.']],
        [100.1, ['fails air.cylinder_weak: It gives 100 N and 100.1 N stand against it: it does not move. A wider bore or more pressure gives more.']],
    ]);

    it('has no margin without a load, but does not move without force', function () {
        [$results, $says] = airOf('air.cylinder', ['load_N' => 0, 'pressure_bar' => 0.1] + CYLINDER);
        expect($results['margin'])->toBeNull()->and($results['force_N'])->toBe(0.0)->and($says[0])->toStartWith('fails air.cylinder_weak');
        expect(refusedFields('air.cylinder', ['rod_m' => 0.02] + CYLINDER))->toBe(['rod_m']);
    });
});

describe('a tank', function () {
    it('lasts for what lies between two pressures, and is filled by what is over', function () {
        // 10 l · 2 bar / 1.013 = 19.743 l of free air, 2 l a cycle; 12 l/min are used of 20.
        [$results, $says] = airOf('air.tank', TANK);
        expect($results['cycles_to_low'])->toBeAbout(20 / 1.013 / 2, 1e-9)->and($results['cycles_to_needs'])->toBeAbout(40 / 1.013 / 2, 1e-9)
            ->and($results['used_l_min'])->toBeAbout(12.0, 1e-9)->and($results['share_on'])->toBeAbout(0.6, 1e-9)->and($results['keeps_up'])->toBeTrue()
            ->and($results['refill_s'])->toBeAbout(20 / 1.013 / 8 * 60, 1e-9)->and($says)->toBe([]);
    });

    it('does not keep up from where more is used than is given', function (float $compressor, bool $keeps, ?float $refill_s, array $says) {
        [$results, $told] = airOf('air.tank', ['compressor_l_min' => $compressor] + TANK);
        expect($results['keeps_up'])->toBe($keeps)->and($told)->toBe($says);
        $refill_s === null ? expect($results['refill_s'])->toBeNull() : expect($results['refill_s'])->toBeAbout($refill_s, 1e-6);
    })->with([
        [12.1, true, 20 / 1.013 / 0.1 * 60, []], [12.0, true, null, []],
        [11.9, false, null, ['fails air.compressor_small: 12 l/min are used and the compressor gives 11.9 l/min: it falls under 4 bar after 2370 cycles.']],
        [0.0, false, null, ['fails air.compressor_small: 12 l/min are used and the compressor gives 0 l/min: it falls under 4 bar after 19 cycles.']],
    ]);

    it('has no share without a compressor, is small for less than a cycle, and is filled too late under what is needed', function () {
        expect(airOf('air.tank', ['compressor_l_min' => 0] + TANK)[0]['share_on'])->toBeNull();
        $says = fn (array $inputs): array => airOf('air.tank', $inputs + TANK)[1];
        $just = 10 * 4 / 1.013;
        expect($says(['air_per_cycle_l' => $just * 0.999, 'cycle_s' => 1e4]))->toBe([])
            ->and($says(['air_per_cycle_l' => $just * 1.001, 'cycle_s' => 1e4]))->toBe(['fails air.tank_small: From 8 bar it falls under the 4 bar that are needed before one cycle is over.'])
            ->and($says(['low_bar' => 4]))->toBe([])->and($says(['low_bar' => 3.9]))->toBe(['tight air.starts_late: The compressor starts at 3.9 bar, when the load lacks its 4 bar already.'])
            ->and(refusedFields('air.tank', ['low_bar' => 8, 'needs_bar' => 9] + TANK))->toBe(['low_bar', 'needs_bar']);
    });

    it('gives as much in all however its air is taken', function (float $air) {
        $tank = new Tank(10.0, 8.0, 6.0, 4.0, $air, 10.0, 100.0);
        expect($tank->cycles_to_low * $air)->toBeAbout(20 / 1.013, 1e-9)->and($tank->cycles_to_needs)->toBeAbout(2 * $tank->cycles_to_low, 1e-9);
    })->with([0.1, 1.0, 7.0]);
});

describe('what balances', function () {
    it('falls as a pendulum of its height would swing, and comes back from what its wheels can push', function () {
        // A point on a stick of 0.3 m: τ = √(h/g) = 0.1749 s. 0.5 N·m at 40 mm push 12.5 N, the ground gives 0.6 · 19.61 N = 11.77 N: atan 0.6 = 30.96°.
        [$results, $says] = airOf('rolling.balance', UPRIGHT);
        expect($results['fall_s'])->toBeAbout(sqrt(0.3 / 9.80665), 1e-9)->and($results['doubles_s'])->toBeAbout(0.174904 * log(2), 1e-5)->and($results['catch_deg'])->toBeAbout(30.9638, 1e-4)
            ->and($results['top_speed_m_s'])->toBeAbout(200 * 2 * M_PI / 60 * 0.04, 1e-9)->and($results['wanted_loop_hz'])->toBeAbout(20 / (2 * M_PI * 0.174904), 1e-3)
            ->and($results['fast_enough'])->toBeTrue()->and($says)->toHaveCount(1)->and($says[0])->toStartWith('note rolling.ground_hard');
        expect(airOf('rolling.balance', ['stall_Nm' => 0.4] + UPRIGHT)[0]['catch_deg'])->toBeAbout(rad2deg(atan(10 / (2 * 9.80665))), 1e-9);
    });

    it('falls the slower the more it is spread out and the higher it is', function () {
        $fall = fn (float $height, float $inertia): float => (new BalancingBase($height, 2.0, $inertia, 0.04, 0.5, 200.0, 0.6, 0.01, 100.0))->fall_s;
        // A rod of 0.6 m about its end: I = m l²/3, so τ = √(2 l / 3 g).
        expect($fall(0.3, 2.0 * 0.6 ** 2 / 12))->toBeAbout(sqrt(2 * 0.6 / (3 * 9.80665)), 1e-9)->and($fall(0.3, 0.01))->toBeGreaterThan($fall(0.3, 0.0))
            ->and($fall(0.6, 0.0))->toBeAbout($fall(0.3, 0.0) * M_SQRT2, 1e-9);
    });

    it('is told when a bump fells it, and when it looks too seldom or answers too late', function (array $inputs, array $codes) {
        $says = airOf('rolling.balance', $inputs + UPRIGHT)[1];
        expect(array_map(fn (string $said): string => strstr($said, ':', true), $says))->toBe([...$codes, 'note rolling.ground_hard']);
    })->with([
        [['stall_Nm' => 0.04 * 2 * 9.80665 * tan(deg2rad(5.01))], []], [['stall_Nm' => 0.04 * 2 * 9.80665 * tan(deg2rad(4.99))], ['tight rolling.bump_fells']],
        [['loop_hz' => 18.2], []], [['loop_hz' => 18.1], ['fails rolling.too_slow']], [['delay_s' => 0.0349], []], [['delay_s' => 0.0351], ['fails rolling.too_slow']],
    ]);

    it('says how fast it would have to be', function () {
        expect(airOf('rolling.balance', ['loop_hz' => 10, 'stall_Nm' => 0.01] + UPRIGHT)[1])->toBe([
            'tight rolling.bump_fells: It comes back from a lean of 0.73° at most, less than 5°: a bump fells it.',
            'fails rolling.too_slow: It looks with 10 Hz and answers after 0.01 s; as fast as it falls it must look with 18.2 Hz and answer within 0.035 s.',
            'note rolling.ground_hard: A ball or floor that gives way is not in these figures: on a carpet it sways more.']);
    });
});

it('tells air in its units', function () {
    expect(Quantity::of(6.0, 'bar')->text())->toBe('6 bar')->and(Quantity::of(6.0, 'bar')->text('inch'))->toBe('87 psi')
        ->and(Quantity::of(0.5, 'l')->text())->toBe('0.5 l')->and(Quantity::of(30.0, 'l/min')->text())->toBe('30 l/min');
});
