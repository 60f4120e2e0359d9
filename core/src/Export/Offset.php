<?php

declare(strict_types=1);

namespace Brookstone\Core\Export;

/**
 * A closed line moved outwards by a distance, or inwards: all that is just so far from it. Edges move along their normals, outer corners become
 * arcs, and where the moved line crosses itself, in hollows narrower than the distance, the loop is cut off (de Berg et al., Computational Geometry,
 * 3rd ed., §13.3: the sum with a disc).
 */
final class Offset
{
    private const CHORD_MM = 0.001;  // an arc is this near to round

    private const MITRE_RAD = 0.15;  // a bend so slight stays a corner: 0.3 % of the distance off

    private const SAME_MM = 1e-4;    // points nearer together are one

    private const REACH = 200;       // edges ahead that a hollow can have

    /**
     * @param  list<array{float, float}>  $points  counter-clockwise
     * @param  float  $by  mm; positive outwards
     * @return list<array{float, float}> counter-clockwise
     */
    public static function of(array $points, float $by): array
    {
        $points = self::apart($points);
        if ($by === 0.0 || count($points) < 3) {
            return $points;
        }
        $count = count($points);
        $normals = [];
        foreach ($points as $i => [$x, $y]) {
            [$nx, $ny] = $points[($i + 1) % $count];
            $length = hypot($nx - $x, $ny - $y);
            $normals[] = [($ny - $y) / $length, -($nx - $x) / $length];
        }
        $moved = [];
        foreach ($points as $i => [$x, $y]) {
            [$ax, $ay] = $normals[($i - 1 + $count) % $count];
            [$bx, $by2] = $normals[$i];
            $turn = atan2($ax * $by2 - $ay * $bx, $ax * $bx + $ay * $by2);
            if (abs($turn) < self::MITRE_RAD || $turn * $by < 0.0) {
                // The point where the two moved edges meet.
                $share = $by / max(0.05, 1 + $ax * $bx + $ay * $by2);
                $moved[] = [$x + $share * ($ax + $bx), $y + $share * ($ay + $by2)];

                continue;
            }
            $steps = (int) ceil(abs($turn) / (2 * acos(max(0.5, 1 - self::CHORD_MM / abs($by)))));
            $from = atan2($ay, $ax);
            for ($k = 0; $k <= $steps; $k++) {
                $angle = $from + $turn * $k / $steps;
                $moved[] = [$x + $by * cos($angle), $y + $by * sin($angle)];
            }
        }

        return self::apart(self::withoutLoops(self::apart($moved)));
    }

    /**
     * The first of several points in one place.
     *
     * @param  list<array{float, float}>  $points
     * @return list<array{float, float}>
     */
    public static function apart(array $points): array
    {
        $kept = [];
        foreach ($points as $point) {
            $last = $kept[count($kept) - 1] ?? null;
            if ($last === null || hypot($point[0] - $last[0], $point[1] - $last[1]) > self::SAME_MM) {
                $kept[] = $point;
            }
        }
        while (count($kept) > 1 && hypot($kept[0][0] - $kept[count($kept) - 1][0], $kept[0][1] - $kept[count($kept) - 1][1]) <= self::SAME_MM) {
            array_pop($kept);
        }

        return $kept;
    }

    /**
     * Begun at the point farthest out, which no loop can hold.
     *
     * @param  list<array{float, float}>  $points
     * @return list<array{float, float}>
     */
    private static function withoutLoops(array $points): array
    {
        $count = count($points);
        $first = 0;
        foreach ($points as $i => [$x, $y]) {
            $first = hypot($x, $y) > hypot($points[$first][0], $points[$first][1]) ? $i : $first;
        }
        $points = [...array_slice($points, $first), ...array_slice($points, 0, $first)];
        $kept = [];
        $at = $points[0];
        for ($i = 0; $i < $count;) {
            $kept[] = $at;
            $next = $points[($i + 1) % $count];
            [$jump, $nearest, $cross] = [null, INF, null];
            for ($j = $i + 2; $j < min($count, $i + self::REACH); $j++) {
                $meets = self::crossing($at, $next, $points[$j], $points[($j + 1) % $count]);
                if ($meets !== null && $meets[0] < $nearest) {
                    [$nearest, $jump, $cross] = [$meets[0], $j, $meets[1]];
                }
            }
            if ($jump !== null && $cross !== null && ! ($jump === $count - 1 && $i === 0)) {
                [$at, $i] = [$cross, $jump];

                continue;
            }
            [$at, $i] = [$next, $i + 1];
        }

        return $kept;
    }

    /**
     * @param  array{float, float}  $a
     * @param  array{float, float}  $b
     * @param  array{float, float}  $c
     * @param  array{float, float}  $d
     * @return array{float, array{float, float}}|null how far along from a to b it is crossed, and where
     */
    private static function crossing(array $a, array $b, array $c, array $d): ?array
    {
        if (max($a[0], $b[0]) < min($c[0], $d[0]) || max($c[0], $d[0]) < min($a[0], $b[0]) || max($a[1], $b[1]) < min($c[1], $d[1])
            || max($c[1], $d[1]) < min($a[1], $b[1])) {
            return null;
        }
        [$rx, $ry, $sx, $sy] = [$b[0] - $a[0], $b[1] - $a[1], $d[0] - $c[0], $d[1] - $c[1]];
        $across = $rx * $sy - $ry * $sx;
        if ($across === 0.0) {
            return null;
        }
        $t = (($c[0] - $a[0]) * $sy - ($c[1] - $a[1]) * $sx) / $across;
        $u = (($c[0] - $a[0]) * $ry - ($c[1] - $a[1]) * $rx) / $across;

        return $t > 1e-12 && $t <= 1.0 && $u >= 0.0 && $u <= 1.0 ? [$t, [$a[0] + $t * $rx, $a[1] + $t * $ry]] : null;
    }
}
