<?php

declare(strict_types=1);

use Brookstone\Core\Build\Build;
use Brookstone\Core\Parts\Supply;
use Brookstone\Core\Simulation\SupplyState;

/**
 * A supply of 12 V and 5 A on which something hangs that takes so much of it at its full voltage, and less as that falls.
 *
 * @param  array<string, mixed>  $more
 */
function fedThings(float $asks_A, array $more = [], float $always_A = 0.0): SupplyState
{
    $state = new SupplyState(new Supply(...['id' => 'main', 'name' => 'Main', 'volts_V' => 12.0, 'max_A' => 5.0, ...$more]), [], $always_A);
    $state->feedsOutputs($asks_A, 0.0);

    return $state;
}

/**
 * Main of 12 V with a rail that it feeds.
 *
 * @param  array<string, mixed>  $rail
 * @return array<string, SupplyState>
 */
function withRail(array $rail, array $main = []): array
{
    $build = Build::read(['format' => 'brookstone-build', 'version' => 1, 'name' => 'Rails', 'supplies' => [$main + ['id' => 'main', 'name' => 'Main', 'volts_V' => 12, 'max_A' => 5],
        $rail + ['id' => 'rail', 'name' => 'Rail', 'volts_V' => 5, 'max_A' => 2, 'from' => 'main']]]);

    return SupplyState::all($build, []);
}

describe('asked for more than it gives', function () {
    it('gives so much less that no more flows', function (float $asks_A, float $share) {
        $state = fedThings($asks_A);
        $state->look(0.0, 0.01);
        expect($state->volts_V())->toBeAbout(12 * $share, 1e-5)->and($state->flows_A())->toBeAbout($asks_A * $share, 1e-5)->and($state->asked_A())->toBe($asks_A);
    })->with([[4.9, 1.0], [5.0, 1.0], [6.0, 5 / 6], [10.0, 0.5], [25.0, 0.2], [50.0, 0.2]]);

    it('never less than a fifth, whatever is always taken', function () {
        $state = fedThings(1.0, [], 9.0);
        $state->look(0.0, 0.01);
        expect($state->volts_V())->toBeAbout(2.4, 1e-9)->and($state->flows_A())->toBeAbout(9.2, 1e-9);
    });

    it('folds back, or trips and stays so', function () {
        [$folds, $trips] = [fedThings(6.0, ['overload' => 'folds']), fedThings(6.0, ['overload' => 'trips'])];
        $folds->look(0.0, 0.01);
        $trips->look(0.0, 0.01);
        expect($folds->volts_V())->toBeAbout(2.4, 1e-9)->and($trips->volts_V())->toBe(0.0)->and($trips->flows_A())->toBe(0.0);
        foreach ([$folds, $trips] as $state) {
            $state->feedsOutputs(1.0, 0.0);
            $state->look(0.01, 0.01);
        }
        expect($folds->volts_V())->toBe(12.0)->and($trips->volts_V())->toBe(0.0);
    });

    it('sags from a tenth off on, and says a dip that comes back within a tenth of a second once', function () {
        $begins = function (float $asks_A, array $looks_s): array {
            $state = fedThings($asks_A);

            return array_map(function (float $at) use ($state, $asks_A): int {
                $state->feedsOutputs($at < 0.0 ? 1.0 : $asks_A, 0.0);

                return count($state->look(abs($at), 0.01));
            }, $looks_s);
        };
        expect($begins(5.5, [0.0]))->toBe([0])->and($begins(5.6, [0.0]))->toBe([1])->and($begins(6.0, [0.0, 0.05, 0.12]))->toBe([1, 0, 0])
            ->and($begins(6.0, [0.0, -0.05, 0.09]))->toBe([1, 0, 0])->and($begins(6.0, [0.0, -0.05, 0.12]))->toBe([1, 0, 1]);
    });
});

it('loses inside what its resistance takes: s = 1 / (1 + R·I/V)', function (float $asks_A, float $ohm) {
    $state = fedThings($asks_A, ['resistance_ohm' => $ohm, 'max_A' => 50.0]);
    $state->look(0.0, 0.01);

    expect($state->volts_V())->toBeAbout(12 / (1 + $ohm * $asks_A / 12), 1e-5)->and($state->flows_A())->toBeAbout($asks_A / (1 + $ohm * $asks_A / 12), 1e-5);
})->with([[1.0, 0.5], [6.0, 1.0], [20.0, 0.3], [0.0, 5.0]]);

