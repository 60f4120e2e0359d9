<?php

declare(strict_types=1);

use Brookstone\Core\Build\Build;
use Brookstone\Core\Finding\Severity;
use Brookstone\Core\Finding\Verdict;
use Brookstone\Core\Wiring\BoardStock;
use Tests\Support\Builds;
use Tests\Support\Programs;
use Tests\Support\Said;

/**
 * What is planted in the wired sound build.
 *
 * @param  array<string, mixed>  $values
 * @param  array<string, mixed>  $first  before it is wired
 * @return array<string, mixed>
 */
function wiredWith(array $values, array $first = []): array
{
    return array_replace(Builds::wired($first), $values);
}

/** @return array<string, mixed> */
function boardOf(string $name, array $changes = []): array
{
    return $changes + BoardStock::shipped()->boards[$name]->write();
}

/** The path of the wire of a signal. */
function wireOf(array $planted, string $signal, string $field): string
{
    foreach ($planted as $path => $value) {
        if (is_array($value) && ($value['signal'] ?? null) === $signal) {
            return "{$path}.{$field}";
        }
    }
    throw new LogicException("No wire of {$signal}.");
}

/** @return array<string, mixed> an expander on the bus, at the end of the boards */
function onBus(array $planted, array $more = []): array
{
    $boards = count(array_filter(array_keys($planted), fn (string $path): bool => preg_match('/^wiring\.boards\.\d+$/', $path) === 1));

    return $planted + ["wiring.boards.{$boards}" => $more + ['id' => "more-{$boards}", 'name' => "More {$boards}", 'board' => boardOf('E16'), 'supply' => 'main',
        'address' => 0x20]];
}

/** @return array<string, mixed> */
function rail(array $more = []): array
{
    return ['supplies.2' => $more + ['id' => 'rail', 'name' => 'Rail', 'volts_V' => 5, 'max_A' => 2, 'from' => 'main', 'converter' => 'linear']];
}

/** @return array<string, mixed> */
function sensorOf(string $kind, int $i = 2): array
{
    return ["sensors.{$i}" => ['id' => "extra-{$i}", 'name' => "Extra {$i}", 'kind' => $kind] + ($kind === 'knob' ? ['upper' => 50] : [])];
}

