<?php

declare(strict_types=1);

use Tests\Support\Said;

/**
 * To plant: stages between the motor of the lid and the lid.
 *
 * @param  list<array<string, mixed>>  $stages
 * @param  array<string, mixed>  $more
 * @return array<string, mixed>
 */
function through(array $stages, array $more = []): array
{
    return ['motions.0.train' => $stages] + $more;
}

function wormOf(float $quotient, int $starts = 1): array
{
    return ['type' => 'worm', 'driver' => $starts, 'driven' => 30, 'quotient' => $quotient, 'friction' => 0.12];
}

function roundBelt(float $tension_N): array
{
    return ['type' => 'round', 'driver' => 20, 'driven' => 40, 'tension_N' => $tension_N];
}

function pawlThat(string $passes): array
{
    return ['type' => 'pawl', 'driver' => 24, 'driven' => 24, 'passes' => $passes];
}

/** @return array<string, mixed> to plant: the lift as a slide on a pinion of 16 teeth, 1 mm */
function onRack(float $radius_m, array $stage = ['type' => 'rack', 'driver' => 16, 'driven' => 16, 'module_mm' => 1]): array
{
    return ['motions.2.mechanism' => ['kind' => 'slide', 'mass_kg' => 0.6, 'pulley_radius_m' => $radius_m], 'motions.2.train' => [$stage]];
}

/** @return array<string, mixed> to plant: the lid pushed by a rod from an arm so long, up to so far */
function byRod(float $arm_m, float $to = 70): array
{
    return ['motions.0.mechanism' => ['kind' => 'pushed', 'arm_m' => $arm_m, 'horn_m' => 0.02, 'pivot_distance_m' => 0.05, 'mass_kg' => 0.05, 'cg_m' => 0.03, 'half_travel_deg' => 75.0],
        'motions.0.places.1.at' => $to, 'motions.0.stops.switches.1.at' => $to];
}

/** @return array<string, mixed> to plant: the lid as a figure that a crank rocks */
function rockedBy(float $crank_m, array $more = []): array
{
    return ['motions.0.mechanism' => ['kind' => 'crank_rocker', 'crank_m' => $crank_m, 'coupler_m' => 0.09, 'rocker_m' => 0.05, 'ground_m' => 0.1, 'mass_kg' => 0.1, 'cg_m' => 0.05]] + $more;
}

const ON_AND_ON = ['motions.0.task.keeps_turning' => true, 'motions.0.stops' => ['switches' => []], 'routines' => []];
const SLOPPY = ['motions.0.train' => [['type' => 'spur', 'driver' => 20, 'driven' => 30, 'backlash_mm' => 0.2]], 'motions.0.task.tolerance' => 0.2];

function barelyHolds(string $margin, string $lead): string
{
    return "tight train.holds_barely at motions.0.train.0.quotient: The worm of stage 1 locks by {$margin}° only: its lead is {$lead}°, and vibration and fresh grease take a third of its friction and more. It must hold with the power off.";
}