it('is held up by its capacitor while it falls: I = C·dV/dt', function () {
    $state = fedThings(1.0, ['capacitor_uF' => 10_000.0]);
    $state->look(0.0, 0.001);
    $state->feedsOutputs(10.0, 0.0);
    $state->look(0.001, 0.001);
    // 10 A are asked for, it gives 5: the other 5 take 0.5 V out of 10 mF in a millisecond
    expect($state->volts_V())->toBeAbout(11.5, 1e-9);
    $state->look(0.002, 0.001);
    expect($state->volts_V())->toBeAbout(11.5 - (10.0 * 11.5 / 12 - 5.0) * 0.1, 1e-9);
    for ($i = 3; $i < 200; $i++) {
        $state->look($i / 1000, 0.001);
    }
    expect($state->volts_V())->toBeAbout(6.0, 1e-4);
    $state->feedsOutputs(1.0, 0.0);
    $state->look(0.2, 0.001);
    expect($state->volts_V())->toBe(12.0); // filled at once
});

it('is held up by its capacitor behind its resistance: what comes through that need not come of it', function () {
    $state = fedThings(1.0, ['capacitor_uF' => 10_000.0, 'resistance_ohm' => 1.0, 'max_A' => 50.0]);
    $state->look(0.0, 0.001);
    expect($state->volts_V())->toBeAbout(11.9, 1e-9); // 1 A for a millisecond out of 10 mF, while nothing comes through
    $state->look(0.001, 0.001);
    expect($state->volts_V())->toBeAbout(11.9 - (11.9 / 12 - 0.1) * 0.1, 1e-9);
    for ($i = 2; $i < 200; $i++) {
        $state->look($i / 1000, 0.001);
    }
    expect($state->volts_V())->toBeAbout(12 / (1 + 1 / 12), 1e-4);
});

it('adds up what it gave, and keeps the most that it was asked for', function () {
    $state = fedThings(2.0);
    $state->look(0.0, 0.5);
    $state->feedsOutputs(8.0, 0.0);
    $state->look(0.5, 0.25);
    $state->feedsOutputs(1.0, 0.0);
    $state->look(0.75, 1.0);
    $state->goesOn(1.75, 2.0);
    $written = $state->written(4.0);

    expect($state->charge_C())->toBeAbout(2.0 * 0.5 + 5.0 * 0.25 + 1.0 + 2.0, 1e-5)->and($state->peak_A())->toBe(8.0)->and($written['peak_at_s'])->toBe(0.5)
        ->and($written['mean_A'])->toBeAbout($state->charge_C() / 4, 1e-4)->and($written['runs_on_charge'])->toBeNull();
    $state->forgetsPeak();
    expect($state->peak_A())->toBe(0.0);
});

it('goes on with what does not end by itself', function () {
    $state = fedThings(2.0, [], 0.1);
    $state->feedsOutputs(2.0, 0.5);
    $state->look(0.0, 0.01);

    expect($state->flows_A())->toBeAbout(2.1, 1e-9)->and($state->left_A())->toBeAbout(1.6, 1e-9);
});

it('is off while an output switches it off, and until it has settled', function () {
    $state = fedThings(2.0, ['settles_s' => 0.3]);
    $state->isSwitched(false, 0.0);
    $state->look(0.0, 0.01);
    $off = $state->volts_V();
    $state->isSwitched(true, 1.0);
    $state->look(1.29, 0.01);
    $settling = $state->volts_V();
    $state->look(1.3, 0.01);

    expect([$off, $settling, $state->volts_V()])->toBe([0.0, 0.0, 12.0])->and($state->flows_A())->toBe(2.0);
});

describe('a battery', function () {
    it('gives less volts as it empties, and nothing once it is cut off', function () {
        $state = fedThings(3.6, ['capacity_Ah' => 0.01, 'cells' => 'lead', 'cutoff_V' => 11.0]); // 36 C: ten seconds
        $volts = [];
        for ($i = 0; $i < 120; $i++) {
            $state->look($i / 10, 0.1);
            $volts[] = $state->volts_V();
        }
        $on = array_values(array_filter($volts, fn (float $each): bool => $each > 0.0));
        expect($volts[0])->toBe(12.0)->and(end($volts))->toBe(0.0)->and(min($on))->toBeGreaterThan(10.99)
            ->and(count($on) / 10)->toEqualWithDelta(10 * ($state->supply->dischargeCurve()->left(1.0) - $state->supply->dischargeCurve()->left(11 / 12)), 0.3);
        foreach ($on as $i => $each) {
            expect($i === 0 || $each <= $on[$i - 1])->toBeTrue();
        }
    });

    it('says how many such runs its charge is good for', function () {
        $state = fedThings(2.0, ['capacity_Ah' => 1.0]);
        $state->look(0.0, 0.5);
        expect($state->written(0.5)['runs_on_charge'])->toBe((int) floor($state->supply->usable_Ah() * 3600 / 1.0));
    });

    it('gives what it is set to', function () {
        $state = fedThings(2.0);
        $state->isSetTo(0.9);
        $state->look(0.0, 0.01);
        expect($state->volts_V())->toBeAbout(10.8, 1e-9)->and($state->flows_A())->toBeAbout(1.8, 1e-9);
    });
});

