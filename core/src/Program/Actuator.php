<?php

declare(strict_types=1);

namespace Brookstone\Core\Program;

use Brookstone\Core\Code\Gives;
use Brookstone\Core\Code\Line;
use Brookstone\Core\Code\When;
use Brookstone\Core\Drive\Servo;
use Brookstone\Core\Drive\Stepper;
use Brookstone\Core\Parts\Motion;
use Brookstone\Core\Simulation\ServoRun;

/**
 * How what a driver is told follows from where a motion shall go: the width of a servo's pulse in nanoseconds, or microsteps of a stepper, from 0 where the
 * motion stands at 0. In straight lines between points that lie so close that a linkage between them shows.
 */
final readonly class Actuator
{
    private const POINTS = 8;

    private const MIDDLE_NS = 1500000.0; // of a servo's pulse

    private const WAY_NS = 1000000.0;    // from one end of its travel to the other

    /** @param  non-empty-list<array{int, int}>  $points  positions of the motion with what its driver is told there, by rising position */
    private function __construct(public array $points, public int $per_s)
    {
    }

    public static function of(Motion $motion): self
    {
        $drive = $motion->drive ?? throw new \LogicException("{$motion->name} has no drive.");
        $motor = $drive->motor;
        $unit = $motion->unit();
        $turn = fn (float $own): float => $motion->mechanism->turnAt($unit->toSi($own)) * $motion->train->ratio() * $motion->train->direction()
            * ($drive->reversed ? -1.0 : 1.0);
        [$low, $high] = $motion->period() === null ? $motion->range() : [0.0, $motion->period()];
        $at = array_map(fn (int $i): float => $low + ($high - $low) * $i / self::POINTS, range(0, self::POINTS));
        $at = array_values(array_unique([...$at, ...array_map(fn ($place): float => $place->at, $motion->places)]));
        sort($at);
        $told = match (true) {
            $motor instanceof Servo => fn (float $own): float => self::MIDDLE_NS + self::WAY_NS * ($turn($own) - ($turn($low) + $turn($high)) / 2)
                / deg2rad($motor->travel_deg),
            $motor instanceof Stepper => fn (float $own): float => $turn($own) / (2 * M_PI) * $motor->steps_per_rev * $motor->microsteps,
            default => throw new \LogicException("{$motion->name} is not sent anywhere."),
        };
        $points = array_map(fn (float $own): array => [(int) round($own * Roster::perUnit($unit)), (int) round($told($own))], $at);
        $per_s = $motor instanceof Servo ? self::paced($motion, $told) : abs($motion->ramp()->speed * ($told($high) - $told($low)) / max(1e-12,
            $motion->mechanism->turnAt($unit->toSi($high)) - $motion->mechanism->turnAt($unit->toSi($low))));

        return new self(self::straight($points), max(1, (int) round(min(1e9, abs($per_s)))));
    }

    /**
     * How fast its servo takes it there, of what it is told: as its load lets it, over the move of its task.
     *
     * @param  \Closure(float): float  $told
     */
    private static function paced(Motion $motion, \Closure $told): float
    {
        [$from, $to] = [$motion->at($motion->task->from), $motion->at($motion->task->to)];
        $time_s = ServoRun::of($motion, $from, $to, 1.0, 30.0, traced: false)->time_s;

        return $time_s !== null && $time_s > 0.0 ? abs($told($to) - $told($from)) / $time_s : self::WAY_NS;
    }

    /**
     * Without points that lie on a line between their neighbours.
     *
     * @param  non-empty-list<array{int, int}>  $points
     * @return non-empty-list<array{int, int}>
     */
    private static function straight(array $points): array
    {
        $kept = [$points[0]];
        for ($i = 1; $i < count($points) - 1; $i++) {
            [$x0, $y0] = $kept[count($kept) - 1];
            [$x1, $y1] = $points[$i + 1];
            [$x, $y] = $points[$i];
            if ($x1 === $x0 || abs($y0 + ($y1 - $y0) * ($x - $x0) / ($x1 - $x0) - $y) > 1.0) {
                $kept[] = $points[$i];
            }
        }

        return [...$kept, $points[count($points) - 1]];
    }

    /** @return list<Line> what the driver is told at a position `at` */
    public function tells(): array
    {
        return self::along($this->points);
    }

    /** @return list<Line> the position at which the driver is told `at` */
    public function stands(): array
    {
        $back = array_map(fn (array $point): array => [$point[1], $point[0]], $this->points);
        usort($back, fn (array $one, array $other): int => $one[0] <=> $other[0]);

        return self::along($back);
    }

    /**
     * @param  non-empty-list<array{int, int}>  $points
     * @return list<Line>
     */
    private static function along(array $points): array
    {
        $lines = [];
        for ($i = 1; $i < count($points); $i++) {
            [[$x0, $y0], [$x1, $y1]] = [$points[$i - 1], $points[$i]];
            if ($x1 === $x0) {
                continue;
            }
            $value = Asked::literal($y0).' + scaled(at - '.Asked::literal($x0).', '.Asked::literal($y1 - $y0).', '.Asked::literal($x1 - $x0).')';
            $lines[] = $i === count($points) - 1 ? new Gives($value) : new When('at < '.Asked::literal($x1), [new Gives($value)]);
        }

        return $lines === [] ? [new Gives(Asked::literal($points[0][1]))] : $lines;
    }
}
