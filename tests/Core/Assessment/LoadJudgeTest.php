<?php

declare(strict_types=1);

use Tests\Support\Builds;
use Tests\Support\Said;

/** @return array<string, mixed> to plant: the lid from 45° over the top to 135° */
function overTheTop(array $more = []): array
{
    return $more + ['motions.0.places.0.at' => 45, 'motions.0.places.1.at' => 135, 'motions.0.stops' => ['switches' => []], 'routines' => [], 'log' => []];
}

const INERTIA_OF_LID = 'note load.mostly_inertia at motions.0.task.move_s: Most of its 0.746 N·m goes into speeding it up. Half the time would need four times as much for that; twice the time a quarter.';
const INERTIA_OF_LIFT = 'note load.mostly_inertia at motions.2.task.move_s: Most of its 0.139 N·m goes into speeding it up. Half the time would need four times as much for that; twice the time a quarter.';
const RUBLESS = 'is said to rub, and everything does: turn it by hand through a spring balance where it weighs nothing, or put down a twentieth of its largest load.';

it('says of a load what is so on one side of a threshold, and not on the other', function (string $codes, array $planted, array $says) {
    expect(Said::atOnce($codes, $planted))->toBe($says);
})->with([
    // Its weight and rub take 0.373 N·m; speeding it up in 2.5 s takes 0.1586 N·m, which grows with 1/t²: as much at 1.63 s.
    'speeding up takes more than half' => ['load.mostly', ['motions.0.task.move_s' => 1.63], [INERTIA_OF_LID, INERTIA_OF_LIFT]],
    'and not' => ['load.mostly', ['motions.0.task.move_s' => 1.64], [INERTIA_OF_LIFT]],
    // 0.353 N·m × cos 45° = 0.2496 N·m
    'it stays at both ends' => ['load.stays', overTheTop(['motions.0.mechanism.friction_Nm' => 0.249]), [
        'note load.stays_both_ends at motions.0.mechanism: Left alone it stays at both ends: at the lower 0.000637 N·m keep it there, at the upper 0.000637 N·m, and past 90° it tips over to the other side by itself.',
    ]],
    'its rub keeps it there, not its weight' => ['load.stays', overTheTop(['motions.0.mechanism.friction_Nm' => 0.25]), []],
    // at 120°: 0.353 × 0.5 − 0.02
    'though it need not' => ['load.stays', overTheTop(['motions.0.places.1.at' => 120, 'motions.0.task.holds_unpowered' => false]), [
        'tight load.stays_both_ends at motions.0.mechanism: Left alone it stays at both ends: at the lower 0.23 N·m keep it there, at the upper 0.157 N·m, and past 90° it tips over to the other side by itself.',
    ]],
    'the same the other way' => ['load.stays', overTheTop(['motions.0.places.0.at' => 120, 'motions.0.places.1.at' => 45]), [
        'note load.stays_both_ends at motions.0.mechanism: Left alone it stays at both ends: at the lower 0.23 N·m keep it there, at the upper 0.157 N·m, and past 90° it tips over to the other side by itself.',
    ]],
    'on and on' => ['load.stays', overTheTop(['motions.0.task.keeps_turning' => true]), []],
    // 8 kg/m² × (240 mm)² = 460.8 g is usual
    'a thousandth of what is usual' => ['load.unit', ['motions.0.mechanism.mass_kg' => 0.000461, 'motions.0.drive' => null], []],
    'less' => ['load.unit', ['motions.0.mechanism.mass_kg' => 0.00046, 'motions.0.drive' => null], [
        'tight load.unit_slip at motions.0.mechanism.mass_kg: Something 240 mm across that weighs 0.46 g: parts of that size weigh about 461 g. Did a unit slip?',
    ]],
    'a thousand times' => ['load.unit', ['motions.0.mechanism.mass_kg' => 460.0, 'motions.0.drive' => null], []],
    'more' => ['load.unit', ['motions.0.mechanism.mass_kg' => 461.0, 'motions.0.drive' => null], [
        'tight load.unit_slip at motions.0.mechanism.mass_kg: Something 240 mm across that weighs 461 kg: parts of that size weigh about 461 g. Did a unit slip?',
    ]],
    // 0.1389 N·m at the worst
    'a drive that could do nearly 300 times as much' => ['load.unit', ['motions.2.drive.motor' => ['stall_Nm' => 41.5, 'gearbox_limit_Nm' => 100] + Builds::motor('G25-227')], []],
    'and over' => ['load.unit', ['motions.2.drive.motor' => ['stall_Nm' => 41.7, 'gearbox_limit_Nm' => 100] + Builds::motor('G25-227')], [
        'note load.unit_slip at motions.2.mechanism: Its drive could do 301 times what is asked of it. Did a unit slip in the masses, the lengths or the friction?',
    ]],
    'a counterweight that its load alone pulls up' => ['load.will', ['motions.2.mechanism.counterweight_kg' => 0.7, 'motions.2.mechanism.payload_kg' => 0.3, 'motions.2.task.payload' => 'both'], []],
    'and comes down without it' => ['load.will', ['motions.2.mechanism.counterweight_kg' => 0.7, 'motions.2.mechanism.payload_kg' => 0.3, 'motions.2.task.payload' => 'there'], [
        'fails load.will_not_lower at motions.2.mechanism.counterweight_kg: Empty it weighs 600 g, less than its counterweight of 700 g: nothing pulls it down, and its cord goes slack.',
    ]],
    'or goes up without it' => ['load.will', ['motions.2.mechanism.counterweight_kg' => 0.7, 'motions.2.mechanism.payload_kg' => 0.3, 'motions.2.task.payload' => 'back'], [
        'fails load.will_not_lower at motions.2.mechanism.counterweight_kg: Empty it weighs 600 g, less than its counterweight of 700 g: nothing pulls it down, and its cord goes slack.',
    ]],
    'what rubs and what does not' => ['load.frictionless', [], [
        'note load.frictionless at motions.1.mechanism: Nothing of Jaw '.RUBLESS, 'note load.frictionless at motions.2.mechanism: Nothing of Lift '.RUBLESS,
    ]],
    'a little rub is some' => ['load.frictionless', ['motions.1.mechanism.friction_Nm' => 0.001, 'motions.2.mechanism.friction_N' => 0.001], []],
    // 0.2 m / (2π × 11 mm) + ½ turns of 2 mm on 4 mm; the second layer lies at 11 + √3 mm at most
    'a cord in two layers' => ['load.cord', ['motions.2.mechanism.cord_m' => 0.002, 'motions.2.mechanism.drum_width_m' => 0.004, 'motions.2.mechanism.lift_m' => 0.2], [
        'note load.cord_climbs at motions.2.mechanism.drum_width_m: The cord climbs on itself in 2 layers: the full drum needs 0.069 N·m where the empty one needs 0.0588 N·m, and lifts 17.3% faster at the end than at the start.',
    ]],
    // 0.05 rad is 2.86°
    'hardest nearly where it starts' => ['load.worst', ['motions.0.places.0.at' => -2.5, 'motions.0.stops.switches.0.at' => -2.5], []],
]);

it('counts the rub at either end', function () {
    $magnitude = fn (array $more): array => Said::atOnce('load.frictionless', ['motions.2.drive' => null, 'routines' => [], ...$more]);

    expect($magnitude(['motions.1.mechanism.friction_Nm' => 0.1]))->toBe(['note load.frictionless at motions.2.mechanism: Nothing of Lift '.RUBLESS]);
});
