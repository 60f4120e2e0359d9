<?php

declare(strict_types=1);

namespace Brookstone\Core\Assessment\Drive;

use Brookstone\Core\Assessment\Repair\SupplyMends;
use Brookstone\Core\Assessment\Subject\BatteryDays;
use Brookstone\Core\Assessment\Subject\DriveFigures;
use Brookstone\Core\Assessment\Subject\MotionFigures;
use Brookstone\Core\Assessment\Subject\MotionInBuild;
use Brookstone\Core\Claims\ClaimCheck;
use Brookstone\Core\Drive\ContinuousServo;
use Brookstone\Core\Drive\Servo;
use Brookstone\Core\Finding\Change;
use Brookstone\Core\Finding\Finding;
use Brookstone\Core\Finding\Fix;
use Brookstone\Core\Finding\Sentence;
use Brookstone\Core\Finding\Severity;
use Brookstone\Core\Parts\Motion;
use Brookstone\Core\Quantity\Constants;
use Brookstone\Core\Quantity\Quantity;

/** What is worth knowing of a drive besides whether it carries its load: what holding costs, buzz, creep, and claims that disagree. */
final class DriveNotes
{
    private const SAVES = 0.3;         // of the charge of a day: worth a power gate

    private const HARDLY_ANY_AH = 0.05; // a day: nobody minds

    private const WRAPS_DEG = 360.0;

    /** @return list<?Finding> */
    public function of(MotionInBuild $subject, DriveFigures $f): array
    {
        return [$this->oneWay($subject), $this->buzzes($subject, $f), $this->battery($subject, $f), $this->gate($subject, $f), $this->creeps($subject),
            VisibleSteps::of($subject),
            $this->shared($subject, $f), $this->together($subject, $f), $this->claims($subject, $f), ...SeveralMotors::notes($subject, $f)];
    }

    /** It only turns forwards, and has two ends: nothing brings it back. */
    private function oneWay(MotionInBuild $subject): ?Finding
    {
        $motion = $subject->motion;

        return ! ($motion->drive->one_way ?? false) || $motion->period() !== null || $motion->task->keeps_turning ? null : new Finding('drive.one_way_ends',
            Severity::Fails, $subject->path.'.drive.one_way', new Sentence(
                "It only ever turns {$motion->way(1)}, but has two ends: once it is at {$subject->facts->placeName($motion->at($motion->task->to) > $motion->at($motion->task->from) ? $motion->task->to : $motion->task->from)} nothing brings it back.",
            ), [new Fix(new Sentence('Drive it by a bridge, both ways'), [new Change($subject->path.'.drive.one_way', false)])]);
    }

    /** A servo whose dead band is smaller than the play it sees hunts for its place. */
    private function buzzes(MotionInBuild $subject, DriveFigures $f): ?Finding
    {
        $servo = $f->drive->motor;
        if (! $servo instanceof Servo || $f->drive->gated) {
            return null;
        }
        $slop = $servo->slop_deg + $subject->motion->train->backlash_deg() * $f->ratio;

        return $slop > $servo->deadband_deg * (1 + Constants::TIE) ? new Finding('drive.buzzes', Severity::Tight, $subject->path.'.drive.motor', new Sentence(
            'It hunts and buzzes: {slop} of play at its shaft is more than the {band} within which it does not correct.',
            ['slop' => Quantity::of($slop, '°'), 'band' => Quantity::of($servo->deadband_deg, '°')],
        ), $subject->proposals(fn (): array => [...DriveRepairs::gate($subject), ...OtherDrives::quieter($subject)])) : null;
    }

    private function battery(MotionInBuild $subject, DriveFigures $f): ?Finding
    {
        $day = $f->charge_Ah_day();
        $wanted = $subject->build->settings->battery_days;
        if ($subject->build->isRehearsed($subject->motion->id)) {
            return null; // then the rehearsals say how often it moves, and what everything on its battery takes together
        }
        $battery = $f->drive->supply->capacity_Ah === null || $day <= 0.0 ? null : new BatteryDays($f->drive->supply, $day, $wanted);
        if ($battery === null || $battery->isEnough()) {
            return null;
        }
        $holding = $f->drive->motor->holdCurrent_A($f->hold_motor_Nm, $f->drive->supply->volts_V);

        return new Finding('drive.drains_battery', Severity::Tight, $subject->path.'.drive.supply', new Sentence(
            $holding * 12 > $day
                ? "Holding its load takes {holding} all the time, {day} a day: {$battery->says()}."
                : "It takes {day} a day: {$battery->says()}.",
            ['holding' => Quantity::of($holding, 'A')] + $battery->values(),
        ), $subject->proposals(fn (): array => [...DriveRepairs::gate($subject), ...SupplyMends::largerBattery($subject->build, $f->drive->supply,
            $day, $wanted), ...OtherDrives::frugal($subject)]));
    }