/** @return array<string, array{0: array<string, mixed>, 1: Severity, 2: bool}> what is planted, how bad that is, and whether something mends it */
function plantedInWiring(): array
{
    $plain = Builds::wired();
    $fails = Severity::Fails;
    $lamps = [];
    foreach (range(1, 5) as $i) {
        $lamps["outputs.{$i}"] = ['id' => "glow-{$i}", 'name' => "Glow {$i}", 'kind' => 'lamp', 'speed' => true];
    }
    $buttons = [...sensorOf('press', 2), ...sensorOf('press', 3), ...sensorOf('press', 4)];
    $points = ['outputs.1' => ['id' => 'points', 'name' => 'Points', 'kind' => 'points', 'supply' => 'main', 'longest_s' => 0.5]];
    $hit = fn (?float $for_s): array => ['routines.1.steps.9' => ['do' => 'signal', 'output' => 'points', 'state' => 'on', 'for_s' => $for_s]];
    $gate = ['outputs.1' => ['id' => 'gate', 'name' => 'Gate', 'kind' => 'relay', 'gates' => 'servos']];
    $pack = fn (array $more): array => array_combine(array_map(fn (string $key): string => "supplies.0.{$key}", array_keys($more)), $more) + ['supplies.0.capacity_Ah' => 3.0];
    $slow = wiredWith([], ['motions.2.drive.motor' => Builds::motor('P42-48'), 'motions.2.task.move_s' => 8.0]);
    $counts = wiredWith([], ['motions.0.stops.encoder_pulses' => 12.0]);
    $coarse = wiredWith([wireOf($plain, 'motions.lid', 'area_mm2') => 0.14]);

    return [
        'wiring.not_wired' => [wiredWith(sensorOf('press')), $fails, true],
        'wiring.no_controller' => [['wiring.boards.0' => $plain['wiring.boards.1']], $fails, true],
        'wiring.pins_short' => [['wiring.boards.0' => ['board' => boardOf('K6')] + $plain['wiring.boards.0']], $fails, true],
        'wiring.pulse_pins_short' => [wiredWith($lamps), $fails, true],
        'wiring.analogue_pins_short' => [wiredWith([...sensorOf('knob', 2), ...sensorOf('light', 3), ...sensorOf('knob', 4)]), $fails, true],
        'wiring.interrupt_pins_short' => [wiredWith(['motions.0.stops.encoder_pulses' => 12.0, 'motions.2.stops.encoder_pulses' => 12.0]), $fails, false],
        'wiring.wake_pins_short' => [wiredWith(['wiring.sleeps' => true, ...$buttons, 'routines.1.starts' => array_map(fn (string $of): array => ['when' => 'press',
            'sensor' => $of], ['extra-2', 'extra-3', 'extra-4'])]), $fails, false],
        'wiring.pin_twice' => [wiredWith([wireOf($plain, 'switches.lid-open', 'pin') => 'p4']), $fails, true],
        'wiring.no_such_pin' => [wiredWith([wireOf($plain, 'switches.lid-open', 'pin') => 'p99']), $fails, true],
        'wiring.wrong_pin' => [wiredWith([wireOf($plain, 'boards.bridge-1.A.speed', 'pin') => 'p17']), $fails, true],
        'wiring.no_interrupt' => [array_replace($counts, [wireOf($counts, 'encoders.lid.a', 'pin') => 'p17']), $fails, true],
        'wiring.no_wake' => [wiredWith(['wiring.sleeps' => true]), $fails, true],
        'wiring.too_slow' => [array_replace(onBus($slow), [wireOf($slow, 'boards.stepper-1.A.step', 'board') => 'more-'.(count(array_filter(array_keys($slow),
            fn (string $path): bool => preg_match('/^wiring\.boards\.\d+$/', $path) === 1))), wireOf($slow, 'boards.stepper-1.A.step', 'pin') => 'e1']), $fails, true],
        'wiring.leads_nowhere' => [wiredWith([wireOf($plain, 'switches.lid-open', 'signal') => 'switches.gone']), Severity::Tight, true],
        'wiring.pin_overloaded' => [wiredWith(['wiring.boards.0.board.pin_A' => 0.008]), $fails, true],
        'wiring.pins_overloaded' => [wiredWith(['wiring.boards.0.board.pins_A' => 0.01]), $fails, true],
        'wiring.address_out' => [onBus($plain, ['address' => 0x50]), $fails, true],
        'wiring.address_twice' => [onBus(onBus($plain)), $fails, true],
        'wiring.bus_full' => [onBus(onBus($plain, ['board' => boardOf('E16', ['address_high' => 0x20])]), ['board' => boardOf('E16', ['address_high' => 0x20])]), $fails, false],
        'wiring.logic_mixed' => [onBus($plain, ['board' => boardOf('E16', ['high_V' => 3.6])]), $fails, true],
        'wiring.driver_volts' => [wiredWith(['wiring.boards.1.board.high_V' => 11.0]), $fails, true],
        'wiring.driver_stall' => [wiredWith(['wiring.boards.1.board.peak_A' => 1.8]), $fails, true],
        'wiring.driver_runs' => [wiredWith(['wiring.boards.1.board.continuous_A' => 0.05]), $fails, true],
        'wiring.no_diode' => [wiredWith(['wiring.boards.1.board.diode' => 'no']), $fails, true],
        'wiring.no_speed' => [wiredWith(['wiring.boards.1.board.speed' => 'no', 'motions.0.drive.ramp_s' => 0.2]), $fails, true],
        'wiring.one_way' => [wiredWith(['wiring.boards.1.board' => boardOf('R2')]), $fails, false],
        'wiring.relay_often' => [wiredWith(['wiring.boards.1.board' => boardOf('R2'), 'motions.0.task.per_day' => 2000.0]), Severity::Tight, false],
        'wiring.fed_back' => [wiredWith(['motions.2.task.knocked' => true]), Severity::Note, false],
        'wiring.volts_lost' => [wiredWith(['wiring.boards.1.board.lost_V' => 2.0]), Severity::Note, false],
        'wiring.lost_fails' => [wiredWith(['wiring.boards.1.board.lost_V' => 9.6]), $fails, true],
        'wiring.wire_hot' => [wiredWith([wireOf($plain, 'motions.lid', 'area_mm2') => 0.05]), $fails, true],
        'wiring.plug_over' => [wiredWith([wireOf($plain, 'motions.lid', 'plug') => 'J2 small', wireOf($plain, 'motions.lid', 'plug_A') => 0.5]), $fails, false],
        'wiring.wire_thin' => [array_replace($coarse, [wireOf($plain, 'motions.lid', 'length_m') => 5.0]), Severity::Tight, true],
        'wiring.no_fuse' => [wiredWith(['supplies.0.fuse_A' => null]), Severity::Tight, true],
        'wiring.fuse_over_wire' => [$coarse, $fails, true],
        'wiring.fuse_blows' => [wiredWith(['supplies.0.fuse_A' => 0.05]), Severity::Tight, true],
        'wiring.signal_high' => [wiredWith(['sensors.1.signal_V' => 12.0]), $fails, true],
        'wiring.floats' => [wiredWith(['wiring.boards.0.board.pins' => 'p1–p20: in out pulse analogue']), $fails, false],
        'wiring.no_filter' => [wiredWith([], sensorOf('knock')), Severity::Note, true],
        'wiring.broken_wire' => [$plain, Severity::Note, true],
        'wiring.coil_stays_on' => [wiredWith($hit(null), $points), $fails, true],
        'wiring.coil_too_long' => [wiredWith($hit(0.8), $points), $fails, true],
        'wiring.noise' => [wiredWith([], sensorOf('knob')), Severity::Note, true],
        'wiring.stop_cuts_little' => [wiredWith(['sensors.0.cuts' => 'servos']), $fails, false],
        'wiring.dropout' => [wiredWith(rail(['from' => 'servos', 'dropout_V' => 2.0])), $fails, true],
        'wiring.converter_wrong' => [wiredWith(rail(['converter' => 'up'])), $fails, true],
        'wiring.converter_hot' => [wiredWith(rail(['theta_C_per_W' => 60.0]) + ['motions.1.drive.supply' => 'rail']), $fails, true],
        'wiring.rail_overloaded' => [wiredWith(rail(['max_A' => 0.3]) + ['outputs.1' => ['id' => 'glow', 'name' => 'Glow', 'kind' => 'lamp', 'current_A' => 0.5,
            'supply' => 'rail']]), $fails, true],
        'wiring.board_volts' => [wiredWith(['wiring.boards.0.board' => boardOf('K12')]), $fails, true],
        'wiring.regulator_over' => [wiredWith(['wiring.boards.0.board.regulator_A' => 0.01]), $fails, false],
        'wiring.servo_on_regulator' => [wiredWith(rail() + ['motions.1.drive.supply' => 'rail', 'wiring.boards.0.supply' => 'rail']), $fails, true],
        'wiring.gate_drops' => [wiredWith(['motions.1.task.holds_unpowered' => true], $gate), $fails, true],
        'wiring.gate_settles' => [wiredWith(['supplies.1.settles_s' => 2.0, 'routines.1.steps.2' => ['do' => 'signal', 'output' => 'gate', 'state' => 'on']], $gate),
            Severity::Tight, true],
        'wiring.battery_days' => [wiredWith(['settings.battery_days' => 6.0, 'sensors.1.current_A' => 0.0] + $pack([])), Severity::Tight, true],
        'wiring.charger_under' => [wiredWith($pack(['charger_A' => 0.001])), Severity::Tight, true],
        'wiring.charger_fast' => [wiredWith($pack(['charger_A' => 1.0, 'cells' => 'lead'])), $fails, true],
        'wiring.boxed_charging' => [wiredWith($pack(['charger_A' => 0.1, 'boxed' => true])), Severity::Tight, true],
        'wiring.no_cutoff' => [wiredWith($pack(['cells' => 'lithium'])), $fails, true],
        'wiring.two_supplies' => [wiredWith(rail(['from' => null, 'volts_V' => 12, 'beside' => 'main'])), $fails, true],
        'routine.coil_burns' => [wiredWith(['routines.1.steps.9' => ['do' => 'signal', 'output' => 'hook', 'state' => 'on'], 'routines.1.steps.10' => ['do' => 'wait',
            'for_s' => 2.0], 'routines.1.steps.11' => ['do' => 'signal', 'output' => 'hook', 'state' => 'off']], ['outputs.1' => ['id' => 'hook', 'name' => 'Hook',
                'kind' => 'uncoupler', 'supply' => 'main', 'longest_s' => 1.5]]), $fails, false],
        'routine.resets' => [wiredWith(['supplies.0.max_A' => 2.0, 'wiring.boards.0.board.low_V' => 9.0, 'wiring.boards.0.board.least_V' => 8.0, 'routines.0.steps' => [['do' => 'home', 'motion' => 'lid', 'switch' => 'lid-open', 'speed' => 1,
            'give_up_s' => 5]], 'routines.2' => ['id' => 'besides', 'name' => 'Besides', 'starts' => [['when' => 'power_on']],
                'steps' => [['do' => 'home', 'motion' => 'lift', 'switch' => 'lift-high', 'speed' => 1, 'give_up_s' => 9]]]]), $fails, false],
    ];
}

