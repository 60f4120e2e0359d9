<?php

declare(strict_types=1);

use Brookstone\Core\Build\Build;
use Brookstone\Core\Machine\Clearance;
use Brookstone\Core\Machine\Nearest;
use Brookstone\Core\Machine\Piece;
use Brookstone\Core\Simulation\RoutineRun;
use Tests\Support\Builds;
use Tests\Support\Trees;

/** A carriage that slides along x from 0 to 0.2 m with a box of 0.1 m on it, and whatever stands in its way. */
function carriage(array $things, array $more = []): Build
{
    $slide = ['mechanism' => ['kind' => 'slide', 'mass_kg' => 0.5, 'pulley_radius_m' => 0.01, 'friction_coefficient' => 0.1]]
        + Trees::motion('slide', 'cart') + ['mount' => ['z_m' => 0.05], 'bodies' => [['id' => 'box', 'name' => 'Box', 'length_m' => 0.1]]];

    return Build::read(['format' => 'brookstone-build', 'version' => 1, 'name' => 'Carriage',
        'supplies' => [['id' => 'main', 'name' => 'Main', 'volts_V' => 12, 'max_A' => 5]],
        'motions' => [['drive' => ['motor' => Builds::motor('G25-60'), 'supply' => 'main'], 'stops' => ['hard_low' => -0.02, 'hard_high' => 0.22,
            'switches' => [['id' => 'end', 'name' => 'End switch', 'place' => 'high', 'at' => 0.2, 'end' => 'high']]]] + $slide],
        'things' => array_map(fn (array $thing, int $i): array => $thing + ['id' => "t{$i}", 'name' => "Thing {$i}", 'length_m' => 0.1], $things,
            array_keys($things)),
        'routines' => [['id' => 'go', 'name' => 'Go', 'steps' => [['do' => 'home', 'motion' => 'cart', 'switch' => 'end', 'give_up_s' => 9]]]], ...$more]);
}

/** @return list<Nearest> */
function wayOf(Build $build, float $within = 0.05): array
{
    return Clearance::of($build->stage)->over('cart', $build->motions['cart']->range(), [], $within);
}

