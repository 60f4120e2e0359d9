<?php

declare(strict_types=1);

namespace Brookstone\Core\Solid;

/**
 * The smallest distance between two solids, and where it is. Gilbert, Johnson & Keerthi (1988), A fast procedure for computing the distance between complex
 * objects in three-dimensional space; Ericson, Real-Time Collision Detection, §9.5.
 */
final readonly class Gap
{
    private const STEPS = 64;

    private const NEAR = 1e-12; // relative, of the square of a distance

    /**
     * @param  float  $distance_m  0 or less where they touch: then only as far as their skins are in one another
     * @param  Vector  $one  the nearest point of the first, m
     * @param  Vector  $other  of the second
     */
    private function __construct(public float $distance_m, public Vector $one, public Vector $other)
    {
    }

    public static function between(Solid $a, Placement $ofA, Solid $b, Placement $ofB): self
    {
        $corner = function (Vector $way) use ($a, $ofA, $b, $ofB): array {
            $one = $ofA->point($a->farthest($ofA->wayBack($way->times(-1.0))));
            $other = $ofB->point($b->farthest($ofB->wayBack($way)));

            return [$other->minus($one), $one, $other];
        };
        $way = $ofA->at->minus($ofB->at);
        $corners = [$corner($way->length() > 0.0 ? $way : new Vector(1.0, 0.0, 0.0))];
        [$nearest, $corners, $shares] = self::nearest($corners);
        for ($step = 0; $step < self::STEPS; $step++) {
            $next = $corner($nearest->times(-1.0));
            $square = $nearest->dot($nearest);
            if ($square <= self::NEAR * self::size($corners) || $square - $nearest->dot($next[0]) <= self::NEAR * $square) {
                break;
            }
            $before = $square;
            [$nearest, $corners, $shares] = self::nearest([...$corners, $next]);
            if ($nearest->dot($nearest) >= $before) {
                break; // as near as figures tell
            }
        }

        $touch = $nearest->dot($nearest) <= self::NEAR * self::size($corners);

        return self::ofSkins(self::mean($corners, $shares, 1), self::mean($corners, $shares, 2), $touch ? Vector::zero() : $nearest, $a->skin_m, $b->skin_m);
    }

    private static function ofSkins(Vector $one, Vector $other, Vector $nearest, float $skinA_m, float $skinB_m): self
    {
        $apart = $nearest->length();
        $way = $nearest->unit();

        return new self($apart - $skinA_m - $skinB_m, $one->plus($way->times($skinA_m)), $other->minus($way->times($skinB_m)));
    }

    /** @param  non-empty-list<array{Vector, Vector, Vector}>  $corners */
    private static function size(array $corners): float
    {
        return max(array_map(fn (array $corner): float => $corner[0]->dot($corner[0]), $corners));
    }

    /**
     * The point nearest to zero of what up to four corners span, with the corners that span it there and their shares.
     *
     * @param  non-empty-list<array{Vector, Vector, Vector}>  $corners
     * @return array{Vector, non-empty-list<array{Vector, Vector, Vector}>, non-empty-list<float>}
     */
    private static function nearest(array $corners): array
    {
        $best = [INF, $corners[0][0], [$corners[0]], [1.0]];
        $count = count($corners);
        for ($set = 1; $set < 2 ** $count; $set++) {
            $some = array_values(array_filter($corners, fn (int $i): bool => ($set >> $i & 1) === 1, ARRAY_FILTER_USE_KEY));
            $shares = $some === [] ? null : self::shares(array_column($some, 0));
            if ($some === [] || $shares === null) {
                continue;
            }
            $point = self::mean($some, $shares, 0);
            if ($point->dot($point) < $best[0]) {
                $best = [$point->dot($point), $point, $some, $shares];
            }
        }

        return [$best[1], $best[2], $best[3]];
    }

    /**
     * How much of each corner lies in the point nearest to zero of the plane, line or space through all; null where that is outside of them.
     *
     * @param  non-empty-list<Vector>  $corners
     * @return non-empty-list<float>|null
     */
    private static function shares(array $corners): ?array
    {
        $first = array_shift($corners);
        $sides = array_map(fn (Vector $corner): Vector => $corner->minus($first), $corners);
        $shares = self::solved(array_map(fn (Vector $one): array => array_map(fn (Vector $other): float => $one->dot($other), $sides), $sides),
            array_map(fn (Vector $side): float => -$side->dot($first), $sides));
        if ($shares === null) {
            return null;
        }
        $all = [1 - array_sum($shares), ...$shares];

        return min($all) < 0.0 ? null : $all;
    }

    /**
     * Up to three equations, by Cramer’s rule.
     *
     * @param  list<list<float>>  $rows
     * @param  list<float>  $right
     * @return list<float>|null null where they are no three of their own
     */
    private static function solved(array $rows, array $right): ?array
    {
        $whole = self::determinant($rows);
        $scale = array_product(array_map(fn (int $i): float => $rows[$i][$i], array_keys($rows)));
        if ($rows !== [] && $whole <= 1e-14 * $scale) {
            return null;
        }

        return array_map(fn (int $i): float => self::determinant(array_map(fn (array $row, float $value): array => array_replace($row, [$i => $value]),
            $rows, $right)) / $whole, array_keys($rows));
    }

    /** @param  list<array<int, float>>  $m  none to three rows */
    private static function determinant(array $m): float
    {
        return match (count($m)) {
            0 => 1.0,
            1 => $m[0][0],
            2 => $m[0][0] * $m[1][1] - $m[0][1] * $m[1][0],
            default => $m[0][0] * ($m[1][1] * $m[2][2] - $m[1][2] * $m[2][1]) - $m[0][1] * ($m[1][0] * $m[2][2] - $m[1][2] * $m[2][0])
                + $m[0][2] * ($m[1][0] * $m[2][1] - $m[1][1] * $m[2][0]),
        };
    }

    /**
     * @param  non-empty-list<array{Vector, Vector, Vector}>  $corners
     * @param  non-empty-list<float>  $shares
     * @param  int<0, 2>  $of  of their difference, the first's or the second's
     */
    private static function mean(array $corners, array $shares, int $of): Vector
    {
        $sum = Vector::zero();
        foreach ($corners as $i => $corner) {
            $sum = $sum->plus($corner[$of]->times($shares[$i]));
        }

        return $sum;
    }
}