it('holds where everything is wired to what can do it', function () {
    $assessment = Builds::assessed(Builds::planted(Builds::wired()));

    expect($assessment->verdict)->toBe(Verdict::Holds)
        ->and($assessment->says->text())->toStartWith('Every link holds. The least margin is Lid')
        ->and($assessment->wiring['verdict'])->toBe('holds')
        ->and($assessment->wiring['counts']->text())->toBe('2 two-way channels with speed, 6 inputs, 1 pulse-driven motor and 1 output');
});

it('says of a build that nobody wired what it needs, and finds nothing wrong with that', function () {
    $assessment = Builds::assessed(Builds::sound());

    expect($assessment->verdict)->toBe(Verdict::NotSaid)->and($assessment->says->text())->toBe('Nothing fails so far, but Lid is not finished: not wired yet.')
        ->and($assessment->wiring['verdict'])->toBe('not_said')->and($assessment->wiring['counts']->text())->toContain('6 inputs')
        ->and(array_filter($assessment->codes(), fn (string $code): bool => str_starts_with($code, 'wiring.')))->toBe([]);
});

it('finds what is planted in the wiring, and mends it', function (string $code) {
    [$values, $severity, $mends] = plantedInWiring()[$code];
    $build = Builds::planted($values);
    // How much a day takes is known once all is rehearsed.
    $findings = $code === 'wiring.charger_under' ? Builds::findings(Builds::assessed($build), $code) : Builds::found($build, $code);

    expect($findings)->not->toBeEmpty("{$code} was not found; found: ".($findings === [] ? implode(', ', Builds::assessed($build)->codes()) : ''))
        ->and($findings[0]->severity)->toBe($severity)
        ->and(Said::by($findings[0]))->toBe(Said::of($code))
        ->and($code === 'wiring.broken_wire' ? 0 : count(Builds::found(Builds::planted(Builds::wired()), $code)))->toBe(0);
    if (! $mends) {
        return;
    }
    expect($findings[0]->fixes)->not->toBeEmpty("{$code} offers no fix");
    foreach ($findings[0]->fixes as $fix) {
        $left = array_filter(Builds::stillSaid($build, $fix, $code), fn ($finding) => $finding->place === $findings[0]->place);
        expect($left)->toBeEmpty("{$fix->does->text()} does not mend {$code}");
    }
})->with(fn () => array_keys(plantedInWiring()));

