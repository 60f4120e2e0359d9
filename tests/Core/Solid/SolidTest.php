<?php

declare(strict_types=1);

use Brookstone\Core\Solid\Gap;
use Brookstone\Core\Solid\Inertia;
use Brookstone\Core\Solid\Placement;
use Brookstone\Core\Solid\Solid;
use Brookstone\Core\Solid\Vector;
use Random\Engine\Mt19937;
use Random\Randomizer;

/** @return Generator<int, Closure(float, float): float> numbers between two, each time others */
function byChance(int $times): Generator
{
    for ($seed = 1; $seed <= $times; $seed++) {
        $random = new Randomizer(new Mt19937($seed));
        yield $seed => fn (float $low, float $high): float => $low + ($high - $low) * $random->getInt(0, 1_000_000) / 1e6;
    }
}

function anywhere(Closure $any, float $far = 0.5): Placement
{
    return Placement::shifted(new Vector($any(-$far, $far), $any(-$far, $far), $any(-$far, $far)))
        ->then(Placement::turned(new Vector($any(-1, 1), $any(-1, 1), $any(0.01, 1)), $any(-3, 3)));
}

function anySolid(Closure $any): Solid
{
    return match ((int) $any(0, 2.999)) {
        0 => Solid::box($any(0.02, 0.3), $any(0.02, 0.3), $any(0.002, 0.3)),
        1 => Solid::ball($any(0.01, 0.15)),
        default => Solid::rod($any(0.1, 0.5), $any(0.005, 0.05)),
    };
}

/** How far a solid reaches along a way in space, m. */
function reachAlong(Solid $solid, Placement $placement, Vector $way): float
{
    return $placement->point($solid->farthest($placement->wayBack($way)))->dot($way->unit()) + $solid->skin_m;
}

function expectVector(Vector $one, Vector $other, float $within = 1e-12): void
{
    expect($one->minus($other)->length())->toBeLessThanOrEqual($within);
}

describe('a placement', function () {
    it('turns by the right hand, keeps lengths and goes back', function () {
        $quarter = M_PI / 2;
        expectVector(Placement::turned(new Vector(0, 0, 2), $quarter)->point(new Vector(1, 0, 0)), new Vector(0, 1, 0));
        expectVector(Placement::turned(new Vector(1, 0, 0), $quarter)->point(new Vector(0, 1, 0)), new Vector(0, 0, 1));
        expectVector(Placement::turned(new Vector(0, 1, 0), $quarter)->point(new Vector(0, 0, 1)), new Vector(1, 0, 0));
        expectVector(Placement::turnedAbout(new Vector(1, 0, 0), new Vector(0, 0, 1), $quarter)->point(new Vector(2, 0, 0)), new Vector(1, 1, 0));
        foreach (byChance(30) as $any) {
            [$one, $other] = [anywhere($any), anywhere($any)];
            $point = new Vector($any(-1, 1), $any(-1, 1), $any(-1, 1));
            expectVector($one->then($one->back())->point($point), $point, 1e-9);
            expectVector($one->then($other)->point($point), $one->point($other->point($point)), 1e-9);
            expectVector($one->wayBack($one->way($point)), $point, 1e-9);
            expect($one->way($point)->length())->toBeAbout($point->length(), 1e-9);
        }
    });
});

