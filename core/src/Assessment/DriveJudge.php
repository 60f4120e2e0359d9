<?php

declare(strict_types=1);

namespace Brookstone\Core\Assessment;

use Brookstone\Core\Drive\Servo;
use Brookstone\Core\Drive\SupplyFit;
use Brookstone\Core\Finding\Change;
use Brookstone\Core\Finding\Finding;
use Brookstone\Core\Finding\Fix;
use Brookstone\Core\Finding\Sentence;
use Brookstone\Core\Finding\Severity;
use Brookstone\Core\Quantity\Constants;
use Brookstone\Core\Quantity\Quantity;

/** Whether the drive carries the load: at its worst, for long, in time, and with the power off. */
final class DriveJudge implements Judge
{
    private const TIE = 1e-9;          // relative: limits closer than this count as met

    private const PINCHES_N = 50.0;    // a hand does not come out of it by itself

    private const MUCH_FASTER = 0.4;   // of the target time: then gear down or lower the duty

    private const SUPPLY_TIGHT = 0.8;  // of what the supply gives

    /** @param  bool  $mends look for fixes too; without, it only says what is wrong, which is quick */
    public function __construct(private readonly bool $mends = true)
    {
    }

    public function judge(Subject $subject): Link
    {
        $drive = $subject->motion->drive;
        if ($drive === null) {
            return Link::notSaid('drive', 'no drive chosen yet');
        }
        $margin = $subject->facts->margin();

        return Link::of(
            'drive',
            $margin === null ? new Sentence('∞') : new Sentence('{margin} ×', ['margin' => Quantity::number($margin)]),
            new Sentence("{$drive->motor->body()->code} has {has} for {needs}", [
                'has' => Quantity::of($subject->facts->stallAtLoad_Nm(), 'N·m'),
                'needs' => Quantity::of($subject->facts->peak_Nm(), 'N·m'),
            ]),
            array_values(array_filter([
                ...$this->supply($subject),
                $this->peak($subject),
                $this->gearbox($subject),
                $this->travel($subject),
                $this->pinches($subject),
                $this->longRun($subject),
                ...$this->holding($subject),
                $this->unpowered($subject),
                $this->time($subject),
            ])),
        );
    }

    /** Worst-angle torque against the drive. */
    private function peak(Subject $subject): ?Finding
    {
        $facts = $subject->facts;
        $margin = $facts->margin();
        $wanted = $subject->build->settings->peak_margin;
        if ($margin === null || $margin >= $wanted * (1 - self::TIE)) {
            return null;
        }
        $fails = $margin < 1.0 - self::TIE;
        $unit = $subject->motion->unit();
        $where = $subject->motion->mechanism->evenOverRad() === INF ? '' : ', heaviest at {at}';

        return new Finding('drive.peak_margin', $fails ? Severity::Fails : Severity::Tight, $subject->path.'.drive.motor', new Sentence(
            $fails
                ? "It needs {needs}{$where}, but its drive stalls at {has}: {margin} ×."
                : "It needs {needs}{$where}, and its drive stalls at {has}: {margin} × is less than the {wanted} × asked for.",
            [
                'needs' => Quantity::of($facts->peak_Nm(), 'N·m'), 'at' => $unit->quantity($unit->fromSi($facts->there()->worst_at)),
                'has' => Quantity::of($facts->stallAtLoad_Nm(), 'N·m'), 'margin' => Quantity::number($margin), 'wanted' => Quantity::number($wanted),
            ],
        ), $this->mends ? Mending::carry($subject) : []);
    }

    private function gearbox(Subject $subject): ?Finding
    {
        $body = $subject->motion->drive?->motor->body() ?? throw new \LogicException('No drive.');
        $through = min($subject->facts->atMotor($subject->facts->peak_Nm()), $subject->motion->drive->line()->stall_Nm);
        if ($through > $body->gearbox_limit_Nm * (1 + self::TIE)) {
            return new Finding('drive.gearbox_limit', Severity::Fails, $subject->path.'.drive.motor', new Sentence(
                'Its own gears see {through} but survive {limit}, however strong the motor is.',
                ['through' => Quantity::of($through, 'N·m'), 'limit' => Quantity::of($body->gearbox_limit_Nm, 'N·m')],
            ), $this->mends ? Mending::carry($subject) : []);
        }
        $stall = $subject->motion->drive->line()->stall_Nm;

        return $stall > $body->gearbox_limit_Nm * (1 + self::TIE) ? new Finding('drive.jam_breaks_gears', Severity::Note, $subject->path.'.drive.motor', new Sentence(
            'Held fast it pushes with {stall}, more than the {limit} its gears survive: a jam breaks them. A slipping clutch or a lower duty protects them.',
            ['stall' => Quantity::of($stall, 'N·m'), 'limit' => Quantity::of($body->gearbox_limit_Nm, 'N·m')],
        )) : null;
    }

