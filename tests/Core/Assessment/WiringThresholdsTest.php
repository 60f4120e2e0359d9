<?php

declare(strict_types=1);

use Brookstone\Core\Finding\Finding;
use Brookstone\Core\Wiring\BoardStock;
use Tests\Support\Builds;

/**
 * What is said of a code in the wired sound build with something planted.
 *
 * @param  array<string, mixed>  $values
 * @return list<string>
 */
function saidOfWiring(string $code, array $values): array
{
    return array_map(fn (Finding $finding): string => $finding->says->text(),
        Builds::found(Builds::planted(array_replace(Builds::wired(), $values)), "wiring.{$code}"));
}

it('draws each line where it says, and names both figures', function (string $code, array $holds, array $fails, string $says) {
    expect(saidOfWiring($code, $holds))->toBe([])->and(implode(' | ', saidOfWiring($code, $fails)))->toContain($says);
})->with(function () {
    $board = fn (string $field, mixed $value, int $i = 1): array => ["wiring.boards.{$i}.board.{$field}" => $value];
    $rail = fn (array $more): array => ['supplies.2' => $more + ['id' => 'rail', 'name' => 'Rail', 'volts_V' => 5, 'max_A' => 2, 'from' => 'main', 'converter' => 'linear']];
    $pack = fn (array $more): array => ['supplies.0.capacity_Ah' => 10.0] + array_combine(array_map(fn (string $key): string => "supplies.0.{$key}", array_keys($more)), $more);
    $lamp = fn (float $amps): array => ['outputs.0.current_A' => $amps];

    return [
        'volts over' => ['driver_volts', $board('high_V', 12.0), $board('high_V', 11.9), 'Lid motor gets 12 V through Bridge 1 A, which takes 2.5 V to 11.9 V.'],
        'volts under' => ['driver_volts', $board('low_V', 12.0), $board('low_V', 12.1), 'which takes 12.1 V to 13.5 V.'],
        'stall' => ['driver_stall', $board('peak_A', 2.1), $board('peak_A', 2.05), 'draws 2.1 A when it starts or is held, and Bridge 1 A bears 2.05 A.'],
        'relay' => ['relay_often', ['wiring.boards.1.board' => BoardStock::shipped()->boards['R2']->write(), 'motions.0.task.per_day' => 136.0, 'motions.2.task.per_day' => 136.0],
            ['wiring.boards.1.board' => BoardStock::shipped()->boards['R2']->write(), 'motions.0.task.per_day' => 138.0, 'motions.2.task.per_day' => 136.0],
            'The relay of Lid motor switches 276 times a day: with 100000 it lasts 362 days.'],
        'lost' => ['volts_lost', $board('lost_V', 0.2) + $board('lost_ohm', 0.0), $board('lost_V', 1.2) + $board('lost_ohm', 0.0), 'Bridge 1 and the wires take 1.33 V of 12 V when Lid starts.'],
        'pin' => ['pin_overloaded', $board('pin_A', 0.02, 0), $board('pin_A', 0.019, 0), 'Lamp takes 0.02 A, and Controller 1 p'],
        'pins' => ['pins_overloaded', $board('pins_A', 0.02, 0), $board('pins_A', 0.019, 0), 'takes 0.02 A together, and they give 0.019 A.'],
        'wire, heat' => ['wire_hot', ['wiring.wires.0.area_mm2' => 0.14, 'wiring.wires.0.length_m' => 0.1], ['wiring.wires.0.area_mm2' => 0.13, 'wiring.wires.0.length_m' => 0.1],
            '0.13 mm², bears 1.83 A for good, and 1.9'],
        'wire, volts' => ['wire_thin', ['wiring.wires.0.area_mm2' => 0.25, 'wiring.wires.0.length_m' => 1.3], ['wiring.wires.0.area_mm2' => 0.25, 'wiring.wires.0.length_m' => 1.5],
            'of the volts at the start, more than 3%.'],
        'fuse, wire' => ['fuse_over_wire', ['wiring.wires.0.area_mm2' => 0.25], ['wiring.wires.0.area_mm2' => 0.24], 'The fuse of Main, 4 A, lets more through than the thinnest wire behind it bears, 3.82 A.'],
        'sensor' => ['signal_high', ['sensors.1.signal_V' => 5.0], ['sensors.1.signal_V' => 5.1], 'Beam puts out up to 5.1 V, and Controller 1 p'],
        'dropout' => ['dropout', $rail(['dropout_V' => 7.0]), $rail(['dropout_V' => 7.1]), 'Rail needs 12.1 V to give 5 V, and Main gives 12 V.'],
        'up' => ['converter_wrong', $rail(['converter' => 'up', 'volts_V' => 12.1]), $rail(['converter' => 'up', 'volts_V' => 12.0]), 'Rail goes up, and is to give 12 V out of 12 V.'],
        'hot' => ['converter_hot', $rail(['theta_C_per_W' => 47.0]) + ['outputs.0.current_A' => 0.3, 'outputs.0.supply' => 'rail'],
            $rail(['theta_C_per_W' => 48.0]) + ['outputs.0.current_A' => 0.3, 'outputs.0.supply' => 'rail'], 'Rail turns 2.1 W into heat and gets 126 °C; it bears 125 °C.'],
        'rail' => ['rail_overloaded', $rail(['max_A' => 0.5]) + $lamp(0.5) + ['outputs.0.supply' => 'rail'], $rail(['max_A' => 0.49]) + $lamp(0.5) + ['outputs.0.supply' => 'rail'],
            'take 0.5 A together, and it gives 0.49 A.'],
        'board, high' => ['board_volts', $board('high_V', 12.0, 0), $board('high_V', 11.5, 0), 'Controller 1 takes 6 V to 11.5 V, and Main gives 12 V.'],
        'board, empty' => ['board_volts', $pack(['cells' => 'lead']) + $board('low_V', 10.8, 0), $pack(['cells' => 'lead']) + $board('low_V', 10.9, 0),
            'takes 10.9 V to 16 V, and Main gives from 10.8 V, nearly empty, to 12.8 V.'],
        'regulator' => ['regulator_over', $board('regulator_A', 0.02, 0), $board('regulator_A', 0.019, 0), 'gives 0.019 A, and what hangs on it takes 0.02 A.'],
        'charger' => ['charger_fast', $pack(['cells' => 'lead', 'charger_A' => 2.0]), $pack(['cells' => 'lead', 'charger_A' => 2.1]), 'is charged with 2.1 A, 21% of its capacity an hour; it bears 20% for good.'],
        'nickel' => ['charger_fast', $pack(['cells' => 'nickel', 'charger_A' => 1.0]), $pack(['cells' => 'nickel', 'charger_A' => 1.1]), 'it bears 10% for good.'],
        'alkaline' => ['charger_fast', $pack(['cells' => 'alkaline']), $pack(['cells' => 'alkaline', 'charger_A' => 0.001]), 'Main cannot be charged: its cells burst.'],
        'noise' => ['noise', ['sensors.2' => ['id' => 'k', 'name' => 'K', 'kind' => 'knob', 'upper' => 1], 'wiring.wires.16' => ['number' => 17, 'signal' => 'sensors.k', 'board' => 'controller-1',
            'pin' => 'p18'], 'supplies.0.capacitor_uF' => 100.0], ['sensors.2' => ['id' => 'k', 'name' => 'K', 'kind' => 'knob', 'upper' => 1], 'wiring.wires.16' => ['number' => 17,
                'signal' => 'sensors.k', 'board' => 'controller-1', 'pin' => 'p18'], 'supplies.0.capacitor_uF' => 99.0], 'K measures their noise with it.'],
        'gas' => ['boxed_charging', $pack(['charger_A' => 0.5]), $pack(['charger_A' => 0.5, 'boxed' => true]), 'charging makes hydrogen'],
        'diode' => ['two_supplies', $rail(['from' => null, 'beside' => 'main', 'diode' => true]), $rail(['from' => null, 'beside' => 'main']), 'Rail and Main are on one rail'],
    ];
});

