<?php

declare(strict_types=1);

namespace Brookstone\Core\Assessment\Load;

use Brookstone\Core\Assessment\Drive\DriveRepairs;
use Brookstone\Core\Assessment\Subject\MotionInBuild;
use Brookstone\Core\Calculator\BallLoad;
use Brookstone\Core\Finding\Change;
use Brookstone\Core\Finding\Finding;
use Brookstone\Core\Finding\Fix;
use Brookstone\Core\Finding\Sentence;
use Brookstone\Core\Finding\Severity;
use Brookstone\Core\Mechanism\Balancer;
use Brookstone\Core\Mechanism\Ball;
use Brookstone\Core\Mechanism\Mechanism;
use Brookstone\Core\Mechanism\Wheels;
use Brookstone\Core\Quantity\Constants;
use Brookstone\Core\Quantity\Format;
use Brookstone\Core\Quantity\Quantity;
use Brookstone\Core\Train\Ratios;
use Brookstone\Core\Train\Stages;
use Brookstone\Core\Train\Train;

/** Whether what rolls grips, and what helps where it does not. */
final class RollingJudge
{
    private const SAFE_GRIP = 0.95;

    /** @return list<Finding> of what rolls; none of anything else */
    public function of(MotionInBuild $subject, Mechanism $thing): array
    {
        return match (true) {
            $thing instanceof Wheels => $this->wheels($subject, $thing),
            $thing instanceof Ball => $this->ball($subject, $thing),
            $thing instanceof Balancer => (new BalanceJudge)->of($subject, $thing),
            default => [],
        };
    }

    /** @return list<Finding> */
    private function wheels(MotionInBuild $subject, Wheels $wheels): array
    {
        $grip = $wheels->gripNm();
        $radius = $wheels->wheel_radius_m;
        $needs = $subject->facts->passes_Nm();
        $values = ['grip' => Quantity::of($grip / $radius, 'N'), 'needs' => Quantity::of($needs / $radius, 'N')];
        if ($needs > $grip * (1 + Constants::TIE)) {
            return [new Finding('load.wheels_slip', Severity::Fails, $subject->path.'.task.move_s',
                new Sentence('The wanted move pushes with {needs}, but its tyres grip only {grip}: they spin.', $values), $this->slower($subject))];
        }
        if ($subject->motion->drive === null) {
            return [];
        }
        $pushes = $subject->facts->pushes_Nm();

        $ramp = $subject->motion->drive->ramp_s;

        return $pushes > $grip * (1 + Constants::TIE) ? [new Finding('load.wheels_slip', Severity::Tight, $subject->path.'.drive.ramp_s', new Sentence(
            ($ramp > 0.0 ? 'Ramped up over {ramp}'
                : 'Switched straight on').' its tyres would have to push with {pushes}, but they grip only {grip}: they spin.',
            $values + ['pushes' => Quantity::of($pushes / $radius, 'N'), 'ramp' => Quantity::of($ramp, 's')],
        ), [...$this->ramp($subject, $grip), ...$this->lowerDuty($subject, $grip), ...$this->gear($subject, $grip)])] : [];
    }

    /** @return list<Finding> */
    private function ball(MotionInBuild $subject, Ball $ball): array
    {
        $leans = BallLoad::leans($ball, $subject->facts->passes_Nm(), $subject->path.'.mechanism.pendulum_mass_kg');

        return $leans === null ? [] : [new Finding($leans->code, $leans->severity, $leans->place, $leans->says, $this->slower($subject))];
    }

