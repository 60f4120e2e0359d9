<?php

declare(strict_types=1);

use Brookstone\Core\Parts\Supply;

it('gives what its cells give, empty and full', function (string $cells, float $nominal, float $empty, float $full) {
    $pack = new Supply('p', 'P', $nominal, 2.0, 3.0, cells: $cells);
    [$low, $high] = $pack->ends();
    expect($low * $nominal)->toBeAbout($empty, 1e-9)->and($high * $nominal)->toBeAbout($full, 1e-9)
        ->and($pack->spread())->toBeAbout(($high - $low) / 2 / sqrt(3), 1e-12)
        ->and($pack->staysWithin($empty, $full))->toBeTrue()->and($pack->staysWithin($empty + 0.01, $full))->toBeFalse()
        ->and($pack->staysWithin($empty, $full - 0.01))->toBeFalse();
})->with([['alkaline', 4.5, 3.0, 4.8], ['nickel', 6.0, 5.0, 7.0], ['lead', 12.0, 10.8, 12.78], ['lithium', 7.4, 6.0, 8.4], ['other', 6.0, 5.4, 6.6]]);

it('never gets emptier than where it is cut off', function () {
    $pack = fn (?float $cut): Supply => new Supply('p', 'P', 7.4, 2.0, 3.0, cells: 'lithium', cutoff_V: $cut);
    expect($pack(6.6)->ends()[0] * 7.4)->toBeAbout(6.6, 1e-9)->and($pack(5.0)->ends()[0] * 7.4)->toBeAbout(6.0, 1e-9)
        ->and((new Supply('m', 'M', 12.0, 2.0))->ends())->toBe([])->and((new Supply('m', 'M', 12.0, 2.0))->spread())->toBe(0.01)
        ->and((new Supply('m', 'M', 12.0, 2.0))->staysWithin(12.0, 12.0))->toBeTrue();
});

it('gives out of what feeds it what its converter makes of that', function (array $converter, float $fed_V, float $gives_V) {
    $rail = new Supply(...$converter + ['id' => 'r', 'name' => 'R', 'volts_V' => 5.0, 'max_A' => 1.0, 'from' => 's']);
    expect($rail->givesFrom($fed_V))->toBeAbout($gives_V, 1e-12);
})->with([
    [['converter' => 'linear', 'dropout_V' => 1.2], 12.0, 5.0], [['converter' => 'linear', 'dropout_V' => 1.2], 6.2, 5.0], [['converter' => 'linear', 'dropout_V' => 1.2], 6.0, 4.8],
    [['converter' => 'down'], 5.0, 5.0], [['converter' => 'down'], 4.0, 4.0], [['converter' => 'linear', 'dropout_V' => 1.2], 1.0, 0.0],
    [['converter' => 'up', 'dropout_V' => 0.9], 0.9, 5.0], [['converter' => 'up', 'dropout_V' => 0.9], 0.89, 0.0],
    [['converter' => 'gate', 'dropout_V' => 0.1], 5.0, 4.9], [['converter' => 'gate', 'dropout_V' => 0.1], 0.0, 0.0],
]);

it('takes of what feeds it as much as it gives, or as much power', function () {
    $rail = fn (string $converter): Supply => new Supply('r', 'R', 5.0, 1.0, from: 's', converter: $converter, efficiency: 0.8, idle_A: 0.01);
    expect($rail('linear')->takes_A(0.5, 5.0, 12.0))->toBeAbout(0.51, 1e-12)->and($rail('gate')->takes_A(0.5, 5.0, 12.0))->toBeAbout(0.51, 1e-12)
        ->and($rail('down')->takes_A(0.5, 5.0, 12.0))->toBeAbout(0.01 + 5.0 * 0.5 / 0.8 / 12.0, 1e-12)
        ->and($rail('up')->takes_A(0.5, 5.0, 3.0))->toBeAbout(0.01 + 5.0 * 0.5 / 0.8 / 3.0, 1e-12)
        ->and($rail('down')->takes_A(0.5, 5.0, 0.0))->toBeAbout(0.51, 1e-12)
        ->and($rail('linear')->needs_V())->toBe(5.0)->and($rail('gate')->needs_V())->toBe(0.0)->and($rail('up')->needs_V())->toBe(0.0);
});
