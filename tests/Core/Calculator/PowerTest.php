<?php

declare(strict_types=1);

use Brookstone\Core\Calculator\Calculators;
use Brookstone\Core\Error\ImpossibleValue;
use Brookstone\Core\Finding\Finding;
use Brookstone\Core\Sensing\PulseFilter;
use Brookstone\Core\Wiring\BatteryLife;
use Brookstone\Core\Wiring\BufferCapacitor;
use Brookstone\Core\Wiring\ChargeBalance;
use Brookstone\Core\Wiring\Divider;
use Brookstone\Core\Wiring\Fuse;
use Brookstone\Core\Wiring\LampResistor;
use Brookstone\Core\Wiring\PortCount;
use Brookstone\Core\Wiring\PreferredNumber;
use Brookstone\Core\Wiring\PulsedCoil;
use Brookstone\Core\Wiring\Regulator;
use Brookstone\Core\Wiring\Wire;

/** @return list<string> what is said of it, with its severity */
function powerSays(string $name, array $inputs): array
{
    return array_map(fn (Finding $finding): string => "{$finding->severity->value} {$finding->code}: {$finding->says->text()}",
        Calculators::run(Calculators::all()[$name], $inputs)['findings']);
}

/** @param  array<string, int>  $wanted */
function ports(array $wanted, int $digital, int $pwm = 0, int $analogue = 0, bool $speed = true): PortCount
{
    $none = ['two_way' => 0, 'one_way' => 0, 'servos' => 0, 'steppers' => 0, 'coils' => 0, 'relays' => 0, 'lamps' => 0, 'switches' => 0, 'buttons' => 0, 'pulses' => 0, 'analogue' => 0];

    return new PortCount(...[...$none, ...$wanted], speed_control: $speed, channels_per_bridge: 2, relays_per_board: 4, pins: ['digital' => $digital, 'pwm' => $pwm, 'analogue' => $analogue]);
}

describe('a wire', function () {
    it('has the resistance of both ways, more when it is warm', function () {
        // 10 m there and back of 1 mm²: 17.24 mΩ a metre.
        expect((new Wire(10.0, 1.0, 2.0, 12.0))->resistance_ohm)->toBeAbout(0.3448, 1e-6)->and((new Wire(10.0, 1.0, 2.0, 12.0))->drop_V)->toBeAbout(0.6896, 1e-6)
            ->and((new Wire(10.0, 1.0, 2.0, 12.0))->loss_W)->toBeAbout(1.3792, 1e-6)->and((new Wire(10.0, 1.0, 2.0, 12.0, 70.0))->resistance_ohm)->toBeAbout(0.3448 * 1.1965, 1e-6);
    });

    it('never loses less the thinner, the longer or the warmer it is', function () {
        for ($i = 1; $i < 40; $i++) {
            expect((new Wire($i * 0.5, 1.0, 2.0, 12.0))->drop_V)->toBeLessThan((new Wire($i * 0.5 + 0.1, 1.0, 2.0, 12.0))->drop_V)
                ->and((new Wire(5.0, $i * 0.1, 2.0, 12.0))->drop_V)->toBeGreaterThan((new Wire(5.0, $i * 0.1 + 0.01, 2.0, 12.0))->drop_V)
                ->and((new Wire(5.0, 1.0, 2.0, 12.0, $i * 1.0))->loss_W)->toBeLessThan((new Wire(5.0, 1.0, 2.0, 12.0, $i + 1.0))->loss_W);
        }
    });

    it('is told to be thicker from one and from three in a hundred on', function (float $amps, array $says) {
        expect(powerSays('power.wire', ['length_m' => 10, 'area_mm2' => 1, 'current_A' => $amps, 'supply_V' => 12]))->toBe($says);
    })->with([
        [0.34, []], [0.36, ['note power.wire_drops: It loses 0.124 V on the way, 1.03% of its supply: more than 1% disturbs sensors. Twice the cross-section halves it.']],
        [1.04, ['note power.wire_drops: It loses 0.359 V on the way, 2.99% of its supply: more than 1% disturbs sensors. Twice the cross-section halves it.']],
        [1.05, ['tight power.wire_drops: It loses 0.362 V on the way, 3.02% of its supply: more than 3% makes motors weak and slow. Twice the cross-section halves it.']],
    ]);
});

