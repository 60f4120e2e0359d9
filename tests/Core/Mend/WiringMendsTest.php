<?php

declare(strict_types=1);

use Brookstone\Core\Assessor;
use Brookstone\Core\Build\Build;
use Brookstone\Core\Finding\Fix;
use Tests\Support\Builds;

/** @return array<string, list<string>> what is offered, tried on the whole build, by code */
function offeredFor(Build $build, string ...$codes): array
{
    $offered = [];
    foreach (Assessor::assess($build)->findings() as $finding) {
        if (in_array($finding->code, $codes, true)) {
            $offered[$finding->code] = array_map(fn (Fix $fix): string => $fix->does->text(), $finding->fixes);
        }
    }

    return $offered;
}

it('offers for a controller that its motors pull down a capacitor, a supply of its own, a stronger one and soft starts, each tried', function () {
    $home = fn (string $motion, string $switch, int $give_up): array => ['do' => 'home', 'motion' => $motion, 'switch' => $switch, 'speed' => 1, 'give_up_s' => $give_up];
    $build = Builds::planted(array_replace(Builds::wired(), ['supplies.0.max_A' => 2.0, 'wiring.boards.0.board.low_V' => 9.0, 'wiring.boards.0.board.least_V' => 8.0,
        'routines.0.steps' => [$home('lid', 'lid-open', 5)], 'routines.2' => ['id' => 'besides', 'name' => 'Besides', 'starts' => [['when' => 'power_on']],
            'steps' => [$home('lift', 'lift-high', 9)]]]));
    $offered = implode(' | ', offeredFor($build, 'routine.resets')['routine.resets']);

    expect($offered)->toContain('Put a capacitor of 4700 µF across Main')->toContain('Give Controller 1 a supply of its own, 9 V')
        ->toContain('Take a supply for Main that gives')->toContain('softly')
        ->not->toContain('capacitor of 1000 µF'); // too small: it was tried
});

it('lets a dial sleep and puts what wakes it on a pin that can, as one mend', function () {
    expect(offeredFor(Builds::demo('star-dial'), 'wiring.battery_days')['wiring.battery_days'])
        ->toContain('Let Controller 1 sleep while nothing is to be done; put Button on Controller 1 p3');
});

it('wires what is new, and takes a larger driver where one is too small', function () {
    $new = Builds::planted(array_replace(Builds::wired(), ['sensors.2' => ['id' => 'door', 'name' => 'Door', 'kind' => 'press']]));
    $small = Builds::planted(array_replace(Builds::wired(), ['wiring.boards.1.board.peak_A' => 1.8]));

    expect(offeredFor($new, 'wiring.not_wired'))->toBe(['wiring.not_wired' => ['Wire what is not wired']])
        ->and(offeredFor($small, 'wiring.driver_stall')['wiring.driver_stall'])->toBe(['Take H2 small for Bridge 1']);
});
