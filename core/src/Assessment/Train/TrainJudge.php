<?php

declare(strict_types=1);

namespace Brookstone\Core\Assessment\Train;

use Brookstone\Core\Assessment\Subject\Judge;
use Brookstone\Core\Assessment\Subject\Link;
use Brookstone\Core\Assessment\Subject\MotionInBuild;
use Brookstone\Core\Finding\Finding;
use Brookstone\Core\Finding\Sentence;
use Brookstone\Core\Finding\Severity;
use Brookstone\Core\Quantity\Constants;
use Brookstone\Core\Quantity\Quantity;
use Brookstone\Core\Train\StageType;

/** What the stages between motor and load do to it. */
final class TrainJudge implements Judge
{
    private const UNDERCUT = 17;        // teeth, at 20°: Shigley, Mechanical Engineering Design, 10th ed., §13–7

    private const WASTEFUL = 0.5;       // of the power is lost

    private const RATIO_IN_HAND = 1.05; // a ratio this much off what would do is worth saying

    public function judge(MotionInBuild $subject): Link
    {
        $train = $subject->motion->train;
        if ($subject->motion->drive === null) {
            return Link::notSaid('train', 'follows from the drive');
        }
        $findings = array_values(array_filter([
            $this->ratioThatWouldDo($subject),
            $this->slop($subject),
            ...$this->stages($subject),
            ...TrainRules::turn($subject),
            ...TrainRules::teeth($subject),
            ...TrainRules::joints($subject),
            ...PartRules::findings($subject),
            ...CordRules::findings($subject),
            ...TrainRules::meshOfBelts($subject),
            ...TrainRules::wear($subject),
            ...LayoutRules::findings($subject),
            ...LinkageRules::angles($subject),
        ]));
        $count = count($train->stages);

        return Link::of(
            'train',
            new Sentence('{ratio} : 1', ['ratio' => Quantity::number($train->ratio())]),
            $count === 0
                ? new Sentence('straight on the shaft of the drive')
                : new Sentence($count.($count === 1 ? ' stage' : ' stages').', passes {efficiency}', ['efficiency' => Quantity::share($train->efficiency())]),
            $findings,
        );
    }

    private function ratioThatWouldDo(MotionInBuild $subject): ?Finding
    {
        $margin = $subject->facts->margin();
        $wanted = $subject->build->settings->peak_margin;
        if ($margin === null || $margin * self::RATIO_IN_HAND >= $wanted || $margin <= 0.0) {
            return null;
        }
        $ratio = $subject->motion->train->ratio() * $wanted / $margin;

        return new Finding('train.ratio_would_do', Severity::Note, $subject->path.'.train', new Sentence(
            'With this drive a ratio of {ratio} : 1 would give the margin of {wanted} × asked for; the move then takes about {factor} × as long.',
            ['ratio' => Quantity::number($ratio), 'wanted' => Quantity::number($wanted), 'factor' => Quantity::number(max(1.0, $wanted / $margin))],
        ));
    }

    private function slop(MotionInBuild $subject): ?Finding
    {
        $tolerance = $subject->motion->task->tolerance;
        $unit = $subject->motion->unit();
        $slop = $unit->fromSi($subject->motion->laidTrain()->backlash_deg() * Constants::RAD_PER_DEG * $subject->motion->mechanism->travelPerRad());
        $pressed = PlayTaken::of($subject);
        if ($tolerance === null || $slop <= $tolerance / 2 || $pressed->byItself !== 0) {
            return null;
        }

        return new Finding('train.slop', $slop > $tolerance ? Severity::Fails : Severity::Tight, $subject->path.'.train', new Sentence(
            'Its gears leave {slop} of play at the load, where {tolerance} is allowed, and its load presses now this way, now that. The last mesh counts most; a spring that always pulls one way takes the play out.',
            ['slop' => $unit->quantity($slop), 'tolerance' => $unit->quantity($tolerance)],
        ), $pressed->fixes());
    }

    /** @return list<Finding> */
    private function stages(MotionInBuild $subject): array
    {
        $train = $subject->motion->train;
        $findings = [];
        foreach ($train->stages as $i => $stage) {
            $smaller = min($stage->driver, $stage->driven);
            if ($stage->type === StageType::Spur && $smaller < self::UNDERCUT) {
                $findings[] = new Finding('train.undercut', Severity::Note, "{$subject->path}.train.{$i}.driver", new Sentence(
                    "A gear of {$smaller} teeth is undercut: it runs, but weaker and rougher than one of ".self::UNDERCUT.' or more.',
                ));
            }
        }
        if ($train->backEfficiency() <= 0.0) {
            $findings[] = new Finding('train.locks_itself', Severity::Note, $subject->path.'.train', new Sentence(
                'The load cannot turn this train back: it holds with the power off. Vibration and fresh grease lower that; never trust it over people.',
            ));
        }
        if ($train->stages !== [] && $train->efficiency() < self::WASTEFUL) {
            $findings[] = new Finding('train.wasteful', Severity::Note, $subject->path.'.train', new Sentence(
                'Only {efficiency} of the power gets through; the rest warms the gears.', ['efficiency' => Quantity::share($train->efficiency())],
            ));
        }

        return $findings;
    }
}