describe('a regulator', function () {
    it('burns what is left over, or a share', function () {
        $linear = Regulator::linear(12.0, 5.0, 0.5, 50.0);
        $switching = Regulator::switching(12.0, 5.0, 0.5, 0.8, 50.0, 30.0);
        expect([$linear->heat_W, $linear->input_A, $linear->junction_C])->toBe([3.5, 0.5, 200.0])->and($switching->heat_W)->toBeAbout(0.625, 1e-9)
            ->and($switching->input_A)->toBeAbout(2.5 / 0.8 / 12, 1e-9)->and($switching->junction_C)->toBeAbout(61.25, 1e-9)
            ->and(12.0 * $switching->input_A)->toBeAbout(2.5 + $switching->heat_W, 1e-9);
    });

    it('is too hot over 125 °C', function (float $theta, int $says) {
        expect(powerSays('power.regulator', ['kind' => 'linear', 'in_V' => 12, 'out_V' => 5, 'current_A' => 0.25, 'theta_C_per_W' => $theta]))->toHaveCount($says);
    })->with([[57.1, 0], [57.2, 1]]); // 1.75 W

    it('gives less than it gets, or more, by its kind', function (string $kind, float $out, array $fields) {
        expect(refusedFields('power.regulator', ['kind' => $kind, 'in_V' => 6, 'out_V' => $out, 'current_A' => 0.1, 'theta_C_per_W' => 50]))->toBe($fields);
    })->with([['linear', 6.0, ['out_V']], ['linear', 5.9, []], ['buck', 6.0, ['out_V']], ['buck', 5.0, []], ['boost', 6.0, ['out_V']], ['boost', 6.1, []], ['switching', 9.0, []],
        ['magic', 5.0, ['kind']]]);
});

describe('a capacitor', function () {
    it('gives the step for as long as it must', function () {
        $of = new BufferCapacitor(2.0, 0.01, 0.5, 0.05);
        expect($of->esr_drop_V)->toBe(0.1)->and($of->capacitance_F)->toBeAbout(0.05, 1e-9)->and($of->capacitance_F * (0.5 - 0.1))->toBeAbout(2.0 * 0.01, 1e-9);
    });

    it('is refused where its own resistance drops all of it', function (float $esr, array $fields) {
        expect(refusedFields('power.capacitor', ['step_A' => 2, 'bridge_s' => 0.01, 'allowed_drop_V' => 0.5, 'esr_ohm' => $esr]))->toBe($fields);
    })->with([[0.2499, []], [0.25, ['esr_ohm']], [-1.0, ['esr_ohm']]]);
});

describe('a fuse', function () {
    it('is the smallest that is not run over three quarters', function (float $run, ?float $rating) {
        expect((new Fuse($run))->rating_A)->toBe($rating);
    })->with([[0.0, 0.5], [0.375, 0.5], [0.376, 0.63], [1.5, 2.0], [1.501, 2.5], [24.0, 32.0], [24.1, null]]);

    it('is slow for a start that is long and strong', function (float $start, float $seconds, bool $slow) {
        expect((new Fuse(1.5, $start, $seconds))->slow)->toBe($slow);
    })->with([[3.1, 0.06, true], [3.0, 0.06, false], [3.1, 0.05, false], [9.0, 0.0, false]]);

    it('protects what bears as much as it lets through', function (?float $limit, bool $protects, array $says) {
        expect((new Fuse(1.5, wire_limit_A: $limit))->protects_wire)->toBe($protects)
            ->and(powerSays('power.fuse', ['run_A' => 1.5] + ($limit === null ? [] : ['wire_limit_A' => $limit])))->toBe($says);
    })->with([[2.0, true, []], [1.9, false, ['fails power.fuse_over_wire: The fuse of 2 A lets more through than the 1.9 A the wire bears: a thicker wire, or less on it.']], [null, false, []]]);

    it('is none past the row', function () {
        expect(powerSays('power.fuse', ['run_A' => 25]))->toBe(['fails power.fuse_none: No fuse of the row bears 25 A all the time: split it into several, each with its own fuse.']);
    });
});

