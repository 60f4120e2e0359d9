<?php

declare(strict_types=1);

namespace Brookstone\Core\Assessment\Drive;

use Brookstone\Core\Assessment\Subject\MotionInBuild;
use Brookstone\Core\Claims\ClaimCheck;
use Brookstone\Core\Drive\DcMotor;
use Brookstone\Core\Drive\Drive;
use Brookstone\Core\Drive\PositionSource;
use Brookstone\Core\Drive\Servo;
use Brookstone\Core\Drive\SupplyFit;
use Brookstone\Core\Finding\Change;
use Brookstone\Core\Finding\Fix;
use Brookstone\Core\Finding\Sentence;
use Brookstone\Core\Quantity\Constants;
use Brookstone\Core\Quantity\Format;
use Brookstone\Core\Quantity\Quantity;

/** Finds other drives of the drawer that would do: of the same series or any, that carry the load, are calmer, hold without current, or are what they say. */
final class OtherDrives
{
    private const TRIES = 6; // candidates that are judged in full, of each sort: the quickest come first

    private const OFFERS = 2; // of them, of each sort: what the one brings with it another may not

    private const SAFE_POWER = 0.9; // of what its current can make, and some for friction

    /** @return list<Fix> others of its series that carry it */
    public static function ofTheSeries(MotionInBuild $subject): array
    {
        return self::thatMend($subject, array_filter(self::drives($subject), fn (Drive $drive): bool => self::isSister($subject, $drive)
            && $drive->body()->code !== $subject->motion->drive?->motor->body()->code));
    }

    /** @return list<Fix> those of other series that carry it */
    public static function besides(MotionInBuild $subject): array
    {
        return self::thatMend($subject, array_filter(self::drives($subject), fn (Drive $drive): bool => ! self::isSister($subject, $drive)));
    }

    private static function isSister(MotionInBuild $subject, Drive $drive): bool
    {
        $series = $drive->body()->series;

        return $series !== '' && $series === $subject->motion->drive?->motor->body()->series;
    }

    /**
     * The quickest of them that carry the load with the margin asked for, all day, and in time.
     *
     * @param  array<string, Drive>  $drives
     * @return list<Fix>
     */
    private static function thatMend(MotionInBuild $subject, array $drives): array
    {
        $fixes = [];
        $present = $subject->motion->drive ?? throw new \LogicException('No drive.');
        $facts = $subject->facts;
        $through = $subject->motion->train->ratio() * $subject->motion->train->efficiency();
        $bare = $subject->with($subject->motion->withDrive(null)); // each drive brings a rotor of its own: sift without any
        $needed = [];
        $train = $subject->motion->train;
        $turn_deg = $subject->motion->reach_rad() * $train->ratio() / Constants::RAD_PER_DEG;
        $holds = $facts->hold_Nm() * $train->backEfficiency() / $train->ratio();
        $likely = [];
        foreach ($drives as $code => $drive) {
            $choice = $present->with($drive);
            $line = $choice->line();
            $positional = $drive->positionSource() === PositionSource::Feedback;
            if ($choice->fit() === SupplyFit::Fits && $choice->startsWith_A() <= $present->supply->max_A
                && $line->most_Nm() >= ($needed[$positional] ??= self::neededStall($bare, $positional))
                && $turn_deg <= ($drive->travel_deg() ?? INF) && (! self::mustHold($subject, $drive) || $drive->locks()
                    || $drive->body()->back_drive_Nm >= $holds * $subject->build->settings->hold_margin)) {
                $likely[$code] = $line->speedAgainst($facts->there()->static_peak_Nm / $through);
            }
        }
        arsort($likely);
        foreach (array_slice(array_map(strval(...), array_keys($likely)), 0, self::TRIES) as $code) {
            $drive = $drives[$code];
            $changed = $subject->with($subject->motion->withDrive($present->with($drive)));
            if (count($fixes) < self::OFFERS && DriveRepairs::mends($changed)) {
                $fixes[] = new Fix(
                    new Sentence("Take {$drive->body()->named()}: it stalls at {stall} for {needs}", [
                        'stall' => Quantity::of($changed->facts->stallAtLoad_Nm(), 'N·m'),
                        'needs' => Quantity::of($changed->facts->peak_Nm(), 'N·m'),
                    ]),
                    SeveralMotors::taking($subject, $drive),
                );
            }
        }

        return $fixes;
    }