describe('mass', function () {
    it('of simple bodies is spread as in the books', function () {
        [$x, $y, $z] = Solid::box(0.1, 0.2, 0.3)->inertia(6.0)->about;
        expect($x)->toBeAbout(6 * (0.04 + 0.09) / 12, 1e-12)->and($y)->toBeAbout(6 * (0.09 + 0.01) / 12, 1e-12)->and($z)->toBeAbout(6 * (0.01 + 0.04) / 12, 1e-12)
            ->and(Solid::ball(0.1)->inertia(2.0)->about[0])->toBeAbout(0.4 * 2 * 0.01, 1e-12)->and(Solid::ball(0.1)->inertia(2.0)->about[1])->toBeAbout(0.008, 1e-12)
            ->and(Solid::box(0.1, 0.2, 0.3)->volume_m3())->toBeAbout(0.006, 1e-12)->and(Solid::ball(0.1)->volume_m3())->toBeAbout(4 / 3 * M_PI * 1e-3, 1e-12);
        // A long thin rod: m l²/12 about its middle; a rod as long as it is thick is a ball.
        expect(Solid::rod(1.0, 1e-5)->inertia(3.0)->about[1])->toBeAbout(3 / 12, 1e-4)->and(Solid::rod(0.2, 0.1)->inertia(2.0)->about[1])->toBeAbout(0.008, 1e-12)
            ->and(Solid::rod(0.2, 0.1)->volume_m3())->toBeAbout(Solid::ball(0.1)->volume_m3(), 1e-12);
    });

    it('of a rod with round ends is that of its slices', function () {
        // Discs of its own radius along x: dI = ρ π r⁴/4 + ρ π r² x² across it, ρ π r⁴/2 about it.
        [$length, $r, $sums, $n] = [0.3, 0.05, [0.0, 0.0, 0.0], 200_000];
        for ($i = 0; $i < $n; $i++) {
            $at = ($i + 0.5) / $n * $length - $length / 2;
            $over = max(0.0, abs($at) - ($length / 2 - $r));
            $square = $r ** 2 - $over ** 2;
            $sums = [$sums[0] + $square, $sums[1] + $square ** 2 / 2, $sums[2] + $square ** 2 / 4 + $square * $at ** 2];
        }
        $inertia = Solid::rod($length, $r)->inertia(1.0)->about;
        expect($inertia[0])->toBeAbout($sums[1] / $sums[0], 1e-6)->and($inertia[1])->toBeAbout($sums[2] / $sums[0], 1e-6)
            ->and(Solid::rod($length, $r)->volume_m3())->toBeAbout(M_PI * $sums[0] * $length / $n, 1e-6);
    });

    it('of two things is that of both, wherever and however they stand', function () {
        foreach (byChance(40) as $any) {
            $whole = Solid::box(0.4, 0.1, 0.2)->inertia(3.0);
            $half = Solid::box(0.2, 0.1, 0.2)->inertia(1.5);
            $both = $half->placed(Placement::shifted(new Vector(-0.1, 0, 0)))->plus($half->placed(Placement::shifted(new Vector(0.1, 0, 0))));
            $placement = anywhere($any);
            [$point, $axis] = [new Vector($any(-1, 1), $any(-1, 1), $any(-1, 1)), new Vector($any(-1, 1), $any(-1, 1), $any(0.1, 1))];
            expect($both->placed($placement)->aboutAxis($point, $axis))->toBeAbout($whole->placed($placement)->aboutAxis($point, $axis), 1e-9)
                // It is the same whether the thing is turned or the axis back.
                ->and($whole->placed($placement)->aboutAxis($placement->point($point), $placement->way($axis)))->toBeAbout($whole->aboutAxis($point, $axis), 1e-9);
        }
    });

    it('adds up in any order, turns no less about an axis farther off, and weighs on it by its lever', function () {
        foreach (byChance(20) as $any) {
            $things = array_map(fn (): Inertia => anySolid($any)->inertia($any(0.1, 2))->placed(anywhere($any)), range(0, 3));
            $forth = array_reduce($things, fn (Inertia $sum, Inertia $each): Inertia => $sum->plus($each), Inertia::none());
            $back = array_reduce(array_reverse($things), fn (Inertia $sum, Inertia $each): Inertia => $each->plus($sum), Inertia::none());
            $axis = new Vector($any(-1, 1), $any(-1, 1), $any(0.1, 1));
            $away = $axis->cross(new Vector(1, 0, 0))->unit();
            expect($forth->aboutAxis(Vector::zero(), $axis))->toBeAbout($back->aboutAxis(Vector::zero(), $axis), 1e-9)
                ->and($forth->aboutAxis($forth->centre->plus($away->times(0.1)), $axis))
                ->toBeAbout($forth->aboutAxis($forth->centre, $axis) + $forth->mass_kg * 0.01, 1e-9)
                ->and($forth->torqueAbout(Vector::zero(), $axis, 9.8))
                ->toBeAbout(array_sum(array_map(fn (Inertia $each): float => $each->torqueAbout(Vector::zero(), $axis, 9.8), $things)), 1e-9);
        }
        // 2 kg half a metre to the right of an axis away from who looks pull it down to the right: about +y that is forwards.
        expect((new Inertia(2.0, new Vector(0.5, 0, 0), [0, 0, 0, 0, 0, 0]))->torqueAbout(Vector::zero(), new Vector(0, 1, 0), 10.0))->toBeAbout(10.0, 1e-12)
            ->and(Inertia::none()->plus(Inertia::none())->mass_kg)->toBe(0.0);
    });
});

