<?php

declare(strict_types=1);

namespace Brookstone\Core\Assessment\Subject;

use Brookstone\Core\Drive\Stepper;
use Brookstone\Core\Dynamics\Plant;
use Brookstone\Core\Dynamics\StepperRun;
use Brookstone\Core\Load\MoveTorque;
use Brookstone\Core\Parts\Motion;

/**
 * What a motion's move asks for, as a function of the rotor that comes with a drive: T = T₀ + Jr·α at every instant, so
 * its largest size is the upper envelope of straight lines in Jr, and its mean square a parabola. Exact for the sampled
 * instants, whatever the rotor.
 */
final readonly class MoveTable
{
    private const INTERVALS = 64; // of each piece of a move; even

    private const STEPPER_EVERY = self::INTERVALS / StepperRun::SAMPLES;

    /** @var non-empty-list<array{float, float}> lines [T₀, α] of which one is the largest for some Jr ≥ 0, by rising α */
    private array $envelope;

    /** @var list<array{float, float, float}> mean of T₀², T₀α and α² over the move there and back */
    private array $squares;

    /** @var list<array{float, float, float}> T₀, α and speed where a stepper is looked at */
    private array $stops;

    private float $topSpeed_rad_s;

    /** Largest torque of a slow move. */
    public float $steady_Nm;

    public float $hold_Nm;

    public float $turn_rad;

    public float $inertia_kgm2;

    public float $static_Nm;

    public float $least_kgm2; // of its inertia

    public float $grip_Nm;

    public function __construct(Motion $motion)
    {
        $bare = new MotionFigures($motion->withDrive(null));
        $lines = [[0.0, 0.0]];
        $squares = [];
        $stops = [];
        $steady = 0.0;
        foreach ([true, false] as $there) {
            $move = $there ? $motion->move() : $motion->move()->back();
            $needed = new MoveTorque($motion->moved($there), $move);
            $sums = [0.0, 0.0, 0.0];
            foreach ($needed->pieces() as [$from, $to, $piece]) {
                for ($i = 0; $i <= self::INTERVALS; $i++) {
                    $t = $from + ($to - $from) * $i / self::INTERVALS;
                    [$torque, $speed, , , $accel] = $needed->sample($t, $piece, ($from + $to) / 2);
                    $weight = ($to - $from) / self::INTERVALS / 3 * ($i === 0 || $i === self::INTERVALS ? 1 : ($i % 2 === 1 ? 4 : 2));
                    $sums[0] += $weight * $torque ** 2;
                    $sums[1] += $weight * $torque * $accel;
                    $sums[2] += $weight * $accel ** 2;
                    $lines[] = [$torque, $accel];
                    $lines[] = [-$torque, -$accel];
                    if ($i % self::STEPPER_EVERY === 0) {
                        $stops[] = [$torque, $accel, $speed];
                    }
                }
            }
            $squares[] = $sums;
            $steady = max($steady, ($there ? $bare->there() : $bare->back())->steady_peak_Nm);
        }
        $this->squares = $squares;
        usort($stops, fn (array $a, array $b): int => abs($b[0] * $b[2]) <=> abs($a[0] * $a[2])); // what is likely the worst comes first
        $this->stops = $stops;
        $this->topSpeed_rad_s = max(0.0, ...array_map(fn (array $stop): float => abs($stop[2]), $stops));
        $this->envelope = self::upper($lines);
        $this->steady_Nm = $steady;
        $this->hold_Nm = $bare->hold_Nm();
        $this->inertia_kgm2 = $bare->inertia_kgm2();
        $this->static_Nm = max($bare->there()->static_peak_Nm, $bare->back()->static_peak_Nm);
        $this->least_kgm2 = $bare->leastInertia_kgm2();
        $this->grip_Nm = $motion->mechanism->gripNm();
        $this->turn_rad = $motion->turn_rad();
    }

    /** Largest torque with a rotor of so much inertia at the load. */
    public function peak_Nm(float $rotor_kgm2): float
    {
        $peak = $this->steady_Nm;
        foreach ($this->envelope as [$torque, $accel]) {
            $here = $torque + $rotor_kgm2 * $accel;
            if ($here > $peak) {
                $peak = $here;
            }
        }

        return $peak;
    }

    public function rms_Nm(float $rotor_kgm2): float
    {
        $largest = 0.0;
        foreach ($this->squares as [$a, $b, $c]) {
            $largest = max($largest, $a + 2 * $b * $rotor_kgm2 + $c * $rotor_kgm2 ** 2);
        }

        return sqrt($largest);
    }

    /** What a stepper pulls over what the move needs, where that is least: the same instants as StepperRun. */
    public function stepperMargin(Stepper $stepper, float $supply_V, float $ratio, float $efficiency, float $back, float $rotor_kgm2): float
    {
        $margin = INF;
        $least = $stepper->available_Nm($supply_V, $this->topSpeed_rad_s * $ratio); // it pulls no less at any other speed
        foreach ($this->stops as [$torque, $accel, $speed]) {
            $needs = abs(Plant::atMotor_Nm($torque, $speed, $accel, $ratio, $efficiency, $back, $rotor_kgm2));
            if ($needs > 0.0 && ($margin === INF || $needs * $margin > $least)) {
                $has = $stepper->available_Nm($supply_V, $speed * $ratio) / $needs;
                $margin = $has < $margin ? $has : $margin;
            }
        }

        return $margin;
    }

    /**
     * The lines that are the largest of all for some Jr ≥ 0: the convex hull trick (de Berg et al., Computational Geometry,
     * 3rd ed., §8.2, by duality).
     *
     * @param  non-empty-list<array{float, float}>  $lines
     * @return non-empty-list<array{float, float}>
     */
    private static function upper(array $lines): array
    {
        usort($lines, fn (array $a, array $b): int => $a[1] <=> $b[1] ?: $a[0] <=> $b[0]);
        $hull = [];
        foreach ($lines as $line) {
            while ($hull !== []) {
                $last = $hull[count($hull) - 1];
                $before = $hull[count($hull) - 2] ?? null;
                $isUnder = $line[0] >= $last[0] // steeper and higher from the start
                    || ($before !== null && ($last[1] - $before[1]) > 0.0 && ($before[0] - $line[0]) * ($last[1] - $before[1]) <= ($before[0]
                        - $last[0]) * ($line[1] - $before[1]));
                if (! $isUnder) {
                    break;
                }
                array_pop($hull);
            }
            $hull[] = $line;
        }

        return $hull;
    }
}