it('keeps an echo of 5 V off a pin of 3.3 V, and says so of nothing less', function (?float $signal_V, bool $divided, float $logic_V, bool $told) {
    $build = Builds::planted(wiredWith(['wiring.boards.0.board.logic_V' => $logic_V], ['sensors.2' => ['id' => 'it', 'name' => 'It', 'kind' => 'sonar', 'signal_V' => $signal_V,
        'divided' => $divided]]));
    expect(Builds::found($build, 'wiring.signal_high') !== [])->toBe($told);
})->with([[null, false, 3.3, true], [null, true, 3.3, false], [null, false, 5.0, false], [3.3, false, 3.3, false]]);

it('asks for a filter where pulses are counted, and not once there is one', function (string $kind, bool $filtered, array $says) {
    $build = Builds::planted(wiredWith([], ['sensors.2' => ['id' => 'it', 'name' => 'It', 'kind' => $kind, 'filtered' => $filtered]]));
    expect(array_map(fn ($finding): string => explode(':', $finding->says->text())[0], Builds::found($build, 'wiring.no_filter')))->toBe($says);
})->with([['wheel', false, ['It counts pulses']], ['wheel', true, []], ['knock', false, ['It rings when it is hit']], ['beam', false, []]]);

it('says of a wire that only tells something when it loses more than a hundredth', function (float $length_m, bool $told) {
    // 0.08 mm² lose 2 · 0.02 A · ρ · l / A: 8.62 mV a metre, and 50 mV are a hundredth of 5 V
    $plain = Builds::wired();
    $build = Builds::planted(wiredWith([wireOf($plain, 'sensors.beam', 'area_mm2') => 0.08, wireOf($plain, 'sensors.beam', 'length_m') => $length_m]));
    $findings = Builds::found($build, 'wiring.wire_thin');
    expect($findings !== [])->toBe($told);
    if ($told) {
        expect($findings[0]->says->text())->toContain('0.08 mm², loses 1.0')->toContain('of the 5 V that tell it, more than 1%')
            ->and(Builds::found(Builds::mended($build, $findings[0]->fixes[0]), 'wiring.wire_thin'))->toBe([]);
    }
})->with([[5.7, false], [5.9, true]]);

