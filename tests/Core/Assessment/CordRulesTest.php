<?php

declare(strict_types=1);

use Brookstone\Core\Finding\Change;
use Tests\Support\Builds;
use Tests\Support\Said;

/**
 * To plant: fields of the hoist of the lift.
 *
 * @param  array<string, mixed>  $fields
 * @return array<string, mixed>
 */
function hoistWith(array $fields): array
{
    return array_combine(array_map(fn (string $key): string => "motions.2.mechanism.{$key}", array_keys($fields)), $fields);
}

/** @return array<string, mixed> to plant: lift and lid on one shaft, the lightest first */
function inTurnWith(float $mass_kg, array $more = []): array
{
    return ['motions.2.mechanism.mass_kg' => $mass_kg, 'motions.2.drive.shares' => 'lid', 'motions.2.drive.shares_by' => 'in_turn'] + $more;
}

function weakCord(string $severity, string $bears, string $pull = '8.83', string $wanted = '88.3'): string
{
    return "{$severity} load.cord_weak at motions.2.mechanism.breaking_N: With its knot the cord holds {$bears} N; a start pulls it with {$pull} N. Five times that leaves room for wear: take one that breaks at {$wanted} N or more.";
}

function snappingCord(string $pull, string $bears): string
{
    return "tight load.cord_snaps at motions.2.mechanism.breaking_N: Jammed, or drawn against its upper stop, it pulls with {$pull} N, but with its knot the cord holds {$bears} N: it breaks before the motor stalls.";
}

// 0.6 kg pull with 5.884 N, a start with half as much again; a knot leaves half of what a cord bears. The motor stalls at 2.8 N·m on a drum of 10 mm.
it('says of a cord what is so on one side of a threshold, and not on the other', function (string $codes, array $planted, array $says) {
    expect(Said::atOnce($codes, $planted))->toBe($says);
})->with([
    'five times a start, nearly' => ['load.cord_weak', hoistWith(['breaking_N' => 88.2]), [weakCord('tight', '44.1')]],
    'and more' => ['load.cord_weak', hoistWith(['breaking_N' => 88.3]), []],
    'a start it bears' => ['load.cord_weak', hoistWith(['breaking_N' => 17.7]), [weakCord('tight', '8.85')]],
    'and one that breaks it' => ['load.cord_weak', hoistWith(['breaking_N' => 17.6]), [weakCord('fails', '8.8')]],
    'two lines share it' => ['load.cord_weak', hoistWith(['breaking_N' => 40, 'lines' => 2]), [weakCord('tight', '20', '4.41', '44.1')]],
    'and bear it' => ['load.cord_weak', hoistWith(['breaking_N' => 44.2, 'lines' => 2]), []],
    'a splice that leaves all' => ['load.cord_weak', hoistWith(['breaking_N' => 44.2, 'knot_share' => 1.0]), []],
    'nobody knows what it bears' => ['load.cord', [], []],
    'less than the motor pulls' => ['load.cord_snaps', hoistWith(['breaking_N' => 559]), [snappingCord('279.7', '279.5')]],
    'more' => ['load.cord_snaps', hoistWith(['breaking_N' => 560]), []],
    'less than a clutch lets through' => ['load.cord_snaps', ['motions.2.drive.clutch_Nm' => 1.01] + hoistWith(['breaking_N' => 200]), [snappingCord('101', '100')]],
    'as much' => ['load.cord_snaps', ['motions.2.drive.clutch_Nm' => 1.0] + hoistWith(['breaking_N' => 200]), []],
    // half of 20 mm over the lead: 2° are 0.0349
    'led from 286 mm' => ['load.fleet', hoistWith(['drum_width_m' => 0.02, 'lead_m' => 0.286]), [
        'tight load.fleet at motions.2.mechanism.lead_m: At its flanges the cord runs on 2.003° slantwise: over about 2° it climbs on itself.',
    ]],
    'from 287 mm' => ['load.fleet', hoistWith(['drum_width_m' => 0.02, 'lead_m' => 0.287]), []],
    'from 144 mm' => ['load.fleet', hoistWith(['drum_width_m' => 0.02, 'lead_m' => 0.144]), [
        'tight load.fleet at motions.2.mechanism.lead_m: At its flanges the cord runs on 3.97° slantwise: over about 2° it climbs on itself.',
    ]],
    'from 142 mm' => ['load.fleet', hoistWith(['drum_width_m' => 0.02, 'lead_m' => 0.142]), [
        'fails load.fleet at motions.2.mechanism.lead_m: At its flanges the cord runs on 4.03° slantwise: over about 2° it climbs on itself.',
    ]],
    'on a drum that travels' => ['load.fleet', hoistWith(['drum_width_m' => 0.02, 'lead_m' => 0.1, 'travelling' => true]), []],
    // the lid takes 0.373 N·m to start, the lift 0.0981 N·m for each kilogram
    'surely before it' => ['train.in_turn|train.order', inTurnWith(2.53), [
        'note train.in_turn at motions.2.drive.shares_by: Lift goes first, Lid once it has met its stop: to start, the second needs 1.5 times what the first needs at its hardest.',
    ]],
    'only just' => ['train.in_turn|train.order', inTurnWith(2.54), [
        'tight train.order_unsure at motions.2.drive.shares_by: Lift goes first, but only just: Lid needs 1.498 times that to start, and 1.5 times is sure. A little rub turns the order round.',
    ]],
    'only just after it' => ['train.in_turn|train.order', inTurnWith(4.5), [
        'tight train.order_unsure at motions.2.drive.shares_by: Lid goes first, but only just: Lift needs 1.18 times that to start, and 1.5 times is sure. A little rub turns the order round.',
    ]],
    'surely after it' => ['train.in_turn|train.order', inTurnWith(5.8), [
        'note train.in_turn at motions.2.drive.shares_by: Lid goes first, Lift once it has met its stop: to start, the second needs 1.52 times what the first needs at its hardest.',
    ]],
    // twice as slow, at 95 %
    'geared down' => ['train.in_turn|train.order', inTurnWith(2.53, ['motions.2.train' => [['type' => 'spur', 'driver' => 20, 'driven' => 40]]]), [
        'note train.in_turn at motions.2.drive.shares_by: Lift goes first, Lid once it has met its stop: to start, the second needs 2.86 times what the first needs at its hardest.',
    ]],
    'rubbing with 10 N' => ['train.in_turn|train.order', inTurnWith(0.6, ['motions.2.mechanism.friction_N' => 10]), [
        'note train.in_turn at motions.2.drive.shares_by: Lift goes first, Lid once it has met its stop: to start, the second needs 2.35 times what the first needs at its hardest.',
    ]],
    'one alone' => ['train.in_turn|train.order', [], []],
]);