    /** What cutting the power between moves would save. */
    private function gate(MotionInBuild $subject, DriveFigures $f): ?Finding
    {
        if ($f->drive->gated || ! $f->positional || $f->charge_Ah_day() < self::HARDLY_ANY_AH) {
            return null;
        }
        $then = $f->gated()->charge_Ah_day();
        $saves = 1 - $then / $f->charge_Ah_day();
        if ($saves < self::SAVES || $f->hold_Nm * $subject->build->settings->hold_margin > $f->holds_unpowered_Nm) {
            return null;
        }

        return new Finding('drive.gate_saves', Severity::Note, $subject->path.'.drive.gated', new Sentence(
            'Powered all day it takes {day}, of which holding is {saves}; at rest its gears hold the load by themselves. With its power cut between moves it takes {then}, and neither buzzes nor warms.',
            ['day' => Quantity::of($f->charge_Ah_day(), 'Ah'), 'saves' => Quantity::share($saves), 'then' => Quantity::of($then, 'Ah')],
        ), [new Fix(new Sentence('Cut its power between moves'), [new Change($subject->path.'.drive.gated', true)])]);
    }

    /** A continuous-rotation servo does not know where to stop. */
    private function creeps(MotionInBuild $subject): ?Finding
    {
        $motion = $subject->motion;
        $servo = $motion->drive?->motor;
        if (! $servo instanceof ContinuousServo || $motion->task->keeps_turning) {
            return null;
        }
        $creep = $servo->creep_deg_s / $motion->train->ratio();
        $turn = $motion->turn_rad() / Constants::RAD_PER_DEG;

        return new Finding('drive.creeps', Severity::Note, $subject->path.'.drive.motor', new Sentence(
            'Told to stop, it may creep on at {creep}: leave a dead band around the middle of its command, or cut its signal.'
                .($turn > self::WRAPS_DEG ? ' It has no end of travel: over {turn} wires to what turns wrap up.'
                    : ' It has no end of travel and no place of its own: give it switches.'),
            ['creep' => Quantity::of($creep, '°/s'), 'turn' => Quantity::of($turn, '°')],
        ));
    }

    private function shared(MotionInBuild $subject, DriveFigures $f): ?Finding
    {
        $others = self::others($subject, $f);
        if ($others === []) {
            return null;
        }
        $names = Sentence::listed(array_map(fn (Motion $other): string => $other->named(), $others));
        $first = $others[0]->named();

        return new Finding('drive.shared', Severity::Note, $subject->path.'.drive.shares', new Sentence(
            match ($f->drive->shares_by) {
                'selector' => "One motor moves this and {$names} through a selector: a switch must say which of them is engaged, and changing over takes a step of its own.",
                'rectifier' => "One motor moves this both ways, and with it {$first} always forwards: that moves whenever this does, and must be able to go on.",
                'in_turn' => "One motor moves this and {$names} in turn: what is lightest goes first, until it meets its stop, and then the next.",
                default => "One motor moves this when it turns one way and {$names} when it turns the other: neither can be driven back, so each must come round by itself.",
            },
        ));
    }

    /** @return list<Motion> the others on its motor, the one that has it first; none where it has it itself */
    private static function others(MotionInBuild $subject, DriveFigures $f): array
    {
        $group = $f->drive->shares === null ? null : $subject->build->motorGroups[$subject->motion->id] ?? null;

        return array_map(fn (string $id): Motion => $subject->build->motions[$id], $group?->others($subject->motion->id) ?? []);
    }

    /** All on one motor at once: what they need of it adds up. */
    private function together(MotionInBuild $subject, DriveFigures $f): ?Finding
    {
        $others = $f->drive->shares_by === 'rectifier' ? self::others($subject, $f) : [];
        if ($others === [] || $f->counts) {
            return null;
        }
        $needs = $f->peak_Nm / $f->ratio / $f->efficiency;
        foreach ($others as $other) {
            $needs += (new MotionFigures($other))->peak_Nm() / $other->train->ratio() / $other->train->efficiency();
        }
        $names = Sentence::listed(array_map(fn (Motion $other): string => $other->named(), $others));
        $gives = $f->on->most_Nm;
        if ($gives >= $needs * $subject->build->settings->peak_margin * (1 - Constants::TIE)) {
            return null;
        }

        return new Finding('drive.together_weak', $gives < $needs * (1 - Constants::TIE) ? Severity::Fails : Severity::Tight, $subject->path.'.drive.shares',
            new Sentence(
                "One motor moves this and {$names} at once: together they ask {needs} of it at the worst, and it gives {gives}.",
                ['needs' => Quantity::of($needs, 'N·m'), 'gives' => Quantity::of($gives, 'N·m')],
            ), [new Fix(new Sentence('Give it a motor of its own'), [new Change($subject->path.'.drive.shares', null),
                new Change($subject->path.'.drive.selector', null)])]);
    }

    private function claims(MotionInBuild $subject, DriveFigures $f): ?Finding
    {
        $odd = ClaimCheck::of($f->drive->one);
        if ($odd === []) {
            return null;
        }
        $first = $odd[0];

        return new Finding('drive.claims_disagree', Severity::Tight, $subject->path.'.drive.motor', new Sentence(
            $first->says->template.(count($odd) > 1 ? ' And {more} more of its figures disagree.' : ' Measure before you rely on it.'),
            $first->says->values + ['more' => Quantity::number(count($odd) - 1)],
        ), $subject->proposals(fn (): array => OtherDrives::trusted($subject)));
    }
}
