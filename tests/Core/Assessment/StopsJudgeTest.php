<?php

declare(strict_types=1);

use Brookstone\Core\Assessment\Stops\StopsJudge;
use Brookstone\Core\Finding\Change;
use Brookstone\Core\Finding\Finding;
use Tests\Support\Builds;
use Tests\Support\Said;

/**
 * What is offered against each finding of a code, and what that would change in its motion.
 *
 * @param  array<string, mixed>  $planted
 * @return list<array<string, mixed>>
 */
function stopsOffer(string $code, array $planted): array
{
    return array_map(fn (Finding $finding): array => array_combine(
        array_map(fn ($fix): string => $fix->does->text(), $finding->fixes),
        array_map(fn ($fix): mixed => array_map(fn (Change $each): mixed => $each->value, $fix->changes)[0], $finding->fixes),
    ), Builds::found(Builds::planted($planted), $code));
}

const TO_ITS_PLACE = ': it then comes to rest at its place';

// The lid runs on 1.79° past its upper switch and 1.88° past its lower one, the lift 0.789 and 0.817 mm.
describe('where it comes to rest', function () {
    it('is near enough, or is told with all that adds up to it', function (array $planted, array $says) {
        expect(Said::atOnce('stops.switch_off_place', ['log' => []] + $planted))->toBe($says);
    })->with(function () {
        $off = fn (int $motion, int $switch, string $says): string => "fails stops.switch_off_place at motions.{$motion}.stops.switches.{$switch}.at: {$says}";

        return [
            'within both' => [['motions.0.task.tolerance' => 1.89], []],
            'within the upper' => [['motions.0.task.tolerance' => 1.8], [$off(0, 0, 'Lid shut switch trips at 0°, and with its run-on of 1.88° it stands at −1.88°: 1.88° off its place Shut, where 1.8° is allowed.')]],
            'within neither' => [['motions.0.task.tolerance' => 1.78], [
                $off(0, 0, 'Lid shut switch trips at 0°, and with its run-on of 1.88° it stands at −1.88°: 1.88° off its place Shut, where 1.78° is allowed.'),
                $off(0, 1, 'Lid open switch trips at 70°, and with its run-on of 1.79° it stands at 71.8°: 1.79° off its place Open, where 1.78° is allowed.'),
            ]],
            'a stop on which it comes to stand first' => [['motions.0.task.tolerance' => 0.5, 'motions.0.stops.hard_high' => 70.4, 'motions.0.stops.switches.0.at' => 1.88], []],
            'a switch as much earlier' => [['motions.0.task.tolerance' => 0.1, 'motions.0.stops.switches.0.at' => 1.88, 'motions.0.stops.switches.1.at' => 68.21], []],
            'a little less' => [['motions.2.task.tolerance' => 0.00081], [$off(2, 0, 'Lift low switch trips at 0 mm, and with its run-on of 0.817 mm it stands at −0.817 mm: 0.817 mm off its place Low, where 0.81 mm is allowed.')]],
            'a little more' => [['motions.2.task.tolerance' => 0.00082], []],
        ];
    });

    it('is mended by an earlier switch, or by the highest duty with which it is near enough', function (array $planted, array $offers) {
        expect(stopsOffer('stops.switch_off_place', ['log' => []] + $planted))->toEqual($offers);
    })->with([
        [['motions.0.task.tolerance' => 1.8], [['Move the switch to 1.88°'.TO_ITS_PLACE => 1.88, 'Drive it at 90% of the duty: the move then takes 1.04 s' => 0.9]]],
        [['motions.2.task.tolerance' => 0.0007], [
            ['Move the switch to 0.82 mm'.TO_ITS_PLACE => 0.00082, 'Drive it at 80% of the duty: the move then takes 3.74 s' => 0.8],
            ['Move the switch to 99.2 mm'.TO_ITS_PLACE => 0.09921, 'Drive it at 80% of the duty: the move then takes 3.74 s' => 0.8],
        ]],
        // so slow that it would be late
        [['motions.0.task.tolerance' => 0.5, 'motions.0.stops.hard_high' => 70.4], [['Move the switch to 1.88°'.TO_ITS_PLACE => 1.88]]],
        // where nobody asks how exactly, the switch itself goes to its place
        [['motions.0.stops.switches.1.at' => 62.0], [['Move the switch to 70°' => 70.0]]],
    ]);
});

