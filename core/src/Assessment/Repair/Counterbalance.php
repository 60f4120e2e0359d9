<?php

declare(strict_types=1);

namespace Brookstone\Core\Assessment\Repair;

use Brookstone\Core\Assessment\Subject\MotionFigures;
use Brookstone\Core\Build\Build;
use Brookstone\Core\Finding\Change;
use Brookstone\Core\Finding\Fix;
use Brookstone\Core\Finding\Sentence;
use Brookstone\Core\Mechanism\Arm;
use Brookstone\Core\Mechanism\Crank;
use Brookstone\Core\Mechanism\CrankRocker;
use Brookstone\Core\Mechanism\Hoist;
use Brookstone\Core\Mechanism\Mechanism;
use Brookstone\Core\Mechanism\SprungAtPivot;
use Brookstone\Core\Parts\Motion;
use Brookstone\Core\Quantity\Constants;
use Brookstone\Core\Quantity\Format;
use Brookstone\Core\Quantity\Quantity;

/**
 * Counterweights and springs in the size that halves the worst torque at rest, with what they do to the way back and to
 * the state without power.
 */
final class Counterbalance
{
    private const SAMPLES = 48;        // over the travel; even

    private const HALF = 0.5;

    private const GOOD_ENOUGH = 0.51;  // rounding the size to figures that can be made

    private const FARTHEST_REST_DEG = 700.0;

    private const GRID = 10;           // steps to either side

    private const GRID_ROUNDS = 5;

    private const GOLDEN = 0.6180339887498949;

    /** @return list<array<string, mixed>> as Schemas::easing() has it; nothing where neither helps */
    public static function of(Build $build, Motion $motion): array
    {
        $thing = $motion->thing();
        $offers = match (true) {
            $thing instanceof Arm => [self::counterweight($build, $motion, $thing), self::armSpring($build, $motion, $thing)],
            $thing instanceof Hoist => [self::hoistWeight($build, $motion, $thing)],
            $thing instanceof Crank => [self::crankSpring($build, $motion, $thing)],
            $thing instanceof SprungAtPivot => [self::pivotSpring($build, $motion, $thing)],
            default => [],
        };

        return array_values(array_filter($offers));
    }

    /** @return array<string, mixed>|null */
    private static function counterweight(Build $build, Motion $motion, Arm $arm): ?array
    {
        $left = $arm->gravityNm() - $arm->counterbalance_Nm;
        if ($left <= 0.0 || $arm->spring_Nm_per_deg > 0.0) {
            return null;
        }
        $torque = Format::significantNumber($arm->counterbalance_Nm + self::HALF * $left, 3);
        $reach = $arm->cg_m / 2;
        $mass = $torque / Constants::GRAVITY_M_S2 / $reach;
        $inertia = Format::significantNumber($arm->inertia_kgm2 + ($mass - $arm->counterbalance_Nm / Constants::GRAVITY_M_S2 / $reach) * $reach ** 2, 4);
        $path = self::path($build, $motion);
        $eased = new Arm($arm->mass_kg, $arm->cg_m, $arm->payload_kg, $arm->payload_m, $arm->friction_Nm, $inertia, $torque, $arm->spring_Nm_per_deg,
            $arm->spring_rest_deg);

        return self::offer($build, $motion, $eased, 'counterweight', new Sentence(
            '{mass} at {reach} behind the pivot, {torque} at horizontal', ['mass' => Quantity::of($mass, 'kg'), 'reach' => Quantity::of($reach, 'm'),
                'torque' => Quantity::of($torque, 'N·m')],
        ), [new Change("{$path}.counterbalance_Nm", $torque), new Change("{$path}.inertia_kgm2", $inertia)]);
    }

    /**
     * A torsion spring is a straight line over the angle. The best line to take off the torque leaves equal extremes (Chebyshev);
     * as much of it is taken as halves the worst.
     *
     * @return array<string, mixed>|null
     */
    private static function armSpring(Build $build, Motion $motion, Arm $arm): ?array
    {
        if ($arm->spring_Nm_per_deg > 0.0) {
            return null;
        }
        [$angles, $torques] = self::samples($motion, $motion->mechanism);
        $worst = self::largest($torques);
        if ($worst <= 0.0) {
            return null;
        }
        // Half of the spread that a line of slope k leaves is convex in k: golden section.
        $spread = function (float $k) use ($angles, $torques): array {
            $left = array_map(fn (float $angle, float $torque): float => $torque + $k * $angle, $angles, $torques);

            $highest = max(-INF, ...$left);
            $lowest = min(INF, ...$left);

            return [($highest - $lowest) / 2, -($highest + $lowest) / 2];
        };
        $low = 0.0;
        $high = 4 * $worst / max(1e-9, abs($motion->move()->distance()));
        for ($i = 0; $i < 60; $i++) {
            $a = $high - self::GOLDEN * ($high - $low);
            $b = $low + self::GOLDEN * ($high - $low);
            $spread($a)[0] <= $spread($b)[0] ? $high = $b : $low = $a;
        }
        $k = max(($low + $high) / 2, $worst / (self::FARTHEST_REST_DEG * Constants::RAD_PER_DEG));
        $c = $spread($k)[1];
        $left = fn (float $share): float => self::largest(array_map(fn (float $angle, float $torque): float => $torque + $share * ($k * $angle + $c),
            $angles, $torques));
        if ($left(1.0) > self::HALF * $worst) {
            return null;
        }
        [$none, $all] = [0.0, 1.0];
        for ($i = 0; $i < 50; $i++) {
            $middle = ($none + $all) / 2;
            $left($middle) > self::HALF * $worst ? $none = $middle : $all = $middle;
        }
        $rest = round(-$c / $k / Constants::RAD_PER_DEG, 1);
        $rate = Format::significantNumber($all * $k * Constants::RAD_PER_DEG, 3);
        $path = self::path($build, $motion);

        return abs($rest) > 720.0 ? null : self::offer($build, $motion, $arm->withSpring($rate, $rest), 'spring', new Sentence(
            'A spring of {rate} at the pivot, at rest at {rest}', ['rate' => Quantity::of($rate, 'N·m/°'), 'rest' => Quantity::of($rest, '°')],
        ), [new Change("{$path}.spring_Nm_per_deg", $rate), new Change("{$path}.spring_rest_deg", $rest)]);
    }