describe('a resistor', function () {
    it('is of its row, beside what is wanted', function (string $row, float $wanted, float $under, float $nearest, float $over) {
        expect(PreferredNumber::atMost($wanted, $row))->toBe($under)->and(PreferredNumber::nearest($wanted, $row))->toBe($nearest)->and(PreferredNumber::atLeast($wanted, $row))->toBe($over);
    })->with([
        ['E12', 100.0, 100.0, 100.0, 100.0], ['E12', 101.0, 100.0, 100.0, 120.0], ['E12', 109.0, 100.0, 100.0, 120.0], ['E12', 110.0, 100.0, 120.0, 120.0], ['E24', 109.0, 100.0, 110.0, 110.0],
        ['E12', 83.0, 82.0, 82.0, 100.0], ['E24', 9.5, 9.1, 9.1, 10.0], ['E12', 1.0, 1.0, 1.0, 1.0], ['E24', 1e7, 1e7, 1e7, 1e7], ['E24', 0.047, 0.047, 0.047, 0.047], ['E24', 4.69, 4.3, 4.7, 4.7],
    ]);

    it('is the nearest by ratio of all, whatever is wanted', function () {
        mt_srand(7);
        for ($i = 0; $i < 500; $i++) {
            $wanted = exp(mt_rand(0, 16_000) / 1000);
            $row = $i % 2 === 0 ? 'E12' : 'E24';
            $off = fn (float $value): float => abs(log($value / $wanted));
            $nearest = PreferredNumber::nearest($wanted, $row);
            expect($off($nearest))->toBeLessThanOrEqual($off(PreferredNumber::atMost($wanted, $row)) + 1e-9)->toBeLessThanOrEqual($off(PreferredNumber::atLeast($wanted, $row)) + 1e-9)
                ->and(PreferredNumber::atMost($wanted, $row))->toBeLessThanOrEqual($wanted * (1 + 1e-9))->and(PreferredNumber::atLeast($wanted, $row))->toBeGreaterThanOrEqual($wanted * (1 - 1e-9))
                ->and(PreferredNumber::atLeast($nearest, $row))->toBe($nearest); // what is of the row stays
        }
    });

    it('has its bands', function (float $value, int $tolerance, array $bands) {
        expect(PreferredNumber::bands($value, $tolerance))->toBe($bands);
    })->with([
        [4700.0, 5, ['yellow', 'violet', 'red', 'gold']], [10.0, 1, ['brown', 'black', 'black', 'brown']], [4.7, 2, ['yellow', 'violet', 'gold', 'red']], [0.47, 10, ['yellow', 'violet', 'silver', 'silver']],
        [1e7, 5, ['brown', 'black', 'blue', 'gold']], [91.0, 5, ['white', 'brown', 'black', 'gold']], [680_000.0, 5, ['blue', 'grey', 'yellow', 'gold']], [1000.0, 5, ['brown', 'black', 'red', 'gold']],
    ]);

    it('before lamps takes what is left over, rounded up', function () {
        $of = new LampResistor(12.0, 2.0, 0.02, 3);
        expect($of->wanted_ohm)->toBeAbout(300.0, 1e-9)->and($of->value_ohm)->toBe(330.0)->and($of->current_A)->toBeAbout(6 / 330, 1e-9)->and($of->resistor_W)->toBeAbout(36 / 330, 1e-9)
            ->and(refusedFields('power.led', ['supply_V' => 6, 'forward_V' => 2, 'current_A' => 0.02, 'in_series' => 3]))->toBe(['supply_V'])
            ->and(powerSays('power.led', ['supply_V' => 12, 'forward_V' => 2, 'current_A' => 0.027]))->toBe(['tight power.resistor_hot: The resistor burns 0.256 W, more than the 0.25 W of a usual one: take one for more, or more lamps in a row.'])
            ->and(powerSays('power.led', ['supply_V' => 12, 'forward_V' => 2, 'current_A' => 0.02]))->toBe([]);
    });

    it('divides a signal so that the pin stands it', function () {
        foreach ([[5.0, 3.3, 0.001], [12.0, 5.0, 0.0005], [9.0, 1.1, 0.002], [24.0, 3.3, 0.0001]] as [$signal, $most, $current]) {
            $of = new Divider($signal, $most, $current);
            expect($of->pin_V)->toBeLessThanOrEqual($most * (1 + 1e-9))->toBeGreaterThan(0.8 * $most)->and($of->source_ohm)->toBeAbout(1 / (1 / $of->upper_ohm + 1 / $of->lower_ohm), 1e-9)
                ->and($signal / ($of->upper_ohm + $of->lower_ohm))->toBeGreaterThan(0.6 * $current)->toBeLessThan(1.3 * $current);
        }
        expect(refusedFields('power.divider', ['signal_V' => 3.3, 'pin_max_V' => 3.3]))->toBe(['pin_max_V'])->and(fn () => new Divider(3.0, 3.3))->toThrow(ImpossibleValue::class);
    });
});