    /** What it presses with when a finger is in its way. */
    private function pinches(Subject $subject): ?Finding
    {
        $force = $subject->facts->stallAtLoad_Nm() / $subject->motion->mechanism->leverM();

        return $force > self::PINCHES_N ? new Finding('drive.pinches', Severity::Note, $subject->path.'.drive.motor', new Sentence(
            'Held up it presses with {force}, more than {limit}: fingers get trapped. Cover it, limit the force, and put a stop within reach. Local rules decide.',
            ['force' => Quantity::of($force, 'N'), 'limit' => Quantity::of(self::PINCHES_N, 'N')],
        )) : null;
    }

    private function travel(Subject $subject): ?Finding
    {
        $motor = $subject->motion->drive?->motor;
        if (! $motor instanceof Servo) {
            return null;
        }
        $move = $subject->motion->move();
        $turns = abs($move->distance()) / $subject->motion->mechanism->travelPerRad() * $subject->motion->train->ratio() / Constants::RAD_PER_DEG;

        return $turns > $motor->travel_deg * (1 + self::TIE) ? new Finding('drive.servo_travel', Severity::Fails, $subject->path.'.drive.motor', new Sentence(
            'The servo would have to turn {needs}, but its commanded travel is {has}.',
            ['needs' => Quantity::of($turns, '°'), 'has' => Quantity::of($motor->travel_deg, '°')],
        ), $this->mends ? Mending::carry($subject) : []) : null;
    }

    /** Torque that goes on for the whole move against what the drive bears all day. */
    private function longRun(Subject $subject): ?Finding
    {
        $settings = $subject->build->settings;
        $drive = $subject->motion->drive ?? throw new \LogicException('No drive.');
        $share = $subject->facts->continuousShare($settings->motor_continuous_share, $settings->servo_continuous_share);
        $bears = $share * $drive->line()->stall_Nm;
        $needs = $subject->facts->atMotor($subject->facts->rms_Nm());
        $margin = $subject->facts->margin();
        if ($subject->motion->isAbsolute() || $needs <= $bears * (1 + self::TIE) || $margin === null || $margin < 1.0) {
            return null; // a drive that stalls has a worse finding already; a servo is judged by what it holds
        }

        return new Finding('drive.continuous', Severity::Fails, $subject->path.'.drive.motor', new Sentence(
            'Over the move it needs {needs} at its shaft (rms), more than the {bears} it bears for long ({share} of stall).',
            ['needs' => Quantity::of($needs, 'N·m'), 'bears' => Quantity::of($bears, 'N·m'), 'share' => Quantity::share($share)],
        ), $this->mends ? Mending::carry($subject) : []);
    }

    /** @return list<Finding> a servo holds with current as long as it is powered */
    private function holding(Subject $subject): array
    {
        $drive = $subject->motion->drive ?? throw new \LogicException('No drive.');
        if (! $subject->motion->isAbsolute()) {
            return [];
        }
        $settings = $subject->build->settings;
        $line = $drive->line();
        $torque = $subject->facts->hold_Nm() / $subject->motion->train->ratio();
        $bears = $settings->servo_continuous_share * $line->stall_Nm;
        $findings = [];
        if ($torque > $bears * (1 + self::TIE)) {
            $findings[] = new Finding('drive.holding', Severity::Fails, $subject->path.'.drive.motor', new Sentence(
                'At rest it holds {torque} all the time, more than the {bears} it bears for long ({share} of stall).',
                ['torque' => Quantity::of($torque, 'N·m'), 'bears' => Quantity::of($bears, 'N·m'), 'share' => Quantity::share($settings->servo_continuous_share)],
            ), $this->mends ? Mending::carry($subject) : []);
        }
        $current = $line->currentAt(min($torque, $line->stall_Nm));
        $heat = $current ** 2 * $drive->motor->resistance_ohm();
        $thermal = $drive->motor->body()->thermal;
        $seconds = $thermal->secondsToLimit($heat, $settings->ambient_C);
        if ($seconds !== null) {
            $findings[] = new Finding('drive.hot_holding', Severity::Fails, $subject->path.'.drive.motor', new Sentence(
                'Holding draws {current}, and its winding passes {limit} after {time}.',
                ['current' => Quantity::of($current, 'A'), 'limit' => Quantity::of($thermal->limit_C(), '°C'), 'time' => Quantity::of($seconds, 's')],
            ), $this->mends ? Mending::carry($subject) : []);
        }

        return $findings;
    }

    /** Holding with the power off. */
    private function unpowered(Subject $subject): ?Finding
    {
        if (! $subject->motion->task->holds_unpowered) {
            return null;
        }
        $needs = $subject->facts->hold_Nm();
        $holds = $subject->facts->holdsUnpowered_Nm();
        $wanted = $subject->build->settings->hold_margin;
        if ($needs * $wanted <= $holds * (1 + self::TIE)) {
            return null;
        }
        $fails = $needs > $holds * (1 - self::TIE);

        return new Finding('drive.lets_go', $fails ? Severity::Fails : Severity::Tight, $subject->path.'.task.holds_unpowered', new Sentence(
            $fails
                ? 'It must stay put with the power off: that takes {needs}, but its unpowered gears hold {holds}.'
                : 'With the power off its gears hold {holds} against {needs}: less than the {wanted} × asked for, and vibration takes from it.',
            ['needs' => Quantity::of($needs, 'N·m'), 'holds' => Quantity::of($holds, 'N·m'), 'wanted' => Quantity::number($wanted)],
        ), $this->mends ? Mending::carry($subject) : []);
    }

