<?php

declare(strict_types=1);

namespace Brookstone\Core\Assessment\Drive;

use Brookstone\Core\Assessment\Subject\MotionInBuild;
use Brookstone\Core\Drive\Servo;
use Brookstone\Core\Finding\Finding;
use Brookstone\Core\Finding\Sentence;
use Brookstone\Core\Finding\Severity;
use Brookstone\Core\Parts\Motion;
use Brookstone\Core\Quantity\Constants;
use Brookstone\Core\Quantity\Quantity;

/** Two motions that must stay level: how far apart their drives let them get on the way, started together. */
final class LevelRules
{
    private const SPREAD = 0.05; // of the speed, from one motor to the next

    public static function of(MotionInBuild $subject): ?Finding
    {
        $motion = $subject->motion;
        $other = $subject->build->motions[$motion->level->with ?? ''] ?? null;
        if ($motion->level === null || $other?->drive === null || $motion->drive === null) {
            return null;
        }
        $unit = $motion->unit();
        $way = abs($motion->distance($motion->at($motion->task->from), $motion->at($motion->task->to)));
        $goesAlone = self::goesAlone($motion) || self::goesAlone($other);
        $by = $goesAlone ? self::SPREAD * $way : self::play($motion) + self::play($other);
        if ($by <= $motion->level->within * (1 + Constants::TIE)) {
            return null;
        }

        return new Finding('drive.runs_apart', Severity::Fails, "{$subject->path}.level.within", new Sentence($goesAlone
            ? "{$motion->named()} and {$other->named()} have a motor each: of {way} the one has gone {by} further than the other, with a usual spread of {spread}. They may be {within} apart."
            : "{$motion->named()} and {$other->named()} are sent to the same place, and may stand {by} apart there: they may be {within}.",
            ['way' => $unit->quantity($way), 'by' => $unit->quantity($by), 'spread' => Quantity::share(self::SPREAD),
                'within' => $unit->quantity($motion->level->within)]));
    }

    /** How fast it goes is its motor's own: nothing tells it where to be when. */
    private static function goesAlone(Motion $motion): bool
    {
        return ! $motion->positioning->isSent();
    }

    /** What a servo leaves open of where it is sent, own unit; a stepper goes as it is told. */
    private static function play(Motion $motion): float
    {
        $motor = $motion->drive?->motor;

        return $motor instanceof Servo ? abs($motion->unit()->fromSi($motor->standsWithin_deg() * Constants::RAD_PER_DEG
            / $motion->train->ratio() * $motion->mechanism->travelPerRad())) : 0.0;
    }
}