describe('a rail', function () {
    it('takes of what feeds it as much, or by its power', function (array $rail, float $takes_A) {
        ['main' => $main, 'rail' => $of] = withRail($rail);
        $of->feedsOutputs(1.2, 0.0);
        $main->look(0.0, 0.01);
        expect($of->flows_A())->toBeAbout(1.2, 1e-9)->and($main->flows_A())->toBeAbout($takes_A, 1e-9)->and($of->isSource())->toBeFalse()->and($main->isSource())->toBeTrue();
    })->with([
        'linear' => [['converter' => 'linear'], 1.2], 'linear, with its own' => [['converter' => 'linear', 'idle_A' => 0.01], 1.21],
        'switching' => [['converter' => 'down', 'efficiency' => 0.8], 1.2 * 5 / 0.8 / 12], 'a switch' => [['converter' => 'gate', 'volts_V' => 12], 1.2],
    ]);

    it('gives less where what feeds it does', function (float $main_A, float $volts_V) {
        ['main' => $main, 'rail' => $of] = withRail(['converter' => 'linear', 'dropout_V' => 1.0]);
        $main->feedsOutputs($main_A, 0.0);
        $main->look(0.0, 0.01);
        expect($of->volts_V())->toBeAbout($volts_V, 1e-4);
    })->with([[5.0, 5.0], [10.0, 5.0], [12.0, 4.0], [20.0, 2.0]]); // main gives 12, 6, 5 and 3 V, and one of them is lost

    it('sags by itself', function () {
        ['main' => $main, 'rail' => $of] = withRail(['converter' => 'linear', 'max_A' => 1.0]);
        $of->feedsOutputs(2.0, 0.0);
        $begins = $main->look(0.0, 0.01);
        expect($begins)->toHaveCount(1)->and($begins[0])->toBe($of)->and($of->volts_V())->toBeAbout(2.5, 1e-4)->and($main->volts_V())->toBe(12.0);
    });

    it('is asked for first, so that its source knows', function () {
        ['main' => $main, 'rail' => $of] = withRail(['converter' => 'linear', 'max_A' => 9.0]);
        $of->feedsOutputs(6.0, 0.0);
        $main->look(0.0, 0.01);
        expect($main->asked_A())->toBeAbout(6.0, 1e-9)->and($main->volts_V())->toBeLessThan(12.0);
    });
});

describe('what it bears', function () {
    it('is what all that hangs on it can draw', function () {
        expect(fedThings(5.0)->bears([]))->toBeTrue()->and(fedThings(5.01)->bears([]))->toBeFalse()->and(fedThings(1.0, ['resistance_ohm' => 0.1])->bears([]))->toBeFalse()
            ->and(fedThings(4.0, [], 1.0)->bears([]))->toBeTrue()->and(fedThings(4.0, [], 1.1)->bears([]))->toBeFalse();
        $full = fn (float $asks_A): bool => (function (SupplyState $state): bool { // freshly charged: more volts, and more flows
            $state->isSetTo(1.05);
            $state->look(0.0, 0.01);

            return $state->bears([]);
        })(fedThings($asks_A, ['max_A' => 5.0]));
        expect($full(4.7))->toBeTrue()->and($full(4.8))->toBeFalse();
        $off = fedThings(1.0);
        $off->isSwitched(false, 0.0);
        expect($off->bears([]))->toBeFalse(); // it has not fallen yet
        $off->look(0.0, 0.01);
        expect($off->bears([]))->toBeTrue();
        $low = fedThings(1.0);
        $low->isSetTo(0.9);
        expect($low->bears([]))->toBeFalse();
        $low->look(0.0, 0.01);
        expect($low->bears([]))->toBeTrue();
    });
});