it('says of a part what is so on one side of a threshold, and not on the other', function (string $codes, array $planted, array $says) {
    expect(Said::atOnce($codes, $planted))->toBe($says);
})->with([
    // friction of 0.12 on teeth of 20° locks up to atan(0.12 ÷ cos 20°) = 7.28°, surely up to two thirds of that friction, 4.87°
    'a worm of 8 modules' => ['train.holds_barely', through([wormOf(8)]), [barelyHolds('0.152', '7.13')]],
    'of 7: it does not lock at all' => ['train.holds_barely', through([wormOf(7)]), []],
    'of 11' => ['train.holds_barely', through([wormOf(11)]), [barelyHolds('2.08', '5.19')]],
    'of 12: it surely does' => ['train.holds_barely', through([wormOf(12)]), []],
    'where it need not hold' => ['train.holds_barely', through([wormOf(10)], ['motions.0.task.holds_unpowered' => false]), []],
    'two starts of 20 modules are as steep' => ['train.holds_barely', through([wormOf(20, 2)]), [barelyHolds('1.57', '5.71')]],
    // 0.934 N·m at a pulley of 20 mm
    'a round belt of 26.2 N' => ['train.belt_s|train.belt_c', through([roundBelt(26.2)], ['motions.0.task.tolerance' => 1]), [
        'fails train.belt_slips at motions.0.train.0.tension_N: The round belt of stage 1 is asked for 46.7 N and slips from 46.5 N on.',
    ]],
    'of 26.4 N' => ['train.belt_s|train.belt_c', through([roundBelt(26.4)], ['motions.0.task.tolerance' => 1]), [
        'note train.belt_creeps at motions.0.train.0.type: A round belt creeps by a hundredth or two under load: let what tells the place sit behind it.',
    ]],
    'where nobody asks how exactly' => ['train.belt_s|train.belt_c', through([roundBelt(26.4)]), []],
    'before a stage that it is asked for less through' => ['train.belt_s', through([roundBelt(8), ['type' => 'spur', 'driver' => 20, 'driven' => 40]]), [
        'fails train.belt_slips at motions.0.train.0.tension_N: The round belt of stage 1 is asked for 65.7 N and slips from 14.2 N on.',
    ]],
    'a pawl, and its weight brings it back' => ['train.pawl', through([pawlThat('forward')]), []],
    'a pawl that takes it the other way' => ['train.pawl', through([pawlThat('back')]), [
        'fails train.pawl_one_way at motions.0.train.0.type: The pawl of stage 1 takes one turning along and lets the other go by: the drive cannot bring it back.',
    ]],
    'on and on forward' => ['train.pawl', through([pawlThat('forward')], ON_AND_ON), []],
    'on and on back' => ['train.pawl', through([pawlThat('back')], ON_AND_ON), [
        'fails train.pawl_wrong at motions.0.train.0.passes: The pawl of stage 1 lets by the very turning that shall move it.',
    ]],
    // 2π × 8 mm; as nearly as a two-hundredth
    'a pinion as large as said' => ['train.slide', onRack(0.008), []],
    'nearly' => ['train.slide', onRack(0.00797), []],
    'not nearly' => ['train.slide', onRack(0.00795), [
        'fails train.slide_radius at motions.2.train.0.module_mm: One turn of the rack’s pinion slides it by 50.3 mm, but its load is computed with 50 mm.',
    ]],
    'larger' => ['train.slide', onRack(0.00805), [
        'fails train.slide_radius at motions.2.train.0.module_mm: One turn of the rack’s pinion slides it by 50.3 mm, but its load is computed with 50.6 mm.',
    ]],
    'a screw of one start, 1 mm' => ['train.slide', onRack(0.01, ['type' => 'screw', 'driver' => 1, 'driven' => 1, 'module_mm' => 1]), [
        'fails train.slide_radius at motions.2.train.0.module_mm: One turn of the lead screw slides it by 3.14 mm, but its load is computed with 62.8 mm.',
    ]],
    'one motor, each way another' => ['train.shares', ['motions.2.drive.shares' => 'lid', 'motions.2.drive.shares_by' => 'direction'], [
        'tight train.shares_no_pawl at motions.2.train: Its motor moves this turning one way and Lid turning the other, but nothing lets the wrong turning go by.',
    ]],
    'with a pawl' => ['train.shares', ['motions.2.drive.shares' => 'lid', 'motions.2.drive.shares_by' => 'direction', 'motions.2.train' => [pawlThat('forward')]], []],
    'with a selector' => ['train.shares', ['motions.2.drive.shares' => 'lid', 'motions.2.drive.shares_by' => 'selector'], []],
    // 0.353 × cos θ is as much as it rubs, 0.02 N·m, at 86.75°; until then the teeth are pressed one way
    'pressed one way all the way' => ['train.slop', ['motions.0.places.1.at' => 86.7, 'motions.0.stops.hard_high' => 95, 'motions.0.stops.switches.1.at' => 86.7] + SLOPPY, []],
    'and not quite' => ['train.slop', ['motions.0.places.1.at' => 86.8, 'motions.0.stops.hard_high' => 95, 'motions.0.stops.switches.1.at' => 86.8] + SLOPPY, [
        'fails train.slop at motions.0.train: Its gears leave 0.764° of play at the load, where 0.2° is allowed, and its load presses now this way, now that. The last mesh counts most; a spring that always pulls one way takes the play out.',
    ]],
    'its rod pushes at 30° at least' => ['linkage.flat', byRod(0.017), []],
    'flatter' => ['linkage.flat', byRod(0.0175), ['tight linkage.flat at motions.0.mechanism: At 70° its bars push only 29.4° off the line of what they push, mostly on its pivot: a little play lets it stick.']],
    'not so far' => ['linkage.flat', byRod(0.018, 66), []],
    'a little further' => ['linkage.flat', byRod(0.018, 68), ['tight linkage.flat at motions.0.mechanism: At 68° its bars push only 29.1° off the line of what they push, mostly on its pivot: a little play lets it stick.']],
    // crank and coupler in line where cos θ = (100² + 110² − 50²) ÷ (2 · 100 · 110): 27°, found within half a degree
    'a crank that passes its dead point' => ['linkage', rockedBy(0.02), [
        'note linkage.dead_point at motions.0.mechanism: On its way, at 26.8°, the driving bar and the next lie in one line: there what is moved stands still, turns round, and cannot turn the motor.',
    ]],
    'one that goes round passes it every time' => ['linkage', rockedBy(0.02, ON_AND_ON), []],
    // at 180° coupler and rocker bridge 138 mm: 20.25° off their line
    'a crank of 38 mm' => ['linkage', rockedBy(0.038, ON_AND_ON), ['tight linkage.flat at motions.0.mechanism: At 180° its bars push only 20.2° off the line of what they push, mostly on its pivot: a little play lets it stick.']],
    // 139.6 mm: 9.04°
    'of 39.6 mm' => ['linkage', rockedBy(0.0396, ON_AND_ON), ['fails linkage.flat at motions.0.mechanism: At 180° its bars push only 9.04° off the line of what they push, mostly on its pivot: it sticks there.']],
]);

it('offers the least that does', function (string $code, array $planted, array $offers) {
    expect(Said::offers($code, $planted))->toBe($offers);
})->with([
    'a thicker worm' => ['train.holds_barely', through([wormOf(10)]), ['Make it 12 mm thick: its thread is then flat enough, and 39.1% of the power passes']],
    'or one start' => ['train.holds_barely', through([wormOf(20, 2)]), ['Make it 24 mm thick: its thread is then flat enough, and 39.1% of the power passes', 'Take one start instead of 2: it holds, at that many times the ratio']],
    // 46.7 ÷ 1.774 N for each newton of tension, and a fifth more
    'a tighter belt' => ['train.belt_slips', through([roundBelt(15)]), ['Stretch it to 32 N on each side, a fifth more than it needs', 'Take a toothed belt there']],
]);
