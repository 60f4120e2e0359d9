<?php

declare(strict_types=1);

use Brookstone\Core\Machine\DriveBody;
use Brookstone\Core\Machine\Piece;
use Brookstone\Core\Solid\Vector;
use Tests\Support\Builds;

/** @param  array<string, mixed>  $planted */
function driveBody(array $planted, string $motion): ?Piece
{
    $build = Builds::planted($planted);

    return DriveBody::of($build->stage, $build->motions[$motion]);
}

/** @return list<float> its middle, m, rounded to a hundredth of a millimetre */
function middle(?Piece $piece): array
{
    $at = $piece?->at->at ?? new Vector(NAN, NAN, NAN);

    return [round($at->x, 5) + 0.0, round($at->y, 5) + 0.0, round($at->z, 5) + 0.0];
}

it('is behind what swings, or before it, with its length along the axis', function () {
    $mount = fn (string $side): array => ['motions.0.mount' => ['x_m' => 0.1, 'z_m' => 0.2, 'drive_side' => $side]];
    $length = Builds::sound()->motions['lid']->drive->one->body()->length_mm / 1000;

    expect(middle(driveBody($mount('behind'), 'lid')))->toBe([0.1, round($length / 2, 5), 0.2])
        ->and(middle(driveBody($mount('before'), 'lid')))->toBe([0.1, round(-$length / 2, 5), 0.2])
        ->and(driveBody($mount('behind'), 'lid')->at->way(new Vector(1.0, 0.0, 0.0))->y)->toBeAbout(-1.0, 1e-9)
        ->and(driveBody($mount('none'), 'lid'))->toBeNull()
        ->and(driveBody(['motions.0.mount' => ['drive_side' => 'behind', 'drive' => 'base']], 'lid'))->toBeNull()
        ->and(driveBody(['motions.0.mount' => ['drive_side' => 'behind'], 'motions.0.drive' => null], 'lid'))->toBeNull();
});

it('is below what turns about an upright axis, and behind what slides', function () {
    $head = ['motions.0.mechanism' => ['kind' => 'turntable', 'disc_mass_kg' => 0.3, 'disc_radius_m' => 0.1], 'motions.0.mount' => ['z_m' => 0.3, 'drive_side' => 'behind']];
    $length = Builds::sound()->motions['lid']->drive->one->body()->length_mm / 1000;

    expect(middle(driveBody($head, 'lid')))->toBe([0.0, 0.0, round(0.3 - $length / 2, 5)]);
});

it('stands with what its motion stands on, and goes with it', function () {
    $planted = ['motions.0.mount' => ['z_m' => 0.2], 'motions.1.mount' => ['on' => 'lid', 'x_m' => 0.1, 'drive_side' => 'behind']];
    $piece = driveBody($planted, 'jaw');

    expect($piece->of->id)->toBe('lid')->and($piece->movedBy)->toBe(['lid'])->and($piece->driveOf)->toBe('jaw')->and($piece->named())->toContain('the ')
        ->and($piece->body->is)->toBe('moved')->and(driveBody(['motions.0.mount' => ['drive_side' => 'behind']], 'lid')->body->is)->toBe('frame');
});

/** The jaw’s servo behind its mount on the lid, in a shell of so thick walls. @return list<string> */
function saidOfRoom(float $size_m, ?float $wall_m, string $shape = 'box'): array
{
    $build = Builds::planted(['motions.0.mount' => ['z_m' => 0.2], 'motions.1.mount' => ['on' => 'lid', 'x_m' => 0.1, 'drive_side' => 'behind'],
        'motions.0.bodies' => [['id' => 'shell', 'name' => 'Shell', 'shape' => $shape, 'x_m' => 0.1, 'y_m' => 0.02, 'length_m' => $size_m, 'mass_kg' => 0.1,
            'wall_m' => $wall_m]]]);

    return array_map(fn ($finding): string => "{$finding->severity->value}: {$finding->says->text()}", Builds::found($build, 'stage.drive_room'));
}

