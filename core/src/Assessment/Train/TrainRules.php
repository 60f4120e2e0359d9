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
use Brookstone\Core\Mechanism\PushrodLever;
use Brookstone\Core\Quantity\Constants;
use Brookstone\Core\Quantity\Quantity;
use Brookstone\Core\Train\BeltDrive;
use Brookstone\Core\Train\GearMaterial;
use Brookstone\Core\Train\Layouts;
use Brookstone\Core\Train\Placer;
use Brookstone\Core\Train\Stage;
use Brookstone\Core\Train\Stages;
use Brookstone\Core\Train\StageType;
use Brookstone\Core\Train\Tooth;
use Brookstone\Core\Train\Train;

/** Which way a train turns, what its teeth bear, and where the joint of a belt goes. */
final class TrainRules
{
    private const TOOTHED = [StageType::Spur, StageType::Bevel, StageType::Crown, StageType::Rack];

    private const IDLER = 20;          // teeth

    private const JOINT_MM = 3.0;      // half a joint, and a little

    private const BUSY_PER_DAY = 1000; // from so many moves a day on wear is worth a thought

    /** @return list<Finding> */
    public static function turn(MotionInBuild $subject): array
    {
        $motion = $subject->motion;
        $wanted = $motion->task->turn;
        $rod = $motion->thing() instanceof PushrodLever ? $motion->thing() : null;
        $turns = $motion->train->direction() * (($motion->drive->reversed ?? false) ? -1 : 1) * ($rod?->opposite_sides === true ? -1 : 1);
        if ($motion->drive === null || $wanted === 'any' || ($wanted === 'same') === ($turns > 0)) {
            return [];
        }
        $servo = $motion->positioning->isAbsolute();
        $fixes = [new Fix(
            new Sentence($servo ? 'Turn the servo round, or mirror its command' : 'Swap the two wires of its motor'),
            [new Change($subject->path.'.drive.reversed', ! $motion->drive->reversed)],
        )];
        if ($rod !== null) {
            $fixes[] = new Fix(
                new Sentence('Hook the rod in on the other side of the horn: the part then turns further one way than the other'),
                [new Change($subject->path.'.mechanism.opposite_sides', ! $rod->opposite_sides)],
            );
        }
        $idler = self::withIdler($subject);
        if ($idler !== null) {
            $fixes[] = $idler;
        }
        $meshes = count(array_filter($motion->train->stages, fn (Stage $stage): bool => $stage->type->direction() < 0));

        $reverse = match ($meshes) {
            0 => 'no mesh reverses the drive',
            1 => '1 mesh reverses the drive',
            default => "{$meshes} meshes reverse the drive",
        };
        $reverse .= ($motion->drive->reversed ? ', which is turned round itself' : '').($rod?->opposite_sides === true ? ', the rod does too' : '');

        return [new Finding('train.wrong_way', Severity::Fails, $subject->path.'.train', new Sentence(
            "It turns the wrong way: {$reverse}, and the load shall turn ".($wanted === 'same' ? 'as the drive does.' : 'against the drive.'),
        ), $fixes)];
    }

    /** An idler in its first spur stage: it changes the way and the spacing, not the ratio. */
    private static function withIdler(MotionInBuild $subject): ?Fix
    {
        $stages = $subject->motion->train->stages;
        foreach ($stages as $i => $stage) {
            if ($stage->type !== StageType::Spur || $stage->idler) {
                continue;
            }
            $own = get_object_vars($stage);
            $train = new Train([
                ...array_slice($stages, 0, $i), new Stage(...['driven' => self::IDLER] + $own),
                new Stage(...['driver' => self::IDLER, 'idler' => true] + $own), ...array_slice($stages, $i + 1),
            ]);
            $changes = [new Change($subject->path.'.train', Stages::write($train))];
            if ($subject->motion->layout !== null) {
                [$layout] = Placer::place($train, $subject->motion->layout->plate, $subject->motion->layout->obstacles, 800);
                $changes[] = new Change($subject->path.'.layout', $layout === null ? null : Layouts::write($layout->like($subject->motion->layout)));
            }

            return new Fix(new Sentence('Put an idler of '.self::IDLER.' teeth into stage '.($i + 1).': the ratio stays, {passes} of the power passes',
                ['passes' => Quantity::share($train->efficiency())]), $changes);
        }

        return null;
    }