it('offers a cord of the drawer that bears it, with its thickness where that was said, and a clutch only where the move gets through', function (string $code, array $fields, array $offers) {
    $found = Builds::found(Builds::planted(hoistWith($fields)), $code)[0];

    expect(array_map(fn ($fix): array => [$fix->does->text(), array_column(array_map(fn (Change $each): array => [preg_replace('/^motions\.2\./', '', $each->path), $each->value], $fix->changes), 1, 0)],
        $found->fixes))->toEqual($offers);
})->with([
    'weak' => ['load.cord_weak', ['breaking_N' => 58], [['Take Braid 0.8 from the drawer: it breaks at 150 N', ['mechanism.breaking_N' => 150.0]]]],
    'weak and thick' => ['load.cord_weak', ['breaking_N' => 58, 'cord_m' => 0.001], [['Take Braid 0.8 from the drawer: it breaks at 150 N', ['mechanism.breaking_N' => 150.0, 'mechanism.cord_m' => 0.0008]]]],
    // four fifths of 29 N on 10 mm, and the move needs 0.139 N·m
    'snaps' => ['load.cord_snaps', ['breaking_N' => 58, 'cord_m' => 0.001], [['Put a clutch between train and drum that slips at 0.23 N·m: the move needs 0.139 N·m', ['drive.clutch_Nm' => 0.23]],
        ['Take Braid 2 from the drawer: it breaks at 900 N', ['mechanism.breaking_N' => 900.0, 'mechanism.cord_m' => 0.002]]]],
    'snaps before a clutch would do' => ['load.cord_snaps', ['breaking_N' => 43], [['Take Braid 2 from the drawer: it breaks at 900 N', ['mechanism.breaking_N' => 900.0]]]],
    'just after' => ['load.cord_snaps', ['breaking_N' => 44.8], [['Put a clutch between train and drum that slips at 0.18 N·m: the move needs 0.139 N·m', ['drive.clutch_Nm' => 0.18]],
        ['Take Braid 2 from the drawer: it breaks at 900 N', ['mechanism.breaking_N' => 900.0]]]],
    'leads' => ['load.fleet', ['drum_width_m' => 0.02, 'lead_m' => 0.2], [['Lead it from 290 mm away', ['mechanism.lead_m' => 0.29]], ['Let the drum travel on a thread of the cord’s pitch', ['mechanism.travelling' => true]]]],
]);
