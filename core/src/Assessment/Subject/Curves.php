<?php

declare(strict_types=1);

namespace Brookstone\Core\Assessment\Subject;

use Brookstone\Core\Build\Internal\Dial;
use Brookstone\Core\Parts\LimitSwitch;
use Brookstone\Core\Parts\Place;

/** Tables for drawing: torque over the travel with the drive's limit, and the computed move over time. */
final class Curves
{
    private const POINTS = 48;

    private const PATH_POINTS = 80;

    private const FIGURES = 6;

    /** @return array<string, mixed> as Shapes::curves() has it */
    public static function of(MotionInBuild $subject): array
    {
        $motion = $subject->motion;
        $facts = $subject->facts;
        $unit = $motion->unit();
        $move = $motion->move();
        $mechanism = $motion->mechanism;
        $most = $move->peakAccel();
        $followed = [];
        $limit = $motion->drive === null ? INF : $facts->stallAtLoad_Nm();
        $positions = $static = $rising = $falling = $speedingUp = $overLimit = [];
        [$low, $high] = self::range($subject);
        for ($i = 0; $i <= self::POINTS; $i++) {
            $at = $low + ($high - $low) * $i / self::POINTS;
            $torque = $mechanism->staticTorqueNm($at);
            $friction = $mechanism->frictionNm($at);
            $follower = $mechanism->follower($at);
            if ($follower !== null) {
                $followed[] = self::figures($follower);
            }
            $positions[] = self::figures($unit->fromSi($at));
            $static[] = self::figures($torque);
            $rising[] = self::figures($torque + $friction);
            $falling[] = self::figures($torque - $friction);
            $speedingUp[] = self::figures($torque + $friction + $most / $mechanism->travelPerRad($at) * ($mechanism->inertiaKgm2($at) + $motion->rotorFelt()));
            $overLimit[] = abs($torque) > $limit;
        }

        return [
            'position_unit' => $unit->value,
            'ways' => $mechanism->ways(),
            'comes_round' => $motion->period(),
            'dial' => array_values(array_map(fn (Place $place): float => $place->at,
                array_filter($motion->places, fn (Place $place): bool => str_starts_with($place->id, Dial::PREFIX)))),
            'homes_onto' => array_map(fn (LimitSwitch $each): array => ['id' => $each->id, 'name' => $each->name],
                array_values(array_filter($motion->stops->tellers(), fn (LimitSwitch $each): bool => ! $each->isOwn))),
            'positions' => $positions,
            'follower' => $followed,
            'static_Nm' => $static,
            'rising_Nm' => $rising,
            'falling_Nm' => $falling,
            'speeding_up_Nm' => $speedingUp,
            'over_limit' => $overLimit,
            'limit_Nm' => $motion->drive === null ? null : self::figures($facts->stallAtLoad_Nm()),
            'continuous_Nm' => $motion->drive === null ? null : self::figures($facts->stallAtLoad_Nm() * $facts->continuousShare(
                $subject->build->settings->motor_continuous_share, $subject->build->settings->servo_continuous_share,
            )),
            'there' => self::path($subject, $facts->runThere()),
            'back' => self::path($subject, $facts->runBack()),
            'run_on' => self::runOn($subject),
        ];
    }

    /** @return array{float, float} the whole range that is drawn, SI: all places and hard stops */
    private static function range(MotionInBuild $subject): array
    {
        $motion = $subject->motion;
        [$low, $high] = $motion->range();

        return [
            $motion->unit()->toSi(min($low, $motion->stops->hard_low ?? $low)),
            $motion->unit()->toSi(max($high, $motion->stops->hard_high ?? $high)),
        ];
    }

    /**
     * @param  array{time_s: ?float, stopped_at: ?float, why: ?string, end_speed: ?float, path: list<array{float, float, float}>}  $run
     * @return array<string, mixed>|null
     */
    private static function path(MotionInBuild $subject, array $run): ?array
    {
        if ($run['path'] === []) {
            return null;
        }
        $unit = $subject->motion->unit();
        $every = max(1, intdiv(count($run['path']), self::PATH_POINTS));
        $last = count($run['path']) - 1;
        $times = $positions = $currents = [];
        foreach ($run['path'] as $i => [$time, $position, $current]) {
            if ($i % $every === 0 || $i === $last) {
                $times[] = self::figures($time);
                $positions[] = self::figures($unit->fromSi($position));
                $currents[] = self::figures($current);
            }
        }

        return ['time_s' => $run['time_s'], 'why' => $run['why'], 'times_s' => $times, 'positions' => $positions, 'currents_A' => $currents];
    }

    /**
     * After each switch at full speed, and at the lower ones that routines use.
     *
     * @return list<array{switch: string, distance: ?float, speed: float, energy_J: float, left: ?float, slower: list<array{share: float, distance: ?float, left: ?float}>}>
     */
    private static function runOn(MotionInBuild $subject): array
    {
        $stops = $subject->motion->stops;
        $left = function (LimitSwitch $switch, ?float $distance) use ($stops): ?float {
            $room = $stops->roomAfter($switch);

            return $room === null || $distance === null ? null : $room - $distance;
        };
        $all = array_map(function (LimitSwitch $switch) use ($subject, $left): ?array {
            $runOn = $subject->facts->runOn($switch, $subject->build->settings);
            $slower = [];
            foreach ($runOn === null ? [] : $subject->build->speedsOnto($subject->motion, $switch) as $share) {
                $distance = $share < 1.0 ? $subject->facts->runOn($switch, $subject->build->settings, $share)?->distance : null;
                $slower = $distance === null ? $slower : [...$slower, ['share' => $share, 'distance' => $distance, 'left' => $left($switch, $distance)]];
            }

            return $runOn === null ? null : ['switch' => $switch->id, 'distance' => $runOn->distance, 'speed' => self::figures($runOn->speed),
                'energy_J' => self::figures($runOn->energy_J), 'left' => $left($switch, $runOn->distance), 'slower' => $slower];
        }, $stops->switches);

        return array_values(array_filter($all));
    }

    private static function figures(float $number): float
    {
        return $number === 0.0 ? 0.0 : round($number, self::FIGURES - 1 - (int) floor(log10(abs($number))));
    }
}
