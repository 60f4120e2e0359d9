<?php

declare(strict_types=1);

namespace Brookstone\Core\Assessment\Drive;

use Brookstone\Core\Assessment\Repair\Counterbalance;
use Brookstone\Core\Assessment\Subject\DriveFigures;
use Brookstone\Core\Assessment\Subject\MotionInBuild;
use Brookstone\Core\Build\Editor;
use Brookstone\Core\Claims\ClaimCheck;
use Brookstone\Core\Drive\DcMotor;
use Brookstone\Core\Drive\Drive;
use Brookstone\Core\Drive\PositionSource;
use Brookstone\Core\Drive\Servo;
use Brookstone\Core\Drive\Stepper;
use Brookstone\Core\Drive\SupplyFit;
use Brookstone\Core\Finding\Change;
use Brookstone\Core\Finding\Fix;
use Brookstone\Core\Finding\Sentence;
use Brookstone\Core\Finding\Severity;
use Brookstone\Core\Finding\Verdict;
use Brookstone\Core\Mechanism\Arm;
use Brookstone\Core\Mechanism\SprungAtPivot;
use Brookstone\Core\Parts\Motion;
use Brookstone\Core\Quantity\Constants;
use Brookstone\Core\Quantity\Format;
use Brookstone\Core\Quantity\Quantity;
use Brookstone\Core\Train\Stage;
use Brookstone\Core\Train\Stages;
use Brookstone\Core\Train\StageType;
use Brookstone\Core\Train\Train;

/**
 * Finds what would mend a drive that does not carry its load. Nothing is offered that has not been judged: a fix is
 * taken up only if the drive link of the mended motion no longer fails.
 */
final class DriveRepairs
{
    private const TRIES = 6; // candidates that are judged in full, of each sort: the quickest come first

    private const OFFERS = 2; // of them, of each sort: what the one brings with it another may not

    private const CLUTCH_SAFE = 0.8;  // of what the gears survive

    private const CLUTCH_WORKS = 1.25; // times what the move needs

    private const SAFE_POWER = 0.9;   // of what its current can make, and some for friction

    public const RAMPS_S = [0.05, 0.1, 0.2, 0.3, 0.5, 0.8, 1.2, 2.0, 3.0, 5.0];

    private const MICROSTEPS = 16;

    private const PINION = 12;

    private const WHEELS = [18, 24, 30, 36, 42, 48, 60, 72];

    /** @return list<Fix> */
    public static function carry(MotionInBuild $subject): array
    {
        return [...self::sameSeries($subject), ...self::otherDrive($subject),
            ...array_values(array_filter([self::stage($subject), self::counterweight($subject), self::spring($subject)]))];
    }

    /** @return list<Fix> a quicker drive that still carries it */
    public static function hurry(MotionInBuild $subject): array
    {
        $drive = $subject->motion->drive;
        if ($drive !== null && $drive->duty < 1.0 && ! $subject->motion->positioning->isAbsolute()) {
            $full = $subject->motion->withDrive($drive->but(['duty' => 1.0]));
            if (self::mends($subject->with($full))) {
                return [new Fix(new Sentence('Drive it at full duty'), [new Change($subject->path.'.drive.duty', 1.0)])];
            }
        }

        return [...self::sameSeries($subject), ...self::otherDrive($subject)];
    }

    /**
     * A clutch at the load that slips before the gears break and after the work is done.
     *
     * @return list<Fix>
     */
    public static function clutch(MotionInBuild $subject, DriveFigures $f): array
    {
        $most = self::CLUTCH_SAFE * $f->gear_limit_motor_Nm * $f->ratio;
        $least = self::CLUTCH_WORKS * $f->peak_Nm;
        if ($f->drive->clutch_Nm !== null || $most < $least) {
            return [];
        }
        $wanted = min($most, max($least, $most / 2));
        $clutch = $wanted;
        foreach ([2, 3] as $figures) { // as round a figure as lies between
            $round = (float) Format::significantNumber($wanted, $figures);
            if ($round >= $least && $round <= $most) {
                $clutch = $round;
                break;
            }
        }

        return [new Fix(
            new Sentence('Put a clutch between train and load that slips at {clutch}: the move needs {needs}',
                ['clutch' => Quantity::of($clutch, 'N·m'), 'needs' => Quantity::of($f->peak_Nm, 'N·m')]),
            [new Change($subject->path.'.drive.clutch_Nm', $clutch)],
        )];
    }

