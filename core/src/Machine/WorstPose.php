<?php

declare(strict_types=1);

namespace Brookstone\Core\Machine;

use Brookstone\Core\Load\Move;
use Brookstone\Core\Mechanism\OnStage;
use Brookstone\Core\Mechanism\Ride;
use Brookstone\Core\Parts\Motion;

/**
 * The load of a motion in the pose of everything else in which its task asks most of it: that of all poses that what it stands on and what stands on it can
 * take between their places. Found when it is first asked for, from several beginnings, one motion after another (coordinate search: Nocedal & Wright,
 * Numerical Optimization, 2nd ed., §9.3).
 */
final class WorstPose implements Ride
{
    private const SAMPLES = 16;    // of the time of the move

    private const POINTS = 6;      // of a motion, at first

    private const TURN_POINTS = 12; // of one that goes round

    private const NARROWS = 10;    // golden sections after that

    private const ROUNDS = 6;

    private const GOLDEN = 0.6180339887498949;

    private const MORE = 1 + 1e-9;

    /** @var array<string, float>|null */
    private ?array $pose = null;

    private Posture $posture;

    public function __construct(private readonly Stage $stage, private readonly string $motion)
    {
    }

    /** @return array<string, float> where each of the others is, in its own unit */
    public function pose(): array
    {
        $this->look();

        return $this->pose ?? [];
    }

    public function force(float $at): float
    {
        return $this->look()->force($at);
    }

    public function mass(): float
    {
        return $this->look()->mass();
    }

    public function kg(): float
    {
        return $this->look()->kg();
    }

    private function look(): Posture
    {
        if ($this->pose === null) {
            $this->pose = $this->found();
            $this->posture = $this->stage->posture($this->motion, $this->pose);
        }

        return $this->posture;
    }

    /** @return array<string, float> */
    private function found(): array
    {
        $ranges = [];
        foreach ([...$this->stage->under($this->motion), ...$this->stage->above($this->motion)] as $id) {
            $ranges[$id] = self::range($this->stage->motions[$id]);
        }
        $asks = $this->asks();
        $best = [];
        $most = -INF;
        foreach (self::beginnings($ranges, $this->stage->motions) as $pose) {
            [$pose, $asked] = self::climb($pose, $ranges, $asks);
            if ($asked > $most * self::MORE || $best === []) {
                [$best, $most] = [$pose, $asked];
            }
        }

        return $best;
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
            if ($most <= $before * self::MORE) {
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

    /** @return \Closure(array<string, float>): float the largest torque that its task asks for in a pose, there or back, N·m at its shaft */
    private function asks(): \Closure
    {
        $motion = $this->stage->motions[$this->motion];
        $stage = $this->stage->goes($this->motion);
        $samples = self::samples($motion, $stage);

        return function (array $pose) use ($samples): float {
            $posture = $this->stage->posture($this->motion, $pose);
            $mass = $posture->mass();
            $most = 0.0;
            foreach ($samples as [$at, $slope, $accel, $static, $friction, $inertia]) {
                $holds = $static + $posture->force($at) * $slope;
                $most = max($most, abs($holds + max(0.0, $inertia + $mass * $slope ** 2) * $accel) + $friction, abs($holds) + $friction);
            }

            return $most;
        };
    }

    /** @return list<array{float, float, float, float, float, float}> how far it has gone, what a radian of the shaft takes it, how it speeds up, its own load */
    private static function samples(Motion $motion, OnStage $stage): array
    {
        $thing = $motion->thing();
        $move = $motion->move();
        $samples = [];
        foreach ($move->profile->pieces() as $piece) {
            for ($i = 0; $i <= self::SAMPLES / 2; $i++) {
                [$way, , $accel] = $move->profile->at($piece[0] + ($piece[1] - $piece[0]) * $i / (self::SAMPLES / 2), $piece);
                $position = $move->from + $move->distance() * $way;
                $perRad = $thing->travelPerRad($position);
                $h = 1e-4 * $perRad;
                $slope = ($stage->at($thing, $position + $h) - $stage->at($thing, $position - $h)) / (2 * $h) * $perRad;
                [$static, $friction, $inertia] = $thing->dynamics($position);
                $samples[] = [$stage->at($thing, $position), $slope, $accel * $move->distance() / $move->seconds ** 2 / $perRad, $static, $friction,
                    $inertia + $motion->rotorFelt()];
            }
        }

        return $samples;
    }
}