    /** @return array<string, mixed>|null */
    private static function hoistWeight(Build $build, Motion $motion, Hoist $hoist): ?array
    {
        $weight = Format::significantNumber($hoist->counterweight_kg + self::HALF * ($hoist->mass_kg + $hoist->payload_kg - $hoist->counterweight_kg), 3);

        return $weight >= $hoist->mass_kg ? null : self::offer($build, $motion, $hoist->withCounterweight($weight), 'counterweight', new Sentence(
            '{mass} on a cord over a pulley', ['mass' => Quantity::of($weight, 'kg')],
        ), [new Change(self::path($build, $motion).'.counterweight_kg', $weight)]);
    }

    /** @return array<string, mixed>|null a spring that carries its share of the slider in the middle of the stroke */
    private static function crankSpring(Build $build, Motion $motion, Crank $crank): ?array
    {
        $weight = $crank->slider_mass_kg * Constants::GRAVITY_M_S2 * sin($crank->axis_deg * Constants::RAD_PER_DEG);
        if ($crank->spring_N_per_m > 0.0 || abs($weight) < 1e-9) {
            return null;
        }
        [, $torques] = self::samples($motion, $motion->mechanism);
        $worst = self::largest($torques);
        $middle = ($crank->follower(0.0) + $crank->follower(M_PI)) / 2;
        for ($share = 0.4; $share <= 1.0; $share += 0.01) {
            $rate = Format::significantNumber(abs($weight) * $share / $crank->stroke_m() / 2, 3);
            $rest = round($middle + $weight * $share / $rate, 4);
            $eased = $crank->withSpring($rate, $rest);
            if (self::largest(self::samples($motion, $eased)[1]) <= self::HALF * $worst) {
                $path = self::path($build, $motion);

                return self::offer($build, $motion, $eased, 'spring', new Sentence(
                    'A spring of {rate} on the slider, at rest at {rest} from the crank’s centre',
                    ['rate' => Quantity::of($rate, 'N/m'), 'rest' => Quantity::of($rest, 'm')],
                ), [new Change("{$path}.spring_N_per_m", $rate), new Change("{$path}.spring_rest_m", $rest)]);
            }
        }

        return null;
    }

    /**
     * A spring at the pivot of what a linkage moves: of all straight lines over its angle the one that leaves the least at the drive, found on a grid that is
     * made finer around its best point; as much of it is taken as halves the worst.
     *
     * @return array<string, mixed>|null
     */
    private static function pivotSpring(Build $build, Motion $motion, SprungAtPivot $thing): ?array
    {
        if ($build->document['motions'][$build->indexOf($motion->id)]['mechanism']['spring_Nm_per_deg'] > 0.0) {
            return null;
        }
        $points = [];
        foreach (self::samples($motion, $motion->mechanism)[0] as $at) {
            $points[] = [$thing->follower($at), ...$thing->atPivot($at)];
        }
        $left = fn (float $rate, float $constant): float => max(
            0.0, ...array_map(fn (array $point): float => abs(($point[1] + $rate * $point[0] + $constant) * $point[2]), $points));
        $worst = $left(0.0, 0.0);
        $heaviest = self::largest(array_column($points, 1));
        $swing = max(1e-6, max(-INF, ...array_column($points, 0)) - min(INF, ...array_column($points, 0)));
        [$rate, $constant] = [2 * $heaviest / $swing, 0.0];
        [$wide, $tall] = [2 * $heaviest / $swing, 6 * $heaviest];
        for ($round = 0; $round < self::GRID_ROUNDS; $round++) {
            $best = [INF, $rate, $constant];
            for ($i = -self::GRID; $i <= self::GRID; $i++) {
                for ($j = -self::GRID; $j <= self::GRID; $j++) {
                    $here = [max(1e-9, $rate + $wide * $i / self::GRID), $constant + $tall * $j / self::GRID];
                    $leaves = $left(...$here);
                    if ($leaves < $best[0]) {
                        $best = [$leaves, ...$here];
                    }
                }
            }
            [, $rate, $constant] = $best;
            [$wide, $tall] = [$wide / 4, $tall / 4];
        }
        if ($worst <= 0.0 || $left($rate, $constant) > self::HALF * $worst) {
            return null;
        }
        [$none, $all] = [0.0, 1.0];
        for ($i = 0; $i < 40; $i++) {
            $middle = ($none + $all) / 2;
            $left($rate * $middle, $constant * $middle) > self::HALF * $worst ? $none = $middle : $all = $middle;
        }
        $rest = round(-$constant / $rate, 1);
        $taken = Format::significantNumber($all * $rate, 3);
        $path = self::path($build, $motion);

        return abs($rest) > 720.0 ? null : self::offer($build, $motion, $thing->withSpring($taken, $rest), 'spring', new Sentence(
            'A spring of {rate} at '.($thing instanceof CrankRocker ? 'the figure’s pivot, at rest with its bar at {rest} from the line between the pivots'
                : 'the part’s pivot, at rest with the part turned by {rest}'), ['rate' => Quantity::of($taken, 'N·m/°'), 'rest' => Quantity::of($rest, '°')],
        ), [new Change("{$path}.spring_Nm_per_deg", $taken), new Change("{$path}.spring_rest_deg", $rest)]);
    }