it('lets through a plug what its contacts bear, and says so of no more', function (float $share, int $count) {
    $plain = Builds::wired();
    $stall = Builds::planted($plain)->motions['lid']->drive?->line()->stall_A ?? 0.0;
    $build = Builds::planted(wiredWith([wireOf($plain, 'motions.lid', 'plug') => 'J2 small', wireOf($plain, 'motions.lid', 'plug_A') => $stall * $share]));
    expect(Builds::found($build, 'wiring.plug_over'))->toHaveCount($count);
})->with([[0.99, 1], [1.0, 0], [1.01, 0]]);

it('wants a pull-up at a button where its pin has none, and is content once there is one', function () {
    $build = Builds::planted(wiredWith(['wiring.boards.0.board.pins' => 'p1–p20: in out pulse analogue']));
    $of = fn (Build $build): array => array_values(array_filter(Builds::found($build, 'wiring.floats'), fn ($finding): bool => $finding->place === 'sensors.0.pulled'));
    [$found] = $of($build);

    expect($found->says->text())->toStartWith('Button is open while it is off, and nothing pulls Controller 1 p')
        ->and($found->fixes[0]->does->text())->toBe('Pull it up with 10 kΩ')->and($of(Builds::mended($build, $found->fixes[0])))->toBe([]);
});

it('says of a build in which nothing moves what fails most, and offers what mends that', function () {
    $wired = Programs::wired(Build::read(['format' => 'brookstone-build', 'version' => 1, 'name' => 'Still', 'supplies' => [
        ['id' => 'five', 'name' => 'Five', 'volts_V' => 5, 'max_A' => 2],
        ['id' => 'pack', 'name' => 'Pack', 'volts_V' => 7.4, 'max_A' => 2, 'capacity_Ah' => 2, 'cells' => 'lithium'],
    ], 'outputs' => [['id' => 'lamp', 'name' => 'Lamp', 'kind' => 'relay', 'supply' => 'pack', 'current_A' => 0.1]]]));
    $assessment = Builds::assessed($wired);

    expect($assessment->verdict)->toBe(Verdict::Fails)->and($assessment->codes())->toBe(['wiring.no_cutoff', 'wiring.no_fuse'])
        ->and($assessment->says->text())->toStartWith('Pack has lithium cells, and nothing switches it off before they are empty')
        ->and($assessment->mend?->does->text())->toBe('Cut it off at 6.1 V');
});