    /** @return list<Fix> the shortest ramp of its bridge with which the drive link no longer fails */
    public static function softStart(MotionInBuild $subject): array
    {
        $drive = $subject->motion->drive;
        if ($drive === null || $drive->ramp_s > 0.0 || ! $drive->motor instanceof DcMotor) {
            return [];
        }
        foreach (self::RAMPS_S as $ramp) {
            if (self::mends($subject->with($subject->motion->withDrive($drive->but(['ramp_s' => $ramp]))))) {
                return [new Fix(new Sentence('Start it softly: from nothing to its speed over {ramp}', ['ramp' => Quantity::of($ramp, 's')]),
                    [new Change($subject->path.'.drive.ramp_s', $ramp)])];
            }
        }

        return [];
    }

    /** @return list<Fix> the shortest ramp over which a stepper comes to its speed with the margin asked for */
    public static function ramp(MotionInBuild $subject, DriveFigures $f): array
    {
        foreach (self::RAMPS_S as $ramp) {
            $changed = $subject->with($subject->motion->withDrive($f->drive->but(['ramp_s' => $ramp])));
            $motor = $f->drive->motor;
            if ($motor instanceof Stepper && $ramp > $f->drive->ramp_s
                && $f->startsWith_Nm($ramp) * $subject->build->settings->peak_margin <= $motor->available_Nm($f->on->volts_V, $f->fastest_rad_s * $f->ratio)
                && self::mends($changed)) {
                return [new Fix(new Sentence('Ramp it up over {ramp}', ['ramp' => Quantity::of($ramp, 's')]),
                    [new Change($subject->path.'.drive.ramp_s', $ramp)])];
            }
        }

        return self::carry($subject);
    }

    /** @return list<Fix> */
    public static function finerSteps(MotionInBuild $subject, DriveFigures $f): array
    {
        $motor = $f->drive->motor;

        return $motor instanceof Stepper && $motor->microsteps < self::MICROSTEPS
            ? [new Fix(new Sentence('Set its driver to '.self::MICROSTEPS.' microsteps'),
                [new Change($subject->path.'.drive.motor.microsteps', self::MICROSTEPS)])] : [];
    }

    /** @return list<Fix> */
    public static function tighterClutch(MotionInBuild $subject, DriveFigures $f): array
    {
        $clutch = Format::significantNumber(self::CLUTCH_WORKS * $f->peak_Nm * 1.05, 2);

        return [new Fix(new Sentence('Set the clutch to {clutch}', ['clutch' => Quantity::of($clutch, 'N·m')]),
            [new Change($subject->path.'.drive.clutch_Nm', $clutch)])];
    }

    /**
     * A springy coupling, soft enough that the knock stays within what the gears survive: k = (T² − 2 T Td)/(J ω²).
     *
     * @return list<Fix>
     */
    public static function softer(MotionInBuild $subject, DriveFigures $f): array
    {
        $drive = $f->line->most_Nm() * $f->ratio;
        $limit = self::CLUTCH_SAFE * $f->gear_limit_motor_Nm * $f->ratio;
        $swing = $f->inertia_kgm2 * $f->fastest_rad_s ** 2;
        $stiffness = $swing > 0.0 ? ($limit ** 2 - 2 * $limit * $drive) / $swing : 0.0;
        $gears = $f->drive->motor->body()->stiffness_Nm_rad() * $f->ratio ** 2;
        if ($stiffness <= 0.0 || $stiffness >= $gears) {
            return [];
        }
        $soft = Format::significantNumber(1 / (1 / $stiffness - 1 / $gears) * Constants::RAD_PER_DEG * 0.95, 2);
        $gives = $f->peak_Nm / $soft;
        $unit = $subject->motion->unit();
        $own = $unit->fromSi($gives * Constants::RAD_PER_DEG * $subject->motion->mechanism->travelPerRad());
        if ($own > ($subject->motion->task->tolerance ?? Motion::USUAL_TOLERANCE * abs($unit->fromSi($subject->motion->move()->distance())))) {
            return []; // it would not stand where it is put
        }

        return [new Fix(
            new Sentence('Couple it through a spring of {soft}: it takes up the knock, and the part gives by {gives} under its own load',
                ['soft' => Quantity::of($soft, 'N·m/°'), 'gives' => Quantity::of($gives, '°')]),
            [new Change($subject->path.'.drive.soft_Nm_per_deg', $soft)],
        )];
    }

