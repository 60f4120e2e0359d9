<?php

declare(strict_types=1);

namespace Brookstone\Core\Machine;

use Brookstone\Core\Parts\Motion;

/**
 * The pose in which something is most: from several beginnings, one motion after another (coordinate search: Nocedal & Wright, Numerical Optimization, 2nd ed.,
 * §9.3; golden sections: Press et al., Numerical Recipes, 3rd ed., §10.2).
 */
final class PoseSearch
{
    private const POINTS = 6;       // of a motion, at first

    private const TURN_POINTS = 12; // of one that goes round

    private const NARROWS = 10;     // golden sections after that

    private const ROUNDS = 6;

    private const GOLDEN = 0.6180339887498949;

    private const MORE = 1e-9;

    /**
     * @param  list<string>  $motions  that may be anywhere between their places
     * @param  \Closure(array<string, float>): float  $asks
     * @return array{array<string, float>, float} where each is, in its own unit, and how much it is there
     */
    public static function most(Stage $stage, array $motions, \Closure $asks): array
    {
        $ranges = [];
        foreach ($motions as $id) {
            $ranges[$id] = self::range($stage->motions[$id]);
        }
        $best = null;
        foreach (self::beginnings($ranges, $stage->motions) as $pose) {
            [$pose, $asked] = self::climb($pose, $ranges, $asks);
            if ($best === null || self::isMore($asked, $best[1])) {
                $best = [$pose, $asked];
            }
        }

        return $best ?? [[], $asks([])];
    }

    private static function isMore(float $one, float $other): bool
    {
        return $one > $other + self::MORE * abs($other);
    }

    /** @return array{float, float, bool} from where to where it goes, and whether it comes round there */
    private static function range(Motion $motion): array
    {
        $period = $motion->period() ?? ($motion->turnsAnywhere() ? 360.0 : null);

        return $period === null ? [...$motion->range(), false] : [0.0, $period, true];
    }

    /**
     * @param  array<string, array{float, float, bool}>  $ranges
     * @param  array<string, Motion>  $motions
     * @return list<array<string, float>> at rest, all at the one end, all at the other, and every second
     */
    private static function beginnings(array $ranges, array $motions): array
    {
        $rest = $low = $high = $mixed = $other = [];
        $i = 0;
        foreach ($ranges as $id => [$from, $to]) {
            $rest[$id] = $motions[$id]->at($motions[$id]->task->from);
            [$low[$id], $high[$id]] = [$from, $to];
            [$mixed[$id], $other[$id]] = $i++ % 2 === 0 ? [$from, $to] : [$to, $from];
        }

        return array_values(array_unique([$rest, $low, $high, ...(count($ranges) > 1 ? [$mixed, $other] : [])], SORT_REGULAR));
    }

    /**
     * @param  array<string, float>  $pose
     * @param  array<string, array{float, float, bool}>  $ranges
     * @param  \Closure(array<string, float>): float  $asks
     * @return array{array<string, float>, float}
     */
    private static function climb(array $pose, array $ranges, \Closure $asks): array
    {
        $most = $asks($pose);
        for ($round = 0; $round < self::ROUNDS; $round++) {
            $before = $most;
            foreach ($ranges as $id => $range) {
                [$at, $asked] = self::along($range, fn (float $at): float => $asks([$id => $at] + $pose));
                if ($asked > $most) {
                    [$pose[$id], $most] = [$at, $asked];
                }
            }
            if (! self::isMore($most, $before)) {
                break;
            }
        }

        return [$pose, $most];
    }

    /**
     * @param  array{float, float, bool}  $range
     * @param  \Closure(float): float  $asks
     * @return array{float, float} where it is most, and how much
     */
    private static function along(array $range, \Closure $asks): array
    {
        [$low, $high, $round] = $range;
        $points = $round ? self::TURN_POINTS : self::POINTS;
        $width = ($high - $low) / $points;
        $best = [$low, -INF];
        for ($i = 0; $i <= $points; $i++) {
            $asked = $asks($low + $i * $width);
            if ($asked > $best[1]) {
                $best = [$low + $i * $width, $asked];
            }
        }
        $from = max($low, $best[0] - $width);
        $to = min($high, $best[0] + $width);
        [$a, $b] = [$to - self::GOLDEN * ($to - $from), $from + self::GOLDEN * ($to - $from)];
        [$atA, $atB] = [$asks($a), $asks($b)];
        for ($i = 0; $i < self::NARROWS; $i++) {
            if ($atA >= $atB) {
                [$to, $b, $atB] = [$b, $a, $atA];
                $a = $to - self::GOLDEN * ($to - $from);
                $atA = $asks($a);
            } else {
                [$from, $a, $atA] = [$a, $b, $atB];
                $b = $from + self::GOLDEN * ($to - $from);
                $atB = $asks($b);
            }
        }
        foreach ([[$a, $atA], [$b, $atB]] as $other) {
            $best = $other[1] > $best[1] ? $other : $best;
        }

        return $best;
    }
}