    /**
     * @param  non-empty-list<Change>  $changes
     * @return array<string, mixed>|null
     */
    private static function offer(Build $build, Motion $motion, Mechanism $eased, string $way, Sentence $size, array $changes): ?array
    {
        $before = self::largest(self::samples($motion, $motion->mechanism)[1]);
        $with = $motion->withThing($eased);
        $after = self::largest(self::samples($with, $with->mechanism)[1]);
        if ($before <= self::rub_Nm($motion) || $after > self::GOOD_ENOUGH * $before) {
            return null;
        }
        $facts = new MotionFigures($with);

        return [
            'way' => $way, 'size' => $size, 'worst_before_Nm' => $before, 'worst_after_Nm' => $after,
            'back' => self::back($with), 'unpowered' => self::unpowered($with, $facts), 'margin_after' => $facts->margin(),
            'fix' => new Fix(new Sentence($way === 'spring' ? 'Balance it with the spring' : 'Balance it with the counterweight'), $changes),
        ];
    }

    /** Half way; what pulls less than that is held by it already. */
    private static function rub_Nm(Motion $motion): float
    {
        $positions = self::samples($motion, $motion->mechanism)[0];

        return $motion->mechanism->frictionNm($positions[intdiv(count($positions), 2)]);
    }

    private static function back(Motion $motion): Sentence
    {
        $torques = self::samples($motion, $motion->moved(false))[1];
        $friction = self::rub_Nm($motion);
        $direction = $motion->move()->direction();
        $pull = min(INF, ...array_map(fn (float $torque): float => $torque * $direction, $torques)); // what is left to bring it back where that is least
        $values = ['pull' => Quantity::of(abs($pull), 'N·m'), 'friction' => Quantity::of($friction, 'N·m')];

        return match (true) {
            $pull > $friction => new Sentence('It still comes back by itself: {pull} pull it against {friction} of rub.', $values),
            $pull < 0.0 => new Sentence('On a part of the way back the motor must push it with {pull}.', $values),
            default => new Sentence('It no longer comes back by itself everywhere: {pull} against {friction} of rub.', $values),
        };
    }

    private static function unpowered(Motion $motion, MotionFigures $facts): Sentence
    {
        $holds = $motion->drive === null ? 0.0 : $facts->holdsUnpowered_Nm();
        $needs = $facts->hold_Nm();
        $values = ['needs' => Quantity::of($needs, 'N·m'), 'holds' => Quantity::of(min(1e6, $holds), 'N·m')];

        return match (true) {
            $motion->drive === null => new Sentence('Without power {needs} pull at its drive.', $values),
            ! is_finite($holds) => new Sentence('Without power its train holds it as before.'),
            $needs <= $holds => new Sentence('Without power it stays: {needs} pull, its gears hold {holds}.', $values),
            default => new Sentence('Without power it moves: {needs} pull, its gears hold {holds}.', $values),
        };
    }

    /** @return array{list<float>, list<float>} positions in SI and the static torques there */
    private static function samples(Motion $motion, Mechanism $mechanism): array
    {
        $move = $motion->move();
        $positions = $torques = [];
        for ($i = 0; $i <= self::SAMPLES; $i++) {
            $positions[] = $at = $move->from + $move->distance() * $i / self::SAMPLES;
            $torques[] = $mechanism->staticTorqueNm($at);
        }

        return [$positions, $torques];
    }

    /** @param  list<float>  $torques */
    private static function largest(array $torques): float
    {
        return max(0.0, ...array_map(abs(...), $torques));
    }

    private static function path(Build $build, Motion $motion): string
    {
        return 'motions.'.$build->indexOf($motion->id).'.mechanism';
    }
}
