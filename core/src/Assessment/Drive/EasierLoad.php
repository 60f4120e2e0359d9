<?php

declare(strict_types=1);

namespace Brookstone\Core\Assessment\Drive;

use Brookstone\Core\Assessment\Repair\Counterbalance;
use Brookstone\Core\Assessment\Subject\MotionInBuild;
use Brookstone\Core\Build\Editor;
use Brookstone\Core\Finding\Change;
use Brookstone\Core\Finding\Fix;
use Brookstone\Core\Finding\Sentence;
use Brookstone\Core\Mechanism\Arm;
use Brookstone\Core\Mechanism\SprungAtPivot;
use Brookstone\Core\Quantity\Quantity;
use Brookstone\Core\Train\Stage;
use Brookstone\Core\Train\Stages;
use Brookstone\Core\Train\StageType;
use Brookstone\Core\Train\Train;

/** Makes a load easier for the drive that is there: another pair of gears before it, or half of its weight balanced. */
final class EasierLoad
{
    private const PINION = 12;

    private const WHEELS = [18, 24, 30, 36, 42, 48, 60, 72];

    /** @return list<Fix> */
    public static function of(MotionInBuild $subject): array
    {
        return array_values(array_filter([self::stage($subject), self::counterweight($subject), self::spring($subject)]));
    }

    /** The ratio that would do: one more spur stage after the motor. */
    private static function stage(MotionInBuild $subject): ?Fix
    {
        $stall = $subject->motion->drive?->line()->stall_Nm ?? 0.0;
        if ($stall <= 0.0) {
            return null;
        }
        $needed = OtherDrives::neededStall($subject, $subject->motion->positioning->isAbsolute()) / $stall / StageType::Spur->usualEfficiency();
        $train = $subject->motion->train;
        foreach (self::WHEELS as $wheel) {
            if ($wheel / self::PINION < $needed) {
                continue;
            }
            $stage = new Stage(StageType::Spur, self::PINION, $wheel);
            if (! DriveRepairs::mends($subject->with($subject->motion->withTrain(new Train([$stage, ...$train->stages]))))) {
                return null; // a taller stage is only slower
            }
            $stages = Stages::write(new Train([$stage, ...$train->stages]));

            return new Fix(
                new Sentence('Gear it down '.self::PINION." : {$wheel} more, a ratio of {ratio} : 1; it then turns the other way",
                    ['ratio' => Quantity::number($train->ratio() * $stage->ratio())]),
                [new Change($subject->path.'.train', $stages)],
            );
        }

        return null;
    }

    private static function counterweight(MotionInBuild $subject): ?Fix
    {
        $arm = $subject->motion->thing();
        if (! $arm instanceof Arm || $arm->counterbalance_Nm >= $arm->gravityNm() / 2) {
            return null;
        }
        $half = $arm->gravityNm() / 2;
        $balanced = $subject->with($subject->motion->withThing($arm->withCounterbalance($half)));
        $drive = $subject->motion->drive;

        return $drive !== null && $drive->line()->stall_Nm >= OtherDrives::neededStall($balanced, $subject->motion->positioning->isAbsolute())
            && DriveRepairs::mends($balanced) ? new Fix(
                new Sentence('Balance half of it with a counterweight or spring of {half} at horizontal', ['half' => Quantity::of($half, 'N·m')]),
                [new Change($subject->path.'.mechanism.counterbalance_Nm', $half)],
            ) : null;
    }

    /** What a linkage moves, balanced by a spring at its own pivot. */
    private static function spring(MotionInBuild $subject): ?Fix
    {
        $thing = $subject->motion->thing();
        $drive = $subject->motion->drive;
        $offer = $thing instanceof SprungAtPivot ? Counterbalance::of($subject->build, $subject->motion)[0] ?? null : null;
        if ($drive === null || $offer === null) {
            return null;
        }
        $balanced = $subject->with(Editor::with($subject->build, $offer['fix'])->motions[$subject->motion->id]);

        return $drive->line()->stall_Nm >= OtherDrives::neededStall($balanced, $subject->motion->positioning->isAbsolute())
            && DriveRepairs::mends($balanced)
            ? new Fix(new Sentence('Balance half of it: '.Sentence::lower($offer['size']->template), $offer['size']->values), $offer['fix']->changes)
            : null;
    }
}
