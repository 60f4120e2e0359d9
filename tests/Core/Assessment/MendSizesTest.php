<?php

declare(strict_types=1);

use Brookstone\Core\Build\Build;
use Brookstone\Core\Finding\Finding;
use Brookstone\Core\Finding\Fix;
use Tests\Support\Builds;

/** @return list<string> what is offered against the findings of a code */
function fixesFor(Build $build, string $code): array
{
    return array_values(array_unique(array_merge(...array_map(
        fn (Finding $finding): array => array_map(fn (Fix $fix): string => $fix->does->text(), $finding->fixes),
        Builds::found($build, $code),
    ))));
}

/** @return array<string, mixed> to plant: a cart of 1.2 kg that its motor makes spin; its tyres grip 0.3 × 1.2 kg × 9.80665 m/s² = 3.53 N */
function spinning(): array
{
    return ['motions.2.mechanism' => ['kind' => 'wheels', 'mass_kg' => 1.2, 'wheel_radius_m' => 0.02, 'rolling_coefficient' => 0.03,
        'friction_coefficient' => 0.3], 'motions.2.drive.motor' => Builds::motor('G16-30'), 'motions.2.drive.supply' => 'servos'];
}

// By hand: half of 0.3 kg × 9.80665 m/s² × 120 mm; a cord of 2 mm and 0.42 m wound half a turn more than 0.42 m / (2π × 10 mm) times, 7.18 × 2 mm; 5/4 of the 2.1 A
// that the lid's start draws; 2.05 Ah and what a battery does not give.
it('offers as much as is needed and says how much', function (string $code, array $planted, string $does) {
    expect(fixesFor(Builds::planted($planted), $code))->toContain($does);
})->with([
    'half the weight' => ['load.overbalanced', ['motions.0.mechanism.counterbalance_Nm' => 0.5], 'Halve the load with 0.177 N·m instead'],
    'a drum wide enough' => ['load.cord_climbs', ['motions.2.mechanism.cord_m' => 0.002, 'motions.2.mechanism.drum_width_m' => 0.004,
        'motions.2.mechanism.lift_m' => 0.42], 'Take a drum 15 mm wide: the cord then lies in one layer'],
    'a quarter more current than is asked for' => ['drive.supply_current', ['supplies.0.max_A' => 0.5], 'Take a supply for Main that gives 2.7 A, instead of 0.5 A'],
    'one day of charge' => ['routine.drains_battery', ['supplies.1.capacity_Ah' => 0.05], 'Feed Servo rail from a battery of 2.1 Ah'],
    'the shortest ramp' => ['load.wheels_slip', spinning(), 'Ramp it up over 0.3 s: the move then takes 0.423 s, 0.14 s more'],
    'the highest duty' => ['load.wheels_slip', spinning(), 'Lower the duty to 0.65: the move then takes 0.356 s'],
    'one a step below the whole' => ['load.wheels_slip', ['motions.2.mechanism' => ['friction_coefficient' => 0.41] + spinning()['motions.2.mechanism']] + spinning(), 'Lower the duty to 0.9: the move then takes 0.284 s'],
    'the nearest gearing up' => ['load.wheels_slip', spinning(), 'Gear it up to 0.556 : 1 instead of 1 : 1: the move then takes 0.33 s, with 7.62 × in hand'],
    'time enough' => ['load.wheels_slip', ['motions.2.task.move_s' => 0.2] + spinning(), 'Allow the move 0.45 s'],
]);

it('offers no more than is needed: a step less and it still slips', function (string $path, mixed $enough, mixed $less) {
    $slips = fn (mixed $value): bool => Builds::found(Builds::planted([$path => $value] + spinning()), 'load.wheels_slip') !== [];

    expect($slips($enough))->toBeFalse()->and($slips($less))->toBeTrue();
})->with([
    'a ramp' => ['motions.2.drive.ramp_s', 0.3, 0.2],
    'a duty' => ['motions.2.drive.duty', 0.65, 0.75],
]);

it('offers time for what no drive moves yet: less, and the wanted move itself asks for more than its grip', function (float $time, bool $slips) {
    $planted = ['motions.2.task.move_s' => $time, 'motions.2.drive' => null, 'routines' => [], 'motions.2.stops.switches' => []] + spinning();
    unset($planted['motions.2.drive.motor'], $planted['motions.2.drive.supply']);

    expect(Builds::found(Builds::planted($planted), 'load.wheels_slip') !== [])->toBe($slips);
})->with([[0.45, false], [0.39, true]]);

it('offers a drum on which the cord just lies in one layer', function (float $lift, float $cord) {
    $climbs = fn (float $width): bool => Builds::found(Builds::planted(['motions.2.mechanism.cord_m' => $cord,
        'motions.2.mechanism.drum_width_m' => $width, 'motions.2.mechanism.lift_m' => $lift]), 'load.cord_climbs') !== [];
    $turns = $lift / (2 * M_PI * 0.01) + 0.5; // on a drum of 10 mm to the middle of its cord; half a turn stays on
    $width = ceil($turns * $cord * 1000) / 1000;

    expect($climbs($width))->toBeFalse()->and($climbs($width - 0.002))->toBeTrue();
})->with([[0.4, 0.002], [0.3, 0.0015], [0.5, 0.001]]);

it('offers a charger with a quarter more than a day takes, where the battery bears that', function (float $capacity_Ah, bool $bears) {
    $build = Builds::planted(['supplies.0.capacity_Ah' => $capacity_Ah, 'supplies.0.cells' => 'lead', 'supplies.0.charger_A' => 0.001] + Builds::wired());
    $found = Builds::found($build, 'wiring.charger_under')[0];
    $takes = $found->says->values['takes']->si / 3600;
    $asks = 1.25 * $takes / (24 * 0.7); // its cells take up 70 % of what goes in

    expect(count($found->fixes))->toBe($bears ? 1 : 0);
    if ($bears) {
        $charger = $found->fixes[0]->changes[0]->value;
        expect($charger)->toBeGreaterThanOrEqual($asks * (1 - 1e-9))->toBeLessThan($asks * 1.1)
            ->and(Builds::found(Builds::mended($build, $found->fixes[0]), 'wiring.charger_under'))->toBe([]);
    }
})->with([[10.0, true], [0.3, false]]);
