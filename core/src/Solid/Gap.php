<?php

declare(strict_types=1);

namespace Brookstone\Core\Solid;

/**
 * The smallest distance between two solids, and where it is. Gilbert, Johnson & Keerthi (1988), A fast procedure for computing the distance between complex
 * objects in three-dimensional space; the nearest point of a piece of their difference by its regions: Ericson, Real-Time Collision Detection, §5.1 and §9.5.
 */
final readonly class Gap
{
    private const STEPS = 64;

    private const NEAR = 1e-12; // relative, of the square of a distance

    private const FLAT = 1e-14; // of its size: corners so near to one plane span no space

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
        $edgesA = self::edges($a, $ofA);
        $edgesB = self::edges($b, $ofB);
        [$x, $y, $z] = [$ofB->at->x - $ofA->at->x, $ofB->at->y - $ofA->at->y, $ofB->at->z - $ofA->at->z];
        if ($x === 0.0 && $y === 0.0 && $z === 0.0) {
            $x = 1.0;
        }
        $corners = [self::corner($ofA->at, $edgesA, $ofB->at, $edgesB, $x, $y, $z)];
        $shares = [1.0];
        [$x, $y, $z] = $corners[0];
        $square = $x * $x + $y * $y + $z * $z;
        $size = $square;
        for ($step = 0; $step < self::STEPS && $square > self::NEAR * $size; $step++) {
            $next = self::corner($ofA->at, $edgesA, $ofB->at, $edgesB, -$x, -$y, -$z);
            if ($square - ($x * $next[0] + $y * $next[1] + $z * $next[2]) <= self::NEAR * $square) {
                break;
            }
            $size = max($size, $next[0] * $next[0] + $next[1] * $next[1] + $next[2] * $next[2]);
            [$fewer, $fewerShares, $nearX, $nearY, $nearZ] = self::nearest([...$corners, $next]);
            $nearer = $nearX * $nearX + $nearY * $nearY + $nearZ * $nearZ;
            if ($nearer >= $square) {
                break; // as near as figures tell
            }
            [$corners, $shares, $x, $y, $z, $square] = [$fewer, $fewerShares, $nearX, $nearY, $nearZ, $nearer];
        }
        [$one, $other] = [self::mean($corners, $shares, 3), self::mean($corners, $shares, 6)];
        $apart = $square <= self::NEAR * $size ? 0.0 : sqrt($square);
        $way = $apart > 0.0 ? new Vector($x / $apart, $y / $apart, $z / $apart) : Vector::zero();

        return new self($apart - $a->skin_m - $b->skin_m, $one->plus($way->times($a->skin_m)), $other->minus($way->times($b->skin_m)));
    }

    /** @return list<array{float, float, float}> from the middle of its core to its sides, in space, m; none where it is flat */
    private static function edges(Solid $solid, Placement $placement): array
    {
        $half = $solid->half;
        $edges = [];
        foreach ([[$half->x, 0.0, 0.0], [0.0, $half->y, 0.0], [0.0, 0.0, $half->z]] as [$x, $y, $z]) {
            if ($x + $y + $z > 0.0) {
                $edge = $placement->way(new Vector($x, $y, $z));
                $edges[] = [$edge->x, $edge->y, $edge->z];
            }
        }

        return $edges;
    }

    /**
     * The corner of the difference of two cores, other less one, that is farthest along a way, with the corners of both that it is of.
     *
     * @param  list<array{float, float, float}>  $edgesA
     * @param  list<array{float, float, float}>  $edgesB
     * @return list<float> nine: of the difference, of the one and of the other
     */
    private static function corner(Vector $a, array $edgesA, Vector $b, array $edgesB, float $x, float $y, float $z): array
    {
        [$ax, $ay, $az] = [$a->x, $a->y, $a->z];
        foreach ($edgesA as [$ex, $ey, $ez]) {
            if ($ex * $x + $ey * $y + $ez * $z > 0.0) {
                [$ax, $ay, $az] = [$ax - $ex, $ay - $ey, $az - $ez];
            } else {
                [$ax, $ay, $az] = [$ax + $ex, $ay + $ey, $az + $ez];
            }
        }
        [$bx, $by, $bz] = [$b->x, $b->y, $b->z];
        foreach ($edgesB as [$ex, $ey, $ez]) {
            if ($ex * $x + $ey * $y + $ez * $z < 0.0) {
                [$bx, $by, $bz] = [$bx - $ex, $by - $ey, $bz - $ez];
            } else {
                [$bx, $by, $bz] = [$bx + $ex, $by + $ey, $bz + $ez];
            }
        }

        return [$bx - $ax, $by - $ay, $bz - $az, $ax, $ay, $az, $bx, $by, $bz];
    }

    /**
     * The point nearest to zero of what up to four corners span, with the corners that span it there and their shares.
     *
     * @param  non-empty-list<list<float>>  $corners
     * @return array{non-empty-list<list<float>>, non-empty-list<float>, float, float, float}
     */
    private static function nearest(array $corners): array
    {
        return match (count($corners)) {
            1 => [$corners, [1.0], $corners[0][0], $corners[0][1], $corners[0][2]],
            2 => self::onLine($corners[0], $corners[1]),
            3 => self::onTriangle($corners[0], $corners[1], $corners[2]),
            default => self::inSpace($corners),
        };
    }

    /**
     * @param  list<float>  $a
     * @param  list<float>  $b
     * @return array{non-empty-list<list<float>>, non-empty-list<float>, float, float, float}
     */
    private static function onLine(array $a, array $b): array
    {
        [$x, $y, $z] = [$b[0] - $a[0], $b[1] - $a[1], $b[2] - $a[2]];
        $length = $x * $x + $y * $y + $z * $z;
        $t = $length > 0.0 ? -($a[0] * $x + $a[1] * $y + $a[2] * $z) / $length : 0.0;
        if ($t <= 0.0) {
            return [[$a], [1.0], $a[0], $a[1], $a[2]];
        }

        return $t >= 1.0 ? [[$b], [1.0], $b[0], $b[1], $b[2]] : [[$a, $b], [1 - $t, $t], $a[0] + $t * $x, $a[1] + $t * $y, $a[2] + $t * $z];
    }

    /**
     * @param  list<float>  $a
     * @param  list<float>  $b
     * @param  list<float>  $c
     * @return array{non-empty-list<list<float>>, non-empty-list<float>, float, float, float}
     */
    private static function onTriangle(array $a, array $b, array $c): array
    {
        [$ux, $uy, $uz] = [$b[0] - $a[0], $b[1] - $a[1], $b[2] - $a[2]];
        [$vx, $vy, $vz] = [$c[0] - $a[0], $c[1] - $a[1], $c[2] - $a[2]];
        $d1 = -($ux * $a[0] + $uy * $a[1] + $uz * $a[2]);
        $d2 = -($vx * $a[0] + $vy * $a[1] + $vz * $a[2]);
        if ($d1 <= 0.0 && $d2 <= 0.0) {
            return [[$a], [1.0], $a[0], $a[1], $a[2]];
        }
        $d3 = -($ux * $b[0] + $uy * $b[1] + $uz * $b[2]);
        $d4 = -($vx * $b[0] + $vy * $b[1] + $vz * $b[2]);
        if ($d3 >= 0.0 && $d4 <= $d3) {
            return [[$b], [1.0], $b[0], $b[1], $b[2]];
        }
        $d5 = -($ux * $c[0] + $uy * $c[1] + $uz * $c[2]);
        $d6 = -($vx * $c[0] + $vy * $c[1] + $vz * $c[2]);
        if ($d6 >= 0.0 && $d5 <= $d6) {
            return [[$c], [1.0], $c[0], $c[1], $c[2]];
        }
        [$va, $vb, $vc] = [$d3 * $d6 - $d5 * $d4, $d5 * $d2 - $d1 * $d6, $d1 * $d4 - $d3 * $d2];
        if ($vc <= 0.0 && $d1 >= 0.0 && $d3 <= 0.0) {
            return self::onLine($a, $b);
        }
        if ($vb <= 0.0 && $d2 >= 0.0 && $d6 <= 0.0) {
            return self::onLine($a, $c);
        }
        $sum = $va + $vb + $vc;
        if (($va <= 0.0 && $d4 >= $d3 && $d5 >= $d6) || $sum <= 0.0) {
            return self::onLine($b, $c);
        }
        [$v, $w] = [$vb / $sum, $vc / $sum];

        return [[$a, $b, $c], [1 - $v - $w, $v, $w], $a[0] + $v * $ux + $w * $vx, $a[1] + $v * $uy + $w * $vy, $a[2] + $v * $uz + $w * $vz];
    }

    /**
     * @param  non-empty-list<list<float>>  $corners  four
     * @return array{non-empty-list<list<float>>, non-empty-list<float>, float, float, float}
     */
    private static function inSpace(array $corners): array
    {
        $best = null;
        $volume = self::volume($corners[0], $corners[1], $corners[2], $corners[3]);
        $inside = abs($volume) > 0.0;
        $shares = [];
        foreach ([[1, 2, 3], [0, 3, 2], [0, 1, 3], [0, 2, 1]] as $opposite => [$i, $j, $k]) {
            [$a, $b, $c] = [$corners[$i], $corners[$j], $corners[$k]];
            // What it spans with zero in the place of the corner opposite: of the same sign as all of it where zero lies on that side.
            $part = $a[0] * ($b[1] * $c[2] - $b[2] * $c[1]) + $a[1] * ($b[2] * $c[0] - $b[0] * $c[2]) + $a[2] * ($b[0] * $c[1] - $b[1] * $c[0]);
            $shares[$opposite] = $volume === 0.0 ? 0.0 : $part / $volume;
            if ($shares[$opposite] > self::FLAT) {
                continue;
            }
            $inside = false;
            $near = self::onTriangle($a, $b, $c);
            $square = $near[2] * $near[2] + $near[3] * $near[3] + $near[4] * $near[4];
            $best = $best === null || $square < $best[0] ? [$square, $near] : $best;
        }

        return $inside || $best === null ? [$corners, array_values($shares), 0.0, 0.0, 0.0] : $best[1];
    }

    /**
     * Six times what they span, with its sign.
     *
     * @param  list<float>  $a
     * @param  list<float>  $b
     * @param  list<float>  $c
     * @param  list<float>  $d
     */
    private static function volume(array $a, array $b, array $c, array $d): float
    {
        [$ux, $uy, $uz] = [$b[0] - $a[0], $b[1] - $a[1], $b[2] - $a[2]];
        [$vx, $vy, $vz] = [$c[0] - $a[0], $c[1] - $a[1], $c[2] - $a[2]];
        [$wx, $wy, $wz] = [$d[0] - $a[0], $d[1] - $a[1], $d[2] - $a[2]];

        return $ux * ($vy * $wz - $vz * $wy) + $uy * ($vz * $wx - $vx * $wz) + $uz * ($vx * $wy - $vy * $wx);
    }

    /**
     * @param  non-empty-list<list<float>>  $corners
     * @param  non-empty-list<float>  $shares
     */
    private static function mean(array $corners, array $shares, int $of): Vector
    {
        $x = $y = $z = 0.0;
        foreach ($corners as $i => $corner) {
            $x += $shares[$i] * $corner[$of];
            $y += $shares[$i] * $corner[$of + 1];
            $z += $shares[$i] * $corner[$of + 2];
        }

        return new Vector($x, $y, $z);
    }
}
