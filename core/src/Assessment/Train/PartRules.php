<?php

declare(strict_types=1);

namespace Brookstone\Core\Assessment\Train;

use Brookstone\Core\Assessment\Subject\DriveFigures;
use Brookstone\Core\Assessment\Subject\MotionInBuild;
use Brookstone\Core\Finding\Change;
use Brookstone\Core\Finding\Finding;
use Brookstone\Core\Finding\Fix;
use Brookstone\Core\Finding\Sentence;
use Brookstone\Core\Finding\Severity;
use Brookstone\Core\Mechanism\Slide;
use Brookstone\Core\Quantity\Constants;
use Brookstone\Core\Quantity\Quantity;
use Brookstone\Core\Train\RoundBelt;
use Brookstone\Core\Train\Stage;
use Brookstone\Core\Train\Stages;
use Brookstone\Core\Train\StageType;
use Brookstone\Core\Train\Train;

/** What is peculiar to worms, screws, racks, round belts and pawls. */
final class PartRules
{
    private const SAME = 0.005;      // of the radius: a drawing is no finer

    private const THICKEST = 50.0;   // quotient of a worm

    private const HALF_TURN_DEG = 180.0; // of wrap, where the shafts are not laid out

    /** @return list<Finding> */
    public static function findings(MotionInBuild $subject): array
    {
        $findings = [];
        foreach ($subject->motion->train->stages as $i => $stage) {
            $findings[] = match (true) {
                $stage->type->isThread() => self::holdsBarely($subject, $i, $stage),
                $stage->type === StageType::Round => self::slips($subject, $i, $stage),
                $stage->type === StageType::Pawl => self::oneWay($subject, $i, $stage),
                default => null,
            };
            $findings[] = self::slideRadius($subject, $i, $stage);
        }

        return array_values(array_filter([...$findings, self::sharedByDirection($subject)]));
    }

    /** A worm or screw that must hold, and does so only just. */
    private static function holdsBarely(MotionInBuild $subject, int $i, Stage $stage): ?Finding
    {
        $thread = $stage->thread();
        if ($thread === null || ! $thread->self_locking || $thread->locks_surely || ! $subject->motion->task->holds_unpowered) {
            return null;
        }
        $at = "{$subject->path}.train.{$i}";
        $fixes = [];
        $quotient = ceil($thread->surelyFrom());
        if ($quotient <= self::THICKEST) {
            $thicker = Stages::complete([['quotient' => $quotient] + $stage->write()])[0]['efficiency'];
            $fixes[] = new Fix(new Sentence('Make it {thick} thick: its thread is then flat enough, and {passes} of the power passes',
                ['thick' => Quantity::of($quotient * $stage->module_mm / 1000, 'm'), 'passes' => Quantity::share($thicker)]),
                [new Change("{$at}.quotient", $quotient)]);
        }
        if ($stage->driver > 1) {
            $fixes[] = new Fix(new Sentence('Take one start instead of '.$stage->driver.': it holds, at that many times the ratio'),
                [new Change("{$at}.driver", 1)]);
        }

        return new Finding('train.holds_barely', Severity::Tight, "{$at}.quotient", new Sentence(
            'The '.$stage->type->inWords().' of stage '.($i
                + 1).' locks by {margin} only: its lead is {lead}, and vibration and fresh grease take a third of its friction and more. It must hold with the power off.',
            ['margin' => Quantity::of($thread->locks_by_deg, '°'), 'lead' => Quantity::of($thread->lead_angle_deg, '°')],
        ), $fixes);
    }

    /** A round belt that is asked for more than it carries. */
    private static function slips(MotionInBuild $subject, int $i, Stage $stage): ?Finding
    {
        if ($subject->motion->drive === null) {
            return null;
        }
        $belt = new RoundBelt($stage->tension_N, TrainRules::belt($subject, $i, $stage)->small_wrap_deg ?? self::HALF_TURN_DEG);
        $figures = DriveFigures::of($subject);
        $after = new Train(array_slice($subject->motion->train->stages, $i + 1));
        $pull = $figures->peak_Nm / $after->ratio() / $after->efficiency() / ($stage->drivenPitchRadius_mm() / 1000);
        if ($pull <= $belt->carries_N * (1 + Constants::TIE)) {
            $place = $subject->motion->task->tolerance;

            return $place === null ? null : new Finding('train.belt_creeps', Severity::Note, "{$subject->path}.train.{$i}.type",
                new Sentence('A round belt creeps by a hundredth or two under load: let what tells the place sit behind it.'));
        }
        $tension = ceil($belt->tensionFor_N($pull) * 1.2);

        return new Finding('train.belt_slips', Severity::Fails, "{$subject->path}.train.{$i}.tension_N", new Sentence(
            'The round belt of stage '.($i + 1).' is asked for {pull} and slips from {carries} on.',
            ['pull' => Quantity::of($pull, 'N'), 'carries' => Quantity::of($belt->carries_N, 'N')],
        ), [
            new Fix(new Sentence('Stretch it to {tension} on each side, a fifth more than it needs', ['tension' => Quantity::of($tension, 'N')]),
                [new Change("{$subject->path}.train.{$i}.tension_N", $tension)]),
            new Fix(new Sentence('Take a toothed belt there'), [new Change("{$subject->path}.train.{$i}.type", StageType::Belt->value),
                new Change("{$subject->path}.train.{$i}.efficiency", StageType::Belt->usualEfficiency())]),
        ]);
    }