describe('a coil', function () {
    it('warms by what a pulse puts into its copper', function () {
        $coil = new PulsedCoil(4.0, 12.0, 0.1, 0.02, 6.0, 80.0, 20.0);
        expect($coil->current_A)->toBe(3.0)->and($coil->energy_J)->toBeAbout(3.6, 1e-9)->and($coil->rise_C)->toBeAbout(3.6 / 7.7, 1e-9)->and($coil->mean_W)->toBeAbout(0.36, 1e-9)
            ->and($coil->mean_rise_C)->toBeAbout(7.2, 1e-9)->and($coil->stuck_on_s)->toBeAbout(80 * 7.7 / 36, 1e-9);
    });

    it('is told that it is hit too often, or for too long', function (array $more, array $codes) {
        $says = powerSays('power.coil', ['resistance_ohm' => 4, 'supply_V' => 12, 'pulse_s' => 0.1, 'copper_kg' => 0.02, 'theta_C_per_W' => 20, ...$more]);
        expect(array_map(fn (string $line): string => explode(':', $line)[0], $says))->toBe($codes);
    })->with([[['per_minute' => 66.6], []], [['per_minute' => 66.7], ['fails power.coil_hot']], [['pulse_s' => 17.1], ['fails power.coil_hot']], [['pulse_s' => 17.2, 'per_minute' => 0.01], ['fails power.coil_pulse']],
        [['pulse_s' => 17.1, 'per_minute' => 0.01], []]]);
});

describe('a battery', function () {
    it('lasts what it holds over what is drawn', function () {
        $of = new BatteryLife(10.0, [['amps_A' => 2.0, 'seconds_s' => 180.0, 'per_day' => 10.0]], 0.001, 0.8, 0.03);
        expect($of->daily_Ah)->toBeAbout(1.0 + 0.024 + 0.01, 1e-9)->and($of->life_days)->toBeAbout(8 / 1.034, 1e-9)->and((new BatteryLife(10.0))->life_days)->toBeNull();
    });

    it('is kept full by a charger that gives more than is used', function () {
        $of = new ChargeBalance(0.1, 10.0, 1.0);
        expect($of->gives_Ah_day)->toBeAbout(1.68, 1e-9)->and($of->balance_Ah_day)->toBeAbout(0.68, 1e-9)->and($of->through_cut_days)->toBeAbout(8.0, 1e-9)->and($of->refill_days)->toBeAbout(8 / 0.68, 1e-9)
            ->and($of->rate_fraction_per_hour)->toBeAbout(0.01, 1e-9)->and((new ChargeBalance(0.05, 10.0, 1.0))->refill_days)->toBeNull()->and((new ChargeBalance(0.05, 10.0, 0.0))->through_cut_days)->toBeNull();
    });

    it('is told of both sides of what it needs and bears', function (float $amps, array $codes) {
        $says = powerSays('power.charge', ['charger_A' => $amps, 'capacity_Ah' => 1, 'daily_Ah' => 1]);
        expect(array_map(fn (string $line): string => explode(':', $line)[0], $says))->toBe($codes);
    })->with([[0.059, ['fails power.charge_short']], [0.06, []], [0.5, []], [0.51, ['tight power.charge_fast']]]);
});