    /** At rest nothing but its own gears keeps the load where it is: as the task asks, or as the servo did that it would stand for. */
    private static function mustHold(MotionInBuild $subject, Drive $drive): bool
    {
        $motor = $subject->motion->drive?->motor;

        return $subject->motion->task->holds_unpowered || ($motor !== null && $motor->positionSource() === PositionSource::Feedback
            && ! $drive->positionSource()->isSent());
    }

    /** Stall torque, at the motor, that the margin asked for and the long run together need. */
    public static function neededStall(MotionInBuild $subject, bool $servo): float
    {
        $settings = $subject->build->settings;
        $facts = $subject->facts;
        $long = $servo
            ? $facts->hold_Nm() / $subject->motion->train->ratio() / $settings->servo_continuous_share
            : $facts->atMotor($facts->rms_Nm()) / $settings->motor_continuous_share;

        return max($settings->peak_margin * $facts->atMotor($facts->peak_Nm()), $long);
    }

    /** @return list<Fix> a drive that does not hunt */
    public static function quieter(MotionInBuild $subject): array
    {
        return self::thatMend($subject, self::without($subject, fn (Drive $drive): bool => ! $drive instanceof Servo || $drive->slop_deg
            + $subject->motion->train->backlash_deg() * $subject->motion->train->ratio() <= $drive->deadband_deg));
    }

    /** @return list<Fix> a drive that holds without current */
    public static function frugal(MotionInBuild $subject): array
    {
        return self::thatMend($subject, self::without($subject, fn (Drive $drive): bool => ! $drive->positionSource()->isSent()));
    }

    /**
     * @param  \Closure(MotionInBuild): bool  $enough
     * @return list<Fix> the quickest of the same series that carries it and is calm enough
     */
    public static function calmer(MotionInBuild $subject, \Closure $enough): array
    {
        $present = $subject->motion->drive ?? throw new \LogicException('No drive.');
        $sisters = array_filter(self::drives($subject), fn (Drive $drive): bool => self::isSister($subject, $drive) && $present
            ->with($drive)->fit() === SupplyFit::Fits && $present->with($drive)->line()->noLoad_rad_s() < $present->line()->noLoad_rad_s());
        uasort($sisters, fn (Drive $a, Drive $b): int => $present->with($b)->line()->noLoad_rad_s() <=> $present->with($a)->line()->noLoad_rad_s());
        foreach ($sisters as $drive) {
            $changed = $subject->with($subject->motion->withDrive($present->with($drive)));
            if ($enough($changed) && DriveRepairs::mends($changed)) {
                return [new Fix(new Sentence("Take {$drive->body()->named()}, which turns slower"),
                    SeveralMotors::taking($subject, $drive))];
            }
        }

        return [];
    }

    /** @return list<Fix> a drive whose figures agree with each other; and of this one, what its power allows */
    public static function trusted(MotionInBuild $subject): array
    {
        $motor = $subject->motion->drive?->one;
        $fixes = self::thatMend($subject, self::without($subject, fn (Drive $drive): bool => ClaimCheck::of($drive) === []));
        if ($motor instanceof DcMotor) {
            $allowed = self::SAFE_POWER * $motor->rated_V * ($motor->stall_A + $motor->no_load_A) / 2;
            if (ClaimCheck::peakPower_W($motor) > $allowed) {
                $stall = Format::significantNumber($motor->stall_Nm * $allowed / ClaimCheck::peakPower_W($motor), 3);
                $fixes[] = new Fix(new Sentence('Count on {stall} only, which its current can make', ['stall' => Quantity::of($stall, 'N·m')]),
                    [new Change($subject->path.'.drive.motor.stall_Nm', $stall)]);
            }
        }

        return $fixes;
    }

    /**
     * @param  \Closure(Drive): bool  $keeps
     * @return array<string, Drive>
     */
    private static function without(MotionInBuild $subject, \Closure $keeps): array
    {
        $present = $subject->motion->drive?->motor->body()->code;

        return array_filter(self::drives($subject), fn (Drive $drive): bool => $drive->body()->code !== $present && $keeps($drive));
    }

    /** @return array<string, Drive> those of the drawer that the build can feed */
    private static function drives(MotionInBuild $subject): array
    {
        return array_filter($subject->stock()->drives(), $subject->build->canFeed(...));
    }
}
