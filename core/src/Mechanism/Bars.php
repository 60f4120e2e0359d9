<?php

declare(strict_types=1);

namespace Brookstone\Core\Mechanism;

use Brookstone\Core\Linkage\FourBar;
use Brookstone\Core\Linkage\Pushrod;

/**
 * The bars of a linkage where they stand, seen from above: the shaft of the drive at (0, 0), the other pivot, or the way of the
 * slider, along x. Millimetres; positions in rad of the shaft.
 */
final readonly class Bars
{
    private ?Pushrod $rod;

    private ?FourBar $loop;

    private function __construct(private Crank|CrankRocker|PushrodLever $thing)
    {
        $this->rod = $thing instanceof PushrodLever ? new Pushrod($thing->arm_m, $thing->horn_m, $thing->pivot_distance_m, $thing->half_travel_deg,
            $thing->opposite_sides) : null;
        $this->loop = $thing instanceof CrankRocker ? new FourBar($thing->crank_m, $thing->coupler_m, $thing->rocker_m, $thing->ground_m) : null;
    }

    /** Null where nothing is moved by bars. */
    public static function of(Mechanism $thing): ?self
    {
        return $thing instanceof Crank || $thing instanceof CrankRocker || $thing instanceof PushrodLever ? new self($thing) : null;
    }

    /** Between the two pivots, mm; null of a slider, which has but one. */
    public function pivots_mm(): ?float
    {
        return match (true) {
            $this->thing instanceof CrankRocker => $this->thing->ground_m * 1000,
            $this->thing instanceof PushrodLever => $this->thing->pivot_distance_m * 1000,
            default => null,
        };
    }

    /**
     * How squarely the bars push at a position: the angle between the bar that pushes and the one that is pushed, or the way square to a slider, and
     * the angle between the driving bar and the next; both 0–90°. At 0° of the first nothing moves what is pushed, at 0° of the second it stands
     * still: a dead point (Norton, Design of Machinery, 5th ed., §3.3 and 4.10).
     *
     * @return array{float, float}
     */
    public function angles_deg(float $position): array
    {
        $bars = array_values($this->at($position));
        $way = fn (array $bar): float => atan2($bar[1][1] - $bar[0][1], $bar[1][0] - $bar[0][0]);
        $between = fn (float $a, float $b): float => rad2deg(asin(min(1.0, abs(sin($a - $b)))));

        return [$between($way($bars[1]), isset($bars[2]) ? $way($bars[2]) : M_PI / 2), $between($way($bars[0]), $way($bars[1]))];
    }

    /** @return array<string, float> between the holes of each bar, mm, by name */
    public function lengths_mm(): array
    {
        $metres = match (true) {
            $this->thing instanceof CrankRocker => ['crank' => $this->thing->crank_m, 'coupler' => $this->thing->coupler_m, 'rocker' => $this->thing->rocker_m],
            $this->thing instanceof Crank => ['crank' => $this->thing->crank_m, 'rod' => $this->thing->rod_m],
            default => ['servo arm' => $this->thing->arm_m, 'rod' => $this->rod->rod_m ?? 0.0, 'horn' => $this->thing->horn_m],
        };

        return array_map(fn (float $length): float => $length * 1000, $metres);
    }

    /** @return array<string, array{array{float, float}, array{float, float}}> both ends of each bar, by name */
    public function at(float $position): array
    {
        $thing = $this->thing;
        if ($thing instanceof PushrodLever) {
            $turned = $this->rod?->horn($position) ?? 0.0;
            $horn = ($thing->opposite_sides ? -M_PI : M_PI) / 2 - $turned;
            $pin = [1000 * $thing->arm_m * sin($position), 1000 * $thing->arm_m * cos($position)];
            $pivot = [1000 * $thing->pivot_distance_m, 0.0];
            $eye = [$pivot[0] + 1000 * $thing->horn_m * cos($horn), 1000 * $thing->horn_m * sin($horn)];

            return ['servo arm' => [[0.0, 0.0], $pin], 'rod' => [$pin, $eye], 'horn' => [$pivot, $eye]];
        }
        $pin = [1000 * $thing->crank_m * cos($position), 1000 * $thing->crank_m * sin($position)];
        if ($thing instanceof Crank) {
            return ['crank' => [[0.0, 0.0], $pin], 'rod' => [$pin, [1000 * $thing->slider($position)[0], 1000 * $thing->offset_m]]];
        }
        $rocker = $this->loop?->rocker($position)[0] ?? 0.0;
        $pivot = [1000 * $thing->ground_m, 0.0];
        $eye = [$pivot[0] + 1000 * $thing->rocker_m * cos($rocker), 1000 * $thing->rocker_m * sin($rocker)];

        return ['crank' => [[0.0, 0.0], $pin], 'coupler' => [$pin, $eye], 'rocker' => [$pivot, $eye]];
    }
}