    /** @return list<Fix> its power cut between moves, where its gears then hold the load */
    public static function gate(MotionInBuild $subject): array
    {
        $drive = $subject->motion->drive;
        if ($drive === null || $drive->gated || ! $subject->motion->positioning->isAbsolute()) {
            return [];
        }
        $findings = (new DriveJudge)->judge($subject->with($subject->motion->withDrive($drive->but(['gated' => true]))))->findings;
        foreach ($findings as $finding) {
            if ($finding->severity === Severity::Fails || $finding->code === 'drive.gate_lets_go') {
                return [];
            }
        }

        return [new Fix(new Sentence('Cut its power between moves: its gears hold the load by themselves'), [new Change($subject->path.'.drive.gated', true)])];
    }

    /** @return list<Fix> */
    public static function ungate(MotionInBuild $subject): array
    {
        $drive = $subject->motion->drive;

        return $drive !== null && self::mends($subject->with($subject->motion->withDrive($drive->but(['gated' => false]))))
            ? [new Fix(new Sentence('Leave it powered'), [new Change($subject->path.'.drive.gated', false)])] : [];
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
            if ($enough($changed) && self::mends($changed)) {
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

    /** Whether the drive link of the changed motion no longer fails. */
    public static function mends(MotionInBuild $changed): bool
    {
        foreach (DriveRules::strains(DriveFigures::of($changed), $changed->build->settings) as $strain) {
            if ($strain->severity === Severity::Fails) {
                return false; // without asking how long it takes
            }
        }

        return (new DriveJudge)->judge($changed)->verdict !== Verdict::Fails;
    }

    /** @return list<Fix> */
    private static function sameSeries(MotionInBuild $subject): array
    {
        return self::thatMend($subject, array_filter(self::drives($subject), fn (Drive $drive): bool => self::isSister($subject, $drive)
            && $drive->body()->code !== $subject->motion->drive?->motor->body()->code));
    }

    /** @return list<Fix> */
    private static function otherDrive(MotionInBuild $subject): array
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
            if (count($fixes) < self::OFFERS && self::mends($changed)) {
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
    private static function neededStall(MotionInBuild $subject, bool $servo): float
    {
        $settings = $subject->build->settings;
        $facts = $subject->facts;
        $long = $servo
            ? $facts->hold_Nm() / $subject->motion->train->ratio() / $settings->servo_continuous_share
            : $facts->atMotor($facts->rms_Nm()) / $settings->motor_continuous_share;

        return max($settings->peak_margin * $facts->atMotor($facts->peak_Nm()), $long);
    }

    /** The ratio that would do: one more spur stage after the motor. */
    private static function stage(MotionInBuild $subject): ?Fix
    {
        $stall = $subject->motion->drive?->line()->stall_Nm ?? 0.0;
        if ($stall <= 0.0) {
            return null;
        }
        $needed = self::neededStall($subject, $subject->motion->positioning->isAbsolute()) / $stall / StageType::Spur->usualEfficiency();
        $train = $subject->motion->train;
        foreach (self::WHEELS as $wheel) {
            if ($wheel / self::PINION < $needed) {
                continue;
            }
            $stage = new Stage(StageType::Spur, self::PINION, $wheel);
            if (! self::mends($subject->with($subject->motion->withTrain(new Train([$stage, ...$train->stages]))))) {
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

        return $drive !== null && $drive->line()->stall_Nm >= self::neededStall($balanced, $subject->motion->positioning->isAbsolute())
            && self::mends($balanced) ? new Fix(
                new Sentence('Balance half of it with a counterweight or spring of {half} at horizontal', ['half' => Quantity::of($half, 'N·m')]),
                [new Change($subject->path.'.mechanism.counterbalance_Nm', $half)],
            ) : null;
    }

    /** What a linkage moves, balanced by a spring at its own pivot. */
    private static function spring(MotionInBuild $subject): ?Fix
    {
        $thing = $subject->motion->thing();
        $drive = $subject->motion->drive;
        if ($drive === null || ! $thing instanceof SprungAtPivot) {
            return null;
        }
        foreach (Counterbalance::of($subject->build, $subject->motion) as $offer) {
            $balanced = $subject->with(Editor::with($subject->build, $offer['fix'])->motions[$subject->motion->id]);

            return $drive->line()->stall_Nm >= self::neededStall($balanced, $subject->motion->positioning->isAbsolute()) && self::mends($balanced)
                ? new Fix(new Sentence('Balance half of it: '.Sentence::lower($offer['size']->template), $offer['size']->values),
                    $offer['fix']->changes) : null;
        }

        return null;
    }

    /** @return array<string, Drive> those of the drawer that the build can feed */
    private static function drives(MotionInBuild $subject): array
    {
        return array_filter($subject->stock()->drives(), $subject->build->canFeed(...));
    }
}