it('takes a coil for on too long by what it bears, and for one that can stay on by what switches it off', function () {
    $with = fn (array $steps, ?float $longest = 0.5): array => ['outputs.1' => ['id' => 'hook', 'name' => 'Hook', 'kind' => 'uncoupler', 'supply' => 'main', 'longest_s' => $longest]]
        + array_combine(array_map(fn (int $i): string => 'routines.1.steps.'.(9 + $i), array_keys($steps)), $steps);
    $on = fn (?float $for_s): array => ['do' => 'signal', 'output' => 'hook', 'state' => 'on', 'for_s' => $for_s];
    $off = ['do' => 'signal', 'output' => 'hook', 'state' => 'off'];
    expect(saidOfWiring('coil_too_long', $with([$on(0.5)])))->toBe([])
        ->and(saidOfWiring('coil_too_long', $with([$on(0.6)])))->toBe(['Show leaves a coil of Hook on for 0.6 s, and it bears 0.5 s.'])
        ->and(saidOfWiring('coil_too_long', $with([$on(1.0)], null)))->toBe([])->and(saidOfWiring('coil_too_long', $with([$on(1.1)], null)))->toHaveCount(1)
        ->and(saidOfWiring('coil_stays_on', $with([$on(null)])))->toBe(['Show says no time for Hook: its coil burns after 0.5 s.'])
        ->and(saidOfWiring('coil_stays_on', $with([$on(null), $off])))->toBe(['Show says no time for Hook: if it gives up in between, its coil burns after 0.5 s.'])
        ->and(saidOfWiring('coil_stays_on', $with([$on(0.2), $off])))->toBe([]);
});

it('fills a bus when there are more of a kind than addresses, and not before', function () {
    $boards = fn (int $count, int $last): array => array_combine(array_map(fn (int $i): string => 'wiring.boards.'.(1 + $i), range(1, $count)), array_map(fn (int $i): array => [
        'id' => "e{$i}", 'name' => "E {$i}", 'board' => ['address_high' => $last] + BoardStock::shipped()->boards['E16']->write(), 'supply' => 'main', 'address' => 0x1F + $i],
        range(1, $count)));
    expect(saidOfWiring('bus_full', $boards(2, 0x21)))->toBe([])->and(saidOfWiring('bus_full', $boards(3, 0x21)))->toBe(['3 E16 on one bus: it has 2 addresses.'])
        ->and(saidOfWiring('address_out', $boards(3, 0x21)))->toHaveCount(1)->and(saidOfWiring('address_out', $boards(2, 0x21)))->toBe([]);
});
