<?php

declare(strict_types=1);

namespace Brookstone\Core\Assessment\Drive;

use Brookstone\Core\Assessment\Subject\DriveFigures;
use Brookstone\Core\Assessment\Subject\MotionInBuild;
use Brookstone\Core\Drive\DcMotor;
use Brookstone\Core\Drive\Drive;
use Brookstone\Core\Drive\Stepper;
use Brookstone\Core\Finding\Change;
use Brookstone\Core\Finding\Fix;
use Brookstone\Core\Finding\Sentence;
use Brookstone\Core\Finding\Severity;
use Brookstone\Core\Finding\Verdict;
use Brookstone\Core\Parts\Motion;
use Brookstone\Core\Quantity\Constants;
use Brookstone\Core\Quantity\Format;
use Brookstone\Core\Quantity\Quantity;

/**
 * Finds what would mend a drive that does not carry its load. Nothing is offered that has not been judged: a fix is
 * taken up only if the drive link of the mended motion no longer fails.
 */
final class DriveRepairs
{
    private const CLUTCH_SAFE = 0.8;  // of what the gears survive

    private const CLUTCH_WORKS = 1.25; // times what the move needs

    public const RAMPS_S = [0.05, 0.1, 0.2, 0.3, 0.5, 0.8, 1.2, 2.0, 3.0, 5.0];

    private const MICROSTEPS = 16;

    /** @return list<Fix> */
    public static function carry(MotionInBuild $subject): array
    {
        return [...OtherDrives::ofTheSeries($subject), ...OtherDrives::besides($subject), ...EasierLoad::of($subject)];
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

        return [...OtherDrives::ofTheSeries($subject), ...OtherDrives::besides($subject)];
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
}
