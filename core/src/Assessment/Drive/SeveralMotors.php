<?php

declare(strict_types=1);

namespace Brookstone\Core\Assessment\Drive;

use Brookstone\Core\Assessment\Subject\DriveFigures;
use Brookstone\Core\Assessment\Subject\MotionInBuild;
use Brookstone\Core\Drive\Drive;
use Brookstone\Core\Drive\Drives;
use Brookstone\Core\Drive\Servo;
use Brookstone\Core\Finding\Change;
use Brookstone\Core\Finding\Finding;
use Brookstone\Core\Finding\Sentence;
use Brookstone\Core\Finding\Severity;
use Brookstone\Core\Quantity\Constants;
use Brookstone\Core\Quantity\Quantity;

/** Equal motors on one thing are not quite equal, and one of them may fail. */
final class SeveralMotors
{
    private const SPREAD = 0.05; // in speed, from one to another of a series: usual

    /** @return list<Finding> */
    public static function notes(MotionInBuild $subject, DriveFigures $f): array
    {
        return $f->drive->motors > 1 && $f->drive->shares === null ? [self::fight($subject, $f), ...self::oneFails($subject, $f)] : [];
    }

    /** @return non-empty-list<Change> another drive in the place of the present one; where it cannot share a driver, one of it */
    public static function taking(MotionInBuild $subject, Drive $drive): array
    {
        return [new Change($subject->path.'.drive.motor', Drives::write($drive)), ...(Drives::isAlone($drive) && ($subject->motion->drive->motors ?? 1) > 1
            ? [new Change($subject->path.'.drive.motors', 1)] : [])];
    }

    /** At one speed the quicker pulls the slower along: what flows for that is that share of what one draws when it is held. */
    private static function fight(MotionInBuild $subject, DriveFigures $f): Finding
    {
        $one = $f->drive->one;
        $lost = self::SPREAD * $f->drive->but(['motors' => 1])->line()->stall_A;

        return new Finding('drive.motors_fight', Severity::Note, $subject->path.'.drive.motors', $one instanceof Servo
            ? new Sentence('{count} servos each go to a place of their own: set them alike to within {band}, or they push against one another all the time.',
                ['count' => Quantity::number($f->drive->motors), 'band' => Quantity::of($one->deadband_deg, '°')])
            : new Sentence('{count} motors of one series differ by about {spread} in speed: {lost} flows in each for nothing while the quicker drags the slower.',
                ['count' => Quantity::number($f->drive->motors), 'spread' => Quantity::share(self::SPREAD), 'lost' => Quantity::of($lost, 'A')]));
    }

    /** @return list<Finding> what is left when one of them no longer pushes, where that is too little */
    private static function oneFails(MotionInBuild $subject, DriveFigures $f): array
    {
        $left = $f->drive->but(['motors' => $f->drive->motors - 1]);
        $margin = DriveFigures::of($subject->with($subject->motion->withDrive($left)))->margin;

        return $margin >= 1 - Constants::TIE || $f->margin < 1 - Constants::TIE ? [] : [new Finding('drive.one_fails', Severity::Note,
            $subject->path.'.drive.motors', new Sentence('If one of the {count} fails, what is left has {share} of what is needed: it stalls.',
                ['count' => Quantity::number($f->drive->motors), 'share' => Quantity::share($margin)]))];
    }
}