    /** @return list<Finding> */
    public static function teeth(MotionInBuild $subject): array
    {
        if ($subject->motion->drive === null) {
            return [];
        }
        $findings = [];
        foreach (self::stresses($subject) as $i => $stress) {
            $stage = $subject->motion->train->stages[$i];
            $bears = $stage->material->allowable_MPa();
            $at = "{$subject->path}.train.{$i}.material";
            $words = 'a tooth of stage '.($i + 1)." in {$stage->material->inWords()}";
            $says = fn (string $when, float $sees): Sentence => new Sentence($when.$words.' is stressed to {stress} at its root; the limit is {bears}.',
                ['stress' => Quantity::of($sees, 'MPa'), 'bears' => Quantity::of($bears, 'MPa')]);
            $most = $bears * (1 + Constants::TIE);
            $findings[] = match (true) {
                $stress['running'] > $most => new Finding('train.tooth_running', Severity::Fails, $at,
                    $says('At the worst instant of the move ', $stress['running']), self::stronger($subject, $i, $stress['running'])),
                $subject->motion->task->knocked && $stress['knock'] > $most => new Finding('train.tooth_knock', Severity::Fails, $at,
                    $says('When it is bumped ', $stress['knock']), self::stronger($subject, $i, $stress['knock'])),
                $stress['stall'] > $most => new Finding('train.tooth_stall', Severity::Note, $at, $says('When its drive stalls ', $stress['stall']),
                    self::stronger($subject, $i, $stress['stall'])),
                default => null,
            };
        }

        return array_values(array_filter($findings));
    }

    /** @return array<int, array{running: float, stall: float, knock: float}> MPa at the root of the weaker wheel, by stage of toothed wheels */
    public static function stresses(MotionInBuild $subject): array
    {
        $stages = $subject->motion->train->stages;
        $f = DriveFigures::of($subject);
        $stresses = [];
        foreach ($stages as $i => $stage) {
            $weaker = min($stage->driver, $stage->driven);
            if (! in_array($stage->type, self::TOOTHED, true) || $weaker < Tooth::LEAST_TEETH) {
                continue;
            }
            $after = new Train(array_slice($stages, $i + 1));
            $upTo = new Train(array_slice($stages, 0, $i + 1));
            // Torque at the driven wheel: what the load asks, what the drive gives stalled, what a knock sends back.
            $driven = ['running' => $f->peak_Nm / $after->ratio() / $after->efficiency(), 'stall' => $f->on->most_Nm * $upTo->ratio() * $upTo->efficiency(),
                'knock' => $f->knock_motor_Nm * $upTo->ratio()];
            $stresses[$i] = array_map(fn (float $torque): float => (new Tooth($weaker, $stage->module_mm, $stage->face_mm,
                $torque * $weaker / $stage->driven, 1.0))->stress_MPa, $driven);
        }

        return $stresses;
    }

    /** @return list<Fix> */
    private static function stronger(MotionInBuild $subject, int $i, float $stress_MPa): array
    {
        $stage = $subject->motion->train->stages[$i];
        $fixes = [];
        foreach (GearMaterial::cases() as $material) {
            if ($material->allowable_MPa() >= $stress_MPa) {
                $fixes[] = new Fix(new Sentence("Take {$material->inWords()} for stage ".($i + 1).': its limit is {bears}',
                    ['bears' => Quantity::of($material->allowable_MPa(), 'MPa')]), [new Change("{$subject->path}.train.{$i}.material", $material->value)]);

                break;
            }
        }
        $face = ceil($stage->face_mm * $stress_MPa / $stage->material->allowable_MPa());
        if ($face <= 2 * $stage->face_mm) {
            $fixes[] = new Fix(new Sentence('Make its teeth {face} wide', ['face' => Quantity::of($face / 1000, 'm')]),
                [new Change("{$subject->path}.train.{$i}.face_mm", $face)]);
        }

        return $fixes;
    }

    /** A belt or chain where its wheels stand; null where that is not said. */
    public static function belt(MotionInBuild $subject, int $i, Stage $stage): ?BeltDrive
    {
        $layout = $subject->motion->layout;

        return $stage->type->runsOver() && $layout !== null && $layout->fits($subject->motion->train)
            && $layout->apart_mm($i) > $stage->driverPitchRadius_mm() + $stage->drivenPitchRadius_mm()
            ? new BeltDrive($stage->module_mm * M_PI, $stage->driver, $stage->driven, $layout->apart_mm($i)) : null;
    }

    /** @return list<Finding> */
    public static function meshOfBelts(MotionInBuild $subject): array
    {
        $findings = [];
        foreach ($subject->motion->train->stages as $i => $stage) {
            $belt = self::belt($subject, $i, $stage);
            if ($belt !== null && $stage->type !== StageType::Round && $belt->teeth_in_mesh < BeltDrive::LEAST_IN_MESH) {
                $findings[] = new Finding('train.belt_jumps', Severity::Tight, "{$subject->path}.train.{$i}.driver", new Sentence(
                    'Only {teeth} teeth of the smaller wheel hold the '.$stage->type->value.' of stage '.($i
                        + 1).': under six it jumps when it is knocked. Take larger wheels, or set the shafts further apart.',
                    ['teeth' => Quantity::number($belt->teeth_in_mesh)],
                ));
            }
        }

        return $findings;
    }