describe('pins', function () {
    it('are counted by what hangs on them', function () {
        $count = ports(['two_way' => 3, 'one_way' => 2, 'servos' => 4, 'steppers' => 1, 'coils' => 2, 'relays' => 3, 'lamps' => 5, 'switches' => 6, 'buttons' => 1, 'pulses' => 1, 'analogue' => 2], 40, 20, 4);
        expect($count->digital)->toBe(6 + 2 + 2 + 3 + 5 + 6 + 1 + 1)->and($count->pwm)->toBe(9)->and($count->analogue)->toBe(2)->and($count->bridge_boards)->toBe(2)->and($count->relay_boards)->toBe(2)
            ->and([$count->digital_short, $count->pwm_short, $count->analogue_short, $count->pwm_expanders, $count->io_expanders])->toBe([0, 0, 0, 0, 0]);
        $off = ports(['two_way' => 3, 'one_way' => 2, 'servos' => 4], 40, 20, 0, false);
        expect([$off->digital, $off->pwm])->toBe([8, 4]);
    });

    it('that are left over of another kind serve as digital ones', function (int $digital, int $pwm, int $analogue, int $short) {
        expect(ports(['switches' => 20, 'servos' => 2, 'analogue' => 1], $digital, $pwm, $analogue)->digital_short)->toBe($short);
    })->with([[20, 2, 1, 0], [10, 8, 5, 0], [10, 8, 4, 1], [10, 2, 1, 10], [0, 2, 1, 20]]);

    it('are made up for by expanders, with two for their bus', function (int $switches, int $digital, int $boards) {
        expect(ports(['switches' => $switches], $digital)->io_expanders)->toBe($boards);
    })->with([[10, 10, 0], [11, 10, 1], [24, 10, 1], [25, 10, 2], [40, 10, 2], [41, 10, 3]]); // 14 more than there are, and the bus

    it('of pulse width are all free once an expander does it', function () {
        $count = ports(['servos' => 17, 'switches' => 10], 4, 6);
        expect($count->pwm_short)->toBe(11)->and($count->pwm_expanders)->toBe(2)->and($count->digital_short)->toBe(6)->and($count->io_expanders)->toBe(1);
        expect(ports(['servos' => 17, 'switches' => 8], 4, 6)->io_expanders)->toBe(0)->and(ports(['servos' => 17, 'switches' => 9], 4, 6)->io_expanders)->toBe(1);
    });
});

describe('a filter', function () {
    it('keeps glitches out and lets pulses through', function () {
        $of = new PulseFilter(10e3, 100e-9, 100.0, 100e-6);
        expect($of->tau_s)->toBeAbout(1e-3, 1e-9)->and($of->cutoff_hz)->toBeAbout(159.155, 1e-5)->and($of->glitch_fraction)->toBeAbout(1 - exp(-0.1), 1e-9)
            ->and($of->swing_fraction)->toBeAbout(tanh(2.5), 1e-9)->and($of->rejects)->toBeTrue()->and($of->passes)->toBeTrue();
    });

    it('is told that it is too weak or too strong', function (array $more, array $codes) {
        $says = powerSays('sense.filter', ['resistor_ohm' => 10e3, 'capacitor_nF' => 100, 'pulse_hz' => 100, 'glitch_us' => 100, ...$more]);
        expect(array_map(fn (string $line): string => explode(':', $line)[0], $says))->toBe($codes);
    })->with([[[], []], [['glitch_us' => 510], []], [['glitch_us' => 512], ['fails sense.filter_weak']], [['pulse_hz' => 1230], []], [['pulse_hz' => 1240], ['fails sense.filter_strong']]]);
});
