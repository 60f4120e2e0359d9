<?php

declare(strict_types=1);

use Brookstone\Core\Parts\Supply;
use Brookstone\Core\Wiring\Discharge;

it('falls from full to empty, and its charge follows from its volts', function (string $cells) {
    $curve = new Discharge($cells);
    $last = INF;
    for ($gone = 0; $gone <= 100; $gone++) {
        $volts = $curve->volts(1 - $gone / 100);
        expect($volts)->toBeLessThan($last)->and($curve->left($volts))->toBeAbout(1 - $gone / 100, 1e-9);
        $last = $volts;
    }
    expect($curve->full())->toBe($curve->volts(1.0))->and($curve->empty())->toBe($curve->volts(0.0))
        ->and($curve->volts(1.5))->toBe($curve->full())->and($curve->volts(-0.5))->toBe($curve->empty())
        ->and($curve->left(9.0))->toBe(1.0)->and($curve->left(0.1))->toBe(0.0);
})->with(Discharge::CELLS);

it('gives what its cells give, full and empty', function (string $cells, float $nominal_V, float $empty_V, float $full_V) {
    expect((new Discharge($cells))->empty() * $nominal_V)->toBeAbout($empty_V, 1e-9)->and((new Discharge($cells))->full() * $nominal_V)->toBeAbout($full_V, 1e-9);
})->with([['alkaline', 1.5, 1.0, 1.6], ['nickel', 1.2, 1.0, 1.4], ['lead', 2.0, 1.8, 2.13], ['lithium', 3.7, 3.0, 4.2], ['other', 1.0, 0.9, 1.1]]);

it('leaves in a battery what comes after it is cut off', function (?float $cutoff_V, float $usable) {
    $pack = new Supply('pack', 'Pack', 12.0, 5.0, capacity_Ah: 8.0, cutoff_V: $cutoff_V);
    expect($pack->usable())->toBeAbout($usable, 1e-9)->and($pack->usable_Ah())->toBeAbout(8.0 * $usable, 1e-9);
})->with([[null, 1.0], [10.8, 1.0], [9.0, 1.0], [11.4, 0.75], [12.0, 0.5]]);

it('loses by itself a share of its charge a month', function () {
    expect((new Supply('pack', 'Pack', 12.0, 5.0, capacity_Ah: 6.0, self_discharge_per_month: 0.1))->loses_Ah_day())->toBeAbout(0.02, 1e-12)
        ->and((new Supply('main', 'Main', 12.0, 5.0, self_discharge_per_month: 0.1))->loses_Ah_day())->toBe(0.0)
        ->and((new Supply('main', 'Main', 12.0, 5.0))->usable_Ah())->toBeNull();
});

it('gives at its terminals what its cells give less what is lost inside, and the charge follows from that', function (float $left, float $gives_A) {
    $pack = new Supply('pack', 'Pack', 12.0, 20.0, resistance_ohm: 0.3, capacity_Ah: 8.0, cells: 'lead');
    $terminal = $pack->terminal_V($left, $gives_A);
    expect($terminal)->toBeAbout($pack->terminal_V($left, 0.0) - 0.3 * $gives_A, 1e-9)->and($pack->leftAt($terminal, $gives_A))->toBeAbout($left, 1e-9)
        ->and($pack->terminal_V(1.0, 0.0))->toBeAbout(6 * 2.13, 1e-9)->and($pack->terminal_V($left, 100.0))->toBe(0.0);
})->with([[1.0, 0.0], [1.0, 4.0], [0.4, 2.0], [0.05, 0.5]]);