it('fits where its corners are inside of the hollow, to the millimetre', function () {
    $body = Builds::sound()->motions['jaw']->drive->one->body();
    // behind its mount from y = 0 to its length; the shell’s middle at y = 20 mm: so much hollow it takes from there on either side
    $half = max(20.0, $body->length_mm - 20.0, $body->width_mm / 2, $body->height_mm / 2) / 1000;

    expect(saidOfRoom(2 * ($half + 0.002 + 0.0001), 0.002))->toBe([])
        ->and(saidOfRoom(2 * ($half + 0.002 - 0.001), 0.002)[0])->toContain('fails: The drive of Jaw')->toContain('sticks 1 mm out of the hollow of Shell')
        ->and(saidOfRoom(0.1, null)[0])->toContain('tight: The drive of Jaw')->toContain('say how thick the walls of that are')
        ->and(saidOfRoom(0.1, 0.002, 'ball'))->toBe([])
        ->and(saidOfRoom(0.05, 0.004, 'ball')[0])->toContain('out of the hollow');
});

it('is not where another drive is', function () {
    $planted = ['motions.0.mount' => ['z_m' => 0.2, 'drive_side' => 'behind'], 'motions.1.mount' => ['z_m' => 0.2, 'drive_side' => 'behind']];
    $said = Builds::found(Builds::planted($planted), 'stage.drive_room');

    expect($said)->toHaveCount(1)->and($said[0]->says->text())->toContain('sits where the drive of')
        ->and(Builds::found(Builds::planted(array_replace($planted, ['motions.1.mount' => ['z_m' => 0.2, 'drive_side' => 'before']])), 'stage.drive_room'))->toBe([]);
});

it('is met by what moves, and is put on the other side as a mend', function () {
    // a stick beside the lid, through which its motor would swing if it stood there: the jaw's servo sweeps with the lid
    $build = Builds::planted(['motions.0.mount' => ['z_m' => 0.2], 'motions.1.mount' => ['on' => 'lid', 'x_m' => 0.1, 'drive_side' => 'behind'],
        'things.0' => ['id' => 'post', 'name' => 'Post', 'x_m' => 0.05, 'y_m' => 0.015, 'z_m' => 0.28, 'length_m' => 0.01, 'width_m' => 0.005, 'height_m' => 0.2]]);
    $said = array_map(fn ($finding): string => $finding->says->text(), Builds::found($build, 'stage.touches'));

    expect(implode(' ', $said))->toContain('the drive of Jaw touches Post');
});

/** A jaw held on the lid by magnets. @return array<string, mixed> */
function onMagnets(float $contact_N, float $gap_m): array
{
    return ['motions.0.mount' => ['z_m' => 0.2], 'motions.1.mount' => ['on' => 'lid', 'x_m' => 0.1, 'magnets' => ['contact_N' => $contact_N, 'magnet_m' => 0.01, 'gap_m' => $gap_m]]];
}

it('says what magnets have to hold, tilted as it stands and moved off as it is', function () {
    $found = Builds::found(Builds::planted(onMagnets(2.0, 0.002)), 'stage.magnets_let_go');
    $needed = $found[0]->says->values['needed']->si;
    $fine = 1.5 * $needed * 1.2 ** 4; // across 2 mm a magnet of 10 mm pulls 1.2⁻⁴ of what it pulls in contact

    expect($found[0]->says->values['tilt']->si)->toBeAbout(deg2rad(Builds::sound()->motions['lid']->range()[1]), 1e-6)
        ->and(Builds::found(Builds::planted(onMagnets(1.001 * $fine, 0.002)), 'stage.magnets_let_go'))->toBe([])
        ->and(Builds::found(Builds::planted(onMagnets(0.999 * $fine, 0.002)), 'stage.magnets_let_go')[0]->severity->value)->toBe('tight')
        ->and(Builds::found(Builds::planted(onMagnets(0.66 * $fine, 0.002)), 'stage.magnets_let_go')[0]->severity->value)->toBe('fails');
});
