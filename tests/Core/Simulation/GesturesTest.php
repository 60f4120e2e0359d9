<?php

declare(strict_types=1);

use Brookstone\Core\Parts\Sensor;
use Brookstone\Core\Simulation\Gestures;
use Brookstone\Core\Simulation\StallWatch;
use Tests\Support\Builds;

/** A button whose long press counts from 0.8 s on and whose second press comes within 0.4 s. */
function aButton(): Sensor
{
    return Builds::planted(['sensors.0.long_s' => 0.8, 'sensors.0.double_s' => 0.4])->sensors['button'];
}

/**
 * What is told of presses, with the time at which it is: looked at every hundredth of a second.
 *
 * @param  array<string, bool>  $changes  by time
 * @return array<string, string>
 */
function pressesTold(array $changes, float $until_s = 3.0): array
{
    $gestures = new Gestures(aButton());
    $told = [];
    for ($i = 0; $i <= $until_s * 100; $i++) {
        $now = $i / 100;
        $is = isset($changes[(string) $now]) ? $gestures->changes($changes[(string) $now], $now) : [];
        foreach ([...$is, ...$gestures->waits($now)] as $how) {
            $told[(string) $now] = $how;
        }
    }

    return $told;
}

it('tells presses apart, as soon as that is clear', function (array $changes, array $told) {
    expect(pressesTold($changes))->toBe($told);
})->with([
    'short: once no second comes' => [['0.1' => true, '0.3' => false], ['0.71' => 'short']],
    'nearly long' => [['0.1' => true, '0.89' => false], ['1.3' => 'short']],
    'long: while it is held' => [['0.1' => true, '2' => false], ['0.9' => 'long']],
    'double: at the second press' => [['0.1' => true, '0.2' => false, '0.6' => true, '0.7' => false], ['0.6' => 'double']],
    'just too late for a double one' => [['0.1' => true, '0.2' => false, '0.61' => true, '0.7' => false], ['0.61' => 'short', '1.11' => 'short']],
    'a double one held' => [['0.1' => true, '0.2' => false, '0.4' => true, '2.5' => false], ['0.4' => 'double']],
    'three: a double and a short one' => [['0.1' => true, '0.2' => false, '0.3' => true, '0.4' => false, '0.5' => true, '0.6' => false], ['0.3' => 'double', '1.01' => 'short']],
    'let go without a press' => [['0.2' => false], []],
]);

it('is open as long as a press may still become something else', function () {
    $gestures = new Gestures(aButton());
    $open = [$gestures->isOpen()];
    $gestures->changes(true, 0.0);
    $open[] = $gestures->isOpen();
    $gestures->waits(0.9);
    $open[] = $gestures->isOpen();
    $gestures->changes(false, 1.0);
    $open[] = $gestures->isOpen();
    $gestures->changes(true, 2.0);
    $gestures->changes(false, 2.1);
    $open[] = $gestures->isOpen();
    $gestures->waits(2.6);
    $open[] = $gestures->isOpen();

    expect($open)->toBe([false, true, false, false, true, false]);
});

describe('a drive that pushes without getting on', function () {
    it('is stalled after more than half a second, and says when that ends', function () {
        $watch = new StallWatch;
        $told = [];
        foreach (range(1, 60) as $i) {
            $told[] = $watch->look($i <= 56, 0.01, 2.0);
        }
        expect(array_keys(array_filter($told)))->toBe([50, 56])->and($told[50])->toBe(['stalls', 0.0, 0.0])->and($told[56][0])->toBe('stalled')->and($told[56][1])->toBeAbout(0.56, 1e-9)
            ->and($told[56][2])->toBe(2.0)->and($watch->now_s())->toBe(0.0)->and($watch->most_s())->toBeAbout(0.56, 1e-9);
    });

    it('is not, where it gets on before that', function () {
        $watch = new StallWatch;
        expect($watch->look(true, 0.5, 1.0))->toBeNull()->and($watch->now_s())->toBe(0.5)->and($watch->look(false, 0.1))->toBeNull()->and($watch->look(true, 0.4, 1.0))->toBeNull()
            ->and($watch->most_s())->toBe(0.5)->and($watch->current_A())->toBe(1.0);
    });

    it('keeps what flowed the longest time', function () {
        $watch = new StallWatch;
        $watch->look(true, 0.3, 1.0);
        $watch->look(false, 0.1);
        $watch->look(true, 0.2, 5.0);
        expect($watch->current_A())->toBe(1.0);
        $watch->look(true, 0.1, 4.0); // as long
        expect($watch->current_A())->toBe(4.0)->and($watch->most_s())->toBeAbout(0.3, 1e-9);
    });
});