    /** A pawl takes one turning along and lets the other go by. */
    private static function oneWay(MotionInBuild $subject, int $i, Stage $stage): ?Finding
    {
        $motion = $subject->motion;
        $at = "{$subject->path}.train.{$i}";
        if (! $motion->task->keeps_turning && $motion->comesBackByItself() && $motion->pawlTakes() === $motion->move()->direction()) {
            return null; // a spring or its weight brings it back
        }
        if (! $motion->task->keeps_turning) {
            $without = array_values(array_filter($motion->train->stages, fn (Stage $each): bool => $each !== $stage));

            return new Finding('train.pawl_one_way', Severity::Fails, "{$at}.type",
                new Sentence('The pawl of stage '.($i + 1).' takes one turning along and lets the other go by: the drive cannot bring it back.'), [
                    new Fix(new Sentence('Take the pawl out'), [new Change("{$subject->path}.train", Stages::write(new Train($without)))]),
                    new Fix(new Sentence('Let it turn on in one direction instead'), [new Change("{$subject->path}.task.keeps_turning", true)]),
                ]);
        }

        return $motion->pawlOfStageTakes($i) > 0 ? null : new Finding('train.pawl_wrong', Severity::Fails, "{$at}.passes",
            new Sentence('The pawl of stage '.($i + 1).' lets by the very turning that shall move it.'), [
                new Fix(new Sentence('Turn the pawl round'), [new Change("{$at}.passes", $stage->passes === 'forward' ? 'back' : 'forward')]),
            ]);
    }

    /** Where a rack or screw pushes, its size says how far: the slide must not say otherwise. */
    private static function slideRadius(MotionInBuild $subject, int $i, Stage $stage): ?Finding
    {
        $slides = $stage->slides_m();
        $thing = $subject->motion->thing();
        if ($slides === null || ! $thing instanceof Slide || abs($thing->pulley_radius_m - $slides) <= self::SAME * $slides) {
            return null;
        }
        $turn = ['goes' => Quantity::of($slides * 2 * M_PI, 'm'), 'said' => Quantity::of($thing->pulley_radius_m * 2 * M_PI, 'm')];

        return new Finding('train.slide_radius', Severity::Fails, "{$subject->path}.train.{$i}.module_mm", new Sentence(
            'One turn of the '.($stage->type === StageType::Rack ? 'rack’s pinion'
                : 'lead screw').' slides it by {goes}, but its load is computed with {said}.', $turn,
        ), [new Fix(new Sentence('Count on {goes} a turn', ['goes' => $turn['goes']]),
            [new Change($subject->path.'.mechanism.pulley_radius_m', round($slides, 8))])]);
    }

    /** One motor moves this one turning forward and another turning back: without pawls it moves both, always. */
    private static function sharedByDirection(MotionInBuild $subject): ?Finding
    {
        $drive = $subject->motion->drive;
        $pawls = array_filter($subject->motion->train->stages, fn (Stage $stage): bool => $stage->type === StageType::Pawl);
        if ($drive === null || $drive->shares === null || $drive->shares_by !== 'direction' || $pawls !== []) {
            return null;
        }
        $last = array_key_last($subject->motion->train->stages);
        $pushes = $last !== null && $subject->motion->train->stages[$last]->type->pushes();
        $pawl = new Stage(StageType::Pawl, 24, 24, efficiency: StageType::Pawl->usualEfficiency(), passes: $drive->reversed ? 'back' : 'forward');

        return new Finding('train.shares_no_pawl', Severity::Tight, $subject->path.'.train', new Sentence(
            'Its motor moves this turning one way and '.Sentence::listed(array_map(fn (string $id): string => $subject->build->motions[$id]->named(),
                $subject->build->motorGroups[$subject->motion->id]->others($subject->motion->id)))
                    .' turning the other, but nothing lets the wrong turning go by.',
        ), $pushes ? [] : [new Fix(new Sentence('Put a pawl of 24 teeth at the drive'),
            [new Change($subject->path.'.train', Stages::write(new Train([$pawl, ...$subject->motion->train->stages])))])]);
    }
}
