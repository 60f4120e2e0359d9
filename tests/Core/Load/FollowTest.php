<?php

declare(strict_types=1);

use Brookstone\Core\Drive\TorqueLine;
use Brookstone\Core\Dynamics\Plant;
use Brookstone\Core\Load\Move;
use Brookstone\Core\Load\MoveLoad;
use Brookstone\Core\Load\MoveTorque;
use Brookstone\Core\Load\Profile;
use Tests\Support\Things;

dataset('moves', function () {
    foreach (array_diff(Things::KINDS, ['segmented', 'layered']) as $kind) {
        foreach ([1, 2, 3, 4] as $seed) {
            yield "{$kind} {$seed}" => [$kind, $seed];
        }
    }
});

/**
 * Pushes with exactly the torque that the wanted move needs at each instant, and looks how far off the wanted move it is.
 *
 * @return float largest distance from the wanted position, as a share of the way
 */
function strayed(Plant $plant, MoveTorque $needed, int $steps): float
{
    $move = $needed->move;
    $state = $plant->stateAt($move->from);
    $strays = 0.0;
    foreach ($needed->pieces() as [$from, $to, $piece]) {
        for ($i = 0; $i < $steps; $i++) {
            $middle = $from + ($to - $from) * ($i + 0.5) / $steps;
            $torque = $needed->at($middle, $piece, $middle)[0];
            $push = new TorqueLine(abs($torque), 0.0, 0.0, 0.0, 0.0);
            for ($left = ($to - $from) * $move->seconds / $steps; $left > 1e-12;) {
                $left -= $plant->step($state, $push, $torque < 0.0 ? -1 : 1, true, $left);
            }
            $end = $from + ($to - $from) * ($i + 1) / $steps;
            $wanted = $move->from + $move->profile->at($end, $piece)[0] * $move->distance();
            $strays = max($strays, abs($plant->position($state) - $wanted) / abs($move->distance()));
        }
    }

    return $strays;
}

it('follows the wanted move when it is pushed with exactly the torque that was computed', function (string $kind, int $seed) {
    $things = new Things(100 + $seed);
    [$thing, $from, $to] = $things->make($kind);
    $move = new Move($seed % 2 === 0 ? $from : $to, $seed % 2 === 0 ? $to : $from, $things->number(0.4, 3.0), $seed < 3 ? Profile::Cosine : Profile::Trapezoid);
    $needed = new MoveTorque($thing, $move, 0.002);
    $plant = new Plant($thing, 1.0, 1.0, 1.0, 0.002);

    expect(strayed($plant, $needed, 1500))->toBeLessThan(0.01);
})->with('moves');

it('never asks for less than its largest torque at any instant', function (string $kind, int $seed) {
    $things = new Things(200 + $seed);
    [$thing, $from, $to] = $things->make($kind);
    $move = new Move($from, $to, $things->number(0.3, 3.0), $seed % 2 === 0 ? Profile::Cosine : Profile::Trapezoid);
    $load = MoveLoad::of($thing, $move, 0.001);
    $needed = new MoveTorque($thing, $move, 0.001);
    $squares = 0.0;
    $count = 0;
    $largest = 0.0;
    foreach ($needed->pieces() as [$a, $b, $piece]) {
        for ($i = 0; $i < 3000; $i++) {
            $t = $a + ($b - $a) * ($i + 0.5) / 3000;
            $torque = $needed->at($t, $piece, ($a + $b) / 2)[0];
            $largest = max($largest, abs($torque));
            $squares += $torque ** 2 * ($b - $a) / 3000;
            $count++;
        }
    }

    expect($load->peak_Nm)->toBeGreaterThanOrEqual($largest * (1 - 1e-9))->toBeAbout($largest, 1e-3)
        ->and($load->rms_Nm)->toBeAbout(sqrt($squares), 1e-3)
        ->and($load->rms_Nm)->toBeLessThanOrEqual($load->peak_Nm * (1 + 1e-9));
})->with('moves');

it('sees the edge of a segment, however narrow', function () {
    [$thing] = (new Things(7))->make('segmented');
    $load = MoveLoad::of($thing, new Move(0.0, 0.2, 4.0));

    expect($load->steady_peak_Nm)->toBeAbout(abs($thing->staticTorqueNm(0.03)) + $thing->frictionNm(0.03), 1e-6)
        ->and($load->worst_at)->toBeGreaterThanOrEqual(0.0199)->toBeLessThanOrEqual(0.0351);
});

it('says when it is where on the way', function (Profile $profile) {
    foreach ([0.01, 0.2, 0.25, 0.5, 0.74, 0.99] as $way) {
        $t = $profile->timeAt($way);
        $piece = array_values(array_filter($profile->pieces(), fn (array $piece): bool => $t >= $piece[0] - 1e-12 && $t <= $piece[1] + 1e-12))[0];
        expect($profile->at($t, $piece)[0])->toBeAbout($way, 1e-9);
    }
})->with(Profile::cases());
