<?php

declare(strict_types=1);

use Brookstone\Core\Parts\LimitSwitch;

it('says the same between the positions that it names, and otherwise just past them', function (string $end, bool $on) {
    $switch = new LimitSwitch('s', 'S', 'p', 3.0, $end, 0.5);
    [$above, $below] = $switch->saysTheSame($on, null);

    expect(is_finite($above) xor is_finite($below))->toBeTrue();
    [$edge, $inwards] = is_finite($above) ? [$above, 1] : [$below, -1];
    foreach ([1e-6, 0.3, 2.0, 50.0] as $past) {
        expect($switch->isOnAt($edge + $inwards * $past, $on))->toBe($on)->and($switch->isOnAt($edge - $inwards * $past, $on))->toBe(! $on);
    }
})->with(['low', 'high'])->with([false, true]);

it('says nothing of the kind where it comes round', function () {
    [$above, $below] = (new LimitSwitch('s', 'S', 'p', 3.0, 'high'))->saysTheSame(false, 360.0);

    expect($above)->toBeGreaterThan($below);
});