    /** @return list<Fix> the shortest ramp with which it no longer slips, and what it costs */
    private function ramp(MotionInBuild $subject, float $grip): array
    {
        $drive = $subject->motion->drive ?? throw new \LogicException('No drive.');
        foreach (DriveRepairs::RAMPS_S as $ramp) {
            if ($ramp <= $drive->ramp_s) {
                continue;
            }
            $ramped = $subject->with($subject->motion->withDrive($drive->but(['ramp_s' => $ramp])));
            $time = $ramped->facts->runThere()['time_s'];
            if ($time !== null && $ramped->facts->pushes_Nm() <= self::SAFE_GRIP * $grip) {
                $before = $subject->facts->runThere()['time_s'] ?? $time;

                return [new Fix(
                    new Sentence('Ramp it up over {ramp}: the move then takes {time}'.($time > $before ? ', {more} more' : ''),
                        ['ramp' => Quantity::of($ramp, 's'), 'time' => Quantity::of($time, 's'), 'more' => Quantity::of(max(0.0, $time - $before), 's')]),
                    [new Change($subject->path.'.drive.ramp_s', $ramp)],
                )];
            }
        }

        return [];
    }

    /** @return list<Fix> the highest duty with which it no longer slips, and what it costs */
    private function lowerDuty(MotionInBuild $subject, float $grip): array
    {
        $drive = $subject->motion->drive ?? throw new \LogicException('No drive.');
        for ($duty = floor($drive->duty * 20 - 1) / 20; $duty >= 0.2; $duty -= 0.05) {
            $slow = $subject->with($subject->motion->withDrive($drive->but(['duty' => round($duty, 2)])));
            if ($slow->facts->pushes_Nm() > self::SAFE_GRIP * $grip) {
                continue;
            }
            $time = $slow->facts->runThere()['time_s'];

            return $time === null ? [] : [new Fix(
                new Sentence('Lower the duty to {duty}: the move then takes {time}', ['duty' => Quantity::number(round($duty, 2)),
                    'time' => Quantity::of($time, 's')]),
                [new Change($subject->path.'.drive.duty', round($duty, 2))],
            )];
        }

        return [];
    }

    /**
     * The nearest gearing, down and up, with which it no longer slips, and what it costs. Further down the rotor holds back more than the train
     * gains; further up the motor has less to push with.
     *
     * @return list<Fix>
     */
    private function gear(MotionInBuild $subject, float $grip): array
    {
        $motion = $subject->motion;
        $now = $motion->train->ratio();
        $fixes = [];
        foreach ([1, -1] as $way) {
            $trains = array_filter(Ratios::all(), fn (Train $train): bool => ($train->ratio() <=> $now) === $way);
            usort($trains, fn (Train $a, Train $b): int => $way * ($a->ratio() <=> $b->ratio()));
            foreach ($trains as $train) {
                $geared = $subject->with($motion->withTrain($train));
                if ($geared->facts->pushes_Nm() > self::SAFE_GRIP * $grip) {
                    continue;
                }
                $time = $geared->facts->runThere()['time_s'];
                if ($time !== null && DriveRepairs::mends($geared)) {
                    $fixes[] = new Fix(
                        new Sentence('Gear it '.($way > 0 ? 'down'
                            : 'up').' to {ratio} : 1 instead of {now} : 1: the move then takes {time}, with {margin} × in hand', [
                                'ratio' => Quantity::number($train->ratio()), 'now' => Quantity::number($now), 'time' => Quantity::of($time, 's'),
                                'margin' => Quantity::number((float) $geared->facts->margin()),
                            ]),
                        [new Change($subject->path.'.train', Stages::write($train))],
                    );
                }
                break;
            }
        }

        return $fixes;
    }

    /** @return list<Fix> more time for the move, if that is enough */
    private function slower(MotionInBuild $subject): array
    {
        $motion = $subject->motion;
        $limit = self::SAFE_GRIP * $motion->mechanism->gripNm() * ($motion->thing() instanceof Ball ? M_SQRT1_2 : 1.0);
        $steady = $subject->facts->there()->steady_peak_Nm;
        if ($steady >= $limit) {
            return [];
        }
        // What is left beside the steady torque goes into speeding up, with the square of the time.
        $speeding = max(1e-12, $subject->facts->passes_Nm() - $steady);
        $time = Format::significantNumber($motion->task->move_s * sqrt($speeding / ($limit - $steady)) * 1.05, 2);

        return $time <= $motion->task->move_s ? [] : [new Fix(new Sentence('Allow the move {time}', ['time' => Quantity::of($time, 's')]),
            [new Change($subject->path.'.task.move_s', $time)])];
    }
}