    private function time(Subject $subject): ?Finding
    {
        $facts = $subject->facts;
        $task = $subject->motion->task;
        $margin = $facts->margin();
        if ($margin !== null && $margin < 1.0 - self::TIE) {
            return null; // it stalls: said already
        }
        foreach ([[$facts->runThere(), $task->to], [$facts->runBack(), $task->from]] as [$run, $to]) {
            if ($run['time_s'] === null) {
                return new Finding('drive.over_target', Severity::Fails, $subject->path.'.task.move_s', new Sentence(
                    "To {$facts->placeName($to)} it is not there after {patience}, where {target} are asked for.",
                    ['patience' => Quantity::of($facts->patience_s(), 's'), 'target' => Quantity::of($task->move_s, 's')],
                ), $this->mends ? Mending::hurry($subject) : []);
            }
        }
        $there = (float) $facts->runThere()['time_s'];
        $values = ['takes' => Quantity::of($there, 's'), 'target' => Quantity::of($task->move_s, 's')];
        if ($there > $task->move_s * (1 + self::TIE)) {
            return new Finding('drive.over_target', Severity::Fails, $subject->path.'.task.move_s', new Sentence(
                "To {$facts->placeName($task->to)} it takes {takes}, longer than the {target} asked for.", $values,
            ), $this->mends ? [...Mending::hurry($subject), $this->allow($subject, $there)] : []);
        }
        if ($there > $task->move_s * (1 - $subject->build->settings->over_time_share)) {
            return new Finding('drive.over_target', Severity::Tight, $subject->path.'.task.move_s', new Sentence(
                "To {$facts->placeName($task->to)} it takes {takes}, just within the {target} asked for.", $values,
            ), $this->mends ? [$this->allow($subject, $there)] : []);
        }

        return $there < self::MUCH_FASTER * $task->move_s ? new Finding('drive.much_faster', Severity::Note, $subject->path.'.task.move_s', new Sentence(
            "To {$facts->placeName($task->to)} it takes {takes}, much quicker than the {target} asked for: gear it down or lower the duty for a calmer move.", $values,
        )) : null;
    }

    private function allow(Subject $subject, float $takes): Fix
    {
        $time = ceil(($takes / (1 - $subject->build->settings->over_time_share)) * 10) / 10 + 0.1;

        return new Fix(new Sentence('Allow it {time}', ['time' => Quantity::of($time, 's')]), [new Change($subject->path.'.task.move_s', $time)]);
    }

    /** @return list<Finding> */
    private function supply(Subject $subject): array
    {
        $drive = $subject->motion->drive ?? throw new \LogicException('No drive.');
        $findings = [];
        $fit = $drive->motor->supplyFit($drive->supply->volts_V);
        [$low, $high] = $drive->motor->voltageRange();
        $values = ['supply' => Quantity::of($drive->supply->volts_V, 'V'), 'low' => Quantity::of($low, 'V'), 'high' => Quantity::of($high, 'V')];
        if ($fit === SupplyFit::Low) {
            $findings[] = new Finding('drive.supply_low', $subject->motion->isAbsolute() ? Severity::Fails : Severity::Tight, $subject->path.'.drive.supply', new Sentence(
                "{$drive->supply->name} gives {supply}, too little for a drive made for {low} to {high}.", $values,
            ), $this->mends ? Mending::otherSupply($subject) : []);
        } elseif ($fit !== SupplyFit::Fits) {
            $findings[] = new Finding('drive.supply_high', $fit === SupplyFit::FarTooHigh ? Severity::Fails : Severity::Tight, $subject->path.'.drive.supply', new Sentence(
                "{$drive->supply->name} gives {supply}, too much for a drive made for {low} to {high}: it runs hot and wears.", $values,
            ), $this->mends ? Mending::otherSupply($subject) : []);
        }
        $start = $drive->line()->stall_A;
        if ($start > self::SUPPLY_TIGHT * $drive->supply->max_A) {
            $fails = $start > $drive->supply->max_A * (1 + self::TIE);
            $findings[] = new Finding('drive.supply_current', $fails ? Severity::Fails : Severity::Tight, $subject->path.'.drive.supply', new Sentence(
                $fails
                    ? "Every start draws {start} for a moment, more than the {max} that {$drive->supply->name} gives: the controller resets."
                    : "Every start draws {start} for a moment, close to the {max} that {$drive->supply->name} gives.",
                ['start' => Quantity::of($start, 'A'), 'max' => Quantity::of($drive->supply->max_A, 'A')],
            ), $this->mends ? Mending::otherSupply($subject) : []);
        }

        return $findings;
    }
}