    /** @return list<Finding> */
    public static function joints(MotionInBuild $subject): array
    {
        $findings = [];
        foreach ($subject->motion->train->stages as $i => $stage) {
            foreach ($stage->type->runsOver() ? array_filter(['joint_mm' => $stage->joint_mm, 'second_joint_mm' => $stage->second_joint_mm],
                fn (?float $joint): bool => $joint !== null) : [] as $field => $joint) {
                $finding = self::joint($subject, $i, $stage, $joint, "{$subject->path}.train.{$i}.{$field}");
                if ($finding !== null) {
                    $findings[] = $finding;
                }
            }
        }

        return $findings;
    }

    /** A joint must stay on a free run of its belt, however far the motion goes from where its task begins. */
    private static function joint(MotionInBuild $subject, int $i, Stage $stage, float $joint, string $at): ?Finding
    {
        $motion = $subject->motion;
        $kind = $stage->type->inWords();
        $fixes = [new Fix(new Sentence("Take an endless {$kind}"), [new Change("{$subject->path}.train.{$i}.joint_mm", null),
            new Change("{$subject->path}.train.{$i}.second_joint_mm", null)])];
        if ($motion->task->keeps_turning) {
            return new Finding('train.joint_on_pulley', Severity::Fails, $at,
                new Sentence("The {$kind} runs on: its joint goes over both wheels every time."), $fixes);
        }
        $layout = $motion->layout;
        if ($layout === null || ! $layout->fits($motion->train)) {
            return new Finding('train.joint_unknown', Severity::Note, $at,
                new Sentence("Where the joint of the {$kind} goes can be said once the shafts are laid out."));
        }
        $belt = self::belt($subject, $i, $stage);
        if ($belt === null) {
            return null; // wheels that touch are another finding
        }

        // While the task is done the pulling side runs towards the driving wheel.
        $mm = fn (float $to): float => abs($motion->mechanism->turnAt($motion->unit()->toSi($to)) - $motion->mechanism->turnAt($motion->move()->from))
            * (new Train(array_slice($motion->train->stages, $i + 1)))->ratio() * $stage->drivenPitchRadius_mm();
        [$low, $high] = $motion->range();
        [$towards, $away] = $motion->move()->direction() > 0 ? [$mm($high), $mm($low)] : [$mm($low), $mm($high)];
        $along = $joint - $belt->length_mm * floor($joint / $belt->length_mm);
        $best = null;
        foreach ($belt->freeRuns_mm() as [$from, $to]) {
            if ($along - $towards >= $from + self::JOINT_MM && $along + $away <= $to - self::JOINT_MM) {
                return null;
            }
            $middle = ($from + $to + $towards - $away) / 2;
            if ($towards + $away + 2 * self::JOINT_MM <= $to - $from && ($best === null || abs($middle - $along) < abs($best - $along))) {
                $best = $middle;
            }
        }
        if ($best !== null) {
            array_unshift($fixes, new Fix(new Sentence('Join it {middle} from the driving wheel, at the start of the task',
                ['middle' => Quantity::of($best / 1000, 'm')]), [new Change($at, round($best, 1))]));
        }

        return new Finding('train.joint_on_pulley', Severity::Fails, $at,
            new Sentence("The joint of the {$kind} goes {travel} and has {span} between the wheels: it runs onto one of them.",
                ['travel' => Quantity::of(($towards + $away) / 1000, 'm'), 'span' => Quantity::of($belt->span_mm / 1000, 'm')]), $fixes);
    }

    /** @return list<Finding> */
    public static function wear(MotionInBuild $subject): array
    {
        $findings = [];
        foreach ($subject->motion->train->stages as $i => $stage) {
            $common = $stage->commonFactor();
            if ($stage->wearsUnevenly() && ($subject->motion->task->per_day >= self::BUSY_PER_DAY || $subject->motion->task->keeps_turning)) {
                $findings[] = new Finding('train.wears_unevenly', Severity::Note, "{$subject->path}.train.{$i}.driven", new Sentence(
                    "{$stage->driver} and {$stage->driven} teeth have {$common} in common: the same few pairs keep meeting. One tooth more or less spreads the wear.",
                ));
            }
        }

        return $findings;
    }
}
