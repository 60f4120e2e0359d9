<?php

declare(strict_types=1);

namespace Brookstone\Core\Assessment\Load;

use Brookstone\Core\Assessment\Subject\MotionInBuild;
use Brookstone\Core\Finding\Change;
use Brookstone\Core\Finding\Finding;
use Brookstone\Core\Finding\Fix;
use Brookstone\Core\Finding\Sentence;
use Brookstone\Core\Finding\Severity;
use Brookstone\Core\Mechanism\Balancer;
use Brookstone\Core\Quantity\Constants;
use Brookstone\Core\Quantity\Format;
use Brookstone\Core\Quantity\Quantity;
use Brookstone\Core\Rolling\BalancingBase;

/** Whether what balances can be kept upright: by its drive, by its controller, and on the move that is wanted of it. */
final class BalanceJudge
{
    private const LEAST_CATCH_DEG = 5.0;

    private const RESERVE = 2.0; // times the lean of the move: the rest is for bumps

    private const LOOPS_OVER = 1.05;

    /** @return list<Finding> */
    public function of(MotionInBuild $subject, Balancer $balancer): array
    {
        $drive = $subject->motion->drive;
        if ($drive === null) {
            return [];
        }
        $no_load_rpm = $drive->line()->noLoad_rad_s() / $subject->motion->train->ratio() / Constants::RAD_S_PER_RPM;
        $base = new BalancingBase($balancer->height_m, $balancer->mass_kg, $balancer->inertia_kgm2, $balancer->wheel_radius_m,
            $subject->facts->stallAtLoad_Nm(), $no_load_rpm, $balancer->friction_coefficient, $balancer->delay_s, $balancer->loop_hz);
        $path = "{$subject->path}.mechanism";
        $values = ['catch' => Quantity::of($base->catch_deg, '°'), 'least' => Quantity::of(self::LEAST_CATCH_DEG, '°'),
            'loop' => Quantity::of($balancer->loop_hz, 'Hz'), 'wanted' => Quantity::of($base->wanted_loop_hz, 'Hz'),
            'delay' => Quantity::of($balancer->delay_s, 's'), 'latest' => Quantity::of($base->latest_s, 's'),
            'doubles' => Quantity::of($base->doubles_s, 's')];
        $found = [$this->leans($subject, $balancer, $base)];
        if ($base->catch_deg < self::LEAST_CATCH_DEG * (1 - Constants::TIE)) {
            $found[] = new Finding('load.bump_fells', Severity::Tight, "{$path}.wheel_radius_m", new Sentence(
                'Its wheels bring it back from a lean of {catch} at most, less than {least}: a bump fells it. A stronger drive, a lower gear or smaller wheels push harder.', $values));
        }
        if (! $base->fast_enough) {
            $isLate = $balancer->delay_s > $base->latest_s * (1 + Constants::TIE);
            $loop = ceil($base->wanted_loop_hz * self::LOOPS_OVER);
            $found[] = new Finding('load.falls_faster', Severity::Fails, $path.($isLate ? '.delay_s' : '.loop_hz'), new Sentence(
                'Its lean doubles in {doubles}: its controller must look with {wanted} and answer within {latest}, and it looks with {loop} and answers after {delay}.', $values),
                $isLate ? [] : [new Fix(new Sentence('Let it look with {loop}', ['loop' => Quantity::of($loop, 'Hz')]),
                    [new Change("{$path}.loop_hz", $loop)])]);
        }

        return array_values(array_filter($found));
    }

    /** What it has to lean by to speed up as it shall. */
    private function leans(MotionInBuild $subject, Balancer $balancer, BalancingBase $base): ?Finding
    {
        $motion = $subject->motion;
        $accel = $motion->move()->peakAccel();
        $lean = $balancer->lean_deg($accel);
        if (self::RESERVE * $lean <= $base->catch_deg * (1 + Constants::TIE)) {
            return null;
        }
        $least = Constants::GRAVITY_M_S2 * tan(deg2rad($base->catch_deg / self::RESERVE));
        $time = $least > 0.0 ? Format::significantNumber($motion->task->move_s * sqrt($accel / $least) * self::LOOPS_OVER, 2) : INF;

        return new Finding('load.leans_far', $lean > $base->catch_deg ? Severity::Fails : Severity::Tight, "{$subject->path}.task.move_s", new Sentence(
            'To speed up as it shall it leans by {lean}, and its wheels bring it back from {catch} at most: '.($lean > $base->catch_deg ? 'it falls.'
                : 'little is left for a bump.'), ['lean' => Quantity::of($lean, '°'), 'catch' => Quantity::of($base->catch_deg, '°')],
        ), is_finite($time) && $time > $motion->task->move_s ? [new Fix(new Sentence('Allow the move {time}', ['time' => Quantity::of($time, 's')]),
            [new Change("{$subject->path}.task.move_s", $time)])] : []);
    }
}
