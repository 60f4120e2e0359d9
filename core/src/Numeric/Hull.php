<?php

declare(strict_types=1);

namespace Brookstone\Core\Numeric;

/** What is around a heap of points in a plane. Andrew’s monotone chain: de Berg et al., Computational Geometry, 3rd ed., §1.1. */
final class Hull
{
    private const FLAT = 1e-12;

    /**
     * Its corners, anticlockwise from the one farthest to the left; fewer than three where they lie on a line.
     *
     * @param  list<array{float, float}>  $points
     * @return list<array{float, float}>
     */
    public static function around(array $points): array
    {
        sort($points);
        $points = array_values(array_unique($points, SORT_REGULAR));

        return count($points) < 3 ? $points : [...array_slice(self::half($points), 0, -1), ...array_slice(self::half(array_reverse($points)), 0, -1)];
    }

    /**
     * @param  list<array{float, float}>  $points
     * @return list<array{float, float}>
     */
    private static function half(array $points): array
    {
        $hull = [];
        foreach ($points as $point) {
            while (count($hull) > 1) {
                [$one, $other] = array_slice($hull, -2);
                if (($other[0] - $one[0]) * ($point[1] - $one[1]) - ($other[1] - $one[1]) * ($point[0] - $one[0]) > self::FLAT) {
                    break;
                }
                array_pop($hull);
            }
            $hull[] = $point;
        }

        return $hull;
    }
}