describe('clearance of a move', function () {
    it('is the gap where it is least, and tells where that is', function () {
        // Beside the way at y = 0.13, from x = 0.08 to 0.12: 0.13 − 0.05 − 0.02 = 0.06 where the box passes.
        $near = wayOf(carriage([['x_m' => 0.1, 'y_m' => 0.13, 'z_m' => 0.05, 'length_m' => 0.04]]), 0.1);
        expect($near)->toHaveCount(1)->and($near[0]->gap_m)->toEqualWithDelta(0.06, 1e-6)
            ->and($near[0]->pose['cart'])->toBeGreaterThan(0.0)->toBeLessThan(0.2)
            ->and($near[0]->at->y)->toEqualWithDelta(0.05, 1e-6)->and($near[0]->to->y)->toEqualWithDelta(0.11, 1e-6);
    });

    it('looks no further than is asked for', function () {
        $build = carriage([['x_m' => 0.1, 'y_m' => 0.13, 'z_m' => 0.05, 'length_m' => 0.04]]);
        expect(wayOf($build, 0.0599))->toBe([])->and(wayOf($build, 0.0601))->toHaveCount(1);
    });

    it('is never more than half a millimetre above what looking everywhere finds', function () {
        $looked = 0;
        for ($seed = 1; $seed <= 24; $seed++) {
            $trees = new Trees($seed);
            $stage = $trees->build(3 + $seed % 2, null, 0.0)->stage;
            $clearance = Clearance::of($stage);
            foreach ($stage->motions as $id => $motion) {
                [$low, $high] = $motion->range();
                $pose = array_diff_key($trees->pose($stage), [$id => true]);
                $found = [];
                foreach ($clearance->over($id, [$low, $high], $pose, 0.03) as $nearest) {
                    $found["{$nearest->one->key()} {$nearest->other->key()}"] = $nearest->gap_m;
                }
                foreach ($clearance->pairs() as [$one, $other]) {
                    if (! in_array($id, Clearance::joints($one, $other), true)) {
                        continue;
                    }
                    $least = INF;
                    for ($i = 0; $i <= 60; $i++) {
                        $least = min($least, $clearance->gap($one, $other, [$id => $low + ($high - $low) * $i / 60] + $pose)->gap_m);
                    }
                    $says = $found["{$one->key()} {$other->key()}"] ?? INF;
                    expect($least <= 0.0 ? min($says, 0.0) : min($says, 0.03))->toBeLessThanOrEqual($least <= 0.0 ? 0.0 : min(0.03, $least + 0.0005));
                    $looked++;
                }
            }
        }
        expect($looked)->toBeGreaterThan(300);
    });

    it('misses no thin thing that is stepped over', function () {
        // A wire 0.2 mm thick, across the way between two looks.
        $near = wayOf(carriage([['x_m' => 0.1837, 'z_m' => 0.05, 'length_m' => 0.0002, 'width_m' => 0.5, 'height_m' => 0.0002]]), 0.05);
        expect($near[0]->gap_m)->toBeLessThanOrEqual(0.0)
            ->and($near[0]->pose['cart'])->toBeGreaterThan(0.1837 - 0.0502);
    });

    it('leaves out what belongs together: the rail that a carriage touches at rest, and its own boxes', function () {
        $rail = ['x_m' => 0.1, 'z_m' => -0.01, 'length_m' => 0.4, 'width_m' => 0.02, 'height_m' => 0.02];
        expect(wayOf(carriage([$rail + ['is' => 'frame']])))->toBe([])
            ->and(wayOf(carriage([$rail + ['is' => 'way']]))[0]->gap_m ?? null)->toBeLessThanOrEqual(1e-9);
    });

    it('knows hands apart from what is in the way', function () {
        $build = carriage([['x_m' => 0.32, 'z_m' => 0.05, 'length_m' => 0.1, 'is' => 'hands']]);
        $clearance = Clearance::of($build->stage);
        expect(wayOf($build))->toBe([])
            ->and($clearance->over('cart', [0.0, 0.2], [], 0.05, toHands: true)[0]->gap_m)->toEqualWithDelta(0.02, 1e-6);
    });

    it('moves what stands on one another together', function () {
        $arm = Trees::motion('arm', 'arm') + ['mount' => ['on' => 'cart', 'x_m' => 0.2, 'z_m' => 0.2], 'bodies' => [['id' => 'bar', 'name' => 'Bar', 'x_m' => 0.1,
            'length_m' => 0.2, 'width_m' => 0.01]]];
        $document = carriage([['x_m' => 0.75, 'z_m' => 0.25, 'length_m' => 0.02]])->document;
        $build = Build::read(['motions' => [...$document['motions'], $arm]] + $document);
        $clearance = Clearance::of($build->stage);
        [$box, $bar, $thing] = $clearance->pieces;
        expect(Clearance::joints($box, $bar))->toBe(['arm'])
            ->and(Clearance::joints($bar, $thing))->toBe(['arm', 'cart'])
            // out to 0.2 + 0.2 + 0.2 when level: 0.74 − 0.6
            ->and($clearance->gap($bar, $thing, ['cart' => 0.2, 'arm' => 0.0])->gap_m)->toEqualWithDelta(hypot(0.14, 0.25 - 0.01 - 0.25 + 0.0), 0.01)
            ->and(array_map(fn (Piece $piece): string => $piece->key(), [$box, $bar, $thing]))->toBe(['cart/box', 'arm/bar', '/t0']);
    });
});

describe('a run', function () {
    /** @return list<string> what went wrong in it */
    $wrong = fn (Build $build): array => array_map(fn (array $mishap): string => $mishap['says']->text(),
        RoutineRun::of($build, $build->routines['go'])['mishaps']);

    it('tells when something is touched, where, and once', function () use ($wrong) {
        $says = $wrong(carriage([['x_m' => 0.2, 'z_m' => 0.05, 'length_m' => 0.02, 'name' => 'Post']]));
        expect($says)->toHaveCount(1)
            ->and($says[0])->toMatch('/^Box of Cart touches Post with Cart at 14[0-9] mm\.$/u');
    });

    it('tells how near it came, on either side of what is asked for', function () use ($wrong) {
        $beside = fn (float $gap): array => [['x_m' => 0.15, 'y_m' => 0.06 + $gap, 'z_m' => 0.05, 'length_m' => 0.02, 'name' => 'Post']];
        $says = $wrong(carriage($beside(0.0049)));
        expect($says)->toHaveCount(1)
            ->and($says[0])->toMatch('/^Box of Cart comes within 4\.9 mm of Post with Cart at [\d.]+ mm; 5 mm is asked for\.$/u')
            ->and($wrong(carriage($beside(0.0051))))->toBe([])
            ->and($wrong(carriage($beside(0.0051), ['settings' => ['clear_m' => 0.0052]])))->toHaveCount(1)
            ->and(RoutineRun::of(carriage($beside(0.0049)), carriage($beside(0.0049))->routines['go'])['verdict'])->toBe('holds');
    });

    it('steps over nothing between two looks', function () use ($wrong) {
        $wire = [['x_m' => 0.1537, 'z_m' => 0.05, 'length_m' => 0.0002, 'width_m' => 0.5, 'height_m' => 0.0002, 'name' => 'Wire']];
        expect($wrong(carriage($wire, ['settings' => ['scan_s' => 0.1]])))->toHaveCount(1);
    });
});
