<?php

declare(strict_types=1);

use Tests\Support\Said;

/** @return array<string, mixed> to plant: the jaw held on the lid by magnets, so far from its pivot */
function heldByMagnets(float $contact_N, float $x_m = 0.1, string $on = 'lid'): array
{
    return ['motions.'.($on === 'lid' ? 0 : 2).'.mount' => ['z_m' => 0.2], 'motions.1.mount' => ['on' => $on, 'x_m' => $x_m, 'magnets' => ['contact_N' => $contact_N, 'magnet_m' => 0.01, 'gap_m' => 0.002]]];
}

function magnetsLetGo(string $severity, string $accel, string $needed, string $pull): string
{
    return "{$severity} stage.magnets_let_go at motions.1.mount.magnets.gap_m: Tilted by 70° and moved off with {$accel} of its weight, Jaw and what rides on it, 100 g, take {$needed} N to hold; across their gap the magnets pull {$pull} N"
        .($severity === 'fails' ? ': it comes off.' : ', less than 1.5 × that.');
}

// Jaw and servo weigh 100 g. Tilted by 70° that pulls sideways with 0.922 N, and half of what magnets pull acts sideways (and a tenth rubs); across 2 mm, a fifth of
// their length, they pull 1/1.2⁴ of what they pull in contact. The lid sets out with 4.5 · 70° ÷ (2.5 s)² = 0.88 rad/s²; the jaw weighs 50 mm from its own pivot.
it('says of magnets what they must hold, and by how little or much they do', function (array $planted, array $says) {
    expect(Said::atOnce('stage.magnets', $planted))->toBe($says);
})->with([
    'far too weak' => [heldByMagnets(0.5), [magnetsLetGo('fails', '1.35%', '1.54', '0.241')]],
    'moved off faster, further out' => [heldByMagnets(0.5, 0.2), [magnetsLetGo('fails', '2.24%', '1.55', '0.241')]],
    'just too weak' => [heldByMagnets(3.1), [magnetsLetGo('fails', '1.35%', '1.54', '1.49')]],
    'just strong enough' => [heldByMagnets(3.3), [magnetsLetGo('tight', '1.35%', '1.54', '1.59')]],
    'nearly half as much again' => [heldByMagnets(4.8), [magnetsLetGo('tight', '1.35%', '1.54', '2.31')]],
    'and that' => [heldByMagnets(4.9), []],
    'never tilted' => [heldByMagnets(0.3, on: 'lift'), []],
]);

it('offers magnets nearer to each other, or stronger', function (float $contact_N, array $offers) {
    expect(Said::offers('stage.magnets_let_go', heldByMagnets($contact_N)))->toBe($offers);
})->with([
    // 10 mm · ((4 ÷ 2.315)^¼ − 1)
    [4.0, ['Bring the magnets to 1.4 mm from each other', 'Take magnets that pull 5 N in contact']],
    [2.5, ['Take magnets that pull 5 N in contact']], // nearer than half a millimetre
]);