describe('a gap', function () {
    it('between balls, rods and boxes is what one would measure', function (Solid $one, Solid $other, Vector $at, float $gap) {
        expect(Gap::between($one, Placement::still(), $other, Placement::shifted($at))->distance_m)->toEqualWithDelta($gap, 1e-12)
            ->and(Gap::between($other, Placement::shifted($at), $one, Placement::still())->distance_m)->toEqualWithDelta($gap, 1e-12);
    })->with(fn () => [
        'balls' => [Solid::ball(0.1), Solid::ball(0.2), new Vector(0.3, 0.4, 0), 0.2],
        'balls in one another' => [Solid::ball(0.1), Solid::ball(0.2), new Vector(0.1, 0, 0), -0.2],
        'a ball over a plate' => [Solid::box(1, 1, 0.01), Solid::ball(0.1), new Vector(0.2, 0.1, 0.4), 0.295],
        'a ball beside its corner' => [Solid::box(0.2, 0.2, 0.2), Solid::ball(0.05), new Vector(0.2, 0.2, 0.2), sqrt(0.03) - 0.05],
        'a ball beside its edge' => [Solid::box(0.2, 0.2, 0.2), Solid::ball(0.05), new Vector(0.13, 0.14, 0), 0.0],
        'boxes' => [Solid::box(0.2, 0.2, 0.2), Solid::box(0.2, 0.2, 0.2), new Vector(0.5, 0.05, 0.1), 0.3],
        'boxes that touch' => [Solid::box(0.2, 0.2, 0.2), Solid::box(0.2, 0.2, 0.2), new Vector(0.2, 0, 0), 0.0],
        'boxes in one another' => [Solid::box(0.2, 0.2, 0.2), Solid::box(0.2, 0.2, 0.2), new Vector(0.1, 0.02, 0.03), 0.0],
        'rods side by side' => [Solid::rod(0.5, 0.01), Solid::rod(0.5, 0.02), new Vector(0.1, 0.1, 0), 0.07],
        'rods end to end' => [Solid::rod(0.5, 0.01), Solid::rod(0.3, 0.02), new Vector(0.5, 0, 0), 0.1],
    ]);

    it('between crossed rods is that of two lines', function () {
        $across = Placement::shifted(new Vector(0.05, 0.02, 0.1))->then(Placement::turned(new Vector(0, 0, 1), 1.0));
        $gap = Gap::between(Solid::rod(0.6, 0.01), Placement::still(), Solid::rod(0.6, 0.02), $across);
        expect($gap->distance_m)->toBeAbout(0.07, 1e-9);
        expectVector($gap->one, new Vector($gap->one->x, 0, 0.01), 1e-9);
        expectVector($gap->other, $gap->one->plus(new Vector(0, 0, 0.07)), 1e-9);
    });

    it('is that between its two points, and no plane between them leaves more', function () {
        $apart = 0;
        foreach (byChance(400) as $any) {
            [$one, $other] = [anySolid($any), anySolid($any)];
            [$at, $there] = [anywhere($any), anywhere($any)];
            $gap = Gap::between($one, $at, $other, $there);
            $back = Gap::between($other, $there, $one, $at);
            expect($back->distance_m)->toEqualWithDelta($gap->distance_m, 1e-9);
            if ($gap->distance_m <= 0.0) {
                continue;
            }
            $apart++;
            $way = $gap->other->minus($gap->one)->unit();
            // The points are on both, and all of the one lies before, all of the other behind the planes through them: nothing can be nearer.
            expect($gap->other->minus($gap->one)->length())->toBeAbout($gap->distance_m, 1e-9)
                ->and(reachAlong($one, $at, $way))->toEqualWithDelta($gap->one->dot($way), 1e-7)
                ->and(-reachAlong($other, $there, $way->times(-1.0)))->toEqualWithDelta($gap->other->dot($way), 1e-7);
            // However both are carried elsewhere together.
            $move = anywhere($any);
            expect(Gap::between($one, $move->then($at), $other, $move->then($there))->distance_m)->toEqualWithDelta($gap->distance_m, 1e-8);
        }
        expect($apart)->toBeGreaterThan(200);
    });

    it('is none where a point of the one is in the other', function () {
        foreach (byChance(60) as $any) {
            [$one, $other] = [anySolid($any), anySolid($any)];
            $at = anywhere($any);
            $inside = $at->point(new Vector($any(-1, 1) * $one->half->x, $any(-1, 1) * $one->half->y, $any(-1, 1) * $one->half->z));
            $there = Placement::shifted($inside)->then(Placement::turned(new Vector(1, $any(-1, 1), 0), $any(-3, 3)));
            expect(Gap::between($one, $at, $other, $there)->distance_m)->toBeLessThanOrEqual(1e-6);
        }
    });

    it('grows by what they are drawn apart', function () {
        foreach (byChance(60) as $any) {
            [$one, $other] = [anySolid($any), anySolid($any)];
            [$at, $there] = [anywhere($any, 0.2), anywhere($any, 0.2)->then(Placement::shifted(new Vector(1.5, 0, 0)))];
            $gap = Gap::between($one, $at, $other, $there);
            $way = $gap->other->minus($gap->one)->unit();
            expect(Gap::between($one, $at, $other, Placement::shifted($way->times(0.1))->then($there))->distance_m)->toBeAbout($gap->distance_m + 0.1, 1e-7)
                ->and(Gap::between($one, $at, $other, Placement::shifted($way->times(-$gap->distance_m / 2))->then($there))->distance_m)
                ->toBeAbout($gap->distance_m / 2, 1e-6);
        }
    });
});