it('takes an encoder for as fine as its pulse, and offers the coarsest that is fine enough', function (float $tolerance, array $says, array $offers) {
    $planted = ['motions.0.stops.encoder_pulses' => 10, 'motions.0.task.tolerance' => $tolerance];
    expect(Said::atOnce('stops.encoder', $planted))->toBe($says)->and(stopsOffer('stops.encoder_coarse', $planted))->toEqual($offers);
})->with([
    [36.0, [], []],
    [35.9, ['fails stops.encoder_coarse at motions.0.stops.encoder_pulses: One pulse of its encoder takes it 36°, where 35.9° is allowed.'], [['Take an encoder of 11 pulses' => 11.0]]],
    [12.0, ['fails stops.encoder_coarse at motions.0.stops.encoder_pulses: One pulse of its encoder takes it 36°, where 12° is allowed.'], [['Take an encoder of 30 pulses' => 30.0]]],
]);

it('wants a switch where it begins, whatever else tells where it is', function (array $more, string $says, string $place, string $end) {
    $planted = ['motions.2.stops.switches' => [], 'routines' => [], 'log' => []] + $more;
    $switch = StopsJudge::firstSwitch(Builds::planted($planted)->motions['lift']);

    expect(Said::atOnce('stops.none', $planted))->toBe(["fails stops.none at motions.2.stops.switches: {$says}"])
        ->and($switch['place'])->toBe($place)->and($switch['end'])->toBe($end)->and($switch['at'])->toBe($place === 'low' ? 0.0 : 0.1)->and($switch['id'])->toBe("lift-{$place}")
        ->and(array_keys(stopsOffer('stops.none', $planted)[0]))->toBe(['Put a switch at '.ucfirst($place)]);
})->with([
    'a motor' => [[], 'Nothing tells when it has arrived: a motor without a switch at one end at least drifts with every move and pushes on at its stop.', 'low', 'low'],
    'a motor that goes down' => [['motions.2.task.from' => 'high', 'motions.2.task.to' => 'low'], 'Nothing tells when it has arrived: a motor without a switch at one end at least drifts with every move and pushes on at its stop.', 'high', 'high'],
    'a stepper' => [['motions.2.drive.motor' => Builds::motor('P57-56')], 'Nothing tells where it starts: a stepper counts from wherever it stands when the power comes on, so it needs a switch to home on.', 'low', 'low'],
    'an encoder' => [['motions.2.stops.encoder_pulses' => 12], 'Nothing tells where it starts: an encoder counts from wherever it stands when the power comes on, so it needs a switch to home on.', 'low', 'low'],
]);

it('sets the stop back as far as is asked for, or drives slower', function (array $planted, array $offers) {
    expect(stopsOffer('stops.run_on', $planted)[0])->toEqual($offers);
})->with([
    // 1.5 × 1.79°, to a tenth; the highest duty with which two thirds of the room are enough
    [['motions.0.stops.hard_high' => 72.5], ['Set the hard stop back to 72.7°, 2.7° past the switch' => 72.7, 'Drive it at 90% of the duty: the move then takes 1.04 s' => 0.9]],
    [['motions.0.stops.hard_high' => 71.9], ['Set the hard stop back to 72.7°, 2.7° past the switch' => 72.7, 'Drive it at 70% of the duty: the move then takes 1.38 s' => 0.7]],
    [['motions.0.stops.hard_low' => -1.5], ['Set the hard stop back to −2.9°, 2.9° past the switch' => -2.9, 'Drive it at 50% of the duty: the move then takes 2.09 s' => 0.5]],
    [['motions.0.stops.hard_high' => 70.2], ['Set the hard stop back to 72.7°, 2.7° past the switch' => 72.7]], // it would be late
    [['motions.2.stops.hard_high' => 0.1009], ['Set the hard stop back to 101 mm, 1.2 mm past the switch' => 0.1012]],
]);
